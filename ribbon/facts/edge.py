"""An edge as it is given: one stretch or several, side by side, sharing a finished width, a tape and a cloth."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, field
from typing import NamedTuple

from ribbon.facts.section import Allowance, PlanCloth, Section, in_inches
from ribbon.fraction import Fraction
from ribbon.lengths import Length, Scribe, Unit


class Stretch(NamedTuple):
    """A stretch of an edge: its facts, None where it stays plain, and its share of the edge or a width of its own.

    With neither it takes an equal share of what the others leave.  `path` is where its facts stand below those of the
    edge, empty where they are the edge's own.
    """

    section: Section | None
    share: Fraction | None = None
    width: Length | None = None
    path: str = ""


def beside(stretches: Iterable[Stretch]) -> tuple[Stretch, ...]:
    """Stretches side by side along one edge, each told by its number among its parts."""
    return tuple(one._replace(path=f"parts.{index}") for index, one in enumerate(stretches))


@dataclass(frozen=True, slots=True)
class Edge:
    """One edge: its stretches in order, and what holds for all of it.

    `finished` is the finished width of the whole where that is pinned beside several stretches; a single stretch pins
    its own.  `scribe` writes places as the edge's tape shows them, `fine` writes sizes a little finer.
    """

    stretches: tuple[Stretch, ...]
    unit: Unit
    tape: Length | None
    finished: Length | None = None
    allowance: Allowance = Allowance()
    cloth: PlanCloth = PlanCloth()
    machine: Length | None = None
    habit: bool | None = None
    """True where what is assumed is assumed in inches, False in centimetres; None as the unit is."""
    scribe: Scribe = field(init=False, compare=False, repr=False)
    fine: Scribe = field(init=False, compare=False, repr=False)

    def __post_init__(self) -> None:
        object.__setattr__(self, "scribe", Scribe(self.unit, self.tape))
        object.__setattr__(self, "fine", self.scribe.finer())

    @classmethod
    def of(cls, section: Section) -> Edge:
        """The edge that one stretch makes by itself, from end to end."""
        return cls(
            (Stretch(section),),
            section.unit,
            section.tape,
            None,
            section.allowance,
            section.cloth,
            section.machine,
            section.habit,
        )

    @property
    def only(self) -> Section | None:
        """The facts of an edge that is one stretch from end to end; None of one that has parts."""
        return self.stretches[0].section if len(self.stretches) == 1 and not self.stretches[0].path else None

    @property
    def imperial(self) -> bool:
        """True where what nobody said is taken from what sewists in inches are used to."""
        return in_inches(self.unit, self.habit)

    @property
    def closed(self) -> bool:
        """True of a ring."""
        return self.only is not None and self.only.closed
