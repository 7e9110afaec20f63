"""The addresses of the swatch book.  Every write needs this site's own token and names the revision it saw."""

from __future__ import annotations

from typing import Any

from django.db import transaction
from django.http import Http404, HttpRequest, HttpResponse
from django.views.decorators.csrf import csrf_protect
from ninja import File, Router
from ninja.decorators import decorate_view
from ninja.files import UploadedFile

from server.pictures import photographs
from server.shelf import schema as of_shelf
from server.swatches import attachment, services
from server.swatches import schema as s
from server.swatches.models import BookSwatch
from server.swatches.sheet import read_book, write_book
from server.wire.files import attached, described
from server.wire.json import answer
from server.wire.problems import Problems
from server.wire.unreadable import told_apart
from server.works.once import answered, once, remember

router = Router(tags=["swatches"])
router.add_decorator(csrf_protect, mode="view")
_NO: dict[int, Any] = {400: Problems, 403: Problems, 404: Problems, 413: Problems, 415: Problems, 422: Problems}


def _one(swatch: BookSwatch) -> dict[str, Any]:
    return services.book([swatch])[0]


@router.get("", response={200: s.SwatchesOut}, operation_id="list_swatches")
def list_swatches(request: HttpRequest) -> HttpResponse:
    """The book, by cloth."""
    swatches, unreadable = services.whole_book(list(BookSwatch.objects.all()[: services.MOST]))
    return answer({"swatches": swatches, "unreadable": unreadable})


@router.post("", response={201: s.SwatchRow, **_NO}, operation_id="put_swatch")
@decorate_view(once)
def put_swatch(request: HttpRequest, new: s.NewSwatch) -> HttpResponse:
    """Puts a new swatch into the book."""
    return answer(_one(services.put_in(new.cloth, new.kind, new.unit, new.spec)), 201)


@router.post("/sampler", response={200: s.SamplerOut, **_NO}, operation_id="sampler")
def plan_sampler(request: HttpRequest, said: s.SamplerIn) -> HttpResponse:
    """Settings of an attachment to try on one strip, and what they made once they are measured.  Stateless."""
    return answer(attachment.sampler_of(said))


@router.get("/table", response={403: Problems}, operation_id="swatches_table", openapi_extra=described("text/csv"))
def swatches_table(request: HttpRequest) -> HttpResponse:
    """The book as a table of text."""
    rows, _ = told_apart(
        BookSwatch.objects.all(),
        lambda one: s.NewSwatch.model_validate(
            {"cloth": one.cloth, "kind": one.kind, "unit": one.unit, "spec": one.spec}
        ),
    )
    return attached(write_book(rows), "swatch-book.csv", "text/csv; charset=utf-8")


@router.post("/table", response={200: of_shelf.TableOut, **_NO}, operation_id="take_in_swatches")
@decorate_view(once)
def take_in_swatches(request: HttpRequest, sheet: s.BookIn) -> HttpResponse:
    """Puts a table of swatches into the book; wrong rows are told by their lines."""
    right, wrong = read_book(sheet.text)
    rows = right if sheet.keep_good or not wrong else []
    with transaction.atomic():
        for row in rows:
            services.put_in(row.cloth, row.kind, row.unit, row.spec)
    return answer({"right": len(right), "added": len(rows), "wrong": [one._asdict() for one in wrong]})


@router.put("/{key}", response={200: s.SwatchRow, **_NO}, operation_id="change_swatch")
@decorate_view(once)
def change_swatch(request: HttpRequest, key: str, now: s.SwatchChange) -> HttpResponse:
    """Changes the facts of a swatch."""
    return answer(_one(services.change(key, now.revision, now.cloth, now.kind, now.unit, now.spec)))


@router.delete("/{key}", response={204: None, **_NO}, operation_id="remove_swatch")
@decorate_view(once)
def remove_swatch(request: HttpRequest, key: str, revision: of_shelf.Revision) -> HttpResponse:
    """Takes a swatch out of the book."""
    services.remove(key, revision)
    return HttpResponse(status=204)


@router.post("/{key}/bring-back", response={200: s.SwatchRow, **_NO}, operation_id="bring_swatch_back")
@decorate_view(once)
def bring_swatch_back(request: HttpRequest, key: str) -> HttpResponse:
    """Puts a swatch that was removed back into the book, as it was."""
    return answer(_one(services.bring_back(key)))


@router.post("/{key}/taken", response={200: s.TakenOut, **_NO}, operation_id="take_swatch")
def take_swatch(request: HttpRequest, key: str, said: s.TakeIn) -> HttpResponse:
    """A section with what this swatch decides in it.  Stateless: what becomes of it is the caller's."""
    section, says = services.taken(services.found(key), said.section)
    return answer({"section": section.model_dump(mode="json", exclude_unset=True), "says": says})


@router.post("/{key}/wanted", response={200: s.WantedOut, **_NO}, operation_id="wanted_of_swatch")
def wanted_of_swatch(request: HttpRequest, key: str, said: s.WantedIn) -> HttpResponse:
    """How to set the attachment of this swatch for a wanted ratio.  Stateless."""
    return answer(attachment.wanted_of(services.found(key), said))


@router.post("/{key}/picture", response={200: s.SwatchRow, **_NO}, operation_id="picture_swatch")
def picture_swatch(request: HttpRequest, key: str, photograph: File[UploadedFile]) -> HttpResponse:
    """Puts a photograph of the swatch into the book, drawn anew and small."""
    name = photograph.name or "photograph"
    earlier = answered(request)
    if earlier is not None:
        return earlier
    services.found(key)
    photographs.fits(photograph.size or 0, name)
    picture = services.picture_of(photograph.read(), name)  # before anything is held in the database
    with transaction.atomic():
        response = answered(request)
        if response is None:
            response = answer(_one(services.put_picture(key, picture)))
            remember(request, response)
    return response


@router.delete("/{key}/picture", response={200: s.SwatchRow, **_NO}, operation_id="drop_swatch_picture")
@decorate_view(once)
def drop_swatch_picture(request: HttpRequest, key: str) -> HttpResponse:
    """Takes the photograph of a swatch away."""
    return answer(_one(services.put_picture(key, None)))


@router.get("/{key}/picture", response=_NO, operation_id="swatch_picture", openapi_extra=described("image/jpeg"))
def swatch_picture(request: HttpRequest, key: str) -> HttpResponse:
    """The picture itself."""
    swatch = services.found(key)
    if swatch.picture is None:
        raise Http404
    response = HttpResponse(bytes(swatch.picture), content_type="image/jpeg")
    response["Cache-Control"] = "private, no-cache"
    return response
