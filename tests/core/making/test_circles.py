"""Circle skirts: radii, sweeps and pieces against figures by hand and against arcs walked in many short steps."""

from __future__ import annotations

from itertools import pairwise
from math import cos, hypot, pi, sin, sqrt
from random import Random
from typing import Any

import pytest

from ribbon.cloth import Bolt
from ribbon.fraction import Fraction
from ribbon.lengths import UNITS, Length, read_length
from ribbon.making import THINGS, Given
from ribbon.making.circles import rings
from ribbon.making.circles_cut import cut_pieces
from tests.examples import seeds

CIRCLE = THINGS["circle"]
cm = Length.cm


def given(measures: dict[str, str], **choices: Any) -> Given:
    read = {name: (read_length(text, UNITS["cm"]),) for name, text in measures.items()}
    return Given(CIRCLE.by_name, read, choices, {"face": Bolt(cm(138))}, seam=cm(Fraction(3, 2)))


EDGE = {"edge": "72", "length": "60"}


@pytest.mark.parametrize(
    ("choices", "radius"),
    [
        ({}, 114.592),
        ({"share": "half"}, 229.183),
        ({"share": "three_quarters"}, 152.789),
        ({"circles": 2}, 57.296),
        ({"heading": "gather", "fullness": Fraction(9, 5)}, 206.265),
        ({"heading": "knife", "pleats": 6, "takes": cm(4)}, 152.789),
        # Two half circles are one circle in two pieces, and not halved twice.
        ({"share": "half", "circles": 2}, 114.592),
    ],
)
def test_the_radius_of_an_edge_of_72(choices: dict[str, Any], radius: float) -> None:
    found = rings(given(EDGE, **choices))
    assert found is not None
    assert float(found.radius.mm) == pytest.approx(radius, abs=0.001)


def test_the_waist_with_its_ease_and_an_elastic_over_the_hip() -> None:
    body = {"waist": "70", "hip": "96", "length": "60"}
    assert CIRCLE.begin(given(body, ease=cm(2))).results["band"].value == cm(72)
    assert CIRCLE.begin(given(body, ease=cm(2), opening="elastic")).results["band"].says == "96 hip + 2 ease = 98 cm"


def test_what_cannot_be_is_refused_with_a_way_out() -> None:
    for choices in (
        {"circles": 0},
        {"heading": "knife", "pleats": 0},
        {"heading": "gather", "fullness": Fraction(1)},
        {"circles": 8},
    ):
        problems = CIRCLE.begin(given({"edge": "50", "length": "60"}, **choices)).problems
        assert problems, choices
        assert all(one.way_out for one in problems)


def test_the_shares_stand_beside_each_other() -> None:
    rows = CIRCLE.begin(given(EDGE)).compared[0].rows
    assert [row.takes for row in rows] == [
        ("share", "full"), ("share", "three_quarters"), ("share", "half"), ("share", "quarter"), ("circles", "2"),
    ]  # fmt: skip
    assert [row.taken for row in rows] == [True, False, False, False, False]
    sweeps = [float(row.bars[0].mm) for row in rows]
    # The more of a circle, the wider round the hem; two circles keep the edge and nearly double the sweep.
    assert sweeps[0] > sweeps[1] > sweeps[2] > sweeps[3]
    assert sweeps[4] == pytest.approx(2 * pi * 2 * (57.296 + 600), rel=1e-5)


def shoelace(points: list[tuple[float, float]]) -> float:
    return abs(sum(a * d - b * c for (a, b), (c, d) in zip(points, [*points[1:], points[0]], strict=True))) / 2


@pytest.mark.parametrize("seed", seeds(200))
def test_every_piece_against_a_ring_walked_in_short_steps(seed: int) -> None:
    """Its area, and the length of its stitching line, by many short straight lines and floats alone."""
    chance = Random(seed)
    edge, length = chance.randint(40, 200), chance.randint(20, 120)
    share = chance.choice(["full", "three_quarters", "half", "quarter"])
    circles = chance.randint(1, 3)
    cut_in = chance.choice(["whole", "halves", "quarters"])
    hem_depth = chance.choice([1, 2])
    one = given(
        {"edge": str(edge), "length": str(length)},
        share=share, circles=circles, cut_in=cut_in, hem="turned", hem_depth=cm(hem_depth), hem_turning=cm(1),
    )  # fmt: skip
    part = {"full": 1.0, "three_quarters": 0.75, "half": 0.5, "quarter": 0.25}[share] * circles
    radius = edge * 10 / (2 * pi * part)
    begun = CIRCLE.begin(one)
    if radius <= 15:
        assert begun.problems
        return
    found = rings(one)
    assert found is not None
    assert float(found.radius.mm) == pytest.approx(radius, abs=0.001)
    (piece,) = cut_pieces(one, found)
    largest = {"whole": 1.0, "halves": 0.5, "quarters": 0.25}[cut_in]
    many = max(1, -int(-part / largest // 1))
    assert piece.count == many
    each = part / many
    inner, outer = radius - 15, radius + length * 10 + (hem_depth + 1) * 10
    steps = 4000
    arc = [2 * pi * each * n / steps for n in range(steps + 1)]
    walked = [(outer * cos(a), outer * sin(a)) for a in arc] + [(inner * cos(a), inner * sin(a)) for a in reversed(arc)]
    # Two seams of 15 along its straight sides, where it has any, between both arcs as they go on.
    thin = [15 * (n + 0.5) / 2000 for n in range(2000)]
    seam = sum(sqrt(outer**2 - y**2) - sqrt(max(0.0, inner**2 - y**2)) for y in thin) * 15 / 2000
    seams = 0.0 if each == 1 else 2 * seam
    # Where hardly anything is left inside its edge, the two seams run into each other.
    assert float(piece.outline.area) == pytest.approx(shoelace(walked) + seams, rel=2e-5 if inner > 22 else 0.006)
    stitching = sum(hypot(radius * (cos(a) - cos(b)), radius * (sin(a) - sin(b))) for a, b in pairwise(arc))
    assert stitching * many == pytest.approx(edge * 10, rel=1e-6)
    assert float(found.sweep.mm) == pytest.approx(2 * pi * part * (radius + length * 10), rel=1e-9)


def test_three_quarters_in_halves_by_hand() -> None:
    one = given(EDGE, share="three_quarters", cut_in="halves")
    found = rings(one)
    assert found is not None
    (piece,) = cut_pieces(one, found)
    # 72 ÷ (2π × 3/4) = 15.279; two pieces, each three eighths of a circle.
    assert float(found.radius.mm) == pytest.approx(152.789, abs=0.001)
    assert piece.count == 2
    # Along its stitching line 36 each; its cut edge lies a seam further in, and runs a seam past each end.
    assert 2 * pi * 0.375 * 152.789 == pytest.approx(360, abs=0.01)
    # 360 less the turn of a seam of 15, 35.3, and what both ends add: arcsin(15 / 137.789) of that radius each.
    assert float(piece.outline.length_of("edge").mm) == pytest.approx(324.657 + 2 * 15.030, abs=0.01)


DIP = {"edge": "72", "length": "34", "behind": "46"}


def test_the_worked_dip() -> None:
    found = rings(given(DIP))
    assert found is not None
    assert float(found.radius.mm + found.fall.mm) == pytest.approx(514.592, abs=0.001)
    assert found.off == cm(6)
    assert float(found.side.mm) == pytest.approx(396.49, abs=0.01)
    begun = CIRCLE.begin(given(DIP))
    assert "÷ 2 = 6 cm" in begun.results["off"].says
    # Of anything but one full circle there is no dip; nor where front and back are alike.
    for choices in ({"share": "half"}, {"circles": 2}):
        other = rings(given(DIP, **choices))
        assert other is not None
        assert not other.off
    even = rings(given({**DIP, "behind": "34"}))
    assert even is not None
    assert not even.off


@pytest.mark.parametrize("seed", seeds(120))
def test_a_dipped_circle_against_a_plain_reckoning_of_many_points(seed: int) -> None:
    """How far it falls in every direction of its pieces, and what they come to in all, walked in floats alone."""
    chance = Random(seed)
    edge, front, behind = chance.randint(50, 120), chance.randint(25, 90), chance.randint(25, 90)
    cut_in = chance.choice(["whole", "halves", "quarters"])
    one = given(
        {"edge": str(edge), "length": str(front), "behind": str(behind)},
        cut_in=cut_in, hem="turned", hem_depth=cm(1), hem_turning=Length(5),
    )  # fmt: skip
    found = rings(one)
    assert found is not None
    radius, mean, off = edge * 10 / (2 * pi), (front + behind) * 5, (behind - front) * 5
    out = radius + mean
    assert float(found.side.mm) == pytest.approx(sqrt(out**2 - off**2) - radius, abs=0.001)
    pieces = cut_pieces(one, found)
    if front == behind:
        return
    assert sum(piece.count for piece in pieces) == {"whole": 1, "halves": 2, "quarters": 4}[cut_in]
    # A ring between two circles, whatever their middles; the seams' strips come on top.
    # Of halves the pattern is half, on a fold.
    times = 2 if cut_in == "halves" else 1
    stitched = times * sum(float(piece.pattern.stitching.area) * piece.count for piece in pieces)
    assert stitched == pytest.approx(pi * (out**2 - radius**2), rel=1e-6)
    cut = sum(float(piece.outline.area) * piece.count for piece in pieces)
    ring = pi * ((out + 15) ** 2 - (radius - 15) ** 2)
    if cut_in == "whole":
        assert cut == pytest.approx(ring, rel=1e-6)
    else:
        assert cut > ring
    # Every corner of the hem lies on its circle about (0, 0), of the edge on its own, so far above.
    for piece in pieces:
        for side in piece.pattern.stitching.named("hem"):
            assert hypot(side.start.x, side.start.y) == pytest.approx(out, abs=1e-4)
        for side in piece.pattern.stitching.named("edge"):
            assert hypot(side.start.x, float(side.start.y) - off) == pytest.approx(radius, abs=1e-4)
    if cut_in == "halves":
        lowest = {piece.key: float(piece.pattern.stitching.box.low) for piece in pieces}
        highest = {piece.key: float(piece.pattern.stitching.box.high) for piece in pieces}
        assert highest["ring.front"] - (off + radius) == pytest.approx(front * 10, abs=1e-3)
        assert (off - radius) - lowest["ring.back"] == pytest.approx(behind * 10, abs=1e-3)


def test_pleats_at_the_dart_points_have_their_mirrors() -> None:
    darts = {"edge": "72", "length": "60"}
    read = {name: (read_length(text, UNITS["cm"]),) for name, text in darts.items()}
    read["front_at"] = (cm(8), cm(12))
    read["back_at"] = (cm(9),)
    one = Given(CIRCLE.by_name, read, {"heading": "inverted", "takes": cm(4)}, {"face": Bolt(cm(138))}, seam=cm(1))
    begun = CIRCLE.begin(one)
    (edge,) = begun.edges
    # Of a ring of 72 that begins behind: 8 and 12 from the middle of the front, 36 - 9 = 27 for those 9 from behind.
    assert edge.facts["placed"] == [{"at": "8 cm"}, {"at": "12 cm"}, {"at": "27 cm"}]
    assert begun.results["circle.flat"].value == cm(72 + 6 * 4)
    far = Given(CIRCLE.by_name, {**read, "back_at": (cm(40),)}, one.choices, one.cloths, seam=cm(1))
    assert [problem.path for problem in CIRCLE.begin(far).problems] == ["measures.back_at"]
