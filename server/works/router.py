"""The addresses of works.  Every write needs this site's own token, names the revision it saw, and can be taken back."""

from __future__ import annotations

from typing import Annotated, Any

from django.http import Http404, HttpRequest, HttpResponse
from django.views.decorators.csrf import csrf_protect
from ninja import Path, Query, Router
from ninja.decorators import decorate_view
from pydantic import BaseModel, Field

from ribbon.cloth import FACE, LINING
from ribbon.errors import refuse
from server.making.kept import resolved, times_of
from server.wire.json import answer
from server.wire.problems import Problems
from server.wire.unreadable import UNREADABLE
from server.works import schema as s
from server.works import services
from server.works.cloths import roles_of
from server.works.history import Document
from server.works.listing import listing
from server.works.once import once
from server.works.units import habit_of, work_in_unit
from server.works.ways import keep_ways, ways

router = Router(tags=["works"])
router.add_decorator(csrf_protect, mode="view")

ClothRole = Annotated[str, Path(pattern=r"^[a-z][a-z0-9 -]{0,23}$")]
_READ: dict[int, Any] = {200: s.WorkOut, 404: Problems, 422: Problems}
_WRITE: dict[int, Any] = {
    200: s.WorkOut,
    400: Problems,
    403: Problems,
    404: Problems,
    409: s.StaleOut,
    413: Problems,
    415: Problems,
    422: Problems,
}
_MADE: dict[int, Any] = {
    201: s.WorkOut,
    400: Problems,
    403: Problems,
    404: Problems,
    413: Problems,
    415: Problems,
    422: Problems,
}


def _typed(given: BaseModel) -> dict[str, Any]:
    return given.model_dump(mode="json", exclude_unset=True)


_spec = _typed


@router.get("", response={200: s.Works, 422: Problems}, operation_id="list_works")
def list_works(
    request: HttpRequest,
    search: Annotated[str, Query(max_length=200, pattern=r"^[^\x00]*$")] = "",
    sort: s.Sort = "touched",
    offset: Annotated[int, Field(ge=0, le=1_000_000)] = 0,
    limit: Annotated[int, Field(ge=1, le=100)] = 30,
    deleted: bool = False,
) -> HttpResponse:
    """A page of works, the last touched first unless asked otherwise."""
    return answer(listing(search, sort, offset, limit, deleted=deleted))


@router.post("", response=_MADE, operation_id="create_work")
@decorate_view(once)
def create_work(request: HttpRequest, new: s.NewWork) -> HttpResponse:
    """Makes a new work."""
    sections = [{"name": section.name, "spec": _spec(section.spec)} for section in new.sections]
    cloths = {role: _typed(cloth) for role, cloth in new.cloths.items()}
    thing = None if new.thing is None else _typed(new.thing)
    return answer(services.told(services.create(new.name, new.purpose, sections, None, cloths, thing)), 201)


@router.get("/ways", response={200: s.WaysOut}, operation_id="read_ways")
def read_ways(request: HttpRequest) -> HttpResponse:
    """What the sewist is used to: the default of each new work."""
    return answer(ways())


@router.put(
    "/ways",
    response={200: s.WaysOut, 400: Problems, 403: Problems, 413: Problems, 415: Problems, 422: Problems},
    operation_id="change_ways",
)
@decorate_view(once)
def change_ways(request: HttpRequest, given: s.WaysIn) -> HttpResponse:
    """Changes what the sewist is used to; works that are there stay as they are."""
    return answer(keep_ways(given.ways, given.revision))


@router.post(
    "/order",
    response={200: s.Works, 400: Problems, 403: Problems, 413: Problems, 415: Problems, 422: Problems},
    operation_id="order_works",
)
@decorate_view(once)
def order_works(request: HttpRequest, order: s.WorksOrder) -> HttpResponse:
    """Puts the works in a person's own order."""
    services.put_in_order(order.works)
    return answer(listing("", "own", 0, 30, deleted=False))


@router.get("/{key}", response=_READ, operation_id="read_work")
def read_work(request: HttpRequest, key: str) -> HttpResponse:
    """One work."""
    work = services.find(key)
    try:
        return answer(services.told(work))
    except UNREADABLE as error:
        raise refuse(
            "unreadable",
            "",
            work.name,
            f"this work cannot be read here: {str(error)[:200]}",
            "take it as a file from the list of works, or bring a backup back",
        ) from None


@router.get("/{key}/ready", response={200: s.ReadyWork, 404: Problems, 422: Problems}, operation_id="ready_work")
def ready_work(request: HttpRequest, key: str) -> HttpResponse:
    """One work with what its ties come to in their place, as it goes to the table and onto paper."""
    work = services.find(key)
    told = services.told(work)
    specs = resolved(work.thing, work.cloths, [one["spec"] for one in told["sections"]])
    times = times_of(work.thing, work.cloths)
    sections = [
        {**one, "spec": spec, "times": times if spec.get("edge") else 1}
        for one, spec in zip(told["sections"], specs, strict=True)
    ]
    return answer(
        {
            **{name: told[name] for name in ("key", "name", "purpose", "cloths", "colours", "thing")},
            "sections": sections,
        }
    )


@router.patch("/{key}", response=_WRITE, operation_id="change_work")
@decorate_view(once)
def change_work(request: HttpRequest, key: str, given: s.WorkChange) -> HttpResponse:
    """Changes the name or the purpose of a work."""
    words = {name: value for name, value in (("name", given.name), ("purpose", given.purpose)) if value is not None}
    return _changed(key, given, "the name" if given.name else "the purpose", lambda kept: {**kept, **words}, "words")


@router.delete("/{key}", response=_WRITE, operation_id="delete_work")
@decorate_view(once)
def delete_work(request: HttpRequest, key: str, revision: s.Revision) -> HttpResponse:
    """Puts a work among the deleted ones, from where it can be restored whole."""
    return answer(services.told(services.delete(key, {"revision": revision})))


@router.post("/{key}/restore", response=_READ | {403: Problems}, operation_id="restore_work")
@decorate_view(once)
def restore_work(request: HttpRequest, key: str) -> HttpResponse:
    """Brings a deleted work back."""
    return answer(services.told(services.restore(key)))


@router.post("/{key}/duplicate", response=_MADE, operation_id="duplicate_work")
@decorate_view(once)
def duplicate_work(request: HttpRequest, key: str) -> HttpResponse:
    """Makes a new work like this one."""
    return answer(services.told(services.duplicate(key)), 201)


@router.post("/{key}/undo", response=_WRITE, operation_id="undo")
@decorate_view(once)
def undo(request: HttpRequest, key: str, seen: s.Seen) -> HttpResponse:
    """Takes the last change back."""
    return answer(services.told(services.step_through(key, seen.model_dump(), back=True)))


@router.post("/{key}/redo", response=_WRITE, operation_id="redo")
@decorate_view(once)
def redo(request: HttpRequest, key: str, seen: s.Seen) -> HttpResponse:
    """Makes the last undone change again."""
    return answer(services.told(services.step_through(key, seen.model_dump(), back=False)))


@router.post("/{key}/settle", response=_WRITE, operation_id="settle")
@decorate_view(once)
def settle(request: HttpRequest, key: str, given: s.Settled) -> HttpResponse:
    """Keeps one of two versions of a work; undo brings the other."""
    sections = {one.key: (one.name, _spec(one.spec)) for one in given.sections}

    def mine(kept: Document) -> Document:
        found = {**kept, "log": services.with_words(kept["log"], given.log.model_dump(exclude_unset=True))}
        for section, (name, spec) in sections.items():
            if services.section_of(found, section) is None:  # it was taken away elsewhere
                found = _added(found, name, spec, named=section)
            else:
                found = services.with_section(found, section, name=name, spec=spec)
        if given.thing:
            found = {**found, "thing": _typed(given.thing[0])}
        for role, cloth in given.cloths.items():
            found = {**found, "cloths": {**found["cloths"], role: _typed(cloth)}}
        return _with_seam(found, given.seam[0]) if given.seam else found

    yours = given.model_dump(mode="json", exclude_unset=True)
    return answer(services.told(services.settle(key, yours, mine, keep_mine=given.keep == "mine")))


@router.post("/{key}/unit", response=_WRITE, operation_id="change_unit")
@decorate_view(once)
def change_unit(request: HttpRequest, key: str, given: s.UnitChange) -> HttpResponse:
    """Changes the unit of the whole work; no value changes."""
    return _changed(key, given, f"the unit, to {given.unit}", lambda kept: work_in_unit(kept, given.unit))


@router.post("/{key}/seam", response=_WRITE, operation_id="change_seam")
@decorate_view(once)
def change_seam(request: HttpRequest, key: str, given: s.SeamChange) -> HttpResponse:
    """Changes the seam allowance of the whole work; an end or a join that has one of its own keeps it."""
    seam = None if given.seam is None else str(given.seam)
    place = f"seam/{given.run}"
    return _changed(
        key, given, "the seam allowance", lambda kept: _with_seam(kept, seam), place, in_run=bool(given.run)
    )


@router.put("/{key}/thing", response=_WRITE, operation_id="change_thing")
@decorate_view(once)
def change_thing(request: HttpRequest, key: str, given: s.ThingOfWork) -> HttpResponse:
    """Changes the thing of a work, its edges with it; null leaves a free set of edges, as they are."""

    def edit(kept: Document) -> Document:
        if given.thing is not None:
            habit = None if kept["thing"] else habit_of(kept)
            return {**kept, "thing": {**({"habit": habit} if habit else {}), **_typed(given.thing)}}
        sections = [{**part, "spec": spec} for part, spec in zip(kept["sections"], _free(kept), strict=True)]
        return {**kept, "thing": None, "sections": sections}

    place = f"thing/{given.field}/{given.run}" if given.field else ""
    words = " ".join(given.field.split(".")[1:]).replace("_", " ") or "what is made"
    return _changed(key, given, words, edit, place, in_run=bool(given.run))


@router.put("/{key}/cloths/{role}", response=_WRITE, operation_id="change_cloth_of_work")
@decorate_view(once)
def change_cloth(request: HttpRequest, key: str, role: ClothRole, given: s.ClothOfWork) -> HttpResponse:
    """Changes the cloth of one role of a work; null removes it where no piece names it."""

    def edit(kept: Document) -> Document:
        cloths = {name: cloth for name, cloth in kept["cloths"].items() if name != role}
        if given.spec is None:
            if any(role in roles_of(part["spec"]) for part in kept["sections"]) and role not in (FACE, LINING):
                raise refuse(
                    "in_use", "role", role, "a piece is cut from this cloth", "give the piece another cloth first"
                )
            return {**kept, "cloths": cloths}
        return {**kept, "cloths": {**kept["cloths"], role: _typed(given.spec)}}

    place = f"cloth.{role}/{given.field}/{given.run}" if given.field else ""
    says = f"{_said(given.field)} of the {role}" if given.field else f"the {role}"
    return _changed(key, given, says, edit, place, in_run=bool(given.run))


@router.post("/{key}/order", response=_WRITE, operation_id="order_sections")
@decorate_view(once)
def order_sections(request: HttpRequest, key: str, given: s.Order) -> HttpResponse:
    """Puts the sections in another order."""

    def edit(kept: Document) -> Document:
        by_key = {part["key"]: part for part in kept["sections"]}
        if sorted(by_key) != sorted(given.sections):
            said = ", ".join(given.sections[:8])
            raise refuse(
                "not_all",
                "sections",
                said,
                "the order does not name every piece once",
                "name each piece of the work once",
            )
        return {**kept, "sections": [by_key[name] for name in given.sections]}

    return _changed(key, given, "the order of the pieces", edit)


@router.post("/{key}/sections", response=_WRITE, operation_id="add_section")
@decorate_view(once)
def add_section(request: HttpRequest, key: str, given: s.AddSection) -> HttpResponse:
    """Adds a section at the end."""
    return _changed(key, given, f"adding {given.name}", lambda kept: _added(kept, given.name, _spec(given.spec)))


@router.put("/{key}/sections/{section}", response=_WRITE, operation_id="change_section")
@decorate_view(once)
def change_section(request: HttpRequest, key: str, section: str, given: s.SectionChange) -> HttpResponse:
    """Changes the facts or the name of a section."""
    values: dict[str, Any] = {} if given.name is None else {"name": given.name}
    if given.spec is not None:
        values["spec"] = _spec(given.spec)

    def edit(kept: Document) -> Document:
        _there(kept, section)
        return services.with_section(kept, section, **values)

    place = f"{section}/{given.field}/{given.run}" if given.field else ""
    return _changed(key, given, _said(given.field), edit, place, in_run=bool(given.run))


@router.delete("/{key}/sections/{section}", response=_WRITE, operation_id="delete_section")
@decorate_view(once)
def delete_section(request: HttpRequest, key: str, section: str, revision: s.Revision) -> HttpResponse:
    """Removes a section; undo brings it back."""

    def edit(kept: Document) -> Document:
        _there(kept, section)
        return {**kept, "sections": [part for part in kept["sections"] if part["key"] != section]}

    return _changed(key, s.Seen(revision=revision), "removing a piece", edit)


@router.post("/{key}/sections/{section}/duplicate", response=_WRITE, operation_id="duplicate_section")
@decorate_view(once)
def duplicate_section(request: HttpRequest, key: str, section: str, seen: s.Seen) -> HttpResponse:
    """Adds a section like this one, next to it."""

    def edit(kept: Document) -> Document:
        like = _there(kept, section)
        names = [one["name"] for one in kept["sections"]]
        spec = _free(kept)[[one["key"] for one in kept["sections"]].index(section)]
        return _added(kept, services.numbered(like["name"], names), spec, section)

    return _changed(key, seen, "copying a piece", edit)


def _free(kept: Document) -> list[dict[str, Any]]:
    """The sections of a work as edges of their own: what they were tied to is in them."""
    specs = resolved(kept["thing"], kept["cloths"], [part["spec"] for part in kept["sections"]])
    return [{name: value for name, value in spec.items() if name not in ("edge", "mirrors")} for spec in specs]


def _with_seam(kept: Document, seam: Any) -> Document:
    def sewn(spec: dict[str, Any]) -> dict[str, Any]:
        return {**spec, "allowance": {**(spec.get("allowance") or {}), "seam": seam}}

    thing = {**kept["thing"], "seam": seam} if kept["thing"] else None
    return {**kept, "thing": thing, "sections": [{**part, "spec": sewn(part["spec"])} for part in kept["sections"]]}


def _changed(key: str, given: s.Seen, says: str, edit: Any, place: str = "", *, in_run: bool = False) -> HttpResponse:
    yours = given.model_dump(mode="json", exclude_unset=True)
    return answer(services.told(services.change(key, yours, says, edit, place, in_run=in_run)))


def _said(field: str) -> str:
    """What a change to that field is called, such as "depth" or "depth of part 2"."""
    names = field.split(".")
    part = ""
    if names[0] == "parts" and len(names) > 2 and names[1].isdigit():
        part, names = f" of part {int(names[1]) + 1}", names[2:]
    words = " ".join(name for name in names if name != "pins").replace("_", " ")
    return f"{words}{part}" if words else "a piece"


def _there(kept: Document, section: str) -> dict[str, Any]:
    found = services.section_of(kept, section)
    if found is None:
        raise Http404
    return found


def _added(
    kept: Document, name: str, spec: dict[str, Any], after: str | None = None, named: str | None = None
) -> Document:
    own = spec.get("allowance") or {}
    seam = next((one["spec"].get("allowance", {}).get("seam") for one in kept["sections"]), None)
    if seam is not None and own.get("seam") is None:
        spec = {**spec, "allowance": {**own, "seam": seam}}  # that of the work
    habit = habit_of(kept)
    spec = {**({"habit": habit} if habit else {}), **spec}
    try:
        return services.with_new_section(kept, name, spec, after, named)
    except services.Full:
        most = services.MOST_SECTIONS
        raise refuse(
            "full", "sections", name, f"a work holds at most {most} pieces", "start another work for the rest"
        ) from None
