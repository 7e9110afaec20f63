"""One edge on its cloth: the ways compared, what to buy, what would save cloth, what the cloth at hand makes."""

from __future__ import annotations

from dataclasses import dataclass, field

from ribbon.cloth.at_hand import makes_at_hand, repeats_at_hand
from ribbon.cloth.bolt import Bolt
from ribbon.cloth.buying import Bought, buy
from ribbon.cloth.cutting import Cutting
from ribbon.cloth.drop import Drop, drop_on
from ribbon.cloth.edge_lying import fronts_of, lies_on_cloth, losing, plan_lying, spread_as_cut
from ribbon.cloth.fronts import Fronts
from ribbon.cloth.joining import Lying, allowed_of
from ribbon.cloth.notions import Notion, notions
from ribbon.cloth.pieces import LiningToCut, edge_load, lining_to_cut
from ribbon.cloth.saving import Repeated, repeated, savings
from ribbon.cloth.says import bought_says, fronts_say, joins_say, lining_says, running_on
from ribbon.cloth.seen import StripeLook, looks
from ribbon.cloth.shares import drops
from ribbon.cloth.sold import weighs
from ribbon.cloth.stripes import repeat_of
from ribbon.edge import EdgePlan, Plan, edge_of
from ribbon.errors import Refusal
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length, typed
from ribbon.offers import Change
from ribbon.readings import Allowed, Joined, Strategy, strategies


@dataclass(slots=True)
class OnCloth:
    """What an edge comes to on its cloth; what is not known stays empty, and `slip` says what is lacking."""

    strategies: list[tuple[Strategy, Joined, Fraction | None]] = field(default_factory=list)
    """Each way to share the strip over widths, with what it costs where that is known."""
    offers: list[Change] = field(default_factory=list)
    lying: Lying | None = None
    drop: Drop | None = None
    on_bolt: Length | None = None
    """A drop as cut, and as the repeat asks for it."""
    bought: Bought | None = None
    makes: list[tuple[str, Change]] = field(default_factory=list)
    """What the cloth at hand makes, by name."""
    mends: list[Change] = field(default_factory=list)
    lining: LiningToCut | None = None
    grams: Fraction | None = None
    notions: list[Notion] = field(default_factory=list)
    repeats: list[Repeated] = field(default_factory=list)
    pleats_at_hand: int | None = None
    looks: list[StripeLook] = field(default_factory=list)
    slip: list[str] = field(default_factory=list)


def on_cloth(whole: EdgePlan, cutting: Cutting) -> OnCloth:
    """Everything about the cloth of an edge.  Raises `Refusal` where it cannot be joined as it is asked to."""
    told, bolt, made = OnCloth(), cutting.bolt, whole.only
    found = lies_on_cloth(whole, cutting) if bolt is not None else None
    if bolt is None or found is None:
        told.slip = [_SHAPED if cutting.shaped else "Say how wide the cloth is, and everything here follows."]
        return told
    allowed, fronts = allowed_of(whole.edge, from_end=cutting.from_end), fronts_of(made, cutting)
    laid = spread_as_cut(whole, fronts)
    told.lying = found
    told.strategies = [
        (name, got, _cost(bolt, cutting.drop, got)) for name, got in strategies(laid, bolt.usable, allowed)
    ]
    if made is not None:
        _savings(told, made, cutting, found)
    told.slip = joins_say(whole, found.joined, cutting)
    if bolt.stripes:
        told.looks = looks(bolt.stripes, cutting.stripe, whole.strip, whole.walked, whole.showing)
        told.slip += running_on(whole, found, cutting)
    if fronts is not None and made is not None:
        told.slip += fronts_say(fronts, made)
    if cutting.drop is None:
        told.slip.append("Say how far it falls, and the length to buy follows.")
    else:
        _lengths(told, whole, cutting, bolt, cutting.drop, laid.flat + allowed.start + allowed.end)
        if made is not None and bolt.at_hand is not None:
            _at_hand(told, made, cutting, bolt, cutting.drop, fronts)
    if made is not None:
        told.notions = notions(made, len(found.joined.joins), cutting.drop.cut if cutting.drop else None)
    return told


_SHAPED = "Its cloth is cut as a shape and not as a strip: the step Cut shows how it lies."


def _cost(bolt: Bolt, drop: Drop | None, got: Joined) -> Fraction | None:
    if drop is None:
        return None
    length: Length = drop_on(bolt, drop) * drops([width.cut for width in got.widths], bolt.usable) + bolt.along
    return bolt.cost(bolt.bought(length))


def _savings(told: OnCloth, made: Plan, cutting: Cutting, found: Lying) -> None:
    """Changes that save a width, and depths to the repeat."""
    bolt = cutting.bolt
    if bolt is None:
        return
    across = cutting._replace(drop=None)

    def widths(other: Plan) -> int | None:
        """How many widths another plan of this edge takes; None where they cannot be shared as they are here."""
        try:
            lies = plan_lying(other, across)
        except Refusal:
            return None
        return len(lies.joined.widths) if lies else None

    if found.taken is None or found.taken.name == "across":  # only then are there widths to save
        step = made.section.tape or Length(1)
        told.offers = [one.change(made) for one in savings(made, lambda other: widths(other) or 1 << 20, step)]
    repeat = bolt.across or (repeat_of(bolt.stripes) if bolt.stripes else ZERO)
    told.repeats = repeated(made, repeat, lambda other: widths(other) is not None)


def _lengths(told: OnCloth, whole: EdgePlan, cutting: Cutting, bolt: Bolt, drop: Drop, cut: Length) -> None:
    """What depends on the drop: the length to buy, the lining, the weight."""
    lying = told.lying
    if lying is None or lying.taken is None:
        return
    taken, write = lying.taken, whole.edge.scribe.write
    told.drop, told.on_bolt = drop, drop_on(bolt, drop)
    told.bought = buy(bolt, taken.length)
    told.slip += bought_says(whole, bolt, lying, told.bought, cutting.way)
    if told.bought.short is not None:
        told.mends = [
            Change.of(
                f"Cut it {way.name}: {write(way.length).text} instead of {write(taken.length).text}, its grain lying across.",
                {"cutting.way": way.name},
            )
            for way in lying.ways
            if not way.why_not and way.length < taken.length
        ]
    told.lining = lining_to_cut(whole, cutting)
    if told.lining is not None and cutting.lining_bolt is not None:
        told.slip += lining_says(whole, cutting.lining_bolt, told.lining)
        told.mends += _tube(whole, cutting, told.lining)
    told.grams = edge_load(whole, cutting, cut, told.lining)
    if told.grams is not None:
        text = weighs(told.grams, imperial=whole.edge.imperial)
        told.slip.append(f"It weighs about {text}: see that rail, wall fixings or waistband are made for that.")


def _tube(whole: EdgePlan, cutting: Cutting, lining: LiningToCut) -> list[Change]:
    """What would make a tube measure the flat width, or the pleats be planned from what it measures."""
    made, write = lining.made, whole.edge.scribe.write
    if made.turned is None or made.turned == whole.flat or cutting.lining is None:
        return []
    found = [
        Change.of(
            f"Cut the face so that the tube measures {write(whole.flat).text}: {write(cutting.lining.side).text} more at each side.",
            {"allowance.start": None, "allowance.end": None},
        )
    ]
    if whole.only is not None:
        facts = {
            "pins.flat": typed(made.turned, whole.edge.unit),
            "pins.fullness": None,
            "pins.depth": None,
            "pins.per_pleat": None,
            "meet": None,
        }
        found.append(Change.of(f"Plan the pleats from what the tube measures: {write(made.turned).text} flat.", facts))
    return found


def _at_hand(told: OnCloth, made: Plan, cutting: Cutting, bolt: Bolt, drop: Drop, fronts: Fronts | None) -> None:
    """What the cloth at hand makes; front pieces in one length with it take their part of it first."""
    allowed: Allowed = allowed_of(made.section, from_end=cutting.from_end)
    seams = allowed
    if fronts is not None:
        seams = allowed._replace(start=allowed.start + fronts.before, end=allowed.end + fronts.behind)
    found = makes_at_hand(
        made.section,
        bolt,
        drop,
        seams,
        cutting.strategy,
        cutting.way,
        lambda one: losing(edge_of(one), cutting),
    )
    told.makes = [(one.name, one.change(made.section)) for one in found]
    told.pleats_at_hand = repeats_at_hand(made, bolt, drop, allowed, cutting.way) if bolt.across else None
