"""A sample of an edge: three of its pleats, or a hand of its gathers, to try on cloth or to fold from paper."""

from __future__ import annotations

from dataclasses import replace

from ribbon.edge.edge import EdgePlan, edge_plan
from ribbon.edge.plan import Plan
from ribbon.errors import refuse
from ribbon.facts import End, Pin
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length
from ribbon.pleats import Facing, Quantity

Q = Quantity
PLEATS = 3
_GATHERED = Length.cm(10)  # finished


def sample(whole: EdgePlan) -> EdgePlan:
    """Three pleats as the edge has them, half a space before the first and after the last; of gathers 10 cm, drawn up as its are.

    They stand as far apart and take as much cloth as the edge's own do, exactly; ends, levels, corrections and the ring are
    left out.  Of an edge of several stretches it is of the first that is pleated or gathered; of placed pleats they stand
    side by side.  Raises `Refusal` where nothing is folded.
    """
    plans = [one.plan for one in whole.stretches if one.plan is not None]
    if not plans:
        raise refuse(
            "no_pleats", "sections", "plain", "this edge is plain: there is nothing to try", "choose another edge"
        )
    made = plans[0]
    section = replace(
        made.section,
        pins=_pins(made),
        meet=False,
        closed=False,
        lead=End(),
        tail=End(),
        facing=Facing.RIGHT if made.section.mirrored else made.section.facing,
        mirror_at=None,
        places=(),
        from_centre=False,
        taper=None,
        stops=None,
        piece=None,
        corrections=(),
        gathering=made.section.gathering._replace(points=()),
    )
    return edge_plan(section)


def _pins(made: Plan) -> dict[Q, Pin]:
    if not made.section.kind.folded:
        return {Q.FINISHED: Pin(_GATHERED.mm), Q.FLAT: Pin((_GATHERED * _drawn(made)).mm)}
    # What an even row takes for each pleat, and what it covers; of placed ones what the widest takes.
    takes = max((pleat.take for pleat in made.row.pleats), default=0)
    take = Fraction(takes, made.row.parts)
    spacing = made.values.get(Q.SPACING) or take
    return {
        Q.COUNT: Pin(Fraction(PLEATS)),
        Q.FINISHED: Pin(spacing * PLEATS),
        Q.PER_PLEAT: Pin(take),
    }


def _drawn(made: Plan) -> Fraction:
    """How many times as much cloth as it covers lies in what is drawn up."""
    flats = made.lead + made.tail
    covered = made.finished - flats
    return (made.flat - flats) / covered if covered > ZERO else made.flat / made.finished
