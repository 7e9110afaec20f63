"""The neighbouring counts, as choices."""

from __future__ import annotations

from typing import NamedTuple

from ribbon.edge.corrected import corrected_row
from ribbon.edge.plan import Plan, plan
from ribbon.edge.taped import taped
from ribbon.edge.tapered import tapered
from ribbon.errors import Refusal
from ribbon.fraction import Fraction
from ribbon.pleats import Quantity
from ribbon.solve.solve import fewest

Q = Quantity


class Choice(NamedTuple):
    """A plan for another count of pleats, and why it is offered."""

    plan: Plan
    why: str


def choices(chosen: Plan) -> list[Choice]:
    """The plans for one pleat fewer, as chosen, one more, and the count nearest to an asked fullness.

    A count that cannot be made, or not marked, is left out.  Empty for gathers.
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
            made = plan(section, count, chosen.solution)
            _can_be_marked(made)
        except Refusal:
            continue
        found.append(Choice(made, why))
    return found


def _can_be_marked(made: Plan) -> None:
    """Raise `Refusal` where the rest of a plan cannot follow: its corrections, its upper level, its marks on the tape."""
    section = made.section
    if section.corrections or section.turn:
        corrected_row(made)
        if section.tape is not None:
            taped(made, section.tape)
    if section.taper is not None:
        tapered(made, section.tape)


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
