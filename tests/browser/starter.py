"""Starts the program as `make serve` does, as often as it is asked to, from one process.

What does not depend on the data folder is read in once, and each start is a copy of that: a third of a second instead
of four.  It reads one JSON list of the command's arguments a line, and says the process that it started.
"""

from __future__ import annotations

import json
import os
import signal
import sys
from contextlib import suppress
from importlib import import_module

_FIRST = (
    "ezdxf.filemanagement", "ortools.sat.python.cp_model", "spyrrow", "reportlab.pdfgen.canvas", "PIL.Image", "ninja",
    "django.contrib.staticfiles", "django.core.management", "django.db.backends.sqlite3.base", "waitress.server",
    "whitenoise.middleware", "openpyxl", "ribbon.table", "ribbon.cloth", "papers.cutting", "scripts.serve",
)  # fmt: skip


def main() -> None:
    """Start what is asked for until nothing more can be."""
    signal.signal(signal.SIGCHLD, signal.SIG_IGN)  # nobody waits for them here
    signal.signal(signal.SIGINT, signal.SIG_IGN)
    for name in _FIRST:
        with suppress(ModuleNotFoundError):
            import_module(name)
    for line in sys.stdin:
        pid = os.fork()
        if pid == 0:
            _start(json.loads(line))
        print(pid, flush=True)


def _start(arguments: list[str]) -> None:
    signal.signal(signal.SIGCHLD, signal.SIG_DFL)
    signal.signal(signal.SIGINT, signal.default_int_handler)
    sys.argv = ["serve", *arguments]
    code = 1
    try:
        sys.modules["scripts.serve"].main()
        code = 0
    finally:
        print(f"ended with {code}", flush=True)
        os._exit(code)


if __name__ == "__main__":
    main()
