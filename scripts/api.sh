#!/usr/bin/env bash
# The description of the API and the page's types, both made from the program itself.
set -eu
cd "$(dirname "$0")/.."
data=$(mktemp -d)
trap 'rm -rf "$data"' EXIT
YOUNG_RIBBON_DATA=$data .venv/bin/python -W ignore -m scripts.openapi > docs/openapi.json
cd web
npx --no-install openapi-typescript ../docs/openapi.json --default-non-nullable=false -o src/api/schema.ts
