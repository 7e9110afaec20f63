"""Reading the lengths, ratios, counts, parts, prices and weights that people type.

What is read may be a sum (see `sums`).  Everything is bounded before a number is built: at most `LONGEST_TEXT`
characters, `MOST_DIGITS` digits a number, `LONGEST` in all.
"""

from __future__ import annotations

import re
import unicodedata
from functools import lru_cache
from math import gcd

from ribbon.fraction import Fraction
from ribbon.lengths.length import Length
from ribbon.lengths.plain import LONGEST_TEXT, PARTS, plain, quoted
from ribbon.lengths.sums import Amount, Sum, Unreadable
from ribbon.lengths.units import UNITS, Unit

LONGEST = Length(10_000_000)  # ten kilometres: past any bolt, short of nonsense
MOST_PLEATS = 20_000

_EXAMPLE = 'write it as 27 1/2 in, 27½", 70 cm or 0.7 m'
_LOOSE = re.compile(r"^(?:~|≈|about|approximately|approx\.?|around|roughly|circa|ca?\.)\s*(?=\S)", re.IGNORECASE)
_LOOSE_END = re.compile(r"(?<=\S)(?:\s*-?ish|\s+or so)$", re.IGNORECASE)
_SO_MANY = re.compile(r"(?<![0-9./,])([0-9]{1,6}) +(half|third|quarter|fourth|eighth|sixteenth)\b")
"""Parts in the singular behind a number: 3 quarter is three of them, 27 half may be either."""
_COUNTED = re.compile(r"(?<=[0-9])\s*(?:pleats?|tucks?|folds?|boxes|box|gathers|pinches|points?|rings?|hooks?|x)\.?$")
_TIMES_BEFORE, _TIMES_AFTER = re.compile(r"^[x*]\s*"), re.compile(r"\s*(?:x|\*|times|-?fold)$")
_PERCENT = re.compile(r"\s*(?:%|percent|per cent|pct\.?)$")
_TO = re.compile(r"\s*(?:/|:|\bto\b)\s*")
_FULL = {"single": 1, "double": 2, "twice": 2, "triple": 3, "treble": 3, "thrice": 3}

POUND = Fraction(45_359_237, 100_000)
OUNCE_A_YARD = Fraction(28_349_523_125, 10**9) / Fraction(83_612_736, 10**8)
"""Grams a square metre in one ounce a square yard, exactly."""
_MOST_OUNCES = 60
_GRAMS = re.compile(r"\s*(?:gsm|g ?/ ?m ?(?:2|²|\^2)|g ?/ ?sqm|g(?:rams?)?)\.?$")
_OUNCES = re.compile(r"\s*oz\.?(?: ?/ ?(?:yd|yard)(?:2|²|\^2)?| ?/ ?sq\.? ?(?:yd|yard)| a (?:square )?yard)?\.?$")


def loosened(text: str) -> tuple[str, bool]:
    """(`text` without what says that it is about, whether it says so): ``~3``, ``about 3``, ``approx. 3``, ``3ish``.

    >>> loosened("about 3 cm"), loosened("3ish"), loosened("3 cm")
    (('3 cm', True), ('3', True), ('3 cm', False))
    """
    said = text.strip()
    bare = _LOOSE_END.sub("", _LOOSE.sub("", said))
    return (bare, True) if bare != said else (text, False)


def _checked(text: str, what: str, example: str) -> str:
    if len(text) > LONGEST_TEXT:
        raise Unreadable(f"{len(text)} characters are too many for {what}", f"use at most {LONGEST_TEXT}; {example}")
    bare, loose = loosened(text)
    if loose:
        raise Unreadable(f"“{quoted(text)}” is about, and here it must be firm", f"write {bare}")
    many = _SO_MANY.search(text.lower())
    if many and (int(many[1]) >= PARTS[many[2]] or gcd(int(many[1]), PARTS[many[2]]) > 1) and many[1] != "1":
        whole, part = int(many[1]), PARTS[many[2]]
        raise Unreadable(
            f"“{quoted(text)}” may mean {whole} 1/{part} or {whole}/{part}", f"write {whole} 1/{part} or {whole}/{part}"
        )
    said = plain(text)
    if not said:
        raise Unreadable(f"{what} is missing", example)
    if said.startswith("-"):
        raise Unreadable(f"“{quoted(text)}” is below nought", f"{what} counts up from nought; {example}")
    return said


def _bounded(found: Amount, text: str, what: str, example: str) -> Amount:
    if found.value < 0:
        raise Unreadable(f"“{quoted(text)}” comes to less than nought", f"{what} counts up from nought; {example}")
    return found


def _length_of(text: str, unit: Unit) -> tuple[Sum, Amount]:
    reckoned = Sum(_checked(text, "a length", _EXAMPLE), text, unit)
    found = _bounded(reckoned.amount(), text, "a length", _EXAMPLE)
    if found.power not in (0, 1) or (found.power == 0 and not found.bare):
        makes = {2: "an area", 0: "a number"}.get(found.power, "no length")
        raise Unreadable(
            f"“{quoted(text)}” makes {makes} and no length", "multiply and divide lengths by plain numbers"
        )
    return reckoned, found


# A work's answer reads the same few texts again with each key that is pressed.
@lru_cache(maxsize=4096)
def read_length(text: str, unit: Unit) -> Length:
    r"""The exact length that `text` says; a bare number takes `unit`.

    Mixed fractions, ½ and ⅝, numbers in words, feet and inches, yards, a decimal point or comma, unit signs and
    words, digits of any script, and sums of these.  Raises `Unreadable`, also for what may mean two things.

    >>> read_length("2' 3 1/2\"", UNITS["cm"]) == Length.inches(Fraction(55, 2))
    True
    >>> read_length("(70 + 2) / 4", UNITS["cm"]) == Length.cm(18)
    True
    """
    _, found = _length_of(text, unit)
    total = Length(found.value if found.power else found.value * unit.mm)
    if total > LONGEST:
        raise Unreadable(f"“{quoted(text)}” is longer than ten kilometres", "check the unit: mm, cm, m, in, ft or yd")
    return total


def with_unit(text: str, unit: Unit) -> str:
    """`text` so that it says the same length in whatever unit bare numbers are read, having been typed in `unit`.

    As it is where it names its units itself, or cannot be read.

    >>> [with_unit(text, UNITS["cm"]) for text in ("70", "42+5", "70 cm + 2", "27 in", "about 3")]
    ['70 cm', '(42+5) cm', '70 cm + 2 cm', '27 in', 'about 3 cm']
    """
    bare, loose = loosened(text)
    if loose:
        return f"about {with_unit(bare, unit)}"
    try:
        reckoned, found = _length_of(text, unit)
    except Unreadable:
        return text
    if found.bare:
        return _unit_behind(text.strip(), unit)
    said = reckoned.said
    for start, end in sorted(reckoned.taken, reverse=True):
        said = said[:start] + _unit_behind(said[start:end], unit) + said[end:]
    return said if reckoned.taken else text


def _unit_behind(text: str, unit: Unit) -> str:
    alone = re.fullmatch(r"[^-+*×÷()x]+|[0-9]+-[0-9]+/[0-9]+", text) and not re.search(r"[0-9] */ *[0-9]+ */", text)
    return f"{text} {unit.sign}" if alone else f"({text}) {unit.sign}"


def read_ratio(text: str) -> Fraction:
    """The ratio that `text` says: ``2.5``, ``2½ times``, ``x2.5``, ``250 %``, ``5:2``, ``double``.  Raises `Unreadable`."""
    example = "write it as 2.5 or 2 1/2"
    said = _checked(text, "a ratio", example)
    if said in _FULL:
        return Fraction(_FULL[said])
    hundredths = _PERCENT.search(said)
    said = _TIMES_BEFORE.sub("", _PERCENT.sub("", _TIMES_AFTER.sub("", said)))
    value = _pure(said, text, "a ratio", example) / (100 if hundredths else 1)
    if value > 1000:
        raise Unreadable(f"a fullness of {quoted(text)} is past any cloth", "most work lies between 1½ and 4")
    return value


def _pure(said: str, text: str, what: str, example: str) -> Fraction:
    """The plain number that `said` comes to, a part of a whole written with a colon or "to" too."""
    one, *other = _TO.split(said) if ":" in said or " to " in said else [said]
    values = []
    for side in (one, *other[:1]):
        found = _bounded(Sum(side, text, UNITS["mm"], what, example).amount(), text, what, example)
        if found.power:
            raise Unreadable(f"“{quoted(text)}” is a length and not {what}", example)
        values.append(found.value)
    if len(other) > 1 or (other and not values[1]):
        raise Unreadable(f"“{quoted(text)}” was not understood as {what}", example)
    return values[0] / values[1] if other else values[0]


def read_count(text: str) -> int:
    """The whole number that `text` says: ``24``, ``12 pleats``, ``2*12``.

    Raises `Unreadable`, also for 2.5 and for more than `MOST_PLEATS`.
    """
    example = "write a whole number, such as 24"
    said = _COUNTED.sub("", _checked(text, "a count", example))
    value = _pure(said, text, "a count", example)
    if value.denominator != 1:
        low = int(value)
        raise Unreadable(
            f"{quoted(text)} is not a whole count", f"pleats are whole: {low} or {low + 1}" if low else "use 1 or more"
        )
    if value < 1:
        raise Unreadable("a count of nought folds nothing", "use 1 or more")
    if value > MOST_PLEATS:
        raise Unreadable(f"{quoted(text)} pleats are more than can be worked here", f"use at most {MOST_PLEATS}")
    return int(value)


def read_part(text: str) -> Fraction:
    """The part of a whole that `text` says in hundredths: ``5``, ``5 %`` and ``5 percent`` are 1/20.

    Raises `Unreadable`, also for 0.05, which may mean 5 % or a twentieth of one.
    """
    example = "write it as 5 %"
    said = _checked(text, "a part", example)
    hundredths = _PERCENT.search(said)
    value = _pure(_PERCENT.sub("", said), text, "a part", example)
    if not hundredths and 0 < value < Fraction(1, 2):
        meant = f"{float(value * 100):g} %"
        raise Unreadable(
            f"did you mean {meant}, or {float(value):g} % as it stands", f"write {meant} or {float(value):g} %"
        )
    if value > 1000:
        raise Unreadable(f"{quoted(text)} is more than all there is", example)
    return value / 100


def price_sign(text: str) -> str:
    """The sign of money in a price as it was typed; nothing where there is none.

    >>> price_sign("£ 19.80"), price_sign("19.80"), price_sign("12 €")
    ('£', '', '€')
    """
    return next((char for char in text if unicodedata.category(char) == "Sc"), "")


def read_price(text: str) -> Fraction:
    """The price that `text` says, its sign before it or after it.  Raises `Unreadable`."""
    example = "write it as 12.50"
    said = _checked("".join(" " if unicodedata.category(char) == "Sc" else char for char in text), "a price", example)
    said = re.sub(r"^(?:[a-z]{1,3}\.?\s*)(?=[0-9.])|(?<=[0-9.])(?:\s*[a-z]{1,3}\.?)$", "", said)
    said = re.sub(r"(?<=[0-9])[.,](?:-+)$", "", said)
    value = _pure(said, text, "a price", example)
    if value > 1_000_000:
        raise Unreadable(f"{quoted(text)} is past any cloth", "check the price")
    return value


def read_weight(text: str, unit: Unit) -> Fraction:
    """The weight of cloth that `text` says, in grams a square metre; a bare number is that, or ounces a square yard in inches.

    A bare number past what any cloth weighs in ounces is grams there too.  Raises `Unreadable`.

    >>> read_weight("200 gsm", UNITS["in"]), round(float(read_weight("6 oz", UNITS["cm"])), 1)
    (Fraction(200, 1), 203.4)
    """
    example = "write it as 200 g/m² or 6 oz/yd²"
    said = _checked(text.replace("²", "2"), "a weight", example)
    ounces = _OUNCES.search(said) is not None
    bare = not ounces and not _GRAMS.search(said)
    value = _pure(_GRAMS.sub("", _OUNCES.sub("", said)), text, "a weight", example)
    if value > 100_000:
        raise Unreadable(f"{quoted(text)} is heavier than any cloth", example)
    ounces = ounces or (bare and unit.binary and value <= _MOST_OUNCES)
    return value * OUNCE_A_YARD if ounces else value


_LOADS = {"kg": Fraction(1000), "kilos": Fraction(1000), "lbs": POUND, "lb": POUND, "g": Fraction(1)}


def read_load(text: str, unit: Unit) -> Fraction:
    """What something bears, in grams; a bare number is kilograms, or pounds in inches.  Raises `Unreadable`.

    >>> read_load("12 kg", UNITS["in"]), read_load("2", UNITS["cm"])
    (Fraction(12000, 1), Fraction(2000, 1))
    """
    example = "write it as 12 kg or 25 lb"
    said = _checked(text, "a weight", example)
    name = next((one for one in _LOADS if said.endswith(one)), "lb" if unit.binary else "kg")
    value = _pure(said.removesuffix(name).strip(), text, "a weight", example)
    if value > 100_000:
        raise Unreadable(f"{quoted(text)} is more than any rail bears", example)
    return value * _LOADS[name]


_TIME = re.compile(
    r"(?:(?P<h>[0-9]{1,3}(?:\.[0-9]{1,2})?) ?(?:h|hours?|hrs?)\.? ?)?(?:(?P<m>[0-9]{1,4}) ?(?:min|minutes?|m)?\.?)?$"
)
_CLOCK = re.compile(r"(?P<h>[0-9]{1,3}):(?P<m>[0-5][0-9])$")


def read_minutes(text: str) -> Fraction:
    """How long something took, in minutes; a bare number is minutes.  Raises `Unreadable`.

    >>> [int(read_minutes(text)) for text in ("40", "1 h 30", "1.5 h", "2:05", "90 min")]
    [40, 90, 90, 125, 90]
    """
    example = "write it as 40, 1 h 30 or 1:30"
    said = _checked(text, "a time", example)
    found = _CLOCK.match(said) or _TIME.match(said)
    if found is None or not (found["h"] or found["m"]):
        raise Unreadable(f"{quoted(text)} is not a time", example)
    return _decimal(found["h"] or "0") * 60 + _decimal(found["m"] or "0")


def _decimal(digits: str) -> Fraction:
    """What plain digits say, with a point or without one."""
    whole, _, tenths = digits.partition(".")
    return Fraction(int(whole + tenths), 10 ** len(tenths))
