"""The lining's marks: the mirror of the face's, so that the two nest."""

from __future__ import annotations

from ribbon.readings.marks import Mark, marks
from ribbon.strip import Strip, Walk


def lining_marks(strip: Strip, walked: Walk) -> list[Mark]:
    """Every mark as it is measured on the lining's own right side, from its own start; pleats keep their numbers."""
    end = walked.flat[-1]
    return [Mark(end - mark.at, mark.kind, mark.pleat) for mark in reversed(marks(strip, walked))]
