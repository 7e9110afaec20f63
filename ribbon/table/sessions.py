"""How the steps of making fit into the sessions that one has.

Time is in whole minutes from any moment; a session is so many of them in a row.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import NamedTuple

_TOGETHER = (("press", "Pressing"), ("iron", "Pressing"), ("hem", "Hemming"), ("by hand", "Handwork"))


class Timed(NamedTuple):
    """A step still to do: how long it takes, what must be done before it, how long is waited after it."""

    name: str
    minutes: int
    needs: tuple[str, ...] = ()
    waits: int = 0


class Slot(NamedTuple):
    """A session: when it begins, how long it is."""

    start: int
    minutes: int

    @property
    def end(self) -> int:
        """When it is over."""
        return self.start + self.minutes


class Doing(NamedTuple):
    """What is done of a step in a session: from when, how long; `last` where that ends it."""

    name: str
    slot: int
    start: int
    minutes: int
    last: bool


class Fitted(NamedTuple):
    """Steps fitted into sessions: what is done when, what is left with its minutes, when the last one ends."""

    doings: tuple[Doing, ...]
    left: Mapping[str, int]
    ends: int | None


SHORTEST = 10
"""Minutes; a step is not begun for less, unless that ends it."""


def overlapping(slots: Sequence[Slot]) -> list[tuple[int, int]]:
    """(slot, the one that is not over when it begins), by their numbers: nobody sews twice at once.

    >>> overlapping([Slot(0, 60), Slot(30, 60), Slot(90, 10)])
    [(1, 0)]
    """
    return [
        (number, other)
        for number, one in enumerate(slots)
        for other, before in enumerate(slots)
        if (before.start, other) < (one.start, number) and one.start < before.end
    ]


def fitted(steps: Sequence[Timed], slots: Sequence[Slot]) -> Fitted:
    """Each step as early as it can be, in the order of `steps`: after what it needs, once what is waited for is over.

    A step that a session does not end goes on in the next.  What lies between two sessions counts as waiting.

    >>> found = fitted([Timed("wash", 20, (), 600), Timed("cut", 50, ("wash",))], [Slot(0, 60), Slot(1440, 60)])
    >>> [(one.name, one.slot, one.start, one.minutes) for one in found.doings], dict(found.left)
    ([('wash', 0, 0, 20), ('cut', 1, 1440, 50)], {})
    """
    remaining = {step.name: step.minutes for step in steps}
    ready: dict[str, int] = {}
    doings: list[Doing] = []
    known = set(remaining)
    waits = {step.name: step.waits for step in steps}
    order = sorted(range(len(slots)), key=lambda n: slots[n].start)
    for number in order:
        slot = slots[number]
        at = slot.start
        while at < slot.end:
            room = slot.end - at
            when = {step.name: _can_be(step, remaining, ready, known) for step in steps if remaining[step.name]}
            free = {name: first for name, first in when.items() if first is not None}
            # What cannot be got on with in so short a rest gives way to what can be ended in it.
            fits = [name for name, first in free.items() if first <= at and min(remaining[name], SHORTEST) <= room]
            if not fits:
                later = [first for first in free.values() if at < first < slot.end]
                if not later:
                    break
                at = min(later)
                continue
            name = fits[0]
            took = min(room, remaining[name])
            remaining[name] -= took
            doings.append(Doing(name, number, at, took, remaining[name] == 0))
            at += took
            if remaining[name] == 0:
                ready[name] = at + waits[name]
    left = {step.name: remaining[step.name] for step in steps if remaining[step.name]}
    return Fitted(tuple(doings), left, max((one.start + one.minutes for one in doings), default=None))  # fmt: skip


def _can_be(step: Timed, remaining: Mapping[str, int], ready: Mapping[str, int], known: set[str]) -> int | None:
    """When a step can be begun at the earliest; None while what it needs is not done."""
    needs = [name for name in step.needs if name in known]
    if any(remaining[name] for name in needs):
        return None
    return max((ready.get(name, 0) for name in needs), default=0)


def together(steps: Sequence[tuple[str, str]]) -> list[tuple[str, tuple[str, ...]]]:
    """(what, the steps that are best done at once, for what they share is got out once) of steps by (name, what they say).

    >>> together([("hem", "Turn up the hem and press."), ("fold", "Fold, then press each."), ("cut", "Cut it.")])
    [('Pressing', ('hem', 'fold'))]
    """
    found: dict[str, list[str]] = {}
    for name, says in steps:
        for word, what in _TOGETHER:
            if word in says.lower() and name not in found.setdefault(what, []):
                found[what].append(name)
    return [(what, tuple(names)) for what, names in found.items() if len(names) > 1]
