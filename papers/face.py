"""The program's own typeface on paper: how wide words stand, where they break, and what writes a sign that it lacks."""

from __future__ import annotations

from base64 import b64encode
from collections.abc import Iterator
from functools import cache
from itertools import groupby
from pathlib import Path

import reportlab
from reportlab.pdfbase import pdfmetrics
from reportlab.pdfbase.ttfonts import TTFont

FAMILY = "Young Ribbon Papers"
_HERE = Path(__file__).parent / "faces"
_LATIN = {"plain": "plain.ttf", "bold": "bold.ttf"}
# ≈, ⅝, → and letters beyond Latin are written by faces that come with the package that writes the PDF.
_BEYOND = {"plain": "Vera.ttf", "bold": "VeraBd.ttf"}


@cache
def _faces() -> dict[tuple[str, bool], TTFont]:
    """Each face by its weight and by whether it is the one for what our own lacks, known to the writer of PDFs by its name."""
    beyond = Path(reportlab.__file__).parent / "fonts"
    found = {
        **{(weight, False): TTFont(f"own-{weight}", str(_HERE / name)) for weight, name in _LATIN.items()},
        **{(weight, True): TTFont(f"beyond-{weight}", str(beyond / name)) for weight, name in _BEYOND.items()},
    }
    for face in found.values():
        pdfmetrics.registerFont(face)
    return found


def runs(text: str, *, bold: bool = False) -> Iterator[tuple[str, str]]:
    """(the name of a face, what of `text` it writes), from left to right."""
    faces, weight = _faces(), "bold" if bold else "plain"
    has = faces[weight, False].face.charToGlyph
    for lacks, letters in groupby(text, lambda letter: ord(letter) not in has):
        yield faces[weight, lacks].fontName, "".join(letters)


def wide(text: str, height: float, *, bold: bool = False) -> float:
    """How wide `text` stands, in the unit of its `height`."""
    return sum(float(pdfmetrics.stringWidth(part, name, height)) for name, part in runs(text, bold=bold))


def broken(text: str, height: float, room: float, *, bold: bool = False) -> list[str]:
    """`text` in lines that are no wider than `room`, broken between words; within one where it alone is wider.

    >>> broken("a short line", 3.3, 200.0)
    ['a short line']
    >>> [len(line) for line in broken("m" * 40, 3.3, 60.0)]
    [21, 19]
    """
    found = [""]
    for whole in text.split():
        word = whole
        longer = f"{found[-1]} {word}".strip()
        if wide(longer, height, bold=bold) <= room:
            found[-1] = longer
            continue
        while wide(word, height, bold=bold) > room and len(word) > 1:
            most = next(n for n in range(len(word) - 1, 0, -1) if n == 1 or wide(word[:n], height, bold=bold) <= room)
            found.append(word[:most])
            word = word[most:]
        found.append(word)
    return [line for line in found if line] or [""]


@cache
def style() -> str:
    """What an SVG needs so that its words stand in this face where it is shown by itself."""
    faces = [
        f'@font-face{{font-family:"{FAMILY}";font-weight:{weight};'
        f"src:url(data:font/ttf;base64,{b64encode((_HERE / _LATIN[name]).read_bytes()).decode()})}}"
        for name, weight in (("plain", 400), ("bold", 700))
    ]
    return "".join(faces)
