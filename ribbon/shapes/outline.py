"""An outline: straight runs and arcs round one piece of cloth."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Sequence
from dataclasses import dataclass
from functools import cached_property
from itertools import pairwise
from typing import NamedTuple

from ribbon.errors import refuse
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length
from ribbon.shapes.exact import direction
from ribbon.shapes.side import Corner, Side

_ROUGH = 1.0
"""How near an arc is followed, in mm, to find a place within."""

FOLD = "fold"
"""The name of a side that lies on a fold of the cloth."""


class Box(NamedTuple):
    """The least upright rectangle round a shape, in mm."""

    left: Fraction
    low: Fraction
    right: Fraction
    high: Fraction

    @property
    def wide(self) -> Length:
        """How far it goes across the cloth."""
        return Length(self.right - self.left)

    @property
    def long(self) -> Length:
        """How far it goes along the cloth."""
        return Length(self.high - self.low)


@dataclass(frozen=True)
class Outline:
    """A closed outline, walked anticlockwise: `x` across the cloth, `y` along it, its arrow up.

    Raises `Refusal` where its sides do not close, or enclose nothing.

    >>> made = rectangle(Length(30), Length(50))
    >>> made.area, made.box.long, made.length_of("left"), made.is_rectangle
    (Fraction(1500, 1), Length(50 mm), Length(50 mm), True)
    """

    sides: tuple[Side, ...]

    def __post_init__(self) -> None:
        around = pairwise((*self.sides, self.sides[0])) if self.sides else ()
        if len(self.sides) < 2 or any(a.end != b.start for a, b in around):
            raise refuse("not_closed", "outline", "", "the sides of this outline do not close", "end where it begins")
        if self.area <= 0:
            raise refuse(
                "no_area", "outline", "", "this outline encloses nothing", "go round it anticlockwise, without crossing"
            )

    @cached_property
    def area(self) -> Fraction:
        """The area in mm²."""
        flat = sum((s.start.x * s.end.y - s.end.x * s.start.y for s in self.sides), Fraction(0)) / 2
        return flat + sum((side.bulges for side in self.sides), Fraction(0))

    @cached_property
    def box(self) -> Box:
        """The least upright rectangle round it."""
        points = [point for side in self.sides for point in side.extremes()]
        xs, ys = [point.x for point in points], [point.y for point in points]
        return Box(min(xs), min(ys), max(xs), max(ys))

    @cached_property
    def is_rectangle(self) -> bool:
        """True where it fills the box round it."""
        box = self.box
        return all(side.centre is None for side in self.sides) and self.area == box.wide.mm * box.long.mm

    @cached_property
    def middle(self) -> Corner:
        """A place well within it, for what is written there: half-way up, in the middle of the widest run of cloth there.

        >>> sector(Length(100), Length(700), Fraction(1)).middle
        Corner(x=Fraction(-400, 1), y=Fraction(0, 1))
        """
        box = self.box
        y = (box.low + box.high) / 2
        around = [point for side in self.sides for point in side.outside(_ROUGH)]
        at = sorted(
            one.x + (other.x - one.x) * (y - one.y) / (other.y - one.y)
            for one, other in pairwise((*around, around[0]))
            if (one.y <= y) != (other.y <= y)
        )
        start, end = max(zip(at[::2], at[1::2], strict=True), key=lambda run: run[1] - run[0])
        return Corner((start + end) / 2, y)

    def named(self, name: str) -> tuple[Side, ...]:
        """The sides of that name, in order."""
        return tuple(side for side in self.sides if side.name == name)

    def length_of(self, name: str) -> Length:
        """How long the sides of that name are together; nought where there is none."""
        return sum((side.length for side in self.named(name)), ZERO)

    def moved(self, x: Fraction, y: Fraction) -> Outline:
        """The same outline elsewhere."""
        return self._each(lambda corner: corner.moved(x, y))

    @property
    def at_corner(self) -> Outline:
        """The same outline, the lower left corner of its box at (0, 0)."""
        box = self.box
        return self.moved(-box.left, -box.low) if box.left or box.low else self

    def turned(self, quarters: int) -> Outline:
        """The outline after so many quarter turns, anticlockwise about (0, 0)."""
        made = self
        for _ in range(quarters % 4):
            made = made._each(lambda corner: Corner(-corner.y, corner.x))
        return made

    @property
    def mirrored(self) -> Outline:
        """The outline as it is seen from behind: left and right change places."""
        return Outline(tuple(_mirror(side, Fraction(0)) for side in reversed(self.sides)))

    @property
    def opened(self) -> Outline:
        """The whole of an outline that is cut on the fold: it and its mirror image across that side; itself without one.

        Raises `Refusal` for a fold that is no single straight side along the cloth.
        """
        at = [index for index, side in enumerate(self.sides) if side.name == FOLD]
        if not at:
            return self
        fold = self.sides[at[0]]
        if len(at) > 1 or fold.centre is not None or fold.start.x != fold.end.x:
            raise refuse(
                "no_fold", "outline", "", "a fold is one straight side along the cloth", "turn it, or cut it as two"
            )
        half = (*self.sides[at[0] + 1 :], *self.sides[: at[0]])
        return Outline((*half, *(_mirror(side, 2 * fold.start.x) for side in reversed(half))))

    def polygon(self, fine: float = 0.1) -> tuple[Corner, ...]:
        """Straight lines round it that keep outside it, by at most about `fine` mm; nothing lies in a hole of it."""
        return tuple(point for side in _without_slits(self.sides) for point in side.outside(fine))

    def _each(self, move: Callable[[Corner], Corner]) -> Outline:
        made = [
            side._replace(start=move(side.start), end=move(side.end), centre=move(side.centre) if side.centre else None)
            for side in self.sides
        ]
        return Outline(tuple(made))


def _without_slits(sides: tuple[Side, ...]) -> tuple[Side, ...]:
    """The sides without a cut that goes in and comes back out, and without the hole at its end."""
    for first, one in enumerate(sides):
        for last in range(first + 1, len(sides)):
            other = sides[last]
            if one.centre is None and other.centre is None and (one.start, one.end) == (other.end, other.start):
                return sides[:first] + sides[last + 1 :]
    return sides


def _mirror(side: Side, twice: Fraction) -> Side:
    """A side mirrored across a line along the cloth, at half of `twice`, and walked the other way, so that it turns as before."""

    def across(corner: Corner) -> Corner:
        return Corner(twice - corner.x, corner.y)

    centre = across(side.centre) if side.centre else None
    return Side(across(side.end), across(side.start), side.name, centre, side.clockwise)


def rectangle(width: Length, length: Length, *, fold: bool = False) -> Outline:
    """A rectangle with sides foot, right, top and left; with `fold` its left side lies on a fold of the cloth."""
    a, b = width.mm, length.mm
    corners = [Corner(Fraction(0), Fraction(0)), Corner(a, Fraction(0)), Corner(a, b), Corner(Fraction(0), b)]
    return closed(corners, ("foot", "right", "top", FOLD if fold else "left"))


def closed(corners: Sequence[Corner], names: Iterable[str]) -> Outline:
    """The outline of straight sides from corner to corner and back to the first, so named."""
    ends = (*corners[1:], corners[0])
    return Outline(tuple(Side(a, b, name) for a, b, name in zip(corners, ends, names, strict=True)))


def sector(inner: Length, outer: Length, share: Fraction) -> Outline:
    """Part of a ring between two radii about (0, 0), beginning on the x axis: sides hem, end, edge and start.

    With an `inner` radius of nought it comes to a point; a whole circle is cut open along its start.
    """
    from_x, from_y = Fraction(1), Fraction(0)
    to_x, to_y = direction(share)
    centre, r, big = Corner(Fraction(0), Fraction(0)), inner.mm, outer.mm
    hem = [Corner(from_x * big, from_y * big), Corner(to_x * big, to_y * big)]
    edge = [Corner(to_x * r, to_y * r), Corner(from_x * r, from_y * r)]
    sides = _arc(hem[0], hem[1], "hem", centre, share, clockwise=False)
    sides.append(Side(hem[1], edge[0], "end"))
    if r:
        sides += _arc(edge[0], edge[1], "edge", centre, share, clockwise=True)
    sides.append(Side(edge[1], hem[0], "start"))
    return Outline(tuple(sides))


def _arc(start: Corner, end: Corner, name: str, centre: Corner, share: Fraction, *, clockwise: bool) -> list[Side]:
    """An arc as one side, a full turn as two: a side that ends where it begins would be none."""
    if share < 1:
        return [Side(start, end, name, centre, clockwise)]
    half = Corner(2 * centre.x - start.x, 2 * centre.y - start.y)
    return [Side(start, half, name, centre, clockwise), Side(half, end, name, centre, clockwise)]
