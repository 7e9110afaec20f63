"""How near one pleat comes to the next behind the edge: clear of it, meeting it or over it."""

from __future__ import annotations

from itertools import pairwise

from ribbon.edge import Plan
from ribbon.fraction import Fraction
from ribbon.lengths import Length
from ribbon.pleats import Facing, Quantity, Standing

Q = Quantity


def clearances(plan: Plan) -> list[Length]:
    """What lies clear between the underlays of each pleat and the next, below nought where they overlap.

    Behind a box its own two underlays come near each other; other pleats come near their neighbours.  Empty for pleats
    that stand up, for gathers, and where there is but one.
    """
    kind = plan.section.kind
    if not kind.folded or kind.upright:
        return []
    laid = plan.row
    if kind.width is Q.BOX:
        # A quarter of what a box takes lies behind it from either side.
        return [Length(Fraction(2 * (p.right - p.left) - p.take, 2 * laid.parts)) for p in laid.pleats if not p.half]
    reaches = [_behind(pleat, halves=kind.halves) for pleat in laid.pleats]
    if laid.ring and len(reaches) > 1:
        low, high = reaches[0]
        reaches.append((low + 4 * laid.finished, high + 4 * laid.finished))
    # Whole numbers until here, and one length for all that are alike: a row may have many thousands.
    found = [b[0] - a[1] for a, b in pairwise(reaches)]
    lengths = {gap: Length(Fraction(gap, 4 * laid.parts)) for gap in set(found)}
    return [lengths[gap] for gap in found]


def _behind(pleat: Standing, *, halves: bool) -> tuple[int, int]:
    """Where on the finished edge the underlay of a pleat lies, in quarters of the row's parts."""
    deep = 2 * pleat.take if pleat.half or not halves else pleat.take
    left, right = 4 * pleat.left, 4 * pleat.right
    if halves:
        return (left if pleat.half > 0 else left - deep, right if pleat.half < 0 else right + deep)
    return (left, right + deep) if pleat.facing is Facing.LEFT else (left - deep, right)


def nearness_says(plan: Plan, layers: int) -> str | None:
    """How near the pleats come to one another behind, and how many layers that makes at the most; None where it cannot be told."""
    found = clearances(plan)
    if not found:
        return None
    section = plan.section
    write = section.fine.write
    least, most = min(found), max(found)
    deep = f"{layers} layers at the most"
    box = section.kind.width is Q.BOX
    if least.mm >= 0 and most.mm == 0:
        return f"{'The folds meet behind each box' if box else 'Pleat meets pleat behind'}: {deep}."
    if least.mm >= 0:
        one = section.kind.one
        between = "between the two folds behind each box" if box else f"between one {one} and the next"
        said = write(least).text if least == most else f"{write(least).text} to {write(most).text}"
        return f"Clear gap {between}: {said}; {deep}."
    over = write(-least).text if most == least or most.mm >= 0 else f"{write(-most).text} to {write(-least).text}"
    what = "The two folds behind a box overlap" if box else "Neighbouring pleats overlap"
    clear = f" at the most, others lie up to {write(most).text} clear" if most.mm > 0 else ""
    return f"{what} by {over}{clear}: {deep}."
