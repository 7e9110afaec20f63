#!/usr/bin/env bash
# What is known of the packages that are pinned. Says so where no network can be asked; ends with 1 where something is known.
set -u
cd "$(dirname "$0")/.."
found=0
echo "Python:"
tool=.venv/audit # of its own: it is no part of the program
if [ ! -x $tool/bin/pip-audit ]; then
  python3 -m venv $tool && $tool/bin/pip install --quiet --disable-pip-version-check pip-audit 2>/dev/null \
    || echo "  pip-audit cannot be fetched: no network."
fi
if [ -x $tool/bin/pip-audit ]; then
  said=$($tool/bin/pip-audit --disable-pip --require-hashes -r requirements/run.txt 2>&1); code=$?
  if grep -qiE "ConnectionError|Max retries|Name or service|resolve|timed out" <<<"$said"; then
    echo "  nobody answers: no network, nothing is known."
  elif grep -q "could not be audited" <<<"$said" && ! grep -q "GHSA\|PYSEC\|CVE" <<<"$said"; then
    echo "  this registry knows nothing of $(grep -c "could not be audited" <<<"$said") packages; of the others nothing bad is known."
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
