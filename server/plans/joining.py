"""How a plan's strip is joined: on the cloth and the way that its section says."""

from __future__ import annotations

from typing import NamedTuple

from ribbon.cloth import Bolt, Drop, lying
from ribbon.errors import Refusal
from ribbon.pins import Band, Section
from ribbon.readings import Allowed, Joined, Strategy, joined
from ribbon.strip import Strip, Walk
from server.plans.cutting import read_cutting
from server.plans.schema import SectionIn
from server.plans.stripes import Striped


class Cut(NamedTuple):
    """How a strip is joined and coloured; without a drop it is taken to lie across the cloth."""

    strategy: Strategy = Strategy.FEWEST
    striped: Striped | None = None
    bolt: Bolt | None = None
    drop: Drop | None = None
    way: str = "best"


def cut_of(section: SectionIn) -> Cut:
    """How the strip of `section` is cut.  What cannot be read of its cloth is left to the step Cloth to say."""
    strategy = Strategy(section.cutting.strategy)
    try:
        cutting = read_cutting(section)
    except Refusal:
        return Cut(strategy)
    return Cut(strategy, cutting.striped, cutting.bolt, cutting.drop, section.cutting.way)


def joined_for(section: Section | Band, laid: Strip, walked: Walk, cut: Cut) -> Joined | None:
    """The joins of `laid`, None where the cloth is not known.  Raises `Refusal`."""
    if section.cloth.usable is None:
        return None
    allowed = Allowed(*section.allowance, section.tape)
    if cut.bolt is None or cut.drop is None:
        return joined(laid, walked, section.cloth.usable, allowed, cut.strategy)
    return lying(laid, walked, cut.bolt, cut.drop, allowed, cut.strategy, cut.way).joined
