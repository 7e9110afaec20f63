"""Keeps at it for a while: laws with fresh examples, kills, generated requests, hostile files, backups back and forth, fields mistyped.  MINUTES says how long.

Prints what was done and what was lost, and ends with 1 where anything was.  Every run is another: its seed is printed,
and SEED= repeats it.
"""

from __future__ import annotations

import os
import random
import sys
import tempfile
import time
from collections.abc import Callable
from pathlib import Path

from scripts.soak.backups import backups, halves
from scripts.soak.fields import fields
from scripts.soak.files import files
from scripts.soak.kills import kills
from scripts.soak.laws import laws
from scripts.soak.requests import requests


def until(minutes: float) -> Callable[[], bool]:
    """Says whether there is still time."""
    over = time.monotonic() + minutes * 60
    return lambda: time.monotonic() < over


PARTS = {
    "laws": laws,
    "kills": kills,
    "halves": halves,
    "requests": requests,
    "files": files,
    "backups": backups,
    "fields": fields,
}


def soak(minutes: float, seed: int) -> bool:
    """Whether nothing was lost, nothing failed and nothing took too long, in so many minutes."""
    right = True
    for name, part in PARTS.items():
        with tempfile.TemporaryDirectory(prefix="young-ribbon-soak-") as place:
            found = part(random.Random(f"{seed} {name}"), until(minutes / len(PARTS)), Path(place))
        print(f"{name}: {', '.join(f'{count} {what}' for what, count in sorted(found.items()))}", flush=True)
        bad = (
            "lost",
            "lost on disk",
            "faults",
            "too long",
            "half kept",
            "left behind",
            "not equal",
            "broken pictures",
            "neither nor",
            "locked",
        )
        right = right and not any(found[one] for one in bad)
    return right


if __name__ == "__main__":
    chosen = int(os.environ.get("SEED", time.time_ns() % 1_000_000))
    print(f"SEED={chosen}", flush=True)
    sys.exit(0 if soak(float(os.environ.get("MINUTES", "8")), chosen) else 1)
