"""How long the steps of making usually take, learnt from what was written down of other works."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterable, Mapping
from typing import Any

from typing_extensions import TypedDict

from ribbon.fraction import Fraction
from ribbon.lengths import Unreadable, read_minutes
from server.works.models import Work


class TimesOut(TypedDict):
    """Minutes of each step by its name, the mean of all works that say so; `says` tells all of them together."""

    steps: dict[str, int]
    says: str


def step_times(kind: str) -> TimesOut:
    """How long the steps of things of that kind took."""
    taken: dict[str, list[Fraction]] = defaultdict(list)
    for thing in Work.objects.filter(deleted=None, thing__kind=kind).values_list("thing", flat=True):
        for name, minutes in _minutes(thing):
            taken[name].append(minutes)
    steps = {name: round(sum(found) / len(found)) for name, found in taken.items()}
    return {"steps": steps, "says": in_words(sum(steps.values())) if steps else ""}


def _minutes(thing: Any) -> Iterable[tuple[str, Fraction]]:
    making = thing.get("making") if isinstance(thing, Mapping) else None
    took = making.get("took") if isinstance(making, Mapping) else None
    for name, text in took.items() if isinstance(took, Mapping) else ():
        try:
            yield name, read_minutes(str(text))
        except Unreadable:
            continue


def in_words(minutes: int) -> str:
    """So many minutes as one says them: 1 h 30 min.

    >>> in_words(40), in_words(90), in_words(120)
    ('40 min', '1 h 30 min', '2 h')
    """
    hours, rest = divmod(minutes, 60)
    return " ".join(filter(None, (f"{hours} h" if hours else "", f"{rest} min" if rest or not hours else "")))
