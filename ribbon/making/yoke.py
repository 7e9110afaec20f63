"""A yoke drafted from waist, hip, its depth and its darts: front and back, each half on the fold."""

from __future__ import annotations

from dataclasses import replace

from ribbon.cloth import CutPiece, Drafted, SideTakes
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length
from ribbon.making.asked import Given
from ribbon.making.skirt_fields import yoked
from ribbon.shapes import Corner, closed, with_allowances


def taken_in(given: Given, whole: Length) -> tuple[Length, Length]:
    """(what each dart takes, what each of the four sides of the halves takes) from the hip to the waist.

    (hip - waist) is shared evenly by the darts and the four half side seams: n darts and 4 sides take 1/(n + 4) each.
    """
    waist = given.most("waist")
    if waist is None:
        return ZERO, ZERO
    less = whole - (waist + given.length("ease"))
    darts = given.count("darts") or 0
    each = less / (darts + 4) if less > ZERO else ZERO
    return each, each


def yoke(given: Given, whole: Length, role: str) -> list[CutPiece]:
    """The yoke's front and back, their seam allowances on all sides but the fold; nothing while a measure is lacking.

    Its lower edge is a quarter of `whole` a half, its upper one so much less as its side takes; its darts are taken out of
    that once it is cut.
    """
    if not yoked(given) or given.most("waist") is None:
        return []
    side = taken_in(given, whole)[1]
    foot, deep, seam = whole / 4, given.length("yoke_depth"), given.join
    if deep <= ZERO or foot <= side:
        return []
    corners = (
        Corner(Fraction(0), Fraction(0)),
        Corner(foot.mm, Fraction(0)),
        Corner((foot - side).mm, deep.mm),
        Corner(Fraction(0), deep.mm),
    )
    drafted = closed(corners, ("foot", "side", "top", "fold"))
    cut = with_allowances(drafted, {"fold": ZERO}, seam)
    takes = tuple(SideTakes(where, seam, "seam") for where in ("top", "foot", "left", "right"))
    pattern = Drafted(cut, drafted)
    return [
        replace(CutPiece(f"yoke.{key}", f"Yoke, {key}", cut, role=role), takes=takes, drafted=pattern)
        for key in ("front", "back")
    ]
