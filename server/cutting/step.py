"""The step Cloth: one section on its cloth, compared and bought."""

from __future__ import annotations

from collections.abc import Callable
from fractions import Fraction
from typing import Any

from ribbon.cloth import (
    Apron,
    Bolt,
    Drop,
    Fronts,
    Lying,
    allowed_of,
    buy,
    deepened,
    drop_on,
    drops,
    load,
    makes_at_hand,
    notions,
    offers,
    repeat_of,
    repeats_at_hand,
    to_repeat,
    usual_hand,
    usual_lining,
)
from ribbon.errors import Refusal
from ribbon.lengths import UNITS, ZERO, Length, Unit, typed, typed_number, write_ratio
from ribbon.pins import Band, Plan, Section, strip, usual_seam
from ribbon.pins import laid as laid_of
from ribbon.pleats import Quantity
from ribbon.readings import Allowed, Joined, Strategy, front, joined, strategies
from ribbon.strip import Strip, Walk, walk
from server.cutting.lining import told_lining
from server.cutting.sold import long_scribe, money, sold_in, sold_says, told_length, told_ways, weighs
from server.plans.bounds import bounded
from server.plans.cutting import Cutting, read_cutting
from server.plans.drawn import Writer
from server.plans.joining import cut_as, fronts_of, lying_for, whole_strip
from server.plans.schema import SectionIn
from server.plans.stripes import Striped, beginning, looks

Q = Quantity
WAYS = {
    "across": "strips across the cloth, joined",
    "lengthways": "strips along the cloth, side by side",
    "railroaded": "one strip along the cloth, no join",
}


def way_says(name: str, joins: int) -> str:
    """A way of lying as one would say it: what is not joined is not said to be."""
    if name == "across" and not joins:
        return "one width across the cloth"
    return "one strip along the cloth" if name == "lengthways" and not joins else WAYS[name]


def cloth_of(said: SectionIn) -> dict[str, Any]:
    """Everything about a section's cloth.  Raises `Refusal`."""
    cutting, section = read_cutting(said), said.section
    if cutting.bolt is not None:
        bounded(section, "The cloth of an edge", stripes=len(said.cloth.stripes) if said.cloth else 0)
    laid, made = laid_of(section)
    walked = walk(laid)
    writer, allowed = Writer(section), allowed_of(section)
    bolt, drop = cutting.bolt, cutting.drop
    told: dict[str, Any] = {
        "strategies": [], "offers": [], "ways": [], "drop": None, "buy": None, "makes": [], "mends": [],
        "lining": None, "load": None, "notions": [], "repeats": [], "pleats_at_hand": None, "looks": [], "slip": [],
        "assumed": _assumed(section, writer, said),
    }  # fmt: skip
    if bolt is None:
        told["slip"] = ["Say how wide the cloth is, and everything here follows."]
        return told
    cut = cut_as(said, cutting)
    fronts = fronts_of(made, cut)
    whole = whole_strip(laid, fronts)
    found = lying_for(section, laid, walked, made, cut)
    if found is None:
        return told
    chosen, striped = found.joined, cutting.striped
    told["strategies"] = _strategies(writer, whole, walked if whole is laid else walk(whole), bolt, drop, allowed)

    def fits(other: Plan) -> int | None:
        """How many widths another plan of this section takes; None where they cannot be shared as they are here."""
        own = whole_strip(strip(other), fronts_of(other, cut))
        try:
            return len(joined(own, walk(own), bolt.usable, allowed, cut.strategy).widths)
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
    if fronts is not None and made is not None:
        told["slip"] += _fronts(writer, fronts, made)
    if drop is None:
        told["slip"].append("Say how far it falls, and the length to buy follows.")
    else:
        cut_width = whole.flat + allowed.start + allowed.end
        _lengths(told, writer, said, cutting, bolt, drop, cut_width, found)
        told_lining(told, writer, said, cutting, laid.flat, made)
        _load(told, said, bolt, drop, cut_width)
        if made is not None and bolt.at_hand is not None:
            told["makes"] = _makes(writer, made, bolt, drop, allowed, said, fronts)
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


def _assumed(section: Section | Band, writer: Writer, said: SectionIn) -> dict[str, str]:
    """What is assumed where nothing is said, to be shown where it would be typed."""
    imperial, write = section.imperial, writer.places.write
    seam = said.allowance.seam or write(usual_seam(imperial=imperial)).text
    lining = usual_lining(imperial=imperial)
    yards = said.cloth.per == "yd" or (said.cloth.per is None and imperial)
    return {
        "allowance.seam": write(usual_seam(imperial=imperial)).text,
        **{f"allowance.{name}": str(seam) for name in ("start", "end", "join")},
        "cloth.step": "1/8 yd" if yards else "10 cm",
        "cutting.front.fold": write(usual_hand(imperial=imperial)).text,
        "cutting.lining.shorter": write(lining.shorter).text,
        "cutting.lining.narrower": write(lining.narrower).text,
        "cutting.lining.hem": write(lining.hem).text,
        "cutting.lining.heading": write(lining.heading).text,
        "cutting.lining.allowance": str(seam),
        "cutting.lining.usable": write(section.cloth.usable).text if section.cloth.usable else "",
    }


def _strategies(
    writer: Writer, whole: Strip, walked: Walk, bolt: Bolt, drop: Drop | None, allowed: Allowed
) -> list[dict[str, Any]]:
    """Each way to share the strip over widths, with what it costs where that is known."""

    def cost(got: Joined) -> str | None:
        if drop is None:
            return None
        length = drop_on(bolt, drop) * drops([width.cut for width in got.widths], bolt.usable) + bolt.along
        return money(bolt.cost(bolt.bought(length)))

    return [
        {
            "name": name.value,
            "says": name.says,
            "widths": [writer.size(width.cut) for width in got.widths],
            "joins": len(got.joins),
            "shown": got.shown,
            "cost": cost(got),
        }
        for name, got in strategies(whole, walked, bolt.usable, allowed)
    ]


def _offers(writer: Writer, made: Plan, widths: Callable[[Plan], int | None]) -> list[dict[str, Any]]:
    found = []
    for one in offers(made, lambda other: widths(other) or 1 << 20, made.section.tape or Length(1)):
        value = made.section.say(one.quantity, one.value)
        verb = f"{value} pleats" if one.quantity is Q.COUNT else f"a depth of {value}"
        saved = "one width" if one.saves == 1 else f"{one.saves} widths"
        exact = typed_number(one.value) if one.quantity is Q.COUNT else writer.typed(Length(one.value))
        change: dict[str, Any] = {f"pins.{one.quantity.value}": exact}
        if one.quantity is Q.DEPTH:
            change |= {
                "meet": False,
                "pins.count": typed_number(made.pleats),
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
            change["pins.count"] = typed_number(made.pleats)
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
            at = f"{writer.place(walked.length(join.at))['text']}"
            where = f"{'at the ' if join.where.startswith(('inner', 'middle')) else ''}{join.where}"
            shows = "" if join.hidden or join.where.startswith("in the open") else ", where it shows"
            says.append(f"Join {number} falls at {at}, {where}{shows}.")
        if len(chosen.joins) > _MOST_JOINS:
            says.append(f"And {len(chosen.joins) - _MOST_JOINS} joins more.")
        if chosen.shown:
            says.append(
                f"{chosen.shown} of {len(chosen.joins)} would show. Wider cloth, narrower allowances, deeper or smaller pleats, or a shorter plain run would hide them."
            )
    else:
        says.append("One width holds it: no join.")
    if said.closed:
        start, end = said.section.allowance.start, said.section.allowance.end
        ends = f"{write(start).text} at each side" if start == end else f"{write(start).text} and {write(end).text}"
        close = (
            f"The ring closes with a seam of {ends}"
            if start or end
            else "The ring closes edge to edge: its seam has no allowance"
        )
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


def _fronts(writer: Writer, found: Fronts, made: Plan) -> list[str]:
    """How the cloth is shared between two plain front pieces and the pleats."""
    write = writer.places.write
    got: Apron = found.shared
    needed = made.flat - sum((end.width for end in (made.section.lead, made.section.tail) if end.width), ZERO)
    says = [
        f"Front pieces in one length with the pleats: the outer one {write(got.outer).text} flat, centred on its line, the inner one {write(got.inner).text}; "
        f"{write(got.left).text} is left for pleats, which take {write(needed).text}."
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
    """What depends on the drop: the ways, the length to buy."""
    write, unit = writer.places.write, UNITS[said.unit]
    taken = found.taken
    if taken is None:
        return
    refused = next((way for way in found.ways if way.name == said.cutting.way and way.why_not), None)
    if refused is not None:
        told["slip"].append(f"Cut {refused.name}, this cannot be: {refused.why_not}.")
    told["ways"] = told_ways(
        writer, bolt, found.ways, taken, lambda way: way.length, lambda way: way_says(way.name, way.joins)
    )
    told["drop"] = {"cut": writer.place(drop.cut), "on_bolt": writer.place(drop_on(bolt, drop))}
    got = buy(bolt, taken.length)
    told["buy"] = {
        "needed": writer.size(got.needed),
        "asked": told_length(sold_in(bolt), got.asked) if got.asked else None,
        "cost": money(got.cost),
        "at_hand": writer.place(got.at_hand) if got.at_hand is not None else None,
        "short": writer.place(got.short) if got.short is not None else None,
        "take": typed(_up(got.needed, unit), unit),
    }
    if got.asked:
        cost = f", {money(got.cost)}" if got.cost is not None else ""
        told["slip"].append(
            f"Buy {sold_says(bolt, got.asked, unit)} of {bolt.name or 'cloth'}{cost}: {way_says(taken.name, taken.joins)}."
        )
    else:
        told["slip"].append(
            f"Cut {write(got.needed).text} of {bolt.name or 'cloth'}: {way_says(taken.name, taken.joins)}."
        )
    if bolt.shrinkage:
        told["slip"].append("The length allows for shrinkage: wash it before you cut.")
    less = [way for way in found.ways if not way.why_not and way.length < taken.length]
    if got.short is not None:
        told["slip"].append(
            f"What is at hand is {write(got.short).text} short{', and it is all there is' if bolt.rectangle else ''}."
        )
        told["mends"] += [
            {
                "says": f"Cut it {way.name}: {write(way.length).text} instead of {write(taken.length).text}, its grain lying across.",
                "change": {"cutting.way": way.name},
            }
            for way in less
        ]
    elif got.at_hand is not None:
        told["slip"].append(f"What is at hand is enough; {write(got.at_hand - got.needed).text} is left.")
    if less and taken.name == "across":
        least = min(less, key=lambda way: way.length.mm)
        told["slip"].append(
            f"Cut {least.name} it would take {write(least.length).text}, its grain lying across: only if you say so."
        )


def _up(length: Length, unit: Unit) -> Length:
    """A length to measure off the bolt: up to the centimetre, or the eighth of an inch."""
    step = Length.inches(Fraction(1, 8)) if unit.binary else Length.cm(1)
    return step * -(-(length / step) // 1)


def _load(told: dict[str, Any], said: SectionIn, bolt: Bolt, drop: Drop, cut: Length) -> None:
    """What it weighs, its lining too, and what it hangs on."""
    grams = load(bolt, cut, drop, told.pop("lining_mass", None))
    if grams is None:
        return
    text = weighs(grams, UNITS[said.unit])
    told["load"] = {"grams": float(grams), "text": text}
    told["slip"].append(f"It weighs about {text}: see that rail, wall fixings or waistband are made for that.")


def _makes(
    writer: Writer,
    made: Plan,
    bolt: Bolt,
    drop: Drop,
    allowed: Allowed,
    said: SectionIn,
    fronts: Fronts | None,
) -> list[dict[str, Any]]:
    """What the cloth at hand will make, each as a change that makes it so."""
    told = []
    # Front pieces in one length with it take their part of what is at hand first.
    seams = (
        allowed
        if fronts is None
        else allowed._replace(start=allowed.start + fronts.before, end=allowed.end + fronts.behind)
    )
    for one in makes_at_hand(made.section, bolt, drop, seams, Strategy(said.cutting.strategy), said.cutting.way):
        change: dict[str, Any] = {"pins.flat": writer.typed(Length(one.pins[Q.FLAT])), "meet": None}
        if one.name == "greatest fullness":
            says = f"{write_ratio(one.value).text} times"
            change |= {"pins.fullness": None, "pins.depth": None, "pins.per_pleat": None}
        elif one.name == "longest edge":
            says = writer.sizes.write_mm(one.value).text
            change |= {"pins.finished": None, "pins.count": None}
        else:
            says = f"{write_ratio(one.value).text} pleats"
            change |= {"pins.spacing": None, "pins.fullness": None, "pins.box": None, "pins.flat": None}
            change["pins.count"] = typed_number(one.pins[Q.COUNT])
        told.append({"name": one.name, "says": f"{one.name.capitalize()}: {says}", "change": change})
    return told
