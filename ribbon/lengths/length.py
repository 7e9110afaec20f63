"""An exact length."""

from __future__ import annotations

from typing import Self, overload

from ribbon.fraction import Fraction


class Length:
    """An exact length, held as a fraction of a millimetre.

    Lengths add to and subtract from lengths, multiply and divide by whole numbers and fractions; a length
    divided by a length is a `Fraction`.  A bare number or a float in + and -, and a float anywhere, raises
    `TypeError`: a number without a unit is not a length, and a float is not exact.

    >>> Length.inches(1) == Length(Fraction(127, 5))
    True
    >>> Length(700) / Length(30)
    Fraction(70, 3)
    """

    __slots__ = ("mm",)
    mm: Fraction

    def __init__(self, mm: int | Fraction) -> None:
        if type(mm) is not Fraction:
            if isinstance(mm, bool) or not isinstance(mm, int | Fraction):
                raise TypeError(
                    f"a length is made from a whole number or a Fraction of millimetres, not {type(mm).__name__}"
                )
            mm = Fraction(mm)
        object.__setattr__(self, "mm", mm)

    def __setattr__(self, name: str, value: object) -> None:
        raise AttributeError("a length does not change; make another")

    @classmethod
    def inches(cls, inches: int | Fraction) -> Self:
        """The length of that many inches; 1 in is 127/5 mm exactly."""
        return cls(inches * Fraction(127, 5))

    @classmethod
    def cm(cls, cm: int | Fraction) -> Self:
        """The length of that many centimetres."""
        return cls(Fraction(cm) * 10)

    def __add__(self, other: Length) -> Length:
        return Length(self.mm + other.mm) if isinstance(other, Length) else NotImplemented

    def __sub__(self, other: Length) -> Length:
        return Length(self.mm - other.mm) if isinstance(other, Length) else NotImplemented

    def __mul__(self, times: int | Fraction) -> Length:
        return Length(self.mm * times) if isinstance(times, int | Fraction) else NotImplemented

    __rmul__ = __mul__

    @overload
    def __truediv__(self, by: Length) -> Fraction: ...
    @overload
    def __truediv__(self, by: int | Fraction) -> Length: ...
    def __truediv__(self, by: Length | int | Fraction) -> Fraction | Length:
        if isinstance(by, Length):
            return self.mm / by.mm
        return Length(self.mm / by) if isinstance(by, int | Fraction) else NotImplemented

    def __neg__(self) -> Length:
        return Length(-self.mm)

    def __abs__(self) -> Length:
        return Length(abs(self.mm))

    def __eq__(self, other: object) -> bool:
        return self.mm == other.mm if isinstance(other, Length) else NotImplemented

    def __lt__(self, other: Length) -> bool:
        return self.mm < other.mm if isinstance(other, Length) else NotImplemented

    def __le__(self, other: Length) -> bool:
        return self.mm <= other.mm if isinstance(other, Length) else NotImplemented

    def __gt__(self, other: Length) -> bool:
        return self.mm > other.mm if isinstance(other, Length) else NotImplemented

    def __ge__(self, other: Length) -> bool:
        return self.mm >= other.mm if isinstance(other, Length) else NotImplemented

    def __hash__(self) -> int:
        return hash((Length, self.mm))

    def __bool__(self) -> bool:
        return self.mm != 0

    def __repr__(self) -> str:
        return f"Length({self.mm} mm)"


ZERO = Length(0)
