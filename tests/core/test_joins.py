"""Joins that hide, and widths that add up."""

from typing import Any

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from ribbon.edge import plan
from ribbon.errors import Refusal
from ribbon.facts import Section
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length
from ribbon.readings import Allowed, Joined, Strategy, joined, spread
from ribbon.strip import walk
from tests.core.laws.strategies import LAW, sections
from tests.scenario import section, wide

SEAM = Allowed(Length.cm(1), Length.cm(1), Length.cm(1))


def made(
    kind: str,
    pins: dict[str, str],
    usable: str,
    allowed: Allowed = SEAM,
    strategy: Strategy = Strategy.FEWEST,
    **facts: Any,
) -> Joined:
    laid = plan(section(kind, pins, **facts)).strip
    cloth = wide(usable).width
    assert cloth is not None
    return joined(spread(laid, walk(laid)), cloth, allowed, strategy)


def test_the_join_hides_at_the_furthest_inner_fold() -> None:
    # Pleats of 2.5 cm that meet: inner folds at 5, 12.5, 20 … cm; 138 less two seams reaches 136.
    two = made("knife", {"finished": "70 cm", "spacing": "2.5 cm"}, "138 cm", closed=True)
    assert [(j.where, j.hidden) for j in two.joins] == [("inner fold of pleat 18", True)]
    assert [w.cut for w in two.widths] == [Length(1345), Length(795)]


def test_half_an_inch_more_or_less() -> None:
    box = made("box", {"finished": "96 in", "box": "4 in"}, "54 in", Allowed(*[Length.inches(Fraction(1, 2))] * 3))
    assert [w.cut / Length.inches(1) for w in box.widths] == [51, 49, 49, 49, 49, 47]


def test_gathers_join_anywhere_and_wide_cloth_needs_no_join() -> None:
    gathers = made("gather", {"finished": "200 cm"}, "138 cm")
    assert [w.cut for w in gathers.widths] == [Length(1380), Length(1380), Length(1300)]
    assert {j.where for j in gathers.joins} == {"in the gathers"}
    assert made("gather", {"finished": "20 cm"}, "138 cm").joins == []


def test_a_join_that_may_stand_anywhere_leaves_widths_whole_on_the_tape() -> None:
    # Cloth of 44 in is cut as wide as it is; it was 1117.2 mm, where a whole number of half millimetres was reached.
    half, quarter = Length.inches(Fraction(1, 2)), Length.inches(Fraction(1, 4))
    facts = {"finished": "60 in", "fullness": "2"}
    inches = [
        w.cut / Length.inches(1) for w in made("gather", facts, "44 in", Allowed(ZERO, ZERO, half, quarter)).widths
    ]
    assert inches == [44, 44, 34]
    odd = made("gather", facts, "1117 mm", Allowed(ZERO, ZERO, half, quarter))
    assert [w.cut / quarter for w in odd.widths] == [175, 175, 138]
    # Three widths of 43 7/8 in are enough, where three of 43 3/4 are not: then they stay as they are.
    exact = made(
        "gather", {"finished": "60 in", "fullness": "1037/480"}, "43 7/8 in", Allowed(ZERO, ZERO, half, quarter)
    )
    assert [w.cut / Length.inches(1) for w in exact.widths] == [Fraction(351, 8)] * 3


def test_a_seam_keeps_clear_of_the_fold_that_shows() -> None:
    # On inner folds alone it would take five widths; the third join fell on the outer fold of pleat 10, at 126 in.
    half = Length.inches(Fraction(1, 2))
    box = made("box", {"finished": "54 in", "box": "4 1/2 in"}, "43 1/2 in", Allowed(half, half, half))
    assert [w.cut / Length.inches(1) for w in box.widths] == [
        Fraction(87, 2),
        Fraction(87, 2),
        Fraction(83, 2),
        Fraction(75, 2),
    ]
    assert [j.where for j in box.joins] == [f"in the underlay of pleat {pleat}" for pleat in (4, 7, 10)]


@pytest.mark.parametrize(
    ("kind", "pins", "usable", "seam", "widths"),
    [
        ("knife", {"count": "24", "spacing": "63 mm", "depth": "14 mm"}, "177 mm", 10, 16),
        ("box", {"count": "24", "box": "39 mm", "depth": "18 mm"}, "85 mm", 15, 50),
        ("inverted", {"count": "16", "spacing": "60 mm", "depth": "18 mm"}, "211 mm", 5, 11),
        ("knife", {"count": "21", "spacing": "41 mm", "depth": "35 mm"}, "61 mm", 10, 64),
    ],
)
def test_joins_where_they_fall_take_the_fewest_widths(
    kind: str, pins: dict[str, str], usable: str, seam: int, widths: int
) -> None:
    """Hiding every join costs widths on such narrow cloth; the other way is offered too, and says what shows."""
    allowed = Allowed(*[Length(seam)] * 3)
    for tape in (None, Length(5)):
        hiding = made(kind, pins, usable, allowed._replace(tape=tape))
        falling = made(kind, pins, usable, allowed._replace(tape=tape), strategy=Strategy.FALL)
        assert len(falling.widths) == falling.least <= min(widths, len(hiding.widths))
        assert falling.shown >= hiding.shown


def test_a_plain_run_longer_than_the_cloth_is_joined_in_the_open_and_said() -> None:
    long = made("knife", {"finished": "300 cm", "spacing": "5 cm"}, "100 cm", lead=wide("150 cm"))
    assert [j.hidden for j in long.joins][:2] == [False, True]
    assert long.joins[0].where == "in the open: no hidden place is within reach"


def test_cloth_narrower_than_its_own_allowances_is_refused() -> None:
    with pytest.raises(Refusal, match="too narrow to hold even its own allowances"):
        made("gather", {"finished": "200 cm"}, "2 cm")


@LAW
@given(sections(), st.integers(80, 1500), st.integers(0, 20))
def test_widths_add_up(facts: Section, usable: int, seam: int) -> None:
    try:
        planned = plan(facts)
        assume(planned.count <= 200)
        laid = planned.strip
        walked = walk(laid)
        assume(walked.length(walked.flat[-1]).mm < usable * 40)
        allowed = Allowed(Length(seam), Length(2 * seam), Length(seam))
        got = joined(spread(laid, walked), Length(usable), allowed)
    except Refusal:
        return
    assert sum((w.flat for w in got.widths), ZERO) == planned.flat
    allowances = allowed.start + allowed.end + allowed.join * (2 * len(got.joins))
    assert sum((w.cut for w in got.widths), ZERO) == planned.flat + allowances
    assert all(w.cut <= Length(usable) for w in got.widths)
