"""How a plan was reckoned: each equation in words, then with the sewist's own numbers in it."""

from __future__ import annotations

from typing import NamedTuple

from ribbon.edge import Plan
from ribbon.pleats import Quantity
from ribbon.pleats.relation import NOUGHT
from ribbon.solve.equations import REST


class Reckoned(NamedTuple):
    """One line of the reckoning: what it found, the equation in words, and the same in numbers."""

    found: str
    words: str
    numbers: str


def explanation(plan: Plan) -> list[Reckoned]:
    """The lines of the reckoning, in the order in which things became known."""
    words = {name.value: name.word for name in Quantity} | {REST: "what is left over"}
    rest = plan.values.get(REST)
    numbers = {
        name.value: plan.section.say(name, plan.values[name]) for name in Quantity if plan.values.get(name) is not None
    } | {REST: plan.section.fine.write_mm(rest or NOUGHT).text}
    found = []
    for step in plan.steps:
        if step.quantity != REST:
            formula = step.relation.words(rest=bool(rest))
            found.append(Reckoned(words[step.quantity], formula.format_map(words), formula.format_map(numbers)))
    return found
