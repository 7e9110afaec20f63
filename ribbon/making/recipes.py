"""Headings, hems and sides as recipes: what each takes of the cloth beyond what is seen, and what it buys."""

from __future__ import annotations

from typing import NamedTuple

from ribbon.cloth import Drop
from ribbon.lengths import ZERO, Length
from ribbon.making.asked import Given


class Turned(NamedTuple):
    """An edge turned over: `takes` of the cloth in all; `depth` as it is seen, folded `turns` times."""

    takes: Length
    depth: Length
    turns: int
    says: str


def heading(recipe: str, depth: Length, turning: Length) -> Turned:
    """What a heading takes: a tape sewn on its depth once, a stiffener in an envelope its depth and a small turning,

    a top turned double twice its depth.

    >>> heading("tape", Length.cm(9), Length.cm(1)).takes == Length.cm(9)
    True
    """
    if recipe == "envelope":
        return Turned(turning + depth, depth, 1, "a small turning, then the depth over the stiffener")
    if recipe == "double":
        return Turned(depth * 2, depth, 2, "turned over twice")
    if recipe == "none":
        return Turned(ZERO, ZERO, 0, "its seam is its band's")
    return Turned(depth, depth, 1, "turned over once, under the tape")


def hem(recipe: str, depth: Length, turning: Length) -> Turned:
    """What a hem or a side takes: turned double twice its depth, else a turning and its depth; nothing of a selvedge.

    >>> hem("double", Length.cm(10), Length.cm(1)).takes == Length.cm(20)
    True
    """
    if recipe == "double":
        return Turned(depth * 2, depth, 2, "turned double")
    if recipe == "selvedge":
        return Turned(ZERO, ZERO, 1, "the selvedge, as it is woven")
    return Turned(depth + turning, depth, 1, "a turning and its depth")


def hem_of(given: Given) -> Turned:
    """What the hem of a thing takes, by its fields `hem`, `hem_depth` and `hem_turning`."""
    return hem(given.word("hem"), given.length("hem_depth"), given.length("hem_turning"))


def drop_of(given: Given, length: Length) -> Drop:
    """How one width of what hangs so long from a seam is cut: that seam above, its hem below."""
    below = hem_of(given)
    return Drop(length, given.join, below.depth if below.turns == 2 else below.takes, below.turns)
