"""The walk along a strip: where every part of the cloth lies once it is folded.

Walking along the strip, the heading flips at each fold and the layer moves by one with its turn
(work, section 2).  Positions are exact: whole numbers of parts, `parts` to the millimetre, the least common
denominator of the strip's own lengths.  Whole numbers keep a strip of 20,000 pleats quick to walk.
"""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction
from math import lcm

from ribbon.lengths import Length
from ribbon.strip.strip import Strip, Turn


@dataclass(frozen=True, slots=True)
class Walk:
    """Where a strip lies.

    `flat` and `x` have one entry for each end of a span (spans + 1), in parts of a millimetre: the flat
    position and the finished position, both from the start.  `layers` and `heading` have one entry a span:
    its layer (0 for the first, higher is nearer to whoever looks at the right side) and +1 or -1.
    """

    parts: int
    flat: tuple[int, ...]
    x: tuple[int, ...]
    layers: tuple[int, ...]
    heading: tuple[int, ...]

    def length(self, parts: int) -> Length:
        """A position of this walk as an exact length."""
        return Length(Fraction(parts, self.parts))

    @property
    def finished(self) -> Length:
        """The finished width: where the walk ends."""
        return self.length(self.x[-1])


def walk(strip: Strip) -> Walk:
    """Where `strip` lies once folded (work, section 2)."""
    # Rows share their spans: each is measured once, however often it is walked.
    shared = {id(span): span for span in strip.spans}
    parts = lcm(*(d for s in shared.values() for d in (s.length.mm.denominator, (s.length.mm * s.draw).denominator)))
    runs = {key: (int(s.length.mm * parts), int(s.length.mm * s.draw * parts)) for key, s in shared.items()}
    front = Turn.FRONT
    steps = {after: 1 if turn is front else -1 for after, turn in strip.folds}
    flat, x, layers, headings = [0], [0], [], []
    heading, layer = 1, 0
    flat_at = x_at = 0
    for index, span in enumerate(strip.spans):
        run, along = runs[id(span)]
        flat_at += run
        x_at += heading * along
        flat.append(flat_at)
        x.append(x_at)
        layers.append(layer)
        headings.append(heading)
        if index in steps:
            heading, layer = -heading, layer + steps[index]
    return Walk(parts, tuple(flat), tuple(x), tuple(layers), tuple(headings))
