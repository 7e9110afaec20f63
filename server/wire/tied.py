"""A fact that follows from the thing that is made, in place of what would be typed."""

from __future__ import annotations

from typing import Annotated

from pydantic import BaseModel, ConfigDict, Field

FieldName = Annotated[str, Field(pattern=r"^[a-z][a-z0-9_.]{0,39}$")]


class Strict(BaseModel):
    """A body that may hold no field but those described."""

    model_config = ConfigDict(extra="forbid")


class Tied(Strict):
    """Whatever the thing of the work makes of it, by its name there: ``left.finished``."""

    tied: FieldName

    def __str__(self) -> str:
        return f"tied to {self.tied}"
