"""A pattern piece that pleats are let into, as it is cut: spread by its pleats, its top trued while it was folded."""

from __future__ import annotations

from ribbon.cloth.cutting import Cutting
from ribbon.cloth.joining import allowed_of
from ribbon.cloth.piece import CutPiece, Drafted
from ribbon.edge import EdgePlan, inserted
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length
from ribbon.shapes import FOLD, Corner, Notch, closed, with_allowances
from ribbon.strip import LineKind

_NOTCHED = {LineKind.OUTER: "outer fold", LineKind.PLACEMENT: "placement"}


def let_in(key: str, name: str, whole: EdgePlan, cutting: Cutting) -> CutPiece | None:
    """The piece of an edge whose pleats are let into a pattern piece, its allowances all round, an end on a fold where it lies on one.

    Its foot is level; its top is as high as it comes to lie folded, from its length at the start to that and its rise at the
    end.  Notches stand at its outer folds and placement lines.  None of an edge without a pattern piece, with two levels, not
    known to fall, or wider so than its cloth, which is joined of strips.
    """
    made, drop, bolt = whole.only, cutting.drop, cutting.bolt
    if made is None or made.section.piece is None or drop is None or bolt is None or whole.upper is not None:
        return None
    found = inserted(made, None)
    if found is None:
        return None
    long, wide = drop.finished.mm, made.flat.mm
    top = [Corner(one.at.mm, long + one.height.mm) for one in found.trued]
    top = [one for one, before in zip(top, [None, *top], strict=False) if one != before]
    if min(corner.y for corner in top) <= 0 or top[0].x != 0 or top[-1].x != wide:
        return None
    ends = {
        side: FOLD if end.fold else side for side, end in (("start", made.section.lead), ("end", made.section.tail))
    }
    corners = [Corner(Fraction(0), Fraction(0)), Corner(wide, Fraction(0)), *reversed(top)]
    names = ["foot", ends["end"], *["top"] * (len(top) - 1), ends["start"]]
    drafted = closed(corners, names)
    own = allowed_of(whole.edge)
    below = drop.hem * drop.hem_turns + drop.margin
    cut = with_allowances(drafted, {"foot": below, "top": drop.heading, "start": own.start, "end": own.end})
    foot = cut.named("foot")[0]
    marked = whole.marked
    notches = tuple(
        Notch("foot", Length(marked.walked.length(mark.at).mm - foot.start.x), _NOTCHED[mark.kind])
        for mark in marked.marks
        if mark.kind in _NOTCHED and ZERO < Length(marked.walked.length(mark.at).mm - foot.start.x) < foot.length
    )
    piece = CutPiece(
        f"{key}.width.1", name, cut, notches=notches, role=cutting.role, drafted=Drafted(cut, drafted, notches)
    )
    return piece if piece.wide <= bolt.usable else None
