"""How a planned edge lies on its cloth, with what is cut in one length with it."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from typing import TypeVar

from ribbon.cloth.at_hand import rooms_at_hand
from ribbon.cloth.cutting import Cutting
from ribbon.cloth.fronts import Fronts, fronts
from ribbon.cloth.joining import Lying, allowed_of, lying, with_fronts
from ribbon.cloth.seen import beginning
from ribbon.cloth.stripes import Stripe, repeat_of
from ribbon.edge import EdgePlan, Plan
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length
from ribbon.readings import Allowed, Joined, Spread, joined, spread
from ribbon.strip import Strip, Walk, walk

Taken = TypeVar("Taken")


def fronts_of(made: Plan | None, cutting: Cutting) -> Fronts | None:
    """The front pieces in one length with a plan's strip; None without any."""
    bolt, drop = cutting.bolt, cutting.drop
    if cutting.front is None or made is None or made.section.closed:
        return None
    room = None
    if bolt is not None and bolt.at_hand is not None:
        # How far it falls not being said, the cloth at hand is taken to run along the edge.
        rooms = rooms_at_hand(bolt, drop, allowed_of(made.section), cutting.way) if drop else {}
        room = max(rooms.values(), key=lambda one: one.mm, default=None) if drop else bolt.washed
    return fronts(made, cutting.front, room)


def as_cut(laid: Strip, walked: Walk, found: Fronts | None) -> tuple[Strip, Walk]:
    """The strip with its front pieces, as it is cut and joined, and its walk."""
    if found is None:
        return laid, walked
    name = f"as cut with {found.before.mm} and {found.behind.mm}"
    made: tuple[Strip, Walk] | None = walked.known.get(name)
    if made is None:
        strip = with_fronts(laid, found.before, found.behind)
        made = walked.known[name] = strip, walk(strip)
    return made


def taken_once(whole: EdgePlan, name: str, cutting: Cutting, take: Callable[[], Taken]) -> Taken:
    """A reading of an edge on its cloth, taken once for each cutting: nearly always that is the same one."""
    # A cutting is told by itself much sooner than by its hash.
    last: tuple[Cutting, Taken] | None = whole.known.get(name)
    if last is None or (last[0] is not cutting and last[0] != cutting):
        last = whole.known[name] = cutting, take()
    return last[1]


def lies_on_cloth(whole: EdgePlan, cutting: Cutting) -> Lying | None:
    """How an edge lies on its cloth, None where that is not known; joins count from the start of the edge's own strip.

    Raises `Refusal` where it cannot be joined so.
    """
    if cutting.shaped:
        return None

    def lies() -> Lying | None:
        found = fronts_of(whole.only, cutting)
        allowed = allowed_of(whole.edge, from_end=cutting.from_end)
        return _lying(whole, whole.edge.cloth.usable, allowed, found, cutting, losing(whole, cutting, found))

    return taken_once(whole, "lying", cutting, lies)


def plan_lying(made: Plan, cutting: Cutting) -> Lying | None:
    """The same for the plan of an edge that is one stretch."""
    if cutting.shaped:
        return None
    allowed = allowed_of(made.section, from_end=cutting.from_end)
    return _lying(made, made.section.cloth.usable, allowed, fronts_of(made, cutting), cutting)


def spread_as_cut(made: Plan | EdgePlan, found: Fronts | None) -> Spread:
    """What an edge is made of spread flat, its front pieces with it."""
    return made.spread if found is None else spread(*as_cut(made.strip, made.walked, found))


def _lying(
    made: Plan | EdgePlan,
    usable: Length | None,
    allowed: Allowed,
    found: Fronts | None,
    cutting: Cutting,
    loses: Callable[[Joined], Sequence[Length]] | None = None,
) -> Lying | None:
    if usable is None:
        return None
    laid = spread_as_cut(made, found)
    if cutting.bolt is None or cutting.drop is None:
        lies = Lying([], None, joined(laid, usable, allowed, cutting.strategy))
    else:
        lies = lying(laid, cutting.bolt, cutting.drop, allowed, cutting.strategy, cutting.way, loses)
    return lies if found is None else lies._replace(joined=_moved(lies.joined, laid, made.walked, found.before))


def losing(
    whole: EdgePlan, cutting: Cutting, found: Fronts | None = None
) -> Callable[[Joined], Sequence[Length]] | None:
    """How much longer each strip that lies along striped cloth is cut; None of plain cloth.

    Joins count from the beginning of its front pieces where there are `found` some, else from that of the edge's own strip.
    """
    if cutting.bolt is None or not cutting.bolt.stripes:
        return None

    def loses(made: Joined) -> Sequence[Length]:
        laid = spread_as_cut(whole, found)
        return runs_on(whole, made if found is None else _moved(made, laid, whole.walked, found.before), cutting)

    return loses


def _moved(made: Joined, there: Spread, here: Walk, before: Length) -> Joined:
    """The same joins, their places counted from the start of the plan's own strip."""
    return made._replace(
        joins=[join._replace(at=(Fraction(join.at) / there.parts - before.mm) * here.parts) for join in made.joins]
    )


def into_sequence(whole: EdgePlan, made: Joined, cutting: Cutting) -> list[Length]:
    """How far into the sequence of its stripes each width is cut from, so that they run on over the joins; none of plain cloth."""
    stripes = cutting.bolt.stripes if cutting.bolt else ()
    if not stripes:
        return []
    first, begins = _begin(whole, cutting, stripes)
    repeat, seam, walked = repeat_of(stripes), allowed_of(whole.edge).join, whole.walked
    cut = [begins, *(walked.length(join.at) - seam for join in made.joins)]
    return [Length((at - first).mm % repeat.mm) for at in cut]


def _begin(whole: EdgePlan, cutting: Cutting, stripes: Sequence[Stripe]) -> tuple[Length, Length]:
    """Where along an edge's own strip the sequence of its stripes begins, and where its cloth does."""

    def begin() -> tuple[Length, Length]:
        found = fronts_of(whole.only, cutting)
        first = beginning(stripes, cutting.stripe, whole.strip, whole.walked)
        return first, ZERO - (found.before if found else ZERO) - allowed_of(whole.edge).start

    return taken_once(whole, "begins", cutting, begin)


def runs_on(whole: EdgePlan, made: Joined, cutting: Cutting) -> list[Length]:
    """How much longer each strip that lies along the cloth is cut, so that its stripes run on from the one before it.

    Strips side by side begin at the same place of the sequence: what a later one begins before its own is trimmed away.
    """
    begins = into_sequence(whole, made, cutting)
    repeat = repeat_of(cutting.bolt.stripes) if cutting.bolt and begins else ZERO
    return [Length((one - begins[0]).mm % repeat.mm) for one in begins]
