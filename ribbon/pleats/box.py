"""Box pleats: two knife pleats back to back, a box in front of a gap."""

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
        strip.line(LineKind.PLACEMENT, number).run(pleat.take, Role.UNDER, sides)
        strip.fold(Turn.FRONT, LineKind.INNER, number).run(pleat.take, Role.UNDER, sides)
        strip.fold(Turn.FRONT, LineKind.OUTER, number)
    else:
        strip.line(LineKind.CENTRE, number)
    strip.run(pleat.right - pleat.left, Role.FACE)
    if pleat.half >= 0:
        strip.fold(Turn.BEHIND, LineKind.OUTER, number).run(pleat.take, Role.UNDER, sides)
        strip.fold(Turn.BEHIND, LineKind.INNER, number).run(pleat.take, Role.UNDER, sides)
        strip.line(LineKind.PLACEMENT, number)
    else:
        strip.line(LineKind.CENTRE, number)


BOX = Kind(
    name="box",
    word="Box",
    title="box pleats",
    shown=(Q.FINISHED, Q.BOX, Q.GAP, Q.COUNT, Q.DEPTH, Q.FLAT, Q.FULLNESS, Q.SPACING),
    relations=(
        takes(4),
        Relation(
            "box and gap",
            "{spacing} = {box} + {gap}",
            (Q.SPACING, Q.BOX, Q.GAP),
            lambda v: v[Q.SPACING] - v[Q.BOX] - v[Q.GAP],
        ),
    ),
    lay=_lay,
    take_up_per_depth=4,
    meeting=Relation(
        "the folds meet behind",
        "{depth} = {box} ÷ 2",
        (Q.DEPTH, Q.BOX),
        lambda v: 2 * v[Q.DEPTH] - v[Q.BOX],
        rests_on=MEET,
    ),
    meeting_take_up=lambda spacing, hole: 2 * (spacing - hole),
    hole=Q.GAP,
    width=Q.BOX,
    halves=True,
    defaults=(
        Default(Q.GAP, Fraction(0), Fraction(0), "box stands beside box", firm=True),
        Default(Q.SPACING, Fraction(60), Fraction(254, 5), "a middling box to start from"),
    ),
)
