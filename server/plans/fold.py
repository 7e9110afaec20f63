"""The folding round on the wire."""

from __future__ import annotations

from typing import Any

from ninja import Schema

from ribbon.errors import Refusal
from ribbon.folding import PRESSING, folding
from ribbon.making import Known, hem_of, order
from ribbon.pins import laid
from ribbon.strip import walk
from server.plans.bounds import bounded
from server.plans.cutting import read_cutting
from server.plans.joining import cut_of, joined_for
from server.plans.schema import SectionIn


class FoldedOut(Schema):
    """One pleat to fold, what holds it, its pins, and the stretch of flat cloth in mm that it takes."""

    pleat: int
    says: str
    holds: str
    pins: int
    start: float
    end: float


class MakingStepOut(Schema):
    """One step of the making."""

    name: str
    says: str


class PressOut(Schema):
    """How one fibre is pressed."""

    fibre: str
    says: str


class FoldingOut(Schema):
    """The order of making, every pleat of the round, the pins it takes, and how each fibre is pressed.

    `done` is what is said once all are folded; `pressing` is empty where nothing is pressed.
    """

    order: list[MakingStepOut]
    pleats: list[FoldedOut]
    pins: int
    done: str
    pressing: list[PressOut]


def fold_of(said: SectionIn) -> dict[str, Any]:
    """The round and the order.  Raises `Refusal`."""
    section = said.section
    bounded(section, "A folding round")
    strip, plan = laid(section)
    found = folding(section)
    known = Known()
    try:
        made = joined_for(section, strip, walk(strip), plan, cut_of(said))
        known = known._replace(joins=len(made.joins) if made else 0)
    except Refusal:
        pass  # the step Cloth says why it cannot be joined
    try:
        cutting = read_cutting(said)
        drop = cutting.drop
        known = known._replace(
            hem=hem_of(drop.hem, drop.hem_turns) if drop else None,
            heading=drop.heading if drop else None,
            lined=cutting.lining is not None,
            tube=cutting.lining is not None and cutting.lining.tube,
        )
    except Refusal:
        pass  # nor what is wrong with its cloth
    steps = order(section, plan, known)
    pins = sum(one.pins for one in found)
    many = "The one pleat is" if len(found) == 1 else f"All {len(found)} pleats are"
    done = f"{many} folded. Baste inside the allowance, then count {pins} pins in." if pins else f"{many} done."
    return {
        "order": [step._asdict() for step in steps],
        "pleats": [
            {
                "pleat": one.pleat,
                "says": one.says,
                "holds": one.holds,
                "pins": one.pins,
                "start": float(one.start.mm),
                "end": float(one.end.mm),
            }
            for one in found
        ],
        "pins": pins,
        "done": done,
        "pressing": [one._asdict() for one in PRESSING] if pins else [],
    }
