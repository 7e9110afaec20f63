"""A block with pleats let in as it is worn, the block with its lines, and its finished pattern."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from itertools import pairwise

from ribbon.fraction import Fraction
from ribbon.making.asked import Given
from ribbon.making.block_drafted import BlockHalf, block_lines, height_at
from ribbon.making.block_fields import at_waist_only, bodied, typed_out
from ribbon.making.block_spread import SpreadBlock
from ribbon.making.blocks import BlockPart
from ribbon.making.body import body_view
from ribbon.making.picture import Caption, Hung, Picture, Point, Shape, Tape, View, bent, extent, hanging, mm
from ribbon.making.thing import Solved, pleats_say
from ribbon.shapes import Corner
from ribbon.strip import LineKind

Parts = Sequence[tuple[BlockPart, BlockHalf, SpreadBlock]]


def drawn(given: Given, half: BlockHalf, parts: Parts, solved: Mapping[str, Solved]) -> Picture:
    """Front and back as they are worn; half of the block with its lines; half of the finished pattern."""
    views = [_worn(given, worn, part, solved.get(part.key)) for part, worn, _ in parts]
    views.append(_block(given, half))
    pleated = [(part, spread) for part, _, spread in parts if part.pleated]
    views += [_pattern(part, spread) for part, spread in pleated[:1]]
    if not typed_out(given):
        views.append(body_view(given, "waist", "hip_level", "hip", "length"))
    says = [
        f"{part.title}: {pleats_say(solved[part.key].whole)} at each half."
        for part, _, _ in parts
        if part.key in solved
    ]
    return Picture(tuple(views), tuple(says))


def _down(half: BlockHalf, corner: Corner) -> Point:
    """A place of the block on a picture that counts downwards from its highest corner."""
    high = max(one.y for one in half.top)
    return float(corner.x), float(high - corner.y)


def _half_shape(half: BlockHalf) -> list[Point]:
    around = [*half.foot, *half.side[1:], *half.top[-2::-1]]
    return [_down(half, corner) for corner in around]


def _worn(given: Given, worn: BlockHalf, part: BlockPart, one: Solved | None) -> View:
    """Both halves, the right one mirrored to the left, each face where it stands."""
    sides = [_down(worn, corner) for corner in worn.side]
    tall = sides[0][1]
    across = mm(worn.across)

    def wide(y: float) -> float:
        if y >= sides[0][1]:
            return sides[0][0]
        for (x, low), (top_x, high) in pairwise(sides):
            if high <= y <= low:
                return x + (top_x - x) * (low - y) / (low - high) if low != high else x
        return sides[-1][0]

    shapes: list[Shape] = []
    role = one.cutting.role if one is not None else "face"
    if one is None or at_waist_only(given):
        right = _half_shape(worn)
        shapes += [Shape(tuple(right), role), Shape(tuple((-x, y) for x, y in right), role)]
    if one is not None and at_waist_only(given):
        shapes += _small_lines(given, worn, one, mirrored=False) + _small_lines(given, worn, one, mirrored=True)
    elif one is not None:
        for flipped in (False, True):
            left = -across if flipped else 0.0
            half = hanging(one.whole, one.cutting, Hung(left, across, 0.0, tall, flipped=flipped))
            for shape in half:
                points = shape
                for _, level in sides[1:-1]:
                    points = points._replace(points=tuple(bent(points, level)))
                shapes.append(points._replace(points=tuple((x * wide(y) / across, y) for x, y in points.points)))
    outline = [(x, y) for x, y in _half_shape(worn) if x or y]
    around = [*outline, *((-x, y) for x, y in reversed(outline))]
    shapes.append(Shape((*around, around[0]), "ink", closed=False, weight=1.6))
    tapes = _tapes(given, worn) if part.key == "front" else ()
    labels = () if part.key == "front" else (Caption((-sides[0][0], tall * 1.06), "from behind"),)
    return View(part.key, extent(shapes, tapes, across * 0.06), tuple(shapes), tuple(tapes), labels)


def _small_lines(given: Given, worn: BlockHalf, one: Solved, *, mirrored: bool) -> list[Shape]:
    """Each small pleat from where it is stitched up to, to where it is let go."""
    walked, found = one.whole.walked, []
    waist = float(max(c.y for c in worn.top) - worn.waist.mm)
    high = waist - (mm(given.length("stitched_up")) if bodied(given) else 0.0)
    low = waist + mm(given.length("stitched"))
    for line in one.whole.strip.lines:
        if line.kind is LineKind.OUTER:
            x = mm(walked.length(walked.x[line.after + 1]))
            x = -x if mirrored else x
            found.append(Shape(((x, high), (x, low)), "ink", closed=False, weight=1.2))
            found.append(Shape(((x, low), (x + 6, low + 60), (x - 6, low + 60)), "shade", shade=0.14))
    return found


def _tapes(given: Given, worn: BlockHalf) -> tuple[Tape, ...]:
    top, foot = _down(worn, worn.side[-1]), _down(worn, worn.side[0])
    waist = float(max(c.y for c in worn.top) - worn.waist.mm)
    if typed_out(given):
        return (Tape("waist", (-top[0], top[1] - foot[1] * 0.05), (top[0], top[1] - foot[1] * 0.05), "above"),)
    out, level = max(foot[0], mm(worn.across)) * 1.12, mm(given.length("hip_level"))
    at_waist = _down(worn, worn.side[-2 if bodied(given) else -1])
    found = [
        Tape("waist", (-at_waist[0], waist), (at_waist[0], waist), "above"),
        Tape("hip_level", (-out, waist), (-out, waist + level), "left"),
        Tape("length", (out, waist), (out, foot[1]), "right"),
    ]
    if not at_waist_only(given):
        line = block_lines(given)
        if line:
            found.append(Tape("first", (0.0, waist + level), (mm(line[0]), waist + level), "below"))
    return tuple(found)


def _block(given: Given, half: BlockHalf) -> View:
    """Half of the block, its middle at the left, cut along its lines."""
    around = _half_shape(half)
    shapes = [Shape(tuple(around), "face", shade=0.02), Shape((*around, around[0]), "ink", closed=False, weight=1.4)]
    labels = []
    for number, line in enumerate([] if at_waist_only(given) else block_lines(given), 1):
        foot = Corner(line.mm, height_at(half.foot, line.mm))
        top = Corner(line.mm, height_at(half.top, line.mm))
        shapes.append(Shape((_down(half, foot), _down(half, top)), "ink", closed=False, weight=1.0, dashed=True))
        labels.append(Caption(_down(half, Corner(line.mm, foot.y + (top.y - foot.y) / 2)), f"line {number}"))
    for dart in half.darts:
        tip = Corner(dart.at.mm, height_at(half.top, dart.at.mm) - dart.long.mm)
        legs = [
            Corner(dart.at.mm + side * dart.wide.mm / 2, height_at(half.top, dart.at.mm))
            for side in (Fraction(-1), Fraction(1))
        ]
        shapes.append(
            Shape(tuple(_down(half, one) for one in (legs[0], tip, legs[1])), "ink", closed=False, weight=1.0)
        )
    labels.append(Caption((mm(half.across) / 2, _down(half, half.foot[0])[1] * 1.05), "its middle at the left"))
    return View("block", extent(shapes, (), mm(half.across) * 0.08), tuple(shapes), (), tuple(labels))


_DASHED = {LineKind.INNER, LineKind.PLACEMENT, LineKind.CENTRE}


def _pattern(part: BlockPart, spread: SpreadBlock) -> View:
    """Half of the finished pattern, every line on it."""
    high = spread.outline.box.high
    around = [(float(side.start.x), float(high - side.start.y)) for side in spread.outline.sides]
    shapes = [Shape(tuple(around), "face", shade=0.02), Shape((*around, around[0]), "ink", closed=False, weight=1.4)]
    for line in spread.lines:
        points = tuple((float(corner.x), float(high - corner.y)) for corner in line.corners)
        shapes.append(Shape(points, "ink", closed=False, weight=0.9, dashed=line.kind in _DASHED))
    tall = float(high - spread.outline.box.low)
    where = "a seam" if part.seam else "a fold of the cloth"
    labels = (
        Caption((float(spread.outline.box.wide.mm) / 2, tall * 1.05), f"{part.title}, its middle at the left {where}"),
    )
    return View("pattern", extent(shapes, (), tall * 0.04), tuple(shapes), (), labels)
