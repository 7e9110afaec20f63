"""The sizes that a plan came to, and what is said of how."""

from __future__ import annotations

from fractions import Fraction
from typing import Any

from ribbon.errors import Refusal
from ribbon.explain import explanation
from ribbon.lengths import Length, typed_number, write_ratio
from ribbon.pins import Choice, Plan, choices, strip
from ribbon.pleats import Quantity
from ribbon.slip import gave_says
from ribbon.strip import walk
from server.plans.drawn import Writer
from server.plans.joining import Cut, lying_for

Q = Quantity

_MOST_JOINED = 600  # pleats; of more it is not told what cloth each neighbouring count takes
_SIZES = tuple(name.value for name in (Q.SPACING, Q.DEPTH, Q.PER_PLEAT, Q.BOX, Q.GAP, Q.OPENING))


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


def _cloth(plan: Plan, cut: Cut) -> tuple[int | None, str | None]:
    """(how many widths a plan takes, what they cost), cut as its section says; None where that is not known."""
    laid = strip(plan)
    try:
        lies = lying_for(plan.section, laid, walk(laid), plan, cut)
    except Refusal:
        return None, None
    if lies is None:
        return None, None
    paid = cut.bolt.cost(cut.bolt.bought(lies.taken.length)) if lies.taken and cut.bolt else None
    return len(lies.joined.widths), f"{float(paid):.2f}" if paid is not None else None


def _choice(writer: Writer, choice: Choice, cut: Cut) -> dict[str, Any]:
    plan = choice.plan
    widths, cost = _cloth(plan, cut) if plan.pleats <= _MOST_JOINED else (None, None)
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
        **{name: writer.sized(plan.values.get(name)) for name in _SIZES},
    }


def _typed(plan: Plan, writer: Writer) -> dict[str, str]:
    """Every quantity as it is typed."""
    found = {}
    for name in Q:
        value = plan.values.get(name)
        if value is not None:
            found[name.value] = writer.typed(Length(value)) if name.is_length else typed_number(value)
    return found


def sizes_of(plan: Plan, writer: Writer, cut: Cut | None = None) -> dict[str, Any]:
    """What the pins of a plan came to: every size, what gave, what was assumed, the neighbours, the reckoning."""
    return {
        "count": number(plan.pleats),
        "spaces": number(plan.spaces),
        "fullness": ratio(plan.fullness),
        "pleated_fullness": ratio(plan.values[Q.FULLNESS]),
        **{name: writer.sized(plan.values.get(name)) for name in _SIZES},
        "gave": [_gave(plan, gave) for gave in plan.gave],
        "assumed": [_assumed(plan, assumed) for assumed in plan.assumed],
        "typed": _typed(plan, writer),
        "loose": [name.value for name, pin in plan.section.pins.items() if not pin.firm],
        "choices": [_choice(writer, choice, cut or Cut()) for choice in choices(plan)],
        "explain": [line._asdict() for line in explanation(plan)],
    }
