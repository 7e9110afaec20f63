"""A drawing laid over sheets of paper: tiles that overlap, a map of them, and a square to check the printer."""

from __future__ import annotations

from math import ceil
from typing import NamedTuple

from papers.drawing import Drawing, Layer, Stroke, Words, box, clipped, moved
from papers.gauge import control
from ribbon.lengths import Unit

MARGIN, OVERLAP, _FOOT = 9.0, 15.0, 9.0


class Paper(NamedTuple):
    """A size of paper, upright, in mm."""

    name: str
    width: float
    height: float


PAPERS = {"a4": Paper("A4", 210.0, 297.0), "letter": Paper("Letter", 215.9, 279.4)}


def _grid(width: float, height: float, paper: Paper) -> tuple[float, float, int, int]:
    """(what one tile shows across and down, columns, rows) on `paper` lying on its side."""
    wide, high = paper.height - 2 * MARGIN, paper.width - 2 * MARGIN - _FOOT
    columns = max(1, ceil((width - OVERLAP) / (wide - OVERLAP) - 1e-9))
    rows = max(1, ceil((height - OVERLAP) / (high - OVERLAP) - 1e-9))
    return wide, high, columns, rows


def pages_needed(width: float, height: float, paper: Paper) -> int:
    """How many sheets a drawing of that size takes, the map of them included."""
    _, _, columns, rows = _grid(width, height, paper)
    return columns * rows + (columns * rows > 1)


def on_sheets(drawing: Drawing, paper: Paper, unit: Unit, title: str) -> list[Drawing]:
    """`drawing` at full size on sheets of `paper`, row by row; where it takes several, a map of them goes before.

    Neighbouring tiles show the same `OVERLAP`; crosses stand where the sheets are laid on one another.
    """
    wide, high, columns, rows = _grid(drawing.width, drawing.height, paper)
    alone = columns * rows == 1
    # One sheet alone carries the control square where there is room for it; else it is on the map before it.
    drawing, room = _with_control(drawing, unit, wide, high) if alone else (drawing, False)
    pages = [] if alone and room else [_map(drawing, paper, unit, title)]
    step_across, step_down = wide - OVERLAP, high - OVERLAP
    parts = _parted(drawing, columns, rows, wide, high)
    for row in range(rows):
        for column in range(columns):
            left, top = column * step_across, row * step_down
            lines, words = moved(clipped(parts[row * columns + column], left, top, wide, high), MARGIN, MARGIN)
            number = row * columns + column + 1
            said = f"{title}: sheet {number} of {columns * rows}" if columns * rows > 1 else title
            lines.append(box(Layer.CONTROL, MARGIN, MARGIN, wide, high, 0.15))
            words.append(Words((MARGIN, paper.width - 7), said, 3.2, bold=True))
            lines += _crosses(column, row, columns, rows, wide, high)
            if column < columns - 1:
                words.append(
                    Words((MARGIN + wide - 2, paper.width - 7), f"sheet {number + 1} goes on here", 2.8, "end")
                )
            pages.append(Drawing(paper.height, paper.width, tuple(lines), tuple(words)))
    return pages


def _parted(drawing: Drawing, columns: int, rows: int, wide: float, high: float) -> list[Drawing]:
    """What of a drawing each tile may show, row by row, so that each is looked through for itself alone."""
    lines: list[list[Stroke]] = [[] for _ in range(columns * rows)]
    words: list[list[Words]] = [[] for _ in range(columns * rows)]

    def tiles(low: float, top: float, size: float, many: int) -> range:
        step = size - OVERLAP
        return range(max(0, ceil((low - size) / step - 1e-6)), min(many - 1, int(top / step + 1e-6)) + 1)

    for line in drawing.lines:
        left, top, right, foot = line.extent()
        for row in tiles(top, foot, high, rows):
            for column in tiles(left, right, wide, columns):
                lines[row * columns + column].append(line)
    for one in drawing.words:
        for row in tiles(one.at[1], one.at[1], high, rows):
            for column in tiles(one.at[0], one.at[0], wide, columns):
                words[row * columns + column].append(one)
    size = drawing.width, drawing.height
    return [Drawing(*size, tuple(a), tuple(b)) for a, b in zip(lines, words, strict=True)]


def _with_control(drawing: Drawing, unit: Unit, wide: float, high: float) -> tuple[Drawing, bool]:
    """(the drawing with a square to check the printer, whether there was room for one)."""
    if any(line.layer is Layer.CONTROL for line in drawing.lines):
        return drawing, True
    square, said = control(unit)
    if drawing.height + square + 8 <= high:
        left, top = 2.0, drawing.height + 4
    elif drawing.width + square + 8 <= wide and square + 16 <= high:
        left, top = drawing.width + 4, 4.0
    else:
        return drawing, False
    words = (
        Words((left + square + 4, top + 8), said, 3.2),
        Words((left + square + 4, top + 14), "Print at full size, and measure it first.", 3.2),
    )
    lines = (*drawing.lines, box(Layer.CONTROL, left, top, square, square))
    size = max(drawing.width, left + square + 2), max(drawing.height, top + square + 2)
    return Drawing(*size, lines, (*drawing.words, *(words if left < 4 else ()))), True


def _crosses(column: int, row: int, columns: int, rows: int, wide: float, high: float) -> list[Stroke]:
    """A cross at the middle of each overlap: pin the cross of one sheet on that of the next."""
    found: list[Stroke] = []
    across = [OVERLAP / 2] * (column > 0) + [wide - OVERLAP / 2] * (column < columns - 1)
    down = [OVERLAP / 2] * (row > 0) + [high - OVERLAP / 2] * (row < rows - 1)
    places = [(x, y) for x in across for y in (high * 0.25, high * 0.75)] + [(wide / 2, y) for y in down]
    for x, y in places:
        a, b = MARGIN + x, MARGIN + y
        found.append(Stroke(Layer.CONTROL, ((a - 3, b), (a + 3, b)), width=0.2))
        found.append(Stroke(Layer.CONTROL, ((a, b - 3), (a, b + 3)), width=0.2))
    return found


def _map(drawing: Drawing, paper: Paper, unit: Unit, title: str) -> Drawing:
    """Which sheet lies where, small, with the control square at full size."""
    wide, high, columns, rows = _grid(drawing.width, drawing.height, paper)
    square, said = control(unit)
    words = [
        Words((15, 18), title, 5, bold=True),
        Words(
            (15, 26),
            f"{columns * rows} sheets of {paper.name}, laid on one another by {OVERLAP:g} mm, cross on cross.",
            3.6,
        ),
        Words((15 + square + 6, 42), said, 3.6),
        Words((15 + square + 6, 49), "Print at full size, with no fitting to the page, and measure it first.", 3.6),
    ]
    lines = [box(Layer.CONTROL, 15, 36, square, square)]
    top = 36 + square + 10
    per_row = min(columns, 12)
    scale = min(
        (paper.height - 30) / (per_row * wide), (paper.width - top - 12) / (rows * high * ceil(columns / per_row))
    )
    # A long strip is folded on the map: twelve sheets to a line.
    for number in range(columns * rows):
        row, column = divmod(number, columns)
        line, place = divmod(column, per_row)
        left, y = 15 + place * wide * scale, top + (row + line * rows) * high * scale
        lines.append(box(Layer.CONTROL, left, y, wide * scale, high * scale, 0.3))
        words.append(
            Words(
                (left + wide * scale / 2, y + high * scale / 2 + 1), f"{number + 1}", min(5, high * scale / 3), "middle"
            )
        )
    return Drawing(paper.height, paper.width, tuple(lines), tuple(words))
