import pytest

from ribbon.fraction import Fraction
from ribbon.lengths import UNITS, Length, Scribe, Unreadable, read_count, read_length, read_ratio, write_ratio
from tests.examples import exact

IN, CM = UNITS["in"], UNITS["cm"]


@pytest.mark.parametrize(
    ("text", "unit", "mm"),
    [
        ("27 1/2", "in", Fraction(1397, 2)),
        ('27½"', "cm", Fraction(1397, 2)),
        ("27½", "in", Fraction(1397, 2)),
        ("27 ¹⁄₂", "in", Fraction(1397, 2)),
        ("27 1/ 2", "in", Fraction(1397, 2)),
        ("27 point 5", "in", Fraction(1397, 2)),
        ("27 plus 1/2 in", "in", Fraction(1397, 2)),
        ("28 in less 1/2", "in", Fraction(1397, 2)),
        ("half of 55 in", "cm", Fraction(1397, 2)),
        ("twice 13 3/4 in", "cm", Fraction(1397, 2)),
        ("= 27•5 in,", "cm", Fraction(1397, 2)),
        ("27.5in", "cm", Fraction(1397, 2)),
        ("27-1/2", "in", Fraction(1397, 2)),
        ("27 1⁄2 in.", "cm", Fraction(1397, 2)),
        ("⅝ in", "cm", Fraction(127, 8)),
        ("1⅝", "in", Fraction(13 * 127, 40)),
        ("2 1/4 yd", "cm", Fraction(10287, 5)),
        ("70", "cm", 700),
        ("70cm", "in", 700),
        ("0.7 m", "in", 700),
        ("0,7 m", "in", 700),
        (".7m", "in", 700),
        ("705mm", "in", 705),
        ("2' 3 1/2\"", "cm", Fraction(1397, 2)),
        ("2′ 3½″", "cm", Fraction(1397, 2)),
        ("2' 3", "cm", Fraction(3429, 5)),
        ("2 ft 3 inches", "cm", Fraction(3429, 5)),
        ("1 yd 2 ft", "cm", 1524),
        ("1 m 20", "in", 1200),
        ("1 m 20 cm", "in", 1200),
        ("7０ cm", "in", 700),
        ("٧٠ cm", "in", 700),
        ("  70\u00a0cm ", "in", 700),
        ("0", "cm", 0),
        ("0.125", "cm", Fraction(5, 4)),
        ("152·5", "cm", 1525),
        ("152 · 5", "cm", 7600),
        ("1 250", "cm", 12500),
        ("1 250,5 mm", "cm", Fraction(2501, 2)),
        ("1\u202f250 mm", "cm", 1250),
        ("1,234.5", "mm", Fraction(2469, 2)),
        ("1.234,5 mm", "cm", Fraction(2469, 2)),
        ("1 234 567.5 mm", "cm", Fraction(2469135, 2)),
        ("27 a half", "cm", 275),
        ("3 quarter inch", "cm", Fraction(381, 20)),
        ("1 half", "cm", 5),
        ("27 125/1000", "cm", Fraction(1085, 4)),
    ],
)
def test_what_people_type_is_read_exactly(text: str, unit: str, mm: Fraction) -> None:
    assert read_length(text, UNITS[unit]).mm == mm


@pytest.mark.parametrize(
    ("text", "says"),
    [
        ("", "a length is missing"),
        ("abc", "“abc” was not understood as a length"),
        ("-3", "“-3” is below nought"),
        ("−3 cm", "“−3 cm” is below nought"),
        ("3 furlongs", "“furlongs” is not a unit known here"),
        ("1/0", "“1/0” divides by nought"),
        ("1,000", "“1,000” may mean 1000 or 1.000"),
        ("1e3", "“e” is not a unit known here"),
        ("3 in 2 ft", "“3 in 2 ft” names its units out of order"),
        ("3 in 4", "“3 in 4” ends in a number without a unit"),
        ("9" * 10_000, "10000 characters are too many for a length"),
        ("9999999999999", "a number of 13 digits is past any tape"),
        ("99999999 m", "“99999999 m” is longer than ten kilometres"),
        ("1.5.2", "“1.5.2” was not understood as a length"),
        ("70 cm; drop", "“70 cm; drop” was not understood as a length"),
        ("²", "“²” was not understood as a length"),
        ("27 half", "“27 half” may mean 27 1/2 or 27/2"),
        ("2 quarter", "“2 quarter” may mean 2 1/4 or 2/4"),
        ("12 34", "“12 34” was not understood as a length"),
        ("inf", "“inf” was not understood as a length"),
    ],
)
def test_what_is_no_length_is_refused_in_a_sentence(text: str, says: str) -> None:
    with pytest.raises(Unreadable) as refused:
        read_length(text, CM)
    assert refused.value.message == says
    assert refused.value.way_out


def test_ratios_and_counts() -> None:
    assert [read_ratio(t) for t in ("2.5", "2 1/2", "2½ times", "2.5x", "250 %")] == [Fraction(5, 2)] * 5
    assert read_count("24") == 24
    for text, says in (
        ("2.5", "2.5 is not a whole count"),
        ("0", "a count of nought folds nothing"),
        ("99999", "99999 pleats are more than can be worked here"),
    ):
        with pytest.raises(Unreadable) as refused:
            read_count(text)
        assert refused.value.message == says
    with pytest.raises(Unreadable, match="not understood as a ratio"):
        read_ratio("fuller")


@pytest.mark.parametrize(
    ("mm", "unit", "tape", "text"),
    [
        (Fraction(1397, 2), "in", Fraction(127, 80), "27 1/2 in"),
        (Fraction(127, 8), "in", Fraction(127, 80), "5/8 in"),
        (Fraction(6731, 55), "in", Fraction(127, 80), "≈4 13/16 in"),
        (Fraction(700), "in", Fraction(127, 80), "≈27 9/16 in"),
        (Fraction(700, 23), "cm", Fraction(1), "≈3 cm"),
        (Fraction(700), "cm", Fraction(1), "70 cm"),
        (Fraction(705), "cm", Fraction(1), "70.5 cm"),
        (Fraction(700), "m", Fraction(1), "0.7 m"),
        (Fraction(-1), "mm", Fraction(1), "−1 mm"),
        (Fraction(1, 3), "in", None, "≈1/64 in"),
        (Fraction(0), "in", Fraction(127, 80), "0 in"),
    ],
)
def test_lengths_are_written_as_a_tape_shows_them(mm: Fraction, unit: str, tape: Fraction | None, text: str) -> None:
    written = Scribe(UNITS[unit], None if tape is None else Length(tape)).write(Length(mm))
    assert written == (text, "≈" not in text)


def test_sizes_are_written_finer_than_places_in_decimals_only() -> None:
    assert Scribe(CM, Length(1)).finer().write(Length(Fraction(700, 23))).text == "≈3.04 cm"
    assert (
        Scribe(IN, Length.inches(Fraction(1, 16))).finer().write(Length.inches(Fraction(53, 11))).text == "≈4 13/16 in"
    )


def test_ratios_are_written_as_simple_fractions_where_they_are() -> None:
    assert [write_ratio(exact(r)).text for r in ("3", "5/2", "59/20", "100/47")] == ["3", "2 1/2", "2.95", "≈2.13"]


def test_a_length_refuses_what_is_no_length() -> None:
    length = Length.cm(1)
    for attempt in (
        lambda: length + 1,
        lambda: length - 0.5,
        lambda: length * 0.5,
        lambda: length / 0.5,
        lambda: Length(0.5),
        lambda: Length(True),
    ):  # type: ignore[operator, arg-type]
        with pytest.raises(TypeError):
            attempt()
    with pytest.raises(AttributeError):
        length.mm = Fraction(3)
    assert length / Length(5) == Fraction(2)
    assert -length < Length(0) < abs(-length)
    assert len({Length(1), Length(Fraction(2, 2))}) == 1
