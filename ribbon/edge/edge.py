"""An edge planned: the plan of each of its stretches, and what is read of the whole, each reading taken once."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field, replace
from functools import cached_property
from typing import Any, NamedTuple

from ribbon.edge.corrected import as_marked
from ribbon.edge.gathered import Gathered, gathered
from ribbon.edge.inserted import Inserted, inserted
from ribbon.edge.plan import Plan, plan
from ribbon.edge.rounding import Begun, on_division
from ribbon.edge.taped import Taped, taped
from ribbon.edge.tapered import Tapered, tapered
from ribbon.edge.widths import widths
from ribbon.errors import Problem, Refusal, refuse
from ribbon.facts.edge import Edge
from ribbon.facts.section import Pin, Section
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length
from ribbon.lengths.reading import MOST_PLEATS
from ribbon.pleats import Quantity
from ribbon.readings import Mark, Showing, Spread, Stack, Thick, front, layers, marks, spread, stack, thickest
from ribbon.strip import Role, Span, Strip, Walk, join, walk

Q = Quantity


class PlannedStretch(NamedTuple):
    """A stretch planned: where it begins on the finished edge and on the flat cloth, its widths, its plan (None for plain).

    `path` is where its facts stand below those of the edge.
    """

    start: Length
    finished: Length
    flat_start: Length
    flat: Length
    plan: Plan | None
    path: str = ""


class TapedEdge(NamedTuple):
    """An edge with its marks on the tape: the whole strip, and what each stretch became.

    That is None for plain stretches, and for pleats that the tape is too coarse for.
    """

    strip: Strip
    finished: Length
    stretches: tuple[Taped | None, ...]

    @property
    def naive_error(self) -> Length:
        """The cloth that would be short (below nought: over) had one rounded pleat been repeated instead."""
        return sum((one.naive_error for one in self.stretches if one), ZERO)

    @property
    def groups(self) -> list[tuple[int, Length]]:
        """How many pleats there are of each depth, stretch by stretch, deepest first."""
        return [group for one in self.stretches if one for group in one.groups]


class Marked(NamedTuple):
    """An edge as it is chalked: its strip, the walk of that, its marks, and the tape that they are on (None: exact)."""

    strip: Strip
    walked: Walk
    marks: list[Mark]
    tape: Length | None


@dataclass(frozen=True)
class EdgePlan:
    """What an edge comes to.  Whatever is read of it is reckoned when it is first asked for, and once."""

    edge: Edge
    stretches: tuple[PlannedStretch, ...]
    finished: Length
    flat: Length
    known: dict[Any, Any] = field(default_factory=dict, init=False, compare=False, repr=False)
    """Readings of it on its cloth that have been taken, so that none is taken twice."""

    @property
    def only(self) -> Plan | None:
        """The plan of an edge that is one stretch from end to end; None of one that has parts."""
        return self.stretches[0].plan if self.edge.only is not None else None

    @property
    def pleats(self) -> Fraction:
        """How many pleats stand along it, halves counted as halves."""
        return sum((one.plan.pleats for one in self.stretches if one.plan), Fraction(0))

    @property
    def count(self) -> int:
        """How many pleats stand along it, whole or half."""
        return sum(one.plan.count for one in self.stretches if one.plan and one.plan.section.kind.folded)

    def named(self) -> Iterator[tuple[str, PlannedStretch]]:
        """Each stretch with what it is called: nothing where it is the whole edge, else its number."""
        for number, one in enumerate(self.stretches, 1):
            yield ("" if self.only else f"Part {number}"), one

    @cached_property
    def strip(self) -> Strip:
        """The strip, with exact marks."""
        return _joined([one.plan.strip if one.plan else _plain(one.finished) for one in self.stretches])

    @cached_property
    def walked(self) -> Walk:
        """The walk of its strip."""
        return self.only.walked if self.only else walk(self.strip)

    @property
    def spread(self) -> Spread:
        """Its strip spread flat, as joins look at it."""
        return self.only.spread if self.only else spread(self.strip, self.walked)

    @property
    def stacked(self) -> Stack:
        """What lies over what."""
        return stack(self.walked)

    @cached_property
    def showing(self) -> list[Showing]:
        """What shows of it from the front."""
        return front(self.walked, self.stacked)

    @cached_property
    def thick(self) -> list[Thick]:
        """How many layers lie at each place."""
        return layers(self.walked, self.stacked)

    @cached_property
    def thickest(self) -> Thick:
        """The stretch where most layers lie."""
        return thickest(self.thick)

    @cached_property
    def on_tape(self) -> TapedEdge | None:
        """It with its marks on its tape; None without a tape, or where that is too coarse for all of it."""
        if self.edge.tape is None:
            return None
        found = taped_edge(self, self.edge.tape)
        return None if self.only and found.stretches == (None,) else found

    @cached_property
    def marked(self) -> Marked:
        """It as it is chalked: on the tape where there is one and it is fine enough, its corrections in it."""
        on_tape = self.on_tape
        if on_tape is not None:
            tape, laid = self.edge.tape, on_tape.strip
            walked = walk(laid, tape)
        else:
            tape, laid = None, _joined([as_marked(s.plan) if s.plan else _plain(s.finished) for s in self.stretches])
            walked = self.walked if laid is self.strip else walk(laid)
        return Marked(laid, walked, marks(laid, walked, tape), tape)

    @cached_property
    def upper(self) -> Tapered | None:
        """Its upper level, exactly; None where it has none.  Raises `Refusal`."""
        return tapered(self.only) if self.only else None

    @cached_property
    def upper_on_tape(self) -> Tapered | None:
        """The same with its marks on the tape, where there is one."""
        tape = self.edge.tape
        return tapered(self.only, tape) if self.only and tape is not None else self.upper

    @cached_property
    def piece(self) -> Inserted | None:
        """The pattern piece that its pleats are let into, None where there is none."""
        return inserted(self.only, self.upper) if self.only else None

    @cached_property
    def gathered(self) -> Gathered | None:
        """Match points and threads of an edge that is gathered from end to end; None of others."""
        return gathered(self.only) if self.only else None


def edge_plan(edge: Edge | Section) -> EdgePlan:
    """The plan of an edge; without a finished width of the whole, the widths of its stretches add up to it.

    Raises `Refusal`: shares and widths do not fit the edge, or a stretch cannot be made, each problem by its path.
    """
    if isinstance(edge, Section):
        edge = Edge.of(edge)
    shares = widths(edge)
    plans: list[Plan | None] = []
    problems: list[Problem] = []
    for one, width in zip(edge.stretches, shares, strict=True):
        section = one.section
        if section is not None and width is not None:
            section = replace(section, pins={**section.pins, Q.FINISHED: Pin(width.mm)})
        try:
            plans.append(plan(section) if section is not None else None)
        except Refusal as refusal:
            plans.append(None)
            problems += [_at(problem, one.path) for problem in refusal.problems]
    if problems:
        raise Refusal(problems)
    return _placed(edge, plans, shares)


def edge_of(made: Plan) -> EdgePlan:
    """The edge that is one plan from end to end."""
    return _placed(Edge.of(made.section), [made], [made.finished])


def _placed(edge: Edge, plans: Sequence[Plan | None], shares: Sequence[Length | None]) -> EdgePlan:
    found: list[PlannedStretch] = []
    at = flat_at = ZERO
    for one, made, width in zip(edge.stretches, plans, shares, strict=True):
        wide = made.finished if made else width or ZERO
        flat = made.flat if made else wide
        found.append(PlannedStretch(at, wide, flat_at, flat, made, one.path))
        at, flat_at = at + wide, flat_at + flat
    whole = EdgePlan(edge, tuple(found), at, flat_at)
    if whole.only is None and whole.pleats > MOST_PLEATS:
        raise refuse(
            "too_many",
            "parts",
            f"{int(whole.pleats)} pleats",
            f"the parts of this edge have {int(whole.pleats)} pleats together",
            f"use at most {MOST_PLEATS} along one edge",
        )
    return whole


def _at(problem: Problem, path: str) -> Problem:
    """A problem of a stretch by its path in the edge: a part is pinned by its width, and what is wrong with that stands there."""
    if not path:
        return problem
    if problem.path == f"pins.{Q.FINISHED}":
        way_out = f"make the part {problem.becomes} wide, or let another pin go" if problem.becomes else problem.way_out
        problem = replace(problem, path="width", way_out=way_out)
    return problem.under(path)


def taped_edge(whole: EdgePlan, tape: Length) -> TapedEdge:
    """The edge with its marks on `tape`, stretch by stretch, by one running total along the whole of it."""
    found: list[Taped | None] = []
    strips: list[Strip] = []
    begun = Begun()
    for one in whole.stretches:
        # Each stretch ends where its own end falls on the tape, the turn of its cloth in it.
        on_tape = taped(one.plan, tape, begun) if one.plan is not None else None
        exact = begun.finished + (on_tape.marked if on_tape else one.finished)
        end = begun.taped_finished + on_tape.straight if on_tape else on_division(exact, tape)
        if on_tape is not None:
            strips.append(on_tape.strip)
        else:
            wide = end - begun.taped_finished
            strips.append(_fitted(one.plan, wide) if one.plan is not None else _plain(wide))
        flat = on_tape.flat if on_tape else strips[-1].flat
        found.append(on_tape)
        begun = Begun(exact, end, begun.flat + one.flat, begun.taped_flat + flat)
    laid = _joined(strips)
    alone = found[0] if whole.only else None
    return TapedEdge(laid, alone.finished if alone else walk(laid).finished, tuple(found))


def _fitted(made: Plan, finished: Length) -> Strip:
    """Pleats too small for the tape, at exact places within a width that is on it."""
    pinned = {**made.section.pins, Q.FINISHED: Pin(finished.mm)}
    try:
        return plan(replace(made.section, pins=pinned)).strip
    except Refusal:
        return made.strip


def _plain(width: Length) -> Strip:
    return Strip((Span(width, Role.PLAIN),), (), ())


def _joined(strips: list[Strip]) -> Strip:
    return strips[0] if len(strips) == 1 else join(strips)
