"""Outlines laid on cloth: the check for overlaps against clipping, whole plans against points thrown at them."""

from __future__ import annotations

import random
from collections.abc import Callable
from typing import NamedTuple

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ribbon.cloth import Bolt, CutPiece, layout
from ribbon.cloth.nesting import Nest, Nestling, holds, overlap
from ribbon.cloth.piece import Laid
from ribbon.fraction import Fraction
from ribbon.lengths import Length
from ribbon.shapes import Corner, Outline, closed, rectangle, sector
from tests.examples import law, seeds

F = Fraction
Point = tuple[int, int]


def _area2(points: list[tuple[Fraction, Fraction]]) -> Fraction:
    turns = zip(points, points[1:] + points[:1], strict=True)
    return sum((a[0] * b[1] - b[0] * a[1] for a, b in turns), F(0))


def _clipped(subject: list[tuple[Fraction, Fraction]], by: tuple[Point, ...]) -> Fraction:
    """Twice the area that a convex polygon shares with another: it is cut along each line of that in turn."""
    for a, b in zip(by, (*by[1:], by[0]), strict=True):

        def side(p: tuple[Fraction, Fraction], a: Point = a, b: Point = b) -> Fraction:
            return (b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0])

        kept: list[tuple[Fraction, Fraction]] = []
        for p, q in zip(subject, subject[1:] + subject[:1], strict=True):
            s, t = side(p), side(q)
            if s >= 0:
                kept.append(p)
            if (s > 0 > t) or (s < 0 < t):
                share = s / (s - t)
                kept.append((p[0] + (q[0] - p[0]) * share, p[1] + (q[1] - p[1]) * share))
        subject = kept
        if len(subject) < 3:
            return F(0)
    return _area2(subject)


class Cut(NamedTuple):
    """A polygon, and the convex ones that it is put together from."""

    whole: tuple[Point, ...]
    parts: tuple[tuple[Point, ...], ...]


@st.composite
def polygons(draw: st.DrawFn) -> Cut:
    small = st.integers(0, 12)
    x, y = draw(small), draw(small)
    if draw(st.booleans()):  # a triangle
        points = [(x + draw(small), y + draw(small)) for _ in range(3)]
        doubled = _area2([(F(a), F(b)) for a, b in points])
        if doubled == 0:
            points, doubled = [(x, y), (x + 3, y), (x, y + 2)], F(6)
        triangle = tuple(points if doubled > 0 else points[::-1])
        return Cut(triangle, (triangle,))
    # Three steps, like a stair: hollow at its corner, and lines on lines are common.
    w, h, a, b = (draw(st.integers(2, 8)) for _ in range(4))
    a, b = min(a, w - 1), min(b, h - 1)
    whole = ((x, y), (x + w, y), (x + w, y + b), (x + a, y + b), (x + a, y + h), (x, y + h))
    foot = ((x, y), (x + w, y), (x + w, y + b), (x, y + b))
    return Cut(whole, (foot, ((x, y + b), (x + a, y + b), (x + a, y + h), (x, y + h))))


@law(3000)
@given(polygons(), polygons())
def test_polygons_overlap_where_clipping_leaves_something(one: Cut, other: Cut) -> None:
    shared = sum(_clipped([(F(x), F(y)) for x, y in a], b) for a in one.parts for b in other.parts)
    assert overlap(one.whole, other.whole) == (shared > 0)
    assert overlap(other.whole, one.whole) == (shared > 0)


def test_a_place_off_the_cloth_and_one_over_another_do_not_hold() -> None:
    piece = Nestling(rectangle(Length(100), Length(50)))
    assert holds(20_000, [piece, piece], [Nest(0, 0, 0), Nest(10_000, 0, 0)])
    assert not holds(20_000, [piece, piece], [Nest(0, 0, 0), Nest(9_999, 0, 0)])
    assert not holds(19_999, [piece, piece], [Nest(0, 0, 0), Nest(10_000, 0, 0)])
    assert not holds(20_000, [piece, piece], [Nest(0, 0, 0), Nest(10_000, 0, 2)])  # it may not be turned


class Shape(NamedTuple):
    """A piece, and whether a point lies in it: by a sum of its own, from the corner of its box."""

    piece: CutPiece
    inside: Callable[[float, float], bool]


def _quarter(name: str, inner: int, outer: int, **more: bool) -> Shape:
    outline = sector(Length(inner), Length(outer), F(1, 4))
    box = outline.box
    left, low = float(box.left), float(box.low)
    piece = CutPiece(name, name, outline, **more)
    # Whichever quarter it is drawn in, it lies between two circles about the same middle.
    return Shape(piece, lambda x, y: inner <= ((x + left) ** 2 + (y + low) ** 2) ** 0.5 <= outer)


def _wedge(name: str, foot: int, top: int, high: int, **more: bool) -> Shape:
    shift = (foot - top) / 2

    def inside(x: float, y: float) -> bool:
        inset = shift * y / high
        return inset <= x <= foot - inset

    side = F(foot - top, 2)
    corners = [Corner(F(0), F(0)), Corner(F(foot), F(0)), Corner(side + top, F(high)), Corner(side, F(high))]
    outline: Outline = closed(corners, ("foot", "right", "top", "left"))
    return Shape(CutPiece(name, name, outline, **more), inside)


def _shapes(seed: int) -> list[Shape]:
    chance = random.Random(seed)
    made: list[Shape] = []
    for number in range(12):
        more = {"may_turn": chance.random() < 0.4, "mirrored": chance.random() < 0.3}
        kind = number % 3
        if kind == 0:
            inner = chance.randint(60, 200)
            made.append(_quarter(f"quarter {number}", inner, inner + chance.randint(100, 500), **more))
        elif kind == 1:
            foot = chance.randint(200, 700)
            made.append(_wedge(f"gore {number}", foot, chance.randint(60, foot - 20), chance.randint(200, 800), **more))
        else:
            wide, long = chance.randint(50, 500), chance.randint(50, 600)
            piece = CutPiece.oblong(f"band {number}", f"band {number}", Length(wide), Length(long))
            made.append(Shape(piece, lambda x, y, wide=wide, long=long: 0 <= x <= wide and 0 <= y <= long))
    return made


@pytest.mark.parametrize("seed", seeds(20))
@pytest.mark.parametrize("directional", [False, True])
def test_no_point_of_the_cloth_is_in_two_pieces(seed: int, directional: bool) -> None:
    shapes = _shapes(seed * 2 + directional)
    made = layout(Bolt(Length(1380), directional=directional), [one.piece for one in shapes])
    assert len(made.laid) == len(shapes)
    inside = {one.piece.key: one.inside for one in shapes}
    chance = random.Random(seed)

    def holds_point(one: Laid, x: float, y: float, margin: float = 0.2) -> bool:
        """Whether that point of the cloth is in a laid piece, well inside it: turned back and face up again."""

        wide, long = float(one.piece.wide.mm), float(one.piece.long.mm)
        x, y = x - float(one.left.mm), y - float(one.start.mm)
        x, y = {0: (x, y), 1: (y, long - x), 2: (wide - x, long - y), 3: (wide - y, x)}[one.turns]
        if one.flipped:
            x = wide - x
        if not (margin <= x <= wide - margin and margin <= y <= long - margin):
            return False
        found = inside[one.piece.key]
        around = [(x, y), (x - margin, y), (x + margin, y), (x, y - margin), (x, y + margin)]
        return all(found(*point) for point in around)

    for one in made.laid:
        assert one.left.mm >= 0
        assert one.left + one.wide <= Length(1380)
        assert one.start + one.long <= made.length
        allowed = {0} if directional else {0, 1, 2, 3} if one.piece.may_turn else {0, 2}
        assert one.turns in allowed, one.name
        hits = 0
        for _ in range(400):
            x = float(one.left.mm) + chance.random() * float(one.wide.mm)
            y = float(one.start.mm) + chance.random() * float(one.long.mm)
            if holds_point(one, x, y):
                hits += 1
                over = [other.name for other in made.laid if other is not one and holds_point(other, x, y)]
                assert not over, f"{one.name} lies over {over}"
        assert hits > 20, f"{one.name} is where it is said to be"
    # What is wasted is what the outlines leave.
    areas = sum(float(one.piece.outline.area) for one in made.laid)
    assert abs(float(made.waste) - (1 - areas / (1380 * float(made.length.mm)))) < 1e-6


def test_hollows_are_used() -> None:
    """Sixteen quarter rings lie closer by their outlines than by the rectangles round them."""
    rings = [_quarter(f"ring {number}", 260, 330, may_turn=True).piece for number in range(16)]
    plain = layout(Bolt(Length(1400)), rings, search=False)
    nested = layout(Bolt(Length(1400)), rings)
    assert nested.again
    assert nested.length < plain.length * F(4, 5)
    assert nested.length >= nested.bound


def test_a_piece_across_the_whole_cloth_lies_behind_what_is_nested() -> None:
    """The search gave up with a panic of its own where a piece left no room beside it."""
    quarter = CutPiece("q", "Quarter", sector(Length(100), Length(500), Fraction(1, 4)), 2)
    for wide in (Length(1380), Length(Fraction(13_795, 10))):
        whole = CutPiece.oblong("w", "Width", wide, Length(665), 2)
        got = layout(Bolt(Length(1380)), [whole, quarter])
        assert len(got.laid) == 4
        assert not got.left
        across = [one for one in got.laid if one.piece.key == "w"]
        others = [one for one in got.laid if one.piece.key == "q"]
        for one in across:
            for other in others:
                assert one.start >= other.start + other.long or other.start >= one.start + one.long
