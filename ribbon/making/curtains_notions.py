"""What curtains want beside their cloth, all the panels of a window together."""

from __future__ import annotations

from collections.abc import Sequence
from math import ceil

from ribbon.cloth import Notion, totals
from ribbon.lengths import ZERO, Length
from ribbon.making.asked import Given
from ribbon.making.panels import Panel
from ribbon.making.thing import Priced, Solved

_A_HAND = Length.cm(8)


def hung_by(given: Given) -> str:
    """What the panels hang by: rings of a pole, else hooks."""
    return "rings" if given.word("hangs") == "ring" else "hooks"


def hooks_of(one: Solved) -> int:
    """The hooks of a panel: one to a pleat and one at each end; along gathers one every hand."""
    if one.whole.count:
        return one.whole.count + 2
    return ceil(one.whole.finished / _A_HAND) + 1


def hung_notions(given: Given, found: Sequence[Notion], panels: Sequence[Solved]) -> list[Notion]:
    """What panels want to hang by, whatever their heading is made of, and their thread."""
    own = [Notion(hung_by(given), sum(map(hooks_of, panels)), None)] if panels else []
    flat = sum((one.whole.flat for one in panels), ZERO)
    own += [Notion("stiffener or heading tape", None, flat)] if panels else []
    return totals([*own, *(one for one in found if one.name == "thread")])


def corner_weights(given: Given, panels: Sequence[Panel]) -> list[Notion]:
    """A weight for each lower corner."""
    return [Notion("weights for the hem’s corners", 2 * len(panels), None)]


def priced(given: Given, one: Notion, windows: int) -> Priced:
    """A notion for all windows alike, with its price where that was said."""
    notion = one.times(windows)
    count, length = notion.count, notion.length
    per = Length.inches(36) if given.imperial else Length.cm(100)
    cost = None
    hook, tape, thread = (given.ratio(name) for name in ("price_hook", "price_tape", "price_thread"))
    if one.name == hung_by(given) and hook is not None and count is not None:
        cost = hook * count
    elif "tape" in one.name and tape is not None and length is not None:
        cost = tape * (length / per)
    elif one.name == "thread" and thread is not None:
        cost = thread
    return Priced(notion, cost)
