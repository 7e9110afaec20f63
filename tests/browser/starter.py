"""Starts the program as `make serve` does, as often as it is asked to, from one process.

All of it is read in once, and each start is a copy of that with settings of its own: a second instead of five.
It reads one JSON list of the command's arguments a line, and says the process that it started.
"""

from __future__ import annotations

import json
import os
import signal
import sys
import tempfile
from contextlib import suppress
from importlib import import_module, reload

import django
from django.conf import settings
from django.db import connections
from django.utils.functional import empty

_FIRST = ("server.config.urls", "ezdxf.filemanagement", "ortools.sat.python.cp_model", "spyrrow", "scripts.serve")


def main() -> None:
    """Start what is asked for until nothing more can be."""
    signal.signal(signal.SIGCHLD, signal.SIG_IGN)  # nobody waits for them here
    signal.signal(signal.SIGINT, signal.SIG_IGN)
    os.environ["DJANGO_SETTINGS_MODULE"] = "server.config.settings"
    with tempfile.TemporaryDirectory(prefix="young-ribbon-test-") as nothing:
        os.environ["YOUNG_RIBBON_DATA"] = nothing
        django.setup()
        for name in _FIRST:
            import_module(name)
    started = []
    for line in sys.stdin:
        pid = os.fork()
        if pid == 0:
            _start(json.loads(line))
        started.append(pid)
        print(pid, flush=True)
    for pid in started:
        with suppress(ProcessLookupError):
            os.kill(pid, signal.SIGTERM)


def _start(arguments: list[str]) -> None:
    signal.signal(signal.SIGCHLD, signal.SIG_DFL)
    signal.signal(signal.SIGINT, signal.default_int_handler)
    sys.argv = ["serve", *arguments]
    os.environ["YOUNG_RIBBON_DATA"] = arguments[arguments.index("--data") + 1]
    # The settings name the data folder: they, and the database that they name, are read anew.
    reload(sys.modules["server.config.settings"])
    settings._wrapped = empty
    vars(connections).pop("settings", None)
    connections._settings = None
    with suppress(AttributeError):
        del connections["default"]
    code = 1
    try:
        sys.modules["scripts.serve"].main()
        code = 0
    finally:
        print(f"ended with {code}", flush=True)
        os._exit(code)


if __name__ == "__main__":
    main()
