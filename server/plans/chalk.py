"""The chalk list on the wire."""

from __future__ import annotations

from dataclasses import dataclass

from ribbon.edge import EdgePlan
from ribbon.errors import refuse
from ribbon.readings import marks
from ribbon.strip import walk
from ribbon.table.chalk import Chalk, From, called, chalk_list, found_by_folding, nought_says
from ribbon.table.gauge import gauge
from server.plans.bounds import planned
from server.plans.out import ChalkOut
from server.wire.read_edge import Given
from server.wire.told import Writer


@dataclass(frozen=True)
class Listed:
    """A chalk list: what is to be known of it, where nought is, its marks, what a group of them is, how many there are."""

    says: str
    nought: str
    marks: list[Chalk]
    called: str
    count: int


def listed(whole: EdgePlan, nought: From, *, wrong_side: bool, upper: bool = False) -> Listed:
    """The chalk list of a planned edge from that end, on that side; `upper` at the upper level.  Raises `Refusal`."""
    edge = whole.edge
    level = whole.upper_on_tape if upper else None
    if upper and level is None:
        raise refuse("no_level", "level", "upper", "this edge has one level alone", "give it a second one under Pleat")
    walked, found = whole.marked.walked, whole.marked.marks
    if level is not None:
        walked = walk(level.strip, edge.tape)
        found = marks(level.strip, walked, edge.tape)
    allowance = edge.allowance
    says = []
    if level is not None:
        says.append(
            f"This is the upper level, {edge.scribe.write(level.height).text} above the edge's own; by its marks it comes to {edge.scribe.write(level.comes_to).text}."
        )
    rows = [one.plan.section.rows for one in whole.stretches if one.plan and one.plan.section.kind.rows]
    if rows and len(whole.stretches) == 1:
        says.append(f"The same points on each of {rows[0]} rows, straight below one another.")
    says += [found_by_folding(found), "Chalk inside the allowance first, then carry each mark down square."]
    full = walked.length(walked.flat[-1])
    if nought is From.MIDDLE and edge.tape is not None and (full / 2 / edge.tape).denominator != 1:
        says.append("The middle lies between two divisions: each figure is to the nearest.")
    return Listed(
        " ".join(filter(None, says)),
        nought_says(nought, wrong_side=wrong_side, start=allowance.start, end=allowance.end, scribe=edge.scribe),
        chalk_list(found, walked, nought, wrong_side=wrong_side),
        called(found),
        len({mark.pleat for mark in found}),
    )


def chalk_of(given: Given, nought: From, *, wrong_side: bool, upper: bool = False) -> ChalkOut:
    """Every mark as it is chalked, the gauge of one pleat, and what the side and the end change.  Raises `Refusal`."""
    whole = planned(given.edge, "A chalk list")
    writer, found = Writer(given.edge), listed(whole, nought, wrong_side=wrong_side, upper=upper)
    card = gauge(whole.marked.strip, given.edge.tape)
    return {
        "says": found.says,
        "nought": found.nought,
        "called": found.called,
        "count": found.count,
        "marks": [
            {
                "at": writer.place(c.at),
                "hand": c.hand,
                "kind": c.kind,
                "pleat": c.pleat,
                "first": c.first,
                "on": writer.place(c.on) if c.on is not None else None,
            }
            for c in found.marks
        ],
        "gauge": [{"role": notch.role, "length": writer.place(notch.length)} for notch in card.notches],
        "gauge_says": card.says,
    }
