"""Keeping on the wire."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field, StringConstraints
from typing_extensions import TypedDict

from server.wire.typed import Strict


class SizeOut(TypedDict):
    """How large a backup would be, nearly, in bytes, and what would be in it; how large one may be that is brought back."""

    bytes: int
    room: int
    says: str


class ProgressOut(TypedDict):
    """What is being done, `backup` or `restore` or nothing; how much of it is done, from 0 to 1; where it is."""

    doing: str
    part: float
    says: str


class KeptOut(TypedDict):
    """A backup that the program made by itself."""

    name: str
    at: str
    why: str
    bytes: int
    size: str
    says: str


class BackupsOut(TypedDict):
    """The backups in the data folder, the newest first; `failed` says why the day's own could not be made."""

    folder: str
    backups: list[KeptOut]
    failed: str


class RestoredOut(TypedDict):
    """What a backup brought back."""

    works: int
    cloths: int
    photographs: int
    says: str


class Named(Strict):
    """One of the backups in the data folder."""

    name: Annotated[str, StringConstraints(max_length=80), Field(description="As the list of backups has it.")]
