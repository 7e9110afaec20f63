"""The secret key: made at the first start, kept in the data folder, readable by its owner alone."""

from __future__ import annotations

import os
import secrets
from pathlib import Path


def secret_key(data: Path) -> str:
    """The secret key kept in `data`, made now if there is none."""
    place = data / "secret-key"
    try:
        kept = os.open(place, os.O_WRONLY | os.O_CREAT | os.O_EXCL, 0o600)
    except FileExistsError:
        place.chmod(0o600)
        return place.read_text(encoding="ascii").strip()
    key = secrets.token_urlsafe(50)
    with os.fdopen(kept, "w", encoding="ascii") as file:
        file.write(key)
    return key
