#!/usr/bin/env bash
# The browser that the tests drive, from Debian's packages: the build without windows, or else the whole one.
set -eu
command -v chromium-headless-shell >/dev/null && exit 0
install() {
  DEBIAN_FRONTEND=noninteractive apt-get -qq install -y --no-install-recommends "$1" >/dev/null 2>&1
}
if [ "$(id -u)" = 0 ]; then
  echo "Installing Chromium from Debian's packages, about a minute…"
  apt-get -qq -o Acquire::Retries=1 -o Acquire::http::Timeout=20 update || true
  install chromium-headless-shell || command -v chromium >/dev/null || install chromium
fi
if ! command -v chromium-headless-shell >/dev/null && ! command -v chromium >/dev/null; then
  echo "The tests drive Chromium, which is not installed. As root: apt-get install chromium-headless-shell" >&2
  exit 1
fi
