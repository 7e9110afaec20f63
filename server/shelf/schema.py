"""Cloths on the wire."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated

from ninja import Schema
from pydantic import Field, StringConstraints

from server.plans.cloth import ClothSpec
from server.plans.out import LengthOut
from server.plans.schema import UnitSign
from server.plans.typed import Strict, Typed

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


class MovementOut(Schema):
    """What went out or came back."""

    work: str
    length: str
    back: bool
    at: datetime


class StripeOut(Schema):
    """A stripe for drawing: its colour, and what part of one repeat it is."""

    colour: str
    part: float


class ClothRow(Schema):
    """A cloth as kept: its facts as typed, the same with their units, what is left of it, its last movements."""

    key: str
    name: str
    unit: str
    spec: ClothSpec
    facts: ClothSpec
    sequence: list[StripeOut]
    revision: int
    touched: datetime
    usable: LengthOut | None
    left: LengthOut | None
    movements: list[MovementOut]


class ClothsOut(Schema):
    """The shelf."""

    cloths: list[ClothRow]


class TableIn(Strict):
    """A table of cloths as text, the first line naming its columns; `keep_good` puts the right rows in though others are wrong."""

    text: Annotated[str, Field(max_length=200_000)]
    keep_good: bool = False


class WrongRow(Schema):
    """A row that cannot go in: its line, and why."""

    line: int
    message: str


class TableOut(Schema):
    """What came of a table: how many rows are right, how many went in, which are wrong."""

    right: int
    added: int
    wrong: list[WrongRow]


class PriceRow(Schema):
    """A cloth that the supplier has."""

    name: str
    unit: str
    spec: ClothSpec


class PricesOut(Schema):
    """The supplier's list; `wrong` says what in it could not be read, `where` which file it is."""

    where: str
    cloths: list[PriceRow]
    wrong: list[WrongRow]
