"""Reading a section from the wire: text into exact lengths, every problem kept."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from decimal import Decimal
from fractions import Fraction
from typing import Any, TypeVar

from ribbon.errors import Problem, Refusal, refuse
from ribbon.lengths import UNITS, ZERO, Length, Unit, Unreadable, read_count, read_length, read_ratio
from ribbon.pins import Allowance, Cloth, End, Pin, Remainder, School, Section, dragged, nudged
from ribbon.pins.section import KINDS
from ribbon.pleats import Facing, Quantity
from ribbon.pleats.pinch import PINCH

_TIMES = {"0": Fraction(0), "1/2": Fraction(1, 2), "½": Fraction(1, 2), "0.5": Fraction(1, 2), "1": Fraction(1)}
T = TypeVar("T")
_FINEST = Length(Fraction(1, 10))


def as_text(value: object) -> object:
    """A number as the text it was written as; anything else as it is."""
    if isinstance(value, bool) or not isinstance(value, int | float):
        return value
    return format(Decimal(repr(value)), "f") if isinstance(value, float) else str(value)


class _Texts:
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


def read_move(move: Mapping[str, Any]) -> str:
    """What a pin says after it was moved by hand.  Raises `Refusal`."""
    unit = UNITS[move["unit"]]
    texts = _Texts(unit)
    tape = _tape(texts, move) or Length(1)
    quantity = Quantity(move["quantity"])
    if texts.problems:
        raise Refusal(texts.problems)
    if move.get("text") is None:
        start, end = (Length(Fraction(Decimal(repr(move[name])))) for name in ("start", "end"))
        return dragged(quantity, start, end, unit, tape)
    try:
        return nudged(quantity, str(move["text"]), unit, tape, move["by"])
    except Unreadable as error:
        raise refuse("unreadable", f"pins.{quantity}", move["text"], error.message, error.way_out) from None


def _part(data: Mapping[str, Any], name: str) -> Mapping[str, Any]:
    value = data.get(name)
    return value if isinstance(value, Mapping) else {}


def read_section(data: object) -> tuple[Section | None, list[Problem]]:
    """The section that `data` describes and the problems found; None where its shape is wrong."""
    if not isinstance(data, Mapping):
        return None, []
    unit, kind = UNITS.get(str(data.get("unit", "cm"))), KINDS.get(str(data.get("kind")))
    if unit is None or kind is None:
        return None, []
    texts = _Texts(unit)
    pins = {}
    for name in Quantity:
        pin = _pin(texts, name, _part(data, "pins").get(name))
        if pin is not None:
            pins[name] = pin
    tape = _tape(texts, data)
    lead, tail = (_end(texts, name, _part(data, name)) for name in ("lead", "tail"))
    allowance = [
        texts.length(f"allowance.{name}", _part(data, "allowance").get(name)) or ZERO for name in Allowance._fields
    ]
    cloth = [_positive(texts, f"cloth.{name}", _part(data, "cloth").get(name)) for name in Cloth._fields]
    mirror_at = texts.length("mirror_at", data.get("mirror_at"))
    try:
        section = Section(
            kind=PINCH[data.get("fingers", 3)] if kind.name == "pinch" else kind,
            pins=pins,
            unit=unit,
            tape=tape,
            meet=data.get("meet"),
            facing=Facing(data.get("facing", "right")),
            mirror_at=mirror_at,
            closed=bool(data.get("closed", False)),
            lead=lead,
            tail=tail,
            remainder=Remainder(data.get("remainder", "spacing")),
            school=School(data.get("fullness_of", "pleated")),
            allowance=Allowance(*allowance),
            cloth=Cloth(*cloth),
        )
    except (ValueError, KeyError, TypeError):
        return None, texts.problems  # the schema says what is wrong
    return section, texts.problems


def _pin(texts: _Texts, name: Quantity, value: object) -> Pin | None:
    firm = not isinstance(value, Mapping)
    path = f"pins.{name}" if firm else f"pins.{name}.about"
    said = value if firm else value.get("about")  # type: ignore[attr-defined]
    if name is Quantity.COUNT:
        count = texts.read(path, said, read_count)
        return None if count is None else Pin(Fraction(count), firm)
    if name is Quantity.FULLNESS:
        ratio = texts.read(path, said, read_ratio)
        return None if ratio is None else Pin(ratio, firm)
    length = texts.length(path, said)
    return None if length is None else Pin(length.mm, firm)


def _tape(texts: _Texts, data: Mapping[str, Any]) -> Length | None:
    if "tape" in data and data["tape"] is None:
        return None
    if not data.get("tape"):
        return Length.inches(Fraction(1, 16)) if texts.unit.binary else Length(1)
    tape = texts.length("tape", data["tape"])
    if tape is not None and tape < _FINEST:
        texts.problems.append(
            Problem("too_fine", "tape", str(data["tape"]), "no chalk is that fine", "use 1/16 in, 1/8 in, 1 mm or 5 mm")
        )
        return None
    return tape


def _positive(texts: _Texts, path: str, value: object) -> Length | None:
    length = texts.length(path, value)
    if length is not None and length <= ZERO:
        texts.problems.append(
            Problem("not_positive", path, str(value), "nought cannot be", "use more than nought, or leave it out")
        )
        return None
    return length


def _end(texts: _Texts, name: str, data: Mapping[str, Any]) -> End:
    width, times = data.get("width"), data.get("times")
    if width is not None and times is not None:
        texts.problems.append(
            Problem(
                "both",
                name,
                f"{width}, {times}",
                f"the {name} is either a width or times the spacing",
                "leave one of them out",
            )
        )
    if width is not None:
        return End(width=texts.length(f"{name}.width", width))
    if times is None:
        return End()
    said = str(times).strip()
    if said not in _TIMES and not isinstance(times, Mapping | list | bool):
        texts.problems.append(
            Problem(
                "not_times",
                f"{name}.times",
                said,
                f"{said[:40]} is not a part of a space that an end can have",
                "use 0, 1/2 or 1, or give a width",
            )
        )
    return End(times=_TIMES.get(said, Fraction(1, 2)))
