"""An equation between quantities, stated once and read in every direction."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass

from ribbon.fraction import Fraction

Values = Mapping[str, Fraction]

MEET = "meet"  # the fact that the pleats meet, by its name on the wire

NOUGHT, ONE = Fraction(0), Fraction(1)


@dataclass(frozen=True, slots=True)
class Relation:
    """An equation of first degree in each of its `quantities`.

    `residual` is nought when the equation holds.  `formula` states it in words, each quantity in braces.
    A `derived` relation follows from others; it is there to solve two of them at once and is never the first
    to find a disagreement.  `rests_on` names a fact beside the quantities that it supposes.  Of one that something
    left over at the ends changes, `formula` states it where that is there (True), or not: only once it is asked for.
    """

    name: str
    formula: str | Callable[[bool], str]
    quantities: tuple[str, ...]
    residual: Callable[[Values], Fraction]
    derived: bool = False
    rests_on: str | None = None

    def words(self, *, rest: bool) -> str:
        """It in words, each quantity in braces; with `rest` something is left over at the ends."""
        return self.formula if isinstance(self.formula, str) else self.formula(rest)

    def solved_for(self, unknown: str, known: dict[str, Fraction]) -> Fraction | None:
        """The one value of `unknown` for which the equation holds, or None where it does not depend on it.

        First degree in each quantity means that two values of the residual tell the third.  `known` is left
        as it was.
        """
        known[unknown] = NOUGHT
        at_nought = self.residual(known)
        known[unknown] = ONE
        slope = self.residual(known) - at_nought
        del known[unknown]
        return -at_nought / slope if slope else None
