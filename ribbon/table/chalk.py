"""The chalk list: where each mark is measured to, from whichever end and on whichever side one chalks."""

from __future__ import annotations

from collections.abc import Sequence
from enum import StrEnum
from typing import NamedTuple

from ribbon.edge import pleats_say
from ribbon.lengths import Length, Scribe
from ribbon.readings import Mark
from ribbon.strip import LineKind, Walk


class From(StrEnum):
    """Where the tape's nought lies."""

    START = "start"
    END = "end"
    MIDDLE = "middle"


class Chalk(NamedTuple):
    """One mark to chalk: its distance along the tape, to the left or the right of the middle where that is nought, its kind and pleat.

    `first` tells the first mark of each pleat as it is met, which is drawn bolder.  A match point has its place `on` what
    the edge is sewn to as well, measured from the same end.
    """

    at: Length
    hand: str
    kind: LineKind
    pleat: int
    first: bool
    on: Length | None = None


def chalk_list(found: list[Mark], walked: Walk, nought: From, *, wrong_side: bool) -> list[Chalk]:
    """Every mark that is chalked, in the order in which it is met along the tape.

    From the start is from the start and from the end from the end, whichever side is up: turned over, the start lies to
    the other hand, and the same figures run the other way.  From the middle those to the left of whoever chalks come
    first, outwards, then those to the right.
    """
    whole = walked.flat[-1]
    chalked = [mark for mark in found if mark.chalked]
    if nought is From.END:
        met = [(whole - mark.at, "", mark) for mark in reversed(chalked)]
    elif nought is From.START:
        met = [(mark.at, "", mark) for mark in chalked]
    else:
        before = [(whole - 2 * mark.at, mark) for mark in reversed(chalked) if 2 * mark.at < whole]
        behind = [(2 * mark.at - whole, mark) for mark in chalked if 2 * mark.at >= whole]
        left, right = (behind, before) if wrong_side else (before, behind)
        met = [*((at, "left", mark) for at, mark in left), *((at, "right", mark) for at, mark in right)]
    halves = 2 if nought is From.MIDDLE else 1
    sewn_to = dict(zip(walked.flat, walked.x, strict=True))

    def on(mark: Mark) -> Length | None:
        if mark.kind is not LineKind.MATCH:
            return None
        along, full = sewn_to[mark.at] - walked.x[0], walked.x[-1] - walked.x[0]
        from_nought = {From.START: along, From.END: full - along, From.MIDDLE: abs(2 * along - full)}[nought]
        return walked.length(from_nought) / halves

    listed: list[Chalk] = []
    for at, hand, mark in met:
        first = not listed or listed[-1].pleat != mark.pleat or listed[-1].hand != hand
        listed.append(Chalk(walked.length(at) / halves, hand, mark.kind, mark.pleat, first, on(mark)))
    return listed


def nought_says(nought: From, *, wrong_side: bool, start: Length, end: Length, scribe: Scribe) -> str:
    """What nought is, how far it lies from the cut edge, and to which hand the list runs.

    `start` and `end` are the allowances there.
    """
    up = "the wrong side up" if wrong_side else "the right side up"
    if nought is From.MIDDLE:
        hand = "right" if wrong_side else "left"
        return (
            f"Nought is the middle of the flat width; with {up} the start lies to your {hand}. "
            "First outwards to the left, then to the right."
        )
    at_start = nought is From.START
    name, allowance = ("start", start) if at_start else ("end", end)
    hand, runs = ("left", "right") if at_start != wrong_side else ("right", "left")
    edge = f", {scribe.write(allowance).text} from the cut edge" if allowance else ", which is the cut edge"
    return f"Nought is the stitching line at the {name}{edge}; with {up} it lies to your {hand}, and the list runs to the {runs}."


def found_by_folding(found: Sequence[Mark]) -> str:
    """Which inner folds come between two divisions of the tape and are not chalked; empty where none do."""
    pleats = sorted({mark.pleat for mark in found if not mark.chalked})
    if not pleats:
        return ""
    folds, come = ("inner folds", "come") if len(pleats) > 1 else ("inner fold", "comes")
    return f"The {folds} of {pleats_say(pleats)} {come} between two divisions: not chalked, found by folding."


def called(found: Sequence[Mark]) -> str:
    """What the groups of marks are called: pleats, or the match points of gathers."""
    return "point" if found and all(mark.kind is LineKind.MATCH for mark in found) else "pleat"
