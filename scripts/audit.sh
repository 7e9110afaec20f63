#!/usr/bin/env bash
# What is known of the packages that are pinned. Says so where no network can be asked; ends with 1 where something is known.
set -u
cd "$(dirname "$0")/.."
found=0
echo "Python:"
if [ ! -x .venv/bin/pip-audit ]; then
  .venv/bin/pip install --quiet --disable-pip-version-check pip-audit 2>/dev/null || echo "  pip-audit cannot be fetched: no network."
fi
if [ -x .venv/bin/pip-audit ]; then
  said=$(.venv/bin/pip-audit --disable-pip --require-hashes -r requirements/run.txt 2>&1); code=$?
  if grep -qiE "ConnectionError|Max retries|Name or service|resolve|timed out" <<<"$said"; then
    echo "  nobody answers: no network, nothing is known."
  else
    echo "$said" | sed 's/^/  /'; [ $code -eq 0 ] || found=1
  fi
fi
echo "The page:"
said=$(cd web && npm audit --omit=dev 2>&1); code=$?
if grep -qiE "ENOTFOUND|ECONNREFUSED|EAI_AGAIN|ETIMEDOUT|audit endpoint|ENOAUDIT|Not Found|not supported" <<<"$said"; then
  echo "  nobody answers: no network, nothing is known."
else
  echo "$said" | grep -v "npm warn" | sed 's/^/  /'; [ $code -eq 0 ] || found=1
fi
exit $found
