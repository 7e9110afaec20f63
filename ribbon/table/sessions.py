"""How long the steps of making take, and how they fit into the sessions that one has.

What is not known is guessed, and said to be: a guess is so much, and more for each pleat and each metre.  Time is in whole
minutes from any moment; a session is so many of them in a row.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import NamedTuple

from ribbon.fraction import Fraction
from ribbon.lengths import Length


class Guess(NamedTuple):
    """Minutes that a step takes at first sight: so many, and more for each pleat and each metre of its edges."""

    once: Fraction
    pleat: Fraction = Fraction(0)
    metre: Fraction = Fraction(0)

    def minutes(self, pleats: Fraction, long: Length) -> int:
        """Whole minutes for so many pleats on so long an edge, five at the least."""
        whole = self.once + self.pleat * pleats + self.metre * long.mm / 1000
        return max(5, round(whole))


def _guess(once: int, pleat: int = 0, metre: int = 0) -> Guess:
    return Guess(Fraction(once), Fraction(pleat), Fraction(metre))


GUESSES: Mapping[str, Guess] = {
    "wash": _guess(20, metre=2),
    "print": _guess(40),
    "cut": _guess(20, metre=4),
    "join": _guess(10, metre=3),
    "hem": _guess(10, metre=8),
    "edges": _guess(10, metre=6),
    "foot": _guess(10, metre=6),
    "mark": _guess(10, pleat=1),
    "fold": _guess(10, pleat=3),
    "pleat": _guess(10, pleat=1),
    "stitch": _guess(10, pleat=2),
    "press": _guess(10, pleat=2),
    "gather": _guess(20, metre=10),
    "band": _guess(50),
    "lining": _guess(40, metre=6),
    "opening": _guess(40),
    "measure": _guess(10),
    "check": _guess(10),
    "hang": _guess(10),
    "try": _guess(10),
}
"""By the name of the step; any other takes `OTHER`."""
OTHER = _guess(25, metre=2)
PER_PLEAT = frozenset({"mark", "fold", "pleat", "stitch", "press"})
"""The steps that take longer the more pleats there are; the others go by the metre."""

_WAITS = (("overnight", 12 * 60), ("dry", 10 * 60), ("hang", 12 * 60), ("glue", 2 * 60), ("cool", 30))
"""What is waited for, by a word that says it, and how long that usually is."""
_ANY_WAIT = 60
_TOGETHER = (("press", "Pressing"), ("iron", "Pressing"), ("hem", "Hemming"), ("by hand", "Handwork"))


def guessed(name: str, pleats: Fraction, long: Length) -> int:
    """Minutes that a step is first thought to take."""
    return GUESSES.get(name, OTHER).minutes(pleats, long)


def waits_for(says: str) -> int:
    """How many minutes are waited, by what is said of it; none where nothing is.

    >>> waits_for("let it hang overnight"), waits_for("let it cool"), waits_for("")
    (720, 30, 0)
    """
    if not says:
        return 0
    return next((minutes for word, minutes in _WAITS if word in says), _ANY_WAIT)


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
