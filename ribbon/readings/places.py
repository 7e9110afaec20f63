"""Where along a strip a join can stand, and how far one width of cloth reaches."""

from __future__ import annotations

from bisect import bisect_left, bisect_right
from collections.abc import Iterator
from copy import copy
from enum import IntEnum
from math import floor
from typing import NamedTuple

from ribbon.fraction import Fraction
from ribbon.lengths import Length
from ribbon.readings.spread import Spread
from ribbon.strip import LineKind, Role

Place = int | Fraction
"""A place along the strip, in parts of the walk."""


class Join(NamedTuple):
    """A join: its place in parts of the walk, where that is in words, the pleat it is in (0 for none), and whether it hides.

    On a fold the place is whole; in between it need not be.
    """

    at: Place
    where: str
    pleat: int
    hidden: bool


class Allowed(NamedTuple):
    """The seam allowances at the start and the end of the strip and at each edge of a join, and the tape widths are cut by.

    Widths are laid one after another from the start of the strip, or `from_end`: what is left is then at the start.
    """

    start: Length
    end: Length
    join: Length
    tape: Length | None = None
    from_end: bool = False

    @property
    def turned(self) -> Allowed:
        """The same of the strip turned end for end."""
        return self._replace(start=self.end, end=self.start, from_end=not self.from_end)


class Better(IntEnum):
    """How good a place is for a join, best first."""

    FOLD = 0
    """An inner fold, or just behind a sew line, clear of all that shows."""
    CLEAR = 1
    """Anywhere that its allowance keeps clear of what shows."""
    BEHIND = 2
    """Behind what shows, but its allowance comes out beside it."""
    OPEN = 3
    """Where it shows."""


class Reach:
    """What one width of cloth holds, in parts of the walk.  `even` says that widths are cut whole on the tape where they can be."""

    def __init__(self, laid: Spread, usable: Length, allowed: Allowed, *, even: bool = True) -> None:
        self.whole = laid.whole

        def room(cloth: Length, before: Length, after: Length) -> Place:
            return _whole((cloth - before - after).mm * laid.parts)

        firsts = ((True, allowed.start), (False, allowed.join))
        self.to_join = {first: room(usable, before, allowed.join) for first, before in firsts}
        self.to_end = {first: room(usable, before, allowed.end) for first, before in firsts}
        self.half = room(usable / 2, allowed.start, allowed.join)
        self._seams = {first: _whole((before + allowed.join).mm * laid.parts) for first, before in firsts}
        self._division = _whole(allowed.tape.mm * laid.parts) if allowed.tape and even else None
        # What shows must keep so far from a seam: its allowance, and a division of the tape for the hand.
        self.margin = _whole((allowed.join + (allowed.tape or Length(0))).mm * laid.parts)

    @property
    def least(self) -> int:
        """How many joins there are at the least, wherever they stand."""
        if self.ends(0, first=True) or self.to_join[False] <= 0:
            return 0
        return 1 + max(0, -((self.to_join[True] + self.to_end[False] - self.whole) // self.to_join[False]))

    def room(self, at: Place, *, first: bool) -> Place | None:
        """How far a width that begins at `at` reaches; None where it holds nothing."""
        room = self.to_join[first]
        return at + room if min(room, self.to_end[False]) > 0 else None

    def inside(self, at: Place) -> Place:
        """A place that a width reaches, before the end of the strip: past it, so that the last width is half of what it holds."""
        return at if at < self.whole else self.whole - _whole(Fraction(self.to_end[False]) / 2)

    def even(self, after: Place, least: Place, at: Place) -> Place:
        """The furthest place up to `at` that makes the width from `after` whole on the tape; `at` if that is before `least`."""
        if self._division is None:
            return at
        seams = self._seams[after == 0]
        place = after + floor((at - after + seams) / self._division) * self._division - seams
        return place if place > after and place >= least else at

    @property
    def division(self) -> Place:
        """The division of the tape that widths are cut whole by, where they are; else nought."""
        return self._division or 0

    def on_tape(self, after: Place, low: Place, high: Place, at: Place) -> Place:
        """The place nearest to `at`, from `low` to `high`, that makes the width from `after` whole on the tape; `at` without one."""
        if self._division is None:
            return at
        seams = self._seams[after == 0]
        least = floor((at - after + seams) / self._division)
        found: list[Place] = [after + many * self._division - seams for many in (least, least + 1)]
        found = [one for one in found if one > after and low <= one <= high]
        return min(found, key=lambda one: max(one - at, at - one), default=at)

    def ends(self, at: Place, *, first: bool) -> bool:
        """True where a width that begins at `at` takes all the rest."""
        return self.whole - at <= self.to_end[first]


def _whole(parts: Fraction) -> Place:
    """As a whole number where it is one: that is quicker to reckon with."""
    return parts.numerator if parts.denominator == 1 else parts


class Places:
    """The places on a strip, by how well they hide a join."""

    def __init__(self, laid: Spread, reach: Reach) -> None:
        self.laid, self.reach = laid, reach
        self.at = [line.at for line in laid.lines]
        self._behind = [(one.start, one.end) for one in laid.hidden]
        self._named: dict[LineKind, list[tuple[int, int]]] = {}
        for at, kind, pleat in laid.lines:
            self._named.setdefault(kind, []).append((at, pleat))
        shrunk = [(low + reach.margin, high - reach.margin) for low, high in self._behind]
        self._clear = [(low, high) for low, high in shrunk if low <= high]
        self._clear_starts = [low for low, _ in self._clear]
        self._behind_starts = [low for low, _ in self._behind]
        inner = self._of(LineKind.INNER)
        self._centres: dict[Place, int] = dict(self._of(LineKind.CENTRE))
        # A pinch hides a join just behind the sew line that begins it.
        begun: dict[int, int] = {}
        for at, pleat in self._of(LineKind.SEW):
            begun.setdefault(pleat, at)
        self._sewn = {(at, pleat) for pleat, at in begun.items()}
        inside = [one for one in sorted([*inner, *self._sewn]) if 0 < one[0] < self.laid.whole]
        self.folds = inside
        self._clear_folds = [one for one in inside if one in self._sewn or self.clear(one[0])]

    def within(self, reach: Reach) -> Places:
        """The same places for widths that reach otherwise; their seams must keep as far from what shows."""
        again = copy(self)
        again.reach = reach
        return again

    def _of(self, kind: LineKind) -> list[tuple[int, int]]:
        """(place, pleat) of every line of that kind."""
        return self._named.get(kind, [])

    @property
    def closes_behind(self) -> bool:
        """True where a ring closes in the middle of a pleat: a join there stands at both ends of the strip."""
        return 0 in self._centres or self.laid.whole in self._centres

    @property
    def underlays(self) -> list[tuple[Place, int]]:
        """(place, pleat) of the middle of every underlay inside the strip; of its first inner fold where the middle shows."""
        folds: dict[int, Place] = {}
        for fold, pleat in self._of(LineKind.INNER):
            folds.setdefault(pleat, fold)
        found: list[tuple[Place, int]] = []
        for at, pleat in self._centres.items():
            place: Place = at if self._inside(self._behind, self._behind_starts, at) else folds.get(pleat, at)
            if 0 < place < self.laid.whole:
                found.append((place, pleat))
        return found

    @property
    def last_folds(self) -> list[int]:
        """The last fold of each pleat, so that whole pleats lie before it."""
        return list({pleat: at for at, pleat in self.folds}.values())

    @staticmethod
    def _inside(
        stretches: list[tuple[Place, Place]] | list[tuple[int, int]], starts: list[Place] | list[int], at: Place
    ) -> bool:
        index = bisect_right(starts, at) - 1
        return index >= 0 and stretches[index][0] <= at <= stretches[index][1]

    def clear(self, at: Place) -> bool:
        """True where no cloth or fold that shows comes within the seam's allowance and a division of the tape."""
        return self._inside(self._clear, self._clear_starts, at)

    def join(self, at: Place) -> Join:
        """The join at a place: where that is in words, and whether it hides there."""
        fold = self._fold_at(at)
        if fold is not None:
            pleat = fold[1]
            sewn = fold in self._sewn
            where = f"{'just behind the sew line' if sewn else 'inner fold'} of pleat {pleat}"
            return Join(at, where, pleat, sewn or self.clear(at))
        if at in self._centres:
            pleat = self._centres[at]
            return Join(at, f"middle of the underlay of pleat {pleat}", pleat, self.clear(at))
        return self._within(at, self.laid.role_at(at))

    def _fold_at(self, at: Place) -> tuple[int, int] | None:
        """The fold at a place, or less than a division from it, where the tape puts it: (where it is, its pleat)."""
        near, index = self.reach.division, bisect_left(self.folds, (at, 0))
        for fold in self.folds[index : index + 1] + self.folds[max(0, index - 1) : index]:
            behind = at - fold[0]
            if not behind or (
                -near < behind < near and (fold not in self._sewn or behind > 0) and self._beside(fold, at)
            ):
                return fold
        return None

    def _beside(self, fold: tuple[int, int], at: Place) -> bool:
        low, high = self._around(fold)
        return low <= at <= high

    def _around(self, fold: tuple[Place, int]) -> tuple[Place, Place]:
        """From where to where a join that stands at a fold may be moved and hides as well as there."""
        place = fold[0]
        if fold in self._sewn:
            return place, place + self.reach.division  # behind the sew line, never before it
        for stretches, starts in ((self._clear, self._clear_starts), (self._behind, self._behind_starts)):
            index = bisect_right(starts, place) - 1
            if index >= 0 and stretches[index][0] <= place <= stretches[index][1]:
                return stretches[index]
        return place, place

    def settled(self, at: Place, after: Place, least: Place, reach: Place) -> Join:
        """The join at a place, moved to the division of the tape beside it if it hides there as well."""
        here, near = self.join(at), self.reach.division
        low, high = self._around(self._fold_at(at) or (at, here.pleat))
        if low == high:
            low, high = at - near, at + near
        moved = self.join(self.reach.on_tape(after, max(low, least), min(high, reach), at))
        return moved if moved.hidden >= here.hidden and moved.pleat == here.pleat else here

    def _settled(self, after: Place, fold: tuple[int, int], least: Place, reach: Place) -> Place:
        """Where a join at a fold is cut: at the division of the tape beside it that hides as well, if there is one."""
        low, high = self._around(fold)
        return self.reach.on_tape(after, max(low, least), min(high, reach), fold[0])

    def _within(self, at: Place, role: Role) -> Join:
        hides = self.clear(at)
        if role is Role.GATHERED:
            return Join(at, "in the gathers", 0, hides)
        if role in (Role.FACE, Role.PLAIN) or not self.at:
            return Join(at, "in the open: no hidden place is within reach", 0, hides)
        near = self.laid.lines[min(len(self.at) - 1, max(0, bisect_right(self.at, at) - 1))].pleat
        where = {Role.UNDER: "in the underlay of", Role.UPRIGHT: "in a fold of", Role.FINGER: "among the fingers of"}
        return Join(at, f"{where[role]} pleat {near}", near, hides)

    def furthest(
        self, after: Place, least: Place, reach: Place, worst: Better = Better.OPEN
    ) -> Iterator[tuple[Better, Place]]:
        """The furthest place of each goodness past `after`, from `least` to `reach`, best first, down to `worst`."""
        reach = self.reach.inside(reach)
        index = bisect_right(self._clear_folds, (reach, 1 << 30)) - 1
        if index >= 0 and self._clear_folds[index][0] > after and self._clear_folds[index][0] >= least:
            yield Better.FOLD, self._settled(after, self._clear_folds[index], least, reach)
        if (
            worst >= Better.CLEAR
            and (at := self._last(self._clear, self._clear_starts, after, least, reach)) is not None
        ):
            yield Better.CLEAR, at
        if worst >= Better.BEHIND:
            index = bisect_right(self.folds, (reach, 1 << 30)) - 1
            fold = self.folds[index] if index >= 0 else None
            at = self._last(self._behind, self._behind_starts, after, least, reach)
            if fold is not None and fold[0] > after and fold[0] >= least:
                yield Better.BEHIND, self._settled(after, fold, least, reach)
            elif at is not None:
                yield Better.BEHIND, at
        if worst >= Better.OPEN:
            yield Better.OPEN, self.reach.even(after, least, reach)

    def _last(
        self,
        stretches: list[tuple[Place, Place]] | list[tuple[int, int]],
        starts: list[Place] | list[int],
        after: Place,
        least: Place,
        reach: Place,
    ) -> Place | None:
        """The furthest place up to `reach` in any of the stretches, whole on the tape where that stretch holds one."""
        index = bisect_right(starts, reach) - 1
        if index < 0:
            return None
        low, high = stretches[index]
        end = min(reach, high)
        if end <= after or end < least:
            return None
        return self.reach.even(after, max(low, least), end)

    def nearest(self, after: Place, wanted: Place, least: Place, reach: Place) -> Place | None:
        """The place that hides nearest to `wanted`, past `after` and from `least` to `reach`; a fold where two are as near."""
        reach = self.reach.inside(reach)
        near = min(max(wanted, least), reach)  # what is nearest to it within the bounds stands beside this
        inside: list[Place] = []
        index = bisect_left(self._clear_folds, (near, 0))
        inside += [
            self._settled(after, fold, least, reach)
            for fold in self._clear_folds[max(0, index - 1) : index + 1]
            if after < fold[0] <= reach and fold[0] >= least
        ]
        index = max(0, bisect_right(self._clear_starts, near) - 1)
        for low, high in self._clear[index : index + 2]:
            begin, end = max(low, least), min(high, reach)
            if begin <= end and end > after:
                at = self.reach.even(after, begin, min(max(wanted, begin), end))
                if at > after:
                    inside.append(at)
        return min(inside, key=lambda at: max(at - wanted, wanted - at), default=None)
