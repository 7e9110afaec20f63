"""Rectangles on a strip of cloth, as short as can be: several packers are tried and the best plan is kept.

Few pieces are searched until the plan is known to be the best there is; of more the search stops after a fixed amount of
work, so that the same pieces always give the same plan.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from functools import lru_cache
from itertools import chain
from math import gcd
from typing import TYPE_CHECKING, NamedTuple

import rectpack

from ribbon.cloth.fitting import Item, Spot, fitted

if TYPE_CHECKING:
    from ortools.sat.python import cp_model


class Packed(NamedTuple):
    """A spot for every item in the order in which they were given; `best` where no plan can be shorter."""

    spots: tuple[Spot, ...]
    best: bool


_SEARCHED = 9
"""Up to so many pieces the search ends with the best plan."""
_IMPROVED = 40
"""Up to so many the search improves what the quick packers found."""
_WORK, _LONGEST = 0.3, 1.0  # of the solver's own measure of work; seconds, as a guard
_ROUNDS = 400  # orders that are changed at random, where there are few pieces
_PLACED = 800_000  # and so many over the square of how many there are, where there are many


def length_of(items: Sequence[Item], spots: Sequence[Spot]) -> int:
    """How far along the cloth the furthest item reaches."""
    return max((s.start + (i.wide if s.turned else i.long) for i, s in zip(items, spots, strict=True)), default=0)


@lru_cache(maxsize=256)
def packed(width: int, items: tuple[Item, ...], repeat: int, least: int, *, search: bool, seed: int = 1) -> Packed:
    """Where `items` lie on cloth `width` wide so that it is as short as was found; every item fits across it.

    `repeat` is that of the pattern, which matched items begin at (nought for none); `least` is a length that no plan can
    go below.  Without `search` the quick packers alone are asked; another `seed` looks elsewhere.
    """
    whole = gcd(width, repeat, *(side for item in items for side in item[:2])) or 1
    if whole > 1:
        small = tuple(Item(i.wide // whole, i.long // whole, i.turns, i.matched) for i in items)
        found = packed(width // whole, small, repeat // whole, -(-least // whole), search=search, seed=seed)
        return Packed(tuple(Spot(s.left * whole, s.start * whole, s.turned) for s in found.spots), found.best)
    best: tuple[Spot, ...] = ()
    reached = 0
    rounds = min(_ROUNDS, _PLACED // max(1, len(items)) ** 2) // (1 if search else 8)
    by_fit = (spots for spots, _ in fitted(width, items, repeat, rounds, seed))
    for spots in chain(_placed(width, items, repeat), _shelves(width, items, repeat), by_fit):
        length = length_of(items, spots)
        if not best or length < reached:
            best, reached = spots, length
        if reached <= least:
            return Packed(best, best=True)
    if not search or len(items) > _IMPROVED:
        return Packed(best, best=False)
    return _searched(width, items, repeat, least, best)


def _shelves(width: int, items: tuple[Item, ...], repeat: int) -> Iterator[tuple[Spot, ...]]:
    """Plans by the packer of the library, for more pieces than the search ends with."""
    if len(items) <= _SEARCHED or (repeat and any(item.matched for item in items)):
        return
    tall = sum(max(item[:2]) for item in items)
    for stands in _stands(width, items):
        sizes = [(i.long, i.wide) if over else (i.wide, i.long) for i, over in zip(items, stands, strict=True)]
        found = on_bins(sizes, [(width, tall)], rectpack.SkylineBlWm, rectpack.SORT_AREA, sheets=False)
        spots = {index: (x, y) for x, y, index in found}
        if len(spots) == len(items):
            yield tuple(Spot(*spots[n], stands[n]) for n in range(len(items)))


def on_bins(
    sizes: Sequence[tuple[int, int]], bins: Sequence[tuple[int, int]], packer: type, order: object, *, sheets: bool
) -> list[tuple[int, ...]]:
    """(sheet, x, y, index) of every piece that found a place on `bins`, or (x, y, index) without `sheets`."""
    made = rectpack.newPacker(
        rectpack.PackingMode.Offline, rectpack.PackingBin.BFF, pack_algo=packer, sort_algo=order, rotation=False
    )
    # By its own name: what it is called otherwise is the order in which it was opened.
    for number, (wide, long) in enumerate(bins):
        made.add_bin(wide, long, bid=number)
    for index, (wide, long) in enumerate(sizes):
        made.add_rect(wide, long, index)
    made.pack()
    return [
        (opened.bid, rect.x, rect.y, rect.rid) if sheets else (rect.x, rect.y, rect.rid)
        for opened in made
        for rect in opened
    ]


def _stands(width: int, items: Sequence[Item]) -> list[list[bool]]:
    """Which items lie on their side, in each way worth trying: long sides along, long sides across, as given."""
    lying = [
        [i.turns and i.long <= width and (i.wide > width or i.long < i.wide) for i in items],
        [i.turns and i.long <= width and (i.wide > width or i.wide < i.long) for i in items],
        [i.wide > width for i in items],
    ]
    return [stands for n, stands in enumerate(lying) if stands not in lying[:n]]


def _placed(width: int, items: tuple[Item, ...], repeat: int) -> Iterator[tuple[Spot, ...]]:
    """Plans by placing the items one after another as low as they go, in several orders."""
    numbers = range(len(items))
    for stands in _stands(width, items):
        sides = [(i.long, i.wide) if over else (i.wide, i.long) for i, over in zip(items, stands, strict=True)]
        for order in (
            sorted(numbers, key=lambda n: (-sides[n][1], -sides[n][0])),
            sorted(numbers, key=lambda n: sides[n], reverse=True),
            sorted(numbers, key=lambda n: -items[n].wide * items[n].long),
        ):
            yield _laid(width, items, repeat, order, stands)


def _laid(
    width: int, items: tuple[Item, ...], repeat: int, order: Sequence[int], stands: Sequence[bool]
) -> tuple[Spot, ...]:
    """Each item in turn where its far end comes lowest, then furthest to the left."""
    line = [(0, 0)]  # (from here on to the right, the cloth is taken up to there)
    spots: dict[int, Spot] = {}
    for number in order:
        item, turned = items[number], stands[number]
        wide, long = (item.long, item.wide) if turned else (item.wide, item.long)
        step = repeat if item.matched and repeat else 1
        at = min(_niches(line, width, wide, step), default=(0, 0))
        start, left = at
        spots[number] = Spot(left, start, turned)
        line = _raised(line, left, left + wide, start + long, width)
    return tuple(spots[number] for number in range(len(items)))


def _niches(line: list[tuple[int, int]], width: int, wide: int, step: int) -> Iterator[tuple[int, int]]:
    """(start, left) of every place where something so wide can lie."""
    for index, (left, _) in enumerate(line):
        if left + wide > width:
            return
        level, right = 0, left + wide
        for x, height in line[index:]:
            if x >= right:
                break
            level = max(level, height)
        yield -(-level // step) * step, left


def _raised(line: list[tuple[int, int]], left: int, right: int, level: int, width: int) -> list[tuple[int, int]]:
    found: list[tuple[int, int]] = []
    last = 0
    for x, height in line:
        if x < left:
            found.append((x, height))
        if x <= right:
            last = height
    found.append((left, level))
    if right < width:
        found.append((right, last))
    found += [(x, height) for x, height in line if x > right]
    return found


def _searched(width: int, items: tuple[Item, ...], repeat: int, least: int, best: tuple[Spot, ...]) -> Packed:
    """The plan that a solver makes of the best one found so far."""
    # Read in where it is wanted: it takes half a second, and most programs of ours pack nothing.
    from ortools.sat.python import cp_model

    model, most = cp_model.CpModel(), length_of(items, best)
    length = model.new_int_var(least, most, "")
    model.add_hint(length, most)
    across, along, demands = [], [], []
    starts, turns = [], []
    for item, spot in zip(items, best, strict=True):
        left, start = model.new_int_var(0, width, ""), _start(model, most, repeat if item.matched else 0)
        model.add_hint(left, spot.left)
        turned = model.new_bool_var("")
        model.add_hint(turned, spot.turned)
        ways = [(item.wide, item.long, turned.negated()), (item.long, item.wide, turned)]
        if not item.turns:
            model.add(turned == 0)
            ways = ways[:1]
        for wide, long, so in ways:
            if wide > width or long > most:
                model.add(so == 0)
                continue
            across.append(model.new_optional_fixed_size_interval_var(left, wide, so, ""))
            along.append(model.new_optional_fixed_size_interval_var(start, long, so, ""))
            demands.append(wide)
            model.add(left + wide <= width).only_enforce_if(so)
            model.add(start + long <= length).only_enforce_if(so)
        starts.append((left, start))
        turns.append(turned)
    model.add_no_overlap_2d(across, along)
    model.add_cumulative(along, demands, width)
    model.minimize(length)
    solver = cp_model.CpSolver()
    few = len(items) <= _SEARCHED
    solver.parameters.num_workers = 1
    solver.parameters.random_seed = 1
    solver.parameters.max_deterministic_time = _WORK * (3 if few else 1)
    solver.parameters.max_time_in_seconds = _LONGEST
    status = solver.solve(model)
    if status not in (cp_model.OPTIMAL, cp_model.FEASIBLE) or solver.value(length) > most:
        return Packed(best, best=False)
    spots = tuple(
        Spot(solver.value(left), solver.value(start), bool(solver.value(turned)))
        for (left, start), turned in zip(starts, turns, strict=True)
    )
    return Packed(spots, best=status == cp_model.OPTIMAL)


def _start(model: cp_model.CpModel, most: int, repeat: int) -> cp_model.IntVar:
    start = model.new_int_var(0, most, "")
    if repeat:
        times = model.new_int_var(0, most // repeat, "")
        model.add(start == repeat * times)
    return start


def checked(width: int, items: Sequence[Item], repeat: int, spots: Sequence[Spot]) -> bool:
    """True where every item lies inside the cloth, none over another, none turned that may not be, matched ones at a repeat."""
    boxes = []
    for item, spot in zip(items, spots, strict=True):
        wide, long = (item.long, item.wide) if spot.turned else (item.wide, item.long)
        inside = spot.left >= 0 and spot.left + wide <= width and spot.start >= 0
        if not inside or (spot.turned and not item.turns) or (item.matched and repeat and spot.start % repeat):
            return False
        boxes.append((spot.left, spot.left + wide, spot.start, spot.start + long))
    boxes.sort(key=lambda box: box[2])
    for index, (a, b, c, d) in enumerate(boxes):
        for e, f, g, _ in boxes[index + 1 :]:
            if g >= d:
                break
            if a < f and e < b and c < d:
                return False
    return True
