"""Knife pleats: each laid over to one hand."""

from __future__ import annotations

from ribbon.fraction import Fraction
from ribbon.pleats.kind import Default, Kind, Quantity, takes
from ribbon.pleats.relation import MEET, Relation
from ribbon.pleats.row import Facing, Laying, Standing
from ribbon.strip import LineKind, Role, Turn

Q = Quantity


def _lay(strip: Laying, pleat: Standing) -> None:
    number = pleat.pleat
    if pleat.facing is Facing.RIGHT:
        strip.fold(Turn.BEHIND, LineKind.OUTER, number).run(pleat.take, Role.UNDER, 2)
        strip.fold(Turn.BEHIND, LineKind.INNER, number).run(pleat.take, Role.UNDER, 2)
        strip.line(LineKind.PLACEMENT, number)
    else:
        strip.line(LineKind.PLACEMENT, number).run(pleat.take, Role.UNDER, 2)
        strip.fold(Turn.FRONT, LineKind.INNER, number).run(pleat.take, Role.UNDER, 2)
        strip.fold(Turn.FRONT, LineKind.OUTER, number)


KNIFE = Kind(
    name="knife",
    word="Knife",
    title="knife pleats",
    shown=(Q.FINISHED, Q.SPACING, Q.COUNT, Q.DEPTH, Q.FLAT, Q.FULLNESS),
    relations=(takes(2),),
    lay=_lay,
    take_up_per_depth=2,
    meeting=Relation(
        "the pleats meet",
        "{depth} = {spacing}",
        (Q.DEPTH, Q.SPACING),
        lambda v: v[Q.DEPTH] - v[Q.SPACING],
        rests_on=MEET,
    ),
    meeting_take_up=lambda spacing, hole: 2 * spacing,
    defaults=(Default(Q.SPACING, Fraction(30), Fraction(127, 4), "a middling pleat to start from"),),
    faces=True,
)
