"""Check and correct: what was measured against what was planned, and the mend on the tape."""

from __future__ import annotations

from collections import Counter
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
    corrected_row,
    division,
    much_says,
    per_change,
    pleats_say,
    taped,
    tapered,
)
from ribbon.errors import Refusal, refuse
from ribbon.facts import Edge
from ribbon.fraction import Fraction
from ribbon.lengths import UNITS, ZERO, Length, Scribe

TOLERANCE = Fraction(1, 200)


class Verdict(NamedTuple):
    """What a check found.

    `measured` is the mean of the measures and `spread` the widest less the narrowest; `off` is measured less planned,
    `per_pleat` its share of one pleat (None without pleats), `within` whether it is to be left, `changes` what mends it,
    `correction` what joins the section's corrections if it is taken, `after` where the row then comes out.  `asks` whether
    it was measured at the other of two levels, where it is nearer to that.
    """

    planned: Length
    measured: Length
    spread: Length
    off: Length
    per_pleat: Length | None
    tolerance: Length
    within: bool
    changes: tuple[Nudge, ...]
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
    levels = (edge.finished,) if above is None else (edge.finished, above.finished)
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
    found: tuple[Nudge, ...] = ()
    correction, after = ZERO, measured
    if whole is not None and not within:
        before = Counter({one.pleat: one.divisions for one in applied(whole)})
        found = changes(whole, off, before)
        if found and _can_be(whole, off):
            correction = off
            after = measured - step * sum(one.divisions for one in found)
        else:
            found = ()
    share = off / count if count else None
    told = Verdict(planned, measured, spread, off, share, allowed, within, found, correction, after, ())
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


def _can_be(whole: Plan, off: Length) -> bool:
    """True where the pleats have room for the correction: what is offered can also be planned."""
    made = replace(whole, section=replace(whole.section, corrections=(*whole.section.corrections, off)))
    try:
        corrected_row(made)
        tapered(made, made.section.tape)
        if made.section.tape is not None:
            taped(made, made.section.tape)
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
        way = "more" if told.off > ZERO else "less"
        much = much_says(whole.section, told.changes)
        each = "it takes" if len(told.changes) == 1 else "each takes"
        found.append(
            f"Move {pleats_say([one.pleat for one in told.changes])} so that {each} {much} {way} cloth; the others stay as they are."
        )
        left = told.after - told.planned
        if not left:
            found.append("It then comes out as planned.")
        else:
            way_left = "wide" if left > ZERO else "narrow"
            found.append(f"It then comes out {write(abs(left)).text} {way_left}, which is less than one more change.")
    elif whole is not None and can_change(whole.section):
        found.append(
            "That is more than these pleats can be changed by on the tape: open the row and plan it anew with the cloth as it is cut."
            if abs(told.off) >= division(whole.section) * per_change(whole.section)
            else f"A pleat of these changes by {write(division(whole.section) * per_change(whole.section)).text} at the least: leave it."
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


def usual_error(checks: Sequence[tuple[Length, int]]) -> tuple[Length, Length] | None:
    """(mean, spread) of the error per pleat over several checks of one cloth, each an error and a count of pleats.

    Above nought where it comes out wide.  None without a check of pleats.

    >>> usual_error([(Length(12), 24), (Length(6), 24)]) == (Length(3) / 8, Length(1) / 4)
    True
    """
    shares = [off / count for off, count in checks if count]
    return (sum(shares, ZERO) / len(shares), max(shares) - min(shares)) if shares else None
