"""What is said of an edge on its cloth: its joins, its stripes, its front pieces, what to buy, its lining."""

from __future__ import annotations

from collections.abc import Iterable

from ribbon.cloth.bolt import Bolt
from ribbon.cloth.buying import Bought
from ribbon.cloth.cutting import Cutting
from ribbon.cloth.edge_lying import into_sequence, runs_on
from ribbon.cloth.fronts import Fronts
from ribbon.cloth.joining import Lying
from ribbon.cloth.piece import FACE, CutPiece
from ribbon.cloth.pieces import LiningToCut
from ribbon.cloth.sold import money, sold_says
from ribbon.edge import EdgePlan, Plan
from ribbon.lengths import ZERO, Scribe
from ribbon.readings import Joined

_MOST_JOINS = 12

WAYS = {
    "across": "strips across the cloth, joined",
    "lengthways": "strips along the cloth, side by side",
    "railroaded": "one strip along the cloth, no join",
}
LINING_WAYS = {
    "across": "across its cloth, in equal widths",
    "uncut": "across its cloth, in whole widths",
    "lengthways": "in strips along its cloth",
    "railroaded": "railroaded, without a join",
}


def way_says(name: str, joins: int) -> str:
    """A way of lying as one would say it: what is not joined is not said to be."""
    if name == "across" and not joins:
        return "one width across the cloth"
    return "one strip along the cloth" if name == "lengthways" and not joins else WAYS[name]


def joins_say(whole: EdgePlan, made: Joined, cutting: Cutting) -> list[str]:
    """Where each join falls, and how a ring closes."""
    write, walked = whole.edge.scribe.write, whole.walked
    says = []
    for number, join in enumerate(made.joins[:_MOST_JOINS], 1):
        where = f"{'at the ' if join.where.startswith(('inner', 'middle')) else ''}{join.where}"
        shows = "" if join.hidden or join.where.startswith("in the open") else ", where it shows"
        says.append(f"Join {number} falls at {write(walked.length(join.at)).text}, {where}{shows}.")
    if len(made.joins) > _MOST_JOINS:
        says.append(f"And {len(made.joins) - _MOST_JOINS} joins more.")
    if made.shown:
        says.append(
            f"{made.shown} of {len(made.joins)} would show. Wider cloth, narrower allowances, deeper or smaller pleats, or a shorter plain run would hide them."
        )
    if not made.joins:
        says.append("One width holds it: no join.")
    return [*says, _closing(whole, cutting)] if whole.edge.closed else says


def _closing(whole: EdgePlan, cutting: Cutting) -> str:
    write, start, end = whole.edge.scribe.write, whole.edge.allowance.start, whole.edge.allowance.end
    ends = f"{write(start).text} at each side" if start == end else f"{write(start).text} and {write(end).text}"
    close = (
        f"The ring closes with a seam of {ends}"
        if start or end
        else "The ring closes edge to edge: its seam has no allowance"
    )
    return f"{close}, left open for {write(cutting.opening).text} at the top." if cutting.opening else f"{close}."


def running_on(whole: EdgePlan, lies: Lying, cutting: Cutting) -> list[str]:
    """How to cut each width so that the stripes run on over its join; strips along the cloth are cut longer for it."""
    made = lies.joined
    if lies.taken is not None and lies.taken.name == "lengthways":
        more = runs_on(whole, made, cutting)
        each = "; ".join(f"strip {n} {whole.edge.scribe.write(one).text}" for n, one in enumerate(more, 1) if one)
        return [f"So that the stripes run on, cut longer and trim at its beginning: {each}."] if each else []
    begins = [whole.edge.scribe.write(one).text for one in into_sequence(whole, made, cutting)[1:]]
    if not begins:
        return []
    if len(set(begins)) == 1:
        return [f"So that the stripes run on, begin every further width {begins[0]} into the sequence."]
    each = "; ".join(f"width {number} {begin}" for number, begin in enumerate(begins, 2))
    return [f"So that the stripes run on, begin each width so far into the sequence: {each}."]


def fronts_say(found: Fronts, made: Plan) -> list[str]:
    """How the cloth is shared between two plain front pieces and the pleats."""
    write, got = made.section.scribe.write, found.shared
    needed = made.flat - sum((end.width for end in (made.section.lead, made.section.tail) if end.width), ZERO)
    says = [
        f"Front pieces in one length with the pleats: the outer one {write(got.outer).text} flat, centred on its line, the inner one {write(got.inner).text}; "
        f"{write(got.left).text} is left for pleats, which take {write(needed).text}."
    ]
    return says + [f"Cloth runs short: {what}." for what in got.says]


def bought_says(whole: EdgePlan, bolt: Bolt, found: Lying, got: Bought, wanted: str) -> list[str]:
    """What to buy or to cut off, and which other way would take less."""
    write, unit, taken = whole.edge.scribe.write, whole.edge.unit, found.taken
    if taken is None:
        return []
    refused = next((way for way in found.ways if way.name == wanted and way.why_not), None)
    says = [f"Cut {refused.name}, this cannot be: {refused.why_not}."] if refused else []
    way = way_says(taken.name, taken.joins)
    if got.asked:
        cost = f", {money(got.cost, bolt.sign)}" if got.cost is not None else ""
        says.append(f"Buy {sold_says(bolt, got.asked, unit)} of {bolt.name or 'cloth'}{cost}: {way}.")
    else:
        says.append(f"Cut {write(got.needed).text} of {bolt.name or 'cloth'}: {way}.")
    if bolt.shrinkage:
        says.append("The length allows for shrinkage: wash it before you cut.")
    if got.short is not None:
        all_there_is = ", and it is all there is" if bolt.rectangle else ""
        says.append(f"What is at hand is {write(got.short).text} short{all_there_is}.")
    elif got.at_hand is not None:
        says.append(f"What is at hand is enough; {write(got.at_hand - got.needed).text} is left.")
    less = [way for way in found.ways if not way.why_not and way.length < taken.length]
    if less and taken.name == "across":
        least = min(less, key=lambda one: one.length.mm)
        says.append(
            f"Cut {least.name} it would take {write(least.length).text}, its grain lying across: only if you say so."
        )
    return says


def lining_says(whole: EdgePlan, bolt: Bolt, lining: LiningToCut) -> list[str]:
    """How the lining is cut, and what a tube of it and the face measures."""
    write, made, cut = whole.edge.scribe.write, lining.made, lining.cut
    joined = f" of {write(cut.widths[0]).text}: {len(cut.widths)} widths" if cut.joins else ""
    says = [
        f"Cut the lining {write(made.width).text} wide and {write(made.length).text} long, {LINING_WAYS[cut.name]}{joined}: "
        f"buy {sold_says(bolt, bolt.bought(cut.needed), whole.edge.unit)}."
    ]
    if made.turned is None or made.rolls is None:
        return says
    rolls = f"{write(made.rolls).text} of the face rolls to the back at each side"
    if made.turned == whole.flat:
        return [
            *says,
            f"Sewn as a tube and turned it measures {write(whole.flat).text}, the flat width; {rolls}. Measure it again before pleating.",
        ]
    return [
        *says,
        f"Sewn as a tube and turned it measures {write(made.turned).text}, and the pleats are planned from {write(whole.flat).text}: one must follow from the other. {rolls}.",
    ]


def cut_says(pieces: Iterable[CutPiece], scribe: Scribe, times: int = 1) -> str:
    """What to cut, each size once with how many of it there are, `times` over; empty without pieces."""
    sizes: dict[str, int] = {}
    for one in pieces:
        of = "" if one.role == FACE else f" of {one.role}"
        size = f"{scribe.write(one.wide).text} × {scribe.write(one.long).text}{of}"
        sizes[size] = sizes.get(size, 0) + one.count * times
    return f"Cut {', '.join(f'{many} of {size}' for size, many in sizes.items())}." if sizes else ""
