"""Ties: the facts of an edge that follow from a thing, in the place of what would be typed, and what they come to."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from typing import Any

from ribbon.cloth import FACE
from ribbon.fraction import Fraction
from ribbon.lengths import UNITS, Length, Unit, typed, typed_number
from ribbon.making import EdgeFacts, Result, Tie

Spec = dict[str, Any]
_GONE = object()


def base_spec(edge: EdgeFacts, habit: str | None) -> Spec:
    """An edge of a thing as a section: what follows from the thing is tied, what is assumed follows its `habit`."""
    made: Spec = {"edge": edge.name, **({"mirrors": edge.mirrors} if edge.mirrors else {})}
    made |= {"habit": habit} if habit else {}
    for path, fact in edge.facts.items():
        *heads, last = path.split(".")
        at = made
        for head in heads:
            at = at.setdefault(head, {})
        at[last] = {"tied": fact.result} if isinstance(fact, Tie) else fact
    return made


def typed_result(result: Result, unit: Unit) -> Any:
    """A result as it would be typed; None where nothing settles it."""
    value = result.value
    if value is None:
        return None
    text = typed(value, unit) if isinstance(value, Length) else typed_number(Fraction(value))
    return {"about": text} if result.about else text


def untied(spec: Spec, results: Mapping[str, Result], unit: str) -> Spec:
    """A section with what its ties come to in their place; what nothing settles is left out.

    A tie to what the thing does not have stays: whoever reads it says so.
    """
    own = UNITS[unit]

    def comes_to(name: str) -> Any:
        result = results.get(name)
        if result is None:
            return {"tied": name}
        made = typed_result(result, own)
        return _GONE if made is None else made

    return _put(spec, comes_to)


def loosened(spec: Spec) -> Spec:
    """A section without its ties: what they were tied to is not known."""
    return _put(spec, lambda name: _GONE)


def _put(spec: Mapping[str, Any], comes_to: Callable[[str], Any]) -> Spec:
    """A section with something in the place of each tie, by the name of its result; `_GONE` takes it away."""

    def put(value: Any) -> Any:
        if isinstance(value, Mapping):
            return comes_to(str(value["tied"])) if set(value) == {"tied"} else _put(value, comes_to)
        if isinstance(value, list):
            return [one for one in map(put, value) if one is not _GONE]
        return value

    return {name: made for name, value in spec.items() if (made := put(value)) is not _GONE}


def ties_of(spec: Mapping[str, Any], path: str = "") -> dict[str, str]:
    """Every tie of a section: its field in dots, and the result that it is tied to."""
    found: dict[str, str] = {}
    for name, value in spec.items():
        at = f"{path}{name}"
        if isinstance(value, Mapping):
            if set(value) == {"tied"}:
                found[at] = str(value["tied"])
            else:
                found |= ties_of(value, f"{at}.")
    return found


_HANDS = {"right": "left", "left": "right"}


def mirrored(spec: Mapping[str, Any]) -> Spec:
    """The mirror of a section: its ends and their allowances change places, its pleats lie to the other hand.

    Places along it are measured from its other end, where it is known how wide it is.
    """
    made = {name: value for name, value in spec.items() if name not in ("corrections", "edge", "mirrors")}
    for one, other in (("lead", "tail"), ("tail", "lead")):
        made.pop(one, None)
        if other in spec:
            made[one] = spec[other]
    allowance = spec.get("allowance")
    if isinstance(allowance, Mapping):
        ends = {"start": allowance.get("end"), "end": allowance.get("start")}
        made["allowance"] = {
            **{name: value for name, value in allowance.items() if name not in ends},
            **{name: value for name, value in ends.items() if value is not None},
        }
    facing = spec.get("facing", "right")
    if facing in _HANDS and spec.get("kind") in ("knife", "tuck"):
        made["facing"] = _HANDS[facing]
    remainder = {"lead": "tail", "tail": "lead"}.get(str(spec.get("remainder")))
    if remainder:
        made["remainder"] = remainder
    cutting = spec.get("cutting")
    if isinstance(cutting, Mapping):
        strategy = {"half_outside": "half_last", "half_last": "half_outside"}.get(str(cutting.get("strategy")))
        made["cutting"] = {**cutting, **({"strategy": strategy} if strategy else {})}
        if made["cutting"].pop("joins_from", "start") == "start":
            made["cutting"]["joins_from"] = "end"
    parts = spec.get("parts")
    if isinstance(parts, list):
        made["parts"] = [mirrored(part) for part in reversed(parts) if isinstance(part, Mapping)]
    return _measured_back(made, spec)


def as_mirror(twin: Spec, own: Spec) -> Spec:
    """An edge that is the mirror of another, as it is itself: of another cloth it falls and is cut from that as its own facts say."""
    made = {**mirrored(twin), "edge": own.get("edge"), "mirrors": own.get("mirrors")}
    if own.get("corrections"):
        made["corrections"] = own["corrections"]
    if own.get("cloth", FACE) != twin.get("cloth", FACE):
        cutting = {**(made.get("cutting") or {}), "drop": (own.get("cutting") or {}).get("drop", {})}
        cutting.pop("lining", None)
        made |= {"cloth": own.get("cloth", FACE), "cutting": cutting}
    return made


def _measured_back(made: Spec, spec: Mapping[str, Any]) -> Spec:
    pins = spec.get("pins")
    finished = pins.get("finished") if isinstance(pins, Mapping) else None
    if not isinstance(finished, str):
        return made
    back: Spec = {}
    if spec.get("mirror_at"):
        back["mirror_at"] = _less(finished, spec["mirror_at"])
    if spec.get("placed") and spec.get("placed_from", "start") == "start":
        places = [{**one, "at": _less(finished, one.get("at"))} for one in spec["placed"] if isinstance(one, Mapping)]
        back["placed"] = [
            {**one, **({"facing": _HANDS[one["facing"]]} if one.get("facing") in _HANDS else {})}
            for one in reversed(places)
        ]
    gathering = spec.get("gathering")
    if isinstance(gathering, Mapping) and gathering.get("points"):
        flat = pins.get("flat") if isinstance(pins, Mapping) else None
        points = [
            {
                **one,
                "at": _less(finished, one.get("at")),
                **({"flat": _less(flat, one["flat"])} if one.get("flat") and isinstance(flat, str) else {}),
            }
            for one in gathering["points"]
            if isinstance(one, Mapping)
        ]
        back["gathering"] = {**gathering, "points": list(reversed(points))}
    return {**made, **back}


def _less(whole: str, part: Any) -> str:
    """What is left of a typed length without a part of it, as a sum that is reckoned when it is read."""
    return f"{whole} - ({part})"


def merged(base: Spec, own: Mapping[str, Any]) -> Spec:
    """A section with a sewist's own facts in the place of those that the thing gives; null lets one go."""
    made = dict(base)
    for name, value in own.items():
        if value is None and name in made and name != "tape":
            del made[name]
        elif (
            isinstance(value, Mapping)
            and isinstance(made.get(name), Mapping)
            and not _is_fact(value)
            and not _is_fact(made[name])
        ):
            made[name] = merged(made[name], value)
        else:
            made[name] = value
    return made


def own_facts(spec: Mapping[str, Any], base: Mapping[str, Any]) -> Spec:
    """What of a section is a sewist's own beside what the thing gives: merged with it again, it is the section."""
    found: Spec = {name: None for name in base if name not in spec}
    for name, value in spec.items():
        if name not in base:
            found[name] = value
        elif value != base[name]:
            both = isinstance(value, Mapping) and isinstance(base[name], Mapping)
            facts = _is_fact(value) or _is_fact(base[name])
            found[name] = own_facts(value, base[name]) if both and not facts else value
    return found


def _is_fact(value: Any) -> bool:
    """Whether it is one fact, though it is written as an object."""
    return isinstance(value, Mapping) and bool(set(value) & {"tied", "about"})
