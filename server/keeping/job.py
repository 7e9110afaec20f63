"""Backups are made and brought back by a program of their own, so that what they take is taken from nobody else.

`python -m server.keeping.job backup PATH WHY`, `… restore PATH NAME` (`restore-own` for one that the program made) and
`… update PATH WHY`, which brings a database up to date before it is backed up, say what came of it as one line of JSON.
How far it is stands in a file meanwhile, for whoever asks.
"""

from __future__ import annotations

import fcntl
import logging
import os
import resource
import subprocess
import sys
import threading
import time
from contextlib import suppress
from functools import partial
from pathlib import Path
from typing import Any

import django
import orjson
from django.conf import settings
from django.core.management import call_command
from django.db import connections

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "server.config.settings")
if __name__ == "__main__":
    django.setup()  # before anything that names a table

from ribbon.errors import Problem, Refusal, refuse
from server.keeping import backup, kept, restore
from server.wire.locks import taken

MOST_MEMORY = 3 * 1024**3
LOCK = ".keeping.lock"
_ASKED = ".keeping.asked"
_LONGEST_END = 10.0  # s
_STATE = ".keeping.json"
_ASKED_BY = "YOUNG_RIBBON_ASKED_BY"
_log = logging.getLogger("server.keeping")


class Busy(Exception):
    """Another backup is being made or brought back: whoever asks now is told to wait."""


def run(what: str, path: Path, words: str) -> dict[str, Any]:
    """What came of one of the three, one at a time.  Raises `Refusal`, and `Busy` while another is under way."""
    with (settings.DATA / _ASKED).open("w") as asked:
        if not taken(asked):
            raise Busy(progress()["doing"] or "backup")
        return made(what, path, words)


def made(what: str, path: Path, words: str) -> dict[str, Any]:
    """The same behind whatever is under way, for who may wait: the day's own backup.  Raises `Refusal`."""
    if not settings.JOBS_APART:
        return _done(what, path, words)
    ended = subprocess.run(  # noqa: S603 - our own program
        [sys.executable, "-W", "ignore", "-m", "server.keeping.job", what, str(path), words],
        cwd=settings.ROOT,
        env={**os.environ, "YOUNG_RIBBON_DATA": str(settings.DATA), _ASKED_BY: str(os.getpid())},
        capture_output=True,
        check=False,
    )
    try:
        told: dict[str, Any] = orjson.loads(ended.stdout)
    except orjson.JSONDecodeError:
        last = ended.stderr.decode(errors="replace").strip().rpartition("\n")[2]
        _log.error("%s ended with %s: %s", what, ended.returncode, last.partition(":")[0])
        raise refuse(
            "not_done", "file", words, f"the {what} did not come to its end", "look whether there is room on the disk"
        ) from None
    if "problems" in told:
        raise Refusal(Problem(**problem) for problem in told["problems"])
    return told


def _done(what: str, path: Path, words: str) -> dict[str, Any]:
    state = _State(what)
    try:
        if what in ("restore", "restore-own"):
            first = partial(kept.before_restore, state.at, _sound)
            return restore.restore(path, words, state.at, first, own=what == "restore-own")
        if what == "update":
            call_command("migrate", verbosity=0)
        backup.write(path, words, state.at)
        try:
            restore.looked_through(path, path.name)
        except Refusal:
            if what == "backup":
                kept.put_apart(path)
            raise
        return {"bytes": path.stat().st_size}
    except OSError as error:
        raise refuse(
            "no_room",
            "file",
            path.name,
            f"it cannot be written: {error.strerror}",
            "make room on the disk, then try again",
        ) from None
    except backup.NotWhole as error:
        raise refuse("not_whole", "file", path.name, f"it cannot be read back: {error}", "try again") from None
    finally:
        state.over()


def _sound(path: Path) -> bool:
    """Whether a backup could be brought back."""
    try:
        restore.looked_through(path, path.name)
    except Refusal:
        return False
    return True


class _State:
    """How far it is, in a file; written a few times a second at most."""

    def __init__(self, what: str) -> None:
        self.path, self.what, self.last = settings.DATA / _STATE, what, 0.0

    def at(self, part: float, says: str) -> None:
        now = time.monotonic()
        if now - self.last > 0.2:
            self.last = now
            half = self.path.with_suffix(".half")
            half.write_bytes(orjson.dumps({"doing": self.what, "part": round(min(part, 1.0), 3), "says": says}))
            half.replace(self.path)

    def over(self) -> None:
        self.path.unlink(missing_ok=True)


def progress() -> dict[str, Any]:
    """What is being done, how much of it is done from 0 to 1, and a word for where it is; `doing` is empty where nothing is."""
    try:
        found: dict[str, Any] = orjson.loads((settings.DATA / _STATE).read_bytes())
    except (OSError, orjson.JSONDecodeError):
        return {"doing": "", "part": 0.0, "says": ""}
    return found


def _end_with(parent: int) -> None:
    """End where whoever asked has ended: nobody hears what came of it, and a transaction that is not over is undone."""
    while os.getppid() == parent:
        time.sleep(0.2)
    os._exit(1)


def wait_until_over() -> None:
    """Wait for the job of a process that has ended: it notices that within a moment."""
    with suppress(OSError), (settings.DATA / LOCK).open("w") as lock:
        taken(lock, _LONGEST_END)


def main() -> None:
    """Do what the command line says, one at a time."""
    resource.setrlimit(resource.RLIMIT_AS, (MOST_MEMORY, MOST_MEMORY))
    os.umask(0o077)
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "server.config.settings")
    django.setup()
    parent = int(os.environ.pop(_ASKED_BY, os.getppid()))
    threading.Thread(target=_end_with, args=(parent,), daemon=True).start()
    what, path, words = sys.argv[1], Path(sys.argv[2]), sys.argv[3]
    with (settings.DATA / LOCK).open("w") as lock:
        fcntl.flock(lock, fcntl.LOCK_EX)
        if os.getppid() != parent:
            return  # whoever asked ended before anything was opened
        try:
            told: dict[str, Any] = _done(what, path, words)
        except Refusal as refusal:
            told = {
                "problems": [
                    {"code": p.code, "path": p.path, "value": str(p.value), "message": p.message, "way_out": p.way_out}
                    for p in refusal.problems
                ]
            }
        finally:
            connections.close_all()  # whoever takes the lock next finds the database closed
    sys.stdout.buffer.write(orjson.dumps(told))


if __name__ == "__main__":
    main()
