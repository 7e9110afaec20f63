"""The nearest that can be, for a pin that cannot."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace
from math import ceil, floor

from ribbon.errors import Problem, Refusal
from ribbon.facts.section import Pin, Section
from ribbon.fraction import Fraction
from ribbon.pleats import Quantity

Q = Quantity

# What is wrong here can be mended by the blamed pin alone, and the way out names no figure of its own.
_MENDED = frozenset({"no_pleat", "no_width", "no_space", "too_wide"})
_REACH = 12  # times halved, and times doubled


def with_nearest(section: Section, problem: Problem, plans: Callable[[Section], object]) -> Problem:
    """`problem` with the nearest value of the pin that it blames for which `plans` refuses nothing."""
    name = next((q for q in section.pins if problem.path == f"pins.{q}"), None)
    if name is None or problem.code not in _MENDED:
        return problem
    found = _nearest(section, name, plans)
    if found is None:
        return problem
    nearest = f"the nearest {name.word} that can be is {section.say(name, found)}"
    return replace(problem, way_out=f"{problem.way_out}; {nearest}")


def _nearest(section: Section, name: Quantity, plans: Callable[[Section], object]) -> Fraction | None:
    """In whole steps: of one for a count, of a tenth for a fullness, else of the tape's division."""
    pin = section.pins[name]
    tape = section.tape.mm if section.tape is not None else Fraction(1)
    step = Fraction(1) if name is Q.COUNT else Fraction(1, 10) if name is Q.FULLNESS else tape

    def can(steps: int) -> bool:
        try:
            plans(replace(section, pins={**section.pins, name: Pin(steps * step, pin.firm)}))
        except Refusal:
            return False
        return True

    found = []
    for begun, times in ((floor(pin.value / step), Fraction(1, 2)), (ceil(pin.value / step), Fraction(2))):
        inside = begun
        for _ in range(_REACH):
            out, inside = inside, floor(inside * times)
            if inside <= 0:
                break
            if can(inside):
                while abs(inside - out) > 1:
                    middle = (inside + out) // 2
                    inside, out = (middle, out) if can(middle) else (inside, middle)
                found.append(inside * step)
                break
    return min(found, key=lambda value: abs(value - pin.value), default=None)
