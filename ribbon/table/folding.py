"""The folding round: what to do with each pleat, and how it is pressed."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from itertools import groupby
from typing import NamedTuple

from ribbon.edge import EdgePlan
from ribbon.lengths import Length, Scribe
from ribbon.pleats import Quantity
from ribbon.readings import Mark
from ribbon.strip import LineKind, Walk

Q = Quantity


class Folded(NamedTuple):
    """One pleat to fold: its number, what to do with it, what is done to hold it, its pins, the stretch of flat cloth that it takes."""

    pleat: int
    says: str
    holds: str
    pins: int
    start: Length
    end: Length


class Press(NamedTuple):
    """How one fibre is pressed."""

    fibre: str
    says: str


PRESSING = (
    Press(
        "cotton or linen",
        "Hot iron and steam, through a cloth; it holds its folds. Lift the iron, do not slide it. Iron and steam scald.",
    ),
    Press("wool", "Warm iron and a damp cloth, then leave each fold to dry where it lies, or it opens again."),
    Press(
        "silk or satin",
        "Cool iron on the wrong side through a dry cloth: it scorches and water marks it. Try a scrap first.",
    ),
    Press(
        "synthetic",
        "Cool iron through a cloth: too hot and it melts. Once set its folds hold well, so check them before.",
    ),
)


def folding(whole: EdgePlan) -> list[Folded]:
    """What to do with each pleat in turn, from the start of the strip; empty for gathers, which are drawn up."""
    chalked = whole.marked
    walked, found = chalked.walked, []
    for number, group in groupby(chalked.marks, key=lambda mark: mark.pleat):
        own = list(group)
        if own[0].kind is LineKind.MATCH:
            continue
        says, holds, pins = _says(whole.edge.scribe, walked, own)
        found.append(Folded(number, says, holds, pins, walked.length(own[0].at), walked.length(own[-1].at)))
    return found


_PINNED = "At the top and at the hem alike; pin both."
_SEWN = "Sew from the top to the foot of the heading, and back at both ends of the seam."
_STITCHED = "Small even stitches, the same on every row; leave the threads long."


def _says(scribe: Scribe, walked: Walk, own: Sequence[Mark]) -> tuple[str, str, int]:
    """(what to do with a pleat, what holds it, how many pins)."""

    def at(mark: Mark) -> str:
        return scribe.write(walked.length(mark.at)).text

    by_kind: dict[LineKind, list[Mark]] = {}
    for mark in own:
        by_kind.setdefault(mark.kind, []).append(mark)
    sewn = by_kind.get(LineKind.SEW, [])
    outer, placement = by_kind.get(LineKind.OUTER, []), by_kind.get(LineKind.PLACEMENT, [])
    if LineKind.STITCH in by_kind:
        points = " and ".join(at(m) for m in own)
        return f"Needle through the stitch points at {points}, on every row, straight below one another.", _STITCHED, 0
    if len(sewn) > 1:
        both = f"{at(sewn[0])} and {at(sewn[-1])}"
        return (
            f"Bring the sew lines at {both} together, right side out, and sew down the line; then dress it.",
            _SEWN,
            0,
        )
    if LineKind.CENTRE in by_kind and outer:
        return _to_the_middle(at, by_kind), _PINNED, 2
    if len(outer) == 2:
        return (
            f"Crease at {at(outer[0])} and {at(outer[1])}; bring the left fold left to the line at {at(placement[0])} "
            f"and the right fold right to the line at {at(placement[-1])}.",
            _PINNED,
            2,
        )
    if outer and placement:
        hand = "right" if placement[0].at > outer[0].at else "left"
        says = (
            f"Crease at {at(outer[0])} and bring the fold to the {hand}, on the placement line at {at(placement[0])}."
        )
        return says, _PINNED, 2
    if outer:
        return f"Crease at {at(outer[0])}; its placement line lies beyond the seam, where the ring closes.", _PINNED, 2
    return "Fold by its marks, in their order, once the ring is closed.", _PINNED, 2


def _to_the_middle(say: Callable[[Mark], str], by_kind: dict[LineKind, list[Mark]]) -> str:
    middle, outer = by_kind[LineKind.CENTRE][0], by_kind[LineKind.OUTER]
    both = " and ".join(say(mark) for mark in outer)
    if by_kind.get(LineKind.PLACEMENT):
        return (
            f"Crease at {both} and bring the fold outwards to the placement line, half of the pleat on the fold line."
        )
    if len(outer) > 1:
        return f"Crease at {both} and bring both outer folds to the centre line at {say(middle)}, one from each side."
    return f"Crease at {both} and bring the outer fold to the centre line at {say(middle)}."
