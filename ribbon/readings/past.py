"""Cloth that sticks out past the ends of the section."""

from __future__ import annotations

from typing import NamedTuple

from ribbon.lengths import Length
from ribbon.strip import Walk


class PastEnd(NamedTuple):
    """How far cloth reaches past the start and past the end of the finished edge; nought where it does not."""

    start: Length
    end: Length


def past_ends(walked: Walk) -> PastEnd:
    """How far the widest underlay sticks out at each end."""
    return PastEnd(walked.length(max(0, -min(walked.x))), walked.length(max(0, max(walked.x) - walked.x[-1])))
