"""A check on the wire: what was measured against what was planned."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field
from typing_extensions import TypedDict

from ribbon.errors import Problem, Refusal, refuse
from ribbon.lengths import UNITS, ZERO, Length, Unreadable, read_length
from ribbon.table.checking import Verdict, verdict
from server.plans.bounds import planned
from server.wire.read_edge import Given, read_section
from server.wire.section import SectionSpec
from server.wire.told import LengthOut, Writer
from server.wire.typed import Strict, Typed

Level = Literal["lower", "upper"]


class CheckIn(Strict):
    """A section and what was measured of it, at one place or several."""

    spec: SectionSpec
    measured: Annotated[list[Typed], Field(max_length=40)]
    level: Level = Field(default="lower", description="At which of two levels it was measured, where there are two.")


class NudgeOut(TypedDict):
    """A pleat and by how many divisions it takes more (below nought: less; nought: it moves along with others)."""

    pleat: int
    divisions: int


class CorrectionOut(TypedDict):
    """What is to be changed, as a correction of a section has it."""

    by: str
    way: Literal["in", "out"]


class CheckOut(TypedDict):
    """What a check found, and the correction that joins the section's if it is taken."""

    planned: LengthOut
    measured: LengthOut
    off: LengthOut
    per_pleat: LengthOut | None
    within: bool
    says: list[str]
    asks: Annotated[
        str, Field(description="Whether it was measured at the other level; empty where that is not likely.")
    ]
    changes: list[NudgeOut]
    correction: CorrectionOut | None
    after: LengthOut


def _measures(said: list[str], unit: str) -> list[Length]:
    """The measures as lengths, empty lines left out.  Raises `Refusal` with every one that cannot be read."""
    found: list[Length] = []
    problems: list[Problem] = []
    for index, text in enumerate(said):
        if not text.strip():
            continue
        try:
            found.append(read_length(text, UNITS[unit]))
        except Unreadable as error:
            problems.append(Problem("unreadable", f"measured.{index}", text, error.message, error.way_out))
    if problems:
        raise Refusal(problems)
    return found


def given_of(said: CheckIn) -> Given:
    """The section that was checked.  Raises `Refusal`, its paths below `spec`."""
    try:
        return read_section(said.spec)
    except Refusal as refusal:
        raise Refusal(problem.under("spec") for problem in refusal.problems) from None


def verdict_of(said: CheckIn, given: Given) -> Verdict:
    """What the check found.  Raises `Refusal`."""
    measures = _measures([str(text) for text in said.measured], said.spec.unit)
    if not measures:
        raise refuse(
            "no_measure", "measured.0", "", "there is nothing to check yet", "measure the basted edge, such as 70.4 cm"
        )
    return verdict(planned(given.edge, "A check"), measures, upper=said.level == "upper")


def check_of(said: CheckIn) -> CheckOut:
    """The verdict on the wire.  Raises `Refusal`."""
    given = given_of(said)
    return told_verdict(given, verdict_of(said, given))


def told_verdict(given: Given, found: Verdict) -> CheckOut:
    """A verdict on the wire."""
    writer = Writer(given.edge)
    changed = {pleat: 0 for pleat, _ in found.moved} | dict(found.changes)
    correction: CorrectionOut | None = None
    if found.correction:
        # Written exactly: what is taken up is read again, and must be the same.
        correction = {"by": writer.typed(abs(found.correction)), "way": "in" if found.correction > ZERO else "out"}
    return {
        "planned": writer.size(found.planned),
        "measured": writer.size(found.measured),
        "off": writer.size(found.off),
        "per_pleat": writer.size_or_none(found.per_pleat),
        "within": found.within,
        "says": list(found.says),
        "asks": found.asks,
        "changes": [{"pleat": pleat, "divisions": by} for pleat, by in sorted(changed.items())],
        "correction": correction,
        "after": writer.size(found.after),
    }
