"""A cover from above, its runs walked round, and each of its sides as one sees it, the skirt drawn from its strip."""

from __future__ import annotations

from collections.abc import Sequence
from math import cos, pi, sin

from ribbon.lengths import ZERO, Length
from ribbon.making.asked import Given
from ribbon.making.cover_fields import run_field, run_title, runs_many
from ribbon.making.covers import Run, from_its_beginning
from ribbon.making.picture import Caption, Hung, Picture, Point, Shape, Tape, View, box_of, extent, hanging, mm
from ribbon.making.thing import Solved

_MOST_SIDES = 6


def drawn(given: Given, runs: Sequence[Run], one: Solved | None) -> Picture:
    """The plan first, then the elevation of each run."""
    views = [_plan(given, runs)]
    if one is not None:
        views += _sides(given, runs, one)
    says = [f"{run.title}: {given.write(run.length)}{', a pleat after it' if run.pleat else ''}." for run in runs]
    return Picture(tuple(views), tuple(says))


def corners(given: Given) -> list[Point]:
    """The corners of the plan, the front below, walked as whoever sits there turns to the left: front, left side, back, right side."""
    long = [mm(given.least(run_field(n)) or Length.cm(60)) for n in range(1, runs_many(given) + 1)]
    shape = given.word("shape")
    if shape == "rectangle":
        wide, deep = max(long[0], long[2]), max(long[1], long[3])
        # Whoever sits there looks towards the reader: their left is at the right.
        return [(0.0, 0.0), (wide, 0.0), (wide, -deep), (0.0, -deep)]
    if shape == "corner":
        front, left, back, right, short = long[:5]
        return [
            (0.0, 0.0), (front, 0.0), (front, -left), (front - back, -left),
            (front - back, -left + right), (front - back + short, -left + right),
        ]  # fmt: skip
    # Any other: as far out as a ring of that length, each run its share of the turn.
    whole = sum(long)
    radius, at, found = whole / (2 * pi), pi / 2 + pi * long[0] / whole, []
    for each in long:
        found.append((radius * cos(at), radius * sin(at)))
        at -= 2 * pi * each / whole
    return found


def _plan(given: Given, runs: Sequence[Run]) -> View:
    points = corners(given)
    shapes = [
        Shape(tuple(points), "face", shade=0.05),
        Shape((*points, points[0]), "ink", closed=False, weight=1.6),
    ]
    size = max(
        max(x for x, _ in points) - min(x for x, _ in points), max(y for _, y in points) - min(y for _, y in points)
    )
    knob = size * 0.018
    pleats = {one.number for one in runs if one.pleat}
    tapes, labels = [], []
    for number, (a, b) in enumerate(zip(points, [*points[1:], points[0]], strict=True), 1):
        middle = ((a[0] + b[0]) / 2, (a[1] + b[1]) / 2)
        flat = abs(a[0] - b[0]) >= abs(a[1] - b[1])
        centre_x, centre_y = sum(x for x, _ in points) / len(points), sum(y for _, y in points) / len(points)
        side = (
            ("below" if middle[1] >= centre_y else "above") if flat else ("right" if middle[0] >= centre_x else "left")
        )
        tapes.append(Tape(run_field(number), a, b, side))
        if run_title(given, number).lower() not in given.fields[run_field(number)].title:
            labels.append(Caption(_inwards(middle, (centre_x, centre_y)), run_title(given, number)))
        if number in pleats:
            shapes.append(Shape(box_of(b[0] - knob, b[1] - knob, b[0] + knob, b[1] + knob), "ink"))
    return View("above", extent(shapes, tapes, size * 0.05), tuple(shapes), tuple(tapes), tuple(labels))


def _inwards(at: Point, centre: Point) -> Point:
    return at[0] + (centre[0] - at[0]) * 0.3, at[1] + (centre[1] - at[1]) * 0.3


def _sides(given: Given, runs: Sequence[Run], one: Solved) -> list[View]:
    """Each run from the front, with half of the pleat at each of its ends."""
    height, along, whole = mm(given.least("height") or Length.cm(30)), ZERO, one.whole.finished
    spans: dict[int, tuple[Length, Length]] = {}
    for run in from_its_beginning(given, list(runs)):
        begins = spans.get(run.number, (along, along))[0]
        along += run.length
        spans[run.number] = begins, along
    found = []
    for number in sorted(spans)[:_MOST_SIDES]:
        start, end = spans[number]
        wide = mm(end - start)
        shapes = hanging(one.whole, one.cutting, Hung(0.0, wide, 0.0, height), (start, whole - end))
        rail = box_of(0.0, -height * 0.5, wide, 0.0)
        shapes += [Shape(rail, one.cutting.role, shade=0.08), Shape((*rail, rail[0]), "ink", closed=False, weight=1.2)]
        tapes = (Tape("height", (wide * 1.06, 0.0), (wide * 1.06, height), "right"),)
        found.append(View(run_title(given, number), extent(shapes, tapes, wide * 0.03), tuple(shapes), tapes))
    return found
