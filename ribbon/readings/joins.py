"""Where a long strip is joined so that no join shows, by several strategies (work, section 8)."""

from __future__ import annotations

from bisect import bisect_left, bisect_right
from collections.abc import Callable
from enum import StrEnum
from fractions import Fraction
from itertools import pairwise
from math import ceil, floor
from typing import NamedTuple

from ribbon.errors import Refusal, refuse
from ribbon.lengths import Length
from ribbon.strip import LineKind, Role, Strip, Walk

Place = int | Fraction
"""A place along the strip, in parts of the walk."""
_START: Place = 0


class Join(NamedTuple):
    """A join: its place in parts of the walk, where that is in words, the pleat it is in (0 for none), and whether it hides.

    On a fold the place is whole; in between it need not be.
    """

    at: Place
    where: str
    pleat: int
    hidden: bool


class Width(NamedTuple):
    """One piece to cut: its share of the flat width, and its cut width with the allowances at both its edges."""

    flat: Length
    cut: Length


class Allowed(NamedTuple):
    """The seam allowances at the start and the end of the strip and at each edge of a join, and the tape widths are cut by."""

    start: Length
    end: Length
    join: Length
    tape: Length | None = None


class Joined(NamedTuple):
    """The joins in order and the widths between them; their cut widths add up to the flat width and every allowance."""

    joins: list[Join]
    widths: list[Width]

    @property
    def shown(self) -> int:
        """How many joins do not hide."""
        return sum(not join.hidden for join in self.joins)


class Strategy(StrEnum):
    """How a strip is shared over widths of cloth."""

    FEWEST = "fewest"
    EQUAL = "equal"
    SAME_PLEATS = "same_pleats"
    HALF_OUTSIDE = "half_outside"
    AT_PLEATS = "at_pleats"

    @property
    def says(self) -> str:
        """The strategy as one would say it."""
        return _SAYS[self]


_SAYS = {
    Strategy.FEWEST: "each width as far as it reaches",
    Strategy.EQUAL: "widths as nearly equal as hidden places allow",
    Strategy.SAME_PLEATS: "the same whole pleats on every width",
    Strategy.HALF_OUTSIDE: "a half width first, to go to the outside",
    Strategy.AT_PLEATS: "a join in the underlay of every pleat",
}


def joined(
    strip: Strip, walked: Walk, usable: Length, allowed: Allowed, strategy: Strategy = Strategy.FEWEST
) -> Joined:
    """The joins and the widths of `strip` on cloth `usable` wide.

    Joins stand on inner folds where that takes no more widths than letting them fall anywhere in an underlay.  There
    they keep their seam's allowance clear of the folds that show, and one that may stand anywhere makes its width whole
    on the tape: each as long as it takes no width more and shows no join more.
    Raises `Refusal` where the cloth is too narrow to get from one hidden place to the next with its allowances, or
    where the strategy cannot be followed.
    """
    within = _Within(walked, usable, allowed)
    chosen = _BY_STRATEGY[strategy](_Places(strip, walked, within, clear=True), within)
    if within.chose and chosen is not None:
        # What was given up for the tape or for a clear seam must not cost a width: the first of the least is the best.
        tried = [chosen]
        for clear, tape in ((True, None), (False, allowed.tape), (False, None)):
            freer = _Within(walked, usable, allowed._replace(tape=tape))
            tried.append(_BY_STRATEGY[strategy](_Places(strip, walked, freer, clear=clear), freer) or chosen)
        chosen = min(tried, key=lambda joins: (sum(not join.hidden for join in joins), len(joins)))
    if chosen is None:
        least = allowed.join * 2 + Length(1)
        raise refuse(
            "too_narrow",
            "cloth.usable",
            f"{float(usable.mm):g} mm",
            "the cloth is too narrow to hold even its own allowances",
            f"use cloth wider than {float(least.mm):g} mm, or narrower allowances",
        )
    return _measured(chosen, walked, allowed)


def strategies(strip: Strip, walked: Walk, usable: Length, allowed: Allowed) -> list[tuple[Strategy, Joined]]:
    """Every strategy that can be followed, with what it comes to."""
    found: list[tuple[Strategy, Joined]] = []
    for strategy in Strategy:
        try:
            made = joined(strip, walked, usable, allowed, strategy)
        except Refusal:
            continue
        found.append((strategy, made))
    return found


def _measured(chosen: list[Join], walked: Walk, allowed: Allowed) -> Joined:
    ends: list[Place] = [0, *(join.at for join in chosen), walked.flat[-1]]
    widths = []
    for index, (a, b) in enumerate(pairwise(ends)):
        before = allowed.start if index == 0 else allowed.join
        after = allowed.end if index == len(chosen) else allowed.join
        flat = walked.length(b - a)
        widths.append(Width(flat, before + flat + after))
    return Joined(chosen, widths)


class _Within:
    """What one width of cloth holds, in whole parts of the walk."""

    def __init__(self, walked: Walk, usable: Length, allowed: Allowed) -> None:
        self.whole = walked.flat[-1]

        def room(cloth: Length, before: Length, after: Length) -> Place:
            return _whole((cloth - before - after).mm * walked.parts)

        firsts = ((True, allowed.start), (False, allowed.join))
        self._to_join = {first: room(usable, before, allowed.join) for first, before in firsts}
        self._to_end = {first: room(usable, before, allowed.end) for first, before in firsts}
        self._half = room(usable / 2, allowed.start, allowed.join)
        self._seams = {first: _whole((before + allowed.join).mm * walked.parts) for first, before in firsts}
        self._division = _whole(allowed.tape.mm * walked.parts) if allowed.tape else None
        self.chose = False
        """Whether a place was given up for one that is better cut or hides better."""
        self.seam = _whole(allowed.join.mm * walked.parts)

    @property
    def least(self) -> int:
        """How many joins there are at the least, wherever they stand."""
        if self.ends(0, first=True) or self._to_join[False] <= 0:
            return 0
        return 1 + max(0, -((self._to_join[True] + self._to_end[False] - self.whole) // self._to_join[False]))

    def reach(self, at: Place, *, first: bool, half: bool = False) -> Place | None:
        """How far a width that begins at `at` reaches; None where it holds nothing.  Only the first may be a half."""
        room = self._half if half else self._to_join[first]
        return at + room if room > 0 else None

    def even(self, after: Place, least: Place, at: Place) -> Place:
        """The furthest place up to `at` that makes the width from `after` whole on the tape; `at` if that is no further than `least`."""
        if self._division is None:
            return at
        seams = self._seams[after == 0]
        place = after + floor((at - after + seams) / self._division) * self._division - seams
        if place == at or place <= least:
            return at
        self.chose = True
        return place

    def ends(self, at: Place, *, first: bool) -> bool:
        """True where a width that begins at `at` takes all the rest."""
        return self.whole - at <= self._to_end[first]


def _whole(parts: Fraction) -> Place:
    """As a whole number where it is one: that is quicker to reckon with."""
    return parts.numerator if parts.denominator == 1 else parts


def _fewest(places: _Places, within: _Within) -> list[Join] | None:
    on_folds = _run(places, within, folds_only=True)
    if on_folds is not None and len(on_folds) <= within.least:
        return on_folds
    anywhere = _run(places, within, folds_only=False)
    return on_folds if on_folds is not None and (anywhere is None or len(on_folds) <= len(anywhere)) else anywhere


def _run(places: _Places, within: _Within, *, folds_only: bool, begun: list[Join] | None = None) -> list[Join] | None:
    """The joins from left to right, each as far as its width reaches; None where a width reaches nothing."""
    found = list(begun or [])
    at = found[-1].at if found else _START
    while not within.ends(at, first=not found):
        reach = within.reach(at, first=not found)
        if reach is None:
            return None
        join = places.furthest(at, reach, folds_only=folds_only)
        found.append(join)
        at = join.at
    return found


def _equal(places: _Places, within: _Within) -> list[Join] | None:
    """As many widths as the fewest, each join at the hidden place nearest to an equal share that its width reaches."""
    fewest = _fewest(places, within)
    if not fewest:
        return fewest
    found: list[Join] = []
    many, at = len(fewest) + 1, _START
    for index in range(1, many):
        wanted = Fraction(within.whole * index, many)
        reach = within.reach(at, first=not found)
        if reach is None:
            return None
        join = places.nearest(at, wanted, reach)
        found.append(join)
        at = join.at
    if within.ends(at, first=False):
        return found
    return fewest


def _same_pleats(places: _Places, within: _Within) -> list[Join] | None:
    """The same number of whole pleats on every width, as many as one holds; a join at the first fold behind each lot."""
    folds = places.inner_by_pleat
    if len(folds) < 2:
        raise _cannot("there are not two pleats to share out")
    pitch = max(b - a for a, b in pairwise(folds))
    room = within.reach(0, first=False)
    each = (room or 0) // pitch
    if each < 1:
        raise _cannot("one width does not hold a whole pleat with its allowances")
    for lot in range(min(each, len(folds)), 0, -1):
        count = ceil(len(folds) / lot) - 1
        found = [places.at_fold(folds[index * lot - 1]) for index in range(1, count + 1) if index * lot < len(folds)]
        starts = [0, *(join.at for join in found)]
        fits = all(
            within.ends(a, first=index == 0)
            if index == len(starts) - 1
            else starts[index + 1] <= (within.reach(a, first=index == 0) or 0)
            for index, a in enumerate(starts)
        )
        if fits:
            return found
    raise _cannot("no equal lot of pleats fits the cloth with its allowances")


def _half_outside(places: _Places, within: _Within) -> list[Join] | None:
    """A half width at the start, whole ones after it."""
    reach = within.reach(0, first=True, half=True)
    if reach is None or within.ends(0, first=True):
        raise _cannot("half a width holds nothing, or one width holds it all")
    return _run(places, within, folds_only=False, begun=[places.furthest(0, reach, folds_only=False)])


def _at_pleats(places: _Places, within: _Within) -> list[Join] | None:
    """A join in the middle of every underlay, so that each segment is a piece of its own (work, section 15)."""
    if not places.centres:
        raise _cannot("these pleats have no middle to hide a seam in")
    found = [Join(at, f"middle of the underlay of pleat {pleat}", pleat, hidden=True) for at, pleat in places.centres]
    starts = [0, *(join.at for join in found)]
    for index, a in enumerate(starts):
        last = index == len(starts) - 1
        if not (
            within.ends(a, first=index == 0) if last else starts[index + 1] <= (within.reach(a, first=index == 0) or 0)
        ):
            raise _cannot("a segment between two pleats is wider than the cloth")
    return found


_BY_STRATEGY: dict[Strategy, Callable[[_Places, _Within], list[Join] | None]] = {
    Strategy.FEWEST: _fewest,
    Strategy.EQUAL: _equal,
    Strategy.SAME_PLEATS: _same_pleats,
    Strategy.HALF_OUTSIDE: _half_outside,
    Strategy.AT_PLEATS: _at_pleats,
}


def _cannot(why: str) -> Refusal:
    return refuse("no_such_joins", "cutting.strategy", "", why, "share the widths another way")


class _Places:
    """The places on a strip where a join hides."""

    def __init__(self, strip: Strip, walked: Walk, within: _Within, *, clear: bool) -> None:
        self.strip, self.flat, self.within, self.clear = strip, walked.flat, within, clear
        self.at = [walked.flat[line.after + 1] for line in strip.lines]
        self.inner = self._of(LineKind.INNER)
        self._inner = set(self.inner)
        # A pinch hides a join just behind the sew line that begins it.
        begun: dict[int, int] = {}
        for at, pleat in self._of(LineKind.SEW):
            begun.setdefault(pleat, at)
        self.sewn = [(at, pleat) for pleat, at in begun.items()]
        self.folds = sorted(self.inner + self.sewn)

    def _of(self, kind: LineKind) -> list[tuple[int, int]]:
        """(place, pleat) of every line of that kind."""
        return [(at, line.pleat) for at, line in zip(self.at, self.strip.lines, strict=True) if line.kind is kind]

    @property
    def centres(self) -> list[tuple[int, int]]:
        """(place, pleat) of every middle of an underlay that lies inside the strip."""
        return [(at, pleat) for at, pleat in self._of(LineKind.CENTRE) if 0 < at < self.flat[-1]]

    @property
    def inner_by_pleat(self) -> list[int]:
        """The last fold of each pleat, so that whole pleats lie before it."""
        return list({pleat: at for at, pleat in self.folds}.values())

    def at_fold(self, at: int) -> Join:
        """The join at a fold or a sew line."""
        pleat = self.folds[bisect_left(self.folds, (at,))][1]
        where = "inner fold of" if (at, pleat) in self._inner else "just behind the sew line of"
        return Join(at, f"{where} pleat {pleat}", pleat, hidden=True)

    def furthest(self, after: Place, reach: Place, *, folds_only: bool) -> Join:
        """The furthest hidden place past `after` and up to `reach`, else `reach` itself, in the open."""
        index = bisect_right(self.folds, (reach, 1 << 30)) - 1
        fold = self.folds[index][0] if index >= 0 else None
        sewn = not self.inner and bool(self.sewn)
        if (folds_only or sewn) and fold is not None and fold > after:
            return self.at_fold(fold)
        found = self._in_a_span(after, reach, clear=False)
        if found is None:
            return Join(reach, "in the open: no hidden place is within reach", 0, hidden=False)
        clear = self._in_a_span(after, reach, clear=True) if self.clear else None
        if clear is not None and clear.at != found.at:
            self.within.chose = True
        return clear or found

    def _in_a_span(self, after: Place, reach: Place, *, clear: bool) -> Join | None:
        """The furthest place in a span that hides a join; where it is to stay `clear`, its seam shows at no fold either."""
        span = min(len(self.strip.spans), bisect_right(self.flat, reach)) - 1
        while span >= 0 and self.flat[span + 1] > after:
            role = self.strip.spans[span].role
            if role in (Role.UNDER, Role.UPRIGHT, Role.GATHERED, Role.FINGER):
                low, high = self._clear(span) if clear and role is Role.UNDER else self.flat[span : span + 2]
                end = min(reach, high)
                if end > after and end >= low:
                    return self._within(self.within.even(after, max(after, low), end), role)
            span -= 1
        return None

    def _clear(self, span: int) -> tuple[Place, Place]:
        """How far a join may stand in an underlay: a seam's allowance from where what shows begins, or in its middle."""
        low, high = self.flat[span : span + 2]
        margin = min(self.within.seam, Fraction(high - low, 2))
        before, behind = (
            0 <= beside < len(self.strip.spans) and self.strip.spans[beside].role is not Role.UNDER
            for beside in (span - 1, span + 1)
        )
        return low + margin * before, high - margin * behind

    def nearest(self, after: Place, wanted: Place, reach: Place) -> Join:
        """The hidden place nearest to `wanted` past `after` and within `reach`: a fold, else anywhere in the gathers."""
        inside = [(abs(at - wanted), at) for at, _ in self.folds if after < at <= reach]
        if inside:
            return self.at_fold(min(inside)[1])
        return self.furthest(after, min(reach, max(wanted, after + 1)), folds_only=False)

    def _within(self, at: Place, role: Role) -> Join:
        if role is Role.GATHERED:
            return Join(at, "in the gathers", 0, hidden=True)
        near = self.strip.lines[min(len(self.at) - 1, max(0, bisect_right(self.at, at) - 1))].pleat
        where = {Role.UNDER: "in the underlay of", Role.UPRIGHT: "in a fold of", Role.FINGER: "among the fingers of"}
        return Join(at, f"{where[role]} pleat {near}", near, hidden=True)
