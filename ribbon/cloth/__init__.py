"""Cloth: what an edge is cut from, the pieces it is cut in, how they are laid out, what is bought, how its stripes run."""

from ribbon.cloth.at_hand import Makes, makes, makes_at_hand, repeats_at_hand, rooms_at_hand
from ribbon.cloth.bolt import Bolt, whole_repeats, widths_for
from ribbon.cloth.buying import Bought, buy
from ribbon.cloth.cutting import Cutting, Front, StripeSet
from ribbon.cloth.drop import Drop, Lined, Lining, LiningCut, drop_on, lined, lining_taken, lining_ways, usual_lining
from ribbon.cloth.edge_lying import fronts_of, lies_on_cloth, plan_lying, taken_once
from ribbon.cloth.fronts import Fronts, fronts
from ribbon.cloth.joining import Lying, allowed_of, lying, with_fronts
from ribbon.cloth.layout import Layout, layout, lowest
from ribbon.cloth.lining_joins import apart, lining_joins
from ribbon.cloth.notions import Notion, notions, totals
from ribbon.cloth.offcuts import Offcut, offcuts
from ribbon.cloth.piece import FACE, LINING, CutPiece, Drafted, FoldLine, Laid, SideTakes
from ribbon.cloth.pieces import LiningToCut, Pieces, edge_load, edge_pieces, lining_to_cut
from ribbon.cloth.plans import CutPlan, WorkPlans, work_plans
from ribbon.cloth.saving import Repeated, Saving, deepened, repeated, savings
from ribbon.cloth.seen import StripeLook, StripeSeen, beginning, looks, on_front, on_spans
from ribbon.cloth.shares import drops
from ribbon.cloth.sold import layout_scribe, long_scribe, money, much, off_bolt, sold_in, sold_says, usual_step, weighs
from ribbon.cloth.stripes import Apron, Stripe, StripeSpan, apron, coloured, lined_up, repeat_of, to_repeat, usual_hand
from ribbon.cloth.ways import Way, usual_way, ways
from ribbon.cloth.weight import load

__all__ = [
    "FACE",
    "LINING",
    "Apron",
    "Bolt",
    "Bought",
    "CutPiece",
    "CutPlan",
    "Cutting",
    "Drafted",
    "Drop",
    "FoldLine",
    "Front",
    "Fronts",
    "Laid",
    "Layout",
    "Lined",
    "Lining",
    "LiningCut",
    "LiningToCut",
    "Lying",
    "Makes",
    "Notion",
    "Offcut",
    "Pieces",
    "Repeated",
    "Saving",
    "SideTakes",
    "Stripe",
    "StripeLook",
    "StripeSeen",
    "StripeSet",
    "StripeSpan",
    "Way",
    "WorkPlans",
    "allowed_of",
    "apart",
    "apron",
    "beginning",
    "buy",
    "coloured",
    "deepened",
    "drop_on",
    "drops",
    "edge_load",
    "edge_pieces",
    "fronts",
    "fronts_of",
    "layout",
    "layout_scribe",
    "lies_on_cloth",
    "lined",
    "lined_up",
    "lining_joins",
    "lining_taken",
    "lining_to_cut",
    "lining_ways",
    "load",
    "long_scribe",
    "looks",
    "lowest",
    "lying",
    "makes",
    "makes_at_hand",
    "money",
    "much",
    "notions",
    "off_bolt",
    "offcuts",
    "on_front",
    "on_spans",
    "plan_lying",
    "repeat_of",
    "repeated",
    "repeats_at_hand",
    "rooms_at_hand",
    "savings",
    "sold_in",
    "sold_says",
    "taken_once",
    "to_repeat",
    "totals",
    "usual_hand",
    "usual_lining",
    "usual_step",
    "usual_way",
    "ways",
    "weighs",
    "whole_repeats",
    "widths_for",
    "with_fronts",
    "work_plans",
]
