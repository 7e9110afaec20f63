"""What to buy, and what the cloth at hand will make (work, section 9)."""

from __future__ import annotations

from collections.abc import Callable, Iterable
from dataclasses import dataclass, replace
from fractions import Fraction
from typing import NamedTuple

from ribbon.cloth.bolt import Bolt
from ribbon.cloth.drop import Drop, drop_on
from ribbon.errors import Refusal
from ribbon.lengths import ZERO, Length
from ribbon.pins import Pin, Plan, Section, plan, strip
from ribbon.pleats import Quantity
from ribbon.readings import Allowed, joined
from ribbon.strip import walk

Q = Quantity


class Bought(NamedTuple):
    """Cloth to buy: what is needed, what to ask for, its cost, and how much more or less than what is at hand."""

    needed: Length
    asked: Length
    cost: Fraction | None
    at_hand: Length | None

    @property
    def short(self) -> Length | None:
        """How much is missing of what is at hand, None where nothing is or enough is there."""
        if self.at_hand is None or self.at_hand >= self.needed:
            return None
        return self.needed - self.at_hand


def buy(bolt: Bolt, needed: Length) -> Bought:
    """What to ask the shop for so that `needed` is there once washed."""
    asked = bolt.bought(needed)
    return Bought(needed / (1 - bolt.shrinkage), asked, bolt.cost(asked), bolt.at_hand)


@dataclass(frozen=True, slots=True)
class Notion:
    """Something bought beside the cloth: so many, or so long."""

    name: str
    count: int | None
    length: Length | None


def notions(made: Plan, joins: int, drop: Length | None) -> list[Notion]:
    """What a piece wants beside its cloth, by its kind (work, sections 9 and 14).

    Hooks are one a pleat and one at each end.  Thread is what the seams, hems and rows take, three times their length.
    """
    found = []
    if made.section.kind.name == "pinch":
        found.append(Notion("hooks", made.count + 2, None))
        found.append(Notion("stiffener or heading tape", None, made.flat))
    if made.section.closed:
        found.append(Notion("zip or fastening for the opening", 1, None))
    if made.section.kind.name != "pinch":
        found.append(Notion("band, tape or interfacing along the edge", None, made.finished))
    seams = (drop or ZERO) * (joins + 2)
    found.append(Notion("thread", None, (made.flat * 2 + seams) * 3))
    return found


class Makes(NamedTuple):
    """One thing that the cloth at hand will make, in words and as the pins that make it so."""

    name: str
    value: Fraction
    pins: dict[Quantity, Fraction]


_TRIES = 24


def _down(length: Length, tape: Length | None) -> Length:
    """`length` down to a whole division."""
    return length if tape is None else tape * int(length / tape)


def makes(section: Section, available: Length, fits: Callable[[Plan], bool] = lambda made: True) -> list[Makes]:
    """What `available` of flat width will make: the greatest fullness, the longest edge, the most pleats.

    Each is found by letting go of one fact and pinning the cloth instead, a little less of it at a time until the plan
    `fits` (its joins hide within the widths there are).  Those that cannot be are left out.
    """
    found: list[Makes] = []

    def tried(name: str, drop: Iterable[Quantity], read: Callable[[Plan], Fraction], also: Quantity) -> None:
        kept = {q: pin for q, pin in section.pins.items() if q not in (*drop, Q.FLAT)}
        for less in range(_TRIES):
            flat = _down(available * (1 - Fraction(less, 2 * _TRIES)), section.tape)
            try:
                made = plan(replace(section, pins={**kept, Q.FLAT: Pin(flat.mm)}, meet=None))
            except Refusal:
                return
            if fits(made):
                found.append(Makes(name, read(made), {Q.FLAT: flat.mm, also: made.values[also]}))
                return

    if Q.FINISHED in section.pins:
        sizes = (Q.FULLNESS, Q.DEPTH, Q.PER_PLEAT)
        tried("greatest fullness", sizes, lambda made: made.fullness, Q.FULLNESS)
    tried("longest edge", (Q.FINISHED, Q.COUNT), lambda made: made.finished.mm, Q.FINISHED)
    if section.kind.folded and Q.FINISHED in section.pins:
        keeps = {Q.DEPTH, Q.PER_PLEAT} & section.pins.keys()
        if keeps:
            tried("most pleats", (Q.COUNT, Q.SPACING, Q.FULLNESS, Q.BOX), lambda made: made.pleats, Q.COUNT)
    return found


def makes_at_hand(section: Section, bolt: Bolt, drop: Drop, allowed: Allowed) -> list[Makes]:
    """What the length of `bolt` at hand will make of `section`, washed: in widths across it, or in one length along it.

    Whichever gives more flat width; across, only what its joins hide in as many widths as there are.
    """
    if bolt.at_hand is None:
        return []
    washed = bolt.at_hand * (1 - bolt.shrinkage)
    many = max(0, int((washed - bolt.along) / drop_on(bolt, drop)))
    across = bolt.usable * many - allowed.start - allowed.end - allowed.join * (2 * max(0, many - 1))
    along = washed - allowed.start - allowed.end
    if not bolt.directional and drop.cut <= bolt.usable and along >= across:
        return makes(section, along) if along > ZERO else []

    def fits(made: Plan) -> bool:
        laid = strip(made)
        return len(joined(laid, walk(laid), bolt.usable, allowed).widths) <= many

    return makes(section, across, fits) if across > ZERO else []


class Offer(NamedTuple):
    """A small change that saves widths of cloth: what changes, to what, and what it saves."""

    quantity: Quantity
    value: Fraction
    saves: int
    widths: int
    flat: Length


def offers(
    made: Plan, widths: Callable[[Plan], int], tape: Length, *, most: Fraction = Fraction(15, 100)
) -> list[Offer]:
    """Small changes of count or depth that would save a width or more.

    `widths` tells how many a plan takes.  The count changes by up to two, the depth by up to `most` of itself, by
    whole divisions of the tape; the first depth that saves is offered.
    """
    now = widths(made)
    found: list[Offer] = []
    if now <= 1 or not made.section.kind.folded or made.section.places:
        return found
    step = 2 if made.section.mirrored else 1
    for change in (-step, step, -2 * step, 2 * step):
        other = _tried(made.section, {Q.COUNT: made.pleats + change}, ())
        if other is not None and widths(other) < now:
            found.append(Offer(Q.COUNT, other.pleats, now - widths(other), widths(other), other.flat))
            break
    depth = made.values.get(Q.DEPTH)
    if depth is not None:
        divisions = int(depth * most / tape.mm)
        for index in range(1, min(divisions, 40) + 1):
            shallower = ((depth / tape.mm).__ceil__() - index) * tape.mm
            other = _tried(made.section, {Q.DEPTH: shallower, Q.COUNT: made.pleats}, (Q.FLAT, Q.FULLNESS, Q.PER_PLEAT))
            if other is not None and widths(other) < now:
                found.append(Offer(Q.DEPTH, shallower, now - widths(other), widths(other), other.flat))
                break
    return found


def _tried(section: Section, pins: dict[Quantity, Fraction], without: tuple[Quantity, ...]) -> Plan | None:
    kept = {q: pin for q, pin in section.pins.items() if q not in without}
    if Q.DEPTH in pins:
        section = replace(section, meet=False)
    try:
        return plan(replace(section, pins={**kept, **{q: Pin(value) for q, value in pins.items()}}))
    except Refusal:
        return None


def repeats_at_hand(made: Plan, bolt: Bolt) -> int:
    """How many pleats of this pitch the cloth at hand allows, whole ones only."""
    spacing, take = made.values.get(Q.SPACING), made.values.get(Q.PER_PLEAT)
    if bolt.at_hand is None or spacing is None or take is None:
        return 0
    return int(bolt.at_hand.mm / (spacing + take))
