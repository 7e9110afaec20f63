"""A wrap with plain front pieces: what follows from its edge solved: its parts, band, straps, checks, steps, the stripes tried."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from ribbon.cloth import CutPiece, Notion, edge_pieces, repeat_of, totals
from ribbon.lengths import ZERO, Length, counted
from ribbon.making.asked import Given
from ribbon.making.band import band_pieces, stiffening
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
from ribbon.making.wrap_tried import centres, edges_of, stripe_says, when_short
from ribbon.making.wraps import KEY, Wrap, fold_wanted, halves, outer_first, stripes_of, wrapped
from ribbon.making.wraps_drawn import drawn


def finish(given: Given, begun: FirstStroke, solved: Mapping[str, Solved]) -> Made:
    """The second stroke.  What waits for a measure is left out."""
    made, one = wrapped(given), solved.get(KEY)
    if made is None:
        return Made()
    cut = edge_pieces(KEY, "Wrap", one.whole, one.cutting) if one is not None else None
    band = _band(given, one.cutting.role if one is not None else "face")
    return Made(
        parts=(*_parts(given, made, one), *(Part(each.key, each.name, 1, _size(given, each)) for each in band)),
        pieces=(*(cut.pieces if cut else ()), *band),
        notions=tuple(Priced(each) for each in totals([*(cut.notions if cut else ()), *_notions(given, band)])),
        checks=tuple(_checks(given)),
        steps=tuple(_steps(given, made)),
        slip=tuple(_slip(given, made)),
        cautions=tuple(_minds(given, made, cut.pieces if cut and given.word("lies") != "across" else ())),
        picture=drawn(given, made, one),
        compared=(*centres(given), *when_short(given)),
    )


def _size(given: Given, piece: CutPiece) -> str:
    return f"cut {given.write(piece.long)} × {given.write(piece.wide)}"


def waist_long(given: Given) -> Length | None:
    """How long its pleated edge is at the waist from edge to edge, as it was measured, else as planned."""
    waist = halves(given, "waist")
    measured = given.least("pleated_waist")
    return measured or (waist.front * 2 + waist.pleated if waist is not None else None)


def _band(given: Given, role: str) -> list[CutPiece]:
    """The band, as long as the edge at the waist."""
    long = waist_long(given)
    return band_pieces(given, long, role) if given.word("top") == "band" and long is not None else []


def _notions(given: Given, band: list[CutPiece]) -> list[Notion]:
    straps = given.count("straps") or 0
    found = [Notion("straps with their buckles", straps, None)] if straps else []
    return [*found, *stiffening(band)]


def _parts(given: Given, made: Wrap, one: Solved | None) -> list[Part]:
    write = given.write
    pleats = f"{write(made.pleats)} flat into {write(made.pleated)}"
    found = [
        Part("front.outer", "Outer front piece", 1, f"{write(made.front)}, its deep fold {write(made.outer)}"),
        Part("pleats", "Pleats", 1, pleats, KEY),
        Part("front.inner", "Inner front piece", 1, f"{write(made.front)}, its deep fold {write(made.inner)}"),
    ]
    if one is not None:
        found[1] = found[1]._replace(says=f"{pleats}, {pleats_say(one.whole)}")
    return found


def _checks(given: Given) -> list[Check]:
    planned = waist_long(given)
    if given.known("pleated_waist") or planned is None:
        return []
    return [
        Check(
            "pleated_waist",
            f"Measure the waist edge from edge to edge: {given.write(planned)} was planned.",
            given.write(planned),
        )
    ]


def _slip(given: Given, made: Wrap) -> list[str]:
    write, figure = given.write, given.figure
    found = [
        f"From its outer edge: fold {figure(made.outer)} + front {figure(made.front)} + {counted(made.many, 'pleats')} {figure(made.pleats)}"
        f" + front {figure(made.front)} + fold {figure(made.inner)} = {write(made.flat)} flat.",
    ]
    if made.room is not None:
        left = made.room - made.flat
        found.append(
            f"The cloth at hand holds {write(made.room)}: {write(left) if left else 'nothing'} is left."
            if left >= ZERO
            else f"The cloth at hand holds {write(made.room)}: {write(-left)} more is wanted."
        )
    if made.gave:
        found.append(f"So that it fits, {made.gave}.")
    if stripes_of(given):
        outer, inner = edges_of(given, made)
        number = given.count("centre") or 1
        found.append(
            f"{stripe_says(given, number)} stands at the centre; {stripe_says(given, outer).lower()} lies at the outer edge, {stripe_says(given, inner).lower()} at the inner one."
        )
    for title, name in (("Because", "why"), ("Agreed with", "agreed")):
        if given.word(name):
            found.append(f"{title}: {given.word(name)}.")
    return [*found, *_drawn_in(given, made)]


def _drawn_in(given: Given, made: Wrap) -> list[str]:
    waist = halves(given, "waist")
    if waist is None or waist.front == made.front:
        return []
    by = made.front - waist.front
    way = "drawn in" if by > ZERO else "let out"
    return [
        f"Each front piece is {way} from {given.write(made.front)} at the hip to {given.write(waist.front)} at the waist: {given.write(abs(by) / 2)} at each of its sides."
    ]


def _minds(given: Given, made: Wrap, strips: Sequence[CutPiece]) -> list[Mind]:
    write, found = given.write, doubts(given)
    if made.inner < fold_wanted(given):
        found.append(
            Mind(
                "inner_fold",
                f"The inner fold of {write(made.inner)} is shallower than the {write(fold_wanted(given))} that keep it closed.",
            )
        )
    longest = max((piece.long for piece in strips), key=lambda one: one.mm, default=ZERO)
    cloth = given.cloths.get("face")
    washed = cloth.washed if cloth is not None else None
    if made.room is not None and made.room >= made.flat and washed is not None and longest > washed:
        found.append(
            Mind(
                "short",
                f"With its join hidden and its plaid running on, a strip is {write(longest)} long, and the cloth {write(washed)}: let a pleat go, or give less to the folds.",
            )
        )
    if made.room is not None and made.flat > made.room:
        found.append(
            Mind(
                "short",
                f"The cloth at hand is {write(made.flat - made.room)} short: see what gives, or buy as much more.",
            )
        )
    stripes = stripes_of(given)
    if cloth is not None and stripes and cloth.across and repeat_of(stripes) != cloth.across:
        found.append(
            Mind(
                "no_repeat",
                f"The stripes come to {write(repeat_of(stripes))}, the repeat across is {write(cloth.across)}: so they are no repeat of this cloth. Measure both again, or leave the repeat out.",
            )
        )
    return found


_MOST_READ = 60


def readings(given: Given, made: Wrap) -> list[Length]:
    """Where the tape reads each pleat's fold along the finished hip, from the outer edge."""
    return [made.front + made.spacing * number for number in range(made.many)]


def _steps(given: Given, made: Wrap) -> list[Making]:
    write, below = given.write, hem_of(given)
    level, waist = given.length("hip_level"), halves(given, "waist")
    tape = ", ".join(given.figure(one) for one in readings(given, made)[:_MOST_READ])
    foot = "The selvedge is its hem: lay it level." if not below.takes else f"Turn up the hem, {below.says}."
    centre = f", {stripe_says(given, given.count('centre') or 1).lower()} in its middle" if stripes_of(given) else ""
    found = [
        WASHED,
        Making("cut", f"Cut the strip from the outer edge on{centre}; mark that end. Nothing is trimmed before both folds lie."),
        Making("join", "Join so that the plaid runs on, where the join hides; press."),
        Making("hem", foot),
        Making("outer", f"Turn the outer edge under, {write(made.outer)} deep{centre and ', and look whether its stripe is in the middle'}."),
        Making("mark", f"Mark at the hip, {write(level)} below the waist, and at the waist."),
        Making("fold", f"Fold {counted(made.many, 'pleats')}{_shows(given, made)}. At the hip the tape reads from the {'outer' if outer_first(given) else 'outer, right-hand,'} edge: {tape}."),
    ]  # fmt: skip
    if waist is not None and waist.pleated != made.pleated:
        each = (made.pleated - waist.pleated) / made.many
        at_waist = ", ".join(
            given.figure(waist.front + (made.spacing - each) * number) for number in range(min(made.many, _MOST_READ))
        )
        found.append(
            Making(
                "stitch",
                f"Stitch each pleat down from the waist to the hip, taking {write(each)} more at the waist: {write(waist.pleated)} there. At the waist the tape reads: {at_waist}.",
            )
        )
    found += [
        Making("inner", f"Turn the inner edge under, {write(made.inner)} deep, the strap’s end between."),
        Making("measure", f"Measure the waist edge from edge to edge: {write(waist_long(given) or ZERO)} was planned."),
    ]
    if given.word("top") == "band":
        found.append(Making("band", "Cut the band by that, and sew it on."))
    found += [
        Making("straps", f"Sew on {given.count('straps') or 0} straps and their buckles, tried on."),
        Making("press", "Press the pleats their whole length under a cloth.", "let it cool and dry flat"),
    ]
    return following(
        found,
        {"cut": ("wash",), "join": ("cut",), "hem": ("join",), "outer": ("hem",), "mark": ("outer",), "fold": ("mark",), "stitch": ("fold",),
         "inner": ("fold",), "measure": ("stitch", "fold"), "band": ("measure",), "straps": ("band", "inner"), "press": ("fold",)},
    )  # fmt: skip


def _shows(given: Given, made: Wrap) -> str:
    if not stripes_of(given):
        return ""
    if given.word("to") == "stripe":
        return f", each showing {stripe_says(given, given.count('shown') or 1).lower()} in its middle"
    return ", each showing the same part of the plaid"
