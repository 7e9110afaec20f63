"""Plain front pieces in one length with the pleats: what they add to the strip."""

from __future__ import annotations

from typing import NamedTuple

from ribbon.cloth.stripes import Apron, apron
from ribbon.edge import Plan
from ribbon.lengths import ZERO, Length


class Fronts(NamedTuple):
    """The front pieces as they are shared out, and the cloth that they add `before` and `behind` the strip of the plan."""

    shared: Apron
    before: Length
    behind: Length

    @property
    def more(self) -> Length:
        """What they add in all."""
        return self.before + self.behind


def fronts(made: Plan, shows: Length, fold: Length, room: Length | None) -> Fronts:
    """The front pieces of a plan: each `shows` wide, with a fold `fold` deep inside its edge.

    Plain ends that the plan states are the front pieces themselves, and in its strip already; the rest is added.  `room`
    is the flat width that the cloth at hand holds, None where as much is bought as it takes.
    """
    section = made.section
    lead, tail = (end.width or ZERO for end in (section.lead, section.tail))
    needed = made.flat - lead - tail
    got = apron(needed + (shows + fold) * 2 if room is None else room, shows, fold, needed)
    return Fronts(got, max(got.outer - lead, ZERO), max(got.inner - tail, ZERO))
