"""Readings of a strip: each a function of the strip alone, none needing another's insides."""

from ribbon.readings.behind import behind
from ribbon.readings.front import Showing, back, front, on_span
from ribbon.readings.hidden import Hidden, hidden
from ribbon.readings.joins import Joined, Strategy, Width, fewest_hidden, joined, strategies
from ribbon.readings.layers import Thick, layers, thickest
from ribbon.readings.lies import Lies, lies
from ribbon.readings.lining import lining_marks
from ribbon.readings.marks import Mark, marks
from ribbon.readings.past import PastEnd, past_ends
from ribbon.readings.places import Allowed, Join
from ribbon.readings.spread import FlatLine, Spread, spread
from ribbon.readings.stack import Stack, stack

__all__ = [
    "Allowed",
    "FlatLine",
    "Hidden",
    "Join",
    "Joined",
    "Lies",
    "Mark",
    "PastEnd",
    "Showing",
    "Spread",
    "Stack",
    "Strategy",
    "Thick",
    "Width",
    "back",
    "behind",
    "fewest_hidden",
    "front",
    "hidden",
    "joined",
    "layers",
    "lies",
    "lining_marks",
    "marks",
    "on_span",
    "past_ends",
    "spread",
    "stack",
    "strategies",
    "thickest",
]
