"""What a wrap with plain front pieces asks: the body in two halves, its plaid, its folds, what gives where the cloth is short."""

from __future__ import annotations

from collections.abc import Callable

from ribbon.cloth import Bolt
from ribbon.cloth.stripes import usual_hand
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length
from ribbon.making import curtain_fields
from ribbon.making.asked import Assumption, Field, Given, Sort

_cm = Assumption.cm
_OF_CURTAIN = {one.name: one for one in curtain_fields.FIELDS}


def striped(given: Given) -> bool:
    """Whether its cloth has a sequence of stripes."""
    cloth: Bolt | None = given.cloths.get("face")
    return cloth is not None and bool(cloth.stripes)


def from_what_is_there(given: Given) -> bool:
    """Whether it is made of cloth that is there, and no more of it."""
    cloth: Bolt | None = given.cloths.get("face")
    return cloth is not None and cloth.at_hand is not None


def _chosen(name: str, *which: str) -> Callable[[Given], bool]:
    return lambda given: given.word(name) in which


def _hemmed(given: Given) -> bool:
    return given.word("hem") != "selvedge"


_HAND = Assumption(usual_hand(imperial=False), "a hand: it stays closed when one walks", usual_hand(imperial=True))

FIELDS: tuple[Field, ...] = (
    Field("waist", "Waist", "Round the waist where it will sit, the tape snug and level.", measure=True, first=True, usual=(Length.cm(40), Length.cm(200))),
    Field("hip", "Hip", "Round the fullest part below the waist, the tape level.", measure=True, first=True, usual=(Length.cm(50), Length.cm(220))),
    Field("length", "Length", "From the waist straight down to where it ends.", measure=True, first=True, usual=(Length.cm(10), Length.cm(140))),
    Field("hip_level", "Hip below the waist", "From the waist straight down to the fullest part.", measure=True, usual=(Length.cm(8), Length.cm(35)), group="The body", default=_cm(20, 8, "most hips lie a hand and a half below the waist")),
    Field("front_waist", "Waist in front", "Across the front from side to side, at the waist; half of the whole where it is not measured.", measure=True, group="The body"),
    Field("front_hip", "Hip in front", "Across the front from side to side, at the hip: so wide is each front piece; half of the whole where it is not measured.", measure=True, group="The body"),
    Field("ease", "Ease", "How much looser than the waist it is.", way=True, group="The body", default=_cm(2, 1, "so that one can sit and breathe")),
    Field("hip_ease", "Ease at the hip", "How much looser than the hip it has to be there.", group="The body", default=_cm(4, Fraction(3, 2), "enough to sit down")),
    Field("edge_at", "Its edge lies", "At which hand of the wearer the outer front piece ends.", Sort.WORD, line=True, first=True, options=(("right", "at the wearer’s right"), ("left", "at the wearer’s left")), default=Assumption("right", "it closes over to the right")),
    Field("size", "Pleats about", "From one pleat to the next at the hip, as they are seen.", first=True, default=_cm(Fraction(5, 2), 1, "2 to 3 cm, about an inch, is usual")),
    Field("centre", "Centre stripe", "Which stripe of the sequence stands in the middle of the outer front piece, by its number: the ways stand beside each other.", Sort.COUNT, first=True, default=Assumption(1, "the first of the sequence"), asked=striped),
    Field("to", "Pleated", "To the repeat: every pleat shows the same part of it, as it comes. To a stripe: the first fold takes so much more that each pleat shows that stripe in its middle.", Sort.WORD, line=True, group="Pleats", options=(("repeat", "to the repeat"), ("stripe", "to a stripe")), default=Assumption("repeat", "the first fold stays shallow"), asked=striped),
    Field("shown", "Each pleat shows", "The stripe in the middle of every pleat, by its number.", Sort.COUNT, group="Pleats", default=Assumption(1, "the first of the sequence"), asked=lambda given: striped(given) and given.word("to") == "stripe"),
    Field("repeats", "Repeats to a pleat", "How many repeats each pleat takes with its folds; as few as make it at least half as deep as it is wide, where nothing is said.", Sort.COUNT, group="Pleats", asked=striped),
    Field("facing", "They face", "Which way the folds point, as one looks at the right side.", Sort.WORD, group="Pleats", options=(("right", "to the right"), ("left", "to the left")), default=Assumption("right", "as most are pressed")),
    Field("fold", "Outer deep fold", "How deep the fold inside the edge of the outer front piece is at the least.", group="Front pieces", default=_HAND),
    Field("fold_inner", "Inner deep fold", "How deep that of the inner front piece is, before what its strap takes.", group="Front pieces", default=_HAND),
    Field("strap", "The strap takes", "How much deeper the inner fold is for the strap that is sewn there.", group="Front pieces", default=_cm(3, 1, "the strap’s end is sewn between")),
    Field("straps", "Straps", "How many straps and buckles close it.", Sort.COUNT, group="Front pieces", default=Assumption(2, "one each side at the waist"), may_be_none=True),
    Field("begins", "The cloth begins", "How far into its sequence the cloth begins where the outer front piece is cut.", group="The cloth", default=Assumption(ZERO, "at the beginning of the sequence"), asked=striped),
    Field("lies", "It is cut", "How the strip lies on its cloth.", Sort.WORD, line=True, group="The cloth", options=(("lengthways", "in strips along the cloth"), ("railroaded", "in one length"), ("across", "in widths across the cloth")), default=Assumption("lengthways", "one join, hidden, and half the length")),
    Field("short", "Where cloth is short", "What gives first; each way stands beside what it comes to.", Sort.WORD, group="The cloth", options=(("inner", "the inner fold"), ("fewer", "a pleat or more"), ("centre", "the stripe at the centre"), ("join", "nothing: more cloth, one more join")), default=Assumption("inner", "it is seen least; the outer one keeps its depth"), asked=from_what_is_there),
    Field("why", "Because", "Why it was decided so: kept with the work.", Sort.TEXT, group="The cloth"),
    Field("agreed", "Agreed with", "With whom that was agreed.", Sort.TEXT, group="The cloth"),
    Field("top", "At the top", "A band all round the waist, front pieces included, or nothing of its own.", Sort.WORD, group="Band and hem", options=(("band", "a band"), ("none", "no band")), default=Assumption("band", "it carries the weight of the pleats")),
    Field("band_depth", "Band’s depth", "How deep the band is seen.", group="Band and hem", default=_cm(4, Fraction(3, 2), "holds without rolling"), asked=_chosen("top", "band")),
    Field("hem", "Hem", "The selvedge as it is woven, or turned up.", Sort.WORD, group="Band and hem", options=(("selvedge", "the selvedge"), *_OF_CURTAIN["hem"].options), default=Assumption("selvedge", "a heavy plaid is woven with a good one")),
    Field("hem_depth", "Hem’s depth", "How deep the hem is seen.", group="Band and hem", default=_cm(3, Fraction(5, 4), "weight enough to hang straight"), asked=_hemmed),
    Field("hem_turning", "Hem’s turning", "The small turning inside the hem.", group="Band and hem", default=_cm(1, Fraction(1, 2), "enough to catch"), asked=_chosen("hem", "turned")),
    Field("pleated_waist", "Its edge measures", "The pleated edge laid flat at the waist, from edge to edge, before the band: the band is cut from it.", measure=True, group="Measured on the way", on_the_way=True),
    Field("shop", "A shop asked", "What a shop asked for the same.", Sort.PRICE, group="Cost"),
)  # fmt: skip
"""Each measure has its tape on the picture; each stripe is tried as centre beside the others."""
