"""Lengths, weights and money as a shop says them: cloth in metres or yards, by how it is sold; the rest as the work is measured."""

from __future__ import annotations

from ribbon.cloth.bolt import Bolt
from ribbon.cloth.notions import Notion
from ribbon.fraction import Fraction
from ribbon.lengths import POUND, UNITS, ZERO, Length, Scribe, Unit

_METRES = Scribe(UNITS["m"], Length.cm(1))
_YARDS = Scribe(UNITS["yd"], Length.inches(Fraction(9, 2)))


def sold_in(bolt: Bolt) -> Scribe:
    """Writes what is asked of the shop: metres to the centimetre, or yards in eighths."""
    return _METRES if bolt.per == Length.cm(100) else _YARDS


def sold_says(bolt: Bolt, length: Length, unit: Unit) -> str:
    """A length of cloth as it is asked for; where it is sold otherwise than the work is measured, both ways."""
    said = sold_in(bolt).write(length).text
    other = long_scribe(unit)
    return said if other is sold_in(bolt) else f"{said} ({other.write(length).text})"


def usual_step(*, yards: bool) -> Length:
    """How a shop cuts cloth where nothing is said: by an eighth of a yard, or by 10 cm."""
    return Length.inches(Fraction(9, 2)) if yards else Length.cm(10)


def off_bolt(length: Length, unit: Unit) -> Length:
    """That length as it is measured off a bolt: up to the centimetre, or the eighth of an inch."""
    step = Length.inches(Fraction(1, 8)) if unit.binary else Length.cm(1)
    return step * -(-(length / step) // 1)


def long_scribe(unit: Unit) -> Scribe:
    """Writes tape, thread and the like: metres, or yards in eighths."""
    return _YARDS if unit.binary else _METRES


def layout_scribe(unit: Unit) -> Scribe:
    """Writes what is measured on a cutting plan: to the millimetre, or the sixteenth of an inch."""
    return Scribe(unit, Length.inches(Fraction(1, 16)) if unit.binary else Length(1))


def weighs(grams: Fraction, *, imperial: bool) -> str:
    """A weight in kilograms, or in pounds for a sewist who is used to them."""
    return f"{float(grams / POUND):.1f} lb" if imperial else f"{float(grams) / 1000:.1f} kg"


def much(notion: Notion, unit: Unit, beside: Bolt | None = None) -> str:
    """How many or how long of a notion; where the cloth `beside` it is sold otherwise than the work is measured, both ways."""
    if notion.count is not None:
        return str(notion.count)
    length = notion.length or ZERO
    return long_scribe(unit).write(length).text if beside is None else sold_says(beside, length, unit)


def money(cost: Fraction | None, sign: str = "") -> str | None:
    """A cost to the hundredth, with the `sign` that its price has before it.

    >>> money(Fraction(7), "£"), money(Fraction(7), "Fr"), money(Fraction(7))
    ('£7.00', 'Fr 7.00', '7.00')
    """
    if cost is None:
        return None
    beside = f"{sign} " if sign[-1:].isalpha() else sign
    return f"{beside}{float(cost):.2f}"
