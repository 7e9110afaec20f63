"""How far behind the front each span lies, for drawing the folded edge (work, section 6)."""

from __future__ import annotations

from heapq import heappop, heappush
from itertools import pairwise

from ribbon.strip import Walk


def behind(walked: Walk) -> list[int]:
    """For each span, how many layers lie in front of its middle: 0 for what shows there.

    Spans are met in order of their middles; those that have begun and not ended are the ones it may lie behind.
    """
    ends = [(min(a, b), max(a, b), index) for index, (a, b) in enumerate(pairwise(walked.x))]
    starting = sorted(ends)
    found = [0] * len(ends)
    active: list[tuple[int, int]] = []
    upcoming = 0
    for low, high, index in sorted(ends, key=lambda span: span[0] + span[1]):
        while upcoming < len(starting) and 2 * starting[upcoming][0] <= low + high:
            heappush(active, (starting[upcoming][1], starting[upcoming][2]))
            upcoming += 1
        while active and 2 * active[0][0] < low + high:
            heappop(active)
        mine = walked.layers[index]
        found[index] = sum(
            1
            for end, other in active
            if walked.layers[other] > mine and 2 * end > low + high and 2 * ends[other][0] < low + high
        )
    return found
