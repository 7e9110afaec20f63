"""A swatch of the sewist's own book: what was tried, what it measured, and what follows from that.

Gathered or run through an attachment: R = flat / measured, and of an attachment t = (R − 1)·k·L.  Pressed folds: what each
of them lost, (flat − folds·2d − measured) / folds.  Cartridge: how wide a packed fold is, measured / folds.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum

from ribbon.errors import Problem, Refusal
from ribbon.fraction import Fraction
from ribbon.gathers.gathering import Swatch, Tried, stitch_for, stitch_text
from ribbon.lengths import ZERO, Length


class SwatchKind(StrEnum):
    """What was tried."""

    GATHERED = "gathered"
    ATTACHMENT = "attachment"
    FOLD = "fold"
    CARTRIDGE = "cartridge"


SHORTEST_STITCH, LONGEST_STITCH = Length(Fraction(1, 2)), Length(8)
"""What stitches a machine makes."""
USUAL_TUCK = Length(6)
"""What an attachment takes into a tuck, before it is tried."""
EVERY = (0, 1, 6, 12)
"""How many stitches an attachment makes to a tuck; nought where it makes none."""


@dataclass(frozen=True, slots=True)
class Trial:
    """What was tried: a strip `flat` long, what it `measured` after, as often as that was taken.

    Of folds there are so many, each `depth` deep; an attachment tucks `every` so many stitches of length `stitch`.
    Raises `Refusal` for what cannot be, each with its field and a way out.
    """

    kind: SwatchKind
    flat: Length | None
    measured: tuple[Length, ...]
    folds: int = 0
    depth: Length | None = None
    every: int = 6
    stitch: Length | None = None

    def __post_init__(self) -> None:
        problems = self._problems()
        if problems:
            raise Refusal(problems)

    def _problems(self) -> list[Problem]:
        return [*self._strip_wrong(), *self._measured_wrong(), *self._folds_wrong(), *self._attachment_wrong()]

    def _strip_wrong(self) -> list[Problem]:
        if self.kind is SwatchKind.CARTRIDGE:
            return []
        if self.flat is None:
            return [_wrong("flat", "", "how long the strip was is not said", "measure it flat before it is sewn")]
        if self.flat <= ZERO:
            return [
                _wrong(
                    "flat", _mm(self.flat), "a strip of nought measures nothing", "give its length before it was sewn"
                )
            ]
        return []

    def _measured_wrong(self) -> list[Problem]:
        found = []
        for number, one in enumerate(self.measured):
            if one <= ZERO:
                found.append(_wrong(f"measured.{number}", _mm(one), "nothing is left of it", "measure the strip again"))
            elif self.flat is not None and one > self.flat > ZERO and self.kind is not SwatchKind.CARTRIDGE:
                grew = f"the swatch would have grown from {_mm(self.flat)} to {_mm(one)}"
                way_out = "the flat length comes first: change the two about, or measure again"
                found.append(_wrong(f"measured.{number}", _mm(one), grew, way_out))
        return found

    def _folds_wrong(self) -> list[Problem]:
        if self.kind not in (SwatchKind.FOLD, SwatchKind.CARTRIDGE):
            return []
        found = []
        if self.folds < 1:
            found.append(_wrong("folds", self.folds, "there are no folds to learn from", "say how many were folded"))
        if self.kind is SwatchKind.FOLD and self.depth is None:
            found.append(
                _wrong("depth", "", "how deep each fold was laid is not said", "say the depth that was marked")
            )
        elif (
            self.kind is SwatchKind.FOLD
            and self.depth is not None
            and self.flat is not None
            and not ZERO < self.depth * (2 * max(1, self.folds)) < self.flat
        ):
            way_out = "check how deep each is, and the unit"
            found.append(_wrong("depth", _mm(self.depth), "the folds would take the whole strip", way_out))
        return found

    def _attachment_wrong(self) -> list[Problem]:
        if self.kind is not SwatchKind.ATTACHMENT:
            return []
        found = []
        if self.every not in EVERY:
            tucks = f"an attachment does not tuck every {self.every} stitches"
            found.append(_wrong("every", self.every, tucks, "use 1, 6 or 12, or 0 for none"))
        if self.stitch is None:
            found.append(
                _wrong("stitch", "", "the stitch length is not said", "read it off the machine, in millimetres")
            )
        elif not ZERO < self.stitch <= LONGEST_STITCH:
            long = f"no machine makes stitches of {_mm(self.stitch)}"
            way_out = f"type it in millimetres, {_mm(LONGEST_STITCH)} at the most"
            found.append(_wrong("stitch", _mm(self.stitch), long, way_out))
        return found

    @property
    def ratios(self) -> Tried | None:
        """The mean ratio of what it measured, the least and the greatest; None of folds, and of nothing measured."""
        if not self.measured or self.flat is None or self.kind in (SwatchKind.FOLD, SwatchKind.CARTRIDGE):
            return None
        found = [Swatch(self.flat, one).ratio for one in self.measured]
        return Tried(sum(found, Fraction(0)) / len(found), min(found), max(found))

    @property
    def tuck(self) -> Length | None:
        """What the attachment tucks each time, by the mean."""
        ratios = self.ratios
        if self.kind is not SwatchKind.ATTACHMENT or ratios is None or not self.every or self.stitch is None:
            return None
        return self.stitch * (self.every * (ratios.mean - 1))

    @property
    def mean(self) -> Length | None:
        """The mean of what it measured."""
        return sum(self.measured, ZERO) / len(self.measured) if self.measured else None

    @property
    def turn(self) -> Length | None:
        """What each fold came out narrower by, below nought: wider; None of anything but folds."""
        mean = self.mean
        if self.kind is not SwatchKind.FOLD or mean is None or self.flat is None or self.depth is None:
            return None
        return (self.flat - self.depth * (2 * self.folds) - mean) / self.folds

    @property
    def packed(self) -> Length | None:
        """How wide a fold is packed, None of anything but cartridge."""
        mean = self.mean
        return mean / self.folds if self.kind is SwatchKind.CARTRIDGE and mean is not None else None


def _wrong(field: str, value: object, message: str, way_out: str) -> Problem:
    return Problem("swatch", field, str(value), message, way_out)


def _mm(length: Length) -> str:
    return f"{float(length.mm):g} mm"


def setting_says(every: int, stitch: Length) -> str:
    """A setting in words.

    >>> setting_says(6, Length(3)), setting_says(1, Length(3)), setting_says(0, Length(3))
    ('a tuck every 6 stitches of 3 mm', 'a tuck every stitch of 3 mm', 'no tuck of 3 mm')
    """
    how = "no tuck" if not every else "a tuck every stitch" if every == 1 else f"a tuck every {every} stitches"
    return f"{how} of {stitch_text(stitch)}"


@dataclass(frozen=True, slots=True)
class Setting:
    """A way to set the attachment: a tuck every so many stitches of that length; the ratio it makes."""

    every: int
    stitch: Length
    ratio: Fraction

    @property
    def says(self) -> str:
        """It in words."""
        return setting_says(self.every, self.stitch)


def settings_for(tuck: Length, ratio: Fraction) -> list[Setting]:
    """How to set an attachment of that tuck for a wanted ratio, of each number of stitches whose length a machine makes.

    >>> [(one.every, float(one.stitch.mm)) for one in settings_for(Length(5), Fraction(2))]
    [(1, 5.0), (6, 0.8333333333333334)]
    """
    if ratio <= 1:
        return []
    found = [Setting(every, stitch_for(tuck, every, ratio), ratio) for every in EVERY if every]
    return [one for one in found if SHORTEST_STITCH <= one.stitch <= LONGEST_STITCH]


@dataclass(frozen=True, slots=True)
class Sample:
    """One stretch of a strip to try a setting on: from `start` to `end` along it; what it is expected to make."""

    number: int
    setting: Setting
    start: Length
    end: Length
    expected: Length


def usual_sample(*, imperial: bool) -> tuple[Length, Length]:
    """(how long a sample is, and the gap to the next) where nothing is said."""
    return (Length.inches(8), Length.inches(1)) if imperial else (Length.cm(20), Length.cm(3))


def sampler(settings: Sequence[tuple[int, Length]], each: Length, gap: Length, tuck: Length) -> list[Sample]:
    """Settings (every, stitch) tried one after another on one strip, each on so much of it with a gap between; by a tuck that is known or guessed.

    >>> [(one.number, float(one.start.mm), float(one.end.mm), float(one.expected.mm)) for one in sampler([(6, Length(2)), (1, Length(3))], Length(200), Length(30), Length(6))]
    [(1, 30.0, 230.0, 133.33333333333334), (2, 260.0, 460.0, 66.66666666666667)]
    """
    found, at = [], gap
    for number, (every, stitch) in enumerate(settings, 1):
        ratio = 1 + tuck / (stitch * every) if every else Fraction(1)
        found.append(Sample(number, Setting(every, stitch, ratio), at, at + each, each / ratio))
        at += each + gap
    return found
