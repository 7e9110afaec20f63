"""The order of making a straight skirt or an apron, each step with its figures."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from ribbon.cloth import CutPiece
from ribbon.lengths import ZERO
from ribbon.making.asked import Given
from ribbon.making.recipes import hem_of
from ribbon.making.skirt_fields import pleated, round_the_body, yoked
from ribbon.making.skirts import SkirtPart, round_of, waist_of
from ribbon.making.thing import WASHED, Making, Solved, following, pleats_say
from ribbon.making.yoke import taken_in

_AFTER = {
    "cut": ("wash",),
    "join": ("cut",),
    "lining": ("cut",),
    "hem": ("join", "cut"),
    "mark": ("hem", "join"),
    "fold": ("mark",),
    "gather": ("mark",),
    "stitch": ("fold",),
    "pockets": ("join",),
    "opening": ("stitch", "fold", "gather"),
    "measure": ("stitch", "fold", "gather"),
    "yoke": ("measure", "opening"),
    "band": ("yoke", "measure", "opening", "lining", "pockets"),
    "facing": ("measure", "opening", "lining", "pockets"),
    "elastic": ("measure", "lining", "pockets"),
    "ties": ("band",),
    "fasten": ("band",),
}
"""What must be done before each step, of the steps that there are."""


def steps(
    given: Given, panels: Sequence[SkirtPart], solved: Mapping[str, Solved], pieces: Sequence[CutPiece]
) -> list[Making]:
    """Every step from the cloth to the wardrobe; `pieces` are those beside the strips: yoke, band, ties."""
    last = given.word("hem_when") == "after"
    below = hem_of(given)
    turned = Making("hem", f"Turn up the hem, {below.says}, {given.write(below.depth)} deep.")
    found = [
        WASHED,
        Making("cut", "Straighten the end and cut the widths; mark their tops and their right side."),
        Making("join", _joining(given, panels)),
    ]
    if given.word("lining") == "loose" or (given.word("lining") == "nests" and not pleated(given)):
        found.append(
            Making("lining", "Join and hem the lining by itself; its upper edge is pleated or eased with the face’s.")
        )
    elif given.word("lining") == "nests":
        found.append(
            Making(
                "lining",
                "Join, hem and pleat the lining as the face’s mirror, its own chalk list beside the face’s, and lay its pleats into the face’s.",
            )
        )
    if not last:
        found.append(turned._replace(says=f"{turned.says[:-1]}, before any pleat is folded."))
    found += [*_edges(given, panels, solved), *_opening(given), *_at_the_top(given, pieces)]
    if last:
        before = next(one.name for one in reversed(found) if one.name in ("band", "facing", "elastic", "measure"))
        says = f"Mark the hem level with the floor as it is worn. {turned.says}"
        found += [
            Making("hang", "Hang it by its band.", "let it hang overnight", (before,)),
            turned._replace(says=says, after=("hang",)),
        ]
    return following(found, _AFTER)


def _joining(given: Given, panels: Sequence[SkirtPart]) -> str:
    if not round_the_body(given):
        return "Join the widths, if there are several, where their joins hide; press. Turn both sides in."
    open_side = "" if given.word("opening") == "elastic" else ", but for the one with the opening"
    if len(panels) > 1:
        return f"Join the widths of each part where their joins hide, then the sides{open_side}; press."
    left = "" if given.word("opening") == "elastic" else ", and leave the closing join open as far as the opening"
    return f"Join the widths where their joins hide{left}; press."


def _edges(given: Given, panels: Sequence[SkirtPart], solved: Mapping[str, Solved]) -> list[Making]:
    """Marking, folding, gathering: of each only where there is something to do."""
    folded = [one for one in panels if solved[one.key].whole.count]
    gathered = [one for one in panels if not solved[one.key].whole.count]
    flats = ", none on what a pocket reserves" if given.fields["pocket"].asked(given) else ""
    found = []
    if folded:
        alone = len(panels) == 1
        told = [
            pleats_say(solved[one.key].whole) + ("" if alone else f" on the {one.title.lower()}")
            for one in folded
            if not one.mirrors
        ]
        mirrored = "; the other side is its mirror" if any(one.mirrors for one in folded) else ""
        found.append(
            Making(
                "mark",
                f"Chalk {' and '.join(told)}{flats}{mirrored}, inside the allowance first, then carry each mark down square.",
            )
        )
    else:
        found.append(
            Making("mark", "Mark the quarters of the cloth and of what it goes to: they are its match points.")
        )
    if folded:
        press = (
            "press all of it through a cloth"
            if given.word("press") == "last"
            else "press each fold through a cloth before the next covers it"
        )
        how = f"baste, take the pins out, then {press}" if given.word("press") == "last" else f"{press}, and baste"
        found.append(Making("fold", f"Fold, pin at the top and the hem, {how}."))
    waist = waist_of(given)
    if folded and waist is not None:
        found.append(
            Making(
                "stitch",
                f"Stitch each pleat down from the hip to the waist along its slant: {given.write(waist)} there, {given.write(given.length('hip_level'))} above the hip.",
            )
        )
    elif folded and given.length("stitched") > ZERO:
        found.append(
            Making(
                "stitch",
                f"Stitch each pleat down for {given.write(given.length('stitched'))}, and tie the threads off.",
            )
        )
    if gathered:
        of = "" if len(gathered) == len(panels) else f" of the {' and '.join(one.title.lower() for one in gathered)}"
        found.append(
            Making("gather", f"Draw the edge{of} up on two rows to its width, match point to match point, and knot.")
        )
    if given.fields["pocket"].asked(given):
        found.append(Making("pockets", "Set each pocket into its side seam, its mouth within what lies flat."))
    return found


def _opening(given: Given) -> list[Making]:
    if not round_the_body(given) or given.word("opening") == "elastic":
        return []
    long = given.write(given.length("opens"))
    says = {
        "side": f"Set the zip into the side, {long} from the top.",
        "back": f"Set the zip into the back, {long} from the top.",
        "pleat": f"Set the opening under a pleat, {long} from the top: it closes where the joining began.",
        "lap": f"Face both edges of the lap, {long} from the top, and work its buttonholes.",
    }[given.word("opening")]
    return [Making("opening", says)]


def _at_the_top(given: Given, pieces: Sequence[CutPiece]) -> list[Making]:
    """The measured edge, the yoke, the band and what closes it."""
    keys = {one.key for one in pieces}
    piece = next((one for one in ("band", "facing") if one in keys), "")
    cut = f": the {piece} is cut from it" if piece and not yoked(given) else ""
    found = [
        Making("measure", f"Measure the edge laid flat, from stitching line to stitching line, and type it{cut}."),
    ]
    if yoked(given):
        whole = round_of(given)[0] or ZERO
        each = given.write(taken_in(given, whole)[0])
        darts = given.count("darts") or 0
        sewn = (
            f"Sew the yoke’s {'1 dart' if darts == 1 else f'{darts} darts'}, {each} each, and its sides"
            if darts
            else "Sew the yoke’s sides"
        )
        found.append(Making("yoke", f"{sewn}; sew the pleats to its lower edge, quarter to quarter."))
    if given.word("opening") == "elastic" and round_the_body(given):
        found.append(
            Making(
                "elastic",
                "Sew the band on as a casing, draw the elastic through and sew its ends together once it fits.",
            )
        )
    elif "band" in keys:
        deep = given.write(given.length("band_depth"))
        found.append(
            Making(
                "band",
                f"Interface the band, sew it on right sides together, fold it over {deep} deep and catch it within.",
            )
        )
    elif "facing" in keys:
        found.append(
            Making(
                "facing",
                "Interface the facing, sew it on right sides together, stitch it to its seam close to the edge, turn it in and catch it down.",
            )
        )
    if "tie" in keys:
        found.append(Making("ties", "Sew and turn both ties and set them into the ends of the band."))
    if "band" in keys and round_the_body(given) and given.word("opening") not in ("elastic", "lap"):
        found.append(Making("fasten", "Sew the hook or the button to the band’s lap."))
    return found
