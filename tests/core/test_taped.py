"""Plans put on the tape, worked by hand."""

from __future__ import annotations

from dataclasses import replace
from typing import Any

import pytest

from ribbon.edge import Taped, plan, taped
from ribbon.facts import Place
from ribbon.fraction import Fraction
from ribbon.lengths import Length
from ribbon.pleats import Facing
from ribbon.pleats.pinch import PINCH
from ribbon.readings import marks
from ribbon.strip import walk
from tests.scenario import MM, section


def on_tape(kind: str, pins: dict[str, str], tape: Length = MM, **facts: Any) -> Taped:
    return taped(plan(section(kind, pins, **facts)), tape)


def places(made: Taped) -> list[float]:
    """The marks in millimetres."""
    walked = walk(made.strip, MM)
    return [float(Fraction(mark.at, walked.parts)) for mark in marks(made.strip, walked, MM)]


def test_three_knife_pleats_on_ten_centimetres() -> None:
    # Spacing 33⅓, half a space before: 16⅔, 50, 83⅓ stand at 17, 50, 83. Depth 10⅓: running take-up
    # 20⅔, 41⅓, 62 in steps of 2 is 20, 42, 62, so the depths are 10, 11, 10.
    made = on_tape("knife", {"finished": "10 cm", "count": "3", "flat": "16.2 cm"})
    assert [depth.mm for depth in made.depths] == [10, 11, 10]
    assert places(made) == [17, 27, 37, 70, 81, 92, 125, 135, 145]
    assert (made.finished.mm, made.flat.mm, made.off.mm) == (100, 162, 0)


def test_knife_pleats_facing_left_are_marked_the_other_way_round() -> None:
    made = on_tape("knife", {"finished": "10 cm", "count": "3", "flat": "16.2 cm"}, facing=Facing.LEFT)
    assert places(made) == [17, 27, 37, 70, 81, 92, 125, 135, 145]
    assert [line.kind.value for line in made.strip.lines][:3] == ["placement", "inner", "outer"]


def test_both_sides_of_a_box_are_alike() -> None:
    # Take-up 4 × 10¼ = 41 a pleat; 41 and 82 in steps of 4 are 40 (41 lies nearer to 40) and 84 (82 goes up).
    made = on_tape("box", {"finished": "10 cm", "count": "2", "box": "4 cm", "depth": "10.25 mm"})
    assert [depth.mm for depth in made.depths] == [10, 11]
    # Boxes 40 wide about 25 and 75: edges at 5, 45, 55, 95 finished.
    assert places(made) == [5, 15, 25, 65, 75, 85, 95, 106, 117, 157, 168, 179]
    assert made.off == Length(2)


def test_inverted_pleats_keep_their_centre_on_the_tape() -> None:
    # An odd opening of 5: its edges go to 23 and 28 (halves go up), its centre stands at 25.
    made = on_tape("inverted", {"finished": "5 cm", "count": "1", "opening": "5 mm", "depth": "1 cm"})
    assert places(made) == [23, 33, 45, 58, 68]


def test_pinch_pleats_round_the_cloth_they_take() -> None:
    # 53/11 in of cloth a pleat is 77 1/11 sixteenths: ten of 77 and one of 78 come to 848.
    pins = {"finished": "47 in", "flat": "100 in", "count": "11"}
    made = on_tape("pinch", pins, Length.inches(Fraction(1, 16)))
    sixteenth = Length.inches(Fraction(1, 16))
    assert made.groups == ((1, sixteenth * 78), (10, sixteenth * 77))
    assert made.flat == Length.inches(100)


def test_gathers_put_every_match_point_on_a_division() -> None:
    # 52 cm is halved into four parts of 13; 93.7 cm of cloth in quarters of 23.425 cm, each to the nearest from the start.
    made = on_tape("gather", {"finished": "52 cm", "flat": "93.7 cm"})
    assert places(made) == [0, 234, 469, 703, 937]
    assert made.off == Length(0)


def test_finger_folds_and_stitch_points_are_each_at_the_nearest_division() -> None:
    # A pleat of 103 mm from 75 on: its sixths lie at 92.2, 109.3, 126.5, 143.7 and 160.8.
    three = replace(section("pinch", {"finished": "30 cm", "count": "2", "per_pleat": "10.3 cm"}), kind=PINCH[3])
    made = taped(plan(three), MM)
    assert made is not None
    assert places(made)[:7] == [75, 92, 109, 127, 144, 161, 178]
    # Folds of 25 mm with a stitch point every 12.5, the first half of that in.
    made = on_tape("cartridge", {"finished": "3 cm", "spacing": "1 cm", "depth": "1.25 cm"})
    assert places(made) == [6, 19, 31, 44, 56, 69]
    assert [depth.mm for depth in made.depths] == [12.5, 12.5, 12.5]


def test_pairs_of_boxes_that_touch_in_the_middle_do_not_overlap_there() -> None:
    # 300.5 mm finish 301 on the tape: from a middle of 150.25, rounded back, each of the two once reached past 150.5.
    made = on_tape(
        "box", {"finished": "30.05 cm", "box": "1 cm", "depth": "5 mm"}, places=(Place(Length(5)),), from_centre=True
    )
    made.strip.check()
    assert walk(made.strip).finished == Length(301)


@pytest.mark.parametrize("facing", [Facing.TO_CENTRE, Facing.FROM_CENTRE])
@pytest.mark.parametrize("finished", ["70 cm", "70.1 cm", "69.95 cm"])
def test_a_mirrored_row_is_the_same_from_both_ends(facing: Facing, finished: str) -> None:
    made = on_tape("knife", {"finished": finished, "count": "12", "fullness": "2.3"}, facing=facing)
    there = places(made)
    back = [float(made.flat.mm) - place for place in reversed(there)]
    assert there == back
    assert all(place == int(place) for place in there)


def test_a_mirrored_row_may_turn_anywhere() -> None:
    facts = {"facing": Facing.TO_CENTRE, "mirror_at": Length(200)}
    made = plan(section("knife", {"finished": "70 cm", "count": "7", "depth": "3.3 cm"}, **facts))
    hands = [line.kind.value for line in taped(made, MM).strip.lines][::3]
    assert hands == ["outer"] * 2 + ["placement"] * 5
    assert all(place == int(place) for place in places(taped(made, MM)))


def test_a_row_that_turns_past_its_last_pleat_has_one_hand() -> None:
    facts = {"facing": Facing.TO_CENTRE, "mirror_at": Length(690)}
    made = taped(plan(section("knife", {"finished": "70 cm", "count": "7", "depth": "3 cm"}, **facts)), MM)
    assert {line.kind.value for line in made.strip.lines[::3]} == {"outer"}


@pytest.mark.parametrize(
    ("tape", "wrong"),
    [(Length(1), -20), (Length(5), -20), (Length(10), -20)],
)
def test_what_rounding_one_pleat_would_cost(tape: Length, wrong: int) -> None:
    # 700/23 = 30.43: rounded to 30 on each of these tapes, 46 layers short of 0.43 each.
    made = on_tape("knife", {"finished": "70 cm", "spacing": "~3 cm"}, tape, closed=True, meet=True)
    assert made.naive_error.mm == wrong
    assert made.finished == Length(700)
