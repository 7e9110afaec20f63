"""What is settled about how an edge is gathered: rows, match points, swatches, a ruffling attachment."""

from __future__ import annotations

from typing import NamedTuple

from ribbon.fraction import Fraction
from ribbon.lengths import UNITS, Length, Scribe, Unit

_INCHES = Scribe(UNITS["in"], Length.inches(Fraction(1, 32)))
_MILLIMETRES = Scribe(UNITS["mm"], Length(Fraction(1, 10)))


class Point(NamedTuple):
    """A named place that both edges have: a side seam, a centre.  `flat` where it lies on the cloth, if that is known."""

    name: str
    at: Length
    flat: Length | None = None


class Swatch(NamedTuple):
    """A strip gathered to try it: its flat length and what it measured after."""

    flat: Length
    finished: Length

    @property
    def ratio(self) -> Fraction:
        """R = flat / finished."""
        return self.flat / self.finished


class Ruffler(NamedTuple):
    """How a ruffling attachment is set: it tucks a length of cloth every so many stitches of a length."""

    tuck: Length
    every: int
    stitch: Length

    @property
    def ratio(self) -> Fraction:
        """R = 1 + t / (k·L)."""
        return 1 + self.tuck / (self.stitch * self.every)


class Gathering(NamedTuple):
    """The settings of a gathered edge.

    `longest` is how long a part between two match points may be on the finished edge, `rows` how many rows of
    stitches draw it up, `thread` the longest run that one thread is trusted with, `tail` what hangs out at each
    end of it.  `weight` names the cloth where nothing better is known.
    """

    longest: Length = Length.cm(25)
    rows: int = 2
    thread: Length = Length.cm(120)
    tail: Length = Length.cm(10)
    points: tuple[Point, ...] = ()
    swatches: tuple[Swatch, ...] = ()
    ruffler: Ruffler | None = None
    weight: str | None = None


BY_WEIGHT = {
    "sheer": (Fraction(11, 4), "sheer cloth takes 2½ to 3 times or more"),
    "light": (Fraction(9, 4), "light cloth takes 2 to 2½ times"),
    "medium": (Fraction(15, 8), "medium cloth takes 1¾ to 2 times"),
    "heavy": (Fraction(3, 2), "heavy cloth takes about 1½ times"),
}
"""Usual fullness by weight of cloth: starting points only, a swatch decides."""


class Tried(NamedTuple):
    """What the swatches say: their mean ratio, the least and the greatest."""

    mean: Fraction
    least: Fraction
    most: Fraction


def tried(swatches: tuple[Swatch, ...]) -> Tried | None:
    """The mean and the spread of the swatches, None without any."""
    if not swatches:
        return None
    ratios = [swatch.ratio for swatch in swatches]
    return Tried(sum(ratios, Fraction(0)) / len(ratios), min(ratios), max(ratios))


def suggested_ratio(gathering: Gathering) -> tuple[Fraction, str] | None:
    """The ratio that these settings suggest, and why: the swatches', which decide, else the attachment's, else the weight's."""
    found = tried(gathering.swatches)
    if found is not None:
        count = len(gathering.swatches)
        return found.mean, "as the swatch says" if count == 1 else f"the mean of {count} swatches"
    if gathering.ruffler is not None:
        return gathering.ruffler.ratio, "what the ruffling attachment makes as it is set"
    return BY_WEIGHT.get(gathering.weight or "")


def settings(*, imperial: bool) -> Gathering:
    """What is settled of gathers where nothing is said: parts of 25 cm, threads of 120 cm, tails of 10 cm, or the like in inches."""
    if imperial:
        return Gathering(Length.inches(10), thread=Length.inches(48), tail=Length.inches(4))
    return Gathering()


def stitch_for(tuck: Length, every: int, ratio: Fraction) -> Length:
    """The stitch length L = t / (k·(R − 1)) that makes a wanted ratio."""
    return tuck / ((ratio - 1) * every)


def tuck_text(tuck: Length, unit: Unit) -> str:
    """A tuck as an attachment is set to it: in 32nds of an inch, or in millimetres.

    >>> tuck_text(Length.inches(Fraction(1, 4)), UNITS["in"]), tuck_text(Length.cm(Fraction(1, 2)), UNITS["cm"])
    ('1/4 in', '5 mm')
    """
    return (_INCHES if unit.binary else _MILLIMETRES).write(tuck).text


def stitch_text(stitch: Length) -> str:
    """A stitch length as a machine is set to it: in millimetres, whatever else is measured in."""
    return _MILLIMETRES.write(stitch).text


def tuck_from(swatch: Swatch, every: int, stitch: Length) -> Length:
    """The tuck t = (R − 1)·k·L that one swatch shows."""
    return stitch * (every * (swatch.ratio - 1))
