"""Facts: what a sewist pins of an edge, just as it is known."""

from ribbon.facts.edge import Edge, Stretch, beside
from ribbon.facts.kinds import KINDS, kind_with
from ribbon.facts.section import (
    Allowance,
    End,
    PatternPiece,
    Pin,
    Place,
    PlanCloth,
    Remainder,
    School,
    Section,
    Stops,
    Taper,
    allowances,
    in_inches,
    usual_seam,
    usual_tape,
)

__all__ = [
    "KINDS",
    "Allowance",
    "Edge",
    "End",
    "PatternPiece",
    "Pin",
    "Place",
    "PlanCloth",
    "Remainder",
    "School",
    "Section",
    "Stops",
    "Stretch",
    "Taper",
    "allowances",
    "beside",
    "in_inches",
    "kind_with",
    "usual_seam",
    "usual_tape",
]
