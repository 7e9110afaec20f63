#!/usr/bin/env bash
# The description of the API, the page's types, kinds and addresses, and the schema of the open file, all made from the program itself.
set -eu
cd "$(dirname "$0")/.."
data=$(mktemp -d)
trap 'rm -rf "$data"' EXIT
made() { YOUNG_RIBBON_DATA=$data .venv/bin/python -W ignore -m scripts.openapi "$1"; }
made api > docs/openapi.json
made file > docs/ribbon.schema.json
made kinds > web/src/api/kinds.ts
made addresses > web/src/api/addresses.ts
cd web
npx --no-install openapi-typescript ../docs/openapi.json --default-non-nullable=false -o src/api/schema.ts
npx --no-install biome format --write src/api/kinds.ts src/api/addresses.ts
