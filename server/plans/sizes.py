"""The sizes that a plan came to, and what is said of how."""

from __future__ import annotations

from ribbon.cloth import Cutting, buy, money, plan_lying
from ribbon.edge import Plan
from ribbon.errors import Refusal
from ribbon.lengths import Length, typed_number
from ribbon.offers import Choice, choices
from ribbon.pleats import Quantity
from ribbon.says.reckoning import explanation
from ribbon.says.slip import gave_says
from ribbon.solve.solution import Assumed, Gave
from server.plans.out import AssumedOut, ChoiceOut, GaveOut, SizesOut, SolvedOut
from server.wire.told import Writer, number, told_ratio

Q = Quantity

_MOST_JOINED = 600  # pleats; of more it is not told what cloth each neighbouring count takes

NO_SIZES: SizesOut = {"spacing": None, "depth": None, "per_pleat": None, "box": None, "gap": None, "opening": None}


def _sizes(plan: Plan, writer: Writer) -> SizesOut:
    def size(quantity: Quantity) -> Length | None:
        return plan.length(quantity)

    return {
        "spacing": writer.size_or_none(size(Q.SPACING)),
        "depth": writer.size_or_none(size(Q.DEPTH)),
        "per_pleat": writer.size_or_none(size(Q.PER_PLEAT)),
        "box": writer.size_or_none(size(Q.BOX)),
        "gap": writer.size_or_none(size(Q.GAP)),
        "opening": writer.size_or_none(size(Q.OPENING)),
    }


def _gave(plan: Plan, gave: Gave) -> GaveOut:
    say = plan.section.say
    return {
        "quantity": gave.quantity.value,
        "from": say(gave.quantity, gave.asked),
        "to": say(gave.quantity, gave.became),
        "why": gave.why,
        "says": gave_says(plan, gave),
    }


def _assumed(plan: Plan, assumed: Assumed) -> AssumedOut:
    value = plan.section.say(Q(assumed.quantity), assumed.value) if assumed.value is not None else ""
    return {"quantity": str(assumed.quantity), "value": value, "why": assumed.why}


def _cloth(plan: Plan, cutting: Cutting) -> tuple[int | None, str | None]:
    """(how many widths a plan takes, what they cost), cut as its edge is; None where that is not known."""
    try:
        lies = plan_lying(plan, cutting)
    except Refusal:
        return None, None
    if lies is None:
        return None, None
    bolt = cutting.bolt
    # What is at hand is not paid for again, nor can a sheet be had by the metre.
    paid = buy(bolt, lies.taken.length).cost if lies.taken and bolt else None
    return len(lies.joined.widths), money(paid, bolt.sign if bolt else "")


def _choice(writer: Writer, choice: Choice, cutting: Cutting) -> ChoiceOut:
    plan = choice.plan
    widths, cost = _cloth(plan, cutting) if plan.pleats <= _MOST_JOINED else (None, None)
    return {
        "count": number(plan.pleats),
        "why": choice.why,
        "spaces": number(plan.spaces),
        "finished": writer.size(plan.finished),
        "flat": writer.size(plan.flat),
        "fullness": told_ratio(plan.fullness),
        "widths": widths,
        "cost": cost,
        "lead": writer.size(plan.lead),
        **_sizes(plan, writer),
    }


def _typed(plan: Plan, writer: Writer) -> dict[str, str]:
    """Every quantity as it is typed."""
    found = {}
    for name in Q:
        value = plan.values.get(name)
        if value is not None:
            found[name.value] = writer.typed(Length(value)) if name.is_length else typed_number(value)
    return found


def solved(plan: Plan, cutting: Cutting | None = None) -> SolvedOut:
    """What the pins of a plan came to: every size, what gave, what was assumed, the neighbours, the reckoning."""
    writer = Writer.of(plan)
    return {
        "count": number(plan.pleats),
        "spaces": number(plan.spaces),
        "fullness": told_ratio(plan.fullness),
        "pleated_fullness": told_ratio(plan.values[Q.FULLNESS]),
        **_sizes(plan, writer),
        "gave": [_gave(plan, gave) for gave in plan.gave],
        "assumed": [_assumed(plan, assumed) for assumed in plan.assumed],
        "typed": _typed(plan, writer),
        "loose": [name.value for name, pin in plan.section.pins.items() if not pin.firm],
        "choices": [_choice(writer, choice, cutting or Cutting()) for choice in choices(plan)],
        "explain": [{"found": line.found, "words": line.words, "numbers": line.numbers} for line in explanation(plan)],
    }
