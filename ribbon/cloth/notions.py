"""What is bought beside the cloth."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass

from ribbon.edge import Plan
from ribbon.gathers import thread
from ribbon.lengths import ZERO, Length


@dataclass(frozen=True, slots=True)
class Notion:
    """Something bought beside the cloth: so many, or so long."""

    name: str
    count: int | None
    length: Length | None

    def times(self, many: int) -> Notion:
        """So many times as much of it."""
        return Notion(
            self.name,
            None if self.count is None else self.count * many,
            None if self.length is None else self.length * many,
        )


def notions(made: Plan, joins: int, drop: Length | None) -> list[Notion]:
    """What a piece wants beside its cloth, by its kind.

    Hooks are one a pleat and one at each end.  Thread is what the seams, hems and rows take, three times their length.
    A ring of pleats is opened; a frill that is closed slips over.
    """
    found, kind = [], made.section.kind
    hung = kind.upright and kind.width is None
    if hung:
        found.append(Notion("hooks", made.count + 2, None))
        found.append(Notion("stiffener or heading tape", None, made.flat))
    if made.section.closed and kind.folded:
        found.append(Notion("zip or fastening for the opening", 1, None))
    if not hung:
        found.append(Notion("band, tape or interfacing along the edge", None, made.finished))
    seams = (drop or ZERO) * (joins + 2)
    rows = ZERO
    if not kind.folded and made.section.gathering.ruffler is None:
        rows = thread(made.flat - made.lead - made.tail, made.section.gathering).total
    found.append(Notion("thread", None, (made.flat * 2 + seams) * 3 + rows))
    return found


def totals(found: Iterable[Notion]) -> list[Notion]:
    """Every notion once, so many or so long in all, in the order in which they were first named."""
    sums: dict[str, Notion] = {}
    for one in found:
        before = sums.get(one.name)
        if before is None:
            sums[one.name] = one
            continue
        count = None if one.count is None else one.count + (before.count or 0)
        length = None if one.length is None else one.length + (before.length or ZERO)
        sums[one.name] = Notion(one.name, count, length)
    return list(sums.values())
