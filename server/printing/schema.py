"""What is asked of the papers, and what is told of them."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field
from typing_extensions import TypedDict

from ribbon.table.chalk import From
from server.wire.typed import Strict
from server.wire.work import Cloths, NamedSection, ThingSpec

PaperName = Literal[
    "template", "gauge", "chalk", "labels", "cutting", "slip", "making", "sheet", "pattern", "sample", "lesson"
]


class PaperIn(Strict):
    """One paper of a work: which, of which piece, on which sheets."""

    paper: PaperName
    sheet: Literal["a4", "letter"] = "a4"
    work: Annotated[str, Field(max_length=120)] = ""
    here: Annotated[int, Field(ge=0, lt=60)] = Field(
        default=0, description="Which of the sections, where the paper is of one."
    )
    piece: Annotated[str, Field(max_length=80)] = Field(
        default="", description="Which cut piece a pattern is of; every one that is no rectangle, left out."
    )
    nought: From = From.START
    side: Literal["RS", "WS"] = "RS"
    cloths: Cloths = {}
    thing: ThingSpec | None = None
    sections: Annotated[list[NamedSection], Field(max_length=60)]

    @property
    def wanted(self) -> str:
        """What it is made for: to be seen is to be printed."""
        return "pdf"


class FileIn(PaperIn):
    """A paper as a file."""

    format: Literal["pdf", "svg", "dxf", "csv"] = "pdf"

    @property
    def wanted(self) -> str:
        return self.format


class PatternPieceOut(TypedDict):
    """A cut piece that a pattern can be of."""

    key: str
    name: str


class PagesOut(TypedDict):
    """A paper as it will be printed: its first pages as SVG text, how many there are in all, the files it can be had as.

    `pieces` are those that it can be of, where it is of one cut piece.
    """

    title: str
    says: str
    count: int
    pages: list[str]
    style: Annotated[str, Field(description="The face of its words, for whoever shows a page by itself.")]
    width: float
    height: float
    formats: list[str]
    pieces: list[PatternPieceOut]


class PlottedOut(TypedDict):
    """What the stand-in for a plotter would draw, its runs as one path in mm, and how far the pen goes."""

    path: str
    left: float
    top: float
    width: float
    height: float
    lines: int
    drawn: float
    lifted: float
    skipped: int
    says: str
