"""A change that is offered, on the wire."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field
from typing_extensions import TypedDict

from ribbon.offers import Change, LooseFact


class AboutOut(TypedDict):
    """A fact that gives way before any firm one."""

    about: str


FactOut = str | bool | AboutOut | None


class ChangeOut(TypedDict):
    """A change: what it does in words, and the facts of the section that it sets, each by its field in dots; null lets one go."""

    says: str
    change: Annotated[dict[str, FactOut], Field(description="pins.depth: 3 cm")]


def told_change(offered: Change) -> ChangeOut:
    """A change for the wire."""
    facts: dict[str, FactOut] = {
        name: {"about": fact.text} if isinstance(fact, LooseFact) else fact for name, fact in offered.sets
    }
    return {"says": offered.says, "change": facts}
