"""What shows: which span is on top at every place of the finished edge."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

from ribbon.readings.stack import Stack, stack
from ribbon.strip import Walk


class Showing(NamedTuple):
    """A stretch of the front view, `start` to `end` in parts of the walk, that shows span `span`.

    `right_side` is True where the right side of the cloth faces whoever looks.  Of a ring the places count round from
    its start, wherever the span itself begins.
    """

    start: int
    end: int
    span: int
    right_side: bool


def back(walked: Walk, stacked: Stack | None = None) -> list[Showing]:
    """What shows of the strip turned over, still in order along the edge from its start: the lowest layer at each place."""
    stacked = stacked or stack(walked)
    return _seen(stacked.places, stacked.bottom, [heading < 0 for heading in walked.heading])


def front(walked: Walk, stacked: Stack | None = None) -> list[Showing]:
    """The front view, left to right: the span of the highest layer at each place."""
    if stacked is not None:
        return _seen(stacked.places, stacked.top, [heading > 0 for heading in walked.heading])
    found: list[Showing] | None = walked.known.get("front")
    if found is None:
        found = walked.known["front"] = front(walked, stack(walked))
    return found


def on_span(walked: Walk, one: Showing) -> tuple[int, int]:
    """The stretch of a span's own finished places that `one` shows: further round where a ring was gone round."""
    low = min(walked.x[one.span], walked.x[one.span + 1])
    whole = walked.x[-1] - walked.x[0]
    times = -((one.start - low) // whole) if walked.ring and whole > 0 else 0
    return one.start + times * whole, one.end + times * whole


def on_flat(walked: Walk, one: Showing) -> tuple[int, int]:
    """The stretch of flat cloth that `one` shows, in parts of the walk; of cloth that is not drawn up."""
    start, end = on_span(walked, one)
    at, x = walked.flat[one.span], walked.x[one.span]
    a, b = at + abs(start - x), at + abs(end - x)
    return min(a, b), max(a, b)


def _seen(places: Sequence[int], spans: Sequence[int], right_side: Sequence[bool]) -> list[Showing]:
    found: list[Showing] = []
    begun, last = places[0], -1
    for start, span in zip(places, [*spans, -1], strict=True):
        if span != last:
            if last >= 0:
                found.append(Showing(begun, start, last, right_side[last]))
            begun, last = start, span
    return found
