"""Outlines on a strip of cloth: a search that lets curves lie in one another's hollows, and the check of what it says."""

from __future__ import annotations

from collections.abc import Sequence
from functools import lru_cache
from itertools import pairwise
from math import ceil
from typing import NamedTuple

from ribbon.fraction import Fraction
from ribbon.shapes import Corner, Outline

Polygon = tuple[tuple[int, int], ...]
"""Straight lines round a piece, in hundredths of a millimetre."""

PARTS = 100
_FINE = 0.15  # mm; how far the straight lines round an arc may stand out
_APART = 0.12  # mm; what the search keeps between two pieces, so that places can be rounded
_SECONDS = 1


class Nestling(NamedTuple):
    """A piece to be nested: its outline as it lies unturned, and the quarter turns that it may lie at."""

    outline: Outline
    turns: tuple[int, ...] = (0,)


class Nest(NamedTuple):
    """Where a piece lies: the lower left corner of its box, in hundredths of a millimetre, after so many quarter turns."""

    left: int
    start: int
    turns: int


def polygon_of(outline: Outline) -> Polygon:
    """Straight lines round an outline whose box begins at (0, 0), on whole hundredths that keep outside it.

    Each point is rounded away from the middle of the box, which leaves what is straight along its box where it is.
    """
    box = outline.box
    middle = Corner((box.left + box.right) / 2, (box.low + box.high) / 2)

    def out(value: Fraction, about: Fraction) -> int:
        return ceil(value * PARTS) if value > about else (value * PARTS).__floor__()

    return tuple((out(x, middle.x), out(y, middle.y)) for x, y in outline.polygon(_FINE))


@lru_cache(maxsize=64)
def nested(width: int, pieces: tuple[Nestling, ...], seed: int) -> tuple[Nest, ...] | None:
    """Where the pieces lie on cloth `width` hundredths wide, as short as about a second of looking makes it.

    Another `seed` looks elsewhere.  None where what was found does not hold: whatever the search says is checked.
    """
    # Read in where it is wanted: most programs of ours nest nothing.
    from spyrrow import Item, StripPackingConfig, StripPackingInstance

    shapes = [[(float(y) / PARTS, float(x) / PARTS) for x, y in polygon_of(one.outline)] for one in pieces]
    # The search lays its strip along x, cloth runs along y: both are swapped, which turns a quarter turn round.
    items = [
        Item(str(index), points, 1, [-90.0 * turn for turn in one.turns])
        for index, (one, points) in enumerate(zip(pieces, shapes, strict=True))
    ]
    config = StripPackingConfig(
        total_computation_time=_SECONDS, num_workers=1, seed=seed, min_items_separation=_APART, early_termination=True
    )
    try:
        found = StripPackingInstance("cloth", strip_height=width / PARTS + 2 * _APART, items=items).solve(config)
    except BaseException as panic:
        # The search gives up in a way of its own where it finds no place for a piece; the boxes are laid then.
        if type(panic).__name__ != "PanicException":
            raise
        return None
    spots: dict[int, Nest] = {}
    for one in found.placed_items:
        turns, (along, across) = round(-one.rotation / 90) % 4, one.translation
        turned = [_quarter(point, -turns) for point in shapes[int(one.id)]]
        left = round((min(x for _, x in turned) + across - _APART) * PARTS)
        spots[int(one.id)] = Nest(max(0, left), round((min(y for y, _ in turned) + along) * PARTS), turns)
    if len(spots) != len(pieces):
        return None
    first = min(spot.start for spot in spots.values())
    nests = tuple(spots[index]._replace(start=spots[index].start - first) for index in range(len(pieces)))
    return nests if holds(width, pieces, nests) else None


def _quarter(point: tuple[float, float], turns: int) -> tuple[float, float]:
    x, y = point
    for _ in range(turns % 4):
        x, y = -y, x
    return x, y


def holds(width: int, pieces: Sequence[Nestling], nests: Sequence[Nest]) -> bool:
    """True where every piece lies inside the cloth, none over another, and each at a turn that it may lie at."""
    lying: list[tuple[tuple[int, int, int, int], Polygon]] = []
    for piece, nest in zip(pieces, nests, strict=True):
        if nest.turns not in piece.turns:
            return False
        outline = piece.outline.turned(nest.turns).at_corner if nest.turns else piece.outline
        points = tuple((x + nest.left, y + nest.start) for x, y in polygon_of(outline))
        xs, ys = [x for x, _ in points], [y for _, y in points]
        if min(xs) < 0 or min(ys) < 0 or max(xs) > width:
            return False
        lying.append(((min(xs), min(ys), max(xs), max(ys)), points))
    lying.sort(key=lambda one: one[0][1])
    for index, (box, points) in enumerate(lying):
        for other, others in lying[index + 1 :]:
            if other[1] >= box[3]:
                break
            if box[0] < other[2] and other[0] < box[2] and overlap(points, others):
                return False
    return True


def overlap(one: Polygon, other: Polygon) -> bool:
    """True where two polygons, walked anticlockwise, share more than their edges.

    Each line of one is cut where the other's lines meet it.  If any of its parts lies inside the other, or along a line
    of it in the same direction, the insides meet; if no part of either does, they lie beside each other.
    """
    return _enters(one, other) or _enters(other, one)


def _enters(one: Polygon, other: Polygon) -> bool:
    lines = list(zip(other, (*other[1:], other[0]), strict=True))
    left, right = min(x for x, _ in other), max(x for x, _ in other)
    low, high = min(y for _, y in other), max(y for _, y in other)
    for a, b in zip(one, (*one[1:], one[0]), strict=True):
        if a == b or max(a[0], b[0]) < left or min(a[0], b[0]) > right:
            continue
        if max(a[1], b[1]) < low or min(a[1], b[1]) > high:
            continue
        if any(_within(middle, (b[0] - a[0], b[1] - a[1]), lines) for middle in _middles(a, b, lines)):
            return True
    return False


Line = tuple[tuple[int, int], tuple[int, int]]


def _middles(a: tuple[int, int], b: tuple[int, int], lines: Sequence[Line]) -> list[tuple[Fraction, Fraction]]:
    """The middle of each part of the line from `a` to `b` between the places where other lines meet it."""
    dx, dy = b[0] - a[0], b[1] - a[1]
    cuts = {Fraction(0), Fraction(1)}
    for c, d in lines:
        before, behind = dx * (c[1] - a[1]) - dy * (c[0] - a[0]), dx * (d[1] - a[1]) - dy * (d[0] - a[0])
        if before == behind == 0:
            cuts |= {Fraction((x - a[0]) * dx + (y - a[1]) * dy, dx * dx + dy * dy) for x, y in (c, d)}
        elif before * behind <= 0:
            ex, ey = d[0] - c[0], d[1] - c[1]
            cuts.add(Fraction((c[0] - a[0]) * ey - (c[1] - a[1]) * ex, dx * ey - dy * ex))
    inner = sorted(cut for cut in cuts if 0 <= cut <= 1)
    parts = [(low + high) / 2 for low, high in pairwise(inner)]
    return [(a[0] + dx * part, a[1] + dy * part) for part in parts]


def _within(point: tuple[Fraction, Fraction], heading: tuple[int, int], lines: Sequence[Line]) -> bool:
    """True for a point inside the polygon of `lines`, or on a line of it that runs the same way as `heading`."""
    x, y = point
    odd = False
    for (cx, cy), (dx, dy) in lines:
        across = (dx - cx) * (y - cy) - (dy - cy) * (x - cx)
        if across == 0 and min(cx, dx) <= x <= max(cx, dx) and min(cy, dy) <= y <= max(cy, dy):
            return heading[0] * (dx - cx) + heading[1] * (dy - cy) > 0
        if (cy > y) != (dy > y) and (across > 0) == (dy > cy):
            odd = not odd
    return odd
