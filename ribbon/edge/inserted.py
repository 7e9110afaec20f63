"""Pleats let into a flat pattern piece: where to cut it, how far to spread it, how its top is trued."""

from __future__ import annotations

from typing import NamedTuple

from ribbon.edge.plan import Plan
from ribbon.edge.tapered import Tapered
from ribbon.fraction import Fraction
from ribbon.lengths import Length
from ribbon.pleats import Quantity
from ribbon.strip import walk

Q = Quantity


class CutLine(NamedTuple):
    """A line to cut the piece along: its place on the flat piece, the pleat, how far to spread it at the lower and the

    upper level, and whether it is the fold line, where half a pleat's allowance is added outside.
    """

    at: Length
    pleat: int
    lower: Length
    upper: Length
    on_fold: bool


class Total(NamedTuple):
    """So many pleats and so much cloth taken, in the half, the piece or the garment."""

    of: str
    pleats: Fraction
    take_up: Length


class Trued(NamedTuple):
    """A corner of the trued top edge: its place on the spread piece, and how high it stands."""

    at: Length
    height: Length


class Inserted(NamedTuple):
    """A pattern piece with pleats let in: its cut lines, its widths spread, the totals, its top once trued."""

    lines: tuple[CutLine, ...]
    lower: Length
    upper: Length
    totals: tuple[Total, ...]
    trued: tuple[Trued, ...]


def inserted(plan: Plan, upper: Tapered | None) -> Inserted | None:
    """What to do to the pattern piece of `plan`; None where its section has none, or has no pleats.

    A box is let in along two lines, one at each of its edges; every other pleat along one.
    """
    section = plan.section
    if section.piece is None or not section.kind.folded:
        return None
    laid = plan.row
    extras = [extra.mm for extra in upper.extra] if upper else [Fraction(0)] * len(laid.pleats)
    lines = []
    for pleat, extra in zip(laid.pleats, extras, strict=True):
        two = section.kind.width is Q.BOX and not pleat.half
        places = (
            [pleat.left, pleat.right]
            if two
            else [pleat.right if pleat.half > 0 else pleat.left if pleat.half else pleat.at]
        )
        on_fold = bool(pleat.half) and section.kind.width is not Q.BOX
        if on_fold:
            places = [pleat.at]
        take = Fraction(pleat.take, laid.parts)
        for place in places:
            spread, more = Length(take / len(places)), Length((take + extra) / len(places))
            lines.append(CutLine(Length(Fraction(place, laid.parts)), pleat.pleat, spread, more, on_fold))
    take_up = plan.flat - plan.finished
    doubled = 2 if section.folds else 1
    totals = [Total("half", plan.pleats, take_up)] if section.folds else []
    totals.append(Total("piece", plan.pleats * doubled, take_up * doubled))
    if section.piece.times > 1:
        many = doubled * section.piece.times
        totals.append(Total("garment", plan.pleats * many, take_up * many))
    top = upper.strip if upper else plan.strip
    return Inserted(tuple(lines), plan.flat, top.flat, tuple(totals), tuple(_trued(plan, upper, section.piece.rise)))


def _trued(plan: Plan, upper: Tapered | None, rise: Length) -> list[Trued]:
    """The top edge as it is when cut across while folded: each corner as high as the edge is where it comes to lie.

    Cloth that lies past an end of the piece is cut on, at that end's own slope.
    """
    walked = walk(upper.strip) if upper else plan.walked
    slope = rise / walked.finished
    return [Trued(walked.length(at), walked.length(x) * slope) for at, x in zip(walked.flat, walked.x, strict=True)]
