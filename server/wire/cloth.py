"""The cloth of a section and how it is cut, as typed."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import BeforeValidator, Discriminator, Field, Tag

from ribbon.cloth import LINING
from server.wire.typed import Strict, Tieable, Typed, UnitSign

Role = Annotated[str, Field(pattern=r"^[a-z][a-z0-9 -]{0,23}$", description="face, lining, contrast, interfacing …")]


def role_of(said: object, otherwise: str) -> str:
    """The role that is named where a cloth is named or held: `otherwise` where it is held, or nothing is said."""
    return said if isinstance(said, str) else otherwise


def _way(said: object) -> object:
    """Works that were kept earlier call the usual way the best one."""
    return "usual" if said == "best" else said


class StripeSpec(Strict):
    """One stripe of a cloth's sequence."""

    colour: Annotated[str, Field(pattern=r"^#[0-9a-fA-F]{6}$")]
    width: Typed
    name: Annotated[str, Field(max_length=40)] = ""


class RectangleSpec(Strict):
    """One more sheet or remnant of the same cloth."""

    width: Typed
    length: Typed


class ClothSpec(Strict):
    """The cloth, as far as it is known.  `usable` goes before `width` less two selvedges."""

    name: Annotated[str, Field(max_length=120)] = ""
    key: Annotated[str, Field(max_length=10, description="The cloth on the shelf that it is, if any.")] = ""
    unit: UnitSign | None = Field(default=None, description="How its bare numbers are read; as the edge's, left out.")
    usable: Typed | None = None
    width: Typed | None = None
    selvedge: Typed | None = None
    thickness: Typed | None = None
    along: Typed | None = Field(default=None, description="The repeat along the cloth, the vertical one as it hangs.")
    across: Typed | None = Field(default=None, description="The repeat across the cloth.")
    directional: bool = False
    shrinkage: Typed | None = Field(default=None, description="How much it loses in the wash: 5 %.")
    price: Typed | None = Field(default=None, description="A number, for one `per` of length.")
    per: Literal["m", "yd"] | None = Field(default=None, description="What the price is for: one metre or one yard.")
    sign: Annotated[str, Field(max_length=4, pattern=r"^[^\x00<>&]*$")] = Field(
        default="", description="The sign of the money of its price, where none is typed with that."
    )
    step: Typed | None = Field(default=None, description="How the shop cuts it: 10 cm, 1/8 yd.")
    length: Typed | None = Field(default=None, description="How much of it is at hand.")
    taken: Typed | None = Field(
        default=None, description="How much was taken from the shelf for this work, beside what is at hand there."
    )
    rectangle: bool = Field(default=False, description="A sheet or a remnant: what is at hand is all there is.")
    sheets: Annotated[list[RectangleSpec], Field(max_length=24)] = []
    weight: Typed | None = Field(default=None, description="200 gsm or 6 oz; bare, g/m², or oz/yd² in inches.")
    stripes: Annotated[list[StripeSpec], Field(max_length=60)] = []
    colour: Annotated[str, Field(pattern=r"^#[0-9a-fA-F]{6}$")] | None = Field(
        default=None, description="What it is drawn in where it has no stripes."
    )


ClothOrRole = Annotated[
    Annotated[Role, Tag("~role")] | Annotated[ClothSpec, Tag("~cloth")],
    Discriminator(lambda value: "~role" if isinstance(value, str) else "~cloth"),
]


class DropSpec(Strict):
    """How far a strip falls, and what is cut beyond that."""

    finished: Tieable | None = None
    heading: Tieable | None = None
    hem: Tieable | None = None
    hem_turns: Literal[1, 2] = 2
    margin: Tieable | None = None


class LiningSpec(Strict):
    """A lining's own rules: shorter and narrower in all, its hem, its cloth."""

    shorter: Tieable | None = None
    narrower: Tieable | None = None
    hem: Tieable | None = None
    hem_turns: Literal[1, 2] = 2
    heading: Typed | None = None
    allowance: Typed | None = None
    tube: bool = False
    way: Annotated[Literal["usual", "across", "uncut", "lengthways", "railroaded"], BeforeValidator(_way)] = "usual"
    cloth: ClothOrRole = Field(default=LINING, description="What it is cut from; as wide as the face, left out.")


class FrontSpec(Strict):
    """Plain overlapping front pieces in the same length: how wide each shows, how deep the fold inside its edge."""

    shows: Tieable
    fold: Tieable | None = Field(default=None, description="At least a hand; 10 cm or 4 in left out.")
    inner: Tieable | None = Field(
        default=None, description="How deep that of the inner one is; left out, as the other, giving way to the pleats."
    )
    outer: Literal["start", "end"] = Field(default="start", description="At which end of the strip the outer one is.")


class CutPieceSpec(Strict):
    """A piece to cut beside the strip: a band, ties, a pocket."""

    name: Annotated[str, Field(max_length=60)] = ""
    width: Typed
    length: Typed
    count: Annotated[int, Field(ge=1, le=200)] = 1
    on_fold: bool = False
    may_turn: bool = False
    cloth: Role | None = Field(
        default=None, description="The role of the cloth that it is cut from; the edge's own, left out."
    )


class CuttingSpec(Strict):
    """How a section is cut: its drop, how widths are joined, which way it lies, the other pieces, its lining."""

    drop: DropSpec = DropSpec()
    strategy: Literal["fewest", "fall", "equal", "same_pleats", "half_outside", "half_last", "at_pleats"] = "fewest"
    joins_from: Literal["start", "end"] = Field(
        default="start",
        description="The end from which widths are laid one after another; what is left is at the other.",
    )
    way: Annotated[Literal["usual", "across", "lengthways", "railroaded"], BeforeValidator(_way)] = Field(
        default="usual", description="The way that it lies; the usual one is across, with the grain."
    )
    opening: Tieable | None = Field(default=None, description="How much of the closing join of a ring stays open.")
    stripe: Annotated[int, Field(ge=1, le=60)] | None = Field(
        default=None, description="The stripe set at the first fold."
    )
    stripe_at: Literal["edge", "middle"] = "middle"
    stripe_where: Literal["fold", "face", "start", "end"] = Field(
        default="fold",
        description="At the first fold, in the middle of the first whole face, or in that of the plain start or end.",
    )
    pieces: Annotated[list[CutPieceSpec], Field(max_length=60)] = []
    names: Annotated[list[Annotated[str, Field(max_length=120)]], Field(max_length=60)] = Field(
        default=[], description="What its widths are called, from the start; where it is cut in as many."
    )
    shaped: bool = Field(
        default=False, description="It is the edge of a piece with an outline of its own: no strip is cut for it."
    )
    lining: LiningSpec | None = None
    front: FrontSpec | None = None
