"""Where every named line comes to lie, for reading instead of looking."""

from __future__ import annotations

from typing import NamedTuple

from ribbon.strip import LineKind, Strip, Walk


class Lies(NamedTuple):
    """A line: its pleat, its place on the flat cloth and on the finished edge in parts of the walk, and the layer of the cloth after it."""

    pleat: int
    kind: LineKind
    flat: int
    x: int
    layer: int


def lies(strip: Strip, walked: Walk) -> list[Lies]:
    """Every line in order along the cloth; layers count from the first span, nearer to whoever looks is higher."""
    last = len(walked.layers) - 1
    return [
        Lies(
            line.pleat,
            line.kind,
            walked.flat[line.after + 1],
            walked.x[line.after + 1],
            walked.layers[min(last, line.after + 1)],
        )
        for line in strip.lines
    ]
