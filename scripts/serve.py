"""Serves the program on this machine alone: brings the data folder up to date, then serves."""

from __future__ import annotations

import argparse
import errno
import os
import socket
import sys
from pathlib import Path

ROOT = Path(__file__).resolve().parents[1]


def main() -> None:
    """Read the command line and serve."""
    parser = argparse.ArgumentParser(description="Serve Young Ribbon on this machine.")
    parser.add_argument("--data", type=Path, required=True, help="where the works are kept")
    parser.add_argument("--port", default="8420")
    parser.add_argument("--demo", action="store_true", help="put the demo works on an empty shelf")
    told = parser.parse_args()
    port = _free_port(told.port)
    data = told.data if told.data.is_absolute() else ROOT / told.data
    os.environ["YOUNG_RIBBON_DATA"] = str(data)
    os.environ["DJANGO_SETTINGS_MODULE"] = "server.config.settings"
    os.umask(0o077)
    os.chdir(ROOT)
    try:
        _ready(data, port, demo=told.demo)
    except OSError as error:
        sys.exit(f"The works cannot be kept in {data}: {error.strerror}. Name another folder in YOUNG_RIBBON_DATA.")
    from server.config.serving import listening, serve
    from server.config.wsgi import application

    found = listening(port)
    says = f"Young Ribbon is at http://127.0.0.1:{port} (Ctrl-C ends it). Works are kept in {data}."
    serve(found, application, lambda: print(says, flush=True))


def _free_port(said: str) -> int:
    """The port, if it is one and is free; otherwise a sentence and the end."""
    if not said.isdigit() or not 1 <= int(said) <= 65535:
        sys.exit(f"PORT={said} is not a port: use a number from 1024 to 65535, such as PORT=8421.")
    port = int(said)
    with socket.socket() as probe:
        probe.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            probe.bind(("127.0.0.1", port))
        except OSError as error:
            if error.errno == errno.EACCES:
                sys.exit(f"Port {port} is kept for the system: use another, such as PORT=8421.")
            sys.exit(
                f"Port {port} is taken, perhaps by Young Ribbon itself: look at http://127.0.0.1:{port}, "
                f"or use another port, such as PORT={port + 1}."
            )
    return port


def _ready(data: Path, port: int, *, demo: bool) -> None:
    """The data folder taken and up to date, and the demo works if they are wanted."""
    import django
    from django.core.management import call_command

    django.setup()
    from server.keeping.start import Served, owners_alone, ready, take_folder

    try:
        take_folder(data, f"http://127.0.0.1:{port}")
    except Served as served:
        sys.exit(f"Another Young Ribbon serves the works in {data} already: look at {served}.")
    owners_alone(data)
    trouble = ready()
    if trouble is not None:
        print(f"{trouble.says} {trouble.way_out}", file=sys.stderr, flush=True)
    elif demo:
        call_command("demo_works")
        call_command("demo_cloths")
        call_command("demo_swatches")


if __name__ == "__main__":
    main()
