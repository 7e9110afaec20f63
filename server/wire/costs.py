"""What a request may cost, and what is said of one that costs more."""

from __future__ import annotations

from typing import Any

from server.wire.problems import one


class TooCostly(Exception):
    """Raised in the midst of a request that has taken more than it may."""


def too_costly() -> dict[str, Any]:
    """The body for such a request."""
    return one(
        "too_costly",
        "this takes more than two seconds of work, and is left undone",
        "ask for less at once: fewer pleats, a shorter edge, wider cloth, fewer pieces",
    )
