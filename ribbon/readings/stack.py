"""What lies over what at every place of the finished edge: one sweep, from which the readings of it are taken.

What shows from either side, how many layers there are and how far behind each span lies are all the same
question asked of the same stack of cloth (work, section 6).
"""

from __future__ import annotations

from bisect import bisect_left, insort
from collections import defaultdict
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
    many = len(walked.layers)
    # One number says a span's layer and, among those as high, its turn: the sorted numbers are the stack itself.
    begin: dict[int, list[int]] = defaultdict(list)
    end: dict[int, list[int]] = defaultdict(list)
    above = [(layer + 1) * many for layer in walked.layers]
    for index, (low, high) in enumerate(pairwise(walked.x)):
        key = above[index] - many + index
        if low < high:
            begin[low].append(key)
            end[high].append(key)
        elif high < low:
            begin[high].append(key)
            end[low].append(key)
    middles = list(map(add, walked.x, walked.x[1:]))  # twice over, to stay whole
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
            before[index] = len(active) - bisect_left(active, above[index])
            asked += 1
        for key in begin.get(place, ()):
            insort(active, key)
        lying = len(active)
        deep.append(lying)
        top.append(active[bisect_left(active, active[-1] // many * many)] % many if lying else -1)
        bottom.append(active[0] % many if lying else -1)
        while asked < many and waiting[asked] < 2 * then:
            index = order[asked]
            before[index] = lying - bisect_left(active, above[index])
            asked += 1
    return Stack(places, top[:-1], bottom[:-1], deep[:-1], before)
