"""What curtains ask: measures from the window, choices of the workroom, each with what is taken where it is not said."""

from __future__ import annotations

from collections.abc import Callable

from ribbon.fraction import Fraction
from ribbon.making.asked import Assumption, Field, Given, Sort

_cm = Assumption.cm


_HALF = Fraction(1, 2)
HEADINGS: dict[str, tuple[str, str, int]] = {
    "pinch3": ("pinch, three fingers", "pinch", 3),
    "pinch2": ("pinch, two fingers", "pinch", 2),
    "pinch4": ("pinch, four fingers", "pinch", 4),
    "pinch1": ("pinch, single", "pinch", 1),
    "goblet": ("goblets", "pinch", 1),
    "box": ("box pleats", "box", 3),
    "inverted": ("inverted pleats", "inverted", 3),
    "gather": ("gathered on a tape", "gather", 3),
}
"""Each heading: what it is called, its kind of pleat, how many fingers."""


def _divided(*which: str) -> Callable[[Given], bool]:
    return lambda given: given.word("divides") in which


def _chosen(name: str, *which: str) -> Callable[[Given], bool]:
    return lambda given: given.word(name) in which


def lined(given: Given) -> bool:
    """Whether they have a lining."""
    return given.word("lining") != "none"


FIELDS: tuple[Field, ...] = (
    Field("rail", "Rail", "Along the rail or the pole from end to end, finials left out.", measure=True, first=True),
    Field("window", "Window", "Across the glass and its frame.", measure=True, first=True, asked=lambda given: True),
    Field("beyond_left", "Beyond the window, left", "How far the rail goes on to the left of the window, as seen from the room.", measure=True, group="The window", default=_cm(15, 6, "the curtain clears the glass by so much")),
    Field("beyond_right", "Beyond the window, right", "How far the rail goes on to the right of the window.", measure=True, group="The window", default=_cm(15, 6, "the curtain clears the glass by so much")),
    Field("window_height", "Window’s height", "From the top of the window down to its sill; for the picture.", measure=True, group="The window"),
    Field("drop", "Drop", "From where it hangs straight down to the floor or the sill, at the left, the middle and the right.", measure=True, first=True, several=True),
    Field("divides", "It divides", "As a pair that meets, drawn to one side, or into panels each alone.", Sort.WORD, line=True, first=True, options=(("pair", "as a pair"), ("unequal", "as an unequal pair"), ("one_way", "one way, in one"), ("alone", "into panels each alone")), default=Assumption("pair", "most windows have a pair")),
    Field("left_share", "The left one’s share", "Its part of the rail: 1/3 for a third.", Sort.RATIO, group="How it hangs", default=Assumption(_HALF, "half the rail each"), asked=_divided("unequal")),
    Field("panels", "Panels", "How many panels share the rail, each alone.", Sort.COUNT, group="How it hangs", default=Assumption(2, "two panels"), asked=_divided("alone")),
    Field("windows", "Windows alike", "How many windows are made alike.", Sort.COUNT, group="How it hangs", default=Assumption(1, "one window")),
    Field("overlap", "Overlap", "How far the two panels cross where they meet.", measure=True, group="How it hangs", default=_cm(8, 3, "so much crosses on most rails"), asked=_divided("pair", "unequal")),
    Field("return_left", "Return, left", "From the rail back to the wall at the left end.", measure=True, group="How it hangs", default=_cm(9, Fraction(7, 2), "most rails stand so far off the wall")),
    Field("return_right", "Return, right", "From the rail back to the wall at the right end.", measure=True, group="How it hangs", default=_cm(9, Fraction(7, 2), "most rails stand so far off the wall")),
    Field("hangs", "It hangs from", "Where the drop was measured from.", Sort.WORD, group="Length", options=(("rail", "the top of the rail"), ("ring", "the underside of a ring"), ("hook", "the hook")), default=Assumption("rail", "hidden rails are measured from their top")),
    Field("above", "Above the hook", "How far the heading stands up above the hook.", group="Length", default=_cm(4, Fraction(3, 2), "so much hides a rail"), asked=_chosen("hangs", "hook")),
    Field("to", "It ends", "Where the curtain ends below.", Sort.WORD, line=True, group="Length", options=(("clear", "clear of the floor"), ("skims", "just touching the floor"), ("breaks", "breaking on the floor"), ("sill", "at the sill"), ("below_sill", "below the sill")), default=Assumption("clear", "clear of the floor it moves easily and stays clean")),
    Field("clear", "Clear by", "How far it stays off the floor.", group="Length", default=_cm(1, _HALF, "it does not drag"), asked=_chosen("to", "clear")),
    Field("past", "Further by", "How far it goes past the floor or the sill.", group="Length", default=_cm(10, 4, "so much breaks softly, and covers a sill"), asked=_chosen("to", "breaks", "below_sill")),
    Field("heading", "Heading", "What its top is made into.", Sort.WORD, way=True, line=True, group="Heading", options=tuple((name, words) for name, (words, _, _) in HEADINGS.items()), default=Assumption("pinch3", "pinch pleats hang straight from any rail")),
    Field("fullness", "Fullness", "How many times as much cloth as it covers.", Sort.RATIO, way=True, group="Fullness and widths", first=True, default=Assumption(Fraction(9, 4), "2 to 2½ times is usual for pleated curtains")),
    Field("fullness_of", "Fullness of", "What it multiplies: what hangs along the rail, returns and overlap flat beside it; or everything.", Sort.WORD, way=True, group="Fullness and widths", options=(("rail", "the rail, flats flat"), ("all", "everything")), default=Assumption("rail", "a return and an overlap are never pleated")),
    Field("turnings", "Side turnings", "Whether what the sides are turned in is multiplied with the width, or added once that is multiplied.", Sort.WORD, way=True, group="Fullness and widths", options=(("after", "added afterwards"), ("before", "multiplied too")), default=Assumption("after", "a turned side is never pleated")),
    Field("widths", "Widths", "How widths of cloth are shared out.", Sort.WORD, way=True, group="Fullness and widths", options=(("half", "halves up"), ("each", "whole widths up"), ("near", "thriftily, short of what is wanted"), ("exact", "to measure"), ("hidden", "to measure, every join hidden"), ("own", "as many as I say")), default=Assumption("half", "whole widths leave no strips over; what is more goes into deeper pleats")),
    Field("widths_each", "Widths for each panel", "In halves: 1 1/2.", Sort.RATIO, group="Fullness and widths", default=Assumption(Fraction(3, 2), "one and a half"), asked=_chosen("widths", "own")),
    Field("top", "Top", "How the heading is turned.", Sort.WORD, way=True, group="Heading", options=(("tape", "over a tape sewn on"), ("envelope", "round a stiffener in an envelope"), ("double", "double")), default=Assumption("tape", "a tape sewn on takes least")),
    Field("heading_depth", "Heading’s depth", "How deep the tape, the stiffener or the turned top is.", group="Heading", default=_cm(9, Fraction(7, 2), "deep enough for a long drop")),
    Field("heading_turning", "Its turning", "The small turning of the envelope.", group="Heading", default=_cm(1, _HALF, "enough to catch"), asked=_chosen("top", "envelope")),
    Field("pleats", "Pleats", "From how far apart they stand, or from the rings at hand.", Sort.WORD, group="Pleats", options=(("spacing", "by their spacing"), ("rings", "by the rings at hand")), default=Assumption("spacing", "so they stand evenly")),
    Field("spacing", "Spacing about", "From one pleat to the next.", group="Pleats", default=_cm(10, 4, "7.5 to 10 cm, 3 to 4 in, is usual"), asked=_chosen("pleats", "spacing")),
    Field("rings", "Rings at hand", "How many rings or hooks there are, for all its panels: two of them go to the ends of each panel.", Sort.COUNT, group="Pleats", asked=_chosen("pleats", "rings")),
    Field("ends", "At an end without a flat", "What stands at an end that has no return and no overlap.", Sort.WORD, group="Pleats", options=(("pleat", "a pleat"), ("space", "a whole space")), default=Assumption("pleat", "it hangs from its end")),
    Field("hem", "Hem", "How the hem is turned up.", Sort.WORD, way=True, group="Hem and sides", options=(("double", "double"), ("turned", "a turning and a depth")), default=Assumption("double", "a double hem hangs heavier, and shows no edge")),
    Field("hem_depth", "Hem’s depth", "How deep the hem is seen.", group="Hem and sides", default=_cm(10, 4, "usual for a curtain to the floor")),
    Field("hem_turning", "Hem’s turning", "The small turning inside the hem.", group="Hem and sides", default=_cm(2, Fraction(3, 4), "enough to catch"), asked=_chosen("hem", "turned")),
    Field("hem_when", "Hemmed", "Whether the hem is sewn on the flat cloth, or last, once they have hung.", Sort.WORD, way=True, group="Hem and sides", options=(("before", "before the pleats"), ("after", "last, once they have hung")), default=Assumption("before", "on the flat cloth it is quick and straight")),
    Field("side", "Sides", "How the sides are turned.", Sort.WORD, way=True, group="Hem and sides", options=(("double", "double"), ("turned", "a turning and a depth")), default=Assumption("double", "firm, and alike from behind"), asked=lambda given: given.word("lining") != "tube"),
    Field("side_depth", "Sides’ depth", "How deep each side is turned.", group="Hem and sides", default=_cm(3, Fraction(3, 4), "enough to hang straight"), asked=lambda given: given.word("lining") != "tube"),
    Field("side_turning", "Sides’ turning", "The small turning inside each side.", group="Hem and sides", default=_cm(1, _HALF, "enough to catch"), asked=_chosen("side", "turned")),
    Field("trim", "Trimmed away", "What is cut longer, to be trimmed straight.", group="Hem and sides", default=_cm(0, 0, "none is trimmed")),
    Field("lining", "Lining", "None, hung loose behind, or sewn to the face as a tube.", Sort.WORD, way=True, line=True, group="Lining", options=(("none", "none"), ("loose", "loose"), ("tube", "as a tube")), default=Assumption("none", "say if it has one")),
    Field("lining_shorter", "Lining shorter by", "How much shorter than the face it hangs.", group="Lining", default=_cm(2, 1, "it must not show below"), asked=lined),
    Field("lining_narrower", "Lining narrower by", "How much narrower than the face it is cut, once and not for each width.", group="Lining", default=_cm(0, 0, "as wide as the face"), asked=lined),
    Field("lining_hem", "Lining’s hem", "How deep its double hem is.", group="Lining", default=_cm(3, 1, "shallower than the face’s"), asked=lined),
    Field("lining_way", "Lining lies", "How it lies on its cloth.", Sort.WORD, way=True, group="Lining", options=(("across", "in equal widths, upright"), ("uncut", "in whole widths, upright"), ("lengthways", "in strips along it"), ("railroaded", "railroaded, without a join")), default=Assumption("across", "with its grain, like the face"), asked=lined),
    Field("panel_left", "Left panel measures", "The hemmed, lined panel laid flat, before its pleats: they are planned anew from it.", measure=True, group="Measured on the way", on_the_way=True, asked=_divided("pair", "unequal")),
    Field("panel_right", "Right panel measures", "The same of the right panel.", measure=True, group="Measured on the way", on_the_way=True, asked=_divided("pair", "unequal")),
    Field("panel", "The panel measures", "The hemmed, lined panel laid flat, before its pleats: they are planned anew from it.", measure=True, group="Measured on the way", on_the_way=True, asked=_divided("one_way", "alone")),
    Field("stack", "A pleat pushed together", "How much of the rail one pleat takes when the curtain is drawn back; a third of the window in all where it is not known.", group="Weight and cost"),
    Field("bears", "The rail bears", "The weight that the rail and its fixings are made for.", Sort.WEIGHT, group="Weight and cost"),
    Field("price_hook", "A hook costs", "What one hook or ring costs.", Sort.PRICE, group="Weight and cost"),
    Field("price_tape", "Tape costs", "What a metre or a yard of tape or stiffener costs.", Sort.PRICE, group="Weight and cost"),
    Field("price_thread", "Thread costs", "What all the thread costs.", Sort.PRICE, group="Weight and cost"),
    Field("shop", "A shop asked", "What a shop asked for the same, to set beside it.", Sort.PRICE, group="Weight and cost"),
)  # fmt: skip
