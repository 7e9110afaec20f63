"""What shows: which span is on top at every place of the finished edge (work, section 6)."""

from __future__ import annotations

from collections.abc import Sequence
from heapq import heappop, heappush
from itertools import pairwise
from typing import NamedTuple

from ribbon.strip import Walk


class Showing(NamedTuple):
    """A stretch of the front view, `start` to `end` in parts of the walk, that shows span `span`.

    `right_side` is True where the right side of the cloth faces whoever looks.
    """

    start: int
    end: int
    span: int
    right_side: bool


def back(walked: Walk) -> list[Showing]:
    """What shows of the strip turned over, still in order along the edge from its start: the lowest layer at each place."""
    return [
        seen._replace(right_side=not seen.right_side) for seen in _seen(walked, [-layer for layer in walked.layers])
    ]


def front(walked: Walk) -> list[Showing]:
    """The front view, left to right: the span of the highest layer at each place."""
    return _seen(walked, walked.layers)


def _seen(walked: Walk, heights: Sequence[int]) -> list[Showing]:
    spans = []
    for index, (a, b) in enumerate(pairwise(walked.x)):
        if a != b:
            spans.append((min(a, b), max(a, b), index))
    spans.sort()
    places = sorted({place for low, high, _ in spans for place in (low, high)})
    waiting = iter([*spans, None])
    found: list[Showing] = []
    upcoming = next(waiting)
    heap: list[tuple[int, int, int]] = []
    for start, end in pairwise(places):
        while upcoming is not None and upcoming[0] <= start:
            heappush(heap, (-heights[upcoming[2]], upcoming[2], upcoming[1]))
            upcoming = next(waiting)
        while heap and heap[0][2] <= start:
            heappop(heap)
        if not heap:
            continue
        span = heap[0][1]
        if found and found[-1].span == span and found[-1].end == start:
            found[-1] = found[-1]._replace(end=end)
        else:
            found.append(Showing(start, end, span, walked.heading[span] > 0))
    return found
