"""A section: the facts a sewist has pinned about one pleated or gathered edge."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from enum import StrEnum
from fractions import Fraction
from typing import NamedTuple

from ribbon.gathers import GATHER
from ribbon.lengths import UNITS, ZERO, Length, Scribe, Unit, write_ratio
from ribbon.pleats import Facing, Kind, Quantity
from ribbon.pleats.box import BOX
from ribbon.pleats.cartridge import CARTRIDGE
from ribbon.pleats.inverted import INVERTED
from ribbon.pleats.knife import KNIFE
from ribbon.pleats.pinch import PINCH

KINDS = {kind.name: kind for kind in (KNIFE, BOX, INVERTED, PINCH[1], CARTRIDGE, GATHER)}


class Remainder(StrEnum):
    """Where the width goes that whole pleats of the asked spacing leave over (work, section 4)."""

    SPACING = "spacing"
    ENDS = "ends"
    LEAD = "lead"
    TAIL = "tail"


class School(StrEnum):
    """What a pinned fullness multiplies: only the pleated part, or the whole edge (work, sections 2 and 14)."""

    PLEATED = "pleated"
    ALL = "all"


class Pin(NamedTuple):
    """A fact: millimetres, or a pure number for the count and the fullness.  Firm, or about."""

    value: Fraction
    firm: bool = True


class End(NamedTuple):
    """What stands between an end of the edge and the pleat next to it: a stated width, or times the spacing."""

    width: Length | None = None
    times: Fraction = Fraction(1, 2)


class Allowance(NamedTuple):
    """Seam allowances: at the two ends of the strip and at each edge of a join."""

    start: Length = ZERO
    end: Length = ZERO
    join: Length = ZERO


class Cloth(NamedTuple):
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
    cloth: Cloth = Cloth()
    scribe: Scribe = field(init=False, compare=False, repr=False)
    fine: Scribe = field(init=False, compare=False, repr=False)

    def __post_init__(self) -> None:
        object.__setattr__(self, "scribe", Scribe(self.unit, self.tape))
        object.__setattr__(self, "fine", self.scribe.finer())

    @property
    def mirrored(self) -> bool:
        """True where the pleats face both ways, about a point."""
        return self.kind.faces and self.facing in (Facing.TO_CENTRE, Facing.FROM_CENTRE)

    def let_go(self, quantity: Quantity) -> Section:
        """The same section without that pin."""
        return replace(self, pins={name: pin for name, pin in self.pins.items() if name is not quantity})

    def say(self, quantity: Quantity, value: Fraction) -> str:
        """A value of `quantity` as this section writes it."""
        if quantity.is_length:
            return self.fine.write_mm(value).text
        return write_ratio(value).text
