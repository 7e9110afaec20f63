"""A plan put on the tape: every mark on a whole division, and no drift (work, section 5).

What shows and what hides are rounded apart, each by its running total: finished positions to whole divisions,
running take-up to whole steps of a kind's two or four thicknesses.  A mirrored row is rounded outwards from
where it turns, so that its two halves stay alike.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction
from itertools import accumulate, pairwise

from ribbon.gathers import Part, gathered_strip
from ribbon.lengths import ZERO, Length
from ribbon.pins.corrected import corrected
from ribbon.pins.plan import Plan, gathered_parts, row
from ribbon.pleats import Quantity, Row, Standing, strip_of
from ribbon.strip import Strip

Q = Quantity


@dataclass(frozen=True, slots=True)
class Taped:
    """A plan on the tape.

    `strip` has its marks on whole divisions; `depths` holds the depth of each pleat (cloth taken, for pinch
    pleats); `off` is the flat width on the tape less the exact one; `naive_error` is the cloth that
    would be short (below nought: over) had one rounded pleat been repeated instead; `groups` tells how many pleats
    there are of each depth, deepest first.
    """

    strip: Strip
    finished: Length
    flat: Length
    depths: tuple[Length, ...]
    off: Length
    naive_error: Length
    groups: tuple[tuple[int, Length], ...]


def to_tape(value: int, step: int) -> int:
    """The multiple of `step` nearest to `value`; half way goes up."""
    return (2 * value + step) // (2 * step) * step


def taped(plan: Plan, tape: Length) -> Taped | None:
    """`plan` on a tape whose smallest division is `tape`.

    None where the tape is too coarse for upright folds: one would be left with less cloth than it is packed into.
    """
    kind = plan.section.kind
    if not kind.folded:
        return _gathered(plan, tape)
    exact = row(plan, tape.mm)
    on_tape = corrected(plan, _row_on_tape(plan, exact, tape))
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
        strip_of(kind, on_tape),
        Length(Fraction(finished, parts)),
        Length(Fraction(flat, parts)),
        tuple(depth_of[pleat.take * 2 if pleat.half else pleat.take] for pleat in pleats),
        Length(Fraction(flat, parts)) - plan.flat,
        _naive_error(plan, exact.pleats, step, exact.parts),
        tuple((counted[take], depth_of[take]) for take in sorted(counted, reverse=True)),
    )


def taped_row(plan: Plan, tape: Length) -> Row:
    """The row of a folded `plan` with every position and take-up on the tape."""
    return _row_on_tape(plan, row(plan, tape.mm), tape)


def _row_on_tape(plan: Plan, exact: Row, tape: Length) -> Row:
    q = tape.mm.numerator * (exact.parts // tape.mm.denominator)
    finished = to_tape(exact.finished, q)
    step = q * plan.section.kind.divisions
    turn = next((i for i, p in enumerate(exact.pleats) if p.facing is not exact.pleats[0].facing), None)
    if plan.section.places:
        from_middle = plan.section.from_centre and plan.section.mirror_at is None
        pleats = _from_middle(exact.pleats, finished, q, step) if from_middle else _running(exact.pleats, q, step)
    else:
        pleats = _running(exact.pleats, q, step) if turn is None else _mirrored(exact, finished, turn, q, step)
    made = Row(exact.parts, finished, pleats, exact.plain_lead, exact.plain_tail)
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


def _running(pleats: Sequence[Standing], q: int, step: int) -> list[Standing]:
    """Positions to whole divisions, running take-up to whole steps, from left to right."""
    total, used, found = 0, 0, []
    for number, at, left, right, take, facing, half in pleats:
        total += take
        # What half a pleat takes goes in steps half as large; the steps of those after it start from there.
        running = used + to_tape(total - used, step // 2 if half else step)
        place = to_tape(at, q)
        # A knife or a pinch pleat stands on its line alone.
        ends = (place, place) if left == at == right else (to_tape(left, q), to_tape(right, q))
        found.append(Standing(number, place, *ends, running - used, facing, half))
        used = running
    return found


def _from_middle(pleats: Sequence[Standing], finished: int, q: int, step: int) -> list[Standing]:
    """Placed pairs about the middle of the edge: the right of each pair on the tape, the left its mirror."""
    half = len(pleats) // 2
    right = _running(pleats[half:], q, step)
    # None of a pair may reach past the middle: where that lies between two divisions, rounding back would.
    middle = -(-finished // (2 * q)) * q
    right[len(pleats) % 2 :] = [
        one._replace(at=max(one.at, middle), left=max(one.left, middle), right=max(one.right, middle))
        for one in right[len(pleats) % 2 :]
    ]
    left = [
        Standing(a.pleat, finished - b.at, finished - b.right, finished - b.left, b.take, a.facing, a.half)
        for a, b in zip(pleats, reversed(right), strict=False)
    ]
    return left[:half] + right


def _mirrored(exact: Row, finished: int, turn: int, q: int, step: int) -> list[Standing]:
    """Each hand rounded outwards from the turn, so that pleats as far from it on either side are alike.

    The face over the turn is centred there: its two halves are rounded together, to a width that leaves both
    ends on the tape.
    """
    before, after = exact.pleats[:turn], exact.pleats[turn:]
    width = after[0].at - before[-1].at
    middle = before[-1].at + after[0].at  # in half parts
    if middle == exact.finished:
        # Centred on the edge: the middle face is odd or even in divisions as the edge itself is.
        face = to_tape(width - finished % (2 * q), 2 * q) + finished % (2 * q)
        first = (finished - face) // 2
    else:
        face, first = to_tape(width, q), to_tape(before[-1].at, q)

    def outwards(pleats: Sequence[Standing]) -> list[tuple[int, int]]:
        """(distance out from the middle face, take) of each pleat, on the tape."""
        start, total, used, found = pleats[0].at, 0, 0, []
        for pleat in pleats:
            total += pleat.take
            running = to_tape(total, step)
            found.append((to_tape(abs(pleat.at - start), q), running - used))
            used = running
        return found

    left, right = outwards(before[::-1]), outwards(after)
    return [
        *(
            Standing(p.pleat, first - out, first - out, first - out, take, p.facing)
            for p, (out, take) in zip(before, left[::-1], strict=True)
        ),
        *(
            Standing(p.pleat, first + face + out, first + face + out, first + face + out, take, p.facing)
            for p, (out, take) in zip(after, right, strict=True)
        ),
    ]


def _gathered(plan: Plan, tape: Length) -> Taped:
    """Every match point at the nearest division of both edges, reckoned from the start, so that nothing drifts.

    A point that the tape leaves with no cloth of its own, or with less cloth than edge, is passed over.
    """

    def on_tape(length: Length) -> Length:
        divisions = length / tape
        return tape * (to_tape(divisions.numerator, divisions.denominator) // divisions.denominator)

    exact = gathered_parts(plan)
    finished, flat, lead = on_tape(plan.finished), on_tape(plan.flat), on_tape(plan.lead)
    ends = on_tape(plan.finished - plan.tail)
    tail = finished - ends
    at = [on_tape(here) for here in accumulate((p.finished for p in exact), initial=plan.lead)]
    flat_at = [on_tape(here) for here in accumulate((p.flat for p in exact), initial=plan.lead)]
    last = (ends, flat - tail, exact[-1].name)
    kept = [(lead, lead, "")]
    for here, cloth, part in zip(at[1:-1], flat_at[1:-1], exact, strict=False):
        if cloth - kept[-1][1] >= max(here - kept[-1][0], tape) and last[1] - cloth >= max(last[0] - here, tape):
            kept.append((here, cloth, part.name))
    pairs = pairwise([*kept, last])
    found = [Part(b - a, d - c, name) for (a, c, _), (b, d, name) in pairs if d > c]
    return Taped(gathered_strip(lead, found, tail), finished, flat, (), flat - plan.flat, ZERO, ())


def _naive_error(plan: Plan, pleats: Sequence[Standing], step: int, parts: int) -> Length:
    """How much cloth is short (or, below nought, over) when each pleat is rounded alone."""
    if plan.section.places:
        return Length(Fraction(sum(to_tape(p.take, step) - p.take for p in pleats if not p.half), parts))
    take = pleats[0].take * (2 if pleats[0].half else 1)
    return Length(plan.pleats * Fraction(to_tape(take, step) - take, parts))
