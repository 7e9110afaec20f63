"""What to buy, and what the cloth at hand will make."""

from __future__ import annotations

from collections.abc import Callable, Iterable
from dataclasses import dataclass, replace
from fractions import Fraction
from typing import NamedTuple

from ribbon.cloth.bolt import Bolt
from ribbon.cloth.drop import Drop, drop_on
from ribbon.cloth.joining import fits
from ribbon.errors import Refusal
from ribbon.gathers import thread
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

    @property
    def enough(self) -> bool:
        """True where what is at hand is enough: then nothing is bought."""
        return self.at_hand is not None and self.short is None


def buy(bolt: Bolt, needed: Length) -> Bought:
    """What to ask the shop for so that `needed` is there once washed: nothing where enough is at hand.

    Where some is at hand the whole is asked for in one length, since it cannot be pieced; a sheet is all there is.
    """
    unwashed = needed / (1 - bolt.shrinkage)
    got = Bought(unwashed, ZERO, None, bolt.at_hand)
    if got.enough or bolt.rectangle:
        return got
    asked = bolt.bought(needed)
    return got._replace(asked=asked, cost=bolt.cost(asked))


@dataclass(frozen=True, slots=True)
class Notion:
    """Something bought beside the cloth: so many, or so long."""

    name: str
    count: int | None
    length: Length | None


def notions(made: Plan, joins: int, drop: Length | None) -> list[Notion]:
    """What a piece wants beside its cloth, by its kind.

    Hooks are one a pleat and one at each end.  Thread is what the seams, hems and rows take, three times their length.
    A ring of pleats is opened; a frill that is closed slips over.
    """
    found, kind = [], made.section.kind
    hung = kind.upright and kind.width is None
    if hung:
        found.append(Notion("hooks", made.count + 2, None))
        found.append(Notion("stiffener or heading tape", None, made.flat))
    if made.section.closed and kind.folded:
        found.append(Notion("zip or fastening for the opening", 1, None))
    if not hung:
        found.append(Notion("band, tape or interfacing along the edge", None, made.finished))
    seams = (drop or ZERO) * (joins + 2)
    rows = ZERO
    if not kind.folded and made.section.gathering.ruffler is None:
        rows = thread(made.flat - made.lead - made.tail, made.section.gathering).total
    found.append(Notion("thread", None, (made.flat * 2 + seams) * 3 + rows))
    return found


def totals(found: Iterable[Notion]) -> list[Notion]:
    """Every notion once, so many or so long in all, in the order in which they were first named."""
    sums: dict[str, Notion] = {}
    for one in found:
        before = sums.get(one.name)
        if before is None:
            sums[one.name] = one
            continue
        count = None if one.count is None else one.count + (before.count or 0)
        length = None if one.length is None else one.length + (before.length or ZERO)
        sums[one.name] = Notion(one.name, count, length)
    return list(sums.values())


class Makes(NamedTuple):
    """One thing that the cloth at hand will make, in words and as the pins that make it so."""

    name: str
    value: Fraction
    pins: dict[Quantity, Fraction]


_MOST_WORK = 4_000  # pleats folded in looking for the most; past that it is looked for in longer steps


def _down(length: Length, tape: Length) -> Length:
    """`length` down to a whole division."""
    return tape * int(length / tape)


def makes(section: Section, available: Length, can_be: Callable[[Plan], bool] = lambda made: True) -> list[Makes]:
    """What `available` of flat width will make: the greatest fullness, the longest edge, the most pleats.

    Each is found by letting go of one fact.  For the first two the cloth is pinned instead, a division of the tape less
    of it at a time, for the last the count, a pleat fewer at a time, until the plan `can_be` cut (its joins hide within the
    widths there are): so none that is more fits.  Those that cannot be are left out.
    """
    found: list[Makes] = []
    tape = section.tape or (Length.inches(Fraction(1, 16)) if section.imperial else Length(1))
    if Q.FINISHED in section.pins:
        made = _most_cloth(section, available, tape, (Q.FULLNESS, Q.DEPTH, Q.PER_PLEAT), can_be)
        if made is not None:
            pins = {Q.FLAT: made.flat.mm, Q.FULLNESS: made.values[Q.FULLNESS]}
            found.append(Makes("greatest fullness", made.fullness, pins))
    made = _most_cloth(section, available, tape, (Q.FINISHED, Q.COUNT), can_be)
    if made is not None:
        found.append(Makes("longest edge", made.finished.mm, {Q.FLAT: made.flat.mm, Q.FINISHED: made.finished.mm}))
    keeps = {Q.DEPTH, Q.PER_PLEAT} & section.pins.keys()
    if section.kind.folded and Q.FINISHED in section.pins and keeps and not section.places:
        made = _most_pleats(section, available, can_be)
        if made is not None:
            found.append(Makes("most pleats", made.pleats, {Q.FLAT: made.flat.mm, Q.COUNT: made.pleats}))
    return found


def _most_cloth(
    section: Section, available: Length, tape: Length, drop: tuple[Quantity, ...], can_be: Callable[[Plan], bool]
) -> Plan | None:
    """The plan of the most cloth up to `available` that fits, the facts in `drop` let go."""
    kept = {q: pin for q, pin in section.pins.items() if q not in (*drop, Q.FLAT)}
    flat, work = _down(available, tape), 0
    while flat > ZERO and work < 2 * _MOST_WORK:
        try:
            made = plan(replace(section, pins={**kept, Q.FLAT: Pin(flat.mm)}, meet=None))
        except Refusal:
            return None
        if can_be(made):
            return made
        work += 40 + made.count
        flat -= tape if work < _MOST_WORK else tape * 24
    return None


def _most_pleats(section: Section, available: Length, can_be: Callable[[Plan], bool]) -> Plan | None:
    """The plan of the most pleats of their depth on their edge that fits."""
    free = (Q.FLAT, Q.COUNT, Q.SPACING, Q.FULLNESS, Q.BOX)
    kept = {q: pin for q, pin in section.pins.items() if q not in free}
    take = (section.pins.get(Q.PER_PLEAT) or section.pins[Q.DEPTH]).value
    if Q.PER_PLEAT not in section.pins:
        take *= section.kind.take_up_per_depth
    half = Fraction(section.folds % 2, 2)
    step = 2 if section.mirrored and section.mirror_at is None else 1
    count = Fraction(int((available.mm - section.pins[Q.FINISHED].value) / take) // step * step) + half
    work = 0
    while count > 0 and work < _MOST_WORK:
        try:
            made = plan(replace(section, pins={**kept, Q.COUNT: Pin(count)}, meet=None))
        except Refusal:
            made = None
        if made is not None and made.flat <= available and can_be(made):
            return made
        work += 40 + int(count)
        count -= step
    return None


def rooms_at_hand(bolt: Bolt, drop: Drop, allowed: Allowed, way: str = "best") -> dict[str, Length]:
    """The flat width that the length of `bolt` at hand holds, washed, the way that it is asked to lie; across, else.

    Across it, along it side by side, or in one length along it; a way that holds nothing is left out.

    >>> cm = Length.cm
    >>> bolt, drop, allowed = Bolt(cm(140), at_hand=cm(260)), Drop(cm(63)), Allowed(cm(2), cm(2), cm(1))
    >>> [float(room.mm) for way in ("best", "railroaded") for room in rooms_at_hand(bolt, drop, allowed, way).values()]
    [5500.0, 2560.0]
    """
    washed, ends, join = bolt.washed, allowed.start + allowed.end, allowed.join * 2
    if washed is None:
        return {}
    across = max(0, int((washed - bolt.along) / drop_on(bolt, drop)))
    found = {"across": bolt.usable * across - ends - join * max(0, across - 1)}
    beside = int(bolt.usable / drop.cut)
    if beside and not bolt.directional:
        found["lengthways"] = washed * beside - ends - join * (beside - 1)
        found["railroaded"] = washed - ends
    # Across, with the grain, unless another way is asked for.
    only = way if way in found else "across"
    return {name: room for name, room in found.items() if room > ZERO and name == only}


def makes_at_hand(
    section: Section,
    bolt: Bolt,
    drop: Drop,
    allowed: Allowed,
    strategy: Strategy = Strategy.FEWEST,
    way: str = "best",
) -> list[Makes]:
    """What the length of `bolt` at hand will make of `section`, washed, lying the way that it is asked to.

    Only what its joins hide in the cloth that there is, shared by `strategy`.
    """
    rooms = rooms_at_hand(bolt, drop, allowed, way)
    washed = bolt.washed
    if washed is None or not rooms:
        return []
    taken = max(rooms, key=lambda name: rooms[name].mm)

    def can_be_cut(made: Plan) -> bool:
        laid = strip(made)
        return fits(laid, walk(laid), bolt, drop, allowed, strategy, taken, washed)

    return makes(section, rooms[taken], can_be_cut)


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
