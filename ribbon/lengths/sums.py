"""Sums of lengths and plain numbers, as people type them.

The grammar, after signs have been made alike (see `plain`):

    sum       = product {("+" | "-") product}
    product   = factor {("*" | "x" | "/" | "÷") factor}
    factor    = "(" sum ")" [unit] | quantity
    quantity  = part {["&" | "-"] part}              2' 3 1/2", 1 m 20 cm, 27 1/2, 5'-6 1/2"
    part      = number [unit]
    number    = whole | whole ("." | ",") digits | [whole (" " | "-")] whole "/" whole

A fraction written close (1/2) is a number and binds more tightly than a division (1 / 2).  A quantity without any unit
is bare: what it is follows from where it stands.
"""

from __future__ import annotations

import re
from dataclasses import dataclass

from ribbon.fraction import Fraction
from ribbon.lengths.plain import quoted
from ribbon.lengths.units import UNITS, Unit, unit_named

MOST_DIGITS = 12
_MOST_IN_A_FRACTION = 80
_LONG = Fraction(100_000)  # a hundred metres: past any edge
_EXAMPLE = 'write it as 27 1/2 in, 27½", 70 cm or 0.7 m'


class Unreadable(ValueError):
    """Raised for text that is not what it should be.  `message` says why, `way_out` shows how."""

    def __init__(self, message: str, way_out: str) -> None:
        self.message, self.way_out = message, way_out
        super().__init__(f"{message}; {way_out}")


@dataclass(frozen=True, slots=True)
class Amount:
    """What a sum comes to: `value` in millimetres to the power `power` (0 a number, 1 a length, 2 an area).

    A `bare` amount was written without any unit.  `start` and `end` are where it stands in the text.
    """

    value: Fraction
    power: int
    bare: bool
    start: int
    end: int


_NUMBER = re.compile(
    r"""(?: (?P<whole>[0-9]+) (?: [ ]+ | - ) )? (?P<top>[0-9]+) / (?P<bottom>[0-9]+)
      | (?P<loose>[0-9]+) [ ]+ (?P<above>[0-9]+) [ ] / [ ] (?P<below>[0-9]+)
      | (?P<decimal> [0-9]+ [.,] [0-9]* | [.,] [0-9]+ )
      | (?P<int> [0-9]+ )""",
    re.VERBOSE,
)
_WORD = re.compile(r"""[a-z]+\.?|''|["']""")
_THOUSANDS = re.compile(r"[0-9]{1,3}'[0-9]{3}(?![0-9])")


class Sum:
    """One text being reckoned.  `unit` is what a bare number takes beside a length."""

    def __init__(self, said: str, typed: str, unit: Unit, what: str = "a length", example: str = _EXAMPLE) -> None:
        self.said, self.typed, self.unit, self.what, self.example = said, typed, unit, what, example
        self.at = 0
        self.taken: list[tuple[int, int]] = []
        """Where bare amounts stand that took the unit, since they stand beside a length."""

    def amount(self) -> Amount:
        """What the whole text comes to.  Raises `Unreadable`."""
        found = self._sum(0)
        if self.at < len(self.said):
            raise self._not_understood()
        return found

    def _not_understood(self) -> Unreadable:
        return Unreadable(f"“{quoted(self.typed)}” was not understood as {self.what}", self.example)

    def _skip(self) -> None:
        while self.at < len(self.said) and self.said[self.at] == " ":
            self.at += 1

    def _next(self, signs: str) -> str:
        """The sign that stands next, if it is one of `signs`; it is passed over."""
        self._skip()
        sign = self.said[self.at : self.at + 1]
        if not sign or sign not in signs:
            return ""
        self.at += 1
        return sign

    def _sum(self, depth: int) -> Amount:
        if depth > 12:
            raise Unreadable(f"“{quoted(self.typed)}” has too many brackets", "use fewer brackets")
        found = self._product(depth)
        while sign := self._next("+-"):
            found = self._added(found, self._product(depth), 1 if sign == "+" else -1)
        return found

    def _added(self, a: Amount, b: Amount, sign: int) -> Amount:
        if a.power != b.power:
            if a.bare and b.power == 1:
                a = self._as_length(a)
            elif b.bare and a.power == 1:
                b = self._as_length(b)
            else:
                raise Unreadable(
                    f"“{quoted(self.typed)}” adds a number to a length",
                    "give both a unit, or neither",
                )
        return Amount(a.value + sign * b.value, a.power, a.bare and b.bare, a.start, b.end)

    def _as_length(self, one: Amount) -> Amount:
        self.taken.append((one.start, one.end))
        return Amount(one.value * self.unit.mm, 1, False, one.start, one.end)

    def _product(self, depth: int) -> Amount:
        found = self._factor(depth)
        while sign := self._next("*x/÷"):
            other = self._factor(depth)
            if sign in "*x":
                value, power = found.value * other.value, found.power + other.power
            elif not other.value:
                raise Unreadable(f"“{quoted(self.typed)}” divides by nought", "divide by another number")
            else:
                value, power = found.value / other.value, found.power - other.power
            found = Amount(value, power, found.bare and other.bare, found.start, other.end)
        return found

    def _factor(self, depth: int) -> Amount:
        self._skip()
        start = self.at
        if self._next("("):
            inner = self._sum(depth + 1)
            if not self._next(")"):
                raise Unreadable(f"“{quoted(self.typed)}” opens a bracket and does not close it", "close the bracket")
            self._skip()
            unit = self._unit() if inner.bare else None
            value, power = (inner.value * unit.mm, 1) if unit else (inner.value, inner.power)
            return Amount(value, power, inner.bare and unit is None, start, self.at)
        return self._quantity()

    def _unit(self) -> Unit | None:
        """The unit that stands next, if any word does; the sign x is no unit."""
        word = _WORD.match(self.said, self.at)
        if word is None or (word.group() == "x"):
            return None
        named = unit_named(word.group())
        if named is None:
            raise Unreadable(f"“{quoted(word.group())}” is not a unit known here", self.example)
        self.at = word.end()
        return named

    def _number(self) -> tuple[Fraction, bool]:
        """(the number that stands next, whether it is a part of one)."""
        if _THOUSANDS.match(self.said, self.at):
            found = _THOUSANDS.match(self.said, self.at)
            text = found.group() if found else ""
            feet, rest = text.split("'")
            raise Unreadable(
                f"“{quoted(self.typed)}” may mean {feet}{rest} or {feet} ft {rest} in",
                f"write {feet}{rest} or {feet} ft {rest} in",
            )
        match = _NUMBER.match(self.said, self.at)
        if match is None:
            raise self._not_understood()
        whole = match["whole"]
        if whole and self.said[match.end("whole")] == "-" and int(match["top"]) >= int(match["bottom"]):
            # 5-7/2 is no mixed number: it takes away.
            self.at = match.end("whole")
            return Fraction(int(whole)), False
        self.at = match.end()
        return self._value(match), match["top"] is not None and not whole

    def _value(self, match: re.Match[str]) -> Fraction:
        digits = sum(char.isdigit() for char in match.group())
        top, bottom = match["top"] or match["above"], match["bottom"] or match["below"]
        most = _MOST_IN_A_FRACTION if top else MOST_DIGITS
        if digits > most:
            raise Unreadable(f"a number of {digits} digits is past any tape", f"use at most {most} digits")
        if top:
            if not int(bottom):
                raise Unreadable(f"“{quoted(self.typed)}” divides by nought", "write the fraction as 1/2, 3/8 or 5/16")
            return int(match["whole"] or match["loose"] or 0) + Fraction(int(top), int(bottom))
        if match["decimal"]:
            whole, _, tenths = match["decimal"].replace(",", ".").partition(".")
            if len(tenths) == 3 and whole.strip("0") and self._thousands(match):
                raise Unreadable(
                    f"“{quoted(self.typed)}” may mean {whole}{tenths} or {whole}.{tenths}",
                    f"write {whole}{tenths} or {whole}.{tenths}0",
                )
            return Fraction(int((whole or "0") + tenths), 10 ** len(tenths))
        return Fraction(int(match["int"]))

    def _thousands(self, match: re.Match[str]) -> bool:
        """True where a sign before three digits may part off thousands: not in what is plainly meant as decimals."""
        if self.what == "a ratio":
            return False  # no ratio goes into thousands
        if "," in match["decimal"]:
            return True
        word = _WORD.match(self.said, match.end() + (self.said[match.end() : match.end() + 1] == " "))
        unit = (unit_named(word.group()) if word else None) or self.unit
        # Eighths of an inch are often typed so, and nobody writes thousands of metres, feet or yards, nor of what
        # would be longer than any cloth.
        eighths = unit.binary and int(match["decimal"][-3:]) % 125 == 0 and match["decimal"][-3:] != "000"
        if self.what == "a count":
            return True
        thousands = int(match["decimal"].replace(".", "")) * unit.mm
        return not eighths and unit.sign not in ("m", "ft", "yd") and thousands <= _LONG

    def _quantity(self) -> Amount:
        start = self.at
        value, part = self._number()
        end = self.at
        self._skip()
        last = self._unit()
        if last is None:
            self.at = end
            self._no_number_behind()
            return Amount(value, 0, True, start, end)
        total = value * last.mm
        while True:
            end = self.at
            joined = self._joined(last)
            if joined is None:
                self.at = end
                return Amount(total, 1, False, start, end)
            value, part = self._number()
            behind = self.at
            self._skip()
            named = self._unit()
            if named is None:
                self.at = behind
                named = self._unsaid(last, value, joined, part=part)
            elif named.mm >= last.mm:
                raise Unreadable(
                    f"“{quoted(self.typed)}” names its units out of order", "write the larger unit first: 2' 3 1/2\""
                )
            total, last = total + value * named.mm, named

    def _no_number_behind(self) -> None:
        ahead = self.said[self.at :].lstrip()
        if ahead[:1].isdigit() or ahead[:1] in (".", ",", "&"):
            raise self._not_understood()

    def _joined(self, last: Unit) -> str | None:
        """How another part of the same length is joined to what stands before it: "", "&" or "-"; None without one."""
        rest = self.said[self.at :]
        if last.sign == "ft" and re.match(r"-[0-9]", rest):
            self.at += 1
            return "-"
        self._skip()
        if self._next("&"):
            self._skip()
            return "&"
        ahead = self.said[self.at : self.at + 1]
        if ahead.isdigit() or (ahead in (".", ",") and self.said[self.at + 1 : self.at + 2].isdigit()):
            return ""
        return None

    def _unsaid(self, last: Unit, value: Fraction, joined: str, *, part: bool) -> Unit:
        """The unit of a number that names none, after one in `last`: a part is of the same, a whole number of the next smaller."""
        if part and value < 1 and (joined == "&" or last.sign != "ft"):
            return last
        if last.next_smaller:
            return UNITS[last.next_smaller]
        raise Unreadable(f"“{quoted(self.typed)}” ends in a number without a unit", self.example)
