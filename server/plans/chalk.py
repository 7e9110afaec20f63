"""The chalk list on the wire."""

from __future__ import annotations

from typing import Any, NamedTuple

from ribbon.chalk import Chalk, From, called, chalk_list, found_by_folding, marked, nought_says
from ribbon.errors import refuse
from ribbon.gauge import gauge
from ribbon.pins import tapered
from ribbon.readings import marks
from ribbon.strip import walk
from server.plans.bounds import bounded
from server.plans.drawn import Writer
from server.plans.schema import SectionIn


class Listed(NamedTuple):
    """A chalk list: what is to be known of it, where nought is, its marks, what a group of them is and how many there are."""

    says: str
    nought: str
    marks: list[Chalk]
    called: str
    count: int


def listed(said: SectionIn, nought: From, *, wrong_side: bool, upper: bool = False) -> Listed:
    """The chalk list of a section from that end, on that side; `upper` at the upper level.  Raises `Refusal`."""
    section = said.section
    bounded(section, "A chalk list")
    _, walked, found, plan = marked(section)
    level = tapered(plan, plan.section.tape) if upper and plan is not None else None
    if upper and level is None:
        raise refuse("no_level", "level", "upper", "this edge has one level alone", "give it a second one under Pleat")
    if level is not None:
        walked = walk(level.strip, section.tape)
        found = marks(level.strip, walked, section.tape)
    allowance = section.allowance
    says = []
    if level is not None:
        says.append(f"This is the upper level, {section.scribe.write(level.height).text} above the edge's own.")
    if said.kind == "cartridge":
        says.append(f"The same points on each of {said.rows} rows, straight below one another.")
    says += [found_by_folding(found), "Chalk inside the allowance first, then carry each mark down square."]
    whole = walked.length(walked.flat[-1])
    if nought is From.MIDDLE and section.tape is not None and (whole / 2 / section.tape).denominator != 1:
        says.append("The middle lies between two divisions: each figure is to the nearest.")
    return Listed(
        " ".join(filter(None, says)),
        nought_says(nought, wrong_side=wrong_side, start=allowance.start, end=allowance.end, scribe=section.scribe),
        chalk_list(found, walked, nought, wrong_side=wrong_side),
        called(found),
        len({mark.pleat for mark in found}),
    )


def chalk_of(said: SectionIn, nought: From, *, wrong_side: bool, upper: bool = False) -> dict[str, Any]:
    """Every mark as it is chalked, the gauge of one pleat, and what the side and the end change.  Raises `Refusal`."""
    writer, found = Writer(said.section), listed(said, nought, wrong_side=wrong_side, upper=upper)
    card = gauge(marked(said.section).strip, said.section.tape)
    return {
        "says": found.says,
        "nought": found.nought,
        "called": found.called,
        "count": found.count,
        "marks": [
            {"at": writer.place(c.at), "hand": c.hand, "kind": c.kind.value, "pleat": c.pleat, "first": c.first}
            for c in found.marks
        ],
        "gauge": [{"role": notch.role.value, "length": writer.place(notch.length)} for notch in card.notches],
        "gauge_says": card.says,
    }
