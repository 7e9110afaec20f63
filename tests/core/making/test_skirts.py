"""Straight skirts and aprons, worked by hand: what each choice changes of edge, band, yoke, opening and fit."""

from __future__ import annotations

from typing import Any

import pytest

from ribbon.cloth import Bolt
from ribbon.fraction import Fraction
from ribbon.lengths import UNITS, Length, read_length
from ribbon.making import THINGS, FirstStroke, Given
from ribbon.making.yoke import taken_in, yoke

SKIRT = THINGS["skirt"]
cm = Length.cm
BODY = {"waist": "68", "hip": "94", "length": "60"}


def given(measures: dict[str, str] | None = None, **choices: Any) -> Given:
    read = {name: (read_length(text, UNITS["cm"]),) for name, text in {**BODY, **(measures or {})}.items() if text}
    return Given(SKIRT.by_name, read, choices, {"face": Bolt(cm(138))}, seam=cm(Fraction(3, 2)))


def begun(measures: dict[str, str] | None = None, **choices: Any) -> FirstStroke:
    return SKIRT.begin(given(measures, **choices))


@pytest.mark.parametrize(
    ("measures", "choices", "finished", "says"),
    [
        ({}, {}, {"skirt": 700}, "68 waist + 2 ease = 70 cm"),
        ({}, {"under": cm(3)}, {"skirt": 730}, "68 waist + 2 ease + 3 worn under it = 73 cm"),
        ({}, {"hangs": "hip"}, {"skirt": 960}, "94 hip + 2 ease = 96 cm"),
        ({}, {"top": "yoke"}, {"skirt": 960}, "94 hip + 2 ease = 96 cm"),
        ({}, {"opening": "elastic"}, {"skirt": 960}, "94 hip + 2 ease = 96 cm"),
        ({}, {"divides": "halves"}, {"front": 350, "back": 350}, "68 waist + 2 ease = 70 cm; ÷ 2 = 35 cm"),
        ({}, {"worn": "apron"}, {"apron": 340}, "half the waist, 68 ÷ 2 = 34 cm"),
        ({"across": "50"}, {"worn": "apron"}, {"apron": 500}, "50 cm across"),
    ],
)
def test_each_part_has_its_share_of_the_body(
    measures: dict[str, str], choices: dict[str, Any], finished: dict[str, int], says: str
) -> None:
    found = begun(measures, **choices)
    assert [edge.name for edge in found.edges] == list(finished)
    for name, mm in finished.items():
        assert found.results[f"{name}.finished"].value == Length(mm)
        assert found.results[f"{name}.finished"].says == says


def test_quarters_are_named_as_they_are_worn_and_each_left_one_is_the_mirror() -> None:
    edges = {edge.name: edge for edge in begun(divides="quarters").edges}
    assert {name: edge.mirrors for name, edge in edges.items()} == {
        "front_right": "",
        "front_left": "front_right",
        "back_right": "",
        "back_left": "back_right",
    }
    assert "as worn" in edges["front_right"].title


def test_pockets_lie_flat_at_the_sides_of_the_front_alone() -> None:
    choices = {"divides": "quarters", "pockets": "two", "pocket": cm(4), "heading": "gather", "fullness": Fraction(2)}
    found = begun(**choices)
    ends = {edge.name: {"lead.width", "tail.width"} & set(edge.facts) for edge in found.edges}
    assert ends == {
        "front_right": {"lead.width"},
        "front_left": {"tail.width"},
        "back_right": set(),
        "back_left": set(),
    }
    # 17.5 of each quarter, 4 of them flat: 2 × 13.5 + 4.
    assert found.results["front_right.flat"].value == cm(31)
    assert found.results["back_right.flat"].value == cm(35)
    halves = begun(divides="halves", pockets="two")
    assert {"lead.width", "tail.width"} <= set(halves.edges[0].facts)
    full = begun(divides="quarters", pockets="two", pocket=cm(20))
    assert [problem.path for problem in full.problems] == ["choices.pocket"]
    assert full.problems[0].way_out


def test_the_back_of_another_kind_on_the_same_band() -> None:
    kinds = {
        edge.name: edge.facts["kind"] for edge in begun(divides="halves", heading="knife", back_heading="gather").edges
    }
    assert kinds == {"front": "knife", "back": "gather"}
    assert begun(heading="knife", back_heading="gather").edges[0].facts["kind"] == "knife"


def test_a_ring_is_left_open_as_far_as_its_opening() -> None:
    edge = begun(opens=cm(20)).edges[0]
    assert edge.facts["closed"] is True
    assert "cutting.opening" in edge.facts
    assert "cutting.opening" not in begun(opening="elastic").edges[0].facts
    assert "closed" not in begun(worn="apron").edges[0].facts


def test_the_yoke_is_drawn_in_by_its_darts_and_its_sides() -> None:
    one = given(top="yoke", darts=4, yoke_depth=cm(16))
    # 94 + 2 round the hip, 68 + 2 at the waist: 26 by four darts and four sides.
    assert taken_in(one, cm(96)) == (cm(Fraction(13, 4)), cm(Fraction(13, 4)))
    front, back = yoke(one, cm(96), "face")
    assert (front.key, back.key) == ("yoke.front", "yoke.back")
    assert front.on_fold
    assert front.long == cm(19)
    halves = cm(24), cm(24) - cm(Fraction(13, 4))
    assert halves[0] * 4 - cm(Fraction(13, 4)) * 4 - cm(Fraction(13, 4)) * 4 == cm(70)
    # Its slanted side carries the seam too: the lower edge reaches a little past half and seam.
    assert front.wide > (halves[0] + cm(Fraction(3, 2))) * 2
    assert yoke(given(top="band"), cm(96), "face") == []


def test_what_cannot_be_is_refused_with_a_way_out() -> None:
    for choices in ({"depth": Length(0)}, {"size": Length(0)}, {"heading": "gather", "fullness": Fraction(1, 2)}):
        problems = begun(**choices).problems
        assert problems, choices
        assert all(one.way_out for one in problems)
    assert begun({"waist": "0"}).problems[0].path == "measures.waist"
    assert [lack.field for lack in begun({"waist": "", "length": ""}).lacks] == ["waist", "length"]


def test_a_quarter_in_inches_by_hand() -> None:
    inch = UNITS["in"]
    read = {"waist": (read_length("26 3/8", inch),), "length": (read_length("24", inch),)}
    choices = {"divides": "quarters", "pockets": "two", "heading": "gather", "fullness": Fraction(3, 2)}
    one = Given(SKIRT.by_name, read, choices, {"face": Bolt(cm(138))}, unit=inch, seam=Length.inches(Fraction(5, 8)))
    found = SKIRT.begin(one).results
    # 26 3/8 + 1 = 27 3/8, a quarter of it 6 27/32; 1 1/2 of that for the pocket, the rest one and a half times.
    assert found["front_right.finished"].value == Length.inches(Fraction(219, 32))
    assert found["front_right.flat"].value == Length.inches(Fraction(609, 64))
    assert found["back_right.flat"].value == Length.inches(Fraction(657, 64))
