"""What a cover asks: the runs round a sofa, stool or table in walking order, how far its skirt falls, how its pleats lie."""

from __future__ import annotations

from collections.abc import Callable

from ribbon.fraction import Fraction
from ribbon.lengths import Length
from ribbon.making import curtain_fields
from ribbon.making.asked import Assumption, Field, Given, Sort

MOST_RUNS = 16
_OF_CURTAIN = {one.name: one for one in curtain_fields.FIELDS}
_SHAPES = {"rectangle": 4, "corner": 6}
"""How many runs each shape has whose corners are square."""


_cm = Assumption.cm


def runs_many(given: Given) -> int:
    """How many runs there are."""
    return _SHAPES.get(given.word("shape")) or min(given.count("runs") or 0, MOST_RUNS)


def run_field(number: int) -> str:
    """The field of a run's length, from 1."""
    return f"run_{number}"


def after_field(number: int) -> str:
    """The field that says whether a pleat follows a run."""
    return f"after_{number}"


def ring(given: Given) -> bool:
    """Whether its skirt goes all the way round."""
    return given.word("round") == "ring"


def faced(given: Given) -> bool:
    """Whether it is folded double or lined to its foot, and has no hem."""
    return given.word("made") in ("self", "tube")


def lined(given: Given) -> bool:
    """Whether face and lining are sewn together at their foot and turned."""
    return given.word("made") == "tube"


def _there(number: int) -> Callable[[Given], bool]:
    return lambda given: number <= runs_many(given)


_RECTANGLE = ("Front", "Left side", "Back", "Right side")
_CORNER = ("Front of the long seat", "Left side", "Back", "Right side", "Front of the short seat", "Inner side")


def run_title(given: Given, number: int) -> str:
    """What a run is called by whoever sits there: left and right are theirs."""
    names = {"rectangle": _RECTANGLE, "corner": _CORNER}.get(given.word("shape"), ())
    return names[number - 1] if number <= len(names) else f"Run {number}"


def _runs() -> list[Field]:
    found = []
    for number in range(1, MOST_RUNS + 1):
        where = (
            f"Run {number}, walking round it, from corner to corner: measured where the foot of the skirt will hang."
        )
        if number <= 4:
            where = f"{_RECTANGLE[number - 1]} of whoever sits there, from corner to corner: measured where the foot of the skirt will hang."
        title = f"Run {number}, {_RECTANGLE[number - 1].lower()}" if number <= 4 else f"Run {number}"
        found.append(
            Field(
                run_field(number),
                title,
                where,
                measure=True,
                first=number <= 4,
                group="Runs",
                asked=_there(number),
                usual=(Length.cm(5), Length.cm(400)),
            )
        )
        found.append(
            Field(
                after_field(number),
                f"After run {number}",
                "Whether a pleat stands where this run meets the next.",
                Sort.WORD,
                group="Pleats",
                options=(("pleat", "a pleat"), ("none", "no pleat")),
                default=Assumption("pleat", "each corner opens"),
                asked=_there(number),
            )
        )
    return found  # fmt: skip


FIELDS: tuple[Field, ...] = (
    *_runs(),
    Field("height", "Height", "From where the skirt is sewn on straight down to its foot.", measure=True, first=True, several=True, usual=(Length.cm(5), Length.cm(120))),
    Field("shape", "Seen from above it is", "A rectangle, two seats round a corner, or so many runs as there are.", Sort.WORD, line=True, first=True, options=(("rectangle", "a rectangle"), ("corner", "two seats round a corner"), ("other", "of another shape")), default=Assumption("rectangle", "front, sides and back")),
    Field("runs", "Runs", "How many runs there are, walking round.", Sort.COUNT, first=True, default=Assumption(5, "say how many"), asked=lambda given: given.word("shape") == "other"),
    Field("round", "Its skirt goes", "All the way round, closed in a pleat, or along these runs only, hemmed at both ends.", Sort.WORD, line=True, first=True, options=(("ring", "all the way round"), ("open", "along these runs only")), default=Assumption("ring", "it stands free")),
    Field("deep", "Pleats deep", "How deep each inverted pleat goes at either side of its middle.", first=True, default=_cm(8, 3, "it opens without showing its seam")),
    Field("begins", "Begun after run", "The ring is begun and closed in the pleat after this run: where the cover opens, if it does.", Sort.COUNT, group="Pleats", default=Assumption(3, "behind, where it is seen least"), asked=ring),
    Field("split", "A pleat within", "Runs longer than this have a pleat in their middle too.", group="Pleats"),
    Field("made", "It is", "Hemmed, folded double so that it faces itself, or sewn to a lining at its foot and turned.", Sort.WORD, line=True, first=True, options=(("hem", "hemmed"), ("self", "faced with itself"), ("tube", "lined to its foot")), default=Assumption("hem", "the lightest")),
    Field("liner", "Lining’s cut depth", "How deep the lining is cut: as deep as the skirt is finished where nothing is said, so that the face rolls to the back.", group="Foot", asked=lined),
    Field("lining_way", "Lining lies", _OF_CURTAIN["lining_way"].where, Sort.WORD, group="Foot", options=_OF_CURTAIN["lining_way"].options, default=Assumption("uncut", "whole widths, their joins clear of the face’s"), asked=lined),
    Field("hem", "Hem", "How the hem is turned up.", Sort.WORD, way=True, group="Foot", options=(("double", "double"), ("turned", "a turning and a depth")), default=Assumption("double", "a double hem hangs well"), asked=lambda given: not faced(given)),
    Field("hem_depth", "Hem’s depth", "How deep the hem is seen.", group="Foot", default=_cm(3, 1, "weight enough to hang"), asked=lambda given: not faced(given)),
    Field("hem_turning", "Hem’s turning", "The small turning inside the hem.", group="Foot", default=_cm(1, Fraction(1, 2), "enough to catch"), asked=lambda given: not faced(given) and given.word("hem") == "turned"),
    Field("all_round", "All round at once", "The whole way round in one go, to check the runs by.", measure=True, group="Runs"),
    Field("shop", "A shop asked", "What a shop asked for the same.", Sort.PRICE, group="Cost"),
)  # fmt: skip
"""Each run has its tape on the plan, each side its elevation."""
