"""A plaid followed along a wrap: which stripe stands where, and how deep a fold must be to bring one to its place."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from typing import NamedTuple

from ribbon.cloth import Stripe, lined_up, repeat_of, whole_repeats
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length


def middle_of(stripes: Sequence[Stripe], number: int) -> Length:
    """How far into the sequence the middle of a stripe lies, by its number from 1."""
    return -lined_up(stripes, number - 1, ZERO, "middle")


def on_from(at: Length, least: Length, repeat: Length) -> Length:
    """The least length from `least` on that differs from `at` by whole repeats; `least` itself of plain cloth.

    >>> cm = Length.cm
    >>> [float(on_from(cm(at), cm(10), cm(24)).mm) for at in (3, 10, 11, -15)]
    [270.0, 100.0, 110.0, 330.0]
    """
    return at + whole_repeats(least - at, repeat)


def stripe_at(stripes: Sequence[Stripe], at: Length) -> int:
    """The number from 1 of the stripe that lies so far into the sequence, over and over."""
    repeat = repeat_of(stripes)
    rest = at - repeat * (Fraction(at / repeat).numerator // Fraction(at / repeat).denominator)
    for number, stripe in enumerate(stripes, 1):
        if rest < stripe.width:
            return number
        rest -= stripe.width
    return len(stripes)


class Coloured(NamedTuple):
    """A stretch of one colour."""

    colour: str
    long: Length


def between(stripes: Sequence[Stripe], start: Length, end: Length) -> list[Coloured]:
    """The colours from one place of the sequence to a later one."""
    found: list[Coloured] = []
    repeat = repeat_of(stripes)
    turns = Fraction(start / repeat)
    at = repeat * (turns.numerator // turns.denominator)
    while at < end:
        for stripe in stripes:
            low, high = (max(at, start), min(at + stripe.width, end))
            if low < high:
                found.append(Coloured(stripe.colour, high - low))
            at += stripe.width
    return found


def alike(stripes: Sequence[Stripe], middle: Length, half: Length) -> bool:
    """Whether both sides of a place look the same, as far as `half` to either side."""
    left, right = between(stripes, middle - half, middle), between(stripes, middle, middle + half)
    return _merged(reversed(left)) == _merged(right)


def _merged(bands: Iterable[Coloured]) -> list[Coloured]:
    found: list[Coloured] = []
    for band in bands:
        if found and found[-1].colour == band.colour:
            found[-1] = Coloured(band.colour, found[-1].long + band.long)
        else:
            found.append(band)
    return found
