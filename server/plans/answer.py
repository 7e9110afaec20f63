"""The plan of an edge as it goes out on the wire."""

from __future__ import annotations

from ribbon.cloth import fronts_of, lies_on_cloth
from ribbon.edge import EdgePlan, Gathered, Inserted, PlannedStretch, TapedEdge, Tapered
from ribbon.lengths import ZERO, Length, typed_number
from ribbon.readings import behind, front, layers, lies, lining_marks, marks, stack, thickest
from ribbon.says.cautions import cautions
from ribbon.says.slip import slip, tape_says
from ribbon.strip import walk
from ribbon.table.chalk import found_by_folding
from server.plans.bounds import planned
from server.plans.drawn import (
    told_allowance,
    told_back,
    told_joins,
    told_marks,
    told_showing,
    told_slip,
    told_thick,
    told_walk,
    told_warnings,
    told_widths,
)
from server.plans.out import (
    FoldedOut,
    GatheredOut,
    InsertedOut,
    LiesOut,
    MarkOut,
    OnTapeOut,
    PartOut,
    PlanOut,
    SolvedOut,
    TaperOut,
)
from server.plans.sizes import NO_SIZES, solved
from server.plans.stripes import told_stripes
from server.wire.read_edge import Given
from server.wire.told import Writer, number, told_ratio


def answer_of(given: Given) -> PlanOut:
    """Everything that follows from a section; lengths as {mm, text, exact}.  Raises `Refusal`."""
    edge, cutting = given.edge, given.cutting
    striped = len(cutting.bolt.stripes) if cutting.bolt else 0
    whole = planned(edge, "A plan with its joins" if edge.cloth.usable else "A plan", stripes=striped)
    writer, walked, only = Writer.of(whole), whole.walked, whole.only
    found = fronts_of(only, cutting)
    more = found.more if found else ZERO
    lying = lies_on_cloth(whole, cutting)
    joined = lying.joined if lying else None
    cut = (
        sum((width.cut for width in joined.widths), ZERO)
        if joined
        else whole.flat + edge.allowance.start + edge.allowance.end + more
    )
    lined = given.spec.lining
    return {
        "kind": only.section.kind.name if only else "mixed",
        "unit": edge.unit.sign,
        "tape": writer.place(edge.tape) if edge.tape is not None else None,
        "finished": writer.size(whole.finished),
        "flat": writer.size(whole.flat),
        "cut": writer.size(cut),
        **(solved(only, cutting) if only else _sums(whole, writer)),
        "take_up": writer.size(whole.flat - whole.finished),
        "lead": writer.size(only.lead if only else ZERO),
        "tail": writer.size(only.tail if only else ZERO),
        "allowance": told_allowance(writer, edge),
        "marks": _marks(whole, writer),
        "on_tape": _on_tape(writer, whole, whole.on_tape) if whole.on_tape else None,
        **_folded(writer, whole),
        "back": told_back(whole),
        "joins": told_joins(writer, walked, joined),
        "widths": told_widths(writer, joined),
        "warnings": told_warnings(cautions(whole)),
        "slip": told_slip(slip(whole, joined, more, lined=lined)),
        "taper": _upper(writer, whole, whole.upper) if whole.upper else None,
        "inserted": _inserted(writer, whole.piece) if whole.piece else None,
        "gathered": _gathered(writer, whole.gathered) if whole.gathered else None,
        "lining": told_marks(writer, lining_marks(whole.strip, walked), walked.parts) if lined else None,
        "stripes": told_stripes(whole, cutting),
        "parts": [_part(writer, one) for one in whole.stretches] if only is None else [],
    }


def _folded(writer: Writer, whole: EdgePlan) -> FoldedOut:
    """How it folds: exactly; where there is no tape, with what checks and the turn of the cloth change in it, as its marks have it."""
    strip, walked, stacked = whole.strip, whole.walked, whole.stacked
    showing, thick = whole.showing, whole.thick
    if whole.edge.tape is None and whole.marked.strip is not strip:
        strip, walked = whole.marked.strip, whole.marked.walked
        stacked = stack(walked)
        showing, thick = front(walked, stacked), layers(walked, stacked)
    return {
        "walk": told_walk(writer, strip, walked, stacked),
        "front": told_showing(showing, walked.parts),
        "layers": [told_thick(stretch, walked.parts) for stretch in thick],
        "thickest": told_thick(thickest(thick), walked.parts),
    }


def lies_of(given: Given) -> list[LiesOut]:
    """Where every line of the exact strip lies, flat and folded.  Raises `Refusal`."""
    whole = planned(given.edge, "The table of an edge")
    exact, walked = whole.strip, whole.walked
    write, before = given.edge.scribe.write_parts, behind(walked)
    last = len(before) - 1
    return [
        {
            "pleat": one.pleat,
            "kind": one.kind,
            "flat": write(one.flat, walked.parts).text,
            "finished": write(one.x, walked.parts).text,
            "layer": before[min(last, line.after + 1)] + 1,
        }
        for one, line in zip(lies(exact, walked), exact.lines, strict=True)
    ]


def _sums(whole: EdgePlan, writer: Writer) -> SolvedOut:
    """What holds for the whole of an edge that has parts: its own sizes are null, each part's are under `parts`."""
    full = whole.flat / whole.finished
    return {
        **NO_SIZES,
        "count": number(whole.pleats),
        "spaces": 0,
        "fullness": told_ratio(full),
        "pleated_fullness": told_ratio(full),
        "gave": [],
        "assumed": [],
        "typed": {
            "finished": writer.typed(whole.finished),
            "flat": writer.typed(whole.flat),
            "fullness": typed_number(full),
        },
        "loose": [],
        "choices": [],
        "explain": [],
    }


def _part(writer: Writer, one: PlannedStretch) -> PartOut:
    return {
        "kind": one.plan.section.kind.name if one.plan else "plain",
        "start": writer.place(one.start),
        "flat_start": writer.place(one.flat_start),
        "finished": writer.size(one.finished),
        "flat": writer.size(one.flat),
        "lead": writer.size(one.plan.lead if one.plan else ZERO),
        "typed": writer.typed(one.finished),
        "sizes": solved(one.plan) if one.plan else None,
    }


def _marks(whole: EdgePlan, writer: Writer) -> list[MarkOut]:
    """Exact marks; where there is no tape, with what checks and the turn of the cloth change in them."""
    if whole.edge.tape is None:
        return told_marks(writer, whole.marked.marks, whole.marked.walked.parts)
    return told_marks(writer, marks(whole.strip, whole.walked), whole.walked.parts)


def _upper(writer: Writer, whole: EdgePlan, exact: Tapered) -> TaperOut:
    """The upper level: its marks and slants, on the tape where there is one."""
    shown = whole.upper_on_tape or exact
    walked = walk(shown.strip)
    return {
        "height": writer.place(exact.height),
        "finished": writer.size(exact.comes_to),
        "on_tape": writer.size(shown.comes_to),
        "marks": told_marks(writer, marks(shown.strip, walked), walked.parts),
        "slants": [{"kind": s.kind, "pleat": s.pleat, "shift": writer.size(s.shift)} for s in shown.slants],
    }


def _inserted(writer: Writer, piece: Inserted) -> InsertedOut:
    return {
        "lines": [
            {
                "at": writer.place(line.at),
                "pleat": line.pleat,
                "lower": writer.size(line.lower),
                "upper": writer.size(line.upper),
                "on_fold": line.on_fold,
            }
            for line in piece.lines
        ],
        "lower": writer.size(piece.lower),
        "upper": writer.size(piece.upper),
        "totals": [{"of": t.of, "pleats": number(t.pleats), "take_up": writer.size(t.take_up)} for t in piece.totals],
        "trued": [{"at": writer.place(c.at), "height": writer.size(c.height)} for c in piece.trued],
    }


def _gathered(writer: Writer, about: Gathered) -> GatheredOut:
    return {
        "points": [
            {"finished": writer.place(p.finished), "flat": writer.place(p.flat), "name": p.name} for p in about.points
        ],
        "sections": about.thread.sections,
        "thread": writer.place(about.thread.each),
        "thread_in_all": writer.place(about.thread.total),
        "least": writer.size_or_none(about.least),
        "most": writer.size_or_none(about.most),
    }


def _on_tape(writer: Writer, whole: EdgePlan, on_tape: TapedEdge) -> OnTapeOut:
    found = whole.marked
    says = [
        f"{name}: {tape_says(one.plan, taped)}" if name else tape_says(one.plan, taped)
        for (name, one), taped in zip(whole.named(), on_tape.stretches, strict=True)
        if one.plan is not None and taped is not None
    ]
    flat: Length = on_tape.strip.flat
    return {
        "finished": writer.size(on_tape.finished),
        "flat": writer.size(flat),
        "marks": told_marks(writer, found.marks, found.walked.parts),
        "groups": [{"pleats": count, "depth": writer.size(depth)} for count, depth in on_tape.groups],
        "says": " ".join(filter(None, (*says, found_by_folding(found.marks)))),
        "naive_error": writer.size(on_tape.naive_error),
        "off": writer.size(flat - whole.flat),
    }
