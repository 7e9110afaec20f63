"""A long row in short: the same row with pleats of its middle left out.

Equal pleats at one pitch repeat: what lies over a pleat, what hides of it and how it reaches past an end is told by the
few beside it.  So whatever is asked of any pleat of such a row, or of its ends, a short row like it answers as well,
and what it says of one pleat in its middle is said again for each that was left out.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from functools import partial
from itertools import pairwise
from typing import NamedTuple

from ribbon.fraction import Fraction
from ribbon.pleats import Kind, Row, Standing, strip_of
from ribbon.readings import FlatLine, Hidden, Spread, spread
from ribbon.strip import Role, Strip, Walk, walk

# A named tuple without the call that unpacks its arguments: rows are long.
_line = partial(tuple.__new__, FlatLine)


class LeftOut(NamedTuple):
    """So `many` pleats were left out before the pleat with the number `before`."""

    before: int
    many: int


class Short(NamedTuple):
    """A row in short: its strip, the walk of that, and what was left out, from left to right."""

    strip: Strip
    walked: Walk
    out: list[LeftOut]


def in_short(kind: Kind, row: Row) -> Short | None:
    """A row laid down in short; None where it has no such middle."""
    pleats: list[Standing] = []
    out: list[LeftOut] = []
    back = 0
    reach = max((one.take + one.right - one.left for one in row.pleats), default=0)
    for run, pitch in [] if row.closes else _runs(row.pleats):
        # So many on either side of the gap that neither feels what is beyond.
        keep = -(-reach // pitch) + 2 if pitch > 0 else len(run)
        many = len(run) - 2 * keep
        if many <= 0:
            keep, many = len(run), 0
        pleats += [_moved(one, back, len(pleats) + number) for number, one in enumerate(run[:keep], 1)]
        if many:
            back += many * pitch
            out.append(LeftOut(len(pleats) + 1, many))
            pleats += [_moved(one, back, len(pleats) + number) for number, one in enumerate(run[-keep:], 1)]
    if not out:
        return None
    strip = strip_of(kind, row._replace(finished=row.finished - back, pleats=pleats))
    return Short(strip, walk(strip), out)


def _runs(pleats: Sequence[Standing]) -> Iterator[tuple[Sequence[Standing], int]]:
    """Runs of pleats that are alike at one pitch, with that; every pleat is in one."""
    alike = [(one.at - one.left, one.right - one.at, one.take, one.facing, one.half) for one in pleats]
    pitches = [b.at - a.at for a, b in pairwise(pleats)]
    begun, many = 0, len(pleats)
    while begun < many:
        end = begun + 1
        while end < many and alike[end] == alike[begun] and pitches[end - 1] == pitches[begun]:
            end += 1
        yield pleats[begun:end], pitches[begun] if end - begun > 1 else 0
        begun = end


def _moved(one: Standing, back: int, number: int) -> Standing:
    return one._replace(pleat=number, at=one.at - back, left=one.left - back, right=one.right - back)


def spread_again(short: Short) -> Spread | None:
    """The whole row spread flat, from the row in short; None where that does not tell it."""
    told = spread(short.strip, short.walked)
    if told.hidden == [Hidden(-told.whole, 2 * told.whole)]:
        return None  # nothing of it shows
    lines, hidden, longer = told.lines, told.hidden, 0
    repeats: list[tuple[int, int, int]] = []  # where a pleat begins, how long it is, how often it comes again
    for before, many in short.out:
        first = {one.pleat: one.at for one in reversed(told.lines)}
        at, pitch = first[before - 1], first[before] - first[before - 1]
        repeats.append((at, pitch, many))
    for (before, many), (at, pitch, _) in zip(reversed(short.out), reversed(repeats), strict=True):
        lines = _lines_again(lines, before, many, pitch)
        hidden = _hidden_again(hidden, at, pitch, many)
        longer += many * pitch
    whole = told.whole + longer
    if not short.strip.ring:
        # At the open ends a stretch goes on past the end by the whole width.
        hidden = [
            Hidden(-whole if one.start < 0 else one.start, 2 * whole if one.end > whole else one.end) for one in hidden
        ]

    def role_at(place: int | Fraction) -> Role:
        for at, pitch, many in repeats:
            if place < at + pitch:
                break
            place -= min(many, (place - at) // pitch) * pitch
        return told.role_at(place)

    return Spread(told.parts, whole, lines, hidden, role_at)


def _lines_again(lines: list[FlatLine], before: int, many: int, pitch: int) -> list[FlatLine]:
    own = [one for one in lines if one.pleat == before - 1]
    again = [FlatLine(at + time * pitch, kind, pleat + time) for time in range(1, many + 1) for at, kind, pleat in own]
    beyond = [FlatLine(at + many * pitch, kind, pleat + many) for at, kind, pleat in lines if pleat >= before]
    return [*(one for one in lines if one.pleat < before), *again, *beyond]


def _hidden_again(hidden: list[Hidden], at: int, pitch: int, many: int) -> list[Hidden]:
    # What hides a whole pleat and more hides those that come again too.
    before = [Hidden(a, b + many * pitch if a < at and b >= at + pitch else b) for a, b in hidden if a < at + pitch]
    own = [one for one in hidden if at <= one.start < at + pitch]
    again = [Hidden(a + time * pitch, b + time * pitch) for time in range(1, many + 1) for a, b in own]
    return [*before, *again, *(Hidden(a + many * pitch, b + many * pitch) for a, b in hidden if a >= at + pitch)]
