"""Mends: changes to a section that put right what it is warned of, each tried before it is offered."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from dataclasses import replace
from typing import NamedTuple

from ribbon.edge import Plan, plan
from ribbon.errors import Refusal
from ribbon.facts import End, Pin, Section
from ribbon.lengths import ZERO, Length, read_length, typed, write_ratio
from ribbon.offers.change import Change
from ribbon.pleats import Quantity

Q = Quantity

_FINER = {True: ("1/8 in", "1/16 in"), False: ("2 mm", "1 mm")}
_LOOSE = (Q.DEPTH, Q.PER_PLEAT, Q.FLAT, Q.FULLNESS)  # what the depth follows from, and what follows from it


class Try(NamedTuple):
    """A mend that may do, and the section that it makes."""

    mend: Change
    section: Section


def mend_by(made: Plan, tries: Iterator[Try], holds: Callable[[Plan], bool]) -> Change | None:
    """The first of `tries` whose plan keeps the finished width and `holds`, with what else it changes said; else None."""
    for one in tries:
        try:
            after = plan(one.section)
        except Refusal:
            continue
        if after.finished == made.finished and holds(after):
            also = _also(made, after, one.mend.says)
            return one.mend._replace(says=f"{one.mend.says}: {', '.join(also)}" if also else one.mend.says)
    return None


def _also(made: Plan, after: Plan, said: str) -> list[str]:
    """What a mend changes beside what it is called: the count, the spacing, the depth, the flat width."""
    write, found = made.section.scribe.write, []
    if after.pleats != made.pleats:
        found.append(f"{write_ratio(after.pleats).text} pleats")
    for quantity, word in ((Q.SPACING, "apart"), (Q.DEPTH, "deep"), (Q.FLAT, "flat")):
        length = after.length(quantity)
        if length is not None and length != made.length(quantity) and not said.endswith(f" {word}"):
            found.append(f"{write(length).text} {word}")
    return found


def longer_end(made: Plan, name: str, width: Length) -> Iterator[Try]:
    """The plain run at `name`, lead or tail, made `width` wide, or so much more that it is on the tape."""
    section = made.section
    tape = section.tape
    if tape is not None:
        width = tape * -(-width.mm // tape.mm)
    where = "before the first pleat" if name == "lead" else "after the last pleat"
    says = f"Leave {section.scribe.write(width).text} {where}"
    mend = Change(says, ((f"{name}.times", None), (f"{name}.width", typed(width, section.unit))))
    end = End(width)
    yield Try(mend, replace(section, lead=end) if name == "lead" else replace(section, tail=end))


def shallower(made: Plan) -> Iterator[Try]:
    """The pleats as deep as the room between them allows, the facts about their cloth let go if they must."""
    section, kind, spacing = made.section, made.section.kind, made.length(Q.SPACING)
    if kind.width is None or spacing is None:
        return
    room = made.length(kind.width) or ZERO
    deepest: Length = room / 2 if kind.width is Q.BOX else (spacing - room) / 2
    if deepest <= ZERO:
        return
    says, depth = f"Make the pleats {section.fine.write(deepest).text} deep", Pin(deepest.mm)
    pins, freed = _freed(section)
    change = (f"pins.{Q.DEPTH}", typed(deepest, section.unit))
    yield Try(Change(says, (change,)), replace(section, pins={**section.pins, Q.DEPTH: depth}))
    yield Try(
        Change(says, (*freed, change, ("meet", False))), replace(section, pins={**pins, Q.DEPTH: depth}, meet=False)
    )


def meeting(made: Plan) -> Iterator[Try]:
    """The pleats meeting instead of overlapping, the facts about their cloth let go."""
    section = made.section
    if section.kind.meeting is None or section.places:
        return
    pins, freed = _freed(section)
    yield Try(Change("Let the pleats meet", (*freed, ("meet", True))), replace(section, pins=pins, meet=True))


def finer_tape(made: Plan) -> Iterator[Try]:
    """A finer tape; if none is fine enough, exact places."""
    section = made.section
    for text in _FINER[section.unit.binary]:
        tape = read_length(text, section.unit)
        if section.tape is not None and tape < section.tape:
            yield Try(Change(f"Mark on a tape of {text}", (("tape", text),)), replace(section, tape=tape))
    yield Try(Change("Mark exact places", (("tape", None),)), replace(section, tape=None))


def _freed(section: Section) -> tuple[dict[Quantity, Pin], tuple[tuple[str, None], ...]]:
    """The pins without those about the cloth of a pleat, and the change that lets these go."""
    pins = {quantity: pin for quantity, pin in section.pins.items() if quantity not in _LOOSE}
    return pins, tuple((f"pins.{quantity}", None) for quantity in _LOOSE if quantity in section.pins)
