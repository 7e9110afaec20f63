"""Spans, folds, named lines, and the strip that they make."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum
from typing import NamedTuple, Self

from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length

WHOLE = Fraction(1)


class Role(StrEnum):
    """What a span of cloth does once the strip is folded."""

    FACE = "face"
    """Shows."""
    UNDER = "under"
    """Hides behind a face."""
    PLAIN = "plain"
    """Lies flat at an end: a return, an overlap, a plain run."""
    FINGER = "finger"
    """Stands out from the edge in a pinch pleat, between two sew lines."""
    UPRIGHT = "upright"
    """Stands at right angles to the edge in a cartridge row."""
    GATHERED = "gathered"
    """Drawn up evenly along its whole length."""


class Turn(StrEnum):
    """Where the span after a fold lies, seen from the right side."""

    BEHIND = "behind"
    FRONT = "front"


class LineKind(StrEnum):
    """The name of a line that is marked on the cloth."""

    OUTER = "outer"
    INNER = "inner"
    PLACEMENT = "placement"
    CENTRE = "centre"
    SEW = "sew"
    FINGER = "finger"
    STITCH = "stitch"
    MATCH = "match"


class Span(NamedTuple):
    """A run of cloth: its flat length, what it does, and how far one unit of it advances along the edge.

    `draw` is 1 for cloth that lies along the edge, finished/flat for gathered and upright cloth.
    """

    length: Length
    role: Role
    draw: Fraction = WHOLE


class Fold(NamedTuple):
    """A fold after the span with index `after`; the next span lies behind it or in front of it."""

    after: int
    turn: Turn


class Line(NamedTuple):
    """A named line after the span with index `after` (-1: at the very start), belonging to pleat `pleat`, from 1."""

    after: int
    kind: LineKind
    pleat: int


@dataclass(frozen=True, slots=True)
class Strip:
    """Spans in order from the start of the cloth, the folds between them, the lines named on them.

    Folds and lines are in order of `after`.  Seam allowances are no part of a strip.  The two ends of a `ring` are sewn
    together; it need not begin at the start of the finished edge: `begins` is where on the edge it does, `heading` the
    way in which it sets out (-1 where its seam lies behind a fold), `closing` the fold that lies on the seam, if any.
    """

    spans: tuple[Span, ...]
    folds: tuple[Fold, ...]
    lines: tuple[Line, ...]
    ring: bool = False
    begins: Length = ZERO
    heading: int = 1
    closing: Turn | None = None

    def check(self) -> None:
        """Raise AssertionError if the strip breaks one of its own rules."""
        assert self.spans, "a strip has at least one span"
        last = len(self.spans) - 1
        folded = {fold.after for fold in self.folds}
        for index, span in enumerate(self.spans):
            empty = span.length == ZERO and (index in (0, last) or {index - 1, index} <= folded)
            assert span.length > ZERO or empty, f"a span has a length: {span}"
            assert 0 <= span.draw <= 1, f"cloth is drawn up, never stretched: {span}"
        for before, after in zip(self.folds, self.folds[1:], strict=False):
            assert before.after < after.after, "folds are in order, one at a place"
        for fold in self.folds:
            assert 0 <= fold.after < last, "a fold lies between two spans"
        for line, then in zip(self.lines, self.lines[1:], strict=False):
            assert line.after <= then.after, "lines are in order"
        for line in self.lines:
            assert -1 <= line.after <= last, "a line lies on the strip"
        creases = {line.after for line in self.lines if line.kind in (LineKind.OUTER, LineKind.INNER, LineKind.FINGER)}
        creases |= {line.after for line in self.lines if line.kind in (LineKind.SEW, LineKind.STITCH)}
        assert {fold.after for fold in self.folds} <= creases, "every fold has a line by which it is found"
        assert self.ring or (not self.begins and self.heading == 1 and not self.closing), "only a ring begins elsewhere"

    @property
    def flat(self) -> Length:
        """The flat width: the sum of the spans."""
        # Few denominators, many spans: whole numbers are summed, and each denominator is met once.
        sums: dict[int, int] = {}
        for span in self.spans:
            mm = span.length.mm
            sums[mm.denominator] = sums.get(mm.denominator, 0) + mm.numerator
        return Length(sum((Fraction(above, below) for below, above in sums.items()), Fraction(0)))


class StripBuilder:
    """Lays down a strip from left to right.

    Spans of no length are left out, so that a gap of nought leaves two placement lines at one place; only a
    fold on the very edge of the section keeps a span of no length outside it.
    """

    __slots__ = ("_folds", "_lines", "_spans")

    def __init__(self) -> None:
        self._spans: list[Span] = []
        self._folds: list[Fold] = []
        self._lines: list[Line] = []

    def cloth(self, length: Length, role: Role, draw: Fraction = WHOLE) -> Self:
        """Lay down a span."""
        if length.mm.numerator:
            self._spans.append(Span(length, role, draw))
        return self

    def fold(self, turn: Turn, kind: LineKind, pleat: int) -> Self:
        """Fold here, at a line of that kind."""
        if not self._spans:
            # A fold on the very edge of the section: what it folds back from is the seam allowance.
            self._spans.append(Span(ZERO, Role.FACE))
        elif self._folds and self._folds[-1].after == len(self._spans) - 1:
            # Two folds at one place, as where two pleats touch: nothing lies between them.
            self._spans.append(Span(ZERO, Role.FACE))
        after = len(self._spans) - 1
        self._folds.append(Fold(after, turn))
        self._lines.append(Line(after, kind, pleat))
        return self

    def line(self, kind: LineKind, pleat: int) -> Self:
        """Name a line here, without a fold."""
        self._lines.append(Line(len(self._spans) - 1, kind, pleat))
        return self

    def strip(self, *, ring: bool = False) -> Strip:
        """The strip laid down so far."""
        if self._folds and self._folds[-1].after == len(self._spans) - 1:
            self._spans.append(Span(ZERO, Role.FACE))
        return Strip(tuple(self._spans), tuple(self._folds), tuple(self._lines), ring)


def begun_at(ring: Strip, line: int, begins: Length, heading: int) -> Strip:
    """The same ring, cut at the line with that index instead of where it was.

    `begins` and `heading` say where on the finished edge that is, and which way the cloth then runs.  The line itself
    stands at both ends, since the two are sewn together there.
    """
    after = ring.lines[line].after
    front, rear = ring.spans[after + 1 :], ring.spans[: after + 1]
    front = front[:-1] if front and not front[-1].length else front
    rear = rear[1:] if rear and not rear[0].length else rear
    lost = after + 1 - len(rear)  # a span of no length that stood for what lies outside the first fold
    shift = len(front) - lost
    closing = next((fold.turn for fold in ring.folds if fold.after == after), None)

    def moved(at: int) -> int:
        return at - after - 1 if at >= after else at + shift

    folds = sorted(fold._replace(after=moved(fold.after)) for fold in ring.folds if fold.after != after)
    ahead = [one._replace(after=moved(one.after)) for one in ring.lines[line:]]
    behind = [one._replace(after=moved(one.after)) for one in ring.lines[:line]]
    here = ring.lines[line]._replace(after=len(front) + len(rear) - 1)
    return Strip(front + rear, tuple(folds), (*ahead, *behind, here), True, begins, heading, closing)


def join(strips: Sequence[Strip]) -> Strip:
    """One strip of several, side by side; pleats are numbered on from one to the next.

    Where two of them meet on a fold, what lies outside it is the other's cloth.

    >>> plain = Strip((Span(Length(5), Role.PLAIN),), (), ())
    >>> join([plain, plain]).flat == Length(10)
    True
    """
    spans: list[Span] = []
    folds: list[Fold] = []
    lines: list[Line] = []
    pleats = 0
    for one in strips:
        own = list(one.spans)
        if spans and not spans[-1].length and own[0].length:
            spans.pop()  # it stood for what lies outside the last fold: here that is this strip
        elif spans and not own[0].length:
            own.pop(0)
        shift = len(spans) - (len(one.spans) - len(own))
        spans += own
        folds += [Fold(fold.after + shift, fold.turn) for fold in one.folds]
        lines += [Line(line.after + shift, line.kind, line.pleat + pleats) for line in one.lines]
        pleats = max((line.pleat for line in lines), default=pleats)
    return Strip(tuple(spans), tuple(folds), tuple(lines))
