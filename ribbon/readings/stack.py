"""What lies over what at every place of the finished edge: one sweep, from which the readings of it are taken.

What shows from either side, how many layers there are and how far behind each span lies are all the same
question asked of the same stack of cloth.  On a ring what lies past the closing point lies over the
other end: it is taken round.
"""

from __future__ import annotations

from bisect import bisect_left, insort
from collections import defaultdict
from collections.abc import Collection, Iterator
from itertools import pairwise
from operator import add
from typing import NamedTuple

from ribbon.strip import Walk


class Stack(NamedTuple):
    """The cloth in a stack, stretch by stretch.

    `places` are the finished positions, in parts of the walk, where a span begins or ends: one more than there
    are stretches.  For each stretch `top` and `bottom` are the highest and the lowest span, -1 where no cloth
    lies, and `deep` the number of spans.  `before` has, for each span, how many lie in front of its middle.
    """

    places: list[int]
    top: list[int]
    bottom: list[int]
    deep: list[int]
    before: list[int]


def stack(walked: Walk) -> Stack:
    """The stack of a walked strip; what only touches a place with its end does not lie there."""
    found: Stack | None = walked.known.get("stack")
    if found is None:
        found = walked.known["stack"] = stacked(walked)
    return found


def _round(walked: Walk, low: int, high: int) -> Iterator[tuple[int, int, int]]:
    """(low, high, times round) of each stretch of an edge, once it is taken round the ring."""
    whole = walked.x[-1] - walked.x[0]
    if not walked.ring or whole <= 0:
        yield low, high, 0
        return
    times = low // whole
    while low < high:
        end = min(high, (times + 1) * whole)
        yield low - times * whole, end - times * whole, times
        low, times = end, times + 1


def stacked(walked: Walk, without: Collection[int] = ()) -> Stack:
    """The stack of the spans of a walk, but for those in `without`."""
    many = len(walked.layers)
    # One number says a span's layer and, among those as high, its turn: the sorted numbers are the stack itself.
    begin: dict[int, list[int]] = defaultdict(list)
    end: dict[int, list[int]] = defaultdict(list)
    above = [(layer + 1) * many for layer in walked.layers]
    around = walked.climbs * many
    for index, (x, then) in enumerate(pairwise(walked.x)):
        if x == then or index in without:
            continue
        key = above[index] - many + index
        for low, high, times in _round(walked, min(x, then), max(x, then)):
            begin[low].append(key - times * around)
            end[high].append(key - times * around)
    middles, turns = _middles(walked)
    order = sorted(range(many), key=middles.__getitem__)
    waiting = [middles[index] for index in order]
    places = sorted(begin.keys() | end.keys()) or [0]
    top, bottom, deep, before = [], [], [], [0] * many
    active: list[int] = []
    asked = 0
    for place, then in pairwise([*places, places[-1]]):
        for key in end.get(place, ()):
            del active[bisect_left(active, key)]
        while asked < many and waiting[asked] <= 2 * place:
            index = order[asked]
            before[index] = len(active) - bisect_left(active, above[index] - turns[index] * around)
            asked += 1
        for key in begin.get(place, ()):
            insort(active, key)
        lying = len(active)
        deep.append(lying)
        top.append(active[bisect_left(active, active[-1] // many * many)] % many if lying else -1)
        bottom.append(active[0] % many if lying else -1)
        while asked < many and waiting[asked] < 2 * then:
            index = order[asked]
            before[index] = lying - bisect_left(active, above[index] - turns[index] * around)
            asked += 1
    return Stack(places, top[:-1], bottom[:-1], deep[:-1], before)


def _middles(walked: Walk) -> tuple[list[int], list[int]]:
    """(twice the middle of each span, to stay whole; how often each is taken round the ring)."""
    middles = list(map(add, walked.x, walked.x[1:]))
    whole = 2 * (walked.x[-1] - walked.x[0])
    if not walked.ring or whole <= 0:
        return middles, [0] * len(middles)
    return [middle % whole for middle in middles], [middle // whole for middle in middles]
