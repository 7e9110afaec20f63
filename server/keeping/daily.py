"""The day's own backup, made by whichever process finds first that it is due."""

from __future__ import annotations

import logging
import threading
from datetime import datetime

from django.conf import settings
from django.db import Error, connections

from ribbon.errors import Refusal
from server.keeping import job, kept
from server.keeping.health import health, looked_through
from server.wire.locks import taken

_EVERY = 600.0  # s
_log = logging.getLogger("server.keeping")
_FAILED = ".daily-failed"


def make_if_due() -> bool:
    """Whether the day's own backup was made now."""
    with (settings.DATA / ".daily.lock").open("w") as lock:
        if not taken(lock):
            return False  # another process is at it
        today = datetime.now().astimezone().date()
        if health.now() is not None or not kept.due(today):
            return False
        failed = settings.DATA / _FAILED
        try:
            job.made("backup", kept.daily_path(today), "daily")
        except Refusal as refusal:
            failed.write_text(f"{today}: {refusal.problems[0].message}", encoding="utf-8")
            _log.warning("the day's backup could not be made")
            return False
        failed.unlink(missing_ok=True)
        kept.prune()
        return True


def last_failure() -> str:
    """Why the last day's backup could not be made; empty where it could."""
    try:
        return (settings.DATA / _FAILED).read_text(encoding="utf-8")[:300]
    except OSError:
        return ""


def keep_at_it(*, first: bool) -> None:
    """Look every ten minutes, in the background; the `first` process looks through the whole database once, too."""

    def go_on() -> None:
        if first and health.now() is None and (found := looked_through()) is not None:
            health.say(found)
        while True:
            try:
                make_if_due()
            except (OSError, Error):
                _log.warning("whether a backup is due could not be told")
            finally:
                connections.close_all()
            _asleep.wait(_EVERY)

    threading.Thread(target=go_on, name="daily backup", daemon=True).start()


_asleep = threading.Event()
