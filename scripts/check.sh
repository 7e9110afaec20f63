#!/usr/bin/env bash
# Lint, types, import rules, unused code, and that what is generated is as committed. Stops at the first that fails.
set -eu
cd "$(dirname "$0")/.."
bin=.venv/bin
step() { echo "  $1"; shift; "$@"; }
echo "Checking"
step "ruff" $bin/ruff check .
step "ruff format" $bin/ruff format --check -q .
step "types of ribbon and papers" $bin/mypy
step "import rules, Python" $bin/lint-imports --no-logo --no-cache
step "unused code, Python" $bin/vulture
cd web
step "types of the page" npx --no-install tsc --noEmit
types=$(mktemp)
trap 'rm -f "$types"' EXIT
npx --no-install openapi-typescript ../docs/openapi.json --default-non-nullable=false -o "$types" >/dev/null 2>&1
step "types made from docs/openapi.json (make api)" cmp "$types" src/api/schema.ts
step "biome" npx --no-install biome check --error-on-warnings .
step "import rules, TypeScript" npx --no-install depcruise --config dependency-rules.cjs --output-type err src
step "unused code, TypeScript" npx --no-install knip
