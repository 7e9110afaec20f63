"""The sign of each kind of mark, as it stands on the ribbon."""

from __future__ import annotations

from papers.drawing import Layer, Stroke

_PIXEL = 0.26  # mm: on the ribbon they are drawn in pixels
_SIGNS: dict[str, tuple[tuple[tuple[float, float], ...], ...]] = {
    "outer": (((-6, 7), (0, 0), (6, 7)),),
    "inner": (((-5, 1), (0, 7), (5, 1)),),
    "placement": (((-6, 7), (6, 7)), ((0, 1), (0, 7))),
    "centre": (((-3, 4), (-2.1, 1.9), (0, 1), (2.1, 1.9), (3, 4), (2.1, 6.1), (0, 7), (-2.1, 6.1), (-3, 4)),),
    "sew": (((-4, 2), (4, 6)), ((-4, 6), (4, 2))),
    "finger": (((0, 0), (0, 7)),),
    "stitch": (((-3, 4), (3, 4)),),
    "match": (((0, 7), (-4, 0), (4, 0), (0, 7)),),
}


def glyph(kind: str, x: float, foot: float) -> list[Stroke]:
    """The sign of a kind of mark, its middle at `x`, standing on `foot`, in mm; nothing for a kind without one."""
    return [
        Stroke(Layer.CONTROL, tuple((x + a * _PIXEL, foot + (b - 7) * _PIXEL) for a, b in points), width=0.35)
        for points in _SIGNS.get(kind, ())
    ]
