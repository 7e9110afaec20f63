"""Gathers: cloth drawn up by a ratio, with match points instead of folds."""

from ribbon.gathers.gather import GATHER, Between, Thread, gathered_strip, parts, thread
from ribbon.gathers.gathering import (
    BY_WEIGHT,
    Gathering,
    Point,
    Ruffler,
    Swatch,
    Tried,
    settings,
    stitch_for,
    stitch_text,
    suggested_ratio,
    tried,
    tuck_from,
    tuck_text,
)

__all__ = [
    "BY_WEIGHT",
    "GATHER",
    "Between",
    "Gathering",
    "Point",
    "Ruffler",
    "Swatch",
    "Thread",
    "Tried",
    "gathered_strip",
    "parts",
    "settings",
    "stitch_for",
    "stitch_text",
    "suggested_ratio",
    "thread",
    "tried",
    "tuck_from",
    "tuck_text",
]
