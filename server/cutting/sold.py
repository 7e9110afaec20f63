"""Lengths as a shop says them: cloth in metres or yards, however the work is measured."""

from __future__ import annotations

from fractions import Fraction
from typing import Any

from ribbon.cloth import Bolt
from ribbon.lengths import UNITS, Length, Scribe, Unit


def sold_in(bolt: Bolt) -> Scribe:
    """Writes what is asked of the shop: metres to the centimetre, or yards in eighths."""
    if bolt.per == Length.cm(100):
        return Scribe(UNITS["m"], Length.cm(1))
    return Scribe(UNITS["yd"], Length.inches(Fraction(9, 2)))


def long_scribe(unit: Unit) -> Scribe:
    """Writes tape, thread and the like: metres, or yards in eighths."""
    return Scribe(UNITS["yd"], Length.inches(Fraction(9, 2))) if unit.binary else Scribe(UNITS["m"], Length.cm(1))


def told_length(scribe: Scribe, length: Length) -> dict[str, Any]:
    """A length for the wire."""
    written = scribe.write(length)
    return {"mm": float(length.mm), "text": written.text, "exact": written.exact}
