"""A neighbouring count picked, on the wire."""

from __future__ import annotations

from pydantic import Field

from ribbon.edge import plan
from ribbon.errors import refuse
from ribbon.lengths import Unreadable, loosened, read_ratio
from ribbon.offers import Change, Fact, LooseFact, picked, picked_section
from ribbon.pleats import Quantity
from server.wire.change import ChangeOut, told_change
from server.wire.read_edge import read_section
from server.wire.section import About, SectionSpec
from server.wire.typed import Strict, Typed

Q = Quantity


class PickIn(Strict):
    """A section, and the count of pleats that it is to have."""

    spec: SectionSpec
    count: Typed = Field(description="As a choice of the plan has it.")


def pick_of(said: PickIn) -> ChangeOut:
    """The change to that count.  Raises `Refusal` where that many pleats cannot be."""
    section = read_section(said.spec).edge.only
    try:
        count = read_ratio(str(said.count))
    except Unreadable as error:
        raise refuse("unreadable", "count", said.count, error.message, error.way_out) from None
    if section is None or not section.kind.folded or section.places:
        raise refuse("no_choice", "count", said.count, "this edge has no other counts to pick from", "change its facts")
    made = plan(section)
    after = picked_section(made, count)
    # What keeps its value keeps its words: only how firmly it is held is another.
    same = [name for name in Q if name in section.pins and name in after.pins]
    kept = {f"pins.{name}" for name in same if section.pins[name].value == after.pins[name].value}
    change = picked(made, count)
    facts = ((path, _as_typed(said.spec, path, fact) if path in kept else fact) for path, fact in change.sets)
    return told_change(Change(change.says, tuple(facts)))


def _as_typed(spec: SectionSpec, path: str, fact: Fact) -> Fact:
    """A pin as it was typed, held as firmly as `fact` is."""
    said = getattr(spec.pins, path.removeprefix("pins."))
    text, _ = loosened(str(said.about if isinstance(said, About) else said))
    return LooseFact(text) if isinstance(fact, LooseFact) else text
