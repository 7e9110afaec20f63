"""The stateless addresses."""

from __future__ import annotations

from typing import Literal

from django.http import HttpRequest, HttpResponse
from ninja import Router

from ribbon.chalk import From
from server.plans.answer import answer_of, lies_of
from server.plans.chalk import chalk_of
from server.plans.check import CheckIn, CheckOut, check_of
from server.plans.fold import FoldingOut, fold_of
from server.plans.hand import EvenIn, MeaningIn, RuffleIn, even, meanings_of, ruffle
from server.plans.joining import cut_of
from server.plans.out import ChalkOut, EvenOut, LiesOut, MeaningOut, PlanOut, RuffleOut
from server.plans.pick import PickIn, PickOut, pick_of
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
    return answer(answer_of(section.section, lined=section.lining, cut=cut_of(section)))


@router.post("/move", response={200: MoveOut, 400: Problems, 413: Problems, 422: Problems}, operation_id="move_pin")
def move_pin(request: HttpRequest, move: MoveIn) -> HttpResponse:
    """What a pin says after it is moved by divisions of the tape, or dragged.  Stateless."""
    return answer({"text": read_move(move.model_dump())})


@router.post("/pick", response={200: PickOut, 400: Problems, 413: Problems, 422: Problems}, operation_id="pick_count")
def pick_count(request: HttpRequest, said: PickIn) -> HttpResponse:
    """What to change of a section so that it has one of the counts that its plan offers.  Stateless."""
    return answer(pick_of(said))


@router.post("/lies", response={200: list[LiesOut], 400: Problems, 413: Problems, 422: Problems}, operation_id="lies")
def section_lies(request: HttpRequest, section: SectionIn) -> HttpResponse:
    """The ribbon as a table: where every line lies, flat and folded.  Stateless."""
    return answer(lies_of(section.section))


@router.post(
    "/chalk", response={200: ChalkOut, 400: Problems, 413: Problems, 422: Problems}, operation_id="chalk", by_alias=True
)
def section_chalk(
    request: HttpRequest,
    section: SectionIn,
    nought: From = From.START,
    side: Literal["RS", "WS"] = "RS",
    level: Literal["lower", "upper"] = "lower",
) -> HttpResponse:
    """The chalk list of one section: from which end, on which side, at which level.  Stateless."""
    return answer(chalk_of(section, nought, wrong_side=side == "WS", upper=level == "upper"))


_REFUSED = {400: Problems, 413: Problems, 422: Problems}


@router.post("/meanings", response={200: list[MeaningOut], **_REFUSED}, operation_id="meanings", by_alias=True)
def meanings(request: HttpRequest, said: MeaningIn) -> HttpResponse:
    """What "a one-inch pleat" may mean: four things, each with the pins that it comes to.  Stateless."""
    return answer(meanings_of(said))


@router.post("/even", response={200: EvenOut, **_REFUSED}, operation_id="even")
def even_pleats(request: HttpRequest, said: EvenIn) -> HttpResponse:
    """Pleats draped by eye, made even.  Stateless."""
    return answer(even(said))


@router.post("/ruffle", response={200: RuffleOut, **_REFUSED}, operation_id="ruffle")
def ruffle_setting(request: HttpRequest, said: RuffleIn) -> HttpResponse:
    """What a ruffling attachment makes, or how to set it for a wanted ratio.  Stateless."""
    return answer(ruffle(said))


@router.post("/check", response={200: CheckOut, **_REFUSED}, operation_id="check", by_alias=True)
def check_section(request: HttpRequest, said: CheckIn) -> HttpResponse:
    """What was measured of the basted edge against what was planned, and the mend on the tape.  Stateless."""
    return answer(check_of(said))


@router.post("/fold", response={200: FoldingOut, **_REFUSED}, operation_id="fold", by_alias=True)
def fold_section(request: HttpRequest, section: SectionIn) -> HttpResponse:
    """The order of making, and what to do with each pleat in turn.  Stateless."""
    return answer(fold_of(section))
