"""The stateless addresses."""

from __future__ import annotations

from typing import Literal

from django.http import HttpRequest, HttpResponse
from ninja import Router

from ribbon.table.chalk import From
from server.plans.answer import answer_of, lies_of
from server.plans.chalk import chalk_of
from server.plans.check import CheckIn, CheckOut, check_of
from server.plans.fold import FoldingOut, fold_of
from server.plans.hand import EvenIn, MeaningIn, MoveIn, MoveOut, RuffleIn, even, meanings_of, moved_pin, ruffle
from server.plans.out import ChalkOut, LiesOut, MeaningOut, PlanOut, RuffleOut
from server.plans.pick import PickIn, pick_of
from server.wire.change import ChangeOut
from server.wire.json import answer
from server.wire.problems import REFUSED
from server.wire.read_edge import read_section
from server.wire.section import SectionSpec

router = Router(tags=["plans"])


@router.post("/plan", response={200: PlanOut, **REFUSED}, operation_id="plan")
def plan_section(request: HttpRequest, section: SectionSpec) -> HttpResponse:
    """The plan of one section.  Stateless: it changes nothing and needs neither cookie nor token."""
    return answer(answer_of(read_section(section)))


@router.post("/move", response={200: MoveOut, **REFUSED}, operation_id="move_pin")
def move_pin(request: HttpRequest, said: MoveIn) -> HttpResponse:
    """What a pin says after it is moved by divisions of the tape, or dragged.  Stateless."""
    return answer(moved_pin(said))


@router.post("/pick", response={200: ChangeOut, **REFUSED}, operation_id="pick_count")
def pick_count(request: HttpRequest, said: PickIn) -> HttpResponse:
    """What to change of a section so that it has one of the counts that its plan offers.  Stateless."""
    return answer(pick_of(said))


@router.post("/lies", response={200: list[LiesOut], **REFUSED}, operation_id="lies")
def section_lies(request: HttpRequest, section: SectionSpec) -> HttpResponse:
    """The ribbon as a table: where every line lies, flat and folded.  Stateless."""
    return answer(lies_of(read_section(section)))


@router.post("/chalk", response={200: ChalkOut, **REFUSED}, operation_id="chalk")
def section_chalk(
    request: HttpRequest,
    section: SectionSpec,
    nought: From = From.START,
    side: Literal["RS", "WS"] = "RS",
    level: Literal["lower", "upper"] = "lower",
) -> HttpResponse:
    """The chalk list of one section: from which end, on which side, at which level.  Stateless."""
    return answer(chalk_of(read_section(section), nought, wrong_side=side == "WS", upper=level == "upper"))


@router.post("/meanings", response={200: list[MeaningOut], **REFUSED}, operation_id="meanings")
def meanings(request: HttpRequest, said: MeaningIn) -> HttpResponse:
    """What "a one-inch pleat" may mean: four things, each with the pins that it comes to.  Stateless."""
    return answer(meanings_of(said))


@router.post("/even", response={200: ChangeOut, **REFUSED}, operation_id="even")
def even_pleats(request: HttpRequest, said: EvenIn) -> HttpResponse:
    """Pleats draped by eye, made even.  Stateless."""
    return answer(even(said))


@router.post("/ruffle", response={200: RuffleOut, **REFUSED}, operation_id="ruffle")
def ruffle_setting(request: HttpRequest, said: RuffleIn) -> HttpResponse:
    """What a ruffling attachment makes, or how to set it for a wanted ratio.  Stateless."""
    return answer(ruffle(said))


@router.post("/check", response={200: CheckOut, **REFUSED}, operation_id="check")
def check_section(request: HttpRequest, said: CheckIn) -> HttpResponse:
    """What was measured of the basted edge against what was planned, and the mend on the tape.  Stateless."""
    return answer(check_of(said))


@router.post("/fold", response={200: FoldingOut, **REFUSED}, operation_id="fold")
def fold_section(request: HttpRequest, section: SectionSpec) -> HttpResponse:
    """The order of making, and what to do with each pleat in turn.  Stateless."""
    return answer(fold_of(read_section(section)))
