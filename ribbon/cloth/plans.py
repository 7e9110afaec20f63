"""The cutting plans of a work: every piece of every edge on the cloth of its role, and what is bought."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from ribbon.cloth.bolt import Bolt
from ribbon.cloth.buying import Bought, buy
from ribbon.cloth.layout import Layout, layout
from ribbon.cloth.notions import Notion, totals
from ribbon.cloth.offcuts import Offcut, offcuts
from ribbon.cloth.piece import FACE, CutPiece
from ribbon.cloth.pieces import Pieces
from ribbon.cloth.sold import layout_scribe, much, sold_says
from ribbon.errors import Problem, Refusal, refuse
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Unit

MOST_PIECES = 1000
_SEARCHED = 2  # a search takes up to a second: two cloths have one each, further ones the best of what is quick


@dataclass(frozen=True, slots=True)
class CutPlan:
    """The pieces on the cloth of one role, what that is called, and what is bought of it."""

    role: str
    title: str
    bolt: Bolt
    layout: Layout
    bought: Bought

    @property
    def best(self) -> bool:
        """True where no plan of these pieces can take less."""
        return bool(self.bolt.sheets) or self.layout.length <= self.layout.bound

    @property
    def offcuts(self) -> list[Offcut]:
        """What could be kept of the cloth, as it is once washed; what is bought beyond the plan lies at its end."""
        more = ZERO if self.bolt.sheets else self.bought.asked - self.bought.needed
        return offcuts(self.layout, more * (1 - self.bolt.shrinkage) if more > ZERO else ZERO)

    def asks(self, unit: Unit) -> str:
        """How much to ask for in the shop, and how wide, in words; meant where something is bought."""
        return (
            f"{sold_says(self.bolt, self.bought.asked, unit)}, {layout_scribe(unit).write(self.bolt.usable).text} wide"
        )

    def says(self, unit: Unit) -> str:
        """What the plan takes, what to buy, what falls away, as a sentence or two."""
        return _on_sheets_says(self) if self.bolt.sheets else _on_bolt_says(self, unit)


@dataclass(frozen=True, slots=True)
class WorkPlans:
    """The cutting plans of a work, what is lacking for more of them, and the notions, by edge and in all."""

    plans: tuple[CutPlan, ...]
    lacking: tuple[str, ...]
    notions: tuple[tuple[str, Notion], ...]

    @property
    def totals(self) -> list[Notion]:
        """Every notion of the work, once."""
        return totals(notion for _, notion in self.notions)

    def much(self, notion: Notion, unit: Unit) -> str:
        """How much of a notion, told as the first of its cloths is sold."""
        return much(notion, unit, self.plans[0].bolt if self.plans else None)

    @property
    def sign(self) -> str:
        """The sign of the money that its cloths are priced in; nothing where they have none, or several."""
        signs = {plan.bolt.sign for plan in self.plans if plan.bought.cost is not None}
        return signs.pop() if len(signs) == 1 else ""

    @property
    def cost(self) -> Fraction | None:
        """What all its cloth costs, None where no price is known."""
        costs = [plan.bought.cost for plan in self.plans if plan.bought.cost is not None]
        return sum(costs, Fraction(0)) if costs else None


def work_plans(
    cloths: Mapping[str, Bolt],
    edges: Sequence[tuple[str, Pieces]],
    unit: Unit,
    *,
    search: bool = True,
    seed: int = 1,
) -> WorkPlans:
    """The plans of the pieces of named edges on the cloths of their roles.

    Without `search` they are quick and may take more; another `seed` looks elsewhere for shorter ones.  A piece whose role
    has no cloth yet is told as lacking.  Raises `Refusal` for more pieces than are laid at once, or wider ones than their
    cloth, each by that of `cloths`.
    """
    many = sum(piece.count for _, one in edges for piece in one.pieces)
    if many > MOST_PIECES:
        raise refuse(
            "too_many",
            "sections",
            f"{many} pieces",
            f"this work is cut in {many} pieces",
            f"cut it in several works, or say fewer: at most {MOST_PIECES} pieces are laid at once",
        )
    lacking = [one.lacking for _, one in edges if one.lacking]
    by_role: dict[str, list[CutPiece]] = {}
    for _, one in edges:
        for piece in one.pieces:
            if piece.role in cloths:
                by_role.setdefault(piece.role, []).append(piece)
            else:
                lacking.append(f"{piece.name}: say what its {piece.role} is")
    plans: list[CutPlan] = []
    problems: list[Problem] = []
    for number, (role, pieces) in enumerate(by_role.items()):
        bolt = cloths[role]
        try:
            laid = layout(bolt, pieces, bolt.sheets, search=search and number < _SEARCHED, seed=seed, unit=unit)
        except Refusal as refusal:
            problems += [problem.under(f"cloths.{role}") for problem in refusal.problems]
            continue
        title = _title(role, {one: cloths[one] for one in by_role}, unit)
        plans.append(CutPlan(role, title, bolt, laid, buy(bolt, laid.needed)))
    if problems:
        raise Refusal(problems)
    bought = tuple((name, notion) for name, one in edges for notion in one.notions)
    return WorkPlans(tuple(plans), tuple(dict.fromkeys(lacking)), bought)


def _title(role: str, cloths: Mapping[str, Bolt], unit: Unit) -> str:
    """What the cloth of a role is called, so that no two are called alike."""
    names = {one: bolt.name or ("Cloth" if one == FACE else one.capitalize()) for one, bolt in cloths.items()}
    name = names[role]
    alike = [one for one in names if names[one] == name]
    if len(alike) == 1:
        return name
    wide = layout_scribe(unit).write(cloths[role].usable).text
    same = [one for one in alike if cloths[one].usable == cloths[role].usable]
    number = f" ({same.index(role) + 1})" if same.index(role) else ""
    return f"{name}, {wide} wide{number}"


def _on_sheets_says(plan: CutPlan) -> str:
    laid, left = plan.layout.laid, plan.layout.left
    many = len(laid) + len(left)
    says = (
        f"{'The one piece lies' if many == 1 else f'All {many} pieces lie'} on what is at hand."
        if not left
        else f"{len(left)} of {many} pieces find no place on what is at hand."
    )
    return f"{says} {float(plan.layout.waste) * 100:.0f} % is left over."


def _on_bolt_says(plan: CutPlan, unit: Unit) -> str:
    write, got, paid = layout_scribe(unit).write, plan.layout, plan.bought
    if paid.asked:
        buys = f"buy {sold_says(plan.bolt, paid.asked, unit)}"
    elif paid.at_hand is not None:
        buys = f"what is at hand is enough, {write(paid.at_hand - paid.needed).text} is left"
    else:
        buys = "nothing to buy"
    begin = f" {write(got.first).text} of it, a repeat, let the first drop begin at the pattern." if got.first else ""
    least = (
        "no plan of these pieces can take less" if got.length <= got.bound else "the shortest of those that were tried"
    )
    return f"{plan.title}: {write(got.length).text} cut from, {buys}.{begin} {float(got.waste) * 100:.0f} % falls away; {least}."
