"""What cannot be cut or folded, each with the nearest that can."""

from __future__ import annotations

from collections.abc import Iterable

from ribbon.errors import Problem
from ribbon.facts.section import End, Section
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length
from ribbon.pleats import Quantity
from ribbon.solve.placed import misplaced
from ribbon.solve.solution import Solution

Q = Quantity


def no_pleats(solution: Solution) -> Problem:
    """What to say where not one pleat fits."""
    return Problem(
        "no_pleat",
        "pins",
        str(solution.values[Q.COUNT]),
        "not one pleat fits",
        "use a wider edge or a smaller pleat",
    )


def impossible(section: Section, solution: Solution, lead: Length, tail: Length) -> Iterable[Problem]:
    """Every problem of a solution whose ends are `lead` and `tail` wide."""
    values, kind = solution.values, section.kind
    finished, flat = values[Q.FINISHED], values[Q.FLAT]

    if finished <= 0:
        path, value = _blamed(section, Q.FINISHED, Q.FLAT, Q.DEPTH, Q.PER_PLEAT, Q.COUNT)
        yield Problem(
            "no_width",
            path,
            value,
            "nothing is left for the finished width",
            "use more cloth, fewer pleats or shallower ones",
        )
        return
    if not kind.folded:
        yield from _gathers(section, values, lead, tail)
        return
    spacing = values.get(Q.SPACING)
    if spacing is not None and spacing <= 0:
        path, value = _blamed(section, Q.FINISHED, Q.COUNT, Q.SPACING)
        ends = lead.mm + tail.mm if not section.closed else Fraction(0)
        yield Problem(
            "no_space",
            path,
            value,
            f"the two ends take {section.say(Q.FINISHED, ends)} and leave no space for pleats",
            "widen the finished edge or take less at the ends",
        )
        return
    if kind.width is Q.OPENING and spacing is not None and values[Q.OPENING] >= spacing:
        path, value = _blamed(section, Q.OPENING, Q.SPACING, Q.COUNT)
        yield Problem(
            "no_room",
            path,
            value,
            f"an opening of {section.say(Q.OPENING, values[Q.OPENING])} leaves no face in a spacing of {section.say(Q.SPACING, spacing)}",
            f"use an opening under {section.say(Q.SPACING, spacing)}",
        )
        return
    if flat <= finished:
        yield _no_take_up(section, values)
        return
    if section.places:
        yield from misplaced(section, values)
        return
    if values["rest"] < 0 and min(lead.mm, tail.mm) < 0:
        yield _too_wide(section, values)
        return
    shared = _shared(section, values)
    if shared:
        yield shared
        return
    if kind.width:
        yield from _short_ends(
            section, values[kind.width] / 2, (("lead", section.lead, lead), ("tail", section.tail, tail))
        )
    if section.closed and not kind.upright and values[Q.DEPTH] * kind.take_up_per_depth / 2 >= finished:
        yield _ring_full(section, values)


def _shared(section: Section, values: dict[str, Fraction]) -> Problem | None:
    """Box and gap, or box and opening, that leave one of them nothing of the spacing they share."""
    for name in (Q.BOX, Q.GAP, Q.OPENING):
        least = values.get(name, Fraction(1))
        if least < 0 or (name is Q.BOX and least == 0):
            path, value = _blamed(section, Q.BOX, Q.GAP, Q.OPENING, Q.DEPTH, Q.SPACING, Q.COUNT)
            room = section.say(Q.SPACING, values[Q.SPACING])
            shared = "pleats this deep" if name is Q.OPENING else "box and gap"
            return Problem(
                "no_room",
                path,
                value,
                f"{shared} share a spacing of {room}, which leaves the {name.word} nothing",
                "use shallower pleats, or a wider spacing" if name is Q.OPENING else f"use less than {room} for each",
            )
    return None


def _ring_full(section: Section, values: dict[str, Fraction]) -> Problem:
    """Underlays that reach all the way round a ring."""
    finished = values[Q.FINISHED]
    path, value = _blamed(section, Q.DEPTH, Q.PER_PLEAT, Q.FLAT, Q.FULLNESS)
    return Problem(
        "ring_full",
        path,
        value,
        f"a depth of {section.say(Q.DEPTH, values[Q.DEPTH])} would go all the way round a ring of {section.say(Q.FINISHED, finished)}",
        f"keep the depth under {section.say(Q.DEPTH, finished * 2 / section.kind.take_up_per_depth)}",
    )


def _blamed(section: Section, *order: Quantity) -> tuple[str, str]:
    """(path, what it says) of the first quantity in `order` that is pinned."""
    name = next((q for q in order if q in section.pins), None)
    return (f"pins.{name}", section.say(name, section.pins[name].value)) if name else ("pins", "")


def _no_take_up(section: Section, values: dict[str, Fraction]) -> Problem:
    flat, finished = (section.say(name, values[name]) for name in (Q.FLAT, Q.FINISHED))
    path, value = _blamed(section, Q.FLAT, Q.FINISHED, Q.FULLNESS)
    return Problem(
        "no_take_up",
        path,
        value,
        f"a flat width of {flat} has nothing to fold into a finished width of {finished}",
        f"use more than {finished} of cloth, or finish narrower than {flat}",
    )


def _too_wide(section: Section, values: dict[str, Fraction]) -> Problem:
    finished = values[Q.FINISHED]
    whole = finished - values["rest"]
    path, value = _blamed(section, Q.COUNT, Q.SPACING, Q.FINISHED)
    if not section.kind.folded:
        return Problem(
            "too_wide",
            path,
            value,
            f"that much cloth at that fullness needs {section.say(Q.FINISHED, whole)}, more than {section.say(Q.FINISHED, finished)}",
            "use less cloth, a higher fullness or a wider edge",
        )
    return Problem(
        "too_wide",
        path,
        value,
        f"that many pleats at that spacing need {section.say(Q.FINISHED, whole)}, more than {section.say(Q.FINISHED, finished)}",
        "use fewer pleats or a closer spacing",
    )


def _gathers(section: Section, values: dict[str, Fraction], lead: Length, tail: Length) -> Iterable[Problem]:
    """What is wrong with a gathered edge: ends that leave nothing, cloth that has nothing to draw up, match points."""
    if lead + tail > ZERO and (lead + tail).mm >= values[Q.FINISHED]:
        yield _all_ends(section, lead + tail)
    elif values[Q.FLAT] <= values[Q.FINISHED]:
        yield _no_take_up(section, values)
    elif min(lead.mm, tail.mm) < 0:
        yield _too_wide(section, values)
    else:
        yield from _points(section, values, lead, tail)


def _points(section: Section, values: dict[str, Fraction], lead: Length, tail: Length) -> Iterable[Problem]:
    """Named match points outside the gathers, twice at one place, or running back along the cloth."""
    finished, flat = Length(values[Q.FINISHED]), Length(values[Q.FLAT])
    write = section.scribe.write
    seen: set[Length] = set()
    cloth = lead
    for index, point in sorted(enumerate(section.gathering.points), key=lambda pair: pair[1].at):
        path = f"gathering.points.{index}"
        if point.at <= lead or point.at >= finished - tail or point.at in seen:
            yield Problem(
                "outside",
                f"{path}.at",
                write(point.at).text,
                f"{point.name or 'this point'} at {write(point.at).text} does not stand alone within the gathers",
                f"place it between {write(lead).text} and {write(finished - tail).text}, away from the others",
            )
        elif point.flat is not None and not cloth < point.flat < flat - tail:
            yield Problem(
                "crossing",
                f"{path}.flat",
                write(point.flat).text,
                f"{point.name or 'this point'} cannot lie {write(point.flat).text} along the cloth",
                f"it lies between {write(cloth).text} and {write(flat - tail).text}",
            )
        seen.add(point.at)
        cloth = max(cloth, point.flat or cloth)


def _short_ends(section: Section, half: Fraction, ends: tuple[tuple[str, End, Length], ...]) -> Iterable[Problem]:
    for name, end, width in ends:
        if width.mm < half and not end.fold:
            said = section.scribe.write(end.width).text if end.width else str(end.times)
            where = "before the first" if name == "lead" else "after the last"
            yield Problem(
                "short_end",
                name,
                said,
                f"half a pleat reaches {section.scribe.write_mm(half).text} past its middle, and {where} there is only {section.scribe.write(width).text}",
                f"leave at least {section.scribe.write_mm(half).text}",
            )


def _all_ends(section: Section, ends: Length) -> Problem:
    said = section.scribe.write(ends).text
    return Problem(
        "no_space",
        "lead",
        said,
        f"the two ends take {said} and leave nothing to gather",
        "widen the finished edge or take less at the ends",
    )
