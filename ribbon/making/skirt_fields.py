"""What a straight skirt or an apron asks: measures from the body, choices of the workroom, what is taken where nothing is said."""

from __future__ import annotations

from collections.abc import Callable

from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length
from ribbon.making.asked import Assumption, Field, Given, Sort

_cm = Assumption.cm


_HALF = Fraction(1, 2)


def _chosen(name: str, *which: str) -> Callable[[Given], bool]:
    return lambda given: given.word(name) in which


def round_the_body(given: Given) -> bool:
    """Whether it goes all the way round: a skirt and no apron."""
    return given.word("worn") == "skirt"


def pleated(given: Given) -> bool:
    """Whether it is pleated, not gathered."""
    return given.word("heading") != "gather"


def banded(given: Given) -> bool:
    """Whether it has a band."""
    return given.word("top") in ("band", "yoke")


def yoked(given: Given) -> bool:
    """Whether its pleats hang from a yoke at the hip."""
    return given.word("top") == "yoke" and round_the_body(given)


def may_taper(given: Given) -> bool:
    """Whether its pleats can be laid by the hip and taken in to the waist."""
    return (
        pleated(given) and round_the_body(given) and given.word("top") != "yoke" and given.word("opening") != "elastic"
    )


def tapered(given: Given) -> bool:
    """Whether they are, both being measured."""
    both = given.most("hip") is not None and given.most("waist") is not None
    return may_taper(given) and given.word("fit") == "taper" and both and given.word("hangs") == "waist"


KINDS = (("knife", "knife pleats"), ("box", "box pleats"), ("inverted", "inverted pleats"), ("gather", "gathers"))
FIELDS: tuple[Field, ...] = (
    Field("waist", "Waist", "Round the waist where the band will sit, the tape snug and level, over what is worn there.", measure=True, first=True, several=True, usual=(Length.cm(40), Length.cm(200))),
    Field("hip", "Hip", "Round the fullest part below the waist, the tape level.", measure=True, first=True, usual=(Length.cm(50), Length.cm(220))),
    Field("length", "Length", "From the lower edge of the band straight down to where it ends.", measure=True, first=True, several=True, usual=(Length.cm(10), Length.cm(140))),
    Field("across", "Across", "How far the apron reaches along the waist; half the waist where it is not measured.", measure=True, group="The body", asked=_chosen("worn", "apron")),
    Field("hip_level", "Hip below the waist", "From the waist straight down to the fullest part.", measure=True, usual=(Length.cm(8), Length.cm(35)), group="The body", default=_cm(20, 8, "most hips lie a hand and a half below the waist")),
    Field("worn", "It is", "All round the body, or an apron that is tied behind.", Sort.WORD, line=True, first=True, options=(("skirt", "a skirt"), ("apron", "an apron")), default=Assumption("skirt", "all round the body")),
    Field("hangs", "It hangs from", "The waist, or the hip where the waist is dropped.", Sort.WORD, line=True, group="The body", options=(("waist", "the waist"), ("hip", "the hip")), default=Assumption("waist", "most skirts sit at the waist")),
    Field("heading", "Its edge", "What its upper edge is made into.", Sort.WORD, line=True, first=True, options=KINDS, default=Assumption("knife", "they lie flat over the hip")),
    Field("divides", "Cut", "In one length, or front and back with seams at the sides, each its own row, or in quarters.", Sort.WORD, line=True, group="Parts", options=(("one", "in one"), ("halves", "front and back"), ("quarters", "in quarters")), default=Assumption("one", "as few seams as the cloth allows"), asked=round_the_body),
    Field("ease", "Ease", "How much looser than the body it is at its band.", way=True, group="The body", default=_cm(2, 1, "so that one can sit and breathe")),
    Field("under", "Worn under it", "What is tucked in or worn under the band adds so much round the body.", group="The body", default=Assumption(ZERO, "nothing more was measured")),
    Field("hip_ease", "Ease at the hip", "How much looser than the hip it has to be there.", group="The body", default=_cm(5, 2, "enough to sit down")),
    Field("fit", "From hip to waist", "Free below the band, or stitched in from the hip to the waist: laid by the hip, each pleat deeper above by what the waist is less.", Sort.WORD, group="Pleats", options=(("free", "they fall free from the band"), ("taper", "taken in from the hip to the waist")), default=Assumption("free", "they open at once"), asked=may_taper),
    Field("size", "Pleats about", "From one pleat to the next, as they are seen at the band. Each takes its face and twice its depth: neither “waist times the pleat” nor “twice for every pleat” comes out right.", first=True, default=_cm(3, Fraction(5, 4), "2 to 5 cm, 1 to 2 in, is usual"), asked=pleated),
    Field("back_heading", "Behind it is", "What the back is made into, where it is another thing than the front.", Sort.WORD, group="Parts", options=(("same", "as in front"), *KINDS), default=Assumption("same", "front and back alike"), asked=lambda given: round_the_body(given) and given.word("divides") != "one"),
    Field("pockets", "Pockets", "In the side seams of the front: what each reserves lies flat there, and is not pleated.", Sort.WORD, group="Parts", options=(("none", "none"), ("two", "one at each side")), default=Assumption("none", "say if it has some"), asked=lambda given: round_the_body(given) and given.word("divides") != "one"),
    Field("pocket", "Each reserves", "How much of the edge lies flat beside the side seam, for a pocket’s mouth.", group="Parts", default=_cm(4, Fraction(3, 2), "a pocket’s mouth and its facing"), asked=lambda given: round_the_body(given) and given.word("divides") != "one" and given.word("pockets") == "two"),
    Field("stitched", "Stitched down for", "How far each pleat is stitched down from the band; nought where they fall free.", group="Pleats", default=Assumption(ZERO, "they fall free from the band"), asked=pleated),
    Field("depth", "Depth", "How deep each pleat goes behind its face; as far as the next one where nothing is said.", group="Pleats", asked=_chosen("heading", "knife", "inverted")),
    Field("fullness", "Fullness", "How many times as much cloth as the band is long.", Sort.RATIO, first=True, group="Pleats", default=Assumption(Fraction(2), "1½ to 2½ times is usual for gathers"), asked=lambda given: not pleated(given)),
    Field("facing", "They face", "Which way the folds point, as one looks at the right side.", Sort.WORD, group="Pleats", options=(("right", "to the right"), ("left", "to the left")), default=Assumption("right", "so the opening closes over itself"), asked=_chosen("heading", "knife")),
    Field("opening", "It opens", "Where it is put on, and what closes it.", Sort.WORD, line=True, group="Opening and band", options=(("side", "with a zip at the side"), ("back", "with a zip at the back"), ("pleat", "under a pleat"), ("lap", "with a buttoned lap"), ("elastic", "not: an elastic in the band")), default=Assumption("side", "it shows least at the side"), asked=round_the_body),
    Field("opens", "Open for", "How long the opening is, from the band down.", group="Opening and band", default=_cm(18, 7, "the hip passes through it"), asked=lambda given: round_the_body(given) and given.word("opening") != "elastic"),
    Field("top", "At the top", "A band, or nothing of its own: it is bound, faced or let into a bodice.", Sort.WORD, group="Opening and band", options=(("band", "a band"), ("facing", "a facing"), ("yoke", "a yoke, and a band on it"), ("none", "no band")), default=Assumption("band", "it carries the weight of the pleats")),
    Field("yoke_depth", "Yoke’s depth", "From the band down to where the pleats are sewn on.", group="Opening and band", default=_cm(16, 6, "ends above the fullest part"), asked=yoked),
    Field("darts", "Darts", "In how many darts the yoke is drawn in from the hip to the waist, the sides beside them.", Sort.COUNT, group="Opening and band", default=Assumption(4, "two in front, two behind"), may_be_none=True, asked=yoked),
    Field("band_depth", "Band’s depth", "How deep the band is seen.", group="Opening and band", default=_cm(4, Fraction(3, 2), "holds without rolling"), asked=banded),
    Field("faced", "Facing’s depth", "How deep the facing reaches inside.", group="Opening and band", default=_cm(6, Fraction(5, 2), "stays inside while one moves"), asked=lambda given: given.word("top") == "facing"),
    Field("lap_wide", "Lap’s width", "How wide each side of the buttoned lap is.", group="Opening and band", default=_cm(3, Fraction(5, 4), "a button and half its width again"), asked=lambda given: round_the_body(given) and given.word("opening") == "lap"),
    Field("lap", "Band’s lap", "How far the band goes past the opening, for its button or hook.", group="Opening and band", default=_cm(3, 1, "room for a button"), asked=lambda given: banded(given) and round_the_body(given) and given.word("opening") != "elastic"),
    Field("ties", "Each tie", "How long each tie is, beyond the apron.", group="Opening and band", default=_cm(90, 36, "to be tied in a bow behind"), asked=lambda given: banded(given) and not round_the_body(given)),
    Field("hem", "Hem", "How the hem is turned up.", Sort.WORD, way=True, group="Hem", options=(("double", "double"), ("turned", "a turning and a depth")), default=Assumption("turned", "a light hem presses flat under pleats")),
    Field("hem_depth", "Hem’s depth", "How deep the hem is seen.", group="Hem", default=_cm(4, Fraction(3, 2), "weight enough to hang straight")),
    Field("hem_turning", "Hem’s turning", "The small turning inside the hem.", group="Hem", default=_cm(1, _HALF, "enough to catch"), asked=_chosen("hem", "turned")),
    Field("lining", "Lining", "None, or a loose one that hangs from the same band.", Sort.WORD, line=True, way=True, group="Hem", options=(("none", "none"), ("loose", "loose"), ("nests", "nested, as its mirror")), default=Assumption("none", "say if it has one")),
    Field("lining_shorter", "Lining shorter by", "How much shorter than the face it is.", group="Hem", default=_cm(2, Fraction(3, 4), "so that it never shows"), asked=_chosen("lining", "loose", "nests")),
    Field("hem_when", "Hemmed", "On the flat cloth before it is pleated, or last, once it has hung.", Sort.WORD, way=True, group="Hem", options=(("before", "before the pleats"), ("after", "last, once it has hung")), default=Assumption("before", "a pleated hem is pressed with its folds")),
    Field("press", "Pressed", "Whether each fold is pressed before the next covers it, or all of them once they are basted.", Sort.WORD, way=True, group="Pleats", options=(("each", "each as it is folded"), ("last", "all together, once basted")), default=Assumption("each", "sharp, and nothing shifts beneath"), asked=pleated),
    Field("pleated_waist", "Its edge measures", "The pleated or gathered edge laid flat, before the band: the band is cut from it.", measure=True, group="Measured on the way", on_the_way=True),
    Field("shop", "A shop asked", "What a shop asked for the same.", Sort.PRICE, group="Cost"),
)  # fmt: skip
"""Each measure has its tape on the picture; what can be chosen stands beside what it changes."""
