"""Versions of a section's spec: old ones are brought up to date as they are read."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from typing import Any

from ribbon.lengths import UNITS, with_unit

Spec = dict[str, Any]


def _second(spec: Spec) -> Spec:
    """Version 2 reads what a machine is set to in millimetres, and weights of cloth by the work's habit.

    Nothing was added for seams that were not said, so that is said now.  Bare figures of version 1 get the unit that they had: the work's own, and grams a square metre; cloth was sold by
    the metre unless it said otherwise.
    """
    unit = str(spec.get("unit", "cm"))
    found = _machines(spec, unit)
    # What said no seam had none; what is cut stays what it was, until somebody says otherwise.
    said = found.get("allowance")
    if said is None or isinstance(said, Mapping):
        nothing = {name: "0" for name in ("start", "end", "join") if (said or {}).get(name) in (None, "")}
        found["allowance"] = {**(said or {}), **nothing}
    if "correction" in found:  # as one check alone was kept at first
        one = found.pop("correction")
        found.setdefault("corrections", [one] if one else [])
    if isinstance(found.get("parts"), list):
        found["parts"] = [_machines(part, unit) if isinstance(part, Mapping) else part for part in found["parts"]]
    if isinstance(found.get("cloth"), Mapping):
        found["cloth"] = cloth_of_two(found["cloth"])
    cutting = found.get("cutting")
    if isinstance(cutting, Mapping) and isinstance(cutting.get("lining"), Mapping):
        found["cutting"] = {**cutting, "lining": _weighed(cutting["lining"])}
    return found


def _machines(spec: Mapping[str, Any], unit: str) -> Spec:
    """The spec with the unit on what a machine is set to."""
    found = dict(spec)
    if unit not in UNITS:
        return found
    if isinstance(found.get("machine"), str):
        found["machine"] = with_unit(found["machine"], UNITS[unit])
    gathering = found.get("gathering")
    if isinstance(gathering, Mapping) and isinstance(gathering.get("ruffler"), Mapping):
        ruffler = dict(gathering["ruffler"])
        if isinstance(ruffler.get("stitch"), str):
            ruffler["stitch"] = with_unit(ruffler["stitch"], UNITS[unit])
        found["gathering"] = {**gathering, "ruffler": ruffler}
    return found


def _weighed(cloth: Mapping[str, Any]) -> Spec:
    weight = cloth.get("weight")
    if isinstance(weight, str) and weight.strip() and not any(char.isalpha() for char in weight):
        return {**cloth, "weight": f"{weight.strip()} g/m²"}
    return dict(cloth)


def cloth_of_two(cloth: Mapping[str, Any]) -> Spec:
    """A cloth of version 1 as version 2 has it."""
    found = _weighed(cloth)
    if found and not found.get("per"):
        found["per"] = "m"
    return found


def _fourth(spec: Spec) -> Spec:
    """Version 4 has the cloth of a lining as a cloth: what it said of it stood among its own rules before.

    Version 3 was one of backups alone.
    """
    cutting = spec.get("cutting")
    lining = cutting.get("lining") if isinstance(cutting, Mapping) else None
    if not isinstance(cutting, Mapping) or not isinstance(lining, Mapping):
        return spec
    rules = {name: value for name, value in lining.items() if name not in _OF_LINING}
    cloth = {name: lining[name] for name in _OF_LINING if lining.get(name) not in (None, "")}
    face = spec.get("cloth")
    if cloth and isinstance(face, Mapping):
        # It was sold as its face is.
        cloth |= {name: face[name] for name in ("per", "step", "unit") if face.get(name)}
    return {**spec, "cutting": {**cutting, "lining": {**rules, **({"cloth": cloth} if cloth else {})}}}


_OF_LINING = ("usable", "price", "weight")

# Each entry turns the version before it into itself; the first version needs none.  One more needs a migration that
# brings sections, checks and histories to it: a history says how works differ, as this version writes them.
_STEPS: dict[int, Callable[[Spec], Spec]] = {2: _second, 3: dict, 4: _fourth}
CURRENT = 1 + len(_STEPS)
"""The version of works, open files and backups."""


def current(spec: Spec, version: int, to: int = CURRENT) -> Spec:
    """`spec`, written as `version`, as the current version writes it (or one `to` which it is brought), its cloths still in it.

    Raises ValueError for a version later than this program's own.
    """
    if version > CURRENT:
        raise ValueError(f"this section was written by a later version ({version}); this one reads up to {CURRENT}")
    for step in range(version + 1, to + 1):
        spec = _STEPS[step](spec)
    return spec
