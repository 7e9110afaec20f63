"""A row: pleats standing at finished positions along one edge."""

from __future__ import annotations

from collections.abc import Sequence
from enum import StrEnum
from fractions import Fraction
from typing import TYPE_CHECKING, NamedTuple

from ribbon.lengths import Length
from ribbon.strip import LineKind, Role, Strip, StripBuilder, Turn

if TYPE_CHECKING:
    from ribbon.pleats.kind import Kind


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
    left.
    """

    pleat: int
    at: int
    left: int
    right: int
    take: int
    facing: Facing = Facing.RIGHT


class Row(NamedTuple):
    """Pleats of one kind along an edge of finished width `finished`.

    Every length is a whole number of parts, `parts` to the millimetre: exact, and quick for long rows.
    `plain_lead` and `plain_tail` tell that the first and last run lie flat by intent.
    """

    parts: int
    finished: int
    pleats: Sequence[Standing]
    plain_lead: bool = False
    plain_tail: bool = False


class Laying:
    """Lays pleats given in parts onto a strip of exact lengths."""

    __slots__ = ("_known", "parts", "strip")

    def __init__(self, parts: int) -> None:
        self.parts, self.strip = parts, StripBuilder()
        self._known: dict[int | tuple[int, int], Length] = {}

    def cloth(self, run: int, role: Role, split: int = 1) -> Laying:
        """Lay down `run` parts of cloth, or one `split`-th of them."""
        key = run if split == 1 else (run, split)
        length = self._known.get(key)
        if length is None:
            length = self._known[key] = Length(Fraction(run, self.parts * split))
        self.strip.cloth(length, role)
        return self

    def fold(self, turn: Turn, kind: LineKind, pleat: int) -> Laying:
        """Fold here, at a line of that kind."""
        self.strip.fold(turn, kind, pleat)
        return self

    def line(self, kind: LineKind, pleat: int) -> Laying:
        """Name a line here, without a fold."""
        self.strip.line(kind, pleat)
        return self

    def drawn(self, run: int, split: int, draw: Fraction) -> Laying:
        """Lay down one `split`-th of `run` parts of cloth, drawn up to `draw` of its length."""
        self.strip.cloth(Length(Fraction(run, self.parts * split)), Role.UPRIGHT, draw)
        return self


def strip_of(kind: Kind, row: Row) -> Strip:
    """The strip that folds into `row`: faces between the pleats, each pleat laid by its kind."""
    laying = Laying(row.parts)
    at = 0
    for index, standing in enumerate(row.pleats):
        laying.cloth(standing.left - at, Role.PLAIN if index == 0 and row.plain_lead else Role.FACE)
        kind.lay(laying, standing)
        at = standing.right
    laying.cloth(row.finished - at, Role.PLAIN if row.plain_tail else Role.FACE)
    return laying.strip.strip()
