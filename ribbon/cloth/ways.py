"""The ways a long strip lies on the bolt: across it, lengthways, or railroaded."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

from ribbon.cloth.bolt import Bolt
from ribbon.cloth.drop import Drop, drop_on
from ribbon.cloth.shares import drops
from ribbon.lengths import ZERO, Length


class Way(NamedTuple):
    """One way: the length of bolt that it takes, how many strips and joins; `why_not` says what forbids it, if anything."""

    name: str
    length: Length
    strips: int
    joins: int
    why_not: str = ""


def ways(bolt: Bolt, drop: Drop, cut: Length, widths: Sequence[Length], join: Length) -> list[Way]:
    """Each way for a strip `cut` long in all that is joined of `widths`, as cut, when it lies across the bolt.

    `join` is the allowance at each edge of a join.  Cloth with a right way up can only be cut across: its drop runs
    down the bolt.
    """
    return [_across(bolt, drop, widths), lengthways(bolt, drop, cut, join), _railroaded(bolt, drop, cut)]


def _across(bolt: Bolt, drop: Drop, widths: Sequence[Length]) -> Way:
    # One repeat more lets the first drop begin where the pattern asks for it.
    length = drop_on(bolt, drop) * drops(widths, bolt.usable) + bolt.along
    return Way("across", length, len(widths), len(widths) - 1)


def _turned(bolt: Bolt) -> str:
    return "its direction would lie on its side" if bolt.directional else ""


def lengthways(bolt: Bolt, drop: Drop, cut: Length, join: Length) -> Way:
    """Strips along the bolt side by side, as long as they are at the least."""
    side_by_side = int(bolt.usable / drop.cut) if drop.cut > ZERO else 0
    if side_by_side == 0:
        return Way("lengthways", ZERO, 0, 0, "the drop is longer than the cloth is wide")
    # Strips side by side, each a part of the whole and joined to the next.
    each = (cut + join * (2 * (side_by_side - 1))) / side_by_side
    return Way("lengthways", each, side_by_side, side_by_side - 1, _turned(bolt))


def _railroaded(bolt: Bolt, drop: Drop, cut: Length) -> Way:
    if drop.cut > bolt.usable:
        return Way("railroaded", ZERO, 0, 0, "the drop is longer than the cloth is wide")
    return Way("railroaded", cut, 1, 0, _turned(bolt))


def usual_way(found: list[Way]) -> Way:
    """The way that is taken where none is asked for: across, so that the cloth hangs with its grain.

    Others may take less; none turns a drape onto the cross grain unasked.
    """
    return next(way for way in found if way.name == "across")
