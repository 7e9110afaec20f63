"""Making: from a window, a body or a piece of furniture to edges and pieces.

A thing is a pure maker in two strokes: the facts of its edges from its measures and choices; then, from those edges
solved, its parts, pieces, notions, checks, order of making and picture.  One thing a file, listed in `THINGS`.
"""

from ribbon.making.asked import Assumption, Field, Given, Sort, Value, says_value
from ribbon.making.picture import Caption, Picture, Shape, Tape, View
from ribbon.making.thing import (
    Alternative,
    Check,
    Compared,
    EdgeFact,
    EdgeFacts,
    FirstStroke,
    Lack,
    Made,
    Making,
    Mind,
    Part,
    Priced,
    Result,
    Solved,
    Thing,
    Tie,
    pleats_say,
)
from ribbon.making.things import THINGS

__all__ = [
    "THINGS",
    "Alternative",
    "Assumption",
    "Caption",
    "Check",
    "Compared",
    "EdgeFact",
    "EdgeFacts",
    "Field",
    "FirstStroke",
    "Given",
    "Lack",
    "Made",
    "Making",
    "Mind",
    "Part",
    "Picture",
    "Priced",
    "Result",
    "Shape",
    "Solved",
    "Sort",
    "Tape",
    "Thing",
    "Tie",
    "Value",
    "View",
    "pleats_say",
    "says_value",
]
