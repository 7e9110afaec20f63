"""Middleware: ends a request that takes more than two seconds of a core or 300 MB, so that the others are answered.

What a request costs is counted before it is worked out, in the rooms that know; this is for what was not foreseen.
"""

from __future__ import annotations

import ctypes
import threading
import time
from collections.abc import Callable
from pathlib import Path

from django.http import HttpRequest, HttpResponse

from server.wire.costs import TooCostly, too_costly
from server.wire.json import answer

SECONDS = 2.0  # of a core
MEMORY = 300 * 1024 * 1024
_LOOK = 0.05
_PAGE = 4096
_FREE = ("/api/backup", "/trouble/")  # what they take is taken by a program of their own
_raise = ctypes.pythonapi.PyThreadState_SetAsyncExc


class _Running:
    """A request that is being answered."""

    def __init__(self) -> None:
        self.thread = threading.get_ident()
        self.clock = time.pthread_getcpuclockid(self.thread)
        self.most = time.clock_gettime(self.clock) + SECONDS
        self.memory = _memory() + MEMORY
        self.ended = False


class _Watch:
    """Looks at all that is running ten times a second, while anything is."""

    def __init__(self) -> None:
        self.lock = threading.Lock()
        self.running: set[_Running] = set()
        self.wake = threading.Event()
        self.thread: threading.Thread | None = None

    def begin(self) -> _Running:
        one = _Running()
        with self.lock:
            self.running.add(one)
            if self.thread is None or not self.thread.is_alive():
                self.thread = threading.Thread(target=self._look, name="guard", daemon=True)
                self.thread.start()
        self.wake.set()
        return one

    def end(self, one: _Running) -> None:
        with self.lock:
            self.running.discard(one)
            if one.ended:
                _raise(ctypes.c_ulong(one.thread), None)  # it may not have come yet

    def _look(self) -> None:
        while True:
            with self.lock:
                if not self.running:
                    self.wake.clear()
                for one in self.running:
                    self._end_if_too_costly(one)
            if not self.wake.wait(60):
                continue
            time.sleep(_LOOK)

    def _end_if_too_costly(self, one: _Running) -> None:
        try:
            spent = time.clock_gettime(one.clock)
        except OSError:
            return  # its thread is gone
        # Of several that run, what memory is taken is put down to one that has worked for a while.
        heavy = _memory() > one.memory and spent > one.most - SECONDS + _LOOK
        if spent > one.most or heavy:
            one.ended, one.most = True, spent + _LOOK  # again, where it was caught on the way
            _raise(ctypes.c_ulong(one.thread), ctypes.py_object(TooCostly))


def _memory() -> int:
    """What this process holds, in bytes."""
    return int(Path("/proc/self/statm").read_bytes().split()[1]) * _PAGE


_watch = _Watch()


def _settle(one: _Running) -> None:
    """Let nothing more be raised for this request; what comes in the midst of that is the last."""
    while True:
        try:
            _watch.end(one)
        except TooCostly:
            continue
        return


class Guard:
    """Ends a request that takes too much time or memory."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        if request.path.startswith(_FREE):
            return self.get_response(request)
        one = _watch.begin()
        try:
            try:
                response = self.get_response(request)
            finally:
                _settle(one)
        except TooCostly:
            return answer(too_costly(), 422)
        if one.ended and response.status_code >= 500:
            return answer(too_costly(), 422)
        return response
