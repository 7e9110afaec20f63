"""What people type, in one way of writing: signs made alike, digits of any script, numbers in words as figures."""

from __future__ import annotations

import re
import unicodedata

from ribbon.lengths.units import UNITS

LONGEST_TEXT = 120

_SIGNS = str.maketrans(
    {"′": "'", "’": "'", "‘": "'", "ʹ": "'", "″": '"', "”": '"', "“": '"', "ʺ": '"', "×": "*", "·": "*", "∙": "*"}
    | {"⁄": "/", "∕": "/", "‐": "-", "‑": "-", "–": "-", "−": "-", "٫": "."}
)

_RAISED = re.compile(r"(?<=\d)[·∙•‧](?=\d)")
"""A point as it is raised in some hands; between numbers that stand apart it multiplies."""
_BUILT = re.compile(r"([⁰¹²³⁴-⁹]+)[⁄∕/]([₀-₉]+)")
"""A fraction built of small figures, raised and lowered."""
_GROUPED = re.compile(r"(?<![\d.,])\d{1,3}(?:(?:,\d{3})+(?=\.\d+(?![\d.,]))|(?:\.\d{3})+(?=,\d+(?![\d.,])))")
_SPACED = re.compile(r"(?<![\d.,/])\d{1,3}(?: \d{3})+(?=(?:[.,]\d+)?(?![\d.,]| ?/| \d))")

_FIGURES = {
    word: str(number)
    for number, word in enumerate(
        ["one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve"], start=1
    )
}
PARTS = {
    "half": 2, "halves": 2, "third": 3, "thirds": 3, "quarter": 4, "quarters": 4, "fourth": 4, "fourths": 4,
    "eighth": 8, "eighths": 8, "sixteenth": 16, "sixteenths": 16,
}  # fmt: skip

_FIGURE = re.compile(rf"\b({'|'.join(_FIGURES)})\b")
_ORDINAL = re.compile(r"(\d+ ?/ ?\d+)(?:ths?|rds?|nds?)\b")
_PART = re.compile(rf"(?:\b(\d+|an?)[ -]*)?(?<![a-z])({'|'.join(PARTS)})\b")
_OF = re.compile(r"(?<=\d) ?of(?: an?\b| the\b)?(?= ?[a-z])")
_ONE = re.compile(
    rf"""\ban? (?=(?:{"|".join(word for unit in UNITS.values() for word in unit.words if word.isalpha())})\b)"""
)
_HALF_AN = re.compile(r"(?<=\d/2) an?\b(?= [a-z])")
_SIGNS_IN_WORDS = [
    (re.compile(rf"(?<=[\da-z'\")])\.? ({words}) (?=[\d(])"), sign)
    for words, sign in (("plus", " + "), ("minus|less", " - "), ("times|multiplied by", " * "), ("divided by", " / "))
]
_POINT = re.compile(r"(?<=\d) (?:point|comma|dot) (?=\d)")
_TWICE = re.compile(r"^(?:twice|double) (?=\d)")
_PART_OF = re.compile(r"(?<=\d/\d)(?: of| \*) (?=\d)")
_NOUGHT = re.compile(r"^(?:nought|zero|nothing)$")
_AND = re.compile(r"(?<![a-z'\"])(\b\d+) ?(?:and|&) ?(\d+ ?/ ?\d+)")
_LISTED = re.compile(r"""(?<=[a-z'"]),\s""")


def plain(text: str) -> str:
    """`text` in lower case with one sign for each meaning, and numbers in words as figures.

    Digits of any script become 0-9, ½ becomes " 1/2", "two and a half" becomes "2 1/2"; "and" between two parts of a
    length becomes "&".  Every other character stays as it is, so that anything unexpected is refused and not guessed at.

    >>> plain("1 and a half yards"), plain("Three quarters of an inch"), plain("27½″")
    ('1 1/2 yards', '3/4 inch', '27 1/2"')
    """
    out = []
    text = _BUILT.sub(lambda found: f" {_small(found[1])}/{_small(found[2])}", text)
    for char in _RAISED.sub(".", text).translate(_SIGNS):
        if char.isascii() or char == "÷":
            out.append(char)
        elif (digit := unicodedata.decimal(char, None)) is not None:
            out.append(str(digit))
        elif unicodedata.category(char) == "No" and unicodedata.decomposition(char).startswith("<fraction>"):
            out.append(" " + unicodedata.normalize("NFKC", char).replace("⁄", "/"))
        else:
            out.append(" " if char.isspace() else char)
    # What says that it is a sum, and a comma behind it all, say nothing more.
    said = " ".join("".join(out).lower().split()).removeprefix("=").rstrip(",; ").lstrip()
    said = re.sub(r"(?<=\d)(?:/ | /)(?=\d)", "/", said)
    # Thousands parted off have one meaning where there are decimals too, and where a space parts them.
    said = _GROUPED.sub(lambda found: found[0].replace(",", "").replace(".", ""), said)
    said = _SPACED.sub(lambda found: found[0].replace(" ", ""), said)
    return _in_figures(said) if any(char.isalpha() for char in said) or "&" in said or "," in said else said


def _in_figures(said: str) -> str:
    said = _FIGURE.sub(lambda found: _FIGURES[found[1]], said)
    said = _ORDINAL.sub(r"\1", said)
    said = _PART.sub(_part, said)
    said = _OF.sub("", said)
    said = _HALF_AN.sub("", said)
    for words, sign in _SIGNS_IN_WORDS:
        said = words.sub(sign, said)
    said = _TWICE.sub("2 * ", _POINT.sub(".", said))
    said = _PART_OF.sub(" * ", _NOUGHT.sub("0", said))
    said = _ONE.sub("1 ", said)
    said = _AND.sub(r"\1 \2", said)
    said = re.sub(r"\band\b", "&", said)
    said = _LISTED.sub(" ", said)
    return " ".join(said.split())


def _small(figures: str) -> str:
    """Raised or lowered figures as plain ones."""
    return "".join(str(unicodedata.digit(one)) for one in figures)


def _part(found: re.Match[str]) -> str:
    many = found[1] if found[1] and found[1].isdigit() else "1"
    return f"{many}/{PARTS[found[2]]}"


def quoted(text: str) -> str:
    """`text` as it is quoted in a sentence: shortened where it is long."""
    most = 48
    return text if len(text) <= most else text[: most - 1] + "…"
