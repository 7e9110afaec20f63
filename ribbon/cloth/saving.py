"""Small changes that save cloth, or bring its repeat to the same place in every pleat."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace
from typing import NamedTuple

from ribbon.cloth.stripes import Fit, to_repeat
from ribbon.edge import Plan, plan
from ribbon.errors import Refusal
from ribbon.facts import Pin, Section
from ribbon.fraction import Fraction
from ribbon.lengths import Length, typed, typed_number
from ribbon.offers import Change, Fact
from ribbon.pleats import Quantity

Q = Quantity


class Saving(NamedTuple):
    """A small change that saves widths of cloth: what changes, to what, and what it saves."""

    quantity: Quantity
    value: Fraction
    saves: int
    widths: int
    flat: Length

    def change(self, made: Plan) -> Change:
        """The change of the section of `made` that saves them."""
        section = made.section
        value = section.say(self.quantity, self.value)
        verb = f"{value} {'pleat' if value == '1' else 'pleats'}" if self.quantity is Q.COUNT else f"a depth of {value}"
        saved = "one width" if self.saves == 1 else f"{self.saves} widths"
        says = f"With {verb}, {saved} of cloth less: {section.scribe.write(self.flat).text} flat."
        if self.quantity is Q.COUNT:
            return Change.of(says, {f"pins.{Q.COUNT}": typed_number(self.value)})
        return Change.of(says, {**_deep(section, Length(self.value)), f"pins.{Q.COUNT}": typed_number(made.pleats)})


_FOLLOW = (Q.FLAT, Q.FULLNESS, Q.PER_PLEAT)  # what follows from the depth of so many pleats


def _deep(section: Section, depth: Length) -> dict[str, Fact]:
    """The facts that make pleats so deep, whatever that does to the cloth."""
    return {f"pins.{Q.DEPTH}": typed(depth, section.unit), "meet": False, **{f"pins.{name}": None for name in _FOLLOW}}


def savings(
    made: Plan, widths: Callable[[Plan], int], tape: Length, *, most: Fraction = Fraction(15, 100)
) -> list[Saving]:
    """Small changes of count or depth that would save a width or more.

    `widths` tells how many a plan takes.  The count changes by up to two, the depth by up to `most` of itself, by
    whole divisions of the tape; the first depth that saves is offered.
    """
    now = widths(made)
    found: list[Saving] = []
    if now <= 1 or not made.section.kind.folded or made.section.places:
        return found
    step = 2 if made.section.mirrored else 1
    for change in (-step, step, -2 * step, 2 * step):
        other = _tried(made.section, {Q.COUNT: made.pleats + change}, ())
        if other is not None and widths(other) < now:
            found.append(Saving(Q.COUNT, other.pleats, now - widths(other), widths(other), other.flat))
            break
    depth = made.values.get(Q.DEPTH)
    if depth is not None:
        divisions = int(depth * most / tape.mm)
        for index in range(1, min(divisions, 40) + 1):
            shallower = ((depth / tape.mm).__ceil__() - index) * tape.mm
            other = _tried(made.section, {Q.DEPTH: shallower, Q.COUNT: made.pleats}, _FOLLOW)
            if other is not None and widths(other) < now:
                found.append(Saving(Q.DEPTH, shallower, now - widths(other), widths(other), other.flat))
                break
    return found


def _tried(section: Section, pins: dict[Quantity, Fraction], without: tuple[Quantity, ...]) -> Plan | None:
    kept = {q: pin for q, pin in section.pins.items() if q not in without}
    if Q.DEPTH in pins:
        section = replace(section, meet=False)
    try:
        return plan(replace(section, pins={**kept, **{q: Pin(value) for q, value in pins.items()}}))
    except Refusal:
        return None


def deepened(made: Plan, depth: Length) -> Plan | None:
    """`made` with its pleats `depth` deep, as many of them and as far apart; None where that cannot be.

    Its own facts settle the count where they can; else the count is pinned.
    """
    for count in ({}, {Q.COUNT: made.pleats}):
        other = _tried(made.section, {Q.DEPTH: depth.mm, **count}, _FOLLOW)
        if other and (other.pleats, other.values[Q.SPACING]) == (made.pleats, made.values[Q.SPACING]):
            return other
    return None


class Repeated(NamedTuple):
    """Pleats to the repeat, and the change that makes them so."""

    fit: Fit
    change: Change


def repeated(made: Plan, repeat: Length, can_be: Callable[[Plan], bool]) -> list[Repeated]:
    """The depths at which every pleat shows the same part of the `repeat`; those whose plan `can_be` cut alone."""
    section, spacing = made.section, made.values.get(Q.SPACING)
    if not repeat or spacing is None or Q.DEPTH not in section.kind.quantities:
        return []
    found = []
    for fit in to_repeat(repeat, Length(spacing), section.kind.take_up_per_depth):
        other = deepened(made, fit.depth)
        if other is None or not can_be(other):
            continue  # what else is pinned leaves no room for pleats so deep, or the cloth cannot be joined for them
        facts = _deep(section, fit.depth)
        if Q.COUNT in other.section.pins:
            facts[f"pins.{Q.COUNT}"] = typed_number(made.pleats)
        times = "repeat" if fit.repeats == 1 else "repeats"
        says = f"{fit.repeats} {times} to a pleat: {section.fine.write(fit.depth).text} deep"
        found.append(Repeated(fit, Change.of(says, facts)))
    return found
