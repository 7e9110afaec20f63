"""The shape of a plan on the wire, for the API's description; `answer.py` fills it."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field
from typing_extensions import TypedDict

from ribbon.strip import LineKind, Role, Turn
from server.wire.change import ChangeOut
from server.wire.kinds import KindName, PartKind
from server.wire.told import LengthOut, RatioOut

_From = TypedDict("_From", {"from": float})
_FromText = TypedDict("_FromText", {"from": str})


class GaveOut(_FromText):
    """A pin that gave way."""

    quantity: str
    to: str
    why: str
    says: str


class AssumedOut(TypedDict):
    """Something that nothing settled, and what was taken for it."""

    quantity: str
    value: str
    why: str


class SizesOut(TypedDict):
    """The sizes of one pleat; null where the kind has none."""

    spacing: LengthOut | None
    depth: LengthOut | None
    per_pleat: LengthOut | None
    box: LengthOut | None
    gap: LengthOut | None
    opening: LengthOut | None


class ChoiceOut(SizesOut):
    """The plan for another count."""

    count: int | float
    why: str
    spaces: int | float
    finished: LengthOut
    flat: LengthOut
    fullness: RatioOut
    widths: int | None
    cost: str | None
    lead: LengthOut


class MarkOut(TypedDict):
    """A mark, from the start of the flat width, allowances excluded."""

    at: LengthOut
    kind: LineKind
    pleat: int
    chalked: Annotated[bool, Field(description="False for an inner fold between two divisions, found by folding.")]


class GroupOut(TypedDict):
    """So many pleats of one depth (of cloth taken, for pinch pleats)."""

    pleats: int
    depth: LengthOut


class OnTapeOut(TypedDict):
    """The plan with every mark on a whole division of the tape."""

    finished: LengthOut
    flat: LengthOut
    marks: list[MarkOut]
    groups: list[GroupOut]
    says: str
    naive_error: LengthOut
    off: LengthOut


class SpanOut(TypedDict):
    """A span of cloth: its flat length, its role, and how much of it lies along the edge (1 unless drawn up)."""

    length: LengthOut
    role: Role
    draw: float


class FoldOut(TypedDict):
    """A fold after the span with that index."""

    after: int
    turn: Turn


class WalkOut(TypedDict):
    """The walk: spans and folds, the flat and the finished position of each span's ends in mm, each span's layer,

    and how many layers lie in front of it.
    """

    spans: list[SpanOut]
    folds: list[FoldOut]
    flat: list[float]
    x: list[float]
    layers: list[int]
    behind: list[int]


class ShowingOut(_From):
    """A stretch of the front view: which span shows, and which side of it."""

    to: float
    span: int
    side: Literal["RS", "WS"]


class ThickOut(_From):
    """A stretch of the finished edge and its layers."""

    to: float
    layers: int


class AllowanceOut(TypedDict):
    """Seam allowances, outside the flat width; `usual` is what a work that says none is given, `assumed` whether it was."""

    start: LengthOut
    end: LengthOut
    join: LengthOut
    usual: LengthOut
    assumed: bool


class WarningOut(TypedDict):
    """A warning, with its mend where there is one."""

    code: str
    message: str
    mend: ChangeOut | None


class JoinOut(TypedDict):
    """A join: its place on the flat width, where that is, its pleat (0 for none), and whether it hides."""

    at: LengthOut
    where: str
    pleat: int
    hidden: bool


class WidthOut(TypedDict):
    """A piece to cut, and its share of the flat width."""

    cut: LengthOut
    flat: LengthOut


class LineOut(TypedDict):
    """One line of the reckoning: what it found, the equation in words and in numbers."""

    found: str
    words: str
    numbers: str


class SentenceOut(TypedDict):
    """One sentence of the slip."""

    about: str
    text: str


class SolvedOut(SizesOut):
    """What the pins came to."""

    count: int | float
    spaces: int | float
    fullness: RatioOut
    pleated_fullness: RatioOut
    gave: list[GaveOut]
    assumed: list[AssumedOut]
    typed: Annotated[
        dict[str, str], Field(description="Each quantity as it is typed, exactly: what a pin on it would say.")
    ]
    loose: Annotated[list[str], Field(description="The pins that say that they are about.")]
    choices: list[ChoiceOut]
    explain: list[LineOut]


class SlantOut(TypedDict):
    """How far a line moves from the lower level to the upper: to the right above nought."""

    kind: LineKind
    pleat: int
    shift: LengthOut


class TaperOut(TypedDict):
    """The upper level: how far up, how wide it finishes exactly and on the tape, its marks, the slant of each line."""

    height: LengthOut
    finished: LengthOut
    on_tape: LengthOut
    marks: list[MarkOut]
    slants: list[SlantOut]


class CutLineOut(TypedDict):
    """A line to cut a pattern piece along, and how far to spread it at both levels."""

    at: LengthOut
    pleat: int
    lower: LengthOut
    upper: LengthOut
    on_fold: bool


class TotalOut(TypedDict):
    """So many pleats and so much cloth, in the half, the piece or the garment."""

    of: str
    pleats: int | float
    take_up: LengthOut


class CornerOut(TypedDict):
    """A corner of the trued top edge."""

    at: LengthOut
    height: LengthOut


class InsertedOut(TypedDict):
    """A pattern piece with pleats let in."""

    lines: list[CutLineOut]
    lower: LengthOut
    upper: LengthOut
    totals: list[TotalOut]
    trued: list[CornerOut]


class MatchOut(TypedDict):
    """A match point on both edges."""

    finished: LengthOut
    flat: LengthOut
    name: str


class GatheredOut(TypedDict):
    """Match points, threads, and the flat widths between which the swatches put it."""

    points: list[MatchOut]
    sections: int
    thread: LengthOut
    thread_in_all: LengthOut
    least: LengthOut | None
    most: LengthOut | None


class ColourOut(_From):
    """A stretch of colour along the flat strip."""

    to: float
    colour: str


class SeenOut(ColourOut):
    """A stretch of colour along the finished edge, and the span that it is of."""

    span: int


class StripesOut(TypedDict):
    """A cloth's stripes: along the flat strip, along every span where it lies, and as the front shows them."""

    flat: list[ColourOut]
    spans: list[SeenOut]
    front: list[SeenOut]


class PartOut(TypedDict):
    """A part of a mixed edge: where it begins, its widths, what its pins came to (null where it stays plain)."""

    kind: PartKind
    start: LengthOut
    flat_start: LengthOut
    finished: LengthOut
    flat: LengthOut
    lead: LengthOut
    typed: Annotated[str, Field(description="Its finished width as it is typed.")]
    sizes: SolvedOut | None


class FoldedOut(TypedDict):
    """How an edge folds: its walk, what shows of it, how many layers lie where."""

    walk: WalkOut
    front: list[ShowingOut]
    layers: list[ThickOut]
    thickest: ThickOut


class PlanOut(SolvedOut, FoldedOut):
    """Everything that follows from a section."""

    kind: KindName
    unit: str
    tape: LengthOut | None
    finished: LengthOut
    flat: LengthOut
    cut: LengthOut
    take_up: LengthOut
    lead: LengthOut
    tail: LengthOut
    allowance: AllowanceOut
    marks: list[MarkOut]
    on_tape: OnTapeOut | None
    back: list[ShowingOut]
    joins: list[JoinOut]
    widths: list[WidthOut]
    warnings: list[WarningOut]
    slip: list[SentenceOut]
    taper: TaperOut | None
    inserted: InsertedOut | None
    gathered: GatheredOut | None
    lining: list[MarkOut] | None
    stripes: StripesOut | None
    parts: list[PartOut]


class LiesOut(TypedDict):
    """Where a line lies: on the flat cloth, on the finished edge, and in which layer, 1 being nearest to whoever looks."""

    pleat: int
    kind: LineKind
    flat: str
    finished: str
    layer: int


class ChalkMarkOut(TypedDict):
    """A mark to chalk; `hand` is left or right where it is measured from the middle, `first` begins a pleat.

    A match point is also marked `on` what the edge is sewn to, so far from the same end; null for every other mark.
    """

    at: LengthOut
    hand: str
    kind: LineKind
    pleat: int
    first: bool
    on: LengthOut | None


class NotchOut(TypedDict):
    """One measure of a gauge."""

    role: Role
    length: LengthOut


class ChalkOut(TypedDict):
    """The chalk list, in the order in which marks are met, and the gauge of one pleat.

    `called` is what a group of marks is, a pleat or a point, `count` how many there are; `nought` and `gauge_says` are
    sentences.
    """

    says: str
    nought: str
    called: str
    count: int
    marks: list[ChalkMarkOut]
    gauge: list[NotchOut]
    gauge_says: str


class MeaningOut(ChangeOut):
    """One meaning of a size: what it says, the change that pins it, and three pleats of it to draw."""

    name: str
    finished: float
    walk: WalkOut


class RuffleOut(TypedDict):
    """An attachment's tuck and ratio, the stitch length for a wanted ratio, and a sentence."""

    tuck: str
    ratio: str
    stitch: str | None
    says: str
