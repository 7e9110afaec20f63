import pytest
from hypothesis import given
from hypothesis import strategies as st

from ribbon.errors import Refusal
from ribbon.fraction import Fraction
from ribbon.lengths import UNITS, Length, Unreadable, read_length, typed
from ribbon.offers import dragged, nudged
from ribbon.pleats import Quantity
from tests.scenario import MM, SIXTEENTH

Q = Quantity
CM, IN = UNITS["cm"], UNITS["in"]


@pytest.mark.parametrize(
    ("quantity", "text", "unit", "tape", "by", "says"),
    [
        (Q.SPACING, "3", CM, MM, 1, "3.1 cm"),
        (Q.SPACING, "3", CM, MM, -10, "2 cm"),
        (Q.SPACING, "3.04", CM, MM, 1, "3.1 cm"),
        (Q.SPACING, "3.04", CM, MM, -1, "3 cm"),
        (Q.DEPTH, "1", IN, SIXTEENTH, 1, "1 1/16 in"),
        (Q.DEPTH, "4 13/16 in", IN, SIXTEENTH, -10, "4 3/16 in"),
        (Q.FINISHED, "70 cm", IN, SIXTEENTH, 1, "27 9/16 in"),
        (Q.FINISHED, "1 in", IN, MM, 1, "26 mm"),
        (Q.COUNT, "24", CM, MM, -1, "23"),
        (Q.FULLNESS, "2.5", CM, MM, 1, "2 5/8"),
        (Q.GAP, "1 mm", CM, MM, -1, "0 cm"),
    ],
)
def test_a_pin_moves_by_divisions(quantity: Q, text: str, unit: object, tape: Length, by: int, says: str) -> None:
    assert nudged(quantity, text, unit, tape, by) == says  # type: ignore[arg-type]


@pytest.mark.parametrize(
    ("quantity", "text", "by"), [(Q.COUNT, "1", -1), (Q.SPACING, "1 mm", -1), (Q.FULLNESS, "1 1/8", -1)]
)
def test_a_pin_does_not_go_below_what_can_be(quantity: Q, text: str, by: int) -> None:
    with pytest.raises(Refusal, match="cannot go lower"):
        nudged(quantity, text, CM, MM, by)


def test_what_cannot_be_read_cannot_be_moved() -> None:
    with pytest.raises(Unreadable):
        nudged(Q.SPACING, "wide", CM, MM, 1)


def test_what_is_dragged_snaps_to_the_tape() -> None:
    assert dragged(Q.DEPTH, Length(100), Length(Fraction(1304, 10)), CM, MM) == "3 cm"
    assert dragged(Q.DEPTH, Length(Fraction(1306, 10)), Length(100), CM, MM) == "3.1 cm"
    assert dragged(Q.FINISHED, Length(0), Length(702), IN, SIXTEENTH) == "27 5/8 in"
    assert dragged(Q.DEPTH, Length(5), Length(5), CM, MM) == "0.1 cm"
    assert dragged(Q.GAP, Length(5), Length(5), CM, MM) == "0 cm"


@given(
    st.integers(1, 5000),
    st.integers(-20, 20).filter(bool),
    st.sampled_from([(CM, MM), (IN, SIXTEENTH), (UNITS["mm"], Length(5))]),
)
def test_moving_there_and_back_again_changes_nothing(steps: int, by: int, tape: tuple[object, Length]) -> None:
    unit, division = tape
    start = typed(division * steps, unit)  # type: ignore[arg-type]
    if steps + by < 1:
        return
    there = nudged(Q.SPACING, start, unit, division, by)  # type: ignore[arg-type]
    back = nudged(Q.SPACING, there, unit, division, -by)  # type: ignore[arg-type]
    assert read_length(back, unit) == division * steps  # type: ignore[arg-type]
