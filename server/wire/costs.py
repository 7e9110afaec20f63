"""How much work a request may take, and the answer to one that takes more."""

from __future__ import annotations

from typing import Any

from server.wire.problems import one


class TooCostly(Exception):
    """Raised in the middle of a request that has taken more than it may."""


def too_costly() -> dict[str, Any]:
    """The body of the answer to such a request."""
    return one(
        "too_costly",
        "this takes more than two seconds of work, and is left undone",
        "ask for less at once: fewer pleats, a shorter edge, wider cloth, fewer pieces",
    )
