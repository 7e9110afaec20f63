"""How one edge is cut: its cloth, how far it falls, how it is joined, what is cut beside it."""

from __future__ import annotations

from typing import NamedTuple

from ribbon.cloth.bolt import Bolt
from ribbon.cloth.drop import Drop, Lining
from ribbon.cloth.piece import FACE, LINING, CutPiece
from ribbon.lengths import Length
from ribbon.readings import Strategy


class StripeSet(NamedTuple):
    """Which stripe of the cloth stands where: its number from 0 (None: as it comes), by its middle or its edge, at the first fold, mid-face, or in the middle of the plain start or end."""

    chosen: int | None = None
    at: str = "middle"
    where: str = "fold"


class Front(NamedTuple):
    """Plain overlapping front pieces: how wide each shows, how deep the fold inside its edge is.

    Where `inner` is said that is the fold of the inner one, and neither gives way.  The outer one is at the start of the
    strip, with `outer_last` at its end.
    """

    shows: Length
    fold: Length
    inner: Length | None = None
    outer_last: bool = False


class Cutting(NamedTuple):
    """How an edge is cut; `bolt`, `drop` and `lining` are None where they are not said.

    `role` and `lining_role` name the cloths of the work that it and its lining are cut from.  Without a drop the strip
    is taken to lie across its cloth.  A `shaped` edge is one of a piece with an outline of its own, and no strip is cut for it.
    `names` are what its widths are called, from the start, where it is cut in so many.  Its widths are laid from its
    start, or `from_end`.
    """

    bolt: Bolt | None = None
    drop: Drop | None = None
    strategy: Strategy = Strategy.FEWEST
    way: str = "usual"
    front: Front | None = None
    stripe: StripeSet = StripeSet()
    opening: Length | None = None
    lining: Lining | None = None
    lining_bolt: Bolt | None = None
    pieces: tuple[CutPiece, ...] = ()
    role: str = FACE
    lining_role: str = LINING
    shaped: bool = False
    names: tuple[str, ...] = ()
    from_end: bool = False
