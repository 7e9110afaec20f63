"""A cloth's stripes on the way in and on the way out."""

from __future__ import annotations

from typing import Any, NamedTuple

from ribbon.cloth import Seen, Stripe, coloured, lined_up, on_front, on_spans
from ribbon.errors import Refusal
from ribbon.lengths import UNITS, ZERO, Length
from ribbon.readings import Showing
from ribbon.strip import LineKind, Role, Strip, Walk
from server.plans.schema import SectionIn
from server.plans.texts import Texts


class Striped(NamedTuple):
    """A sequence of stripes, and which of them stands where: its place (None: as it comes), on the fold or mid-face."""

    stripes: tuple[Stripe, ...]
    chosen: int | None
    at: str
    where: str


def read_stripes(section: SectionIn) -> Striped | None:
    """The stripes of a section's cloth, None without any.  Raises `Refusal`."""
    said = section.cloth.stripes
    if not said:
        return None
    texts = Texts(UNITS[section.unit])
    widths = [texts.positive(f"cloth.stripes.{n}.width", stripe.width) for n, stripe in enumerate(said)]
    if texts.problems:
        raise Refusal(texts.problems)
    stripes = tuple(
        Stripe(stripe.colour, width, stripe.name)
        for stripe, width in zip(said, widths, strict=True)
        if width is not None
    )
    cutting = section.cutting
    return Striped(stripes, cutting.stripe - 1 if cutting.stripe else None, cutting.stripe_at, cutting.stripe_where)


def told_stripes(striped: Striped, laid: Strip, walked: Walk, showing: list[Showing]) -> dict[str, Any]:
    """The stripes along the flat strip, along every span, and as the front shows them.  Raises `Refusal`."""
    first = beginning(striped, laid, walked)
    bands = coloured(walked, striped.stripes, first)
    per = walked.parts
    colours = [stripe.colour for stripe in striped.stripes]

    def told(seen: list[Seen]) -> list[dict[str, Any]]:
        return [
            {"from": float(s.start) / per, "to": float(s.end) / per, "span": s.span, "colour": colours[s.stripe]}
            for s in seen
        ]

    return {
        "flat": [{"from": float(b.start) / per, "to": float(b.end) / per, "colour": colours[b.stripe]} for b in bands],
        "spans": told(on_spans(bands, walked)),
        "front": told(on_front(bands, walked, showing)),
    }


def beginning(striped: Striped, laid: Strip, walked: Walk) -> Length:
    """Where along the strip the sequence begins.  Raises `Refusal`."""
    if striped.chosen is None:
        return ZERO
    return lined_up(striped.stripes, striped.chosen, walked.length(_line(laid, walked, striped.where)), striped.at)


_MOST_LOOKS = 12


def looks(striped: Striped, laid: Strip, walked: Walk, showing: list[Showing]) -> list[dict[str, Any]]:
    """The front view for each stripe at the first fold and mid-face, so that they can be told apart before choosing."""
    per = walked.parts
    found = []
    for number, stripe in enumerate(striped.stripes[: _MOST_LOOKS // 2], 1):
        for where in ("fold", "face"):
            choice = striped._replace(chosen=number - 1, where=where)
            bands = coloured(walked, striped.stripes, beginning(choice, laid, walked))
            seen = on_front(bands, walked, showing)
            found.append(
                {
                    "stripe": number,
                    "where": where,
                    "colour": stripe.colour,
                    "front": [
                        {
                            "from": float(s.start) / per,
                            "to": float(s.end) / per,
                            "colour": striped.stripes[s.stripe].colour,
                        }
                        for s in seen[:400]
                    ],
                }
            )
    return found


def _line(laid: Strip, walked: Walk, where: str) -> int:
    """The flat place that a stripe is set to: the first outer fold or sew line, or the middle of the first full face."""
    if where == "face":
        faces = [n for n, span in enumerate(laid.spans) if span.role is Role.FACE and span.length]
        inner = faces[1] if len(faces) > 2 else faces[0] if faces else 0
        return (walked.flat[inner] + walked.flat[inner + 1]) // 2
    for line in laid.lines:
        if line.kind in (LineKind.OUTER, LineKind.SEW, LineKind.STITCH, LineKind.MATCH):
            return walked.flat[line.after + 1]
    return 0
