"""A section: the facts a sewist has pinned about one pleated or gathered edge."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from enum import StrEnum
from typing import NamedTuple

from ribbon.fraction import Fraction
from ribbon.gathers import Gathering
from ribbon.lengths import UNITS, ZERO, Length, Scribe, Unit, write_ratio
from ribbon.pleats import Facing, Kind, Quantity


class Remainder(StrEnum):
    """Where the width goes that whole pleats of the asked spacing leave over."""

    SPACING = "spacing"
    ENDS = "ends"
    LEAD = "lead"
    TAIL = "tail"


class School(StrEnum):
    """What a pinned fullness multiplies: only the pleated part, or the whole edge."""

    PLEATED = "pleated"
    ALL = "all"


class Pin(NamedTuple):
    """A fact: millimetres, or a pure number for the count and the fullness.  Firm, or about."""

    value: Fraction
    firm: bool = True


class End(NamedTuple):
    """What stands between an end of the edge and the pleat next to it: a stated width, or times the spacing.

    `fold` says that the end is a fold line of the cloth with half a pleat standing on it (then `times` is 0).
    """

    width: Length | None = None
    times: Fraction = Fraction(1, 2)
    fold: bool = False


class Place(NamedTuple):
    """A pleat put at a stated place: on the finished edge from its start, or out from the centre of it.

    `take` is the cloth it takes where that is stated, `facing` right or left where it differs from the section's.
    """

    at: Length
    take: Length | None = None
    facing: Facing | None = None


class Taper(NamedTuple):
    """A second level, `height` above the section's own: its finished width, and the darts that pleats swallow there.

    Without a finished width the level is narrower by the darts alone.  `darts` holds (pleat, from 1; width).
    """

    height: Length
    finished: Length | None = None
    darts: tuple[tuple[int, Length], ...] = ()


class Stops(NamedTuple):
    """Where pleats are stitched down: from `upper` to `lower`, both measured down from the edge.

    `above` is how far they are stitched above it too, where the edge is a waistline within the garment.  `crease` is how
    far from the crease the stitching runs, None along the placement line.  With `across` it goes down one side of a
    pleat, across and up the other.
    """

    lower: Length
    upper: Length = ZERO
    above: Length = ZERO
    crease: Length | None = None
    across: bool = False


class PatternPiece(NamedTuple):
    """The flat pattern piece that pleats are let into: how far its top edge rises from start to end, and how many

    such pieces make the garment.
    """

    rise: Length = ZERO
    times: int = 1


class Allowance(NamedTuple):
    """Seam allowances: at the two ends of the strip and at each edge of a join.

    `assumed` tells that the seam allowance of the work was not said, and is what most take.
    """

    start: Length = ZERO
    end: Length = ZERO
    join: Length = ZERO
    assumed: bool = False


def in_inches(unit: Unit, habit: bool | None) -> bool:
    """Whether what nobody said is taken from what sewists in inches are used to: by habit, else by the unit."""
    return unit.binary if habit is None else habit


def usual_seam(*, imperial: bool) -> Length:
    """The seam allowance of a work that says none: 1.5 cm, or half an inch."""
    return Length.inches(Fraction(1, 2)) if imperial else Length(15)


def usual_tape(*, imperial: bool) -> Length:
    """The division that is marked to where nothing is said: a millimetre, or a sixteenth of an inch."""
    return Length.inches(Fraction(1, 16)) if imperial else Length(1)


def allowances(
    seam: Length | None, start: Length | None, end: Length | None, join: Length | None, *, imperial: bool
) -> Allowance:
    """The seam allowances of an edge: the work's own `seam`, but for an end or the joins that have another one.

    >>> allowances(None, Length(20), None, None, imperial=False)
    Allowance(start=Length(20 mm), end=Length(15 mm), join=Length(15 mm), assumed=True)
    """
    every = usual_seam(imperial=imperial) if seam is None else seam
    own = [every if said is None else said for said in (start, end, join)]
    return Allowance(own[0], own[1], own[2], seam is None and None in (start, end, join))


class PlanCloth(NamedTuple):
    """What the plan needs to know of the cloth: its usable width and its thickness, None where unknown."""

    usable: Length | None = None
    thickness: Length | None = None


@dataclass(frozen=True, slots=True)
class Section:
    """One section as pinned.  `tape` is None where exact positions are wanted.

    `scribe` writes places as the section's tape shows them, `fine` writes sizes a little finer.
    """

    kind: Kind
    pins: Mapping[Quantity, Pin]
    unit: Unit = UNITS["cm"]
    tape: Length | None = None
    meet: bool | None = None
    facing: Facing = Facing.RIGHT
    mirror_at: Length | None = None
    closed: bool = False
    lead: End = End()
    tail: End = End()
    remainder: Remainder = Remainder.SPACING
    school: School = School.PLEATED
    allowance: Allowance = Allowance()
    cloth: PlanCloth = PlanCloth()
    places: tuple[Place, ...] = ()
    from_centre: bool = False
    taper: Taper | None = None
    stops: Stops | None = None
    piece: PatternPiece | None = None
    gathering: Gathering = Gathering()
    goblet: bool = False
    at_foot: bool = False
    rows: int = 2
    machine: Length | None = None
    """How thick a pile of cloth the machine sews, where that is known."""
    corrections: tuple[Length, ...] = ()
    """By how much the basted row was taken in after each check, in turn (below nought: let out)."""
    turn: Length = ZERO
    """By how much each pleat of this cloth is known to come out narrower (below nought: wider)."""
    habit: bool | None = None
    """True where what is assumed is assumed in inches, False in centimetres; None as the unit is."""
    scribe: Scribe = field(init=False, compare=False, repr=False)
    fine: Scribe = field(init=False, compare=False, repr=False)

    def __post_init__(self) -> None:
        object.__setattr__(self, "scribe", Scribe(self.unit, self.tape))
        object.__setattr__(self, "fine", self.scribe.finer())

    @property
    def imperial(self) -> bool:
        """True where what nobody said is taken from what sewists in inches are used to."""
        return in_inches(self.unit, self.habit)

    @property
    def mirrored(self) -> bool:
        """True where the pleats face both ways, about a point."""
        return self.kind.faces and self.facing in (Facing.TO_CENTRE, Facing.FROM_CENTRE)

    @property
    def folds(self) -> int:
        """How many of its ends are fold lines of the cloth: 0, 1 or 2."""
        return 0 if self.closed else self.lead.fold + self.tail.fold

    def let_go(self, quantity: Quantity) -> Section:
        """The same section without that pin."""
        return replace(self, pins={name: pin for name, pin in self.pins.items() if name is not quantity})

    def say(self, quantity: Quantity, value: Fraction) -> str:
        """A value of `quantity` as this section writes it."""
        if quantity.is_length:
            return self.fine.write_mm(value).text
        return write_ratio(value).text
