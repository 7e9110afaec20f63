"""The most that each address works out at once, counted in the core before it is done."""

from __future__ import annotations

from ribbon.edge import EdgePlan, edge_plan
from ribbon.effort import effort, too_much
from ribbon.facts import Edge

# Lines of a strip, as they are counted there: each takes about a second and a half of a core.
MOST = {
    "A plan": 75_000,
    "A plan with its joins": 30_000,
    "A thing": 8_000,
    "A chalk list": 24_000,
    "A folding round": 36_000,
    "The table of an edge": 45_000,
    "The cloth of an edge": 6_000,
    "A cutting plan": 48_000,
    "A check": 45_000,
    "A chalk list on paper": 5_000,
    "A template": 24_000,
    "A gauge": 45_000,
    "A sample": 45_000,
    "A work sheet": 12_000,
}


def bounded(whole: EdgePlan, what: str, *, stripes: int = 0) -> None:
    """Raises `Refusal` where an edge takes more than is worked out at once for `what`; `stripes` are those of its cloth."""
    held(effort(whole, stripes=stripes), what)


def planned(edge: Edge, what: str, *, stripes: int = 0) -> EdgePlan:
    """The plan of an edge.  Raises `Refusal` where there is none, or it takes more than is worked out at once for `what`."""
    whole = edge_plan(edge)
    bounded(whole, what, stripes=stripes)
    return whole


def held(took: int, what: str) -> None:
    """Raises `Refusal` where `took` is more than there is for `what`."""
    if took > MOST[what]:
        raise too_much(MOST[what], took, what)
