"""Tucks and release pleats: knife pleats stitched down along their placement lines."""

from __future__ import annotations

from dataclasses import replace

from ribbon.fraction import Fraction
from ribbon.pleats.kind import Default, Quantity
from ribbon.pleats.knife import KNIFE

Q = Quantity

TUCK = replace(
    KNIFE,
    name="tuck",
    word="Tucks",
    title="tucks",
    one="tuck",
    meets=False,
    defaults=(
        Default(Q.DEPTH, Fraction(10), Fraction(127, 20), "a middling tuck to start from"),
        Default(Q.SPACING, Fraction(30), Fraction(127, 4), "a middling space to start from"),
    ),
)
