"""The secret key: made at the first start, kept in the data folder, readable by its owner alone."""

from __future__ import annotations

import os
import secrets
from contextlib import suppress
from pathlib import Path


def secret_key(data: Path) -> str:
    """The secret key kept in `data`, made now if there is none.  Ends the program where what is kept is no key."""
    place = data / "secret-key"
    try:
        kept = os.open(place, os.O_WRONLY | os.O_CREAT | os.O_EXCL, 0o600)
    except FileExistsError:
        return _kept(place)
    key = secrets.token_urlsafe(50)
    with os.fdopen(kept, "w", encoding="ascii") as file:
        file.write(key)
        file.flush()
        os.fsync(file.fileno())
    return key


def _kept(place: Path) -> str:
    with suppress(OSError):  # somebody else's folder, or one that cannot be written
        place.chmod(0o600)
    key = place.read_bytes().decode("ascii", errors="replace").strip()
    if len(key) < 50 or not key.isascii():
        raise SystemExit(f"The key in {place} is empty or cut short: take that file away, and a new key is made.")
    return key
