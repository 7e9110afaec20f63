"""How many layers lie at every place of the finished edge."""

from __future__ import annotations

from typing import NamedTuple

from ribbon.readings.stack import Stack, stack
from ribbon.strip import Walk


class Thick(NamedTuple):
    """A stretch of the finished edge, `start` to `end` in parts of the walk, with that many layers."""

    start: int
    end: int
    layers: int


def layers(walked: Walk, stacked: Stack | None = None) -> list[Thick]:
    """The layers at every finished position, left to right, past both ends of the section where cloth lies there."""
    stacked = stacked or stack(walked)
    found: list[Thick] = []
    begun = last = None
    for start, count in zip(stacked.places, [*stacked.deep, None], strict=True):
        if count != last:
            if begun is not None and last is not None:
                found.append(Thick(begun, start, last))
            begun, last = start, count
    return found


def thickest(found: list[Thick]) -> Thick:
    """The first of the stretches with the most layers."""
    return max(found, key=lambda stretch: stretch.layers)
