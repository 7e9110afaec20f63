"""Check and correct: tables, and the law that a corrected plan measures right."""

from __future__ import annotations

from itertools import pairwise
from typing import Any

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from ribbon.edge import applied, changes, edge_plan, plan, taped
from ribbon.errors import Refusal
from ribbon.facts import KINDS, Edge, End, Pin, Section, Stretch, beside
from ribbon.fraction import Fraction
from ribbon.lengths import UNITS, Length
from ribbon.pleats import Quantity
from ribbon.strip import walk
from ribbon.table.checking import usual_error, verdict
from tests.examples import law

Q = Quantity


def skirt(**more: Any) -> Section:
    """The guide's skirt: 23 pleats on 70 cm, a closed ring."""
    values: dict[str, Any] = {
        "kind": KINDS["knife"],
        "pins": {Q.FINISHED: Pin(Fraction(700)), Q.SPACING: Pin(Fraction(30), firm=False)},
        "tape": Length(1), "meet": True, "closed": True, "lead": End(), "tail": End(),
    }  # fmt: skip
    return Section(**(values | more))


def test_twelve_millimetres_too_wide_is_twelve_pleats_of_one() -> None:
    found = verdict(edge_plan(skirt()), [Length(712)])
    assert found.off == Length(12)
    assert not found.within
    assert [one.divisions for one in found.changes] == [1] * 12
    numbers = [one.pleat for one in found.changes]
    assert max(b - a for a, b in pairwise(numbers)) <= 4
    # Those that the tape made shallower, at the closures and the centre only where no other is left.
    plain, mended = taped(plan(skirt()), Length(1)), taped(plan(skirt(corrections=(found.correction,))), Length(1))
    shallow = {number for number, depth in enumerate(plain.depths, 1) if depth == min(plain.depths)}
    assert set(numbers) <= shallow
    assert shallow - set(numbers) <= {1, 12, 23}
    assert max(mended.depths) - min(mended.depths) <= Length(1)
    assert found.after == found.planned
    assert found.says[0] == "It came out 1.2 cm too wide, ≈0.05 cm a pleat."
    assert "so that each takes 0.1 cm more cloth; move pleats 13 and 15 0.1 cm towards the start" in found.says[1]


@pytest.mark.parametrize(("measured", "within"), [(700, True), (703, True), (697, True), (704, False), (696, False)])
def test_half_a_per_cent_is_left(measured: int, within: bool) -> None:
    assert verdict(edge_plan(skirt()), [Length(measured)]).within is within


def test_several_measures_are_averaged_and_their_spread_is_told() -> None:
    found = verdict(edge_plan(skirt()), [Length(711), Length(713)])
    assert (found.measured, found.spread) == (Length(712), Length(2))
    assert "The measures differ among themselves by 0.2 cm." in found.says


def test_too_narrow_lets_pleats_out() -> None:
    found = verdict(edge_plan(skirt()), [Length(690)])
    assert [one.divisions for one in found.changes] == [-1] * 10
    assert "each takes 0.1 cm less cloth" in found.says[1]


def test_a_correction_adds_to_the_one_before() -> None:
    """The second check moves the pleats that it names and no others, whatever the first one moved."""
    once = skirt(corrections=(Length(12),))
    found = verdict(edge_plan(once), [Length(694)])
    twice = skirt(corrections=(Length(12), found.correction))
    assert found.correction == Length(-6)
    before, after = ({one.pleat: one.divisions for one in applied(plan(one))} for one in (once, twice))
    moved = {pleat: after.get(pleat, 0) - before.get(pleat, 0) for pleat in range(1, 24)}
    assert {pleat: by for pleat, by in moved.items() if by} == {one.pleat: one.divisions for one in found.changes}
    assert edge_plan(twice).marked.walked.finished == Length(694)


@pytest.mark.parametrize(
    ("measure", "way_out"),
    [(0, "measure it again"), (10_000, "once more"), (276, "did you mean 27.6 in?"), (-5, "measure it again")],
)
def test_a_measure_that_cannot_be_of_it(measure: int, way_out: str) -> None:
    with pytest.raises(Refusal) as refused:
        verdict(edge_plan(skirt()), [Length(700), Length(measure)])
    problem = refused.value.problems[0]
    assert problem.path == "measured.1"
    assert way_out in problem.way_out


def test_a_bunk_curtain_in_sixteenths() -> None:
    """By hand: 62 3/8 and 62 1/4 are 62 5/16 in the mean, five sixteenths wide, which is past half a per cent (0.31 in).

    88/17 in of cloth each: of 17 pleats the tape makes the third, the ninth and the fifteenth a sixteenth shallower, which
    go first; two of the others, as even as may be, and neither the first nor the last.
    """
    inch = Length.inches(1)
    pins = {Q.FINISHED: Pin((inch * 62).mm), Q.FLAT: Pin((inch * 150).mm), Q.COUNT: Pin(Fraction(17))}
    ends = {"lead": End(times=Fraction(1)), "tail": End(times=Fraction(1))}
    section = Section(KINDS["pinch"], pins, unit=UNITS["in"], tape=inch / 16, **ends)  # type: ignore[arg-type]
    found = verdict(edge_plan(section), [inch * 62 + inch * Fraction(3, 8), inch * 62 + inch / 4])
    assert found.off == inch * Fraction(5, 16)
    assert [(one.pleat, one.divisions) for one in found.changes] == [(3, 1), (6, 1), (9, 1), (13, 1), (15, 1)]
    assert found.says == (
        "It came out 5/16 in too wide, ≈1/64 in a pleat.",
        "The measures differ among themselves by 1/8 in.",
        "Move pleats 3, 6, 9, 13 and 15 so that each takes 1/16 in more cloth; move pleat 4 1/16 in towards the end along with them; the others stay as they are.",
        "It then comes out as planned.",
    )


def test_more_divisions_than_pleats_go_twice_over() -> None:
    found = verdict(edge_plan(skirt(pins={Q.FINISHED: Pin(Fraction(700)), Q.COUNT: Pin(Fraction(4))})), [Length(710)])
    assert [one.divisions for one in found.changes] == [2, 3, 2, 3]


def test_a_mixed_edge_is_shared_by_hand() -> None:
    parts = [Stretch(skirt(pins={}, closed=False, meet=True)), Stretch(None)]
    band = Edge(beside(parts), UNITS["cm"], Length(1), finished=Length(800))
    found = verdict(edge_plan(band), [Length(812)])
    assert found.changes == ()
    assert found.says[-1].startswith("Share it over the pleats of its parts by hand")


def test_gathers_are_drawn_up() -> None:
    cuff = Section(KINDS["gather"], {Q.FINISHED: Pin(Fraction(220)), Q.FULLNESS: Pin(Fraction(9, 5))}, tape=Length(1))
    found = verdict(edge_plan(cuff), [Length(232)])
    assert found.changes == ()
    assert "Draw the threads tighter by 1.2 cm" in found.says[-1]


def test_the_marks_of_a_corrected_skirt() -> None:
    # The cut cloth is the same, the finished edge 12 mm narrower, and outer folds before the first change stay.
    before, after = edge_plan(skirt()).marked, edge_plan(skirt(corrections=(Length(12),))).marked
    made = plan(skirt())
    after.strip.check()
    first = min(one.pleat for one in changes(made, Length(12)))
    assert after.strip.flat == before.strip.flat
    assert after.walked.finished == Length(688)
    old, new = ([mark for mark in one.marks if mark.pleat < first] for one in (before, after))
    assert [before.walked.length(m.at) for m in old] == [after.walked.length(m.at) for m in new]


def test_turn_of_cloth_is_made_up_for_over_all_pleats() -> None:
    # 23 pleats that each come out half a millimetre wide are taken in by 11.5, on the tape 12.
    made = taped(plan(skirt(turn=Length(Fraction(-1, 2)))), Length(1))
    assert made.finished == Length(688)


def test_more_than_the_pleats_can_give_is_refused() -> None:
    with pytest.raises(Refusal) as refused:
        _ = edge_plan(skirt(corrections=(Length(-600 * 3),))).marked
    assert refused.value.problems[0].path == "corrections"


def test_the_usual_error_of_a_cloth() -> None:
    assert usual_error([]) is None
    assert usual_error([(Length(23), 23), (Length(0), 23), (Length(5), 0)]) == (Length(1) / 2, Length(1))


@law(300)
@given(
    kind=st.sampled_from(["knife", "box", "inverted", "pinch", "tuck"]),
    count=st.integers(3, 60),
    spacing=st.integers(20, 60),
    off=st.integers(-40, 40),
    tape=st.sampled_from([Length(1), Length(Fraction(127, 80)), Length(5)]),
)
def test_a_corrected_plan_measures_right(kind: str, count: int, spacing: int, off: int, tape: Length) -> None:
    """Sewn by the same hand it comes out off by as much again, and so as it was planned, to a division."""
    size = Q.PER_PLEAT if kind == "pinch" else Q.DEPTH
    pins = {Q.COUNT: Pin(Fraction(count)), Q.SPACING: Pin(Fraction(spacing)), size: Pin(Fraction(20))}
    section = Section(KINDS[kind], pins, tape=tape, meet=False)
    try:
        made = plan(section)
        on_tape = taped(made, tape)
        found = verdict(edge_plan(section), [on_tape.finished + Length(off)])
        mended = taped(plan(Section(KINDS[kind], pins, tape=tape, meet=False, corrections=(found.correction,))), tape)
    except Refusal:
        assume(False)
    mended.strip.check()
    walked = walk(mended.strip)
    assert walked.finished == mended.finished
    assert mended.strip.flat == on_tape.strip.flat  # the cut cloth stays
    assert {abs(one.divisions) for one in found.changes} <= {0, 1, 2} or abs(off) > count
    if not found.within and found.correction:  # there may be more to take than such pleats can give
        # The measure was of the row on the tape, which may itself be half a division from the plan.
        assert abs(mended.finished + Length(off) - made.finished) <= tape


def test_depths_of_a_corrected_skirt_differ_by_a_division() -> None:
    """By hand: five of the thirteen pleats that are 3 cm deep take 1 mm more, and are 3.05."""
    found = verdict(edge_plan(skirt()), [Length(705)])
    mended = taped(plan(skirt(corrections=(found.correction,))), Length(1))
    assert mended.groups == ((10, Length(31)), (5, Length(Fraction(61, 2))), (8, Length(30)))
    assert mended.finished == Length(695)


def test_where_there_is_no_room_for_the_rest_the_way_out_says_so() -> None:
    """Two pinches of 8 mm on a tape of 2 mm give 6 mm each of the 18 that are wanted."""
    pins = {Q.FINISHED: Pin(Fraction(200)), Q.COUNT: Pin(Fraction(2)), Q.PER_PLEAT: Pin(Fraction(8))}
    found = verdict(edge_plan(Section(KINDS["pinch"], pins, tape=Length(2))), [Length(182)])
    assert [one.divisions for one in found.changes] == [-3, -3]
    assert "no room for more: open the row and plan it anew" in found.says[-1]
