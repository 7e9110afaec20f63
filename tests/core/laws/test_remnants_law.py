"""Pieces on remnants: each lies on the one that it is said to lie on, by a plain look that shares no code; odd widths too."""

from __future__ import annotations

from itertools import combinations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ribbon.cloth import Bolt, CutPiece
from ribbon.cloth.layout import layout
from ribbon.errors import Refusal
from ribbon.fraction import Fraction
from ribbon.lengths import UNITS, Length, read_length
from ribbon.shapes import rectangle
from tests.examples import law


def piece(number: int, wide: Length, long: Length, *, turns: bool = False, count: int = 1) -> CutPiece:
    return CutPiece(f"p{number}", f"Piece {number}", rectangle(wide, long), count, may_turn=turns)


SIDES = st.integers(4, 120).map(Length.cm)
PIECES = st.lists(st.tuples(SIDES, SIDES, st.booleans()), min_size=1, max_size=9)
REMNANTS = st.lists(
    st.tuples(st.integers(15, 150).map(Length.cm), st.integers(20, 900).map(Length.cm)), min_size=2, max_size=5
)


@law(200)
@given(PIECES, REMNANTS, st.booleans())
def test_every_piece_lies_on_its_own_remnant(
    sizes: list[tuple[Length, Length, bool]], remnants: list[tuple[Length, Length]], directional: bool
) -> None:
    bolt = Bolt(
        remnants[0][0], directional=directional, at_hand=remnants[0][1], rectangle=True, more=tuple(remnants[1:])
    )
    pieces = [piece(number, wide, long, turns=turns) for number, (wide, long, turns) in enumerate(sizes)]
    widest = max(width for width, _ in remnants)
    if any((min(one.wide, one.long) if one.may_turn and not directional else one.wide) > widest for one in pieces):
        with pytest.raises(Refusal):
            layout(bolt, pieces, bolt.sheets, search=False)
        return
    found = layout(bolt, pieces, bolt.sheets, search=False)
    assert len(found.laid) + len(found.left) == len(pieces)
    spots = []
    for one in found.laid:
        wide, long = (one.piece.long, one.piece.wide) if one.turns % 2 else (one.piece.wide, one.piece.long)
        assert not one.turns or (one.piece.may_turn and not directional)
        width, length = remnants[one.sheet]
        assert one.left.mm >= 0
        assert one.start.mm >= 0
        assert one.left + wide <= width
        assert one.start + long <= length
        spots.append((one.sheet, one.left, one.left + wide, one.start, one.start + long))
    for a, b in combinations(spots, 2):
        assert a[0] != b[0] or a[1] >= b[2] or b[1] >= a[2] or a[3] >= b[4] or b[3] >= a[4]


def test_remnants_are_known_by_their_own_order() -> None:
    """Opened in another order than they were given: the narrow one holds none of these."""
    remnants = [(Length.cm(140), Length.cm(300)), (Length.cm(20), Length.cm(500)), (Length.cm(100), Length.cm(1000))]
    bolt = Bolt(remnants[0][0], at_hand=remnants[0][1], rectangle=True, more=tuple(remnants[1:]))
    found = layout(bolt, [piece(0, Length.cm(75), Length.cm(93), count=9)], bolt.sheets)
    assert not found.left
    assert {one.sheet for one in found.laid} <= {0, 2}


@pytest.mark.parametrize("said", ["44 7/8 in", "53 3/8 in", "1139.825 mm", "133 1/3 cm", "111 1/7 cm"])
def test_pieces_as_wide_as_the_cloth_lie_on_it_whatever_its_width(said: str) -> None:
    usable = read_length(said, UNITS["cm"])
    odd = Length(Fraction(1_000_003, 7_919))
    pieces = [piece(0, usable, odd, count=3), piece(1, usable / 3, odd, count=3), piece(2, odd, usable)]
    found = layout(Bolt(usable), pieces)
    assert len(found.laid) == 7
    assert all(one.left + one.wide <= usable for one in found.laid)
