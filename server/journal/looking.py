"""What is written down, found again: a search over every word that is kept, and what was done last time."""

from __future__ import annotations

from collections.abc import Iterable

from django.db.models import Q
from typing_extensions import TypedDict

from ribbon.table.times import in_words
from server.journal.models import Check, Photograph
from server.journal.services import told_check, unit_of, usual_of
from server.shelf.models import Cloth
from server.swatches.models import BookSwatch
from server.swatches.services import book
from server.works import services as works
from server.works.cloths import all_alone
from server.works.models import Work
from server.works.timetable import taken

_MOST, _AROUND, _MOST_LAST = 60, 60, 12


class WrittenOut(TypedDict):
    """Words that were found: where they stand, in which work (or none), the words about them."""

    where: str
    key: str
    name: str
    says: str


class WrittenList(TypedDict):
    """What was found."""

    found: list[WrittenOut]
    more: bool


class LastOut(TypedDict):
    """An earlier work: why it is told, and what it taught."""

    key: str
    name: str
    why: list[str]
    says: list[str]


class LastTime(TypedDict):
    """What was done last time with these cloths, kinds, things and swatches; what the book and the checks say of the cloths."""

    works: list[LastOut]
    cloths: list[str]


def written(search: str) -> WrittenList:
    """Everything in which every one of the words stands, the last touched works first."""
    words = search.split()[:8]
    if not words:
        return {"found": [], "more": False}
    found = [*_in_works(words), *_in_pictures(words), *_in_swatches(words), *_on_the_shelf(words)]
    return {"found": found[:_MOST], "more": len(found) > _MOST}


def _all(words: Iterable[str], *fields: str) -> Q:
    """Every word in one of those fields."""
    made = Q()
    for word in words:
        one = Q()
        for field in fields:
            one |= Q(**{f"{field}__icontains": word})
        made &= one
    return made


def _about(text: str, words: list[str]) -> str:
    """The words about the first that was found."""
    at = min((i for word in words if (i := text.lower().find(word.lower())) >= 0), default=0)
    start, end = max(0, at - _AROUND), at + _AROUND * 2
    return ("…" if start else "") + text[start:end].strip() + ("…" if end < len(text) else "")


def _in_works(words: list[str]) -> list[WrittenOut]:
    kept = Work.objects.filter(deleted=None).order_by("-touched")
    found: list[WrittenOut] = []
    for field, where in (
        ("log__notes", "notes"),
        ("log__faults", "faults"),
        ("purpose", "what it is for"),
        ("name", "name"),
    ):
        for work in kept.filter(_all(words, field))[:_MOST]:
            text = (
                str(work.log.get(field.removeprefix("log__")) or "")
                if field.startswith("log__")
                else str(getattr(work, field))
            )
            found.append({"where": where, "key": work.key, "name": work.name, "says": _about(text, words)})
    for check in Check.objects.filter(_all(words, "name"), work__deleted=None, struck=False).select_related("work")[
        :_MOST
    ]:
        said = f"{check.name}: {', '.join(check.measured)}"
        found.append({"where": "check", "key": check.work.key, "name": check.work.name, "says": _about(said, words)})
    return found  # fmt: skip


def _in_pictures(words: list[str]) -> list[WrittenOut]:
    pictures = Photograph.objects.filter(_all(words, "says"), work__deleted=None).select_related("work")[:_MOST]
    return [
        {"where": "photograph", "key": one.work.key, "name": one.work.name, "says": _about(one.says, words)}
        for one in pictures
    ]


def _in_swatches(words: list[str]) -> list[WrittenOut]:
    found: list[WrittenOut] = []
    for one in BookSwatch.objects.filter(_all(words, "cloth", "spec__says", "spec__thread", "spec__screw"))[:_MOST]:
        told = book([one])[0]
        said = " ".join([*told["says"], str(one.spec.get("says") or "")])
        found.append({"where": "swatch book", "key": "", "name": one.cloth, "says": said[: _AROUND * 4].strip()})
    return found


def _on_the_shelf(words: list[str]) -> list[WrittenOut]:
    return [
        {"where": "cloth shelf", "key": "", "name": one.name, "says": one.name}
        for one in Cloth.objects.filter(_all(words, "name"))[:_MOST]
    ]


def _facts(work: Work) -> dict[str, set[str]]:
    """The cloths, kinds, thing and swatches of a work."""
    specs = [spec for _, spec in all_alone(work)]
    return {
        "cloth": {name for spec in specs if (name := str((spec.get("cloth") or {}).get("name") or ""))},
        "kind": {str(spec.get("kind") or "") for spec in specs} - {""},
        "thing": {str(work.thing["kind"])} if work.thing else set(),
        "swatch": {str(spec.get("swatch") or "") for spec in specs} - {""},
    }


def last_time(key: str) -> LastTime:
    """What earlier works say that share a cloth, a thing, a swatch or a kind with this one, the nearest first."""
    work = works.find(key)
    own = _facts(work)
    rows: list[tuple[int, LastOut]] = []
    others = (
        Work.objects.filter(deleted=None)
        .exclude(pk=work.pk)
        .order_by("-touched")
        .prefetch_related("sections", "checks")
    )
    for other in others[:200]:
        theirs = _facts(other)
        shared = {name: own[name] & theirs[name] for name in own}
        why = [f"the same cloth, {one}" for one in sorted(shared["cloth"])]
        why += ["the same swatch"] if shared["swatch"] else []
        why += ["the same thing"] if shared["thing"] else []
        why += [f"{one} too" for one in sorted(shared["kind"])] if not shared["thing"] else []
        says = _taught(other) if why else []
        if says:
            near = 8 * len(shared["cloth"]) + 4 * len(shared["swatch"]) + 2 * len(shared["thing"]) + len(shared["kind"])
            rows.append((near, {"key": other.key, "name": other.name, "why": why, "says": says}))
    rows.sort(key=lambda row: -row[0])
    return {"works": [row for _, row in rows[:_MOST_LAST]], "cloths": _of_cloths(work, own["cloth"])}  # fmt: skip


def _taught(work: Work) -> list[str]:
    """What a work says: how far its checks were off, what it took, what was written."""
    checks = ((check.name, told_check(check)) for check in work.checks.filter(struck=False))
    found = [f"{name}: {told['says'][0]}" for name, told in checks if told and told["says"]]
    minutes = sum(round(one) for one in taken(work.thing).values())
    if minutes:
        found.append(f"It took {in_words(minutes)}.")
    elif work.log.get("hours"):
        found.append(f"It took {work.log['hours']} hours.")
    for name, word in (("faults", "Faults"), ("notes", "Notes")):
        if work.log.get(name):
            found.append(f"{word}: {str(work.log[name])[:300]}")
    return found


def _of_cloths(work: Work, cloths: set[str]) -> list[str]:
    """What the checks and the swatch book say of each cloth."""
    found = []
    for cloth in sorted(cloths):
        usual = usual_of(cloth, unit_of(work))
        found += [usual["says"]] if usual is not None else []
        found += [f"{cloth}: {' '.join(row['says'])}" for row in book(list(BookSwatch.objects.filter(cloth=cloth)[:6]))]
    return found
