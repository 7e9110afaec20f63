"""What to buy, and what the cloth at hand will make (work, section 9)."""

from __future__ import annotations

from collections.abc import Callable, Iterable
from dataclasses import dataclass, replace
from fractions import Fraction
from typing import NamedTuple

from ribbon.cloth.bolt import Bolt
from ribbon.cloth.drop import Drop, drop_on
from ribbon.cloth.joining import lying
from ribbon.errors import Refusal
from ribbon.lengths import ZERO, Length
from ribbon.pins import Pin, Plan, Section, plan, strip
from ribbon.pleats import Quantity
from ribbon.readings import Allowed, Strategy
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


def rooms_at_hand(bolt: Bolt, drop: Drop, allowed: Allowed, way: str = "best") -> dict[str, Length]:
    """The flat width that the length of `bolt` at hand holds, washed, each way that it can lie; one way if `way` names it.

    Across it, along it side by side, or in one length along it; ways that hold nothing are left out.

    >>> cm = Length.cm
    >>> bolt = Bolt(cm(140), at_hand=cm(260))
    >>> {name: float(room.mm) for name, room in rooms_at_hand(bolt, Drop(cm(63)), Allowed(cm(2), cm(2), cm(1))).items()}
    {'across': 5500.0, 'lengthways': 5140.0, 'railroaded': 2560.0}
    """
    washed, ends, join = bolt.washed, allowed.start + allowed.end, allowed.join * 2
    if washed is None:
        return {}
    across = max(0, int((washed - bolt.along) / drop_on(bolt, drop)))
    found = {"across": bolt.usable * across - ends - join * max(0, across - 1)}
    beside = int(bolt.usable / drop.cut)
    if beside and not bolt.directional:
        found |= {"lengthways": washed * beside - ends - join * (beside - 1), "railroaded": washed - ends}
    # A sheet has the length it has: it is cut across unless another way is asked for.
    only = "across" if bolt.rectangle and way == "best" else way if way in found else None
    return {name: room for name, room in found.items() if room > ZERO and (only is None or name == only)}


def makes_at_hand(
    section: Section,
    bolt: Bolt,
    drop: Drop,
    allowed: Allowed,
    strategy: Strategy = Strategy.FEWEST,
    way: str = "best",
) -> list[Makes]:
    """What the length of `bolt` at hand will make of `section`, washed, lying whichever way holds the most.

    Only what its joins hide in the cloth that there is, shared by `strategy`; one way if `way` names it.
    """
    rooms = rooms_at_hand(bolt, drop, allowed, way)
    washed = bolt.washed
    if washed is None or not rooms:
        return []
    taken = max(rooms, key=lambda name: rooms[name].mm)

    def fits(made: Plan) -> bool:
        laid = strip(made)
        try:
            lies = lying(laid, walk(laid), bolt, drop, allowed, strategy, taken)
        except Refusal:
            return False
        return lies.taken is not None and lies.taken.length <= washed

    return makes(section, rooms[taken], fits)


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


def deepened(made: Plan, depth: Length) -> Plan | None:
    """`made` with its pleats `depth` deep, as many of them and as far apart; None where that cannot be.

    Its own facts settle the count where they can; else the count is pinned.
    """
    without = (Q.FLAT, Q.FULLNESS, Q.PER_PLEAT)
    for count in ({}, {Q.COUNT: made.pleats}):
        other = _tried(made.section, {Q.DEPTH: depth.mm, **count}, without)
        if other and (other.pleats, other.values[Q.SPACING]) == (made.pleats, made.values[Q.SPACING]):
            return other
    return None


def repeats_at_hand(made: Plan, bolt: Bolt, drop: Drop, allowed: Allowed, way: str = "best") -> int:
    """How many pleats of this pitch the cloth at hand allows beside the plain ends, whole ones only."""
    spacing, take = made.values.get(Q.SPACING), made.values.get(Q.PER_PLEAT)
    rooms = rooms_at_hand(bolt, drop, allowed, way)
    if not rooms or spacing is None or take is None:
        return 0
    plain = sum((end.width.mm for end in (made.section.lead, made.section.tail) if end.width), Fraction(0))
    return max(0, int((max(room.mm for room in rooms.values()) - plain) / (spacing + take)))
