"""What the cloth at hand will make."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import replace
from typing import NamedTuple

from ribbon.cloth.bolt import Bolt
from ribbon.cloth.drop import Drop, drop_on
from ribbon.cloth.joining import takes_no_more
from ribbon.edge import Plan, plan
from ribbon.errors import Refusal
from ribbon.facts import Pin, Section
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length, typed, typed_number, write_ratio
from ribbon.offers import Change, Fact
from ribbon.pleats import Quantity
from ribbon.readings import Allowed, Joined, Strategy

Q = Quantity


class Makes(NamedTuple):
    """One thing that the cloth at hand will make, in words and as the pins that make it so.

    It is `sure` where every division of the tape above it was tried, and more than that does not fit.
    """

    name: str
    value: Fraction
    pins: dict[Quantity, Fraction]
    sure: bool = True

    def change(self, section: Section) -> Change:
        """The change that makes it of `section`."""
        facts: dict[str, Fact] = {f"pins.{Q.FLAT}": typed(Length(self.pins[Q.FLAT]), section.unit), "meet": None}
        if self.name == "greatest fullness":
            says, gone = f"{write_ratio(self.value).text} times", [Q.FULLNESS, Q.DEPTH, Q.PER_PLEAT]
        elif self.name == "longest edge":
            says, gone = section.fine.write_mm(self.value).text, [Q.FINISHED, Q.COUNT]
        else:
            says, gone = f"{write_ratio(self.value).text} pleats", [Q.SPACING, Q.FULLNESS, Q.BOX, Q.FLAT]
            facts[f"pins.{Q.COUNT}"] = typed_number(self.pins[Q.COUNT])
        facts |= {f"pins.{name}": None for name in gone}
        # Where it was looked for in longer steps that is said.
        looked = "" if self.sure else " or a little more: not every division was tried"
        return Change.of(f"{self.name.capitalize()}: {says}{looked}", facts)


class _Found(NamedTuple):
    plan: Plan
    sure: bool


_LONG_STEP = 24  # divisions of the tape
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
        most = _most_cloth(section, available, tape, (Q.FULLNESS, Q.DEPTH, Q.PER_PLEAT), can_be)
        if most is not None:
            pins = {Q.FLAT: most.plan.flat.mm, Q.FULLNESS: most.plan.values[Q.FULLNESS]}
            found.append(Makes("greatest fullness", most.plan.fullness, pins, most.sure))
    most = _most_cloth(section, available, tape, (Q.FINISHED, Q.COUNT), can_be)
    if most is not None:
        pins = {Q.FLAT: most.plan.flat.mm, Q.FINISHED: most.plan.finished.mm}
        found.append(Makes("longest edge", most.plan.finished.mm, pins, most.sure))
    keeps = {Q.DEPTH, Q.PER_PLEAT} & section.pins.keys()
    if section.kind.folded and Q.FINISHED in section.pins and keeps and not section.places:
        made = _most_pleats(section, available, can_be)
        if made is not None:
            found.append(Makes("most pleats", made.pleats, {Q.FLAT: made.flat.mm, Q.COUNT: made.pleats}))
    return found


def _most_cloth(
    section: Section, available: Length, tape: Length, drop: tuple[Quantity, ...], can_be: Callable[[Plan], bool]
) -> _Found | None:
    """The plan of the most cloth up to `available` that fits, the facts in `drop` let go."""
    kept = {q: pin for q, pin in section.pins.items() if q not in (*drop, Q.FLAT)}

    def planned(flat: Length) -> Plan | None:
        try:
            return plan(replace(section, pins={**kept, Q.FLAT: Pin(flat.mm)}, meet=None))
        except Refusal:
            return None

    flat, work = _down(available, tape), 0
    while flat > ZERO and work < 2 * _MOST_WORK:
        step = tape if work < _MOST_WORK else tape * _LONG_STEP
        made = planned(flat)
        if made is not None and can_be(made):
            # Between the last two places of a long step there may be more.
            between = (planned(flat + step - tape * number) for number in range(1, int(step / tape)))
            more = next((one for one in between if one is not None and can_be(one)), made)
            return _Found(more, sure=work < _MOST_WORK)
        work += 40 + (made.count if made is not None else 0)
        flat -= step
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


def rooms_at_hand(bolt: Bolt, drop: Drop, allowed: Allowed, way: str = "usual") -> dict[str, Length]:
    """The flat width that the length of `bolt` at hand holds, washed, the way that it is asked to lie; across, else.

    Across it, along it side by side, or in one length along it; a way that holds nothing is left out.

    >>> cm = Length.cm
    >>> bolt, drop, allowed = Bolt(cm(140), at_hand=cm(260)), Drop(cm(63)), Allowed(cm(2), cm(2), cm(1))
    >>> [float(room.mm) for way in ("usual", "railroaded") for room in rooms_at_hand(bolt, drop, allowed, way).values()]
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
    way: str = "usual",
    losing: Callable[[Plan], Callable[[Joined], Sequence[Length]] | None] | None = None,
) -> list[Makes]:
    """What the length of `bolt` at hand will make of `section`, washed, lying the way that it is asked to.

    Only what its joins hide in the cloth that there is, shared by `strategy`; `losing` tells for a plan how much longer each
    strip along the cloth is cut so that its pattern runs on.
    """
    rooms = rooms_at_hand(bolt, drop, allowed, way)
    washed = bolt.washed
    if washed is None or not rooms:
        return []
    taken = max(rooms, key=lambda name: rooms[name].mm)

    def can_be_cut(made: Plan) -> bool:
        loses = losing(made) if losing is not None else None
        return takes_no_more(made.spread, bolt, drop, allowed, strategy, taken, washed, loses)

    return makes(section, rooms[taken], can_be_cut)


def repeats_at_hand(made: Plan, bolt: Bolt, drop: Drop, allowed: Allowed, way: str = "usual") -> int:
    """How many pleats of this pitch the cloth at hand allows beside the plain ends, whole ones only."""
    spacing, take = made.values.get(Q.SPACING), made.values.get(Q.PER_PLEAT)
    rooms = rooms_at_hand(bolt, drop, allowed, way)
    if not rooms or spacing is None or take is None:
        return 0
    plain = sum((end.width.mm for end in (made.section.lead, made.section.tail) if end.width), Fraction(0))
    return max(0, int((max(room.mm for room in rooms.values()) - plain) / (spacing + take)))
