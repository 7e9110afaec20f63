"""Check and correct: what was measured against what was planned, and the mend on the tape."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace
from typing import NamedTuple

from ribbon.edge import (
    EdgePlan,
    Nudge,
    Plan,
    applied,
    can_change,
    changes,
    changes_say,
    division,
    groups_of,
    least_change,
    moved_along,
    pleats_say,
    tapered,
)
from ribbon.edge.corrected import corrected, corrected_row, marked_row
from ribbon.errors import Refusal, refuse
from ribbon.facts import Edge
from ribbon.fraction import Fraction
from ribbon.lengths import UNITS, ZERO, Length, Scribe

TOLERANCE = Fraction(1, 200)


class Verdict(NamedTuple):
    """What a check found.

    `measured` is the mean of the measures and `spread` the widest less the narrowest; `off` is measured less planned,
    `per_pleat` its share of one pleat (None without pleats), `within` whether it is to be left, `changes` what mends it and
    `moved` the pleats that go along with them, `correction` what joins the section's corrections if it is taken, `after`
    where the row then comes out.  `asks` whether it was measured at the other of two levels, where it is nearer to that.
    """

    planned: Length
    measured: Length
    spread: Length
    off: Length
    per_pleat: Length | None
    tolerance: Length
    within: bool
    changes: tuple[Nudge, ...]
    moved: tuple[tuple[int, Length], ...]
    correction: Length
    after: Length
    says: tuple[str, ...]
    asks: str = ""


def verdict(
    edge: EdgePlan, measures: Sequence[Length], tolerance: Fraction = TOLERANCE, *, upper: bool = False
) -> Verdict:
    """What `measures` of the basted edge, one or several, say of it; taken at its `upper` level where it has one.

    The tolerance is a part of the finished width, and at least one division.  Raises `Refusal` where a measure cannot
    be of it.
    """
    section, whole = edge.edge, edge.only
    above = edge.upper_on_tape
    levels = (edge.finished,) if above is None else (edge.finished, above.comes_to)
    planned = levels[-1] if upper else edge.finished
    if not measures:
        raise refuse(
            "no_measure", "measured", "", "there is nothing to check yet", "measure the basted edge and write it here"
        )
    for index, one in enumerate(measures):
        _must_be_of_it(section, planned, one, f"measured.{index}")
    measured = Length(sum((one.mm for one in measures), Fraction(0)) / len(measures))
    spread, off = max(measures) - min(measures), measured - planned
    step = division(section)
    allowed = max(planned * tolerance, step)
    within = abs(off) <= allowed
    count = whole.count if whole else 0
    found = _nearest(whole, off) if whole is not None and not within else ()
    correction = step * sum(one.divisions for one in found)
    moved = moved_along(whole, found) if whole is not None and found else ()
    share = off / count if count else None
    told = Verdict(
        planned, measured, spread, off, share, allowed, within, found, moved, correction, measured - correction, ()
    )
    asks = (
        "" if within or len(levels) == 1 else _other_level(section, measured, planned, levels[0 if upper else 1], upper)
    )
    return told._replace(says=tuple(_says(section, whole, told)), asks=asks)


def _other_level(section: Edge, measured: Length, planned: Length, other: Length, upper: bool) -> str:
    """Whether it was measured at the other level, where it is nearer to that; empty where it is not."""
    if abs(measured - other) >= abs(measured - planned):
        return ""
    write, named = section.scribe.write, "lower" if upper else "upper"
    return f"{write(measured).text} is nearer to the {named} level ({write(other).text}). Was it measured there?"


def _nearest(whole: Plan, off: Length) -> tuple[Nudge, ...]:
    """What mends a row that is `off`, as nearly as its pleats can: all of it, or the most that they have room for."""
    step, before = division(whole.section), dict(applied(whole))
    sign = 1 if off > ZERO else -1

    def tried(by: Length) -> tuple[Nudge, ...]:
        found = changes(whole, by, before)
        # What is kept is what the pleats change by, which must lead to the same pleats.
        changed = step * sum(one.divisions for one in found)
        found = changes(whole, changed, before) if changed else ()
        return found if found and _can_be(whole, changed) else ()

    best = tried(off)
    if best:
        return best
    # The most that there is room for lies between nothing and all of it.
    none, all_of_it = 0, int(abs(off) / step)
    while none < all_of_it:
        many = (none + all_of_it + 1) // 2
        found = tried(step * many * sign)
        if found:
            best, none = found, many
        else:
            all_of_it = many - 1
    return best


def _can_be(whole: Plan, by: Length) -> bool:
    """True where the pleats have room for the correction: what is offered can also be planned."""
    made = replace(whole, section=replace(whole.section, corrections=(*whole.section.corrections, by)))
    try:
        if made.section.taper is not None:
            tapered(made, made.section.tape)
        elif made.section.tape is None:
            corrected_row(made)
        else:
            corrected(made, marked_row(made, made.section.tape))
    except Refusal:
        return False
    return True


def _must_be_of_it(section: Edge, planned: Length, measure: Length, path: str) -> None:
    if measure <= ZERO:
        raise refuse(
            "not_positive",
            path,
            section.scribe.write(measure).text,
            "an edge is wider than nought",
            "measure it again, laid flat at the same tension",
        )
    if planned / 2 <= measure <= planned * 2:
        return
    other = UNITS["cm" if section.unit.binary else "in"]
    read_so = Length(measure.mm / section.unit.mm * other.mm)
    likely = planned * Fraction(4, 5) <= read_so <= planned * Fraction(6, 5)
    figure = section.scribe.write(measure).text.removesuffix(f" {section.unit.sign}")
    raise refuse(
        "not_of_this",
        path,
        section.scribe.write(measure).text,
        f"this edge was planned {section.scribe.write(planned).text} wide, and this is less than half or more than twice that",
        f"did you mean {figure} {other.sign}?" if likely else "measure the basted edge once more",
    )


def _says(section: Edge, whole: Plan | None, told: Verdict) -> list[str]:
    write = section.scribe.write
    # A pleat's own share is less than a tape shows: to a hundredth of a centimetre, or a sixty-fourth of an inch.
    finest = Scribe(section.unit, Length.inches(Fraction(1, 64)) if section.unit.binary else Length(Fraction(1, 10)))
    if not told.off:
        return ["It measures just what was planned."]
    side = "wide" if told.off > ZERO else "narrow"
    share = f", {finest.write(abs(told.per_pleat)).text} a pleat" if told.per_pleat else ""
    found = [f"It came out {write(abs(told.off)).text} too {side}{share}."]
    if told.spread:
        found.append(f"The measures differ among themselves by {write(told.spread).text}.")
    if told.within:
        return [*found, f"That is within tolerance ({write(told.tolerance).text}): leave it."]
    if whole is not None and told.changes:
        found += _mend_says(whole, told)
    elif whole is not None and can_change(whole.section):
        least = division(whole.section) * least_change(groups_of(whole))
        found.append(
            f"The least that such a row changes by is {write(least).text}, and that would leave it no nearer: leave it."
            if abs(told.off) * 2 <= least
            else "These pleats cannot be changed by that on the tape: open the row and plan it anew with the cloth as it is cut."
        )
    elif whole is not None and (not whole.section.kind.folded or whole.section.kind.upright):
        tighter = "tighter" if told.off > ZERO else "looser"
        found.append(
            f"Draw the threads {tighter} by {write(abs(told.off)).text}, evenly along the edge, and fasten them again."
        )
    else:
        found.append(
            "Share it over the pleats of its parts by hand, a division each, away from the centre and the closures."
        )
    return found


def _mend_says(whole: Plan, told: Verdict) -> list[str]:
    """Which pleats to move, by how much, and where the row then comes out."""
    section = whole.section
    write = section.scribe.write
    each = [
        f"{pleats} so that {'each' if pleats.startswith('pleats') else 'it'} takes {much} cloth"
        for pleats, much in changes_say(section, told.changes)
    ]
    along = [
        f"{pleats_say([pleat for pleat, by in told.moved if by == much])} {write(abs(much)).text} towards the {'end' if much > ZERO else 'start'}"
        for much in sorted({by for _, by in told.moved})
    ]
    rest = f"move {' and '.join(along)} along with them; " if along else ""
    found = [f"Move {', and '.join(each)}; {rest}the others stay as they are."]
    left = told.after - told.planned
    if not left:
        return [*found, "It then comes out as planned."]
    way = "wide" if left > ZERO else "narrow"
    nearest = abs(left) * 2 <= division(section) * least_change(groups_of(whole))
    why = (
        "which is the nearest that can be had"
        if nearest
        else "since these pleats have no room for more: open the row and plan it anew with the cloth as it is cut if that is too much"
    )
    return [*found, f"It then comes out {write(abs(left)).text} {way}, {why}."]


def usual_error(checks: Sequence[tuple[Length, int]]) -> tuple[Length, Length] | None:
    """(mean, spread) of the error per pleat over several checks of one cloth, each an error and a count of pleats.

    Above nought where it comes out wide.  None without a check of pleats.

    >>> usual_error([(Length(12), 24), (Length(6), 24)]) == (Length(3) / 8, Length(1) / 4)
    True
    """
    shares = [off / count for off, count in checks if count]
    return (sum(shares, ZERO) / len(shares), max(shares) - min(shares)) if shares else None
