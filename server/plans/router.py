"""The stateless addresses."""

from __future__ import annotations

from django.http import HttpRequest, HttpResponse
from ninja import Router

from ribbon.pins import plan
from server.plans.answer import answer_of
from server.plans.out import PlanOut
from server.plans.reading import read_move
from server.plans.schema import MoveIn, MoveOut, SectionIn
from server.wire.json import answer
from server.wire.problems import Problems

router = Router(tags=["plans"])


@router.post(
    "/plan", response={200: PlanOut, 400: Problems, 413: Problems, 422: Problems}, operation_id="plan", by_alias=True
)
def plan_section(request: HttpRequest, section: SectionIn) -> HttpResponse:
    """The plan of one section.  Stateless: it changes nothing and needs neither cookie nor token."""
    return answer(answer_of(plan(section.section)))


@router.post("/move", response={200: MoveOut, 400: Problems, 413: Problems, 422: Problems}, operation_id="move_pin")
def move_pin(request: HttpRequest, move: MoveIn) -> HttpResponse:
    """What a pin says after it is moved by divisions of the tape, or dragged.  Stateless."""
    return answer({"text": read_move(move.model_dump())})
