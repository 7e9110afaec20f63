"""Works on the wire."""

from __future__ import annotations

from typing import Annotated, Any, Literal

from ninja import Schema
from pydantic import ConfigDict, Field, StringConstraints
from typing_extensions import TypedDict

from server.making.out import PictureOut
from server.plans.glance import Glance
from server.wire.cloth import ClothSpec
from server.wire.section import SectionSpec
from server.wire.typed import Typed, UnitSign
from server.wire.ways import WaysSpec
from server.wire.work import Cloths, ThingSpec

Name = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=120, pattern=r"^[^\x00]*$")]
Purpose = Annotated[str, StringConstraints(strip_whitespace=True, max_length=200, pattern=r"^[^\x00]*$")]
Revision = Annotated[int, Field(ge=0, le=2**31 - 1, description="The revision that this change was made to.")]


Long = Annotated[str, StringConstraints(max_length=8000, pattern=r"^[^\x00]*$")]
Short = Annotated[str, StringConstraints(max_length=40, pattern=r"^[^\x00]*$")]
Run = Annotated[str, StringConstraints(max_length=20, pattern=r"^[a-z0-9.]*$")]
Key = Annotated[str, StringConstraints(pattern=r"^[a-z0-9]{10}$")]


class _Strict(Schema):
    model_config = ConfigDict(extra="forbid")


class LogWords(_Strict):
    """The log of a work in its maker's words; what is left out stays."""

    notes: Long | None = None
    faults: Long | None = None
    hours: Short | None = None
    cost: Short | None = None
    finished: bool | None = None


class LogTold(TypedDict):
    """The words of a log, all of them."""

    notes: str
    faults: str
    hours: str
    cost: str
    finished: bool


class NewSection(_Strict):
    """A section to be made."""

    name: Name
    spec: SectionSpec


class NewWork(_Strict):
    """A work to be made."""

    name: Name
    purpose: Purpose = ""
    cloths: Cloths = {}
    thing: ThingSpec | None = None
    sections: Annotated[list[NewSection], Field(max_length=60)] = []


class Seen(_Strict):
    """The revision that a change was made to."""

    revision: Revision


class LogIn(LogWords, Seen):
    """Words of a log; what is left out stays.  `run` as for a section."""

    run: Run = ""


class TypedSection(NewSection):
    """A piece as it was typed."""

    key: Key


class Settled(Seen):
    """What is chosen between two versions of a work: that of `revision`, as it was told, and what was typed elsewhere.

    `sections` are the pieces as they were typed, whole, with their keys; `log` the words that were typed, `seam` and
    `thing` a list of the one seam allowance and the one thing that were.
    """

    keep: Literal["mine", "theirs"]
    sections: Annotated[list[TypedSection], Field(max_length=60)] = []
    cloths: Cloths = {}
    thing: Annotated[list[ThingSpec], Field(max_length=1)] = []
    log: LogWords = LogWords()
    seam: Annotated[list[Typed | None], Field(max_length=1)] = []


class WorkChange(Seen):
    """A change to a work's own words; what is left out stays."""

    name: Name | None = None
    purpose: Purpose | None = None


class AddSection(Seen):
    """A section to be added at the end."""

    name: Name
    spec: SectionSpec


class SectionChange(Seen):
    """A change to a section; what is left out stays.

    Changes to the same `field` in quick succession, as one types, are one step to take back.  `run` is whatever
    the sender calls such a succession: it knows better than the clock here when one ends.
    """

    name: Name | None = None
    spec: SectionSpec | None = None
    field: Annotated[str, StringConstraints(max_length=40, pattern=r"^[a-z0-9_.]*$")] = ""
    run: Run = ""


class ClothOfWork(Seen):
    """The cloth of one role of a work, null for none; `field` and `run` as for a section."""

    spec: ClothSpec | None
    field: Annotated[str, StringConstraints(max_length=40, pattern=r"^[a-z0-9_.]*$")] = ""
    run: Run = ""


class ThingOfWork(Seen):
    """The thing of a work, null for none; `field` and `run` as for a section."""

    thing: ThingSpec | None
    field: Annotated[str, StringConstraints(max_length=60, pattern=r"^[a-z0-9_. ]*$")] = ""
    run: Run = ""


class WaysIn(Seen):
    """Other ways, all of them."""

    ways: WaysSpec


class WaysOut(TypedDict):
    """The ways that are kept, and their revision; 0 where none were ever said."""

    ways: WaysSpec
    revision: int


class Order(Seen):
    """The sections in a new order, all of them."""

    sections: list[str]


class UnitChange(Seen):
    """Another unit for the whole work."""

    unit: UnitSign


class SeamChange(Seen):
    """The seam allowance of the whole work, null for the usual one; `run` as for a section."""

    seam: Typed | None = None
    run: Run = ""


class WorksOrder(_Strict):
    """Works in a person's own order, from the first."""

    works: Annotated[list[str], Field(max_length=5000)]


class SectionOut(TypedDict):
    """A section as kept."""

    key: str
    name: str
    spec: SectionSpec


Colours = Annotated[dict[str, str], Field(description="What each cloth is drawn in where its own colour is not said.")]


class WorkOut(TypedDict):
    """A work as kept; `undo` and `redo` say what they would take back and bring back."""

    key: str
    name: str
    purpose: str
    cloths: dict[str, ClothSpec]
    colours: Colours
    thing: ThingSpec | None
    log: LogTold
    revision: int
    touched: str
    deleted: bool
    sections: list[SectionOut]
    undo: str | None
    redo: str | None


class ReadySection(SectionOut):
    """A section with what its ties come to in their place; so many of it are cut."""

    times: int


class ReadyWork(TypedDict):
    """A work as it goes to the table and onto paper: nothing in it is tied any more."""

    key: str
    name: str
    purpose: str
    cloths: dict[str, ClothSpec]
    colours: Colours
    thing: ThingSpec | None
    sections: list[ReadySection]


class WorkRow(TypedDict):
    """A work in the list."""

    key: str
    name: str
    purpose: str
    revision: int
    touched: str
    pieces: int
    next: str
    glance: Glance | None
    picture: PictureOut | None


class Works(TypedDict):
    """A page of works; `total` counts those that match, `shelf` all that are not deleted, `deleted` the others."""

    works: list[WorkRow]
    total: int
    shelf: int
    deleted: int


class StaleOut(TypedDict):
    """A change that was made to an older revision: what was sent and what is kept, so that nothing is lost."""

    problems: list[dict[str, Any]]
    yours: dict[str, Any]
    theirs: WorkOut


Sort = Literal["touched", "name", "own"]
