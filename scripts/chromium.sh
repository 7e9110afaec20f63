#!/usr/bin/env bash
# The browser that the tests drive, from Debian's packages.
set -eu
command -v chromium >/dev/null && exit 0
if [ "$(id -u)" != 0 ]; then
  echo "The tests drive Chromium, which is not installed. As root: apt-get install chromium" >&2
  exit 1
fi
echo "Installing Chromium from Debian's packages, about a minute…"
apt-get -qq update
DEBIAN_FRONTEND=noninteractive apt-get -qq install -y --no-install-recommends chromium >/dev/null
