"""What is kept of a cutting plan lies on the cloth, beside every piece, and nothing larger was there."""

from __future__ import annotations

from itertools import combinations, pairwise, product

from hypothesis import given
from hypothesis import strategies as st

from ribbon.cloth import Bolt, CutPiece, layout
from ribbon.cloth.offcuts import LEAST, MOST, Box, Offcut, offcuts
from ribbon.lengths import ZERO, Length
from tests.core.laws.strategies import law

sizes = st.tuples(st.integers(30, 900), st.integers(30, 1500), st.integers(1, 3))


def apart(one: Box, other: Box) -> bool:
    return one[1] <= other[0] or other[1] <= one[0] or one[3] <= other[2] or other[3] <= one[2]


def largest(across: Length, along: Length, taken: list[Box]) -> Length:
    """The area of the largest empty rectangle, in square millimetres as a length, by trying every pair of lines."""
    xs = sorted({ZERO, across, *(x for box in taken for x in box[:2])}, key=lambda one: one.mm)
    ys = sorted({ZERO, along, *(y for box in taken for y in box[2:])}, key=lambda one: one.mm)
    areas = [ZERO]
    for (left, right), (start, end) in product(combinations(xs, 2), combinations(ys, 2)):
        wide, long = right - left, end - start
        if min(wide, long) >= LEAST and all(apart((left, right, start, end), box) for box in taken):
            areas.append(long * wide.mm)
    return max(areas)


@law(150)
@given(st.integers(900, 1600), st.lists(sizes, min_size=1, max_size=4), st.integers(0, 700))
def test_what_is_kept_is_free_and_the_largest_there_is(
    usable: int, asked: list[tuple[int, int, int]], more: int
) -> None:
    pieces = [
        CutPiece.oblong(str(number), str(number), Length(min(wide, usable)), Length(long), count)
        for number, (wide, long, count) in enumerate(asked)
    ]
    got = layout(Bolt(Length(usable)), pieces, search=False)
    found = offcuts(got, Length(more))
    across, along = Length(usable), got.length + Length(more)
    taken: list[Box] = [(one.left, one.left + one.wide, one.start, one.start + one.long) for one in got.laid]
    assert len(found) <= MOST
    for one in found:
        assert min(one.wide, one.long) >= LEAST
        assert ZERO <= one.left <= one.box[1] <= across
        assert ZERO <= one.start <= one.box[3] <= along
        assert all(apart(one.box, box) for box in taken)
        assert one.long * one.wide.mm == largest(across, along, taken)
        taken.append(one.box)
    areas = [one.long * one.wide.mm for one in found]
    assert all(one >= other for one, other in pairwise(areas))
    if len(found) < MOST:
        assert largest(across, along, taken) == ZERO


def test_what_is_bought_beyond_the_plan_is_kept_too() -> None:
    got = layout(Bolt(Length(1380)), [CutPiece.oblong("a", "a", Length(1380), Length(800))])
    assert offcuts(got, Length(99)) == []
    assert offcuts(got, Length(100)) == [Offcut(0, ZERO, Length(800), Length(1380), Length(100))]


def test_a_sheet_that_nothing_is_cut_from_is_no_offcut() -> None:
    sheets = ((Length(800), Length(900)), (Length(700), Length(600)))
    got = layout(Bolt(Length(800)), [CutPiece.oblong("a", "a", Length(800), Length(600))], sheets)
    used = {one.sheet for one in got.laid}
    assert len(used) == 1
    assert {one.sheet for one in offcuts(got)} <= used
