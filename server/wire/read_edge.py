"""Reads an edge from its typed section: text into exact lengths, with every problem collected."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field

from ribbon.cloth import Bolt, Cutting
from ribbon.errors import Problem, Refusal
from ribbon.facts import (
    KINDS,
    Allowance,
    Edge,
    End,
    Pin,
    PlanCloth,
    Remainder,
    School,
    Section,
    Stretch,
    allowances,
    beside,
    in_inches,
    kind_with,
    usual_tape,
)
from ribbon.fraction import Fraction
from ribbon.lengths import UNITS, Length, Unit, loosened, read_count, read_ratio
from ribbon.pleats import Facing, Quantity
from server.wire.cloth import ClothSpec
from server.wire.kinds import MIXED, PLAIN
from server.wire.read_cloth import ReadCloth, inline, read_cloth, read_cutting, read_lining
from server.wire.read_shape import read_shape
from server.wire.section import About, EndSpec, PartSpec, PinSpec, SectionSpec
from server.wire.texts import Texts
from server.wire.tied import Tied

_TIMES = {"0": Fraction(0), "1/2": Fraction(1, 2), "½": Fraction(1, 2), "0.5": Fraction(1, 2), "1": Fraction(1)}
_FINEST = Length(Fraction(1, 10))
NO_CLOTHS: Mapping[str, ClothSpec] = {}


@dataclass(frozen=True, slots=True)
class Given:
    """A section that was read: its edge, how it is cut, the cloths that it is cut from by their roles.

    `wrong` is what could not be read of its cloths and its cutting: a plan does without it, the cutting table does not.
    """

    spec: SectionSpec
    edge: Edge
    cutting: Cutting
    wrong: tuple[Problem, ...]
    more_bolts: Mapping[str, Bolt] = field(default_factory=dict)
    """The cloths that its other pieces name by their roles."""

    @property
    def whole(self) -> Given:
        """The same.  Raises `Refusal` where anything of its cloth or cutting could not be read."""
        if self.wrong:
            raise Refusal(self.wrong)
        return self

    @property
    def bolts(self) -> dict[str, Bolt]:
        """The cloths that it and its other pieces are cut from, by their roles."""
        own = ((self.cutting.role, self.cutting.bolt), (self.cutting.lining_role, self.cutting.lining_bolt))
        return {**self.more_bolts, **{role: bolt for role, bolt in own if bolt is not None}}


def read_section(said: SectionSpec, cloths: Mapping[str, ClothSpec] = NO_CLOTHS) -> Given:
    """The edge that a section describes, on the cloths of its work.  Raises `Refusal` with everything that a plan cannot do without."""
    unit = UNITS[said.unit]
    texts, later = Texts(unit), Texts(unit)
    habit = habit_of(said.habit)
    imperial = in_inches(unit, habit)
    known = {**said.cloths, **cloths}
    spec, path = inline(said.cloth, "cloth", known)
    face = read_cloth(spec, path, said.unit, imperial=imperial)
    texts.problems += face.problems
    lining = ReadCloth()
    if said.cutting.lining is not None:
        spec, path = inline(said.cutting.lining.cloth, "cutting.lining.cloth", known)
        lining = read_cloth(spec, path, said.unit, imperial=imperial, wide=face.facts.usable)
        later.problems += lining.problems
    tape = read_tape(texts, said.tape)
    allowance = _allowance(texts, said, imperial=imperial)
    shared = _Shared(unit, tape, allowance, face.facts, habit)
    if said.kind == MIXED:
        edge = _parted(texts, said, shared)
    else:
        edge = Edge.of(_stretch(texts, said, shared, texts.machine("machine", said.machine)))
    later.problems += [*face.wrong, *lining.wrong]
    cutting = read_cutting(later, said, face, lining, allowance, imperial=imperial)
    more: dict[str, Bolt] = {}
    for role in {piece.role for piece in cutting.pieces} - {cutting.role}:
        other = read_cloth(*inline(role, "", known), said.unit, imperial=imperial)
        later.problems += [*other.problems, *other.wrong]
        if other.bolt is not None:
            more[role] = other.bolt
    if texts.problems:
        raise Refusal(texts.problems)
    return Given(said, edge, cutting, tuple(later.problems), more)


def habit_of(said: str | None) -> bool | None:
    """Whether a sewist is used to inches, None where that is not said."""
    return None if said is None else said == "inches"


@dataclass(frozen=True, slots=True)
class _Shared:
    """What holds for every stretch of an edge."""

    unit: Unit
    tape: Length | None
    allowance: Allowance
    cloth: PlanCloth
    habit: bool | None


def _parted(texts: Texts, said: SectionSpec, shared: _Shared) -> Edge:
    """An edge of parts: what holds for all of it, then each part in the same unit and tape."""
    pin = _pin(texts, Quantity.FINISHED, said.pins.finished, halves=False)
    if pin is not None and pin.value <= 0:
        texts.add("not_positive", "pins.finished", "0", "an edge of nought cannot be", "use a width above nought")
    machine = texts.machine("machine", said.machine)
    plain = _Shared(shared.unit, shared.tape, Allowance(), PlanCloth(), shared.habit)
    return Edge(
        beside(_part(texts, one, f"parts.{index}", plain) for index, one in enumerate(said.parts)),
        shared.unit,
        shared.tape,
        finished=Length(pin.value) if pin is not None else None,
        allowance=shared.allowance,
        cloth=shared.cloth,
        machine=machine,
        habit=shared.habit,
    )


def _part(texts: Texts, said: PartSpec, path: str, shared: _Shared) -> Stretch:
    share = texts.read(f"{path}.share", said.share, read_ratio) if said.share is not None else None
    width = texts.positive(f"{path}.width", said.width) if said.width is not None else None
    section = None
    if said.kind != PLAIN:
        own = Texts(texts.unit)
        section = _stretch(own, said, shared, None)
        texts.problems += [problem.under(path) for problem in own.problems]
    if share is not None and not 0 < share <= 1:
        texts.add(
            "not_share",
            f"{path}.share",
            said.share,
            "a share is a part of the edge",
            "use a part such as 1/4, or give a width",
        )
    return Stretch(section, share, width)


def _stretch(texts: Texts, said: SectionSpec | PartSpec, shared: _Shared, machine: Length | None) -> Section:
    kind = kind_with(KINDS[said.kind], said.fingers)
    # Half a pleat on a fold line counts a half: with one, a count such as 4½ can be pinned.
    halves = said.lead.fold or said.tail.fold
    read_pins = ((name, _pin(texts, name, getattr(said.pins, name.value), halves=halves)) for name in Quantity)
    pins = {name: pin for name, pin in read_pins if pin is not None}
    lead, tail = (_end(texts, name, one) for name, one in (("lead", said.lead), ("tail", said.tail)))
    mirror_at = texts.length("mirror_at", said.mirror_at) if said.mirror_at is not None else None
    return Section(
        kind=kind,
        pins=pins,
        unit=shared.unit,
        tape=shared.tape,
        meet=said.meet,
        facing=Facing(said.facing),
        mirror_at=mirror_at,
        closed=said.closed,
        lead=lead,
        tail=tail,
        remainder=Remainder(said.remainder),
        school=School(said.fullness_of),
        allowance=shared.allowance,
        cloth=shared.cloth,
        habit=shared.habit,
        machine=machine,
        **read_shape(texts, said, kind, imperial=in_inches(shared.unit, shared.habit)),
    )


def _pin(texts: Texts, name: Quantity, value: PinSpec | None, *, halves: bool) -> Pin | None:
    if value is None:
        return None
    if isinstance(value, Tied):
        texts.length(f"pins.{name}", value)
        return None
    firm = not isinstance(value, About)
    path = f"pins.{name}" if firm else f"pins.{name}.about"
    said, loose = loosened(str(value.about if isinstance(value, About) else value))
    firm = firm and not loose  # about 3, ~3 and 3ish hold loosely, however they are pinned
    if name is Quantity.COUNT:
        if halves:
            half = texts.read(path, said, read_ratio)
            return None if half is None else Pin(half, firm)
        count = texts.read(path, said, read_count)
        return None if count is None else Pin(Fraction(count), firm)
    if name is Quantity.FULLNESS:
        ratio = texts.read(path, said, read_ratio)
        return None if ratio is None else Pin(ratio, firm)
    length = texts.length(path, said)
    return None if length is None else Pin(length.mm, firm)


def read_tape(texts: Texts, said: str | None) -> Length | None:
    """The tape's division: None for exact marks; what sewists of that unit have where nothing is said."""
    if said is None:
        return None
    if not said:
        return usual_tape(imperial=texts.unit.binary)
    tape = texts.length("tape", said)
    if tape is not None and tape < _FINEST:
        texts.add("too_fine", "tape", said, "no chalk is that fine", "use 1/16 in, 1/8 in, 1 mm or 5 mm")
        return None
    return tape


def _end(texts: Texts, name: str, said: EndSpec) -> End:
    if said.fold:
        return End(times=Fraction(0), fold=True)
    if said.width is not None and said.times is not None:
        where = "before the first pleat" if name == "lead" else "after the last"
        texts.add(
            "both",
            name,
            f"{said.width}, {said.times}",
            f"{where} stands either a width or times the spacing",
            "leave one of them out",
        )
    if said.width is not None:
        return End(width=texts.length(f"{name}.width", said.width))
    if said.times is None:
        return End()
    times = str(said.times).strip()
    if times not in _TIMES:
        texts.add(
            "not_times",
            f"{name}.times",
            times,
            f"{times[:40]} is not a part of a space that an end can have",
            "use 0, 1/2 or 1, or give a width",
        )
    return End(times=_TIMES.get(times, Fraction(1, 2)))


def _allowance(texts: Texts, said: SectionSpec, *, imperial: bool) -> Allowance:
    """The seam allowances: the work's own, but for an end or the joins that have another one.

    The sides of a tube of face and lining are cut as it asks, so that it measures the flat width once turned.
    """
    own = said.allowance
    seam, start, end, join = (
        texts.length_or_none(f"allowance.{name}", value)
        for name, value in (("seam", own.seam), ("start", own.start), ("end", own.end), ("join", own.join))
    )
    lining = said.cutting.lining
    if lining is not None and lining.tube and start is None and end is None:
        quiet = Texts(texts.unit)  # the step Cloth says what is wrong with it
        start = end = read_lining(quiet, lining, seam, imperial=imperial).side
    return allowances(seam, start, end, join, imperial=imperial)


def read_each(
    said: Iterable[SectionSpec], cloths: Mapping[str, ClothSpec] = NO_CLOTHS, *, under: str = "sections"
) -> list[Given]:
    """Every section of a work, read whole.  Raises `Refusal` with every problem of all of them, by its path."""
    found: list[Given] = []
    problems: list[Problem] = []
    for index, section in enumerate(said):
        try:
            found.append(read_section(section, cloths).whole)
        except Refusal as refusal:
            problems += [
                one if one.path.startswith("cloths.") and not section.cloths else one.under(f"{under}.{index}.spec")
                for one in refusal.problems
            ]
    if problems:
        raise Refusal(dict.fromkeys(problems))
    return found
