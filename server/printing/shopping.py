"""What is bought for a whole work, as its papers list it."""

from __future__ import annotations

from ribbon.cloth import money
from server.cutting.cut import Plans, wanted


def shopping(cut: Plans) -> list[tuple[str, str, str]]:
    """(what, how much, its cost where that is known) of every cloth that is bought, then of what is bought beside it."""
    return [
        *(
            (plan.title, plan.asks(cut.unit), money(plan.bought.cost, plan.bolt.sign) or "")
            for plan in cut.made.plans
            if plan.bought.asked
        ),
        *((one["name"], one["much"], one["cost"] or "") for one in wanted(cut)),
    ]
