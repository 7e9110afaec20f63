"""The edges of a thing solved: their ties resolved, their own facts in place."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import Any

from pydantic import ValidationError

from ribbon.edge import EdgePlan
from ribbon.effort import effort
from ribbon.errors import Problem, Refusal
from ribbon.making import EdgeFacts, FirstStroke, Solved
from server.making.ties import Spec, as_mirror, base_spec, loosened, merged, ties_of, untied
from server.plans.bounds import held, planned
from server.wire.cloth import ClothSpec
from server.wire.problems import from_core, from_schema
from server.wire.read_edge import Given as GivenEdge
from server.wire.read_edge import read_section
from server.wire.section import SectionSpec
from server.wire.work import ThingSpec


@dataclass(slots=True)
class MadeEdge:
    """One edge of a thing: as a work keeps it, as it is by itself, read, planned; what is wrong with it."""

    facts: EdgeFacts
    base: Spec
    kept: Spec
    spec: Spec
    given: GivenEdge | None = None
    whole: EdgePlan | None = None
    problems: list[dict[str, Any]] = field(default_factory=list)
    ties: dict[str, str] = field(init=False)
    """Every tie that the thing offers this edge."""

    def __post_init__(self) -> None:
        self.ties = ties_of(self.base)

    @property
    def solved(self) -> Solved | None:
        """It solved, as its thing goes on from it."""
        if self.whole is None or self.given is None:
            return None
        return Solved(self.facts.name, self.facts.title, self.whole, self.given.cutting)


def edges_of(
    begun: FirstStroke, thing: ThingSpec, cloths: Mapping[str, ClothSpec], own: Mapping[str, Mapping[str, Any]]
) -> dict[str, MadeEdge]:
    """Every edge of a thing, solved where it can be."""
    found: dict[str, MadeEdge] = {}
    took = 0
    for one in begun.edges:
        base = base_spec(one, thing.habit)
        said = own.get(one.name, {})
        # A whole section says what it has let go of too; a part of one stands in place of what the thing gives.
        made = MadeEdge(one, base, dict(said) if said.get("kind") else merged(base, said), {})
        twin = found.get(str(made.kept.get("mirrors") or ""))
        own_spec = untied(made.kept, begun.results, str(made.kept.get("unit") or thing.unit))
        if twin is not None:
            made.spec = as_mirror(twin.spec, own_spec)
        else:
            made.spec = own_spec
        took += _solve(made, cloths, took)
        found[one.name] = made
    return found


def _solve(made: MadeEdge, cloths: Mapping[str, ClothSpec], took: int) -> int:
    """Solve one edge where it can be; gives back what that took, beside what others `took`."""
    try:
        section = SectionSpec.model_validate(made.spec)
    except ValidationError as error:
        told = [{**one, "loc": ("body", "", *one["loc"])} for one in error.errors()]
        made.problems += from_schema(told)["problems"]
        made.spec = loosened(made.base)
        return 0
    try:
        made.given = read_section(section, cloths).whole
        whole = planned(made.given.edge, "A thing")
        held(took + effort(whole), "A thing")
        _ = whole.upper  # what its second level cannot be is said of the edge, too
    except Refusal as refusal:
        made.problems += _told(refusal.problems)
        return 0
    made.whole = whole
    return effort(whole)


def _told(problems: tuple[Problem, ...]) -> list[dict[str, Any]]:
    found: list[dict[str, Any]] = from_core(problems)["problems"]
    return found
