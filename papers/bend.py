"""Arcs between two points of a drawing, known by their bend: the tangent of a quarter of the angle that they turn through.

A bend above nought lies to the right of the way from one point to the other as the page is seen, which is the way round
that a clock does not go; 1 is half a circle.
"""

from __future__ import annotations

from math import atan, atan2, ceil, cos, hypot, pi, sin, tan
from typing import NamedTuple

Point = tuple[float, float]


class Arc(NamedTuple):
    """An arc on the page: its centre, its radius, the angle at which it begins and how far it turns, both as y counts downwards."""

    centre: Point
    radius: float
    begins: float
    turns: float

    def at(self, part: float) -> Point:
        """The point that part of the way along it."""
        angle = self.begins + self.turns * part
        return self.centre[0] + self.radius * cos(angle), self.centre[1] + self.radius * sin(angle)


def arc_of(a: Point, b: Point, bend: float) -> Arc:
    """The arc from `a` to `b` with that bend."""
    dx, dy = b[0] - a[0], b[1] - a[1]
    chord = hypot(dx, dy)
    radius = chord * (1 + bend * bend) / (4 * abs(bend))
    # From the middle of the chord to the centre, to the left as the page is seen for a bend above nought.
    far = chord * (1 - bend * bend) / (4 * bend)
    centre = ((a[0] + b[0]) / 2 + dy / chord * far, (a[1] + b[1]) / 2 - dx / chord * far)
    return Arc(centre, radius, _angle(a, centre), -4 * atan(bend))


def _angle(point: Point, centre: Point) -> float:
    return atan2(point[1] - centre[1], point[0] - centre[0])


def bend_of(turns: float) -> float:
    """The bend of an arc that turns through that angle, above nought against the clock as the page is seen."""
    return tan(turns / 4)


def along(a: Point, b: Point, bend: float, fine: float = 0.01) -> list[Point]:
    """Points from `a` to `b` along the arc, no straight line between two of them further than `fine` from it; `a` left out."""
    if not bend or a == b:
        return [b]
    arc = arc_of(a, b, bend)
    step = max(0.01, min(pi / 8, 2 * (2 * fine / max(arc.radius, fine)) ** 0.5))
    many = max(2, ceil(abs(arc.turns) / step))
    return [*(arc.at(index / many) for index in range(1, many)), b]


def extremes(a: Point, b: Point, bend: float) -> list[Point]:
    """The two points, and where an arc between them goes furthest to each side of the page."""
    if not bend or a == b:
        return [a, b]
    arc = arc_of(a, b, bend)
    found = [a, b]
    for quarter in range(4):
        turn = (quarter * pi / 2 - arc.begins) % (2 * pi)
        part = turn / arc.turns if arc.turns > 0 else (turn - 2 * pi) / arc.turns
        if 0 <= part <= 1:
            found.append(arc.at(part))
    return found
