"""Stripes as they are seen once the strip is folded."""

from __future__ import annotations

from bisect import bisect_right
from collections.abc import Sequence
from fractions import Fraction
from typing import NamedTuple

from ribbon.cloth.stripes import StripeSpan
from ribbon.readings import Showing, on_span
from ribbon.strip import Walk


class Seen(NamedTuple):
    """A stretch of colour along the finished edge, `start` to `end` in parts of the walk, of span `span`."""

    start: Fraction
    end: Fraction
    span: int
    stripe: int


def on_spans(bands: Sequence[StripeSpan], walked: Walk) -> list[Seen]:
    """Every span's own colours where it comes to lie, in order along the cloth."""
    found: list[Seen] = []
    for span in range(len(walked.layers)):
        found += _along(bands, walked, span, None)
    return found


def on_front(bands: Sequence[StripeSpan], walked: Walk, showing: Sequence[Showing]) -> list[Seen]:
    """The colours that show, left to right: of each stretch of the front view, its own part of its span."""
    found: list[Seen] = []
    for one in showing:
        start, end = on_span(walked, one)
        own = _along(bands, walked, one.span, (start, end))
        # What shows round the end of a ring is seen where it comes to lie.
        back = one.start - start
        found += sorted((s._replace(start=s.start + back, end=s.end + back) for s in own), key=lambda seen: seen.start)
    return found


def _along(bands: Sequence[StripeSpan], walked: Walk, span: int, window: tuple[int, int] | None) -> list[Seen]:
    """The colours of one span between its finished ends, cut to `window` where there is one."""
    flat_from, flat_to = walked.flat[span], walked.flat[span + 1]
    x_from, x_to = walked.x[span], walked.x[span + 1]
    if flat_to == flat_from or x_from == x_to:
        return []
    per = Fraction(x_to - x_from, flat_to - flat_from)
    found = []
    first = max(0, bisect_right(bands, Fraction(flat_from), key=lambda band: band.start) - 1)
    for band in bands[first:]:
        if band.start >= flat_to:
            break
        a, b = max(band.start, Fraction(flat_from)), min(band.end, Fraction(flat_to))
        if b <= a:
            continue
        low, high = sorted((x_from + (a - flat_from) * per, x_from + (b - flat_from) * per))
        if window is not None:
            low, high = max(low, Fraction(window[0])), min(high, Fraction(window[1]))
        if high > low:
            found.append(Seen(low, high, span, band.stripe))
    return found
