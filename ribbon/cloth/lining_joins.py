"""How far the joins of a lining lie from those of its face: two seams on each other make a ridge."""

from __future__ import annotations

from collections.abc import Sequence

from ribbon.cloth.drop import Lined, LiningCut
from ribbon.fraction import Fraction
from ribbon.lengths import Length


def lining_joins(
    made: Lined, cut: LiningCut, allowance: Length, face: Length, *, from_end: bool = False
) -> list[Length]:
    """Where the seams of a lining lie, from the cut start of its face, which is cut `face` wide and lies about its middle.

    Its widths are laid from the start, or `from_end`, as those of its face are.
    """
    at = (face - made.width) / 2
    found: list[Length] = []
    for width in cut.widths[:-1]:
        at += width - allowance * (1 if not found else 2)
        found.append(at)
    return [face - one for one in reversed(found)] if from_end else found


def apart(lining: Sequence[Length], face: Sequence[Length]) -> Length | None:
    """The least distance between a seam of the lining and one of the face; None where one of them has none.

    >>> apart([Length(100)], [Length(70), Length(180)]) == Length(30)
    True
    """
    gaps: list[Fraction] = [abs(one - other).mm for one in lining for other in face]
    return Length(min(gaps)) if gaps else None
