"""Setting a pin by hand: moved by divisions of the tape, or dragged to a place and snapped to one."""

from __future__ import annotations

from ribbon.errors import refuse
from ribbon.fraction import Fraction
from ribbon.lengths import Length, Scribe, Unit, loosened, read_count, read_length, read_ratio, typed, typed_number
from ribbon.pleats import Quantity

_EIGHTH = Fraction(1, 8)


def nudged(quantity: Quantity, text: str, unit: Unit, tape: Length, by: int) -> str:
    """The pin that says `text`, moved by so many divisions: a tape's for lengths, one pleat, an eighth of fullness.

    A value between two divisions goes to the next one first.  Raises `Unreadable` for text that cannot be read
    and `Refusal` where nothing would be left.

    >>> from ribbon.lengths import UNITS
    >>> nudged(Quantity.SPACING, "3.04", UNITS["cm"], Length(1), 1)
    '3.1 cm'
    """
    text, _ = loosened(text)
    if quantity is Quantity.COUNT:
        return str(_left(quantity, read_count(text) + by, Fraction(1)))
    if quantity is Quantity.FULLNESS:
        return typed_number(_left(quantity, _moved(read_ratio(text), _EIGHTH, by), 1 + _EIGHTH))
    moved = _moved(read_length(text, unit).mm, tape.mm, by)
    return _written(_left(quantity, moved, _least(quantity, tape)), unit, tape)


def dragged(quantity: Quantity, start: Length, end: Length, unit: Unit, tape: Length) -> str:
    """The pin for a length dragged from `start` to `end`, to the nearest division, at least one."""
    steps = (abs(end - start) / tape + Fraction(1, 2)).__floor__()
    return _written(max(steps * tape.mm, _least(quantity, tape)), unit, tape)


def _moved(value: Fraction, step: Fraction, by: int) -> Fraction:
    steps = value / step
    return ((steps.__floor__() if by > 0 else steps.__ceil__()) + by) * step


def _least(quantity: Quantity, tape: Length) -> Fraction:
    return Fraction(0) if quantity in (Quantity.GAP, Quantity.OPENING) else tape.mm


def _left(quantity: Quantity, value: Fraction | int, least: Fraction) -> Fraction:
    if value < least:
        raise refuse(
            "at_least",
            f"pins.{quantity}",
            value,
            f"the {quantity.word} cannot go lower",
            "let it go, or type another value",
        )
    return Fraction(value)


def _written(mm: Fraction, unit: Unit, tape: Length) -> str:
    """As a pin is typed: with its unit, exact to the tape."""
    written = Scribe(unit, tape).write_mm(mm)
    # A metric tape read in inches has divisions that inches cannot say: then the pin is said in millimetres.
    return written.text if written.exact and unit.binary else typed(Length(mm), unit)
