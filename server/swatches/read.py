"""Reads a swatch: its facts as typed, with every problem collected."""

from __future__ import annotations

from typing import NamedTuple

from ribbon.errors import Problem, Refusal
from ribbon.gathers import SwatchKind, Trial
from ribbon.lengths import UNITS, Length, read_count, read_length
from server.swatches.schema import BookSpec
from server.wire.texts import Texts


class ReadSwatch(NamedTuple):
    """A swatch that was read: what was tried, its rows of stitches."""

    trial: Trial
    rows: int | None


def read_swatch(kind: str, unit: str, spec: BookSpec) -> ReadSwatch:
    """What was tried.  Raises `Refusal` with everything in it that cannot be read, or cannot be."""
    texts = Texts(UNITS[unit])
    flat = texts.length_or_none("flat", spec.flat)
    measured = [texts.length_or_none(f"measured.{number}", text) for number, text in enumerate(spec.measured)]
    depth = texts.length_or_none("depth", spec.depth)
    # A machine's stitch is millimetres whatever the work is measured in.
    stitch = texts.read_or_none("stitch", spec.stitch, _millimetres)
    texts.length_or_none("guide", spec.guide)
    folds = texts.read_or_none("folds", spec.folds, read_count)
    rows = texts.read_or_none("rows", spec.rows, read_count)
    every = 6
    if spec.every.strip().lower() in ("0", "none"):
        every = 0
    elif spec.every.strip():
        every = texts.read("every", spec.every, read_count) or 6
    if texts.problems:
        raise Refusal(texts.problems)
    trial = Trial(
        SwatchKind(kind), flat, tuple(one for one in measured if one is not None), folds or 0, depth, every, stitch
    )
    return ReadSwatch(trial, rows)


def _millimetres(text: str) -> Length:
    return read_length(text, UNITS["mm"])


def under_spec(refused: Refusal) -> Refusal:
    """The same problems with their fields below `spec`."""
    return Refusal(
        Problem(one.code, f"spec.{one.path}", one.value, one.message, one.way_out) for one in refused.problems
    )
