"""Rectangles fitted one by one into the lowest gap along the cloth, whichever fits it best; orders are changed at random.

The front of what is laid is a line of steps across the cloth.  At its lowest step the piece is laid that fills the step
across and ends level with a neighbour, else the one that does either, else the first in the order of preference that is
narrow enough; where none is, the step is given up to the lower of its neighbours.
"""

from __future__ import annotations

import random
from collections.abc import Callable, Iterator, Sequence
from typing import NamedTuple


class Item(NamedTuple):
    """A rectangle `wide` across and `long` along; one that `turns` may lie on its side, one that is `matched` begins at a whole repeat."""

    wide: int
    long: int
    turns: bool = False
    matched: bool = False


class Spot(NamedTuple):
    """Where an item lies: from the left edge, from the start, on its side or not."""

    left: int
    start: int
    turned: bool


class _Step(NamedTuple):
    """A stretch of the front, across the cloth, and how far along the cloth is taken up there."""

    left: int
    level: int
    wide: int


class _Fit(NamedTuple):
    """What is needed to lay an item at a step: its place in the order, how wide it lies, where it ends, its spot."""

    at: int
    wide: int
    ends: int
    spot: Spot


_BEST = 3  # fills the step, and ends level with a neighbour
_ORDERS: tuple[Callable[[Item], int], ...] = (
    lambda item: max(item.wide, item.long),
    lambda item: item.wide * item.long,
    lambda item: item.wide,
    lambda item: item.long,
    lambda item: item.wide + item.long,
)


def fitted(
    width: int, items: Sequence[Item], repeat: int, rounds: int, seed: int
) -> Iterator[tuple[tuple[Spot, ...], int]]:
    """(plan, length), each shorter than the one before or as short: by five orders, then by so many changed at random."""
    numbers = range(len(items))
    best: tuple[int, list[int]] | None = None
    for size in _ORDERS:
        order = sorted(numbers, key=lambda n: -size(items[n]))
        found = _laid(width, items, repeat, order, best[0] if best else None)
        if found is not None:
            best = found[1], order
            yield found
    chance = random.Random(seed)  # noqa: S311  any seed does, as long as it is the same each time
    for _ in range(rounds if best and len(items) > 1 else 0):
        length, order = best[0], list(best[1])  # type: ignore[index]
        a, b = chance.randrange(len(order)), chance.randrange(len(order))
        if chance.random() < 0.5:
            order[a], order[b] = order[b], order[a]
        else:
            order.insert(a, order.pop(b))
        found = _laid(width, items, repeat, order, length)
        if found is not None:
            best = found[1], order
            if found[1] < length:
                yield found


def _laid(
    width: int, items: Sequence[Item], repeat: int, order: Sequence[int], most: int | None
) -> tuple[tuple[Spot, ...], int] | None:
    """The plan of one order of preference and its length; None as soon as that is longer than `most`."""
    front = [_Step(0, 0, width)]
    left_over = list(order)
    spots: list[Spot | None] = [None] * len(items)
    length = 0
    while left_over:
        lowest = min(range(len(front)), key=lambda n: front[n].level)
        step = front[lowest]
        before = front[lowest - 1].level if lowest else None
        after = front[lowest + 1].level if lowest + 1 < len(front) else None
        fit = _best_fit(step, before, after, items, left_over, repeat)
        if fit is None:
            up = min(level for level in (before, after) if level is not None)
            front[lowest] = step._replace(level=up)
        else:
            if most is not None and fit.ends > most:
                return None
            spots[left_over.pop(fit.at)] = fit.spot
            length = max(length, fit.ends)
            rest = step.wide - fit.wide
            laid = _Step(fit.spot.left, fit.ends, fit.wide)
            if not rest:
                front[lowest] = laid
            elif fit.spot.left == step.left:
                front[lowest : lowest + 1] = [laid, _Step(step.left + fit.wide, step.level, rest)]
            else:
                front[lowest : lowest + 1] = [_Step(step.left, step.level, rest), laid]
        front = _evened(front)
    return tuple(spot for spot in spots if spot is not None), length


def _best_fit(
    step: _Step, before: int | None, after: int | None, items: Sequence[Item], left_over: Sequence[int], repeat: int
) -> _Fit | None:
    """Beside the higher neighbour, the edge of the cloth counting as the highest."""
    room, level = step.wide, step.level
    on_left = before is None or (after is not None and before >= after)
    best: _Fit | None = None
    score = -1
    for at, number in enumerate(left_over):
        wide, long, turns, matched = items[number]
        start = -(-level // repeat) * repeat if matched and repeat else level
        for turned in (False, True) if turns else (False,):
            if turned:
                wide, long = long, wide
            if wide > room:
                continue
            ends = start + long
            good = (2 if wide == room else 0) + (ends in (before, after))
            if good > score:
                score = good
                left = step.left if on_left else step.left + room - wide
                best = _Fit(at, wide, ends, Spot(left, start, turned))
        if score == _BEST:
            break
    return best


def _evened(front: list[_Step]) -> list[_Step]:
    """The same front, neighbours as far along made one step."""
    found = front[:1]
    for step in front[1:]:
        last = found[-1]
        if step.level == last.level:
            found[-1] = _Step(last.left, last.level, last.wide + step.wide)
        else:
            found.append(step)
    return found
