"""Pins: solving a section from whatever is known of it."""

from ribbon.pins.choices import Choice, choices
from ribbon.pins.corrected import (
    Change,
    applied,
    can_change,
    changes,
    corrected_row,
    division,
    much_says,
    per_change,
    pleats_say,
    turned,
)
from ribbon.pins.draped import Draped, Evened, Keep, evened, pins_for
from ribbon.pins.hand import dragged, nudged
from ribbon.pins.inserted import Inserted, inserted
from ribbon.pins.meanings import Meaning, meanings
from ribbon.pins.mixed import Band, Mixed, Part, laid, mixed, taped_mixed
from ribbon.pins.picked import picked
from ribbon.pins.plan import Plan, gathered_parts, plan, strip
from ribbon.pins.section import (
    Allowance,
    Cloth,
    End,
    PatternPiece,
    Pin,
    Place,
    Remainder,
    School,
    Section,
    Stops,
    Taper,
    allowances,
    usual_seam,
)
from ribbon.pins.solution import Assumed, Gave, Step
from ribbon.pins.taped import Taped, taped
from ribbon.pins.tapered import Tapered, tapered

__all__ = [
    "Allowance",
    "Assumed",
    "Band",
    "Change",
    "Choice",
    "Cloth",
    "Draped",
    "End",
    "Evened",
    "Gave",
    "Inserted",
    "Keep",
    "Meaning",
    "Mixed",
    "Part",
    "PatternPiece",
    "Pin",
    "Place",
    "Plan",
    "Remainder",
    "School",
    "Section",
    "Step",
    "Stops",
    "Taped",
    "Taper",
    "Tapered",
    "allowances",
    "applied",
    "can_change",
    "changes",
    "choices",
    "corrected_row",
    "division",
    "dragged",
    "evened",
    "gathered_parts",
    "inserted",
    "laid",
    "meanings",
    "mixed",
    "much_says",
    "nudged",
    "per_change",
    "picked",
    "pins_for",
    "plan",
    "pleats_say",
    "strip",
    "taped",
    "taped_mixed",
    "tapered",
    "turned",
    "usual_seam",
]
