"""The journal on the wire, and the shape of the open file."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field
from typing_extensions import TypedDict

from server.plans.check import CheckOut, Level
from server.swatches.schema import NewSwatch
from server.wire.section import SectionSpec
from server.wire.times import Moment
from server.wire.typed import Strict, Typed
from server.wire.work import Cloths, ThingSpec
from server.works.schema import LogTold, Long, Name, Purpose, Revision, Short


class CheckTaken(Strict):
    """A check to be kept, and whether its correction goes into the plan."""

    section: Annotated[str, Field(max_length=10)]
    measured: Annotated[list[Typed], Field(min_length=1, max_length=40)]
    level: Level = "lower"
    take: bool = False
    revision: Revision


class PlaceIn(Strict):
    """How far the marking of a piece has come: marks made, from which end and side, pleats folded."""

    at: Annotated[int, Field(ge=0, le=1_000_000)]
    nought: Literal["start", "end", "middle"] = "start"
    side: Literal["RS", "WS"] = "RS"
    folded: Annotated[int, Field(ge=0, le=1_000_000)] = 0


class PlaceOut(TypedDict):
    """How far the marking of a piece has come."""

    section: str
    at: int
    nought: Literal["start", "end", "middle"]
    side: Literal["RS", "WS"]
    folded: int


class CheckTold(CheckOut):
    """A check that was kept, with what it came to; `number` is what it is struck by."""

    number: int
    section: str
    name: str
    at: str
    taken: bool


class PhotographOut(TypedDict):
    """A photograph; the picture is at /api/photographs/KEY."""

    key: str
    says: str
    at: str
    width: int
    height: int


class OnTheWay(TypedDict):
    """Something measured on the way, under Measure: what it is called, as it was typed, what was planned."""

    field: str
    title: str
    measured: str
    says: str


class EachOut(TypedDict):
    """How far each pleat of one check was off, in mm (above nought: too wide) and in words, and the work it was of."""

    work: str
    mm: float
    text: str


class TurnOut(TypedDict):
    """A turn of cloth, as a section has it."""

    by: str
    way: Literal["narrower", "wider"]


class UsualOut(TypedDict):
    """How pleats of one cloth usually come out, and the turn of cloth that makes up for it."""

    cloth: str
    checks: int
    each: list[EachOut]
    mean: float
    spread: float
    turn: TurnOut | None
    turns: Annotated[
        dict[str, TurnOut], Field(description="What each piece of this work in that cloth can learn from others.")
    ]
    says: str


class LogOut(LogTold):
    """The log of a work."""

    checks: list[CheckTold]
    on_the_way: list[OnTheWay]
    photographs: list[PhotographOut]
    usual: list[UsualOut]


class FileSection(Strict):
    """A piece of a work, as it is pinned."""

    name: Name
    spec: SectionSpec


class FileCheck(Strict):
    """A check: which piece it was of (by its place in the list, from 0; -1 for one that is gone), when, what was measured, and the spec it was sewn by."""

    piece: Annotated[int, Field(ge=-1, lt=60)] = -1
    name: Name
    at: Moment
    measured: Annotated[list[Typed], Field(min_length=1, max_length=40)]
    spec: SectionSpec
    level: Level = "lower"
    taken: bool = False


class FileLog(Strict):
    """The log, in its maker's words."""

    notes: Long = ""
    faults: Long = ""
    hours: Short = ""
    cost: Short = ""
    finished: bool = False


class FileSwatch(NewSwatch):
    """A swatch that decided in a piece, by the key that the piece names it by."""

    key: Annotated[str, Field(pattern=r"^[a-z0-9]{1,10}$")]


class FileWork(Strict):
    """A work with its pieces, their cloth, the swatches that decided in them, its checks and its log.  Lengths are text, just as typed."""

    name: Name
    purpose: Purpose = ""
    cloths: Cloths = {}
    thing: ThingSpec | None = None
    sections: Annotated[list[FileSection], Field(max_length=60)] = []
    swatches: Annotated[list[FileSwatch], Field(max_length=60)] = []
    checks: Annotated[list[FileCheck], Field(max_length=500)] = []
    log: FileLog = FileLog()


class OpenFile(Strict):
    """A `.ribbon.json` file: one work, open to every program."""

    format: Literal["young-ribbon"]
    version: Literal[4] = 4
    work: FileWork


class RemainsOut(TypedDict):
    """What goes with a work that is deleted for good; `bytes` of its photographs, `says` all of it as a sentence."""

    pieces: int
    changes: int
    checks: int
    photographs: int
    bytes: int
    says: str
