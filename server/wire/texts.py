"""Reads typed texts one after another and collects those that cannot be read."""

from __future__ import annotations

from collections.abc import Callable
from decimal import Decimal
from typing import TypeVar

from ribbon.errors import Problem
from ribbon.lengths import UNITS, ZERO, Length, Unit, Unreadable, read_length
from server.wire.tied import Tied

T = TypeVar("T")


def as_text(value: object) -> object:
    """A number as the text it was written as; anything else as it is."""
    if isinstance(value, bool) or not isinstance(value, int | float):
        return value
    if not isinstance(value, float):
        return str(value)
    text = format(Decimal(repr(value)), "f")
    # A number says what it says; three decimals of a text might be thousands.
    return f"{text}0" if len(text.partition(".")[2]) == 3 else text


class Texts:
    """Reads typed texts one after another; `problems` collects those that cannot be read."""

    def __init__(self, unit: Unit) -> None:
        self.unit = unit
        self.problems: list[Problem] = []

    def add(self, code: str, path: str, value: object, message: str, way_out: str) -> None:
        """Keep one more problem."""
        self.problems.append(Problem(code, path, str(value), message, way_out))

    def read(self, path: str, text: str | Tied, reader: Callable[[str], T]) -> T | None:
        """What `reader` makes of a text; None, and a problem, if it cannot, or if what it is tied to is not known here."""
        if isinstance(text, Tied):
            way_out = "send it with its thing, or type the figure itself"
            self.add("tied", path, text, f"it follows from {text.tied}, and there is no such thing here", way_out)
            return None
        try:
            return reader(text)
        except Unreadable as error:
            self.add("unreadable", path, text, error.message, error.way_out)
            return None

    def read_or_none(self, path: str, text: str | Tied | None, reader: Callable[[str], T]) -> T | None:
        """The same, None also where nothing was typed."""
        return None if text in (None, "") else self.read(path, text or "", reader)

    def length(self, path: str, text: str | Tied) -> Length | None:
        """A length in the edge's unit."""
        return self.read(path, text, lambda said: read_length(said, self.unit))

    def length_or_none(self, path: str, text: str | Tied | None) -> Length | None:
        """The same, None also where nothing was typed."""
        return None if text in (None, "") else self.length(path, text or "")

    def positive(self, path: str, text: str | Tied, unit: Unit | None = None) -> Length | None:
        """A length above nought, in the edge's unit or another one."""
        length = self.read(path, text, lambda said: read_length(said, unit or self.unit))
        if length is not None and length <= ZERO:
            self.add("not_positive", path, text, "nought cannot be", "use more than nought, or leave it out")
            return None
        return length

    def given(self, path: str, text: str | Tied | None) -> Length | None:
        """The same, None also where nothing was typed."""
        return None if text in (None, "") else self.positive(path, text or "")

    def machine(self, path: str, text: str | None) -> Length | None:
        """What a machine is set to: a bare number is millimetres, whatever the work is measured in."""
        return None if text in (None, "") else self.positive(path, text or "", UNITS["mm"])
