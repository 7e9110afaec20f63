"""What of a work is sent to be cut or printed: its cloths by role, and its edges by name."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from server.wire.cloth import ClothSpec, Role
from server.wire.section import SectionSpec
from server.wire.typed import Strict, Typed

FieldName = Annotated[str, Field(pattern=r"^[a-z][a-z0-9_.]{0,39}$")]
Cloths = Annotated[dict[Role, ClothSpec], Field(max_length=12)]


class NamedSection(Strict):
    """A section with its name, to be cut with others; `key` is what its pieces are known by, its place in the list left out."""

    key: Annotated[str, Field(max_length=10, pattern=r"^[a-z0-9]*$")] = ""
    name: Annotated[str, Field(max_length=120)]
    spec: SectionSpec


class ThingSpec(Strict):
    """What is made: its kind, its measures just as typed (several where one is taken at several places), what is chosen."""

    kind: Annotated[str, Field(pattern=r"^[a-z][a-z_]{0,23}$")]
    measures: Annotated[
        dict[FieldName, Typed | Annotated[list[Typed], Field(max_length=12)]], Field(max_length=60)
    ] = {}
    choices: Annotated[dict[FieldName, Typed | bool], Field(max_length=60)] = {}


class WorkIn(Strict):
    """The cloths and the sections of a work."""

    cloths: Cloths = {}
    sections: Annotated[list[NamedSection], Field(max_length=60)]
