"""The units that sewists write in."""

from __future__ import annotations

from dataclasses import dataclass

from ribbon.fraction import Fraction

INCH = Fraction(127, 5)  # millimetres, by definition


@dataclass(frozen=True, slots=True)
class Unit:
    """A unit: its sign, its size in millimetres, how it is written, and the words people use for it.

    `binary` units are divided in halves, quarters, eighths and so on; the others in tenths.  `next_smaller`
    names the unit that a bare number after this one takes: 2' 3 is two feet three inches.
    """

    sign: str
    mm: Fraction
    binary: bool
    words: tuple[str, ...]
    next_smaller: str | None = None


UNITS: dict[str, Unit] = {
    unit.sign: unit
    for unit in (
        Unit("mm", Fraction(1), False, ("mm", "millimetre", "millimetres", "millimeter", "millimeters")),
        Unit("cm", Fraction(10), False, ("cm", "cms", "centimetre", "centimetres", "centimeter", "centimeters"), "mm"),
        Unit("m", Fraction(1000), False, ("m", "mtr", "mtrs", "metre", "metres", "meter", "meters"), "cm"),
        Unit("in", INCH, True, ("in", "ins", "inch", "inches", '"', "''")),
        Unit("ft", INCH * 12, True, ("ft", "foot", "feet", "'"), "in"),
        Unit("yd", INCH * 36, True, ("yd", "yds", "yard", "yards")),
    )
}

_BY_WORD = {word: unit for unit in UNITS.values() for word in unit.words}


def unit_named(word: str) -> Unit | None:
    """The unit that `word` stands for, or None.  Case and a closing full stop do not matter."""
    return _BY_WORD.get(word.lower().rstrip("."))
