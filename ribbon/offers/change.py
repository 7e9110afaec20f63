"""A change to what is known of an edge: the one shape of everything that is offered and can be taken with one press."""

from __future__ import annotations

from collections.abc import Mapping
from typing import NamedTuple


class LooseFact(NamedTuple):
    """A fact as it is typed that gives way before any firm one."""

    text: str


Fact = str | bool | LooseFact | None
"""A fact as it is typed; None lets go of what is there."""


class Change(NamedTuple):
    """What a change does, in words, and the facts that it sets, each by its field in dots: ``pins.depth``.

    Those are facts of one edge, but for the ones that begin with ``cloths``, which are of the work's cloth of that role.
    """

    says: str
    sets: tuple[tuple[str, Fact], ...]

    @classmethod
    def of(cls, says: str, facts: Mapping[str, Fact]) -> Change:
        """The change that sets those facts."""
        return cls(says, tuple(facts.items()))

    def under(self, path: str) -> Change:
        """The same for a stretch whose facts stand at `path` below those of the edge; the tape is that of the whole."""
        return self._replace(
            sets=tuple((name if name == "tape" else f"{path}.{name}", value) for name, value in self.sets)
        )
