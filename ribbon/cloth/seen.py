"""Stripes as they are seen once the strip is folded."""

from __future__ import annotations

from bisect import bisect_right
from collections.abc import Sequence
from typing import NamedTuple

from ribbon.cloth.cutting import StripeSet
from ribbon.cloth.stripes import Stripe, StripeSpan, coloured, lined_up
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length
from ribbon.readings import Showing, on_span
from ribbon.strip import LineKind, Role, Strip, Walk


class StripeSeen(NamedTuple):
    """A stretch of colour along the finished edge, `start` to `end` in parts of the walk, of span `span`."""

    start: Fraction
    end: Fraction
    span: int
    stripe: int


def on_spans(bands: Sequence[StripeSpan], walked: Walk) -> list[StripeSeen]:
    """Every span's own colours where it comes to lie, in order along the cloth."""
    found: list[StripeSeen] = []
    for span in range(len(walked.layers)):
        found += _along(bands, walked, span, None)
    return found


def on_front(bands: Sequence[StripeSpan], walked: Walk, showing: Sequence[Showing]) -> list[StripeSeen]:
    """The colours that show, left to right: of each stretch of the front view, its own part of its span."""
    found: list[StripeSeen] = []
    for one in showing:
        start, end = on_span(walked, one)
        own = _along(bands, walked, one.span, (start, end))
        # What shows round the end of a ring is seen where it comes to lie.
        back = one.start - start
        found += sorted((s._replace(start=s.start + back, end=s.end + back) for s in own), key=lambda seen: seen.start)
    return found


def _along(bands: Sequence[StripeSpan], walked: Walk, span: int, window: tuple[int, int] | None) -> list[StripeSeen]:
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
            found.append(StripeSeen(low, high, span, band.stripe))
    return found


class StripeLook(NamedTuple):
    """How the front looks with one stripe, by its number from 0, at the first fold or mid-face."""

    stripe: int
    where: str
    seen: list[StripeSeen]


_MOST_LOOKS = 6


def beginning(stripes: Sequence[Stripe], setting: StripeSet, laid: Strip, walked: Walk) -> Length:
    """Where along the strip the sequence begins.  Raises `Refusal` for a stripe that there is none of."""
    if setting.chosen is None:
        return ZERO
    return lined_up(stripes, setting.chosen, walked.length(_line(laid, walked, setting.where)), setting.at)


def looks(
    stripes: Sequence[Stripe], setting: StripeSet, laid: Strip, walked: Walk, showing: Sequence[Showing]
) -> list[StripeLook]:
    """The front view for each stripe at the first fold and mid-face, so that they can be told apart before choosing."""
    return [
        StripeLook(
            number, where, on_front(coloured(walked, stripes, beginning(stripes, tried, laid, walked)), walked, showing)
        )
        for number in range(min(len(stripes), _MOST_LOOKS))
        for where in ("fold", "face")
        for tried in [setting._replace(chosen=number, where=where)]
    ]


def _line(laid: Strip, walked: Walk, where: str) -> int:
    """The flat place that a stripe is set to: the first outer fold or sew line, or the middle of the first full face."""
    if where in ("start", "end"):
        plain = 0 if where == "start" else len(laid.spans) - 1
        return (walked.flat[plain] + walked.flat[plain + 1]) // 2
    if where == "face":
        faces = [n for n, span in enumerate(laid.spans) if span.role is Role.FACE and span.length]
        inner = faces[1] if len(faces) > 2 else faces[0] if faces else 0
        return (walked.flat[inner] + walked.flat[inner + 1]) // 2
    for line in laid.lines:
        if line.kind in (LineKind.OUTER, LineKind.SEW, LineKind.STITCH, LineKind.MATCH):
            return walked.flat[line.after + 1]
    return 0
