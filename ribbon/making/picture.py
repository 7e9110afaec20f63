"""The picture of a thing, as plain data: outlines, folds, shades, labels and tapes, in millimetres, y downwards."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Sequence
from dataclasses import dataclass
from typing import NamedTuple

from ribbon.cloth import Bolt, Cutting, lies_on_cloth, repeat_of, taken_once
from ribbon.cloth.seen import beginning, on_front
from ribbon.cloth.stripes import coloured
from ribbon.edge import EdgePlan
from ribbon.errors import Refusal
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length
from ribbon.pleats import Look
from ribbon.readings.front import on_flat

Point = tuple[float, float]
Scaled = Callable[[float], float]


class Shape(NamedTuple):
    """An area or a line: its points; what it is painted with: a role of cloth, or `glass`, `wall`, `ink`, `join`, `shade`, a colour.

    A `closed` one is filled; `shade` darkens it, from 0 to 1.  A line is as heavy as `weight` says, 0 for none.
    """

    points: tuple[Point, ...]
    paint: str
    closed: bool = True
    shade: float = 0.0
    weight: float = 0.0
    dashed: bool = False


class Tape(NamedTuple):
    """A measure on the picture: the field that it is, its two ends, and to which side its tag hangs."""

    field: str
    start: Point
    end: Point
    side: str = "above"


class Caption(NamedTuple):
    """Words at a place."""

    at: Point
    says: str


@dataclass(frozen=True, slots=True)
class View:
    """One view of the thing: what it is called, its box (left, top, right, bottom), and what is drawn."""

    name: str
    box: tuple[float, float, float, float]
    shapes: tuple[Shape, ...]
    tapes: tuple[Tape, ...] = ()
    labels: tuple[Caption, ...] = ()


@dataclass(frozen=True, slots=True)
class Picture:
    """The views of a thing, the one that leads first, and the same in sentences for those who cannot see it."""

    views: tuple[View, ...]
    says: tuple[str, ...] = ()


def mm(length: Length) -> float:
    """A length for drawing."""
    return float(length.mm)


def box_of(left: float, top: float, right: float, bottom: float) -> tuple[Point, ...]:
    """The corners of an upright rectangle."""
    return ((left, top), (right, top), (right, bottom), (left, bottom))


_MOST_FACES = 400
_MOST_FOLDS = 120
_MOST_STRIPES = 600  # of an edge: finer ones run together in a picture


class Hung(NamedTuple):
    """Where a folded edge hangs in a view: from `left`, as wide as `wide`, from `top` to `bottom`; drawn `flipped`, or as it is.

    Where it is `drawn_back` the marks of its heading would lie over each other, and are left out.
    """

    left: float
    wide: float
    top: float
    bottom: float
    flipped: bool = False
    drawn_back: bool = False


def hanging(whole: EdgePlan, cutting: Cutting, hung: Hung, skip: tuple[Length, Length] = (ZERO, ZERO)) -> list[Shape]:
    """The faces of an edge as it hangs, drawn from its strip: each visible face where it stands, its stripes, its folds.

    `skip` leaves out so much of the finished edge at its start and its end.
    """
    walked = whole.walked
    first, last = mm(skip[0]), mm(whole.finished) - mm(skip[1])
    if last <= first:
        return []
    scale = hung.wide / (last - first)

    def x(at: float) -> float:
        inside = (min(max(at, first), last) - first) * scale
        return hung.left + (hung.wide - inside if hung.flipped else inside)

    found = [Shape(box_of(x(first), hung.top, x(last), hung.bottom), cutting.role)]
    per, bolt = walked.parts, cutting.bolt
    if bolt is not None and bolt.stripes and _many_stripes(whole, bolt) <= _MOST_STRIPES:
        first_stripe = beginning(bolt.stripes, cutting.stripe, whole.strip, walked)
        bands = coloured(walked, bolt.stripes, first_stripe)
        for seen in on_front(bands, walked, whole.showing)[: _MOST_FACES * 4]:
            a, b = x(float(seen.start) / per), x(float(seen.end) / per)
            if a != b:
                found.append(Shape(box_of(a, hung.top, b, hung.bottom), bolt.stripes[seen.stripe].colour))
    found += _folds(whole, x, hung)
    found += [
        Shape(((x(at), hung.top), (x(at), hung.bottom)), "join", closed=False, weight=1.0, dashed=True)
        for at in _joins_shown(whole, cutting)
    ]
    outline = box_of(x(first), hung.top, x(last), hung.bottom)
    return [*found, Shape((*outline, outline[0]), "ink", closed=False, weight=1.4)]


def _many_stripes(whole: EdgePlan, bolt: Bolt) -> Fraction:
    """How many stripes lie along an edge laid flat."""
    return whole.flat / repeat_of(bolt.stripes) * len(bolt.stripes)


def _joins_shown(whole: EdgePlan, cutting: Cutting) -> list[float]:
    """Where on the finished edge the joins are seen that do not hide, in millimetres."""
    return taken_once(whole, "joins shown", cutting, lambda: _joins_seen(whole, cutting))


def _joins_seen(whole: EdgePlan, cutting: Cutting) -> list[float]:
    try:
        lying = lies_on_cloth(whole, cutting)
    except Refusal:
        return []  # the step Cloth says why it cannot be joined
    if lying is None:
        return []
    walked, found = whole.walked, []
    for join in lying.joined.joins:
        if join.hidden:
            continue
        for showing in whole.showing:
            if not walked.flat[showing.span] <= join.at <= walked.flat[showing.span + 1]:
                continue
            start, end = on_flat(walked, showing)
            if start <= join.at <= end and end > start:
                share = float((join.at - start) / (end - start))
                low, high = showing.start / walked.parts, showing.end / walked.parts
                found.append(low + (high - low) * (share if showing.right_side else 1 - share))
                break
    return found


def _folds(whole: EdgePlan, x: Scaled, hung: Hung) -> list[Shape]:
    """A shade at each fold that lies under another face, and the mark of each heading."""
    found: list[Shape] = []
    for stretch in whole.stretches:
        made = stretch.plan
        if made is None:
            continue
        look, start = made.section.kind.look, mm(stretch.start)
        if look is Look.GATHERED:
            found += _waves(start + mm(made.lead), start + mm(stretch.finished - made.tail), x, hung)
            continue
        row = made.row
        spacing = mm(stretch.finished) / max(1, len(row.pleats))
        # Of very many every so many stand for the others.
        for pleat in row.pleats[:: -(-len(row.pleats) // _MOST_FOLDS)]:
            places = [start + at / row.parts for at in sorted({pleat.left, pleat.right})]
            for at in places:
                if hung.drawn_back:
                    found += _fallen(at, spacing, x, hung)
                    continue
                found += _pinched(at, spacing, x, hung) if look is Look.PINCHED else _fallen(at, spacing, x, hung)
    return found


def _pinched(at: float, spacing: float, x: Scaled, hung: Hung) -> list[Shape]:
    """A pinch at the heading, its fingers caught, and the fold that falls from it."""
    tall = (hung.bottom - hung.top) * 0.07
    half = min(spacing * 0.22, tall * 0.5)
    caught = hung.top + tall
    middle = x(at)
    lines = [((x(at + d), hung.top), (middle, caught)) for d in (-half, 0.0, half)]
    fall = min(spacing * 0.3, 40.0)
    shade = ((middle, caught), (x(at + fall), hung.bottom), (x(at - fall * 0.2), hung.bottom))
    return [Shape(shade, "shade", shade=0.16), *(Shape(line, "ink", closed=False, weight=1.2) for line in lines)]


def _fallen(at: float, spacing: float, x: Scaled, hung: Hung) -> list[Shape]:
    """The line of a fold from top to bottom, and the shade that it throws."""
    under = spacing * 0.16
    shade = ((x(at), hung.top), (x(at + under), hung.bottom), (x(at), hung.bottom))
    return [
        Shape(shade, "shade", shade=0.18),
        Shape(((x(at), hung.top), (x(at), hung.bottom)), "ink", closed=False, weight=0.9),
    ]


def _waves(start: float, end: float, x: Scaled, hung: Hung) -> list[Shape]:
    """Gathers: short uneven folds that run out."""
    many = max(3, min(60, int((end - start) / 45)))
    found = []
    for number in range(many):
        at = start + (number + 0.5) * (end - start) / many
        reach = (0.9, 0.55, 0.75, 0.4)[number % 4]
        lean = ((number % 3) - 1) * (end - start) / many * 0.2
        bottom = hung.top + (hung.bottom - hung.top) * reach
        wide = (end - start) / many * 0.22
        shade = ((x(at), hung.top), (x(at + lean + wide), bottom), (x(at + lean - wide * 0.3), bottom))
        found.append(Shape(shade, "shade", shade=0.14))
    return found


def bent(shape: Shape, level: float) -> list[Point]:
    """The points of a shape with one more wherever a side crosses the level where it is widest."""
    points = list(shape.points)
    found: list[Point] = []
    for here, after in zip(
        points, [*points[1:], points[0]] if shape.closed else [*points[1:], points[-1]], strict=True
    ):
        found.append(here)
        if (here[1] - level) * (after[1] - level) < 0:
            share = (level - here[1]) / (after[1] - here[1])
            found.append((here[0] + (after[0] - here[0]) * share, level))
    return found


def extent(
    shapes: Iterable[Shape], tapes: Sequence[Tape] = (), margin: float = 0.0
) -> tuple[float, float, float, float]:
    """The box around everything that is drawn."""
    points = [point for shape in shapes for point in shape.points] + [
        end for tape in tapes for end in (tape.start, tape.end)
    ]
    xs, ys = [p[0] for p in points], [p[1] for p in points]
    return min(xs) - margin, min(ys) - margin, max(xs) + margin, max(ys) + margin
