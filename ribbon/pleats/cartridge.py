"""Cartridge pleats: upright folds drawn up on rows of even stitches."""

from __future__ import annotations

from ribbon.fraction import Fraction
from ribbon.pleats.kind import Default, Kind, Quantity, takes
from ribbon.pleats.row import Laying, Standing
from ribbon.strip import LineKind

Q = Quantity


def _lay(strip: Laying, pleat: Standing) -> None:
    # Two heights to a fold, a stitch point half way up each, so that the first stands half a fold in.
    draw = Fraction(pleat.right - pleat.left, pleat.take)
    strip.drawn(pleat.take, 4, draw).line(LineKind.STITCH, pleat.pleat)
    strip.drawn(pleat.take, 2, draw).line(LineKind.STITCH, pleat.pleat)
    strip.drawn(pleat.take, 4, draw)


CARTRIDGE = Kind(
    name="cartridge",
    word="Cartridge",
    title="cartridge pleats",
    shown=(Q.FINISHED, Q.SPACING, Q.COUNT, Q.DEPTH, Q.FLAT, Q.FULLNESS),
    relations=(takes(2),),
    lay=_lay,
    take_up_per_depth=2,
    width=Q.SPACING,
    defaults=(
        Default(Q.SPACING, Fraction(6), Fraction(127, 20), "a packed width to start from; fold a swatch and measure"),
        Default(Q.DEPTH, Fraction(12), Fraction(127, 10), "a height to start from; fold a swatch and measure"),
    ),
    upright=True,
    rows=True,
)
