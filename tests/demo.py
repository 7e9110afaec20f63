"""The pieces of every demo work, each by itself: nothing of it tied, its cloths in it."""

from __future__ import annotations

from typing import Any

from server.making.kept import edges_kept, resolved
from server.works.cloths import housed, unhoused
from server.works.demo import _THINGS, _WORKS

Spec = dict[str, Any]


def _of_things() -> list[tuple[str, str, Spec]]:
    found = []
    for work, _, thing, cloths in _THINGS:
        edges = edges_kept(thing, cloths)
        assert edges is not None, work
        specs = resolved(thing, cloths, [spec for _, spec in edges.values()])
        free = [{name: value for name, value in spec.items() if name not in ("edge", "mirrors")} for spec in specs]
        titles = [title for title, _ in edges.values()]
        kept = housed(
            {"cloths": cloths, "sections": [{"key": t, "spec": spec} for t, spec in zip(titles, free, strict=True)]}
        )
        found += [(work, one["key"], unhoused(one["spec"], kept["cloths"])) for one in kept["sections"]]
    return found


SECTIONS: list[tuple[str, str, Spec]] = [
    *((work, piece, spec) for work, _, pieces in _WORKS for piece, spec in pieces),
    *_of_things(),
]
FIRST: dict[str, Spec] = {work: spec for work, _, spec in reversed(SECTIONS)}
"""The first piece of each work."""
