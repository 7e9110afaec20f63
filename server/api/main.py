"""The API and what it says when something is wrong."""

from __future__ import annotations

from typing import Any

from django.http import Http404, HttpRequest, HttpResponse
from ninja import NinjaAPI, Swagger
from ninja.errors import HttpError, ValidationError, ValidationErrorContext

from ribbon.errors import Refusal
from server.cutting.router import router as cutting
from server.journal.router import router as journal
from server.keeping.job import Busy
from server.keeping.router import router as keeping
from server.making.router import cut_router
from server.making.router import router as making
from server.plans.router import router as plans
from server.printing.router import router as printing
from server.shelf.router import router as shelf
from server.swatches.router import router as swatches
from server.wire.costs import TooCostly, too_costly
from server.wire.json import Renderer, StrictParser, answer
from server.wire.problems import from_core, from_schema, one
from server.works.router import router as works
from server.works.services import Stale
from server.works.timetable_router import router as timetable


class Api(NinjaAPI):
    """The API; what does not fit its schema is told with the value that was got."""

    def validation_error_from_error_contexts(
        self, error_contexts: list[ValidationErrorContext[Any]]
    ) -> ValidationError:
        error = super().validation_error_from_error_contexts(error_contexts)
        got = [line["input"] for one in error_contexts for line in one.pydantic_validation_error.errors()]
        for line, value in zip(error.errors, got, strict=True):
            line["input"] = value
        return error


api = Api(
    title="Young Ribbon",
    version="1",
    description=(
        "Pleats and gathers, solved from whatever is known.  Lengths go in as text just as typed and come out "
        "as millimetres and text.  Every error is a list of problems, each with its field and a way out."
    ),
    docs=Swagger(settings={"persistAuthorization": False, "validatorUrl": None}),
    parser=StrictParser(),
    renderer=Renderer(),
)
api.add_router("", plans)
api.add_router("", cutting)
api.add_router("", cut_router)
api.add_router("", printing)
api.add_router("", making)
# Before the works: what stands below a work, or beside them all, is not a work of that name.
api.add_router("", keeping)
api.add_router("", journal)
api.add_router("/works", timetable)
api.add_router("/works", works)
api.add_router("/cloths", shelf)
api.add_router("/swatches", swatches)


@api.exception_handler(Refusal)
def _refused(request: HttpRequest, refusal: Refusal) -> HttpResponse:
    return answer(from_core(refusal.problems), 422)


@api.exception_handler(ValidationError)
def _unfit(request: HttpRequest, error: ValidationError) -> HttpResponse:
    return answer(from_schema(error.errors), 422)


@api.exception_handler(HttpError)
def _unreadable(request: HttpRequest, error: HttpError) -> HttpResponse:
    cause = error.__cause__ or error.__context__
    if isinstance(cause, Refusal):
        return _refused(request, cause)
    if error.status_code == 400:
        return answer(one("not_json", "the body is not JSON", "send one JSON object"), 400)
    return answer(one("refused", str(error), "see /api/docs"), error.status_code)


@api.exception_handler(Http404)
def _missing(request: HttpRequest, error: Http404) -> HttpResponse:
    return answer(one("not_found", "there is no such work or section", "go back to the works"), 404)


@api.exception_handler(TooCostly)
def _too_costly(request: HttpRequest, error: TooCostly) -> HttpResponse:
    return answer(too_costly(), 422)


@api.exception_handler(Busy)
def _busy(request: HttpRequest, busy: Busy) -> HttpResponse:
    response = answer(one("busy", f"a {busy} is under way just now", "wait until it is over, then try again"), 429)
    response["Retry-After"] = "5"
    return response


@api.exception_handler(Stale)
def _stale(request: HttpRequest, stale: Stale) -> HttpResponse:
    return answer(stale.body, 409)
