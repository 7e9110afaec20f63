"""Pins: solving a section from whatever is known of it (work, sections 3 to 5)."""

from ribbon.pins.choices import Choice, choices
from ribbon.pins.hand import dragged, nudged
from ribbon.pins.plan import Plan, plan, strip
from ribbon.pins.section import Allowance, Cloth, End, Pin, Remainder, School, Section
from ribbon.pins.solution import Assumed, Gave, Step
from ribbon.pins.taped import Taped, taped

__all__ = [
    "Allowance",
    "Assumed",
    "Choice",
    "Cloth",
    "End",
    "Gave",
    "Pin",
    "Plan",
    "Remainder",
    "School",
    "Section",
    "Step",
    "Taped",
    "choices",
    "dragged",
    "nudged",
    "plan",
    "strip",
    "taped",
]
