"""Changing the unit of a section without changing a value."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from ribbon.lengths import UNITS, Unreadable, read_length

_NUMBERS = ("count", "fullness", "times", "share", "name", "key", "price", "weight", "shrinkage")


def in_unit(spec: Mapping[str, Any], unit: str) -> dict[str, Any]:
    """`spec` written for `unit`: bare lengths are given the unit that they were typed in.

    The tape goes back to the new unit's own default, unless it was typed with a unit.
    """
    old = str(spec.get("unit", "cm"))
    if old == unit:
        return dict(spec)
    return {**with_units(spec, old), "unit": unit}


def with_units(spec: Mapping[str, Any], unit: str) -> dict[str, Any]:
    """`spec` with every bare length given `unit`, in which it was typed."""
    return {name: _told(name, value, unit) for name, value in spec.items()}


def _told(name: str, value: Any, old: str) -> Any:
    if isinstance(value, Mapping):
        if set(value) == {"about"}:
            return {"about": _told(name, value["about"], old)}
        return {inner: _told(inner, held, old) for inner, held in value.items()}
    if isinstance(value, list):
        return [_told(name, held, old) for held in value]
    if not isinstance(value, str) or name in _NUMBERS or not value.strip():
        return value
    return f"{value.strip()} {old}" if _is_bare(value) else value


def _is_bare(text: str) -> bool:
    """True for a length whose value depends on the unit it is read in."""
    try:
        return read_length(text, UNITS["mm"]) != read_length(text, UNITS["in"])
    except Unreadable:
        return False
