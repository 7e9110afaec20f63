"""What of the measures along a rail cannot be, whatever hangs there, each with a way out."""

from __future__ import annotations

from collections.abc import Iterable

from ribbon.errors import Problem
from ribbon.lengths import ZERO, Length
from ribbon.making.asked import Given


def nought(given: Given, names: Iterable[str]) -> list[Problem]:
    """Measures of nothing, at each place where they were taken."""
    return [
        Problem(
            "not_positive",
            f"measures.{name}.{number}" if len(taken) > 1 else f"measures.{name}",
            given.write(one),
            "nought cannot be",
            "measure again, or leave it out",
        )
        for name in names
        for taken in [given.measures.get(name, ())]
        for number, one in enumerate(taken)
        if one <= ZERO
    ]


def nothing_chosen(given: Given, ways_out: Iterable[tuple[str, str]]) -> list[Problem]:
    """Lengths that were chosen as nought or less, of the fields that matter, each with its way out."""
    return [
        Problem("not_positive", f"choices.{name}", given.write(given.length(name)), "nought cannot be", way_out)
        for name, way_out in ways_out
        if given.fields[name].asked(given) and given.known(name) and given.length(name) <= ZERO
    ]


def long_returns(given: Given, rail: Length) -> list[Problem]:
    """Returns that are as wide as what hangs along the rail."""
    return [
        Problem(
            "too_wide",
            f"measures.{name}",
            given.write(length),
            f"a return of {given.write(length)} is wider than the curtain along its rail, {given.write(rail)}",
            "measure from the rail back to the wall, a hand at most",
        )
        for name in ("return_left", "return_right")
        for length in [given.length(name)]
        if length >= rail > ZERO
    ]


def too_many(given: Given, name: str, most: int, what: str) -> list[Problem]:
    """A count that is none, or more than is planned at once."""
    many = given.count(name)
    if many is None or 1 <= many <= most:
        return []
    return [
        Problem(
            "out_of_range", f"choices.{name}", str(many), f"{many} {what} cannot be planned at once", f"use 1 to {most}"
        )
    ]
