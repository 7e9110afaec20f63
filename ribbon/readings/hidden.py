"""Which cloth hides: where a seam can stand without being seen."""

from __future__ import annotations

from itertools import pairwise
from typing import NamedTuple

from ribbon.readings.front import Showing, front, on_flat
from ribbon.readings.stack import stacked
from ribbon.strip import Role, Strip, Walk

_LYING = frozenset({Role.FACE, Role.UNDER, Role.PLAIN})
_ANYWHERE = frozenset({Role.GATHERED, Role.UPRIGHT})


class Hidden(NamedTuple):
    """A stretch of flat cloth of which nothing shows, `start` to `end` in parts of the walk."""

    start: int
    end: int


def hidden(strip: Strip, walked: Walk) -> list[Hidden]:
    """The stretches of flat cloth that do not show from the right side, in order.

    Cloth that is drawn up hides a seam wherever it stands; the fingers of a pinch pleat stand out and show.  At the
    open ends of an edge a stretch goes on past its end, where the seam allowance lies.
    """
    found: list[Hidden] | None = walked.known.get("hidden")
    if found is None:
        found = walked.known["hidden"] = _hidden(strip, walked)
    return found


def _hidden(strip: Strip, walked: Walk) -> list[Hidden]:
    standing = {n for n, span in enumerate(strip.spans) if span.role not in _LYING}
    seen = front(walked) if not standing else _front_without(walked, standing)
    shown = [on_flat(walked, one) for one in seen]
    shown += [walked.flat[n : n + 2] for n in standing if strip.spans[n].role not in _ANYWHERE]  # type: ignore[misc]
    whole = walked.flat[-1]
    merged: list[tuple[int, int]] = []
    for start, end in sorted(shown):
        if end <= start:
            continue
        if merged and start <= merged[-1][1]:
            merged[-1] = (merged[-1][0], max(end, merged[-1][1]))
        else:
            merged.append((start, end))
    if not merged:
        return [Hidden(-whole, 2 * whole)]
    gaps = [Hidden(a, b) for (_, a), (b, _) in pairwise(merged)]
    first, last = merged[0][0], merged[-1][1]
    if walked.ring:
        # What hides at one end of a ring goes on at the other.
        ends = [Hidden(last - whole, first), Hidden(last, first + whole)] if first > 0 or last < whole else []
    else:
        ends = [Hidden(-whole, first)] * (first > 0) + [Hidden(last, 2 * whole)] * (last < whole)
    return sorted(gaps + ends)


def _front_without(walked: Walk, standing: set[int]) -> list[Showing]:
    x = walked.x
    lying = [n for n in range(len(walked.layers)) if n not in standing and x[n] != x[n + 1]]
    if not walked.ring and all(x[n] < x[n + 1] for n in lying) and all(x[a + 1] <= x[b] for a, b in pairwise(lying)):
        return [Showing(x[n], x[n + 1], n, right_side=True) for n in lying]  # one beside the other
    return front(walked, stacked(walked, standing))
