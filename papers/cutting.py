"""The cutting plan at full size: every piece where it lies on its cloth, its arrow up."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

from papers.drawing import Drawing, Layer, Stroke, Words, box

_ABOVE = 60.0


class DrawnPiece(NamedTuple):
    """A piece on a cloth, in mm: along the cloth, from a selvedge, how long it lies along and how wide across."""

    name: str
    along: float
    across: float
    long: float
    wide: float
    size: str
    turned: bool


class DrawnCloth(NamedTuple):
    """A cloth or a sheet with the pieces on it."""

    title: str
    length: float
    width: float
    pieces: Sequence[DrawnPiece]


def cutting_drawings(cloths: Sequence[DrawnCloth]) -> list[Drawing]:
    """Each cloth at full size, its length running to the right, words large enough to read when it is shown small."""
    return [_cloth(one) for one in cloths]


def _cloth(cloth: DrawnCloth) -> Drawing:
    lines = [box(Layer.CONTROL, 0, _ABOVE, cloth.length, cloth.width, 2)]
    words = [Words((0, _ABOVE - 16), cloth.title, 30, bold=True)]
    for piece in cloth.pieces:
        left, top = piece.along, _ABOVE + piece.across
        lines.append(box(Layer.CUT, left, top, piece.long, piece.wide, 2))
        tall = max(6.0, min(30.0, piece.wide / 4, piece.long / max(4, len(piece.name)) * 1.5))
        words.append(Words((left + 12, top + tall + 6), piece.name, tall, bold=True))
        words.append(Words((left + 12, top + 2.3 * tall + 8), piece.size, tall * 0.8))
        # Up the piece is along the cloth unless it was turned.
        reach = 0.3 * (piece.wide if piece.turned else piece.long)
        x, y = left + piece.long * 0.75, top + piece.wide * 0.75
        tip = (x, y - reach) if piece.turned else (x - reach, y)
        lines.append(Stroke(Layer.TAPE, ((x, y), tip), width=2))
        side = reach / 5
        wings = (
            ((tip[0] - side, tip[1] + side), tip, (tip[0] + side, tip[1] + side))
            if piece.turned
            else ((tip[0] + side, tip[1] - side), tip, (tip[0] + side, tip[1] + side))
        )
        lines.append(Stroke(Layer.TAPE, wings, width=2))
    return Drawing(max(1.0, cloth.length), cloth.width + _ABOVE + 4, tuple(lines), tuple(words))


def fitted(drawing: Drawing, width: float, height: float) -> tuple[Drawing, float]:
    """(`drawing` made small enough for a page of that size, how many times smaller it is)."""
    times = max(1.0, drawing.width / width, drawing.height / height)
    return (
        Drawing(
            drawing.width / times,
            drawing.height / times,
            tuple(
                line._replace(
                    points=tuple((x / times, y / times) for x, y in line.points), width=max(0.2, line.width / times)
                )
                for line in drawing.lines
            ),
            tuple(
                one._replace(at=(one.at[0] / times, one.at[1] / times), height=max(2.0, one.height / times))
                for one in drawing.words
            ),
        ),
        times,
    )
