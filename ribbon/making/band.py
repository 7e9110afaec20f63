"""A band, what stiffens it and what closes it: alike for whatever is worn."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from ribbon.cloth import FACE, CutPiece, Notion, SideTakes
from ribbon.lengths import ZERO, Length
from ribbon.making.asked import Given


def band_pieces(given: Given, edge: Length, role: str = FACE, ties: Length = ZERO) -> list[CutPiece]:
    """The band, cut double its depth with a seam all round: its edge, its lap, two seams long; two ties likewise, where there are some."""
    seam = given.join
    lap = given.length("lap") if "lap" in given.fields and given.fields["lap"].asked(given) else ZERO
    takes = tuple(SideTakes(side, seam, "seam") for side in ("top", "foot", "left", "right"))
    wide = given.length("band_depth") * 2 + seam * 2
    found = [CutPiece.oblong("band", "Band", wide, edge + lap + seam * 2, may_turn=True, role=role)]
    if ties:
        found.append(CutPiece.oblong("tie", "Tie", wide, ties + seam * 2, 2, may_turn=True, role=role))
    return [replace(one, takes=takes) for one in found]


def facing_pieces(given: Given, edge: Length, role: str = FACE) -> list[CutPiece]:
    """The facing in place of a band: its edge two seams long, its depth and a seam at both its edges deep."""
    seam = given.join
    takes = tuple(SideTakes(side, seam, "seam") for side in ("top", "foot", "left", "right"))
    size = given.length("faced") + seam * 2, edge + seam * 2
    return [replace(CutPiece.oblong("facing", "Facing", *size, may_turn=True, role=role), takes=takes)]


def lap_pieces(given: Given, role: str = FACE) -> list[CutPiece]:
    """Both sides of a buttoned lap, each folded down its length: twice its width and two seams wide, the opening and two seams long.

    None of what opens otherwise.
    """
    if not given.fields["lap_wide"].asked(given):
        return []
    seam = given.join
    takes = tuple(SideTakes(side, seam, "seam") for side in ("top", "foot", "left", "right"))
    size = given.length("lap_wide") * 2 + seam * 2, given.length("opens") + seam * 2
    return [replace(CutPiece.oblong("lap", "Lap", *size, 2, may_turn=True, role=role), takes=takes)]


_APART = Length.cm(6)  # from one button of a lap to the next, so that it does not gape


def stiffening(band: Sequence[CutPiece]) -> list[Notion]:
    """What a band, a facing is stiffened with."""
    return [Notion(f"interfacing for the {one.key}", None, one.long) for one in band if one.key in ("band", "facing")]


def closing(given: Given, drawn_to: Length, band: Sequence[CutPiece]) -> list[Notion]:
    """What closes it (a zip and a hook, buttons, an elastic `drawn_to` a length), and what stiffens the `band`."""
    opening = given.word("opening")
    if opening == "elastic":
        return [Notion("elastic, drawn to fit", None, drawn_to)]
    stiff = stiffening(band)
    if opening == "lap":
        return [Notion("buttons for the lap", 1 + int(given.length("opens") / _APART), None), *stiff]
    hook = [Notion("hook or button for the band", 1, None)] if stiff else []
    return [Notion(f"zip of {given.write(given.length('opens'))}", 1, None), *hook, *stiff]
