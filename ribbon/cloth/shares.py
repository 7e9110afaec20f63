"""How many drops of a bolt a set of widths is cut from."""

from __future__ import annotations

from collections.abc import Sequence

from ribbon.fraction import Fraction
from ribbon.lengths import Length


def drops(widths: Sequence[Length], usable: Length) -> int:
    """How many drops of the bolt those widths are cut from: two that fit side by side come off one, as two halves do.

    The fewest there can be, where few can share; else as few as laying the widest first leaves.
    """
    order = sorted((width.mm for width in widths), reverse=True)
    room, least = usable.mm, order[-1] if order else 0
    alone = sum(width > room - least for width in order)
    sharing = order[alone:]
    return alone + (_fewest(tuple(sharing), room) if len(sharing) <= _SEARCHED else _first_fit(sharing, room))


_SEARCHED = 10


def _first_fit(order: Sequence[Fraction], room: Fraction) -> int:
    left: list[Fraction] = []
    for width in order:
        index = next((n for n, free in enumerate(left) if free >= width), None)
        if index is None:
            left.append(room - width)
        else:
            left[index] -= width
    return len(left)


def _fewest(order: tuple[Fraction, ...], room: Fraction) -> int:
    """The fewest drops for these widths, by trying each in every drop that has begun."""
    best = _first_fit(order, room)

    def put(index: int, left: tuple[Fraction, ...]) -> None:
        nonlocal best
        if len(left) >= best:
            return
        if index == len(order):
            best = len(left)
            return
        for free in sorted(set(left)):
            if free >= order[index]:
                at = left.index(free)
                put(index + 1, (*left[:at], free - order[index], *left[at + 1 :]))
        put(index + 1, (*left, room - order[index]))

    put(0, ())
    return best
