"""Solving: what is pinned is followed through the equations of a kind until every size is known, or refused with a way out."""

from ribbon.solve.solution import Assumed, Gave, Step

__all__ = [
    "Assumed",
    "Gave",
    "Step",
]
