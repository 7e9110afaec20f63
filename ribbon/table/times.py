"""How long a step of making takes: by what it took before, a pleat, a metre or as it is; else a guess, and said to be one."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterable, Mapping
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


class Extent(NamedTuple):
    """How much there is to do: so many pleats, edges so long when they lie flat."""

    pleats: Fraction
    long: Length

    def of(self, name: str) -> Fraction:
        """How many of what a step goes by: pleats, metres, or the one step; of none as of one."""
        by = goes_by(name)
        many = self.pleats if by == "pleat" else self.long.mm / 1000 if by == "metre" else Fraction(1)
        return many if many > 0 else Fraction(1)


def goes_by(name: str) -> str:
    """What a step goes by: ``pleat``, ``metre`` or ``step``."""
    if name in PER_PLEAT:
        return "pleat"
    return "metre" if GUESSES.get(name, _guess(0)).metre else "step"


class Expected(NamedTuple):
    """How many minutes a step is expected to take, and whether that was `learnt`, or is a guess."""

    minutes: int
    learnt: bool


def rates(earlier: Iterable[tuple[Extent, Mapping[str, Fraction]]]) -> dict[str, Fraction]:
    """Minutes of each step for one of what it goes by, the mean of what earlier works took, each with its extent.

    >>> rates([(Extent(Fraction(20), Length(2000)), {"fold": Fraction(60)}), (Extent(Fraction(10), Length(1000)), {"fold": Fraction(10)})])
    {'fold': Fraction(2, 1)}
    """
    found: dict[str, list[Fraction]] = defaultdict(list)
    for extent, took in earlier:
        for name, minutes in took.items():
            found[name].append(minutes / extent.of(name))
    return {name: sum(each, Fraction(0)) / len(each) for name, each in found.items()}


def expected(name: str, extent: Extent, learnt: Mapping[str, Fraction]) -> Expected:
    """How long a step will take: by the rates that were learnt, else by a guess."""
    if name in learnt:
        return Expected(max(1, round(learnt[name] * extent.of(name))), learnt=True)
    return Expected(GUESSES.get(name, OTHER).minutes(extent.pleats, extent.long), learnt=False)


def rate_says(name: str, minutes: Fraction, extent: Extent) -> str:
    """What a step took, by the pleat or by the metre; nothing where it goes by neither."""
    by = goes_by(name)
    if by == "step":
        return ""
    each = minutes / extent.of(name)
    seconds = round(each * 60)
    return f"{seconds} s a {by}" if seconds < 120 else f"{round(each)} min a {by}"


def in_words(minutes: int) -> str:
    """So many minutes as one says them: 1 h 30 min.

    >>> in_words(40), in_words(90), in_words(120)
    ('40 min', '1 h 30 min', '2 h')
    """
    hours, rest = divmod(minutes, 60)
    return " ".join(filter(None, (f"{hours} h" if hours else "", f"{rest} min" if rest or not hours else "")))


def waits_for(says: str) -> int:
    """How many minutes are waited, by what is said of it; none where nothing is.

    >>> waits_for("let it hang overnight"), waits_for("let it cool"), waits_for("")
    (720, 30, 0)
    """
    if not says:
        return 0
    return next((minutes for word, minutes in _WAITS if word in says), _ANY_WAIT)
