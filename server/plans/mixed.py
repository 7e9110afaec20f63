"""A mixed edge as it goes out on the wire."""

from __future__ import annotations

from typing import Any

from ribbon.cautions import cautions_of_mixed
from ribbon.lengths import ZERO, Length, typed_number
from ribbon.pins import Mixed, Taped, taped_mixed
from ribbon.readings import marks
from ribbon.slip import Sentence, mixed_slip, tape_says
from ribbon.strip import Strip, walk
from server.plans.drawn import Writer, told_allowance, told_joins, told_marks, told_sayings, told_strip
from server.plans.joining import Cut, joined_for
from server.plans.sizes import number, ratio, sizes_of


def answer_of_mixed(whole: Mixed, cut: Cut) -> dict[str, Any]:
    """Everything that is told about a mixed edge; its own sizes are null, each part's are under `parts`."""
    band = whole.band
    writer = Writer(band)
    walked = walk(whole.strip)
    drawn, showing, most = told_strip(writer, whole.strip, walked)
    made = joined_for(band, whole.strip, walked, None, cut)
    on_tape = taped_mixed(whole, band.tape) if band.tape is not None else None
    width = (
        sum((width.cut for width in made.widths), ZERO)
        if made
        else whole.flat + band.allowance.start + band.allowance.end
    )
    said: list[Sentence] = mixed_slip(whole, made, on_tape[1] if on_tape else [])
    nothing = dict.fromkeys(("spacing", "depth", "per_pleat", "box", "gap", "opening"))
    return {
        "kind": "mixed",
        "unit": band.unit.sign,
        "tape": writer.place(band.tape) if band.tape is not None else None,
        "finished": writer.size(whole.finished),
        "flat": writer.size(whole.flat),
        "cut": writer.size(width),
        **nothing,
        "count": number(whole.pleats),
        "spaces": 0,
        "fullness": ratio(whole.flat / whole.finished),
        "pleated_fullness": ratio(whole.flat / whole.finished),
        "gave": [],
        "assumed": [],
        "typed": {
            "finished": writer.typed(whole.finished),
            "flat": writer.typed(whole.flat),
            "fullness": typed_number(whole.flat / whole.finished),
        },
        "loose": [],
        "choices": [],
        "explain": [],
        "take_up": writer.size(whole.flat - whole.finished),
        "lead": writer.size(ZERO),
        "tail": writer.size(ZERO),
        "allowance": told_allowance(writer, band),
        **drawn,
        "on_tape": _on_tape(writer, whole, *on_tape) if on_tape else None,
        **told_joins(writer, walked, made),
        **told_sayings(said, cautions_of_mixed(whole, walked, showing, most, on_tape[1] if on_tape else None)),
        "taper": None,
        "inserted": None,
        "gathered": None,
        "lining": None,
        "stripes": None,
        "parts": [
            {
                "kind": one.plan.section.kind.name if one.plan else "plain",
                "start": writer.place(one.start),
                "flat_start": writer.place(one.flat_start),
                "finished": writer.size(one.finished),
                "flat": writer.size(one.flat),
                "lead": writer.size(one.plan.lead) if one.plan else writer.size(ZERO),
                "typed": writer.typed(one.finished),
                "sizes": sizes_of(one.plan, writer) if one.plan else None,
            }
            for one in whole.laid
        ],
    }


def _on_tape(writer: Writer, whole: Mixed, strip: Strip, parts: list[Taped | None]) -> dict[str, Any]:
    tape = whole.band.tape
    walked = walk(strip, tape)
    says = " ".join(
        f"Part {index}: {tape_says(one.plan, on_tape)}"
        for index, (one, on_tape) in enumerate(zip(whole.laid, parts, strict=True), 1)
        if one.plan is not None and on_tape is not None
    )
    wrong = sum((part.naive_error for part in parts if part), Length(0))
    return {
        "finished": writer.size(walked.finished),
        "flat": writer.size(strip.flat),
        "marks": told_marks(writer, marks(strip, walked, tape), walked.parts),
        "groups": [
            {"pleats": count, "depth": writer.size(depth)} for part in parts if part for count, depth in part.groups
        ],
        "says": says,
        "naive_error": writer.size(wrong),
        "off": writer.size(strip.flat - whole.flat),
    }
