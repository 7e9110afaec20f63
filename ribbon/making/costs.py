"""What a thing costs beside what a shop asked for the same."""

from __future__ import annotations

from ribbon.cloth import money
from ribbon.fraction import Fraction
from ribbon.making.asked import Given


def shop_says(given: Given, cost: Fraction | None) -> str:
    """What a shop asked beside what this costs; empty where either is not known."""
    shop = given.ratio("shop") if "shop" in given.fields else None
    if shop is None or cost is None:
        return ""
    less, sign = shop - cost, given.sign
    beside = f"{money(less, sign)} less" if less > 0 else f"{money(-less, sign)} more" if less else "as much"
    return f"A shop asked {money(shop, sign)}; cloth and notions cost {money(cost, sign)}, {beside}."
