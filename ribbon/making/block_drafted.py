"""Half of a block, drafted from measures or typed corner by corner, before anything is let into it.

Its middle is the y axis, its foot lies at y = 0 or above; `x` is how far from the middle, on the block as it is worn.
"""

from __future__ import annotations

from collections.abc import Sequence
from itertools import pairwise
from typing import NamedTuple

from ribbon.errors import Problem
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length, Unreadable, read_length
from ribbon.making.asked import Given
from ribbon.making.block_fields import at_waist_only, bodied, typed_out
from ribbon.shapes import Corner, Outline, closed

_MOST_CORNERS = 40


class Dart(NamedTuple):
    """A dart at the top: where its middle lies, how wide it is there, how long."""

    at: Length
    wide: Length
    long: Length


class BlockHalf(NamedTuple):
    """Half of a block: the corners of its foot and of its top from the middle outwards, those of its side upwards.

    `across` is how wide it is where its pleats are measured: at the hip, or along a typed top.  `waist` is the height that
    its pleats are stitched from.
    """

    foot: tuple[Corner, ...]
    side: tuple[Corner, ...]
    top: tuple[Corner, ...]
    across: Length
    waist: Length
    darts: tuple[Dart, ...] = ()

    @property
    def outline(self) -> Outline:
        """Its stitching line: sides foot, side, top and middle."""
        corners, names = [], []
        for name, points in (("foot", self.foot), ("side", self.side), ("top", self.top[::-1])):
            for point in points[:-1]:
                corners.append(point)
                names.append(name)
        return closed([*corners, self.top[0]], [*names, "middle"])


def height_at(points: Sequence[Corner], x: Fraction) -> Fraction:
    """How high a line from the middle outwards is at `x`; beyond its ends it runs on as it ended."""
    for a, b in pairwise(points):
        if x <= b.x or b == points[-1]:
            return a.y + (b.y - a.y) * (x - a.x) / (b.x - a.x) if b.x != a.x else a.y
    return points[0].y


class Quarters(NamedTuple):
    """A quarter of the body with its ease at each level; the bust is nought where the block begins at the waist."""

    waist: Length
    hip: Length
    bust: Length


def quarters(given: Given) -> Quarters | None:
    """The body's quarters; None while one that is needed is not measured."""
    waist, hip, bust = (given.most(name) for name in ("waist", "hip", "bust"))
    if waist is None or hip is None or (bodied(given) and bust is None):
        return None
    chest = (bust + given.length("bust_ease")) / 4 if bodied(given) and bust is not None else ZERO
    return Quarters((waist + given.length("ease")) / 4, (hip + given.length("hip_ease")) / 4, chest)


def dart_wide(given: Given, body: Quarters) -> Length:
    """How wide each dart of a quarter is: as it is said, else half of what hip and waist differ, shared."""
    many = given.count("darts") or 0
    if not many or body.hip <= body.waist:
        return ZERO
    return given.length("dart_wide") if given.known("dart_wide") else (body.hip - body.waist) / 2 / many


def darts_of(given: Given, body: Quarters) -> list[Dart]:
    """The darts of a quarter from the middle outwards, as far apart as its lines."""
    wide, first = ZERO if at_waist_only(given) else dart_wide(given, body), given.length("first")
    at = given.length("dart_at") if given.known("dart_at") else first
    if wide <= ZERO:
        return []
    return [
        Dart(at + given.length("pitch") * number, wide, given.length("dart_long"))
        for number in range(given.count("darts") or 0)
    ]


def block_lines(given: Given) -> list[Length]:
    """Where its lines lie from the middle outwards, without one in it."""
    first, pitch = given.length("first"), given.length("pitch")
    return [first + pitch * number for number in range(given.count("pleats") or 0)]


def swallowed(given: Given, darts: Sequence[Dart]) -> dict[int, Dart]:
    """The darts that a pleat on them swallows, by the number of the line from 0: one whose legs lie to both sides of it."""
    if at_waist_only(given):
        return {}
    found: dict[int, Dart] = {}
    for number, line in enumerate(block_lines(given)):
        here = [one for one in darts if abs(one.at - line) < one.wide / 2]
        if here:
            found[number] = here[0]
    return found


def worn_half(given: Given, half: BlockHalf, *, pleated: bool) -> BlockHalf:
    """The half as it is worn: darts that a pleat swallows are folded away in it."""
    eaten = swallowed(given, half.darts) if pleated else {}
    if not eaten:
        return half
    gone = list(eaten.values())
    away = sum((dart.wide for dart in gone), ZERO)
    darts = tuple(
        dart._replace(at=dart.at - sum((other.wide for other in gone if other.at < dart.at), ZERO))
        for dart in half.darts
        if dart not in gone
    )
    end = half.top[-1].moved(-away.mm, Fraction(0))
    return half._replace(side=(*half.side[:-1], end), top=(*half.top[:-1], end), darts=darts)


def drafted_half(given: Given) -> BlockHalf | None:
    """Half of the block; None while a measure is lacking, or its corners cannot be read."""
    if typed_out(given):
        return _typed_half(given)
    body, long = quarters(given), given.least("length")
    if body is None or long is None:
        return None
    darts = darts_of(given, body)
    zero, level = Fraction(0), given.length("hip_level")
    top_x = body.waist + sum((one.wide for one in darts), ZERO)
    rise = given.length("rise")
    more = widened(given)
    foot = (Corner(zero, zero), Corner((body.hip + given.length("flare") + more.hem).mm, zero))
    hip = Corner((body.hip + more.hip).mm, (long - level).mm)
    if not bodied(given):
        top_right = Corner((top_x + more.waist).mm, long.mm)
        return BlockHalf(
            foot,
            (foot[-1], hip, top_right),
            (Corner(zero, (long - rise).mm), top_right),
            top_x + more.waist if at_waist_only(given) else body.hip,
            long,
            tuple(darts),
        )
    high = (long + given.length("bust_level")).mm
    waist = Corner((body.waist + more.waist).mm, long.mm)
    bust = Corner((body.bust + more.bust).mm, high)
    return BlockHalf(foot, (foot[-1], hip, waist, bust), (Corner(zero, high), bust), body.waist + more.waist, long)


class Widened(NamedTuple):
    """How much a quarter is widened at each level for small pleats; nought where they are let in along lines."""

    bust: Length = ZERO
    waist: Length = ZERO
    hip: Length = ZERO
    hem: Length = ZERO


def widened(given: Given) -> Widened:
    """What is said of each level; at the waist what the pleats take, where nothing is said, and as much at the bust."""
    if not at_waist_only(given):
        return Widened()
    takes = given.length("take") * (given.count("pleats") or 0)
    waist = given.length("add_waist") if given.known("add_waist") else takes
    bust = given.length("add_bust") if given.known("add_bust") else waist
    return Widened(bust if bodied(given) else ZERO, waist, given.length("add_hip"), given.length("add_hem"))


def typed_corners(given: Given) -> tuple[list[Corner], list[Problem]]:
    """The corners of a typed outline, and what is wrong with them."""
    text = given.word("outline")
    if not text.strip():
        return [], []
    found: list[Corner] = []
    for number, said in enumerate((one for one in text.split(";") if one.strip()), 1):
        parts = said.split()
        try:
            if len(parts) != 2:
                raise Unreadable("a corner is two lengths, across and up", "type it as in 24 40")
            x, y = (read_length(part, given.unit) for part in parts)
        except Unreadable as error:
            return [], [_wrong(said.strip(), f"corner {number}: {error.message}", error.way_out)]
        found.append(Corner(x.mm, y.mm))
    return found, _not_a_half(found)


def _wrong(value: str, message: str, way_out: str) -> Problem:
    return Problem("outline", "choices.outline", value, message, way_out)


def _not_a_half(found: Sequence[Corner]) -> list[Problem]:
    if not 4 <= len(found) <= _MOST_CORNERS:
        return [
            _wrong(str(len(found)), f"{len(found)} corners make no block", f"give from 4 to {_MOST_CORNERS} of them")
        ]
    if found[0].x != 0 or found[-1].x != 0 or found[-1].y <= found[0].y:
        return [
            _wrong(
                "",
                "it begins at the foot of its middle and ends at the top of it, both 0 across",
                "begin with 0 0 and end with 0 and its length",
            )
        ]
    sides = list(pairwise([*found, found[0]]))
    for first, one in enumerate(sides):
        for other in sides[first + 2 : len(sides) - (first == 0)]:
            if _cross(one, other):
                return [_wrong("", "its sides cross each other", "go round it once, from the foot of its middle")]
    if not _rising(found):
        return [_wrong("", "none of its sides goes up", "from the foot go round by the side to the top")]
    half = _parted(found)
    if any(a.x >= b.x for line in (half.foot, half.top) for a, b in pairwise(line)):
        return [
            _wrong(
                "", "its foot or its top turns back on itself", "let each corner of them lie further from the middle"
            )
        ]
    if min(corner.x for corner in found[1:-1]) <= 0:
        return [_wrong("", "it reaches past its middle, or lies on it twice", "keep every other corner to one side")]
    return []


def _cross(one: tuple[Corner, Corner], other: tuple[Corner, Corner]) -> bool:
    (a, b), (c, d) = one, other

    def side(p: Corner, q: Corner, r: Corner) -> int:
        turn = (q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x)
        return (turn > 0) - (turn < 0)

    return side(a, b, c) * side(a, b, d) <= 0 and side(c, d, a) * side(c, d, b) <= 0


def _rising(corners: Sequence[Corner]) -> list[int]:
    """The numbers of the corners from which a side goes up more than across."""
    return [
        number
        for number in range(1, len(corners) - 1)
        if corners[number + 1].y - corners[number].y > abs(corners[number + 1].x - corners[number].x)
    ]


def _typed_half(given: Given) -> BlockHalf | None:
    corners, wrong = typed_corners(given)
    return None if wrong or not corners else _parted(corners)


def _parted(corners: Sequence[Corner]) -> BlockHalf:
    """The corners as foot, side and top."""
    rising = _rising(corners)
    low = high = rising[0]
    while high in rising:
        high += 1
    foot, side, top = corners[: low + 1], corners[low : high + 1], corners[high:][::-1]
    return BlockHalf(tuple(foot), tuple(side), tuple(top), Length(max(corner.x for corner in top)), Length(top[0].y))
