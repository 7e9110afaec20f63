"""Pleats draped by eye, then evened."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum
from typing import NamedTuple

from ribbon.errors import refuse
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length, Scribe, Unit, typed
from ribbon.offers.change import Change, Fact, LooseFact
from ribbon.pleats import Kind


class Keep(StrEnum):
    """What stays as it was draped: the widths in all, or the average pleat."""

    TOTAL = "total"
    AVERAGE = "average"


class Draped(NamedTuple):
    """One pleat as it was draped: its depth, and what shows from it to the next, None where none was draped after it."""

    depth: Length
    gap: Length | None


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

    Raises `Refusal` without a pleat, for a depth or a gap of nought, or for a gap that is missing but after the last.

    >>> from ribbon.pleats.knife import KNIFE
    >>> mm = Length(1)
    >>> made = evened(KNIFE, [Draped(mm * 20, mm * 31), Draped(mm * 26, mm * 29)])
    >>> made.depth == mm * 23, made.gap == mm * 30, made.flat == mm * 152
    (True, True, True)
    """
    if not draped:
        raise refuse("none", "draped", "", "no pleat was entered", "enter the depth and the gap of at least one")
    for index, one in enumerate(draped):
        for name, size in (("depth", one.depth), ("gap", one.gap)):
            if size is not None and size <= ZERO:
                raise refuse(
                    "not_positive",
                    f"draped.{index}.{name}",
                    "0",
                    f"a {name} of nought is no pleat",
                    "measure it again, or take the row away",
                )
    gaps = [one.gap for one in draped if one.gap is not None]
    if not gaps or None in [one.gap for one in draped[:-1]]:
        at = next(index for index, one in enumerate(draped) if one.gap is None)
        raise refuse(
            "missing",
            f"draped.{at}.gap",
            "",
            "how far it is from this pleat to the next is not known",
            "measure what shows between them; only the last of several pleats needs none",
        )
    # The last pleat has as much beside it as the others have between them.
    count, depths = len(draped), sum((one.depth for one in draped), ZERO)
    depth, gap = depths / count, sum(gaps, ZERO) / len(gaps)
    finished = gap * count
    return Evened(
        count,
        depth,
        gap,
        finished,
        finished + depths * kind.take_up_per_depth,
        max(abs(one.depth - depth) for one in draped),
        max(abs(one - gap) for one in gaps),
    )


def evened_change(made: Evened, keep: Keep, unit: Unit) -> Change:
    """The change that pins the evened pleats; an average gap is about, so that whole pleats fill the edge."""
    write = Scribe(unit, None).write
    facts: dict[str, Fact] = {}
    for name, value in pins_for(made, keep).items():
        text = str(value) if name == "count" else typed(Length(value), unit)
        facts[f"pins.{name}"] = LooseFact(text) if name == "spacing" else text
    return Change.of(
        f"{made.count} {'pleat' if made.count == 1 else 'pleats'}, each {write(made.depth).text} deep with {write(made.gap).text} to the next: "
        f"no depth changes by more than {write(made.deeper).text}, no gap by more than {write(made.apart).text}.",
        facts,
    )


def pins_for(made: Evened, keep: Keep) -> dict[str, Fraction]:
    """The pins that hold what is kept: every width, or the average depth and about the average gap."""
    if keep is Keep.TOTAL:
        return {"finished": made.finished.mm, "flat": made.flat.mm, "count": Fraction(made.count)}
    return {"depth": made.depth.mm, "spacing": made.gap.mm}
