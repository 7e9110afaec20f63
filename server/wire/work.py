"""What of a work is sent to be cut or printed: its cloths by role, and its edges by name."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from server.wire.cloth import ClothSpec, Role
from server.wire.section import SectionSpec
from server.wire.tied import FieldName
from server.wire.typed import Strict, Typed, UnitSign

StepName = Annotated[str, Field(pattern=r"^[a-z0-9 _-]{1,40}$")]
Cloths = Annotated[dict[Role, ClothSpec], Field(max_length=12)]


class NamedSection(Strict):
    """A section with its name, to be cut with others; `key` is what its pieces are known by, its place in the list left out."""

    key: Annotated[str, Field(max_length=10, pattern=r"^[a-z0-9]*$")] = ""
    name: Annotated[str, Field(max_length=120)]
    spec: SectionSpec
    times: Annotated[int, Field(ge=1, le=40, description="How many of it are cut alike.")] = 1


class AddedStep(Strict):
    """A step of the making that a sewist added."""

    key: Annotated[str, Field(pattern=r"^[a-z0-9]{1,12}$")]
    says: Annotated[str, Field(max_length=400)]


class SittingSpec(Strict):
    """A session that a sewist has: its day, when it begins, how long it is."""

    day: Annotated[str, Field(max_length=10)]
    start: Typed = "10:00"
    long: Typed = ""


class OrderSpec(Strict):
    """The order of making as a sewist has it: steps by their names in another order, some struck, some added, those done."""

    order: Annotated[list[StepName], Field(max_length=80)] = []
    struck: Annotated[list[StepName], Field(max_length=80)] = []
    added: Annotated[list[AddedStep], Field(max_length=40)] = []
    done: Annotated[list[StepName], Field(max_length=80)] = []
    took: Annotated[dict[StepName, Typed], Field(max_length=80)] = Field(
        default={}, description="How long each step took: 40, 1 h 30, 1:30."
    )
    sessions: Annotated[list[SittingSpec], Field(max_length=60)] = []


class ThingSpec(Strict):
    """What is made: its kind, its measures just as typed (several where one is taken at several places), what is chosen."""

    kind: Annotated[str, Field(pattern=r"^[a-z][a-z_]{0,23}$")]
    unit: UnitSign = Field(default="cm", description="How bare numbers are read and answers written.")
    habit: Literal["metric", "inches"] | None = Field(
        default=None, description="What a sewist is used to, for what is assumed; as the unit is, left out."
    )
    seam: Typed | None = Field(default=None, description="The seam allowance of the work; 1.5 cm or 1/2 in left out.")
    tape: Typed | None = Field(default="", description="The smallest division that is marked; null for exact figures.")
    machine: Typed | None = Field(default=None, description="How thick a pile of cloth the machine sews, in mm.")
    measures: Annotated[
        dict[FieldName, Typed | Annotated[list[Typed], Field(max_length=12)]], Field(max_length=60)
    ] = {}
    choices: Annotated[dict[FieldName, Typed | bool], Field(max_length=60)] = {}
    making: OrderSpec | None = None


class WorkIn(Strict):
    """The cloths and the sections of a work."""

    cloths: Cloths = {}
    sections: Annotated[list[NamedSection], Field(max_length=60)]
