"""Different kinds side by side on one edge, sharing one finished width."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field, replace
from fractions import Fraction
from typing import NamedTuple

from ribbon.errors import Problem, Refusal, refuse
from ribbon.lengths import ZERO, Length, Scribe, Unit
from ribbon.lengths.reading import MOST_PLEATS
from ribbon.pins.plan import Plan, plan, strip
from ribbon.pins.section import Allowance, Cloth, Pin, Section
from ribbon.pins.taped import Begun, Taped, on_division, taped
from ribbon.pleats import Quantity
from ribbon.strip import Role, Span, Strip, join

Q = Quantity


class Part(NamedTuple):
    """A part of a mixed edge: its section, None where it stays plain, and its share of the edge or its own width.

    With neither it takes an equal share of what the others leave.
    """

    section: Section | None
    share: Fraction | None = None
    width: Length | None = None


@dataclass(frozen=True, slots=True)
class Band:
    """A mixed edge as given: its parts, its finished width where that is pinned, and what holds for all of it."""

    parts: tuple[Part, ...]
    finished: Length | None
    unit: Unit
    tape: Length | None
    allowance: Allowance = Allowance()
    cloth: Cloth = Cloth()
    machine: Length | None = None
    habit: bool | None = None
    """As of a section: whether what is assumed is assumed in inches."""
    scribe: Scribe = field(init=False, compare=False, repr=False)
    fine: Scribe = field(init=False, compare=False, repr=False)

    def __post_init__(self) -> None:
        object.__setattr__(self, "scribe", Scribe(self.unit, self.tape))
        object.__setattr__(self, "fine", self.scribe.finer())

    @property
    def imperial(self) -> bool:
        """True where what nobody said is taken from what sewists in inches are used to."""
        return self.unit.binary if self.habit is None else self.habit


class LaidPart(NamedTuple):
    """A part laid out: where it begins on the finished edge and on the flat cloth, its widths, its plan (None for plain)."""

    start: Length
    finished: Length
    flat_start: Length
    flat: Length
    plan: Plan | None


@dataclass(frozen=True, slots=True)
class Mixed:
    """A mixed edge: its parts in order and the strip that they make together."""

    band: Band
    laid: tuple[LaidPart, ...]
    strip: Strip
    finished: Length
    flat: Length

    @property
    def pleats(self) -> Fraction:
        """How many pleats stand in all its parts."""
        return sum((one.plan.pleats for one in self.laid if one.plan), Fraction(0))


def mixed(band: Band) -> Mixed:
    """The edge that the parts of `band` make of its finished width; without one, their own widths add up to it.

    Raises `Refusal`: the shares and widths do not fit the band, or a part cannot be made, its path below `parts`.
    """
    parts = band.parts
    widths = _widths(parts, band.finished, band.scribe)
    plans: list[Plan | None] = []
    problems: list[Problem] = []
    for index, (part, width) in enumerate(zip(parts, widths, strict=True)):
        if part.section is None:
            plans.append(None)
            continue
        section = part.section
        if width is not None:
            section = replace(section, pins={**section.pins, Q.FINISHED: Pin(width.mm)})
        try:
            plans.append(plan(section))
        except Refusal as refusal:
            plans.append(None)
            problems += [_of_part(problem, index) for problem in refusal.problems]
    pleats = sum((made.pleats for made in plans if made), Fraction(0))
    if pleats > MOST_PLEATS and not problems:
        raise refuse(
            "too_many",
            "parts",
            f"{int(pleats)} pleats",
            f"the parts of this edge have {int(pleats)} pleats together",
            f"use at most {MOST_PLEATS} along one edge",
        )
    if problems:
        raise Refusal(problems)
    laid: list[LaidPart] = []
    at = flat_at = ZERO
    strips = []
    for made, width in zip(plans, widths, strict=True):
        wide = made.finished if made else width or ZERO
        flat = made.flat if made else wide
        laid.append(LaidPart(at, wide, flat_at, flat, made))
        strips.append(strip(made) if made else _plain(wide))
        at, flat_at = at + wide, flat_at + flat
    return Mixed(band, tuple(laid), join(strips), at, flat_at)


def _of_part(problem: Problem, index: int) -> Problem:
    """A part is pinned by its width: what is wrong with its finished width is shown there."""
    if problem.path == f"pins.{Q.FINISHED}":
        way_out = f"make the part {problem.becomes} wide, or let another pin go" if problem.becomes else problem.way_out
        problem = replace(problem, path="width", way_out=way_out)
    return problem.under(f"parts.{index}")


def laid(section: Section | Band) -> tuple[Strip, Plan | None]:
    """The exact strip of a section or of a mixed edge, and the plan of a section.  Raises `Refusal`."""
    if isinstance(section, Band):
        return mixed(section).strip, None
    made = plan(section)
    return strip(made), made


def taped_mixed(whole: Mixed, tape: Length) -> tuple[Strip, list[Taped | None]]:
    """The edge with its marks on the tape, part by part: the whole strip, and what each part became.

    That is None for plain stretches, and for pleats that the tape is too coarse for.
    """
    found: list[Taped | None] = []
    strips: list[Strip] = []
    begun = Begun()
    for one in whole.laid:
        # One running total along the whole edge: each part ends where its own end falls on the tape.
        end = on_division(begun.finished + one.finished, tape)
        on_tape = None
        if one.plan is None:
            width = flat = end - begun.taped_finished
            strips.append(_plain(width))
        else:
            on_tape = taped(one.plan, tape, begun)
            strips.append(on_tape.strip if on_tape else _fitted(one.plan, end - begun.taped_finished))
            flat = on_tape.flat if on_tape else strips[-1].flat
        found.append(on_tape)
        begun = Begun(begun.finished + one.finished, end, begun.flat + one.flat, begun.taped_flat + flat)
    return join(strips), found


def _fitted(made: Plan, finished: Length) -> Strip:
    """Pleats too small for the tape, at exact places within a width that is on it."""
    pinned = {**made.section.pins, Q.FINISHED: Pin(finished.mm)}
    try:
        return strip(plan(replace(made.section, pins=pinned)))
    except Refusal:
        return strip(made)


def _plain(width: Length) -> Strip:
    return Strip((Span(width, Role.PLAIN),), (), ())


def _widths(parts: Sequence[Part], finished: Length | None, scribe: Scribe) -> list[Length | None]:
    """The finished width of each part, None for one that finds its own."""
    if not parts:
        raise refuse("none", "parts", "", "the edge has no part yet", "add a part: plain, pleated or gathered")
    if finished is None:
        for index, part in enumerate(parts):
            if part.share is not None:
                raise refuse(
                    "no_band",
                    f"parts.{index}.share",
                    str(part.share),
                    "a share of what: the edge has no finished width yet",
                    "give the whole edge a finished width, or this part a width",
                )
            if part.section is None and part.width is None:
                raise refuse(
                    "no_width",
                    f"parts.{index}.width",
                    "",
                    "a plain part needs a width",
                    "give it a width, or the whole edge a finished width",
                )
        return [part.width for part in parts]
    taken = sum(
        (part.width if part.width is not None else finished * (part.share or Fraction(0)) for part in parts), ZERO
    )
    open_parts = [part for part in parts if part.width is None and part.share is None]
    left = finished - taken
    if left < ZERO or (left == ZERO and open_parts):
        raise refuse(
            "too_wide",
            "pins.finished",
            scribe.write(finished).text,
            f"the parts take {scribe.write(taken).text} of {scribe.write(finished).text}",
            "give them less, or widen the edge",
        )
    if left > ZERO and not open_parts:
        raise refuse(
            "left_over",
            "pins.finished",
            scribe.write(finished).text,
            f"the parts leave {scribe.write(left).text} of the edge unsaid",
            "widen one, or add a part that takes what is left",
        )
    each = left / len(open_parts) if open_parts else ZERO
    return [
        part.width if part.width is not None else finished * part.share if part.share is not None else each
        for part in parts
    ]
