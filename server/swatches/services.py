"""Every write to the swatch book, in one transaction, and what it tells."""

from __future__ import annotations

from typing import Any

from django.db import transaction
from django.shortcuts import get_object_or_404
from django.utils import timezone

from ribbon.errors import Refusal, refuse
from ribbon.fraction import Fraction
from ribbon.gathers import SwatchKind, Trial, setting_says
from ribbon.lengths import UNITS, Length, Scribe, read_length, typed
from server.pictures.photographs import bare
from server.shelf.models import Cloth
from server.swatches.models import BookSwatch
from server.swatches.read import read_swatch, under_spec
from server.swatches.schema import BookSpec, UsedOut
from server.wire.colours import colour_of
from server.wire.section import SectionSpec
from server.wire.stale import as_seen, brought_back, kept_anew, removed
from server.wire.told import LengthOut, RatioOut, told_length, told_ratio
from server.wire.unreadable import UnreadableOut, told_apart
from server.works.models import Work, WorkSection

MOST = 2000
LARGEST = 640
"""Dots on the longer side of a swatch's picture."""


def trial_of(kind: str, unit: str, spec: BookSpec) -> Trial:
    """What was tried.  Raises `Refusal`, its fields below `spec`."""
    try:
        return read_swatch(kind, unit, spec).trial
    except Refusal as refused:
        raise under_spec(refused) from None


def fine(unit: str) -> Scribe:
    """Writes what a swatch shows: finer than a tape."""
    return Scribe(UNITS[unit], Length.inches(Fraction(1, 64)) if UNITS[unit].binary else Length(Fraction(1, 10)))


def told(swatch: BookSwatch, used: dict[str, list[UsedOut]], colours: dict[str, str]) -> dict[str, Any]:
    """A swatch as the wire has it."""
    spec = BookSpec.model_validate(swatch.spec)
    trial, scribe = trial_of(swatch.kind, swatch.unit, spec), fine(swatch.unit)
    ratios = trial.ratios

    def length(value: Length | None) -> LengthOut | None:
        return None if value is None else told_length(scribe, value)

    def ratio(value: Fraction | None) -> RatioOut | None:
        return None if value is None else told_ratio(value)

    return {
        "key": swatch.key,
        "cloth": swatch.cloth,
        "colour": colours.get(swatch.cloth) or colour_of({"name": swatch.cloth}),
        "kind": SwatchKind(swatch.kind).value,
        "unit": swatch.unit,
        "spec": swatch.spec,
        "revision": swatch.revision,
        "touched": swatch.touched.isoformat(),
        "picture": swatch.picture is not None,
        "ratio": ratio(ratios.mean if ratios else None),
        "least": ratio(ratios.least if ratios else None),
        "most": ratio(ratios.most if ratios else None),
        "tuck": length(trial.tuck),
        "turn": length(trial.turn),
        "packed": length(trial.packed),
        "says": says(trial, swatch.unit, spec),
        "used": used.get(swatch.key, []),
    }


def says(trial: Trial, unit: str, spec: BookSpec) -> list[str]:
    """What a swatch says, in words."""
    write, found = fine(unit).write, []
    ratios = trial.ratios
    if ratios is not None:
        text = f"Gathers {told_ratio(ratios.mean)['text']} times"
        if ratios.least != ratios.most:
            text += f", from {told_ratio(ratios.least)['text']} to {told_ratio(ratios.most)['text']} over {len(trial.measured)} measurings"
        found.append(f"{text}.")
    if trial.kind is SwatchKind.ATTACHMENT and trial.stitch is not None:
        screw = f", screw at {spec.screw}" if spec.screw else ""
        found.append(f"Set to {setting_says(trial.every, trial.stitch)}{screw}.")
    if trial.tuck is not None:
        found.append(f"It tucks {write(trial.tuck).text} each time.")
    if trial.kind is SwatchKind.ATTACHMENT and spec.guide:
        guide = read_length(spec.guide, UNITS[unit])
        found.append(f"Its guide held the edge {write(guide).text} in: so much stands as a heading.")
    if trial.kind is SwatchKind.ATTACHMENT and spec.layers == "two":
        found.append("Sewn to a flat layer in the same pass: that one is cut as long as the edge.")
    if trial.turn is not None:
        way = "narrower" if trial.turn.mm >= 0 else "wider"
        found.append(f"Each fold comes out {write(abs(trial.turn)).text} {way}.")
    if trial.packed is not None:
        found.append(f"A fold packs to {write(trial.packed).text}.")
    if not trial.measured:
        found.append("Not measured yet.")
    return found  # fmt: skip


def book(swatches: list[BookSwatch]) -> list[dict[str, Any]]:
    """Those swatches on the wire that can be read, each with the works that it was used in."""
    return whole_book(swatches)[0]


def whole_book(swatches: list[BookSwatch]) -> tuple[list[dict[str, Any]], list[UnreadableOut]]:
    """(those swatches on the wire, each with the works that it was used in; those that can no longer be read)."""
    used: dict[str, list[UsedOut]] = {}
    sections = WorkSection.objects.filter(work__deleted=None, spec__has_key="swatch").select_related("work")
    for section in sections[:5000]:
        row: UsedOut = {"key": section.work.key, "name": section.work.name}
        here = used.setdefault(str(section.spec["swatch"]), [])
        if row not in here:
            here.append(row)
    colours = _colours({one.cloth for one in swatches})
    return told_apart(swatches, lambda one: told(one, used, colours))


def _colours(names: set[str]) -> dict[str, str]:
    """The colour of each cloth: as the shelf has it, else as a work that it was used in."""
    worked = Work.objects.filter(deleted=None).order_by("touched").values_list("cloths", flat=True)
    cloths = [cloth for roles in worked for cloth in roles.values()]
    found = {str(cloth["name"]): colour_of(cloth) for cloth in cloths if cloth.get("name") in names}
    return found | {cloth.name: colour_of(cloth.spec, "", cloth.name) for cloth in Cloth.objects.filter(name__in=names)}


def found(key: str) -> BookSwatch:
    """The swatch of that key; Http404 where there is none."""
    swatch: BookSwatch = get_object_or_404(BookSwatch, key=key)
    return swatch


@transaction.atomic
def put_in(cloth: str, kind: str, unit: str, spec: BookSpec) -> BookSwatch:
    """A new swatch in the book.  Raises `Refusal`."""
    _room(1)
    trial_of(kind, unit, spec)
    return BookSwatch.objects.create(cloth=cloth, kind=kind, unit=unit, spec=_kept(spec), touched=timezone.now())


def put_in_once(cloth: str, kind: str, unit: str, spec: BookSpec) -> BookSwatch:
    """The swatch of those facts, newly in the book where it was not.  Raises `Refusal`."""
    there = BookSwatch.objects.filter(cloth=cloth, kind=kind, unit=unit, spec=_kept(spec)).first()
    return there or put_in(cloth, kind, unit, spec)


def named(keys: set[str]) -> list[BookSwatch]:
    """The swatches of those keys that are in the book."""
    return list(BookSwatch.objects.filter(key__in=keys))


def _kept(spec: BookSpec) -> dict[str, Any]:
    return spec.model_dump(mode="json", exclude_unset=True)


def _room(more: int) -> None:
    if BookSwatch.objects.count() + more > MOST:
        raise refuse(
            "full", "cloth", f"{more} more", f"the book holds at most {MOST} swatches", "remove some that are not used"
        )


@transaction.atomic
def change(key: str, revision: int, cloth: str, kind: str, unit: str, spec: BookSpec) -> BookSwatch:
    """The swatch with other facts.  Raises `Refusal`, also where it was changed elsewhere."""
    swatch = as_seen(BookSwatch, key, revision, "swatch")
    trial_of(kind, unit, spec)
    swatch.cloth, swatch.kind, swatch.unit, swatch.spec = cloth, kind, unit, _kept(spec)
    return kept_anew(swatch)


@transaction.atomic
def remove(key: str, revision: int) -> None:
    """The swatch is gone from the book; works that took it keep what it said."""
    removed(as_seen(BookSwatch, key, revision, "swatch"), BookSwatch.everything)


@transaction.atomic
def bring_back(key: str) -> BookSwatch:
    """The swatch, back in the book as it was, its picture with it.  Raises Http404 where there is none."""
    found: BookSwatch = brought_back(BookSwatch.everything, key=key)
    return found


def picture_of(data: bytes, name: str) -> bytes:
    """A photograph as a swatch keeps it.  Raises `Refusal`."""
    return bare(data, name, LARGEST)[0]


@transaction.atomic
def put_picture(key: str, picture: bytes | None) -> BookSwatch:
    """The swatch with that picture, or without one."""
    swatch = found(key)
    swatch.picture = picture
    return kept_anew(swatch)


def taken(swatch: BookSwatch, section: SectionSpec) -> tuple[SectionSpec, str]:
    """(a section that this swatch decides for, what it decides).  Raises `Refusal` for one that it says nothing about."""
    trial, unit = trial_of(swatch.kind, swatch.unit, BookSpec.model_validate(swatch.spec)), UNITS[section.unit]
    if not trial.measured:
        raise refuse("not_measured", "swatch", swatch.cloth, "this swatch is not measured yet", "measure it first")
    made = section.model_dump(mode="json", exclude_unset=True) | {"swatch": swatch.key}
    if trial.ratios is not None and trial.flat is not None:
        if section.kind != "gather":
            raise _not_for(swatch, section.kind, "gathers")
        gathering = dict(made.get("gathering") or {})
        gathering["swatches"] = [
            {"flat": typed(trial.flat, unit), "finished": typed(one, unit)} for one in trial.measured
        ]
        gathering["ruffler"] = None
        if trial.tuck is not None and trial.stitch is not None and trial.every and trial.tuck.mm > 0:
            stitch = typed(trial.stitch, UNITS["mm"])
            gathering["ruffler"] = {"tuck": typed(trial.tuck, unit), "every": trial.every, "stitch": stitch}
        # A fullness or a flat width that was pinned would decide over what was tried.
        pins = {name: value for name, value in (made.get("pins") or {}).items() if name not in ("fullness", "flat")}
        made |= {"gathering": gathering, "pins": pins}
        decided = f"the fullness is {told_ratio(trial.ratios.mean)['text']}, as the swatch of {swatch.cloth} says"
    elif trial.turn is not None:
        if section.kind in ("gather", "cartridge"):
            raise _not_for(swatch, section.kind, "folded pleats")
        way = "narrower" if trial.turn.mm >= 0 else "wider"
        made["turn"] = {"by": typed(abs(trial.turn), unit), "way": way} if trial.turn.mm else None
        decided = f"each pleat is reckoned {fine(section.unit).write(abs(trial.turn)).text} {way}, as the swatch of {swatch.cloth} says"
    elif trial.packed is not None:
        if section.kind != "cartridge":
            raise _not_for(swatch, section.kind, "cartridge pleats")
        pins = {name: value for name, value in (made.get("pins") or {}).items() if name != "count"}
        made["pins"] = pins | {"spacing": typed(trial.packed, unit)}
        decided = f"a fold packs to {fine(section.unit).write(trial.packed).text}, as the swatch of {swatch.cloth} says"
    else:
        raise _not_for(swatch, section.kind, "what was measured")
    return SectionSpec.model_validate(made), decided


def _not_for(swatch: BookSwatch, kind: str, what: str) -> Refusal:
    return refuse(
        "not_of_kind",
        "swatch",
        kind,
        f"a swatch of {swatch.kind} says nothing of {kind} here",
        f"it decides for {what}",
    )
