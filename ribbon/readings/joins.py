"""Where a long strip is joined so that no join shows (work, section 8)."""

from __future__ import annotations

from bisect import bisect_right
from fractions import Fraction
from itertools import pairwise
from typing import NamedTuple

from ribbon.errors import refuse
from ribbon.lengths import Length
from ribbon.strip import LineKind, Role, Strip, Walk


class Join(NamedTuple):
    """A join: its place in parts of the walk, where that is in words, the pleat it is in (0 for none), and whether it hides."""

    at: int
    where: str
    pleat: int
    hidden: bool


class Width(NamedTuple):
    """One piece to cut: its share of the flat width, and its cut width with the allowances at both its edges."""

    flat: Length
    cut: Length


class Allowed(NamedTuple):
    """The seam allowances at the start and the end of the strip and at each edge of a join."""

    start: Length
    end: Length
    join: Length


class Joined(NamedTuple):
    """The joins in order and the widths between them; their cut widths add up to the flat width and every allowance."""

    joins: list[Join]
    widths: list[Width]


def joined(strip: Strip, walked: Walk, usable: Length, allowed: Allowed) -> Joined:
    """The fewest widths of cloth, each join in the furthest hidden place that its width reaches.

    Joins stand on inner folds where that takes no more widths than letting them fall anywhere in an underlay.
    Raises `Refusal` where the cloth is too narrow to get from one hidden place to the next with its allowances.
    """
    places = _Places(strip, walked)
    on_folds = _run(places, walked, usable, allowed, folds_only=True)
    anywhere = _run(places, walked, usable, allowed, folds_only=False)
    chosen = on_folds if on_folds is not None and (anywhere is None or len(on_folds) <= len(anywhere)) else anywhere
    if chosen is None:
        least = allowed.join * 2 + Length(1)
        raise refuse(
            "too_narrow",
            "cloth.usable",
            f"{float(usable.mm):g} mm",
            "the cloth is too narrow to hold even its own allowances",
            f"use cloth wider than {float(least.mm):g} mm, or narrower allowances",
        )
    ends = [0, *(join.at for join in chosen), walked.flat[-1]]
    widths = []
    for index, (a, b) in enumerate(pairwise(ends)):
        before = allowed.start if index == 0 else allowed.join
        after = allowed.end if index == len(chosen) else allowed.join
        flat = walked.length(b - a)
        widths.append(Width(flat, before + flat + after))
    return Joined(chosen, widths)


def _run(places: _Places, walked: Walk, usable: Length, allowed: Allowed, *, folds_only: bool) -> list[Join] | None:
    """The joins from left to right, each as far as its width reaches; None where a width reaches nothing."""
    whole, at, before = walked.flat[-1], 0, allowed.start
    found: list[Join] = []
    while True:
        if Fraction(whole - at, walked.parts) + (before + allowed.end).mm <= usable.mm:
            return found
        reach = at + int((usable - before - allowed.join).mm * walked.parts)
        if reach <= at:
            return None
        join = places.furthest(at, reach, folds_only=folds_only)
        found.append(join)
        at, before = join.at, allowed.join


class _Places:
    """The places on a strip where a join hides."""

    def __init__(self, strip: Strip, walked: Walk) -> None:
        self.strip, self.flat = strip, walked.flat
        lines = [(walked.flat[line.after + 1], line) for line in strip.lines]
        self.inner = [(at, line.pleat) for at, line in lines if line.kind is LineKind.INNER]
        self.at = [at for at, _ in lines]
        self.pleats = [line.pleat for _, line in lines]

    def furthest(self, after: int, reach: int, *, folds_only: bool) -> Join:
        """The furthest hidden place past `after` and up to `reach`, else `reach` itself, in the open."""
        fold = self._last(self.inner, reach)
        if folds_only and fold is not None and fold[0] > after:
            return Join(fold[0], f"inner fold of pleat {fold[1]}", fold[1], hidden=True)
        span = max(0, bisect_right(self.flat, reach) - 1)
        while span >= 0 and self.flat[span + 1 if span + 1 < len(self.flat) else span] > after:
            if span < len(self.strip.spans):
                end = min(reach, self.flat[span + 1])
                role = self.strip.spans[span].role
                if end > after and role in (Role.UNDER, Role.UPRIGHT, Role.GATHERED, Role.FINGER):
                    return self._within(end, role)
            span -= 1
        return Join(reach, "in the open: no hidden place is within reach", 0, hidden=False)

    def _within(self, at: int, role: Role) -> Join:
        if role is Role.GATHERED:
            return Join(at, "in the gathers", 0, hidden=True)
        near = self.pleats[min(len(self.pleats) - 1, max(0, bisect_right(self.at, at) - 1))]
        where = {Role.UNDER: "in the underlay of", Role.UPRIGHT: "in a fold of", Role.FINGER: "behind the sew line of"}
        return Join(at, f"{where[role]} pleat {near}", near, hidden=True)

    @staticmethod
    def _last(places: list[tuple[int, int]], reach: int) -> tuple[int, int] | None:
        index = bisect_right(places, (reach, 1 << 30)) - 1
        return places[index] if index >= 0 else None
