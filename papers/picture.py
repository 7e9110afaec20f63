"""The picture of a thing on paper: its outlines, folds and tapes as lines, to scale."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from itertools import pairwise

from papers.drawing import Drawing, Layer, Stroke, Words
from ribbon.making import Shape, View

_ROOM = 7
_PLACES = 8  # between two corners, where it is looked whether a later area covers a shape


def _covered(shape: Shape, later: Sequence[Shape]) -> bool:
    """Whether upright areas that are painted later cover it, corner for corner and at places between them."""
    areas = [over.points for over in later if over.closed and over.paint != "shade"]
    boxes = [(min(x for x, _ in p), max(x for x, _ in p), min(y for _, y in p), max(y for _, y in p)) for p in areas]
    between = [
        (a + (c - a) * part / _PLACES, b + (d - b) * part / _PLACES)
        for (a, b), (c, d) in pairwise(shape.points)
        for part in range(1, _PLACES)
    ]
    return all(
        any(left <= x <= right and top <= y <= foot for left, right, top, foot in boxes)
        for x, y in (*shape.points, *between)
    )


def picture_drawing(view: View, says: Mapping[str, str] | None) -> Drawing:
    """A view of a thing in its own millimetres, no shades; its tapes on it, each with what it `says` by its field, None without.

    >>> from ribbon.making import Shape
    >>> square = Shape(((0.0, 0.0), (10.0, 0.0), (10.0, 10.0)), "face")
    >>> picture_drawing(View("front", (0.0, 0.0, 10.0, 10.0), (square,)), {}).height
    10.0
    """
    left, top, right, foot = view.box

    def at(point: tuple[float, float]) -> tuple[float, float]:
        return point[0] - left, point[1] - top

    tall = max(30.0, (foot - top) / 34)
    if says is not None:
        # Room at both sides for what a tape says.
        left, right = left - tall * _ROOM, right + tall * _ROOM
    lines = [
        Stroke(Layer.SEAM if shape.dashed else Layer.CUT, tuple(map(at, shape.points)), shape.closed, 2.0)
        for number, shape in enumerate(view.shapes)
        if shape.paint != "shade" and len(shape.points) > 1 and not _covered(shape, view.shapes[number + 1 :])
    ]
    words = []
    for tape in view.tapes if says is not None else ():
        a, b = at(tape.start), at(tape.end)
        lines.append(Stroke(Layer.TAPE, (a, b), width=2.0))
        middle = ((a[0] + b[0]) / 2, (a[1] + b[1]) / 2)
        upright = abs(a[0] - b[0]) < abs(a[1] - b[1])
        under = tape.side != "above"
        below = middle[1] + tall * 1.2 if under else middle[1] - tall * 0.3
        place = (middle[0] + tall * 0.4, middle[1]) if upright else (middle[0], below)
        words.append(Words(place, (says or {}).get(tape.field, tape.field), tall, "start" if upright else "middle"))
    return Drawing(right - left, foot - top + (tall * 1.5 if words else 0.0), tuple(lines), tuple(words))
