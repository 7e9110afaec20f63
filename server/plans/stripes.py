"""A cloth's stripes along an edge, as they are drawn."""

from __future__ import annotations

from ribbon.cloth import Cutting, StripeSeen, beginning, coloured, on_front, on_spans
from ribbon.edge import EdgePlan
from server.plans.out import SeenOut, StripesOut


def told_stripes(whole: EdgePlan, cutting: Cutting) -> StripesOut | None:
    """The stripes along the flat strip, along every span, and as the front shows them; None of plain cloth.

    Raises `Refusal` for a stripe that there is none of.
    """
    stripes = cutting.bolt.stripes if cutting.bolt else ()
    if not stripes:
        return None
    walked = whole.walked
    bands = coloured(walked, stripes, beginning(stripes, cutting.stripe, whole.strip, walked))
    per, colours = walked.parts, [stripe.colour for stripe in stripes]

    def told(seen: list[StripeSeen]) -> list[SeenOut]:
        return [
            {"from": float(s.start) / per, "to": float(s.end) / per, "span": s.span, "colour": colours[s.stripe]}
            for s in seen
        ]

    return {
        "flat": [{"from": float(b.start) / per, "to": float(b.end) / per, "colour": colours[b.stripe]} for b in bands],
        "spans": told(on_spans(bands, walked)),
        "front": told(on_front(bands, walked, whole.showing)),
    }
