"""The step Cloth: one section on its cloth, compared and bought."""

from __future__ import annotations

from collections.abc import Callable
from fractions import Fraction
from typing import Any

from ribbon.cloth import (
    Bolt,
    Drop,
    Lying,
    apron,
    buy,
    deepened,
    drop_on,
    lined,
    lining_cut,
    load,
    lying,
    makes_at_hand,
    notions,
    offers,
    repeat_of,
    repeats_at_hand,
    to_repeat,
)
from ribbon.errors import Refusal
from ribbon.lengths import ZERO, Length, write_ratio
from ribbon.pins import Plan, strip
from ribbon.pins import laid as laid_of
from ribbon.pleats import Quantity
from ribbon.readings import Allowed, Joined, Strategy, front, joined, strategies
from ribbon.strip import Strip, Walk, walk
from server.cutting.sold import long_scribe, sold_in, told_length
from server.plans.cutting import Cutting, read_cutting
from server.plans.drawn import Writer
from server.plans.schema import SectionIn
from server.plans.stripes import Striped, beginning, looks

Q = Quantity
_WAYS = {
    "across": "strips across the cloth, joined",
    "lengthways": "strips along the cloth, side by side",
    "railroaded": "one strip along the cloth, no join",
}


def cloth_of(said: SectionIn) -> dict[str, Any]:
    """Everything about a section's cloth.  Raises `Refusal`."""
    cutting, section = read_cutting(said), said.section
    laid, made = laid_of(section)
    walked = walk(laid)
    writer, allowed = Writer(section), Allowed(*section.allowance, section.tape)
    bolt, drop = cutting.bolt, cutting.drop
    cut = laid.flat + allowed.start + allowed.end
    told: dict[str, Any] = {
        "strategies": [], "offers": [], "ways": [], "drop": None, "buy": None, "makes": [], "mends": [],
        "lining": None, "load": None, "notions": [], "repeats": [], "pleats_at_hand": None, "looks": [], "slip": [],
    }  # fmt: skip
    if bolt is None:
        told["slip"] = ["Say how wide the cloth is, and everything here follows."]
        return told
    found = lying(laid, walked, bolt, drop, allowed, Strategy(said.cutting.strategy), said.cutting.way)
    chosen = found.joined
    striped = cutting.striped
    told["strategies"] = _strategies(writer, laid, walked, bolt, allowed)

    def fits(other: Plan) -> int | None:
        """How many widths another plan of this section takes; None where they cannot be shared as they are here."""
        laid = strip(other)
        try:
            return len(joined(laid, walk(laid), bolt.usable, allowed, Strategy(said.cutting.strategy)).widths)
        except Refusal:
            return None

    if made is not None:
        if found.taken is None or found.taken.name == "across":  # only then are there widths to save
            told["offers"] = _offers(writer, made, fits)
        told["repeats"] = _repeats(writer, striped, made, bolt, fits)
    told["slip"] = _join_sentences(writer, chosen, said, cutting, walked)
    if striped is not None:
        told["looks"] = looks(striped, laid, walked, front(walked))
        told["slip"] += _running_on(writer, striped, laid, walked, chosen)
    if cutting.front is not None and made is not None:
        told["slip"] += _fronts(writer, made, bolt, *cutting.front)
    if drop is None:
        told["slip"].append("Say how far it falls, and the length to buy follows.")
    else:
        _lengths(told, writer, said, cutting, bolt, drop, cut, found)
        if made is not None and bolt.at_hand is not None:
            told["makes"] = _makes(writer, made, bolt, drop, allowed, said)
            told["pleats_at_hand"] = (
                repeats_at_hand(made, bolt, drop, allowed, said.cutting.way) if bolt.across else None
            )
    if made is not None:
        told["notions"] = [
            {
                "name": n.name,
                "count": n.count,
                "length": told_length(long_scribe(made.section.unit), n.length) if n.length is not None else None,
            }
            for n in notions(made, len(chosen.joins), drop.cut if drop else None)
        ]
    return told


def _strategies(writer: Writer, laid: Strip, walked: Walk, bolt: Bolt, allowed: Allowed) -> list[dict[str, Any]]:
    return [
        {
            "name": name.value,
            "says": name.says,
            "widths": [writer.size(width.cut) for width in got.widths],
            "joins": len(got.joins),
            "shown": got.shown,
        }
        for name, got in strategies(laid, walked, bolt.usable, allowed)
    ]


def _offers(writer: Writer, made: Plan, widths: Callable[[Plan], int | None]) -> list[dict[str, Any]]:
    found = []
    for one in offers(made, lambda other: widths(other) or 1 << 20, made.section.tape or Length(1)):
        value = made.section.say(one.quantity, one.value)
        verb = f"{value} pleats" if one.quantity is Q.COUNT else f"a depth of {value}"
        saved = "one width" if one.saves == 1 else f"{one.saves} widths"
        change: dict[str, Any] = {f"pins.{one.quantity.value}": value.removeprefix("≈")}
        if one.quantity is Q.DEPTH:
            change |= {
                "meet": False,
                "pins.count": made.section.say(Q.COUNT, made.pleats),
                "pins.flat": None,
                "pins.fullness": None,
                "pins.per_pleat": None,
            }
        found.append(
            {
                "says": f"With {verb}, {saved} of cloth less: {writer.places.write(one.flat).text} flat.",
                "change": change,
            }
        )
    return found


def _repeats(
    writer: Writer, striped: Striped | None, made: Plan, bolt: Bolt, fits: Callable[[Plan], int | None]
) -> list[dict[str, Any]]:
    """Depths that make every pleat show the same part of the repeat across, or of the stripes."""
    repeat = bolt.across or (repeat_of(striped.stripes) if striped else ZERO)
    spacing = made.values.get(Q.SPACING)
    if not repeat or spacing is None or Q.DEPTH not in made.section.kind.quantities:
        return []
    thick = made.section.kind.take_up_per_depth
    told = []
    for fit in to_repeat(repeat, Length(spacing), thick):
        other = deepened(made, fit.depth)
        if other is None or fits(other) is None:
            continue  # what else is pinned leaves no room for pleats so deep, or the cloth cannot be joined for them
        change: dict[str, Any] = {
            "pins.depth": writer.typed(fit.depth),
            "meet": False,
            "pins.flat": None,
            "pins.fullness": None,
            "pins.per_pleat": None,
        }
        if Q.COUNT in other.section.pins:
            change["pins.count"] = made.section.say(Q.COUNT, made.pleats)
        told.append(
            {
                "repeats": fit.repeats,
                "pitch": writer.size(fit.pitch),
                "depth": writer.size(fit.depth),
                "says": f"{fit.repeats} {'repeat' if fit.repeats == 1 else 'repeats'} to a pleat: {writer.sizes.write(fit.depth).text} deep",
                "change": change,
            }
        )
    return told


_MOST_JOINS = 12


def _join_sentences(writer: Writer, chosen: Joined, said: SectionIn, cutting: Cutting, walked: Walk) -> list[str]:
    write = writer.places.write
    says = []
    if chosen.joins:
        for number, join in enumerate(chosen.joins[:_MOST_JOINS], 1):
            says.append(
                f"Join {number} falls at {writer.place(walked.length(join.at))['text']}, {'at the ' if join.where.startswith(('inner', 'middle')) else ''}{join.where}."
            )
        if len(chosen.joins) > _MOST_JOINS:
            says.append(f"And {len(chosen.joins) - _MOST_JOINS} joins more.")
        if chosen.shown:
            says.append(
                f"{chosen.shown} of {len(chosen.joins)} would show: no hidden place is within reach of the cloth. Wider cloth, smaller pleats or a shorter plain run would hide them."
            )
    else:
        says.append("One width holds it: no join.")
    if said.closed:
        ends = write(said.section.allowance.start + said.section.allowance.end).text
        close = f"The ring closes with a join of {ends} in all"
        says.append(
            f"{close}, left open for {write(cutting.opening).text} at the top." if cutting.opening else f"{close}."
        )
    return says


def _running_on(writer: Writer, striped: Striped, laid: Strip, walked: Walk, chosen: Joined) -> list[str]:
    """How to cut each width so that the stripes run on over its join."""
    if not chosen.joins:
        return []
    repeat, first = repeat_of(striped.stripes), beginning(striped, laid, walked)
    begins = [
        writer.places.write(Length((walked.length(join.at) - first).mm % repeat.mm)).text for join in chosen.joins
    ]
    if len(set(begins)) == 1:
        return [f"So that the stripes run on, begin every further width {begins[0]} into the sequence."]
    each = "; ".join(f"width {number} {begin}" for number, begin in enumerate(begins, 2))
    return [f"So that the stripes run on, begin each width so far into the sequence: {each}."]


def _fronts(writer: Writer, made: Plan, bolt: Bolt, shows: Length, fold: Length) -> list[str]:
    """How the cloth at hand is shared between two plain front pieces and the pleats."""
    write = writer.places.write
    # Plain stated ends are the front pieces themselves; spaces at the ends belong to the pleats.
    stated = sum((end.width for end in (made.section.lead, made.section.tail) if end.width), ZERO)
    needed = made.flat - stated
    whole = bolt.washed if bolt.washed is not None else needed + (shows + fold) * 2
    got = apron(whole, shows, fold, needed)
    says = [
        f"Front pieces in one length with the pleats: the outer one {write(got.outer).text} flat, centred on its line, the inner one {write(got.inner).text}; {write(got.left).text} is left for pleats, which take {write(needed).text}."
    ]
    return says + [f"Cloth runs short: {what}." for what in got.says]


def _lengths(
    told: dict[str, Any],
    writer: Writer,
    said: SectionIn,
    cutting: Cutting,
    bolt: Bolt,
    drop: Drop,
    cut: Length,
    found: Lying,
) -> None:
    """What depends on the drop: the ways, the length to buy, the lining, the load."""
    write = writer.places.write
    wanted, taken = said.cutting.way, found.taken
    if taken is None:
        return
    refused = next((way for way in found.ways if way.name == wanted and way.why_not), None)
    if refused is not None:
        told["slip"].append(f"Cut {refused.name}, this cannot be: {refused.why_not}.")
    told["ways"] = [
        {
            "name": way.name,
            "says": _WAYS[way.name],
            "length": writer.size(way.length),
            "cost": _money(bolt.cost(bolt.bought(way.length))),
            "joins": way.joins,
            "why_not": way.why_not,
            "taken": way == taken,
        }
        for way in found.ways
    ]
    told["drop"] = {"cut": writer.place(drop.cut), "on_bolt": writer.place(drop_on(bolt, drop))}
    got = buy(bolt, taken.length)
    told["buy"] = {
        "needed": writer.size(got.needed),
        "asked": told_length(sold_in(bolt), got.asked),
        "cost": _money(got.cost),
        "at_hand": writer.place(got.at_hand) if got.at_hand is not None else None,
        "short": writer.place(got.short) if got.short is not None else None,
    }
    cost = f", {_money(got.cost)}" if got.cost is not None else ""
    told["slip"].append(
        f"Buy {sold_in(bolt).write(got.asked).text} of {bolt.name or 'cloth'}{cost}: {_WAYS[taken.name]}."
    )
    if bolt.shrinkage:
        told["slip"].append("The length allows for shrinkage: wash it before you cut.")
    if got.short is not None:
        told["slip"].append(f"What is at hand is {write(got.short).text} short.")
        told["mends"] = [
            {
                "says": f"Cut it {way.name}: {write(way.length).text} instead of {write(taken.length).text}.",
                "change": {"cutting.way": way.name},
            }
            for way in found.ways
            if not way.why_not and way.length < taken.length
        ]
    elif got.at_hand is not None:
        told["slip"].append(f"What is at hand is enough; {write(got.at_hand - got.needed).text} is left.")
    lining_mass = None
    if cutting.lining is not None and cutting.lining_bolt is not None:
        lining_mass = _lining(
            told,
            writer,
            cutting,
            drop,
            cut,
        )
    grams = load(bolt, cut, drop, lining_mass)
    if grams is not None:
        told["load"] = {"grams": float(grams), "text": f"{float(grams) / 1000:.1f} kg"}
        told["slip"].append(
            f"It weighs about {float(grams) / 1000:.1f} kg: see that rail, wall fixings or waistband are made for that."
        )


def _lining(told: dict[str, Any], writer: Writer, cutting: Cutting, drop: Drop, width: Length) -> Fraction | None:
    lining, bolt = cutting.lining, cutting.lining_bolt
    if lining is None or bolt is None:
        return None
    write = writer.places.write
    made = lined(width, drop, lining)
    cut = lining_cut(made, bolt, lining.allowance)
    asked = bolt.bought(cut.needed)
    told["lining"] = {
        "width": writer.size(made.width),
        "length": writer.size(made.length),
        "turned": writer.size(made.turned),
        "rolls": writer.size(made.rolls),
        "railroaded": cut.railroaded,
        "asked": told_length(sold_in(bolt), asked),
        "cost": _money(bolt.cost(asked)),
    }
    says = f"Cut the lining {write(made.width).text} wide and {write(made.length).text} long"
    says += (
        ", railroaded, without a join"
        if cut.railroaded
        else f", in {len(cut.widths)} widths of {write(cut.widths[0]).text}"
    )
    told["slip"].append(f"{says}: buy {sold_in(bolt).write(asked).text}.")
    if made.turned is not None and made.rolls is not None:
        told["slip"].append(
            f"Sewn as a tube and turned it measures {write(made.turned).text}; {write(made.rolls).text} of the face rolls to the back at each side. Measure it again before pleating."
        )
    return bolt.mass(made.width.mm * made.length.mm)


def _makes(
    writer: Writer, made: Plan, bolt: Bolt, drop: Drop, allowed: Allowed, said: SectionIn
) -> list[dict[str, Any]]:
    """What the cloth at hand will make, each as a change that makes it so."""
    told = []
    for one in makes_at_hand(made.section, bolt, drop, allowed, Strategy(said.cutting.strategy), said.cutting.way):
        if one.name == "greatest fullness":
            said = f"{write_ratio(one.value).text} times"
        elif one.name == "most pleats":
            said = f"{write_ratio(one.value).text} pleats"
        else:
            said = writer.sizes.write_mm(one.value).text
        change: dict[str, Any] = {"pins.flat": writer.typed(Length(one.pins[Q.FLAT])), "meet": None}
        if one.name == "greatest fullness":
            change |= {"pins.fullness": None, "pins.depth": None, "pins.per_pleat": None}
        elif one.name == "longest edge":
            change |= {"pins.finished": None, "pins.count": None}
        else:
            change |= {"pins.count": None, "pins.spacing": None, "pins.fullness": None, "pins.box": None}
        told.append({"name": one.name, "says": f"{one.name.capitalize()}: {said}", "change": change})
    return told


def _money(cost: Fraction | None) -> str | None:
    return None if cost is None else f"{float(cost):.2f}"
