"""The shape of things on the wire, for the API's description."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field
from typing_extensions import TypedDict

from server.cutting.out import NotionOut
from server.plans.out import PlanOut
from server.wire.problems import ProblemOut
from server.wire.section import SectionSpec
from server.wire.told import LengthOut, RatioOut


class OptionOut(TypedDict):
    """One word that can be chosen."""

    name: str
    says: str


class FieldOut(TypedDict):
    """One measure or choice: what it is called, where the tape goes or what it changes, what it holds.

    `first` ones are asked first, the others stand in `group`; `line` ones in the line of words, `way` ones are habits, `on_the_way` ones measured while it is made; `assumed` is what is taken where nothing is said, and `why`;
    `asked` tells whether it matters as things are.
    """

    name: str
    title: str
    where: str
    sort: str
    measure: bool
    first: bool
    several: bool
    line: bool
    way: bool
    on_the_way: bool
    group: str
    options: list[OptionOut]
    assumed: str
    why: str
    asked: bool


class ResultOut(TypedDict):
    """What an edge may be tied to: a length or a number, and how it is reckoned."""

    length: LengthOut | None
    number: RatioOut | None
    typed: str
    about: bool
    says: str


class ShapeOut(TypedDict):
    """An area or a line: its points as x, y, x, y …, its paint, whether it is closed, its shade, its weight."""

    points: list[float]
    paint: str
    closed: bool
    shade: float
    weight: float
    dashed: bool


class TapeOut(TypedDict):
    """A measure on the picture: its field, its two ends as x, y, x, y, to which side its tag hangs, what it says."""

    field: str
    ends: list[float]
    side: str
    says: str


class LabelOut(TypedDict):
    """Words at a place."""

    x: float
    y: float
    says: str


class ViewOut(TypedDict):
    """One view: its name, its box (left, top, right, bottom) in millimetres, y downwards, what is drawn."""

    name: str
    box: list[float]
    shapes: list[ShapeOut]
    tapes: list[TapeOut]
    labels: list[LabelOut]


class PictureOut(TypedDict):
    """The picture of a thing, as plain data, and the same in sentences."""

    views: list[ViewOut]
    says: list[str]
    colours: dict[str, str]


class ThingRow(TypedDict):
    """A thing that can be made, with a small picture of it made from typical measures; `called` is what a new one is named."""

    name: str
    title: str
    called: str
    asks: str
    fields: list[FieldOut]
    picture: PictureOut | None


class MadePartOut(TypedDict):
    """A part: what it is called, how many there are, whether it is a mirror; `edge` where it hangs from one."""

    key: str
    name: str
    count: int
    says: str
    edge: str
    mirrored: bool


class TiedOut(TypedDict):
    """A tied fact of an edge: the result that it is, and how that is reckoned."""

    result: str
    says: str
    typed: str


class MadeEdgeOut(TypedDict):
    """An edge of the thing: `spec` with what its ties come to in their place, `kept` as a work keeps it.

    `mirrors` is the edge whose mirror it can be, `measured` the field that it is typed into once it is measured.  `ties` are those that the thing offers, by their field, `tied` those that hold.  `plan` is what /api/plan answers, null where
    it cannot be or was not asked for.
    """

    title: str
    mirrors: str
    measured: str
    kept: SectionSpec
    spec: SectionSpec
    ties: dict[str, TiedOut]
    tied: list[str]
    finished: LengthOut | None
    flat: LengthOut | None
    count: int | None
    says: str
    plan: PlanOut | None
    problems: list[ProblemOut]


class MadePieceOut(TypedDict):
    """A piece to cut: its box, so many; `area` in cm²."""

    key: str
    name: str
    role: str
    count: int
    on_fold: bool
    wide: LengthOut
    long: LengthOut
    area: float


class MadeNotionOut(NotionOut):
    """A notion of the whole thing, and what it costs."""

    much: str
    cost: str | None


class BuyLineOut(TypedDict):
    """What is bought of one cloth, and what that costs."""

    role: str
    title: str
    says: str
    cost: str | None


class StepOut(TypedDict):
    """One step of the making."""

    name: str
    says: str
    waits: str
    own: bool
    done: bool
    now: Annotated[
        bool, Field(description="Whether it can be done now: all that must be done before it is done or struck.")
    ]
    needs: Annotated[
        list[str], Field(description="The steps that must be done before it and stand behind it in the list.")
    ]


class CheckFieldOut(TypedDict):
    """A measure that is taken on the way."""

    field: str
    says: str


class MindOut(TypedDict):
    """Something to be careful of."""

    code: str
    message: str


class LackOut(TypedDict):
    """What is not known yet, and the field that would say it."""

    field: str
    says: str


class RowOut(TypedDict):
    """One of several ways compared: the choice that takes it, what it comes to, its cost, its widths in mm for a drawing, their colours where they have some."""

    field: str
    value: str
    title: str
    says: str
    more: str
    cost: str | None
    bars: list[float]
    colours: list[str]
    taken: bool
    warns: bool


class ComparedOut(TypedDict):
    """Ways that stand beside each other by what they come to."""

    title: str
    says: str
    rows: list[RowOut]


class ThingOut(TypedDict):
    """What a thing comes to; `problems` are those that it was made without, where it was asked to go on."""

    thing: str
    title: str
    fields: list[FieldOut]
    results: dict[str, ResultOut]
    edges: dict[str, MadeEdgeOut]
    parts: list[MadePartOut]
    pieces: list[MadePieceOut]
    notions: list[MadeNotionOut]
    buy: list[BuyLineOut]
    cost: str | None
    steps: list[StepOut]
    struck: list[StepOut]
    checks: list[CheckFieldOut]
    compared: list[ComparedOut]
    slip: list[str]
    warnings: list[MindOut]
    lacks: list[LackOut]
    picture: PictureOut | None
    times: int
    problems: list[ProblemOut]
