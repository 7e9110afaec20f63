"""A thing among what is kept of a work: which sections are its edges, and what follows when it changes."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from typing import Any

from pydantic import ValidationError

from ribbon.errors import Refusal
from ribbon.making import THINGS, FirstStroke, Thing
from server.making.answer import thing_made
from server.making.read_thing import read_thing
from server.making.ties import Spec, as_mirror, base_spec, loosened, merged, own_facts, untied
from server.wire.cloth import ClothSpec
from server.wire.work import ThingSpec

Document = dict[str, Any]
_OF_ONE = frozenset({"done", "took", "sessions"})
"""What of an order of making belongs to one work alone."""


def _begun(thing: Any, cloths: Mapping[str, Any]) -> FirstStroke | None:
    """The first stroke of a thing as it is kept; None where there is none, or its measures cannot be read."""
    if not isinstance(thing, Mapping):
        return None
    try:
        said = ThingSpec.model_validate(thing)
        known = {role: ClothSpec.model_validate(cloth) for role, cloth in cloths.items()}
        thing_read, given = read_thing(said, known)
        return thing_read.begin(given)
    except (Refusal, ValidationError):
        return None


def edges_kept(thing: Any, cloths: Mapping[str, Any], *, there: bool = False) -> dict[str, tuple[str, Spec]] | None:
    """(title, section with its ties) of each edge of a thing, by its name; None where that cannot be told as it is.

    Where its edges are `there` already they follow what is chosen also while a measure is lacking: a usual one stands in
    for it, for what is kept of an edge is its ties and not their numbers.
    """
    begun = _begun(thing, cloths)
    if there and begun is not None and not begun.edges and not begun.problems:
        usual = THINGS[str(thing["kind"])].typical
        begun = _begun({**thing, "measures": {**usual, **(thing.get("measures") or {})}}, cloths)
    if begun is None or begun.problems or not begun.edges:
        return None
    return {one.name: (one.title, base_spec(one, thing.get("habit"))) for one in begun.edges}


def followed(before: Document, after: Document, new_section: Callable[[str, Spec], Spec]) -> Document:
    """The document after a change, its sections as its thing now has them.

    What the thing gives follows it, a sewist's own facts stay; edges that it no longer has go, those that it newly has
    come.  Where its measures cannot be read its sections stay as they are.
    """
    if not after.get("thing"):
        return after
    has_edges = any(section["spec"].get("edge") for section in after["sections"])
    now = edges_kept(after["thing"], after["cloths"], there=has_edges)
    if now is None:
        return after
    was = edges_kept(before.get("thing"), before.get("cloths") or {}, there=has_edges) or {}
    if now == was and before.get("thing"):
        return after
    sections, there = [], set()
    for section in after["sections"]:
        name = section["spec"].get("edge")
        if name is None or name in there:
            sections.append(section)
        elif name in now:
            there.add(name)
            old = was.get(name)
            if old is None:  # it came with its thing, whole
                sections.append(section)
                continue
            titled = section["name"] if section["name"] != old[0] else now[name][0]
            spec = merged(now[name][1], own_facts(section["spec"], old[1]))
            sections.append({**section, "name": titled, "spec": spec})
        elif name not in was and name not in now:
            sections.append(section)  # of a thing that was never read: nobody's to take away
    places = list(now)
    for name, (title, spec) in now.items():
        if name not in there:
            new = new_section(title, spec)
            behind = [i + 1 for i, s in enumerate(sections) if s["spec"].get("edge") in places[: places.index(name)]]
            sections.insert(max(behind, default=0), new)
    return {**after, "sections": sections}


def on_the_way(thing: Any, cloths: Mapping[str, Any]) -> list[dict[str, str]]:
    """What was measured of a thing while it was being made: its field, title, figure as typed, and what was planned."""
    if not isinstance(thing, Mapping) or thing.get("kind") not in THINGS:
        return []
    measures = thing.get("measures") or {}
    fields = THINGS[str(thing["kind"])].by_name
    typed = {name: value for name, value in measures.items() if name in fields and fields[name].on_the_way and value}
    if not typed:
        return []
    before = {**thing, "measures": {name: value for name, value in measures.items() if name not in typed}}
    planned = _asked_on_the_way(before, cloths)
    return [
        {
            "field": name,
            "title": fields[name].title,
            "measured": ", ".join(map(str, value)) if isinstance(value, list) else str(value),
            "says": f"{planned[name]} was planned." if planned.get(name) else "",
        }
        for name, value in typed.items()
    ]


def _asked_on_the_way(thing: Mapping[str, Any], cloths: Mapping[str, Any]) -> dict[str, str]:
    """What was planned of what a thing asks to be measured on the way, by its fields; nothing while it cannot be made."""
    try:
        said = ThingSpec.model_validate(thing)
        known = {role: ClothSpec.model_validate(cloth) for role, cloth in cloths.items()}
        return {one.field: one.planned for one in thing_made(said, known, {}).made.checks}
    except (Refusal, ValidationError):
        return {}


def made_again(thing: Any) -> Any:
    """A thing as it is begun once more: what was measured of the last one, which steps were done and when, stays behind."""
    if not isinstance(thing, Mapping):
        return thing
    fields = THINGS[str(thing.get("kind"))].by_name if thing.get("kind") in THINGS else {}
    left = {name for name, field in fields.items() if field.on_the_way}
    measures = {name: value for name, value in (thing.get("measures") or {}).items() if name not in left}
    making = {name: value for name, value in (thing.get("making") or {}).items() if name not in _OF_ONE}
    return {**thing, "measures": measures, **({"making": making} if thing.get("making") else {})}


def lacking(thing: Any, cloths: Mapping[str, Any]) -> str:
    """What a thing still lacks before it can be made, in a few words; empty where it lacks nothing."""
    try:
        said = ThingSpec.model_validate(thing)
        read = read_thing(said, {role: ClothSpec.model_validate(cloth) for role, cloth in cloths.items()})
        begun = read.thing.begin(read.given)
    except ValidationError:
        return "a figure that can be read"
    except Refusal as refusal:
        return _field_of(refusal.problems[0].path, THINGS.get(str(thing.get("kind"))))
    if begun.problems:
        return _field_of(begun.problems[0].path, read.thing)
    return begun.lacks[0].says if begun.lacks else ""


def _field_of(path: str, thing: Thing | None) -> str:
    """What stands at a path in dots, as something to look at again."""
    kind, _, name = path.partition(".")
    field = thing.by_name.get(name.partition(".")[0]) if thing and kind in ("measures", "choices") else None
    return f"look again at {field.title.lower() if field else path.replace('.', ', ')}"


def times_of(thing: Any, cloths: Mapping[str, Any]) -> int:
    """How many are made alike of the thing of a work."""
    begun = _begun(thing, cloths)
    return begun.times if begun else 1


def resolved(thing: Any, cloths: Mapping[str, Any], specs: list[Spec]) -> list[Spec]:
    """Sections of a work with what their ties come to in their place; ties that nothing is known of are left out."""
    if not any(spec.get("edge") or _tied(spec) for spec in specs):
        return specs
    begun = _begun(thing, cloths)
    if begun is None:
        return [loosened(spec) for spec in specs]
    found: list[Spec] = []
    by_edge: dict[str, Spec] = {}
    for spec in specs:
        twin = by_edge.get(str(spec.get("mirrors") or ""))
        own = loosened(untied(spec, begun.results, str(spec.get("unit") or "cm")))
        made = own if twin is None else as_mirror(twin, own)
        if spec.get("edge"):
            by_edge[str(spec["edge"])] = made
        found.append(made)
    return found


def _tied(value: Any) -> bool:
    if isinstance(value, Mapping):
        return set(value) == {"tied"} or any(map(_tied, value.values()))
    return isinstance(value, list) and any(map(_tied, value))
