"""An edge solved: its plan, its row on the tape, corrected, tapered, let into a pattern piece."""

from ribbon.edge.corrected import (
    Nudge,
    applied,
    as_marked,
    can_change,
    changes,
    corrected_row,
    division,
    much_says,
    per_change,
    pleats_say,
    turned,
)
from ribbon.edge.edge import EdgePlan, Marked, PlannedStretch, TapedEdge, edge_of, edge_plan, taped_edge
from ribbon.edge.gathered import Gathered, Match, gathered
from ribbon.edge.inserted import Inserted, inserted
from ribbon.edge.plan import Plan, gathered_parts, plan
from ribbon.edge.sample import sample
from ribbon.edge.taped import Taped, taped
from ribbon.edge.tapered import Tapered, tapered

__all__ = [
    "EdgePlan",
    "Gathered",
    "Inserted",
    "Marked",
    "Match",
    "Nudge",
    "Plan",
    "PlannedStretch",
    "Taped",
    "TapedEdge",
    "Tapered",
    "applied",
    "as_marked",
    "can_change",
    "changes",
    "corrected_row",
    "division",
    "edge_of",
    "edge_plan",
    "gathered",
    "gathered_parts",
    "inserted",
    "much_says",
    "per_change",
    "plan",
    "pleats_say",
    "sample",
    "taped",
    "taped_edge",
    "tapered",
    "turned",
]
