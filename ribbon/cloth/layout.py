"""The cutting plan: every piece in its place on the bolt, or on the rectangles at hand."""

from __future__ import annotations

from collections.abc import Sequence
from fractions import Fraction
from itertools import product
from math import ceil, lcm
from typing import NamedTuple

import rectpack

from ribbon.cloth.bolt import Bolt
from ribbon.cloth.packing import Item, checked, on_bins, packed
from ribbon.cloth.piece import Laid, Piece
from ribbon.errors import Problem, Refusal
from ribbon.lengths import ZERO, Length

_PACKERS = (rectpack.SkylineBlWm, rectpack.MaxRectsBl, rectpack.SkylineMwfl, rectpack.GuillotineBssfSas)
_ORDERS = (rectpack.SORT_AREA, rectpack.SORT_LSIDE, rectpack.SORT_SSIDE)
_MANY = 80

Sheet = tuple[Length, Length]
"""A rectangle at hand: its width and its length."""


class Layout(NamedTuple):
    """Pieces laid out: `length` of cloth taken, the length below which no plan can go, and what is wasted of it.

    `sheets` holds the sizes (width, length) of the rectangles laid on, one bolt of `length` where cloth is bought;
    `left` those pieces that found no place on the rectangles.  `first` is the repeat more that lets the first of the
    pieces that match begin where the pattern asks for it.
    """

    laid: tuple[Laid, ...]
    length: Length
    bound: Length
    waste: Fraction
    sheets: tuple[Sheet, ...]
    left: tuple[Piece, ...]
    first: Length = ZERO

    @property
    def needed(self) -> Length:
        """The length to have: what is taken, and the repeat to begin at."""
        return self.length + self.first

    @property
    def closeness(self) -> Fraction:
        """The length over its lower bound: 1 is perfect."""
        return self.length / self.bound if self.bound else Fraction(1)


def layout(bolt: Bolt, pieces: Sequence[Piece], sheets: Sequence[Sheet] = (), *, search: bool = True) -> Layout:
    """The plan that takes the least length of `bolt`, or that lays most on the `sheets` at hand.

    Pieces keep their arrow up the cloth unless they may turn and the cloth has no direction; those that match begin at
    whole repeats.  Without `search` it is quick and may be longer.  Raises `Refusal`, with every piece that is wider
    than the cloth.
    """
    single = [(piece, number) for piece in pieces for number in range(1, piece.count + 1)]
    across = max((width for width, _ in sheets), default=bolt.usable)
    _refuse_too_wide(bolt, pieces, across)
    if not single:
        return Layout((), ZERO, ZERO, Fraction(0), tuple(sheets), ())
    return _on_sheets(bolt, single, sheets) if sheets else _on_bolt(bolt, single, search=search)


def _on_bolt(bolt: Bolt, single: list[tuple[Piece, int]], *, search: bool) -> Layout:
    matching = bool(bolt.along) and any(piece.matched for piece, _ in single)
    parts = _parts(single, [bolt.usable, bolt.along])
    items = tuple(
        Item(_up(p.opened, parts), _up(p.length, parts), p.may_turn and not bolt.directional, p.matched)
        for p, _ in single
    )
    bound = lowest(bolt, [piece for piece, _ in single])
    width, repeat = int(bolt.usable.mm * parts), _up(bolt.along, parts)
    found = packed(width, items, repeat, _up(bound, parts), search=search)
    if not checked(width, items, repeat, found.spots):
        raise AssertionError("a cutting plan lays pieces over one another")
    laid = [
        Laid(
            piece,
            number,
            0,
            Length(Fraction(spot.left, parts)),
            Length(Fraction(spot.start, parts)),
            *((piece.length, piece.opened) if spot.turned else (piece.opened, piece.length)),
            spot.turned,
        )
        for (piece, number), spot in zip(single, found.spots, strict=True)
    ]
    length = max(one.start + one.long for one in laid)
    made = _measured(laid, (), length, ((bolt.usable, length),), length if found.best else bound)
    return made._replace(first=bolt.along) if matching else made


def _on_sheets(bolt: Bolt, single: list[tuple[Piece, int]], sheets: Sequence[Sheet]) -> Layout:
    """As many pieces as find a place on the rectangles at hand."""
    parts = _parts(single, [side for sheet in sheets for side in sheet])
    across = max(width for width, _ in sheets)
    bins = [(int(w.mm * parts), int(h.mm * parts)) for w, h in sheets]
    best: list[tuple[int, ...]] = []
    reached, stood = (1, 0), list[bool]()
    for lying in _stands(single, bolt, across):
        sizes = [
            (_up(p.length, parts), _up(p.opened, parts)) if over else (_up(p.opened, parts), _up(p.length, parts))
            for (p, _), over in zip(single, lying, strict=True)
        ]
        few = len(single) <= _MANY
        for packer, order in product(_PACKERS if few else _PACKERS[:1], _ORDERS if few else _ORDERS[:1]):
            found = on_bins(sizes, bins, packer, order, sheets=True)
            score = (-len(found), max((y + sizes[index][1] for _, _, y, index in found), default=0))
            if score < reached:
                best, reached, stood = found, score, lying
    laid = []
    for sheet, x, y, index in best:
        piece, number = single[index]
        size = (piece.length, piece.opened) if stood[index] else (piece.opened, piece.length)
        laid.append(
            Laid(piece, number, sheet, Length(Fraction(x, parts)), Length(Fraction(y, parts)), *size, stood[index])
        )
    placed = {index for *_, index in best}
    left = tuple(piece for index, (piece, _) in enumerate(single) if index not in placed)
    length = max((one.start + one.long for one in laid), default=ZERO)
    return _measured(laid, left, length, tuple(sheets), length)


def _measured(
    laid: list[Laid], left: tuple[Piece, ...], length: Length, sheets: tuple[Sheet, ...], bound: Length
) -> Layout:
    laid.sort(key=lambda one: (one.sheet, one.start.mm, one.left.mm))
    area = sum((one.wide.mm * one.long.mm for one in laid), Fraction(0))
    whole = sum((w.mm * h.mm for w, h in sheets), Fraction(0))
    waste = 1 - area / whole if whole else Fraction(0)
    return Layout(tuple(laid), length, bound, waste, sheets, left)


def lowest(bolt: Bolt, pieces: Sequence[Piece]) -> Length:
    """A length that no plan of these pieces can go below: by their area, and by which cannot lie side by side.

    For every `p` up to half of the cloth, pieces too wide to lie beside anything `p` wide lie alone.  All others that
    are at least `p` wide take the longest of them, what their area takes, and the sum of those wider than half, of
    which no two lie side by side (the bound of Martello, Monaci and Vigo, 2003, for packing a strip).  Pieces that may
    turn count by their lesser side.
    """
    across, half = bolt.usable.mm, bolt.usable.mm / 2
    # (width, length, area) of each; turned or not, a piece that may turn is as wide and as long as its lesser side.
    sizes = [
        (
            *((min(one.opened.mm, one.length.mm),) * 2 if turns else (one.opened.mm, one.length.mm)),
            one.opened.mm * one.length.mm,
        )
        for one in pieces
        for turns in [one.may_turn and not bolt.directional]
    ]
    least = Fraction(0)
    for p in {Fraction(0), *(wide for wide, _, _ in sizes if wide <= half)}:
        alone = sum((long for wide, long, _ in sizes if wide > across - p), Fraction(0))
        others = [size for size in sizes if p <= size[0] <= across - p]
        longest = max((long for _, long, _ in others), default=Fraction(0))
        stacked = sum((long for wide, long, _ in others if wide > half), Fraction(0))
        area = sum((size for _, _, size in others), Fraction(0))
        least = max(least, alone + max(longest, stacked, area / across))
    return Length(least)


def _up(length: Length, parts: int) -> int:
    return ceil(length.mm * parts)


def _parts(single: list[tuple[Piece, int]], also: list[Length]) -> int:
    """Whole parts of a millimetre for every size: exact where that stays small, else hundredths, rounded outwards."""
    exact = lcm(
        *(side.mm.denominator for piece, _ in single for side in (piece.opened, piece.length)),
        *(side.mm.denominator for side in also),
    )
    return exact if exact <= 100_000 else 100


def _stands(single: list[tuple[Piece, int]], bolt: Bolt, across: Length) -> list[list[bool]]:
    """Which pieces lie on their side, in each way worth trying: as given, all long sides along, all across."""

    def over(piece: Piece, *, along: bool | None) -> bool:
        if not piece.may_turn or bolt.directional:
            return False
        if piece.opened > across:
            return True
        if along is None or piece.length > across:
            return False
        return (piece.opened > piece.length) if along else (piece.opened < piece.length)

    found = [[over(piece, along=along) for piece, _ in single] for along in (None, True, False)]
    return [one for index, one in enumerate(found) if one not in found[:index]]


def _refuse_too_wide(bolt: Bolt, pieces: Sequence[Piece], across: Length) -> None:
    problems = []
    for index, piece in enumerate(pieces):
        least = min(piece.opened, piece.length) if piece.may_turn and not bolt.directional else piece.opened
        if least > across:
            problems.append(
                Problem(
                    "too_wide",
                    f"pieces.{index}.width",
                    f"{float(piece.opened.mm):g} mm",
                    f"{piece.name or 'this piece'} is {float((least - across).mm):g} mm wider than the cloth",
                    "join it from two, turn it, or take wider cloth",
                )
            )
    if problems:
        raise Refusal(problems)
