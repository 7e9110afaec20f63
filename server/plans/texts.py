"""Reading one text after another, keeping what could not be read."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from decimal import Decimal
from typing import Any, TypeVar

from ribbon.errors import Problem
from ribbon.lengths import ZERO, Length, Unit, Unreadable, read_length

T = TypeVar("T")


def as_text(value: object) -> object:
    """A number as the text it was written as; anything else as it is."""
    if isinstance(value, bool) or not isinstance(value, int | float):
        return value
    return format(Decimal(repr(value)), "f") if isinstance(value, float) else str(value)


class Texts:
    """Reads one text after another and keeps what could not be read."""

    def __init__(self, unit: Unit) -> None:
        self.unit = unit
        self.problems: list[Problem] = []

    def read(self, path: str, value: object, reader: Callable[[str], T]) -> T | None:
        """What `reader` makes of `value`; None, and a problem, if it cannot.  Values that are no text are left to the schema."""
        text = as_text(value)
        if not isinstance(text, str):
            return None
        try:
            return reader(text)
        except Unreadable as error:
            self.problems.append(Problem("unreadable", path, text, error.message, error.way_out))
            return None

    def length(self, path: str, value: object) -> Length | None:
        """`value` as a length in the section's unit."""
        return self.read(path, value, lambda text: read_length(text, self.unit))

    def positive(self, path: str, value: object) -> Length | None:
        """`value` as a length above nought."""
        length = self.length(path, value)
        if length is not None and length <= ZERO:
            self.problems.append(
                Problem("not_positive", path, str(value), "nought cannot be", "use more than nought, or leave it out")
            )
            return None
        return length


def part(data: Mapping[str, Any], name: str) -> Mapping[str, Any]:
    """The object under `name`, empty where there is none."""
    value = data.get(name)
    return value if isinstance(value, Mapping) else {}
