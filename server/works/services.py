"""Every write to a work: in one transaction, against the revision it was made to, and into its history."""

from __future__ import annotations

import re
from collections.abc import Callable
from datetime import timedelta
from typing import Any

from django.db import transaction
from django.db.models import Max
from django.http import Http404
from django.shortcuts import get_object_or_404
from django.utils import timezone

from server.wire.problems import one
from server.works.models import Change, Section, Work, new_key
from server.works.versions import CURRENT, current

Document = dict[str, Any]
_ONE_STEP = timedelta(seconds=3)
MOST_SECTIONS = 60


class Stale(Exception):
    """A change was made to an older revision.  `body` holds both versions."""

    def __init__(self, yours: dict[str, Any], theirs: Work) -> None:
        problem = one(
            "stale",
            "this work was changed elsewhere in the meantime",
            "look at both versions and choose",
            "revision",
            str(yours.get("revision")),
        )
        self.body = {**problem, "yours": yours, "theirs": told(theirs)}
        super().__init__("stale")


class Full(Exception):
    """A work has all the sections it can hold."""


def document(work: Work) -> Document:
    """The whole of a work that its history keeps."""
    return {
        "name": work.name,
        "purpose": work.purpose,
        "sections": [
            {"key": s.key, "name": s.name, "spec": current(s.spec, s.version), "version": CURRENT}
            for s in work.sections.all()
        ],
    }


def told(work: Work) -> dict[str, Any]:
    """A work as the wire has it."""
    kept = document(work)
    undo = work.changes.filter(undone=False).last()
    redo = work.changes.filter(undone=True).first()
    return {
        "key": work.key,
        "name": work.name,
        "purpose": work.purpose,
        "revision": work.revision,
        "touched": work.touched.isoformat(),
        "deleted": work.deleted is not None,
        "sections": [{"key": s["key"], "name": s["name"], "spec": s["spec"]} for s in kept["sections"]],
        "undo": undo.says if undo else None,
        "redo": redo.says if redo else None,
    }


def find(key: str) -> Work:
    """The work with that key, deleted or not; raises Http404."""
    return get_object_or_404(Work, key=key)


@transaction.atomic
def create(name: str, purpose: str, sections: list[dict[str, Any]]) -> Work:
    """A new work with those sections (name and spec each)."""
    work = Work.objects.create(name=name, purpose=purpose, touched=timezone.now())
    for position, section in enumerate(sections):
        Section.objects.create(
            work=work, position=position, name=section["name"], spec=section["spec"], version=CURRENT
        )
    return work


def duplicate(key: str) -> Work:
    """A new work like that one, without its history."""
    work = find(key)
    kept = document(work)
    names = list(Work.objects.filter(deleted=None).values_list("name", flat=True))
    return create(numbered(kept["name"], names), kept["purpose"], kept["sections"])


_NUMBERED = re.compile(r" (\d{1,4})$")


def numbered(name: str, names: list[str]) -> str:
    """`name` with the first number that none of `names` has.

    >>> numbered("Curtain", ["Curtain", "Curtain 2"]), numbered("Curtain 2", ["Curtain", "Curtain 2"])
    ('Curtain 3', 'Curtain 3')
    """
    plain = _NUMBERED.sub("", name)[:114]
    number = 2
    while f"{plain} {number}" in names:
        number += 1
    return f"{plain} {number}"


@transaction.atomic
def change(
    key: str,
    yours: dict[str, Any],
    says: str,
    edit: Callable[[Document], Document],
    place: str = "",
    *,
    in_run: bool = False,
) -> Work:
    """The work after `edit` of its document.

    `yours` is what was sent, with the revision it was made to; raises `Stale` where that is not the newest, unless
    the work is already as it would be: an answer that was lost is asked for again.
    Changes at the same `place` in quick succession are one step of the history, `in_run` however long they take.
    """
    work = find(key)
    before = document(work)
    if yours["revision"] != work.revision and not _already(before, edit):
        raise Stale(yours, work)
    after = edit(before)
    if after == before:
        return work
    now = timezone.now()
    work.changes.filter(undone=True).delete()
    last = work.changes.last()
    if place and last is not None and last.place == place and (in_run or now - last.at < _ONE_STEP):
        last.after, last.at = after, now
        last.save(update_fields=("after", "at"))
    else:
        number = (work.changes.aggregate(Max("number"))["number__max"] or 0) + 1
        Change.objects.create(
            work=work, number=number, says=says[:200], place=place, at=now, before=before, after=after
        )
    _put(work, after)
    return work


def _already(kept: Document, edit: Callable[[Document], Document]) -> bool:
    try:
        return edit(kept) == kept
    except Http404:
        return False


def _put(work: Work, kept: Document) -> None:
    """Make the work what `kept` says."""
    work.name, work.purpose = kept["name"], kept["purpose"]
    work.revision += 1
    work.touched = timezone.now()
    work.save(update_fields=("name", "purpose", "revision", "touched"))
    keys = [section["key"] for section in kept["sections"]]
    work.sections.exclude(key__in=keys).delete()
    for position, section in enumerate(kept["sections"]):
        values = {"name": section["name"], "spec": section["spec"], "version": section["version"], "position": position}
        Section.objects.update_or_create(key=section["key"], work=work, defaults=values)


@transaction.atomic
def step_through(key: str, yours: dict[str, Any], *, back: bool) -> Work:
    """The work with its last change undone, or the first undone one done again; as it was if there is none."""
    work = find(key)
    if yours["revision"] != work.revision:
        raise Stale(yours, work)
    found = work.changes.filter(undone=False).last() if back else work.changes.filter(undone=True).first()
    if found is None:
        return work
    _put(work, found.before if back else found.after)
    found.undone = back
    found.place = ""  # what is typed next is a step of its own
    found.save(update_fields=("undone", "place"))
    return work


@transaction.atomic
def delete(key: str, yours: dict[str, Any]) -> Work:
    """The work, put among the deleted ones; nothing of it goes."""
    work = find(key)
    if yours["revision"] != work.revision:
        raise Stale(yours, work)
    work.deleted, work.revision = timezone.now(), work.revision + 1
    work.save(update_fields=("deleted", "revision"))
    return work


@transaction.atomic
def restore(key: str) -> Work:
    """The work, back on the shelf."""
    work = find(key)
    if work.deleted is not None:
        work.deleted, work.revision = None, work.revision + 1
        work.save(update_fields=("deleted", "revision"))
    return work


@transaction.atomic
def put_in_order(keys: list[str]) -> None:
    """Give works a person's own order; those not named come after."""
    places = {key: index for index, key in enumerate(keys)}
    works = list(Work.objects.filter(key__in=keys))
    for work in works:
        work.position = places[work.key] - len(keys)
    Work.objects.bulk_update(works, ("position",))


def section_of(kept: Document, key: str) -> dict[str, Any] | None:
    """The section of a document with that key."""
    return next((section for section in kept["sections"] if section["key"] == key), None)


def with_section(kept: Document, key: str, **values: Any) -> Document:
    """The document with other values in one section."""
    return {**kept, "sections": [{**s, **values} if s["key"] == key else s for s in kept["sections"]]}


def with_new_section(kept: Document, name: str, spec: dict[str, Any], after: str | None = None) -> Document:
    """The document with one more section, at the end or behind another."""
    if len(kept["sections"]) >= MOST_SECTIONS:
        raise Full
    new = {"key": new_key(), "name": name, "spec": spec, "version": CURRENT}
    sections = list(kept["sections"])
    at = next((i + 1 for i, s in enumerate(sections) if s["key"] == after), len(sections))
    return {**kept, "sections": [*sections[:at], new, *sections[at:]]}
