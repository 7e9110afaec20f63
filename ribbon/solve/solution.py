"""What a solved section holds, and what is said of how it was solved."""

from __future__ import annotations

from dataclasses import dataclass
from typing import NamedTuple

from ribbon.fraction import Fraction
from ribbon.pleats import Quantity, Relation


class Gave(NamedTuple):
    """A pinned quantity that gave way: from what was asked to what it became, and why."""

    quantity: Quantity
    asked: Fraction
    became: Fraction
    why: str


class Assumed(NamedTuple):
    """A quantity that nothing settled: what was taken for it, and why.  `quantity` may also be ``meet``."""

    quantity: str
    value: Fraction | None
    why: str


class Step(NamedTuple):
    """One step of the reckoning: the equation by which a quantity became known."""

    quantity: str
    relation: Relation


@dataclass(frozen=True, slots=True)
class Solution:
    """Every quantity of the kind in millimetres (the count and the fullness as numbers), and how it was found.

    `rest` is the width left over at the ends, nought unless the section asks for it there.  `values` lacks
    the spacing where a single pleat stands between two stated widths and there is no space to speak of.
    """

    values: dict[str, Fraction]
    gave: tuple[Gave, ...]
    assumed: tuple[Assumed, ...]
    steps: tuple[Step, ...]
    stated: dict[tuple[bool, bool], tuple[Relation, ...]]
    """The equations as they were stated, by whether pleats meet and whether their gap is shut."""


class Conflict(NamedTuple):
    """An equation that does not hold, and the facts from which its quantities came."""

    relation: Relation
    sources: frozenset[str]
