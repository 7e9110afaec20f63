"""What a thing is cut of beside the strips of its edges: a band, a yoke, ties."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

from ribbon.cloth import Pieces
from ribbon.errors import Refusal
from server.cutting.cut import Beside
from server.making.answer import thing_made
from server.wire.cloth import ClothSpec
from server.wire.work import NamedSection, ThingSpec


def cut_beside(
    said: ThingSpec | None, cloths: Mapping[str, ClothSpec], sections: Sequence[NamedSection]
) -> Beside | None:
    """The pieces of a thing that are of none of its edges; None without any, or where it cannot be made yet."""
    if said is None:
        return None
    own: dict[str, Any] = {
        one.spec.edge: one.spec.model_dump(mode="json", exclude_unset=True) for one in sections if one.spec.edge
    }
    try:
        found = thing_made(said, cloths, own)
    except Refusal:
        return None  # the step Measure says what is wrong
    edges = tuple(f"{name}." for name in found.edges)
    pieces = tuple(one.times(found.begun.times) for one in found.made.pieces if not one.key.startswith(edges))
    return Beside(Pieces(pieces), found.read.given.cloths, said.unit) if pieces else None
