"""Swatches on the wire."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field
from typing_extensions import TypedDict

from server.shelf.schema import ClothName, Revision
from server.wire.section import SectionSpec
from server.wire.told import LengthOut, RatioOut
from server.wire.typed import Strict, Typed, UnitSign
from server.wire.unreadable import UnreadableOut

Kind = Literal["gathered", "attachment", "fold", "cartridge"]
Says = Annotated[str, Field(max_length=2000)]
Short = Annotated[str, Field(max_length=80)]


class BookSpec(Strict):
    """What was tried, just as typed: the strip flat, what it measured after, and how it was made.

    A bare stitch length is millimetres; `every` is how many stitches the attachment makes to a tuck, 0 for none.
    """

    flat: Typed = ""
    measured: Annotated[list[Typed], Field(max_length=12)] = []
    folds: Typed = ""
    depth: Typed = ""
    every: Typed = ""
    stitch: Typed = ""
    rows: Typed = ""
    thread: Short = ""
    screw: Short = ""
    guide: Typed = Field(default="", description="How far from the edge the attachment's guide held it: the heading.")
    layers: Literal["one", "two"] = "one"
    says: Says = ""


class NewSwatch(Strict):
    """A swatch for the book."""

    cloth: ClothName
    kind: Kind
    unit: UnitSign = "cm"
    spec: BookSpec = BookSpec()


class SwatchChange(NewSwatch):
    """A swatch as it is now known, and the revision that this was made to."""

    revision: Revision


class UsedOut(TypedDict):
    """A work that a swatch was used in."""

    key: str
    name: str


class SwatchRow(TypedDict):
    """A swatch as kept, and what follows from it; `says` tells it in words, `waves` how densely it is drawn."""

    key: str
    cloth: str
    colour: str
    kind: Kind
    unit: str
    spec: BookSpec
    revision: int
    touched: str
    picture: bool
    ratio: RatioOut | None
    least: RatioOut | None
    most: RatioOut | None
    tuck: LengthOut | None
    turn: LengthOut | None
    packed: LengthOut | None
    says: list[str]
    used: list[UsedOut]


class SwatchesOut(TypedDict):
    """The book."""

    swatches: list[SwatchRow]
    unreadable: list[UnreadableOut]


class TakeIn(Strict):
    """A section that a swatch is to decide for."""

    section: SectionSpec


class TakenOut(TypedDict):
    """The section with what the swatch says in it, and that in words."""

    section: SectionSpec
    says: str


class SettingIn(Strict):
    """A way to set an attachment."""

    every: Annotated[int, Field(ge=0, le=100)]
    stitch: Typed


class SamplerIn(Strict):
    """Settings to try on one strip, so much of it for each, a gap between; by a tuck that is known, or a guess."""

    unit: UnitSign = "cm"
    each: Typed = ""
    gap: Typed = ""
    tuck: Typed = ""
    settings: Annotated[list[SettingIn], Field(min_length=1, max_length=24)]
    measured: Annotated[list[Typed], Field(max_length=24)] = []


class SampleOut(TypedDict):
    """One sample on the strip: where it lies, what it is expected to make, what it made."""

    number: int
    every: int
    stitch: str
    says: str
    start: LengthOut
    end: LengthOut
    expected: LengthOut
    ratio: RatioOut
    made: RatioOut | None
    tuck: LengthOut | None
    ok: bool


class SamplerOut(TypedDict):
    """The samples of a strip, how long each is, how long it is cut, what they show together."""

    samples: list[SampleOut]
    each: LengthOut
    long: LengthOut
    tuck: LengthOut
    says: list[str]


class WantedIn(Strict):
    """A ratio wanted of an attachment, by the tuck of a swatch."""

    ratio: Typed


class WantedRow(TypedDict):
    """One way to set it."""

    every: int
    stitch: str
    says: str


class WantedOut(TypedDict):
    """How to set the attachment for a wanted ratio."""

    settings: list[WantedRow]
    says: str


class BookIn(Strict):
    """A table of swatches as text; `keep_good` puts the right rows in though others are wrong."""

    text: Annotated[str, Field(max_length=200_000)]
    keep_good: bool = False
