"""The gauge: a card with notches for the measures of one pleat, with a square to check the printer."""

from __future__ import annotations

from collections.abc import Sequence
from itertools import accumulate

from papers.drawing import Drawing, Layer, Stroke, Words, box
from ribbon.lengths import Length, Unit

_HIGH, _DEEP = 45.0, 6.0


def gauge_drawing(title: str, measures: Sequence[tuple[str, Length, str]], unit: Unit, repeats: int = 1) -> Drawing:
    """A card with a notch at each running sum of `measures` (word, length, as written), `repeats` times over.

    Notches are V-shaped, their points on the measure.  Beside the card stands the control square.
    """
    row = [one for _ in range(repeats) for one in measures]
    ends = [0.0, *(float(at.mm) for at in accumulate(length for _, length, _ in row))]
    whole, left, top = ends[-1], 10.0, 12.0
    edge: list[tuple[float, float]] = [(left, top)]
    for at in ends[1:-1]:
        edge += [(left + at - 2, top), (left + at, top + _DEEP), (left + at + 2, top)]
    edge += [(left + whole, top), (left + whole, top + _HIGH), (left, top + _HIGH)]
    lines = [Stroke(Layer.CUT, tuple(edge), closed=True, width=0.4)]
    words = [Words((left, 7), title, 4, bold=True)]
    for (word, _, text), a, b in zip(row, ends, ends[1:], strict=False):
        middle = left + (a + b) / 2
        lines.append(Stroke(Layer.TAPE, ((left + b, top + _DEEP), (left + b, top + 14)), width=0.2))
        sideways = b - a < 16
        words.append(Words((middle + (1 if sideways else 0), top + 30), word, 3, "middle", upright=sideways))
        words.append(
            Words(
                (middle + (5 if sideways else 0), top + (30 if sideways else 36)), text, 3, "middle", upright=sideways
            )
        )
    square, said = control(unit)
    below = top + _HIGH + 8
    lines.append(box(Layer.CONTROL, left, below, square, square))
    words.append(Words((left + square + 4, below + 5), said, 3.2))
    words.append(
        Words((left + square + 4, below + 11), "Print at full size, measure the square, then cut out the card.", 3.2)
    )
    return Drawing(max(whole + 2 * left, 150.0), below + square + 10, tuple(lines), tuple(words))


def control(unit: Unit) -> tuple[float, str]:
    """(the side of the control square in mm, what is said beside it)."""
    return (50.8, "Each side of this square is 2 in.") if unit.binary else (50.0, "Each side of this square is 5 cm.")
