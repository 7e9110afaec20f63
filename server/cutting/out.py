"""The shape of the steps Cloth and Cut on the wire, for the API's description."""

from __future__ import annotations

from ninja import Schema
from pydantic import Field

from server.plans.out import ColourOut, LengthOut

Change = dict[str, str | bool | None]


class StrategyOut(Schema):
    """One way to share the strip over widths: what each is cut to, how many joins, how many of them show."""

    name: str
    says: str
    widths: list[LengthOut]
    joins: int
    shown: int
    cost: str | None


class OfferOut(Schema):
    """A change that saves cloth or makes do with it, and the fields of the section that it sets (null: lets go)."""

    says: str
    change: Change


class MakesOut(OfferOut):
    """One thing that the cloth at hand will make."""

    name: str


class RepeatOut(OfferOut):
    """Pleats to the repeat."""

    repeats: int
    pitch: LengthOut
    depth: LengthOut


class WayOut(Schema):
    """One way that the strip can lie on the bolt."""

    name: str
    says: str
    length: LengthOut
    cost: str | None
    joins: int
    why_not: str
    taken: bool


class DropOut(Schema):
    """A drop as cut, and as the repeat asks for it."""

    cut: LengthOut
    on_bolt: LengthOut


class BuyOut(Schema):
    """What is needed, what to ask for, its cost, and how that stands against what is at hand."""

    needed: LengthOut
    asked: LengthOut | None = Field(description="Null where enough is at hand, or a sheet is all there is.")
    cost: str | None
    at_hand: LengthOut | None
    short: LengthOut | None
    take: str = Field(description="The length to take from the shelf, as it is typed.")


class LinedOut(Schema):
    """The lining as cut; what a tube of it and the face measures turned, and how much face rolls to the back."""

    width: LengthOut
    length: LengthOut
    turned: LengthOut | None
    rolls: LengthOut | None
    way: str
    ways: list[WayOut]
    asked: LengthOut
    cost: str | None


class LoadOut(Schema):
    """The load on the rail or the band."""

    grams: float
    text: str


class NotionOut(Schema):
    """Something bought beside the cloth."""

    name: str
    count: int | None
    length: LengthOut | None


class LookOut(Schema):
    """How the front looks with one stripe at the fold or mid-face."""

    stripe: int
    where: str
    colour: str
    front: list[ColourOut]


class ClothOut(Schema):
    """One section on its cloth."""

    strategies: list[StrategyOut]
    offers: list[OfferOut]
    ways: list[WayOut]
    drop: DropOut | None
    buy: BuyOut | None
    makes: list[MakesOut]
    mends: list[OfferOut]
    lining: LinedOut | None
    load: LoadOut | None
    notions: list[NotionOut]
    repeats: list[RepeatOut]
    pleats_at_hand: int | None
    looks: list[LookOut]
    slip: list[str]
    assumed: dict[str, str] = Field(description="What is assumed where nothing is said, by its field.")


class LaidOut(Schema):
    """A piece in its place: from the left and from the start of the cloth in mm, its arrow up unless turned."""

    name: str
    section: int
    sheet: int
    left: float
    start: float
    from_selvedge: LengthOut
    from_start: LengthOut
    wide: LengthOut
    long: LengthOut
    turned: bool
    on_fold: bool


class SheetOut(Schema):
    """A cloth that is laid on."""

    width: LengthOut
    length: LengthOut


class CutPlanOut(Schema):
    """The pieces on one cloth: its length, the least that any plan could take, what falls away, what to buy."""

    cloth: str
    directional: bool
    width: LengthOut
    length: LengthOut
    bound: LengthOut
    closeness: float
    best: bool = Field(description="True where no plan can take less.")
    waste: float
    asked: LengthOut | None = Field(description="Null where nothing is bought.")
    cost: str | None
    short: LengthOut | None
    sheets: list[SheetOut]
    placed: list[LaidOut]
    left: list[str]
    says: str


class ShopOut(Schema):
    """A notion for one piece."""

    piece: str
    name: str
    much: str


class TotalNotionOut(Schema):
    """A notion for the whole work."""

    name: str
    much: str


class CutOut(Schema):
    """The cutting plan of a work and its shopping slip; `lacking` says what is still to be said."""

    plans: list[CutPlanOut]
    lacking: list[str]
    notions: list[ShopOut]
    totals: list[TotalNotionOut]
    cost: str | None
