"""How many layers lie at every place of the finished edge (work, section 6)."""

from __future__ import annotations

from collections import Counter
from itertools import pairwise
from typing import NamedTuple

from ribbon.strip import Walk


class Thick(NamedTuple):
    """A stretch of the finished edge, `start` to `end` in parts of the walk, with that many layers."""

    start: int
    end: int
    layers: int


def layers(walked: Walk) -> list[Thick]:
    """The layers at every finished position, left to right, past both ends of the section where cloth lies there."""
    change: Counter[int] = Counter()
    for a, b in pairwise(walked.x):
        low, high = (a, b) if a < b else (b, a)
        change[low] += 1
        change[high] -= 1
    found: list[Thick] = []
    depth = 0
    for start, end in pairwise(sorted(change)):
        depth += change[start]
        if found and found[-1].layers == depth:
            found[-1] = found[-1]._replace(end=end)
        else:
            found.append(Thick(start, end, depth))
    return found


def thickest(found: list[Thick]) -> Thick:
    """The first of the stretches with the most layers."""
    return max(found, key=lambda stretch: stretch.layers)
