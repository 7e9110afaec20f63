"""The step Cloth on the wire: one edge on its cloth, compared and bought."""

from __future__ import annotations

from collections.abc import Sequence

from ribbon.cloth import (
    Bolt,
    Drop,
    LiningCut,
    LiningToCut,
    StripeLook,
    Way,
    long_scribe,
    money,
    off_bolt,
    sold_in,
    usual_hand,
    usual_lining,
    weighs,
)
from ribbon.cloth.on_cloth import OnCloth, on_cloth
from ribbon.cloth.says import LINING_WAYS, way_says
from ribbon.edge import EdgePlan
from ribbon.errors import Refusal
from ribbon.facts import in_inches, usual_seam
from ribbon.fraction import Fraction
from ribbon.lengths import UNITS, Length, Scribe, Unit, typed
from ribbon.readings import Joined, Strategy
from server.cutting.out import (
    BoltOut,
    BuyOut,
    ClothOut,
    DropOut,
    LinedOut,
    LoadOut,
    LookOut,
    NotionOut,
    RepeatOut,
    StrategyOut,
    WayOut,
)
from server.plans.bounds import planned
from server.wire.change import told_change
from server.wire.cloth import ClothSpec
from server.wire.read_cloth import read_cloth
from server.wire.read_edge import Given, habit_of
from server.wire.told import LengthOut, Writer, told_length


def bolt_of(said: ClothSpec, unit: str, habit: str | None) -> BoltOut:
    """What there is of a cloth by itself.  Raises `Refusal` with everything that is wrong in it."""
    own = UNITS[said.unit or unit]
    imperial = in_inches(UNITS[unit], habit_of(habit))
    found = read_cloth(said, "cloth", unit, imperial=imperial)
    if found.problems or found.wrong:
        raise Refusal([*found.problems, *found.wrong])
    scribe = Scribe(own, None)

    def size(length: Length | None) -> LengthOut | None:
        return None if length is None else told_length(scribe, length)

    bolt = found.bolt
    return {
        "usable": size(found.facts.usable),
        "at_hand": size(bolt.washed if bolt else None),
        "along": size(bolt.along if bolt and bolt.along else None),
    }


def cloth_of(given: Given) -> ClothOut:
    """Everything about the cloth of an edge.  Raises `Refusal`."""
    cutting = given.cutting
    striped = len(cutting.bolt.stripes) if cutting.bolt else 0
    whole = planned(given.edge, "The cloth of an edge" if cutting.bolt else "A plan", stripes=striped)
    told, writer = on_cloth(whole, cutting), Writer.of(whole)
    sign = cutting.bolt.sign if cutting.bolt else ""
    return {
        "strategies": [_strategy(writer, *one, sign) for one in told.strategies],
        "offers": [told_change(one) for one in told.offers],
        "ways": _ways(writer, cutting.bolt, told),
        "drop": _drop(writer, told.drop, told.on_bolt) if told.drop and told.on_bolt else None,
        "along": writer.size(cutting.bolt.along) if cutting.bolt and cutting.bolt.along else None,
        "buy": _buy(writer, cutting.bolt, told, whole.edge.unit) if cutting.bolt else None,
        "makes": [{"name": name, **told_change(change)} for name, change in told.makes],
        "mends": [told_change(one) for one in told.mends],
        "lining": _lining(writer, cutting.lining_bolt, told.lining) if told.lining and cutting.lining_bolt else None,
        "load": _load(told.grams, imperial=whole.edge.imperial) if told.grams is not None else None,
        "notions": _notions(told, whole),
        "repeats": [
            RepeatOut(
                repeats=one.fit.repeats,
                pitch=writer.size(one.fit.pitch),
                depth=writer.size(one.fit.depth),
                **told_change(one.change),
            )
            for one in told.repeats
        ],
        "pleats_at_hand": told.pleats_at_hand,
        "looks": [_look(whole, cutting.bolt, one) for one in told.looks if cutting.bolt],
        "slip": told.slip,
        "assumed": _assumed(given, writer),
    }


def _drop(writer: Writer, drop: Drop, on_bolt: Length) -> DropOut:
    return {
        "cut": writer.place(drop.cut),
        "on_bolt": writer.place(on_bolt),
        "heading": writer.size(drop.heading),
        "finished": writer.size(drop.finished),
        "hem": writer.size(drop.hem * drop.hem_turns),
        "margin": writer.size(drop.margin),
    }


def _assumed(given: Given, writer: Writer) -> dict[str, str]:
    """What is assumed where nothing is said, to be shown where it would be typed."""
    edge, said, write = given.edge, given.spec, writer.places.write
    imperial = edge.imperial
    seam = said.allowance.seam or write(usual_seam(imperial=imperial)).text
    lining = usual_lining(imperial=imperial)
    bolt = given.cutting.bolt
    yards = bolt.per != Length.cm(100) if bolt else imperial
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
        "cutting.lining.cloth.usable": write(edge.cloth.usable).text if edge.cloth.usable else "",
    }


def _strategy(writer: Writer, name: Strategy, got: Joined, cost: Fraction | None, sign: str) -> StrategyOut:
    return {
        "name": name.value,
        "says": name.says,
        "widths": [writer.size(width.cut) for width in got.widths],
        "joins": len(got.joins),
        "shown": got.shown,
        "cost": money(cost, sign),
    }


def _ways(writer: Writer, bolt: Bolt | None, told: OnCloth) -> list[WayOut]:
    lying = told.lying
    if bolt is None or lying is None or lying.taken is None:
        return []
    return [_way(writer, bolt, way, way.length, way_says(way.name, way.joins), lying.taken) for way in lying.ways]


def _way(writer: Writer, bolt: Bolt, way: Way | LiningCut, length: Length, says: str, taken: Way | LiningCut) -> WayOut:
    """One way that a face or a lining can lie."""
    return {
        "name": way.name,
        "says": says,
        "length": writer.size(length),
        "cost": money(bolt.cost(bolt.bought(length)), bolt.sign),
        "joins": way.joins,
        "why_not": way.why_not,
        "taken": way == taken,
    }


def _buy(writer: Writer, bolt: Bolt, told: OnCloth, unit: Unit) -> BuyOut | None:
    got = told.bought
    if got is None:
        return None
    return {
        "needed": writer.size(got.needed),
        "asked": told_length(sold_in(bolt), got.asked) if got.asked else None,
        "cost": money(got.cost, bolt.sign),
        "at_hand": writer.place(got.at_hand) if got.at_hand is not None else None,
        "short": writer.place(got.short) if got.short is not None else None,
        "take": typed(off_bolt(got.needed, unit), unit),
    }


def _lining(writer: Writer, bolt: Bolt, found: LiningToCut) -> LinedOut:
    made, asked = found.made, bolt.bought(found.cut.needed)
    ways: Sequence[LiningCut] = found.ways
    return {
        "width": writer.size(made.width),
        "length": writer.size(made.length),
        "turned": writer.size_or_none(made.turned),
        "rolls": writer.size_or_none(made.rolls),
        "way": found.cut.name,
        "ways": [_way(writer, bolt, way, way.needed, LINING_WAYS[way.name], found.cut) for way in ways],
        "asked": told_length(sold_in(bolt), asked),
        "cost": money(bolt.cost(asked), bolt.sign),
    }


def _load(grams: Fraction, *, imperial: bool) -> LoadOut:
    return {"grams": float(grams), "text": weighs(grams, imperial=imperial)}


def _notions(told: OnCloth, whole: EdgePlan) -> list[NotionOut]:
    scribe = long_scribe(whole.edge.unit)
    return [
        {
            "name": one.name,
            "count": one.count,
            "length": told_length(scribe, one.length) if one.length is not None else None,
        }
        for one in told.notions
    ]


_MOST_SEEN = 400


def _look(whole: EdgePlan, bolt: Bolt, look: StripeLook) -> LookOut:
    per, stripes = whole.walked.parts, bolt.stripes
    return {
        "stripe": look.stripe + 1,
        "where": look.where,
        "colour": stripes[look.stripe].colour,
        "front": [
            {"from": float(s.start) / per, "to": float(s.end) / per, "colour": stripes[s.stripe].colour}
            for s in look.seen[:_MOST_SEEN]
        ],
    }
