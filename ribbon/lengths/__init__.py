"""Lengths: exact values, the units people use, reading what they type and writing what a tape shows."""

from ribbon.lengths.length import ZERO, Length
from ribbon.lengths.reading import (
    POUND,
    loosened,
    price_sign,
    read_count,
    read_length,
    read_load,
    read_minutes,
    read_part,
    read_price,
    read_ratio,
    read_weight,
    with_unit,
)
from ribbon.lengths.sums import Unreadable
from ribbon.lengths.units import UNITS, Unit, unit_named
from ribbon.lengths.writing import Scribe, Written, counted, typed, typed_number, write_ratio

__all__ = [
    "POUND",
    "UNITS",
    "ZERO",
    "Length",
    "Scribe",
    "Unit",
    "Unreadable",
    "Written",
    "counted",
    "loosened",
    "price_sign",
    "read_count",
    "read_length",
    "read_load",
    "read_minutes",
    "read_part",
    "read_price",
    "read_ratio",
    "read_weight",
    "typed",
    "typed_number",
    "unit_named",
    "with_unit",
    "write_ratio",
]
