"""A block spread by its pleats: what lies beyond each line moved out, the top trued as it is when the pleats are folded."""

from __future__ import annotations

from typing import NamedTuple

from ribbon.cloth import FoldLine
from ribbon.edge import Plan
from ribbon.fraction import Fraction
from ribbon.lengths import Length
from ribbon.making.block_drafted import BlockHalf, height_at
from ribbon.shapes import FOLD, Corner, Outline, closed
from ribbon.strip import LineKind, Role, Strip, Walk, walk

_PLAIN = {Role.FACE, Role.PLAIN}


class SpreadBlock(NamedTuple):
    """The finished pattern: its stitching line, the lines on it, the notches of its foot, each as far as it is from the middle."""

    outline: Outline
    lines: tuple[FoldLine, ...]
    feet: tuple[Length, ...]


class _Level(NamedTuple):
    """A strip laid out at one level of the block, in mm: where each place lies flat, where on the block as it is worn."""

    flat: list[Fraction]
    worn: list[Fraction]
    plain: list[bool]

    def of(self, x: Fraction) -> Fraction:
        """Where a place of the block comes to lie flat: on what shows there."""
        if x <= 0:
            return self.flat[0] + x
        for n in range(len(self.plain)):
            if self.plain[n] and self.worn[n] <= x <= self.worn[n + 1]:
                return self.flat[n] + x - self.worn[n]
        return self.flat[-1] + x - self.worn[-1]


def _level(strip: Strip, walked: Walk, more: Fraction = Fraction(0), take: Fraction = Fraction(1)) -> _Level:
    """The level of a strip; each pleat of `take` is spread by `more` beyond that, shared over its cloth."""
    plain = [span.role in _PLAIN for span in strip.spans]
    flat = [Fraction(0)]
    for n, shows in enumerate(plain):
        long = walked.length(walked.flat[n + 1] - walked.flat[n]).mm
        flat.append(flat[-1] + (long if shows else long + more * long / take))
    return _Level(flat, [walked.length(x).mm for x in walked.x], plain)


def spread_block(
    half: BlockHalf, plan: Plan | None, upper: Strip | None, more_hem: Length, *, on_fold: bool, take: Length
) -> SpreadBlock:
    """Half of a block spread by the pleats of `plan`, laid at its widest level and at the top by `upper`; as it is without.

    `take` is what a whole pleat takes.  The top is the block's where each bit of cloth comes to lie when folded; darts that
    no pleat swallows stay in it.  Its middle is a fold of the cloth, or a seam.
    """
    across = [Fraction(0), half.across.mm]
    laid = hem = _Level(across, across, [True])
    if plan is not None:
        laid, hem = _level(plan.strip, plan.walked), _level(plan.strip, plan.walked, more_hem.mm, take.mm)
    high = laid if upper is None else _level(upper, walk(upper))
    end = half.top[-1].x
    top = _top(half, high, end)
    foot = [Corner(hem.of(corner.x), corner.y) for corner in half.foot]
    side = [Corner(laid.of(corner.x), corner.y) for corner in half.side[1:-1]]
    corners = [*foot, *side, *reversed(top)]
    names = ["foot"] * (len(foot) - 1) + ["side"] * (len(side) + 1) + ["top"] * (len(top) - 1)
    outline = closed(corners, [*names, FOLD if on_fold else "middle"])
    between = half.side[1].y if len(half.side) > 2 else None
    lines = []
    for line in plan.strip.lines if plan is not None else ():
        at = line.after + 1
        points = [Corner(hem.flat[at], height_at(half.foot, hem.worn[at]))]
        if between is not None:
            points.append(Corner(laid.flat[at], between))
        points.append(Corner(high.flat[at], height_at(half.top, high.worn[at])))
        lines.append(FoldLine(tuple(points), line.kind))
    feet = tuple(Length(line.corners[0].x) for line in lines if line.kind in (LineKind.OUTER, LineKind.PLACEMENT))
    return SpreadBlock(outline, tuple(lines), feet)


def _top(half: BlockHalf, high: _Level, end: Fraction) -> list[Corner]:
    """The trued top from the middle outwards, up to where the side meets it."""
    found = [Corner(f, height_at(half.top, x)) for f, x in zip(high.flat[:-1], high.worn[:-1], strict=True)]
    found += [Corner(high.of(corner.x), corner.y) for corner in half.top[1:-1]]
    found.append(Corner(high.flat[-1] + end - high.worn[-1], half.top[-1].y))
    made = sorted(dict.fromkeys(found), key=lambda corner: corner.x)
    for dart in half.darts:
        at = high.of(dart.at.mm)
        wide, tip = dart.wide.mm / 2, height_at(half.top, dart.at.mm) - dart.long.mm
        legs = [
            Corner(at - wide, height_at(half.top, dart.at.mm - wide)),
            Corner(at, tip),
            Corner(at + wide, height_at(half.top, dart.at.mm + wide)),
        ]
        made = [corner for corner in made if not at - wide <= corner.x <= at + wide]
        place = next((n for n, corner in enumerate(made) if corner.x > at), len(made))
        made[place:place] = legs
    return made
