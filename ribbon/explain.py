"""How a plan was reckoned: each equation in words, then with the sewist's own numbers in it (interface: pins)."""

from __future__ import annotations

from typing import NamedTuple

from ribbon.pins import Plan
from ribbon.pleats import Quantity


class Line(NamedTuple):
    """One line of the reckoning: what it found, the equation in words, and the same in numbers."""

    found: str
    words: str
    numbers: str


def explanation(plan: Plan) -> list[Line]:
    """The lines of the reckoning, in the order in which things became known."""
    words = {name.value: name.word for name in Quantity}
    numbers = {
        name.value: plan.section.say(name, plan.values[name]) for name in Quantity if plan.values.get(name) is not None
    }
    return [
        Line(words[step.quantity], step.relation.formula.format_map(words), step.relation.formula.format_map(numbers))
        for step in plan.steps
        if step.quantity in words
    ]
