"""Readings of a strip: each a function of the strip alone, none needing another's insides."""

from ribbon.readings.behind import behind
from ribbon.readings.front import Showing, back, front
from ribbon.readings.joins import Allowed, Join, Joined, Strategy, Width, joined, strategies
from ribbon.readings.layers import Thick, layers, thickest
from ribbon.readings.lies import Lies, lies
from ribbon.readings.lining import lining_marks
from ribbon.readings.marks import Mark, marks
from ribbon.readings.past import PastEnd, past_ends
from ribbon.readings.stack import Stack, stack

__all__ = [
    "Allowed",
    "Join",
    "Joined",
    "Lies",
    "Mark",
    "PastEnd",
    "Showing",
    "Stack",
    "Strategy",
    "Thick",
    "Width",
    "back",
    "behind",
    "front",
    "joined",
    "layers",
    "lies",
    "lining_marks",
    "marks",
    "past_ends",
    "stack",
    "strategies",
    "thickest",
]
