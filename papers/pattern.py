"""A cut piece as a pattern at full size: cut edge, stitching line, folds, notches, arrow, what each side takes."""

from __future__ import annotations

from collections.abc import Callable

from papers.bend import Point
from papers.cutting import outline_stroke
from papers.drawing import Drawing, Layer, Stroke, Words
from ribbon.cloth import CutPiece, layout_scribe
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length, Unit
from ribbon.shapes import FOLD, Corner, Outline, Side, notched
from ribbon.strip import LineKind

_EDGE, _HEAD, _NOTCH = 6.0, 10.0, 6.0
_TALL = 4.2
_LAYERS = {
    LineKind.OUTER: Layer.OUTER,
    LineKind.INNER: Layer.INNER,
    LineKind.PLACEMENT: Layer.PLACEMENT,
    LineKind.CENTRE: Layer.CENTRE,
    LineKind.SEW: Layer.SEW,
    LineKind.FINGER: Layer.FINGER,
    LineKind.STITCH: Layer.STITCH,
    LineKind.MATCH: Layer.MATCH,
}


def pattern_drawing(piece: CutPiece, title: str, unit: Unit) -> Drawing:
    """The piece mm for mm, its arrow up; what lies on a fold of the cloth says so along it."""
    pattern = piece.pattern
    box = pattern.cut.box
    left, high = float(box.left) - _EDGE, float(box.high)

    def at(corner: Corner) -> Point:
        return float(corner.x) - left, high - float(corner.y) + _HEAD + _EDGE

    lines = [_named(outline_stroke(pattern.cut, at, 0.5), Layer.CUT)]
    if pattern.stitching is not pattern.cut:
        lines.append(_named(outline_stroke(pattern.stitching, at, 0.3), Layer.SEAM))
    words = [Words((_EDGE, 6), title, 3.6, bold=True)]
    for side in pattern.cut.named(FOLD):
        strokes, said = _fold(side, at)
        lines += strokes
        words.append(said)
    for line in pattern.lines:
        points = tuple(at(corner) for corner in line.corners)
        lines.append(Stroke(_LAYERS[line.kind], points, width=0.35))
        words.append(Words((points[-1][0] + 1, points[-1][1] + 14), line.kind.value, 2.6, upright=True))
    for notch in pattern.notches:
        found = notched(pattern.cut, notch)
        x, y = at(found.place)
        # A page counts downwards, and the way in with it.
        lines.append(
            Stroke(
                Layer.MATCH,
                ((x, y), (x + _NOTCH * float(found.inward[0]), y - _NOTCH * float(found.inward[1]))),
                width=0.5,
            )
        )
    middle = at(pattern.stitching.middle)
    room = _room(pattern.stitching)
    lines += _arrow(middle, min(room, float(box.long.mm)) * 0.5)
    words += _says(piece, pattern.says, middle, unit)
    return Drawing(float(box.wide.mm) + 2 * _EDGE, float(box.long.mm) + 2 * _EDGE + _HEAD, tuple(lines), tuple(words))


def _named(stroke: Stroke, layer: Layer) -> Stroke:
    return stroke._replace(layer=layer)


def _room(outline: Outline) -> float:
    """How far up and down there is cloth about its middle."""
    middle = outline.middle
    points = outline.polygon(1.0)
    above = [
        float(a.y + (b.y - a.y) * (middle.x - a.x) / (b.x - a.x))
        for a, b in zip(points, [*points[1:], points[0]], strict=True)
        if (a.x <= middle.x) != (b.x <= middle.x)
    ]
    y = float(middle.y)
    up = min((one - y for one in above if one > y), default=0.0)
    down = min((y - one for one in above if one < y), default=0.0)
    return 2 * min(up, down)


def _fold(side: Side, at: Callable[[Corner], Point]) -> tuple[list[Stroke], Words]:
    """A fold of the cloth: a bracket that points at it from within, and the word beside it."""
    (x, y), (dx, dy) = at(side.at(Fraction(1, 2))), _direction(side)
    inward = (dy, -dx)  # to the left of whoever walks the outline, on a page that counts downwards
    along = min(40.0, float(side.length.mm) / 3)
    points = []
    for end in (-1, 1):
        foot = (x + end * along * dx, y + end * along * dy)
        points.append((foot, (foot[0] + 8 * inward[0], foot[1] + 8 * inward[1])))
    (a, deep_a), (b, deep_b) = points
    word = (x + 11 * inward[0], y + 11 * inward[1])
    upright = abs(dy) > abs(dx)
    return [Stroke(Layer.CENTRE, (a, deep_a, deep_b, b), width=0.4)], Words(word, "on the fold", 3.6, "middle", upright)


def _direction(side: Side) -> tuple[float, float]:
    x, y = side.heading(Fraction(0))
    return float(x), -float(y)


def _arrow(middle: Point, reach: float) -> list[Stroke]:
    """The grain: along the cloth, its head up."""
    x, (top, foot) = middle[0], (middle[1] - reach / 2, middle[1] + reach / 2)
    head = min(5.0, reach / 4)
    return [
        Stroke(Layer.TAPE, ((x, foot), (x, top)), width=0.4),
        Stroke(Layer.TAPE, ((x - head * 0.6, top + head), (x, top), (x + head * 0.6, top + head)), width=0.4),
    ]


def _says(piece: CutPiece, part: str, middle: Point, unit: Unit) -> list[Words]:
    """What is written on it: its name, how many, what each side takes."""
    write = layout_scribe(unit).write
    taken: dict[tuple[str, Length], int] = {}
    for one in piece.takes:
        if one.deep > ZERO:
            taken[one.what, one.deep] = taken.get((one.what, one.deep), 0) + 1
    many = f"cut {piece.count}{', every second face down' if piece.mirrored else ''}"
    lines = [piece.name, many, *([part] if part else [])]
    lines += [f"{what} {write(deep).text}" for what, deep in taken]
    x, y = middle
    return [
        Words((x + 3, y + (number - len(lines) / 2) * _TALL * 1.5), text, _TALL, bold=number == 0)
        for number, text in enumerate(lines)
    ]
