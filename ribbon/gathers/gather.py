"""Gathers: no folds, a ratio, and match points that pair off the two edges (work, section 10)."""

from __future__ import annotations

from fractions import Fraction

from ribbon.lengths import Length
from ribbon.pleats import Default, Kind, Laying, Quantity, Standing
from ribbon.strip import LineKind, Role, Strip, StripBuilder

Q = Quantity

LONGEST_PART = Length.cm(25)


def _lay(strip: Laying, pleat: Standing) -> None:
    raise AssertionError("gathers have no pleats to lay")


GATHER = Kind(
    name="gather",
    title="gathers",
    quantities=frozenset({Q.FINISHED, Q.FLAT, Q.FULLNESS}),
    relations=(),
    lay=_lay,
    defaults=(Default(Q.FULLNESS, Fraction(2), Fraction(2), "twice is usual for a light cloth; a swatch decides"),),
    folded=False,
)


def halvings(finished: Length, longest: Length = LONGEST_PART) -> int:
    """How many equal parts to mark both edges in: 1, 2, 4, 8 … until each is at most `longest` (work, section 10)."""
    parts = 1
    while finished / parts > longest:
        parts *= 2
    return parts


def gathered_strip(lead: Length, drawn: Length, flat: Length, tail: Length) -> Strip:
    """The strip of a gathered edge: plain `lead`, `flat` of cloth drawn up to `drawn`, plain `tail`.

    Match points stand at every halving; the first and last are where the gathers begin and end.
    """
    builder = StripBuilder().cloth(lead, Role.PLAIN)
    parts = halvings(drawn)
    builder.line(LineKind.MATCH, 1)
    for part in range(parts):
        builder.cloth(flat / parts, Role.GATHERED, drawn / flat).line(LineKind.MATCH, part + 2)
    return builder.cloth(tail, Role.PLAIN).strip()
