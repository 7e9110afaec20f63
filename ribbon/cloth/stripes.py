"""Stripes and plaids: a cloth's own sequence of colours, followed through the folds."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

from ribbon.errors import refuse
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length
from ribbon.strip import Walk


class Stripe(NamedTuple):
    """One stripe of the sequence: its colour, its width, a name to call it by."""

    colour: str
    width: Length
    name: str = ""


class StripeSpan(NamedTuple):
    """A stretch of one colour on the flat strip, `start` to `end` in parts of the walk; `stripe` is its place in the sequence."""

    start: Fraction
    end: Fraction
    stripe: int


def repeat_of(stripes: Sequence[Stripe]) -> Length:
    """The width after which the sequence starts again."""
    return sum((stripe.width for stripe in stripes), ZERO)


def coloured(walked: Walk, stripes: Sequence[Stripe], first: Length) -> list[StripeSpan]:
    """The flat strip in its colours, the sequence beginning `first` along the strip (and before it, backwards)."""
    whole, per = walked.flat[-1], walked.parts
    turn = repeat_of(stripes).mm * per
    at = first.mm * per
    at -= turn * -(-at // turn)  # the last beginning of the sequence at or before the start of the strip
    found: list[StripeSpan] = []
    while at < whole:
        for index, stripe in enumerate(stripes):
            end = at + stripe.width.mm * per
            a, b = max(Fraction(0), at), min(Fraction(whole), end)
            if b > a:
                found.append(StripeSpan(a, b, index))
            at = end
            if at >= whole:
                break
    return found


class Fit(NamedTuple):
    """Pleats to the repeat: so many repeats to a pleat, the flat pitch they make and the depth that follows."""

    repeats: int
    pitch: Length
    depth: Length


def to_repeat(repeat: Length, spacing: Length, per_depth: int) -> list[Fit]:
    """The ways to make every pleat show the same part: P = m × repeat, d = (P − s) / thicknesses.

    From the shallowest that leaves anything to fold; four of them.
    """
    found: list[Fit] = []
    repeats = 1 + int(spacing / repeat)
    while len(found) < 4:
        pitch = repeat * repeats
        depth = (pitch - spacing) / per_depth
        if depth > ZERO:
            found.append(Fit(repeats, pitch, depth))
        repeats += 1
    return found


def lined_up(stripes: Sequence[Stripe], chosen: int, line: Length, where: str) -> Length:
    """Where the sequence must begin so that stripe `chosen` stands at the flat place `line`.

    `where` is `edge` (its left edge lies on the line) or `middle` (its middle does).  Raises `Refusal` for a stripe
    that there is none of.
    """
    if not 0 <= chosen < len(stripes):
        raise refuse(
            "no_such_stripe",
            "cutting.stripe",
            chosen + 1,
            f"the cloth has {len(stripes)} stripes",
            f"choose one from 1 to {len(stripes)}",
        )
    before = sum((stripe.width for stripe in stripes[:chosen]), ZERO)
    shift = stripes[chosen].width / 2 if where == "middle" else ZERO
    return line - before - shift


class Apron(NamedTuple):
    """Plain overlapping front pieces cut from one length with the pleats: the widths each takes flat, and what was given up.

    `outer` and `inner` are flat widths with their inside folds; `left` is what is left for pleats.
    """

    outer: Length
    inner: Length
    left: Length
    says: tuple[str, ...]


def usual_hand(*, imperial: bool) -> Length:
    """How deep the fold inside the edge of a front piece is where nothing is said: a hand."""
    return Length.inches(4) if imperial else Length.cm(10)


def apron(flat: Length, front: Length, fold: Length, needed: Length) -> Apron:
    """How a length of cloth is shared between an outer and an inner front piece and the pleats.

    Each front piece is `front` wide and has an inside fold `fold` deep within its edge.  Where the pleats `needed` do
    not fit, what gives is, in order: the inner piece's fold, down to nothing; the outer one keeps its own.
    """
    outer, inner = front + fold, front + fold
    left = flat - outer - inner
    says: list[str] = []
    short = needed - left
    if short > ZERO:
        gives = min(short, fold)
        inner -= gives
        left += gives
        says.append("the inner piece's fold gives first" if gives < fold else "the inner piece has no inside fold left")
    if left < needed:
        says.append("fewer pleats, or a repeat less to each, or one more join")
    return Apron(outer, inner, left, tuple(says))
