"""Where a long strip is joined, by several strategies."""

from __future__ import annotations

from collections.abc import Callable
from enum import StrEnum
from itertools import pairwise
from math import ceil
from typing import NamedTuple

from ribbon.errors import Refusal, refuse
from ribbon.fraction import Fraction
from ribbon.lengths import Length
from ribbon.readings.places import Allowed, Better, Join, Place, Places, Reach
from ribbon.readings.spread import Spread

MOST_WIDTHS = 400
_MOST_SEARCHED = 60  # joins: past so many each is put where it is best by itself


class Width(NamedTuple):
    """One piece to cut: its share of the flat width, and its cut width with the allowances at both its edges."""

    flat: Length
    cut: Length


class Joined(NamedTuple):
    """The joins in order and the widths between them; their cut widths add up to the flat width and every allowance.

    `least` is how many widths there would be at the least, wherever the joins stood; `hiding` tells that more may have
    been taken to hide them all.
    """

    joins: list[Join]
    widths: list[Width]
    least: int = 1
    hiding: bool = False

    @property
    def shown(self) -> int:
        """How many joins do not hide."""
        return sum(not join.hidden for join in self.joins)


class Strategy(StrEnum):
    """How a strip is shared over widths of cloth."""

    FEWEST = "fewest"
    FALL = "fall"
    EQUAL = "equal"
    SAME_PLEATS = "same_pleats"
    HALF_OUTSIDE = "half_outside"
    HALF_LAST = "half_last"
    AT_PLEATS = "at_pleats"

    @property
    def says(self) -> str:
        """The strategy as one would say it."""
        return _SAYS[self]


_SAYS = {
    Strategy.FEWEST: "every join hidden, each width as far as it reaches",
    Strategy.FALL: "as few widths as can be, joins where they fall",
    Strategy.EQUAL: "widths as nearly equal as hidden places allow",
    Strategy.SAME_PLEATS: "the same whole pleats on every width",
    Strategy.HALF_OUTSIDE: "a half width first, to go to the outside",
    Strategy.HALF_LAST: "a half width last, for what hangs to the other side",
    Strategy.AT_PLEATS: "a join in the underlay of every pleat",
}


def joined(laid: Spread, usable: Length, allowed: Allowed, strategy: Strategy = Strategy.FEWEST) -> Joined:
    """The joins and the widths of a strip spread flat, on cloth `usable` wide.

    A join hides where no cloth or fold that shows comes within its allowance and a division of the tape.  Hidden joins
    stand on inner folds where that takes no more widths than letting them stand anywhere behind; one that may stand
    anywhere makes its width whole on the tape, where that takes no width more.  A width that reaches past the end of the
    strip and may not end it, its end taking more than a join, leaves half a width to the last one.
    Raises `Refusal` where the cloth is too narrow to hold its allowances, or where the strategy cannot be followed.
    """
    asked = usable, allowed, strategy
    found: Joined | None = laid.known.get(asked)
    if found is None:
        found = laid.known[asked] = _joined(laid, usable, allowed, strategy)
    return found


def _joined(laid: Spread, usable: Length, allowed: Allowed, strategy: Strategy) -> Joined:
    if strategy in (Strategy.HALF_OUTSIDE, Strategy.HALF_LAST):
        # They say themselves at which end the half one is: a half one last is the mirror of a half one first.
        allowed, strategy = allowed._replace(from_end=strategy is Strategy.HALF_LAST), Strategy.HALF_OUTSIDE
    if allowed.from_end:
        made = joined(laid.turned, usable, allowed.turned, strategy)
        joins = [join._replace(at=laid.whole - join.at) for join in reversed(made.joins)]
        return made._replace(joins=joins, widths=made.widths[::-1])
    tried = []
    places: Places | None = None
    for even in (True, False) if allowed.tape else (False,):
        reach = Reach(laid, usable, allowed, even=even)
        _counted(reach, usable)
        places = Places(laid, reach) if places is None else places.within(reach)
        chosen = _BY_STRATEGY[strategy](places, reach)
        if chosen is not None:
            tried.append([places.join(at) for at in chosen])
            if len(chosen) <= reach.least and all(join.hidden for join in tried[-1]):
                break  # nothing was given up
    if not tried:
        least = allowed.join + max(allowed.start, allowed.end, allowed.join) + Length(1)
        raise refuse(
            "too_narrow",
            "cloth.usable",
            f"{float(usable.mm):g} mm",
            "the cloth is too narrow to hold even its own allowances",
            f"use cloth wider than {float(least.mm):g} mm, or narrower allowances",
        )
    # What is given up for whole divisions must neither cost a width nor show a join.
    best = min(tried, key=lambda joins: (sum(not join.hidden for join in joins), len(joins)))
    if allowed.tape is not None and places is not None and strategy is not Strategy.AT_PLEATS:
        # Half a width is folded, not measured.
        keep = 1 if strategy is Strategy.HALF_OUTSIDE else 0
        best = _settled(best, places.within(Reach(laid, usable, allowed)), keep)
    return _measured(best, laid, allowed)._replace(least=reach.least + 1, hiding=strategy is Strategy.FEWEST)


def _settled(joins: list[Join], places: Places, keep: int) -> list[Join]:
    """Those joins, past the first `keep`, at divisions of the tape wherever they hide there as well and every width holds its own."""
    reach = places.reach
    found: list[Join] = []
    after: Place = 0
    for index, join in enumerate(joins):
        last = index == len(joins) - 1
        holds = reach.to_end[False] if last else reach.to_join[False]
        least = (reach.whole if last else joins[index + 1].at) - holds
        most = reach.room(after, first=index == 0) or join.at
        settled = places.settled(join.at, after, least, most) if index >= keep else join
        found.append(settled)
        after = settled.at
    return found


def _counted(reach: Reach, usable: Length) -> None:
    """Raises `Refusal` where there are more widths than can be laid at once: they are counted before they are laid."""
    if reach.least >= MOST_WIDTHS:
        raise refuse(
            "too_many",
            "cloth.usable",
            f"{float(usable.mm):g} mm",
            f"this edge takes {reach.least + 1} widths of cloth {float(usable.mm):g} mm wide",
            f"use wider cloth or make the edge shorter: at most {MOST_WIDTHS} widths are laid at once",
        )


def fewest_hidden(laid: Spread, usable: Length, allowed: Allowed) -> int:
    """How many widths there are at the least when every join hides; nought where not all can.  Quick, for long searches."""
    if allowed.from_end:
        return fewest_hidden(laid.turned, usable, allowed.turned)
    reach = Reach(laid, usable, allowed, even=False)
    _counted(reach, usable)
    places = Places(laid, reach)
    at: Place = 0
    many = 1
    while not reach.ends(at, first=many == 1):
        end = reach.room(at, first=many == 1)
        best = (
            None
            if end is None
            else max((place for _, place in places.furthest(at, at, end, Better.CLEAR)), default=None)
        )
        if best is None:
            return 0
        at, many = best, many + 1
    return many


def strategies(laid: Spread, usable: Length, allowed: Allowed) -> list[tuple[Strategy, Joined]]:
    """Every strategy that can be followed, with what it comes to."""
    found: list[tuple[Strategy, Joined]] = []
    for strategy in Strategy:
        try:
            made = joined(laid, usable, allowed, strategy)
        except Refusal:
            continue
        found.append((strategy, made))
    return found


def _measured(chosen: list[Join], laid: Spread, allowed: Allowed) -> Joined:
    ends: list[Place] = [0, *(join.at for join in chosen), laid.whole]
    widths = []
    for index, (a, b) in enumerate(pairwise(ends)):
        before = allowed.start if index == 0 else allowed.join
        after = allowed.end if index == len(chosen) else allowed.join
        flat = laid.length(b - a)
        widths.append(Width(flat, before + flat + after))
    return Joined(chosen, widths)


def _fewest(places: Places, reach: Reach) -> list[Place] | None:
    """Every join hidden where it can be: on folds if that takes no more widths than anywhere behind."""
    tried = [_run(places, reach, worst) for worst in (Better.FOLD, Better.CLEAR)]
    whole = [joins for joins in tried if joins is not None]

    def cost(joins: list[Place]) -> tuple[int, int]:
        return sum(not places.join(at).hidden for at in joins), len(joins)

    if whole and min(cost(joins)[0] for joins in whole) > 0:
        # Not all can hide: then no more widths are spent on it than hide more of them.
        whole.append(_fall(places, reach) or whole[0])
    return min(whole, key=cost) if whole else None


def _run(places: Places, reach: Reach, wanted: Better) -> list[Place] | None:
    """The joins from left to right, each at the furthest place that is as good as `wanted`, else at the best there is."""
    found: list[Place] = []
    at: Place = 0
    while not reach.ends(at, first=not found):
        end = reach.room(at, first=not found)
        if end is None:
            return None
        at = _furthest(places, at, at, end, wanted)
        found.append(at)
    return found


def _furthest(places: Places, after: Place, least: Place, reach: Place, wanted: Better) -> Place:
    """The furthest place of those as good as `wanted`; without one, the best there is."""
    good: Place | None = None
    for better, at in places.furthest(after, least, reach):
        if better > wanted:
            return at if good is None else good
        good = at if good is None or at > good else good
    return places.reach.inside(reach) if good is None else good


def _fall(places: Places, reach: Reach) -> list[Place] | None:
    """As few joins as can be, as many of them hidden as that allows."""
    many = reach.least
    if many == 0:
        return [] if reach.ends(0, first=True) else None
    return _so_many(places, reach, many, reach.to_join[True], reach.to_end[False])


def _so_many(places: Places, reach: Reach, many: int, first: Place, last: Place) -> list[Place] | None:
    """So many joins, as many of them hidden as can be, where the first width holds `first` and the last one `last`.

    Of joins that hide so many, the one that reaches furthest leaves the most to those after it: so it is enough to keep,
    for each number hidden, the furthest that so many joins come.
    """
    if many > _MOST_SEARCHED:
        return _one_by_one(places, reach, many, first, last)
    best: dict[int, list[Place]] = {0: []}
    for number in range(1, many + 1):
        least = _least(reach, number, many, last)
        then: dict[int, list[Place]] = {}
        for hides, joins in best.items():
            after: Place = joins[-1] if joins else 0
            end = after + (reach.to_join[False] if joins else first)
            if end <= after:
                return None
            for better, at in places.furthest(after, least, end):
                total = hides + (better <= Better.CLEAR)
                if total not in then or then[total][-1] < at:
                    then[total] = [*joins, at]
        best = then
    whole = {hides: joins for hides, joins in best.items() if joins and reach.whole - joins[-1] <= last}
    return whole[max(whole)] if whole else None


def _least(reach: Reach, number: int, many: int, last: Place) -> Place:
    """How far the join with that number must come, for the rest to be enough where the last width holds `last`."""
    return reach.whole - last - (many - number) * reach.to_join[False]


def _one_by_one(places: Places, reach: Reach, many: int, first: Place, last: Place) -> list[Place] | None:
    found: list[Place] = []
    for number in range(1, many + 1):
        after: Place = found[-1] if found else 0
        end = after + (reach.to_join[False] if found else first)
        if end <= after:
            return None
        found.append(_furthest(places, after, _least(reach, number, many, last), end, Better.CLEAR))
    return found


def _equal(places: Places, reach: Reach) -> list[Place] | None:
    """As many widths as the fewest, each join at the hidden place nearest to an equal share that its width reaches."""
    fewest = _fewest(places, reach)
    if not fewest:
        return fewest
    found: list[Place] = []
    many = len(fewest) + 1
    at: Place = 0
    for index in range(1, many):
        wanted = Fraction(reach.whole * index, many)
        end = reach.room(at, first=not found)
        if end is None:
            return None
        least = _least(reach, index, many - 1, reach.to_end[False])
        place = places.nearest(at, wanted, least, end)
        if place is None:
            return fewest
        at = place
        found.append(at)
    return found if reach.ends(at, first=False) else fewest


def _same_pleats(places: Places, reach: Reach) -> list[Place] | None:
    """The same number of whole pleats on every width, as many as one holds; a join at the first fold behind each lot."""
    folds = places.last_folds
    if len(folds) < 2:
        raise _cannot("there are not two pleats to share out")
    pitch = max(b - a for a, b in pairwise(folds))
    room = reach.room(0, first=False)
    each = (room or 0) // pitch
    if each < 1:
        raise _cannot("one width does not hold a whole pleat with its allowances")
    for lot in range(min(each, len(folds)), 0, -1):
        count = ceil(len(folds) / lot) - 1
        found: list[Place] = [folds[index * lot - 1] for index in range(1, count + 1) if index * lot < len(folds)]
        if _fits(reach, found):
            return found
    raise _cannot("no equal lot of pleats fits the cloth with its allowances")


def _fits(reach: Reach, found: list[Place]) -> bool:
    """True where every width between those joins is no wider than the cloth."""
    starts = [0, *found]
    return all(
        reach.ends(a, first=index == 0)
        if index == len(starts) - 1
        else starts[index + 1] <= (reach.room(a, first=index == 0) or 0)
        for index, a in enumerate(starts)
    )


def _half_outside(places: Places, reach: Reach) -> list[Place] | None:
    """A half width at the start, whole ones after it; no more of them than are needed."""
    first, last = reach.half, reach.to_end[False]
    if min(first, last) <= 0 or reach.to_join[False] <= 0 or reach.ends(0, first=True):
        raise _cannot("half a width holds nothing, or one width holds it all")
    many = 1 + max(0, ceil(Fraction(reach.whole - first - last, reach.to_join[False])))
    return _so_many(places, reach, many, first, last)


def _at_pleats(places: Places, reach: Reach) -> list[Place] | None:
    """A join behind every pleat, so that each segment is a piece of its own; one that the cloth is too narrow for is halved,

    or parted evenly in as few as it takes: those joins show.
    """
    if not places.underlays and not places.closes_behind:
        raise _cannot("these pleats have no middle to hide a seam in")
    found: list[Place] = []
    starts = [0, *(at for at, _ in places.underlays)]
    for index, at in enumerate(starts):
        last = index == len(starts) - 1
        found += _parted(reach, at, None if last else starts[index + 1], first=index == 0)
    return found


_MOST_PARTS = 50


def _parted(reach: Reach, start: Place, end: Place | None, *, first: bool) -> list[Place]:
    """The joins of a segment, the one at its end too; `end` is None where it is the last."""
    to = reach.whole if end is None else end
    for many in range(1, _MOST_PARTS):
        inside: list[Place] = [start + Fraction((to - start) * part, many) for part in range(1, many)]
        begins = [start, *inside]
        holds = all(
            reach.ends(a, first=first and number == 0)
            if end is None and number == many - 1
            else (inside[number] if number < many - 1 else to) <= (reach.room(a, first=first and number == 0) or 0)
            for number, a in enumerate(begins)
        )
        if holds:
            return inside if end is None else [*inside, end]
    raise _cannot("a segment between two pleats is wider than the cloth can be joined to")


_BY_STRATEGY: dict[Strategy, Callable[[Places, Reach], list[Place] | None]] = {
    Strategy.FEWEST: _fewest,
    Strategy.FALL: _fall,
    Strategy.EQUAL: _equal,
    Strategy.SAME_PLEATS: _same_pleats,
    Strategy.HALF_OUTSIDE: _half_outside,
    Strategy.AT_PLEATS: _at_pleats,
}


def _cannot(why: str) -> Refusal:
    return refuse("no_such_joins", "cutting.strategy", "", why, "share the widths another way")
