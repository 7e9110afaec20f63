"""The marks: the flat position of every named line."""

from __future__ import annotations

from functools import partial
from typing import NamedTuple

from ribbon.lengths import Length
from ribbon.strip import LineKind, Strip, Walk


class Mark(NamedTuple):
    """A mark: `at` in parts of the walk from the start of the flat width, its kind, and its pleat, from 1."""

    at: int
    kind: LineKind
    pleat: int


# A named tuple without the call that unpacks its arguments: the list is long.
_mark = partial(tuple.__new__, Mark)

_SHARING = frozenset({LineKind.FINGER, LineKind.STITCH})


def marks(strip: Strip, walked: Walk, tape: Length | None = None) -> list[Mark]:
    """Every mark of `strip` in order along the cloth; `walked` is its walk (work, section 2).

    With `tape`, the one that `strip` was put on and `walked` is fine enough for, finger folds and stitch points are
    marked at the nearest division: they share their pleat evenly, and so fall between two where all else is on the tape.
    """
    flat = walked.flat
    found = [_mark((flat[after + 1], kind, pleat)) for after, kind, pleat in strip.lines]
    if tape is None or all(mark.kind not in _SHARING for mark in found):
        return found
    division = tape.mm.numerator * (walked.parts // tape.mm.denominator)

    def nearest(at: int) -> int:
        return (2 * at + division) // (2 * division) * division

    return [mark._replace(at=nearest(mark.at)) if mark.kind in _SHARING else mark for mark in found]
