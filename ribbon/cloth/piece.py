"""Pieces to be cut: strips, bands, linings, pockets, quarter circles; and where each lies."""

from __future__ import annotations

import re
from dataclasses import dataclass, replace
from functools import cached_property
from typing import NamedTuple

from ribbon.fraction import Fraction
from ribbon.lengths import Length
from ribbon.shapes import Corner, Notch, Outline, rectangle
from ribbon.strip import LineKind

FACE, LINING = "face", "lining"
"""The roles of the cloths that an edge and its lining are cut from unless another one is named."""


class SideTakes(NamedTuple):
    """What one side of a piece takes that is not seen: its ``left``, ``right``, ``top`` or ``foot``, how deep, what it is."""

    side: str
    deep: Length
    what: str


class FoldLine(NamedTuple):
    """A line on a piece that is folded or stitched, from corner to corner: what it is."""

    corners: tuple[Corner, ...]
    kind: LineKind


class Drafted(NamedTuple):
    """A piece as a pattern is drawn: its cut edge and its stitching line about the same point, its notches, its lines.

    Sides named ``fold`` lie on folds of the cloth.  Where less than all of the piece will do, `says` tells what it is of it.
    """

    cut: Outline
    stitching: Outline
    notches: tuple[Notch, ...] = ()
    says: str = ""
    lines: tuple[FoldLine, ...] = ()


@dataclass(frozen=True)
class CutPiece:
    """A piece to cut `count` times by its `outline`, the cut edge, its arrow pointing up the cloth.

    `key` tells it from every other piece of its work, `role` names the cloth that it is cut from.  A piece with a side
    on the fold is cut once double: its outline is the half, and it is laid out opened.  One that `may_turn` can lie on
    its side where the cloth has no direction.  A `matched` one begins where the pattern does: a whole number of the
    cloth's repeats from the start, so that it runs on over its joins.  Of `mirrored` ones every second is cut face down.
    `notches` are marked on its edge; `takes` tells what seams, hems and headings take at its sides as it stands upright.
    One that is no rectangle is `drafted`.
    """

    key: str
    name: str
    outline: Outline
    count: int = 1
    may_turn: bool = False
    matched: bool = False
    mirrored: bool = False
    role: str = FACE
    notches: tuple[Notch, ...] = ()
    takes: tuple[SideTakes, ...] = ()
    drafted: Drafted | None = None

    @classmethod
    def oblong(
        cls,
        key: str,
        name: str,
        width: Length,
        length: Length,
        count: int = 1,
        *,
        on_fold: bool = False,
        may_turn: bool = False,
        matched: bool = False,
        role: str = FACE,
    ) -> CutPiece:
        """A rectangle, `width` across the cloth and `length` along it; on the fold `width` is that of its half."""
        return cls(key, name, rectangle(width, length, fold=on_fold), count, may_turn, matched, role=role)

    @property
    def on_fold(self) -> bool:
        """True where it is cut on a fold of the cloth."""
        return bool(self.outline.named("fold"))

    @cached_property
    def opened(self) -> Outline:
        """Its outline as it comes off the cloth, the lower left corner of its box at (0, 0)."""
        return self.outline.opened.at_corner

    @property
    def wide(self) -> Length:
        """How wide it is across the cloth, opened."""
        return self.opened.box.wide

    @property
    def long(self) -> Length:
        """How long it is along the cloth."""
        return self.opened.box.long

    @property
    def pattern(self) -> Drafted:
        """It as a pattern at full size; what is said of the sides of a rectangle gives its stitching line."""
        if self.drafted is not None:
            return self.drafted
        box = self.outline.box
        taken = {
            side: sum((one.deep.mm for one in self.takes if one.side == side), Fraction(0))
            for side in ("left", "right", "top", "foot")
        }
        wide, long = box.wide.mm - taken["left"] - taken["right"], box.long.mm - taken["top"] - taken["foot"]
        if not self.outline.is_rectangle or wide <= 0 or long <= 0:
            return Drafted(self.outline, self.outline, self.notches)
        inner = rectangle(Length(wide), Length(long)).moved(box.left + taken["left"], box.low + taken["foot"])
        return Drafted(self.outline, inner, self.notches)

    def lying(self, turns: int, *, flipped: bool = False) -> Outline:
        """Its outline as it lies after so many quarter turns, the lower left corner of its box at (0, 0)."""
        return _lying(self.opened, turns % 4, flipped)

    def copies(self) -> list[tuple[CutPiece, int]]:
        """Each copy of it with its number, from 1."""
        return [(self, number) for number in range(1, self.count + 1)]

    def times(self, many: int) -> CutPiece:
        """The same piece, cut so many times as often."""
        return self if many == 1 else replace(self, count=self.count * many)

    def on(self, role: str) -> CutPiece:
        """The same piece of another cloth."""
        return replace(self, role=role)


def _lying(opened: Outline, turns: int, flipped: bool) -> Outline:
    made = opened.mirrored if flipped else opened
    return made.turned(turns).at_corner if turns or flipped else made


_COUNTED = re.compile(r"^(.*), (?:width|strip|lining) (\d+ of \d+)$")


def names_of(name: str) -> list[str]:
    """The name of a piece and its shorter forms, for where there is less room.

    >>> names_of("Left panel, width 1 of 2"), names_of("Band")
    (['Left panel, width 1 of 2', 'Left panel, 1 of 2', '1 of 2'], ['Band'])
    """
    found = _COUNTED.match(name)
    return [name, f"{found[1]}, {found[2]}", found[2]] if found else [name]


class Laid(NamedTuple):
    """A piece in its place on the cloth: from `left` across and from `start` along to its box, after so many quarter turns.

    `sheet` counts the cloths where there are several, from 0; `number` tells copies of a piece apart, from 1.
    """

    piece: CutPiece
    number: int
    sheet: int
    left: Length
    start: Length
    turns: int = 0

    @property
    def flipped(self) -> bool:
        """True of a copy that is cut face down."""
        return self.piece.mirrored and self.number % 2 == 0

    @property
    def turned(self) -> bool:
        """True where it lies on its side."""
        return self.turns % 2 == 1

    @property
    def wide(self) -> Length:
        """How far it reaches across the cloth as it lies."""
        return self.piece.long if self.turned else self.piece.wide

    @property
    def long(self) -> Length:
        """How far it reaches along the cloth as it lies."""
        return self.piece.wide if self.turned else self.piece.long

    @property
    def name(self) -> str:
        """What this copy is called."""
        return self.piece.name if self.piece.count == 1 else f"{self.piece.name} {self.number}"

    @property
    def notches(self) -> list[Notch]:
        """The notches of its outline as it lies: at both halves of a piece on the fold, from the other end face down."""
        found = []
        for notch in self.piece.notches:
            back = notch._replace(at=self.outline.length_of(notch.side) - notch.at)
            found += [notch, back] if self.piece.on_fold else [back] if self.flipped else [notch]
        return found

    @property
    def outline(self) -> Outline:
        """Its outline where it lies on the cloth."""
        return self.piece.lying(self.turns, flipped=self.flipped).moved(self.left.mm, self.start.mm)

    @property
    def area(self) -> Fraction:
        """Its area in mm²."""
        return self.piece.opened.area
