"""What is said of a plan: the slip, the cautions, the reckoning."""

from __future__ import annotations

from typing import Any

import pytest

from ribbon.cloth import allowed_of
from ribbon.edge import Plan, edge_plan, plan
from ribbon.facts import Allowance, PlanCloth, Remainder
from ribbon.lengths import Length
from ribbon.offers import Change
from ribbon.pleats import Facing
from ribbon.readings import joined
from ribbon.says.cautions import Caution, cautions
from ribbon.says.reckoning import explanation
from ribbon.says.slip import slip
from tests.scenario import NONE, section, wide

ROW = {"cut", "join", "fold", "tape", "correction", "gave", "rest", "assumed"}


def said(made: Plan) -> list[str]:
    cloth = made.section.cloth.usable
    joins = joined(made.spread, cloth, allowed_of(made.section)) if cloth else None
    return [line.text for line in slip(edge_plan(made.section), joins) if line.about in ROW]


def minded(made: Plan) -> list[Caution]:
    return cautions(edge_plan(made.section))


SEAM = Allowance(Length.cm(1), Length.cm(1), Length.cm(1))


@pytest.mark.parametrize(
    ("kind", "pins", "facts", "lines"),
    [
        (
            "knife", {"finished": "70 cm", "spacing": "2.5 cm"}, {"closed": True, "meet": True, "allowance": SEAM},
            [
                "Cut 212 cm: 210 + 2 × 1 = 212 cm.",
                "Fold 28 knife pleats, 2.5 cm deep, 28 spaces of 2.5 cm: 70 cm finished round the ring.",
                "On the tape every pleat is 2.5 cm deep.",
            ],
        ),
        (
            "knife", {"finished": "70 cm", "spacing": "2.5 cm"},
            {"closed": True, "meet": True, "allowance": SEAM, "cloth": PlanCloth(Length.cm(138))},
            [
                "Cut two pieces, 134.5 cm and 79.5 cm: 210 + 4 × 1 = 214 cm in all.",
                "A join hides at the inner fold of pleat 18.",
                "Fold 28 knife pleats, 2.5 cm deep, 28 spaces of 2.5 cm: 70 cm finished round the ring.",
                "On the tape every pleat is 2.5 cm deep.",
            ],
        ),
        (
            "gather", {"finished": "22 cm", "fullness": "1.8"}, {},
            [
                "Cut 39.6 cm of cloth; no seam allowance is in it.",
                "Gather it to 22 cm: 1.8 times as much cloth as edge.",
                "Every match point falls on the tape.",
            ],
        ),
        (
            "pinch", {"finished": "62 in", "flat": "150 in", "count": "1"}, {"lead": wide("30 in"), "tail": wide("32 in")},
            [
                "Cut 150 in of cloth; no seam allowance is in it.",
                "Fold one pinch pleat, 88 in of cloth in each: 62 in finished.",
                "On the tape every pleat is 88 in of cloth.",
            ],
        ),
        (
            "knife", {"finished": "70 cm", "spacing": "3 cm", "depth": "2 cm"},
            {"remainder": Remainder.ENDS, "allowance": Allowance(Length.cm(1), Length.cm(2))},
            [
                "Cut 165 cm: 162 + 1 + 2 = 165 cm.",
                "Fold 23 knife pleats, 2 cm deep, 23 spaces of 3 cm: 70 cm finished.",
                "On the tape every pleat is 2 cm deep.",
                "1 cm is left over and goes half to each end.",
            ],
        ),
        (
            "knife", {"finished": "60 cm"}, {"tape": None},
            [
                "Cut 180 cm of cloth; no seam allowance is in it.",
                "Fold 20 knife pleats, 3 cm deep, 20 spaces of 3 cm: 60 cm finished.",
                "Assumed: the pleats meet.",
                "Assumed: spacing 3 cm; a middling pleat to start from.",
            ],
        ),
    ],
)  # fmt: skip
def test_the_slip(kind: str, pins: dict[str, str], facts: dict[str, Any], lines: list[str]) -> None:
    assert said(plan(section(kind, pins, **facts))) == lines


def test_the_slip_tells_of_joins_that_show() -> None:
    made = plan(
        section(
            "knife", {"finished": "300 cm", "spacing": "5 cm"}, lead=wide("250 cm"), cloth=PlanCloth(Length.cm(100))
        )
    )
    assert "2 of 4 would show: 2 in the open." in said(made)[1]


def test_the_slip_tells_what_the_tape_adds() -> None:
    made = plan(section("gather", {"finished": "52 cm", "flat": "93.75 cm"}))
    assert said(made)[2] == "Each match point is put on the nearest division of both edges; the flat width is 93.8 cm."
    made = plan(section("box", {"finished": "10 cm", "count": "2", "box": "4 cm", "depth": "10.25 mm"}))
    assert "That is 0.2 cm more flat; the last allowance takes it up." in said(made)[2]


def test_underlays_past_the_ends_are_minded_with_a_mend() -> None:
    made = plan(section("box", {"finished": "60 cm", "count": "4", "box": "10 cm", "depth": "12 cm"}))
    assert [(c.code, c.mend and c.mend.sets) for c in minded(made)] == [("covered", (("pins.depth", "5 cm"),))]
    made = plan(
        section(
            "knife",
            {"finished": "60 cm", "count": "10", "depth": "6 cm"},
            lead=NONE,
            tail=wide("1 cm"),
            facing=Facing.LEFT,
        )
    )
    assert [(c.code, c.message) for c in minded(made)] == [
        ("past_end", "The underlay of the last pleat sticks out 5 cm past the end.")
    ]


def test_a_mend_is_offered_only_where_it_holds() -> None:
    # Folds deeper than the spacing, turned away from the middle, lie over the faces beside it: meeting ones do not.
    facts = {"facing": Facing.FROM_CENTRE, "closed": True}
    (caution,) = minded(plan(section("knife", {"finished": "60 cm", "count": "10", "depth": "9 cm"}, **facts)))
    assert (caution.code, caution.mend) == (
        "covered",
        Change("Let the pleats meet: 6 cm deep, 180 cm flat", (("pins.depth", None), ("meet", True))),
    )
    # A tail wide enough for this underlay would leave room for no pleat.
    deep = minded(plan(section("knife", {"finished": "20 cm", "flat": "130 cm", "count": "1"}, facing=Facing.LEFT)))
    assert [(one.code, one.mend) for one in deep] == [("past_end", None)]


def test_pleats_that_meet_are_thinner() -> None:
    facts = {"closed": True, "cloth": PlanCloth(None, Length(1))}
    (caution,) = minded(plan(section("knife", {"finished": "60 cm", "count": "20", "flat": "280 cm"}, **facts)))
    assert caution.mend == Change("Let the pleats meet: 3 cm deep, 180 cm flat", (("pins.flat", None), ("meet", True)))


def test_a_ring_has_no_ends_to_mind() -> None:
    assert minded(plan(section("knife", {"finished": "60 cm", "count": "10", "depth": "9 cm"}, closed=True))) == []


def test_thick_folds_are_minded() -> None:
    facts = {"closed": True, "meet": True}
    thin = section("knife", {"finished": "60 cm", "spacing": "3 cm"}, cloth=PlanCloth(None, Length(1)), **facts)
    assert minded(plan(thin)) == []
    thick = section("knife", {"finished": "60 cm", "spacing": "3 cm"}, cloth=PlanCloth(None, Length(2)), **facts)
    (caution,) = minded(plan(thick))
    assert caution.code == "thick"
    assert (
        "3 layers of this cloth under a band are 12 mm, past the 6 mm or so that a home machine sews" in caution.message
    )
    assert "Thick folds break needles" in caution.message


@pytest.mark.parametrize(("machine", "says"), [(13, ""), (12, ""), (11, "past the 11 mm that your machine sews")])
def test_what_the_machine_sews_is_its_owners_to_say(machine: int, says: str) -> None:
    felt = section(
        "knife", {"finished": "60 cm", "spacing": "3 cm"}, cloth=PlanCloth(None, Length(2)), closed=True, meet=True,
        machine=Length(machine),
    )  # fmt: skip
    assert [says in caution.message for caution in minded(plan(felt))] == ([True] if says else [])


def test_the_facing_of_pleats_that_have_none_is_minded() -> None:
    made = plan(section("box", {"finished": "60 cm", "box": "5 cm"}, facing=Facing.TO_CENTRE))
    assert [c.code for c in minded(made)] == ["no_hand"]


def test_the_reckoning_follows_the_facts() -> None:
    made = plan(section("knife", {"finished": "40 in", "flat": "118 in", "spacing": "1 in"}))
    assert [(line.found, line.words, line.numbers) for line in explanation(made)] == [
        ("count", "finished width = count × spacing", "40 in = 40 × 1 in"),
        (
            "cloth per pleat",
            "flat width = finished width + count × cloth per pleat",
            "118 in = 40 in + 40 × ≈1 15/16 in",
        ),
        ("fullness", "flat width = fullness × finished width", "118 in = 2.95 × 40 in"),
        ("depth", "cloth per pleat = 2 × depth", "≈1 15/16 in = 2 × ≈1 in"),
    ]


def test_the_reckoning_names_the_ends() -> None:
    made = plan(
        section(
            "pinch",
            {"finished": "47 in", "flat": "100 in", "count": "11"},
            lead=wide("3 1/2 in"),
            tail=wide("1 1/2 in"),
        )
    )
    first = explanation(made)[0]
    assert first.words == "finished width = 3 1/2 in + (count − 1) × spacing + 1 1/2 in"
    assert first.numbers == "47 in = 3 1/2 in + (11 − 1) × ≈4 3/16 in + 1 1/2 in"
