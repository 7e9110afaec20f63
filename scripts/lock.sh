#!/usr/bin/env bash
# Pins every package: Python's with hashes, the page's in package-lock.json, neither with an address in it.
set -eu
cd "$(dirname "$0")/.."
.venv/bin/pip install --quiet uv
for name in run test; do
  .venv/bin/uv pip compile -q --generate-hashes --no-emit-index-url --no-header --python-version 3.11 \
    "requirements/$name.in" -o "requirements/$name.txt"
done
# Afresh, in a folder of its own: what is installed here would leave other machines' packages out.
fresh=$(mktemp -d)
trap 'rm -rf "$fresh"' EXIT
cp web/package.json web/.npmrc "$fresh"
(cd "$fresh" && npm install --silent --package-lock-only)
node -e '
  const fs = require("fs");
  const [from, to] = process.argv.slice(1);
  const lock = JSON.parse(fs.readFileSync(from, "utf8"));
  for (const name of Object.keys(lock.packages)) delete lock.packages[name].funding;
  fs.writeFileSync(to, JSON.stringify(lock, null, 2) + "\n");
' "$fresh/package-lock.json" web/package-lock.json
