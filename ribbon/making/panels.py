"""The panels of a window: how they share the rail, and how wide each finishes."""

from __future__ import annotations

from typing import NamedTuple

from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length
from ribbon.making.asked import Given, once


class Panel(NamedTuple):
    """One panel as it hangs, seen from inside the room.

    `share` is its part of the rail without overlap; `lead` and `tail` lie flat at its left and right end: a return, or its
    part of an overlap.  `outside` tells at which end its outside is.
    """

    key: str
    title: str
    share: Length
    lead: Length
    tail: Length
    outside: str
    reckoned: str
    mirrors: str = ""

    @property
    def finished(self) -> Length:
        """Its finished width: its share of the rail, its part of the overlap, its return."""
        return self.share + self.lead + self.tail

    @property
    def from_end(self) -> bool:
        """Whether its widths are laid from its end: what is left of the last one goes to its outside."""
        return self.outside == "start"

    def called(self, end: str) -> str:
        """What lies flat at that end, its ``lead`` or its ``tail``: a return at an outside, an overlap where panels cross."""
        outside = {"start": "lead", "end": "tail"}.get(self.outside, end)
        return "return" if outside == end else "overlap"

    @property
    def flats(self) -> Length:
        """What of it is never pleated."""
        return self.lead + self.tail


@once
def rail_of(given: Given) -> tuple[Length | None, str]:
    """(the length of the rail, how it is reckoned); from the window and how far it goes beyond where it is not measured."""
    rail = given.least("rail")
    if rail is not None:
        return rail, f"{given.write(rail)} of rail"
    window = given.least("window")
    if window is None:
        return None, ""
    left, right = given.length("beyond_left"), given.length("beyond_right")
    write = given.figure
    return (
        window + left + right,
        f"window {write(window)} + {write(left)} + {write(right)} beyond it = {given.write(window + left + right)} of rail",
    )


def panels_of(given: Given, rail: Length) -> list[Panel]:
    """The panels that hang from `rail`, from left to right."""
    divides = given.word("divides")
    left, right = given.length("return_left"), given.length("return_right")
    if divides in ("pair", "unequal"):
        return _two(given, rail, left, right, equal=divides == "pair")
    write = given.figure
    many = (given.count("panels") or 1) if divides == "alone" else 1
    if many == 1:
        reckoned = _sum(given, [("rail", rail), ("return", left), ("return", right)])
        return [Panel("panel", "Curtain", rail, left, right, "both", reckoned)]
    share = rail / many
    found = []
    for number in range(1, many + 1):
        lead, tail = (left if number == 1 else ZERO), (right if number == many else ZERO)
        reckoned = f"rail {write(rail)} ÷ {many}" + _more(given, [("return", lead), ("return", tail)])
        outside = "start" if number == 1 else "end" if number == many else "both"
        found.append(
            Panel(
                f"panel{number}",
                f"Panel {number}",
                share,
                lead,
                tail,
                outside,
                f"{reckoned} = {given.write(share + lead + tail)}",
            )
        )
    return found


def _two(given: Given, rail: Length, left: Length, right: Length, *, equal: bool) -> list[Panel]:
    overlap = given.length("overlap")
    part = Fraction(1, 2) if equal else (given.ratio("left_share") or Fraction(1, 2))
    shares = rail * part, rail * (1 - part)
    write = given.figure
    ends = (left, overlap / 2), (overlap / 2, right)
    found = []
    for number, (key, title) in enumerate((("left", "Left panel"), ("right", "Right panel"))):
        lead, tail = ends[number]
        flat = (left, right)[number]
        if equal:
            says = f"(rail {write(rail)} + overlap {write(overlap)}) ÷ 2" + _more(given, [("return", flat)])
        else:
            says = f"rail {write(shares[number])}" + _more(given, [("half the overlap", overlap / 2), ("return", flat)])
        finished = shares[number] + lead + tail
        found.append(
            Panel(key, title, shares[number], lead, tail, ("start", "end")[number], f"{says} = {given.write(finished)}")
        )
    # Panels that came out unlike when they were measured are planned each for itself.
    if equal and left == right and given.least("panel_left") == given.least("panel_right"):
        found[1] = found[1]._replace(mirrors="left")
    return found


def _more(given: Given, parts: list[tuple[str, Length]]) -> str:
    return "".join(f" + {name} {given.figure(length)}" for name, length in parts if length)


def _sum(given: Given, parts: list[tuple[str, Length]]) -> str:
    there = [(name, length) for name, length in parts if length]
    whole = sum((length for _, length in there), ZERO)
    return " + ".join(f"{name} {given.figure(length)}" for name, length in there) + f" = {given.write(whole)}"


def panels_many(given: Given) -> int:
    """How many panels a window has."""
    divides = given.word("divides")
    return 2 if divides in ("pair", "unequal") else (given.count("panels") or 1) if divides == "alone" else 1
