"""The stateless addresses of things."""

from __future__ import annotations

from typing import Annotated, Any

from django.http import HttpRequest, HttpResponse
from ninja import Router
from pydantic import Field

from server.making.answer import rows, thing_of
from server.making.out import ThingOut, ThingRow
from server.wire.json import answer
from server.wire.problems import REFUSED
from server.wire.tied import FieldName
from server.wire.work import Cloths, ThingSpec

router = Router(tags=["things"])
ThingName = Annotated[str, Field(pattern=r"^(?:[a-z][a-z_]{0,23})?$")]


class ThingIn(ThingSpec):
    """A thing with its cloths by role, and the sewist's own facts of its edges; `thing` names it as `kind` does."""

    kind: ThingName = ""
    thing: ThingName = ""
    cloths: Cloths = {}
    edges: Annotated[
        dict[FieldName, dict[str, Any]],
        Field(
            max_length=24,
            description="By the name of an edge, a section or the part of one that is the sewist's own; null lets a fact go.",
        ),
    ] = {}
    plans: bool = Field(default=True, description="Whether each edge is answered as /api/plan does.")


@router.post("/thing", response={200: ThingOut, **REFUSED}, operation_id="thing")
def made_thing(request: HttpRequest, said: ThingIn) -> HttpResponse:
    """What a thing comes to: its edges, parts, pieces, notions, steps and picture.  Stateless."""
    named = said if said.kind else said.model_copy(update={"kind": said.thing})
    return answer(thing_of(named, said.cloths, said.edges, plans=said.plans))


@router.get("/things", response={200: list[ThingRow]}, operation_id="list_things")
def list_things(request: HttpRequest) -> HttpResponse:
    """Everything that can be made: what each asks, and a small picture of it."""
    return answer(rows())
