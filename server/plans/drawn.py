"""What is drawn of an edge, as plain data: its marks, its walk, what shows of it, its layers."""

from __future__ import annotations

from ribbon.edge import EdgePlan
from ribbon.facts import Edge, usual_seam
from ribbon.readings import Joined, Mark, Showing, Stack, Thick, back, behind
from ribbon.says.cautions import Caution
from ribbon.says.slip import Sentence
from ribbon.strip import Span, Strip, Walk
from server.plans.out import (
    AllowanceOut,
    JoinOut,
    MarkOut,
    SentenceOut,
    ShowingOut,
    SpanOut,
    ThickOut,
    WalkOut,
    WarningOut,
    WidthOut,
)
from server.wire.change import told_change
from server.wire.told import Writer


def told_allowance(writer: Writer, edge: Edge) -> AllowanceOut:
    """The seam allowances, and whether that of the work was assumed."""
    own = edge.allowance
    return {
        "start": writer.place(own.start),
        "end": writer.place(own.end),
        "join": writer.place(own.join),
        "usual": writer.place(usual_seam(imperial=edge.imperial)),
        "assumed": own.assumed,
    }


def told_marks(writer: Writer, found: list[Mark], parts: int) -> list[MarkOut]:
    """Marks with their places written."""
    written = writer.places.write_each((mark.at for mark in found), parts)
    return [
        {"at": {"mm": at / parts, "text": text, "exact": exact}, "kind": kind, "pleat": pleat, "chalked": chalked}
        for (at, kind, pleat, chalked), (text, exact) in zip(found, written, strict=True)
    ]


def told_walk(writer: Writer, strip: Strip, walked: Walk, stacked: Stack | None = None) -> WalkOut:
    """The walk for drawing."""
    per = walked.parts
    # Equal spans share one object, laid down once: a row has a handful of them, however long it is.
    spans = {id(span): _span(writer, span) for span in {id(s): s for s in strip.spans}.values()}
    return {
        "spans": [spans[id(s)] for s in strip.spans],
        "folds": [{"after": fold.after, "turn": fold.turn} for fold in strip.folds],
        "flat": [at / per for at in walked.flat],
        "x": [x / per for x in walked.x],
        "layers": list(walked.layers),
        "behind": behind(walked, stacked),
    }


def _span(writer: Writer, span: Span) -> SpanOut:
    return {"length": writer.size(span.length), "role": span.role, "draw": float(span.draw)}


def told_showing(found: list[Showing], parts: int) -> list[ShowingOut]:
    """What shows, from place to place."""
    return [
        {"from": s.start / parts, "to": s.end / parts, "span": s.span, "side": "RS" if s.right_side else "WS"}
        for s in found
    ]


def told_back(whole: EdgePlan) -> list[ShowingOut]:
    """What shows of an edge turned over."""
    return told_showing(back(whole.walked, whole.stacked), whole.walked.parts)


def told_thick(stretch: Thick, parts: int) -> ThickOut:
    """A stretch and its layers."""
    return {"from": stretch.start / parts, "to": stretch.end / parts, "layers": stretch.layers}


def told_joins(writer: Writer, walked: Walk, made: Joined | None) -> list[JoinOut]:
    """Where the strip is joined."""
    return [
        {
            "at": writer.place(walked.length(join.at)),
            "where": join.where,
            "pleat": join.pleat,
            "hidden": join.hidden,
        }
        for join in (made.joins if made else [])
    ]


def told_widths(writer: Writer, made: Joined | None) -> list[WidthOut]:
    """The widths to cut."""
    return [{"cut": writer.size(w.cut), "flat": writer.size(w.flat)} for w in (made.widths if made else [])]


def told_slip(said: list[Sentence]) -> list[SentenceOut]:
    """The slip."""
    return [{"about": s.about, "text": s.text} for s in said]


def told_warnings(warned: list[Caution]) -> list[WarningOut]:
    """The warnings with their mends."""
    return [{"code": c.code, "message": c.message, "mend": told_change(c.mend) if c.mend else None} for c in warned]
