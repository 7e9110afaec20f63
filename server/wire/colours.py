"""What a cloth is drawn in while nobody said its colour: never all alike."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any
from zlib import crc32

_DYES = (
    "#8f9fb8", "#b9a07a", "#7f9a86", "#b08a8f", "#8b86a8", "#a6a06f", "#7d97a3", "#b59482",
    "#93a57c", "#a58fa8", "#c0ad8c", "#7e8fa0", "#a89a86", "#889f9a",
)  # fmt: skip
_OF_ROLE = {"lining": "#efe9dc", "interfacing": "#c9cdd6", "contrast": "#a8484f"}


def colour_of(cloth: Mapping[str, Any], role: str = "", of: str = "") -> str:
    """The colour of a cloth as it is kept: its own, or that of its first stripe, else one that its name settles, or its role, or `of`, what it is for.

    >>> colour_of({"colour": "#112233"}), colour_of({}, "lining")
    ('#112233', '#efe9dc')
    """
    stripes = cloth.get("stripes") or []
    if cloth.get("colour") or stripes:
        return str(cloth.get("colour") or stripes[0]["colour"])
    name = str(cloth.get("name") or "").strip()
    if not name and role in _OF_ROLE:
        return _OF_ROLE[role]
    return _DYES[crc32((name or of or role).encode()) % len(_DYES)]
