"""What every kind of pleat says of itself."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, field
from enum import StrEnum

from ribbon.fraction import Fraction
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
    def heading(self) -> str:
        """The quantity as it stands above its figure."""
        return "Pleats" if self is Quantity.COUNT else self.word.capitalize()

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


class Look(StrEnum):
    """How pleats of a kind lie or stand, and so how they are drawn."""

    LYING = "lying"
    PINCHED = "pinched"
    PACKED = "packed"
    GATHERED = "gathered"


@dataclass(frozen=True, slots=True)
class Kind:
    """A kind of pleat.

    `name` is its name on the wire, `word` what it is called where one is chosen, `title` what many of them are called in a
    sentence; `shown` are its quantities in the order in which they are asked for.
    `relations` are its own equations, beside those of the row; `meeting`
    is the equation that holds when its pleats meet, None where they cannot.  `meeting_take_up(spacing, hole)`
    is the cloth taken per pleat then, `hole` being the gap or the opening (the quantity named `hole`).
    `width` is the quantity that a pleat covers of the finished edge, half of it to each side of its reference
    line; None where it stands on the line alone.
    `take_up_per_depth` is t / d.
    `lay` folds one pleat onto a strip.  `faces` tells that it has a hand, `upright` that it stands out from
    the edge, `folded` that it has pleats at all, `halves` that half of it can stand on a fold line of the cloth,
    `meets` that its pleats meet unless something else is said.  `fingers` is how many
    a pinch pleat is dressed into, `rows` tells that several rows of even stitches draw them up, `one` what one of them is called.
    """

    name: str
    word: str
    title: str
    shown: tuple[Quantity, ...]
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
    rows: bool = False
    one: str = "pleat"
    quantities: frozenset[Quantity] = field(init=False)
    """Every quantity that it has: the cloth per pleat follows where it is not asked for."""

    def __post_init__(self) -> None:
        more = (Quantity.PER_PLEAT,) if self.folded else ()
        object.__setattr__(self, "quantities", frozenset((*self.shown, *more)))

    @property
    def look(self) -> Look:
        """How its pleats lie or stand."""
        if not self.folded:
            return Look.GATHERED
        if self.width is Quantity.SPACING:
            return Look.PACKED
        return Look.PINCHED if self.upright else Look.LYING

    @property
    def size(self) -> Quantity:
        """The quantity by which the size of one pleat is said: its depth, or its cloth."""
        return Quantity.DEPTH if Quantity.DEPTH in self.shown else Quantity.PER_PLEAT

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
