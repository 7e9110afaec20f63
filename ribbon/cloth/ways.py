"""The ways a long strip lies on the bolt: across it, lengthways, or railroaded (work, section 9)."""

from __future__ import annotations

from typing import NamedTuple

from ribbon.cloth.bolt import Bolt
from ribbon.cloth.drop import Drop, drop_on
from ribbon.lengths import ZERO, Length


class Way(NamedTuple):
    """One way: the length of bolt that it takes, how many strips and joins; `why_not` says what forbids it, if anything."""

    name: str
    length: Length
    strips: int
    joins: int
    why_not: str = ""


def ways(bolt: Bolt, drop: Drop, cut: Length, widths: int, join: Length) -> list[Way]:
    """Each way for a strip `cut` long in all that takes `widths` widths of the bolt when cut across.

    `join` is the allowance at each edge of a join.  Cloth with a right way up can only be cut across: its drop runs
    down the bolt.
    """
    return [_across(bolt, drop, widths), _lengthways(bolt, drop, cut, join), _railroaded(bolt, drop, cut)]


def _across(bolt: Bolt, drop: Drop, widths: int) -> Way:
    # One repeat more lets the first drop begin where the pattern asks for it.
    length = drop_on(bolt, drop) * widths + bolt.along
    return Way("across", length, widths, widths - 1)


def _turned(bolt: Bolt) -> str:
    return "its direction would lie on its side" if bolt.directional else ""


def _lengthways(bolt: Bolt, drop: Drop, cut: Length, join: Length) -> Way:
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


def best(found: list[Way]) -> Way:
    """The way that takes the least cloth of those with no more joins than across has; fewer joins where two are alike.

    Thrift adds no join: a piece that one width holds stays in one.
    """
    across = next(way for way in found if way.name == "across")
    open_ways = [way for way in found if not way.why_not and way.joins <= across.joins]
    return min(open_ways, key=lambda way: (way.length.mm, way.joins))
