"""Reading the lengths, ratios and counts that people type.

The grammar, after signs have been made alike (see `_plain`):

    length   = part {part}                      2' 3 1/2", 1 m 20 cm, 27 1/2
    part     = number [unit word]
    number   = whole | whole ("." | ",") digits | [whole (" " | "-")] whole "/" whole

Everything is bounded before a number is built: at most `LONGEST_TEXT` characters, `MOST_DIGITS` digits a
number, `LONGEST` in all.
"""

from __future__ import annotations

import re
import unicodedata
from fractions import Fraction

from ribbon.lengths.length import Length
from ribbon.lengths.units import UNITS, Unit, unit_named

LONGEST_TEXT = 48
MOST_DIGITS = 12
LONGEST = Length(10_000_000)  # ten kilometres: past any bolt, short of nonsense
MOST_PLEATS = 20_000

_EXAMPLE = 'write it as 27 1/2 in, 27½", 70 cm or 0.7 m'


class Unreadable(ValueError):
    """Raised for text that is not a length, ratio or count.  `message` says why, `way_out` shows how."""

    def __init__(self, message: str, way_out: str) -> None:
        self.message, self.way_out = message, way_out
        super().__init__(f"{message}; {way_out}")


_NUMBER = re.compile(
    r"""(?: (?P<whole>[0-9]+) (?: [ ]+ | - ) )? (?P<top>[0-9]+) [ ]* / [ ]* (?P<bottom>[0-9]+)
      | (?P<decimal> [0-9]+ [.,] [0-9]* | [.,] [0-9]+ )
      | (?P<int> [0-9]+ )""",
    re.VERBOSE,
)
_WORD = re.compile(r"""[a-z]+\.?|''|["']""")

_SIGNS = str.maketrans(
    {"′": "'", "’": "'", "‘": "'", "ʹ": "'", "″": '"', "”": '"', "“": '"', "ʺ": '"'}
    | {"⁄": "/", "∕": "/", "÷": "/", "‐": "-", "‑": "-", "–": "-", "−": "-", "٫": "."}
)


def _plain(text: str) -> str:
    """`text` in lower case with one sign for each meaning.

    Digits of any script become 0-9 and ½ becomes " 1/2"; every other character stays as it is, so that
    anything unexpected is refused rather than guessed at.
    """
    out = []
    for char in text.translate(_SIGNS):
        if char.isascii():
            out.append(char)
        elif (digit := unicodedata.decimal(char, None)) is not None:
            out.append(str(digit))
        elif unicodedata.category(char) == "No" and unicodedata.decomposition(char).startswith("<fraction>"):
            out.append(" " + unicodedata.normalize("NFKC", char).replace("⁄", "/"))
        else:
            out.append(" " if char.isspace() else char)
    return " ".join("".join(out).lower().split())


def _shown(text: str) -> str:
    return text if len(text) <= LONGEST_TEXT else text[: LONGEST_TEXT - 1] + "…"


def _number(match: re.Match[str], text: str) -> Fraction:
    digits = sum(char.isdigit() for char in match.group())
    if digits > MOST_DIGITS:
        raise Unreadable(f"a number of {digits} digits is past any tape", f"use at most {MOST_DIGITS} digits")
    if match["top"]:
        if not int(match["bottom"]):
            raise Unreadable(f"“{_shown(text)}” divides by nought", "write the fraction as 1/2, 3/8 or 5/16")
        return int(match["whole"] or 0) + Fraction(int(match["top"]), int(match["bottom"]))
    if match["decimal"]:
        whole, _, tenths = match["decimal"].replace(",", ".").partition(".")
        if "," in match["decimal"] and len(tenths) == 3 and whole.strip("0"):
            raise Unreadable(
                f"“{_shown(text)}” may mean {whole}{tenths} or {whole}.{tenths}",
                f"write {whole}{tenths} or {whole}.{tenths}",
            )
        return Fraction(int((whole or "0") + tenths), 10 ** len(tenths))
    return Fraction(int(match["int"]))


def _checked(text: str, what: str, example: str) -> str:
    if len(text) > LONGEST_TEXT:
        raise Unreadable(f"{len(text)} characters are too many for {what}", f"use at most {LONGEST_TEXT}; {example}")
    plain = _plain(text)
    if not plain:
        raise Unreadable(f"{what} is missing", example)
    if plain.startswith("-"):
        raise Unreadable(f"“{_shown(text)}” is below nought", f"{what} counts up from nought; {example}")
    return plain


def read_length(text: str, unit: Unit) -> Length:
    r"""The exact length that `text` says; a bare number takes `unit`.

    Mixed fractions, ½ and ⅝, feet and inches, yards, a decimal point or comma, unit signs and words, digits
    of any script.  Raises `Unreadable`.

    >>> read_length("2' 3 1/2\"", UNITS["cm"]) == Length.inches(Fraction(55, 2))
    True
    """
    plain = _checked(text, "a length", _EXAMPLE)
    total, at, last = Length(0), 0, None
    while at < len(plain):
        match = _NUMBER.match(plain, at)
        if match is None:
            raise Unreadable(f"“{_shown(text)}” was not understood as a length", _EXAMPLE)
        value = _number(match, text)
        at = match.end() + (plain[match.end() : match.end() + 1] == " ")
        word = _WORD.match(plain, at)
        if word is not None:
            named = unit_named(word.group())
            if named is None:
                raise Unreadable(f"“{_shown(word.group())}” is not a unit known here", _EXAMPLE)
            at = word.end() + (plain[word.end() : word.end() + 1] == " ")
        elif at < len(plain):
            raise Unreadable(f"“{_shown(text)}” was not understood as a length", _EXAMPLE)
        elif last is None:
            named = unit
        elif last.next_smaller:
            named = UNITS[last.next_smaller]
        else:
            raise Unreadable(f"“{_shown(text)}” ends in a number without a unit", _EXAMPLE)
        if last is not None and named.mm >= last.mm:
            raise Unreadable(
                f"“{_shown(text)}” names its units out of order", "write the larger unit first: 2' 3 1/2\""
            )
        total, last = total + Length(value * named.mm), named
    if total > LONGEST:
        raise Unreadable(f"“{_shown(text)}” is longer than ten kilometres", "check the unit: mm, cm, m, in, ft or yd")
    return total


def read_ratio(text: str) -> Fraction:
    """The ratio that `text` says: ``2.5``, ``2 1/2``, ``2½ times``, ``2.5x``, ``250 %``.  Raises `Unreadable`."""
    example = "write it as 2.5 or 2 1/2"
    plain = _checked(text, "a ratio", example)
    match = _NUMBER.match(plain)
    tail = plain[match.end() :].strip() if match else plain
    if match is None or tail not in ("", "x", "×", "times", "%"):
        raise Unreadable(f"“{_shown(text)}” was not understood as a ratio", example)
    value = _number(match, text) / (100 if tail == "%" else 1)
    if value > 1000:
        raise Unreadable(f"a fullness of {_shown(text)} is past any cloth", "most work lies between 1½ and 4")
    return value


def read_count(text: str) -> int:
    """The whole number that `text` says.  Raises `Unreadable`, also for 2.5 and for more than `MOST_PLEATS`."""
    example = "write a whole number, such as 24"
    plain = _checked(text, "a count", example)
    match = _NUMBER.fullmatch(plain)
    if match is None:
        raise Unreadable(f"“{_shown(text)}” was not understood as a count", example)
    value = _number(match, text)
    if value.denominator != 1:
        low = int(value)
        raise Unreadable(
            f"{_shown(text)} is not a whole count", f"pleats are whole: {low} or {low + 1}" if low else "use 1 or more"
        )
    if value < 1:
        raise Unreadable("a count of nought folds nothing", "use 1 or more")
    if value > MOST_PLEATS:
        raise Unreadable(f"{_shown(text)} pleats are more than can be worked here", f"use at most {MOST_PLEATS}")
    return int(value)
