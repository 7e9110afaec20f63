"""Locks between programs, by a lock on a file: released when the file is closed, even by a program that is killed."""

from __future__ import annotations

import fcntl
import time
from typing import IO, Any


def taken(file: int | IO[Any], seconds: float = 0.0) -> bool:
    """Whether the lock on an open file could be taken within so many seconds."""
    until = time.monotonic() + seconds
    while True:
        try:
            fcntl.flock(file, fcntl.LOCK_EX | fcntl.LOCK_NB)
        except OSError:
            if time.monotonic() >= until:
                return False
            time.sleep(0.05)
        else:
            return True
