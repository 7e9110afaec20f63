"""A circle skirt: its pieces as outlines, its band, whether it fits the cloth, its picture flat and as it hangs, its steps."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace
from math import pi, sin

from ribbon.cloth import CutPiece, SideTakes
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length
from ribbon.making.asked import Given
from ribbon.making.band import band_pieces, closing
from ribbon.making.circles import KEY, Rings, opens, pieces_many, rings
from ribbon.making.picture import Caption, Picture, Shape, Tape, View, box_of, extent, mm
from ribbon.making.recipes import hem_of
from ribbon.making.thing import Check, FirstStroke, Made, Making, Mind, Part, Priced, Solved, following, pleats_say
from ribbon.shapes import sector, with_allowances


def finish(given: Given, begun: FirstStroke, solved: Mapping[str, Solved]) -> Made:
    """The second stroke."""
    ring = rings(given)
    if ring is None or not begun.results:
        return Made()
    one = solved.get(KEY)
    pieces = [*cut_pieces(given, ring), *(band_pieces(given, ring.band) if given.word("top") == "band" else [])]
    notions = closing(given, given.most("waist") or ring.band, pieces)
    return Made(
        parts=tuple(_parts(given, ring, one, pieces)),
        pieces=tuple(pieces),
        notions=tuple(Priced(notion) for notion in notions),
        checks=tuple(_checks(given, ring)),
        steps=tuple(_steps(given, ring, one, pieces)),
        slip=tuple(_slip(given, ring)),
        cautions=tuple(_minds(given, ring, pieces[0])),
        picture=_drawn(given, ring, pieces[0]),
    )


def cut_pieces(given: Given, ring: Rings) -> list[CutPiece]:
    """Its pieces: parts of a ring from inside the seam of its edge to beyond its hem, a seam at each straight side.

    A whole circle in one piece is cut open along one line, and has no seam there.
    """
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
    takes: tuple[SideTakes, ...] = (
        SideTakes("top", seam, "seam at the edge"),
        SideTakes("foot", hem_of(given).takes, "hem"),
    )
    if share < 1:
        takes += (SideTakes("left", seam, "seam"), SideTakes("right", seam, "seam"))
    # Its grain runs round: no way up is better than another.
    return [replace(CutPiece("ring", name, outline, many, may_turn=True), takes=takes)]


def _parts(given: Given, ring: Rings, one: Solved | None, pieces: Sequence[CutPiece]) -> list[Part]:
    says = f"{given.write(ring.band)} at its band, {given.write(ring.sweep)} round the hem"
    found = [Part("ring", "Circle", pieces[0].count, says)]
    if one is not None:
        found.append(Part(KEY, "Upper edge", 1, f"{given.write(one.whole.finished)}, {pleats_say(one.whole)}", KEY))
    return found + [
        Part(p.key, p.name, p.count, f"cut {given.write(p.long)} × {given.write(p.wide)}") for p in pieces[1:]
    ]


def _checks(given: Given, ring: Rings) -> list[Check]:
    if given.word("heading") == "plain" or given.known("cut_edge"):
        return []
    return [Check("cut_edge", f"Measure the cut edge along its stitching line: {given.write(ring.edge)} was planned.")]


def _slip(given: Given, ring: Rings) -> list[str]:
    seam, write = given.join, given.write
    outer = ring.radius + ring.fall + hem_of(given).takes
    found = [
        f"The stitching line has a radius of {write(ring.radius)} and is {write(ring.edge)} long; cut at {write(ring.radius - seam)}.",
        f"The hem is cut at {write(outer)}; finished it is {write(ring.sweep)} round.",
    ]
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
    if face is None or each < Fraction(1, 4) or Fraction(1, 2) < each < Fraction(3, 4):
        return None
    if face.directional and each not in (Fraction(1, 4), Fraction(1, 2)) and each < Fraction(3, 4):
        return None
    along = each == Fraction(1, 4) or (each <= Fraction(1, 2) and not face.directional)
    reach = face.usable - given.join if along else face.usable / 2
    most = reach - ring.radius - hem_of(given).takes
    return most if most > ZERO else None


def _minds(given: Given, ring: Rings, piece: CutPiece) -> list[Mind]:
    found = []
    face = given.cloths.get("face")
    across = piece.wide if face is not None and face.directional else min(piece.wide, piece.long)
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
    return found


def _steps(given: Given, ring: Rings, one: Solved | None, pieces: Sequence[CutPiece]) -> list[Making]:
    write = given.write
    below = hem_of(given)
    found = [
        Making(
            "wash", "Wash and press the cloth as it will be washed later, then measure it again.", "let it dry flat"
        ),
        Making(
            "cut",
            f"Swing both radii from one corner, {write(ring.radius - given.join)} and {write(ring.radius + ring.fall + below.takes)}, and cut {pieces[0].count} {'piece' if pieces[0].count == 1 else 'pieces'}.",
        ),
        Making("stay", "Stay-stitch the inner edge just outside its stitching line, before anything stretches it."),
    ]
    if pieces[0].count > 1 or ring.share < 1:
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


def _drawn(given: Given, ring: Rings, piece: CutPiece) -> Picture:
    """How it hangs, and one of its pieces flat."""
    says = (
        f"Circle: {given.write(ring.band)} at its band, {given.write(ring.fall)} long, {given.write(ring.sweep)} round the hem.",
    )
    return Picture((_hanging(given, ring), _flat(piece)), says)


_FOLDS = 9


def _hanging(given: Given, ring: Rings) -> View:
    """Half of it from the front: from the band to a hem that swings in folds, the wider the more of a circle it is."""
    top, falls = mm(ring.band) / 2, mm(ring.fall)
    # Cloth that hangs in folds shows about a third of its sweep from the front.
    foot = min(top + falls * 1.1, max(top * 1.15, mm(ring.sweep) * 0.32))
    wave = falls * 0.035
    hemline = [
        (-foot / 2 + foot * n / (4 * _FOLDS), falls + wave * sin(2 * pi * n / 4)) for n in range(4 * _FOLDS, -1, -1)
    ]
    body = ((-top / 2, 0.0), (top / 2, 0.0), *hemline)
    shapes = [Shape(body, "face")]
    for n in range(1, _FOLDS):
        at = n / _FOLDS
        start, end = (-top / 2 + top * at, 0.0), (-foot / 2 + foot * at, falls)
        wide = foot / _FOLDS * 0.42
        shapes.append(Shape((start, (end[0] + wide, falls), end), "shade", shade=0.16))
        shapes.append(Shape((start, end), "ink", closed=False, weight=0.8))
    shapes.append(Shape((*body, body[0]), "ink", closed=False, weight=1.4))
    deep = mm(given.length("band_depth")) if given.word("top") == "band" else 0.0
    if deep:
        box = box_of(-top / 2, -deep, top / 2, 0.0)
        shapes += [Shape(box, "face", shade=0.06), Shape((*box, box[0]), "ink", closed=False, weight=1.4)]
    out = foot / 2 + falls * 0.12
    name = "edge" if given.least("edge") is not None else "waist"
    tapes = (
        Tape(name, (-top / 2, -deep - falls * 0.06), (top / 2, -deep - falls * 0.06), "above"),
        Tape("length", (out, 0.0), (out, falls), "right"),
    )
    return View("front", extent(shapes, tapes, falls * 0.04), tuple(shapes), tapes)


def _flat(piece: CutPiece) -> View:
    """One piece as it is cut."""
    points = tuple((float(x), -float(y)) for x, y in piece.opened.polygon(2.0))
    shapes = (Shape(points, "face"), Shape((*points, points[0]), "ink", closed=False, weight=1.4))
    low = max(y for _, y in points)
    wide = max(x for x, _ in points)
    label = Caption((0.0, low + wide * 0.06), f"{piece.name}, {piece.count} of them" if piece.count > 1 else piece.name)
    return View("flat", extent(shapes, (), wide * 0.04), shapes, (), (label,))
