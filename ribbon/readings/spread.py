"""A strip spread flat: all that a join looks for in it."""

from __future__ import annotations

from bisect import bisect_right
from collections.abc import Callable
from dataclasses import dataclass, field
from math import ceil
from typing import Any, NamedTuple

from ribbon.fraction import Fraction
from ribbon.lengths import Length
from ribbon.readings.hidden import Hidden, hidden
from ribbon.strip import LineKind, Role, Strip, Walk


class FlatLine(NamedTuple):
    """A named line of a pleat, from 1, and where it stands on the flat cloth, in parts."""

    at: int
    kind: LineKind
    pleat: int


@dataclass(frozen=True, slots=True)
class Spread:
    """The flat cloth of a strip, `whole` parts long, `parts` to the millimetre.

    `lines` and what is `hidden` are in order; `role_at` tells what the cloth at a place does.
    """

    parts: int
    whole: int
    lines: list[FlatLine]
    hidden: list[Hidden]
    role_at: Callable[[int | Fraction], Role]
    known: dict[Any, Any] = field(default_factory=dict, compare=False, repr=False)
    """Joins that have been worked out for it, so that none are twice."""

    def length(self, parts: int | Fraction) -> Length:
        """So many parts as an exact length."""
        return Length(Fraction(parts, self.parts))

    @property
    def turned(self) -> Spread:
        """It turned end for end: its places are counted from its end, its pleats keep their numbers."""
        made: Spread | None = self.known.get("turned")
        if made is None:
            whole, role_at = self.whole, self.role_at
            made = self.known["turned"] = Spread(
                self.parts,
                whole,
                [FlatLine(whole - at, kind, pleat) for at, kind, pleat in reversed(self.lines)],
                sorted(Hidden(whole - end, whole - start) for start, end in self.hidden),
                # At a boundary it is what comes after it, which is what comes before it the other way round.
                lambda place: role_at(ceil(whole - place) - Fraction(1, 2)),
            )
        return made

    @property
    def flat(self) -> Length:
        """The flat width."""
        return self.length(self.whole)


def spread(strip: Strip, walked: Walk) -> Spread:
    """A strip spread flat, in the parts of its walk."""
    found: Spread | None = walked.known.get("spread")
    if found is None:
        flat, spans = walked.flat, strip.spans

        def role_at(place: int | Fraction) -> Role:
            return spans[min(len(spans) - 1, max(0, bisect_right(flat, place) - 1))].role

        lines = [FlatLine(flat[line.after + 1], line.kind, line.pleat) for line in strip.lines]
        found = walked.known["spread"] = Spread(walked.parts, flat[-1], lines, hidden(strip, walked), role_at)
    return found
