"""One side of an outline: a straight run or an arc from corner to corner."""

from __future__ import annotations

from math import ceil, pi
from typing import NamedTuple

from ribbon.fraction import Fraction
from ribbon.lengths import Length
from ribbon.shapes.exact import PI, direction, root, share_of


class Corner(NamedTuple):
    """A point of a shape, in millimetres: `x` across the cloth, `y` along it."""

    x: Fraction
    y: Fraction

    def moved(self, x: Fraction, y: Fraction) -> Corner:
        """The point so far over and so far up."""
        return Corner(self.x + x, self.y + y)

    def apart(self, other: Corner) -> Fraction:
        """How far another point is, squared."""
        return (self.x - other.x) ** 2 + (self.y - other.y) ** 2


class Side(NamedTuple):
    """A side from `start` to `end`, with the name that allowances, notches and labels know it by.

    With a `centre` it is an arc about that, anticlockwise unless said otherwise; else it is straight.
    """

    start: Corner
    end: Corner
    name: str = ""
    centre: Corner | None = None
    clockwise: bool = False

    @property
    def radius(self) -> Fraction:
        """The radius of an arc in mm, nought of a straight side."""
        return root(self.centre.apart(self.start)) if self.centre else Fraction(0)

    @property
    def begins(self) -> Fraction:
        """The direction from the centre in which an arc begins, as a part of a full turn."""
        return self._share(self.start)

    @property
    def swept(self) -> Fraction:
        """What part of a full turn an arc goes through; nought of a straight side."""
        if self.centre is None:
            return Fraction(0)
        turn = self._share(self.end) - self._share(self.start)
        return (-turn if self.clockwise else turn) % 1

    def _share(self, corner: Corner) -> Fraction:
        centre = self.centre or self.start
        return share_of(corner.x - centre.x, corner.y - centre.y)

    @property
    def length(self) -> Length:
        """How long it is."""
        if self.centre is None:
            return Length(root(self.start.apart(self.end)))
        return Length(2 * PI * self.radius * self.swept)

    def at(self, part: Fraction) -> Corner:
        """The point that part of the way along it, from 0 to 1."""
        if part in (0, 1):
            return self.end if part else self.start
        if self.centre is None:
            return self.start.moved((self.end.x - self.start.x) * part, (self.end.y - self.start.y) * part)
        turn = self.swept * part
        x, y = direction(self.begins + (-turn if self.clockwise else turn))
        return self.centre.moved(x * self.radius, y * self.radius)

    def heading(self, part: Fraction) -> tuple[Fraction, Fraction]:
        """The direction in which it goes there, of length one."""
        if self.centre is None:
            long = root(self.start.apart(self.end))
            return (self.end.x - self.start.x) / long, (self.end.y - self.start.y) / long
        here = self.at(part)
        x, y = (here.x - self.centre.x) / self.radius, (here.y - self.centre.y) / self.radius
        return (y, -x) if self.clockwise else (-y, x)

    @property
    def reversed(self) -> Side:
        """The same side walked the other way."""
        return Side(self.end, self.start, self.name, self.centre, not self.clockwise if self.centre else False)

    @property
    def bulges(self) -> Fraction:
        """The area between an arc and its chord, in mm²: above nought where the arc lies outside the chord of a shape walked anticlockwise."""
        if self.centre is None:
            return Fraction(0)
        c, a, b = self.centre, self.start, self.end
        # The sector less the triangle under it; of more than half a turn the triangle is added, by its sign.
        sector = PI * self.radius**2 * self.swept
        across = (a.x - c.x) * (b.y - c.y) - (b.x - c.x) * (a.y - c.y)
        triangle = (-across if self.clockwise else across) / 2
        return -(sector - triangle) if self.clockwise else sector - triangle

    def extremes(self) -> list[Corner]:
        """Its ends, and where an arc goes furthest to the right, up, to the left and down."""
        found = [self.start, self.end]
        if self.centre is not None:
            begins, swept, radius = self.begins, self.swept, self.radius
            for quarter in range(4):
                turn = (Fraction(quarter, 4) - begins) * (-1 if self.clockwise else 1) % 1
                if turn < swept:
                    x, y = direction(Fraction(quarter, 4))
                    found.append(self.centre.moved(x * radius, y * radius))
        return found

    def outside(self, fine: float) -> list[Corner]:
        """The points of straight lines that keep outside an arc by at most about `fine` mm; its start first, its end left out.

        Outside is what the shape, walked anticlockwise, does not cover: an arc that goes in is cut off by its chords.
        """
        if self.centre is None or not self.swept:
            return [self.start]
        radius, swept = self.radius, self.swept
        # Between tangents a polygon stands out by r (1/cos − 1), about r a² / 2 for half a step a.
        step = max(0.02, min(0.25 * pi, 2 * (2 * fine / max(float(radius), fine)) ** 0.5))
        many = max(1, ceil(2 * pi * float(swept) / step))
        if self.clockwise:
            return [self.at(Fraction(index, many)) for index in range(many)]
        x, _ = direction(swept / many / 2)
        out = radius / x
        found = [self.start]
        for index in range(many):
            a, b = direction(self.begins + swept * (2 * index + 1) / (2 * many))
            found.append(self.centre.moved(a * out, b * out))
        return found
