"""The pieces of a circle skirt as outlines: parts of a ring, plain or dipped, each with its pattern on paper."""

from __future__ import annotations

from dataclasses import replace

from ribbon.cloth import CutPiece, Drafted, SideTakes
from ribbon.fraction import Fraction
from ribbon.lengths import Length
from ribbon.making.asked import Given
from ribbon.making.circles import Rings, pieces_many
from ribbon.making.recipes import hem_of
from ribbon.shapes import FOLD, Corner, Notch, Outline, Side, root, sector, with_allowances

RING = "ring"
"""What the keys of its pieces begin with."""


def cut_pieces(given: Given, ring: Rings) -> list[CutPiece]:
    """Its pieces: parts of a ring from inside the seam of its edge to beyond its hem, a seam at each straight side.

    A whole circle in one piece is cut open along one line, and has no seam there.
    """
    if ring.off:
        return _dipped(given, ring)
    many = pieces_many(given, ring.share)
    share, seam = ring.share / many, given.join
    inner, outer = ring.radius - seam, ring.radius + ring.fall + hem_of(given).takes
    outline = sector(inner, outer, share)
    if share < 1:
        outline = with_allowances(outline, {"start": seam, "end": seam})
    name = (
        "Circle"
        if share == 1
        else {Fraction(1, 2): "Half circle", Fraction(1, 4): "Quarter circle"}.get(share, "Part of a circle")
    )
    # Where the quarters of the whole ring fall on every piece alike; the middle of smaller ones.
    parts = 4 // many if 4 % many == 0 and many < 4 else 2
    notches = _notches(outline, parts)
    # Its grain runs round: no way up is better than another.
    piece = CutPiece(RING, name, outline, many, may_turn=True, notches=notches)
    return [replace(piece, takes=_takes(given, straight=share < 1), drafted=_sector(given, ring, share))]


def _notches(outline: Outline, parts: int) -> tuple[Notch, ...]:
    """Notches that part the upper edge and the hem evenly."""
    return tuple(
        Notch(side, outline.length_of(side) * Fraction(n, parts), "quarter" if parts == 4 else "middle")
        for side in ("edge", "hem")
        for n in range(1, parts)
    )


def _takes(given: Given, *, straight: bool) -> tuple[SideTakes, ...]:
    seam = given.join
    found = (SideTakes("top", seam, "seam at the edge"), SideTakes("foot", hem_of(given).takes, "hem"))
    sides = (SideTakes("left", seam, "seam"), SideTakes("right", seam, "seam"))
    return (*found, *sides) if straight else found


_SMALL = Fraction(1, 4)  # of a circle: as much as is drawn at full size on paper


def _sector(given: Given, ring: Rings, share: Fraction) -> Drafted:
    """What of a piece is drawn as a pattern: all of a quarter circle, of a larger one the half or the quarter, on folds."""
    seam, drawn, halved = given.join, share, 0
    while drawn > _SMALL:
        drawn, halved = drawn / 2, halved + 1
    folds = {"start": FOLD, "end": FOLD} if share == 1 else {"end": FOLD} if halved else {}

    def ringed(inner: Length, outer: Length) -> Outline:
        made = sector(inner, outer, drawn)
        return Outline(tuple(side._replace(name=folds.get(side.name, side.name)) for side in made.sides))

    outer = ring.radius + ring.fall
    cut = with_allowances(
        ringed(ring.radius - seam, outer + hem_of(given).takes), {"start": seam, "end": seam} if share < 1 else {}
    )
    says = {0: "", 1: "half of it, on a fold", 2: "a quarter of it, the cloth folded twice"}.get(
        halved, f"a part of it, 1 of {2**halved}, the cloth folded {halved} times"
    )
    notch = tuple(Notch(side, cut.length_of(side) / 2, "middle of this") for side in ("edge", "hem"))
    return Drafted(cut, ringed(ring.radius, outer), notch, says)


def _dipped(given: Given, ring: Rings) -> list[CutPiece]:
    """A full circle whose hole lies off its middle, whole or parted from side to side through the middle of its hole.

    The middle of the hem is at (0, 0), the front above.
    """
    seam, below = given.join, hem_of(given).takes
    cut_in = given.word("cut_in")
    takes, found = _takes(given, straight=cut_in != "whole"), []

    def stitched(which: str) -> Outline:
        return _off(ring.radius, ring.radius + ring.fall, ring.off, which)

    if cut_in == "whole":
        cut = _off(ring.radius - seam, ring.radius + ring.fall + below, ring.off, "whole")
        return [
            replace(
                CutPiece(RING, "Circle", cut, 1, may_turn=True, takes=takes), drafted=Drafted(cut, stitched("whole"))
            )
        ]
    for where in ("front", "back"):
        which = where if cut_in == "halves" else f"{where} quarter"
        sides = {"side": seam} if cut_in == "halves" else {"side": seam, "middle": seam}
        cut = with_allowances(_off(ring.radius - seam, ring.radius + ring.fall + below, ring.off, which), sides)
        notches = _notches(cut, 2) if cut_in == "halves" else ()
        pattern = _on_fold(given, ring, where) if cut_in == "halves" else Drafted(cut, stitched(which))
        name = f"{where.capitalize()} {'half' if cut_in == 'halves' else 'quarter'} circle"
        many = 1 if cut_in == "halves" else 2
        piece = CutPiece(f"{RING}.{where}", name, cut, many, may_turn=True, mirrored=many == 2, notches=notches)
        found.append(replace(piece, takes=takes, drafted=pattern))
    return found


def _on_fold(given: Given, ring: Rings, where: str) -> Drafted:
    """Half of the front or the back, its middle on a fold."""

    def drawn(inner: Length, outer: Length) -> Outline:
        sides = _off(inner, outer, ring.off, f"{where} quarter").sides
        return Outline(tuple(one._replace(name=FOLD if one.name == "middle" else one.name) for one in sides))

    seam, outer = given.join, ring.radius + ring.fall
    cut = with_allowances(drawn(ring.radius - seam, outer + hem_of(given).takes), {"side": seam})
    return Drafted(cut, drawn(ring.radius, outer), (), "half of it, on a fold")


def _off(inner: Length, outer: Length, off: Length, which: str) -> Outline:
    """A ring whose hole lies `off` its middle, upwards: the whole of it, its front or back half, or the right quarter of one."""
    r, out, up = inner.mm, outer.mm, off.mm
    middle, hole = Corner(Fraction(0), Fraction(0)), Corner(Fraction(0), up)
    across = root(out * out - up * up)
    left, right = Corner(-across, up), Corner(across, up)
    ins_left, ins_right = Corner(-r, up), Corner(r, up)
    top, foot = Corner(Fraction(0), out), Corner(Fraction(0), -out)
    in_top, in_foot = Corner(Fraction(0), up + r), Corner(Fraction(0), up - r)

    def hem(a: Corner, b: Corner) -> Side:
        return Side(a, b, "hem", middle)

    def edge(a: Corner, b: Corner) -> Side:
        return Side(a, b, "edge", hole, clockwise=True)

    sides = {
        # Cut open down the middle of the back.
        "whole": (hem(foot, top), hem(top, foot), Side(foot, in_foot, "end"), edge(in_foot, in_top), edge(in_top, in_foot), Side(in_foot, foot, "start")),
        "front": (hem(right, left), Side(left, ins_left, "side"), edge(ins_left, ins_right), Side(ins_right, right, "side")),
        "back": (hem(left, right), Side(right, ins_right, "side"), edge(ins_right, ins_left), Side(ins_left, left, "side")),
        "front quarter": (hem(right, top), Side(top, in_top, "middle"), edge(in_top, ins_right), Side(ins_right, right, "side")),
        "back quarter": (hem(foot, right), Side(right, ins_right, "side"), edge(ins_right, in_foot), Side(in_foot, foot, "middle")),
    }[which]  # fmt: skip
    return Outline(sides)
