"""A row: pleats standing at finished positions along one edge."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from enum import StrEnum
from functools import partial
from itertools import pairwise
from math import lcm
from typing import NamedTuple, Self

from ribbon.fraction import Fraction
from ribbon.lengths import Length
from ribbon.strip import Fold, Line, LineKind, Role, Span, StripBuilder, Turn

# A named tuple without the call that unpacks its arguments: rows are long.
_fold = partial(tuple.__new__, Fold)
_line = partial(tuple.__new__, Line)


class Facing(StrEnum):
    """The way a knife pleat's outer fold points, seen from the right side."""

    RIGHT = "right"
    LEFT = "left"
    TO_CENTRE = "to_centre"
    FROM_CENTRE = "from_centre"


class Standing(NamedTuple):
    """One pleat where it stands, in whole parts of a millimetre (see `Row`).

    `at` is its reference line on the finished edge, `left` and `right` the ends of what it covers there
    (all three alike for a knife or a pinch pleat); `take` is the cloth it takes up.  `facing` is right or
    left.  `half` is -1 or +1 where a fold line of the cloth cuts it and only its left or right half is here.
    """

    pleat: int
    at: int
    left: int
    right: int
    take: int
    facing: Facing = Facing.RIGHT
    half: int = 0


class Row(NamedTuple):
    """Pleats of one kind along an edge of finished width `finished`.

    Every length is a whole number of parts, `parts` to the millimetre: exact, and quick for long rows.
    `plain_lead` and `plain_tail` tell that the first and last run lie flat by intent, `ring` that the ends meet,
    `closes` that they do so behind the first pleat, which then stands at the very start.
    """

    parts: int
    finished: int
    pleats: Sequence[Standing]
    plain_lead: bool = False
    plain_tail: bool = False
    ring: bool = False
    closes: bool = False

    def finer(self, *also: Fraction) -> Row:
        """The same row in parts that are fine enough for the lengths `also`, in millimetres, too."""
        parts = lcm(self.parts, *(value.denominator for value in also))
        if parts == self.parts:
            return self
        times = parts // self.parts
        pleats = [
            Standing(number, at * times, left * times, right * times, take * times, facing, half)
            for number, at, left, right, take, facing, half in self.pleats
        ]
        return self._replace(parts=parts, finished=self.finished * times, pleats=pleats)

    @property
    def around(self) -> Sequence[Standing]:
        """The pleats in the order in which they are laid: one that stands where a ring closes comes last."""
        if not self.closes:
            return self.pleats
        first, end = self.pleats[0], self.finished
        return [*self.pleats[1:], first._replace(at=first.at + end, left=first.left + end, right=first.right + end)]

    @property
    def begins(self) -> int:
        """Where the first run begins: at the start, or behind the pleat in which a ring closes."""
        return self.pleats[0].right if self.closes else 0

    @property
    def stands(self) -> bool:
        """True where no pleat begins before the last has ended, and none gives more cloth than it takes."""
        begins = self.begins
        ends = [end for pleat in self.around for end in (pleat.left, pleat.right)]
        order = [begins, *ends, self.finished + begins]
        return all(a <= b for a, b in pairwise(order)) and all(pleat.take >= 0 for pleat in self.pleats)


class _Pattern(NamedTuple):
    """What one pleat adds to a strip; places are counted from the spans that lay before it."""

    spans: list[Span]
    folds: list[tuple[int, Turn]]
    lines: list[tuple[int, LineKind]]


class Laying(StripBuilder):
    """Lays pleats given in parts onto a strip of exact lengths; equal runs share one length, equal pleats one pattern."""

    __slots__ = ("_known", "_parts", "_patterns")

    def __init__(self, parts: int) -> None:
        super().__init__()
        self._parts = parts
        self._known: dict[tuple[int, Role, int], Span] = {}
        self._patterns: dict[tuple[object, ...], _Pattern] = {}

    def pleat(self, standing: Standing, lay: Callable[[Laying, Standing], None]) -> None:
        """Lay down one pleat by `lay`, or again what it laid for one just like it."""
        number, at, left, right, take, facing, half = standing
        base, creases, named = len(self._spans), len(self._folds), len(self._lines)
        # What a pleat adds also depends on how the one before it ended: a fold on a fold has nothing between.
        on_fold = not base or (creases > 0 and self._folds[-1].after == base - 1)
        alike = (at - left, right - at, take, facing, half, on_fold, not base)
        pattern = self._patterns.get(alike)
        if pattern is None:
            lay(self, standing)
            self._patterns[alike] = _Pattern(
                self._spans[base:],
                [(after - base, turn) for after, turn in self._folds[creases:]],
                [(after - base, kind) for after, kind, _ in self._lines[named:]],
            )
        else:
            self._spans += pattern.spans
            for after, turn in pattern.folds:
                self._folds.append(_fold((base + after, turn)))
            for after, kind in pattern.lines:
                self._lines.append(_line((base + after, kind, number)))

    def run(self, run: int, role: Role, split: int = 1) -> Self:
        """Lay down `run` parts of cloth, or one `split`-th of them."""
        if run:
            span = self._known.get((run, role, split))
            if span is None:
                span = self._known[run, role, split] = Span(Length(Fraction(run, self._parts * split)), role)
            self._spans.append(span)
        return self

    def drawn(self, run: int, split: int, draw: Fraction) -> Self:
        """Lay down one `split`-th of `run` parts of cloth, drawn up to `draw` of its length."""
        self.cloth(Length(Fraction(run, self._parts * split)), Role.UPRIGHT, draw)
        return self
