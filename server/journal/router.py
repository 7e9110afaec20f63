"""The addresses of the journal, of the open file and of backups."""

from __future__ import annotations

from typing import Any

from django.http import Http404, HttpRequest, HttpResponse
from django.views.decorators.csrf import csrf_protect
from ninja import File, Form, Router
from ninja.files import UploadedFile

from server.journal import backup, openfile, photographs, services
from server.journal import schema as s
from server.journal.demo import add_demo_works
from server.wire.files import attached, described
from server.wire.json import answer
from server.wire.problems import Problems
from server.works import services as works
from server.works.listing import listing
from server.works.schema import StaleOut, WorkOut, Works

router = Router(tags=["journal"])
router.add_decorator(csrf_protect, mode="view")
_NO: dict[int, Any] = {400: Problems, 403: Problems, 404: Problems, 413: Problems, 422: Problems}


@router.post("/works/demo", response={200: Works, 403: Problems}, operation_id="add_demo_works")
def add_demo(request: HttpRequest) -> HttpResponse:
    """Puts the demo works on the shelf, each at its stage."""
    add_demo_works()
    return answer(listing("", "touched", 0, 30, deleted=False))


@router.get("/works/{key}/log", response={200: s.LogOut, **_NO}, operation_id="read_log", by_alias=True)
def read_log(request: HttpRequest, key: str) -> HttpResponse:
    """The log of a work: planned against sewn, its words, its photographs."""
    return answer(services.log_of(key))


@router.patch("/works/{key}/log", response={200: s.LogOut, **_NO}, operation_id="write_log", by_alias=True)
def write_log(request: HttpRequest, key: str, given: s.LogIn) -> HttpResponse:
    """Other words for the log."""
    words = {name: value for name, value in given.model_dump().items() if value is not None}
    return answer(services.write_log(key, words))


@router.post("/works/{key}/checks", response={200: WorkOut, 409: StaleOut, **_NO}, operation_id="keep_check")
def keep_check(request: HttpRequest, key: str, given: s.CheckTaken) -> HttpResponse:
    """Keeps a check; with `take` its correction goes into the plan, as a change that can be taken back."""
    return answer(
        services.add_check(key, given.section, [str(text) for text in given.measured], given.revision, take=given.take)
    )


@router.post("/works/{key}/again", response={201: WorkOut, **_NO}, operation_id="make_again")
def make_again(request: HttpRequest, key: str) -> HttpResponse:
    """A new work like this one, with its lessons beside it."""
    return answer(works.told(services.again(key)), 201)


@router.get("/works/{key}/places", response={200: list[s.PlaceOut], **_NO}, operation_id="read_places")
def read_places(request: HttpRequest, key: str) -> HttpResponse:
    """Where the marking of each piece stands."""
    return answer(services.places_of(key))


@router.put("/works/{key}/places/{section}", response={200: s.PlaceOut, **_NO}, operation_id="put_place")
def put_place(request: HttpRequest, key: str, section: str, given: s.PlaceIn) -> HttpResponse:
    """Where the marking of one piece stands now."""
    return answer(services.put_place(key, section, given.model_dump()))


@router.post("/works/{key}/photographs", response={200: s.LogOut, **_NO}, operation_id="add_photograph", by_alias=True)
def add_photograph(
    request: HttpRequest, key: str, photograph: File[UploadedFile], says: Form[str] = ""
) -> HttpResponse:
    """One more photograph, drawn anew without what else its file held."""
    name = photograph.name or "photograph"
    photographs.fits(photograph.size or 0, name)
    return answer(services.add_photograph(key, photograph.read(), name, says))


@router.delete(
    "/works/{key}/photographs/{photograph}",
    response={200: s.LogOut, **_NO},
    operation_id="drop_photograph",
    by_alias=True,
)
def drop_photograph(request: HttpRequest, key: str, photograph: str) -> HttpResponse:
    """A photograph less."""
    return answer(services.drop_photograph(key, photograph))


@router.get("/photographs/{key}", response=_NO, operation_id="photograph", openapi_extra=described("image/jpeg"))
def photograph(request: HttpRequest, key: str) -> HttpResponse:
    """The picture itself."""
    data = photographs.read(key)
    if data is None:
        raise Http404
    return HttpResponse(data, content_type="image/jpeg")


@router.get("/works/{key}/file", response=_NO, operation_id="work_file", openapi_extra=described("application/json"))
def work_file(request: HttpRequest, key: str) -> HttpResponse:
    """A work as one open file."""
    data, name = openfile.written(key)
    return attached(data, name, "application/json")


@router.post("/files", response={201: WorkOut, **_NO}, operation_id="take_in_work")
def take_in_work(request: HttpRequest, file: File[UploadedFile]) -> HttpResponse:
    """A new work from an open file; a bad one is told problem by problem and nothing is made."""
    name = file.name or "file"
    openfile.fits(file.size or 0, name)
    return answer(works.told(openfile.taken_in(file.read(), name)), 201)


@router.get("/ribbon.schema.json", operation_id="file_schema")
def file_schema(request: HttpRequest) -> HttpResponse:
    """The JSON Schema of the open file."""
    return answer(openfile.schema())


@router.get("/backup", response=_NO, operation_id="backup", openapi_extra=described("application/zip"))
def take_backup(request: HttpRequest) -> HttpResponse:
    """Everything in one file."""
    data, name = backup.backup()
    return attached(data, name, "application/zip")


@router.post("/backup", response={200: s.RestoredOut, **_NO}, operation_id="restore_backup")
def restore_backup(request: HttpRequest, file: File[UploadedFile]) -> HttpResponse:
    """Everything from one file, in place of what is here; a file that is no backup changes nothing."""
    found = backup.restore(file, file.name or "file", file.size or 0)  # type: ignore[arg-type]
    says = f"{found['works']} works, {found['cloths']} cloths and {found['photographs']} photographs are back."
    return answer({**found, "says": says})
