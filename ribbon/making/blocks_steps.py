"""The order of making of a block with pleats let in."""

from __future__ import annotations

from collections.abc import Sequence

from ribbon.lengths import ZERO
from ribbon.making.asked import Given
from ribbon.making.block_fields import at_waist_only, bodied
from ribbon.making.blocks import BlockPart
from ribbon.making.recipes import hem_of
from ribbon.making.thing import WASHED, Making, following

_AFTER = {
    "cut": ("wash", "print"),
    "mark": ("cut",),
    "darts": ("mark",),
    "hem": ("cut",),
    "fold": ("mark", "darts", "hem"),
    "stitch": ("fold",),
    "check": ("stitch", "fold"),
    "sides": ("check",),
    "opening": ("sides",),
    "finish": ("opening",),
}


def steps(given: Given, parts: Sequence[BlockPart]) -> list[Making]:
    """Every step from the printed pattern to the top that is finished."""
    write, below = given.write, hem_of(given)
    where = " and ".join(part.title.lower() for part in parts)
    found = [
        WASHED,
        Making("print", "Print the pattern, measure its square, tape its sheets together."),
        Making("cut", "Cut front and back, a middle on the fold where it says so; clip the notches."),
        Making("mark", f"Mark the lines of the {where}, at the top and at the foot, on the wrong side."),
    ]
    if not at_waist_only(given) and given.count("darts"):
        found.append(Making("darts", "Sew the darts that no pleat swallows."))
    found.append(
        Making(
            "hem",
            f"Turn up the hem, {below.says}, {write(below.depth)} deep, where it is pleated: before the folds are laid.",
        )
    )
    found.append(
        Making("fold", f"Fold each pleat of the {where}, bring its fold to its line at top and foot, and pin.")
    )
    if given.length("stitched") > ZERO:
        found.append(Making("stitch", f"Stitch each {_stitched_says(given)}; fasten both ends."))
    found += [
        Making("check", "Measure round the waist, and both halves against each other, before anything is trimmed."),
        Making("sides", "Close the sides, but for the opening; press."),
        Making("opening", f"Set in the zip, {write(given.length('opens'))}, at the {given.word('opening')}."),
        Making("finish", "Face or band the top as your own pattern says."),
    ]
    return following(found, _AFTER)


def _stitched_says(given: Given) -> str:
    write = given.write
    down = f"{write(given.length('stitched'))} down"
    if bodied(given) and given.length("stitched_up") > ZERO:
        down = f"{write(given.length('stitched_up'))} up and {down}"
    if given.word("along") == "crease":
        return f"{down}, {write(given.length('crease'))} from its crease"
    if given.word("along") == "across":
        return f"{down} at one side, across and up the other"
    return f"{down} along its placement line"
