"""The cloths of a work by their roles: sections name them, and none holds a cloth of its own."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from ribbon.cloth import FACE, LINING
from server.making.kept import resolved
from server.wire.cloth import role_of

Spec = dict[str, Any]
Document = dict[str, Any]
MOST_CLOTHS = 12


class TooMany(Exception):
    """A work has all the cloths it can hold."""


def housed(document: Document, *, apart: bool = False) -> Document:
    """The document with every cloth that a section holds among the cloths of the work, and its role in its place.

    A cloth that is there already keeps its role, another one takes the next that is free.  With `apart` a section
    without a cloth is one whose cloth is not known: it does not share that of another section, as it did not before
    works had cloths.  Raises `TooMany`.
    """
    cloths: dict[str, Spec] = dict(document.get("cloths") or {})
    sections = [
        {**one, "spec": _housed(one["spec"], cloths, apart=apart and len(document["sections"]) > 1)}
        for one in document["sections"]
    ]
    if len(cloths) > MOST_CLOTHS:
        raise TooMany
    return {**document, "cloths": cloths, "thing": document.get("thing"), "sections": sections}


def _housed(spec: Spec, cloths: dict[str, Spec], *, apart: bool) -> Spec:
    unit = str(spec.get("unit", "cm"))
    made = {name: value for name, value in spec.items() if name != "cloths"}
    given = spec.get("cloths")
    for role, cloth in (given if isinstance(given, Mapping) else {}).items():
        cloths.setdefault(role, _own(cloth, unit))
    role = _role(spec.get("cloth"), FACE, unit, cloths, apart=apart)
    made.pop("cloth", None)
    if role != FACE:
        made["cloth"] = role
    cutting = spec.get("cutting")
    lining = cutting.get("lining") if isinstance(cutting, Mapping) else None
    if isinstance(cutting, Mapping) and isinstance(lining, Mapping):
        rules = {name: value for name, value in lining.items() if name != "cloth"}
        lining_role = _role(lining.get("cloth"), LINING, unit, cloths, apart=apart)
        if lining_role != LINING:
            rules["cloth"] = lining_role
        made["cutting"] = {**cutting, "lining": rules}
    return made


def _role(said: Any, base: str, unit: str, cloths: dict[str, Spec], *, apart: bool) -> str:
    """The role of the cloth that a section names or holds."""
    if isinstance(said, str):
        return said
    if not isinstance(said, Mapping) and not apart:
        return base
    cloth = _own(said if isinstance(said, Mapping) else {}, unit)
    number, role = 1, base
    while role in cloths and cloths[role] != cloth:
        number += 1
        role = f"{base} {number}"
    if cloth or role != base or apart:
        cloths[role] = cloth
    return role


def _own(cloth: Mapping[str, Any], unit: str) -> Spec:
    """A cloth with the unit that its bare numbers are read in."""
    return {**cloth, "unit": cloth.get("unit") or unit} if any(cloth.values()) else {}


def with_spec(document: Document, key: str, spec: Spec) -> Document:
    """The document with another spec for one section.

    A cloth that the spec holds is from now on the cloth of the role that the section has, where no other names it.
    """
    old = next(one["spec"] for one in document["sections"] if one["key"] == key)
    cloths, unit = dict(document["cloths"]), str(spec.get("unit", "cm"))
    elsewhere = {role for one in document["sections"] if one["key"] != key for role in roles_of(one["spec"])}
    made = {**spec}
    said, role = spec.get("cloth"), role_of(old.get("cloth"), FACE)
    if isinstance(said, Mapping) and role not in elsewhere:
        cloths[role], made["cloth"] = _own(said, unit), role
    cutting = spec.get("cutting")
    lining = cutting.get("lining") if isinstance(cutting, Mapping) else None
    if isinstance(cutting, Mapping) and isinstance(lining, Mapping) and isinstance(lining.get("cloth"), Mapping):
        before = old.get("cutting")
        own = before.get("lining") if isinstance(before, Mapping) else None
        role = role_of(own.get("cloth") if isinstance(own, Mapping) else None, LINING)
        if role not in elsewhere:
            cloths[role] = _own(lining["cloth"], unit)
            made["cutting"] = {**cutting, "lining": {**lining, "cloth": role}}
    sections = [{**one, "spec": made} if one["key"] == key else one for one in document["sections"]]
    return {**document, "cloths": cloths, "sections": sections}


def roles_of(spec: Spec) -> set[str]:
    """The roles of the cloths that a section names."""
    found = {role_of(spec.get("cloth"), FACE)}
    cutting = spec.get("cutting")
    if isinstance(cutting, Mapping):
        lining = cutting.get("lining")
        if isinstance(lining, Mapping):
            found.add(role_of(lining.get("cloth"), LINING))
        pieces = cutting.get("pieces")
        found |= {
            one["cloth"] for one in pieces or [] if isinstance(one, Mapping) and isinstance(one.get("cloth"), str)
        }
    return found


def all_alone(work: Any) -> list[tuple[Any, Spec]]:
    """(section, its spec by itself) of every section of a work, its ties resolved and its cloths in it."""
    sections = list(work.sections.all())
    specs = resolved(work.thing, work.cloths, [one.spec for one in sections])
    return [(one, unhoused(spec, work.cloths)) for one, spec in zip(sections, specs, strict=True)]


def alone(section: Any) -> Spec:
    """One section of a work by itself, its ties resolved and its cloths in it."""
    return next(spec for one, spec in all_alone(section.work) if one.key == section.key)


def unhoused(spec: Spec, cloths: Mapping[str, Spec]) -> Spec:
    """The spec of a section by itself, its cloths in it: as it is checked, sent and shown alone."""
    made = {**spec}
    face = spec.get("cloth", FACE)
    if isinstance(face, str):
        made.pop("cloth", None)
        if cloths.get(face):
            made["cloth"] = cloths[face]
    cutting = spec.get("cutting")
    lining = cutting.get("lining") if isinstance(cutting, Mapping) else None
    if isinstance(cutting, Mapping) and isinstance(lining, Mapping) and isinstance(lining.get("cloth", LINING), str):
        cloth = cloths.get(lining.get("cloth", LINING))
        rules = {name: value for name, value in lining.items() if name != "cloth"}
        made["cutting"] = {**cutting, "lining": {**rules, **({"cloth": cloth} if cloth else {})}}
    pieces = (cutting or {}).get("pieces", [])
    named: set[str] = {one["cloth"] for one in pieces if isinstance(one, Mapping) and one.get("cloth")}
    if named & cloths.keys():
        made["cloths"] = {role: cloths[role] for role in sorted(named & cloths.keys())}
    return made
