"""How a plan's strip is joined: on the cloth and the way that its section says."""

from __future__ import annotations

from fractions import Fraction
from typing import NamedTuple

from ribbon.cloth import Bolt, Drop, Fronts, Lying, allowed_of, fronts, lying, rooms_at_hand, with_fronts
from ribbon.errors import Refusal
from ribbon.lengths import Length
from ribbon.pins import Band, Plan, Section
from ribbon.readings import Joined, Strategy, joined
from ribbon.strip import Strip, Walk, walk
from server.plans.cutting import Cutting, read_cutting
from server.plans.schema import SectionIn
from server.plans.stripes import Striped


class Cut(NamedTuple):
    """How a strip is joined and coloured; without a drop it is taken to lie across the cloth."""

    strategy: Strategy = Strategy.FEWEST
    striped: Striped | None = None
    bolt: Bolt | None = None
    drop: Drop | None = None
    way: str = "best"
    front: tuple[Length, Length] | None = None


def cut_of(section: SectionIn) -> Cut:
    """How the strip of `section` is cut.  What cannot be read of its cloth is left to the step Cloth to say."""
    try:
        return cut_as(section, read_cutting(section))
    except Refusal:
        return Cut(Strategy(section.cutting.strategy))


def cut_as(section: SectionIn, cutting: Cutting) -> Cut:
    """How the strip of `section` is cut, its cutting being read."""
    strategy = Strategy(section.cutting.strategy)
    return Cut(strategy, cutting.striped, cutting.bolt, cutting.drop, section.cutting.way, cutting.front)


def fronts_of(made: Plan | None, cut: Cut) -> Fronts | None:
    """The front pieces in one length with a plan's strip; None without any."""
    if cut.front is None or made is None:
        return None
    room = None
    if cut.bolt is not None and cut.bolt.at_hand is not None:
        # How far it falls not being said, the cloth at hand is taken to run along the edge.
        rooms = rooms_at_hand(cut.bolt, cut.drop, allowed_of(made.section), cut.way) if cut.drop else {}
        room = max(rooms.values(), key=lambda one: one.mm, default=None) if cut.drop else cut.bolt.washed
    return fronts(made, *cut.front, room)


def whole_strip(laid: Strip, found: Fronts | None) -> Strip:
    """The strip with its front pieces, as it is cut and joined."""
    return laid if found is None else with_fronts(laid, found.before, found.behind)


def lying_for(section: Section | Band, laid: Strip, walked: Walk, made: Plan | None, cut: Cut) -> Lying | None:
    """How `laid` lies on its cloth with what is cut in one with it, None where that is not known.  Raises `Refusal`."""
    if section.cloth.usable is None:
        return None
    found = fronts_of(made, cut)
    whole = whole_strip(laid, found)
    lies_walked = walked if found is None else walk(whole)
    allowed = allowed_of(section)
    if cut.bolt is None or cut.drop is None:
        lies = Lying([], None, joined(whole, lies_walked, section.cloth.usable, allowed, cut.strategy))
    else:
        lies = lying(whole, lies_walked, cut.bolt, cut.drop, allowed, cut.strategy, cut.way)
    return lies if found is None else lies._replace(joined=_moved(lies.joined, lies_walked, walked, found.before))


def joined_for(section: Section | Band, laid: Strip, walked: Walk, made: Plan | None, cut: Cut) -> Joined | None:
    """The joins of `laid`, None where the cloth is not known.  Raises `Refusal`."""
    lies = lying_for(section, laid, walked, made, cut)
    return None if lies is None else lies.joined


def _moved(made: Joined, there: Walk, here: Walk, before: Length) -> Joined:
    """The same joins, their places counted from the start of the plan's own strip."""
    return made._replace(
        joins=[join._replace(at=(Fraction(join.at) / there.parts - before.mm) * here.parts) for join in made.joins]
    )
