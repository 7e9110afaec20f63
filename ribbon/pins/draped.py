"""Pleats draped by eye, then evened (work, section 7: measured by hand)."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from typing import NamedTuple

from ribbon.errors import refuse
from ribbon.lengths import ZERO, Length
from ribbon.pleats import Kind


class Keep(StrEnum):
    """What stays as it was draped: the widths in all, or the average pleat."""

    TOTAL = "total"
    AVERAGE = "average"


class Draped(NamedTuple):
    """One pleat as it was draped: its depth, and what shows from it to the next."""

    depth: Length
    gap: Length


@dataclass(frozen=True, slots=True)
class Evened:
    """The pleats made even: how many, each as deep and as far apart as the others.

    `finished` and `flat` are their widths in all, `deeper` and `apart` the most that any depth and any gap changes.
    """

    count: int
    depth: Length
    gap: Length
    finished: Length
    flat: Length
    deeper: Length
    apart: Length


def evened(kind: Kind, draped: Sequence[Draped]) -> Evened:
    """The even pleats that take the same cloth and the same width as those draped.

    Raises `Refusal` without a pleat, or for a depth or a gap of nought.

    >>> from ribbon.pleats.knife import KNIFE
    >>> mm = Length(1)
    >>> made = evened(KNIFE, [Draped(mm * 20, mm * 31), Draped(mm * 26, mm * 29)])
    >>> made.depth == mm * 23, made.gap == mm * 30, made.flat == mm * 152
    (True, True, True)
    """
    if not draped:
        raise refuse("none", "draped", "", "no pleat was entered", "enter the depth and the gap of at least one")
    for index, one in enumerate(draped):
        for name in ("depth", "gap"):
            if getattr(one, name) <= ZERO:
                raise refuse(
                    "not_positive",
                    f"draped.{index}.{name}",
                    "0",
                    f"a {name} of nought is no pleat",
                    "measure it again, or take the row away",
                )
    count = len(draped)
    finished = sum((one.gap for one in draped), ZERO)
    depths = sum((one.depth for one in draped), ZERO)
    depth, gap = depths / count, finished / count
    return Evened(
        count,
        depth,
        gap,
        finished,
        finished + depths * kind.take_up_per_depth,
        max(abs(one.depth - depth) for one in draped),
        max(abs(one.gap - gap) for one in draped),
    )


def pins_for(made: Evened, keep: Keep) -> dict[str, Fraction]:
    """The pins that hold what is kept: every width, or the average depth and about the average gap."""
    if keep is Keep.TOTAL:
        return {"finished": made.finished.mm, "flat": made.flat.mm, "count": Fraction(made.count)}
    return {"depth": made.depth.mm, "spacing": made.gap.mm}
