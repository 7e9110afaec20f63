"""A circle skirt: its pieces as outlines, its band, whether it fits the cloth, its picture flat and as it hangs, its steps."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from math import pi, sin

from ribbon.cloth import CutPiece
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length
from ribbon.making.asked import Given
from ribbon.making.band import band_pieces, closing, lap_pieces
from ribbon.making.body import body_view, doubts
from ribbon.making.circles import KEY, Rings, opens, pieces_many, rings
from ribbon.making.circles_cut import RING, cut_pieces
from ribbon.making.picture import Caption, Picture, Shape, Tape, View, box_of, extent, mm
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


def finish(given: Given, begun: FirstStroke, solved: Mapping[str, Solved]) -> Made:
    """The second stroke."""
    ring = rings(given)
    if ring is None or not begun.results:
        return Made()
    one = solved.get(KEY)
    rings_cut = cut_pieces(given, ring)
    pieces = [*rings_cut, *(band_pieces(given, ring.band) if given.word("top") == "band" else []), *lap_pieces(given)]
    notions = closing(given, given.most("waist") or ring.band, pieces)
    return Made(
        parts=tuple(_parts(given, ring, one, pieces)),
        pieces=tuple(pieces),
        notions=tuple(Priced(notion) for notion in notions),
        checks=tuple(_checks(given, ring)),
        steps=tuple(_steps(given, ring, one, pieces)),
        slip=tuple(_slip(given, ring)),
        cautions=tuple(_minds(given, ring, rings_cut)),
        picture=_drawn(given, ring, rings_cut),
    )


def _parts(given: Given, ring: Rings, one: Solved | None, pieces: Sequence[CutPiece]) -> list[Part]:
    says = f"{given.write(ring.band)} at its band, {given.write(ring.sweep)} round the hem"
    own = [one for one in pieces if one.key.startswith(RING)]
    found = [Part(RING, "Circle", sum(one.count for one in own), says)]
    if one is not None:
        found.append(Part(KEY, "Upper edge", 1, f"{given.write(one.whole.finished)}, {pleats_say(one.whole)}", KEY))
    return found + [
        Part(p.key, p.name, p.count, f"cut {given.write(p.long)} × {given.write(p.wide)}")
        for p in pieces
        if p not in own
    ]


def _checks(given: Given, ring: Rings) -> list[Check]:
    if given.word("heading") == "plain" or given.known("cut_edge"):
        return []
    return [
        Check(
            "cut_edge",
            f"Measure the cut edge along its stitching line: {given.write(ring.edge)} was planned.",
            given.write(ring.edge),
        )
    ]


def _slip(given: Given, ring: Rings) -> list[str]:
    seam, write = given.join, given.write
    outer = ring.radius + ring.fall + hem_of(given).takes
    found = [
        f"The stitching line has a radius of {write(ring.radius)} and is {write(ring.edge)} long; cut at {write(ring.radius - seam)}.",
        f"The hem is cut at {write(outer)}; finished it is {write(ring.sweep)} round.",
    ]
    if ring.off:
        told = ", ".join(
            f"{write(one)} {where}"
            for one, where in (
                (ring.fall - ring.off, "in front"),
                (ring.fall + ring.off, "behind"),
                (ring.side, "at the sides"),
            )
        )
        found.append(f"Its hole lies {write(abs(ring.off))} off the middle of its hem: it falls {told}.")
    most = longest(given, ring)
    if most is not None:
        found.append(f"The longest that this cloth makes so: {write(most)}.")
    return found


def longest(given: Given, ring: Rings) -> Length | None:
    """The longest that the cloth makes in pieces like these; None where that is not known, or the pieces are no plain part of a circle.

    Three quarters and more reach a radius to both sides.  A half and less, down to a quarter, lies with a straight side
    along the cloth and reaches a radius and its seam; cloth with one right way up lets none but a quarter lie so.
    """
    face = given.cloths.get("face")
    each = ring.share / pieces_many(given, ring.share)
    if ring.off or face is None or each < Fraction(1, 4) or Fraction(1, 2) < each < Fraction(3, 4):
        return None
    if face.directional and each not in (Fraction(1, 4), Fraction(1, 2)) and each < Fraction(3, 4):
        return None
    along = each == Fraction(1, 4) or (each <= Fraction(1, 2) and not face.directional)
    reach = face.usable - given.join if along else face.usable / 2
    most = reach - ring.radius - hem_of(given).takes
    return most if most > ZERO else None


def _minds(given: Given, ring: Rings, pieces: Sequence[CutPiece]) -> list[Mind]:
    found = []
    face = given.cloths.get("face")
    turns = face is None or not face.directional
    across = max((min(one.wide, one.long) if turns else one.wide for one in pieces), key=lambda one: one.mm)
    if face is not None and across > face.usable:
        way = {"whole": "halves", "halves": "quarters"}.get(given.word("cut_in"))
        mend = f"cut it in {way}, or make it shorter" if way else "make it shorter, or take wider cloth"
        says = f"A piece is {given.write(across)} wide, and the cloth {given.write(face.usable)}: {mend}."
        found.append(Mind("too_wide", says))
    if given.word("share") == "half" and given.count("circles") == 2:
        found.append(
            Mind("halved", "Two half circles are one circle in two pieces: the radius is that of a full circle.")
        )
    hip, around = given.most("hip"), ring.edge
    if not opens(given) and hip is not None and around < hip:
        found.append(Mind("hip", f"Its edge of {given.write(around)} does not pass over a hip of {given.write(hip)}."))
    return found + doubts(given)


def _steps(given: Given, ring: Rings, one: Solved | None, pieces: Sequence[CutPiece]) -> list[Making]:
    write = given.write
    below = hem_of(given)
    many = sum(one.count for one in pieces if one.key.startswith(RING))
    radii = f"{write(ring.radius - given.join)} and {write(ring.radius + ring.fall + below.takes)}"
    swing = (
        f"Swing the hem from one place and the edge from another, {write(abs(ring.off))} {'nearer to the front' if ring.off > ZERO else 'nearer to the back'}, {radii}"
        if ring.off
        else f"Swing both radii from one corner, {radii}"
    )
    found = [
        WASHED,
        Making("cut", f"{swing}, and cut {many} {'piece' if many == 1 else 'pieces'}."),
        Making("stay", "Stay-stitch the inner edge just outside its stitching line, before anything stretches it."),
    ]
    if many > 1 or ring.share < 1:
        found.append(Making("join", "Sew the straight seams, but for the opening; press."))
    if opens(given):
        found.append(Making("opening", f"Set the opening in, {write(given.length('opens'))} from the top."))
    if one is not None:
        found.append(
            Making("measure", "Measure the edge along its stitching line and type it: what is laid in follows from it.")
        )
        says = (
            f"Chalk and lay {pleats_say(one.whole)} in the edge, and baste."
            if one.whole.count
            else "Draw the edge up on two rows to its width, quarter to quarter."
        )
        found.append(Making("lay", says))
    if any(piece.key == "band" for piece in pieces):
        found.append(
            Making(
                "band",
                f"Sew the band on, fold it over {write(given.length('band_depth'))} deep and catch it within."
                if opens(given)
                else "Sew the band on as a casing and draw the elastic through.",
            )
        )
    found += [
        Making("hang", "Hang it by its band.", "let it hang for two days: what lies on the bias drops"),
        Making(
            "hem",
            f"Mark the hem level with the floor, trim it, and turn it up, {below.says}, {write(below.depth)} deep, easing its edge in.",
        ),
    ]
    return following(found, _AFTER)


_AFTER = {
    "cut": ("wash",),
    "stay": ("cut",),
    "join": ("stay",),
    "opening": ("join", "stay"),
    "measure": ("join", "stay"),
    "lay": ("measure",),
    "band": ("lay", "opening", "join"),
    "hang": ("band", "lay", "opening", "join"),
    "hem": ("hang",),
}
"""What must be done before each step, of the steps that there are."""


def _drawn(given: Given, ring: Rings, pieces: Sequence[CutPiece]) -> Picture:
    """How it hangs, and its pieces flat."""
    says = (
        f"Circle: {given.write(ring.band)} at its band, {given.write(ring.fall - ring.off)} long, {given.write(ring.sweep)} round the hem.",
    )
    return Picture((_hanging(given, ring), _flat(pieces), body_view(given, "waist", "hip", "length")), says)


_FOLDS = 9


def _hanging(given: Given, ring: Rings) -> View:
    """Half of it from the front: from the band to a hem that swings in folds, the wider the more of a circle it is."""
    top, falls, dips = mm(ring.band) / 2, mm(ring.fall - ring.off), mm(ring.side) - mm(ring.fall - ring.off)
    # Cloth that hangs in folds shows about a third of its sweep from the front.
    foot = min(top + falls * 1.1, max(top * 1.15, mm(ring.sweep) * 0.32))
    wave = falls * 0.035

    def lowest(x: float) -> float:
        """How low its front falls there, where it dips lower towards the sides."""
        return falls + dips * (2 * x / foot) ** 2

    hemline = [
        (x, lowest(x) + wave * sin(2 * pi * n / 4))
        for n in range(4 * _FOLDS, -1, -1)
        for x in (-foot / 2 + foot * n / (4 * _FOLDS),)
    ]
    body = ((-top / 2, 0.0), (top / 2, 0.0), *hemline)
    shapes = _behind(ring, foot)
    shapes.append(Shape(body, "face"))
    for n in range(1, _FOLDS):
        at = n / _FOLDS
        start, end = (-top / 2 + top * at, 0.0), (-foot / 2 + foot * at, lowest(-foot / 2 + foot * at))
        wide = foot / _FOLDS * 0.42
        shapes.append(Shape((start, (end[0] + wide, end[1]), end), "shade", shade=0.16))
        shapes.append(Shape((start, end), "ink", closed=False, weight=0.8))
    shapes.append(Shape((*body, body[0]), "ink", closed=False, weight=1.4))
    deep = mm(given.length("band_depth")) if given.word("top") == "band" else 0.0
    if deep:
        box = box_of(-top / 2, -deep, top / 2, 0.0)
        shapes += [Shape(box, "face", shade=0.06), Shape((*box, box[0]), "ink", closed=False, weight=1.4)]
    out = foot / 2 + falls * 0.12
    name = "edge" if given.least("edge") is not None else "waist"
    tapes: tuple[Tape, ...] = (
        Tape(name, (-top / 2, -deep - falls * 0.06), (top / 2, -deep - falls * 0.06), "above"),
        Tape("length", (out, 0.0), (out, falls), "right"),
    )
    if ring.off:
        tapes += (Tape("behind", (-out, 0.0), (-out, mm(ring.fall + ring.off)), "left"),)
    return View("front", extent(shapes, tapes, falls * 0.04), tuple(shapes), tapes)


def _behind(ring: Rings, foot: float) -> list[Shape]:
    """What of the back hangs below the front."""
    side, back = mm(ring.side), mm(ring.fall + ring.off)
    if back <= side:
        return []
    line = [(-foot / 2 + foot * n / 24, side + (back - side) * (1 - (n / 12 - 1) ** 2)) for n in range(25)]
    return [Shape(tuple(line), "face", shade=0.16), Shape(tuple(line), "ink", closed=False, weight=1.2)]


def _flat(pieces: Sequence[CutPiece]) -> View:
    """Its pieces as they are cut, of one circle about its middle."""
    shapes: list[Shape] = []
    for piece in pieces:
        outline = piece.outline if len(pieces) > 1 else piece.opened
        points = tuple((float(x), -float(y)) for x, y in outline.polygon(2.0))
        shapes += [Shape(points, "face"), Shape((*points, points[0]), "ink", closed=False, weight=1.4)]
    every = [point for shape in shapes for point in shape.points]
    low, wide, left = max(y for _, y in every), max(x for x, _ in every), min(x for x, _ in every)
    names = ", ".join(f"{one.name}, {one.count} of them" if one.count > 1 else one.name for one in pieces)
    label = Caption((left, low + (wide - left) * 0.17), names)
    return View("flat", extent(shapes, (), (wide - left) * 0.04), tuple(shapes), (), (label,))
