"""What it takes to work an edge out, counted before it is done, and the most of it that is done at once."""

from __future__ import annotations

from ribbon.edge import EdgePlan, Plan
from ribbon.errors import Refusal, refuse
from ribbon.lengths import ZERO

_LINES, _LINES_OF_TWO = 3, 6  # the lines of a pleat that lies to one side, and of one that has two
# How many times as long each takes as a plain row of as many lines.
_TURN, _CORRECTION, _LEVEL, _STRIPES = 2.0, 0.4, 6.0, 5.0


def lines_of(made: Plan) -> int:
    """How many lines the strip of a plan has, or nearly."""
    kind = made.section.kind
    if not kind.folded:
        return 1
    return int(made.pleats) * (_LINES_OF_TWO if kind.halves or kind.fingers else _LINES)


def effort(whole: EdgePlan, *, stripes: int = 0) -> int:
    """The lines that an edge is worked out by, what is on the tape and corrected counted for as long as it takes.

    `stripes` are those of its cloth.
    """
    return int(sum(_of_stretch(one.plan, stripes, parted=bool(one.path)) for one in whole.stretches if one.plan))


def _of_stretch(made: Plan, stripes: int, *, parted: bool) -> float:
    section = made.section
    # A part of an edge is walked by itself and as a part of the whole.
    times = 1 + parted + _CORRECTION * len(section.corrections) + _STRIPES * bool(stripes)
    times += _TURN * (section.turn != ZERO) + _LEVEL * (section.taper is not None)
    return lines_of(made) * times


def too_much(most: int, took: int, what: str) -> Refusal:
    """What is said of an edge that takes more than is done at once; `what` is what was asked for."""
    least = max(1, most // _LINES)
    return refuse(
        "too_many",
        "pins.count",
        f"{took} lines",
        f"{what} is worked out for {most} lines at once, some {least} plain pleats, and this takes {took}",
        "make a shorter edge, fewer pleats, or wider spaces; or plan a part of it as a piece of its own",
    )
