"""Who takes a little more cloth, or less: so many divisions of the tape shared over the pleats of a row.

A knife, a tuck or a pinch pleat changes by one division, a box or an inverted pleat by two, one at each side, so that it
stays even.  Mirrored pleats change in pairs.  Those that the tape made shallower go first, so that depths still differ by
no more than a division; among equals they are spread evenly, away from the middle pleats and from those at the ends, where
the closures are.  None changes twice while another has not changed.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Mapping, Sequence
from itertools import product
from math import gcd
from typing import NamedTuple

from ribbon.edge.plan import Plan
from ribbon.facts.edge import Edge
from ribbon.facts.section import Section
from ribbon.fraction import Fraction
from ribbon.lengths import Length
from ribbon.pleats import Quantity, Row, Standing

_ALONE = 10**12  # before all others: there is none that it would be unlike


class Nudge(NamedTuple):
    """A pleat, from 1, and by how many divisions of the tape it takes more cloth (below nought: less)."""

    pleat: int
    divisions: int


class Group(NamedTuple):
    """Pleats that change together, by their numbers, and by how many divisions each of them then does."""

    pleats: tuple[int, ...]
    each: int

    @property
    def size(self) -> int:
        """By how many divisions the row changes with them."""
        return len(self.pleats) * self.each


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


def groups_of(plan: Plan) -> list[Group]:
    """The pleats that change together: mirrored pairs, else each alone; half a pleat changes at its one side."""
    laid, per = plan.row, per_change(plan.section)
    each = {pleat.pleat: 1 if pleat.half else per for pleat in laid.pleats}
    about = turns_about(plan, laid)
    if about is None:
        return [Group((pleat,), many) for pleat, many in each.items()]
    found: list[Group] = []
    for pleat in sorted(each):
        other = about - pleat
        if pleat < other and other in each:
            found.append(Group((pleat, other), each[pleat]))
        elif other not in each or (other == pleat and plan.section.kind.halves):
            found.append(Group((pleat,), each[pleat]))
    return found


def turns_about(plan: Plan, laid: Row) -> int | None:
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


def least_change(groups: Sequence[Group]) -> int:
    """The divisions in whose multiples such a row can change; one where nothing in it can."""
    return gcd(*(group.size for group in groups)) or 1


def ranks(exact: Row, taped: Row) -> dict[int, int]:
    """How far the tape made each pleat deeper than others that are as deep exactly, in parts of `taped`.

    A pleat that is as deep as no other has no rank.
    """
    alike: dict[tuple[int, int], list[Standing]] = {}
    for one, pleat in zip(exact.pleats, taped.pleats, strict=True):
        alike.setdefault((one.take, abs(one.half)), []).append(pleat)
    return {
        pleat.pleat: pleat.take - least
        for own in alike.values()
        if len(own) > 1
        for least in [min(pleat.take for pleat in own)]
        for pleat in own
    }


def shared(
    groups: Sequence[Group],
    wanted: Fraction,
    count: int,
    rank: Mapping[int, int],
    before: Mapping[int, int] | None = None,
) -> tuple[Nudge, ...]:
    """Which of `count` pleats change so that all together come as near to `wanted` divisions as can be, in order.

    Below nought they take less.  `rank` says how deep the tape made each, `before` by how many divisions it has changed.
    """
    sign, rest, begun = (1 if wanted > 0 else -1), abs(wanted), before or Counter[int]()
    level = {group: sign * begun.get(group.pleats[0], 0) // group.each for group in groups}
    start, spared = dict(level), _spared(count)

    def order(group: Group) -> tuple[int, int]:
        own = [sign * rank[pleat] for pleat in group.pleats if pleat in rank]
        return level[group], max(own, default=-_ALONE)

    while groups and rest:
        first = min(map(order, groups))
        stage = [group for group in groups if order(group) == first]
        # The spared ones change with the last of the others, where all of them do.
        for late in (False, True):
            open_now = [group for group in stage if bool(spared.intersection(group.pleats)) is late]
            took = _nearest(open_now, rest)
            for group in took:
                level[group] += 1
                rest -= group.size
            if len(took) < len(open_now):
                stage = [group for group in stage if order(group) == first]
                extra = min(stage, key=lambda group: abs(rest - group.size), default=None)
                if extra is not None and abs(rest - extra.size) < abs(rest):
                    level[extra] += 1
                rest = Fraction(0)
                break
    found = [
        Nudge(pleat, sign * (level[group] - start[group]) * group.each) for group in groups for pleat in group.pleats
    ]
    return tuple(sorted(one for one in found if one.divisions))


def _spared(count: int) -> set[int]:
    return {1, count, (count + 1) // 2, count // 2 + 1} if count >= 8 else set()


def _nearest(groups: Sequence[Group], wanted: Fraction) -> list[Group]:
    """Those of `groups` that come nearest to `wanted` divisions, each size of them as even along the row as can be."""
    by_size: dict[int, list[Group]] = {}
    for group in sorted(groups, key=lambda group: -group.size):
        by_size.setdefault(group.size, []).append(group)
    if sum(group.size for group in groups) <= wanted:
        return list(groups)
    best = min(
        product(*(_near(size, len(own), wanted, by_size) for size, own in by_size.items())),
        key=lambda many: (abs(wanted - sum(map(int.__mul__, many, by_size))), sum(map(int.__mul__, many, by_size))),
        default=(),
    )
    # The middles of as many equal parts.
    return [
        own[(2 * index + 1) * len(own) // (2 * many)]
        for own, many in zip(by_size.values(), best, strict=True)
        for index in range(many)
    ]


def _near(size: int, have: int, wanted: Fraction, sizes: Mapping[int, Sequence[Group]]) -> list[int]:
    """How many groups of one size may be the best: about as many as fit, fewest last; what is over is for smaller ones."""
    smaller = sum(group.size for other, own in sizes.items() if other < size for group in own)
    most = min(have, int(wanted / size) + 1)
    least = min(have, max(0, int((wanted - smaller) / size) - 1))
    return list(range(most, max(least, most - 4) - 1, -1))
