"""The shape of a plan on the wire, for the API's description; `answer.py` fills it."""

from __future__ import annotations

from typing import Literal

from ninja import Schema
from pydantic import Field


class LengthOut(Schema):
    """A length: millimetres for drawing, text for reading, and whether the text is exact."""

    mm: float
    text: str
    exact: bool


class RatioOut(Schema):
    """A ratio."""

    text: str
    value: float


class GaveOut(Schema):
    """A pin that gave way."""

    quantity: str
    from_: str = Field(alias="from")
    to: str
    why: str
    says: str


class AssumedOut(Schema):
    """Something that nothing settled, and what was taken for it."""

    quantity: str
    value: str
    why: str


class SizesOut(Schema):
    """The sizes of one pleat; null where the kind has none."""

    spacing: LengthOut | None
    depth: LengthOut | None
    per_pleat: LengthOut | None
    box: LengthOut | None
    gap: LengthOut | None
    opening: LengthOut | None


class ChoiceOut(SizesOut):
    """The plan for another count."""

    count: float
    why: str
    spaces: float
    finished: LengthOut
    flat: LengthOut
    fullness: RatioOut
    widths: int | None
    cost: str | None
    lead: LengthOut


class MarkOut(Schema):
    """A mark, from the start of the flat width, allowances excluded."""

    at: LengthOut
    kind: Literal["outer", "inner", "placement", "centre", "sew", "finger", "stitch", "match"]
    pleat: int
    chalked: bool = Field(description="False for an inner fold between two divisions, found by folding.")


class GroupOut(Schema):
    """So many pleats of one depth (of cloth taken, for pinch pleats)."""

    pleats: int
    depth: LengthOut


class OnTapeOut(Schema):
    """The plan with every mark on a whole division of the tape."""

    finished: LengthOut
    flat: LengthOut
    marks: list[MarkOut]
    groups: list[GroupOut]
    says: str
    naive_error: LengthOut
    off: LengthOut


class SpanOut(Schema):
    """A span of cloth: its flat length, its role, and how much of it lies along the edge (1 unless drawn up)."""

    length: LengthOut
    role: Literal["face", "under", "plain", "finger", "upright", "gathered"]
    draw: float


class FoldOut(Schema):
    """A fold after the span with that index."""

    after: int
    turn: Literal["behind", "front"]


class WalkOut(Schema):
    """The walk: spans and folds, the flat and the finished position of each span's ends in mm, each span's layer,

    and how many layers lie in front of it.
    """

    spans: list[SpanOut]
    folds: list[FoldOut]
    flat: list[float]
    x: list[float]
    layers: list[int]
    behind: list[int]


class ShowingOut(Schema):
    """A stretch of the front view: which span shows, and which side of it."""

    from_: float = Field(alias="from")
    to: float
    span: int
    side: Literal["RS", "WS"]


class ThickOut(Schema):
    """A stretch of the finished edge and its layers."""

    from_: float = Field(alias="from")
    to: float
    layers: int


class MendOut(Schema):
    """A change that mends: what it does, and the fields of the section that it sets."""

    says: str
    change: dict[str, str | bool | None]


class AllowanceOut(Schema):
    """Seam allowances, outside the flat width; `usual` is what a work that says none is given, `assumed` whether it was."""

    start: LengthOut
    end: LengthOut
    join: LengthOut
    usual: LengthOut
    assumed: bool


class WarningOut(Schema):
    """A warning, with its mend where there is one."""

    code: str
    message: str
    mend: MendOut | None


class JoinOut(Schema):
    """A join: its place on the flat width, where that is, its pleat (0 for none), and whether it hides."""

    at: LengthOut
    where: str
    pleat: int
    hidden: bool


class WidthOut(Schema):
    """A piece to cut, and its share of the flat width."""

    cut: LengthOut
    flat: LengthOut


class LineOut(Schema):
    """One line of the reckoning: what it found, the equation in words and in numbers."""

    found: str
    words: str
    numbers: str


class SentenceOut(Schema):
    """One sentence of the slip."""

    about: str
    text: str


class SolvedOut(SizesOut):
    """What the pins came to."""

    count: float
    spaces: float
    fullness: RatioOut
    pleated_fullness: RatioOut
    gave: list[GaveOut]
    assumed: list[AssumedOut]
    typed: dict[str, str] = Field(description="Each quantity as it is typed, exactly: what a pin on it would say.")
    loose: list[str] = Field(description="The pins that say that they are about.")
    choices: list[ChoiceOut]
    explain: list[LineOut]


class SlantOut(Schema):
    """How far a line moves from the lower level to the upper: to the right above nought."""

    kind: str
    pleat: int
    shift: LengthOut


class TaperOut(Schema):
    """The upper level: how far up, how wide it finishes exactly and on the tape, its marks, the slant of each line."""

    height: LengthOut
    finished: LengthOut
    on_tape: LengthOut
    marks: list[MarkOut]
    slants: list[SlantOut]


class CutLineOut(Schema):
    """A line to cut a pattern piece along, and how far to spread it at both levels."""

    at: LengthOut
    pleat: int
    lower: LengthOut
    upper: LengthOut
    on_fold: bool


class TotalOut(Schema):
    """So many pleats and so much cloth, in the half, the piece or the garment."""

    of: Literal["half", "piece", "garment"]
    pleats: float
    take_up: LengthOut


class CornerOut(Schema):
    """A corner of the trued top edge."""

    at: LengthOut
    height: LengthOut


class InsertedOut(Schema):
    """A pattern piece with pleats let in."""

    lines: list[CutLineOut]
    lower: LengthOut
    upper: LengthOut
    totals: list[TotalOut]
    trued: list[CornerOut]


class MatchOut(Schema):
    """A match point on both edges."""

    finished: LengthOut
    flat: LengthOut
    name: str


class GatheredOut(Schema):
    """Match points, threads, and the flat widths between which the swatches put it."""

    points: list[MatchOut]
    sections: int
    thread: LengthOut
    thread_in_all: LengthOut
    least: LengthOut | None
    most: LengthOut | None


class ColourOut(Schema):
    """A stretch of colour along the flat strip."""

    from_: float = Field(alias="from")
    to: float
    colour: str


class SeenOut(ColourOut):
    """A stretch of colour along the finished edge, and the span that it is of."""

    span: int


class StripesOut(Schema):
    """A cloth's stripes: along the flat strip, along every span where it lies, and as the front shows them."""

    flat: list[ColourOut]
    spans: list[SeenOut]
    front: list[SeenOut]


class PartOut(Schema):
    """A part of a mixed edge: where it begins, its widths, what its pins came to (null where it stays plain)."""

    kind: str
    start: LengthOut
    flat_start: LengthOut
    finished: LengthOut
    flat: LengthOut
    lead: LengthOut
    typed: str = Field(description="Its finished width as it is typed.")
    sizes: SolvedOut | None


class PlanOut(SolvedOut):
    """Everything that follows from a section."""

    kind: str
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
    walk: WalkOut
    front: list[ShowingOut]
    back: list[ShowingOut]
    layers: list[ThickOut]
    thickest: ThickOut
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


class LiesOut(Schema):
    """Where a line lies: on the flat cloth, on the finished edge, and in which layer, 1 being nearest to whoever looks."""

    pleat: int
    kind: str
    flat: str
    finished: str
    layer: int


class ChalkMarkOut(Schema):
    """A mark to chalk; `hand` is left or right where it is measured from the middle, `first` begins a pleat."""

    at: LengthOut
    hand: Literal["", "left", "right"]
    kind: str
    pleat: int
    first: bool


class NotchOut(Schema):
    """One measure of a gauge."""

    role: str
    length: LengthOut


class ChalkOut(Schema):
    """The chalk list, in the order in which marks are met, and the gauge of one pleat.

    `called` is what a group of marks is, a pleat or a point, `count` how many there are; `nought` and `gauge_says` are
    sentences.
    """

    says: str
    nought: str
    called: Literal["pleat", "point"]
    count: int
    marks: list[ChalkMarkOut]
    gauge: list[NotchOut]
    gauge_says: str


class MeaningOut(Schema):
    """One meaning of a size: what it says, the pins it comes to, and three pleats of it to draw."""

    name: Literal["shows", "deep", "taken", "gauge"]
    says: str
    pins: dict[str, str]
    meet: bool | None
    finished: float
    walk: WalkOut


class EvenOut(Schema):
    """Pleats made even: pins as typed, which of them are about, and what changes."""

    pins: dict[str, str]
    about: list[str]
    says: str


class RuffleOut(Schema):
    """An attachment's tuck and ratio, the stitch length for a wanted ratio, and a sentence."""

    tuck: str
    ratio: str
    stitch: str | None
    says: str
