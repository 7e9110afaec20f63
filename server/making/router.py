"""The stateless addresses of things."""

from __future__ import annotations

from typing import Annotated, Any

from django.http import HttpRequest, HttpResponse
from ninja import Router
from pydantic import Field

from server.cutting.cut import cut_of, plans_of
from server.cutting.out import CutOut
from server.making.answer import rows, thing_of
from server.making.beside import cut_beside
from server.making.going_on import thing_going_on
from server.making.out import ThingOut, ThingRow
from server.wire.json import answer
from server.wire.problems import REFUSED
from server.wire.tied import FieldName
from server.wire.work import Cloths, ThingSpec, WorkIn

router = Router(tags=["things"])
cut_router = Router(tags=["cloth"])
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
    going_on: bool = Field(
        default=False,
        description="Whether what is wrong is left out and told in `problems`, instead of being refused with them.",
    )


@router.post("/thing", response={200: ThingOut, **REFUSED}, operation_id="thing")
def made_thing(request: HttpRequest, said: ThingIn) -> HttpResponse:
    """What a thing comes to: its edges, parts, pieces, notions, steps and picture.  Stateless."""
    named = said if said.kind else said.model_copy(update={"kind": said.thing})
    made = thing_going_on if said.going_on else thing_of
    return answer(made(named, said.cloths, said.edges, plans=said.plans))


@router.get("/things", response={200: list[ThingRow]}, operation_id="list_things")
def list_things(request: HttpRequest) -> HttpResponse:
    """Everything that can be made: what each asks, and a small picture of it."""
    return answer(rows())


class CutIn(WorkIn):
    """A work to be cut."""

    thing: ThingSpec | None = Field(
        default=None, description="What it is, whose band, yoke or ties are cut beside its edges."
    )
    quick: bool = Field(default=False, description="The first plan alone, without looking for one that takes less.")
    seed: int = Field(
        default=1, ge=1, le=1000, description="Another one looks elsewhere: keep the shortest plan of several."
    )


@cut_router.post("/cut", response={200: CutOut, **REFUSED}, operation_id="cut")
def work_cut(request: HttpRequest, work: CutIn) -> HttpResponse:
    """The cutting plan of several sections and of what is cut beside them, cloth by cloth, and the shopping slip.  Stateless."""
    beside = cut_beside(work.thing, work.cloths, work.sections)
    return answer(cut_of(plans_of(work.sections, work.cloths, beside, search=not work.quick, seed=work.seed)))
