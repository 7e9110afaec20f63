"""Changing the unit of a section without changing a value."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from ribbon.lengths import UNITS, with_unit
from ribbon.making import THINGS, Sort

Document = dict[str, Any]
Spec = dict[str, Any]

# Pure numbers, words, and what a machine is set to, which is in millimetres in every work.
_NUMBERS = (
    "count",
    "fullness",
    "times",
    "share",
    "name",
    "key",
    "price",
    "shrinkage",
    "stitch",
    "machine",
    "swatch",
    "colour",
    "unit",
    "tied",
)


def work_in_unit(document: Document, unit: str) -> Document:
    """A work written for `unit`: no value changes, and what is assumed stays as it was assumed in all of it.

    A work that is still empty takes the habit of its new unit.
    """
    habit = (habit_of(document) or _habit(_unit_of(document))) if _begun(document) else None
    kept = None if habit == _habit(unit) else habit

    def with_habit(spec: Spec) -> Spec:
        made = {name: value for name, value in spec.items() if name != "habit"}
        return made | ({"habit": kept} if kept else {})

    thing = document["thing"]
    return {
        **document,
        "cloths": {role: cloth_in_unit(cloth, unit) for role, cloth in document["cloths"].items()},
        "thing": with_habit(thing_in_unit(thing, unit)) if thing else None,
        "sections": [{**part, "spec": with_habit(in_unit(part["spec"], unit))} for part in document["sections"]],
    }


def habit_of(document: Document) -> str | None:
    """What a work is used to where that is not as its unit is."""
    specs = [document["thing"] or {}, *(part["spec"] for part in document["sections"])]
    return next((str(spec["habit"]) for spec in specs if spec.get("habit")), None)


def _unit_of(document: Document) -> str:
    first = document["sections"][0]["spec"] if document["sections"] else {}
    return str((document["thing"] or first).get("unit") or "cm")


_MEASURED = ("usable", "width", "length", "thickness", "sheets")


def _begun(document: Document) -> bool:
    """Whether anything was measured in a work."""
    thing, cloths = document["thing"], document["cloths"].values()
    if any(cloth.get(name) for cloth in cloths for name in _MEASURED) or (thing and thing.get("measures")):
        return True
    free = [part["spec"] for part in document["sections"] if not part["spec"].get("edge")]
    return any(spec.get("pins") or spec.get("parts") for spec in free)


def in_unit(spec: Mapping[str, Any], unit: str) -> Spec:
    """`spec` written for `unit`: bare lengths are given the unit that they were typed in.

    The tape goes to the new unit's own default, unless it was typed with a unit.
    """
    old = str(spec.get("unit", "cm"))
    return dict(spec) if old == unit else {**with_units(spec, old), "unit": unit}


def cloth_in_unit(cloth: Mapping[str, Any], unit: str) -> dict[str, Any]:
    """A cloth written for `unit`: bare figures are given what they were typed in, and stay what they are."""
    old = str(cloth.get("unit") or unit)
    if not cloth or old == unit:
        return dict(cloth)
    found = {name: _told(name, value, old) for name, value in cloth.items()}
    if (found.get("price") or found.get("step")) and not found.get("per"):
        found["per"] = sold_by({}, old)
    return {**found, "unit": unit}


def thing_in_unit(thing: Mapping[str, Any], unit: str) -> dict[str, Any]:
    """A thing written for `unit`: bare lengths are given the unit that they were typed in, and stay what they are."""
    old = str(thing.get("unit") or "cm")
    if old == unit:
        return dict(thing)
    fields = THINGS[thing["kind"]].by_name if thing.get("kind") in THINGS else {}
    bare = UNITS[old]
    inches = (thing.get("habit") or _habit(old)) == "inches"

    def told(value: Any) -> Any:
        if isinstance(value, list):
            return [told(one) for one in value]
        return with_unit(value, bare) if isinstance(value, str) and value.strip() else value

    def weighed(value: Any) -> Any:
        typed = isinstance(value, str) and value.strip() and not any(char.isalpha() for char in value)
        return f"{value.strip()} {'lb' if inches else 'kg'}" if typed else value

    measures = {name: told(value) for name, value in (thing.get("measures") or {}).items()}

    def cornered(value: Any) -> Any:
        """Corners as typed, each length with its unit and no space before it."""
        if not isinstance(value, str):
            return value
        corners = (" ".join(told(part).replace(" ", "") for part in one.split()) for one in value.split(";"))
        return "; ".join(corners)

    def chosen(name: str, value: Any) -> Any:
        field = fields.get(name)
        if field is None or field.in_mm:
            return value  # what a machine is set to is in millimetres in every work
        if field.corners:
            return cornered(value)
        if field.sort is Sort.LENGTH:
            return told(value)
        return weighed(value) if field.sort is Sort.WEIGHT else value

    choices = {name: chosen(name, value) for name, value in (thing.get("choices") or {}).items()}
    found = {**thing, "measures": measures, "choices": choices, "unit": unit}
    if found.get("seam"):
        found["seam"] = told(found["seam"])
    return found


def _habit(unit: str) -> str:
    return "inches" if UNITS[unit].binary else "metric"


def with_units(spec: Mapping[str, Any], unit: str) -> dict[str, Any]:
    """`spec` with every bare length given `unit`, in which it was typed, and every bare weight what goes with it."""
    found = {name: _told(name, value, unit) for name, value in spec.items()}
    cloth = found.get("cloth")
    if isinstance(cloth, Mapping) and (cloth.get("price") or cloth.get("step")) and not cloth.get("per"):
        found["cloth"] = {**cloth, "per": sold_by(spec, unit)}
    return found


def sold_by(spec: Mapping[str, Any], unit: str) -> str:
    """What cloth is sold by where that is not said: the metre or the yard, by what a sewist is used to."""
    return "yd" if (spec.get("habit") or _habit(unit)) == "inches" else "m"


def _told(name: str, value: Any, old: str) -> Any:
    if isinstance(value, Mapping):
        if set(value) == {"about"}:
            return {"about": _told(name, value["about"], old)}
        return {inner: _told(inner, held, old) for inner, held in value.items()}
    if isinstance(value, list):
        return [_told(name, held, old) for held in value]
    if not isinstance(value, str) or name in _NUMBERS or not value.strip():
        return value
    if name == "weight":
        bare = not any(char.isalpha() for char in value)
        return f"{value.strip()} {'oz/yd²' if UNITS[old].binary else 'g/m²'}" if bare else value
    return with_unit(value, UNITS[old])
