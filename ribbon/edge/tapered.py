"""Pleats tapered between two levels, hip and waist.

The flat pitch stays the same at both levels, so what a pleat shows less of at the waist it takes more of there:

    d_waist = d_hip + (s_hip − s_waist) / 2          for a knife; shared over all thicknesses of other kinds

Where a pleat swallows a dart, its take-up at the waist grows by the dart.  The outer folds of knife pleats and the
middles of box and inverted pleats stay on the straight grain; the other lines slant.
"""

from __future__ import annotations

from collections.abc import Iterable
from itertools import pairwise
from math import lcm
from typing import NamedTuple

from ribbon.edge.corrected import corrected, marked_row, nearest_width, takes_to, turn_in_all, turned_row
from ribbon.edge.plan import Plan
from ribbon.errors import Problem, Refusal, refuse
from ribbon.facts.section import Taper
from ribbon.fraction import Fraction
from ribbon.lengths import Length
from ribbon.pleats import Facing, Quantity, Row, Standing, strip_of
from ribbon.solve.placed import placed
from ribbon.strip import LineKind, Strip, walk

Q = Quantity


class Slant(NamedTuple):
    """How far one mark moves from the lower level to the upper: to the right above nought, to the left below."""

    kind: LineKind
    pleat: int
    shift: Length


class Tapered(NamedTuple):
    """The upper level: its strip, its finished width, what each pleat takes more of there, and the slant of every line.

    `finished` is the width that its marks make, `comes_to` what it then comes to in this cloth and by this hand: without the
    turn of the cloth and what checks took in.  `start` is how far the edge that the marks are measured from slants itself: nought but on a ring of knife pleats.
    """

    strip: Strip
    finished: Length
    comes_to: Length
    extra: tuple[Length, ...]
    slants: tuple[Slant, ...]
    height: Length
    start: Length


def tapered(plan: Plan, tape: Length | None = None) -> Tapered | None:
    """The upper level of `plan`, exact or with its marks on the tape; None where it has none.  Raises `Refusal`."""
    taper = plan.section.taper
    if taper is None:
        return None
    problems = list(_cannot_be(plan, taper))
    if problems:
        raise Refusal(problems)
    straight = turned_row(plan) if tape is None else marked_row(plan, tape)
    lower = corrected(plan, straight)
    extras = _extras(plan, taper, straight) if tape is None else _on_tape(plan, taper, straight, tape)
    upper = _narrowed(lower, extras, plan, tape.mm if tape is not None else Fraction(0))
    if not upper.stands:
        raise refuse(
            "too_coarse",
            "tape",
            plan.section.scribe.write(tape).text if tape else "",
            "on so coarse a tape the pleats of the upper level would lie over one another",
            "use a finer tape, or exact marks",
        )
    low, high = strip_of(plan.section.kind, lower), strip_of(plan.section.kind, upper)
    low_walk, high_walk = walk(low), walk(high)
    start = Length(_start_shift(plan, lower, extras))
    slants = [
        Slant(
            b.kind,
            b.pleat,
            high_walk.length(high_walk.flat[b.after + 1]) + start - low_walk.length(low_walk.flat[a.after + 1]),
        )
        for a, b in zip(low.lines, high.lines, strict=True)
    ]
    checked = Fraction(straight.finished, straight.parts) - Fraction(lower.finished, lower.parts)
    comes_to = high_walk.finished + Length(checked - turn_in_all(plan))
    return Tapered(
        high, high_walk.finished, comes_to, tuple(Length(e) for e in extras), tuple(slants), taper.height, start
    )


def _extras(plan: Plan, taper: Taper, lower: Row) -> list[Fraction]:
    """What each pleat takes more of at the upper level, in mm: its dart, and its share of the rest."""
    darts = dict(taper.darts)
    own = [darts[p.pleat].mm if p.pleat in darts else Fraction(0) for p in lower.pleats]
    rest = Fraction(0)
    if taper.finished is not None:
        rest = plan.finished.mm - taper.finished.mm - sum(own, Fraction(0))
    weights = [Fraction(1, 2) if p.half else Fraction(1) for p in lower.pleats]
    whole = sum(weights, Fraction(0))
    return [dart + rest * weight / whole for dart, weight in zip(own, weights, strict=True)]


def _on_tape(plan: Plan, taper: Taper, straight: Row, tape: Length) -> list[Fraction]:
    """What each pleat takes more of than in `straight`, the lower level, so that both are on the tape from one flat width.

    The upper level is as wide as comes nearest to what is wanted of it, and its pleats take by running totals what is left.
    """
    turned = turned_row(plan)
    extras = _extras(plan, taper, turned)
    exact = turned.finer(tape.mm, Fraction(1, straight.parts), *(extra / 2 for extra in extras))
    flat = Fraction(straight.finished + sum(pleat.take for pleat in straight.pleats), straight.parts)
    wish = Fraction(exact.finished, exact.parts) - sum(extras, Fraction(0))
    finished = nearest_width(plan, tape, flat, wish)
    takes = [pleat.take + int(extra * exact.parts) for pleat, extra in zip(exact.pleats, extras, strict=True)]
    found = takes_to(plan, exact, tape, takes, int((flat - finished) * exact.parts))
    return [
        Fraction(take, exact.parts) - Fraction(pleat.take, straight.parts)
        for take, pleat in zip(found, straight.pleats, strict=True)
    ]


def _narrowed(lower: Row, extras: list[Fraction], plan: Plan, q: Fraction) -> Row:
    """The row of the upper level: each pleat takes its extra from what shows beside it."""
    parts = lcm(lower.parts * 4, *(extra.denominator * 4 for extra in extras))
    times = parts // lower.parts
    gone, found = int(_start_shift(plan, lower, extras) * parts), []
    around = lower.around
    between = [b.left - a.right for a, b in pairwise(around)]
    if lower.ring and around:
        between.append(lower.finished - around[-1].right + around[0].left)
    gap = min(between, default=0) * times
    two = int(2 * q * parts)
    for pleat, extra in zip(lower.pleats, extras, strict=True):
        more = int(extra * parts)
        left, right = pleat.left * times, pleat.right * times
        if plan.section.kind.width is None:
            # A knife's outer fold stays on the grain: what it takes more of comes from its placement side.
            before = more if pleat.facing is Facing.LEFT else 0
        else:
            before = 0 if pleat.half > 0 else more if pleat.half < 0 else more // 2
        # A box gives up its gap first, then narrows; an opening stays, the faces beside it narrow.
        narrows = max(0, more - gap) if plan.section.kind.width is Q.BOX else 0
        if two and not pleat.half:
            narrows = -(-narrows // two) * two  # as much at either side, on the tape
        if plan.section.kind.width is Q.BOX:
            left -= gone + (before - (0 if pleat.half > 0 else narrows if pleat.half < 0 else narrows // 2))
            right = left + (pleat.right - pleat.left) * times - narrows
        else:
            left, right = left - gone - before, right - gone - before
        # The middle of an opening stays as far from its sides as it was; of a box only its edges are marked.
        at = right if pleat.half < 0 else left + (0 if pleat.half > 0 else (pleat.at - pleat.left) * times)
        found.append(Standing(pleat.pleat, at, left, right, pleat.take * times + more, pleat.facing, pleat.half))
        gone += more
    finished = lower.finished * times - int(sum(extras, Fraction(0)) * parts)
    return lower._replace(parts=parts, finished=finished, pleats=found)


def _start_shift(plan: Plan, lower: Row, extras: list[Fraction]) -> Fraction:
    """How far the cut edge of a ring of knife pleats slants: it lies on a placement line, which does."""
    if not plan.section.closed or plan.section.kind.width is not None or plan.section.mirrored or plan.section.places:
        return Fraction(0)
    return -extras[0] if lower.pleats[0].facing is Facing.LEFT else extras[-1]


def _cannot_be(plan: Plan, taper: Taper) -> Iterable[Problem]:
    section = plan.section
    say = section.scribe.write
    if section.kind.upright or not section.kind.folded:
        yield Problem(
            "not_of_kind",
            "taper",
            section.kind.name,
            f"{section.kind.title} do not taper",
            "use knife, box or inverted pleats, or one level",
        )
        return
    pleats = placed(section, plan.finished.mm) if section.places else []
    count = len(pleats) or plan.count
    for index, (pleat, width) in enumerate(taper.darts):
        if not 1 <= pleat <= count:
            yield Problem(
                "no_such_pleat",
                f"taper.darts.{index}.pleat",
                str(pleat),
                f"there is no pleat {pleat} to swallow a dart",
                f"name one from 1 to {count}",
            )
        elif not 0 < width.mm < plan.finished.mm:
            yield Problem(
                "too_wide",
                f"taper.darts.{index}.width",
                say(width).text,
                "a dart has a width, and less than the edge",
                "check its width and unit",
            )
    darts = sum((width.mm for _, width in taper.darts), Fraction(0))
    goal = taper.finished.mm if taper.finished is not None else plan.finished.mm - darts
    each = (plan.finished.mm - darts - goal) / plan.pleats
    if goal <= 0 or (sum(_extras(plan, taper, plan.row), Fraction(0)) > 0 and not _shows(plan, taper)):
        narrowest = min(_faces(plan), default=Fraction(0))
        least = plan.finished.mm - darts - narrowest * plan.pleats
        said = say(taper.finished).text if taper.finished is not None else say(Length(darts)).text
        yield Problem(
            "too_narrow",
            "taper.finished" if taper.finished is not None else "taper.darts",
            said,
            f"the pleats would take all that shows between them, which is {section.fine.write_mm(narrowest).text} at the narrowest",
            f"keep it wider than {section.fine.write_mm(max(least, Fraction(0))).text}, swallow less, or use fewer pleats",
        )
    elif each < 0 and _least_take(plan, taper) <= 0:
        room = _least_take(plan, None) * plan.pleats
        yield Problem(
            "too_wide",
            "taper.finished",
            say(taper.finished).text if taper.finished else "",
            "the pleats are not deep enough to open that far at the upper level",
            f"keep it under {section.fine.write_mm(plan.finished.mm - darts + room).text}, or use deeper pleats",
        )


def _least_take(plan: Plan, taper: Taper | None) -> Fraction:
    """The cloth that the shallowest pleat takes, halves counted whole: at the upper level where there is a taper."""
    laid = plan.row
    extras = _extras(plan, taper, laid) if taper else [Fraction(0)] * len(laid.pleats)
    return min(
        (Fraction(pleat.take, laid.parts) + extra) * (2 if pleat.half else 1)
        for pleat, extra in zip(laid.pleats, extras, strict=True)
    )


def _shows(plan: Plan, taper: Taper) -> bool:
    """True where something still shows between all the pleats of the upper level, and nothing lies past its ends."""
    lower = plan.row
    upper = _narrowed(lower, _extras(plan, taper, lower), plan, Fraction(0))
    ends = [upper.pleats[0].left, upper.finished - upper.pleats[-1].right]
    widths = [p.right - p.left for p in upper.pleats]
    between = [b.left - a.right for a, b in pairwise(upper.pleats)]
    if plan.section.kind.width is Q.BOX:
        return min([*ends, *between]) >= 0 and min(widths) > 0
    return min([*ends, 0]) == 0 and min(between, default=1) > 0 and min(widths) >= 0


def _faces(plan: Plan) -> Iterable[Fraction]:
    """What shows between the pleats, in mm: what the upper level takes from."""
    lower = plan.row
    before: Standing | None = None
    for pleat in lower.pleats:
        if before is not None:
            box = (pleat.right - pleat.left) if plan.section.kind.width is Q.BOX else 0
            yield Fraction(pleat.left - before.right + box, lower.parts)
        before = pleat
    if before is not None and len(lower.pleats) == 1:
        yield plan.finished.mm
