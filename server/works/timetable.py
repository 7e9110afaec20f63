"""How long the steps of a work take, by this sewist's own log or a guess, and how they fit into the sessions that there are."""

from __future__ import annotations

import re
from collections.abc import Mapping, Sequence
from datetime import date, datetime, time, timedelta
from typing import Any, NamedTuple

from icalendar import Calendar, Event
from pydantic import ValidationError

from ribbon.errors import Problem, Refusal, refuse
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Unreadable, counted, read_minutes
from ribbon.making.order import ListedStep
from ribbon.table.sessions import Fitted, Slot, Timed, fitted, overlapping, together
from ribbon.table.times import Extent, expected, in_words, rate_says, rates, waits_for
from server.making.answer import ThingMade, listed_steps, thing_made
from server.making.beside import own_edges
from server.wire.cloth import ClothSpec
from server.wire.json import clean
from server.wire.work import NamedSection, SittingSpec, ThingSpec
from server.works import services
from server.works.models import Work
from server.works.out import ReadSessions, SittingOut, StepTime, TimetableOut

_LEARNT_FROM = 8
"""Works, the last touched ones: more say little that is new."""
_CLOCK = re.compile(r"^([01]?\d|2[0-3])(?:[:.]([0-5]\d))?$")
_FIRST, _LAST = date(1900, 1, 1), date(2199, 12, 31)
_MOST_EVENTS = 60
MOST_BYTES = 1_000_000


class Sized(NamedTuple):
    """A thing made, and how much there is of it to do."""

    made: ThingMade
    extent: Extent


def _sized(work: Work) -> Sized | None:
    """The thing of a work made; None where it has none, or cannot be made."""
    if not work.thing:
        return None
    try:
        said = ThingSpec.model_validate(work.thing)
        cloths = {role: ClothSpec.model_validate(cloth) for role, cloth in work.cloths.items()}
        sections = [NamedSection.model_validate({"name": one.name, "spec": one.spec}) for one in work.sections.all()]
        made = thing_made(said, cloths, own_edges(sections))
    except (ValidationError, Refusal):
        return None
    wholes = [one.whole for one in made.edges.values() if one.whole is not None]
    pleats = Fraction(sum(one.count for one in wholes)) * made.begun.times
    return Sized(made, Extent(pleats, sum((one.flat for one in wholes), ZERO) * made.begun.times))


def taken(thing: Any) -> dict[str, Fraction]:
    """What each step of a thing as it is kept took, in minutes, as far as that can be read."""
    found = {}
    for name, text in (((thing or {}).get("making") or {}).get("took") or {}).items():
        try:
            found[str(name)] = read_minutes(str(text))
        except Unreadable:
            continue
    return found


def _learnt(work: Work, kind: str) -> dict[str, Fraction]:
    """The rates of each step by the other works of that kind."""
    others = Work.objects.filter(deleted=None, thing__kind=kind).exclude(pk=work.pk).order_by("-touched")
    found = ((taken(other.thing), other) for other in others[:_LEARNT_FROM])
    return rates((sized.extent, took) for took, other in found if took and (sized := _sized(other)) is not None)


def timetable(key: str, sessions: Sequence[SittingSpec]) -> TimetableOut:
    """The steps of a work with their minutes, fitted into those sessions.  Raises `Refusal`."""
    work = services.find(key)
    sized = _sized(work)
    if sized is None:
        raise refuse(
            "no_order", "thing", work.name, "this work has no order of making yet", "say under Measure what is made"
        )
    slots, starts = _read(sessions)
    listed, _ = listed_steps(sized.made)
    learnt, took = _learnt(work, sized.made.read.thing.name), taken(work.thing)
    steps = [_step(one, sized.extent, learnt, took) for one in listed]
    todo = [(one, told) for one, told in zip(listed, steps, strict=True) if not one.done]
    after = {one.name: one.after for one in sized.made.made.steps}
    timed = [
        # A step of one's own stands where it was put: behind the one before it.
        Timed(
            one.name,
            told["minutes"],
            (todo[number - 1][0].name,) if one.own and number else after.get(one.name, ()),
            waits_for(one.waits),
        )
        for number, (one, told) in enumerate(todo)
    ]
    found = fitted(timed, slots)
    says = {one.name: one.says for one in listed}
    return {
        "steps": steps,
        "left": in_words(sum(one["minutes"] for _, one in todo)) if todo else "",
        "sessions": [_sitting(slots, starts, number, found, says) for number in range(len(slots))],
        "says": _says(steps, found, slots, starts),
        "together": [
            f"{what} at once: {', '.join(names)}."
            for what, names in together([(one.name, one.says) for one, _ in todo])
        ],
    }


def _step(one: ListedStep, extent: Extent, learnt: Mapping[str, Fraction], took: Mapping[str, Fraction]) -> StepTime:
    will, spent = expected(one.name, extent, learnt), took.get(one.name)
    return {
        "name": one.name,
        "says": one.says,
        "minutes": will.minutes,
        "words": in_words(will.minutes),
        "by": "log" if will.learnt else "guess",
        "done": one.done,
        "took": None if spent is None else round(spent),
        "rate": "" if spent is None else rate_says(one.name, spent, extent),
        "waits": one.waits,
    }


def _read(sessions: Sequence[SittingSpec]) -> tuple[list[Slot], list[datetime]]:
    """The sessions in minutes from the first day's beginning, and when each begins.  Raises `Refusal`."""
    problems: list[Problem] = []
    found: list[tuple[datetime, int]] = []
    for number, one in enumerate(sessions):

        def wrong(field: str, value: str, message: str, way_out: str, at: int = number) -> None:
            problems.append(Problem("session", f"sessions.{at}.{field}", value, message, way_out))

        try:
            day = date.fromisoformat(one.day)
        except ValueError:
            wrong("day", one.day, f"“{one.day}” is no day", "write it as 2026-11-28")
            continue
        if not _FIRST <= day <= _LAST:
            wrong("day", one.day, "that is too far away to sew", "check the year")
            continue
        clock = _CLOCK.match(one.start.strip())
        if clock is None:
            wrong("start", one.start, f"“{one.start}” is no time of day", "write it as 14:30")
            continue
        try:
            minutes = round(read_minutes(one.long)) if one.long.strip() else 0
        except Unreadable as error:
            wrong("long", one.long, error.message, error.way_out)
            continue
        if not 1 <= minutes <= 24 * 60:
            said = "nothing is done in a session of nought" if minutes < 1 else "a session is no longer than a day"
            wrong("long", one.long, said, "say how long it is, such as 2 h")
            continue
        found.append((datetime.combine(day, time(int(clock[1]), int(clock[2] or 0))), minutes))
    if problems:
        raise Refusal(problems)
    if not found:
        return [], []
    starts = [start for start, _ in found]
    begins = min(starts)
    slots = [Slot(int((start - begins).total_seconds() // 60), minutes) for start, minutes in found]
    problems = [
        Problem(
            "overlap",
            f"sessions.{number}.start",
            f"{starts[number]:%H:%M}",
            f"this session begins before that of {starts[other]:%-d %B}, {starts[other]:%H:%M}, is over",
            "let it begin later, or make one of the two",
        )
        for number, other in overlapping(slots)
    ]
    if problems:
        raise Refusal(problems)
    return slots, starts


def _sitting(
    slots: Sequence[Slot], starts: Sequence[datetime], number: int, found: Fitted, says: dict[str, str]
) -> SittingOut:
    start, slot = starts[number], slots[number]
    return {
        "says": f"{start:%A %-d %B}, {start:%H:%M}, {in_words(slot.minutes)}",
        "doings": [
            {
                "step": one.name,
                "says": says[one.name],
                "at": f"{start + timedelta(minutes=one.start - slot.start):%H:%M}",
                "words": in_words(one.minutes),
                "last": one.last,
            }
            for one in found.doings
            if one.slot == number
        ],
    }


def _says(steps: Sequence[StepTime], found: Fitted, slots: Sequence[Slot], starts: Sequence[datetime]) -> list[str]:
    todo = [one for one in steps if not one["done"]]
    whole, guesses = sum(one["minutes"] for one in todo), sum(one["by"] == "guess" for one in todo)
    by = (
        "all of it guessed"
        if guesses == len(todo)
        else f"{guesses} of {len(todo)} steps guessed, the others as they took you before"
        if guesses
        else "as it took you before"
    )
    said = [f"About {in_words(whole)} of work left, {by}." if todo else "Everything is done."]
    waits = [one for one in todo if one["waits"]]
    if waits:
        said.append(f"It waits in between: {'; '.join(one['waits'] for one in waits)}.")
    if not slots:
        return said
    if found.doings:
        first = min(found.doings, key=lambda one: one.start)
        at = starts[first.slot] + timedelta(minutes=first.start - slots[first.slot].start)
        said.append(f"The cloth must be there by {at:%A %-d %B}, {at:%H:%M}.")
    if found.left:
        left = sum(found.left.values())
        said.append(
            f"These sessions do not hold all of it: {in_words(left)} are left, from {next(iter(found.left))} on."
        )
    elif found.doings:
        last = max(found.doings, key=lambda one: one.start)
        at = starts[last.slot] + timedelta(minutes=last.start + last.minutes - slots[last.slot].start)
        said.append(f"Done on {at:%A %-d %B} at {at:%H:%M}.")
    return said  # fmt: skip


def calendar(key: str) -> tuple[bytes, str]:
    """(the sessions of a work as a calendar file, its name), each with what is done in it.  Raises `Refusal`."""
    work = services.find(key)
    said = ThingSpec.model_validate(work.thing) if work.thing else None
    sessions = said.making.sessions if said is not None and said.making is not None else []
    if not sessions:
        raise refuse(
            "no_sessions", "sessions", work.name, "this work has no sessions yet", "say when you sew, then save them"
        )
    told, (slots, starts) = timetable(key, sessions), _read(sessions)
    made = Calendar()
    made.add("prodid", "-//Young Ribbon//sessions//EN")
    made.add("version", "2.0")
    for number, (slot, start, sitting) in enumerate(zip(slots, starts, told["sessions"], strict=True)):
        event = Event()
        event.add("uid", f"{work.key}-{number}@young-ribbon.invalid")
        event.add("summary", clean(f"Sewing: {work.name}"))
        event.add("dtstamp", work.touched)
        event.add("dtstart", start)
        event.add("dtend", start + timedelta(minutes=slot.minutes))
        lines = [
            f"{one['at']} {one['step']}, {one['words']}{'' if one['last'] else ', not all of it'}: {one['says']}"
            for one in sitting["doings"]
        ]
        event.add("description", clean("\n".join(lines) or "nothing can be done yet"))
        made.add_component(event)
    name = "".join(c if c.isalnum() and c.isascii() else "-" for c in work.name.lower()).strip("-")[:60] or "work"
    return made.to_ical(), f"{name}.ics"  # fmt: skip


def sessions_of(data: bytes, name: str) -> ReadSessions:
    """The sessions of a calendar file: every event with a time of day.  Raises `Refusal` for what is no calendar."""
    if len(data) > MOST_BYTES:
        raise refuse("too_large", "file", name, "this calendar is too large", "send one of less than 1 MB")
    try:
        events = list(Calendar.from_ical(data).walk("VEVENT"))
    except (ValueError, IndexError, KeyError, TypeError, AttributeError):
        raise refuse(
            "no_calendar", "file", name, "this is no calendar file", "choose a file that ends in .ics"
        ) from None
    found: list[dict[str, str]] = []
    passed = 0
    for event in events:
        start, long = _when(event)
        if start is None or not 1 <= long <= 24 * 60 or len(found) == _MOST_EVENTS:
            passed += 1
            continue
        found.append({"day": start.date().isoformat(), "start": f"{start:%H:%M}", "long": f"{long} min"})
    found.sort(key=lambda one: (one["day"], one["start"]))
    over = f" {passed} without a time of day, or past the first {_MOST_EVENTS}, were passed over." if passed else ""
    return {"sessions": found, "says": f"{counted(len(found), 'sessions')} read.{over}"}  # fmt: skip


def _when(event: Any) -> tuple[datetime | None, int]:
    """(when an event begins on the clock there, its minutes); None of one that takes whole days."""
    try:
        start = event.decoded("dtstart")
        end = event.decoded("dtend") if "dtend" in event else start + event.decoded("duration")
    except (KeyError, ValueError, TypeError, AttributeError):
        return None, 0
    if not isinstance(start, datetime) or not isinstance(end, datetime):
        return None, 0
    start, end = start.replace(tzinfo=None), end.replace(tzinfo=None)
    if not _FIRST <= start.date() <= _LAST:
        return None, 0
    return start, int((end - start).total_seconds() // 60)
