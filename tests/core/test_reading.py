"""What people type: lengths in words, sums, ratios, counts, parts, prices and weights."""

from __future__ import annotations

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ribbon.fraction import Fraction
from ribbon.lengths import (
    UNITS,
    Length,
    Unreadable,
    loosened,
    read_count,
    read_length,
    read_minutes,
    read_part,
    read_price,
    read_ratio,
    read_weight,
    typed,
    with_unit,
)
from tests.core.laws.strategies import LAW
from tests.examples import exact

IN, CM = UNITS["in"], UNITS["cm"]


@pytest.mark.parametrize(
    ("text", "inches"),
    [
        ("2 and a half", "5/2"), ("27 and 1/2", "55/2"), ("27 & 1/2", "55/2"), ('27" 1/2', "55/2"), ("3/8ths", "3/8"),
        ("half an inch", "1/2"), ("three quarters", "3/4"), ("a yard", "36"), ("quarter yard", "9"),
        ("1 and a half yards", "54"), ("5 ft, 6 in", "66"), ("5'-6 1/2\"", "133/2"), ("an inch and a half", "3/2"),
        ("a yard and a half", "54"), ("seven-eighths", "7/8"), ("two and three quarters", "11/4"), ("2' 1/2", "49/2"),
        ("42+5", "47"), ("(70+2)/4", "18"), ("2*115", "230"), ("64.5 - 2", "125/2"), ("2 × 35", "70"), ("70 ÷ 4", "35/2"),
        ("10 / 1/2", "20"), ("27-1/2", "55/2"), ("27 - 1/2", "53/2"), ("5 ft - 6 in", "54"), ("(3 + 1) in", "4"),
        ("1.375", "11/8"), ("1.125 in", "9/8"),
    ],
)  # fmt: skip
def test_what_people_type_of_inches(text: str, inches: str) -> None:
    assert read_length(text, IN) == Length.inches(exact(inches))


@pytest.mark.parametrize(
    ("text", "mm"),
    [("1 cm 5", "15"), ("2 mtr", "2000"), ("1.234 m", "1234"), ("120.375", "1203.75"), ("70 cm + 2", "720"), ("2 * (3 + 4 cm)", "140"), ("1 m 1/2", "1500")],
)  # fmt: skip
def test_what_people_type_of_centimetres(text: str, mm: str) -> None:
    assert read_length(text, CM) == Length(exact(mm))


@pytest.mark.parametrize(
    ("text", "says"),
    [
        ("1'234", "“1'234” may mean 1234 or 1 ft 234 in"),
        ("1.234", "“1.234” may mean 1234 or 1.234"),
        ("1.700 mm", "“1.700 mm” may mean 1700 or 1.700"),
        ("1,234", "“1,234” may mean 1234 or 1.234"),
        ("3 cm * 4 cm", "“3 cm * 4 cm” makes an area and no length"),
        ("70 cm / 3 cm", "“70 cm / 3 cm” makes a number and no length"),
        ("70 / (2 - 2)", "“70 / (2 - 2)” divides by nought"),
        ("3 - 5", "“3 - 5” comes to less than nought"),
        ("(3 + 4", "“(3 + 4” opens a bracket and does not close it"),
        ("70 cm + 70cm/35cm", "“70 cm + 70cm/35cm” adds a number to a length"),
        ("(" * 20 + "1" + ")" * 20, "has too many brackets"),
        ("about 3", "“about 3” is about, and here it must be firm"),
    ],
)
def test_what_may_mean_two_things_or_makes_no_length_is_asked_about(text: str, says: str) -> None:
    with pytest.raises(Unreadable) as refused:
        read_length(text, CM)
    assert says in refused.value.message
    assert refused.value.way_out


@pytest.mark.parametrize("text", ["~3", "≈3", "about 3", "approx. 3", "3ish", "circa 3", "3 or so", "around 3"])
def test_what_says_that_it_is_about(text: str) -> None:
    assert loosened(text) == ("3", True)
    assert loosened("3 cm") == ("3 cm", False)


def test_ratios_counts_and_parts_as_people_type_them() -> None:
    halves = ("2:1", "double", "twice", "x2", "2x", "2 to 1", "200 percent", "4/2", "2 times")
    assert {read_ratio(text) for text in halves} == {Fraction(2)}
    assert read_ratio("1.875") == read_ratio("1,875") == Fraction(15, 8)
    assert [read_count(text) for text in ("12 pleats", "2*6", "12", "36 cm / 3 cm")] == [12] * 4
    assert [read_part(text) for text in ("5 percent", "5 %", "5", "5 per cent")] == [Fraction(1, 20)] * 4
    with pytest.raises(Unreadable, match=r"did you mean 5 %, or 0\.05 % as it stands"):
        read_part("0.05")
    assert read_part("0.05 %") == Fraction(1, 2000)
    for text in ("2:0", "1:2:3", "70 cm"):
        with pytest.raises(Unreadable):
            read_ratio(text)


def test_prices_and_weights_with_their_signs() -> None:
    for text in ("€12.50", "12.50 €", "$12.50", "12,50", "EUR 12.50", "12.50 kr", "£ 12.50"):
        assert read_price(text) == Fraction(25, 2), text
    assert read_weight("200 gsm", IN) == read_weight("200 g/m²", CM) == read_weight("200", CM) == 200
    # 6 oz a square yard are 203.43 g a square metre; a bare 6 is that in inches, and 330 is past any ounces.
    assert read_weight("6 oz", CM) == read_weight("6", IN)
    assert abs(read_weight("6 oz/yd²", CM) - Fraction(2_034_345, 10_000)) < Fraction(1, 1000)
    assert read_weight("330", IN) == 330


numbers = st.one_of(st.integers(1, 400).map(str), st.sampled_from(["1/2", "3/4", "2 1/2", "7 5/8", "12.5", "0.25"]))


@st.composite
def sums(draw: Any, depth: int = 0) -> tuple[str, Fraction]:
    """A sum of plain numbers as text, and what it comes to by Python's own fractions."""
    if depth > 2 or not draw(st.integers(0, 2)):
        text = draw(numbers)
        return text, sum((exact(part) for part in text.split()), Fraction(0))
    left, a = draw(sums(depth + 1))
    right, b = draw(sums(depth + 1))
    sign = draw(st.sampled_from(["+", "-", "*", "×", "÷"]))
    if sign == "÷" and not b:
        return left, a
    value = {"+": a + b, "-": a - b, "*": a * b, "×": a * b}.get(sign) if sign != "÷" else a / b
    assert value is not None
    return f"({left}) {sign} ({right})", value


@LAW
@given(sums(), st.sampled_from(list(UNITS.values())))
def test_sums_are_reckoned_exactly(said: tuple[str, Fraction], unit: Any) -> None:
    text, value = said
    if len(text) > 120:
        return
    expected = value * unit.mm
    if expected < 0 or expected > 10_000_000:
        with pytest.raises(Unreadable):
            read_length(text, unit)
        return
    assert read_length(text, unit) == Length(expected)
    # Given its unit, it says the same wherever it is read.
    for other in UNITS.values():
        if len(with_unit(text, unit)) <= 120:
            assert read_length(with_unit(text, unit), other) == Length(expected)


@LAW
@given(
    st.fractions(0, 100_000, max_denominator=25_400).map(Fraction),
    st.sampled_from(list(UNITS)),
    st.sampled_from(list(UNITS)),
)
def test_what_is_typed_is_written_exactly(mm: Fraction, unit: str, read_in: str) -> None:
    """202/9 mm came back as 22.4444."""
    assert read_length(typed(Length(mm), UNITS[unit]), UNITS[read_in]) == Length(mm)


@pytest.mark.parametrize("text", ["5", "1 h", "1 h 5", "1.5 h", "2:05"])
def test_reading_a_single_digit_leaves_the_interpreter_whole(text: str) -> None:
    assert read_minutes(text) > 0
    assert b"\x00".decode("utf-8") == chr(0)
