"""Plain front pieces in one length with the pleats: what they add to the strip."""

from __future__ import annotations

from typing import NamedTuple

from ribbon.cloth.cutting import Front
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


def fronts(made: Plan, asked: Front, room: Length | None) -> Fronts:
    """The front pieces of a plan, as they are `asked` for.

    Plain ends that the plan states are the front pieces themselves, and in its strip already; the rest is added.  `room`
    is the flat width that the cloth at hand holds, None where as much is bought as it takes.
    """
    section = made.section
    lead, tail = (end.width or ZERO for end in (section.lead, section.tail))
    needed = made.flat - lead - tail
    if asked.inner is not None:
        got = Apron(asked.shows + asked.fold, asked.shows + asked.inner, needed, ())
    else:
        whole = needed + (asked.shows + asked.fold) * 2 if room is None else room
        got = apron(whole, asked.shows, asked.fold, needed)
    first, last = (got.inner, got.outer) if asked.outer_last else (got.outer, got.inner)
    return Fronts(got, max(first - lead, ZERO), max(last - tail, ZERO))
