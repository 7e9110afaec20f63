"""The list of works."""

from __future__ import annotations

import time
from functools import lru_cache
from typing import Any, NamedTuple

import orjson
from django.db.models import Q, QuerySet
from pydantic import ValidationError

from ribbon.errors import Refusal
from server.making.answer import small_picture
from server.making.kept import lacking, resolved
from server.making.out import PictureOut
from server.plans.glance import Glance, glance_of
from server.wire.cloth import ClothSpec
from server.wire.colours import colour_of
from server.wire.read_edge import Given, read_section
from server.wire.section import SectionSpec
from server.wire.unreadable import UNREADABLE
from server.works.cloths import unhoused
from server.works.models import Work

# s of a core for all the small pictures of a page: past it the rest go without, and the shelf opens all the same.
_GLANCES = 0.8
_ORDERS = {"touched": ("-touched", "key"), "name": ("name", "key"), "own": ("position", "-touched", "key")}


def listing(search: str, sort: str, offset: int, limit: int, *, deleted: bool) -> dict[str, Any]:
    """A page of works."""
    kept: QuerySet[Work] = Work.objects.filter(deleted__isnull=not deleted)
    found = kept
    for word in search.split()[:8]:
        found = found.filter(Q(name__icontains=word) | Q(purpose__icontains=word) | Q(sections__name__icontains=word))
    if search.strip():
        found = found.distinct()
    page = found.order_by(*_ORDERS[sort]).prefetch_related("sections", "places", "checks")[offset : offset + limit]
    shelf = kept.count()
    until = time.thread_time() + _GLANCES
    return {
        "works": [_row(work, glanced=time.thread_time() < until) for work in page],
        "total": found.count() if search.strip() else shelf,
        "shelf": Work.objects.filter(deleted=None).count() if deleted else shelf,
        "deleted": shelf if deleted else Work.objects.exclude(deleted=None).count(),
    }


class Shown(NamedTuple):
    """What the list shows of a work: its first piece at a glance, its first step while nothing is begun, its small picture."""

    glance: Glance | None
    step: str
    picture: PictureOut | None


def _row(work: Work, *, glanced: bool) -> dict[str, Any]:
    try:
        return _row_of(work, glanced=glanced)
    except UNREADABLE:
        return _as_row(work, "take it as a file, for it cannot be read here", Shown(None, "", None))


def _row_of(work: Work, *, glanced: bool) -> dict[str, Any]:
    specs = [one.spec for one in work.sections.all()]
    shown = (
        _shown(orjson.dumps([work.name, work.thing, work.cloths, specs]))
        if glanced
        else Shown(None, "open it" if specs or work.thing else "Add a piece", None)
    )
    return _as_row(work, _stage(work, shown.step), shown)


def _as_row(work: Work, following: str, shown: Shown) -> dict[str, Any]:
    return {
        "key": work.key,
        "name": work.name,
        "purpose": work.purpose,
        "revision": work.revision,
        "touched": work.touched.isoformat(),
        "pieces": len(work.sections.all()),
        "next": following,
        "glance": shown.glance,
        "picture": shown.picture,
    }


def _colour(given: Given, of: str) -> str:
    """The colour of the cloth of an edge of the work `of` that name: its own, or that of its widest stripe."""
    bolt = given.cutting.bolt
    if bolt is not None and bolt.stripes:
        return max(bolt.stripes, key=lambda stripe: stripe.width.mm).colour
    cloth = given.spec.cloth.model_dump() if isinstance(given.spec.cloth, ClothSpec) else {}
    return colour_of(cloth, "face", of)


@lru_cache(maxsize=256)
def _shown(written: bytes) -> Shown:
    """The same for the same name, thing, cloths and pieces, which are `written` as JSON: reckoned once."""
    name, thing, cloths, specs = orjson.loads(written)
    lacks = lacking(thing, cloths) if thing else ""
    glance, step = None, ("Cut" if thing else "Add a piece")
    if specs:
        glance, step = _glance(unhoused(resolved(thing, cloths, specs)[0], cloths), name)
    own = {spec["edge"]: spec for spec in specs if spec.get("edge")}
    return Shown(glance, f"Measure: {lacks}" if lacks else step, small_picture(thing, cloths, own) if thing else None)


def _stage(work: Any, step: str) -> str:
    """What is next, by how far the making has come, which the rooms above keep beside a work."""
    if work.log.get("finished"):
        return "nothing, it is finished"
    checks = [one for one in work.checks.all() if not one.struck]
    places = list(work.places.all())
    if checks:
        return "Check: baste by the new marks and measure again" if checks[-1].taken else "Check"
    made = sum(place.at for place in places)
    folded = sum(place.folded for place in places)
    if folded:
        return f"Fold on: {folded} {'pleat' if folded == 1 else 'pleats'} folded"
    return f"Mark on: {made} {'mark' if made == 1 else 'marks'} made" if made and step == "Mark" else step


def _glance(spec: dict[str, Any], of: str) -> tuple[Glance | None, str]:
    try:
        given = read_section(SectionSpec.model_validate(spec))
    except (ValidationError, Refusal):
        return None, "Pleat: a figure could not be read"
    try:
        return glance_of(given.edge, _colour(given, of)), "Mark"
    except Refusal as refusal:
        return None, f"Pleat: {refusal.problems[0].message}"
