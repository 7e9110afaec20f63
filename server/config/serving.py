"""Serving: a few processes behind one socket, each taking in a whole request before any thread works on it.

So a sender that is slow, or never ends, keeps nobody else waiting.
"""

from __future__ import annotations

import json
import os
import signal
import socket
import sys
import tempfile
import threading
import time
from collections.abc import Callable
from contextlib import suppress
from types import FrameType
from typing import Any, NoReturn

from waitress.channel import HTTPChannel
from waitress.parser import HTTPRequestParser
from waitress.server import create_server
from waitress.utilities import RequestEntityTooLarge

from server.keeping.room import most_taken_in

PROCESSES, THREADS = 2, 4
_ASKED = (signal.SIGINT, signal.SIGTERM)  # to end
_MOST_BODY = 64 * 1024 * 1024
_OWN_SITE = ("same-origin", "none")


class _Bounded:
    """The same settings with another bound for a body: room for a whole backup, or none at all."""

    def __init__(self, own: Any, most: int) -> None:
        self._own = own
        self.max_request_body_size = most

    def __getattr__(self, name: str) -> Any:
        return getattr(self._own, name)


class _TooLarge(RequestEntityTooLarge):  # type: ignore[misc]
    """A body that is not taken in, told as everything else is."""

    def to_response(self, ident: object = None) -> tuple[str, list[tuple[str, str]], bytes]:
        most = self.body.removeprefix("exceeds max_body of ")
        problem = {
            "code": "too_large",
            "message": f"this is larger than the {most} bytes that are taken in here now",
            "path": "",
            "value": "",
            "way_out": "send less, or make room on the disk of the works",
        }
        body = json.dumps({"problems": [problem]}).encode()
        return f"{self.code} {self.reason}", [("Content-Type", "application/json")], body


class _Parser(HTTPRequestParser):  # type: ignore[misc]
    """Reads a request, its head first: of another site's nothing more, of a backup as much as there is room for."""

    adj: Any
    error: Any

    def parse_header(self, header_plus: bytes) -> None:
        super().parse_header(header_plus)
        if self.headers.get("SEC_FETCH_SITE", "none") not in _OWN_SITE:
            self.adj = _Bounded(self.adj, 1)
        elif self.path == "/api/backup":
            self.adj = _Bounded(self.adj, most_taken_in())

    def received(self, data: bytes) -> int:
        taken: int = super().received(data)
        if type(self.error) is RequestEntityTooLarge:
            self.error = _TooLarge(self.error.body)
        return taken


class _Channel(HTTPChannel):  # type: ignore[misc]
    """A connection."""

    parser_class = _Parser


def listening(port: int) -> socket.socket:
    """A socket of this machine alone."""
    found = socket.socket()
    found.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
    found.bind(("127.0.0.1", port))
    found.listen(256)
    return found


def serve(found: socket.socket, application: Any, ready: Callable[[], None]) -> None:
    """Serve a WSGI application until the program is asked to end.  A process that ends by itself is put in place again.

    Once this is over nothing of the program has the works open, not a backup either that was under way.

    The application is read in once, by the caller; every process is a copy of that one.  `ready` is called as soon as
    the program can be asked to end.
    """
    ending = False
    running: dict[int, int] = {}

    def end(number: int, frame: FrameType | None) -> None:
        nonlocal ending
        ending = True
        for pid in running:
            with suppress(ProcessLookupError):
                os.kill(pid, signal.SIGTERM)

    def start(number: int) -> None:
        # Whoever asks it to end meanwhile is heard once the new process is known, and can itself be asked.
        signal.pthread_sigmask(signal.SIG_BLOCK, _ASKED)
        pid = os.fork()
        if pid == 0:
            _process(found, number, parent, application)
        running[pid] = number
        signal.pthread_sigmask(signal.SIG_UNBLOCK, _ASKED)

    from django.db import connections

    connections.close_all()  # each process opens its own

    parent = os.getpid()
    signal.signal(signal.SIGTERM, end)
    signal.signal(signal.SIGINT, end)
    ready()
    for number in range(PROCESSES):
        if not ending:
            start(number)
    while running:
        try:
            pid, _ = os.wait()
        except ChildProcessError:
            break
        gone = running.pop(pid, None)
        if gone is not None and not ending:
            time.sleep(0.1)
            start(gone)

    from server.keeping.job import wait_until_over

    wait_until_over()  # a program that has ended leaves nothing open in the data folder


def _process(found: socket.socket, number: int, parent: int, application: Any) -> NoReturn:
    """Serve in a process of its own, and end that."""
    code = 1
    try:
        _serve_as(found, number, parent, application)
        code = 0
    finally:
        sys.stdout.flush()
        os._exit(code)


def _serve_as(found: socket.socket, number: int, parent: int, application: Any) -> None:
    signal.signal(signal.SIGINT, signal.SIG_IGN)  # the one above says when
    signal.signal(signal.SIGTERM, signal.SIG_DFL)
    signal.pthread_sigmask(signal.SIG_UNBLOCK, _ASKED)
    os.environ["YOUNG_RIBBON_PROCESS"] = str(number)

    from django.conf import settings

    tempfile.tempdir = str(settings.DATA)  # what comes in waits where there is room for works

    from server.keeping.daily import keep_at_it
    from server.keeping.health import health, look
    from server.keeping.start import up_to_date

    health.once_mended(up_to_date)
    health.say(look(whole=False) or up_to_date())
    keep_at_it(first=number == 0)
    server: Any = create_server(
        application,
        sockets=[found],
        threads=THREADS,
        connection_limit=500,
        channel_timeout=75,
        cleanup_interval=10,
        asyncore_use_poll=True,
        max_request_body_size=_MOST_BODY,
        max_request_header_size=32 * 1024,
        ident=None,
        clear_untrusted_proxy_headers=True,
    )
    server.channel_class = _Channel

    def end(number: int, frame: FrameType | None) -> None:
        raise SystemExit(0)

    signal.signal(signal.SIGTERM, end)

    def orphaned() -> None:
        while os.getppid() == parent:
            time.sleep(0.5)
        os._exit(1)

    threading.Thread(target=orphaned, daemon=True).start()
    try:
        server.run()
    except SystemExit:
        server.task_dispatcher.shutdown(timeout=3)
