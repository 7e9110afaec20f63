"""Curtains, worked by hand: the pair of the long window, and what its choices change."""

from __future__ import annotations

from typing import Any

import pytest

from ribbon.cloth import Bolt
from ribbon.fraction import Fraction
from ribbon.lengths import UNITS, Length, read_length, read_ratio
from ribbon.making import THINGS, FirstStroke, Given

CURTAINS = THINGS["curtains"]
cm = Length.cm
LONG_WINDOW = {"rail": "152 cm", "drop": "214 cm", "overlap": "8 cm", "return_left": "9 cm", "return_right": "9 cm"}


def given(measures: dict[str, Any] | None = None, cloth: Bolt | None = None, **choices: Any) -> Given:
    """A window: measures as text, choices as they are read."""
    read = {
        name: tuple(read_length(one, UNITS["cm"]) for one in ([text] if isinstance(text, str) else text))
        for name, text in {**LONG_WINDOW, **(measures or {})}.items()
        if text
    }
    bolts = {"face": cloth or Bolt(cm(138))}
    return Given(CURTAINS.by_name, read, {"fullness": read_ratio("2.2"), **choices}, bolts)


def begun(*args: Any, **choices: Any) -> FirstStroke:
    return CURTAINS.begin(given(*args, **choices))


def length(found: FirstStroke, name: str) -> Length:
    value = found.results[name].value
    assert isinstance(value, Length)
    return value


def test_each_panel_finishes_at_its_share_its_overlap_and_its_return() -> None:
    found = begun()
    assert length(found, "left.finished") == length(found, "right.finished") == cm(89)
    assert (length(found, "left.lead"), length(found, "left.tail")) == (cm(9), cm(4))
    assert (length(found, "right.lead"), length(found, "right.tail")) == (cm(4), cm(9))
    assert found.results["left.finished"].says == "(rail 152 + overlap 8) ÷ 2 + return 9 = 89 cm"


def test_both_schools_of_fullness() -> None:
    assert length(begun(widths="exact"), "left.flat") == Length(1802)
    assert length(begun(widths="exact", fullness_of="all"), "left.flat") == Length(1958)


def test_side_turnings_multiplied_with_the_width_or_added_once_it_is() -> None:
    found = begun(widths="exact", turnings="before")
    assert length(found, "left.flat") == Length(1802) + cm(12) * Fraction(6, 5)
    assert found.results["left.flat"].says == "2.2 × (76 + 12 of sides) − 12 + 9 + 4 = 194.6 cm"


@pytest.mark.parametrize(
    ("widths", "flat", "says"),
    [
        ("near", 126, "one each"),
        ("half", 192, "one and a half each"),
        ("each", 261, "two each"),
    ],
)
def test_widths_decide_the_flat_width(widths: str, flat: int, says: str) -> None:
    found = begun(widths=widths)
    assert length(found, "left.flat") == cm(flat)
    taken = [row for row in found.compared[0].rows if row.taken]
    assert [row.title for row in taken] == [says]


def test_the_rows_of_widths_say_their_real_fullness_and_how_many_they_take() -> None:
    rows = {row.takes[1]: row for row in begun().compared[0].rows}
    assert rows["near"].says == "126 cm flat, ≈1.49 times"
    assert rows["half"].says == "192 cm flat, ≈2.36 times"
    assert rows["each"].says == "261 cm flat, ≈3.26 times"
    assert rows["half"].more.startswith("3 widths")
    assert rows["near"].warns
    assert "skimpy" in rows["near"].more
    assert rows["half"].bars == (cm(138), cm(69))


def test_the_drop_its_heading_and_its_hem() -> None:
    found = begun({"drop": ["216 cm", "214 cm", "215 cm"]}, Bolt(cm(138), along=cm(64)))
    assert length(found, "drop.finished") == cm(213)
    assert found.results["drop.finished"].says == "the shortest drop 214 − 1 clear = 213 cm"
    assert length(found, "drop.cut") == cm(242)
    assert length(found, "drop.on_cloth") == cm(256)


@pytest.mark.parametrize(
    ("top", "takes"),
    [("tape", 9), ("envelope", 10), ("double", 18)],
)
def test_headings_as_recipes(top: str, takes: int) -> None:
    assert length(begun(top=top), "drop.heading") == cm(takes)


@pytest.mark.parametrize(
    ("to", "finished"),
    [("clear", 213), ("skims", 214), ("breaks", 224), ("sill", 214), ("below_sill", 224)],
)
def test_where_it_ends(to: str, finished: int) -> None:
    assert length(begun(to=to), "drop.finished") == cm(finished)


def test_a_tube_takes_its_seams_at_the_sides_and_not_a_hem() -> None:
    # (face + lining − 4 a) / 2, the lining 10 narrower: each side takes a + 10/4.
    found = begun(lining="tube", lining_narrower=cm(10), widths="half")
    assert length(found, "left.flat") == cm(207) - cm(3) - cm(8)
    edge = found.edges[0]
    assert "allowance.start" not in edge.facts
    assert edge.facts["cutting.lining.tube"] is True


def test_a_rail_from_the_window_and_how_far_beyond_it() -> None:
    found = begun({"rail": "", "window": "118 cm", "beyond_left": "14 cm", "beyond_right": "20 cm"})
    assert length(found, "rail") == cm(152)


def test_an_unequal_pair_and_panels_each_alone() -> None:
    found = begun(divides="unequal", left_share=Fraction(1, 4), widths="exact")
    assert (length(found, "left.finished"), length(found, "right.finished")) == (cm(38 + 9 + 4), cm(114 + 4 + 9))
    assert all(not edge.mirrors for edge in found.edges)
    found = begun(divides="alone", panels=3, widths="exact")
    assert [edge.name for edge in found.edges] == ["panel1", "panel2", "panel3"]
    third = cm(Fraction(152, 3))
    assert [length(found, f"panel{n}.finished") for n in (1, 2, 3)] == [third + cm(9), third, third + cm(9)]


def test_returns_that_differ_leave_no_mirror() -> None:
    assert begun().edges[1].mirrors == "left"
    assert begun({"return_left": "5 cm"}).edges[1].mirrors == ""


def test_rings_at_hand_settle_the_count() -> None:
    found = begun(pleats="rings", rings=22)
    assert found.results["left.count"].value == 9
    assert found.results["left.spacing"].value is None
    problems = begun(pleats="rings", rings=5).problems
    assert [(one.path, one.way_out) for one in problems] == [("choices.rings", "use at least 6")]


def test_the_hemmed_panel_is_measured_and_planned_anew() -> None:
    found = begun({"panel_left": "190.5 cm"})
    assert length(found, "left.flat") == Length(1905)
    assert length(found, "right.flat") == cm(192)


def test_what_cannot_be_is_said_with_a_way_out() -> None:
    found = begun({"return_left": "160 cm", "overlap": "152 cm", "drop": "1 cm"}, fullness=Fraction(1))
    assert [one.path for one in found.problems] == [
        "measures.return_left",
        "measures.overlap",
        "measures.drop",
        "choices.fullness",
    ]
    assert all(one.way_out and one.value for one in found.problems)


def test_cloth_too_narrow_for_its_sides_is_said() -> None:
    found = begun(None, Bolt(cm(14)))
    assert [one.path for one in found.problems] == ["cloths.face.usable"]


def test_an_own_number_of_widths() -> None:
    found = begun(widths="own", widths_each=Fraction(5, 2))
    assert length(found, "left.flat") == cm(345) - cm(6) - cm(12)
    assert [one.path for one in begun(widths="own", widths_each=Fraction(4, 3)).problems] == ["choices.widths_each"]


@pytest.mark.parametrize("heading", ["box", "inverted"])
def test_pleats_with_two_sides_stand_half_of_themselves_behind_what_lies_flat(heading: str) -> None:
    found = begun(heading=heading)
    assert found.results["left.count"].value == 8
    assert length(found, "left.lead") == cm(9) + Length(Fraction(760, 16))
    assert length(found, "left.tail") == cm(4) + Length(Fraction(760, 16))
    assert length(found, "left.finished") == cm(89)


def test_more_widths_than_can_be_laid_are_refused() -> None:
    found = begun({"rail": "20 m"}, Bolt(cm(16)), fullness=Fraction(3))
    assert [(one.code, one.path) for one in found.problems] == [("too_many", "measures.rail")]
