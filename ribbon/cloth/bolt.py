"""Cloth as it lies on the shelf: its width, its repeats, its direction, what it costs."""

from __future__ import annotations

from dataclasses import dataclass
from math import ceil

from ribbon.cloth.stripes import Stripe
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length


@dataclass(frozen=True, slots=True)
class Bolt:
    """One cloth.

    `usable` is its width less both selvedges.  `along` and `across` are its repeats, nought for none;
    `directional` cloth has one right way up, along its length.  `shrinkage` is the part it loses in the wash.
    `price` is for one `per` of length, `step` how the shop cuts it.  `at_hand` is the length there is, None for
    as much as is bought; a `rectangle` (a sheet, a remnant) is all there is of it, with `more` such pieces, each (width,
    length).  `weight` is in grams a square metre, `stripes` the sequence of its colours, `sign`
    the one of the money that its price is in.
    """

    usable: Length
    name: str = ""
    along: Length = ZERO
    across: Length = ZERO
    directional: bool = False
    shrinkage: Fraction = Fraction(0)
    price: Fraction | None = None
    per: Length = Length(1000)
    step: Length = Length.cm(10)
    at_hand: Length | None = None
    rectangle: bool = False
    weight: Fraction | None = None
    more: tuple[tuple[Length, Length], ...] = ()
    stripes: tuple[Stripe, ...] = ()
    sign: str = ""

    @property
    def sheets(self) -> list[tuple[Length, Length]]:
        """The rectangles that there are of it, (width, length) each; none of cloth that is bought."""
        return [(self.usable, self.at_hand), *self.more] if self.rectangle and self.at_hand is not None else []

    def bought(self, needed: Length) -> Length:
        """The length to ask for: `needed`, more by what it will shrink, up to the shop's step."""
        more = needed / (1 - self.shrinkage)
        steps = -(-(more / self.step) // 1)
        return self.step * steps

    @property
    def washed(self) -> Length | None:
        """The length at hand once it is washed, None where none is."""
        return None if self.at_hand is None else self.at_hand * (1 - self.shrinkage)

    def cost(self, length: Length) -> Fraction | None:
        """What `length` costs, None where no price is known."""
        return None if self.price is None else self.price * (length / self.per)

    def mass(self, area: Fraction) -> Fraction | None:
        """What `area` square millimetres of it weigh, in grams; None where the weight is not known."""
        return None if self.weight is None else self.weight * area / 1_000_000


def whole_repeats(length: Length, repeat: Length) -> Length:
    """`length` rounded up to whole repeats; as it is where the cloth has none."""
    if not repeat:
        return length
    return repeat * -(-(length / repeat) // 1)


def widths_for(bolt: Bolt, flat: Length, ends: Length, join: Length) -> int:
    """The fewest widths that hold `flat` with the allowances at its `ends` and at both edges of every join.

    Where joins must hide it may take one more: that is for `joined` to say.

    >>> cm = Length.cm
    >>> [widths_for(Bolt(cm(138)), cm(flat), cm(3), cm(1)) for flat in (135, 136, 271, 272)]
    [1, 2, 2, 3]
    """
    alone = flat + ends
    if alone <= bolt.usable:
        return 1
    both = join * 2
    room = bolt.usable - both
    return 0 if room <= ZERO else max(2, ceil((alone - both) / room))
