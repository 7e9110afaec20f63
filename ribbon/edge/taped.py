"""A plan put on the tape: every mark on a whole division, and no drift."""

from __future__ import annotations

from collections import Counter
from dataclasses import dataclass
from itertools import accumulate, pairwise

from ribbon.edge.corrected import corrected, marked_row, turn_in_all
from ribbon.edge.plan import Plan, gathered_parts
from ribbon.edge.rounding import START, Begun, in_parts, on_division, to_tape
from ribbon.fraction import Fraction
from ribbon.gathers import Between, gathered_strip
from ribbon.lengths import ZERO, Length
from ribbon.pleats import Quantity, strip_of
from ribbon.strip import Strip

Q = Quantity


@dataclass(frozen=True, slots=True)
class Taped:
    """A plan on the tape.

    `strip` has its marks on whole divisions; `depths` holds the depth of each pleat (cloth taken, for pinch
    pleats); `off` is the flat width on the tape less the exact one; `naive_error` is the cloth that
    would be short (below nought: over) had one rounded pleat been repeated instead; `groups` tells how many pleats
    there are of each depth, deepest first.  `marked` is its finished width exactly as marked, the turn of its cloth in it,
    and `straight` the one on the tape before any check.
    """

    strip: Strip
    finished: Length
    flat: Length
    depths: tuple[Length, ...]
    off: Length
    naive_error: Length
    groups: tuple[tuple[int, Length], ...]
    marked: Length
    straight: Length


def taped(plan: Plan, tape: Length, begun: Begun = START) -> Taped | None:
    """`plan` on a tape whose smallest division is `tape`, as a part that begins at `begun` of a longer edge.

    None where the tape is too coarse for upright folds: one would be left with less cloth than it is packed into.
    """
    kind = plan.section.kind
    if not kind.folded:
        return _gathered(plan, tape, begun)
    straight = marked_row(plan, tape, begun)
    on_tape = corrected(plan, straight) if plan.section.corrections else straight
    finished, pleats = on_tape.finished, on_tape.pleats
    packed = kind.width is Q.SPACING  # upright folds take the cloth in, packed width and all
    if packed and any(pleat.take <= 0 or pleat.take < pleat.right - pleat.left for pleat in pleats):
        return None
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
        _naive_error(plan, tape),
        tuple((count, depth_of[take]) for take, count in sorted(counted.items(), reverse=True)),
        Length(plan.finished.mm + turn_in_all(plan)),
        Length(Fraction(straight.finished, straight.parts)),
    )


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
    return Taped(strip, finished, flat, (), flat - plan.flat, ZERO, (), plan.finished, finished)


def _naive_error(plan: Plan, tape: Length) -> Length:
    """How much cloth is short (or, below nought, over) when each pleat is rounded alone."""
    exact = plan.row.finer(tape.mm)
    step, parts, pleats = in_parts(exact, tape) * plan.section.kind.divisions, exact.parts, exact.pleats
    if plan.section.places:
        return Length(Fraction(sum(to_tape(p.take, step) - p.take for p in pleats if not p.half), parts))
    take = pleats[0].take * (2 if pleats[0].half else 1)
    return Length(plan.pleats * Fraction(to_tape(take, step) - take, parts))
