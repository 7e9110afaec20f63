"""What a section looks like on the wire: one edge as typed, just as a saved work and an open file hold it."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Discriminator, Field, Tag

from ribbon.cloth import FACE
from server.wire.cloth import ClothOrRole, ClothSpec, CuttingSpec, Role
from server.wire.kinds import KindName, PartKind
from server.wire.tied import FieldName
from server.wire.typed import Strict, Tieable, Tied, Typed, UnitSign


class About(Strict):
    """A pin that gives way before any firm one."""

    about: Typed


def _held(value: object) -> str:
    if isinstance(value, Tied) or (isinstance(value, dict) and "tied" in value):
        return "~tied"
    return "~about" if isinstance(value, dict | About) else "~firm"


PinSpec = Annotated[
    Annotated[Typed, Tag("~firm")] | Annotated[About, Tag("~about")] | Annotated[Tied, Tag("~tied")],
    Discriminator(_held),
    Field(description='Firm when plain, about when wrapped: {"about": "3 cm"}; {"tied": …} as the thing has it.'),
]


class PinsSpec(Strict):
    """What is known; whatever is left out follows."""

    finished: PinSpec | None = None
    flat: PinSpec | None = None
    count: PinSpec | None = None
    depth: PinSpec | None = None
    spacing: PinSpec | None = None
    fullness: PinSpec | None = None
    per_pleat: PinSpec | None = None
    box: PinSpec | None = None
    gap: PinSpec | None = None
    opening: PinSpec | None = None


class EndSpec(Strict):
    """What stands between an end and the pleat next to it: a width, or 0, 1/2 or 1 times the spacing.

    `fold`: the end is a fold line of the cloth, and half a pleat stands on it.
    """

    times: Typed | None = None
    width: Tieable | None = None
    fold: bool = False
    name: Annotated[str, Field(max_length=24)] = Field(
        default="", description="What a width there is called: return, overlap, placket."
    )


class PlaceSpec(Strict):
    """A pleat put at a stated place, its depth or cloth too where that is known."""

    at: Typed
    depth: Typed | None = None
    per_pleat: Typed | None = None
    facing: Literal["right", "left"] | None = None


class DartSpec(Strict):
    """A dart that a pleat swallows at the upper level."""

    pleat: Annotated[int, Field(ge=1, le=20_000)]
    width: Typed


class TaperSpec(Strict):
    """A second level above the edge's own: how far up, how wide it finishes, the darts that pleats swallow there."""

    height: Tieable
    finished: Tieable | None = None
    darts: Annotated[list[DartSpec], Field(max_length=200)] = []


class StopsSpec(Strict):
    """Where pleats are stitched down to, measured from the edge; `upper` where the stitching begins."""

    lower: Typed
    upper: Typed = "0"
    above: Typed | None = Field(
        default=None, description="How far above the edge they are stitched too, as at a waistline."
    )
    crease: Typed | None = Field(
        default=None, description="How far from the crease; along the placement line left out."
    )
    across: bool = Field(
        default=False, description="Down one side of a box or an inverted pleat, across, and up the other."
    )


class PieceSpec(Strict):
    """The flat pattern piece that the pleats are let into."""

    rise: Typed = Field(default="0", description="How far its top edge rises from start to end.")
    times: Annotated[int, Field(ge=1, le=40, description="How many such pieces make the garment.")] = 1


class PointSpec(Strict):
    """A named place on the finished edge, and on the cloth where that is known."""

    name: Annotated[str, Field(max_length=60)] = ""
    at: Typed
    flat: Typed | None = None


class SwatchSpec(Strict):
    """A strip gathered to try it: its flat length, and what it measured after."""

    flat: Typed
    finished: Typed


class RufflerSpec(Strict):
    """How a ruffling attachment is set; a bare stitch length is millimetres."""

    tuck: Typed
    every: Annotated[int, Field(ge=1, le=100)] = 6
    stitch: Typed


class GatheringSpec(Strict):
    """How an edge is gathered."""

    longest: Tieable | None = Field(
        default=None, description="The longest part between two match points; 25 cm or 10 in left out."
    )
    rows: Annotated[int, Field(ge=1, le=9)] = 2
    thread: Typed | None = Field(
        default=None, description="The longest run that one thread is trusted with; 120 cm or 48 in."
    )
    tail: Typed | None = Field(default=None, description="Thread left hanging at each end of a run; 10 cm or 4 in.")
    points: Annotated[list[PointSpec], Field(max_length=60)] = []
    swatches: Annotated[list[SwatchSpec], Field(max_length=60)] = []
    ruffler: RufflerSpec | None = None
    weight: Literal["sheer", "light", "medium", "heavy"] | None = None


class AllowanceSpec(Strict):
    """Seam allowances: the work's own, and what an end or the joins take where that is another one."""

    seam: Typed | None = Field(default=None, description="The seam allowance of the work; 1.5 cm or 1/2 in left out.")
    start: Tieable | None = None
    end: Tieable | None = None
    join: Typed | None = None


class CorrectionSpec(Strict):
    """What one check found is to be changed: taken in, or let out."""

    by: Typed
    way: Literal["in", "out"] = "in"


class TurnSpec(Strict):
    """Turn of cloth: by how much each pleat of this cloth is known to come out narrower, or wider."""

    by: Typed
    way: Literal["narrower", "wider"] = "narrower"


class _Row(Strict):
    """What is said of one kind of pleat along an edge, or along a part of one."""

    pins: PinsSpec = PinsSpec()
    meet: bool | None = Field(
        default=None, description="True: pleats meet. False: they need not. Left out: as it follows."
    )
    facing: Literal["right", "left", "to_centre", "from_centre"] = "right"
    mirror_at: Typed | None = Field(default=None, description="Where a mirrored row turns, on the finished edge.")
    closed: bool = Field(default=False, description="A ring: skirt, cuff, lampshade.")
    lead: EndSpec = EndSpec()
    tail: EndSpec = EndSpec()
    remainder: Literal["spacing", "ends", "lead", "tail"] = "spacing"
    fullness_of: Literal["pleated", "all"] = Field(
        default="pleated", description="Whether a pinned fullness multiplies the pleated part only, or the whole edge."
    )
    fingers: Literal[1, 2, 3, 4] = Field(
        default=3, description="Fingers of a pinch pleat; 1 for a single one or a goblet."
    )
    goblet: bool = Field(default=False, description="A pinch pleat left open at its head, stuffed to a goblet.")
    pinched_at: Literal["head", "foot"] = Field(default="head", description="Where the fingers are caught together.")
    rows: Annotated[int, Field(ge=2, le=9)] = Field(
        default=2, description="Rows of even stitches that draw a cartridge up."
    )
    placed: Annotated[list[PlaceSpec], Field(max_length=400)] = Field(
        default=[], description="Pleats at stated places."
    )
    placed_from: Literal["start", "centre"] = Field(
        default="start", description="Where places are measured from; from the centre each stands on both sides of it."
    )
    taper: TaperSpec | None = None
    stops: StopsSpec | None = None
    piece: PieceSpec | None = None
    gathering: GatheringSpec = GatheringSpec()
    corrections: Annotated[list[CorrectionSpec], Field(max_length=40)] = Field(
        default=[], description="What the basted row was taken in or let out by, check by check."
    )
    turn: TurnSpec | None = Field(default=None, description="What each pleat of this cloth is known to lose or gain.")
    swatch: Annotated[str, Field(max_length=10)] = Field(
        default="", description="The swatch of the book that decided here, by its key."
    )
    lining: bool = Field(default=False, description="Also the marks of a lining pleated as the mirror.")
    aside: PinsSpec = Field(
        default=PinsSpec(),
        description="Pins that this kind has no place for, kept for when another kind is chosen again.",
    )


class PartSpec(_Row):
    """A part of a mixed edge: a share of it (1/4), a width of its own, or an equal share of what is left."""

    kind: PartKind
    share: Typed | None = None
    width: Typed | None = None
    name: Annotated[str, Field(max_length=24)] = Field(
        default="",
        description="What it is called: pocket, placket, front; a part that stays plain is reserved for that.",
    )


class SectionSpec(_Row):
    """One edge: its kind, what is pinned, how it is to be read and written.  A mixed one has parts instead."""

    kind: KindName
    unit: UnitSign = Field(default="cm", description="How bare numbers are read and answers written.")
    tape: Typed | None = Field(
        default="", description="The smallest division that will be marked; null for exact marks."
    )
    allowance: AllowanceSpec = AllowanceSpec()
    machine: Typed | None = Field(
        default=None, description="How thick a pile of cloth the machine sews, in mm; about 6 unless said."
    )
    habit: Literal["metric", "inches"] | None = Field(
        default=None, description="What a sewist is used to, for what is assumed; as the unit is, left out."
    )
    cloth: ClothOrRole = Field(
        default=FACE,
        description="The cloth itself, or the role of one of `cloths`; a saved work holds its cloths by role.",
    )
    cloths: dict[Role, ClothSpec] = Field(
        default={}, max_length=12, description="Cloths by role, where this stands alone: face, lining, contrast …"
    )
    cutting: CuttingSpec = CuttingSpec()
    parts: Annotated[list[PartSpec], Field(max_length=24)] = []
    edge: FieldName | None = Field(default=None, description="The edge of the work's thing that it is, if any.")
    mirrors: FieldName | None = Field(
        default=None, description="The edge whose mirror it is: all but its corrections follows from that one."
    )
