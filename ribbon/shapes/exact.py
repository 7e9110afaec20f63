"""Where exactness ends: π, square roots and directions as bounded rationals.  From here on all is exact again.

At ten metres each of them is right to far less than a thousandth of a millimetre; how far is said with each.
"""

from __future__ import annotations

from math import atan2, cos, isqrt, sin, tau

from ribbon.fraction import Fraction

PI = Fraction(103993, 33102)
"""π to within 6 parts in 10¹⁰: the edge of a circle 10 m across is right to a hundred-thousandth of a millimetre."""

_FINE = 10**9
_EIGHTH = Fraction(isqrt(10**24 // 2), 10**12)
"""What a direction half way between two axes goes along each of them: √½, less by under 10⁻¹²."""
_SHARES = {
    (1, 0): Fraction(0), (1, 1): Fraction(1, 8), (0, 1): Fraction(1, 4), (-1, 1): Fraction(3, 8),
    (-1, 0): Fraction(1, 2), (-1, -1): Fraction(5, 8), (0, -1): Fraction(3, 4), (1, -1): Fraction(7, 8),
}  # fmt: skip
"""The eight directions that are met most, and what part of a full turn leads to each."""


def root(value: Fraction) -> Fraction:
    """The square root of `value`, exact where it is rational, else less by under 10⁻⁹.

    >>> root(Fraction(9, 4)), abs(root(Fraction(2)) ** 2 - 2) < Fraction(1, 10**8)
    (Fraction(3, 2), True)
    """
    if value < 0:
        raise ArithmeticError(f"{value} has no root")
    top, bottom = isqrt(value.numerator), isqrt(value.denominator)
    if top * top == value.numerator and bottom * bottom == value.denominator:
        return Fraction(top, bottom)
    return Fraction(isqrt(value.numerator * _FINE * _FINE // value.denominator), _FINE)


def direction(share: Fraction) -> tuple[Fraction, Fraction]:
    """(x, y) of length one after that part of a full turn from the x axis: exact by quarters.

    Elsewhere each is right to within 10⁻¹²: at ten metres to a hundred-millionth of a millimetre.

    >>> direction(Fraction(1, 4)), direction(Fraction(1, 2))
    ((Fraction(0, 1), Fraction(1, 1)), (Fraction(-1, 1), Fraction(0, 1)))
    """
    share %= 1
    for (x, y), known in _SHARES.items():
        if share == known:
            along = _EIGHTH if x and y else Fraction(1)
            return x * along, y * along
    angle = tau * float(share)
    return Fraction(cos(angle)).limit_denominator(10**12), Fraction(sin(angle)).limit_denominator(10**12)


def share_of(x: Fraction, y: Fraction) -> Fraction:
    """The part of a full turn from the x axis to the direction (x, y), from 0 to under 1; right to within 10⁻¹².

    >>> share_of(Fraction(-3), Fraction(-3))
    Fraction(5, 8)
    """
    if not x and not y:
        raise ArithmeticError("nothing has no direction")
    if not x or not y or abs(x) == abs(y):
        return _SHARES[(x > 0) - (x < 0), (y > 0) - (y < 0)]
    return Fraction(atan2(float(y), float(x)) / tau).limit_denominator(10**12) % 1
