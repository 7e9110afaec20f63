"""Shapes: what is known of circles and trapezoids by hand, and laws against a plain reckoning with floating points."""

from __future__ import annotations

from math import atan2, cos, hypot, pi, sin, tau

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ribbon.errors import Refusal
from ribbon.fraction import Fraction
from ribbon.lengths import Length
from ribbon.shapes import (
    FOLD,
    PI,
    Corner,
    Notch,
    Outline,
    Side,
    closed,
    direction,
    notched,
    rectangle,
    root,
    sector,
    share_of,
    with_allowances,
)
from tests.core.laws.strategies import LAW

F = Fraction


def at(x: float | Fraction, y: float | Fraction) -> Corner:
    return Corner(F(x), F(y))


def trapezoid(foot: int, top: int, high: int) -> Outline:
    shift = F(foot - top, 2)
    return closed([at(0, 0), at(foot, 0), at(shift + top, high), at(shift, high)], ("foot", "right", "top", "left"))


@pytest.mark.parametrize("value", [F(2), F(1, 3), F(10**8 + 1), F(7, 10**6), F(0)])
def test_roots_and_pi_are_right_to_what_is_said(value: Fraction) -> None:
    assert 0 <= value - root(value) ** 2 <= 2 * (root(value) + 1) / 10**9
    # A circle ten metres across.
    assert abs(float(10_000 * PI) - 10_000 * pi) < 1e-5


@given(st.fractions(0, 1).map(Fraction))
def test_a_direction_and_its_share_agree(share: Fraction) -> None:
    x, y = direction(share)
    assert abs(float(x) - cos(tau * share)) < 1e-11
    assert abs(float(y) - sin(tau * share)) < 1e-11
    assert min(abs(share_of(x, y) - share % 1), 1 - abs(share_of(x, y) - share % 1)) < F(1, 10**10)


def test_a_quarter_circle() -> None:
    made = sector(Length(200), Length(700), F(1, 4))
    assert made.area == PI * (700**2 - 200**2) / 4
    assert (made.box.wide, made.box.long) == (Length(700), Length(700))
    assert made.length_of("hem") == Length(PI * 350)
    assert made.length_of("edge") == Length(PI * 100)
    assert made.length_of("start") == made.length_of("end") == Length(500)


@pytest.mark.parametrize(("share", "wide", "long"), [(F(1, 2), 1400, 700), (F(3, 4), 1400, 1400), (F(1), 1400, 1400)])
def test_larger_parts_of_a_circle_fill_their_box(share: Fraction, wide: int, long: int) -> None:
    made = sector(Length(200), Length(700), share)
    assert (made.box.wide, made.box.long) == (Length(wide), Length(long))
    assert abs(float(made.area) - pi * (700**2 - 200**2) * share) < 1e-3
    assert abs(float(made.length_of("hem").mm) - tau * 700 * share) < 1e-5


def test_allowances_of_each_side() -> None:
    made = with_allowances(
        sector(Length(200), Length(700), F(1, 4)), {"edge": Length(15), "hem": Length(30)}, Length(10)
    )
    # The cut edge is shorter and the cut hem longer; both straight sides lie 10 mm outside the piece.
    assert sorted(round(float(side.radius), 6) for side in made.sides if side.centre) == [185, 730]
    assert made.box.left == made.box.low == -10
    for side in made.sides:
        if side.name in ("start", "end"):
            assert {side.start.y, side.end.y} == {F(-10)} or {side.start.x, side.end.x} == {F(-10)}
        if side.centre:
            assert abs(hypot(*map(float, side.start)) - float(side.radius)) < 1e-8


def test_a_trapezoid_keeps_its_slant() -> None:
    made = with_allowances(trapezoid(600, 400, 500), {"top": Length(15), "foot": Length(40)}, Length(10))
    right = made.named("right")[0]
    assert (right.end.x - right.start.x) / (right.end.y - right.start.y) == F(-100, 500)
    assert (made.box.low, made.box.high) == (-40, 515)
    slant = hypot(100, 500)
    # Parallel sides are 10 mm apart.
    far = abs(500 * (float(right.start.x) - 600) + 100 * float(right.start.y)) / slant
    assert abs(far - 10) < 1e-6


def test_a_piece_on_the_fold_opens_to_twice_itself() -> None:
    half = rectangle(Length(200), Length(700), fold=True)
    assert half.opened.box.wide == Length(400)
    assert half.opened.is_rectangle
    assert not half.opened.named(FOLD)
    cut = with_allowances(half, {}, Length(10))
    assert cut.opened.box.wide == Length(420)  # none at the fold
    quarter = sector(Length(200), Length(700), F(1, 4))
    sides = tuple(side._replace(name=FOLD if side.name == "end" else side.name) for side in quarter.sides)
    opened = Outline(sides).opened
    assert opened.area == 2 * quarter.area
    assert (opened.box.wide, opened.box.long) == (Length(1400), Length(700))
    with pytest.raises(Refusal, match="one straight side along the cloth"):
        Outline(tuple(side._replace(name=FOLD if side.name == "start" else side.name) for side in quarter.sides)).opened  # noqa: B018


def test_notches_stand_along_straight_sides_and_arcs() -> None:
    made = sector(Length(200), Length(700), F(1, 4))
    middle = notched(made, Notch("hem", made.length_of("hem") / 2, "middle"))
    assert abs(float(middle.place.x - middle.place.y)) < 1e-6
    assert abs(float(middle.inward[0]) + 2**-0.5) < 1e-6  # into the piece, back to the centre
    low = notched(rectangle(Length(100), Length(50)), Notch("foot", Length(30)))
    assert (low.place, low.inward) == (at(30, 0), (0, 1))
    with pytest.raises(Refusal, match="100 mm long"):
        notched(rectangle(Length(100), Length(50)), Notch("foot", Length(101)))
    with pytest.raises(Refusal, match="none of"):
        notched(made, Notch("waist", Length(1)))


@pytest.mark.parametrize(
    "sides",
    [
        (), (Side(at(0, 0), at(1, 0)), Side(at(1, 0), at(1, 1))),
        closed([at(0, 0), at(9, 0), at(9, 9)], "abc").sides[::-1],
        tuple(side.reversed for side in reversed(closed([at(0, 0), at(9, 0), at(9, 9)], "abc").sides)),
    ],
)  # fmt: skip
def test_what_does_not_close_or_is_walked_the_wrong_way_is_refused(sides: tuple[Side, ...]) -> None:
    with pytest.raises(Refusal):
        Outline(sides)


@st.composite
def outlines(draw: st.DrawFn) -> Outline:
    """Trapezoids, sectors of any share, and rectangles with one side bowed in or out."""
    kind = draw(st.sampled_from(["trapezoid", "sector", "bowed"]))
    if kind == "trapezoid":
        return trapezoid(draw(st.integers(100, 900)), draw(st.integers(100, 900)), draw(st.integers(100, 900)))
    if kind == "sector":
        inner = draw(st.integers(0, 400))
        share = F(draw(st.integers(1, 24)), 24)
        return sector(Length(inner), Length(inner + draw(st.integers(50, 600))), share)
    wide, high = draw(st.integers(100, 600)), draw(st.integers(400, 700))
    deep = draw(st.integers(0, min(60, wide // 2)))  # up to half a circle: more of it would cross the sides
    box = rectangle(Length(wide), Length(high))
    if not deep:
        return box
    # The top bows by `deep`: about a centre as far below (or above) as makes it so.
    radius = (F(wide, 2) ** 2 + deep * deep) / (2 * deep)
    out = draw(st.booleans())
    centre = at(F(wide, 2), high + (deep - radius if out else radius - deep))
    return Outline(tuple(s._replace(centre=centre, clockwise=not out) if s.name == "top" else s for s in box.sides))


def traced(outline: Outline, each: int = 400) -> list[tuple[float, float]]:
    """Many points round the outline, by plain trigonometry."""
    found = []
    for side in outline.sides:
        for index in range(each if side.centre else 1):
            part = index / each
            if side.centre is None:
                found.append((float(side.start.x), float(side.start.y)))
                continue
            cx, cy = map(float, side.centre)
            begin = atan2(float(side.start.y) - cy, float(side.start.x) - cx)
            end = atan2(float(side.end.y) - cy, float(side.end.x) - cx)
            turn = (begin - end if side.clockwise else end - begin) % tau
            angle = begin + (-turn if side.clockwise else turn) * part
            radius = hypot(float(side.start.x) - cx, float(side.start.y) - cy)
            found.append((cx + radius * cos(angle), cy + radius * sin(angle)))
    return found


def shoelace(points: list[tuple[float, float]]) -> float:
    return sum(a[0] * b[1] - b[0] * a[1] for a, b in zip(points, points[1:] + points[:1], strict=True)) / 2


@LAW
@given(outlines())
def test_areas_boxes_and_lengths_are_those_of_a_traced_line(outline: Outline) -> None:
    points = traced(outline)
    assert abs(shoelace(points) - float(outline.area)) < 1e-4 * float(outline.area) + 30
    box = outline.box
    for found, said in (
        (min(x for x, _ in points), box.left), (max(x for x, _ in points), box.right),
        (min(y for _, y in points), box.low), (max(y for _, y in points), box.high),
    ):  # fmt: skip
        assert abs(found - float(said)) < 0.02
    around = sum(hypot(a[0] - b[0], a[1] - b[1]) for a, b in zip(points, points[1:] + points[:1], strict=True))
    assert abs(around - sum(float(side.length.mm) for side in outline.sides)) < 0.2


@LAW
@given(outlines())
def test_mirrored_and_turned_it_is_the_same_piece(outline: Outline) -> None:
    for other in (outline.mirrored, outline.turned(1), outline.turned(2), outline.mirrored.mirrored):
        assert abs(other.area - outline.area) < F(1, 100)  # mm²: a bounded root more or less
        assert sorted(side.name for side in other.sides) == sorted(side.name for side in outline.sides)
    assert outline.mirrored.mirrored == outline
    assert outline.turned(4) == outline
    assert outline.turned(1).box.wide == outline.box.long


@LAW
@given(outlines(), st.integers(1, 25), st.integers(1, 25))
def test_an_allowance_lies_that_far_outside_all_round(outline: Outline, most: int, hem: int) -> None:
    try:
        cut = with_allowances(outline, {"hem": Length(hem), "top": Length(hem)}, Length(most))
    except Refusal:
        assert any(side.centre and side.clockwise for side in outline.sides)  # an arc too tight for it
        return
    assert cut.area > outline.area or any(side.centre and side.clockwise for side in outline.sides)
    for old in outline.sides:
        by = hem if old.name in ("hem", "top") else most
        for new in cut.named(old.name):
            if old.centre is None and (old.start, old.end) != (new.end, new.start):
                x, y = old.heading(F(0))
                for point in (new.start, new.end):
                    far = (point.x - old.start.x) * y - (point.y - old.start.y) * x
                    assert abs(float(far) - by) < 1e-5


@LAW
@given(outlines(), st.sampled_from([0.05, 0.5, 2.0]))
def test_straight_lines_round_it_keep_outside(outline: Outline, fine: float) -> None:
    """What the packer is shown covers the piece, and by little more."""
    points = [(float(x), float(y)) for x, y in outline.polygon(fine)]
    grown, own = shoelace(points), float(outline.area)
    around = sum(float(side.length.mm) for side in outline.sides)
    if not any(a.centre is None and (a.start, a.end) == (b.end, b.start) for a in outline.sides for b in outline.sides):
        assert own - 1e-3 <= grown <= own + around * fine * 1.6 + 1e-3
    for x, y in traced(outline, 37):
        assert inside(points, x, y)


def inside(points: list[tuple[float, float]], x: float, y: float) -> bool:
    """Inside a polygon, or within a ten-thousandth of its line."""
    odd = False
    for (ax, ay), (bx, by) in zip(points, points[1:] + points[:1], strict=True):
        long = hypot(bx - ax, by - ay)
        if long:
            part = max(0.0, min(1.0, ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / long**2))
            if hypot(x - ax - part * (bx - ax), y - ay - part * (by - ay)) < 1e-4:
                return True
        if (ay > y) != (by > y) and x < ax + (y - ay) * (bx - ax) / (by - ay):
            odd = not odd
    return odd


def test_directions_at_eighths_are_as_fine_as_all_others() -> None:
    for part in range(8):
        x, y = direction(F(part, 8))
        assert abs(x * x + y * y - 1) < F(1, 10**11)
        assert share_of(x, y) == F(part, 8)
