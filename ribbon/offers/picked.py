"""A neighbouring count picked: the facts under which its plan is the plan."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import replace

from ribbon.edge.plan import Plan, plan
from ribbon.errors import Refusal
from ribbon.facts.section import Pin, Section
from ribbon.fraction import Fraction
from ribbon.lengths import Length, typed, typed_number, write_ratio
from ribbon.offers.change import Change, Fact, LooseFact
from ribbon.pleats import Quantity
from ribbon.pleats.relation import MEET

Q = Quantity


def picked(chosen: Plan, count: Fraction) -> Change:
    """The change after which the plan of the section of `chosen` is the one offered for `count` pleats."""
    before, after = chosen.section, picked_section(chosen, count)
    facts: dict[str, Fact] = {
        f"pins.{name}": _typed(after, name)
        for name in Q
        if name in before.pins.keys() | after.pins.keys() and after.pins.get(name) != before.pins.get(name)
    }
    if after.meet != before.meet:
        facts["meet"] = after.meet
    return Change.of(f"Make it {write_ratio(count).text} pleats", facts)


def _typed(section: Section, name: Quantity) -> Fact:
    """A pin as it is typed, None where there is none."""
    pin = section.pins.get(name)
    if pin is None:
        return None
    text = typed(Length(pin.value), section.unit) if name.is_length else typed_number(pin.value)
    return text if pin.firm else LooseFact(text)


def picked_section(chosen: Plan, count: Fraction) -> Section:
    """The section of `chosen` with its facts changed so that its plan is the one offered for `count` pleats.

    The count is pinned.  A firm pin that gave way to it is about from now on, and what was assumed is a fact, but no
    more of that than it takes.  Raises `Refusal` where that many pleats cannot be.
    """
    offered = chosen if count == chosen.pleats else plan(chosen.section, count, chosen.solution)
    last = chosen.section
    for last in _ways(chosen.section, offered, count):
        try:
            if plan(last).values == offered.values:
                return last
        except Refusal:
            continue
    return last


def _ways(section: Section, offered: Plan, count: Fraction) -> Iterable[Section]:
    """From the least change to the most: the last pins every size as it was offered."""
    firm = {**section.pins, Q.COUNT: Pin(count)}
    yield replace(section, pins=firm)
    gave = {one.quantity for one in offered.gave} - {Q.COUNT}
    loose = {name: pin._replace(firm=False) if name in gave else pin for name, pin in firm.items()}
    yield replace(section, pins=loose)
    meet, took = section.meet, dict[Quantity, Pin]()
    for one in offered.assumed:
        if one.quantity == MEET:
            meet = True
        elif one.value is not None:
            took[Q(one.quantity)] = Pin(one.value, one.quantity == section.kind.hole)
    yield replace(section, pins={**took, **loose}, meet=meet)
    yield replace(section, pins={**took, **{name: pin for name, pin in firm.items() if name not in gave}}, meet=meet)
    sizes = section.kind.quantities - {Q.FLAT, Q.FULLNESS, Q.COUNT}
    every = {name: Pin(offered.values[name]) for name in Q if name in sizes and name in offered.values}
    yield replace(section, pins={**every, Q.COUNT: Pin(count)}, meet=False)
