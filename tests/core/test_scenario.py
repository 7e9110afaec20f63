"""Every row of the scenario that a row of pleats answers."""

from typing import Any

import pytest

from ribbon.edge import Plan, plan, taped
from ribbon.fraction import Fraction
from ribbon.lengths import Length
from ribbon.pleats import Quantity
from tests.scenario import FULL, SIXTEENTH, section, wide

Q = Quantity
INCH = Fraction(127, 5)

ROWS: list[tuple[str, dict[str, str], dict[str, Any], dict[str, Fraction | int]]] = [
    ("knife", {"finished": "70 cm", "spacing": "3 cm"}, {"closed": True, "meet": True},
     {"count": 23, "spacing": Fraction(700, 23), "flat": 2100, "fullness": 3}),
    ("knife", {"finished": "70 cm", "spacing": "2.5 cm"}, {"closed": True, "meet": True},
     {"count": 28, "spacing": 25, "depth": 25}),
    ("box", {"finished": "96 in", "box": "4 in"}, {},
     {"count": 24, "spacing": 4 * INCH, "depth": 2 * INCH, "flat": 288 * INCH, "fullness": 3}),
    ("pinch", {"finished": "47 in", "flat": "100 in", "spacing": "~4 in"}, {"lead": wide("3 1/2 in"), "tail": wide("1 1/2 in")},
     {"count": 11, "spacing": Fraction(21, 5) * INCH, "per_pleat": Fraction(53, 11) * INCH}),
    ("pinch", {"finished": "62 in", "flat": "150 in", "spacing": "~3 1/2 in"}, {"lead": FULL, "tail": FULL},
     {"count": 17, "spacing": Fraction(31, 9) * INCH, "per_pleat": Fraction(88, 17) * INCH}),
    ("knife", {"finished": "40 in", "flat": "118 in", "spacing": "1 in"}, {},
     {"count": 40, "depth": Fraction(39, 40) * INCH}),
    ("gather", {"finished": "22 cm", "fullness": "1.8"}, {}, {"flat": 396}),
]  # fmt: skip


@pytest.mark.parametrize(("kind", "pins", "facts", "exact"), ROWS)
def test_the_exact_results(kind: str, pins: dict[str, str], facts: dict[str, Any], exact: dict[str, Fraction]) -> None:
    made = plan(section(kind, pins, **facts))
    assert {name: made.values[Q(name)] for name in exact} == exact
    folded = made.walked
    made.strip.check()
    assert (folded.finished, made.strip.flat) == (made.finished, made.flat)


def spaces(kind: str, pins: dict[str, str], **facts: Any) -> tuple[int, Fraction]:
    made: Plan = plan(section(kind, pins, **facts))
    return made.count, made.spaces


def test_spaces_are_counted_beside_pleats() -> None:
    pins = {"finished": "62 in", "flat": "150 in", "spacing": "~3 1/2 in"}
    assert spaces("pinch", pins, lead=FULL, tail=FULL) == (17, 18)
    assert spaces("box", {"finished": "96 in", "box": "4 in"}) == (24, 24)
    assert spaces("knife", {"finished": "70 cm", "spacing": "3 cm"}, closed=True) == (23, 23)
    assert spaces(
        "pinch",
        {"finished": "47 in", "flat": "100 in", "spacing": "~4 in"},
        lead=wide("3 1/2 in"),
        tail=wide("1 1/2 in"),
    ) == (11, 10)


def test_the_apron_on_a_sixteenth_tape() -> None:
    on_tape = taped(plan(section("knife", {"finished": "40 in", "flat": "118 in", "spacing": "1 in"})), SIXTEENTH)
    assert on_tape.groups == ((24, Length(INCH)), (16, Length(Fraction(15, 16) * INCH)))
    assert (on_tape.flat, on_tape.off, on_tape.naive_error) == (Length(118 * INCH), Length(0), Length(2 * INCH))
