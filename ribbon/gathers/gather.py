"""Gathers: no folds, a ratio, and match points that pair off the two edges."""

from __future__ import annotations

from itertools import pairwise
from math import ceil
from typing import NamedTuple

from ribbon.errors import refuse
from ribbon.fraction import Fraction
from ribbon.gathers.gathering import Gathering, Point
from ribbon.lengths import ZERO, Length
from ribbon.pleats import Default, Kind, Laying, Quantity, Standing
from ribbon.strip import LineKind, Role, Strip, StripBuilder

Q = Quantity


def _lay(strip: Laying, pleat: Standing) -> None:
    raise AssertionError("gathers have no pleats to lay")


GATHER = Kind(
    name="gather",
    word="Gathers",
    title="gathers",
    shown=(Q.FINISHED, Q.FULLNESS, Q.FLAT),
    relations=(),
    lay=_lay,
    defaults=(Default(Q.FULLNESS, Fraction(2), Fraction(2), "twice is usual for a light cloth; a swatch decides"),),
    folded=False,
)


class Between(NamedTuple):
    """What lies between two match points: as wide as `finished` on the edge, `flat` on the cloth.

    `name` is that of the named point at its end, empty for one found by halving.
    """

    finished: Length
    flat: Length
    name: str = ""


MOST_POINTS = 2000


def halvings(finished: Length, longest: Length) -> int:
    """How many equal parts to mark both edges in: 1, 2, 4, 8 … until each is at most `longest`."""
    parts = 1
    while finished / parts > longest:
        parts *= 2
    return parts


def parts(drawn: Length, flat: Length, gathering: Gathering) -> list[Between]:
    """The parts between match points along an edge `drawn` wide made of `flat` cloth.

    Between the named points the cloth is shared in proportion, unless a point says where it lies on the cloth;
    each stretch is halved until its parts are short enough.  The parts pair off exactly.
    """
    ends = [Point("", ZERO, ZERO), *sorted(gathering.points, key=lambda p: p.at), Point("", drawn, flat)]
    known = [point for point in ends if point.flat is not None]
    placed = []
    for point in ends:
        if point.flat is not None:
            placed.append(point)
            continue
        before = max((k for k in known if k.at <= point.at), key=lambda k: k.at)
        after = min((k for k in known if k.at >= point.at), key=lambda k: k.at)
        start, end = before.flat or ZERO, after.flat or ZERO
        share = (point.at - before.at) / (after.at - before.at)
        placed.append(point._replace(flat=start + (end - start) * share))
    many = sum(halvings(b.at - a.at, gathering.longest) for a, b in pairwise(placed))
    if many > MOST_POINTS:
        raise refuse(
            "too_many",
            "gathering.longest",
            f"{many} parts",
            f"match points so near each other part this edge in {many}",
            f"let them stand further apart: an edge has at most {MOST_POINTS} parts",
        )
    found: list[Between] = []
    for a, b in pairwise(placed):
        wide, cloth = b.at - a.at, (b.flat or ZERO) - (a.flat or ZERO)
        many = halvings(wide, gathering.longest)
        found += [Between(wide / many, cloth / many)] * (many - 1)
        found.append(Between(wide / many, cloth / many, b.name))
    return found


def gathered_strip(lead: Length, found: list[Between], tail: Length, *, ring: bool = False) -> Strip:
    """The strip of a gathered edge: plain `lead`, the parts drawn up, plain `tail`.

    Match points stand between the parts; the first and last are where the gathers begin and end.  On a ring the last
    would be the first again.
    """
    builder = StripBuilder().cloth(lead, Role.PLAIN)
    builder.line(LineKind.MATCH, 1)
    for number, part in enumerate(found, 2):
        builder.cloth(part.flat, Role.GATHERED, part.finished / part.flat)
        if not ring or number <= len(found):
            builder.line(LineKind.MATCH, number)
    return builder.cloth(tail, Role.PLAIN).strip(ring=ring)


class Thread(NamedTuple):
    """How the rows are stitched: in so many sections, so that no thread is too long, and how much thread each needs."""

    sections: int
    each: Length
    total: Length


def thread(flat: Length, gathering: Gathering) -> Thread:
    """The thread for the rows: sections as short as a thread is trusted, each row's thread with a tail at both ends."""
    sections = max(1, ceil(flat / gathering.thread))
    each = flat / sections + gathering.tail * 2
    return Thread(sections, each, each * (sections * gathering.rows))
