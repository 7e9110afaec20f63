#!/usr/bin/env bash
# Says in a sentence what set-up needs and does not find.
set -u
missing=0
need() { echo "Young Ribbon needs $1. $2" >&2; missing=1; }
python3 -c 'import sys; sys.exit(sys.version_info < (3, 11))' 2>/dev/null ||
  need "Python 3.11 or later" "On Debian: apt-get install python3 python3-venv"
python3 -c 'import venv, ensurepip' 2>/dev/null ||
  need "Python's venv module" "On Debian: apt-get install python3-venv"
node -e 'process.exit(Number(process.versions.node.split(".")[0]) < 20 ? 1 : 0)' 2>/dev/null ||
  need "Node 20 or later" "On Debian: apt-get install nodejs npm"
command -v npm >/dev/null || need "npm" "On Debian: apt-get install npm"
exit $missing
