"""Making: from a window, a body or a piece of furniture to edges and pieces.

A thing is a pure maker in two strokes: the facts of its edges from its measures and choices; then, from those edges
solved, its parts, pieces, notions, checks, order of making and picture.  One thing a file, listed in `THINGS`.
"""

from ribbon.making.asked import Default, Field, Given, Sort, Value, says_value
from ribbon.making.picture import Label, Picture, Shape, Tape, View
from ribbon.making.thing import (
    Begun,
    Check,
    Compared,
    EdgeFact,
    EdgeFacts,
    Lack,
    Made,
    Making,
    Mind,
    Part,
    Priced,
    Result,
    Row,
    Solved,
    Thing,
    Tie,
    pleats_say,
)
from ribbon.making.things import THINGS

__all__ = [
    "THINGS",
    "Begun",
    "Check",
    "Compared",
    "Default",
    "EdgeFact",
    "EdgeFacts",
    "Field",
    "Given",
    "Label",
    "Lack",
    "Made",
    "Making",
    "Mind",
    "Part",
    "Picture",
    "Priced",
    "Result",
    "Row",
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
