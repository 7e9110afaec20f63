"""A plan at a glance, for the list of works."""

from __future__ import annotations

from fractions import Fraction
from typing import Any

from ribbon.lengths import write_ratio
from ribbon.pins import Band, Plan, Section, mixed, plan
from ribbon.pins.plan import row

MOST_STOPS = 160


def glance_of(section: Section | Band) -> dict[str, Any]:
    """A plan at a glance: its kind, a few words, and where its folds stand from 0 to 1 along the edge.  Raises `Refusal`."""
    if isinstance(section, Band):
        return _of_band(section)
    made = plan(section)
    pleats = f"{write_ratio(made.pleats).text} {section.kind.title}" if section.kind.folded else "gathers"
    says = f"{pleats}, {section.scribe.write(made.flat).text} into {section.scribe.write(made.finished).text}"
    return {"kind": section.kind.name, "says": says, "stops": _stops(made)}


def _stops(made: Plan) -> list[float]:
    if not made.section.kind.folded or made.count > MOST_STOPS:
        return []
    laid = row(made)
    edges = (edge for p in laid.pleats for edge in ((p.left, p.right) if p.left != p.right else (p.at,)))
    return [edge / laid.finished for edge in edges]


def _of_band(band: Band) -> dict[str, Any]:
    whole = mixed(band)
    stops: list[float] = []
    for one in whole.laid:
        if one.plan is not None:
            share, start = one.finished / whole.finished, one.start / whole.finished
            stops += [float(start + share * stop) for stop in map(_exactly, _stops(one.plan))]
    kinds = ", ".join(dict.fromkeys(one.plan.section.kind.title if one.plan else "plain" for one in whole.laid))
    write = band.scribe.write
    return {
        "kind": "mixed",
        "says": f"{kinds}, {write(whole.flat).text} into {write(whole.finished).text}",
        "stops": stops[:MOST_STOPS],
    }


def _exactly(stop: float) -> Fraction:
    return Fraction(stop)
