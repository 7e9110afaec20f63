"""Every write to the journal, and what it tells: planned against sewn, the usual error of a cloth."""

from __future__ import annotations

from typing import Any

from django.db import transaction
from django.http import Http404
from django.utils import timezone

from ribbon.checking import Verdict, usual
from ribbon.errors import Refusal, refuse
from ribbon.lengths import UNITS, ZERO, Length, Scribe, typed
from ribbon.pins import Section, plan
from server.journal.models import Check, Entry, Photograph, Place
from server.journal.photographs import put, redrawn, remove
from server.plans.check import CheckIn, told_verdict, verdict_of
from server.works import services as works
from server.works.models import Work
from server.works.versions import CURRENT, current

MOST_PHOTOGRAPHS = 40
_WORDS = ("notes", "faults", "hours", "cost")


def log_of(key: str) -> dict[str, Any]:
    """The log of a work: its words, its checks with what they came to, its photographs, what its cloths usually do."""
    work = works.find(key)
    entry = Entry.objects.filter(work=work).first() or Entry(work=work)
    specs = [current(section.spec, section.version) for section in work.sections.all()]
    cloths = sorted({name for spec in specs if (name := (spec.get("cloth") or {}).get("name"))})
    return {
        **{name: getattr(entry, name) for name in _WORDS},
        "finished": entry.finished,
        "checks": [told for check in work.checks.all() if (told := _told_check(check)) is not None],
        "photographs": [_told_photograph(one) for one in work.photographs.all()],
        "usual": [
            {**told, "turns": _turns(work, name)}
            for name in cloths
            if (told := usual_of(name, specs[0].get("unit", "cm"))) is not None
        ],
    }


@transaction.atomic
def write_log(key: str, given: dict[str, Any]) -> dict[str, Any]:
    """The log with other words in it."""
    work = works.find(key)
    entry, _ = Entry.objects.get_or_create(work=work)
    for name, value in given.items():
        setattr(entry, name, value)
    entry.save()
    _touch(work)
    return log_of(key)


@transaction.atomic
def again(key: str) -> Work:
    """A new work like that one, its lessons written beside it; corrections of what was basted stay behind."""
    log = log_of(key)
    made = works.duplicate(key)
    for section in made.sections.all():
        section.spec = {name: value for name, value in section.spec.items() if name != "corrections"}
        section.save(update_fields=("spec",))
    lessons = [f"Last time: {log['notes']}"] if log["notes"] else []
    lessons += [f"Faults last time: {log['faults']}"] if log["faults"] else []
    lessons += [f"{check['name']}: {check['says'][0]}" for check in log["checks"]]
    lessons += [one["says"] for one in log["usual"]]
    Entry.objects.create(work=made, notes="\n".join(lessons)[:8000])
    return made


@transaction.atomic
def add_check(key: str, section: str, measured: list[str], revision: int, *, take: bool) -> dict[str, Any]:
    """The work after a check was kept, with its correction in the plan where it is taken.  Raises `Refusal`, `Stale`."""
    work = works.find(key)
    kept = works.section_of(works.document(work), section)
    if kept is None:
        raise Http404
    said = CheckIn.model_validate({"spec": kept["spec"], "measured": measured})
    found = verdict_of(said)
    told = told_verdict(said, found)
    typed = [text for text in measured if text.strip()]
    if take:
        correction = told["correction"]

        def edit(document: works.Document) -> works.Document:
            before = kept["spec"].get("corrections", [])
            spec = {**kept["spec"], "corrections": [*before, correction]} if correction else kept["spec"]
            return works.with_section(document, section, spec=spec)

        works.change(key, {"revision": revision}, f"the correction of {kept['name']}", edit)
    Check.objects.create(
        work=work, section=section, name=kept["name"], at=timezone.now(), measured=typed, spec=kept["spec"],
        version=CURRENT, taken=take,
    )  # fmt: skip
    if not take:
        _touch(work)
    return works.told(works.find(key))


def _touch(work: Work) -> None:
    Work.objects.filter(pk=work.pk).update(touched=timezone.now())


def _verdict(check: Check) -> tuple[CheckIn, Verdict] | None:
    """A check as it was, None where its spec can no longer be read."""
    try:
        said = CheckIn.model_validate({"spec": current(check.spec, check.version), "measured": check.measured})
        return said, verdict_of(said)
    except (ValueError, Refusal):
        return None


def _told_check(check: Check) -> dict[str, Any] | None:
    found = _verdict(check)
    if found is None:
        return None
    return {
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
    for section in work.sections.all():
        spec = current(section.spec, section.version)
        if (spec.get("cloth") or {}).get("name") != cloth:
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
    checks = Check.objects.filter(spec__cloth__name=cloth, work__deleted=None).exclude(section=without or None)
    for check in checks.select_related("work"):
        if check.spec.get("corrections") or check.spec.get("turn"):
            continue  # sewn by other marks than the plan's own
        read = _verdict(check)
        if read is None or not isinstance(read[0].spec.section, Section):
            continue
        count = plan(read[0].spec.section).count
        found.append((read[1].off, count))
        if count:
            share = read[1].off / count
            each.append({"work": check.work.name, "mm": float(share.mm), "text": scribe.write(abs(share)).text})
    came = usual(found)
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
    place, _ = Place.objects.update_or_create(section=section, defaults={"work": work, **given})
    return told_place(place)


def places_of(key: str) -> list[dict[str, Any]]:
    """Where the marking of every piece of a work stands."""
    return [told_place(place) for place in works.find(key).places.all()]


def told_place(place: Place) -> dict[str, Any]:
    """A place on the wire."""
    return {
        "section": place.section,
        "at": place.at,
        "nought": place.nought,
        "side": place.side,
        "folded": place.folded,
    }


@transaction.atomic
def add_photograph(key: str, data: bytes, name: str, says: str) -> dict[str, Any]:
    """The log with one more photograph.  Raises `Refusal`."""
    work = works.find(key)
    if work.photographs.count() >= MOST_PHOTOGRAPHS:
        raise refuse(
            "full", "photograph", name, f"a work holds at most {MOST_PHOTOGRAPHS} photographs", "take one away first"
        )
    drawn, width, height = redrawn(data, name)
    kept = Photograph.objects.create(work=work, says=says[:200], at=timezone.now(), width=width, height=height)
    put(kept.key, drawn)
    _touch(work)
    return log_of(key)


@transaction.atomic
def drop_photograph(key: str, photograph: str) -> dict[str, Any]:
    """The log without that photograph, and its file gone."""
    found = works.find(key).photographs.filter(pk=photograph)
    if not found.exists():
        raise Http404
    found.delete()
    transaction.on_commit(lambda: remove(photograph))
    return log_of(key)


def _told_photograph(one: Photograph) -> dict[str, Any]:
    return {"key": one.key, "says": one.says, "at": one.at.isoformat(), "width": one.width, "height": one.height}
