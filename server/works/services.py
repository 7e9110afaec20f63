"""Every write to a work: in one transaction, against the revision it was made to, and into its history."""

from __future__ import annotations

import re
from collections.abc import Callable
from typing import Any

from django.db import transaction
from django.http import Http404
from django.shortcuts import get_object_or_404
from django.utils import timezone

from ribbon.errors import refuse
from server.making.kept import followed
from server.wire.colours import colour_of
from server.wire.problems import one
from server.works.cloths import MOST_CLOTHS, TooMany, housed, with_spec
from server.works.history import Document, stepped, written_down
from server.works.models import HighWater, Work, WorkSection, new_key
from server.works.stamps import newer, parts_changed, stamped
from server.works.versions import CURRENT

MOST_SECTIONS = 60
LOG: dict[str, str | bool] = {"notes": "", "faults": "", "hours": "", "cost": "", "finished": False}


class Stale(Exception):
    """A change was made to an older revision, and what it changes was changed since.  `body` holds both versions."""

    def __init__(self, yours: dict[str, Any], theirs: Work) -> None:
        problem = one(
            "stale",
            "this work was deleted elsewhere in the meantime"
            if theirs.deleted
            else "this work was changed elsewhere in the meantime",
            "look at both versions and choose",
            "revision",
            str(yours.get("revision")),
        )
        self.body = {**problem, "yours": yours, "theirs": told(theirs)}
        super().__init__("stale")


def following(before: Document, after: Document) -> Document:
    """The document after a change, its sections as its thing now has them."""
    return followed(before, after, _new_edge)


def _new_edge(name: str, spec: dict[str, Any]) -> dict[str, Any]:
    return {"key": new_key(), "name": name, "spec": spec, "version": CURRENT}


class Full(Exception):
    """A work has all the sections it can hold."""


def document(work: Work) -> Document:
    """The whole of a work that its history keeps."""
    return {
        "name": work.name,
        "purpose": work.purpose,
        "cloths": work.cloths,
        "thing": work.thing,
        "log": work.log,
        "checks": list(work.checks.filter(struck=False).order_by("pk").values_list("pk", flat=True)),
        "sections": [{"key": s.key, "name": s.name, "spec": s.spec, "version": s.version} for s in work.sections.all()],
    }


def told(work: Work) -> dict[str, Any]:
    """A work as the wire has it."""
    kept = document(work)
    undo = work.changes.filter(undone=False).defer("difference").last()
    redo = work.changes.filter(undone=True).defer("difference").first()
    return {
        "key": work.key,
        "name": work.name,
        "purpose": work.purpose,
        "cloths": work.cloths,
        "colours": {role: colour_of(work.cloths.get(role, {}), role, work.name) for role in {"face", *work.cloths}},
        "thing": work.thing,
        "log": {**LOG, **work.log},
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
def create(
    name: str,
    purpose: str,
    sections: list[dict[str, Any]],
    log: dict[str, Any] | None = None,
    cloths: dict[str, Any] | None = None,
    thing: dict[str, Any] | None = None,
) -> Work:
    """A new work with those sections (name and spec each), the words of its log, its cloths by role and its thing.

    A cloth that a section holds itself is put among those of the work.  Raises `Refusal` for too many cloths.
    """
    keyed = [{**one, "key": new_key()} for one in sections]
    made = within(lambda: housed({"cloths": cloths or {}, "thing": thing, "sections": keyed}))
    made = following({"thing": None}, made)
    work = Work.objects.create(
        name=name,
        purpose=purpose,
        cloths=made["cloths"],
        thing=thing,
        log=with_words({}, log or {}),
        touched=timezone.now(),
    )
    for position, section in enumerate(made["sections"]):
        WorkSection.objects.create(
            work=work, position=position, name=section["name"], spec=section["spec"], version=CURRENT
        )
    return work


def duplicate(key: str) -> Work:
    """A new work like that one, without its history."""
    work = find(key)
    kept = document(work)
    names = list(Work.objects.filter(deleted=None).values_list("name", flat=True))
    return create(numbered(kept["name"], names), kept["purpose"], kept["sections"], None, kept["cloths"], kept["thing"])


def within(edit: Callable[[], Document]) -> Document:
    """What `edit` makes.  Raises `Refusal` where a work would have more cloths than it can hold."""
    try:
        return edit()
    except TooMany:
        raise refuse(
            "full", "cloths", "", f"a work holds at most {MOST_CLOTHS} cloths", "let two of its pieces share one"
        ) from None


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

    `yours` is what was sent, with the revision it was made to.  Raises `Stale` where the parts of the work that it
    changes were changed after that; where others were, it is made beside them, and where the work is already as it
    would be, an answer was lost and is asked for again.
    Changes at the same `place` that are made `in_run` are one step of the history.
    """
    work = find(key)
    before = document(work)
    seen = yours["revision"] == work.revision
    try:
        edited = within(lambda: housed(edit(before)))
    except Http404:
        if seen:
            raise
        raise Stale(yours, work) from None  # the piece was taken away elsewhere
    if edited == before:
        return work
    if not seen and newer(work.stamps, parts_changed(before, edited), yours["revision"]):
        raise Stale(yours, work)
    after = following(before, edited)
    written_down(work, before, after, says, place, in_run=in_run)
    _put(work, before, after, edited)
    return work


@transaction.atomic
def settle(key: str, yours: dict[str, Any], mine: Callable[[Document], Document], *, keep_mine: bool) -> Work:
    """The work after somebody has chosen between two versions of it; the other is a step back in its history.

    `yours` names the revision of the version that was shown.  Raises `Stale` where there is a newer one.
    """
    work = find(key)
    if yours["revision"] != work.revision:
        raise Stale(yours, work)
    theirs = document(work)
    after = following(theirs, within(lambda: housed(mine(theirs))))
    if after != theirs:
        written_down(work, theirs, after, "what was typed in the other window", "", in_run=False)
        if not keep_mine:
            written_down(work, after, theirs, "keeping the other version", "", in_run=False)
    if keep_mine:
        work.deleted = None
        _put(work, theirs, after)
    return work


def _put(work: Work, before: Document, after: Document, edited: Document | None = None) -> None:
    """Make the work what `after` says; what merely followed what was `edited` is nobody's change of it."""
    work.revision += 1
    stamps = stamped(work.stamps, before, edited or after, work.revision)
    here = {section["key"] for section in after["sections"]}
    known = {section["key"] for section in (edited or after)["sections"]}
    kept = {name: at for name, at in stamps.items() if name in here or name not in known}
    work.stamps = kept | dict.fromkeys(here - known, work.revision)
    work.name, work.purpose, work.log = after["name"], after["purpose"], after["log"]
    work.cloths, work.thing = after["cloths"], after["thing"]
    work.touched = timezone.now()
    work.save(update_fields=("name", "purpose", "cloths", "thing", "log", "revision", "stamps", "touched", "deleted"))
    if after["checks"] != before["checks"]:
        work.checks.filter(pk__in=after["checks"]).update(struck=False)
        work.checks.exclude(pk__in=after["checks"]).update(struck=True)
    there = {section.key: section for section in work.sections.all()}
    for key in there.keys() - {section["key"] for section in after["sections"]}:
        there[key].delete()
    for position, section in enumerate(after["sections"]):
        values = {"name": section["name"], "spec": section["spec"], "version": section["version"], "position": position}
        row = there.get(section["key"]) or WorkSection(key=section["key"], work=work)
        if row.key not in there or any(getattr(row, name) != value for name, value in values.items()):
            for name, value in values.items():
                setattr(row, name, value)
            row.save()


@transaction.atomic
def step_through(key: str, yours: dict[str, Any], *, back: bool) -> Work:
    """The work with its last change undone, or the first undone one done again; as it was if there is none."""
    work = find(key)
    if yours["revision"] != work.revision:
        raise Stale(yours, work)
    now = document(work)
    try:
        found = stepped(work, now, backwards=back)
    except (ValueError, TypeError) as error:
        raise refuse(
            "no_step",
            "revision",
            work.revision,
            f"this step does not fit the work any more: {error}",
            "go on from here",
        ) from None
    if found is not None:
        _put(work, now, found)
    return work


@transaction.atomic
def delete(key: str, yours: dict[str, Any]) -> Work:
    """The work, put among the deleted ones; nothing of it goes."""
    work = find(key)
    if work.deleted is not None:
        return work  # an answer was lost and is asked for again
    if yours["revision"] != work.revision:
        raise Stale(yours, work)
    work.deleted = timezone.now()
    _stamp(work)
    return work


@transaction.atomic
def restore(key: str) -> Work:
    """The work, back on the shelf."""
    work = find(key)
    if work.deleted is not None:
        work.deleted = None
        _stamp(work)
    return work


def _stamp(work: Work) -> None:
    work.revision += 1
    work.stamps = {**work.stamps, "deleted": work.revision}
    work.save(update_fields=("deleted", "revision", "stamps"))


@transaction.atomic
def discard(key: str) -> None:
    """Take a deleted work away for good, its pieces and its history with it.  Raises Http404 for one that is not deleted."""
    work = get_object_or_404(Work, key=key, deleted__isnull=False)
    raise_high_water(work.revision)
    work.delete()


def raise_high_water(revision: int) -> None:
    """Note that `revision` was used, by something that is kept no longer."""
    mark, _ = HighWater.objects.get_or_create(pk=1)
    if revision > mark.revision:
        mark.revision = revision
        mark.save(update_fields=("revision",))


def with_words(log: dict[str, Any], words: dict[str, Any]) -> dict[str, Any]:
    """The log with other words; what is empty or not so is left out."""
    return {name: value for name, value in {**log, **words}.items() if value}


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
    if "spec" in values:
        kept = with_spec(kept, key, values.pop("spec"))
    return {**kept, "sections": [{**s, **values} if s["key"] == key else s for s in kept["sections"]]}


def with_new_section(
    kept: Document, name: str, spec: dict[str, Any], after: str | None = None, key: str | None = None
) -> Document:
    """The document with one more section, at the end or behind another, under a new key or a given one."""
    if len(kept["sections"]) >= MOST_SECTIONS:
        raise Full
    new = {"key": key or new_key(), "name": name, "spec": spec, "version": CURRENT}
    sections = list(kept["sections"])
    at = next((i + 1 for i, s in enumerate(sections) if s["key"] == after), len(sections))
    return {**kept, "sections": [*sections[:at], new, *sections[at:]]}
