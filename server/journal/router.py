"""The addresses of the journal, of the open file and of backups."""

from __future__ import annotations

from typing import Annotated, Any

from django.db import transaction
from django.http import Http404, HttpRequest, HttpResponse
from django.shortcuts import get_object_or_404
from django.views.decorators.csrf import csrf_protect
from ninja import File, Form, Path, Query, Router
from ninja.decorators import decorate_view
from ninja.files import UploadedFile

from server.journal import openfile, services
from server.journal import schema as s
from server.journal.demo import add_demo_works
from server.journal.looking import LastTime, WrittenList, last_time, written
from server.journal.models import Photograph
from server.pictures import photographs
from server.wire.files import attached, described
from server.wire.json import answer
from server.wire.problems import Problems
from server.works import services as works
from server.works.history import Document
from server.works.listing import listing
from server.works.once import answered, once, remember
from server.works.schema import LogIn, Revision, StaleOut, WorkOut, Works

router = Router(tags=["journal"])
router.add_decorator(csrf_protect, mode="view")
CheckNumber = Annotated[int, Path(ge=1, le=2**63 - 1)]
_NO: dict[int, Any] = {400: Problems, 403: Problems, 404: Problems, 413: Problems, 415: Problems, 422: Problems}


@router.post("/works/demo", response={200: Works, 403: Problems}, operation_id="add_demo_works")
@decorate_view(once)
def add_demo(request: HttpRequest) -> HttpResponse:
    """Puts the demo works on the shelf, each at its stage."""
    add_demo_works()
    return answer(listing("", "touched", 0, 30, deleted=False))


@router.get("/written", response={200: WrittenList, **_NO}, operation_id="search_written")
def search_written(
    request: HttpRequest, search: Annotated[str, Query(max_length=200, pattern=r"^[^\x00]*$")] = ""
) -> HttpResponse:
    """Everything that is written down with those words: names, notes, faults, checks, photographs, swatches, cloths."""
    return answer(written(search))


@router.get("/works/{key}/last", response={200: LastTime, **_NO}, operation_id="last_time")
def read_last_time(request: HttpRequest, key: str) -> HttpResponse:
    """What was done last time with the cloths, kinds, things and swatches of a work."""
    return answer(last_time(key))


@router.get("/works/{key}/log", response={200: s.LogOut, **_NO}, operation_id="read_log", by_alias=True)
def read_log(request: HttpRequest, key: str) -> HttpResponse:
    """The log of a work: planned against sewn, its words, its photographs."""
    return answer(services.log_of(key))


@router.patch("/works/{key}/log", response={200: WorkOut, 409: StaleOut, **_NO}, operation_id="write_log")
@decorate_view(once)
def write_log(request: HttpRequest, key: str, given: LogIn) -> HttpResponse:
    """Changes the words of the log."""
    said = given.model_dump(exclude={"revision", "run"}, exclude_unset=True)
    words = {name: value for name, value in said.items() if value is not None}

    def edit(kept: Document) -> Document:
        return {**kept, "log": works.with_words(kept["log"], words)}

    place = f"log.{'.'.join(words)}/{given.run}"
    yours = given.model_dump(mode="json", exclude_unset=True)
    says = "the log" if len(words) != 1 else f"the {next(iter(words))} of the log"
    return answer(works.told(works.change(key, yours, says, edit, place, in_run=bool(given.run))))


@router.post("/works/{key}/checks", response={200: WorkOut, 409: StaleOut, **_NO}, operation_id="keep_check")
@decorate_view(once)
def keep_check(request: HttpRequest, key: str, given: s.CheckTaken) -> HttpResponse:
    """Keeps a check; with `take` its correction goes into the plan, as a change that can be taken back."""
    return answer(
        services.add_check(
            key,
            given.section,
            [str(text) for text in given.measured],
            given.revision,
            take=given.take,
            level=given.level,
        )
    )


@router.delete(
    "/works/{key}/checks/{number}", response={200: WorkOut, 409: StaleOut, **_NO}, operation_id="strike_check"
)
@decorate_view(once)
def strike_check(request: HttpRequest, key: str, number: CheckNumber, revision: Revision) -> HttpResponse:
    """Strikes a check, and what it put into the plan; undo brings both back."""
    return answer(services.strike_check(key, number, revision))


@router.post("/works/{key}/again", response={201: WorkOut, **_NO}, operation_id="make_again")
@decorate_view(once)
def make_again(request: HttpRequest, key: str) -> HttpResponse:
    """Makes a new work like this one, with its lessons beside it."""
    return answer(works.told(services.again(key)), 201)


@router.get("/works/{key}/places", response={200: list[s.PlaceOut], **_NO}, operation_id="read_places")
def read_places(request: HttpRequest, key: str) -> HttpResponse:
    """How far the marking of each piece has come."""
    return answer(services.places_of(key))


@router.put("/works/{key}/places/{section}", response={200: s.PlaceOut, **_NO}, operation_id="put_place")
@decorate_view(once)
def put_place(request: HttpRequest, key: str, section: str, given: s.PlaceIn) -> HttpResponse:
    """Notes how far the marking of one piece has come."""
    return answer(services.put_place(key, section, given.model_dump()))


@router.post("/works/{key}/photographs", response={200: s.LogOut, **_NO}, operation_id="add_photograph", by_alias=True)
def add_photograph(
    request: HttpRequest, key: str, photograph: File[UploadedFile], says: Form[str] = ""
) -> HttpResponse:
    """Adds a photograph, drawn anew without whatever else its file held."""
    name = photograph.name or "photograph"
    earlier = answered(request)
    if earlier is not None:
        return earlier
    services.room_for_photograph(key, name)
    photographs.fits(photograph.size or 0, name)
    drawn = photographs.redrawn(photograph.read(), name)  # before anything is held in the database
    with transaction.atomic():
        response = answered(request)
        if response is None:
            response = answer(services.add_photograph(key, drawn, name, says))
            remember(request, response)
    return response


@router.delete(
    "/works/{key}/photographs/{photograph}",
    response={200: s.LogOut, **_NO},
    operation_id="drop_photograph",
    by_alias=True,
)
@decorate_view(once)
def drop_photograph(request: HttpRequest, key: str, photograph: str) -> HttpResponse:
    """Removes a photograph."""
    return answer(services.drop_photograph(key, photograph))


@router.post(
    "/works/{key}/photographs/{photograph}/bring-back",
    response={200: s.LogOut, **_NO},
    operation_id="bring_photograph_back",
    by_alias=True,
)
@decorate_view(once)
def bring_photograph_back(request: HttpRequest, key: str, photograph: str) -> HttpResponse:
    """Puts a photograph that was taken away back into the log, as it was."""
    return answer(services.bring_photograph_back(key, photograph))


@router.get("/photographs/{key}", response=_NO, operation_id="photograph", openapi_extra=described("image/jpeg"))
def photograph(request: HttpRequest, key: str) -> HttpResponse:
    """The picture itself."""
    kept = get_object_or_404(Photograph, pk=key)
    path = photographs.path_of(kept.file)
    if path is None:
        raise Http404
    response = HttpResponse(path.read_bytes(), content_type="image/jpeg")
    response["Cache-Control"] = "private, max-age=31536000, immutable"
    return response


@router.get("/works/{key}/remains", response={200: s.RemainsOut, **_NO}, operation_id="remains")
def remains(request: HttpRequest, key: str) -> HttpResponse:
    """What is lost with a work that is deleted for good."""
    return answer(services.remains_of(key))


@router.post("/works/{key}/discard", response={204: None, **_NO}, operation_id="discard_work")
@decorate_view(once)
def discard_work(request: HttpRequest, key: str) -> HttpResponse:
    """Deletes a work for good that was put among the deleted ones, with its pieces, history, checks, log and photographs."""
    services.discard(key)
    return HttpResponse(status=204)


@router.get("/works/{key}/file", response=_NO, operation_id="work_file", openapi_extra=described("application/json"))
def work_file(request: HttpRequest, key: str) -> HttpResponse:
    """A work as one open file."""
    data, name = openfile.open_file_of(key)
    return attached(data, name, "application/json")


@router.post("/files", response={201: WorkOut, **_NO}, operation_id="take_in_work")
@decorate_view(once)
def take_in_work(request: HttpRequest, file: File[UploadedFile]) -> HttpResponse:
    """Makes a new work from an open file; of a bad one every problem is told, and nothing is made."""
    name = file.name or "file"
    openfile.fits(file.size or 0, name)
    return answer(works.told(openfile.taken_in(file.read(), name)), 201)


@router.get("/ribbon.schema.json", operation_id="file_schema")
def file_schema(request: HttpRequest) -> HttpResponse:
    """The JSON Schema of the open file."""
    return answer(openfile.schema())
