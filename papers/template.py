"""The full-scale template: the flat strip with every mark, to lay beside the cloth or pin on it."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

from papers.drawing import Drawing, Layer, Stroke, Words, box
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length, Unit
from ribbon.strip import LineKind

_MOST_TICKS = 4000
_TOP, _BELOW, _HIGH = 8.0, 18.0, 84.0  # mm above and below the strip, and how high it is drawn where it has one level


class TemplateMark(NamedTuple):
    """A mark: its place from the start of the flat width, its kind, its pleat, its words, its shift at the upper level."""

    at: Length
    kind: LineKind
    pleat: int
    text: str
    shift: Length = ZERO


class Marking(NamedTuple):
    """A strip to be marked: its marks in order, its flat width and the allowances at its two ends.

    `rows` is in how many rows stitch points stand; `joins` are places where widths are joined; `height` how far the
    upper level is above the edge, where there is one.  Where each mark is `told`, its words stand along its line.
    """

    title: str
    marks: Sequence[TemplateMark]
    flat: Length
    start: Length
    end: Length
    unit: Unit
    rows: int = 1
    joins: Sequence[Length] = ()
    height: Length | None = None
    told: bool = False
    strip: float = _HIGH
    """How high the strip is drawn where it has one level, in mm."""

    @property
    def high(self) -> float:
        """How high the strip is drawn, in mm: as far as one level is above the other, so that slants are true."""
        return float(self.height.mm) if self.height is not None else self.strip

    @property
    def tall(self) -> float:
        """The height of the whole drawing in mm."""
        return _TOP + self.high + _BELOW

    @property
    def width(self) -> float:
        """The width of the whole strip in mm, allowances and all."""
        return float((self.start + self.flat + self.end).mm)


def template_drawing(marking: Marking) -> Drawing:
    """The strip at full scale, mm for mm; its cut start at x = 0, its stitching line a start allowance further on.

    A mark with a shift slants from its place at the foot to its place at the top, the upper level.
    """
    origin, whole, foot = float(marking.start.mm), marking.width, _TOP + marking.high
    lines = [box(Layer.CUT, 0, _TOP, whole, foot - _TOP, 0.5)]
    words = [Words((2, 5.5), marking.title, 3.6, bold=True)]
    ends = (origin, origin + float(marking.flat.mm))
    lines += [Stroke(Layer.SEAM, ((at, _TOP), (at, foot))) for at in ends]
    lines += [
        Stroke(Layer.CUT, ((x, _TOP), (x, foot)), width=0.4)
        for join in marking.joins
        for x in (origin + float(join.mm) - 0.6, origin + float(join.mm) + 0.6)
    ]
    seen: set[int] = set()
    for mark in marking.marks:
        at = origin + float(mark.at.mm)
        top = at + float(mark.shift.mm)
        first = mark.pleat not in seen
        seen.add(mark.pleat)
        lines += _drawn(mark.kind, at, top, foot, marking.rows, bold=first)
        if first:
            words.append(Words((at + 1.2, foot - 3), f"{mark.pleat}", 4, bold=True))
            if not marking.told:
                words.append(Words((top + 3.2, _TOP + 5), mark.text, 2.8))
        if marking.told:
            words.append(Words((at - 1.5, foot - 9), mark.text, 2.8, upright=True))
    lines += _tape(marking.unit, origin, float(marking.flat.mm), foot, words)
    return Drawing(max(whole, 1.0), marking.tall, tuple(lines), tuple(words))


def _drawn(kind: LineKind, at: float, top: float, foot: float, rows: int, *, bold: bool) -> list[Stroke]:
    layer, width = Layer[kind.name], 0.6 if bold else 0.3
    if kind is LineKind.STITCH:
        # A stitch point is a small cross on every row, straight below one another.
        found = []
        for row in range(rows):
            y = _TOP + 15 + row * 8.0
            found.append(Stroke(layer, ((at - 1.2, y), (at + 1.2, y)), width=width))
            found.append(Stroke(layer, ((at, y - 1.2), (at, y + 1.2)), width=width))
        return found
    found = [Stroke(layer, ((top, _TOP), (at, foot)), width=width)]
    if kind is LineKind.OUTER:
        found.append(Stroke(layer, ((top - 2, _TOP + 3), (top, _TOP), (top + 2, _TOP + 3)), width=width))
    elif kind is LineKind.INNER:
        found.append(Stroke(layer, ((top - 2, _TOP), (top, _TOP + 3), (top + 2, _TOP)), width=width))
    elif kind is LineKind.PLACEMENT:
        found.append(Stroke(layer, ((at - 2, foot), (at + 2, foot)), width=1.0))
    return found


def _tape(unit: Unit, origin: float, flat: float, foot: float, words: list[Words]) -> list[Stroke]:
    """A tape along the foot: whole units numbered, their halves and tenths or eighths shorter.

    A long one leaves out the shortest, then the halves, then all but every tenth: they are for laying it on the cloth.
    """
    whole = float(Fraction(127, 5) if unit.binary else Fraction(10))
    finest = 8 if unit.binary else 10
    parts = next((parts for parts in (finest, 2, 1) if flat / whole * parts <= _MOST_TICKS), 0)
    every = 1 if parts else 10
    step = whole / parts if parts else whole * every
    found = []
    for index in range(int(flat / step + 1e-9) + 1):
        numbered = parts == 0 or index % parts == 0
        tall = 7.0 if numbered else 4.5 if parts == 2 or index % (parts // 2) == 0 else 2.5
        x = origin + index * step
        found.append(Stroke(Layer.TAPE, ((x, foot), (x, foot + tall)), width=0.2))
        if numbered:
            words.append(Words((x + 0.8, foot + 10.5), f"{index // (parts or 1) * every}", 2.8))
    return found
