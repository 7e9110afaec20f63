"""The marks: the flat position of every named line."""

from __future__ import annotations

from functools import partial
from typing import NamedTuple

from ribbon.strip import LineKind, Strip, Walk


class Mark(NamedTuple):
    """A mark: `at` in parts of the walk from the start of the flat width, its kind, and its pleat, from 1."""

    at: int
    kind: LineKind
    pleat: int


# A named tuple without the call that unpacks its arguments: the list is long.
_mark = partial(tuple.__new__, Mark)


def marks(strip: Strip, walked: Walk) -> list[Mark]:
    """Every mark of `strip` in order along the cloth; `walked` is its walk (work, section 2)."""
    flat = walked.flat
    return [_mark((flat[after + 1], kind, pleat)) for after, kind, pleat in strip.lines]
