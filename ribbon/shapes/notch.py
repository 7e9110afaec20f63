"""Notches and the grain: what is marked on an outline."""

from __future__ import annotations

from typing import NamedTuple

from ribbon.errors import refuse
from ribbon.fraction import Fraction
from ribbon.lengths import Length
from ribbon.shapes.outline import Outline
from ribbon.shapes.side import Corner


class Notch(NamedTuple):
    """A notch: so far along the sides of that name, from where they begin; what it is for, in a word."""

    side: str
    at: Length
    says: str = ""


class Notched(NamedTuple):
    """Where a notch is cut: its place on the outline, and the direction into the piece, of length one."""

    place: Corner
    inward: tuple[Fraction, Fraction]
    says: str


def notched(outline: Outline, notch: Notch) -> Notched:
    """The place of a notch.  Raises `Refusal` where the outline has no such side, or it is too short."""
    sides, left = outline.named(notch.side), notch.at
    for side in sides:
        long = side.length
        if left <= long:
            part = left / long if long else Fraction(0)
            x, y = side.heading(part)
            return Notched(side.at(part), (-y, x), notch.says)
        left -= long
    whole = f"that is {float(outline.length_of(notch.side).mm):g} mm long" if sides else "that there is none of"
    raise refuse(
        "no_place",
        "notches",
        f"{float(notch.at.mm):g} mm",
        f"this notch does not stand on the side “{notch.side}”, {whole}",
        "put it nearer to the beginning of the side",
    )
