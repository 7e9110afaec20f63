"""A row laid down as a strip."""

from __future__ import annotations

from ribbon.fraction import Fraction
from ribbon.lengths import Length
from ribbon.pleats.kind import Kind
from ribbon.pleats.row import Laying, Row
from ribbon.strip import LineKind, Role, Strip, begun_at, walk


def strip_of(kind: Kind, row: Row) -> Strip:
    """The strip that folds into `row`: faces between the pleats, each pleat laid by its kind.

    A ring that closes where a pleat stands is cut behind it: in the middle of its underlay, or, where that shows
    through an opening or there is but one fold, on an inner fold.
    """
    laying = Laying(row.parts)
    at, around = row.begins, row.around
    for index, standing in enumerate(around):
        laying.run(standing.left - at, Role.PLAIN if index == 0 and row.plain_lead else Role.FACE)
        laying.pleat(standing, kind.lay)
        at = standing.right
    laying.run(row.finished + row.begins - at, Role.PLAIN if row.plain_tail else Role.FACE)
    laid = laying.strip(ring=row.ring)
    return _closed_behind(laid, row) if row.closes else laid


def _closed_behind(laid: Strip, row: Row) -> Strip:
    first = row.pleats[0]
    own = [index for index, line in enumerate(laid.lines) if line.pleat == first.pleat]
    shut = first.left == first.right
    wanted = LineKind.CENTRE if shut and any(laid.lines[i].kind is LineKind.CENTRE for i in own) else LineKind.INNER
    line = next(index for index in own if laid.lines[index].kind is wanted)
    walked = walk(laid)
    after = laid.lines[line].after
    # The walk of `laid` sets out from behind the pleat; the edge begins at the pleat itself.
    x = walked.length(walked.x[after + 1]) + Length(Fraction(row.begins - row.finished, row.parts))
    return begun_at(laid, line, x, walked.heading[after + 1])
