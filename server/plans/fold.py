"""The folding round on the wire."""

from __future__ import annotations

from typing_extensions import TypedDict

from ribbon.cloth import Cutting, lies_on_cloth
from ribbon.edge import EdgePlan
from ribbon.errors import Refusal
from ribbon.table.folding import PRESSING, folding
from ribbon.table.order import Known, hem_of, order
from server.plans.bounds import planned
from server.wire.read_edge import Given


class FoldedOut(TypedDict):
    """One pleat to fold, what holds it, its pins, and the stretch of flat cloth in mm that it takes."""

    pleat: int
    says: str
    holds: str
    pins: int
    start: float
    end: float


class TaskOut(TypedDict):
    """One step of the making."""

    name: str
    says: str


class PressOut(TypedDict):
    """How one fibre is pressed."""

    fibre: str
    says: str


class FoldingOut(TypedDict):
    """The order of making, every pleat of the round, the pins it takes, and how each fibre is pressed.

    `done` is what is said once all are folded; `pressing` is empty where nothing is pressed.
    """

    order: list[TaskOut]
    pleats: list[FoldedOut]
    pins: int
    done: str
    pressing: list[PressOut]


def fold_of(given: Given) -> FoldingOut:
    """The round and the order.  Raises `Refusal`."""
    whole = planned(given.edge, "A folding round")
    found = folding(whole)
    pins = sum(one.pins for one in found)
    many = "The one pleat is" if len(found) == 1 else f"All {len(found)} pleats are"
    done = f"{many} folded. Baste inside the allowance, then count {pins} pins in." if pins else f"{many} done."
    return {
        "order": [{"name": task.name, "says": task.says} for task in order(whole, known_of(whole, given.cutting))],
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
        "pressing": [{"fibre": one.fibre, "says": one.says} for one in PRESSING] if pins else [],
    }


def known_of(whole: EdgePlan, cutting: Cutting) -> Known:
    """What is known of an edge beyond its pleats."""
    joins = 0
    try:
        lying = lies_on_cloth(whole, cutting)
        joins = len(lying.joined.joins) if lying else 0
    except Refusal:
        pass  # the step Cloth says why it cannot be joined
    drop = cutting.drop
    return Known(
        joins,
        hem_of(drop.hem, drop.hem_turns) if drop else None,
        drop.heading if drop else None,
        cutting.lining is not None,
        cutting.lining is not None and cutting.lining.tube,
    )
