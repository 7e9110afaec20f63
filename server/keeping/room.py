"""How much can be taken in: a backup that is brought back waits on the disk of the works until it has been read."""

from __future__ import annotations

import shutil

from django.conf import settings

MOST = 24 * 1024**3
"""Larger than any backup that could be brought back: its rows and all the photographs that works may have."""
_LEFT_FREE = 256 * 1024 * 1024


def most_taken_in() -> int:
    """How large a backup may be that is brought back now, in bytes."""
    return max(1, min(MOST, shutil.disk_usage(settings.DATA).free - _LEFT_FREE))
