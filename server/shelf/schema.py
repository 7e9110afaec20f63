"""Cloths on the wire."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field, StringConstraints
from typing_extensions import TypedDict

from server.wire.cloth import ClothSpec
from server.wire.told import LengthOut
from server.wire.typed import Strict, Typed, UnitSign
from server.wire.unreadable import UnreadableOut

ClothName = Annotated[
    str, StringConstraints(strip_whitespace=True, min_length=1, max_length=120, pattern=r"^[^\x00]*$")
]
Revision = Annotated[int, Field(ge=0, le=2**31 - 1)]


class NewCloth(Strict):
    """A cloth to be put on the shelf."""

    name: ClothName
    unit: UnitSign = "cm"
    spec: ClothSpec = ClothSpec()


class ClothChange(NewCloth):
    """A cloth as it is now known, and the revision that this was made to."""

    revision: Revision


class Moved(Strict):
    """A length taken for a work, or given back."""

    revision: Revision
    length: Typed
    work: Annotated[str, Field(max_length=120)] = ""
    taken: Typed = Field(default="", description="How much of it this work has until now.")


class MovementOut(TypedDict):
    """What went out or came back."""

    work: str
    length: str
    back: bool
    at: str


class StripeOut(TypedDict):
    """A stripe for drawing: its colour, and what part of one repeat it is."""

    colour: str
    part: float


class ClothRow(TypedDict):
    """A cloth as kept: its facts as typed, the same with their units, what is left of it, its last movements."""

    key: str
    name: str
    unit: str
    spec: ClothSpec
    facts: ClothSpec
    sequence: list[StripeOut]
    colour: str
    revision: int
    touched: str
    usable: LengthOut | None
    left: LengthOut | None
    movements: list[MovementOut]


class MovedRow(ClothRow):
    """A cloth after a length of it was taken or given back; `taken` is how much the work has of it by now."""

    taken: str


class ClothsOut(TypedDict):
    """The shelf."""

    cloths: list[ClothRow]
    unreadable: list[UnreadableOut]


class TableIn(Strict):
    """A table of cloths as text, the first line naming its columns; `keep_good` puts the right rows in though others are wrong."""

    text: Annotated[str, Field(max_length=200_000)]
    keep_good: bool = False


class WrongRow(TypedDict):
    """A row that cannot go in: its line, and why."""

    line: int
    message: str


class TableOut(TypedDict):
    """What came of a table: how many rows are right, how many went in, which are wrong."""

    right: int
    added: int
    wrong: list[WrongRow]


class PriceRow(TypedDict):
    """A cloth that the supplier has."""

    name: str
    unit: str
    spec: ClothSpec


class PricesOut(TypedDict):
    """The supplier's list; `wrong` says what in it could not be read, `where` which file it is."""

    where: str
    cloths: list[PriceRow]
    wrong: list[WrongRow]
