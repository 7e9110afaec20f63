"""My ways, as typed: what a sewist is used to, the default of each new work."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from server.wire.tied import FieldName
from server.wire.typed import Strict, Typed, UnitSign


class WaysSpec(Strict):
    """What a sewist is used to; whatever is left out is as it usually is."""

    unit: UnitSign = "cm"
    tape: Typed | None = Field(default="", description="The smallest division that is marked; null for exact marks.")
    seam: Typed | None = Field(default=None, description="The seam allowance of a new work.")
    machine: Typed | None = Field(default=None, description="How thick a pile of cloth the machine sews, in mm.")
    paper: Literal["a4", "letter"] | None = Field(default=None, description="What is printed on.")
    currency: Annotated[str, Field(max_length=4, pattern=r"^[^\x00<>&]*$")] = Field(
        default="", description="The sign that stands before what something costs."
    )
    side: Literal["RS", "WS"] = Field(default="RS", description="The side of the cloth that is marked.")
    choices: Annotated[dict[FieldName, Typed], Field(max_length=40)] = Field(
        default={},
        description="What is chosen of a new thing, by the names of its fields: fullness_of, widths, lining …",
    )
