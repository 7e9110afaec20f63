"""Cloth: drops, ways, strategies of joining, the cutting plan, buying, linings, stripes."""

from __future__ import annotations

import fractions
from dataclasses import replace
from itertools import combinations, pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ribbon.cloth import (
    Bolt,
    CutPiece,
    Drop,
    Lining,
    Stripe,
    apron,
    buy,
    coloured,
    drop_on,
    layout,
    lined,
    lined_up,
    load,
    makes,
    notions,
    repeat_of,
    savings,
    to_repeat,
    usual_way,
    ways,
)
from ribbon.cloth.layout import lowest
from ribbon.edge import plan
from ribbon.errors import Refusal
from ribbon.facts import Place, Section
from ribbon.fraction import Fraction
from ribbon.lengths import UNITS, ZERO, Length, read_length
from ribbon.pleats import Quantity
from ribbon.readings import Allowed, Strategy, joined, spread, strategies
from ribbon.strip import walk
from tests.core.laws.strategies import LAW
from tests.scenario import MM, section, wide

Q = Quantity


def cm(text: str) -> Length:
    return read_length(text, UNITS["cm"])


def inch(text: str) -> Length:
    return read_length(text, UNITS["in"])


@pytest.mark.parametrize(
    ("drop", "along", "cut", "on_bolt"),
    [
        (Drop(cm("200"), cm("10"), cm("8"), 2, cm("2")), "0", "228", "228"),
        (Drop(cm("200"), cm("10"), cm("8"), 1, ZERO), "0", "218", "218"),
        (Drop(cm("200"), cm("10"), cm("8"), 2, cm("2")), "64", "228", "256"),
        (Drop(cm("192")), "64", "192", "192"),
    ],
)
def test_a_drop_and_its_repeats(drop: Drop, along: str, cut: str, on_bolt: str) -> None:
    assert drop.cut == cm(cut)
    assert drop_on(Bolt(cm("138"), along=cm(along)), drop) == cm(on_bolt)


WIDTHS = [cm("138"), cm("138"), cm("80")]


def test_the_ways_on_the_bolt() -> None:
    bolt, drop = Bolt(cm("140"), along=cm("30")), Drop(cm("55"))
    across, lengthways, railroaded = ways(bolt, drop, cm("300"), WIDTHS, cm("1.5"))
    assert (across.length, across.joins) == (cm("210"), 2)  # 3 x 60 and one repeat
    assert (lengthways.length, lengthways.strips) == (cm("151.5"), 2)  # two side by side, one join
    assert (railroaded.length, railroaded.joins) == (cm("300"), 0)
    # Along it would take less, but the cloth would hang on its cross grain: that is for the sewist to say.
    assert usual_way([across, lengthways, railroaded]).name == "across"
    nap = ways(Bolt(cm("140"), directional=True), drop, cm("300"), WIDTHS, cm("1.5"))
    assert usual_way(nap).name == "across"
    assert all("direction" in way.why_not for way in nap[1:])
    long = ways(bolt, Drop(cm("200")), cm("300"), WIDTHS, cm("1.5"))
    assert {way.why_not for way in long[1:]} == {"the drop is longer than the cloth is wide"}


@pytest.mark.parametrize(
    ("needed", "shrinkage", "step", "asked", "cost"),
    [
        ("3.41 m", 0, "10 cm", "3.5 m", "43.75"),
        ("1.9 m", 5, "10 cm", "2 m", "25"),
        ("1.91 m", 5, "10 cm", "2.1 m", "26.25"),
        ("1 yd", 0, "1/8 yd", "1 yd", None),
        ("37 in", 0, "1/8 yd", "1 1/8 yd", None),
    ],
)
def test_buying_rounds_up_to_the_shops_step(
    needed: str, shrinkage: int, step: str, asked: str, cost: str | None
) -> None:
    price = Fraction(25, 2) if cost else None
    bolt = Bolt(cm("138"), shrinkage=Fraction(shrinkage, 100), price=price, step=cm(step))
    got = buy(bolt, cm(needed))
    assert got.asked == cm(asked)
    assert got.cost == (fractions.Fraction(cost) if cost else None)
    some = buy(replace(bolt, at_hand=cm("1 m")), cm(needed))
    assert (some.short or ZERO) == max(ZERO, cm(needed) / (1 - bolt.shrinkage) - cm("1 m"))
    # Where enough is at hand nothing is bought, and of a sheet there is no more to buy.
    enough = buy(replace(bolt, at_hand=cm("5 m")), cm(needed))
    assert (enough.asked, enough.cost, enough.enough) == (ZERO, None, True)
    assert buy(replace(bolt, at_hand=cm("0.5 m"), rectangle=True), cm(needed)).asked == ZERO


def test_a_tube_of_face_and_lining() -> None:
    made = lined(cm("130"), Drop(cm("200")), Lining(cm("3"), cm("10"), cm("5"), 2, ZERO, cm("2"), tube=True))
    assert (made.width, made.length, made.turned, made.rolls) == (cm("120"), cm("207"), cm("121"), cm("2.5"))
    plain = lined(cm("130"), Drop(cm("200")), Lining(cm("3"), cm("10"), cm("5"), 1))
    assert (plain.length, plain.turned) == (cm("202"), None)


def test_the_load_on_a_rail() -> None:
    heavy = Bolt(cm("138"), weight=Fraction(400))
    assert load(heavy, cm("250"), Drop(cm("200"), cm("10"), cm("10"), 2)) == 250 * 230 * 400 // 10_000
    assert load(Bolt(cm("138")), cm("250"), Drop(cm("200"))) is None


def laid_out(facts: Section, usable: str, strategy: Strategy, allowance: str = "1.5 cm"):  # type: ignore[no-untyped-def]
    laid = plan(facts).strip
    return joined(spread(laid, walk(laid)), cm(usable), Allowed(cm(allowance), cm(allowance), cm(allowance)), strategy)


VALANCE = {"finished": "96 in", "box": "4 in"}


def test_the_dome_valance_over_its_widths_by_every_strategy() -> None:
    facts = section("box", VALANCE, meet=True)
    for strategy in (Strategy.FEWEST, Strategy.EQUAL, Strategy.SAME_PLEATS):
        got = laid_out(facts, "54 in", strategy, "1/2 in")
        assert all(join.hidden for join in got.joins), strategy
        assert sum((w.flat for w in got.widths), ZERO) == inch("288")
        assert all(w.cut <= inch("54") for w in got.widths)
    same = laid_out(facts, "54 in", Strategy.SAME_PLEATS, "1/2 in")
    assert {w.flat for w in same.widths[1:-1]} == {inch("48")}  # four pleats of 12 in to a width
    half = laid_out(facts, "54 in", Strategy.HALF_OUTSIDE, "1/2 in")
    assert half.widths[0].cut <= inch("27")


def test_a_pinch_row_is_joined_just_behind_a_sew_line() -> None:
    facts = section(
        "pinch",
        {"finished": "47 in", "flat": "100 in", "spacing": "~4 in"},
        lead=wide("3 1/2 in"),
        tail=wide("1 1/2 in"),
    )
    got = laid_out(facts, "54 in", Strategy.FEWEST, "1/2 in")
    assert [join.where for join in got.joins] == ["just behind the sew line of pleat 6"]


def test_the_telescope_cover_is_joined_in_every_underlay() -> None:
    corners = tuple(Place(inch(t)) for t in ("13", "44", "70", "101"))
    facts = section("inverted", {"finished": "114 in", "depth": "2 1/2 in"}, closed=True, places=corners)
    got = laid_out(facts, "54 in", Strategy.AT_PLEATS, "1/2 in")
    assert [w.cut for w in got.widths[1:-1]] == [inch("42"), inch("37"), inch("42")]
    # A segment of 42 is joined of two on cloth of 40, where it shows; those of 37 stay whole.
    narrow = laid_out(facts, "40 in", Strategy.AT_PLEATS, "1/2 in")
    assert [w.cut for w in narrow.widths[1:-1]] == [
        inch("43") / 2,
        inch("43") / 2,
        inch("37"),
        inch("43") / 2,
        inch("43") / 2,
    ]
    assert [join.hidden for join in narrow.joins] == [True, False, True, True, False, True]


@pytest.mark.parametrize("strategy", [Strategy.SAME_PLEATS, Strategy.AT_PLEATS, Strategy.HALF_OUTSIDE])
def test_a_strategy_that_cannot_be_followed_says_why(strategy: Strategy) -> None:
    with pytest.raises(Refusal) as refusal:
        laid_out(section("gather", {"finished": "30 cm", "fullness": "2"}), "138 cm", strategy)
    assert refusal.value.problems[0].path == "cutting.strategy"


@LAW
@given(
    st.integers(2, 60),
    st.integers(10, 60),
    st.integers(120, 1500),
    st.integers(0, 20),
    st.sampled_from(["knife", "box", "inverted", "pinch"]),
)
def test_every_strategy_adds_up_and_fits(count: int, spacing: int, usable: int, seam: int, kind: str) -> None:
    size = {"per_pleat": f"{spacing * 2} mm"} if kind == "pinch" else {"depth": f"{spacing / 2} mm"}
    made = plan(section(kind, {"count": str(count), "spacing": f"{spacing} mm", **size}))
    laid = made.strip
    allowed = Allowed(Length(seam), Length(seam), Length(seam))
    for strategy, got in strategies(spread(laid, walk(laid)), Length(usable), allowed):
        assert sum((w.flat for w in got.widths), ZERO) == made.flat, strategy
        assert all(w.cut <= Length(usable) for w in got.widths), strategy
        assert [j.at for j in got.joins] == sorted({j.at for j in got.joins}), strategy


@pytest.mark.parametrize(
    ("sizes", "bound"),
    [
        # Two wider than half of the cloth cannot lie side by side.
        ([(134, 40), (76, 40)], 80),
        # A third lies beside the narrower of them, not beside the wider.
        ([(134, 40), (76, 40), (60, 40)], 80),
        ([(134, 40), (134, 40), (60, 40)], 120),
        # By their area alone: three beside each other, twice.
        ([(40, 50)] * 6, Fraction(600, 7)),
        ([(20, 90)], 90),
    ],
)
def test_no_plan_goes_below_what_cannot_lie_side_by_side(sizes: list[tuple[int, int]], bound: Fraction) -> None:
    pieces = [CutPiece.oblong(f"piece {n}", f"piece {n}", Length.cm(w), Length.cm(h)) for n, (w, h) in enumerate(sizes)]
    assert lowest(Bolt(Length.cm(140)), pieces) == Length.cm(bound)
    assert layout(Bolt(Length.cm(140)), pieces).length >= Length.cm(bound)


@LAW
@given(
    st.lists(
        st.tuples(st.integers(5, 900), st.integers(5, 900), st.integers(1, 4), st.booleans(), st.booleans()),
        min_size=1,
        max_size=12,
    ),
    st.booleans(),
)
def test_no_piece_overlaps_leaves_the_cloth_or_lies_wrong(
    sizes: list[tuple[int, int, int, bool, bool]], directional: bool
) -> None:
    bolt = Bolt(Length(1000), directional=directional)
    pieces = [
        CutPiece.oblong(f"piece {n}", f"piece {n}", Length(w), Length(h), c, on_fold=fold and w <= 500, may_turn=turn)
        for n, (w, h, c, fold, turn) in enumerate(sizes)
    ]
    try:
        got = layout(bolt, pieces, search=False)
    except Refusal:
        return
    assert len(got.laid) == sum(piece.count for piece in pieces)
    assert got.length >= got.bound
    for one in got.laid:
        assert one.left >= ZERO
        assert one.left + one.wide <= bolt.usable
        assert one.start + one.long <= got.length
        assert {one.wide, one.long} == {one.piece.wide, one.piece.long}
        assert not one.turned or (one.piece.may_turn and not directional)
    for a, b in combinations(got.laid, 2):
        apart = (
            a.left + a.wide <= b.left
            or b.left + b.wide <= a.left
            or a.start + a.long <= b.start
            or b.start + b.long <= a.start
        )
        assert apart, (a, b)


def test_rectangles_at_hand_hold_what_they_can() -> None:
    sheets = [(cm("90"), cm("90")), (cm("40"), cm("50"))]
    got = layout(
        Bolt(cm("90")),
        [
            CutPiece.oblong("square", "square", cm("40"), cm("40"), 5),
            CutPiece.oblong("strip", "strip", cm("80"), cm("10")),
        ],
        sheets,
    )
    assert len(got.laid) + len(got.left) == 6
    assert {one.sheet for one in got.laid} == {0, 1}
    for one in got.laid:
        wide_, long_ = sheets[one.sheet]
        assert one.left + one.wide <= wide_
        assert one.start + one.long <= long_


def test_a_piece_wider_than_the_cloth_is_named() -> None:
    with pytest.raises(Refusal) as refusal:
        layout(
            Bolt(cm("90")),
            [
                CutPiece.oblong("band", "band", cm("120"), cm("10")),
                CutPiece.oblong("tie", "tie", cm("100"), cm("5"), may_turn=True),
            ],
        )
    assert [(p.path, p.message) for p in refusal.value.problems] == [
        ("usable", "band is 1200 mm wide, 300 mm wider than the cloth")
    ]


def test_what_the_cloth_at_hand_will_make() -> None:
    facts = section("knife", {"finished": "40 in", "depth": "1 in", "spacing": "~1 in"})
    found = {one.name: one for one in makes(facts, inch("118"))}
    assert found["greatest fullness"].value == Fraction(118, 40)
    assert found["most pleats"].value == 39
    assert found["longest edge"].value > inch("39").mm
    assert (
        plan(section("knife", {"finished": "40 in", "flat": "118 in", "spacing": "1 in"})).values[Q.DEPTH]
        == inch("39/40").mm
    )


def test_a_small_change_that_saves_a_width_is_offered() -> None:
    facts = section("knife", {"finished": "96 cm", "count": "24", "depth": "4 cm"})

    def widths(made) -> int:  # type: ignore[no-untyped-def]
        laid = made.strip
        return len(joined(spread(laid, walk(laid)), cm("140"), Allowed(ZERO, ZERO, ZERO)).widths)

    made = plan(facts)
    assert widths(made) == 3
    for one in savings(made, widths, MM):
        assert one.widths < 3
        assert one.flat <= cm("280")
    assert {one.quantity for one in savings(made, widths, MM)} >= {Q.DEPTH}


def test_hooks_are_pleats_and_two() -> None:
    facts = section(
        "pinch",
        {"finished": "47 in", "flat": "100 in", "spacing": "~4 in"},
        lead=wide("3 1/2 in"),
        tail=wide("1 1/2 in"),
    )
    assert notions(plan(facts), 1, inch("84"))[0].count == 13


TARTAN = (Stripe("#2f6a3a", cm("3")), Stripe("#f3f5f2", cm("1")), Stripe("#1b2240", cm("2")))


def test_stripes_run_on_and_line_up() -> None:
    made = plan(section("knife", {"count": "6", "spacing": "3 cm", "depth": "1.5 cm"}))
    walked = made.walked
    assert repeat_of(TARTAN) == cm("6")
    bands = coloured(walked, TARTAN, lined_up(TARTAN, 1, cm("10"), "middle"))
    assert bands[0].start == 0
    assert bands[-1].end == walked.flat[-1]
    assert all(a.end == b.start and (a.stripe + 1) % 3 == b.stripe for a, b in pairwise(bands))
    middles = [walked.length((b.start + b.end) // 2) for b in bands if b.stripe == 1]
    assert cm("10") in middles
    with pytest.raises(Refusal):
        lined_up(TARTAN, 7, ZERO, "edge")


def test_pleats_to_the_repeat_show_the_same_part() -> None:
    fits = to_repeat(cm("6"), cm("3"), 2)
    assert [(fit.repeats, fit.depth) for fit in fits] == [
        (1, cm("1.5")),
        (2, cm("4.5")),
        (3, cm("7.5")),
        (4, cm("10.5")),
    ]
    made = plan(section("knife", {"count": "6", "spacing": "3 cm", "depth": "1.5 cm"}))
    walked = made.walked
    bands = coloured(walked, TARTAN, ZERO)
    pitch = 60 * walked.parts
    assert {(b.start % pitch, b.stripe) for b in bands if b.start} >= {(30 * walked.parts, 1), (40 * walked.parts, 2)}


def test_the_inner_front_piece_gives_its_fold_first() -> None:
    whole = apron(cm("400"), cm("60"), cm("10"), cm("250"))
    assert (whole.outer, whole.inner, whole.left, whole.says) == (cm("70"), cm("70"), cm("260"), ())
    short = apron(cm("400"), cm("60"), cm("10"), cm("266"))
    assert (short.outer, short.inner, short.left) == (cm("70"), cm("64"), cm("266"))
    assert short.says == ("the inner piece's fold gives first",)


@LAW
@given(
    st.integers(20, 300),
    st.lists(st.tuples(st.integers(200, 900), st.integers(1, 3), st.integers(1, 3)), min_size=1, max_size=4),
    st.lists(st.tuples(st.integers(20, 900), st.integers(20, 900)), max_size=4),
)
def test_drops_that_match_begin_at_whole_repeats_whatever_lies_between(
    repeat: int, drops: list[tuple[int, int, int]], others: list[tuple[int, int]]
) -> None:
    bolt = Bolt(Length(1000), along=Length(repeat))
    matched = [
        CutPiece.oblong(f"drop {n}", f"drop {n}", Length(wide), Length(repeat * long), count, matched=True)
        for n, (wide, long, count) in enumerate(drops)
    ]
    bands = [CutPiece.oblong(f"band {n}", f"band {n}", Length(w), Length(h)) for n, (w, h) in enumerate(others)]
    got = layout(bolt, [*matched, *bands], search=False)
    assert len(got.laid) == sum(piece.count for piece in matched) + len(others)
    assert got.needed == got.length + Length(repeat)
    for one in got.laid:
        assert not one.piece.matched or (one.start / Length(repeat)).denominator == 1
    for a, b in combinations(got.laid, 2):
        apart = a.left + a.wide <= b.left or b.left + b.wide <= a.left
        assert apart or a.start + a.long <= b.start or b.start + b.long <= a.start


def test_no_repeat_is_added_where_nothing_matches() -> None:
    bolt = Bolt(Length(1000), along=Length(240))
    assert layout(bolt, [CutPiece.oblong("pocket", "pocket", Length(200), Length(300))]).needed == Length(300)
    on_sheet = layout(
        bolt, [CutPiece.oblong("drop", "drop", Length(200), Length(480), matched=True)], [(Length(900), Length(900))]
    )
    assert (on_sheet.needed, on_sheet.left) == (Length(480), ())
