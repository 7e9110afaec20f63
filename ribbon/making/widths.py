"""Widths decide: how many widths of cloth go to each panel, and what flat width that makes.

    net flat of n widths = n · usable width − joins · 2 · seam allowance − what both sides take

A half width is exactly half of the usable cloth; halves of different panels come off one width.
"""

from __future__ import annotations

from collections.abc import Callable, Sequence
from math import ceil, floor
from typing import NamedTuple

from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length

HALF = Fraction(1, 2)
SKIMPY = Fraction(15, 100)
"""A shortfall past which a panel looks skimpy."""


class Wanted(NamedTuple):
    """What a panel asks of its widths: the flat width that its fullness wants, and what its two sides take together."""

    flat: Length
    sides: Length


class Shared(NamedTuple):
    """One way to share widths out: a number of widths, in halves, for each panel, None where they are cut to measure.

    `flat` is what each panel then measures flat, `raw` the cloth across it before seams and sides, `cuts` every width that is
    cut for all of them.
    """

    name: str
    each: tuple[Fraction, ...] | None
    flat: tuple[Length, ...]
    raw: tuple[Length, ...]
    cuts: tuple[Length, ...]

    def bars(self, usable: Length) -> tuple[Length, ...]:
        """The widths of the first panel as they are cut, for a small drawing."""
        return _cuts(self.raw[0], usable)

    @property
    def left_over(self) -> bool:
        """True where half a width is left."""
        return self.each is not None and sum(self.each).denominator == 2


def _cuts(across: Length, usable: Length) -> tuple[Length, ...]:
    """Whole widths of cloth, and what is still missing of so much across."""
    whole, rest = divmod(across.mm, usable.mm)
    return (*((usable,) * int(whole)), *((Length(rest),) if rest else ()))


def net(many: Fraction, usable: Length, join: Length, sides: Length) -> Length:
    """What `many` widths measure flat once joined and hemmed at both sides.

    >>> net(Fraction(3, 2), Length.cm(138), Length(15), Length.cm(12)) == Length.cm(192)
    True
    """
    return usable * many - join * (2 * (ceil(many) - 1)) - sides


def _enough(one: Wanted, usable: Length, join: Length, step: Fraction) -> Fraction:
    """The fewest widths, in steps of `step`, that are at least as wide as is wanted."""
    room = usable - join * 2
    many = max(step, floor((one.flat + one.sides - join * 2) / room * 2 - 2) * HALF)
    many = ceil(many / step) * step
    while net(many, usable, join, one.sides) < one.flat:
        many += step
    return many


def _short(one: Wanted, usable: Length, join: Length) -> Fraction | None:
    """The most half widths that are no wider than is wanted; None where half a width is more."""
    many = _enough(one, usable, join, HALF)
    if net(many, usable, join, one.sides) > one.flat:
        many -= HALF
    return many if many > 0 and net(many, usable, join, one.sides) > ZERO else None


def shared(name: str, each: Sequence[Fraction], wanted: Sequence[Wanted], usable: Length, join: Length) -> Shared:
    """So many widths for each panel."""
    return Shared(
        name,
        tuple(each),
        tuple(net(many, usable, join, one.sides) for many, one in zip(each, wanted, strict=True)),
        tuple(usable * many for many in each),
        tuple(cut for many in each for cut in _cuts(usable * many, usable)),
    )


def to_measure(wanted: Sequence[Wanted], usable: Length, join: Length) -> Shared:
    """Each panel as wide as its fullness asks, whatever strip of a width is left over."""
    raw: list[Length] = []
    for one in wanted:
        alone = one.flat + one.sides
        widths = 1 if alone <= usable else max(2, ceil((alone - join * 2) / (usable - join * 2)))
        raw.append(alone + join * (2 * (widths - 1)))
    cuts = tuple(cut for across in raw for cut in _cuts(across, usable))
    return Shared("exact", None, tuple(one.flat for one in wanted), tuple(raw), cuts)


def ways_to_share(wanted: Sequence[Wanted], usable: Length, join: Length, own: Fraction | None = None) -> list[Shared]:
    """Each way to share widths out, the thriftiest first: short of what is wanted, halves up, whole widths up, to measure.

    `own` is a number of widths for each panel that a sewist has in mind.  None where the cloth does not hold its seams.
    """
    if usable <= join * 2 or any(usable <= one.sides for one in wanted):
        return []
    pick: dict[str, Callable[[Wanted], Fraction | None]] = {
        "near": lambda one: _short(one, usable, join),
        "half": lambda one: _enough(one, usable, join, HALF),
        "each": lambda one: _enough(one, usable, join, Fraction(1)),
    }
    if own is not None:
        pick["own"] = lambda one: own
    found = []
    for name, rule in pick.items():
        each = [rule(one) for one in wanted]
        if all(many is not None for many in each):
            found.append(shared(name, [many for many in each if many is not None], wanted, usable, join))
    return [one for one in found if all(flat > ZERO for flat in one.flat)] + [to_measure(wanted, usable, join)]


def says_many(many: Fraction) -> str:
    """A number of widths in words: one and a half."""
    whole, rest = divmod(many, 1)
    names = {0: "", 1: "one", 2: "two", 3: "three", 4: "four", 5: "five", 6: "six"}
    word = names.get(int(whole), str(int(whole)))
    if not rest:
        return word
    return f"{word} and a half" if whole else "half a width"
