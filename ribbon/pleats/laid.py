"""A row laid down as a strip."""

from __future__ import annotations

from ribbon.pleats.kind import Kind
from ribbon.pleats.row import Laying, Row
from ribbon.strip import Role, Strip


def strip_of(kind: Kind, row: Row) -> Strip:
    """The strip that folds into `row`: faces between the pleats, each pleat laid by its kind."""
    laying = Laying(row.parts)
    at = 0
    for index, standing in enumerate(row.pleats):
        laying.run(standing.left - at, Role.PLAIN if index == 0 and row.plain_lead else Role.FACE)
        laying.pleat(standing, kind.lay)
        at = standing.right
    laying.run(row.finished - at, Role.PLAIN if row.plain_tail else Role.FACE)
    return laying.strip()
