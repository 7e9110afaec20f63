"""The cutting plan: every piece in its place on the bolt, or on the rectangles at hand."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace
from itertools import product
from math import ceil, lcm
from typing import NamedTuple

import rectpack

from ribbon.cloth.bolt import Bolt
from ribbon.cloth.fitting import Item
from ribbon.cloth.nesting import PARTS, Nestling, nested
from ribbon.cloth.packing import checked, on_bins, packed
from ribbon.cloth.piece import CutPiece, Laid
from ribbon.cloth.sold import layout_scribe
from ribbon.errors import Problem, Refusal
from ribbon.fraction import Fraction
from ribbon.lengths import UNITS, ZERO, Length, Unit

_PACKERS = (rectpack.SkylineBlWm, rectpack.MaxRectsBl, rectpack.SkylineMwfl, rectpack.GuillotineBssfSas)
_ORDERS = (rectpack.SORT_AREA, rectpack.SORT_LSIDE, rectpack.SORT_SSIDE)
_MANY = 80

Sheet = tuple[Length, Length]
"""A rectangle at hand: its width and its length."""


class Layout(NamedTuple):
    """Pieces laid out: `length` of cloth taken, the length below which no plan can go, and what is wasted of it.

    `sheets` holds the sizes (width, length) of the rectangles laid on, one bolt of `length` where cloth is bought;
    `left` those pieces that found no place on the rectangles.  `first` is the repeat more that lets the first of the
    pieces that match begin where the pattern asks for it.  `again` tells that another look may find a shorter plan.
    """

    laid: tuple[Laid, ...]
    length: Length
    bound: Length
    waste: Fraction
    sheets: tuple[Sheet, ...]
    left: tuple[CutPiece, ...]
    first: Length = ZERO
    again: bool = False

    @property
    def needed(self) -> Length:
        """The length to have: what is taken, and the repeat to begin at."""
        return self.length + self.first

    @property
    def closeness(self) -> Fraction:
        """The length over its lower bound: 1 is perfect."""
        return self.length / self.bound if self.bound else Fraction(1)


def layout(
    bolt: Bolt,
    pieces: Sequence[CutPiece],
    sheets: Sequence[Sheet] = (),
    *,
    search: bool = True,
    seed: int = 1,
    unit: Unit = UNITS["mm"],
) -> Layout:
    """The plan that takes the least length of `bolt`, or that lays most on the `sheets` at hand.

    Pieces keep their arrow up the cloth, or down it where the cloth has no direction, unless they may turn; those that
    match begin at whole repeats.  Without `search` it is quick and may be longer; another `seed` looks elsewhere.  Raises
    `Refusal`, with every piece that is wider than the cloth, told in `unit`; its path is that of the cloth's width below the cloth.
    """
    single = [copy for piece in pieces for copy in piece.copies()]
    across = max((width for width, _ in sheets), default=bolt.usable)
    _refuse_too_wide(bolt, pieces, across, unit)
    if not single:
        return Layout((), ZERO, ZERO, Fraction(0), tuple(sheets), ())
    return (
        _on_sheets(bolt, single, sheets, search=search) if sheets else _on_bolt(bolt, single, search=search, seed=seed)
    )


Copy = tuple[CutPiece, int]
"""A piece and the number of its copy."""


def _on_bolt(bolt: Bolt, single: list[Copy], *, search: bool, seed: int) -> Layout:
    matching = bool(bolt.along) and any(piece.matched for piece, _ in single)
    boxes = all(piece.opened.is_rectangle for piece, _ in single)
    laid, best = _in_boxes(bolt, single, search=search and boxes, seed=seed)
    nests = search and not matching and len(single) <= MOST_NESTED and not boxes
    if nests:
        laid = min((laid, _nested(bolt, single, seed) or laid), key=_reach)
    length = _reach(laid)
    bound = length if best and boxes else lowest(bolt, [piece for piece, _ in single])
    made = _measured(laid, (), length, ((bolt.usable, length),), min(bound, length))
    more = nests or (search and boxes and not best)
    return made._replace(first=bolt.along if matching else ZERO, again=more and made.length > made.bound)


def _reach(laid: Sequence[Laid]) -> Length:
    """How far along the cloth the furthest piece reaches."""
    return max((one.start + one.long for one in laid), default=ZERO)


def _in_boxes(bolt: Bolt, single: list[Copy], *, search: bool, seed: int) -> tuple[list[Laid], bool]:
    """(the pieces laid as the rectangles round them, whether no plan of those can be shorter)."""
    parts = _parts(single, [bolt.usable, bolt.along])
    items = tuple(
        Item(_up(p.wide, parts), _up(p.long, parts), p.may_turn and not bolt.directional, p.matched) for p, _ in single
    )
    bound = _lowest_of_boxes(bolt, [piece for piece, _ in single])
    width, repeat = int(bolt.usable.mm * parts), _up(bolt.along, parts)
    found = packed(width, items, repeat, _up(bound, parts), search=search, seed=seed)
    if not checked(width, items, repeat, found.spots):
        raise AssertionError("a cutting plan lays pieces over one another")
    laid = [
        Laid(
            piece, number, 0, Length(Fraction(spot.left, parts)), Length(Fraction(spot.start, parts)), int(spot.turned)
        )
        for (piece, number), spot in zip(single, found.spots, strict=True)
    ]
    return laid, found.best


_NO_ROOM = Length(1)  # beside a piece that leaves less than this of the cloth nothing can lie
MOST_NESTED = 120
"""Of more pieces than these the rectangles round them are laid: a second of looking is not enough for them."""


def _nested(bolt: Bolt, single: list[Copy], seed: int) -> list[Laid] | None:
    """The pieces laid by their own outlines; None where that came to nothing.

    What takes the whole width of the cloth lies by itself behind the others: nothing goes beside it.
    """
    across = [copy for copy in single if copy[0].wide > bolt.usable - _NO_ROOM and not copy[0].may_turn]
    beside = [copy for copy in single if copy not in across]
    laid = _nested_beside(bolt, beside, seed)
    if laid is None:
        return None
    start = _reach(laid)
    for piece, number in across:
        laid.append(Laid(piece, number, 0, ZERO, start))
        start += piece.long
    return laid


def _nested_beside(bolt: Bolt, single: list[Copy], seed: int) -> list[Laid] | None:
    """Pieces that have room beside them, laid by their own outlines."""
    nestlings = []
    for piece, number in single:
        flipped = Laid(piece, number, 0, ZERO, ZERO).flipped
        turns = (0,) if bolt.directional else (0, 1, 2, 3) if piece.may_turn else (0, 2)
        nestlings.append(Nestling(piece.lying(0, flipped=flipped), turns))
    found = nested(int(bolt.usable.mm * PARTS), tuple(nestlings), seed) if nestlings else None
    if found is None:
        return None
    return [
        Laid(piece, number, 0, Length(Fraction(nest.left, PARTS)), Length(Fraction(nest.start, PARTS)), nest.turns)
        for (piece, number), nest in zip(single, found, strict=True)
    ]


def _on_sheets(bolt: Bolt, single: list[Copy], sheets: Sequence[Sheet], *, search: bool) -> Layout:
    """As many pieces as find a place on the rectangles at hand."""
    laid, left = _boxes_on_sheets(bolt, single, sheets)
    if left and search and len(sheets) == 1 and not all(piece.opened.is_rectangle for piece, _ in single):
        width, length = sheets[0]
        closer = _nested(replace(bolt, usable=width), single, 1)
        if closer is not None and _reach(closer) <= length:
            laid, left = closer, ()
    return _measured(laid, left, _reach(laid), tuple(sheets), _reach(laid))


def _boxes_on_sheets(
    bolt: Bolt, single: list[Copy], sheets: Sequence[Sheet]
) -> tuple[list[Laid], tuple[CutPiece, ...]]:
    parts = _parts(single, [side for sheet in sheets for side in sheet])
    across = max(width for width, _ in sheets)
    bins = [(int(w.mm * parts), int(h.mm * parts)) for w, h in sheets]
    best: list[tuple[int, ...]] = []
    reached, stood = (1, 0), list[bool]()
    for lying in _stands(single, bolt, across):
        sizes = [
            (_up(p.long, parts), _up(p.wide, parts)) if over else (_up(p.wide, parts), _up(p.long, parts))
            for (p, _), over in zip(single, lying, strict=True)
        ]
        few = len(single) <= _MANY
        for packer, order in product(_PACKERS if few else _PACKERS[:1], _ORDERS if few else _ORDERS[:1]):
            found = on_bins(sizes, bins, packer, order, sheets=True)
            score = (-len(found), max((y + sizes[index][1] for _, _, y, index in found), default=0))
            if score < reached:
                best, reached, stood = found, score, lying
    laid = [
        Laid(*single[index], sheet, Length(Fraction(x, parts)), Length(Fraction(y, parts)), int(stood[index]))
        for sheet, x, y, index in best
    ]
    if not lies_within(laid, sheets):
        raise AssertionError("a cutting plan lays pieces over one another, or past a remnant")
    placed = {index for *_, index in best}
    return laid, tuple(piece for index, (piece, _) in enumerate(single) if index not in placed)


def lies_within(laid: Sequence[Laid], sheets: Sequence[Sheet]) -> bool:
    """Whether every piece lies inside the rectangle that it is said to lie on, and none over another there."""
    boxes = sorted(
        (one.sheet, one.start.mm, (one.start + one.long).mm, one.left.mm, (one.left + one.wide).mm) for one in laid
    )
    for index, (sheet, start, end, left, right) in enumerate(boxes):
        width, length = sheets[sheet]
        if left < 0 or start < 0 or right > width.mm or end > length.mm:
            return False
        for other, begins, _, from_left, to_right in boxes[index + 1 :]:
            if other != sheet or begins >= end:
                break
            if from_left < right and left < to_right:
                return False
    return True


def _measured(
    laid: Sequence[Laid], left: tuple[CutPiece, ...], length: Length, sheets: tuple[Sheet, ...], bound: Length
) -> Layout:
    order = sorted(laid, key=lambda one: (one.sheet, one.start.mm, one.left.mm))
    area = sum((one.area for one in laid), Fraction(0))
    whole = sum((w.mm * h.mm for w, h in sheets), Fraction(0))
    waste = 1 - area / whole if whole else Fraction(0)
    return Layout(tuple(order), length, bound, waste, sheets, left)


def lowest(bolt: Bolt, pieces: Sequence[CutPiece]) -> Length:
    """A length that no plan of these pieces can go below, each piece counted as often as it is named.

    Curves may lie in one another's hollows, so that only the area of a piece counts, and its own length; of rectangles
    what is known of them besides.
    """
    across = bolt.usable.mm
    area = sum((piece.opened.area for piece in pieces), Fraction(0)) / across
    longest = max((_least_length(bolt, piece).mm for piece in pieces), default=Fraction(0))
    boxes = _lowest_of_boxes(bolt, [piece for piece in pieces if piece.opened.is_rectangle])
    return Length(max(area, longest, boxes.mm))


def _least_length(bolt: Bolt, piece: CutPiece) -> Length:
    return min(piece.wide, piece.long) if piece.may_turn and not bolt.directional else piece.long


def _lowest_of_boxes(bolt: Bolt, pieces: Sequence[CutPiece]) -> Length:
    """A length that no plan of the rectangles round these pieces can go below: by their area, and by which cannot lie side by side.

    For every `p` up to half of the cloth, pieces too wide to lie beside anything `p` wide lie alone.  All others that
    are at least `p` wide take the longest of them, what their area takes, and the sum of those wider than half, of
    which no two lie side by side (the bound of Martello, Monaci and Vigo, 2003, for packing a strip).  Pieces that may
    turn count by their lesser side.
    """
    parts = lcm(
        bolt.usable.mm.denominator, *(d for one in pieces for d in (one.wide.mm.denominator, one.long.mm.denominator))
    )
    across = int(bolt.usable.mm * parts)
    # (width, length, area) of each; turned or not, a piece that may turn is as wide and as long as its lesser side.
    sizes = []
    for one in pieces:
        wide, long = int(one.wide.mm * parts), int(one.long.mm * parts)
        lesser = min(wide, long)
        turns = one.may_turn and not bolt.directional
        sizes.append((lesser, lesser, wide * long) if turns else (wide, long, wide * long))
    least = 0  # times the width of the cloth, so that all of it is whole
    for p in {0, *(wide for wide, _, _ in sizes if 2 * wide <= across)}:
        alone = sum(long for wide, long, _ in sizes if wide > across - p)
        others = [size for size in sizes if p <= size[0] <= across - p]
        longest = max((long for _, long, _ in others), default=0)
        stacked = sum(long for wide, long, _ in others if 2 * wide > across)
        area = sum(size for _, _, size in others)
        least = max(least, alone * across + max(longest * across, stacked * across, area))
    return Length(Fraction(least, across * parts))


def _up(length: Length, parts: int) -> int:
    return ceil(length.mm * parts)


def _parts(single: list[Copy], also: list[Length]) -> int:
    """Whole parts of a millimetre for every size: exact where that stays small.

    Else pieces are rounded outwards, and what they lie on stays exact, so that a piece as wide as the cloth still is.
    """
    exact = lcm(
        *(side.mm.denominator for piece, _ in single for side in (piece.wide, piece.long)),
        *(side.mm.denominator for side in also),
    )
    return exact if exact <= 100_000 else lcm(100, *(side.mm.denominator for side in also))


def _stands(single: list[Copy], bolt: Bolt, across: Length) -> list[list[bool]]:
    """Which pieces lie on their side, in each way worth trying: as given, all long sides along, all across."""

    def over(piece: CutPiece, *, along: bool | None) -> bool:
        if not piece.may_turn or bolt.directional:
            return False
        if piece.wide > across:
            return True
        if along is None or piece.long > across:
            return False
        return (piece.wide > piece.long) if along else (piece.wide < piece.long)

    found = [[over(piece, along=along) for piece, _ in single] for along in (None, True, False)]
    return [one for index, one in enumerate(found) if one not in found[:index]]


def _refuse_too_wide(bolt: Bolt, pieces: Sequence[CutPiece], across: Length, unit: Unit) -> None:
    problems, write = [], layout_scribe(unit).write
    for piece in pieces:
        least = min(piece.wide, piece.long) if piece.may_turn and not bolt.directional else piece.wide
        if least > across:
            problems.append(
                Problem(
                    "too_wide",
                    "usable",
                    write(across).text,
                    f"{piece.name or 'a piece'} is {write(least).text} wide, {write(least - across).text} wider than the cloth",
                    "join it from two, turn it, or take wider cloth",
                )
            )
    if problems:
        raise Refusal(problems)
