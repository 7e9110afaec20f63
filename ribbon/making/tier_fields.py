"""What a petticoat of tiers asks: its base or its first tier from the body, its lines, how full each tier is."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace

from ribbon.fraction import Fraction
from ribbon.lengths import Length
from ribbon.making import skirt_fields
from ribbon.making.asked import Assumption, Field, Given, Sort, always

MOST_TIERS = 12
_OF_SKIRT = {one.name: replace(one, asked=always) for one in skirt_fields.FIELDS}


_cm = Assumption.cm


def based(given: Given) -> bool:
    """Whether its tiers are sewn to the lines of a base, and not one to the other."""
    return given.word("build") == "base"


def drafted(given: Given) -> bool:
    """Whether its base is cut with it, and not there already."""
    return based(given) and given.word("base_is") == "cut"


def opens(given: Given) -> bool:
    """Whether it has an opening: not where an elastic draws it in."""
    return given.word("opening") != "elastic"


def chained(given: Given) -> bool:
    """Whether each tier hangs from the one above."""
    return not based(given)


def _measured(number: int) -> Callable[[Given], bool]:
    return lambda given: based(given) and number <= (given.count("tiers") or 0)


def girth_field(number: int) -> str:
    """The field of the girth at the line of a tier, from 1 at the hem."""
    return f"girth_{number}"


def _girths() -> list[Field]:
    return [
        Field(girth_field(number), f"Round line {number}", f"Round the base at {'its lowest line' if number == 1 else f'the line of tier {number}, counted from the hem'}; reckoned between its top and its foot where it is not measured.", measure=True, group="Girths", asked=_measured(number))
        for number in range(1, MOST_TIERS + 1)
    ]  # fmt: skip


FIELDS: tuple[Field, ...] = (
    _OF_SKIRT["waist"],
    Field("base", "Base", "The base from the waist straight down to its lowest line, its foot: the lowest tier hangs from there.", measure=True, usual=(Length.cm(10), Length.cm(130)), first=True, asked=based),
    Field("foot", "Round its foot", "All round the base at its foot: wide enough to walk in.", measure=True, usual=(Length.cm(50), Length.cm(500)), first=True, asked=based),
    Field("length", "Length", "From the waist straight down to the hem of the lowest tier.", measure=True, usual=(Length.cm(15), Length.cm(140)), first=True, several=True, asked=chained),
    Field("build", "Its tiers", "Each sewn to a line of a base, over one another, or each to the foot of the one above.", Sort.WORD, line=True, first=True, options=(("base", "on the lines of a base"), ("chain", "each on the one above")), default=Assumption("base", "a base carries the weight")),
    Field("heading", "Each is", "What the upper edge of each tier is made into.", Sort.WORD, line=True, first=True, options=(("gather", "gathered"), ("knife", "in knife pleats"), ("box", "in box pleats")), default=Assumption("gather", "gathers spring out")),
    Field("tiers", "Tiers", "How many tiers there are.", Sort.COUNT, first=True, default=Assumption(4, "three to five are usual")),
    Field("fullness", "Fullness", "How many times as long as what it is sewn to each tier is.", Sort.RATIO, first=True, default=Assumption(Fraction(2), "1½ to 2½ times is usual")),
    Field("spacing", "Lines apart", "From one line to the next; shared out evenly where nothing is said.", group="Tiers", asked=based),
    Field("deep", "Each deep", "How deep each tier is seen, from its line to its hem.", group="Tiers", asked=based),
    Field("overlap", "Overlap", "How far each tier falls over the line below it, where its depth is not said.", way=True, group="Tiers", default=_cm(3, 1, "so that no line shows"), asked=lambda given: based(given) and not given.known("deep")),
    Field("deeper", "Each deeper by", "How much deeper each tier is than the one above it.", group="Tiers", default=Assumption(Length(0), "all alike"), asked=chained),
    Field("size", "Pleats about", "From one pleat to the next; how deep they go follows from the fullness.", group="Tiers", default=_cm(3, Fraction(5, 4), "2 to 5 cm, 1 to 2 in, is usual"), asked=lambda given: given.word("heading") != "gather"),
    Field("points", "Marked in", "Into how many even parts each line and each tier is marked: point comes to point.", Sort.WORD, group="Tiers", options=(("4", "quarters"), ("8", "eighths"), ("16", "sixteenths"), ("32", "32 parts")), default=Assumption("8", "quarters, and once between"), asked=lambda given: given.word("heading") == "gather"),
    Field("sewn", "Sewn on", "Upward, its hem to the waist, so that it falls over its own seam; or as it falls, its edge under a trim.", Sort.WORD, way=True, group="Tiers", options=(("up", "upward, then it falls over its seam"), ("down", "as it falls, under a trim")), default=Assumption("up", "no raw edge shows"), asked=based),
    Field("trim", "Trim", "Lace or ribbon along each hem, and what covers an edge that is sewn on as it falls.", Sort.WORD, group="Tiers", options=(("none", "none"), ("hem", "along each hem")), default=Assumption("none", "say if it has some")),
    Field("base_is", "The base is", "Drafted and cut with it, or a petticoat that is there already.", Sort.WORD, group="The base", options=(("cut", "cut with it"), ("there", "there already")), default=Assumption("cut", "drafted from its top, its foot and its length"), asked=based),
    Field("top_round", "Round its top", "All round the base at its top; the waist and its ease where it is not measured.", measure=True, group="The base", asked=based),
    Field("gores", "Cut in", "In how many pieces alike the base is cut.", Sort.COUNT, group="The base", default=Assumption(2, "front and back"), asked=drafted),
    Field("girths", "Girths are", "All round, or of the base laid flat, which is half of that.", Sort.WORD, group="Girths", options=(("round", "all round"), ("flat", "of the base laid flat")), default=Assumption("round", "as a tape goes round"), asked=based),
    *_girths(),
    replace(_OF_SKIRT["hip"], first=False, group="The body"),
    _OF_SKIRT["hip_level"],
    _OF_SKIRT["ease"],
    _OF_SKIRT["hip_ease"],
    _OF_SKIRT["under"],
    replace(_OF_SKIRT["opening"], options=tuple(one for one in _OF_SKIRT["opening"].options if one[0] != "pleat"), default=Assumption("elastic", "a petticoat is drawn in by an elastic")),
    replace(_OF_SKIRT["opens"], asked=opens),
    replace(_OF_SKIRT["lap_wide"], asked=lambda given: given.word("opening") == "lap"),
    replace(_OF_SKIRT["top"], options=(("band", "a band"), ("none", "no band"))),
    replace(_OF_SKIRT["band_depth"], asked=lambda given: given.word("top") == "band"),
    replace(_OF_SKIRT["lap"], asked=lambda given: given.word("top") == "band" and opens(given)),
    _OF_SKIRT["hem"],
    replace(_OF_SKIRT["hem_depth"], default=_cm(1, Fraction(1, 2), "a narrow hem keeps a tier light")),
    replace(_OF_SKIRT["hem_turning"], default=_cm(Fraction(1, 2), Fraction(1, 4), "just enough to catch"), asked=lambda given: given.word("hem") == "turned"),
    Field("shop", "A shop asked", "What a shop asked for the same.", Sort.PRICE, group="Cost"),
)  # fmt: skip
