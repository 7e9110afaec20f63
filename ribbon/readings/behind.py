"""How far behind the front each span lies, for drawing the folded edge."""

from __future__ import annotations

from ribbon.readings.stack import Stack, stack
from ribbon.strip import Walk


def behind(walked: Walk, stacked: Stack | None = None) -> list[int]:
    """For each span, how many layers lie in front of its middle: 0 for what shows there."""
    return (stacked or stack(walked)).before
