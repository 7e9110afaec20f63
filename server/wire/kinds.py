"""The kinds that there are, as they are named on the wire: whatever the core has, by its traits."""

from __future__ import annotations

from collections.abc import Callable
from typing import Annotated

from pydantic import AfterValidator, WithJsonSchema
from pydantic_core import PydanticCustomError

from ribbon.facts import KINDS
from ribbon.pleats import Kind, Look

MIXED, PLAIN = "mixed", "plain"


def _among(names: list[str]) -> tuple[AfterValidator, WithJsonSchema]:
    expected = ", ".join(names)

    def known(said: str) -> str:
        if said not in names:
            raise PydanticCustomError("literal_error", "Input should be one of {expected}", {"expected": expected})
        return said

    return AfterValidator(known), WithJsonSchema({"type": "string", "enum": names})


def _where(trait: Callable[[Kind], bool]) -> list[str]:
    return [name for name, kind in KINDS.items() if trait(kind)]


KindName = Annotated[str, *_among([*KINDS, MIXED])]
PartKind = Annotated[str, *_among([PLAIN, *KINDS])]
FoldedKind = Annotated[str, *_among(_where(lambda kind: kind.folded))]
LyingKind = Annotated[str, *_among(_where(lambda kind: kind.look is Look.LYING))]
