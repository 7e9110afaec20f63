"""A plan: the sizes that solve a section, and the strip that they make."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from fractions import Fraction
from math import ceil, lcm

from ribbon.errors import Problem, Refusal
from ribbon.gathers import gathered_strip
from ribbon.lengths import ZERO, Length
from ribbon.pins.refusals import pins_that_cannot_be
from ribbon.pins.section import End, Remainder, Section
from ribbon.pins.solution import Assumed, Gave, Solution, Step
from ribbon.pins.solve import solve
from ribbon.pleats import Facing, Quantity, Row, Standing, strip_of
from ribbon.strip import Strip

Q = Quantity


@dataclass(frozen=True, slots=True)
class Plan:
    """What a section comes to.

    `values` holds every quantity by its name: lengths in exact millimetres, the count and the fullness as
    numbers.  `lead` and `tail` are the finished widths at its two ends, up to a reference line.
    """

    section: Section
    values: dict[str, Fraction]
    gave: tuple[Gave, ...]
    assumed: tuple[Assumed, ...]
    steps: tuple[Step, ...]
    lead: Length
    tail: Length

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
    def count(self) -> int:
        """The number of pleats; nought for gathers."""
        return int(self.values.get(Q.COUNT, Fraction(0)))

    @property
    def spaces(self) -> Fraction:
        """The number of spaces along the finished edge: N + 1, N or N - 1 by its ends (work, section 3)."""
        spacing = self.values.get(Q.SPACING)
        if not spacing:
            return Fraction(0)
        widths = sum((end.width.mm for end in (self.section.lead, self.section.tail) if end.width), Fraction(0))
        return (self.finished.mm - (Fraction(0) if self.section.closed else widths) - self.values["rest"]) / spacing

    @property
    def fullness(self) -> Fraction:
        """Fullness W / F of the whole edge (work, section 1)."""
        return self.flat / self.finished


def strip(plan: Plan) -> Strip:
    """The strip of `plan`, with exact marks."""
    if plan.section.kind.folded:
        return strip_of(plan.section.kind, row(plan))
    ends = plan.lead + plan.tail
    return gathered_strip(plan.lead, plan.finished - ends, plan.flat - ends, plan.tail)


def plan(section: Section, count: int | None = None, supposing: tuple[Assumed, ...] = ()) -> Plan:
    """The plan of `section`; with `count`, for that many pleats, `supposing` what another plan assumed.

    Raises `Refusal`, with every problem found, where the section cannot be made.
    """
    problems = pins_that_cannot_be(section)
    if problems:
        raise Refusal(problems)
    solution = solve(section, count, supposing)
    if section.kind.folded and solution.values[Q.COUNT] < 1:
        raise Refusal([_no_pleats(solution)])
    lead, tail = _ends(section, solution)
    problems = list(_impossible(section, solution, lead, tail))
    if problems:
        raise Refusal(problems)
    return Plan(section, solution.values, solution.gave, solution.assumed, solution.steps, lead, tail)


def _ends(section: Section, solution: Solution) -> tuple[Length, Length]:
    """The finished widths before the first pleat's reference line and after the last one's."""
    values, kind = solution.values, section.kind
    spacing = values.get(Q.SPACING, Fraction(0))
    if not kind.folded or kind.width is Q.SPACING:
        half = spacing / 2 if kind.folded else Fraction(0)
        ends = [
            (end.width.mm if end.width and not section.closed else Fraction(0)) + half
            for end in (section.lead, section.tail)
        ]
    elif section.closed:
        # A ring is opened at a placement line, or half way between two pleats where there are two hands to it.
        lead = Fraction(1, 2)
        if kind.faces and not section.mirrored:
            lead = Fraction(1) if section.facing is Facing.RIGHT else Fraction(0)
        ends = [spacing * lead, spacing * (1 - lead)]
    else:
        ends = [end.width.mm if end.width else end.times * spacing for end in (section.lead, section.tail)]
    share = {Remainder.LEAD: (1, 0), Remainder.TAIL: (0, 1)}.get(section.remainder, (Fraction(1, 2), Fraction(1, 2)))
    rest = values["rest"]
    return Length(ends[0] + rest * share[0]), Length(ends[1] + rest * share[1])


def row(plan: Plan, *also: Fraction) -> Row:
    """The row of even pleats that `plan` describes, with exact positions (work, section 3).

    Its parts are fine enough for every length in it, and for those in `also`.
    """
    section, values = plan.section, plan.values
    spacing, take = values.get(Q.SPACING, Fraction(0)), values[Q.PER_PLEAT]
    half = values[section.kind.width] / 2 if section.kind.width else Fraction(0)
    finished, lead = plan.finished.mm, plan.lead.mm
    parts = lcm(*(value.denominator for value in (finished, lead, spacing, take, half, *also)))

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
    plain = [bool(end.width) and not section.closed for end in (section.lead, section.tail)]
    return Row(parts, whole(finished), pleats, plain[0], plain[1])


def _turn(section: Section, count: int, lead: Fraction, spacing: Fraction) -> int | None:
    """How many pleats stand before the point where the facing turns; None where it does not."""
    if not section.mirrored:
        return None
    if section.mirror_at is None:
        return count // 2
    if not spacing:
        return int(lead < section.mirror_at.mm)
    return min(count, max(0, ceil((section.mirror_at.mm - lead) / spacing)))


def _no_pleats(solution: Solution) -> Problem:
    return Problem(
        "no_pleat",
        "pins",
        str(solution.values[Q.COUNT]),
        "not one pleat fits",
        "use a wider edge or a smaller pleat",
    )


def _impossible(section: Section, solution: Solution, lead: Length, tail: Length) -> Iterable[Problem]:
    """What cannot be cut or folded, each with the nearest that can."""
    values, kind = solution.values, section.kind
    finished, flat = values[Q.FINISHED], values[Q.FLAT]

    def blamed(*order: Quantity) -> tuple[str, str]:
        name = next((q for q in order if q in section.pins), None)
        return (f"pins.{name}", section.say(name, section.pins[name].value)) if name else ("pins", "")

    if finished <= 0:
        path, value = blamed(Q.FINISHED, Q.FLAT, Q.DEPTH, Q.PER_PLEAT, Q.COUNT)
        yield Problem(
            "no_width",
            path,
            value,
            "nothing is left for the finished width",
            "use more cloth, fewer pleats or shallower ones",
        )
        return
    if not kind.folded and lead + tail > ZERO and (lead + tail).mm >= finished:
        yield _all_ends(section, lead + tail)
        return
    spacing = values.get(Q.SPACING)
    if spacing is not None and spacing <= 0:
        path, value = blamed(Q.FINISHED, Q.COUNT, Q.SPACING)
        ends = lead.mm + tail.mm if not section.closed else Fraction(0)
        yield Problem(
            "no_space",
            path,
            value,
            f"the two ends take {section.say(Q.FINISHED, ends)} and leave no space for pleats",
            "widen the finished edge or take less at the ends",
        )
        return
    if flat <= finished:
        path, value = blamed(Q.FLAT, Q.FINISHED, Q.FULLNESS)
        yield Problem(
            "no_take_up",
            path,
            value,
            f"a flat width of {section.say(Q.FLAT, flat)} has nothing to fold into a finished width of {section.say(Q.FINISHED, finished)}",
            f"use more than {section.say(Q.FLAT, finished)} of cloth, or finish narrower than {section.say(Q.FINISHED, flat)}",
        )
        return
    if values["rest"] < 0 and min(lead.mm, tail.mm) < 0:
        whole = finished - values["rest"]
        path, value = blamed(Q.COUNT, Q.SPACING, Q.FINISHED)
        yield Problem(
            "too_wide",
            path,
            value,
            f"that many pleats at that spacing need {section.say(Q.FINISHED, whole)}, more than {section.say(Q.FINISHED, finished)}",
            "use fewer pleats or a closer spacing",
        )
        return
    if not kind.folded:
        return
    for name in (Q.BOX, Q.GAP, Q.OPENING):
        least = values.get(name, Fraction(1))
        if least < 0 or (name is Q.BOX and least == 0):
            path, value = blamed(Q.BOX, Q.GAP, Q.OPENING, Q.DEPTH, Q.SPACING, Q.COUNT)
            room = section.say(Q.SPACING, values[Q.SPACING])
            shared = "pleats this deep" if name is Q.OPENING else "box and gap"
            yield Problem(
                "no_room",
                path,
                value,
                f"{shared} share a spacing of {room}, which leaves the {name.word} nothing",
                "use shallower pleats, or a wider spacing" if name is Q.OPENING else f"use less than {room} for each",
            )
            return
    if kind.width is Q.OPENING and spacing is not None and values[Q.OPENING] >= spacing:
        path, value = blamed(Q.OPENING, Q.SPACING, Q.COUNT)
        yield Problem(
            "no_room",
            path,
            value,
            f"an opening of {section.say(Q.OPENING, values[Q.OPENING])} leaves no face in a spacing of {section.say(Q.SPACING, spacing)}",
            f"use an opening under {section.say(Q.SPACING, spacing)}",
        )
        return
    if kind.width:
        yield from _short_ends(
            section, values[kind.width] / 2, (("lead", section.lead, lead), ("tail", section.tail, tail))
        )
    if section.closed and not kind.upright:
        under = values[Q.DEPTH] * kind.take_up_per_depth / 2
        if under >= finished:
            path, value = blamed(Q.DEPTH, Q.PER_PLEAT, Q.FLAT, Q.FULLNESS)
            yield Problem(
                "ring_full",
                path,
                value,
                f"a depth of {section.say(Q.DEPTH, values[Q.DEPTH])} would go all the way round a ring of {section.say(Q.FINISHED, finished)}",
                f"keep the depth under {section.say(Q.DEPTH, finished * 2 / kind.take_up_per_depth)}",
            )


def _short_ends(section: Section, half: Fraction, ends: tuple[tuple[str, End, Length], ...]) -> Iterable[Problem]:
    for name, end, width in ends:
        if width.mm < half:
            said = section.scribe.write(end.width).text if end.width else str(end.times)
            yield Problem(
                "short_end",
                name,
                said,
                f"half a pleat reaches {section.scribe.write_mm(half).text} past its middle, and the {name} has only {section.scribe.write(width).text}",
                f"give the {name} at least {section.scribe.write_mm(half).text}",
            )


def _all_ends(section: Section, ends: Length) -> Problem:
    said = section.scribe.write(ends).text
    return Problem(
        "no_space",
        "lead",
        said,
        f"the two ends take {said} and leave nothing to gather",
        "widen the finished edge or take less at the ends",
    )
