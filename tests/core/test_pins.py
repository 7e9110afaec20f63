"""What gives, what is assumed, what is refused: each with the words that are said."""

from dataclasses import replace
from itertools import combinations
from typing import Any

import pytest

from ribbon.edge import plan
from ribbon.errors import Refusal
from ribbon.facts import Pin, Remainder, School
from ribbon.fraction import Fraction
from ribbon.offers import choices
from ribbon.pleats import Facing, Quantity
from ribbon.says.slip import gave_says
from tests.scenario import NONE, section, wide

Q = Quantity


def problems(kind: str, pins: dict[str, str], **facts: Any) -> list[tuple[str, str]]:
    with pytest.raises(Refusal) as refused:
        plan(section(kind, pins, **facts))
    assert all(problem.way_out for problem in refused.value.problems)
    return [(problem.path, problem.message) for problem in refused.value.problems]


FACTS = {"finished": "60 cm", "flat": "150 cm", "count": "20", "depth": "2.25 cm", "spacing": "3 cm", "fullness": "2.5"}


# Three facts settle a row, unless they are faces of one equation.
ONE_EQUATION = ({"finished", "flat", "fullness"}, {"finished", "count", "spacing"}, {"fullness", "spacing", "depth"})
SETTLED = [set(c) for size in (3, 4, 5, 6) for c in combinations(FACTS, size) if set(c) not in ONE_EQUATION]


@pytest.mark.parametrize("known", SETTLED, ids=lambda known: "+".join(sorted(known)))
def test_every_combination_of_facts_that_agree_leads_to_the_same_plan(known: set[str]) -> None:
    made = plan(section("knife", {name: FACTS[name] for name in known}))
    assert not made.gave
    assert not made.assumed
    assert {name: made.values[Q(name)] for name in FACTS} == {
        "finished": 600, "flat": 1500, "count": 20, "depth": Fraction(45, 2), "spacing": 30, "fullness": Fraction(5, 2)
    }  # fmt: skip


@pytest.mark.parametrize(
    ("kind", "pins", "facts", "says"),
    [
        ("knife", {"finished": "70 cm", "spacing": "3 cm"}, {"closed": True},
         "The spacing opened from 3 cm to ≈3.04 cm so that 23 whole pleats close the ring."),
        ("knife", {"finished": "70 cm", "flat": "210 cm", "depth": "3 cm"}, {},
         "The depth went from 3 cm to ≈3.04 cm so that 23 whole pleats take up 210 cm."),
        ("knife", {"finished": "70 cm", "fullness": "3", "depth": "3 cm"}, {},
         "The depth went from 3 cm to ≈3.04 cm so that 23 whole pleats take up 210 cm."),
        ("knife", {"finished": "~70 cm", "spacing": "3 cm"}, {"closed": True},
         "The finished width went from 70 cm to 69 cm to agree with what is pinned firmly, for 23 whole pleats."),
        ("box", {"finished": "96 in", "box": "5 in"}, {},
         "The box went from 5 in to ≈5 1/16 in so that 19 whole pleats fill the finished width."),
        ("knife", {"finished": "70 cm", "count": "23", "spacing": "~3 cm"}, {},
         "The spacing opened from 3 cm to ≈3.04 cm so that 23 whole pleats fill the finished width."),
    ],
)  # fmt: skip
def test_what_gives_and_what_is_said_of_it(kind: str, pins: dict[str, str], facts: dict[str, Any], says: str) -> None:
    made = plan(section(kind, pins, **facts))
    assert [gave_says(made, gave) for gave in made.gave] == [says]


def test_a_firm_depth_stays_when_meeting_was_only_assumed() -> None:
    made = plan(section("knife", {"finished": "70 cm", "depth": "3 cm"}))
    assert (made.count, made.values[Q.DEPTH], made.gave) == (23, 30, ())


def test_what_is_assumed_is_marked() -> None:
    made = plan(section("knife", {"finished": "70 cm"}))
    assert [a.quantity for a in made.assumed] == ["meet", "spacing"]
    # Deep as they are pinned, whole pleats do not quite meet: that there are so many is assumed all the same.
    made = plan(section("knife", {"finished": "70 cm", "depth": "3 cm"}, closed=True))
    assert [(a.quantity, a.value) for a in made.assumed] == [("count", 23)]
    assert plan(section("pinch", {"finished": "70 cm", "count": "8"})).values[Q.FULLNESS] == Fraction(5, 2)
    assert plan(section("gather", {"finished": "22 cm"})).values[Q.FLAT] == 440
    assert plan(section("knife", {"finished": "60 cm", "spacing": "3 cm"}, meet=False)).values[Q.FULLNESS] == 2


def test_what_gave_and_follows_from_nothing_is_not_called_assumed() -> None:
    # One pleat between stated widths: nothing of the edge is pleated, so that there is no fullness to speak of.
    made = plan(section("pinch", {"finished": "~2 cm", "count": "1", "flat": "~4 cm"}, lead=NONE, tail=wide("3 cm")))
    assert made.values[Q.FINISHED] == 30
    assert Q.FULLNESS not in {a.quantity for a in made.assumed}


def test_when_pleats_meet_fullness_is_three_whatever_the_size() -> None:
    for size in ("1 cm", "2.5 cm", "4 in", "7 cm"):
        assert plan(section("knife", {"finished": "70 cm", "spacing": size}, meet=True)).fullness == 3
        assert plan(section("box", {"finished": "70 cm", "box": size}, meet=True)).fullness == 3
        assert plan(section("inverted", {"finished": "70 cm", "spacing": size}, meet=True)).fullness == 3


def test_pins_that_disagree_are_told_what_letting_go_of_each_would_do() -> None:
    said = problems("knife", {"finished": "70 cm", "count": "23", "spacing": "3 cm"}, closed=True)
    assert said == [
        (
            "pins.finished",
            "finished width 70 cm, count 23 and spacing 3 cm do not agree: the others make the finished width 69 cm, 1 cm away",
        ),
        ("pins.count", "finished width 70 cm, count 23 and spacing 3 cm do not agree: the others make no whole count"),
        (
            "pins.spacing",
            "finished width 70 cm, count 23 and spacing 3 cm do not agree: the others make the spacing ≈3.04 cm, ≈0.04 cm away",
        ),
    ]
    paths = [path for path, _ in problems("knife", {"finished": "40 in", "flat": "118 in"}, meet=True)]
    assert paths == ["pins.finished", "pins.flat", "meet"]


def test_pins_that_disagree_are_told_so_even_where_the_rest_makes_no_plan() -> None:
    said = dict(problems("inverted", {"depth": "7.5 cm", "per_pleat": "18.75 cm"}))
    assert said["pins.depth"].endswith("the others make the depth ≈4.69 cm, ≈2.81 cm away")
    assert said["pins.per_pleat"].endswith("the others make the cloth per pleat 30 cm, 11.25 cm away")
    said = dict(problems("cartridge", {"fullness": "3", "depth": "7.75 cm", "spacing": "7 cm"}))
    assert said["pins.spacing"].endswith("the others make the spacing ≈5.17 cm, ≈1.83 cm away")
    # What would leave nothing to fold is not offered while something else is.
    said = dict(problems("pinch", {"finished": "72 in", "flat": "68 1/4 in", "fullness": "2"}))
    assert said.keys() == {"pins.finished", "pins.flat", "pins.fullness"}
    assert "the others make" not in said["pins.fullness"]
    # Nor is what would be less than nought; that it does not help is told all the same.
    with pytest.raises(Refusal) as refusal:
        plan(section("box", {"finished": "70 cm", "box": "10 cm", "gap": "2 cm", "spacing": "9 cm"}, closed=True))
    assert {p.path: p.way_out for p in refusal.value.problems}["pins.gap"] == (
        "letting go of the gap alone does not help: let go of another pin"
    )


@pytest.mark.parametrize(
    ("kind", "pins", "facts", "path", "says"),
    [
        ("knife", {"finished": "70 cm", "flat": "60 cm"}, {}, "pins.flat", "has nothing to fold into a finished width of 70 cm"),
        ("knife", {"finished": "70 cm", "fullness": "1"}, {}, "pins.fullness", "leaves nothing to fold"),
        ("knife", {"finished": "0 cm"}, {}, "pins.finished", "a finished width of 0 cm cannot be"),
        ("knife", {"finished": "70 cm", "spacing": "200 cm"}, {"closed": True}, "pins.spacing", "not one pleat fits"),
        ("knife", {"finished": "70 cm", "count": "2", "depth": "70 cm"}, {"closed": True}, "pins.depth", "all the way round a ring of 70 cm"),
        ("knife", {"spacing": "3 cm"}, {}, "pins", "spacing alone does not say how wide the edge is"),
        ("knife", {}, {}, "pins", "nothing is pinned yet"),
        ("knife", {"finished": "70 cm", "box": "3 cm"}, {}, "pins.box", "knife pleats have no box"),
        ("box", {"finished": "70 cm", "count": "7", "box": "12 cm"}, {}, "pins.box", "leaves the gap nothing"),
        ("inverted", {"finished": "70 cm", "count": "7", "opening": "10 cm", "depth": "1 cm"}, {}, "pins.opening", "leaves no face"),
        ("box", {"finished": "70 cm", "count": "7", "box": "10 cm"}, {"lead": NONE}, "lead", "half a pleat reaches 5 cm past its middle"),
        ("knife", {"finished": "70 cm", "spacing": "3 cm"}, {"closed": True, "remainder": Remainder.ENDS}, "remainder", "a closed ring has no ends"),
        ("knife", {"finished": "70 cm", "count": "23"}, {"facing": Facing.TO_CENTRE}, "pins.count", "cannot face both ways"),
        ("knife", {"finished": "10 cm", "count": "5"}, {"lead": wide("6 cm"), "tail": wide("6 cm")}, "lead.width", "take more than the whole edge of 10 cm"),
        ("inverted", {"finished": "70 cm", "spacing": "5 cm", "opening": "6 cm"}, {}, "pins.opening", "leaves no face in a spacing of 5 cm"),
        ("knife", {"finished": "9 km", "spacing": "1 mm"}, {}, "pins.spacing", "more than can be worked here"),
        ("gather", {"finished": "22 cm"}, {"lead": wide("12 cm"), "tail": wide("12 cm")}, "lead", "leave nothing to gather"),
        ("knife", {"finished": "70 cm", "count": "30", "spacing": "3 cm"}, {"remainder": Remainder.TAIL}, "pins.count", "need 90 cm, more than 70 cm"),
    ],
)  # fmt: skip
def test_what_cannot_be_is_refused_in_a_sentence(
    kind: str, pins: dict[str, str], facts: dict[str, Any], path: str, says: str
) -> None:
    found = problems(kind, {name: text.replace("9 km", "9000 m") for name, text in pins.items()}, **facts)
    # Where three pins take part each is told of, with what it alone would become.
    assert path in [p for p, _ in found]
    assert len({said for _, said in found}) == 1
    assert says in found[0][1]


@pytest.mark.parametrize(("where", "lead", "tail"), [("ends", 20, 20), ("lead", 25, 15), ("tail", 15, 25)])
def test_what_is_left_over_goes_where_it_is_asked_to(where: str, lead: int, tail: int) -> None:
    made = plan(section("knife", {"finished": "70 cm", "spacing": "3 cm"}, remainder=Remainder(where)))
    assert (made.count, made.values[Q.SPACING], made.lead.mm, made.tail.mm) == (23, 30, lead, tail)


def test_flat_parts_are_never_multiplied_by_fullness_unless_asked() -> None:
    ends = {"lead": wide("4 cm"), "tail": wide("6 cm")}
    pins = {"finished": "110 cm", "fullness": "2.5", "spacing": "10 cm"}
    assert plan(section("pinch", pins, **ends)).flat.mm == 2600
    assert plan(section("pinch", pins, school=School.ALL, **ends)).flat.mm == 2750


def test_neighbouring_counts_are_offered() -> None:
    offered = choices(plan(section("box", {"finished": "96 in", "box": "4 in"})))
    assert [(c.plan.count, c.why) for c in offered] == [(23, "fewer"), (24, "chosen"), (25, "more")]
    assert all(c.plan.finished == offered[0].plan.finished and c.plan.values[Q.GAP] == 0 for c in offered)
    mirrored = choices(plan(section("knife", {"finished": "70 cm", "spacing": "3 cm"}, facing=Facing.FROM_CENTRE)))
    assert [c.plan.count for c in mirrored] == [22, 24, 26]
    fullest = choices(
        plan(section("knife", {"finished": "70 cm", "fullness": "~2", "depth": "2 cm", "spacing": "5 cm"}))
    )
    assert (18, "nearest the fullness") in [(c.plan.count, c.why) for c in fullest]


def test_facts_that_hold_of_each_pleat_disagree_before_a_count_is_known() -> None:
    """They were answered with "not one pleat fits", since no pleats at all satisfied them."""
    said = dict(problems("pinch", {"per_pleat": "5 3/8 in", "spacing": "5 3/8 in", "fullness": "1 3/4"}, closed=True))
    assert said["pins.fullness"].endswith("the others make the fullness 2, 1/4 away")
    said = dict(problems("knife", {"per_pleat": "7 cm", "fullness": "2"}, meet=True, closed=True))
    assert said["pins.fullness"].endswith("pleats that meet do not agree: the others make the fullness 3, 1 away")
    made = plan(section("knife", {"count": "~52", "flat": "~148.5 in", "finished": "25.5 in"}, meet=True, closed=True))
    assert (made.pleats, [gave.quantity.value for gave in made.gave]) == (52, ["flat"])


def test_the_nearest_that_can_be_is_told_and_can_be() -> None:
    pins = {"depth": "10 1/4 in", "flat": "158 in", "count": "4"}
    with pytest.raises(Refusal) as refused:
        plan(section("inverted", pins, lead=wide("139.7 mm")))
    (problem,) = refused.value.problems
    nearest = problem.way_out.partition("the nearest flat width that can be is ")[2]
    assert nearest == "169 9/16 in"
    assert plan(section("inverted", {**pins, "flat": nearest}, lead=wide("139.7 mm"))).pleats == 4
    with pytest.raises(Refusal):
        plan(section("inverted", {**pins, "flat": "169 1/2 in"}, lead=wide("139.7 mm")))


def test_a_firm_width_never_moves() -> None:
    """21 cm from 80 cm, meeting: one pleat of 38 cm would do it with 97.8 cm, which nobody has."""
    known = section("knife", {"finished": "21 cm", "flat": "80 cm"}, meet=True, lead=wide("1.8 cm"))
    pins = {**known.pins, Q.SPACING: Pin(Fraction(24), firm=False)}
    with pytest.raises(Refusal) as refused:
        plan(replace(known, pins=pins))
    assert [problem.path for problem in refused.value.problems] == ["pins.finished", "pins.flat", "meet"]


@pytest.mark.parametrize(
    ("kind", "about", "became"),
    [("box", "box", Fraction(740, 11)), ("knife", "spacing", Fraction(740, 11)), ("inverted", "opening", Fraction(0))],
)
def test_what_is_only_about_gives_in_every_kind(kind: str, about: str, became: Fraction) -> None:
    """Eleven pleats on 74 cm stand 6.73 cm apart: none is 7 cm wide, and about 7 cm gives way."""
    known = section(kind, {"finished": "74 cm", "count": "11"})
    made = plan(replace(known, pins={**known.pins, Q(about): Pin(Fraction(70), firm=False)}))
    assert [(gave.quantity, gave.asked, gave.became) for gave in made.gave] == [(Q(about), 70, became)]
    assert made.values[Q(about)] == became
    with pytest.raises(Refusal):
        plan(section(kind, {"finished": "74 cm", "count": "11", about: "7 cm"}))
