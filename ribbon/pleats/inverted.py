"""Inverted pleats: two folds that turn towards each other over an underlay."""

from __future__ import annotations

from ribbon.fraction import Fraction
from ribbon.pleats.kind import Default, Kind, Quantity, takes
from ribbon.pleats.relation import MEET, Relation
from ribbon.pleats.row import Laying, Standing
from ribbon.strip import LineKind, Role, Turn

Q = Quantity


def _lay(strip: Laying, pleat: Standing) -> None:
    number, sides = pleat.pleat, 2 if pleat.half else 4
    if pleat.half <= 0:
        strip.fold(Turn.BEHIND, LineKind.OUTER, number).run(pleat.take, Role.UNDER, sides)
        strip.fold(Turn.BEHIND, LineKind.INNER, number)
        strip.run(pleat.take + sides * (pleat.at - pleat.left), Role.UNDER, sides)
    strip.line(LineKind.CENTRE, number)
    if pleat.half >= 0:
        strip.run(pleat.take + sides * (pleat.right - pleat.at), Role.UNDER, sides)
        strip.fold(Turn.FRONT, LineKind.INNER, number).run(pleat.take, Role.UNDER, sides)
        strip.fold(Turn.FRONT, LineKind.OUTER, number)


INVERTED = Kind(
    name="inverted",
    word="Inverted",
    title="inverted pleats",
    shown=(Q.FINISHED, Q.SPACING, Q.OPENING, Q.COUNT, Q.DEPTH, Q.FLAT, Q.FULLNESS),
    relations=(takes(4),),
    lay=_lay,
    take_up_per_depth=4,
    meeting=Relation(
        "the underlays meet behind",
        "{depth} = ({spacing} − {opening}) ÷ 2",
        (Q.DEPTH, Q.SPACING, Q.OPENING),
        lambda v: 2 * v[Q.DEPTH] + v[Q.OPENING] - v[Q.SPACING],
        rests_on=MEET,
    ),
    meeting_take_up=lambda spacing, hole: 2 * (spacing - hole),
    hole=Q.OPENING,
    width=Q.OPENING,
    halves=True,
    defaults=(
        Default(Q.OPENING, Fraction(0), Fraction(0), "the folds kiss", firm=True),
        Default(Q.SPACING, Fraction(100), Fraction(508, 5), "a middling space to start from"),
    ),
)
