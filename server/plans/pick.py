"""A neighbouring count picked, on the wire."""

from __future__ import annotations

from typing import Any

from ninja import Schema
from pydantic import Field

from ribbon.errors import refuse
from ribbon.lengths import Length, Unreadable, loosened, read_ratio, typed_number
from ribbon.pins import Band, Pin, picked, plan
from ribbon.pleats import Quantity
from server.plans.drawn import Writer
from server.plans.schema import About, SectionIn, Strict, Typed

Q = Quantity


class PickIn(Strict):
    """A section, and the count of pleats that it is to have."""

    spec: SectionIn
    count: Typed = Field(description="As a choice of the plan has it.")


class PickOut(Schema):
    """The fields to set, by their names in dots, so that the plan becomes the one that was offered; null empties one."""

    change: dict[str, Any]


def pick_of(said: PickIn) -> dict[str, Any]:
    """What to change for that count.  Raises `Refusal` where that many pleats cannot be."""
    section = said.spec.section
    try:
        count = read_ratio(str(said.count))
    except Unreadable as error:
        raise refuse("unreadable", "count", said.count, error.message, error.way_out) from None
    if isinstance(section, Band) or not section.kind.folded or section.places:
        raise refuse("no_choice", "count", said.count, "this edge has no other counts to pick from", "change its facts")
    made = plan(section)
    after = picked(made, count)
    writer = Writer(section)
    change: dict[str, Any] = {
        f"pins.{name.value}": _typed(said.spec, writer, name, section.pins.get(name), after.pins.get(name))
        for name in Q
        if after.pins.get(name) != section.pins.get(name)
    }
    if after.meet != section.meet:
        change["meet"] = after.meet
    return {"change": change}


def _typed(spec: SectionIn, writer: Writer, name: Quantity, before: Pin | None, after: Pin | None) -> Any:
    """A pin as it is typed: as it was where its value stays."""
    if after is None:
        return None
    said = getattr(spec.pins, name.value)
    if before is not None and before.value == after.value:
        text, _ = loosened(str(said.about if isinstance(said, About) else said))
    else:
        text = writer.typed(Length(after.value)) if name.is_length else typed_number(after.value)
    return text if after.firm else {"about": text}
