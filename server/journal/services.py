"""Every write to the journal, and what it tells: planned against sewn, the usual error of a cloth."""

from __future__ import annotations

from typing import Any

from django.db import transaction
from django.http import Http404
from django.utils import timezone

from ribbon.edge import edge_plan
from ribbon.errors import refuse
from ribbon.lengths import UNITS, ZERO, Length, Scribe, counted, typed, with_unit
from ribbon.table.checking import Verdict, usual_error
from server.journal.models import Check, Photograph, TablePlace
from server.making.kept import made_again, on_the_way
from server.pictures.photographs import Drawn, path_of
from server.plans.check import CheckIn, given_of, told_verdict, verdict_of
from server.wire.read_edge import Given
from server.wire.stale import brought_back, removed
from server.wire.unreadable import UNREADABLE
from server.works import services as works
from server.works.cloths import all_alone
from server.works.history import Document
from server.works.models import Work
from server.works.units import in_unit
from server.works.versions import CURRENT

MOST_PHOTOGRAPHS = 40


def log_of(key: str) -> dict[str, Any]:
    """The log of a work: its words, its checks with what they came to, its photographs, what its cloths usually do."""
    work = works.find(key)
    specs = [spec for _, spec in all_alone(work)]
    unit = unit_of(work)
    cloths = sorted({name for spec in specs if (name := spec.get("cloth", {}).get("name"))})
    return {
        **works.LOG,
        **work.log,
        "checks": [told for check in work.checks.filter(struck=False) if (told := told_check(check, unit)) is not None],
        "on_the_way": on_the_way(work.thing, work.cloths),
        "photographs": [_told_photograph(one) for one in work.photographs.all()],
        "usual": [
            {**told, "turns": _turns(work, name)} for name in cloths if (told := usual_of(name, unit)) is not None
        ],
    }


def unit_of(work: Work) -> str:
    """The unit that a work is written in."""
    first = work.sections.first()
    return str((work.thing or {}).get("unit") or (first.spec.get("unit") if first else None) or "cm")


@transaction.atomic
def again(key: str) -> Work:
    """A new work like that one, its lessons written beside it; corrections of what was basted stay behind."""
    log = log_of(key)
    made = works.duplicate(key)
    kept = works.document(made)
    begun = works.following(kept, {**kept, "thing": made_again(kept["thing"])})
    specs = {one["key"]: one["spec"] for one in begun["sections"]}
    for section in made.sections.all():
        spec = specs.get(section.key, section.spec)
        section.spec = {name: value for name, value in spec.items() if name != "corrections"}
        section.save(update_fields=("spec",))
    made.thing = begun["thing"]
    made.save(update_fields=("thing",))
    lessons = [f"Last time: {log['notes']}"] if log["notes"] else []
    lessons += [f"Faults last time: {log['faults']}"] if log["faults"] else []
    lessons += [f"{check['name']}: {check['says'][0]}" for check in log["checks"]]
    lessons += [one["says"] for one in log["usual"]]
    made.log = works.with_words({}, {"notes": "\n".join(lessons)[:8000]})
    made.save(update_fields=("log",))
    return made


@transaction.atomic
def add_check(
    key: str, section: str, measured: list[str], revision: int, *, take: bool, level: str = "lower"
) -> dict[str, Any]:
    """The work after a check was kept, with its correction in the plan where it is taken.  Raises `Refusal`, `Stale`."""
    work = works.find(key)
    kept = works.section_of(works.document(work), section)
    if kept is None:
        raise Http404
    spec_alone = next(spec for one, spec in all_alone(work) if one.key == section)
    said = CheckIn.model_validate({"spec": spec_alone, "measured": measured, "level": level})
    given = given_of(said)
    told = told_verdict(given, verdict_of(said, given))
    typed = [text for text in measured if text.strip()]
    correction = told["correction"] if take else None
    made = Check.objects.create(
        work=work,
        section=section,
        name=kept["name"],
        at=timezone.now(),
        measured=typed,
        spec=spec_alone,
        version=CURRENT,
        taken=take,
        level=level,
        struck=True,  # until the change that it is part of is made
    )

    def edit(document: Document) -> Document:
        document = {**document, "checks": [*document["checks"], made.pk]}
        if not correction:
            return document
        spec = {**kept["spec"], "corrections": [*kept["spec"].get("corrections", []), correction]}
        return works.with_section(document, section, spec=spec)

    says = f"the {'correction' if take else 'check'} of {kept['name']}"
    return works.told(works.change(key, {"revision": revision}, says, edit))


@transaction.atomic
def strike_check(key: str, number: int, revision: int) -> dict[str, Any]:
    """The work without that check, nor what it put into the plan.  Raises Http404, `Stale`."""
    check = works.find(key).checks.filter(pk=number, struck=False).first()
    if check is None:
        raise Http404

    def edit(document: Document) -> Document:
        document = {**document, "checks": [one for one in document["checks"] if one != number]}
        section = works.section_of(document, check.section)
        place = len(check.spec.get("corrections") or [])
        there = (section["spec"].get("corrections") or []) if section else []
        if section is None or not check.taken or place >= len(there):
            return document
        spec = {**section["spec"], "corrections": [one for at, one in enumerate(there) if at != place]}
        return works.with_section(document, check.section, spec=spec)

    return works.told(works.change(key, {"revision": revision}, f"striking the check of {check.name}", edit))


def _touch(work: Work) -> None:
    Work.objects.filter(pk=work.pk).update(touched=timezone.now())


def _verdict(check: Check, unit: str | None = None) -> tuple[Given, Verdict] | None:
    """A check as it was, written for a `unit` if one is named; None where its spec can no longer be read."""
    try:
        own = str(check.spec.get("unit", "cm"))
        spec = in_unit(check.spec, unit or own)
        measured = [with_unit(str(text), UNITS[own]) for text in check.measured]
        said = CheckIn.model_validate({"spec": spec, "measured": measured, "level": check.level})
        given = given_of(said)
        return given, verdict_of(said, given)
    except UNREADABLE:
        return None


def told_check(check: Check, unit: str | None = None) -> dict[str, Any] | None:
    """A check on the wire; None where the section that it was of can no longer be read."""
    found = _verdict(check, unit)
    if found is None:
        return None
    return {
        "number": check.pk,
        "section": check.section,
        "name": check.name,
        "at": check.at.isoformat(),
        "taken": check.taken,
        **told_verdict(*found),
    }


def _turns(work: Work, cloth: str) -> dict[str, Any]:
    """What each piece of a work in that cloth can learn from the checks of other pieces: its turn of cloth, by its key.

    A piece's own check has gone into its own plan, and must not go there twice.
    """
    found = {}
    for section, spec in all_alone(work):
        if spec.get("cloth", {}).get("name") != cloth:
            continue
        told = usual_of(cloth, spec.get("unit", "cm"), without=section.key)
        if told is not None and told["turn"]:
            found[section.key] = told["turn"]
    return found


def usual_of(cloth: str, unit: str, without: str = "") -> dict[str, Any] | None:
    """How pleats of that cloth usually come out, over every first check of a piece of it; None without one.

    The checks of the piece `without` are left out.
    """
    found: list[tuple[Length, int]] = []
    each: list[dict[str, Any]] = []
    scribe = Scribe(UNITS[unit], Length.inches(1) / 64 if UNITS[unit].binary else Length(1) / 100)
    checks = Check.objects.filter(spec__cloth__name=cloth, work__deleted=None, struck=False).exclude(
        section=without or None
    )
    for check in checks.select_related("work"):
        if check.spec.get("corrections") or check.spec.get("turn"):
            continue  # sewn by other marks than the plan's own
        read = _verdict(check)
        if read is None or read[0].edge.only is None:
            continue
        count = edge_plan(read[0].edge).count
        found.append((read[1].off, count))
        if count:
            share = read[1].off / count
            each.append({"work": check.work.name, "mm": float(share.mm), "text": scribe.write(abs(share)).text})
    came = usual_error(found)
    if came is None:
        return None
    mean, spread = came
    text = scribe.write(abs(mean)).text
    way = "wider" if mean > ZERO else "narrower"
    return {
        "cloth": cloth,
        "checks": len(each),
        "each": each,
        "mean": float(mean.mm),
        "spread": float(spread.mm),
        "turn": {"by": typed(abs(mean), UNITS[unit]), "way": way} if mean else None,
        "says": f"Over {len(each)} {'check' if len(each) == 1 else 'checks'}, pleats in {cloth} came out {text} {way} each."
        if mean
        else f"Pleats in {cloth} come out as planned.",
    }


@transaction.atomic
def put_place(key: str, section: str, given: dict[str, Any]) -> dict[str, Any]:
    """Where the marking of a piece stands."""
    work = works.find(key)
    if works.section_of(works.document(work), section) is None:
        raise Http404
    place, _ = TablePlace.objects.update_or_create(section=section, defaults={"work": work, **given})
    return told_place(place)


def places_of(key: str) -> list[dict[str, Any]]:
    """Where the marking of every piece of a work stands."""
    return [told_place(place) for place in works.find(key).places.all()]


def told_place(place: TablePlace) -> dict[str, Any]:
    """A place on the wire."""
    return {
        "section": place.section,
        "at": place.at,
        "nought": place.nought,
        "side": place.side,
        "folded": place.folded,
    }


def room_for_photograph(key: str, name: str) -> None:
    """Raises `Refusal` where a work holds all the photographs it can, Http404 where there is no such work."""
    if works.find(key).photographs.count() >= MOST_PHOTOGRAPHS:
        raise refuse(
            "full", "photograph", name, f"a work holds at most {MOST_PHOTOGRAPHS} photographs", "take one away first"
        )


@transaction.atomic
def add_photograph(key: str, drawn: Drawn, name: str, says: str) -> dict[str, Any]:
    """The log with one more photograph, which is drawn and in the folder already.  Raises `Refusal`."""
    room_for_photograph(key, name)
    work = works.find(key)
    Photograph.objects.create(work=work, says=says[:200], at=timezone.now(), **drawn._asdict())
    _touch(work)
    return log_of(key)


@transaction.atomic
def drop_photograph(key: str, photograph: str) -> dict[str, Any]:
    """The log without that photograph; it can be brought back for a while, its file is kept so long."""
    found = works.find(key).photographs.filter(pk=photograph).first()
    if found is None:
        raise Http404
    long_gone = list(Photograph.everything.exclude(removed=None).values_list("file", flat=True))
    removed(found, Photograph.everything)
    _let_go(long_gone)
    return log_of(key)


@transaction.atomic
def bring_photograph_back(key: str, photograph: str) -> dict[str, Any]:
    """The log with a photograph that was taken away, as it was.  Raises `Refusal` where there is no room for it."""
    room_for_photograph(key, photograph)
    brought_back(Photograph.everything, work=key, pk=photograph)
    return log_of(key)


def _let_go(files: list[str]) -> None:
    """Take files of photographs away once this is settled, those that no photograph is in any more."""

    def taken_away() -> None:
        kept = set(Photograph.everything.filter(file__in=files).values_list("file", flat=True))
        for file in set(files) - kept:
            path = path_of(file)
            if path is not None:
                path.unlink(missing_ok=True)

    transaction.on_commit(taken_away)


def remains_of(key: str) -> dict[str, Any]:
    """What goes with a work that is deleted for good."""
    work = works.find(key)
    files = [path for one in work.photographs.all() if (path := path_of(one.file)) is not None]
    size = sum(path.stat().st_size for path in files)
    counts = {
        "pieces": work.sections.count(),
        "changes": work.changes.count(),
        "checks": work.checks.filter(struck=False).count(),
        "photographs": work.photographs.count(),
    }
    words = [counted(number, name) for name, number in counts.items() if number]
    if work.log:
        words.append("its log")
    listed = ", ".join(words[:-1]) + (" and " if len(words) > 1 else "") + "".join(words[-1:])
    large = f" ({size / 1e6:.1f} MB)" if size >= 50_000 else ""
    verb = "goes" if sum(counts.values()) + bool(work.log) == 1 else "go"
    said = f"With it {verb} {listed}{large}." if words else "Nothing else goes with it."
    return {**counts, "bytes": size, "says": said}


@transaction.atomic
def discard(key: str) -> None:
    """Take a deleted work away for good, with all that is beside it.  Raises Http404 for one that is not deleted."""
    files = list(Photograph.everything.filter(work=key).values_list("file", flat=True))
    works.discard(key)
    _let_go(files)


def _told_photograph(one: Photograph) -> dict[str, Any]:
    return {"key": one.key, "says": one.says, "at": one.at.isoformat(), "width": one.width, "height": one.height}
