"""Reads a thing: its measures and choices as typed, with every problem collected."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from typing import NamedTuple

from ribbon.cloth import Bolt
from ribbon.errors import Refusal, refuse
from ribbon.lengths import UNITS, Length, read_count, read_load, read_minutes, read_price, read_ratio
from ribbon.making import THINGS, Field, Given, Sort, Thing, Value
from server.wire.cloth import ClothSpec
from server.wire.read_cloth import read_cloth
from server.wire.read_edge import habit_of, read_tape
from server.wire.texts import Texts
from server.wire.work import ThingSpec


class ReadThing(NamedTuple):
    """A thing that was read: which one it is, what is known of it."""

    thing: Thing
    given: Given


def thing_named(kind: str) -> Thing:
    """The thing of that name.  Raises `Refusal`."""
    found = THINGS.get(kind)
    if found is None:
        names = ", ".join(THINGS)
        raise refuse("unknown", "thing", kind, f"there is no thing called {kind[:40]}", f"use one of {names}")
    return found


def read_thing(said: ThingSpec, cloths: Mapping[str, ClothSpec]) -> ReadThing:
    """What is known of a thing.  Raises `Refusal` with everything in it that cannot be read."""
    thing = thing_named(said.kind)
    fields, unit = thing.by_name, UNITS[said.unit]
    texts = Texts(unit)
    imperial = unit.binary if said.habit is None else said.habit == "inches"
    measures: dict[str, tuple[Length, ...]] = {}
    for name, typed in said.measures.items():
        field = fields.get(name)
        if field is None or not field.measure:
            texts.add("unknown", f"measures.{name}", "", f"{thing.title}: no such measure is asked", "see /api/things")
            continue
        got = _measured(texts, field, typed)
        if got:
            measures[name] = got
    choices: dict[str, Value] = {}
    for name, chosen in said.choices.items():
        field = fields.get(name)
        if field is None or field.measure:
            texts.add("unknown", f"choices.{name}", "", f"{thing.title}: no such choice is asked", "see /api/things")
            continue
        value = _chosen(texts, field, chosen, imperial=imperial)
        if value is not None:
            choices[name] = value
    seam = texts.length_or_none("seam", said.seam)
    tape = read_tape(texts, said.tape)
    for name, took in (said.making.took if said.making else {}).items():
        texts.read_or_none(f"making.took.{name}", took, read_minutes)
    machine = texts.machine("machine", said.machine)
    bolts = _bolts(texts, cloths, said.unit, imperial=imperial)
    if texts.problems:
        raise Refusal(texts.problems)
    return ReadThing(
        thing,
        Given(
            fields,
            measures,
            choices,
            bolts,
            unit,
            habit_of(said.habit),
            seam,
            tape,
            machine,
            tape if said.tape else None,
        ),
    )


def _measured(texts: Texts, field: Field, typed: str | list[str]) -> tuple[Length, ...]:
    path = f"measures.{field.name}"
    if isinstance(typed, str):
        one = texts.length_or_none(path, typed)
        return () if one is None else (one,)
    if len(typed) > 1 and not field.several:
        texts.add("several", path, f"{len(typed)} places", f"{field.title} is taken at one place", "keep one of them")
        return ()
    found = (texts.length_or_none(f"{path}.{number}", text) for number, text in enumerate(typed))
    return tuple(one for one in found if one is not None)


def _chosen(texts: Texts, field: Field, typed: str | bool, *, imperial: bool) -> Value | None:
    path = f"choices.{field.name}"
    if isinstance(typed, bool):
        texts.add("not_text", path, typed, f"{field.title} is typed", "write it as text")
        return None
    if not typed.strip():
        return None
    if field.sort is Sort.WORD:
        words = [name for name, _ in field.options]
        if typed in words:
            return typed
        texts.add("unknown", path, typed, f"{typed[:40]} is no choice here", f"use one of {', '.join(words)}")
        return None
    if field.may_be_none and typed.strip().lower() in ("0", "none", "no"):
        return 0
    if field.sort is Sort.TEXT:
        if len(typed) <= _MOST_TEXT:
            return " ".join(typed.split())
        texts.add("too_long", path, typed[:40], f"{len(typed)} letters are too many", f"keep it under {_MOST_TEXT}")
        return None
    if field.sort is Sort.WEIGHT:
        return texts.read(path, typed, lambda text: read_load(text, UNITS["in" if imperial else "cm"]))
    if field.sort is Sort.LENGTH:
        return texts.machine(path, typed) if field.in_mm else texts.length(path, typed)
    return texts.read(path, typed, _READERS[field.sort])


_MOST_TEXT = 300
_READERS: dict[Sort, Callable[[str], Value]] = {Sort.RATIO: read_ratio, Sort.COUNT: read_count, Sort.PRICE: read_price}


def _bolts(texts: Texts, cloths: Mapping[str, ClothSpec], unit: str, *, imperial: bool) -> dict[str, Bolt]:
    found = {}
    for role, cloth in cloths.items():
        read = read_cloth(cloth, f"cloths.{role}", unit, imperial=imperial)
        texts.problems += [*read.problems, *read.wrong]
        if read.bolt is not None:
            found[role] = read.bolt
    return found
