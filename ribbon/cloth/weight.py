"""How heavy the made piece is, and what it hangs on."""

from __future__ import annotations

from ribbon.cloth.bolt import Bolt
from ribbon.cloth.drop import Drop
from ribbon.fraction import Fraction
from ribbon.lengths import Length


def load(bolt: Bolt, cut: Length, drop: Drop, lining: Fraction | None = None) -> Fraction | None:
    """The load in grams of a strip `cut` wide with that drop, hems and heading included; `lining` is what its lining adds."""
    face = bolt.mass(cut.mm * (drop.finished + drop.heading + drop.hem * drop.hem_turns).mm)
    if face is None:
        return None
    return face + (lining or Fraction(0))
