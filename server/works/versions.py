"""Versions of a section's spec: old ones are brought up to date as they are read."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

Spec = dict[str, Any]

# Each entry turns the version before it into itself; the first version needs none.
_STEPS: dict[int, Callable[[Spec], Spec]] = {}
CURRENT = 1 + len(_STEPS)


def current(spec: Spec, version: int) -> Spec:
    """`spec`, written as `version`, as the current version writes it.

    Raises ValueError for a version later than this program's own.
    """
    if version > CURRENT:
        raise ValueError(f"this section was written by a later version ({version}); this one reads up to {CURRENT}")
    for step in range(version + 1, CURRENT + 1):
        spec = _STEPS[step](spec)
    return spec
