"""An edge solved: its plan, its row on the tape, corrected, tapered, let into a pattern piece."""

from ribbon.edge.corrected import (
    applied,
    as_marked,
    changes,
    changes_say,
    corrected_row,
    moved_along,
    pleats_say,
    turn_in_all,
)
from ribbon.edge.edge import EdgePlan, Marked, PlannedStretch, TapedEdge, edge_of, edge_plan, taped_edge
from ribbon.edge.gathered import Gathered, Match, gathered
from ribbon.edge.inserted import Inserted, inserted
from ribbon.edge.plan import Plan, gathered_parts, plan
from ribbon.edge.sample import sample
from ribbon.edge.sharing import Nudge, can_change, division, groups_of, least_change, per_change
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
    "changes_say",
    "corrected_row",
    "division",
    "edge_of",
    "edge_plan",
    "gathered",
    "gathered_parts",
    "groups_of",
    "inserted",
    "least_change",
    "moved_along",
    "per_change",
    "plan",
    "pleats_say",
    "sample",
    "taped",
    "taped_edge",
    "tapered",
    "turn_in_all",
]
