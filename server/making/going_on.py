"""A thing as far as it can be made while something typed into it is wrong: that is left out, and told."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from ribbon.errors import Problem, Refusal
from server.making.answer import thing_of
from server.making.out import ThingOut
from server.wire.cloth import ClothSpec
from server.wire.problems import from_core
from server.wire.work import ThingSpec

_ROUNDS = 3
"""How often what is wrong is left out one by one, before all that was typed is."""


def thing_going_on(
    said: ThingSpec, cloths: Mapping[str, ClothSpec], own: Mapping[str, Mapping[str, Any]], *, plans: bool = False
) -> ThingOut:
    """A thing without what is wrong in it; all that is wrong stands in its `problems`.

    Raises `Refusal` only where there is no thing of that kind.
    """
    wrong: tuple[Problem, ...] = ()
    for _ in range(_ROUNDS):
        try:
            return _told(thing_of(said, cloths, own, plans=plans), wrong)
        except Refusal as refusal:
            wrong = wrong or refusal.problems
            for one in refusal.problems:
                said, cloths = _without(one.path, said, cloths)
    return _told(thing_of(ThingSpec(kind=said.kind, unit=said.unit, habit=said.habit), {}, {}, plans=plans), wrong)


def _told(made: ThingOut, wrong: tuple[Problem, ...]) -> ThingOut:
    paths = {one.path for one in wrong}
    # What is there and wrong is not lacking.
    lacks = [one for one in made["lacks"] if not paths & {one["field"], f"measures.{one['field']}"}]
    return {**made, "lacks": lacks, "problems": from_core(wrong)["problems"]}


def _without(path: str, said: ThingSpec, cloths: Mapping[str, ClothSpec]) -> tuple[ThingSpec, Mapping[str, ClothSpec]]:
    """A thing and its cloths without what stands at a path in dots; as they are where nothing does."""
    first, second, third, *_ = *path.split("."), "", ""
    if first == "cloths" and third in ClothSpec.model_fields:
        unsaid = ClothSpec.model_fields[third].get_default(call_default_factory=True)
        return said, {**cloths, second: cloths[second].model_copy(update={third: unsaid})}
    if first in ("measures", "choices"):
        kept = {name: value for name, value in getattr(said, first).items() if name != second}
        return said.model_copy(update={first: kept}), cloths
    if first in ThingSpec.model_fields and first != "kind":
        unsaid = ThingSpec.model_fields[first].get_default(call_default_factory=True)
        return said.model_copy(update={first: unsaid}), cloths
    return said, cloths
