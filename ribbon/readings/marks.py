"""The marks: the flat position of every named line."""

from __future__ import annotations

from typing import NamedTuple

from ribbon.strip import LineKind, Strip, Walk


class Mark(NamedTuple):
    """A mark: `at` in parts of the walk from the start of the flat width, its kind, and its pleat, from 1."""

    at: int
    kind: LineKind
    pleat: int


def marks(strip: Strip, walked: Walk) -> list[Mark]:
    """Every mark of `strip` in order along the cloth; `walked` is its walk (work, section 2)."""
    flat = walked.flat
    return [Mark(flat[line.after + 1], line.kind, line.pleat) for line in strip.lines]
