"""A drawing: lines and words on named layers, in millimetres from the upper left corner, as plain data."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from enum import StrEnum
from itertools import pairwise
from math import acos, pi
from typing import NamedTuple

from papers.bend import Point, arc_of, bend_of, extremes


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
    """Runs from point to point, closed or open: straight, or the arcs that `bends` says (see `bend`), one for each run."""

    layer: Layer
    points: tuple[Point, ...]
    closed: bool = False
    width: float = 0.3
    bends: tuple[float, ...] = ()

    def runs(self) -> Iterator[tuple[Point, Point, float]]:
        """(from, to, bend) of each run, the one that closes it too."""
        points = (*self.points, self.points[0]) if self.closed else self.points
        bends = self.bends or (0.0,) * (len(points) - 1)
        for (a, b), bend in zip(pairwise(points), bends, strict=True):
            yield a, b, bend

    def extent(self) -> tuple[float, float, float, float]:
        """(left, top, right, foot) of all of it."""
        points = [point for run in self.runs() for point in extremes(*run)] if self.bends else self.points
        xs, ys = [x for x, _ in points], [y for _, y in points]
        return min(xs), min(ys), max(xs), max(ys)


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
        for a, b, bend in line.runs():
            if bend:
                lines += _arcs_within(line, a, b, bend, (left, top, right, foot))
                continue
            part = _within(a, b, left, top, right, foot)
            if part:
                lines.append(Stroke(line.layer, part, width=line.width))
    words = [one for one in drawing.words if left <= one.at[0] < right and top <= one.at[1] < foot]
    cut = Drawing(width, height, tuple(lines), tuple(words))
    moved_lines, moved_words = moved(cut, -left, -top)
    return Drawing(width, height, tuple(moved_lines), tuple(moved_words))


def _arcs_within(
    line: Stroke, a: Point, b: Point, bend: float, window: tuple[float, float, float, float]
) -> list[Stroke]:
    """The parts of an arc inside a window: it is cut where it crosses the window's lines, and those parts are kept that lie inside."""
    left, top, right, foot = window
    arc = arc_of(a, b, bend)
    cuts = {0.0, 1.0}
    for middle, axis, lines in ((arc.centre[0], 0.0, (left, right)), (arc.centre[1], pi / 2, (top, foot))):
        for place in lines:
            reach = (place - middle) / arc.radius
            if abs(reach) < 1:
                for angle in (axis + acos(reach), axis - acos(reach)):
                    turn = (angle - arc.begins) % (2 * pi)
                    cuts.add(turn / arc.turns if arc.turns > 0 else (turn - 2 * pi) / arc.turns)
    parts = sorted(cut for cut in cuts if 0 <= cut <= 1)
    found = []
    for low, high in pairwise(parts):
        x, y = arc.at((low + high) / 2)
        if left <= x <= right and top <= y <= foot and high > low:
            ends = (a if low == 0 else arc.at(low), b if high == 1 else arc.at(high))
            found.append(Stroke(line.layer, ends, width=line.width, bends=(bend_of(-arc.turns * (high - low)),)))
    return found


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
