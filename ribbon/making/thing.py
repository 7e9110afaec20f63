"""A thing: what is made, as a maker in two strokes: the facts of its edges, then all that follows from them solved."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, field
from typing import NamedTuple

from ribbon.cloth import CutPiece, Cutting, Notion
from ribbon.edge import EdgePlan
from ribbon.errors import Problem
from ribbon.fraction import Fraction
from ribbon.lengths import UNITS, Length, counted, typed
from ribbon.making.asked import Field, Given
from ribbon.making.picture import Picture


class Tie(NamedTuple):
    """A fact that follows from the thing, by the name of the result that it is."""

    result: str


class Result(NamedTuple):
    """What a thing comes to: a length or a number, None where nothing settles it, and how it is reckoned.

    With `about` it gives way before any firm fact.
    """

    value: Length | Fraction | int | None
    says: str
    about: bool = False


EdgeFact = Tie | str | bool | int | Sequence[Mapping[str, str | int]] | list[str]


def work_facts(given: Given) -> dict[str, EdgeFact]:
    """The facts that every edge of a work shares: its seam allowance, its tape, what its machine sews."""
    found: dict[str, EdgeFact] = {}
    if given.seam is not None:
        found["allowance.seam"] = typed(given.seam, given.unit)
    if given.own_tape is not None:
        found["tape"] = typed(given.own_tape, given.unit)
    if given.machine is not None:
        found["machine"] = typed(given.machine, UNITS["mm"])
    return found


def row_facts(kind: str, flat: str, size: str) -> dict[str, EdgeFact]:
    """What a row is worked out from: gathers from the result `flat`, pleats that meet from `size`, how wide each is seen."""
    if kind == "gather":
        return {"pins.flat": Tie(flat)}
    return {"pins.box" if kind == "box" else "pins.spacing": Tie(size), "meet": True}


def drop_facts(hem_turns: int) -> dict[str, EdgeFact]:
    """How an edge falls, as the thing has it: its length, its heading, its hem."""
    tied: dict[str, EdgeFact] = {f"cutting.drop.{name}": Tie(f"drop.{name}") for name in ("finished", "heading", "hem")}
    return tied | {"cutting.drop.hem_turns": hem_turns}


@dataclass(frozen=True, slots=True)
class EdgeFacts:
    """An edge of a thing: its name, what it is called, and its facts, each by its field in dots: ``pins.finished``.

    `mirrors` is the edge whose mirror it is, if any; `measured` the field that it is typed into once it is measured.
    """

    name: str
    title: str
    facts: Mapping[str, EdgeFact]
    mirrors: str = ""
    measured: str = ""


class Lack(NamedTuple):
    """A measure that is not known yet, and what waits for it."""

    field: str
    says: str


class Alternative(NamedTuple):
    """One of several ways that stand beside each other by what they come to.

    `takes` is the choice that takes it: (field, value); `bars` are its parts, for a small drawing, in their `colours` where they
    have some.
    """

    takes: tuple[str, str]
    title: str
    says: str
    more: str
    cost: Fraction | None
    bars: tuple[Length, ...]
    taken: bool
    warns: bool = False
    colours: tuple[str, ...] = ()


class Compared(NamedTuple):
    """Ways compared: what they decide, what is wanted of them."""

    title: str
    says: str
    rows: tuple[Alternative, ...]


@dataclass(frozen=True, slots=True)
class FirstStroke:
    """The first stroke: what the thing comes to before its edges are solved.

    `results` by name; `edges` in the order in which they are made; `lacks` what is not known yet.
    """

    results: Mapping[str, Result]
    edges: tuple[EdgeFacts, ...]
    lacks: tuple[Lack, ...] = ()
    compared: tuple[Compared, ...] = ()
    problems: tuple[Problem, ...] = ()
    times: int = 1
    """How many are made alike: each edge is cut so often."""


class Solved(NamedTuple):
    """An edge of a thing solved, and how it is cut."""

    name: str
    title: str
    whole: EdgePlan
    cutting: Cutting


def pleats_say(whole: EdgePlan) -> str:
    """How many pleats an edge has, in words."""
    many = whole.count
    return "gathered" if not many else counted(many, "pleats")


class Part(NamedTuple):
    """A part of a thing: so many of it; `edge` is the edge that it hangs from, if any."""

    key: str
    name: str
    many: int
    says: str
    edge: str = ""
    mirrored: bool = False


class Priced(NamedTuple):
    """A notion of the whole thing, and what it costs where that is known."""

    notion: Notion
    cost: Fraction | None = None


class Check(NamedTuple):
    """A measure that is taken on the way: the field that it is typed into, what hangs on it, what was planned as it is told."""

    field: str
    says: str
    planned: str = ""


class Making(NamedTuple):
    """One step of the making; `after` names the steps that it must not come before, `waits` what must wait first."""

    name: str
    says: str
    waits: str = ""
    after: tuple[str, ...] = ()


WASHED = Making(
    "wash", "Wash and press the cloth as it will be washed later, then measure it again.", "let it dry flat"
)
"""What comes before any cloth is cut."""


def following(steps: Sequence[Making], after: Mapping[str, tuple[str, ...]]) -> list[Making]:
    """The steps, each after those that `after` names for it, of the steps that come before it; what a step says itself stays."""
    found: list[Making] = []
    for one in steps:
        before = {other.name for other in found}
        found.append(one._replace(after=one.after or tuple(name for name in after.get(one.name, ()) if name in before)))
    return found


class Mind(NamedTuple):
    """Something to be careful of."""

    code: str
    says: str


@dataclass(frozen=True, slots=True)
class Made:
    """The second stroke: what follows from the edges solved."""

    parts: tuple[Part, ...] = ()
    pieces: tuple[CutPiece, ...] = ()
    notions: tuple[Priced, ...] = ()
    checks: tuple[Check, ...] = ()
    steps: tuple[Making, ...] = ()
    slip: tuple[str, ...] = ()
    cautions: tuple[Mind, ...] = ()
    picture: Picture | None = None
    compared: tuple[Compared, ...] = ()
    other_cost: Fraction | None = None
    """What the notions cost, as far as their prices are known."""


@dataclass(frozen=True, slots=True)
class Thing:
    """What can be made.

    `name` is its name on the wire, `title` what it is offered as, `asks` what it asks first, in words.  `begin` is its
    first stroke, `finish` its second; `typical` are measures that its small picture is drawn from.  Where what one of it
    is called hangs on what is chosen, `named` says it.
    """

    name: str
    title: str
    asks: str
    fields: tuple[Field, ...]
    begin: Callable[[Given], FirstStroke]
    finish: Callable[[Given, FirstStroke, Mapping[str, Solved]], Made]
    typical: Mapping[str, str] = field(default_factory=dict)
    colour: str = "#e3d6b4"
    stripes: tuple[tuple[str, str], ...] = ()
    """The stripes of the cloth that its small picture is drawn in: (colour, width) each."""
    named: Callable[[Given], str] | None = None

    def called(self, given: Given) -> str:
        """What this one is called: an apron, of what is offered as a skirt or an apron."""
        return self.named(given) if self.named else self.title

    @property
    def by_name(self) -> dict[str, Field]:
        """Its fields by their names."""
        return {one.name: one for one in self.fields}
