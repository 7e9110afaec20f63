"""What a thing adds to the strips of its edges: a band, a yoke, ties, and all that it wants beside its cloth."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

from ribbon.cloth import Pieces, money
from ribbon.errors import Refusal
from server.cutting.cut import Beside
from server.making.answer import thing_made
from server.wire.cloth import ClothSpec
from server.wire.work import NamedSection, ThingSpec


def own_edges(sections: Sequence[NamedSection]) -> dict[str, Any]:
    """The sections of a work that are edges of its thing, by their names there."""
    return {one.spec.edge: one.spec.model_dump(mode="json", exclude_unset=True) for one in sections if one.spec.edge}


def cut_beside(
    said: ThingSpec | None, cloths: Mapping[str, ClothSpec], sections: Sequence[NamedSection]
) -> Beside | None:
    """What a thing is cut of that is of none of its edges, and its notions; None without one, or while it cannot be made."""
    if said is None:
        return None
    try:
        found = thing_made(said, cloths, own_edges(sections))
    except Refusal:
        return None  # the step Measure says what is wrong
    edges = tuple(f"{name}." for name in found.edges)
    pieces = tuple(one.times(found.begun.times) for one in found.made.pieces if not one.key.startswith(edges))
    thing, given = found.read
    notions = found.made.notions
    costs = {one.notion.name: cost for one in notions if (cost := money(one.cost, given.sign))}
    added = Pieces(pieces, tuple(one.notion for one in notions))
    return Beside(thing.called(given), added, given.cloths, said.unit, costs)
