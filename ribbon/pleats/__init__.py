"""The kinds of pleat, one a file, and a row of them.

A kind states its equations (`Relation`), how one pleat is folded (`lay`) and what it starts from when little
is known.  A row is pleats standing at finished positions; `strip_of` lays it down as a strip.
"""

from ribbon.pleats.kind import Default, Kind, Look, Quantity
from ribbon.pleats.laid import strip_of
from ribbon.pleats.relation import Relation
from ribbon.pleats.row import Facing, Laying, Row, Standing

__all__ = ["Default", "Facing", "Kind", "Laying", "Look", "Quantity", "Relation", "Row", "Standing", "strip_of"]
