"""The folding round on the wire."""

from __future__ import annotations

from typing import Any

from ninja import Schema

from ribbon.errors import Refusal
from ribbon.folding import PRESSING, folding, hem_of, order, pins_of
from ribbon.pins import laid
from ribbon.strip import walk
from server.plans.cutting import read_cutting
from server.plans.joining import cut_of, joined_for
from server.plans.schema import SectionIn


class FoldedOut(Schema):
    """One pleat to fold, and the stretch of flat cloth in mm that it takes."""

    pleat: int
    says: str
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
    """The order of making, every pleat of the round, the pins it takes, and how each fibre is pressed."""

    order: list[MakingStepOut]
    pleats: list[FoldedOut]
    pins: int
    pressing: list[PressOut]


def fold_of(said: SectionIn) -> dict[str, Any]:
    """The round and the order.  Raises `Refusal`."""
    section = said.section
    strip, plan = laid(section)
    found = folding(section)
    try:
        made = joined_for(section, strip, walk(strip), cut_of(said))
        joins = len(made.joins) if made else 0
    except Refusal:
        joins = 0  # the step Cloth says why it cannot be joined
    try:
        drop = read_cutting(said).drop
        hem = hem_of(drop.hem, drop.hem_turns) if drop else None
    except Refusal:
        hem = None
    steps = order(section, plan, joins=joins, hem=hem)
    return {
        "order": [step._asdict() for step in steps],
        "pleats": [
            {"pleat": one.pleat, "says": one.says, "start": float(one.start.mm), "end": float(one.end.mm)}
            for one in found
        ],
        "pins": pins_of(found),
        "pressing": [one._asdict() for one in PRESSING],
    }
