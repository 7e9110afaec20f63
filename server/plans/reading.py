"""Reading a section from the wire: text into exact lengths, every problem kept."""

from __future__ import annotations

from collections.abc import Mapping
from decimal import Decimal
from fractions import Fraction
from typing import Any

from ribbon.errors import Problem, Refusal, refuse
from ribbon.lengths import UNITS, Length, Unreadable, loosened, read_count, read_ratio
from ribbon.pins import Band, End, Part, Pin, Remainder, School, Section, dragged, nudged
from ribbon.pins.section import KINDS
from ribbon.pleats import Facing, Quantity
from ribbon.pleats.pinch import PINCH
from server.plans.shapes import read_allowance, read_cloth, read_shape
from server.plans.texts import Texts, part

_TIMES = {"0": Fraction(0), "1/2": Fraction(1, 2), "½": Fraction(1, 2), "0.5": Fraction(1, 2), "1": Fraction(1)}
_FINEST = Length(Fraction(1, 10))


def read_move(move: Mapping[str, Any]) -> str:
    """What a pin says after it was moved by hand.  Raises `Refusal`."""
    unit = UNITS[move["unit"]]
    texts = Texts(unit)
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


def read_section(data: object) -> tuple[Section | Band | None, list[Problem]]:
    """The section that `data` describes and the problems found; None where its shape is wrong."""
    if not isinstance(data, Mapping):
        return None, []
    return _read_band(data) if data.get("kind") == "mixed" else _read_row(data)


def _read_band(data: Mapping[str, Any]) -> tuple[Band | None, list[Problem]]:
    """A mixed edge: what holds for all of it, then each part as a section of its own in the same unit and tape."""
    unit = UNITS.get(str(data.get("unit", "cm")))
    parts = data.get("parts", [])
    if unit is None or not isinstance(parts, list):
        return None, []
    texts = Texts(unit)
    habit = _habit(data)
    tape = _tape(texts, data)
    pin = _pin(texts, Quantity.FINISHED, part(data, "pins").get("finished"), halves=False)
    if pin is not None and pin.value <= 0:
        texts.problems.append(
            Problem("not_positive", "pins.finished", "0", "an edge of nought cannot be", "use a width above nought")
        )
    found: list[Part] = []
    for index, one in enumerate(parts[:24]):
        if not isinstance(one, Mapping):
            return None, texts.problems
        path = f"parts.{index}"
        share = texts.read(f"{path}.share", one.get("share"), read_ratio) if one.get("share") is not None else None
        width = texts.positive(f"{path}.width", one.get("width"))
        section = None
        if one.get("kind") != "plain":
            shared = {"unit": data.get("unit", "cm"), "tape": data.get("tape", ""), "habit": data.get("habit")}
            section, problems = _read_row({**one, **shared})
            texts.problems += [problem.under(path) for problem in problems if problem.path != "tape"]
            if section is None:
                return None, texts.problems
        if share is not None and not 0 < share <= 1:
            texts.problems.append(
                Problem(
                    "not_share",
                    f"{path}.share",
                    str(one.get("share")),
                    "a share is a part of the edge",
                    "use a part such as 1/4, or give a width",
                )
            )
        found.append(Part(section, share, width))
    imperial = unit.binary if habit is None else habit
    allowance = read_allowance(texts, data, imperial=imperial)
    cloth = read_cloth(texts, part(data, "cloth"))
    machine = texts.machine("machine", data.get("machine"))
    finished = Length(pin.value) if pin is not None else None
    return Band(tuple(found), finished, unit, tape, allowance, cloth, machine, habit), texts.problems


def _habit(data: Mapping[str, Any]) -> bool | None:
    """Whether what is assumed is assumed in inches; None as the unit is."""
    said = data.get("habit")
    return said == "inches" if said in ("inches", "metric") else None


def _read_row(data: Mapping[str, Any]) -> tuple[Section | None, list[Problem]]:
    unit, kind = UNITS.get(str(data.get("unit", "cm"))), KINDS.get(str(data.get("kind")))
    if unit is None or kind is None:
        return None, []
    texts = Texts(unit)
    # Half a pleat on a fold line counts a half: with one, a count such as 4½ can be pinned.
    halves = any(part(data, name).get("fold") is True for name in ("lead", "tail"))
    pins = {}
    for name in Quantity:
        pin = _pin(texts, name, part(data, "pins").get(name), halves=halves)
        if pin is not None:
            pins[name] = pin
    tape = _tape(texts, data)
    lead, tail = (_end(texts, name, part(data, name)) for name in ("lead", "tail"))
    habit = _habit(data)
    imperial = unit.binary if habit is None else habit
    allowance = read_allowance(texts, data, imperial=imperial)
    cloth = read_cloth(texts, part(data, "cloth"))
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
            allowance=allowance,
            cloth=cloth,
            habit=habit,
            **read_shape(
                texts, data, PINCH[data.get("fingers", 3)] if kind.name == "pinch" else kind, imperial=imperial
            ),
        )
    except (ValueError, KeyError, TypeError):
        return None, texts.problems  # the schema says what is wrong
    return section, texts.problems


def _pin(texts: Texts, name: Quantity, value: object, *, halves: bool) -> Pin | None:
    firm = not isinstance(value, Mapping)
    path = f"pins.{name}" if firm else f"pins.{name}.about"
    said = value if firm else value.get("about")  # type: ignore[attr-defined]
    if isinstance(said, str):
        said, loose = loosened(said)  # about 3, ~3 and 3ish hold loosely, however they are pinned
        firm = firm and not loose
    if name is Quantity.COUNT:
        count = texts.read(path, said, read_ratio if halves else read_count)
        return None if count is None else Pin(Fraction(count), firm)
    if name is Quantity.FULLNESS:
        ratio = texts.read(path, said, read_ratio)
        return None if ratio is None else Pin(ratio, firm)
    length = texts.length(path, said)
    return None if length is None else Pin(length.mm, firm)


def _tape(texts: Texts, data: Mapping[str, Any]) -> Length | None:
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


def _end(texts: Texts, name: str, data: Mapping[str, Any]) -> End:
    if data.get("fold") is True:
        return End(times=Fraction(0), fold=True)
    width, times = data.get("width"), data.get("times")
    if width is not None and times is not None:
        texts.problems.append(
            Problem(
                "both",
                name,
                f"{width}, {times}",
                f"{'before the first pleat' if name == 'lead' else 'after the last'} stands either a width or times the spacing",
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
