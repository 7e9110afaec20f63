"""Cloth: what a strip is cut from, how it is laid out, what is bought, how its stripes run."""

from ribbon.cloth.bolt import Bolt, whole_repeats, widths_for
from ribbon.cloth.buying import (
    Bought,
    Makes,
    Notion,
    Offer,
    buy,
    deepened,
    makes,
    makes_at_hand,
    notions,
    offers,
    repeats_at_hand,
)
from ribbon.cloth.drop import Drop, Lined, Lining, drop_on, lined, lining_cut
from ribbon.cloth.joining import Lying, lying
from ribbon.cloth.layout import Layout, layout
from ribbon.cloth.piece import Laid, Piece
from ribbon.cloth.seen import Seen, on_front, on_spans
from ribbon.cloth.stripes import HAND, Band, Stripe, apron, coloured, lined_up, repeat_of, to_repeat
from ribbon.cloth.ways import Way, best, ways
from ribbon.cloth.weight import load

__all__ = [
    "HAND",
    "Band",
    "Bolt",
    "Bought",
    "Drop",
    "Laid",
    "Layout",
    "Lined",
    "Lining",
    "Lying",
    "Makes",
    "Notion",
    "Offer",
    "Piece",
    "Seen",
    "Stripe",
    "Way",
    "apron",
    "best",
    "buy",
    "coloured",
    "deepened",
    "drop_on",
    "layout",
    "lined",
    "lined_up",
    "lining_cut",
    "load",
    "lying",
    "makes",
    "makes_at_hand",
    "notions",
    "offers",
    "on_front",
    "on_spans",
    "repeat_of",
    "repeats_at_hand",
    "to_repeat",
    "ways",
    "whole_repeats",
    "widths_for",
]
