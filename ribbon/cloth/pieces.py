"""The pieces that an edge is cut in, and its lining."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

from ribbon.cloth.cutting import Cutting
from ribbon.cloth.drop import Drop, Lined, LiningCut, drop_on, lined, lining_taken, lining_ways
from ribbon.cloth.edge_lying import lies_on_cloth, runs_on, taken_once
from ribbon.cloth.joining import allowed_of
from ribbon.cloth.let_in import let_in
from ribbon.cloth.notions import Notion, notions
from ribbon.cloth.piece import CutPiece, SideTakes
from ribbon.cloth.weight import load
from ribbon.edge import EdgePlan
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length
from ribbon.readings import Join


@dataclass(frozen=True, slots=True)
class Pieces:
    """What an edge comes to at the cutting table: its pieces, what is bought beside them, what is still to be said."""

    pieces: tuple[CutPiece, ...] = ()
    notions: tuple[Notion, ...] = ()
    lacking: str = ""

    def times(self, many: int) -> Pieces:
        """The same, so many times as often."""
        pieces = tuple(piece.times(many) for piece in self.pieces)
        return Pieces(pieces, tuple(one.times(many) for one in self.notions), self.lacking)


class LiningToCut:
    """A lining as it is cut from its own cloth."""

    __slots__ = ("cut", "made", "ways")

    def __init__(self, made: Lined, ways: list[LiningCut], cut: LiningCut) -> None:
        self.made, self.ways, self.cut = made, ways, cut


def lining_to_cut(whole: EdgePlan, cutting: Cutting) -> LiningToCut | None:
    """The lining of an edge, the ways that it can be cut and the one taken; None where it has none.  Raises `Refusal`."""
    lining, bolt, drop = cutting.lining, cutting.lining_bolt, cutting.drop
    if lining is None or bolt is None or drop is None:
        return None

    def cut() -> LiningToCut:
        own = allowed_of(whole.edge)
        made = lined(whole.flat + own.start + own.end, drop, lining)
        ways = lining_ways(made, bolt, lining.allowance)
        return LiningToCut(made, ways, lining_taken(ways, lining.way))

    return taken_once(whole, "lining", cutting, cut)


def edge_load(whole: EdgePlan, cutting: Cutting, cut: Length, lining: LiningToCut | None) -> Fraction | None:
    """What an edge cut so wide in all weighs with its lining, in grams; None where that is not known."""
    if cutting.bolt is None or cutting.drop is None:
        return None
    more = None
    if lining is not None and cutting.lining_bolt is not None:
        more = cutting.lining_bolt.mass(lining.made.width.mm * lining.made.length.mm)
    return load(cutting.bolt, cut, cutting.drop, more)


def edge_pieces(key: str, name: str, whole: EdgePlan, cutting: Cutting) -> Pieces:
    """The pieces of an edge that is called `name`, their keys below `key`.  Raises `Refusal` where it cannot be joined.

    The widths of the strip come first, then what is cut beside it, then its lining.  Where its own are not known yet, what
    is cut beside it from other cloths is there already.
    """
    bolt, drop = cutting.bolt, cutting.drop
    beside = tuple(replace(piece, key=f"{key}.{piece.key}") for piece in cutting.pieces)
    if cutting.shaped:
        return Pieces(beside)
    found = lies_on_cloth(whole, cutting) if bolt is not None and drop is not None else None
    if bolt is None or drop is None or found is None:
        waiting = {cutting.role, cutting.lining_role} if cutting.lining else {cutting.role}
        lacking = f"{name}: say {'how wide its cloth is' if bolt is None else 'how far it falls'}"
        return Pieces(tuple(piece for piece in beside if piece.role not in waiting), lacking=lacking)
    across = found.taken is None or found.taken.name == "across"
    whole_piece = let_in(key, name, whole, cutting)
    pieces: list[CutPiece] = [whole_piece] if whole_piece is not None else []
    many = len(found.joined.widths)
    longer = runs_on(whole, found.joined, cutting) if found.taken and found.taken.name == "lengthways" else []
    named = _names(cutting.names, found.joined.joins)
    for number, width in enumerate(found.joined.widths if whole_piece is None else (), 1):
        called = name if many == 1 else f"{name}, {'width' if across else 'strip'} {number} of {many}"
        if named:
            called = named[number - 1]
        # Across, the drop runs along the cloth, up to whole repeats; the other ways the strip does.
        more = longer[number - 1] if number <= len(longer) else ZERO
        size = (width.cut, drop_on(bolt, drop)) if across else (drop.cut, width.cut + more)
        made = CutPiece.oblong(f"{key}.width.{number}", called, *size, matched=across, role=cutting.role)
        takes = _strip_takes(whole, drop, size[1] - drop.cut, number, many, upright=across)
        if more:
            takes = (*takes, SideTakes("foot", more, "up to where the stripes run on"))
        pieces.append(replace(made, takes=takes))
    pieces += beside
    pieces += _lining_pieces(key, name, whole, cutting)
    bought = notions(whole.only, len(found.joined.joins), drop.cut) if whole.only else []
    return Pieces(tuple(pieces), tuple(bought))


def _names(names: Sequence[str], joins: Sequence[Join]) -> list[str]:
    """What each width is called where the parts between pleats have names, numbered where one is joined of several; else nothing."""
    lots = [1]
    for join in joins:
        if join.pleat:
            lots.append(1)
        else:
            lots[-1] += 1
    if len(lots) != len(names):
        return []
    return [
        name if many == 1 else f"{name}, width {number} of {many}"
        for name, many in zip(names, lots, strict=True)
        for number in range(1, many + 1)
    ]


def _strip_takes(
    whole: EdgePlan, drop: Drop, spare: Length, number: int, many: int, *, upright: bool
) -> tuple[SideTakes, ...]:
    """What the sides of one width of a strip take; lying along the cloth its heading is to the left."""
    own = allowed_of(whole.edge)
    start = (own.start, "at the start") if number == 1 else (own.join, "join")
    end = (own.end, "at the end") if number == many else (own.join, "join")
    foot = [
        (drop.hem * drop.hem_turns, "hem"),
        (drop.margin, "trimmed away"),
        *([(spare, "up to the repeat")] if upright else []),
    ]
    sides = ("top", "foot", "left", "right") if upright else ("left", "right", "top", "foot")
    found = [(sides[0], drop.heading, "heading"), *((sides[1], deep, what) for deep, what in foot)]
    found += [(sides[2], *start), (sides[3], *end)]
    return tuple(SideTakes(side, deep, what) for side, deep, what in found if deep > ZERO)


def _lining_pieces(key: str, name: str, whole: EdgePlan, cutting: Cutting) -> list[CutPiece]:
    lining = lining_to_cut(whole, cutting)
    if lining is None:
        return []
    many, long = len(lining.cut.widths), lining.made.length
    found = []
    for number, wide in enumerate(lining.cut.widths, 1):
        called = f"{name}, lining" if many == 1 else f"{name}, lining {number} of {many}"
        size: tuple[Length, Length] = (wide, long) if lining.cut.upright else (long, wide)
        made = CutPiece.oblong(f"{key}.lining.{number}", called, *size, role=cutting.lining_role)
        found.append(replace(made, takes=_lining_takes(cutting, number, many, upright=lining.cut.upright)))
    return found


def _lining_takes(cutting: Cutting, number: int, many: int, *, upright: bool) -> tuple[SideTakes, ...]:
    """What the sides of one width of a lining take."""
    rules = cutting.lining
    if rules is None:
        return ()
    sides = ("top", "foot", "left", "right") if upright else ("left", "right", "top", "foot")
    seams = ["side seam" if number == 1 else "join", "side seam" if number == many else "join"]
    found = [(sides[0], rules.heading, "heading"), (sides[1], rules.hem * rules.hem_turns, "hem")]
    found += [(side, rules.allowance, what) for side, what in zip(sides[2:], seams, strict=True)]
    return tuple(SideTakes(side, deep, what) for side, deep, what in found if deep > ZERO)
