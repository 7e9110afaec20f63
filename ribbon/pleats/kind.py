"""What every kind of pleat says of itself."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction

from ribbon.pleats.relation import Relation
from ribbon.pleats.row import Laying, Standing


class Quantity(StrEnum):
    """The quantities that can be pinned, by their names on the wire."""

    FINISHED = "finished"
    FLAT = "flat"
    COUNT = "count"
    SPACING = "spacing"
    DEPTH = "depth"
    PER_PLEAT = "per_pleat"
    FULLNESS = "fullness"
    BOX = "box"
    GAP = "gap"
    OPENING = "opening"

    @property
    def word(self) -> str:
        """The quantity as a sewist says it."""
        return _WORDS[self]

    @property
    def is_length(self) -> bool:
        """False for the count and the fullness, which are pure numbers."""
        return self not in (Quantity.COUNT, Quantity.FULLNESS)


_WORDS = {
    Quantity.FINISHED: "finished width",
    Quantity.FLAT: "flat width",
    Quantity.COUNT: "count",
    Quantity.SPACING: "spacing",
    Quantity.DEPTH: "depth",
    Quantity.PER_PLEAT: "cloth per pleat",
    Quantity.FULLNESS: "fullness",
    Quantity.BOX: "box",
    Quantity.GAP: "gap",
    Quantity.OPENING: "opening",
}


@dataclass(frozen=True, slots=True)
class Default:
    """What a kind assumes of a quantity that nothing else settles.

    `metric` and `imperial` are what a sewist of either habit would start from, each with its reason; `firm` values are
    part of the kind (a gap of nought), the others give way like an about-pin.  From `least` times it to it is the usual range:
    then there are so many pleats that it is obeyed, and where whole pleats cannot the reason says so.
    """

    quantity: Quantity
    metric: Fraction
    imperial: Fraction
    why: str
    firm: bool = False
    why_imperial: str = ""
    least: Fraction | None = None

    def value(self, *, imperial: bool) -> Fraction:
        """What is taken by a sewist of either habit."""
        return self.imperial if imperial else self.metric

    def reason(self, *, imperial: bool) -> str:
        """Why it is taken."""
        return (imperial and self.why_imperial) or self.why


@dataclass(frozen=True, slots=True)
class Kind:
    """A kind of pleat.

    `quantities` are those that it has.  `relations` are its own equations, beside those of the row; `meeting`
    is the equation that holds when its pleats meet, None where they cannot.  `meeting_take_up(spacing, hole)`
    is the cloth taken per pleat then, `hole` being the gap or the opening (the quantity named `hole`).
    `width` is the quantity that a pleat covers of the finished edge, half of it to each side of its reference
    line; None where it stands on the line alone.
    `take_up_per_depth` is t / d.
    `lay` folds one pleat onto a strip.  `faces` tells that it has a hand, `upright` that it stands out from
    the edge, `folded` that it has pleats at all, `halves` that half of it can stand on a fold line of the cloth,
    `meets` that its pleats meet unless something else is said.  `fingers` is how many
    a pinch pleat is dressed into.
    """

    name: str
    title: str
    quantities: frozenset[Quantity]
    relations: tuple[Relation, ...]
    lay: Callable[[Laying, Standing], None]
    take_up_per_depth: int = 1
    meeting: Relation | None = None
    meeting_take_up: Callable[[Fraction, Fraction], Fraction] | None = None
    hole: Quantity | None = None
    width: Quantity | None = None
    defaults: tuple[Default, ...] = ()
    faces: bool = False
    upright: bool = False
    folded: bool = True
    halves: bool = False
    meets: bool = True
    fingers: int = 0

    @property
    def divisions(self) -> int:
        """How many divisions of the tape running take-up goes in: t / d, so that inner folds are on the tape.

        One where folds stand up: the stitch points that share such a fold are each put at the nearest division.
        """
        return 1 if self.width is Quantity.SPACING else self.take_up_per_depth


def takes(times: int) -> Relation:
    """The equation t = `times` × d: the cloth that a pleat takes, from its depth."""
    return Relation(
        "cloth per pleat",
        f"{{per_pleat}} = {times} × {{depth}}",
        (Quantity.PER_PLEAT, Quantity.DEPTH),
        lambda v: v[Quantity.PER_PLEAT] - times * v[Quantity.DEPTH],
    )
