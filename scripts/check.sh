#!/usr/bin/env bash
# Lint, types, import rules, unused code, and that what is generated is as committed. Stops at the first that fails.
# With `quick`, the first of these alone.
set -eu
cd "$(dirname "$0")/.."
bin=.venv/bin
step() { echo "  $1"; shift; "$@"; }
echo "Checking"
step "ruff" $bin/ruff check .
step "ruff format" $bin/ruff format --check -q .
step "types of ribbon, papers and server" $bin/mypy
step "import rules, Python" $bin/lint-imports --no-logo --no-cache
cd web
step "types of the page" npx --no-install tsc --noEmit
step "how the page saves" npx --no-install vitest run --silent --reporter=dot
[ "${1:-}" = quick ] && exit 0
(cd .. && step "unused code, Python" $bin/vulture)
types=$(mktemp)
trap 'rm -f "$types"' EXIT
npx --no-install openapi-typescript ../docs/openapi.json --default-non-nullable=false -o "$types" >/dev/null 2>&1
step "types made from docs/openapi.json (make api)" cmp "$types" src/api/schema.ts
for name in kinds addresses; do
  (cd .. && YOUNG_RIBBON_DATA=$(mktemp -d) .venv/bin/python -W ignore -m scripts.openapi $name) \
    | npx --no-install biome format --stdin-file-path="src/api/$name.ts" >"$types"
  step "$name of the page (make api)" cmp "$types" "src/api/$name.ts"
done
step "biome" npx --no-install biome check --error-on-warnings .
step "import rules, TypeScript" npx --no-install depcruise --config dependency-rules.cjs --output-type err src
step "unused code, TypeScript" npx --no-install knip
