"""Pieces laid on cloth: few of them as short as can be, and none over another."""

from __future__ import annotations

from random import Random

import pytest

from ribbon.cloth.bolt import Bolt
from ribbon.cloth.fitting import Item, Spot, fitted
from ribbon.cloth.layout import layout
from ribbon.cloth.packing import checked, length_of, packed
from ribbon.cloth.piece import CutPiece
from ribbon.lengths import Length


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


def test_what_is_fitted_is_as_long_as_told_and_never_longer_than_before() -> None:
    rolls = Random(5)
    for seed in range(80):
        width, repeat = rolls.randint(90, 150), rolls.choice([0, 0, 16, 32])
        items = tuple(
            # One that is wider than the cloth must turn.
            Item(
                *((wide, rolls.randint(5, 90)) if wide <= width else (wide, width)),
                wide > width or rolls.random() < 0.5,
                rolls.random() < 0.5,
            )
            for wide in (rolls.randint(5, 170) for _ in range(rolls.randint(1, 30)))
        )
        lengths = []
        for spots, length in fitted(width, items, repeat, 40, seed):
            assert checked(width, items, repeat, spots)
            assert length == length_of(items, spots)
            assert all(item.turns or not spot.turned for item, spot in zip(items, spots, strict=True))
            assert all(
                not (item.matched and repeat) or spot.start % repeat == 0
                for item, spot in zip(items, spots, strict=True)
            )
            lengths.append(length)
        assert lengths == sorted(lengths, reverse=True)
        assert lengths[-1] * width >= sum(item.wide * item.long for item in items)


def test_sixty_pieces_come_near_the_least_that_any_plan_takes() -> None:
    pieces = [
        CutPiece.oblong(
            f"{n}", f"piece {n}", Length(60 + n * 137 % 620), Length(50 + n * 211 % 830), may_turn=n % 3 > 0
        )
        for n in range(60)
    ]
    looks = [layout(Bolt(Length(1380)), pieces, seed=seed) for seed in (1, 4)]
    assert all(made.again for made in looks)
    assert max(float(made.closeness) for made in looks) <= 1.05
    assert looks[0].length != looks[1].length
