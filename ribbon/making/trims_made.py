"""A trim: what follows from its row solved: its strips or metres, how it lies, the order of making, how it will look."""

from __future__ import annotations

from collections.abc import Mapping
from math import cos, pi, sin

from ribbon.cloth import Notion, edge_pieces, totals
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length
from ribbon.making.asked import Given
from ribbon.making.body import doubts
from ribbon.making.picture import Caption, Hung, Picture, Shape, Tape, View, extent, hanging, mm
from ribbon.making.recipes import hem_of
from ribbon.making.thing import (
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
from ribbon.making.trims import (
    KEY,
    NARROWEST_TWIST,
    by_attachment,
    cut_wide,
    drawn_up,
    edge_of,
    of_cloth,
    wound,
)


def finish(given: Given, begun: FirstStroke, solved: Mapping[str, Solved]) -> Made:
    """The second stroke.  What waits for a measure is left out."""
    whole, one = edge_of(given)[0], solved.get(KEY)
    if whole is None or given.least("wide") is None:
        return Made()
    cut = edge_pieces(KEY, "Trim", one.whole, one.cutting) if one is not None and of_cloth(given) else None
    notions = [
        Priced(each) for each in totals([each for each in (cut.notions if cut else ()) if each.name == "thread"])
    ]
    bought, cost = _by_the_metre(given, one)
    return Made(
        parts=(Part(KEY, "Trim", 1, pleats_say(one.whole) if one is not None else "", KEY),),
        pieces=cut.pieces if cut else (),
        notions=(*bought, *notions),
        steps=tuple(_steps(given)),
        slip=tuple(_slip(given, one)),
        cautions=tuple(_minds(given)),
        picture=drawn(given, one),
        other_cost=cost,
    )


def _by_the_metre(given: Given, one: Solved | None) -> tuple[list[Priced], Fraction | None]:
    """Ribbon or lace as it is bought, its ends turned in, and what it costs."""
    if of_cloth(given) or one is None:
        return [], None
    long = one.whole.flat + given.join * 2
    price = given.ratio("price")
    per = Length.inches(36) if given.imperial else Length(1000)
    cost = price * (long / per) if price is not None else None
    return [Priced(Notion("ribbon or lace", None, long), cost)], cost


def _slip(given: Given, one: Solved | None) -> list[str]:
    if one is None:
        return []
    write, figure = given.write, given.figure
    found = [f"{write(one.whole.flat)} into {write(one.whole.finished)}, {pleats_say(one.whole)}."]
    if not of_cloth(given):
        found.append(f"{write(one.whole.flat + given.join * 2)} of ribbon or lace, both ends turned in.")
        return found
    wide, seam = given.length("wide"), given.join
    if given.word("made") in ("double", "rosette"):
        found.append(f"Strips 2 × ({figure(wide)} + {figure(seam)}) = {write(cut_wide(given))} wide, folded double.")
    else:
        takes = hem_of(given).takes
        found.append(
            f"Strips {figure(wide)} + 2 × {figure(takes)} = {write(cut_wide(given))} wide, hemmed at both edges before they are pleated."
        )
    if given.word("made") == "heading":
        found.append(
            f"Stitched {write(given.length('stands'))} below its upper edge: {write(wide - given.length('stands'))} falls below."
        )
    return found


def _minds(given: Given) -> list[Mind]:
    found = doubts(given)
    if given.word("made") == "twisted" and given.length("wide") < NARROWEST_TWIST:
        found.append(
            Mind(
                "twisted",
                f"Under {given.write(NARROWEST_TWIST)} a twisted trim does not turn: its folds break instead. Make it wider, or pleat both edges the same way.",
            )
        )
    if by_attachment(given):
        found.append(
            Mind(
                "attachment",
                "Turn the wheel by hand for two tucks first; see that the attachment fits the machine and its screws are fast.",
            )
        )
    return found


def _steps(given: Given) -> list[Making]:
    write, made = given.write, given.word("made")
    found = []
    if of_cloth(given):
        found += [
            Making("cut", f"Cut the strips {write(cut_wide(given))} wide."),
            Making("join", "Join them end to end, the seams pressed open."),
            Making(
                "edges",
                "Fold the strip double along its length, wrong sides together, and press; do not press over the pleats later."
                if made in ("double", "rosette")
                else f"Hem both edges, {hem_of(given).says}.",
            ),
        ]
    ends = "Close the ring." if given.word("round") == "ring" and not wound(given) else "Turn both ends in."
    found.append(Making("ends", ends))
    if drawn_up(given):
        how = (
            "Run it through the attachment; no gathering thread is wanted."
            if by_attachment(given)
            else "Sew two rows of long stitches, draw them up by its match points."
        )
        found.append(Making("pleat", how))
    elif made == "twisted":
        found.append(
            Making(
                "pleat",
                f"Pleat the upper edge by a gauge of {write(given.length('size'))}, the folds to the right; the lower edge likewise, the folds to the left.",
            )
        )
    else:
        found.append(
            Making(
                "pleat",
                f"Pleat it by a gauge of {write(given.length('size'))}, each fold against the last; stitch as you go.",
            )
        )
    if made == "twisted":
        found.append(Making("press", "Do not press: let the twist stand."))
    if wound(given):
        rounds = given.count("rounds") or 1
        found.append(
            Making(
                "wind", f"Sew it on from outside in, {rounds} rounds, and close the last one with a button or a knot."
            )
        )
    else:
        corners = " Ease more of it round each corner." if given.count("corners") else ""
        found.append(Making("sew", f"Sew it along its edge.{corners}"))
    return following(
        found,
        {"join": ("cut",), "edges": ("join",), "ends": ("edges",), "pleat": ("ends",), "press": ("pleat",), "wind": ("pleat",), "sew": ("pleat",)},
    )  # fmt: skip


_SHOWN = 900.0  # mm of a long trim that are drawn


def drawn(given: Given, one: Solved | None) -> Picture | None:
    """A stretch of it as it will look; a rosette whole."""
    if one is None:
        return None
    view = _rosette(given, one) if wound(given) else _stretch(given, one)
    says = (
        f"A trim {given.write(given.length('wide'))} wide, {pleats_say(one.whole)} on {given.write(one.whole.finished)}.",
    )
    return Picture((view,), says)  # fmt: skip


def _stretch(given: Given, one: Solved) -> View:
    whole, wide = mm(one.whole.finished), mm(given.length("wide"))
    shown = min(whole, max(_SHOWN, wide * 4))
    shapes = hanging(
        one.whole,
        one.cutting,
        Hung(0.0, shown, 0.0, wide),
        (ZERO, Length(Fraction(whole - shown).limit_denominator(1000))),
    )
    made = given.word("made")
    if made == "twisted":
        lean = min(mm(given.length("size")) * 1.5, wide * 0.6) if not drawn_up(given) else wide * 0.2
        # Pleated opposite ways its folds run aslant from edge to edge.
        shapes = [
            shape._replace(points=tuple((x + (y / wide - 0.5) * lean, y) for x, y in shape.points)) for shape in shapes
        ]
    if made == "heading":
        at = mm(given.length("stands"))
        shapes.append(Shape(((0.0, at), (shown, at)), "ink", closed=False, weight=1.2, dashed=True))
    stitched = mm(given.length("stands")) if made == "heading" else wide * 0.03
    shapes.append(Shape(((0.0, stitched), (shown, stitched)), "ink", closed=False, weight=1.0, dashed=True))
    tapes = (
        Tape("edge", (0.0, -wide * 0.12), (shown, -wide * 0.12), "above"),
        Tape("wide", (shown * 1.02, 0.0), (shown * 1.02, wide), "right"),
    )
    labels = (
        (
            Caption(
                (shown / 2, wide * 1.25),
                f"a stretch of it, {given.write(Length(Fraction(shown).limit_denominator(10)))} long",
            ),
        )
        if shown < whole
        else ()
    )
    return View("front", extent(shapes, tapes, wide * 0.1), tuple(shapes), tapes, labels)  # fmt: skip


_PETALS = 40


def _rosette(given: Given, one: Solved) -> View:
    """Its rounds from the outer one in, each a ring of folds."""
    rounds = given.count("rounds") or 1
    outer, inner, wide = mm(given.length("across")) / 2, mm(given.length("inner")) / 2, mm(given.length("wide"))
    shapes: list[Shape] = []
    for number in range(min(rounds, 8)):
        sewn = outer - (outer - inner) * number / max(1, rounds - 1) if rounds > 1 else outer
        rim = sewn + wide
        many = max(8, min(_PETALS, int(2 * pi * sewn / max(1.0, mm(given.length("size"))))))
        points = []
        for step in range(many * 2):
            at, out = pi * step / many, rim if step % 2 else rim * 0.93
            points.append((out * cos(at), out * sin(at)))
        shapes += [
            Shape(tuple(points), one.cutting.role, shade=0.03 * number),
            Shape((*points, points[0]), "ink", closed=False, weight=1.0),
        ]
        shapes += [
            Shape(
                ((sewn * cos(at), sewn * sin(at)), (rim * 0.93 * cos(at), rim * 0.93 * sin(at))),
                "ink",
                closed=False,
                weight=0.6,
            )
            for at in (2 * pi * step / many for step in range(many))
        ]
    tapes = (
        Tape("across", (-outer, 0.0), (outer, 0.0), "below"),
        Tape("wide", (outer, 0.0), (outer + wide, 0.0), "right"),
    )
    return View("front", extent(shapes, tapes, wide * 0.15), tuple(shapes), tapes)  # fmt: skip
