"""What a gathered edge needs: match points, threads, and the cloth that its swatches say."""

from __future__ import annotations

from typing import NamedTuple

from ribbon.edge.plan import Plan, gathered_parts
from ribbon.gathers import Thread, thread, tried
from ribbon.lengths import Length


class Match(NamedTuple):
    """A match point on both edges: its place on the finished edge and on the cloth, its name where it has one."""

    finished: Length
    flat: Length
    name: str


class Gathered(NamedTuple):
    """What a gathered edge needs: match points, the thread of its rows, and the flat widths between which swatches put it."""

    points: tuple[Match, ...]
    thread: Thread
    least: Length | None
    most: Length | None


def gathered(plan: Plan) -> Gathered | None:
    """The match points, threads and tolerance of a gathered plan; None for pleats."""
    section = plan.section
    if section.kind.folded:
        return None
    at, flat_at = plan.lead, plan.lead
    points = [Match(at, flat_at, "")]
    for part in gathered_parts(plan):
        at, flat_at = at + part.finished, flat_at + part.flat
        points.append(Match(at, flat_at, part.name))
    if section.closed:
        points.pop()  # where the ring closes is the first again
    drawn = plan.finished - plan.lead - plan.tail
    spread = tried(section.gathering.swatches)
    least = drawn * spread.least + plan.lead + plan.tail if spread else None
    most = drawn * spread.most + plan.lead + plan.tail if spread else None
    return Gathered(tuple(points), thread(plan.flat - plan.lead - plan.tail, section.gathering), least, most)
