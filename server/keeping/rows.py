"""The rows of a backup: for each table what a row holds, read as strictly as what comes in over the API."""

from __future__ import annotations

import base64
import binascii
import zlib
from typing import Annotated, Any, ClassVar, Literal

import orjson
from django.db import models
from pydantic import BaseModel, ConfigDict, Field, StringConstraints, model_validator

from ribbon.errors import Refusal
from ribbon.lengths import UNITS, read_length
from server.journal.models import Check, Photograph, TablePlace
from server.plans.check import Level
from server.shelf.models import Cloth, Movement
from server.shelf.sheet import wrong_with
from server.swatches.models import BookSwatch
from server.swatches.read import read_swatch
from server.swatches.schema import BookSpec, Kind
from server.wire.cloth import ClothSpec
from server.wire.section import SectionSpec
from server.wire.times import Moment
from server.wire.typed import Typed, UnitSign
from server.wire.ways import WaysSpec
from server.wire.work import Cloths, ThingSpec
from server.works.models import Answered, ChangeMade, HighWater, Ways, Work, WorkSection
from server.works.schema import Key, LogWords, Name, Purpose
from server.works.services import with_words
from server.works.versions import CURRENT

MOST_BODY = 4 * 1024 * 1024
Whole = Annotated[int, Field(strict=True, ge=0, le=2**31 - 1)]
Number = Annotated[int, Field(strict=True, ge=1, le=2**63 - 1)]
Flag = Annotated[bool, Field(strict=True)]
Short = Annotated[str, StringConstraints(strict=True, max_length=200, pattern=r"^[^\x00]*$")]
Measures = Annotated[list[Typed], Field(min_length=1, max_length=40)]


class KeptRow(BaseModel):
    """One row of a table, as a backup has it; `values` are those of the model."""

    model_config = ConfigDict(extra="forbid")
    model: ClassVar[type[models.Model]]
    # (the fields that name the row, the fields that no two rows share, the field that names a row of another table)
    named: ClassVar[str] = "key"
    unique: ClassVar[tuple[str, ...]] = ()
    belongs: ClassVar[tuple[str, str] | None] = None

    def values(self) -> dict[str, Any]:
        """The values of the model's fields."""
        return {name: getattr(self, name) for name in type(self).model_fields}


def _typed(spec: BaseModel) -> dict[str, Any]:
    return spec.model_dump(mode="json", exclude_unset=True)


class KeptWork(KeptRow):
    """A work."""

    model = Work
    key: Key
    name: Name
    purpose: Purpose
    cloths: Cloths
    thing: ThingSpec | None
    log: LogWords
    revision: Whole
    stamps: Annotated[dict[Annotated[str, Field(max_length=40)], Whole], Field(max_length=200)]
    position: Annotated[int, Field(strict=True, ge=-(10**6), le=10**6)]
    made: Moment
    touched: Moment
    deleted: Moment | None

    def values(self) -> dict[str, Any]:
        cloths = {role: _typed(cloth) for role, cloth in self.cloths.items()}
        thing = None if self.thing is None else _typed(self.thing)
        return {**super().values(), "log": with_words({}, _typed(self.log)), "cloths": cloths, "thing": thing}


class KeptSection(KeptRow):
    """A piece of a work."""

    model = WorkSection
    belongs = ("work_id", "works.work")
    key: Key
    work_id: Key
    position: Whole
    name: Name
    spec: SectionSpec
    version: Annotated[int, Field(strict=True, ge=CURRENT, le=CURRENT)]

    def values(self) -> dict[str, Any]:
        return {**super().values(), "spec": _typed(self.spec)}


class StepRow(BaseModel):
    """One step of a difference; what stands on either side is left out where nothing does."""

    model_config = ConfigDict(extra="allow")
    at: Annotated[list[Annotated[int, Field(strict=True)] | Annotated[str, Field(strict=True)]], Field(max_length=40)]
    cut: Whole = 0

    @model_validator(mode="after")
    def _whole(self) -> StepRow:
        sides = set(self.model_extra or {})
        if not sides or sides - {"from", "to"} or ("cut" in self.model_fields_set and len(sides) != 2):
            raise ValueError("a step says what was there before, what is there after, and no more")
        return self


class KeptChange(KeptRow):
    """A change to a work."""

    model = ChangeMade
    named, unique, belongs = "id", ("work_id", "number"), ("work_id", "works.work")
    id: Number
    work_id: Key
    number: Whole
    says: Short
    place: Annotated[str, StringConstraints(strict=True, max_length=80, pattern=r"^[^\x00]*$")]
    at: Moment
    difference: list[StepRow]
    undone: Flag

    def values(self) -> dict[str, Any]:
        return {**super().values(), "difference": [step.model_dump(exclude_unset=True) for step in self.difference]}


class KeptHighWater(KeptRow):
    """The highest revision of what is kept no longer."""

    model = HighWater
    named = "id"
    id: Number
    revision: Whole


class KeptWays(KeptRow):
    """What a sewist is used to."""

    model = Ways
    named = "id"
    id: Number
    said: WaysSpec
    revision: Whole

    def values(self) -> dict[str, Any]:
        return {**super().values(), "said": _typed(self.said)}


class KeptAnswered(KeptRow):
    """An act that was answered, its answer packed and in letters."""

    model = Answered
    named = "token"
    token: Annotated[str, StringConstraints(pattern=r"^[A-Za-z0-9.-]{8,64}$")]
    address: Short
    at: Moment
    status: Annotated[int, Field(strict=True, ge=200, le=299)]
    body: Annotated[str, Field(max_length=2 * MOST_BODY)]

    def values(self) -> dict[str, Any]:
        try:
            body = base64.b64decode(self.body, validate=True)
            if not body:
                return {**super().values(), "body": body}  # that it was answered is all that is kept
            unpacked = zlib.decompressobj()
            text = unpacked.decompress(body, MOST_BODY)
            if not unpacked.eof:
                raise ValueError("the answer is too long")
            if text:
                orjson.loads(text)
        except (binascii.Error, zlib.error, orjson.JSONDecodeError) as error:
            raise ValueError(f"body: {error}") from None
        return {**super().values(), "body": body}


class KeptCloth(KeptRow):
    """A cloth on the shelf."""

    model = Cloth
    key: Key
    removed: None = None
    name: Name
    unit: UnitSign
    spec: ClothSpec
    revision: Whole
    touched: Moment

    def values(self) -> dict[str, Any]:
        spec = self.spec.model_dump(mode="json", exclude_unset=True, exclude_none=True)
        problem = wrong_with(self.unit, spec)
        if problem is not None:
            raise ValueError(f"spec.{problem.path}: {problem.message}")
        return {**super().values(), "spec": spec}


class KeptMovement(KeptRow):
    """What went out of a cloth or came back to it."""

    model = Movement
    named, belongs = "id", ("cloth_id", "shelf.cloth")
    id: Number
    cloth_id: Key
    work: Annotated[str, StringConstraints(max_length=120, pattern=r"^[^\x00]*$")]
    length: Annotated[str, StringConstraints(max_length=60)]
    back: Flag
    at: Moment

    def values(self) -> dict[str, Any]:
        read_length(self.length, UNITS["cm"])
        return super().values()


class KeptPlace(KeptRow):
    """How far the marking of a piece has come."""

    model = TablePlace
    named, unique, belongs = "id", ("section",), ("work_id", "works.work")
    id: Number
    work_id: Key
    section: Annotated[str, StringConstraints(max_length=10)]
    at: Whole
    nought: Literal["start", "end", "middle"]
    side: Literal["RS", "WS"]
    folded: Whole


class KeptCheck(KeptRow):
    """A check of a basted piece."""

    model = Check
    named, belongs = "id", ("work_id", "works.work")
    id: Number
    work_id: Key
    section: Annotated[str, StringConstraints(max_length=10)]
    name: Name
    at: Moment
    measured: Measures
    spec: SectionSpec
    version: Annotated[int, Field(strict=True, ge=CURRENT, le=CURRENT)]
    taken: Flag
    struck: Flag = False
    level: Level = "lower"

    def values(self) -> dict[str, Any]:
        return {**super().values(), "spec": _typed(self.spec)}


class KeptPhotograph(KeptRow):
    """A photograph, whose picture is a file of the backup."""

    model = Photograph
    belongs = ("work_id", "works.work")
    key: Key
    removed: None = None
    work_id: Key
    says: Short
    file: Annotated[str, StringConstraints(pattern=r"^[a-z0-9]{1,64}$")]
    at: Moment
    width: Annotated[int, Field(strict=True, ge=1, le=1600)]
    height: Annotated[int, Field(strict=True, ge=1, le=1600)]


class KeptSwatch(KeptRow):
    """A swatch of the book, its picture in letters."""

    model = BookSwatch
    key: Key
    removed: None = None
    cloth: Name
    kind: Kind
    unit: UnitSign
    spec: BookSpec
    picture: Annotated[str, StringConstraints(max_length=MOST_BODY)] | None
    revision: Whole
    touched: Moment

    def values(self) -> dict[str, Any]:
        try:
            read_swatch(self.kind, self.unit, self.spec)
            picture = None if self.picture is None else base64.b64decode(self.picture, validate=True)
        except (Refusal, binascii.Error) as error:
            raise ValueError(f"spec: {error}") from None
        if picture is not None and picture[:2] != b"\xff\xd8":
            raise ValueError("picture: it is not a JPEG")
        return {**super().values(), "spec": _typed(self.spec), "picture": picture}


# By the names of their tables, in the order in which they can be put in: what belongs to something comes after it.
TABLES: dict[str, type[KeptRow]] = {
    row.model._meta.db_table.replace("_", ".", 1): row  # noqa: SLF001 - Django's own name for what is public
    for row in (
        KeptWork, KeptSection, KeptCheck, KeptChange, KeptHighWater, KeptAnswered, KeptWays, KeptCloth, KeptMovement, KeptPlace, KeptPhotograph, KeptSwatch,
    )
}  # fmt: skip
LATER = frozenset({"works.ways", "swatches.bookswatch"})
"""Tables that backups of this version may do without: they were made before there was one."""
ORDERS = {"works.section": ("work_id", "position", "key"), "works.change": ("work_id", "number")}


def row_line(row: models.Model) -> bytes:
    """A row as one line of a backup."""
    values = {field.attname: getattr(row, field.attname) for field in row._meta.concrete_fields}  # noqa: SLF001 - Django's own name for what is public
    return orjson.dumps(
        {
            name: base64.b64encode(value).decode() if isinstance(value, bytes | memoryview) else value
            for name, value in values.items()
        }
    )
