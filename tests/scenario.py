"""Sections of the scenario, made short."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from ribbon.facts import KINDS, End, Pin, Section
from ribbon.fraction import Fraction
from ribbon.lengths import UNITS, Length, read_count, read_length, read_ratio
from ribbon.pleats import Quantity

SIXTEENTH = Length.inches(Fraction(1, 16))
MM = Length(1)


def pin(name: str, text: str) -> Pin:
    """A pin from text; one that begins with ~ is about."""
    firm, text = not text.startswith("~"), text.removeprefix("~")
    if name == "count":
        return Pin(Fraction(read_count(text)), firm)
    if name == "fullness":
        return Pin(read_ratio(text), firm)
    return Pin(read_length(text, UNITS["mm"]).mm, firm)


def section(kind: str, pins: Mapping[str, str], **facts: Any) -> Section:
    """A section of that kind with those pins, as text with units."""
    facts.setdefault("unit", UNITS["in" if any("in" in text for text in pins.values()) else "cm"])
    facts.setdefault("tape", SIXTEENTH if facts["unit"].sign == "in" else MM)
    return Section(KINDS[kind], {Quantity(name): pin(name, text) for name, text in pins.items()}, **facts)


def wide(text: str) -> End:
    """An end of a stated width."""
    return End(width=read_length(text, UNITS["mm"]))


FULL, HALF, NONE = End(times=Fraction(1)), End(), End(times=Fraction(0))
