"""What is typed, as it comes in: text or a number, kept as text."""

from __future__ import annotations

from typing import Annotated, Literal

from ninja import Schema
from pydantic import BeforeValidator, ConfigDict, Field, WithJsonSchema

from server.wire.texts import as_text

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


class Strict(Schema):
    """A body that may hold no field but those described."""

    model_config = ConfigDict(extra="forbid")
