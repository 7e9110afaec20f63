"""A plan as it goes out on the wire."""

from __future__ import annotations

from typing import Any

from ribbon.cautions import cautions
from ribbon.chalk import as_marked, found_by_folding
from ribbon.lengths import ZERO
from ribbon.notes import gathered
from ribbon.pins import (
    Band,
    Inserted,
    Plan,
    Section,
    Taped,
    Tapered,
    inserted,
    laid,
    mixed,
    plan,
    strip,
    taped,
    tapered,
)
from ribbon.readings import behind, lies, lining_marks, marks, past_ends
from ribbon.slip import made_as, slip, tape_says
from ribbon.strip import walk
from server.plans.bounds import bounded, bounded_plan
from server.plans.drawn import Writer, told_allowance, told_joins, told_marks, told_sayings, told_strip
from server.plans.joining import Cut, fronts_of, joined_for
from server.plans.mixed import answer_of_mixed
from server.plans.sizes import number, sizes_of
from server.plans.stripes import told_stripes


def answer_of(section: Section | Band, *, lined: bool = False, cut: Cut | None = None) -> dict[str, Any]:
    """Everything that follows from `section`; lengths as {mm, text, exact}.  Raises `Refusal`."""
    if not isinstance(section, Band):
        return _answer(plan(section), lined, cut or Cut())
    bounded(section, "A plan with its joins", stripes=len(cut.striped.stripes) if cut and cut.striped else 0)
    return answer_of_mixed(mixed(section), cut or Cut())


def _answer(plan: Plan, lined: bool, cut: Cut) -> dict[str, Any]:
    section, writer = plan.section, Writer(plan.section)
    what = "A plan with its joins" if section.cloth.usable else "A plan"
    bounded_plan(plan, what, stripes=len(cut.striped.stripes) if cut.striped else 0)
    exact = strip(plan)
    walked = walk(exact)
    on_tape = taped(plan, section.tape) if section.tape is not None else None
    drawn, showing, most = told_strip(writer, exact, walked)
    fronts = fronts_of(plan, cut)
    made = joined_for(section, exact, walked, plan, cut)
    upper, about = tapered(plan), gathered(plan)
    piece = inserted(plan, upper)
    said = slip(plan, on_tape, made, most.layers, fronts.more if fronts else ZERO) + made_as(
        plan, upper, piece, about, lined=lined
    )
    warned = cautions(plan, exact, walked, showing, past_ends(walked), most, on_tape)
    cut_width = (
        sum((width.cut for width in made.widths), ZERO)
        if made
        else plan.flat + section.allowance.start + section.allowance.end + (fronts.more if fronts else ZERO)
    )
    return {
        "kind": section.kind.name,
        "unit": section.unit.sign,
        "tape": writer.place(section.tape) if section.tape is not None else None,
        "finished": writer.size(plan.finished),
        "flat": writer.size(plan.flat),
        "cut": writer.size(cut_width),
        **sizes_of(plan, writer, cut),
        "take_up": writer.size(plan.flat - plan.finished),
        "lead": writer.size(plan.lead),
        "tail": writer.size(plan.tail),
        "allowance": told_allowance(writer, section),
        **drawn,
        **_as_marked(writer, plan),
        "on_tape": _on_tape(writer, plan, on_tape) if on_tape is not None else None,
        **told_joins(writer, walked, made),
        **told_sayings(said, warned),
        "taper": _upper(writer, plan, upper) if upper else None,
        "inserted": _inserted(writer, piece) if piece else None,
        "gathered": {
            "points": [
                {"finished": writer.place(p.finished), "flat": writer.place(p.flat), "name": p.name}
                for p in about.points
            ],
            "sections": about.thread.sections,
            "thread": writer.place(about.thread.each),
            "thread_in_all": writer.place(about.thread.total),
            "least": writer.size(about.least),
            "most": writer.size(about.most),
        }
        if about
        else None,
        "lining": told_marks(writer, lining_marks(exact, walked), walked.parts) if lined else None,
        "stripes": told_stripes(cut.striped, exact, walked, showing) if cut.striped else None,
        "parts": [],
    }


def lies_of(section: Section | Band) -> list[dict[str, Any]]:
    """Where every line of the exact strip lies, flat and folded.  Raises `Refusal`."""
    bounded(section, "The table of an edge")
    exact, _ = laid(section)
    walked = walk(exact)
    write, before = section.scribe.write_parts, behind(walked)
    last = len(before) - 1
    return [
        {
            "pleat": one.pleat,
            "kind": one.kind.value,
            "flat": write(one.flat, walked.parts).text,
            "finished": write(one.x, walked.parts).text,
            "layer": before[min(last, line.after + 1)] + 1,
        }
        for one, line in zip(lies(exact, walked), exact.lines, strict=True)
    ]


def _as_marked(writer: Writer, plan: Plan) -> dict[str, Any]:
    """Exact marks, where there is no tape, with what checks and the turn of the cloth change in them."""
    section = plan.section
    if section.tape is not None or not (section.corrections or section.turn):
        return {}
    laid = as_marked(plan)
    walked = walk(laid)
    return {"marks": told_marks(writer, marks(laid, walked), walked.parts)}


def _upper(writer: Writer, plan: Plan, exact: Tapered) -> dict[str, Any]:
    """The upper level: its marks and slants, on the tape where there is one."""
    tape = plan.section.tape
    shown = (tapered(plan, tape) if tape is not None else None) or exact
    walked = walk(shown.strip)
    return {
        "height": writer.place(exact.height),
        "finished": writer.size(exact.finished),
        "on_tape": writer.size(shown.finished),
        "marks": told_marks(writer, marks(shown.strip, walked), walked.parts),
        "slants": [{"kind": s.kind.value, "pleat": s.pleat, "shift": writer.size(s.shift)} for s in shown.slants],
    }


def _inserted(writer: Writer, piece: Inserted) -> dict[str, Any]:
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


def _on_tape(writer: Writer, plan: Plan, on_tape: Taped) -> dict[str, Any]:
    tape = plan.section.tape
    walked = walk(on_tape.strip, tape)
    found = marks(on_tape.strip, walked, tape)
    by_folding = found_by_folding(found)
    return {
        "finished": writer.size(on_tape.finished),
        "flat": writer.size(on_tape.flat),
        "marks": told_marks(writer, found, walked.parts),
        "groups": [{"pleats": count, "depth": writer.size(depth)} for count, depth in on_tape.groups],
        "says": " ".join(filter(None, (tape_says(plan, on_tape), by_folding))),
        "naive_error": writer.size(on_tape.naive_error),
        "off": writer.size(on_tape.off),
    }
