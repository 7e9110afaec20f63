"""A row put right after it was measured: some pleats take a division more, or less, of cloth already cut (work, section 16).

What is cut stays as it is: each changed pleat takes from the run beside it, a box from its own face, so the flat
width is the same and the finished one changes by as many divisions as there are changes.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from fractions import Fraction
from typing import NamedTuple

from ribbon.errors import refuse
from ribbon.lengths import Length
from ribbon.pins.plan import Plan, row
from ribbon.pins.section import Section
from ribbon.pleats import Quantity, Row, Standing


class Change(NamedTuple):
    """A pleat, from 1, and by how many divisions of the tape it takes more cloth (below nought: less)."""

    pleat: int
    divisions: int


def applied(plan: Plan) -> tuple[Change, ...]:
    """What changes in all: each correction in turn moves pleats of its own, as it was told; then the turn of the cloth."""
    each: Counter[int] = Counter()
    for by in (*plan.section.corrections, -(plan.section.turn * plan.count)):
        each.update({one.pleat: one.divisions for one in changes(plan, by)})
    return tuple(Change(pleat, each[pleat]) for pleat in sorted(each) if each[pleat])


def division(section: Section) -> Length:
    """The step of a correction: the tape's division, or a fine one where marks are exact."""
    if section.tape is not None:
        return section.tape
    return Length.inches(Fraction(1, 16)) if section.unit.binary else Length(1)


def changes(plan: Plan, by: Length) -> tuple[Change, ...]:
    """Which pleats of `plan` take a division more, or less, so that the row comes in by `by`; in order along it.

    The changes are spread evenly and keep away from the middle pleats and from the two at the ends, where the
    closures are, unless there are too few others.  Empty where pleats stand upright or there are none: such rows
    are drawn up instead.
    """
    kind = plan.section.kind
    if not kind.folded or (kind.upright and kind.width is Quantity.SPACING):
        return ()
    step, count = division(plan.section), plan.count
    steps = abs(by) / step
    many = (2 * steps.numerator + steps.denominator) // (2 * steps.denominator)
    spared = {1, count, (count + 1) // 2, count // 2 + 1} if count >= 8 else set()
    free = [pleat for pleat in range(1, count + 1) if pleat not in spared]
    if not free or not many:
        return ()
    every, rest = divmod(many, len(free))
    # The middles of `rest` equal parts of the free pleats: as even as whole pleats allow.
    more = {free[(2 * index + 1) * len(free) // (2 * rest)] for index in range(rest)}
    sign = 1 if by.mm > 0 else -1
    found = ((pleat, every + (pleat in more)) for pleat in free)
    return tuple(Change(pleat, sign * by_how_many) for pleat, by_how_many in found if by_how_many)


def corrected(plan: Plan, laid: Row) -> Row:
    """`laid`, the row of `plan` exact or on the tape, with its correction in it.  Raises `Refusal` where it cannot be."""
    each = {one.pleat: one.divisions for one in applied(plan)}
    if not each:
        return laid
    step = division(plan.section).mm
    parts = laid.parts * step.denominator
    q = step.numerator * laid.parts
    times = parts // laid.parts
    gone, found = 0, []
    for pleat in laid.pleats:
        more = each.get(pleat.pleat, 0) * q
        found.append(_changed(plan, pleat, times, gone, more))
        gone += more
    made = Row(parts, laid.finished * times - gone, found, laid.plain_lead, laid.plain_tail)
    if not made.stands:
        raise refuse(
            "too_far_off",
            "corrections",
            f"{sum(each.values())} divisions",
            "that is more than these pleats can be changed by",
            "open the row and plan it anew with the cloth as it is cut",
        )
    return made


def _changed(plan: Plan, pleat: Standing, times: int, gone: int, more: int) -> Standing:
    number, at, left, right, take, facing, half = pleat
    if plan.section.kind.width is Quantity.BOX:
        # What shows of a box gives: it keeps its left edge and draws in its right one.
        left, right = left * times - gone, right * times - gone - more
        at = left if half > 0 else right if half < 0 else (left + right) // 2
        return Standing(number, at, left, right, take * times + more, facing, half)
    here = gone + more  # the run before it gives
    return Standing(
        number, at * times - here, left * times - here, right * times - here, take * times + more, facing, half
    )


def corrected_row(plan: Plan) -> Row:
    """The exact row of `plan` with its correction in it."""
    return corrected(plan, row(plan))


def pleats_say(found: Sequence[Change]) -> str:
    """The pleats by number: ``2, 5, 8 and 11``.

    >>> pleats_say([Change(2, 1), Change(5, 1), Change(8, 1)])
    'pleats 2, 5 and 8'
    """
    numbers = [f"{one.pleat}" for one in found]
    if len(numbers) == 1:
        return f"pleat {numbers[0]}"
    return f"pleats {', '.join(numbers[:-1])} and {numbers[-1]}"


def much_says(section: Section, found: Sequence[Change]) -> str:
    """By how much those pleats change: one length, or ``1/16 in or 1/8 in``."""
    step, write = division(section), section.scribe.write
    least, most = (choose(abs(one.divisions) for one in found) for choose in (min, max))
    return write(step * most).text if least == most else f"{write(step * least).text} or {write(step * most).text}"
