"""Pieces laid on cloth: few of them as short as can be, and none over another."""

from __future__ import annotations

from random import Random

import pytest

from ribbon.cloth.packing import Item, Spot, checked, length_of, packed


@pytest.mark.parametrize(
    ("width", "sizes", "turns", "length"),
    [
        (140, [(25, 68), (74, 100), (64, 120)], True, 125),
        (110, [(59, 72), (33, 90), (20, 41), (51, 78), (61, 74)], False, 187),
        (137, [(137, 90)] * 4, False, 360),
    ],
)
def test_few_pieces_are_laid_as_short_as_can_be(
    width: int, sizes: list[tuple[int, int]], turns: bool, length: int
) -> None:
    items = tuple(Item(wide, long, turns) for wide, long in sizes)
    found = packed(width, items, 0, 0, search=True)
    assert found.best
    assert length_of(items, found.spots) == length


def test_nothing_lies_over_anything_and_repeats_are_kept() -> None:
    rolls = Random(11)
    for _ in range(60):
        width, repeat = rolls.randint(90, 150), rolls.choice([0, 16, 32])
        items = tuple(
            Item(rolls.randint(5, 90), rolls.randint(5, 140), False, rolls.random() < 0.5)
            for _ in range(rolls.randint(1, 12))
        )
        spots = packed(width, items, repeat, 0, search=False).spots
        boxes = [
            (s.left, s.start, s.left + (i.long if s.turned else i.wide), s.start + (i.wide if s.turned else i.long))
            for i, s in zip(items, spots, strict=True)
        ]
        assert all(left >= 0 and right <= width and start >= 0 for left, start, right, _ in boxes)
        assert all(spot.start % repeat == 0 for item, spot in zip(items, spots, strict=True) if item.matched and repeat)
        for n, a in enumerate(boxes):
            for b in boxes[n + 1 :]:
                assert a[2] <= b[0] or b[2] <= a[0] or a[3] <= b[1] or b[3] <= a[1]


def test_what_lies_over_another_piece_is_found_out() -> None:
    items = (Item(50, 50), Item(50, 50))
    assert checked(100, items, 0, (Spot(0, 0, False), Spot(50, 0, False)))
    assert not checked(100, items, 0, (Spot(0, 0, False), Spot(49, 0, False)))
