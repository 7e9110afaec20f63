#!/usr/bin/env bash
# Lint, types, import rules, unused code, and that what is generated is as committed: the program beside the page.
# With `quick`, the first of these alone.
set -eu
cd "$(dirname "$0")/.."
bin=.venv/bin
told=$(mktemp)
types=$(mktemp)
trap 'rm -f "$told" "$types"' EXIT
step() { echo "  $1"; shift; "$@"; }

of_the_program() {
  set -eu
  step "ruff" $bin/ruff check .
  step "ruff format" $bin/ruff format --check -q .
  step "types of ribbon, papers and server" $bin/mypy
  step "import rules, Python" $bin/lint-imports --no-logo --no-cache
  [ "$1" = quick ] || step "unused code, Python" $bin/vulture
}

of_the_page() {
  set -eu
  cd web
  step "types of the page" npx --no-install tsc --noEmit
  step "how the page saves" npx --no-install vitest run --silent --reporter=dot
  [ "$1" != quick ] || return 0
  npx --no-install openapi-typescript ../docs/openapi.json --default-non-nullable=false -o "$types" >/dev/null 2>&1
  step "types made from docs/openapi.json (make api)" cmp "$types" src/api/schema.ts
  for name in kinds addresses; do
    (cd .. && .venv/bin/python -W ignore -m scripts.openapi $name) \
      | npx --no-install biome format --stdin-file-path="src/api/$name.ts" >"$types"
    step "$name of the page (make api)" cmp "$types" "src/api/$name.ts"
  done
  step "biome" npx --no-install biome check --error-on-warnings .
  step "import rules, TypeScript" npx --no-install depcruise --config dependency-rules.cjs --output-type err src
  step "unused code, TypeScript" npx --no-install knip
}

echo "Checking"
# `set -e` counts for nothing where a function is asked how it ended: each half is a process, waited for.
(of_the_page "${1:-}") >"$told" 2>&1 &
page=$!
(of_the_program "${1:-}") &
program=$!
wrong=0
wait $program || wrong=$?
wait $page || wrong=$?
cat "$told"
exit $wrong
