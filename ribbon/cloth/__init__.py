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
    rooms_at_hand,
    totals,
)
from ribbon.cloth.drop import Drop, Lined, Lining, LiningCut, drop_on, lined, lining_taken, lining_ways, usual_lining
from ribbon.cloth.fronts import Fronts, fronts
from ribbon.cloth.joining import Lying, allowed_of, lying, with_fronts
from ribbon.cloth.layout import Layout, layout
from ribbon.cloth.piece import Laid, Piece
from ribbon.cloth.seen import Seen, on_front, on_spans
from ribbon.cloth.shares import drops
from ribbon.cloth.stripes import Apron, Stripe, StripeSpan, apron, coloured, lined_up, repeat_of, to_repeat, usual_hand
from ribbon.cloth.ways import Way, usual, ways
from ribbon.cloth.weight import load

__all__ = [
    "Apron",
    "Bolt",
    "Bought",
    "Drop",
    "Fronts",
    "Laid",
    "Layout",
    "Lined",
    "Lining",
    "LiningCut",
    "Lying",
    "Makes",
    "Notion",
    "Offer",
    "Piece",
    "Seen",
    "Stripe",
    "StripeSpan",
    "Way",
    "allowed_of",
    "apron",
    "buy",
    "coloured",
    "deepened",
    "drop_on",
    "drops",
    "fronts",
    "layout",
    "lined",
    "lined_up",
    "lining_taken",
    "lining_ways",
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
    "rooms_at_hand",
    "to_repeat",
    "totals",
    "usual",
    "usual_hand",
    "usual_lining",
    "ways",
    "whole_repeats",
    "widths_for",
    "with_fronts",
]
