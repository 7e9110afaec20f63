"""The chalk list on the wire."""

from __future__ import annotations

from typing import Any

from ribbon.chalk import From, chalk_list, gauge, marked
from ribbon.errors import refuse
from ribbon.pins import tapered
from ribbon.readings import marks
from ribbon.strip import walk
from server.plans.drawn import Writer
from server.plans.schema import SectionIn


def chalk_of(said: SectionIn, nought: From, *, wrong_side: bool, upper: bool = False) -> dict[str, Any]:
    """Every mark as it is chalked, the gauge of one pleat, and what the side and the end change; `upper` at the upper level.

    Raises `Refusal`.
    """
    laid, walked, found, plan = marked(said.section)
    level = tapered(plan, plan.section.tape) if upper and plan is not None else None
    if upper and level is None:
        raise refuse("no_level", "level", "upper", "this edge has one level alone", "give it a second one under Pleat")
    if level is not None:
        laid, walked = level.strip, walk(level.strip)
        found = marks(laid, walked)
    writer = Writer(said.section)
    listed = chalk_list(found, walked, nought, wrong_side=wrong_side)
    says = {
        From.START: "Nought is the stitching line at the start",
        From.END: "Nought is the stitching line at the end",
        From.MIDDLE: "Nought is the middle: first outwards to the left, then to the right",
    }[nought]
    if wrong_side:
        says += "; the cloth lies wrong side up, so its start is to your right and the list runs mirrored"
    if level is not None:
        says += f"; this is the upper level, {writer.places.write(level.height).text} above the edge's own"
    if said.kind == "cartridge":
        says += f"; the same points on each of {said.rows} rows, straight below one another"
    return {
        "says": f"{says}. Chalk inside the allowance first, then carry each mark down square.",
        "marks": [
            {"at": writer.place(c.at), "hand": c.hand, "kind": c.kind.value, "pleat": c.pleat, "first": c.first}
            for c in listed
        ],
        "gauge": [{"role": notch.role.value, "length": writer.place(notch.length)} for notch in gauge(laid)],
    }
