"""How the finished width of an edge is shared over its stretches."""

from __future__ import annotations

from collections.abc import Sequence

from ribbon.errors import refuse
from ribbon.facts.edge import Edge, Stretch
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length, Scribe


def widths(edge: Edge) -> list[Length | None]:
    """The finished width of each stretch, None for one that finds its own.

    Raises `Refusal` where shares and widths do not fit the edge, by the paths of its parts.
    """
    if edge.only is not None:
        return [None]
    if not edge.stretches:
        raise refuse("none", "parts", "", "the edge has no part yet", "add a part: plain, pleated or gathered")
    if edge.finished is None:
        return _own(edge.stretches)
    return _shared(edge.stretches, edge.finished, edge.scribe)


def _own(stretches: Sequence[Stretch]) -> list[Length | None]:
    for one in stretches:
        if one.share is not None:
            raise refuse(
                "no_band",
                f"{one.path}.share",
                str(one.share),
                "a share of what: the edge has no finished width yet",
                "give the whole edge a finished width, or this part a width",
            )
        if one.section is None and one.width is None:
            raise refuse(
                "no_width",
                f"{one.path}.width",
                "",
                "a plain part needs a width",
                "give it a width, or the whole edge a finished width",
            )
    return [one.width for one in stretches]


def _shared(stretches: Sequence[Stretch], finished: Length, scribe: Scribe) -> list[Length | None]:
    taken = sum(
        (one.width if one.width is not None else finished * (one.share or Fraction(0)) for one in stretches), ZERO
    )
    open_ones = [one for one in stretches if one.width is None and one.share is None]
    left = finished - taken
    if left < ZERO or (left == ZERO and open_ones):
        raise refuse(
            "too_wide",
            "pins.finished",
            scribe.write(finished).text,
            f"the parts take {scribe.write(taken).text} of {scribe.write(finished).text}",
            "give them less, or widen the edge",
        )
    if left > ZERO and not open_ones:
        raise refuse(
            "left_over",
            "pins.finished",
            scribe.write(finished).text,
            f"the parts leave {scribe.write(left).text} of the edge unsaid",
            "widen one, or add a part that takes what is left",
        )
    each = left / len(open_ones) if open_ones else ZERO
    return [
        one.width if one.width is not None else finished * one.share if one.share is not None else each
        for one in stretches
    ]
