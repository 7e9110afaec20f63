"""What falls away of a cutting plan in pieces large enough to be kept."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

from ribbon.cloth.layout import Layout
from ribbon.lengths import ZERO, Length

LEAST = Length(100)
"""The shorter side of the least piece that is kept: room for a pocket or a tie."""
MOST = 8
_MANY = 120  # past so many pieces on a cloth what lies between them is too cut up to be looked for


class Offcut(NamedTuple):
    """A rectangle of cloth that nothing is cut from: from `left` across and from `start` along, on that sheet."""

    sheet: int
    left: Length
    start: Length
    wide: Length
    long: Length

    @property
    def box(self) -> Box:
        """Its sides: from left, to right, from start, to end."""
        return self.left, self.left + self.wide, self.start, self.start + self.long


Box = tuple[Length, Length, Length, Length]
"""A rectangle on a cloth: from left, to right, from start, to end."""


def offcuts(got: Layout, more: Length = ZERO) -> list[Offcut]:
    """The pieces that could be kept, the largest first and each as large as what is left allows; at most `MOST` a cloth.

    `more` is what is bought beyond the plan, at its end.  Pieces that are not rectangles keep their whole box to themselves.
    """
    found: list[Offcut] = []
    for sheet, (across, along) in enumerate(got.sheets):
        taken: list[Box] = [
            (one.left, one.left + one.wide, one.start, one.start + one.long) for one in got.laid if one.sheet == sheet
        ]
        if not taken:
            continue  # a sheet that nothing is cut from is no offcut
        end = along + (more if sheet == len(got.sheets) - 1 else ZERO)
        if len(taken) > _MANY:
            last = max(box[3] for box in taken)
            rest = Offcut(sheet, ZERO, last, across, end - last)
            found += [rest] if min(rest.wide, rest.long) >= LEAST else []
            continue
        for _ in range(MOST):
            box = _largest(across, end, taken)
            if box is None:
                break
            found.append(Offcut(sheet, box[0], box[2], box[1] - box[0], box[3] - box[2]))
            taken.append(box)
    return found


def _largest(across: Length, along: Length, taken: Sequence[Box]) -> Box | None:
    """The largest empty rectangle whose sides are at least `LEAST`; None where there is none.

    Its sides lie on those of the pieces or of the cloth, so the cells between all of these lines are looked through, row by
    row: how far up each is free, and the widest run of that height.
    """
    xs = sorted({ZERO, across, *(x for box in taken for x in box[:2] if x < across)}, key=lambda one: one.mm)
    ys = sorted({ZERO, along, *(y for box in taken for y in box[2:] if y < along)}, key=lambda one: one.mm)
    at_x, at_y = {x: number for number, x in enumerate(xs)}, {y: number for number, y in enumerate(ys)}
    # Sizes in floats only choose; what is found is told by its lines.
    x, y = [float(one.mm) for one in xs], [float(one.mm) for one in ys]
    least = float(LEAST.mm) * (1 - 1e-12)
    full = [bytearray(len(xs) - 1) for _ in range(len(ys) - 1)]
    for left, right, start, end in taken:
        columns = slice(at_x[left], at_x.get(right, len(xs) - 1))
        for row in range(at_y[start], at_y.get(end, len(ys) - 1)):
            full[row][columns] = b"\1" * (columns.stop - columns.start)
    best, found = 0.0, None
    begins = [0] * (len(xs) - 1)
    for row, cells in enumerate(full):
        stack: list[tuple[int, int]] = []  # (first column, row where it begins to be free), later beginnings on top
        for column in range(len(xs)):
            if column < len(cells) and cells[column]:
                begins[column] = row + 1
            free = begins[column] if column < len(cells) else row + 1
            first = column
            while stack and stack[-1][1] < free:
                first, begin = stack.pop()
                wide, long = x[column] - x[first], y[row + 1] - y[begin]
                if wide * long > best and wide >= least and long >= least:
                    best, found = wide * long, (xs[first], xs[column], ys[begin], ys[row + 1])
            if free <= row and (not stack or stack[-1][1] > free):
                stack.append((first, free))
    return found
