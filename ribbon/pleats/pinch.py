"""Pinch pleats: cloth sewn together at the heading and dressed into fingers that stand out.

Walked as a concertina that stands on its sew line: it comes back to where it began, one layer up and one
layer down for each finger, so the edge is as wide as its spaces.
"""

from __future__ import annotations

from ribbon.fraction import Fraction
from ribbon.pleats.kind import Default, Kind, Quantity
from ribbon.pleats.row import Laying, Standing
from ribbon.strip import LineKind, Role, Turn

Q = Quantity


def _pinch(fingers: int) -> Kind:
    def lay(strip: Laying, pleat: Standing) -> None:
        number, sides = pleat.pleat, 2 * fingers
        strip.line(LineKind.SEW, number)
        for finger in range(fingers):
            strip.run(pleat.take, Role.FINGER, sides).fold(Turn.FRONT, LineKind.FINGER, number)
            last = finger == fingers - 1
            strip.run(pleat.take, Role.FINGER, sides).fold(
                Turn.BEHIND, LineKind.SEW if last else LineKind.FINGER, number
            )

    return Kind(
        name="pinch",
        word="Pinch",
        title="pinch pleats",
        shown=(Q.FINISHED, Q.SPACING, Q.COUNT, Q.PER_PLEAT, Q.FLAT, Q.FULLNESS),
        relations=(),
        lay=lay,
        take_up_per_depth=1,
        defaults=(
            Default(Q.FULLNESS, Fraction(5, 2), Fraction(5, 2), "2½ times is usual for pinch pleats"),
            Default(
                Q.SPACING,
                Fraction(100),
                Fraction(508, 5),
                "pinch pleats usually stand 7.5 to 10 cm apart",
                why_imperial="pinch pleats usually stand 3 to 4 in apart",
                least=Fraction(3, 4),
            ),
        ),
        upright=True,
        fingers=fingers,
    )


PINCH = {fingers: _pinch(fingers) for fingers in (1, 2, 3, 4)}
