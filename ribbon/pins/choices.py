"""The neighbouring counts, as choices (work, section 4)."""

from __future__ import annotations

from fractions import Fraction
from typing import NamedTuple

from ribbon.errors import Refusal
from ribbon.pins.plan import Plan, plan
from ribbon.pins.solve import fewest
from ribbon.pleats import Quantity

Q = Quantity


class Choice(NamedTuple):
    """A plan for another count of pleats, and why it is offered."""

    plan: Plan
    why: str


def choices(chosen: Plan) -> list[Choice]:
    """The plans for one pleat fewer, as chosen, one more, and the count nearest to an asked fullness.

    A count that cannot be made is left out.  Empty for gathers.
    """
    section = chosen.section
    if not section.kind.folded or section.places:
        return []
    step = 2 if section.mirrored and section.mirror_at is None else 1
    wanted = {chosen.pleats - step: "fewer", chosen.pleats: "chosen", chosen.pleats + step: "more"}
    fullest = _nearest_fullness(chosen, step)
    if fullest is not None:
        wanted.setdefault(fullest, "nearest the fullness")
    found = []
    for count, why in sorted(wanted.items()):
        if count == chosen.pleats:
            found.append(Choice(chosen, why))
            continue
        if count < fewest(section):
            continue
        try:
            found.append(Choice(plan(section, count, chosen.solution), why))
        except Refusal:
            continue
    return found


def _nearest_fullness(chosen: Plan, step: int) -> Fraction | None:
    """The count whose own pleats, at the pinned depth, come nearest to the pinned fullness."""
    pins = chosen.section.pins
    fullness, depth = pins.get(Q.FULLNESS), pins.get(Q.DEPTH) or pins.get(Q.PER_PLEAT)
    if fullness is None or depth is None:
        return None
    per_pleat = pins[Q.PER_PLEAT].value if Q.PER_PLEAT in pins else depth.value * chosen.section.kind.take_up_per_depth
    count = (fullness.value - 1) * chosen.finished.mm / per_pleat
    half = Fraction(chosen.section.folds % 2, 2)
    return max(step - half, step * Fraction(round((count - half) / step)) + half)
