"""What a block with pleats let in asks: the body or an outline typed, where its pleats stand, how they are stitched down."""

from __future__ import annotations

from collections.abc import Callable

from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length
from ribbon.making import curtain_fields
from ribbon.making.asked import Assumption, Field, Given, Sort

_cm = Assumption.cm
_OF_CURTAIN = {one.name: one for one in curtain_fields.FIELDS}
MOST_PLEATS = 30
"""How many pleats stand at one side of the middle at the most."""


def _chosen(name: str, *which: str) -> Callable[[Given], bool]:
    return lambda given: given.word(name) in which


def typed_out(given: Given) -> bool:
    """Whether its block is typed point by point."""
    return given.word("drawn") == "typed"


def at_waist_only(given: Given) -> bool:
    """Whether its pleats are small ones, stitched at the waist."""
    return given.word("style") == "waist"


def bodied(given: Given) -> bool:
    """Whether the block goes up to the bust."""
    return at_waist_only(given) and given.word("from") == "bust"


def _measured(given: Given) -> bool:
    return not typed_out(given)


def _let_in(given: Given) -> bool:
    return not at_waist_only(given)


KINDS = (("inverted", "inverted pleats"), ("box", "box pleats"), ("knife", "knife pleats"))

FIELDS: tuple[Field, ...] = (
    Field("waist", "Waist", "Round the waist, the tape snug and level.", measure=True, first=True, several=True, usual=(Length.cm(40), Length.cm(200))),
    Field("hip", "Hip", "Round the fullest part below the waist, the tape level.", measure=True, first=True, usual=(Length.cm(50), Length.cm(220)), asked=_measured),
    Field("length", "Length", "From the waist straight down to where it ends.", measure=True, first=True, usual=(Length.cm(10), Length.cm(150)), asked=_measured),
    Field("hip_level", "Hip below the waist", "From the waist straight down to the fullest part.", measure=True, usual=(Length.cm(8), Length.cm(35)), group="The body", default=_cm(20, 8, "most hips lie a hand and a half below the waist"), asked=_measured),
    Field("bust", "Bust", "Round the fullest part above the waist, the tape level.", measure=True, usual=(Length.cm(50), Length.cm(200)), group="The body", asked=bodied),
    Field("bust_level", "Bust above the waist", "From the waist straight up to the fullest part.", measure=True, usual=(Length.cm(10), Length.cm(35)), group="The body", default=_cm(18, 7, "as most are built"), asked=bodied),
    Field("style", "Pleats", "Let in from top to hem along lines through the block, or small ones stitched at the waist only.", Sort.WORD, line=True, first=True, options=(("let_in", "let in from top to hem"), ("waist", "small, stitched at the waist")), default=Assumption("let_in", "the block is cut along lines and spread")),
    Field("heading", "As", "What is let in.", Sort.WORD, line=True, first=True, options=KINDS, default=Assumption("inverted", "they lie closed until one walks"), asked=_let_in),
    Field("from", "Block from", "From the waist down, or from the bust: above that the pattern is your own.", Sort.WORD, line=True, options=(("waist", "the waist down"), ("bust", "the bust down")), default=Assumption("waist", "a skirt"), asked=at_waist_only),
    Field("where", "They stand", "In front, behind, or both; a part without any is drafted plain.", Sort.WORD, line=True, options=(("both", "in front and behind"), ("front", "in front"), ("back", "behind")), default=Assumption("both", "front and back alike")),
    Field("drawn", "The block is", "Drafted from the measures, or an outline that is there already, its corners typed.", Sort.WORD, line=True, options=(("measures", "drafted from measures"), ("typed", "typed, corner by corner")), default=Assumption("measures", "waist, hip and length are enough"), asked=_let_in),
    Field("outline", "Its corners", "Half of the piece from the foot of its middle round to the top of its middle: across and up, a semicolon between corners, as in 0 0; 25 0; 24 40; 18 60; 0 59.", Sort.TEXT, group="The block", asked=typed_out, corners=True),
    Field("centre", "In the middle", "Whether a pleat stands in the middle of each piece, half of it on the fold.", Sort.WORD, first=True, group="Pleats", options=(("pleat", "one on the fold"), ("none", "none")), default=Assumption("pleat", "halved on the fold"), asked=lambda given: _let_in(given) and given.word("heading") != "knife"),
    Field("pleats", "At each side", "How many stand at each side of the middle, not counting one on it.", Sort.COUNT, first=True, default=Assumption(1, "one on each side"), may_be_none=True),
    Field("first", "First at", "How far from the middle the first line lies, on the block as it is worn.", first=True, default=_cm(8, 3, "over the dart")),
    Field("pitch", "Lines apart", "From one line to the next on the block; of small ones from one mark to the next on the cloth.", group="Pleats", default=_cm(5, 2, "room to fold between")),
    Field("deep", "Deep", "How deep each goes behind its face.", group="Pleats", default=_cm(4, Fraction(3, 2), "opens to a stride"), asked=_let_in),
    Field("take", "Each takes", "How much cloth each small pleat takes where it is stitched: twice its depth.", group="Pleats", default=_cm(2, Fraction(3, 4), "a finger wide, folded"), asked=at_waist_only),
    Field("more_hem", "More at the hem", "How much more each is spread at the hem than above, so that it flares.", group="Pleats", default=Assumption(ZERO, "its edges run parallel"), asked=_let_in),
    Field("facing", "They face", "Which way the folds point.", Sort.WORD, group="Pleats", options=(("right", "to the sides"), ("left", "to the middle")), default=Assumption("right", "they spread away from the middle"), asked=lambda given: at_waist_only(given) or given.word("heading") == "knife"),
    Field("stitched", "Stitched down for", "From the waist down along each; nought where they fall free.", group="Stitching", default=Assumption(Length.cm(8), "flat over the belly", Length.inches(3))),
    Field("stitched_up", "Stitched up for", "From the waist up along each.", group="Stitching", default=_cm(5, 2, "as far as the ribs"), asked=bodied),
    Field("along", "Stitched along", "The placement line, or the crease, so far from it.", Sort.WORD, group="Stitching", options=(("placement", "the placement line"), ("crease", "the crease"), ("across", "both sides and across")), default=Assumption("placement", "from the wrong side, nothing shows")),
    Field("crease", "From the crease", "How far from the crease the stitching runs.", group="Stitching", default=_cm(Fraction(1, 2), Fraction(1, 4), "it shows as an edge"), asked=_chosen("along", "crease")),
    Field("darts", "Darts", "How many darts each quarter has; one on a line is swallowed by its pleat.", Sort.COUNT, group="The block", default=Assumption(1, "one a quarter"), may_be_none=True, asked=_measured),
    Field("dart_at", "First dart at", "How far from the middle the first dart lies at the waist; on the first line where nothing is said.", group="The block", asked=_measured),
    Field("dart_wide", "Each dart takes", "How wide each dart is at the waist; half of what hip and waist differ, shared, where nothing is said.", group="The block", asked=_measured),
    Field("dart_long", "Darts long", "How long each dart is.", group="The block", default=_cm(10, 4, "ends above the fullest part"), asked=_measured),
    Field("flare", "Flare", "How far each side goes out at the hem beyond the hip.", group="The block", default=Assumption(ZERO, "straight from the hip"), asked=_measured),
    Field("rise", "Sides rise by", "How much higher the top edge is at the side than in the middle.", group="The block", default=_cm(1, Fraction(3, 8), "the hip lifts it there"), asked=_measured),
    Field("ease", "Ease", "How much looser than the waist it is.", way=True, group="The body", default=_cm(2, 1, "so that one can sit and breathe"), asked=_measured),
    Field("hip_ease", "Ease at the hip", "How much looser than the hip it has to be there.", group="The body", default=_cm(4, Fraction(3, 2), "enough to sit down"), asked=_measured),
    Field("bust_ease", "Ease at the bust", "How much looser than the bust it is.", group="The body", default=_cm(6, Fraction(5, 2), "enough to breathe"), asked=bodied),
    Field("add_bust", "Wider at the bust", "How much each quarter is widened there for its pleats.", group="Widened", asked=bodied),
    Field("add_waist", "Wider at the waist", "How much each quarter is widened at the waist for its pleats; what they take, where nothing is said.", group="Widened", asked=at_waist_only),
    Field("add_hip", "Wider at the hip", "How much each quarter is widened at the hip.", group="Widened", default=Assumption(ZERO, "they run out above it"), asked=at_waist_only),
    Field("add_hem", "Wider at the hem", "How much each quarter is widened at the hem.", group="Widened", default=Assumption(ZERO, "as it was"), asked=at_waist_only),
    Field("opening", "It opens", "Where it is put on.", Sort.WORD, line=True, group="Opening and hem", options=(("side", "with a zip at the side"), ("back", "with a zip in the back seam")), default=Assumption("side", "front and back lie on the fold")),
    Field("opens", "Open for", "How long the opening is, from the waist down.", group="Opening and hem", default=_cm(20, 8, "the hip passes through it")),
    Field("hem", "Hem", "How the hem is turned up.", Sort.WORD, way=True, group="Opening and hem", options=_OF_CURTAIN["hem"].options, default=Assumption("turned", "lies flat under the pleats")),
    Field("hem_depth", "Hem’s depth", "How deep the hem is seen.", group="Opening and hem", default=_cm(4, Fraction(3, 2), "weight enough to hang straight")),
    Field("hem_turning", "Hem’s turning", "The small turning inside the hem.", group="Opening and hem", default=_cm(1, Fraction(1, 2), "enough to catch"), asked=_chosen("hem", "turned")),
    Field("pleated_waist", "Its waist measures", "Round the waist, pleats laid and stitched, before it is faced or banded.", measure=True, group="Measured on the way", on_the_way=True),
    Field("shop", "A shop asked", "What a shop asked for the same.", Sort.PRICE, group="Cost"),
)  # fmt: skip
"""Each measure has its tape on the picture; the block stands beside what is worn."""
