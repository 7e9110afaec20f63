"""How lengths and ratios are written in answers: as numbers to draw by, and as text to read."""

from __future__ import annotations

from typing_extensions import TypedDict

from ribbon.edge import EdgePlan, Plan
from ribbon.facts import Edge, Section
from ribbon.fraction import Fraction
from ribbon.lengths import Length, Scribe, typed, write_ratio


class LengthOut(TypedDict):
    """A length: millimetres for drawing, text for reading, and whether the text is exact."""

    mm: float
    text: str
    exact: bool


class RatioOut(TypedDict):
    """A ratio."""

    text: str
    value: float


def told_length(scribe: Scribe, length: Length) -> LengthOut:
    """A length as that scribe writes it."""
    top, bottom = length.mm.numerator, length.mm.denominator
    text, exact = scribe.write_parts(top, bottom)
    return {"mm": top / bottom, "text": text, "exact": exact}


def told_ratio(value: Fraction) -> RatioOut:
    """A ratio, written and as a number."""
    return {"text": write_ratio(value).text, "value": float(value)}


def number(value: Fraction) -> int | float:
    """A pure number as JSON has it, whole where it is."""
    return value.numerator if value.denominator == 1 else float(value)


class Writer:
    """Writes the lengths of one edge: places at the tape's division, sizes a little finer."""

    def __init__(self, edge: Edge | Section) -> None:
        self.places: Scribe = edge.scribe
        self.sizes: Scribe = edge.fine

    @classmethod
    def of(cls, made: EdgePlan | Plan) -> Writer:
        """The writer of a planned edge."""
        return cls(made.edge if isinstance(made, EdgePlan) else made.section)

    def place(self, length: Length) -> LengthOut:
        """A position or a width to measure."""
        return told_length(self.places, length)

    def size(self, length: Length) -> LengthOut:
        """A solved size, such as a spacing or a depth."""
        return told_length(self.sizes, length)

    def size_or_none(self, length: Length | None) -> LengthOut | None:
        """The same, None where there is none."""
        return None if length is None else self.size(length)

    def typed(self, length: Length) -> str:
        """A length as it is typed into a pin: exact."""
        return typed(length, self.sizes.unit)
