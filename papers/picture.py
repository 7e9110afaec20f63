"""The picture of a thing on paper: its outlines, folds and tapes as lines, to scale."""

from __future__ import annotations

from collections.abc import Mapping

from papers.drawing import Drawing, Layer, Stroke, Words
from ribbon.making import View


def picture_drawing(view: View, says: Mapping[str, str]) -> Drawing:
    """A view of a thing in its own millimetres, its tapes on it, each with what it `says` by its field; no shades.

    >>> from ribbon.making import Shape
    >>> square = Shape(((0.0, 0.0), (10.0, 0.0), (10.0, 10.0)), "face")
    >>> picture_drawing(View("front", (0.0, 0.0, 10.0, 10.0), (square,)), {}).width
    10.0
    """
    left, top, right, foot = view.box

    def at(point: tuple[float, float]) -> tuple[float, float]:
        return point[0] - left, point[1] - top

    lines = [
        Stroke(Layer.SEAM if shape.dashed else Layer.CUT, tuple(map(at, shape.points)), shape.closed, 2.0)
        for shape in view.shapes
        if shape.paint != "shade" and len(shape.points) > 1
    ]
    tall = max(30.0, (foot - top) / 34)
    words = []
    for tape in view.tapes:
        a, b = at(tape.start), at(tape.end)
        lines.append(Stroke(Layer.TAPE, (a, b), width=2.0))
        middle = ((a[0] + b[0]) / 2, (a[1] + b[1]) / 2)
        upright = abs(a[0] - b[0]) < abs(a[1] - b[1])
        place = (middle[0] + tall * 0.4, middle[1]) if upright else (middle[0], middle[1] - tall * 0.3)
        words.append(Words(place, says.get(tape.field, tape.field), tall, "start" if upright else "middle"))
    return Drawing(right - left, foot - top, tuple(lines), tuple(words))
