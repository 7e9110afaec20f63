"""What is said of pins that are too few, that disagree, or that cannot be."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Mapping, Sequence

from ribbon.errors import Problem, Refusal, refuse
from ribbon.facts.section import Remainder, Section
from ribbon.fraction import Fraction
from ribbon.pleats import Quantity
from ribbon.pleats.relation import MEET
from ribbon.solve.placed import places_that_cannot_be
from ribbon.solve.solution import Conflict, Gave, Solution

Q = Quantity


def too_few(section: Section) -> Refusal:
    """What to say where the pins do not say how wide the edge is."""
    pinned = ", ".join(name.word for name in section.pins) or "nothing"
    needed = (
        "the finished width, the flat width or a count"
        if section.kind.folded
        else "the finished width or the flat width"
    )
    return refuse(
        "too_few",
        "pins",
        pinned,
        f"{pinned} alone does not say how wide the edge is" if section.pins else "nothing is pinned yet",
        f"pin {needed} as well",
    )


def disagreement(
    section: Section,
    conflict: Conflict,
    solve: Callable[[Section], Solution],
    following: Callable[[Section, bool], Mapping[str, Fraction]],
) -> Refusal:
    """Every firm pin that takes part, each with what letting go of it alone would make it.

    `solve` finds that where the rest settles a plan; else `following` may, from the equations alone.
    """
    pinned = [name for name in section.pins if name in conflict.sources]
    meeting = MEET in conflict.sources
    said = [f"{name.word} {section.say(name, section.pins[name].value)}" for name in pinned]
    facts = _listed([*said, "pleats that meet"] if meeting else said)
    says = f"{facts} do not agree"
    told, foldable = dict[Quantity, Problem](), list[Quantity]()
    for name in pinned:
        gave = tuple[Gave, ...]()
        try:
            without = solve(section.let_go(name))
        except Refusal:
            values = following(section.let_go(name), meeting)
        else:
            values, gave = without.values, without.gave
        if values.get(name, Fraction(0)) <= 0:
            continue
        others, way_out, becomes = _without(section, name, values[name], gave)
        value = section.say(name, section.pins[name].value)
        told[name] = Problem("disagree", f"pins.{name}", value, f"{says}: {others}", way_out, says, becomes)
        if values.get(Q.FLAT, Fraction(1)) > values.get(Q.FINISHED, Fraction(0)):
            foldable.append(name)
    # What would leave nothing to fold is no way out where another pin is one.
    ways = foldable or list(told)
    problems = [told[name] if name in ways else _no_help(section, name, says) for name in pinned] if ways else []
    if meeting and section.meet:
        problems.append(Problem("disagree", "meet", "true", says, "let the pleats overlap or leave gaps", says))
    return Refusal(problems or [Problem("disagree", "pins", facts, says, "let go of one of these pins", says)])


def crowded(section: Section, problem: Problem, plans: Callable[[Section], object]) -> list[Problem]:
    """A size that finds no room, told as the disagreement that it is: every pin, with what it alone would become.

    As it was where fewer than three pins take part, or letting go of one alone does not help.
    """
    told, pinned = [], [name for name in section.pins if name is not Q.FULLNESS]
    if len(pinned) < 3:
        return [problem]
    facts = _listed([f"{name.word} {section.say(name, section.pins[name].value)}" for name in pinned])
    says = f"{facts} do not agree: {problem.message}"
    for name in pinned:
        value = section.say(name, section.pins[name].value)
        try:
            instead = _value_of(plans(section.let_go(name)), name)
        except Refusal:
            continue
        becomes = section.say(name, instead)
        way_out = f"let go of the {name.word} and it becomes {becomes}, or let another pin go"
        told.append(Problem("disagree", f"pins.{name}", value, says, way_out, says, becomes))
    return told or [problem]


def _value_of(plan: object, name: Quantity) -> Fraction:
    values: Mapping[str, Fraction] = plan.values  # type: ignore[attr-defined]
    return values[name]


def _no_help(section: Section, name: Quantity, says: str) -> Problem:
    way_out = f"letting go of the {name.word} alone does not help: let go of another pin"
    return Problem("disagree", f"pins.{name}", section.say(name, section.pins[name].value), says, way_out, says)


def _without(section: Section, name: Quantity, instead: Fraction, gave: Sequence[Gave]) -> tuple[str, str, str]:
    """(what the other pins make of `name`, what letting go of it does, what it then becomes)."""
    pinned = section.pins[name].value
    becomes = section.say(name, instead)
    if name is Q.COUNT and gave:
        also = _listed([f"the {g.quantity.word} becomes {section.say(g.quantity, g.became)}" for g in gave])
        becomes = f"{becomes} and {also}"
        return "the others make no whole count", f"let go of the count: it becomes {becomes}", becomes
    away = section.say(name, abs(instead - pinned))
    return (
        f"the others make the {name.word} {becomes}, {away} away",
        f"let go of the {name.word} and it becomes {becomes}, or let another pin go",
        becomes,
    )


def _listed(words: list[str]) -> str:
    """The words in a row as one would say them."""
    return words[0] if len(words) == 1 else f"{', '.join(words[:-1])} and {words[-1]}"


def _ends_that_cannot_be(section: Section) -> Iterable[Problem]:
    """Stated ends that take more than all of a firm finished width."""
    finished = section.pins.get(Q.FINISHED)
    ends = {name: end.width for name, end in (("lead", section.lead), ("tail", section.tail)) if end.width}
    if finished is None or not finished.firm or finished.value <= 0 or section.closed or section.places or not ends:
        return
    taken = sum((width.mm for width in ends.values()), Fraction(0))
    if taken <= finished.value or not section.kind.folded:
        return
    wide = section.say(Q.FINISHED, finished.value)
    longest = max(ends, key=lambda name: ends[name])
    where = {"lead": "before the first pleat", "tail": "after the last"}
    said = _listed([f"{section.say(Q.FINISHED, width.mm)} {where[name]}" for name, width in ends.items()])
    yield Problem(
        "no_pleat",
        f"{longest}.width",
        section.say(Q.FINISHED, ends[longest].mm),
        f"{said} {'take' if len(ends) > 1 else 'takes'} more than the whole edge of {wide}",
        f"take less than {wide} at the ends, or widen the finished edge",
    )


def pins_that_cannot_be(section: Section) -> list[Problem]:
    """What is wrong with each pin by itself: nought, not of this kind, not whole, a mirrored row of odd count."""
    problems = []
    for name, pin in section.pins.items():
        said, path = section.say(name, pin.value), f"pins.{name}"
        if name not in section.kind.quantities:
            has = ", ".join(q.word for q in Q if q in section.kind.quantities)
            problems.append(
                Problem(
                    "not_of_kind",
                    path,
                    said,
                    f"{section.kind.title} have no {name.word}",
                    f"let it go; they have {has}",
                )
            )
        elif pin.value < 0 or (pin.value == 0 and name not in (Q.GAP, Q.OPENING)):
            problems.append(
                Problem(
                    "not_positive",
                    path,
                    said,
                    f"a {name.word} of {said} cannot be",
                    "use a value above nought, or let it go",
                )
            )
        elif name is Q.FULLNESS and pin.value <= 1:
            problems.append(
                Problem(
                    "too_low",
                    path,
                    said,
                    f"a fullness of {said} leaves nothing to fold",
                    "use more than 1; 1½ is slight, 3 is full",
                )
            )
    problems += [*places_that_cannot_be(section), *_folds_that_cannot_be(section), *_ends_that_cannot_be(section)]
    count = section.pins.get(Q.COUNT)
    if (
        count
        and not section.places
        and section.mirrored
        and section.mirror_at is None
        and count.firm
        and count.value % 2
    ):
        problems.append(
            Problem(
                "odd_mirror",
                f"pins.{Q.COUNT}",
                str(count.value),
                "an odd count has a middle pleat, which cannot face both ways",
                f"use {count.value - 1 or 2} or {count.value + 1}, or say where the facing turns",
            )
        )
    if section.closed and section.remainder is not Remainder.SPACING:
        problems.append(
            Problem(
                "no_ends",
                "remainder",
                section.remainder,
                "a closed ring has no ends to take what is left over",
                "let the spacing take it, or open the ring",
            )
        )
    return problems


def _folds_that_cannot_be(section: Section) -> list[Problem]:
    """Half a pleat where this kind has no half, or a count that is not whole but for the halves."""
    problems = []
    for name, end in (("lead", section.lead), ("tail", section.tail)):
        if end.fold and not section.closed and not section.kind.halves:
            problems.append(
                Problem(
                    "no_half",
                    name,
                    "fold",
                    f"{section.kind.title} have no middle to set on a fold line",
                    "use box or inverted pleats, or give this end a width",
                )
            )
        if end.fold and section.remainder.value in ("ends", name):
            problems.append(
                Problem(
                    "no_ends",
                    "remainder",
                    section.remainder,
                    f"{'the start' if name == 'lead' else 'the end'} is a fold line and can take nothing",
                    "let the spacing take what is left over",
                )
            )
    count = section.pins.get(Q.COUNT)
    if count is not None and not section.places and (count.value - Fraction(section.folds % 2, 2)).denominator != 1:
        low = count.value.__floor__()
        half = section.folds % 2
        problems.append(
            Problem(
                "not_whole",
                f"pins.{Q.COUNT}",
                section.say(Q.COUNT, count.value),
                "with one end on a fold line the count ends in a half" if half else "pleats are whole",
                f"use {low}½ or {low + 1}½" if half else f"use {low or 1} or {low + 1}",
            )
        )
    return problems
