"""Offers: neighbouring counts, meanings of a size, evened pleats, mends: what an edge could be instead, each a `Change`."""

from ribbon.offers.change import Change, Fact, LooseFact
from ribbon.offers.choices import Choice, choices
from ribbon.offers.draped import Draped, Evened, Keep, evened, evened_change, pins_for
from ribbon.offers.hand import dragged, nudged
from ribbon.offers.meanings import Meaning, meanings
from ribbon.offers.picked import picked, picked_section

__all__ = [
    "Change",
    "Choice",
    "Draped",
    "Evened",
    "Fact",
    "Keep",
    "LooseFact",
    "Meaning",
    "choices",
    "dragged",
    "evened",
    "evened_change",
    "meanings",
    "nudged",
    "picked",
    "picked_section",
    "pins_for",
]
