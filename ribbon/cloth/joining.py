"""A strip joined for the way that it lies on the bolt (work, sections 8 and 9)."""

from __future__ import annotations

from typing import NamedTuple

from ribbon.cloth.bolt import Bolt
from ribbon.cloth.drop import Drop
from ribbon.cloth.ways import Way, best, ways
from ribbon.errors import Refusal
from ribbon.lengths import Length
from ribbon.readings import Allowed, Joined, Strategy, Width, joined
from ribbon.strip import Strip, Walk

_TRIES = 60


class Lying(NamedTuple):
    """The ways compared, the one taken (None while the drop is not known), and the strip joined for it."""

    ways: list[Way]
    taken: Way | None
    joined: Joined


def lying(
    strip: Strip,
    walked: Walk,
    bolt: Bolt,
    drop: Drop | None,
    allowed: Allowed,
    strategy: Strategy,
    wanted: str = "best",
) -> Lying:
    """How `strip` lies on `bolt`: the `wanted` way where it can be, else the one that takes least.

    Across, widths are as wide as the cloth; lengthways, strips side by side are as long as they must be for the joins
    to hide; railroaded there is no join.  Raises `Refusal` where the strategy cannot be followed.
    """
    across = joined(strip, walked, bolt.usable, allowed, strategy)
    if drop is None:
        return Lying([], None, across)
    cut = strip.flat + allowed.start + allowed.end
    found = [
        _lengthways(strip, walked, way, allowed) if way.name == "lengthways" and way.strips else (way, None)
        for way in ways(bolt, drop, cut, len(across.widths), allowed.join)
    ]
    compared = [way for way, _ in found]
    if bolt.rectangle and wanted == "best":
        # A sheet has the length it has: its widths lie across it, as many as there are sheets for.
        wanted = "across"
    asked = next((way for way in compared if way.name == wanted and not way.why_not), None)
    taken = asked or best(compared)
    if taken.name == "railroaded":
        return Lying(compared, taken, Joined([], [Width(strip.flat, cut)]))
    along = next((got for way, got in found if way == taken), None)
    return Lying(compared, taken, along or across)


def _lengthways(strip: Strip, walked: Walk, way: Way, allowed: Allowed) -> tuple[Way, Joined | None]:
    """Strips side by side, a little longer each time until as many as there is room for hold the whole strip."""
    for more in range(_TRIES):
        length: Length = way.length + way.length * more / _TRIES
        try:
            got = joined(strip, walked, length, allowed)
        except Refusal:
            continue
        if len(got.widths) <= way.strips:
            longest = max(width.cut for width in got.widths)
            return way._replace(length=longest, strips=len(got.widths), joins=len(got.joins)), got
    return way, None
