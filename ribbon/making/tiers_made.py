"""A petticoat of tiers: what follows from its edges solved: base, band, trims, checks, steps."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace
from itertools import pairwise

from ribbon.cloth import CutPiece, Drafted, Notion, SideTakes, edge_pieces, totals
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length, write_ratio
from ribbon.making.asked import Given
from ribbon.making.band import band_pieces, closing, lap_pieces
from ribbon.making.body import doubts
from ribbon.making.recipes import hem_of
from ribbon.making.thing import (
    WASHED,
    Check,
    FirstStroke,
    Made,
    Making,
    Mind,
    Part,
    Priced,
    Solved,
    following,
    pleats_say,
)
from ribbon.making.tier_fields import based, drafted, opens
from ribbon.making.tiers import Tier, at_waist, deep_of, spacing_of, tiers_of
from ribbon.making.tiers_drawn import drawn
from ribbon.shapes import FOLD, Corner, Notch, Outline, closed, with_allowances


def finish(given: Given, begun: FirstStroke, solved: Mapping[str, Solved]) -> Made:
    """The second stroke.  What waits for a measure is left out."""
    tiers = [tier for tier in tiers_of(given) if tier.key in solved]
    top = at_waist(given)[0]
    if not tiers or top is None:
        return Made()
    cut = [edge_pieces(one.key, one.title, solved[one.key].whole, solved[one.key].cutting) for one in tiers]
    role = solved[tiers[0].key].cutting.role
    base = base_pieces(given, tiers, role)
    band = [*(band_pieces(given, top, role) if given.word("top") == "band" else []), *lap_pieces(given, role)]
    wanted = [
        one for made in cut for one in made.notions if not one.name.startswith("band") and "fastening" not in one.name
    ]
    own = [*_trims(given, tiers, solved), *closing(given, given.most("waist") or top, band)]
    return Made(
        parts=(
            *_base_part(given, base),
            *(_part(given, one, solved[one.key]) for one in tiers),
            *_band_part(given, band),
        ),
        pieces=(*base, *(piece for made in cut for piece in made.pieces), *band),
        notions=tuple(Priced(one) for one in totals([*wanted, *own])),
        checks=tuple(_checks(given)),
        steps=tuple(_steps(given, tiers, solved, band)),
        slip=tuple(_slip(given, tiers, solved)),
        cautions=tuple(_minds(given, tiers, solved)),
        picture=drawn(given, tiers, solved),
    )


def base_outline(given: Given, tiers: Sequence[Tier], *, half: bool = False) -> Outline | None:
    """One piece of the base at its stitching lines, its foot below: as wide at each line as its share of the girth there.

    Its `half` lies with its middle on a fold.
    """
    base, top = given.least("base"), at_waist(given)[0]
    if not drafted(given) or base is None or top is None or not tiers:
        return None
    share = Fraction(1, 2 * (given.count("gores") or 1))
    # From the foot up: each line where it lies, then the top.
    right = [Corner((one.girth * share).mm, (base - one.line).mm) for one in tiers]
    right.append(Corner((top * share).mm, base.mm))
    if half:
        middle = [Corner(Fraction(0), base.mm), Corner(Fraction(0), Fraction(0))]
        return closed([*right, *middle], ["right"] * (len(right) - 1) + ["top", FOLD, "foot"])
    left = [Corner(-one.x, one.y) for one in reversed(right)]
    names = ["right"] * (len(right) - 1) + ["top"] + ["left"] * (len(left) - 1) + ["foot"]
    return closed([*right, *left], names)


def base_pieces(given: Given, tiers: Sequence[Tier], role: str) -> list[CutPiece]:
    """The base with its seams all round, a notch on both sides where each line crosses them; nothing where it is there already."""
    whole, half = base_outline(given, tiers), base_outline(given, tiers, half=True)
    base = given.least("base")
    if whole is None or half is None or base is None:
        return []
    seam = given.join
    outline, cut = with_allowances(whole, {}, seam), with_allowances(half, {}, seam)

    def lines(on: Outline, *sides: str) -> tuple[Notch, ...]:
        levels = [(one.title, (base - one.line).mm) for one in tiers[1:]]
        return tuple(Notch(side, _up_to(on, side, level), title) for title, level in levels for side in sides)

    takes = tuple(SideTakes(side, seam, "seam") for side in ("top", "foot", "left", "right"))
    piece = CutPiece("base", "Base", outline, given.count("gores") or 1, role=role, takes=takes)
    pattern = Drafted(cut, half, lines(cut, "right"), "half of it, on a fold")
    return [replace(piece, notches=lines(outline, "right", "left"), drafted=pattern)]


def _up_to(outline: Outline, name: str, level: Fraction) -> Length:
    """How far along the straight sides of that name, from where they begin, they reach a level."""
    gone = ZERO
    for side in outline.named(name):
        low, high = sorted((side.start.y, side.end.y))
        if low <= level <= high:
            return gone + side.length * (abs(level - side.start.y) / (high - low))
        gone += side.length
    return gone


def _part(given: Given, tier: Tier, one: Solved) -> Part:
    says = f"{given.write(one.whole.flat)} flat onto {given.write(one.whole.finished)}, {given.write(tier.deep)} deep, {pleats_say(one.whole)}"
    return Part(tier.key, tier.title, 1, says, tier.key)


def _base_part(given: Given, base: Sequence[CutPiece]) -> list[Part]:
    return [
        Part(one.key, one.name, one.count, f"cut {given.write(one.long)} × {given.write(one.wide)}") for one in base
    ]


def _band_part(given: Given, band: Sequence[CutPiece]) -> list[Part]:
    return _base_part(given, band)


def _strips(tiers: Sequence[Tier], solved: Mapping[str, Solved]) -> Length:
    return sum((solved[one.key].whole.flat for one in tiers), ZERO)


def _trims(given: Given, tiers: Sequence[Tier], solved: Mapping[str, Solved]) -> list[Notion]:
    found = []
    if given.word("trim") == "hem":
        found.append(Notion("trim along the hems", None, _strips(tiers, solved)))
    if based(given) and given.word("sewn") == "down":
        found.append(Notion("trim over the lines", None, sum((solved[one.key].whole.finished for one in tiers), ZERO)))
    return found


def _checks(given: Given) -> list[Check]:
    if not based(given) or given.word("girths") == "flat":
        return []
    field = next((f"girth_{n}" for n in range(1, (given.count("tiers") or 0) + 1) if not given.known(f"girth_{n}")), "")
    return (
        [Check(field, "Measure the base round each line once it is sewn: the strips are cut by that.")] if field else []
    )


def _slip(given: Given, tiers: Sequence[Tier], solved: Mapping[str, Solved]) -> list[str]:
    write, found = given.write, []
    for one in tiers:
        whole = solved[one.key].whole
        where = f", its line {write(one.line)} below the waist" if based(given) else ""
        left = ", open at the placket" if one.open else ""
        found.append(
            f"{one.title}{where}: {write(whole.flat)} flat onto {write(whole.finished)}, {write(one.deep)} deep{left}."
        )
    found.append(f"All strips together: {write(_strips(tiers, solved))} flat, at their hems too.")
    falls = max(one.line + one.deep for one in tiers)
    spacing = spacing_of(given)
    if based(given) and spacing is not None and len(tiers) > 1:
        over = tiers[0].deep - spacing
        laps = f"each falls {write(over)} over the line below it; " if over > ZERO else ""
        found.append(f"Lines {write(spacing)} apart; {laps}{write(falls)} from the waist to the hem.")
    return found


def _minds(given: Given, tiers: Sequence[Tier], solved: Mapping[str, Solved]) -> list[Mind]:
    write, found = given.write, []
    spacing, deep = spacing_of(given), deep_of(given)
    if based(given) and len(tiers) > 1 and spacing is not None and deep is not None and deep < spacing:
        found.append(
            Mind(
                "gap",
                f"{write(spacing - deep)} of the base shows below each tier: make them deeper, or the lines nearer.",
            )
        )
    if not based(given):
        for above, one in pairwise(tiers):
            has, wants = solved[above.key].whole.flat, solved[one.key].whole.finished
            if has != wants:
                found.append(
                    Mind(
                        f"chain_{one.key}",
                        f"{one.title} is drawn up to {write(wants)}, and the one above it is {write(has)} long at its hem.",
                    )
                )
    return found + _hip(given, tiers)


def _hip(given: Given, tiers: Sequence[Tier]) -> list[Mind]:
    hip, top = given.most("hip"), at_waist(given)[0]
    found = doubts(given)
    if hip is None or top is None:
        return found
    wanted, level = hip + given.length("hip_ease"), given.length("hip_level")
    base, foot = given.least("base"), next((one.girth for one in tiers if one.line == given.least("base")), None)
    if based(given) and base is not None and foot is not None and base > level:
        there = top + (foot - top) * (level / base)
        if there < wanted:
            found.append(
                Mind(
                    "hip",
                    f"The base is {given.write(there)} round at the hip, which wants {given.write(wanted)} with its ease: make its foot wider, or its top.",
                )
            )
    if not opens(given) and top < hip:
        found.append(Mind("passes", f"Its top of {given.write(top)} does not pass over a hip of {given.write(hip)}."))
    return found


def _steps(given: Given, tiers: Sequence[Tier], solved: Mapping[str, Solved], band: Sequence[CutPiece]) -> list[Making]:
    write, below = given.write, hem_of(given)
    folded = given.word("heading") != "gather"
    open_ones = [one.title.split(",")[0].lower() for one in tiers if one.open]
    left = f"; {' and '.join(open_ones)} stays open, its ends turned in" if open_ones and opens(given) else ""
    found = [
        WASHED,
        Making(
            "cut",
            f"Cut the widths of every strip, {write(_strips(tiers, solved))} flat in all, and label each as it comes off.",
        ),
        Making("join", f"Join the widths of each tier into a ring{left}; press."),
        Making("hem", f"Hem each tier, {below.says}, {write(below.depth)} deep, while it is flat."),
    ]
    if given.word("trim") == "hem":
        found.append(Making("trim", "Sew the trim along each hem before anything is drawn up."))
    if drafted(given):
        found.append(
            Making(
                "base",
                f"Sew the base’s {given.count('gores') or 1} pieces together{', but for the opening' if opens(given) else ''}; press.",
            )
        )
    if based(given):
        lines = ", ".join(given.figure(one.line) for one in tiers)
        found.append(
            Making(
                "lines",
                f"Chalk the lines on the base, {lines} {given.unit.sign} below the waist, and their match points.",
            )
        )
    found.append(
        Making(
            "mark",
            "Mark the match points on each strip: the chalk list has both places of each."
            if not folded
            else "Chalk the pleats of each tier.",
        )
    )
    how = "Draw up each tier on two rows, point to point" if not folded else "Fold and baste each tier"
    found.append(Making("lay", f"{how}: {write_ratio(given.ratio('fullness') or Fraction(2)).text} times."))
    if based(given):
        way = (
            "right sides together, its hem towards the waist, and let it fall over its seam"
            if given.word("sewn") == "up"
            else "as it falls, and cover its edge with the trim"
        )
        found.append(Making("sew", f"Sew the tiers on from the lowest to the top one: each {way}."))
    else:
        found.append(
            Making(
                "sew",
                "Sew each tier to the foot of the one above, from the lowest up: the lighter end is handled last.",
            )
        )
    if opens(given):
        found.append(Making("opening", f"Set the opening in, {write(given.length('opens'))} from the top."))
    if any(one.key == "band" for one in band):
        says = (
            f"Sew the band on, fold it over {write(given.length('band_depth'))} deep and catch it within."
            if opens(given)
            else "Sew the band on as a casing and draw the elastic through."
        )
        found.append(Making("band", says))
    return following(found, _AFTER)


_AFTER = {
    "cut": ("wash",),
    "join": ("cut",),
    "hem": ("join",),
    "trim": ("hem",),
    "base": ("cut",),
    "lines": ("base",),
    "mark": ("hem", "join"),
    "lay": ("mark",),
    "sew": ("lay", "lines"),
    "opening": ("sew", "base"),
    "band": ("opening", "sew"),
}
"""What must be done before each step, of the steps that there are."""
