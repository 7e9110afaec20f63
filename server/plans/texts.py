"""Reading one text after another, keeping what could not be read."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from decimal import Decimal
from typing import Any, TypeVar

from ribbon.errors import Problem
from ribbon.lengths import UNITS, ZERO, Length, Unit, Unreadable, read_length

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

    def machine(self, path: str, value: object) -> Length | None:
        """`value` as what a machine is set to: a bare number is millimetres, whatever the work is measured in."""
        return self.positive(path, value, UNITS["mm"])

    def positive(self, path: str, value: object, unit: Unit | None = None) -> Length | None:
        """`value` as a length above nought, in the section's unit or another one."""
        length = self.read(path, value, lambda text: read_length(text, unit or self.unit))
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
