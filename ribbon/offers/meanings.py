"""What "a one-inch pleat" means: four things, told apart and translated."""

from __future__ import annotations

from typing import NamedTuple

from ribbon.fraction import Fraction
from ribbon.lengths import Length, Unit, typed, typed_number
from ribbon.offers.change import Change, Fact
from ribbon.pleats import Kind, Quantity

Q = Quantity


class Meaning(NamedTuple):
    """One meaning: its name, what it says with the length in it, and the pins that it comes to, in millimetres.

    `meet` tells that by its own meaning the pleats meet.  `beside` holds sizes for what it leaves open, so that a picture of it can be told from the others.
    """

    name: str
    says: str
    pins: dict[Quantity, Fraction]
    beside: dict[Quantity, Fraction]
    meet: bool | None = None

    def change(self, unit: Unit) -> Change:
        """The change that pins it."""
        facts: dict[str, Fact] = {
            f"pins.{name}": typed(Length(value), unit) if name.is_length else typed_number(value)
            for name, value in self.pins.items()
        }
        if self.meet is not None:
            facts["meet"] = self.meet
        return Change.of(self.says, facts)


def meanings(kind: Kind, size: Length, said: str, fingers: int = 3) -> list[Meaning]:
    """The four meanings of a pleat of `size` (written `said`), as pins of `kind`; empty for gathers, which have none.

    A gauge that measures every part makes pleats that meet: for box pleats it goes into each half of the box.  Pleats
    that cannot meet take twice what they cover.  For pinch pleats the depth is that of one finger.
    """
    mm = size.mm
    if not kind.folded:
        return []
    if kind.width is Q.BOX:
        shows, gauge = {Q.BOX: mm}, {Q.BOX: 2 * mm, Q.GAP: Fraction(0)}
    elif kind.width is Q.OPENING:
        shows, gauge = {Q.SPACING: mm, Q.OPENING: Fraction(0)}, {Q.SPACING: 2 * mm, Q.OPENING: Fraction(0)}
    elif kind.meeting is not None:
        shows, gauge = {Q.SPACING: mm}, {Q.SPACING: mm}
    else:
        shows, gauge = {Q.SPACING: mm}, {Q.SPACING: mm, Q.FULLNESS: Fraction(2)}
    deep = {Q.DEPTH: mm} if Q.DEPTH in kind.quantities else {Q.PER_PLEAT: 2 * fingers * mm}
    by_depth = Q.DEPTH in kind.quantities
    apart = (
        {Q.BOX: mm * 2, Q.GAP: mm}
        if kind.width is Q.BOX
        else {Q.SPACING: mm * (1 if kind.width is Q.SPACING else 3 if kind.width else 2)}
    )
    # Upright folds are packed close: what they take is more than what they cover.
    packed = kind.width is Q.SPACING
    close = {Q.BOX: mm, Q.GAP: mm / 2} if kind.width is Q.BOX else {Q.SPACING: mm / 3 if packed else mm}
    other = mm if packed else mm * Fraction(2, 5)
    deep_says = f"{said} deep, from the outer fold to the inner" if by_depth else f"each finger stands {said} out"
    return [
        Meaning("shows", f"{said} shows on the finished edge", shows, {kind.size: other}),
        Meaning("deep", deep_says, deep, apart),
        Meaning("taken", f"{said} of cloth goes into each", {Q.PER_PLEAT: mm}, close),
        Meaning("gauge", f"a {said} gauge measures every part", gauge, {}, True if kind.meeting else None),
    ]
