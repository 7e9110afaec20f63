"""A thing as it goes out on the wire."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace
from functools import cache
from typing import Any, NamedTuple

from pydantic import ValidationError

from ribbon.cloth import Bolt, Notion, Pieces, WorkPlans, long_scribe, money, much, work_plans
from ribbon.cloth.says import cut_says
from ribbon.errors import Refusal
from ribbon.fraction import Fraction
from ribbon.lengths import Length
from ribbon.making import (
    THINGS,
    Compared,
    Field,
    FirstStroke,
    Given,
    Made,
    Picture,
    Result,
    Shape,
    Thing,
    View,
    pleats_say,
    says_value,
)
from ribbon.making.costs import shop_says
from ribbon.making.order import ListedStep, in_order
from server.making.edges import MadeEdge, edges_of
from server.making.out import (
    ComparedOut,
    FieldOut,
    MadeEdgeOut,
    MadeNotionOut,
    PictureOut,
    ResultOut,
    ShapeOut,
    StepOut,
    ThingOut,
    ThingRow,
    ViewOut,
)
from server.making.read_thing import ReadThing, read_thing
from server.making.ties import typed_result
from server.plans.answer import answer_of
from server.wire.cloth import ClothSpec, StripeSpec
from server.wire.colours import colour_of
from server.wire.told import told_length, told_ratio
from server.wire.work import OrderSpec, ThingSpec

_COLOURS = {"face": "#d9c9a3", "lining": "#efe9dc", "contrast": "#a8484f", "interfacing": "#c9cdd6"}
"""What cloth of each role is drawn in where its own colour is not known."""


class ThingMade(NamedTuple):
    """A thing made: what was said and read of it, its two strokes, its edges solved, what is bought."""

    said: ThingSpec
    read: ReadThing
    cloths: Mapping[str, ClothSpec]
    begun: FirstStroke
    edges: Mapping[str, MadeEdge]
    made: Made
    bought: WorkPlans | None


def thing_made(said: ThingSpec, cloths: Mapping[str, ClothSpec], own: Mapping[str, Mapping[str, Any]]) -> ThingMade:
    """A thing with all that follows from it.  Raises `Refusal` with all that is wrong in its measures and choices."""
    read = read_thing(said, cloths)
    begun = read.thing.begin(read.given)
    if begun.problems:
        raise Refusal(begun.problems)
    edges = edges_of(begun, said, cloths, own)
    made = read.thing.finish(read.given, begun, {name: one.solved for name, one in edges.items() if one.solved})
    return ThingMade(said, read, cloths, begun, edges, made, _bought(read.given, begun, edges, made))


def thing_of(
    said: ThingSpec,
    cloths: Mapping[str, ClothSpec],
    own: Mapping[str, Mapping[str, Any]],
    *,
    plans: bool = False,
) -> ThingOut:
    """Everything that a thing comes to.  Raises `Refusal` with all that is wrong in its measures and choices."""
    return told_thing(thing_made(said, cloths, own), plans=plans)


def told_thing(found: ThingMade, *, plans: bool = False) -> ThingOut:
    """A thing made, on the wire; with `plans` each edge as /api/plan answers."""
    said, read, cloths, begun, edges, made, bought = found
    thing, given = read
    cost = _cost(bought, made)
    steps, struck = ([_step(one) for one in each] for each in listed_steps(found))
    shop = shop_says(given, cost)
    results = {name: _result(given, one) for name, one in begun.results.items()}
    return {
        "thing": thing.name,
        "title": thing.called(given),
        "fields": [_field(given, one) for one in thing.fields],
        "results": results,
        "edges": {name: _edge(one, results, given, plans=plans) for name, one in edges.items()},
        "parts": [
            {
                "key": one.key,
                "name": one.name,
                "count": one.many,
                "says": one.says,
                "edge": one.edge,
                "mirrored": one.mirrored,
            }
            for one in made.parts
        ],
        "pieces": [
            {
                "key": one.key,
                "name": one.name,
                "role": one.role,
                "count": one.count * begun.times,
                "on_fold": one.on_fold,
                "wide": told_length(given.scribe, one.wide),
                "long": told_length(given.scribe, one.long),
                "area": float(one.opened.area) / 100,
            }
            for one in made.pieces
        ],
        "notions": [_notion(given, one.notion, one.cost) for one in made.notions],
        "buy": [
            {
                "role": plan.role,
                "title": plan.title,
                "says": plan.says(given.unit),
                "cost": money(plan.bought.cost, plan.bolt.sign),
            }
            for plan in (bought.plans if bought else ())
        ],
        "cost": money(cost, given.sign),
        "steps": steps,
        "struck": struck,
        "checks": [{"field": one.field, "says": one.says} for one in made.checks],
        "compared": [
            _compared(one, given.sign)
            for one in {each.title: each for each in (*begun.compared, *made.compared)}.values()
        ],
        "slip": [line for line in (cut_says(made.pieces, given.scribe, begun.times), *made.slip, shop) if line],
        "warnings": [{"code": one.code, "message": one.says} for one in made.cautions],
        "lacks": [{"field": one.field, "says": one.says} for one in begun.lacks],
        "picture": _picture(said, read, made, cloths),
        "times": begun.times,
        "problems": [],
    }


def _picture(said: ThingSpec, read: ReadThing, made: Made, cloths: Mapping[str, ClothSpec]) -> PictureOut | None:
    """The picture of a thing; drawn from typical measures where its own are not enough yet."""
    if made.picture is not None:
        return told_picture(made.picture, read.given, cloths)
    typical = read_thing(ThingSpec(kind=read.thing.name, measures=dict(read.thing.typical)), {}).given
    given = replace(read.given, measures={**typical.measures, **read.given.measures})
    drawn = _made(read.thing, given, said, cloths).picture
    return told_picture(drawn, read.given, cloths) if drawn else None


def _made(thing: Thing, given: Given, said: ThingSpec, cloths: Mapping[str, ClothSpec]) -> Made:
    """A thing made with its edges as it gives them itself."""
    begun = thing.begin(given)
    edges = edges_of(begun, said, cloths, {})
    return thing.finish(given, begun, {name: one.solved for name, one in edges.items() if one.solved})


def _bought(given: Given, begun: FirstStroke, edges: Mapping[str, MadeEdge], made: Made) -> WorkPlans | None:
    """What is bought, by a quick cutting plan; None while nothing can be cut."""
    if not made.pieces:
        return None
    bolts: dict[str, Bolt] = dict(given.cloths)
    for one in edges.values():
        bolts |= one.given.bolts if one.given else {}
    pieces = tuple(piece.times(begun.times) for piece in made.pieces)
    try:
        return work_plans(bolts, [("", Pieces(pieces))], given.unit, search=False)
    except Refusal:
        return None  # the step Cut says why they cannot be laid


def _cost(bought: WorkPlans | None, made: Made) -> Fraction | None:
    costs = [one for one in (bought.cost if bought else None, made.other_cost) if one is not None]
    return sum(costs, Fraction(0)) if costs else None


def _field(given: Given, one: Field) -> FieldOut:
    default = one.default
    return {
        "name": one.name,
        "title": one.title,
        "where": one.where if one.usual is None else f"{one.where} {_usually(given, *one.usual)}",
        "sort": one.sort.value,
        "measure": one.measure,
        "first": one.first,
        "several": one.several,
        "line": one.line,
        "way": one.way,
        "on_the_way": one.on_the_way,
        "group": one.group,
        "options": [{"name": name, "says": says} for name, says in one.options],
        "assumed": says_value(given, default.value(imperial=given.imperial), one) if default else "",
        "why": default.why if default else "",
        "asked": one.asked(given),
    }


def _usually(given: Given, low: Length, high: Length) -> str:
    return f"Most lie between {given.write(low)} and {given.write(high)}."


def _result(given: Given, one: Result) -> ResultOut:
    value = one.value
    made = typed_result(one, given.unit)
    return {
        "length": told_length(given.scribe, value) if isinstance(value, Length) else None,
        "number": told_ratio(Fraction(value)) if isinstance(value, int | Fraction) else None,
        "typed": "" if made is None else str(made["about"] if isinstance(made, dict) else made),
        "about": one.about,
        "says": one.says,
    }


def _edge(one: MadeEdge, results: Mapping[str, ResultOut], given: Given, *, plans: bool) -> MadeEdgeOut:
    whole = one.whole
    kept = one.kept
    plan = answer_of(one.given) if plans and one.given is not None and whole is not None else None
    holds = {path for path, result in one.ties.items() if _at(kept, path) == {"tied": result}}
    scribe = given.scribe
    says = ""
    if whole is not None:
        says = f"{scribe.write(whole.flat).text} into {scribe.write(whole.finished).text}, {pleats_say(whole)}"
    return {
        "title": one.facts.title,
        "mirrors": one.facts.mirrors,
        "measured": one.facts.measured,
        "kept": kept,  # type: ignore[typeddict-item]  # as it was validated, without what was not said
        "spec": one.spec,  # type: ignore[typeddict-item]
        "ties": {
            path: {
                "result": result,
                "says": results[result]["says"],
                "typed": results[result]["typed"],
            }
            for path, result in one.ties.items()
            if result in results
        },
        "tied": [path for path in one.ties if path in holds],
        "finished": told_length(scribe, whole.finished) if whole else None,
        "flat": told_length(scribe, whole.flat) if whole else None,
        "count": whole.count if whole else None,
        "says": says,
        "plan": plan,
        "problems": one.problems,  # type: ignore[typeddict-item]
    }


def _at(spec: Mapping[str, Any], path: str) -> Any:
    at: Any = spec
    for name in path.split("."):
        at = at.get(name) if isinstance(at, Mapping) else None
    return at


def _notion(given: Given, one: Notion, cost: Fraction | None) -> MadeNotionOut:
    return {
        "name": one.name,
        "count": one.count,
        "length": told_length(long_scribe(given.unit), one.length) if one.length is not None else None,
        "much": much(one, given.unit, given.cloths.get("face")),
        "cost": money(cost, given.sign),
    }


def _compared(one: Compared, sign: str) -> ComparedOut:
    return {
        "title": one.title,
        "says": one.says,
        "rows": [
            {
                "field": row.takes[0],
                "value": row.takes[1],
                "title": row.title,
                "says": row.says,
                "more": row.more,
                "cost": money(row.cost, sign),
                "bars": [float(bar.mm) for bar in row.bars],
                "colours": list(row.colours),
                "taken": row.taken,
                "warns": row.warns,
            }
            for row in one.rows
        ],
    }


def listed_steps(found: ThingMade) -> tuple[list[ListedStep], list[ListedStep]]:
    """(the order of making as a sewist has it, what was struck from it)."""
    kept = found.said.making or OrderSpec()
    added = {one.key: one.says for one in kept.added}
    return in_order(found.made.steps, kept.order, added, set(kept.struck), set(kept.done))


def _step(one: ListedStep) -> StepOut:
    return {
        "name": one.name,
        "says": one.says,
        "waits": one.waits,
        "own": one.own,
        "done": one.done,
        "now": one.now,
        "needs": list(one.needs),
    }


def told_picture(picture: Picture, given: Given, cloths: Mapping[str, ClothSpec]) -> PictureOut:
    """A picture, each tape with what it measures."""
    colours = {
        role: colour_of(cloth.model_dump(), role) for role, cloth in cloths.items() if cloth.colour or cloth.name
    }
    return {
        "views": [_view(one, given) for one in picture.views],
        "says": list(picture.says),
        "colours": {**_COLOURS, **colours},
    }


def _view(one: View, given: Given) -> ViewOut:
    return {
        "name": one.name,
        "box": [round(at, 2) for at in one.box],
        "shapes": [_shape(shape) for shape in one.shapes],
        "tapes": [
            {
                "field": tape.field,
                "ends": [round(at, 2) for end in (tape.start, tape.end) for at in end],
                "side": tape.side,
                "says": _tape_says(given, tape.field),
            }
            for tape in one.tapes
        ],
        "labels": [{"x": label.at[0], "y": label.at[1], "says": label.says} for label in one.labels],
    }


def _tape_says(given: Given, name: str) -> str:
    length = given.length_or_none(name)
    title = given.fields[name].title.lower()
    return f"{title} {given.write(length)}" if length is not None else title


def _shape(one: Shape) -> ShapeOut:
    return {
        "points": [round(at, 2) for point in one.points for at in point],
        "paint": one.paint,
        "closed": one.closed,
        "shade": one.shade,
        "weight": one.weight,
        "dashed": one.dashed,
    }


def small_picture(thing: Any, cloths: Mapping[str, Any], own: Mapping[str, Mapping[str, Any]]) -> PictureOut | None:
    """The picture that leads a work in the list, as it is kept: its first view, without tapes; None where it cannot be drawn."""
    try:
        said = ThingSpec.model_validate(thing)
        known = {role: ClothSpec.model_validate(cloth) for role, cloth in cloths.items()}
        read = read_thing(said, known)
        begun = read.thing.begin(read.given)
        edges = edges_of(begun, said, known, own)
        made = read.thing.finish(read.given, begun, {name: one.solved for name, one in edges.items() if one.solved})
    except (Refusal, ValidationError):
        return None
    if made.picture is None:
        return None
    first = made.picture.views[0]
    return told_picture(Picture((View(first.name, first.box, first.shapes),)), read.given, known)


@cache
def rows() -> list[ThingRow]:
    """Every thing that can be made, each with its small picture: the same at each time, so drawn once."""
    return [_row(thing) for thing in THINGS.values()]


def _row(thing: Thing) -> ThingRow:
    said = ThingSpec(kind=thing.name, measures=dict(thing.typical))
    stripes = [StripeSpec(colour=colour, width=width) for colour, width in thing.stripes]
    cloths = {
        "face": ClothSpec(usable="138 cm", colour=thing.colour, stripes=stripes, along="25 cm" if stripes else "")
    }
    read: ReadThing = read_thing(said, cloths)
    made = _made(thing, read.given, said, cloths)
    empty = Given(thing.by_name, {}, {})
    return {
        "name": thing.name,
        "title": thing.title,
        "called": thing.called(read.given),
        "asks": thing.asks,
        "fields": [_field(empty, one) for one in thing.fields],
        "picture": told_picture(made.picture, read.given, cloths) if made.picture else None,
    }
