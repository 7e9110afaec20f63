"""The most that each address works out at once, counted in the core before it is done."""

from __future__ import annotations

from ribbon.effort import effort, effort_of, too_much
from ribbon.pins import Band, Plan, Section

# Lines of a strip, as they are counted there: each takes about a second and a half of a core.
MOST = {
    "A plan": 75_000,
    "A plan with its joins": 30_000,
    "A chalk list": 24_000,
    "A folding round": 36_000,
    "The table of an edge": 45_000,
    "The cloth of an edge": 6_000,
    "A cutting plan": 48_000,
    "A check": 45_000,
    "A chalk list on paper": 5_000,
    "A template": 24_000,
    "A gauge": 45_000,
}


def bounded(section: Section | Band, what: str, *, stripes: int = 0) -> None:
    """Raises `Refusal` where an edge takes more than is worked out at once for `what`."""
    held(effort(section, stripes=stripes), what)


def bounded_plan(made: Plan, what: str, *, stripes: int = 0) -> None:
    """The same for a plan that is known."""
    held(effort_of(made, stripes=stripes), what)


def held(took: int, what: str) -> None:
    """Raises `Refusal` where `took` is more than there is for `what`."""
    if took > MOST[what]:
        raise too_much(MOST[what], took, what)
