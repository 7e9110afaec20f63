"""An outline with its allowances: each side moved out by its own, neighbours meeting where they cross."""

from __future__ import annotations

from collections.abc import Mapping
from itertools import pairwise

from ribbon.errors import refuse
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length
from ribbon.shapes.exact import root
from ribbon.shapes.outline import FOLD, Outline
from ribbon.shapes.side import Corner, Side

_NEAR = Fraction(1, 10**12)  # mm², squared distance: what bounded roots leave between two ways to the same point
_MITRE = 4  # allowances; a corner that would stand out further is cut off square


def with_allowances(outline: Outline, each: Mapping[str, Length], other: Length = ZERO) -> Outline:
    """The cut edge round a stitching line: every side moved out by the allowance of its name, or by `other`.

    A side on a fold takes none.  Neighbours meet where they cross; a corner that would stand out further than four
    allowances is cut off.  Raises `Refusal` where an inward arc, or the whole, has no room for its allowance.

    >>> from ribbon.shapes import rectangle
    >>> made = with_allowances(rectangle(Length(100), Length(50)), {"top": Length(20)}, Length(10))
    >>> made.box.wide, made.box.long
    (Length(120 mm), Length(80 mm))
    """
    by = [ZERO if side.name == FOLD else each.get(side.name, other) for side in outline.sides]
    moved = [_moved(side, length) for side, length in zip(outline.sides, by, strict=True)]
    many = len(moved)
    corners: list[list[Corner]] = []
    for index in range(many):
        before = (index - 1) % many
        most = max(by[before].mm, by[index].mm)
        corners.append(_corner(moved[before], moved[index], outline.sides[index].start, most))
    sides: list[Side] = []
    for index, side in enumerate(moved):
        begins, ends = corners[index][-1], corners[(index + 1) % many][0]
        if begins != ends or side.centre is not None:
            sides.append(side._replace(start=begins, end=ends))
        sides += [Side(a, b) for a, b in pairwise(corners[(index + 1) % many])]
    made = Outline(tuple(sides))
    if (
        any(_turned_back(old, new) for old in outline.sides for new in made.named(old.name) if old.name)
        and min(by, default=ZERO) < ZERO
    ):
        raise refuse("too_wide", "allowance", "", "so much taken off leaves nothing of a side", "take off less")
    return made


def _turned_back(old: Side, new: Side) -> bool:
    if old.centre is not None:
        return False
    a, b = (old.end.x - old.start.x, old.end.y - old.start.y), (new.end.x - new.start.x, new.end.y - new.start.y)
    return a[0] * b[0] + a[1] * b[1] < 0


def _moved(side: Side, by: Length) -> Side:
    """The side moved out by so much: to its right as the outline is walked anticlockwise."""
    if side.centre is None:
        x, y = side.heading(Fraction(0))
        return side._replace(start=side.start.moved(y * by.mm, -x * by.mm), end=side.end.moved(y * by.mm, -x * by.mm))
    radius = side.radius
    wider = radius - by.mm if side.clockwise else radius + by.mm
    if wider <= 0:
        raise refuse(
            "too_wide",
            "allowance",
            f"{float(by.mm):g} mm",
            "this curve is too tight for its allowance",
            f"keep it under {float(radius):.3g} mm here",
        )
    times, c = wider / radius, side.centre
    return side._replace(
        start=Corner(c.x + (side.start.x - c.x) * times, c.y + (side.start.y - c.y) * times),
        end=Corner(c.x + (side.end.x - c.x) * times, c.y + (side.end.y - c.y) * times),
    )


def _corner(before: Side, after: Side, old: Corner, most: Fraction) -> list[Corner]:
    """Where two moved sides meet: one corner, or the two ends of a short side between them."""
    if before.end.apart(after.start) <= _NEAR:
        return [before.end]
    crossings = _crossings(before, after)
    nearest = min(crossings, key=old.apart, default=None)
    if nearest is None or (nearest.apart(old) > (_MITRE * most) ** 2 and most > 0):
        return [before.end, after.start]
    return [nearest]


def _crossings(one: Side, other: Side) -> list[Corner]:
    """Where the whole lines or circles of two sides cross."""
    if one.centre is None and other.centre is None:
        return _of_lines(one, other)
    if one.centre is None:
        return _of_line_and_circle(one, other)
    if other.centre is None:
        return _of_line_and_circle(other, one)
    return _of_circles(one, other)


def _of_lines(one: Side, other: Side) -> list[Corner]:
    ax, ay = one.end.x - one.start.x, one.end.y - one.start.y
    bx, by = other.end.x - other.start.x, other.end.y - other.start.y
    across = ax * by - ay * bx
    if not across:
        return []
    part = ((other.start.x - one.start.x) * by - (other.start.y - one.start.y) * bx) / across
    return [one.start.moved(ax * part, ay * part)]


def _of_line_and_circle(line: Side, arc: Side) -> list[Corner]:
    centre = arc.centre or arc.start
    dx, dy = line.end.x - line.start.x, line.end.y - line.start.y
    fx, fy = line.start.x - centre.x, line.start.y - centre.y
    a, half, c = dx * dx + dy * dy, fx * dx + fy * dy, fx * fx + fy * fy - arc.radius**2
    under = half * half - a * c
    if under < 0:
        return []
    step = root(under)
    return [line.start.moved(dx * part, dy * part) for part in ((-half - step) / a, (-half + step) / a)]


def _of_circles(one: Side, other: Side) -> list[Corner]:
    a, b = one.centre or one.start, other.centre or other.start
    far = a.apart(b)
    if not far:
        return []
    r, s = one.radius**2, other.radius**2
    along = (r - s + far) / (2 * far)
    under = r / far - along * along
    if under < 0:
        return []
    up, dx, dy = root(under), b.x - a.x, b.y - a.y
    return [a.moved(dx * along - dy * turn, dy * along + dx * turn) for turn in (up, -up)]
