"""Lists on paper: chalk lists and shopping slips, in columns, as many as a sheet holds."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from typing import NamedTuple

from papers.drawing import Drawing, Layer, Stroke, Words
from papers.face import broken
from papers.glyphs import glyph
from papers.sheets import Paper

_ROW, _LINE, _EDGE, _GUTTER = 6.2, 4.6, 14.0, 8.0
_TALL, _SAYS, _HEAD = 3.6, 3.4, 2.9
_GLYPH = 5.5  # mm that a glyph takes before its word


class Listing(NamedTuple):
    """A list: its title, a line or two above it, its headings, its rows; `bold` rows stand out and have a line above.

    `widths` are the columns' in mm: what is longer goes on below itself.  `columns` is how many times the list stands side
    by side on a sheet.  `glyphs` names, for each row, the mark whose sign stands before its second cell.
    """

    title: str
    says: Sequence[str]
    headings: Sequence[str]
    rows: Sequence[Sequence[str]]
    widths: Sequence[float]
    columns: int = 1
    bold: frozenset[int] = frozenset()
    after: Sequence[str] = ()
    glyphs: Sequence[str] = ()


class _Row(NamedTuple):
    """A row as it is printed: each cell in its lines, how tall it is."""

    number: int
    cells: list[list[str]]

    @property
    def tall(self) -> float:
        return _ROW + _LINE * (max(len(cell) for cell in self.cells) - 1)


def list_pages(listing: Listing, paper: Paper) -> list[Drawing]:
    """The list on upright sheets of `paper`, read down each column."""
    room = paper.width - 2 * _EDGE
    says = [line for text in listing.says for line in broken(text, _SAYS, room)]
    after = [line for text in listing.after for line in broken(text, _SAYS, room)]
    top = _EDGE + 14 + 5 * len(says) + 8
    foot = paper.height - _EDGE - 6
    columns = list(_columns(_rows(listing), foot - top)) or [[]]
    lots = [columns[at : at + listing.columns] for at in range(0, len(columns), listing.columns)]
    deepest = max(sum(row.tall for row in column) for column in lots[-1])
    if after and top + deepest + _ROW + 5 * len(after) > foot:
        lots.append([[]])  # what is said at the end has a sheet of its own where there is no room left
        deepest = 0.0
    pages = []
    for number, lot in enumerate(lots, 1):
        words = [Words((_EDGE, _EDGE + 5), listing.title, 5.5, bold=True)]
        words += [Words((_EDGE, _EDGE + 12 + 5 * index), line, _SAYS) for index, line in enumerate(says)]
        lines: list[Stroke] = []
        for place, column in enumerate(lot):
            if column or not place:
                _column(listing, column, _EDGE + place * (sum(listing.widths) + _GUTTER), top, lines, words)
        if number == len(lots):
            words += [Words((_EDGE, top + deepest + _ROW + 5 * index), line, _SAYS) for index, line in enumerate(after)]
        if len(lots) > 1:
            words.append(Words((paper.width - _EDGE, paper.height - 8), f"{number} of {len(lots)}", 3, "end"))
        pages.append(Drawing(paper.width, paper.height, tuple(lines), tuple(words)))
    return pages


def _rows(listing: Listing) -> Iterator[_Row]:
    for number, row in enumerate(listing.rows):
        bold = number in listing.bold
        cells = []
        for place, (text, width) in enumerate(zip(row, listing.widths, strict=False)):
            taken = 2.0 + (_GLYPH if listing.glyphs and place == 1 else 0.0)
            cells.append(broken(text, _TALL, max(4.0, width - taken), bold=bold))
        yield _Row(number, cells)


def _columns(rows: Iterator[_Row], room: float) -> Iterator[list[_Row]]:
    """The rows in columns of that height, a taller one by itself."""
    column: list[_Row] = []
    deep = 0.0
    for row in rows:
        if column and deep + row.tall > room:
            yield column
            column, deep = [], 0.0
        column.append(row)
        deep += row.tall
    if column:
        yield column


def _column(
    listing: Listing, rows: Sequence[_Row], left: float, top: float, lines: list[Stroke], words: list[Words]
) -> None:
    ends = [left + sum(listing.widths[:index]) for index in range(len(listing.widths) + 1)]
    words += [Words((x, top - 2), text, _HEAD) for x, text in zip(ends, listing.headings, strict=False)]
    lines.append(Stroke(Layer.CONTROL, ((left, top), (ends[-1], top)), width=0.4))
    y = top
    for index, row in enumerate(rows):
        bold = row.number in listing.bold
        if bold and index:
            lines.append(Stroke(Layer.CONTROL, ((left, y + 1.4), (ends[-1], y + 1.4)), width=0.15))
        for place, (x, cell) in enumerate(zip(ends, row.cells, strict=False)):
            begins = x
            if listing.glyphs and place == 1:
                lines += glyph(listing.glyphs[row.number], x + 2, y + _ROW - 0.2)
                begins += _GLYPH
            words += [
                Words((begins, y + _ROW + _LINE * at), text, _TALL, bold=bold) for at, text in enumerate(cell) if text
            ]
        y += row.tall
