#!/usr/bin/env bash
# The description of the API, the page's types and the schema of the open file, all made from the program itself.
set -eu
cd "$(dirname "$0")/.."
data=$(mktemp -d)
trap 'rm -rf "$data"' EXIT
YOUNG_RIBBON_DATA=$data .venv/bin/python -W ignore -m scripts.openapi > docs/openapi.json
YOUNG_RIBBON_DATA=$data .venv/bin/python -W ignore -m scripts.openapi file > docs/ribbon.schema.json
cd web
npx --no-install openapi-typescript ../docs/openapi.json --default-non-nullable=false -o src/api/schema.ts
