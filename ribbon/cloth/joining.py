"""A strip joined for the way that it lies on the bolt."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from typing import NamedTuple

from ribbon.cloth.bolt import Bolt
from ribbon.cloth.drop import Drop, drop_on
from ribbon.cloth.shares import drops
from ribbon.cloth.ways import Way, lengthways, usual_way, ways
from ribbon.errors import Refusal
from ribbon.facts import Edge, Section
from ribbon.lengths import ZERO, Length
from ribbon.readings import Allowed, Joined, Spread, Strategy, Width, fewest_hidden, joined
from ribbon.strip import Role, Span, Strip, join

_TRIES = 60


class Lying(NamedTuple):
    """The ways compared, the one taken (None while the drop is not known), and the strip joined for it."""

    ways: list[Way]
    taken: Way | None
    joined: Joined


def allowed_of(edge: Section | Edge, *, from_end: bool = False) -> Allowed:
    """The seam allowances and the tape by which an edge is joined, and from which of its ends."""
    allowance = edge.allowance
    return Allowed(allowance.start, allowance.end, allowance.join, edge.tape, from_end)


def with_fronts(strip: Strip, outer: Length, inner: Length) -> Strip:
    """The strip with so much plain cloth more before its start and behind its end: front pieces in one length with it."""
    plain = [Strip((Span(length, Role.PLAIN),), (), ()) if length > ZERO else None for length in (outer, inner)]
    return join([one for one in (plain[0], strip, plain[1]) if one is not None])


def lying(
    laid: Spread,
    bolt: Bolt,
    drop: Drop | None,
    allowed: Allowed,
    strategy: Strategy,
    wanted: str = "usual",
    loses: Callable[[Joined], Sequence[Length]] | None = None,
) -> Lying:
    """How a strip spread flat lies on `bolt`: the `wanted` way where it can be, else across it.

    Across, widths are as wide as the cloth; lengthways, strips side by side are as long as they must be for the joins
    to hide; railroaded there is no join.  `loses` tells how much longer each strip along it is cut so that its pattern runs
    on.  Raises `Refusal` where the strategy cannot be followed.
    """
    across = joined(laid, bolt.usable, allowed, strategy)
    if drop is None:
        return Lying([], None, across)
    cut = laid.flat + allowed.start + allowed.end
    found = [
        _lengthways(laid, way, allowed, loses) if way.name == "lengthways" and way.strips else (way, None)
        for way in ways(bolt, drop, cut, [width.cut for width in across.widths], allowed.join)
    ]
    compared = [way for way, _ in found]
    asked = next((way for way in compared if way.name == wanted and not way.why_not), None)
    taken = asked or usual_way(compared)
    if taken.name == "railroaded":
        return Lying(compared, taken, Joined([], [Width(laid.flat, cut)]))
    along = next((got for way, got in found if way == taken), None)
    return Lying(compared, taken, along or across)


def takes_no_more(
    laid: Spread,
    bolt: Bolt,
    drop: Drop,
    allowed: Allowed,
    strategy: Strategy,
    way: str,
    most: Length,
    loses: Callable[[Joined], Sequence[Length]] | None = None,
) -> bool:
    """Whether it takes no more than `most` of the bolt when it lies that way and is shared so.

    `loses` tells how much longer each strip along it is cut so that its pattern runs on.
    """
    cut = laid.flat + allowed.start + allowed.end
    if way == "railroaded":
        return cut <= most
    try:
        if way == "lengthways":
            way_along = lengthways(bolt, drop, cut, allowed.join)
            return _lengthways(laid, way_along, allowed, loses, enough=most)[0].length <= most
        each = drop_on(bolt, drop)
        many = fewest_hidden(laid, bolt.usable, allowed) if strategy is Strategy.FEWEST else 0
        # So many widths side by side take at least so many drops, however they share them.
        least = -(-((cut + allowed.join * 2 * max(0, many - 1)) / bolt.usable) // 1)
        if each * least + bolt.along > most:
            return False
        widths = [width.cut for width in joined(laid, bolt.usable, allowed, strategy).widths]
    except Refusal:
        return False
    return each * drops(widths, bolt.usable) + bolt.along <= most


def _lengthways(
    laid: Spread,
    way: Way,
    allowed: Allowed,
    loses: Callable[[Joined], Sequence[Length]] | None = None,
    *,
    enough: Length = ZERO,
) -> tuple[Way, Joined | None]:
    """Strips side by side, a little longer each time until as many as there is room for hold the whole strip.

    Where they lose something to their pattern, those are taken whose longest is the shortest with it; none better is
    looked for than `enough`.
    """
    best: tuple[Way, Joined] | None = None
    for tried in range(_TRIES):
        length: Length = way.length + way.length * tried / _TRIES
        try:
            got = joined(laid, length, allowed)
        except Refusal:
            continue
        if len(got.widths) <= way.strips:
            more = loses(got) if loses else ()
            longest = max(width.cut + (more[n] if n < len(more) else ZERO) for n, width in enumerate(got.widths))
            if best is None or longest < best[0].length:
                best = way._replace(length=longest, strips=len(got.widths), joins=len(got.joins)), got
            if not more or best[0].length <= max(length, enough):
                break
    return best or (way, None)
