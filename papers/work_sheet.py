"""The work sheet: a whole work on a page or two, to be pinned up: its picture, measures, parts, what to buy, cut and do."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field
from typing import NamedTuple

from papers.drawing import Drawing, Layer, Stroke, Words, box, moved
from papers.face import broken, wide
from papers.sheets import Paper

_EDGE, _LINE, _TALL = 14.0, 4.8, 3.5
_PICTURE = (104.0, 84.0)
_TICK = 3.2


class SheetStep(NamedTuple):
    """A step of the making, and whether it is done; a heading where `heads` says so."""

    says: str
    done: bool = False
    heads: bool = False


@dataclass(frozen=True, slots=True)
class WorkSheet:
    """What stands on the sheet.  `measures` are (name, what it says); `cut` and `buy` are rows of a table, `picture` small already."""

    title: str
    says: str
    picture: Drawing | None
    measures: Sequence[tuple[str, str]]
    parts: Sequence[tuple[str, str]]
    buy: Sequence[tuple[str, str, str]]
    cut: Sequence[tuple[str, str, str]]
    steps: Sequence[SheetStep]
    minds: Sequence[str] = ()


@dataclass(slots=True)
class _Flow:
    """Pages that are filled from their top; what finds no room goes on to the next."""

    paper: Paper
    title: str
    y: float = _EDGE
    pages: list[tuple[list[Stroke], list[Words]]] = field(default_factory=lambda: [([], [])])

    @property
    def right(self) -> float:
        return self.paper.width - _EDGE

    def room_for(self, tall: float) -> None:
        if self.y + tall > self.paper.height - _EDGE - 4:
            self.pages.append(([], [Words((_EDGE, _EDGE + 4), self.title, 4.2, bold=True)]))
            self.y = _EDGE + 10

    def write(self, x: float, text: str, *, bold: bool = False, tall: float = _TALL, anchor: str = "start") -> None:
        self.pages[-1][1].append(Words((x, self.y), text, tall, anchor, bold=bold))

    def rule(self, left: float, right: float, width: float = 0.2) -> None:
        self.pages[-1][0].append(Stroke(Layer.CONTROL, ((left, self.y), (right, self.y)), width=width))

    def head(self, text: str) -> None:
        self.room_for(3 * _LINE)
        self.y += 8
        self.write(_EDGE, text, bold=True, tall=4.2)
        self.y += 1.6
        self.rule(_EDGE, self.right, 0.4)

    def rows(self, rows: Sequence[Sequence[str]], widths: Sequence[float]) -> None:
        """Rows of a table, each cell broken within its width; the last stands at the right."""
        for row in rows:
            cells = [broken(text, _TALL, width - 3) for text, width in zip(row, widths, strict=True)]
            tall = _LINE * max(map(len, cells))
            self.room_for(tall)
            top = self.y
            x = _EDGE
            for place, (cell, width) in enumerate(zip(cells, widths, strict=True)):
                last = place == len(widths) - 1 and place > 0
                for index, text in enumerate(cell):
                    self.y = top + _LINE * (index + 1) - 0.6
                    if text:
                        self.write(self.right if last else x, text, anchor="end" if last else "start", bold=not place)
                x += width
            self.y = top + tall


def work_sheet_pages(sheet: WorkSheet, paper: Paper) -> list[Drawing]:
    """The work sheet on upright sheets of `paper`."""
    flow = _Flow(paper, sheet.title)
    flow.y += 5
    flow.write(_EDGE, sheet.title, bold=True, tall=6.4)
    if sheet.says:
        flow.y += 6
        flow.write(_EDGE, sheet.says, tall=3.8)
    flow.y += 4
    _first(flow, sheet)
    whole = flow.right - _EDGE
    if sheet.parts:
        flow.head("Parts")
        flow.rows(sheet.parts, (whole * 0.34, whole * 0.66))
    if sheet.buy:
        flow.head("To buy")
        flow.rows(sheet.buy, (whole * 0.34, whole * 0.46, whole * 0.2))
    if sheet.cut:
        flow.head("To cut")
        flow.rows(sheet.cut, (whole * 0.46, whole * 0.24, whole * 0.3))
    _steps(flow, sheet.steps)
    for text in sheet.minds:
        for line in broken(f"Mind: {text}", _TALL, whole):
            flow.room_for(_LINE)
            flow.y += _LINE
            flow.write(_EDGE, line)
    many = len(flow.pages)
    found = []
    for number, (lines, words) in enumerate(flow.pages, 1):
        told = [Words((flow.right, paper.height - 8), f"{number} of {many}", 3, "end")] if many > 1 else []
        found.append(Drawing(paper.width, paper.height, tuple(lines), (*words, *told)))
    return found


def _first(flow: _Flow, sheet: WorkSheet) -> None:
    """The picture and, beside it, the measures."""
    top = flow.y
    left = _EDGE
    if sheet.picture is not None:
        lines, words = moved(sheet.picture, _EDGE, top + 2)
        flow.pages[-1][0].extend(lines)
        flow.pages[-1][1].extend(words)
        left = _EDGE + _PICTURE[0] + 6
    flow.y = top + 4
    for name, says in sheet.measures:
        room = flow.right - left
        beside = wide(name, _TALL) + wide(says, _TALL, bold=True) + 3 < room
        flow.write(left, name)
        lines_of = [says] if beside else broken(says, _TALL, room - 4, bold=True)
        for index, text in enumerate(lines_of):
            flow.y += 0 if beside and not index else _LINE
            flow.write(flow.right, text, bold=True, anchor="end")
        flow.y += _LINE
        if sheet.picture is not None and flow.y > top + _PICTURE[1]:
            left = _EDGE  # past the picture's foot they have the whole width
    flow.y = max(flow.y, top + (sheet.picture.height + 6 if sheet.picture is not None else 0))


def _steps(flow: _Flow, steps: Sequence[SheetStep]) -> None:
    if not steps:
        return
    flow.head("Order of making")
    number = 0
    for step in steps:
        if step.heads:
            flow.room_for(3 * _LINE)
            flow.y += _LINE + 1.5
            flow.write(_EDGE, step.says, bold=True)
            continue
        number += 1
        lines = broken(f"{number}. {step.says}", _TALL, flow.right - _EDGE - 8)
        flow.room_for(_LINE * len(lines) + 1.4)
        flow.y += 1.4
        top = flow.y
        flow.pages[-1][0].append(box(Layer.CONTROL, _EDGE, top + 1, _TICK, _TICK, 0.35))
        if step.done:
            tick = ((_EDGE + 0.6, top + 2.6), (_EDGE + 1.4, top + 3.6), (_EDGE + 2.8, top + 1.5))
            flow.pages[-1][0].append(Stroke(Layer.CONTROL, tick, width=0.5))
        for line in lines:
            flow.y += _LINE
            flow.write(_EDGE + 6, line)


def picture_room() -> tuple[float, float]:
    """How wide and how tall the picture may be, in mm."""
    return _PICTURE
