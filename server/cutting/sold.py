"""Lengths and weights as a shop says them: cloth in metres or yards, by how it is sold; the rest as the work is measured."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from fractions import Fraction
from typing import Any, TypeVar

from ribbon.cloth import Bolt, LiningCut, Notion, Way
from ribbon.lengths import UNITS, ZERO, Length, Scribe, Unit
from server.plans.drawn import Writer

_POUND = Fraction("453.59237")
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


def long_scribe(unit: Unit) -> Scribe:
    """Writes tape, thread and the like: metres, or yards in eighths."""
    return _YARDS if unit.binary else _METRES


def weighs(grams: Fraction, unit: Unit) -> str:
    """A weight in kilograms, or in pounds where the work is measured in inches."""
    return f"{float(grams / _POUND):.1f} lb" if unit.binary else f"{float(grams) / 1000:.1f} kg"


def told_length(scribe: Scribe, length: Length) -> dict[str, Any]:
    """A length for the wire."""
    written = scribe.write(length)
    return {"mm": float(length.mm), "text": written.text, "exact": written.exact}


def much(notion: Notion, unit: Unit) -> str:
    """How many or how long of a notion."""
    return str(notion.count) if notion.count is not None else long_scribe(unit).write(notion.length or ZERO).text


def money(cost: Fraction | None) -> str | None:
    """A cost to the hundredth."""
    return None if cost is None else f"{float(cost):.2f}"


Lies = TypeVar("Lies", Way, LiningCut)


def told_ways(
    writer: Writer,
    bolt: Bolt,
    ways: Sequence[Lies],
    taken: Lies,
    length: Callable[[Lies], Length],
    says: Callable[[Lies], str],
) -> list[dict[str, Any]]:
    """The ways that a face or a lining can lie, compared."""
    return [
        {
            "name": way.name,
            "says": says(way),
            "length": writer.size(length(way)),
            "cost": money(bolt.cost(bolt.bought(length(way)))),
            "joins": way.joins,
            "why_not": way.why_not,
            "taken": way == taken,
        }
        for way in ways
    ]
