"""Pieces to be cut: strips, bands, linings, pockets, ties."""

from __future__ import annotations

from dataclasses import dataclass
from typing import NamedTuple

from ribbon.lengths import Length


@dataclass(frozen=True, slots=True)
class Piece:
    """A rectangle to cut `count` times: `width` across the cloth, `length` along it, its arrow pointing up the length.

    A piece on the fold is cut once double: it is named by its half and laid out opened.  One that `may_turn` can lie
    on its side where the cloth has no direction.  A `matched` one begins where the pattern does: a whole number of the
    cloth's repeats from the start, so that it runs on over its joins.  `key` tells apart pieces of the same name and
    size.
    """

    name: str
    width: Length
    length: Length
    count: int = 1
    on_fold: bool = False
    may_turn: bool = False
    matched: bool = False
    key: str = ""

    @property
    def opened(self) -> Length:
        """Its width as it comes off the cloth: twice its half, where it is cut on the fold."""
        return self.width * 2 if self.on_fold else self.width


class Laid(NamedTuple):
    """A piece in its place on the cloth: from `left` across and from `start` along, `turned` on its side or not.

    `sheet` counts the cloths where there are several, from 0; `number` tells copies of a piece apart, from 1.
    """

    piece: Piece
    number: int
    sheet: int
    left: Length
    start: Length
    wide: Length
    long: Length
    turned: bool
