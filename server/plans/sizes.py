"""The sizes that a plan came to, and what is said of how."""

from __future__ import annotations

from fractions import Fraction
from typing import Any

from ribbon.cloth import Bolt, Drop, drop_on, widths_for
from ribbon.explain import explanation
from ribbon.lengths import write_ratio
from ribbon.pins import Choice, Plan, choices
from ribbon.pleats import Quantity
from ribbon.slip import gave_says
from server.plans.drawn import Writer

Q = Quantity

_SIZES = (Q.SPACING, Q.DEPTH, Q.PER_PLEAT, Q.BOX, Q.GAP, Q.OPENING)


def number(value: Fraction) -> int | float:
    """A pure number as JSON has it, whole where it is."""
    return value.numerator if value.denominator == 1 else float(value)


def ratio(value: Fraction) -> dict[str, Any]:
    """A ratio, written and as a number."""
    return {"text": write_ratio(value).text, "value": float(value)}


def _gave(plan: Plan, gave: Any) -> dict[str, Any]:
    say = plan.section.say
    return {
        "quantity": gave.quantity.value,
        "from": say(gave.quantity, gave.asked),
        "to": say(gave.quantity, gave.became),
        "why": gave.why,
        "says": gave_says(plan, gave),
    }


def _assumed(plan: Plan, assumed: Any) -> dict[str, Any]:
    value = plan.section.say(Q(assumed.quantity), assumed.value) if assumed.value is not None else ""
    return {"quantity": str(assumed.quantity), "value": value, "why": assumed.why}


def _choice(writer: Writer, choice: Choice, bolt: Bolt | None, drop: Drop | None) -> dict[str, Any]:
    plan = choice.plan
    widths, cost = None, None
    if bolt is not None:
        allowed = plan.section.allowance
        widths = widths_for(bolt, plan.flat, allowed.start + allowed.end, allowed.join) or None
        if drop is not None and widths is not None:
            paid = bolt.cost(bolt.bought(drop_on(bolt, drop) * widths + bolt.along))
            cost = f"{float(paid):.2f}" if paid is not None else None
    return {
        "count": number(plan.pleats),
        "why": choice.why,
        "spaces": number(plan.spaces),
        "finished": writer.size(plan.finished),
        "flat": writer.size(plan.flat),
        "fullness": ratio(plan.fullness),
        "widths": widths,
        "cost": cost,
        "lead": writer.size(plan.lead),
        **{name.value: writer.size(plan.length(name)) for name in _SIZES},
    }


def sizes_of(plan: Plan, writer: Writer, bolt: Bolt | None = None, drop: Drop | None = None) -> dict[str, Any]:
    """What the pins of a plan came to: every size, what gave, what was assumed, the neighbours, the reckoning."""
    return {
        "count": number(plan.pleats),
        "spaces": number(plan.spaces),
        "fullness": ratio(plan.fullness),
        "pleated_fullness": ratio(plan.values[Q.FULLNESS]),
        **{name.value: writer.size(plan.length(name)) for name in _SIZES},
        "gave": [_gave(plan, gave) for gave in plan.gave],
        "assumed": [_assumed(plan, assumed) for assumed in plan.assumed],
        "choices": [_choice(writer, choice, bolt, drop) for choice in choices(plan)],
        "explain": [line._asdict() for line in explanation(plan)],
    }
