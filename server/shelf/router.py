"""The addresses of the cloth shelf.  Every write needs this site's own token and names the revision it saw."""

from __future__ import annotations

from typing import Any

from django.http import HttpRequest, HttpResponse
from django.views.decorators.csrf import csrf_protect
from ninja import Router
from ninja.decorators import decorate_view

from server.shelf import schema as s
from server.shelf import services
from server.shelf.models import Cloth
from server.shelf.sheet import SheetRow, write_sheet
from server.wire.cloth import ClothSpec
from server.wire.files import attached, described
from server.wire.json import answer
from server.wire.problems import Problems
from server.wire.unreadable import told_apart
from server.works.once import once

router = Router(tags=["shelf"])
router.add_decorator(csrf_protect, mode="view")
_NO: dict[int, Any] = {400: Problems, 403: Problems, 404: Problems, 413: Problems, 415: Problems, 422: Problems}


def _spec(given: ClothSpec) -> dict[str, Any]:
    return given.model_dump(mode="json", exclude_unset=True, exclude_none=True)


@router.get("", response={200: s.ClothsOut}, operation_id="list_cloths")
def list_cloths(request: HttpRequest) -> HttpResponse:
    """The shelf, by name; what of it can no longer be read is told apart."""
    cloths, unreadable = told_apart(Cloth.objects.prefetch_related("movements")[:2000], services.told)
    return answer({"cloths": cloths, "unreadable": unreadable})


@router.post("", response={201: s.ClothRow, **_NO}, operation_id="put_cloth")
@decorate_view(once)
def put_cloth(request: HttpRequest, new: s.NewCloth) -> HttpResponse:
    """Puts a new cloth on the shelf."""
    return answer(services.told(services.put_on_shelf(new.name, new.unit, _spec(new.spec))), 201)


@router.get("/table", response={403: Problems}, operation_id="cloths_table", openapi_extra=described("text/csv"))
def cloths_table(request: HttpRequest) -> HttpResponse:
    """The shelf as a table of text."""
    rows, _ = told_apart(Cloth.objects.all(), _in_table)
    return attached(write_sheet(rows), "cloth-shelf.csv", "text/csv; charset=utf-8")


def _in_table(cloth: Cloth) -> SheetRow:
    ClothSpec.model_validate(cloth.spec)
    return SheetRow(cloth.name, cloth.unit, cloth.spec)


@router.post("/table", response={200: s.TableOut, **_NO}, operation_id="take_in_cloths")
@decorate_view(once)
def take_in_cloths(request: HttpRequest, sheet: s.TableIn) -> HttpResponse:
    """Puts a table of cloths on the shelf; wrong rows are told by their lines."""
    return answer(services.take_in(sheet.text, keep_good=sheet.keep_good))


@router.get("/prices", response={200: s.PricesOut}, operation_id="prices")
def supplier_prices(request: HttpRequest) -> HttpResponse:
    """The supplier's list, from a file that its owner can replace."""
    where, rows, wrong = services.prices()
    return answer(
        {"where": where, "cloths": [row._asdict() for row in rows], "wrong": [one._asdict() for one in wrong]}
    )


@router.put("/{key}", response={200: s.ClothRow, **_NO}, operation_id="change_cloth")
@decorate_view(once)
def change_cloth(request: HttpRequest, key: str, now: s.ClothChange) -> HttpResponse:
    """Changes the facts of a cloth."""
    return answer(services.told(services.change(key, now.revision, now.name, now.unit, _spec(now.spec))))


@router.delete("/{key}", response={204: None, **_NO}, operation_id="remove_cloth")
@decorate_view(once)
def remove_cloth(request: HttpRequest, key: str, revision: s.Revision) -> HttpResponse:
    """Removes a cloth from the shelf."""
    services.remove(key, revision)
    return HttpResponse(status=204)


@router.post("/{key}/bring-back", response={200: s.ClothRow, **_NO}, operation_id="bring_cloth_back")
@decorate_view(once)
def bring_cloth_back(request: HttpRequest, key: str) -> HttpResponse:
    """Puts a cloth that was removed back on the shelf, as it was."""
    return answer(services.told(services.bring_back(key)))


@router.post("/{key}/take", response={200: s.MovedRow, **_NO}, operation_id="take_cloth")
@decorate_view(once)
def take_cloth(request: HttpRequest, key: str, moved: s.Moved) -> HttpResponse:
    """Takes a length from the shelf for a work."""
    return _moved(key, moved, back=False)


@router.post("/{key}/give", response={200: s.MovedRow, **_NO}, operation_id="give_cloth")
@decorate_view(once)
def give_cloth(request: HttpRequest, key: str, moved: s.Moved) -> HttpResponse:
    """Gives a length back to the shelf."""
    return _moved(key, moved, back=True)


def _moved(key: str, moved: s.Moved, *, back: bool) -> HttpResponse:
    cloth, taken = services.move_length(key, moved.revision, str(moved.length), moved.work, str(moved.taken), back=back)
    return answer({**services.told(cloth), "taken": taken})
