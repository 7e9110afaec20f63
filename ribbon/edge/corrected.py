"""A row as it is marked: the tape, the turn of its cloth and what its checks changed, rounded once.

The cloth is cut as wide as the plan without turn and checks is on the tape.  The turn of a cloth is taken by every pleat: the
wish of each is its own cloth less its turn, and takes and places are the running totals of those wishes, so that both come
to that flat width.  A check then changes some pleats by a division (`sharing`), on the same cloth (`relaid`).
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Mapping, Sequence

from ribbon.edge.plan import Plan
from ribbon.edge.relaid import relaid
from ribbon.edge.rounding import START, Begun, finer_for, in_parts, placed_on_tape, rounded, takes_on_tape, to_tape
from ribbon.edge.sharing import (
    Nudge,
    can_change,
    division,
    groups_of,
    least_change,
    ranks,
    shared,
)
from ribbon.errors import Refusal, refuse
from ribbon.facts.section import Section
from ribbon.fraction import Fraction
from ribbon.lengths import Length
from ribbon.pleats import Row, strip_of
from ribbon.strip import Strip


def turn_in_all(plan: Plan) -> Fraction:
    """By how much the whole row is marked wider for the turn of its cloth, in mm (below nought: narrower)."""
    section = plan.section
    return section.turn.mm * plan.pleats if section.turn and can_change(section) else Fraction(0)


def wider(plan: Plan, exact: Row, by: Fraction) -> Row:
    """`exact`, a row of `plan`, `by` mm wider, every pleat taking its part of that less.  Raises `Refusal` where it cannot be."""
    if not by:
        return exact
    each = by / plan.pleats
    more = {pleat.pleat: -each / 2 if pleat.half else -each for pleat in exact.pleats}
    made = relaid(plan, exact, more, None)
    if made is None:
        raise _too_far(plan.section, "turn", each)
    return made


def turned_row(plan: Plan) -> Row:
    """The exact row of `plan`, the turn of its cloth in it.  Raises `Refusal` where that cannot be."""
    return wider(plan, plan.row, turn_in_all(plan))


def marked_row(plan: Plan, tape: Length, begun: Begun = START) -> Row:
    """The row of `plan` on the tape, the turn of its cloth in it, without what its checks change.  Raises `Refusal`."""
    exact = finer_for(plan, tape, begun)
    straight = rounded(plan, exact, tape, begun)
    by = turn_in_all(plan)
    if not by:
        return straight
    flat = straight.finished + sum(pleat.take for pleat in straight.pleats)
    at, taped_at = begun.finished - begun.taped_finished, begun.taped_finished
    wish = Fraction(exact.finished, exact.parts) + by + at.mm
    finished = nearest_width(plan, tape, Fraction(flat, straight.parts), wish)
    turned = wider(plan, exact, finished - at.mm - Fraction(exact.finished, exact.parts)).finer(
        tape.mm, taped_at.mm, at.mm, Fraction(1, straight.parts)
    )
    whole = int(finished * turned.parts)
    takes = takes_to(
        plan, turned, tape, [p.take for p in turned.pleats], flat * (turned.parts // straight.parts) - whole
    )
    offset = int(taped_at.mm * turned.parts)
    made = placed_on_tape(
        plan, turned, takes, whole, in_parts(turned, tape), (offset + int(at.mm * turned.parts), offset)
    )
    if not made.stands:
        raise _too_far(plan.section, "turn", by / plan.pleats)
    return made


def nearest_width(plan: Plan, tape: Length, flat: Fraction, wish: Fraction) -> Fraction:
    """The finished width nearest to `wish` that pleats on the tape can make of `flat`, all in mm."""
    step = tape.mm * least_change(groups_of(plan))
    steps = (flat - wish) / step
    return flat - step * (to_tape(steps.numerator, steps.denominator) // steps.denominator)


def takes_to(plan: Plan, exact: Row, tape: Length, takes: Sequence[int], whole: int) -> list[int]:
    """What each pleat takes on the tape, all together `whole` parts of `exact`: by running totals of `takes`, nearest to them.

    In whole steps of the kind; what is then left over changes as few pleats as can be by a part of a step, whose inner folds
    come between two divisions.
    """
    q = in_parts(exact, tape)
    weights = [1 if pleat.half else 2 for pleat in exact.pleats]
    times, over = sum(weights), whole - sum(takes)
    even = [take * times + over * weight for take, weight in zip(takes, weights, strict=True)]
    found = [take // times for take in takes_on_tape(plan, exact, even, q * plan.section.kind.divisions * times)]
    left = Fraction(whole - sum(found), q)
    if left:
        laid = exact._replace(pleats=[p._replace(take=take) for p, take in zip(exact.pleats, found, strict=True)])
        wished = exact._replace(pleats=[p._replace(take=take) for p, take in zip(exact.pleats, takes, strict=True)])
        own = dict(shared(groups_of(plan), left, len(found), ranks(wished, laid)))
        found = [take + own.get(p.pleat, 0) * q for p, take in zip(exact.pleats, found, strict=True)]
    return found


def _straight(plan: Plan) -> Row:
    return turned_row(plan) if plan.section.tape is None else marked_row(plan, plan.section.tape)


def applied(plan: Plan, straight: Row | None = None) -> tuple[Nudge, ...]:
    """What the checks change in all, each correction in turn as it was told; `straight` is the row without them."""
    if not plan.section.corrections or not can_change(plan.section):
        return ()
    each: Counter[int] = Counter()
    laid = straight or _straight(plan)
    for by in plan.section.corrections:
        each.update(dict(changes(plan, by, each, laid)))
    return tuple(Nudge(pleat, each[pleat]) for pleat in sorted(each) if each[pleat])


def changes(
    plan: Plan, by: Length, before: Mapping[int, int] | None = None, straight: Row | None = None
) -> tuple[Nudge, ...]:
    """Which pleats of `plan` change so that the row comes in as near to `by` as can be, in order along it.

    `before` is what has changed, `straight` the row without that.
    """
    if not can_change(plan.section):
        return ()
    laid = straight or _straight(plan)
    return shared(groups_of(plan), by / division(plan.section), plan.count, ranks(turned_row(plan), laid), before)


def corrected(plan: Plan, straight: Row, own: Sequence[Nudge] | None = None) -> Row:
    """`straight`, the row of `plan` exact or on the tape, with what its checks change in it, or with `own`.

    Raises `Refusal` where it cannot be.
    """
    section = plan.section
    step = division(section).mm
    more = {one.pleat: one.divisions * step for one in (applied(plan, straight) if own is None else own)}
    made = relaid(plan, straight, more, step)
    if made is None:
        least, most = min(more.values()), max(more.values())
        raise _too_far(section, "corrections", most if most > -least else least)
    return made


def _too_far(section: Section, path: str, by: Fraction) -> Refusal:
    return refuse(
        "too_far_off",
        path,
        section.fine.write_mm(abs(by)).text,
        "that is more than these pleats can be changed by",
        "open the row and plan it anew with the cloth as it is cut",
    )


def corrected_row(plan: Plan) -> Row:
    """The exact row of `plan` with the turn of its cloth and its corrections in it.  Raises `Refusal`."""
    return corrected(plan, turned_row(plan)) if plan.section.corrections else turned_row(plan)


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


def changes_say(section: Section, found: Sequence[Nudge]) -> list[tuple[str, str]]:
    """Each amount with its pleats, most first, those that take more before those that take less.

    As ``("pleats 2 and 5", "1/16 in more")``.
    """
    step, write = division(section), section.scribe.write
    amounts = sorted({one.divisions for one in found}, key=lambda many: (many < 0, -abs(many)))
    return [
        (
            pleats_say([one.pleat for one in found if one.divisions == many]),
            f"{write(step * abs(many)).text} {'more' if many > 0 else 'less'}",
        )
        for many in amounts
    ]


def moved_along(plan: Plan, found: Sequence[Nudge]) -> tuple[tuple[int, Length], ...]:
    """The pleats that take what they took, but move on the cloth when those `found` change: by how much, towards the end."""
    straight = _straight(plan)
    each = Counter(dict(applied(plan, straight)))
    rows = [corrected(plan, straight, [Nudge(*one) for one in each.items()])]
    each.update(dict(found))
    rows.append(corrected(plan, straight, [Nudge(*one) for one in each.items()]))
    before, after = map(_begins, rows)
    changed = {one.pleat for one in found}
    return tuple(
        (pleat, Length(after[pleat] - at))
        for pleat, at in before.items()
        if pleat not in changed and after[pleat] != at
    )


def _begins(laid: Row) -> dict[int, Fraction]:
    """Where each pleat begins on the flat cloth, in mm, by its number."""
    taken, found = 0, {}
    for pleat in laid.pleats:
        found[pleat.pleat] = Fraction(pleat.left + taken, laid.parts)
        taken += pleat.take
    return found
