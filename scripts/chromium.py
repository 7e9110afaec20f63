"""Chromium from Debian's packages, as the tests, the bench and the pictures drive it."""

from __future__ import annotations

from shutil import which

# Debian's own build without windows draws the same pages for two thirds of the work.
CHROMIUM = which("chromium-headless-shell") or "/usr/bin/chromium"
"""Where it is: the one without windows, or where that is not to be had the whole one."""

ARGUMENTS = [
    "--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking",
    "--disable-component-update", "--disable-sync",
]  # fmt: skip
"""What it is told at its start."""
