"""An edge at a glance, for the list of works."""

from __future__ import annotations

from typing_extensions import TypedDict

from ribbon.edge import EdgePlan, Plan, edge_plan
from ribbon.facts import Edge
from ribbon.lengths import write_ratio
from server.wire.kinds import KindName

MOST_STOPS = 160


class Glance(TypedDict):
    """An edge at a glance: its kind, a few words, where its folds stand, from 0 to 1 along it, its cloth's colour."""

    kind: KindName
    says: str
    stops: list[float]
    colour: str | None


def glance_of(edge: Edge, colour: str | None = None) -> Glance:
    """An edge at a glance, in the colour of its cloth where that is known.  Raises `Refusal`."""
    whole = edge_plan(edge)
    write, only = edge.scribe.write, whole.only
    if only is None:
        what = ", ".join(dict.fromkeys(s.plan.section.kind.title if s.plan else "plain" for s in whole.stretches))
    elif only.section.kind.folded:
        what = f"{write_ratio(only.pleats).text} {only.section.kind.title}"
    else:
        what = only.section.kind.title
    return {
        "kind": only.section.kind.name if only else "mixed",
        "says": f"{what}, {write(whole.flat).text} into {write(whole.finished).text}",
        "stops": _stops(whole)[:MOST_STOPS],
        "colour": colour,
    }


def _stops(whole: EdgePlan) -> list[float]:
    found: list[float] = []
    for one in whole.stretches:
        start, share = float(one.start / whole.finished), float(one.finished / whole.finished)
        found += [start + share * stop for stop in _of_plan(one.plan)] if one.plan else []
    return found


def _of_plan(made: Plan) -> list[float]:
    if not made.section.kind.folded or made.count > MOST_STOPS:
        return []
    laid = made.row
    edges = (edge for p in laid.pleats for edge in ((p.left, p.right) if p.left != p.right else (p.at,)))
    return [edge / laid.finished for edge in edges]
