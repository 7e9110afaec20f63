"""The history of a work: each change as what it made different, walked by undo and redo, folded together when it is old."""

from __future__ import annotations

from datetime import datetime
from itertools import groupby
from typing import Any

from django.db.models import Max
from django.utils import timezone

from server.works.differences import before_steps, difference, forward
from server.works.models import ChangeMade, Work

Document = dict[str, Any]
Steps = list[dict[str, Any]]
KEPT = 500  # steps that stay as they are; before them one a day
_SLACK = 60  # so that it is folded now and then, and not at each change


def written_down(work: Work, before: Document, after: Document, says: str, place: str, *, in_run: bool) -> None:
    """Put the change from `before` to `after` into the history, whose undone steps go.

    It joins the last step where that was of the same `place`, `in_run` with it.
    """
    now = timezone.now()
    work.changes.filter(undone=True).delete()
    last = work.changes.last()
    if in_run and place and last is not None and last.place == place:
        last.difference, last.at = difference(before_steps(before, last.difference), after), now
        last.save(update_fields=("difference", "at"))
        return
    number = (work.changes.aggregate(Max("number"))["number__max"] or 0) + 1
    ChangeMade.objects.create(
        work=work, number=number, says=says[:200], place=place, at=now, difference=difference(before, after)
    )
    _fold(work, after)


def stepped(work: Work, now: Document, *, backwards: bool) -> Document | None:
    """The document with its last change undone, or the first undone one done again; None if there is none."""
    found = work.changes.filter(undone=False).last() if backwards else work.changes.filter(undone=True).first()
    if found is None:
        return None
    found.undone = backwards
    found.place = ""  # what is typed next is a step of its own
    found.save(update_fields=("undone", "place"))
    stepped_to: Document = before_steps(now, found.difference) if backwards else forward(now, found.difference)
    return stepped_to


def _fold(work: Work, now: Document) -> None:
    """Make one step a day of all but the newest."""
    if work.changes.filter(undone=False).count() <= KEPT + _SLACK:
        return
    changes = list(work.changes.filter(undone=False))
    for change in reversed(changes[-KEPT:]):
        now = before_steps(now, change.difference)
    old = changes[:-KEPT]
    days = [list(steps) for _, steps in groupby(old, lambda change: change.at.date())]
    for steps in reversed(days):
        after = now
        for change in reversed(steps):
            now = before_steps(now, change.difference)
        if len(steps) > 1:
            last = steps[-1]
            last.difference, last.says, last.place = difference(now, after), _day(last.at), ""
            last.save(update_fields=("difference", "says", "place"))
            ChangeMade.objects.filter(pk__in=[change.pk for change in steps[:-1]]).delete()


def _day(at: datetime) -> str:
    return f"all changes of {at.day} {at:%B %Y}"


def chained(documents: list[tuple[Document, Document]], done: int, now: Document) -> list[Steps]:
    """The differences of changes that are each known as the whole document (before, after).

    The first `done` of them lead to `now`, the others are undone and lead on from it.  Where one does not begin with
    what the one before it left, its difference takes it there too, so that the walk from `now` reaches every `after`.
    """
    states = [document for _, document in documents]
    starts = [documents[0][0], *states[:-1]] if documents else []
    if done:
        states[done - 1] = now
    if done < len(starts):
        starts[done] = now
    for index in range(1, len(starts)):
        if index != done:
            starts[index] = states[index - 1]
    return [difference(before, after) for before, after in zip(starts, states, strict=True)]
