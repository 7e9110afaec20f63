"""From the cloth at hand: how many widths of a skirt's length it holds, and how full or deep each number of them makes it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace
from math import ceil
from typing import NamedTuple

from ribbon.cloth import Bolt, drop_on, plan_lying
from ribbon.edge import plan
from ribbon.errors import Refusal
from ribbon.facts import KINDS, Pin
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length, typed, write_ratio
from ribbon.making.asked import Given
from ribbon.making.recipes import drop_of
from ribbon.making.skirt_fields import banded, round_the_body
from ribbon.making.thing import Alternative, Compared, Solved
from ribbon.pleats import Quantity

_MOST_ROWS, _TRIES = 8, 12
_HALF = Fraction(1, 2)


def strip_above(given: Given) -> Length:
    """How wide the strip is that the band or the facing is cut as; nought where there is none."""
    seams = given.join * 2
    if banded(given):
        return given.length("band_depth") * 2 + seams
    return given.length("faced") + seams if given.word("top") == "facing" else ZERO


def widths_at_hand(given: Given, face: Bolt) -> list[Length]:
    """How wide each width is that the cloth at hand holds, one below the other; of sheets those of each.

    The strip of the band or the facing is left of the first that holds one across.
    """
    length = given.least("length")
    if length is None:
        return []
    whole = [(wide, long) for wide, long in face.sheets] or ([(face.usable, face.at_hand)] if face.at_hand else [])
    cut, found = drop_on(face, drop_of(given, length)), []
    band = strip_above(given)
    for wide, long in whole:
        there = long * (1 - face.shrinkage) - band
        many = int(there / cut) if there > ZERO else 0
        if many:
            band = ZERO  # it came off this one
        found += [wide] * many
    return found


class ToGoRound(NamedTuple):
    """A part of the skirt solved, and how much of its edge lies flat."""

    one: Solved
    lies: Length

    @property
    def share(self) -> Length:
        """How long it is finished."""
        return self.one.whole.finished


def at_hand(given: Given, parts: Sequence[ToGoRound]) -> tuple[Compared, ...]:
    """What each number of widths gives, in halves of one a part.

    Only where the cloth at hand is known, and all of it is made into one kind that a depth or a fullness decides.
    """
    face, kind = given.cloths.get("face"), given.word("heading")
    behind = given.word("back_heading") if given.fields["back_heading"].asked(given) else "same"
    if (
        face is None
        or not round_the_body(given)
        or given.word("top") == "yoke"
        or behind not in ("same", kind)
        or kind == "box"
    ):
        return ()
    widths = widths_at_hand(given, face)
    if not widths:
        return ()
    rows: list[Alternative] = []
    step = many = _HALF if len(parts) > 1 else Fraction(1)
    while ceil(many * len(parts)) <= len(widths) and len(rows) < _MOST_ROWS:
        row = _row(given, parts, widths, many)
        rows += [row] if row is not None else []
        many += step
    length = given.least("length") or ZERO
    beside = f", the {'band' if banded(given) else 'facing'} beside them" if strip_above(given) else ""
    says = (
        f"{len(widths)} widths {given.write(drop_on(face, drop_of(given, length)))} long come off what is there{beside}"
    )
    return (Compared("From the cloth at hand", says, tuple(rows)),) if rows else ()


def _row(given: Given, parts: Sequence[ToGoRound], widths: Sequence[Length], many: Fraction) -> Alternative | None:
    """So many widths for each part; None where they do not go round it."""
    seam, whole = given.join, ceil(many * len(parts))
    # Each part is of widths alike; of unequal sheets the narrowest counts.
    raw = min(widths[:whole], key=lambda one: one.mm) * many
    # A seam at each side of each of its pieces: joined to the next, to its neighbour, or turned in.
    flat = raw - seam * 2 * ceil(many)
    if any(flat <= one.share for one in parts):
        return None
    whole_says = f"{whole} {'width' if whole == 1 else 'widths'}"
    title = whole_says if len(parts) == 1 else f"{whole_says}, {_said(many)} a part"
    if given.word("heading") == "gather":
        times = min((flat - one.lies) / (one.share - one.lies) for one in parts)
        says, more = f"{given.write(flat * len(parts))} flat in all", f"{write_ratio(times).text} times"
        taken, skimpy = given.ratio("fullness") == times, times < Fraction(5, 4)
        return Alternative(("fullness", str(times)), title, says, more, None, (flat,) * len(parts), taken, skimpy)
    found = _deepest(given, parts, flat, raw)
    if found is None:
        return None
    depth, flats = found
    # Deeper than they are apart, each lies over the one after the next.
    warns = given.word("heading") == "knife" and depth > given.length("size")
    more = f"pleats {given.write(depth)} deep{', each over the one after the next' if warns else ''}"
    taken = given.known("depth") and given.length("depth") == depth
    says = f"{given.write(sum(flats, ZERO))} flat in all"
    return Alternative(("depth", typed(depth, given.unit)), title, says, more, None, tuple(flats), taken, warns)


def _said(many: Fraction) -> str:
    whole, half = divmod(many, 1)
    return f"{int(whole) or ''}{'½' if half else ''}"


def _deepest(given: Given, parts: Sequence[ToGoRound], flat: Length, raw: Length) -> tuple[Length, list[Length]] | None:
    """(how deep the pleats can be, how wide each part is flat then), its joins hidden within that much cloth a part.

    It is begun with what the cloth holds, and a division of the tape less is tried while a join would take more.
    """
    size = given.length("size")
    if size <= ZERO:
        return None
    per_depth = KINDS[given.word("heading")].take_up_per_depth
    depth = min((flat - one.share) / (per_depth * max(1, ceil((one.share - one.lies) / size))) for one in parts)
    division = given.tape or (Length.inches(Fraction(1, 16)) if given.imperial else Length(1))
    most = int(depth / division)
    for fewer in range(min(most, _TRIES)):
        depth = division * (most - fewer)
        made = [_so_deep(one.one, depth, raw) for one in parts]
        flats = [one for one in made if one is not None]
        if len(flats) == len(parts):
            return depth, flats
    return None


def _so_deep(one: Solved, depth: Length, raw: Length) -> Length | None:
    """How wide a part is flat with pleats so deep; None where its widths take more cloth than that."""
    made = one.whole.only
    if made is None:
        return None
    pins = {**made.section.pins, Quantity.DEPTH: Pin(depth.mm)}
    try:
        planned = plan(replace(made.section, pins=pins, meet=False))
        lying = plan_lying(planned, one.cutting)
    except Refusal:
        return None
    if lying is None or sum((width.cut for width in lying.joined.widths), ZERO) > raw:
        return None
    return planned.flat
