"""A check on the wire: what was measured against what was planned."""

from __future__ import annotations

from typing import Annotated, Any

from ninja import Schema
from pydantic import Field

from ribbon.checking import Verdict, verdict
from ribbon.errors import Problem, Refusal, refuse
from ribbon.lengths import UNITS, ZERO, Length, Unreadable, read_length
from server.plans.bounds import bounded
from server.plans.drawn import Writer
from server.plans.out import LengthOut
from server.plans.schema import CorrectionSpec, SectionIn
from server.plans.typed import Strict, Typed


class CheckIn(Strict):
    """A section and what was measured of it, at one place or several."""

    spec: SectionIn
    measured: Annotated[list[Typed], Field(max_length=40)]


class ChangeOut(Schema):
    """A pleat and by how many divisions it takes more (below nought: less)."""

    pleat: int
    divisions: int


class CheckOut(Schema):
    """What a check found, and the correction that joins the section's if it is taken."""

    planned: LengthOut
    measured: LengthOut
    off: LengthOut
    per_pleat: LengthOut | None
    within: bool
    says: list[str]
    changes: list[ChangeOut]
    correction: CorrectionSpec | None
    after: LengthOut


def measures_of(said: list[str], spec: SectionIn) -> list[Length]:
    """The measures as lengths, empty lines left out.  Raises `Refusal` with every one that cannot be read."""
    found: list[Length] = []
    problems: list[Problem] = []
    for index, text in enumerate(said):
        if not text.strip():
            continue
        try:
            found.append(read_length(text, UNITS[spec.unit]))
        except Unreadable as error:
            problems.append(Problem("unreadable", f"measured.{index}", text, error.message, error.way_out))
    if problems:
        raise Refusal(problems)
    return found


def verdict_of(said: CheckIn) -> Verdict:
    """What the check found.  Raises `Refusal`."""
    measures = measures_of([str(text) for text in said.measured], said.spec)
    if not measures:
        raise refuse(
            "no_measure", "measured.0", "", "there is nothing to check yet", "measure the basted edge, such as 70.4 cm"
        )
    bounded(said.spec.section, "A check")
    return verdict(said.spec.section, measures)


def check_of(said: CheckIn) -> dict[str, Any]:
    """The verdict on the wire.  Raises `Refusal`."""
    return told_verdict(said, verdict_of(said))


def told_verdict(said: CheckIn, found: Verdict) -> dict[str, Any]:
    """A verdict on the wire."""
    writer = Writer(said.spec.section)
    correction = None
    if found.correction:
        # Written exactly: what is taken up is read again, and must be the same.
        correction = {"by": writer.typed(abs(found.correction)), "way": "in" if found.correction > ZERO else "out"}
    return {
        "planned": writer.size(found.planned),
        "measured": writer.size(found.measured),
        "off": writer.size(found.off),
        "per_pleat": writer.size(found.per_pleat),
        "within": found.within,
        "says": list(found.says),
        "changes": [one._asdict() for one in found.changes],
        "correction": correction,
        "after": writer.size(found.after),
    }
