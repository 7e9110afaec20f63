"""A drawing: lines and words on named layers, in millimetres from the upper left corner, as plain data."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from enum import StrEnum
from itertools import pairwise
from typing import NamedTuple

Point = tuple[float, float]


class Layer(StrEnum):
    """What a line is for; back ends name their layers so."""

    CUT = "cut"
    SEAM = "seam"
    OUTER = "outer fold"
    INNER = "inner fold"
    PLACEMENT = "placement line"
    CENTRE = "centre"
    SEW = "sew line"
    FINGER = "finger fold"
    STITCH = "stitch point"
    MATCH = "match point"
    TAPE = "tape"
    CONTROL = "control"
    WORDS = "words"


DASHES: dict[Layer, tuple[float, ...]] = {
    Layer.SEAM: (6, 2),
    Layer.INNER: (4, 2),
    Layer.PLACEMENT: (0.8, 1.8),
    Layer.CENTRE: (6, 1.5, 1, 1.5),
    Layer.SEW: (2.5, 1.5),
    Layer.FINGER: (1, 1.5),
    Layer.MATCH: (3, 1.5),
}
"""The dashes of each layer in mm, drawn and left out by turns; none is a whole line."""


class Stroke(NamedTuple):
    """Straight runs from point to point, closed or open."""

    layer: Layer
    points: tuple[Point, ...]
    closed: bool = False
    width: float = 0.3


class Words(NamedTuple):
    """A line of text: its foot at `at`, so many mm tall, `anchor` at its start, middle or end."""

    at: Point
    text: str
    height: float = 3.2
    anchor: str = "start"
    upright: bool = False
    bold: bool = False


@dataclass(frozen=True, slots=True)
class Drawing:
    """Lines and words on a ground of `width` by `height` mm."""

    width: float
    height: float
    lines: tuple[Stroke, ...] = ()
    words: tuple[Words, ...] = ()

    def with_more(self, lines: Sequence[Stroke] = (), words: Sequence[Words] = ()) -> Drawing:
        """This drawing with more on it."""
        return replace(self, lines=(*self.lines, *lines), words=(*self.words, *words))

    def placed(self, x: float, y: float, width: float, height: float, title: str) -> Drawing:
        """This drawing at (x, y) on a page of that size, under a title."""
        lines, words = moved(self, x, y)
        head = Words((x, y - 8), title, 4.5, bold=True)
        return Drawing(width, height, tuple(lines), (head, *words))

    def above(self, other: Drawing) -> Drawing:
        """This drawing with another below it."""
        lines, words = moved(other, 0, self.height)
        whole = Drawing(max(self.width, other.width), self.height + other.height, self.lines, self.words)
        return whole.with_more(lines, words)


def box(layer: Layer, left: float, top: float, width: float, height: float, line: float = 0.3) -> Stroke:
    """A closed rectangle."""
    right, foot = left + width, top + height
    return Stroke(layer, ((left, top), (right, top), (right, foot), (left, foot)), closed=True, width=line)


def moved(drawing: Drawing, x: float, y: float) -> tuple[list[Stroke], list[Words]]:
    """The lines and words of `drawing` moved by (x, y)."""
    lines = [line._replace(points=tuple((a + x, b + y) for a, b in line.points)) for line in drawing.lines]
    return lines, [one._replace(at=(one.at[0] + x, one.at[1] + y)) for one in drawing.words]


def clipped(drawing: Drawing, left: float, top: float, width: float, height: float) -> Drawing:
    """What of `drawing` lies within a window, its corner the new corner; words go with the window that their foot is in."""
    right, foot = left + width, top + height
    lines: list[Stroke] = []
    for line in drawing.lines:
        points = (*line.points, line.points[0]) if line.closed else line.points
        for a, b in pairwise(points):
            part = _within(a, b, left, top, right, foot)
            if part:
                lines.append(Stroke(line.layer, part, width=line.width))
    words = [one for one in drawing.words if left <= one.at[0] < right and top <= one.at[1] < foot]
    cut = Drawing(width, height, tuple(lines), tuple(words))
    moved_lines, moved_words = moved(cut, -left, -top)
    return Drawing(width, height, tuple(moved_lines), tuple(moved_words))


def _within(a: Point, b: Point, left: float, top: float, right: float, foot: float) -> tuple[Point, Point] | None:
    """The part of the line from `a` to `b` inside a window, by the two parameters between which it lies there."""
    (x, y), (dx, dy) = a, (b[0] - a[0], b[1] - a[1])
    enters, leaves = 0.0, 1.0
    for step, room in ((-dx, x - left), (dx, right - x), (-dy, y - top), (dy, foot - y)):
        if step == 0:
            if room < 0:
                return None
        elif step < 0:
            enters = max(enters, room / step)
        else:
            leaves = min(leaves, room / step)
    if enters > leaves or (enters == leaves and (dx or dy)):
        return None
    return (x + enters * dx, y + enters * dy), (x + leaves * dx, y + leaves * dy)
