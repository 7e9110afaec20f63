"""A row put right after it was measured: some pleats take a little more, or less, of cloth already cut.

What is cut stays as it is.  A knife, a tuck or a pinch pleat changes by a division of the tape: its outer fold stays
and its placement line moves, into the run beside it.  A box or an inverted pleat changes by two, one at each side, so
that it stays even.  Mirrored rows change in mirrored pairs.  The turn of a cloth is taken by every pleat.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterator, Sequence
from math import lcm
from typing import NamedTuple

from ribbon.edge.plan import Plan
from ribbon.errors import refuse
from ribbon.facts.edge import Edge
from ribbon.facts.section import Section
from ribbon.fraction import Fraction
from ribbon.lengths import Length
from ribbon.pleats import Facing, Quantity, Row, Standing, strip_of
from ribbon.strip import Strip


class Nudge(NamedTuple):
    """A pleat, from 1, and by how many divisions of the tape it takes more cloth (below nought: less)."""

    pleat: int
    divisions: int


def division(section: Section | Edge) -> Length:
    """The step of a correction: the tape's division, or a fine one where marks are exact."""
    if section.tape is not None:
        return section.tape
    return Length.inches(Fraction(1, 16)) if section.imperial else Length(1)


def per_change(section: Section) -> int:
    """By how many divisions one pleat changes at a time: one at each of its sides."""
    return 2 if section.kind.halves else 1


def can_change(section: Section) -> bool:
    """True for pleats that can take a little more or less; upright folds and gathers are drawn up instead."""
    return section.kind.folded and not (section.kind.upright and section.kind.width is Quantity.SPACING)


def applied(plan: Plan) -> tuple[Nudge, ...]:
    """What the checks change in all, each correction in turn as it was told."""
    each: Counter[int] = Counter()
    for by in plan.section.corrections:
        each.update({one.pleat: one.divisions for one in changes(plan, by, each)})
    return tuple(Nudge(pleat, each[pleat]) for pleat in sorted(each) if each[pleat])


def changes(plan: Plan, by: Length, before: Counter[int] | None = None) -> tuple[Nudge, ...]:
    """Which pleats of `plan` change so that the row comes in by `by`, in order along it; `before` is what has changed.

    As many as come nearest, spread evenly, away from the middle pleats and from those at the ends, where the closures
    are; these change once all the others have.  None changes twice while another has not changed.
    """
    section = plan.section
    if not can_change(section):
        return ()
    per, sign = per_change(section), 1 if by.mm > 0 else -1
    steps = abs(by) / (division(section) * per)
    wanted = (2 * steps.numerator + steps.denominator) // (2 * steps.denominator)
    groups, begun = _groups(plan), before or Counter[int]()
    level = {group: sign * begun[group[0]] for group in groups}
    spared = _spared(plan.count)
    while wanted and groups:
        lowest = min(level.values())
        open_now = [group for group in groups if level[group] == lowest]
        free = [group for group in open_now if not spared & set(group)] or open_now
        took = _spread(free, wanted)
        if not took:
            break
        for group in took:
            level[group] += per
            wanted -= len(group)
    found = [Nudge(pleat, sign * level[group] - begun[pleat]) for group in groups for pleat in group]
    return tuple(sorted(one for one in found if one.divisions))


def _spared(count: int) -> set[int]:
    return {1, count, (count + 1) // 2, count // 2 + 1} if count >= 8 else set()


def _spread(groups: Sequence[tuple[int, ...]], wanted: int) -> list[tuple[int, ...]]:
    """The groups that change: pairs first, then single pleats, each lot as even along the row as whole pleats allow."""
    if sum(len(group) for group in groups) <= wanted:
        return list(groups)
    took: list[tuple[int, ...]] = []
    for size in (2, 1):
        own = [group for group in groups if len(group) == size]
        many = min(len(own), wanted // size)
        # The middles of `many` equal parts.
        took += [own[(2 * index + 1) * len(own) // (2 * many)] for index in range(many)]
        wanted -= many * size
    return took


Group = tuple[int, ...]
"""Pleats that change together, by their numbers."""


def _groups(plan: Plan) -> list[Group]:
    """The pleats that change together: mirrored pairs, else each alone; half pleats only where there is nothing else."""
    laid = plan.row
    pleats = [pleat for pleat in laid.pleats if not pleat.half] or list(laid.pleats)
    about = _turns_about(plan, laid)
    if about is None:
        return [(pleat.pleat,) for pleat in pleats]
    own = {pleat.pleat for pleat in pleats}
    found: list[Group] = []
    for pleat in sorted(own):
        other = about - pleat
        if pleat < other and other in own:
            found.append((pleat, other))
        elif other == pleat and plan.section.kind.halves:
            found.append((pleat,))  # it changes alike at both of its sides
        elif other not in own:
            found.append((pleat,))
    return found


def _turns_about(plan: Plan, laid: Row) -> int | None:
    """The sum of the numbers of two pleats that mirror each other; None where the row is not mirrored."""
    section, pleats = plan.section, laid.pleats
    if section.mirrored and not section.places:
        turn = next((i for i, p in enumerate(pleats) if p.facing is not pleats[0].facing), None)
        return None if turn is None else pleats[turn - 1].pleat + pleats[turn].pleat
    if section.places and (section.from_centre or section.mirrored) and not laid.closes:
        alike = all(
            a.at + b.at == laid.finished and a.take == b.take for a, b in zip(pleats, reversed(pleats), strict=True)
        )
        return pleats[0].pleat + pleats[-1].pleat if alike else None
    return None


def turned(plan: Plan) -> dict[int, Fraction]:
    """What the turn of the cloth makes each pleat take more of, in mm (below nought: less).

    On a tape in whole steps by running total, from the middle outwards where the row is mirrored; else exactly.
    """
    section = plan.section
    if not section.turn or not can_change(section):
        return {}
    laid, about = plan.row, _turns_about(plan, plan.row)
    pleats = list(laid.pleats)
    runs = [pleats]
    if about is not None:
        runs = [[p for p in reversed(pleats) if 2 * p.pleat <= about], [p for p in pleats if 2 * p.pleat > about]]
    step = section.tape.mm * per_change(section) if section.tape is not None else None
    found: dict[int, Fraction] = {}
    for run in runs:
        total = used = Fraction(0)
        for pleat in run:
            weight = Fraction(1, 2) if pleat.half else Fraction(1)
            total -= section.turn.mm * weight
            each = (
                total - used
                if step is None
                else ((total - used) / (step * weight) + Fraction(1, 2)).__floor__() * step * weight
            )
            found[pleat.pleat], used = each, used + each
    return found


def corrected(plan: Plan, laid: Row) -> Row:
    """`laid`, the row of `plan` exact or on the tape, with its corrections and the turn of the cloth in it.

    Raises `Refusal` where it cannot be.
    """
    step, more = division(plan.section).mm, turned(plan)
    for one in applied(plan):
        more[one.pleat] = more.get(one.pleat, Fraction(0)) + one.divisions * step
    if not any(more.values()):
        return laid
    made = next((made for made in _ways(plan, laid, more) if made.stands), None)
    if made is None:
        least, most = min(more.values()), max(more.values())
        far = most if most > -least else least
        raise refuse(
            "too_far_off",
            "corrections" if plan.section.corrections else "turn",
            plan.section.fine.write_mm(abs(far)).text,
            "that is more than these pleats can be changed by",
            "open the row and plan it anew with the cloth as it is cut",
        )
    return made


def _ways(plan: Plan, laid: Row, more: dict[int, Fraction]) -> Iterator[Row]:
    """The row with its pleats changed: out of the run behind each outer fold; where there is none, out of the one before it."""
    yield _changed(plan, laid, more, frozenset())
    if plan.section.kind.halves:
        return
    hand: dict[bool, list[int]] = {}
    for pleat in laid.pleats:
        hand.setdefault(_gives_behind(plan, laid, pleat), []).append(pleat.pleat)
    ends = [hand[True][-1]] if True in hand else []
    ends += [hand[False][0]] if False in hand else []
    every = frozenset(pleat.pleat for pleat in laid.pleats)
    # A turn is taken alike by all; a correction alone moves as few outer folds as it can.
    for others in (every, frozenset(ends)) if plan.section.turn else (frozenset(ends), every):
        yield _changed(plan, laid, more, others)


def _gives_behind(plan: Plan, laid: Row, pleat: Standing) -> bool:
    """True where the cloth comes out of the run to the right of a pleat."""
    if plan.section.kind.faces:
        return pleat.facing is not Facing.LEFT
    if plan.section.from_centre and plan.section.places:
        return 2 * pleat.at >= laid.finished  # a pair stays mirrored
    return True


def _changed(plan: Plan, laid: Row, more: dict[int, Fraction], other_side: frozenset[int]) -> Row:
    """The row with each pleat taking `more`, those of `other_side` out of the run at their other side."""
    parts = lcm(laid.parts, *(value.denominator * 2 for value in more.values()))
    times = parts // laid.parts
    gone, found = 0, []
    for pleat in laid.pleats:
        number, at, left, right, take, facing, half = pleat
        own = int(more.get(number, Fraction(0)) * parts)
        left, at, right = left * times - gone, at * times - gone, right * times - gone
        if plan.section.kind.width is Quantity.BOX:
            # What shows of a box gives: it keeps its left placement line, and draws in at both of its sides.
            right -= own
            at = left if half > 0 else right if half < 0 else (left + right) // 2
        else:
            if plan.section.kind.halves:
                before = 0 if half > 0 else own if half < 0 else own // 2
            else:
                before = 0 if _gives_behind(plan, laid, pleat) ^ (number in other_side) else own
            left, at, right = left - before, at - before, right - before
        found.append(Standing(number, at, left, right, take * times + own, facing, half))
        gone += own
    return Row(parts, laid.finished * times - gone, found, laid.plain_lead, laid.plain_tail, laid.ring, laid.closes)


def corrected_row(plan: Plan) -> Row:
    """The exact row of `plan` with its correction in it."""
    return corrected(plan, plan.row)


def as_marked(plan: Plan) -> Strip:
    """The strip of a plan with exact marks, what checks and the turn of the cloth change in it."""
    laid = corrected_row(plan) if plan.section.kind.folded else None
    return plan.strip if laid is None or laid is plan.row else strip_of(plan.section.kind, laid)


def pleats_say(found: Sequence[int]) -> str:
    """The pleats by their numbers, at least one.

    >>> pleats_say([2, 5, 8])
    'pleats 2, 5 and 8'
    """
    if len(found) == 1:
        return f"pleat {found[0]}"
    return f"pleats {', '.join(map(str, found[:-1]))} and {found[-1]}"


def much_says(section: Section, found: Sequence[Nudge]) -> str:
    """By how much those pleats change: one length, or ``1/16 in or 1/8 in``."""
    step, write = division(section), section.scribe.write
    least, most = (choose(abs(one.divisions) for one in found) for choose in (min, max))
    return write(step * most).text if least == most else f"{write(step * least).text} or {write(step * most).text}"
