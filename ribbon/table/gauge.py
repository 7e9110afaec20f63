"""The gauge: a card with notches that replaces measuring, where one pleat is like another."""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from itertools import pairwise
from typing import NamedTuple

from ribbon.lengths import ZERO, Length
from ribbon.strip import LineKind, Role, Span, Strip


class GaugeNotch(NamedTuple):
    """One measure of a gauge: what it measures, how long it is."""

    role: Role
    length: Length


class Gauge(NamedTuple):
    """The measures of one pleat in order, under, under, face; empty where no card can serve.  `says` tells how far it does."""

    notches: tuple[GaugeNotch, ...]
    says: str


def gauge(laid: Strip, tape: Length | None = None) -> Gauge:
    """The gauge of a strip: of every measure the commonest value.

    Measures that differ by no more than the tape rounds them are taken as one; where they differ by more, as between
    pleats at places of their own, a card does not serve.
    """
    pleats = _pleats(laid)
    runs = _between(laid, pleats)
    most = max((len(sizes.spans) for sizes in pleats.values()), default=0)
    whole = [sizes for sizes in pleats.values() if len(sizes.spans) == most]
    if not pleats:
        return Gauge((), "Nothing here repeats that a card could measure.")
    columns = [list(column) for column in zip(*(sizes.spans for sizes in whole), strict=True)]
    if runs:
        columns.append(runs)
    if not columns:
        columns = [[one] for one in _after(laid, pleats)]
    found, differ = [], False
    for column in columns:
        sizes = Counter(notch.length for notch in column)
        # Running totals put two values beside each other, a step of the take-up apart at the most.
        step = (tape or ZERO) * (2 if column[0].role in (Role.UNDER, Role.FINGER) else 1)
        if max(sizes) - min(sizes) > step:
            return Gauge((), _does_not_serve(column[0].role))
        differ = differ or len(sizes) > 1
        length = max(sizes, key=lambda size: (sizes[size], size))
        if length:
            found.append(GaugeNotch(column[0].role, length))
    says = "A card with notches for one pleat after another"
    return Gauge(
        tuple(found),
        f"{says}; where pleats differ by a division the chalk list rules."
        if differ
        else f"{says}: they are all alike.",
    )


def _does_not_serve(role: Role) -> str:
    what = {
        Role.FACE: "what shows between these pleats differs",
        Role.PLAIN: "what shows between these pleats differs",
        Role.GATHERED: "the parts between these points differ",
    }.get(role, "these pleats are not of one depth")
    return f"A gauge does not serve here: {what} from one to the next. Use the chalk list or the template."


class _Pleat(NamedTuple):
    first: int
    last: int
    spans: list[GaugeNotch]


def _pleats(laid: Strip) -> dict[int, _Pleat]:
    """The spans between the first and the last line of each pleat; halves of one that a ring closes in are left out."""
    ends: dict[int, tuple[int, int]] = {}
    for line in laid.lines:
        if line.kind is LineKind.CENTRE and laid.ring and laid.begins and line.pleat == laid.lines[0].pleat:
            continue
        first = ends.get(line.pleat, (line.after, line.after))[0]
        ends[line.pleat] = (first, line.after)
    split = laid.lines[0].pleat if laid.ring and laid.lines and laid.lines[0].pleat == laid.lines[-1].pleat else None
    return {
        pleat: _Pleat(first, last, [GaugeNotch(s.role, s.length) for s in laid.spans[first + 1 : last + 1] if s.length])
        for pleat, (first, last) in ends.items()
        if pleat != split or len(ends) == 1
    }


def _between(laid: Strip, pleats: dict[int, _Pleat]) -> list[GaugeNotch]:
    """What lies between the last line of one pleat and the first of the next."""
    order = sorted(pleats.values(), key=lambda one: one.first)
    found = []
    for before, behind in pairwise(order):
        spans = laid.spans[before.last + 1 : behind.first + 1]
        found.append(GaugeNotch(_role(spans), sum((span.length for span in spans), ZERO)))
    return found


def _after(laid: Strip, pleats: dict[int, _Pleat]) -> list[GaugeNotch]:
    """What lies behind the only pleat."""
    spans = laid.spans[max(one.last for one in pleats.values()) + 1 :]
    return [GaugeNotch(_role(spans), sum((span.length for span in spans), ZERO))] if spans else []


def _role(spans: Sequence[Span]) -> Role:
    return spans[0].role if spans else Role.FACE
