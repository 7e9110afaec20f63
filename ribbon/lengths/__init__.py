"""Lengths: exact values, the units people use, reading what they type and writing what a tape shows."""

from ribbon.lengths.length import ZERO, Length
from ribbon.lengths.reading import Unreadable, read_count, read_length, read_ratio
from ribbon.lengths.units import UNITS, Unit, unit_named
from ribbon.lengths.writing import Scribe, Written, write_ratio

__all__ = [
    "UNITS",
    "ZERO",
    "Length",
    "Scribe",
    "Unit",
    "Unreadable",
    "Written",
    "read_count",
    "read_length",
    "read_ratio",
    "unit_named",
    "write_ratio",
]
