"""A plan put on the tape: every mark on a whole division, and no drift.

What shows and what hides are rounded apart, each by its running total: finished positions to whole divisions,
running take-up to whole steps of a kind's two or four thicknesses.  A mirrored row is rounded outwards from
where it turns, so that its two halves stay alike.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import accumulate, pairwise
from typing import NamedTuple

from ribbon.edge.corrected import corrected
from ribbon.edge.plan import Plan, gathered_parts
from ribbon.fraction import Fraction
from ribbon.gathers import Between, gathered_strip
from ribbon.lengths import ZERO, Length
from ribbon.pleats import Quantity, Row, Standing, strip_of
from ribbon.strip import Strip

Q = Quantity


@dataclass(frozen=True, slots=True)
class Taped:
    """A plan on the tape.

    `strip` has its marks on whole divisions; `depths` holds the depth of each pleat (cloth taken, for pinch
    pleats); `off` is the flat width on the tape less the exact one; `naive_error` is the cloth that
    would be short (below nought: over) had one rounded pleat been repeated instead; `groups` tells how many pleats
    there are of each depth, deepest first.  `whole` is the finished width before any correction.
    """

    strip: Strip
    finished: Length
    flat: Length
    depths: tuple[Length, ...]
    off: Length
    naive_error: Length
    groups: tuple[tuple[int, Length], ...]
    whole: Length


class Begun(NamedTuple):
    """Where a part of a longer edge begins, exactly and on the tape: on the finished edge and on the flat cloth."""

    finished: Length = ZERO
    taped_finished: Length = ZERO
    flat: Length = ZERO
    taped_flat: Length = ZERO


START = Begun()


def to_tape(value: int, step: int) -> int:
    """The multiple of `step` nearest to `value`; half way goes up."""
    return (2 * value + step) // (2 * step) * step


def on_division(length: Length, tape: Length) -> Length:
    """The whole number of divisions nearest to `length`; half way goes up."""
    divisions = length / tape
    return tape * (to_tape(divisions.numerator, divisions.denominator) // divisions.denominator)


def taped(plan: Plan, tape: Length, begun: Begun = START) -> Taped | None:
    """`plan` on a tape whose smallest division is `tape`, as a part that begins at `begun` of a longer edge.

    None where the tape is too coarse for upright folds: one would be left with less cloth than it is packed into.
    """
    kind = plan.section.kind
    if not kind.folded:
        return _gathered(plan, tape, begun)
    exact = plan.row.finer(tape.mm, begun.finished.mm, (begun.flat - begun.finished).mm)
    straight = _row_on_tape(plan, exact, tape, begun)
    on_tape = corrected(plan, straight)
    finished, pleats = on_tape.finished, on_tape.pleats
    packed = kind.width is Q.SPACING  # upright folds take the cloth in, packed width and all
    if packed and any(pleat.take <= 0 or pleat.take < pleat.right - pleat.left for pleat in pleats):
        return None
    step = exact.parts // tape.mm.denominator * tape.mm.numerator * kind.divisions
    flat = finished + sum(pleat.take for pleat in pleats)
    if packed:
        flat -= sum(pleat.right - pleat.left for pleat in pleats)
    per_depth = kind.take_up_per_depth if Q.DEPTH in kind.quantities else 1
    parts = on_tape.parts
    # Half a pleat is as deep as a whole one that takes twice as much.
    counted = Counter(pleat.take * 2 if pleat.half else pleat.take for pleat in pleats)
    depth_of = {take: Length(Fraction(take, parts * per_depth)) for take in counted}
    return Taped(
        plan.strip if on_tape == plan.row else strip_of(kind, on_tape),
        Length(Fraction(finished, parts)),
        Length(Fraction(flat, parts)),
        tuple(depth_of[pleat.take * 2 if pleat.half else pleat.take] for pleat in pleats),
        Length(Fraction(flat, parts)) - plan.flat,
        _naive_error(plan, exact.pleats, step, exact.parts),
        tuple((count, depth_of[take]) for take, count in sorted(counted.items(), reverse=True)),
        Length(Fraction(straight.finished, straight.parts)),
    )


def taped_row(plan: Plan, tape: Length) -> Row:
    """The row of a folded `plan` with every position and take-up on the tape, its corrections in it."""
    return corrected(plan, taped_uncorrected(plan, tape))


def taped_uncorrected(plan: Plan, tape: Length) -> Row:
    """The same without its corrections."""
    return _row_on_tape(plan, plan.row.finer(tape.mm), tape, START)


def _row_on_tape(plan: Plan, exact: Row, tape: Length, begun: Begun) -> Row:
    parts = exact.parts
    q = tape.mm.numerator * (parts // tape.mm.denominator)
    at, taped_at, flat, taped_flat = (int(length.mm * parts) for length in begun)
    finished = to_tape(exact.finished + at, q) - taped_at
    step = q * plan.section.kind.divisions
    places = _places(plan, exact, finished, q, at, taped_at)
    # What the parts before this one took more or less of is made good here, up to half a step.
    owed = max(-(step // 2), min(step // 2, (flat - at) - (taped_flat - taped_at)))
    takes = takes_on_tape(plan, exact, [pleat.take for pleat in exact.pleats], step, owed)
    pleats = [
        Standing(p.pleat, *place, take, p.facing, p.half)
        for p, place, take in zip(exact.pleats, places, takes, strict=True)
    ]
    made = exact._replace(finished=finished, pleats=pleats)
    return _end_moved(exact, made, q, step) if plan.section.kind.width is Q.SPACING else made


def _end_moved(exact: Row, made: Row, q: int, step: int) -> Row:
    """Upright folds with the end of the last one a division over, where the flat width would else be too far off.

    They take the cloth in from where the first begins to where the last ends, so that both places are rounded too.
    """

    def flat(row: Row) -> int:
        return row.finished + sum(pleat.take - (pleat.right - pleat.left) for pleat in row.pleats)

    last, off = made.pleats[-1], flat(made) - flat(exact)
    for by in (0, -q, q):
        if 2 * abs(off - by) <= step + q and last.left <= last.right + by <= made.finished:
            return made._replace(pleats=[*made.pleats[:-1], last._replace(right=last.right + by)])
    return made


def turns_after(plan: Plan, exact: Row) -> int | None:
    """How many pleats stand before the point about which the row is mirrored; None where it is not.

    A middle pleat, of pairs placed about the middle, counts to the right.
    """
    section, pleats = plan.section, exact.pleats
    if section.places:
        # With half a pleat on one end alone the two sides are not alike.
        alike = all(a.at + b.at == exact.finished for a, b in zip(pleats, reversed(pleats), strict=True))
        return len(pleats) // 2 if section.from_centre and section.mirror_at is None and alike else None
    return next((i for i, p in enumerate(pleats) if p.facing is not pleats[0].facing), None)


def takes_on_tape(plan: Plan, exact: Row, takes: Sequence[int], step: int, owed: int = 0) -> list[int]:
    """The cloth that each pleat takes in whole steps, by running total: from the middle outwards where the row is mirrored.

    What half a pleat takes goes in steps half as large; the steps of those after it start from there.
    """
    pleats = exact.pleats

    def running(order: Sequence[int], owed: int) -> dict[int, int]:
        total, used, found = owed, 0, {}
        for index in order:
            total += takes[index]
            found[index] = to_tape(total - used, step // 2 if pleats[index].half else step)
            used += found[index]
        return found

    turn = turns_after(plan, exact)
    if turn is None:
        each = running(range(len(pleats)), owed)
    else:
        right = running(range(turn, len(pleats)), 0)
        each = {**running(range(turn - 1, -1, -1), 0), **right}
        if plan.section.places:
            each |= {index: right[len(pleats) - 1 - index] for index in range(turn)}
    return [each[index] for index in range(len(pleats))]


def _places(plan: Plan, exact: Row, finished: int, q: int, at: int, taped_at: int) -> list[tuple[int, int, int]]:
    """(place, left end, right end) of each pleat on the tape."""
    turn = turns_after(plan, exact)
    if turn is None:
        return [
            (
                to_tape(p.at + at, q) - taped_at,
                to_tape(p.left + at, q) - taped_at,
                to_tape(p.right + at, q) - taped_at,
            )
            for p in exact.pleats
        ]
    return _mirrored(exact, turn, finished, q, paired=bool(plan.section.places))


def _mirrored(exact: Row, turn: int, finished: int, q: int, *, paired: bool) -> list[tuple[int, int, int]]:
    """Each place as far from the point where the row turns as its mirror is, that point on a half of a division."""
    pleats = exact.pleats
    # Twice the middle, exactly and on the tape; of pairs about the middle of the edge it is that.
    exact_middle = exact.finished if paired else pleats[turn - 1].at + pleats[turn].at
    middle = finished if 2 * exact_middle == 2 * exact.finished else to_tape(exact_middle, q)
    odd = middle % (2 * q)

    def out(place: int, room: int) -> int:
        """Twice the distance of a place from the middle, so that both it and its mirror are on the tape."""
        twice = 2 * place - exact_middle
        if not twice:
            return odd  # in the middle itself: beside it, where that lies between two divisions
        return min(to_tape(abs(twice) - odd, 2 * q) + odd, room) * (1 if twice > 0 else -1)

    left_room, right_room = middle, 2 * finished - middle
    many = min(turn, len(pleats) - turn)

    def placed(index: int, place: int) -> int:
        mirrored = abs(index - turn + (index < turn)) < many
        room = min(left_room, right_room) if mirrored else (left_room if index < turn else right_room)
        return (middle + out(place, room)) // 2

    return [(placed(i, p.at), placed(i, p.left), placed(i, p.right)) for i, p in enumerate(pleats)]


def _gathered(plan: Plan, tape: Length, begun: Begun) -> Taped:
    """Every match point at the nearest division of both edges, reckoned from the start, so that nothing drifts.

    A point that the tape leaves with no cloth of its own, or with less cloth than edge, is passed over.
    """

    def place(length: Length) -> Length:
        return on_division(begun.finished + length, tape) - begun.taped_finished

    def cloth(length: Length) -> Length:
        return on_division(begun.flat + length, tape) - begun.taped_flat

    exact = gathered_parts(plan)
    finished, flat, lead = place(plan.finished), cloth(plan.flat), place(plan.lead)
    ends = place(plan.finished - plan.tail)
    tail = finished - ends
    at = [place(here) for here in accumulate((p.finished for p in exact), initial=plan.lead)]
    flat_at = [cloth(here) for here in accumulate((p.flat for p in exact), initial=plan.lead)]
    last = (ends, flat - tail, exact[-1].name)
    kept = [(lead, lead, "")]
    for here, there, part in zip(at[1:-1], flat_at[1:-1], exact, strict=False):
        if there - kept[-1][1] >= max(here - kept[-1][0], tape) and last[1] - there >= max(last[0] - here, tape):
            kept.append((here, there, part.name))
    pairs = pairwise([*kept, last])
    found = [Between(b - a, d - c, name) for (a, c, _), (b, d, name) in pairs if d > c]
    strip = gathered_strip(lead, found, tail, ring=plan.section.closed)
    return Taped(strip, finished, flat, (), flat - plan.flat, ZERO, (), finished)


def _naive_error(plan: Plan, pleats: Sequence[Standing], step: int, parts: int) -> Length:
    """How much cloth is short (or, below nought, over) when each pleat is rounded alone."""
    if plan.section.places:
        return Length(Fraction(sum(to_tape(p.take, step) - p.take for p in pleats if not p.half), parts))
    take = pleats[0].take * (2 if pleats[0].half else 1)
    return Length(plan.pleats * Fraction(to_tape(take, step) - take, parts))
