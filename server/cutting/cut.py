"""The step Cut on the wire: every piece of a work on its cloth, drawn to scale, and the shopping slip."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace
from typing import NamedTuple

from ribbon.cloth import (
    Bolt,
    CutPiece,
    CutPlan,
    Laid,
    Offcut,
    Pieces,
    WorkPlans,
    edge_pieces,
    layout_scribe,
    money,
    off_bolt,
    sold_in,
    sold_says,
    work_plans,
)
from ribbon.cloth.piece import names_of
from ribbon.edge import edge_plan
from ribbon.effort import effort
from ribbon.errors import Problem, Refusal
from ribbon.lengths import UNITS, Length, Unit, typed
from server.cutting.out import CutOut, CutPlanOut, LaidOut, OffcutOut, PartNotionOut, SideOut, TotalNotionOut
from server.plans.bounds import held
from server.wire.cloth import ClothSpec
from server.wire.read_edge import Given, read_each
from server.wire.told import LengthOut, told_length
from server.wire.work import NamedSection


class Plans(NamedTuple):
    """The cutting plans of a work, the unit that they are told in, the keys of its edges in their order.

    `costs` has what is bought beside the cloth by its name, as far as its price is known.
    """

    made: WorkPlans
    unit: Unit
    keys: list[str]
    costs: Mapping[str, str]


class Beside(NamedTuple):
    """What a thing adds to its edges: what is cut beside them, and all that it wants beside its cloth.

    With it stand the cloths of its roles, the unit that it is measured in, and what its notions cost by their names.
    """

    name: str
    pieces: Pieces
    cloths: Mapping[str, Bolt]
    unit: str
    costs: Mapping[str, str]


class ToCut(NamedTuple):
    """What a work is cut in, edge by edge, before it is laid out: the cloths by their roles, the unit, the keys of its edges."""

    edges: list[tuple[str, Pieces]]
    bolts: Mapping[str, Bolt]
    unit: Unit
    keys: list[str]

    @property
    def pieces(self) -> list[CutPiece]:
        """Every piece, edge by edge."""
        return [piece for _, one in self.edges for piece in one.pieces]


def plans_of(
    sections: Sequence[NamedSection],
    cloths: Mapping[str, ClothSpec],
    beside: Beside | None = None,
    *,
    search: bool = True,
    seed: int = 1,
) -> Plans:
    """The pieces of all sections and what is cut `beside` them laid out, cloth by cloth.

    Raises `Refusal` with every problem of all of them.
    """
    found = to_cut(sections, cloths, beside)
    try:
        made = work_plans(found.bolts, found.edges, found.unit, search=search, seed=seed)
    except Refusal as refusal:
        raise Refusal(_where_said(problem, sections, cloths, found) for problem in refusal.problems) from None
    return Plans(made, found.unit, found.keys, beside.costs if beside is not None else {})


def _where_said(
    problem: Problem, sections: Sequence[NamedSection], cloths: Mapping[str, ClothSpec], found: ToCut
) -> Problem:
    """A problem of a cloth by where that stands in what was asked: among the work's, or in the section that holds it itself."""
    at, role, rest = (*problem.path.split(".", 2), "", "")[:3]
    if at != "cloths" or role in cloths:
        return problem
    for index, (named, (_, pieces)) in enumerate(zip(sections, found.edges, strict=False)):
        if any(piece.role == role for piece in pieces.pieces):
            own = "cloth" if isinstance(named.spec.cloth, ClothSpec) else f"cloths.{role.split(' ')[0]}"
            return replace(problem, path=f"sections.{index}.spec.{own}.{rest}")
    return problem


def to_cut(sections: Sequence[NamedSection], cloths: Mapping[str, ClothSpec], beside: Beside | None = None) -> ToCut:
    """The pieces of all sections and what is cut `beside` them.  Raises `Refusal` with every problem of all of them."""
    given = read_each([one.spec for one in sections], cloths)
    keys = _keys(sections)
    edges: list[tuple[str, Pieces]] = []
    problems: list[Problem] = []
    took = 0
    bolts: dict[str, Bolt] = {}
    for index, (key, named, one) in enumerate(zip(keys, sections, _by_role(given, bolts), strict=True)):
        try:
            whole = edge_plan(one.edge)
            took += effort(whole)
            held(took, "A cutting plan")
            pieces = edge_pieces(key, named.name, whole, one.cutting).times(named.times)
            # What the edges of a thing want is the thing's to say, for all of them together.
            of_thing = beside is not None and named.spec.edge
            edges.append((named.name, replace(pieces, notions=()) if of_thing else pieces))
        except Refusal as refusal:
            problems += [problem.under(f"sections.{index}.spec") for problem in refusal.problems]
    if problems:
        raise Refusal(problems)
    unit = UNITS[sections[0].spec.unit if sections else beside.unit if beside else "cm"]
    if beside is not None:
        bolts = {**beside.cloths, **bolts}
        edges.append((beside.name, beside.pieces))
    return ToCut(edges, bolts, unit, keys)


def _keys(sections: Sequence[NamedSection]) -> list[str]:
    """What the pieces of each section are known by: its key, or its place where not all have one of their own."""
    keys = [one.key or str(index) for index, one in enumerate(sections)]
    return keys if len(set(keys)) == len(keys) else [str(index) for index in range(len(sections))]


def _by_role(given: Sequence[Given], bolts: dict[str, Bolt]) -> list[Given]:
    """The edges, each of its cloths under a role that means that cloth alone; `bolts` gets them.

    Sections that hold their cloth themselves, instead of naming one of the work's, share a role where they are alike.
    """
    found = []
    for one in given:
        cutting = one.cutting
        renamed = {role: _role_for(role, bolt, bolts) for role, bolt in one.bolts.items()}
        made = cutting._replace(
            role=renamed.get(cutting.role, cutting.role),
            lining_role=renamed.get(cutting.lining_role, cutting.lining_role),
            pieces=tuple(piece.on(renamed.get(piece.role, piece.role)) for piece in cutting.pieces),
        )
        found.append(replace(one, cutting=made))
    return found


def _role_for(role: str, bolt: Bolt, bolts: dict[str, Bolt]) -> str:
    """The role that this cloth has in a work: its own where that is free or it already is this cloth, else a further one."""
    number, name = 1, role
    while name in bolts and bolts[name] != bolt:
        number += 1
        name = f"{role} {number}"
    bolts[name] = bolt
    return name


def cut_of(plans: Plans) -> CutOut:
    """The cutting plans on the wire."""
    made, unit = plans.made, plans.unit
    return {
        "plans": [_told(plan, unit, plans.keys) for plan in made.plans],
        "lacking": list(made.lacking),
        "notions": [{"piece": name, "name": one.name, "much": made.much(one, unit)} for name, one in made.notions],
        "totals": wanted(plans),
        "cost": money(made.cost, made.sign),
    }


def wanted(plans: Plans) -> list[TotalNotionOut]:
    """What is bought beside the cloth, each notion once; where several want it, how much is for which.

    It costs what is known of it only where one alone wants it.
    """
    made, unit = plans.made, plans.unit
    found: list[TotalNotionOut] = []
    for total in made.totals:
        by = [(name, one) for name, one in made.notions if one.name == total.name]
        parts: list[PartNotionOut] = [{"piece": name, "much": made.much(one, unit)} for name, one in by]
        cost = plans.costs.get(total.name) if len(by) == 1 else None
        found.append(
            {
                "name": total.name,
                "much": made.much(total, unit),
                "cost": cost,
                "parts": parts if len(parts) > 1 else [],
            }
        )
    return found


def _told(plan: CutPlan, unit: Unit, keys: Sequence[str]) -> CutPlanOut:
    scribe, bolt, got, paid = layout_scribe(unit), plan.bolt, plan.layout, plan.bought

    def out(length: Length) -> LengthOut:
        return told_length(scribe, length)

    asked: LengthOut | None = None
    if paid.asked:
        asked = {**told_length(sold_in(bolt), paid.asked), "text": sold_says(bolt, paid.asked, unit)}
    return {
        "role": plan.role,
        "cloth": plan.title,
        "directional": bolt.directional,
        "width": out(bolt.usable),
        "length": out(got.length),
        "bound": out(got.bound),
        "closeness": float(got.closeness),
        "best": plan.best,
        "again": got.again,
        "waste": float(got.waste),
        "asked": asked,
        "cost": money(paid.cost, bolt.sign),
        "short": out(paid.short) if paid.short is not None and not bolt.sheets else None,
        "take": typed(off_bolt(paid.needed, unit), unit),
        "sheets": [{"width": out(w), "length": out(h)} for w, h in got.sheets],
        "offcuts": [_offcut(one, unit) for one in plan.offcuts],
        "placed": [_laid(one, unit, keys) for one in got.laid],
        "left": [piece.name for piece in got.left],
        "says": plan.says(unit),
    }


def _offcut(one: Offcut, unit: Unit) -> OffcutOut:
    scribe = layout_scribe(unit)
    return {
        "sheet": one.sheet,
        "left": float(one.left.mm),
        "start": float(one.start.mm),
        "wide": told_length(scribe, one.wide),
        "long": told_length(scribe, one.long),
        "typed": (typed(one.wide, unit), typed(one.long, unit)),
    }


def _laid(one: Laid, unit: Unit, keys: Sequence[str]) -> LaidOut:
    scribe = layout_scribe(unit)
    # What is cut beside the edges is of none of them.
    edge = max((key for key in keys if one.piece.key.startswith(f"{key}.")), key=len, default="")
    outline = one.outline
    sides: list[SideOut] = [
        {
            "from": (float(side.start.x), float(side.start.y)),
            "to": (float(side.end.x), float(side.end.y)),
            "radius": float(side.radius) if side.centre else None,
            "large": side.swept > 0.5,
            "clockwise": side.clockwise,
        }
        for side in outline.sides
    ]
    return {
        "key": f"{one.piece.key}.{one.number}",
        "edge": edge,
        "name": one.name,
        "names": names_of(one.name),
        "section": keys.index(edge) if edge else -1,
        "sheet": one.sheet,
        "left": float(one.left.mm),
        "start": float(one.start.mm),
        "middle": (float(outline.middle.x), float(outline.middle.y)),
        "from_selvedge": told_length(scribe, one.left),
        "from_start": told_length(scribe, one.start),
        "wide": told_length(scribe, one.wide),
        "long": told_length(scribe, one.long),
        "turned": one.turned,
        "turns": one.turns,
        "on_fold": one.piece.on_fold,
        "outline": [] if one.piece.opened.is_rectangle else sides,
        "takes": [
            {"side": each.side, "deep": told_length(scribe, each.deep), "what": each.what} for each in one.piece.takes
        ],
    }
