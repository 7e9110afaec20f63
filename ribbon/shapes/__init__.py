"""Shapes: outlines of straight runs and arcs, with their allowances and notches; where exactness ends is in `exact`.

Coordinates are millimetres, `x` across the cloth and `y` along it; an outline is walked anticlockwise, its arrow points up.
"""

from ribbon.shapes.allowances import with_allowances
from ribbon.shapes.exact import PI, direction, root, share_of
from ribbon.shapes.notch import Notch, Notched, notched
from ribbon.shapes.outline import FOLD, Box, Outline, closed, rectangle, sector
from ribbon.shapes.side import Corner, Side

__all__ = [
    "FOLD",
    "PI",
    "Box",
    "Corner",
    "Notch",
    "Notched",
    "Outline",
    "Side",
    "closed",
    "direction",
    "notched",
    "rectangle",
    "root",
    "sector",
    "share_of",
    "with_allowances",
]
