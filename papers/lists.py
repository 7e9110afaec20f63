"""Lists on paper: chalk lists and shopping slips, in columns, as many as a sheet holds."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

from papers.drawing import Drawing, Layer, Stroke, Words
from papers.sheets import Paper

_ROW, _EDGE, _GUTTER = 6.2, 14.0, 8.0


class Listing(NamedTuple):
    """A list: its title, a line or two above it, its headings, its rows; `bold` rows stand out and have a line above.

    `widths` are the columns' in mm; `columns` is how many times the list stands side by side on a sheet.
    """

    title: str
    says: Sequence[str]
    headings: Sequence[str]
    rows: Sequence[Sequence[str]]
    widths: Sequence[float]
    columns: int = 1
    bold: frozenset[int] = frozenset()
    after: Sequence[str] = ()


def list_pages(listing: Listing, paper: Paper) -> list[Drawing]:
    """The list on upright sheets of `paper`, read down each column."""
    wrapped = [line for text in listing.says for line in _wrapped(text, paper.width - 2 * _EDGE)]
    top = _EDGE + 14 + 5 * len(wrapped) + 8
    each = max(1, int((paper.height - top - _EDGE - 6) / _ROW))
    rows = list(enumerate(listing.rows))
    per_page = each * listing.columns
    lots = [rows[at : at + per_page] for at in range(0, len(rows), per_page)] or [[]]
    pages = []
    for number, lot in enumerate(lots, 1):
        words = [Words((_EDGE, _EDGE + 5), listing.title, 5.5, bold=True)]
        words += [Words((_EDGE, _EDGE + 12 + 5 * index), line, 3.3) for index, line in enumerate(wrapped)]
        lines: list[Stroke] = []
        for column in range(listing.columns):
            left = _EDGE + column * (sum(listing.widths) + _GUTTER)
            part = lot[column * each : (column + 1) * each]
            if part or not column:
                _column(listing, part, left, top, lines, words)
        if number == len(lots):
            foot = top + (min(len(lot), each) + 1) * _ROW
            more = [line for text in listing.after for line in _wrapped(text, paper.width - 2 * _EDGE)]
            words += [Words((_EDGE, foot + 5 * index), line, 3.3) for index, line in enumerate(more)]
        if len(lots) > 1:
            words.append(Words((paper.width - _EDGE, paper.height - 8), f"{number} of {len(lots)}", 3, "end"))
        pages.append(Drawing(paper.width, paper.height, tuple(lines), tuple(words)))
    return pages


def _column(
    listing: Listing,
    part: Sequence[tuple[int, Sequence[str]]],
    left: float,
    top: float,
    lines: list[Stroke],
    words: list[Words],
) -> None:
    ends = [left + sum(listing.widths[:index]) for index in range(len(listing.widths) + 1)]
    words += [Words((x, top - 2), text, 2.9) for x, text in zip(ends, listing.headings, strict=False)]
    lines.append(Stroke(Layer.CONTROL, ((left, top), (ends[-1], top)), width=0.4))
    for index, (number, row) in enumerate(part):
        y = top + (index + 1) * _ROW
        bold = number in listing.bold
        if bold and index:
            lines.append(Stroke(Layer.CONTROL, ((left, y - _ROW + 1.4), (ends[-1], y - _ROW + 1.4)), width=0.15))
        words += [Words((x, y), text, 3.6, bold=bold) for x, text in zip(ends, row, strict=False) if text]


def _wrapped(text: str, width: float) -> list[str]:
    """The text in lines of about that width, at 3.3 mm tall: some 1.9 mm to a letter."""
    most, found = int(width / 1.9), [""]
    for word in text.split():
        if found[-1] and len(found[-1]) + len(word) >= most:
            found.append("")
        found[-1] = f"{found[-1]} {word}".strip()
    return found
