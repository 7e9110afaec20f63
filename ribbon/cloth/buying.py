"""What to buy."""

from __future__ import annotations

from typing import NamedTuple

from ribbon.cloth.bolt import Bolt
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length


class Bought(NamedTuple):
    """Cloth to buy: what is needed, what to ask for, its cost, and how much more or less than what is at hand."""

    needed: Length
    asked: Length
    cost: Fraction | None
    at_hand: Length | None

    @property
    def short(self) -> Length | None:
        """How much is missing of what is at hand, None where nothing is or enough is there."""
        if self.at_hand is None or self.at_hand >= self.needed:
            return None
        return self.needed - self.at_hand

    @property
    def enough(self) -> bool:
        """True where what is at hand is enough: then nothing is bought."""
        return self.at_hand is not None and self.short is None


def buy(bolt: Bolt, needed: Length) -> Bought:
    """What to ask the shop for so that `needed` is there once washed: nothing where enough is at hand.

    Where some is at hand the whole is asked for in one length, since it cannot be pieced; a sheet is all there is.
    """
    unwashed = needed / (1 - bolt.shrinkage)
    got = Bought(unwashed, ZERO, None, bolt.at_hand)
    if got.enough or bolt.rectangle:
        return got
    asked = bolt.bought(needed)
    return got._replace(asked=asked, cost=bolt.cost(asked))
