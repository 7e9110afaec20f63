"""Writing lengths as a tape shows them: the one place, beside the tape itself, where a length is rounded."""

from __future__ import annotations

from collections.abc import Iterable
from functools import cache
from math import gcd
from typing import NamedTuple

from ribbon.fraction import Fraction
from ribbon.lengths.length import Length
from ribbon.lengths.units import UNITS, Unit

ABOUT = "≈"


class Written(NamedTuple):
    """A length as text: `text` carries its unit and, when rounded, ≈ before it; `exact` tells the two apart."""

    text: str
    exact: bool


def _nearest(value: Fraction) -> int:
    # Halves go up, so that a mark half way between two divisions is written the same at every place.
    return (2 * value.numerator + value.denominator) // (2 * value.denominator)


class _Figures(dict[int, str]):
    """The figure and the unit for so many parts of it: `27 1/2 in`, `69.9 cm`.

    A tape has few divisions and they are written over and over: those of the first metres are kept.
    """

    def __init__(self, unit: Unit, parts: int) -> None:
        super().__init__()
        self._parts, self._unit, self._binary = parts, f" {unit.sign}", unit.binary
        if unit.binary:
            self._tails = ["", *(f" {n // gcd(n, parts)}/{parts // gcd(n, parts)}" for n in range(1, parts))]
        else:
            digits = len(str(parts)) - 1
            self._tails = ["", *(f".{n:0{digits}d}".rstrip("0") for n in range(1, parts))]

    def __missing__(self, steps: int) -> str:
        whole, part = divmod(steps, self._parts)
        tail = self._tails[part]
        written = f"{tail[1:] if part and not whole and self._binary else f'{whole}{tail}'}{self._unit}"
        if steps <= _KEPT:
            self[steps] = written
        return written


_KEPT = 16_384
_SIMPLE = 100
_MILLIMETRE = UNITS["mm"]

# One for each unit and division in use: a handful.
_figures = cache(_Figures)


class Scribe:
    """Writes lengths in one unit at one tape division.

    Binary units (inches, feet, yards) are written in true fractions of the division's denominator; the others
    in decimals.  `division` is the tape's smallest division; None writes at a fine default (1/64 in, 0.1 mm).
    A length that is not a whole number of divisions is written rounded, with ≈.

    >>> from ribbon.lengths.units import UNITS
    >>> Scribe(UNITS["in"], Length.inches(Fraction(1, 16))).write(Length.inches(Fraction(53, 11)))
    Written(text='≈4 13/16 in', exact=False)
    """

    def __init__(self, unit: Unit, division: Length | None) -> None:
        self.unit, self.division = unit, division
        if unit.binary:
            # A metric tape read in inches still writes halves down to the finest that it shows.
            parts = 64 if division is None else unit.mm / division.mm
            self._parts = next((n for n in (1, 2, 4, 8, 16, 32, 64) if n >= parts), 64)
            if division is not None and Fraction(parts).denominator == 1 and parts <= 1024:
                self._parts = int(parts)
        else:
            finest = Fraction(1, 10) if division is None else min(division.mm, unit.mm / 10)
            self._parts = next((n for n in (1, 10, 100, 1000, 10_000) if unit.mm / n <= finest), 10_000)
        step = unit.mm / self._parts
        self._step_top, self._step_bottom = step.numerator, step.denominator
        self._figures = _figures(unit, self._parts)

    def finer(self) -> Scribe:
        """A scribe for sizes rather than places: one more decimal, the same fractions."""
        if self.unit.binary or self.division is None:
            return self
        return Scribe(self.unit, Length(self.division.mm / 10))

    def write(self, length: Length) -> Written:
        """`length` in words and figures with its unit."""
        mm = length.mm
        return self.write_parts(mm.numerator, mm.denominator)

    def write_mm(self, mm: Fraction) -> Written:
        """As `write`, from a fraction of a millimetre."""
        return self.write_parts(mm.numerator, mm.denominator)

    def write_parts(self, value: int, parts: int) -> Written:
        """As `write`, from a whole number of parts, `parts` to the millimetre: whole numbers only, for long lists."""
        top, bottom = value * self._step_bottom, parts * self._step_top
        steps, rest = divmod(abs(top), bottom)
        if rest:
            steps = (2 * abs(top) + bottom) // (2 * bottom)  # halves away from nought, as a tape is read
        sign = "−" if value < 0 and steps else ""
        return Written(f"{ABOUT if rest else ''}{sign}{self._figures[steps]}", not rest)

    def write_each(self, values: Iterable[int], parts: int) -> list[tuple[str, bool]]:
        """(text, exact) as `write_parts` has it for each of `values`, none below nought; quick, for long lists.

        >>> from ribbon.lengths import UNITS
        >>> [text for text, _ in Scribe(UNITS["cm"], Length(1)).write_each([15, 31], 2)]
        ['≈0.8 cm', '≈1.6 cm']
        """
        top, bottom = self._step_bottom, parts * self._step_top
        figures = self._figures
        found = []
        for value in values:
            steps, rest = divmod(value * top, bottom)
            if rest:
                found.append((ABOUT + figures[steps + (2 * rest >= bottom)], False))
            else:
                found.append((figures[steps], True))
        return found


def typed(length: Length, unit: Unit) -> str:
    """`length` as it is typed: exact, in `unit` where a short figure says it, else as a fraction: of a
    millimetre, or of the unit itself where that is parted in fractions.

    `read_length` makes the same length of it in whatever unit it reads bare numbers.

    >>> from ribbon.lengths.units import UNITS
    >>> cm, inch = UNITS["cm"], UNITS["in"]
    >>> typed(Length(305), cm), typed(Length(Fraction(202, 9)), cm), typed(Length.inches(Fraction(53, 11)), inch)
    ('30.5 cm', '22 4/9 mm', '4 9/11 in')
    """
    for other in (unit, _MILLIMETRE):
        value = length.mm / other.mm
        whole, rest = divmod(value, 1)
        if other.binary:
            # Of what was measured in inches even an odd part is a simple one.
            if rest.denominator <= _SIMPLE:
                return " ".join(
                    filter(None, (str(whole) if whole or not rest else "", str(rest) if rest else "", other.sign))
                )
        else:
            digits = next((n for n in (0, 1, 2, 4) if (value * 10**n).denominator == 1), None)
            if digits is not None:
                figure = f"{value.numerator * 10**digits // value.denominator:0{digits + 1}d}"
                return f"{figure[:-digits]}.{figure[-digits:]} {other.sign}" if digits else f"{figure} {other.sign}"
    # An odd part stays one of the unit that the work is in, inches at the least.
    other = unit if unit.binary else _MILLIMETRE
    whole, rest = divmod(length.mm / other.mm, 1)
    return f"{whole} {rest} {other.sign}" if whole else f"{rest} {other.sign}"


def counted(number: int, name: str) -> str:
    """A number of things, `name` being their plural: 1 piece, 2 pieces."""
    return f"{number} {name[:-1] if number == 1 else name}"


def typed_number(value: Fraction) -> str:
    """A count or a ratio as it is typed, exactly: ``24``, ``2 1/2``."""
    whole, rest = divmod(value, 1)
    return f"{whole} {rest}" if whole and rest else str(value)


def write_ratio(ratio: Fraction) -> Written:
    """A ratio in figures: a true fraction where it is a simple one, else two decimals with ≈.

    >>> write_ratio(Fraction(5, 2)).text, write_ratio(Fraction(100, 47)).text
    ('2 1/2', '≈2.13')
    """
    if ratio.denominator in (1, 2, 3, 4, 8):
        whole, rest = divmod(ratio.numerator, ratio.denominator)
        part = f"{rest}/{ratio.denominator}" if rest else ""
        return Written(" ".join(filter(None, (str(whole) if whole or not rest else "", part))), True)
    hundredths = _nearest(ratio * 100)
    exact = ratio == Fraction(hundredths, 100)
    figure = f"{hundredths // 100}.{hundredths % 100:02d}".rstrip("0").rstrip(".")
    return Written(f"{'' if exact else ABOUT}{figure}", exact)
