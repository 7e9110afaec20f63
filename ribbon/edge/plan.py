"""A plan: the sizes that solve a section, and the strip that they make."""

from __future__ import annotations

from dataclasses import dataclass, replace
from functools import cached_property
from math import ceil, lcm

from ribbon.edge.short import Short, in_short, spread_again
from ribbon.errors import Refusal
from ribbon.facts.section import Remainder, Section
from ribbon.fraction import Fraction
from ribbon.gathers import Between, gathered_strip, parts
from ribbon.lengths import Length
from ribbon.pleats import Facing, Quantity, Row, Standing, strip_of
from ribbon.pleats.relation import NOUGHT
from ribbon.readings import Spread, spread
from ribbon.solve.equations import REST
from ribbon.solve.impossible import impossible, no_pleats
from ribbon.solve.nearest import with_nearest
from ribbon.solve.placed import closes_behind, placed, takes_of
from ribbon.solve.refusals import crowded, pins_that_cannot_be
from ribbon.solve.solution import Assumed, Gave, Solution, Step
from ribbon.solve.solve import solve
from ribbon.strip import Strip, Walk, walk

Q = Quantity
_FEW = 30
_CROWDED = frozenset({"no_room", "short_end"})  # what pleats of another size would put right


@dataclass(frozen=True)
class Plan:
    """What a section comes to: its solution, and the finished widths at its two ends, up to a reference line.

    Its row, its strip and the walk of that are reckoned when they are first asked for, and once.
    """

    section: Section
    solution: Solution
    lead: Length
    tail: Length

    @property
    def values(self) -> dict[str, Fraction]:
        """Every quantity by its name: lengths in exact millimetres, the count and the fullness as numbers."""
        return self.solution.values

    @property
    def gave(self) -> tuple[Gave, ...]:
        """The pins that gave way."""
        return self.solution.gave

    @property
    def assumed(self) -> tuple[Assumed, ...]:
        """What nothing settled and was assumed."""
        return self.solution.assumed

    @property
    def steps(self) -> tuple[Step, ...]:
        """The reckoning, equation by equation."""
        return self.solution.steps

    def length(self, quantity: Quantity) -> Length | None:
        """That quantity, or None where the kind has none of it."""
        value = self.values.get(quantity)
        return None if value is None else Length(value)

    @property
    def finished(self) -> Length:
        """The finished width F, by the closed formula."""
        return Length(self.values[Q.FINISHED])

    @property
    def flat(self) -> Length:
        """The flat width W, by the closed formula."""
        return Length(self.values[Q.FLAT])

    @property
    def pleats(self) -> Fraction:
        """The number of pleats, half a pleat on a fold line counted as a half; nought for gathers."""
        return self.values.get(Q.COUNT, NOUGHT)

    @property
    def count(self) -> int:
        """How many pleats stand here, whole or half."""
        if self.section.places:
            return len(placed(self.section, self.finished.mm))
        pleats = self.pleats
        return (2 * pleats.numerator + self.section.folds * pleats.denominator) // (2 * pleats.denominator)

    @property
    def spaces(self) -> Fraction:
        """The number of spaces along the finished edge: N + 1, N or N - 1 by its ends."""
        spacing = self.values.get(Q.SPACING)
        if not spacing:
            return NOUGHT
        pleated = self.values[Q.FINISHED]
        for end in (self.section.lead, self.section.tail):
            if end.width and not self.section.closed:
                pleated -= end.width.mm
        return (pleated - self.values[REST]) / spacing

    @property
    def fullness(self) -> Fraction:
        """Fullness W / F of the whole edge."""
        return self.flat / self.finished

    @cached_property
    def row(self) -> Row:
        """Its pleats where they stand, exactly; only of kinds that are folded."""
        return _placed_row(self) if self.section.places else _even_row(self)

    @cached_property
    def strip(self) -> Strip:
        """Its strip, with exact marks."""
        if self.section.kind.folded:
            return strip_of(self.section.kind, self.row)
        return gathered_strip(self.lead, gathered_parts(self), self.tail, ring=self.section.closed)

    @cached_property
    def walked(self) -> Walk:
        """The walk of its strip."""
        return walk(self.strip)

    @cached_property
    def _short(self) -> Short | None:
        folded = self.section.kind.folded and not self.section.places
        # A row of few pleats is as quickly read whole, and its walk is wanted anyway.
        return in_short(self.section.kind, self.row) if folded and self.count > _FEW else None

    @property
    def in_short(self) -> tuple[Strip, Walk]:
        """A strip and its walk that tell the same of its ends and of each pleat, quicker where the row is long and even."""
        return (self._short.strip, self._short.walked) if self._short else (self.strip, self.walked)

    @cached_property
    def spread(self) -> Spread:
        """Its strip spread flat, as joins look at it."""
        return (spread_again(self._short) if self._short else None) or spread(self.strip, self.walked)


def gathered_parts(plan: Plan) -> list[Between]:
    """The parts between the match points of a gathered edge, flat ends excluded."""
    ends, gathering = plan.lead + plan.tail, plan.section.gathering
    if plan.lead and gathering.points:
        # Named places are measured from the start of the edge, flat ends included.
        points = [
            p._replace(at=p.at - plan.lead, flat=p.flat - plan.lead if p.flat else None) for p in gathering.points
        ]
        gathering = gathering._replace(points=tuple(points))
    return parts(plan.finished - ends, plan.flat - ends, gathering)


def plan(section: Section, count: Fraction | None = None, like: Solution | None = None) -> Plan:
    """The plan of `section`; with `count`, for that many pleats, assuming what `like` did.

    Raises `Refusal`, with every problem found, where the section cannot be made.
    """
    try:
        return _planned(section, count, like)
    except Refusal as refusal:
        given = _given_way(section, count, like) if _CROWDED & {problem.code for problem in refusal.problems} else None
        if given is not None:
            return given
        if count is not None or like is not None:
            raise
        problems = [
            told
            for problem in refusal.problems
            for told in (crowded(section, problem, _planned) if problem.code == "no_room" else [problem])
        ]
        raise Refusal([with_nearest(section, problem, _planned) for problem in problems]) from None


def _given_way(section: Section, count: Fraction | None, like: Solution | None) -> Plan | None:
    """The plan without one of the facts that are only about so, where it cannot be made with it; None where that does not help."""
    for name, pin in section.pins.items():
        if pin.firm:
            continue
        try:
            made = _planned(section.let_go(name), count, like)
        except Refusal:
            continue
        became = made.values.get(name)
        if became is None:
            continue
        why = "since no pleats of that size fit what is pinned firmly"
        gave = (*made.gave, *([Gave(name, pin.value, became, why)] if became != pin.value else []))
        return replace(made, section=section, solution=replace(made.solution, gave=gave))
    return None


def _planned(section: Section, count: Fraction | None = None, like: Solution | None = None) -> Plan:
    # Pins that another solution came from have been looked at.
    problems = pins_that_cannot_be(section) if like is None else []
    if problems:
        raise Refusal(problems)
    solution = solve(section, count, like)
    if section.kind.folded and solution.values[Q.COUNT] <= 0:
        raise Refusal([no_pleats(solution)])
    lead, tail = _ends(section, solution)
    problems = list(impossible(section, solution, lead, tail))
    if problems:
        raise Refusal(problems)
    return Plan(section, solution, lead, tail)


def _ends(section: Section, solution: Solution) -> tuple[Length, Length]:
    """The finished widths before the first pleat's reference line and after the last one's."""
    values, kind = solution.values, section.kind
    if section.places:
        pleats = placed(section, values[Q.FINISHED])
        return Length(pleats[0].at), Length(values[Q.FINISHED] - pleats[-1].at)
    spacing = values.get(Q.SPACING, NOUGHT)
    if not kind.folded or kind.width is Q.SPACING:
        half = spacing / 2 if kind.folded else NOUGHT
        ends = [
            (end.width.mm if end.width and not section.closed else NOUGHT) + half
            for end in (section.lead, section.tail)
        ]
    elif section.closed:
        # A ring is opened at a placement line, or half way between two pleats where there are two hands to it.
        if kind.faces and not section.mirrored:
            ends = [spacing, NOUGHT] if section.facing is Facing.RIGHT else [NOUGHT, spacing]
        else:
            ends = [spacing / 2, spacing / 2]
    else:
        ends = [end.width.mm if end.width else end.times * spacing for end in (section.lead, section.tail)]
    share = {Remainder.LEAD: (1, 0), Remainder.TAIL: (0, 1)}.get(section.remainder, (Fraction(1, 2), Fraction(1, 2)))
    rest = values[REST]
    if not rest:
        return Length(ends[0]), Length(ends[1])
    return Length(ends[0] + rest * share[0]), Length(ends[1] + rest * share[1])


def _even_row(plan: Plan) -> Row:
    """The row of even pleats that `plan` describes; its parts are fine enough for every length in it."""
    section, values = plan.section, plan.values
    spacing, take = values.get(Q.SPACING, NOUGHT), values[Q.PER_PLEAT]
    half = values[section.kind.width] / 2 if section.kind.width else NOUGHT
    finished, lead = plan.finished.mm, plan.lead.mm
    folds = section.folds
    parts = lcm(*(value.denominator for value in (finished, lead, spacing, take / 2 if folds else take, half)))

    def whole(value: Fraction) -> int:
        return value.numerator * (parts // value.denominator)

    at, pitch, reach, taken, count = whole(lead), whole(spacing), whole(half), whole(take), plan.count
    turn = _turn(section, count, lead, spacing)
    hands = (Facing.RIGHT, Facing.LEFT) if section.facing is Facing.TO_CENTRE else (Facing.LEFT, Facing.RIGHT)
    pleats = []
    for index in range(count):
        hand = section.facing if turn is None else hands[index >= turn]
        pleats.append(Standing(index + 1, at, at - reach, at + reach, taken, hand))
        at += pitch
    if folds and section.lead.fold:
        pleats[0] = _halved(pleats[0], 1)
    if folds and section.tail.fold:
        pleats[-1] = _halved(pleats[-1], -1)
    plain = [bool(end.width) and not section.closed for end in (section.lead, section.tail)]
    return Row(parts, whole(finished), pleats, plain[0], plain[1], section.closed)


def _halved(pleat: Standing, half: int) -> Standing:
    """Half of a pleat, where a fold line of the cloth cuts it."""
    left, right = (pleat.at, pleat.right) if half > 0 else (pleat.left, pleat.at)
    return pleat._replace(left=left, right=right, take=pleat.take // 2, half=half)


def _placed_row(plan: Plan) -> Row:
    """The row of placed pleats that `plan` describes."""
    section, values = plan.section, plan.values
    finished, shared = plan.finished.mm, values.get(Q.PER_PLEAT, NOUGHT)
    reach = values[section.kind.width] / 2 if section.kind.width else NOUGHT
    found = placed(section, finished)
    takes = [takes_of(one, shared) for one in found]
    parts = lcm(*(value.denominator for value in (finished, reach, *takes, *(one.at for one in found))))

    def whole(value: Fraction) -> int:
        return value.numerator * (parts // value.denominator)

    pleats = [
        Standing(
            number,
            whole(one.at),
            whole(one.at if one.half > 0 else one.at - reach),
            whole(one.at if one.half < 0 else one.at + reach),
            whole(take),
            one.facing,
            one.half,
        )
        for number, (one, take) in enumerate(zip(found, takes, strict=True), 1)
    ]
    return Row(parts, whole(finished), pleats, ring=section.closed, closes=closes_behind(section, found[0]))


def _turn(section: Section, count: int, lead: Fraction, spacing: Fraction) -> int | None:
    """How many pleats stand before the point where the facing turns; None where it does not."""
    if not section.mirrored:
        return None
    if section.mirror_at is None:
        return count // 2
    if not spacing:
        return int(lead < section.mirror_at.mm)
    return min(count, max(0, ceil((section.mirror_at.mm - lead) / spacing)))
