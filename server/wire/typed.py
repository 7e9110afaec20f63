"""What is typed, as it comes in: text or a number, kept as text."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import BeforeValidator, Discriminator, Field, Tag, WithJsonSchema

from server.wire.texts import as_text
from server.wire.tied import Strict, Tied

Typed = Annotated[
    str,
    BeforeValidator(as_text),
    Field(max_length=12_000),
    WithJsonSchema(
        {
            "anyOf": [{"type": "string", "maxLength": 12_000}, {"type": "number"}],
            "description": "A length, ratio or count just as typed: 27 1/2 in, 70, 0.7 m.",
        }
    ),
]


UnitSign = Literal["mm", "cm", "m", "in", "ft", "yd"]


Tieable = Annotated[
    Annotated[Typed, Tag("~typed")] | Annotated[Tied, Tag("~tied")],
    Discriminator(lambda value: "~tied" if isinstance(value, dict | Tied) else "~typed"),
]
"""What is typed, or a tie to what the thing of the work makes of it."""

__all__ = ["Strict", "Tieable", "Tied", "Typed", "UnitSign"]
