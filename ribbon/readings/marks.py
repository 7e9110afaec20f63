"""The marks: the flat position of every named line."""

from __future__ import annotations

from functools import partial
from typing import NamedTuple

from ribbon.lengths import Length
from ribbon.strip import LineKind, Strip, Walk


class Mark(NamedTuple):
    """A mark: `at` in parts of the walk from the start of the flat width, its kind, and its pleat, from 1.

    One that is not `chalked` comes between two divisions of the tape and is found by folding.
    """

    at: int
    kind: LineKind
    pleat: int
    chalked: bool = True


# A named tuple without the call that unpacks its arguments: the list is long.
_mark = partial(tuple.__new__, Mark)

_SHARING = frozenset({LineKind.FINGER, LineKind.STITCH})


def marks(strip: Strip, walked: Walk, tape: Length | None = None) -> list[Mark]:
    """Every mark of `strip` in order along the cloth; `walked` is its walk.

    With `tape`, the one that `strip` was put on and `walked` is fine enough for, finger folds and stitch points are
    marked at the nearest division: they share their pleat evenly, and so fall between two where all else is on the tape.
    Inner folds that a correction leaves between two are not chalked: they are where the pleat folds itself.
    """
    flat = walked.flat
    found = [_mark((flat[after + 1], kind, pleat, True)) for after, kind, pleat in strip.lines]
    if tape is None:
        return found
    division = tape.mm.numerator * (walked.parts // tape.mm.denominator)
    return [_on_tape(mark, division) if mark.at % division else mark for mark in found]


def _on_tape(mark: Mark, division: int) -> Mark:
    if mark.kind in _SHARING:
        return mark._replace(at=(2 * mark.at + division) // (2 * division) * division)
    return mark._replace(chalked=mark.kind is not LineKind.INNER)
