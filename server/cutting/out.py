"""The shape of the steps Cloth and Cut on the wire, for the API's description."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field
from typing_extensions import TypedDict

from server.plans.out import ColourOut
from server.wire.change import ChangeOut
from server.wire.told import LengthOut


class StrategyOut(TypedDict):
    """One way to share the strip over widths: what each is cut to, how many joins, how many of them show."""

    name: str
    says: str
    widths: list[LengthOut]
    joins: int
    shown: int
    cost: str | None


class MakesOut(ChangeOut):
    """One thing that the cloth at hand will make."""

    name: str


class RepeatOut(ChangeOut):
    """Pleats to the repeat."""

    repeats: int
    pitch: LengthOut
    depth: LengthOut


class WayOut(TypedDict):
    """One way that the strip can lie on the bolt."""

    name: str
    says: str
    length: LengthOut
    cost: str | None
    joins: int
    why_not: str
    taken: bool


class DropOut(TypedDict):
    """A drop as cut, what it is made up of from its top, and as the repeat asks for it."""

    cut: LengthOut
    on_bolt: LengthOut
    heading: LengthOut
    finished: LengthOut
    hem: Annotated[LengthOut, Field(description="All that is turned up below.")]
    margin: LengthOut


class BuyOut(TypedDict):
    """What is needed, what to ask for, its cost, and how that stands against what is at hand."""

    needed: LengthOut
    asked: Annotated[LengthOut | None, Field(description="Null where enough is at hand, or a sheet is all there is.")]
    cost: str | None
    at_hand: LengthOut | None
    short: LengthOut | None
    take: Annotated[str, Field(description="The length to take from the shelf, as it is typed.")]


class LinedOut(TypedDict):
    """The lining as cut; what a tube of it and the face measures turned, and how much face rolls to the back."""

    width: LengthOut
    length: LengthOut
    turned: LengthOut | None
    rolls: LengthOut | None
    way: str
    ways: list[WayOut]
    asked: LengthOut
    cost: str | None


class LoadOut(TypedDict):
    """The load on the rail or the band."""

    grams: float
    text: str


class NotionOut(TypedDict):
    """Something bought beside the cloth."""

    name: str
    count: int | None
    length: LengthOut | None


class LookOut(TypedDict):
    """How the front looks with one stripe at the fold or mid-face."""

    stripe: int
    where: str
    colour: str
    front: list[ColourOut]


class BoltOut(TypedDict):
    """A cloth by itself: what can be used of its width, and of its length at hand once it is washed; null where not known."""

    usable: LengthOut | None
    at_hand: LengthOut | None
    along: Annotated[LengthOut | None, Field(description="Its repeat along.")]


class ClothOut(TypedDict):
    """One section on its cloth."""

    strategies: list[StrategyOut]
    offers: list[ChangeOut]
    ways: list[WayOut]
    drop: DropOut | None
    along: Annotated[LengthOut | None, Field(description="The repeat along its cloth.")]
    buy: BuyOut | None
    makes: list[MakesOut]
    mends: list[ChangeOut]
    lining: LinedOut | None
    load: LoadOut | None
    notions: list[NotionOut]
    repeats: list[RepeatOut]
    pleats_at_hand: int | None
    looks: list[LookOut]
    slip: list[str]
    assumed: Annotated[dict[str, str], Field(description="What is assumed where nothing is said, by its field.")]


_FromPlace = TypedDict("_FromPlace", {"from": tuple[float, float]})


class SideOut(_FromPlace):
    """A side of an outline where it lies, (across, along) in mm: straight, or an arc with a radius, `large` past half a turn."""

    to: tuple[float, float]
    radius: float | None
    large: bool
    clockwise: bool


class TakesOut(TypedDict):
    """What one side of a piece takes that is not seen: a seam, a hem, a heading."""

    side: Annotated[str, Field(description="left, right, top or foot.")]
    deep: LengthOut
    what: str


class LaidOut(TypedDict):
    """A piece in its place: from the left and from the start of the cloth in mm, its arrow up unless turned.

    `key` tells it from all others, `edge` is the key of the section that it is of and `section` its place; empty and -1 of
    what is cut beside them.  `outline` is empty of a rectangle.
    """

    key: str
    edge: str
    name: str
    names: Annotated[list[str], Field(description="Its name and shorter forms of it, for where there is less room.")]
    section: int
    sheet: int
    left: float
    start: float
    middle: Annotated[tuple[float, float], Field(description="A place within it, (across, along) in mm.")]
    from_selvedge: LengthOut
    from_start: LengthOut
    wide: LengthOut
    long: LengthOut
    turned: bool
    turns: int
    on_fold: bool
    outline: list[SideOut]
    takes: Annotated[list[TakesOut], Field(description="What its sides take as it stands upright, opened.")]


class SheetOut(TypedDict):
    """A cloth that is laid on."""

    width: LengthOut
    length: LengthOut


class OffcutOut(TypedDict):
    """A piece that nothing is cut from, large enough to be kept: where it lies in mm, how large it is, as it is typed."""

    sheet: int
    left: float
    start: float
    wide: LengthOut
    long: LengthOut
    typed: Annotated[tuple[str, str], Field(description="Its width and its length as they are typed.")]


class CutPlanOut(TypedDict):
    """The pieces on one cloth: its length, the least that any plan could take, what falls away, what to buy."""

    role: str
    cloth: str
    directional: bool
    width: LengthOut
    length: LengthOut
    bound: LengthOut
    closeness: float
    best: Annotated[bool, Field(description="True where no plan can take less.")]
    again: Annotated[bool, Field(description="True where another look, with another seed, may find one.")]
    waste: float
    asked: Annotated[LengthOut | None, Field(description="Null where nothing is bought.")]
    cost: str | None
    short: LengthOut | None
    take: Annotated[str, Field(description="The length to take from the shelf for all of them, as it is typed.")]
    sheets: list[SheetOut]
    placed: list[LaidOut]
    offcuts: list[OffcutOut]
    left: list[str]
    says: str


class ShopOut(TypedDict):
    """A notion for one piece."""

    piece: str
    name: str
    much: str


class PartNotionOut(TypedDict):
    """How much of a notion is for one piece, or for the thing."""

    piece: str
    much: str


class TotalNotionOut(TypedDict):
    """A notion for the whole work."""

    name: str
    much: str
    cost: str | None
    parts: Annotated[list[PartNotionOut], Field(description="How much is for which, where several want it.")]


class CutOut(TypedDict):
    """The cutting plan of a work and its shopping slip; `lacking` says what is still to be said."""

    plans: list[CutPlanOut]
    lacking: list[str]
    notions: list[ShopOut]
    totals: list[TotalNotionOut]
    cost: str | None
