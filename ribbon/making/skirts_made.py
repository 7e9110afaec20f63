"""A straight skirt or an apron: all that follows from its edges solved: band, ties, notions, checks, steps."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from ribbon.cloth import CutPiece, Notion, edge_pieces, totals
from ribbon.lengths import ZERO, Length
from ribbon.making.asked import Given
from ribbon.making.band import band_pieces, closing, facing_pieces, lap_pieces, stiffening
from ribbon.making.skirt_fields import banded, pleated, round_the_body, yoked
from ribbon.making.skirts import LINING, SkirtPart, reserved, round_of, skirt_parts, waist_of
from ribbon.making.skirts_at_hand import ToGoRound, at_hand
from ribbon.making.skirts_drawn import drawn
from ribbon.making.skirts_steps import steps
from ribbon.making.skirts_wrong import doubtful
from ribbon.making.thing import Check, FirstStroke, Made, Part, Priced, Solved, pleats_say
from ribbon.making.yoke import yoke


def finish(given: Given, begun: FirstStroke, solved: Mapping[str, Solved]) -> Made:
    """The second stroke.  What waits for a measure is left out."""
    whole, _ = round_of(given)
    panels = [panel for panel in skirt_parts(given) if panel.key in solved]
    if whole is None or not panels:
        return Made()
    own = [*(solved[one.key] for one in panels), *(one for name, one in solved.items() if name.startswith(LINING))]
    cut = [edge_pieces(one.name, one.title, one.whole, one.cutting) for one in own]
    role = solved[panels[0].key].cutting.role
    band = [*yoke(given, whole, role), *_band(given, _at_band(given, whole), role)]
    wanted = [notion for one in cut for notion in one.notions if not _told_otherwise(given, notion)]
    flat = sum((solved[one.key].whole.flat for one in panels), ZERO)
    finished = sum((solved[one.key].whole.finished for one in panels), ZERO)
    return Made(
        parts=(
            *(_part(given, panel, solved[panel.key]) for panel in panels),
            *_linings(given, own),
            *_band_part(given, band),
        ),
        pieces=(*(piece for one in cut for piece in one.pieces), *band),
        notions=tuple(Priced(one) for one in totals([*wanted, *_closing(given, whole, band)])),
        checks=tuple(_checks(given, whole)),
        steps=tuple(steps(given, panels, solved, band)),
        slip=tuple(_slip(given, panels, solved)),
        cautions=tuple(doubtful(given, flat, finished, pleated=pleated(given))),
        picture=drawn(given, panels, solved, whole),
        compared=at_hand(given, [ToGoRound(solved[one.key], reserved(given, one)) for one in panels]),
    )


def _at_band(given: Given, whole: Length) -> Length:
    """How long the edge is that the band is sewn to: of a yoke its upper one, else that of the pleats as it was measured."""
    waist = given.most("waist")
    if yoked(given) and waist is not None:
        return waist + given.length("ease")
    return given.least("pleated_waist") or waist_of(given) or whole


def _told_otherwise(given: Given, notion: Notion) -> bool:
    """Whether what an edge wants by itself is told of the whole skirt: its zip, its band."""
    return "fastening" in notion.name or notion.name.startswith("band")


def _band(given: Given, edge: Length, role: str) -> list[CutPiece]:
    ties = given.length("ties") if given.fields["ties"].asked(given) else ZERO
    laps = lap_pieces(given, role)
    if given.word("top") == "facing":
        return [*facing_pieces(given, edge, role), *laps]
    return [*(band_pieces(given, edge, role, ties) if banded(given) else []), *laps]


def _part(given: Given, panel: SkirtPart, one: Solved) -> Part:
    says = f"{given.write(one.whole.finished)}, {'its mirror' if panel.mirrors else pleats_say(one.whole)}"
    return Part(panel.key, panel.title, 1, says, panel.key, bool(panel.mirrors))


def _linings(given: Given, own: Sequence[Solved]) -> list[Part]:
    return [
        Part(one.name, one.title, 1, f"{given.write(one.whole.flat)} flat, the mirror of its face", one.name, True)
        for one in own
        if one.name.startswith(LINING)
    ]


def _band_part(given: Given, band: Sequence[CutPiece]) -> list[Part]:
    return [
        Part(one.key, one.name, one.count, f"cut {given.write(one.long)} × {given.write(one.wide)}") for one in band
    ]


def _closing(given: Given, whole: Length, band: Sequence[CutPiece]) -> list[Notion]:
    return closing(given, given.most("waist") or whole, band) if round_the_body(given) else stiffening(band)


def _checks(given: Given, whole: Length) -> list[Check]:
    if given.known("pleated_waist"):
        return []
    planned, what = waist_of(given) or whole, "facing" if given.word("top") == "facing" else "band"
    return [
        Check(
            "pleated_waist",
            f"Measure the edge before the {what} is cut: {given.write(planned)} was planned.",
            given.write(planned),
        )
    ]


def _slip(given: Given, panels: Sequence[SkirtPart], solved: Mapping[str, Solved]) -> list[str]:
    found = []
    for panel in panels:
        if panel.mirrors:
            continue
        whole = solved[panel.key].whole
        also = " and its mirror" if any(other.mirrors == panel.key for other in panels) else ""
        found.append(
            f"{panel.title}{also}: {given.write(whole.flat)} flat into {given.write(whole.finished)}, {pleats_say(whole)}."
        )
    return found
