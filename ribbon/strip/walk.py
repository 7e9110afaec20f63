"""The walk along a strip: where every part of the cloth lies once it is folded.

Walking along the strip, the heading flips at each fold and the layer moves by one with its turn.  Positions are exact:
whole numbers of parts, `parts` to the millimetre, the least common denominator of the strip's own lengths.  Whole
numbers keep a strip of 20,000 pleats quick to walk.
"""

from __future__ import annotations

from dataclasses import dataclass, field
from itertools import accumulate
from math import lcm
from typing import Any

from ribbon.fraction import Fraction
from ribbon.lengths import Length
from ribbon.strip.strip import WHOLE, Strip, Turn


@dataclass(frozen=True, slots=True)
class Walk:
    """Where a strip lies.

    `flat` and `x` have one entry for each end of a span (spans + 1), in parts of a millimetre: the flat
    position and the finished position, both from the start.  `layers` and `heading` have one entry a span:
    its layer (0 for the first, higher is nearer to whoever looks at the right side) and +1 or -1.  On a `ring` cloth
    that passes the closing point goes on at the other end, `climbs` layers higher there for each time round.
    """

    parts: int
    flat: tuple[int, ...]
    x: tuple[int, ...]
    layers: tuple[int, ...]
    heading: tuple[int, ...]
    ring: bool = False
    climbs: int = 0
    known: dict[str, Any] = field(default_factory=dict, compare=False, repr=False)
    """Readings that have been taken of it, so that none is taken twice."""

    def length(self, parts: int | Fraction) -> Length:
        """A position of this walk as an exact length."""
        return Length(Fraction(parts, self.parts))

    @property
    def finished(self) -> Length:
        """The finished width: how far along the edge the walk comes."""
        return self.length(self.x[-1] - self.x[0])


def walk(strip: Strip, tape: Length | None = None) -> Walk:
    """Where `strip` lies once folded, in parts fine enough for the divisions of `tape` too."""
    # Rows share their spans: each is measured once, however often it is walked.
    shared = {id(span): span for span in strip.spans}
    # How long each is, and how far it goes along the edge: the same, but for cloth that is drawn up.
    sizes = {
        key: (span.length.mm, span.length.mm if span.draw is WHOLE else span.length.mm * span.draw)
        for key, span in shared.items()
    }
    parts = lcm(
        *(size.denominator for both in sizes.values() for size in both),
        tape.mm.denominator if tape else 1,
        strip.begins.mm.denominator,
    )
    runs = {
        key: (flat.numerator * (parts // flat.denominator), along.numerator * (parts // along.denominator))
        for key, (flat, along) in sizes.items()
    }
    front, spans = Turn.FRONT, len(strip.spans)
    headings, layers = [], []
    heading, layer, begun = strip.heading, 0, 0
    for after, turn in strip.folds:
        run = after + 1 - begun
        headings += [heading] * run
        layers += [layer] * run
        heading, layer, begun = -heading, layer + (1 if turn is front else -1), after + 1
    headings += [heading] * (spans - begun)
    layers += [layer] * (spans - begun)
    lengths = [runs[id(span)] for span in strip.spans]
    flat = accumulate((run for run, _ in lengths), initial=0)
    along = (heading * along for heading, (_, along) in zip(headings, lengths, strict=True))
    x = accumulate(along, initial=int(strip.begins.mm * parts))
    closing = 0 if strip.closing is None else 1 if strip.closing is front else -1
    return Walk(parts, tuple(flat), tuple(x), tuple(layers), tuple(headings), strip.ring, layer + closing)
