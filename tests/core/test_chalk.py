"""The chalk list from either end, from the middle, on either side; the gauge."""

from __future__ import annotations

from hypothesis import assume, given

from ribbon.edge import plan, taped
from ribbon.errors import Refusal
from ribbon.facts import Section
from ribbon.lengths import Length
from ribbon.readings import marks
from ribbon.strip import walk
from ribbon.table.chalk import From, chalk_list
from ribbon.table.gauge import gauge
from tests.core.laws.strategies import LAW, sections
from tests.scenario import section


@LAW
@given(sections())
def test_the_list_from_the_other_end_is_the_mirror(facts: Section) -> None:
    try:
        made = plan(facts)
    except Refusal:
        return
    assume(made.count <= 60)
    laid = made.strip
    walked = walk(laid)
    whole, found = made.flat, marks(laid, walked)
    start, end = (chalk_list(found, walked, nought, wrong_side=False) for nought in (From.START, From.END))
    assert [c.at for c in start] == [whole - c.at for c in reversed(end)]
    assert [c.at for c in start] == sorted(c.at for c in start)
    # Turned over, from the start is from the start still.
    assert chalk_list(found, walked, From.START, wrong_side=True) == start
    middle = chalk_list(found, walked, From.MIDDLE, wrong_side=False)
    half = whole / 2
    assert sorted(half - c.at if c.hand == "left" else half + c.at for c in middle) == [c.at for c in start]
    assert sum(c.first for c in start) == len({c.pleat for c in start})


def test_the_skirts_list_and_its_gauge() -> None:
    made = plan(section("knife", {"finished": "70 cm", "spacing": "2.5 cm"}, meet=True, closed=True))
    laid = taped(made, Length(1)).strip
    walked = walk(laid)
    first = chalk_list(marks(laid, walked), walked, From.START, wrong_side=False)[:4]
    assert [(c.at, c.kind.value, c.first) for c in first] == [
        (Length(25), "outer", True), (Length(50), "inner", False), (Length(75), "placement", False), (Length(100), "outer", True),
    ]  # fmt: skip
    assert [(notch.role.value, notch.length) for notch in gauge(laid).notches] == [
        ("under", Length(25)), ("under", Length(25)), ("face", Length(25)),
    ]  # fmt: skip


def measures(kind: str, pins: dict[str, str]) -> list[tuple[str, float]]:
    laid = plan(section(kind, pins)).strip
    return [(notch.role.value, float(notch.length.mm)) for notch in gauge(laid).notches]


def test_a_gauge_has_the_measures_of_one_pleat() -> None:
    box = measures("box", {"count": "6", "box": "6 cm", "gap": "2 cm", "depth": "2 cm"})
    assert box == [("under", 20), ("under", 20), ("face", 60), ("under", 20), ("under", 20), ("face", 20)]
    inverted = measures("inverted", {"count": "6", "spacing": "10 cm", "depth": "2 cm"})
    assert inverted == [("under", 20), ("under", 20), ("under", 20), ("under", 20), ("face", 100)]
    single = measures("pinch", {"count": "6", "spacing": "10 cm", "per_pleat": "12 cm"})
    assert single == [("finger", 60), ("finger", 60), ("face", 100)]


def test_the_only_pleat_is_its_own_gauge_and_gathers_have_parts() -> None:
    assert measures("knife", {"count": "1", "finished": "20 cm", "depth": "3 cm"})[:2] == [("under", 30), ("under", 30)]
    assert {role for role, _ in measures("gather", {"finished": "60 cm", "fullness": "2"})} == {"gathered"}


def test_from_the_middle_both_hands_begin_at_nought() -> None:
    laid = plan(section("knife", {"count": "5", "spacing": "4 cm", "depth": "2 cm"})).strip
    walked = walk(laid)
    found = chalk_list(marks(laid, walked), walked, From.MIDDLE, wrong_side=False)
    left = [c.at for c in found if c.hand == "left"]
    right = [c.at for c in found if c.hand == "right"]
    assert left == sorted(left)
    assert right == sorted(right)
    assert [c.hand for c in found] == ["left"] * len(left) + ["right"] * len(right)
