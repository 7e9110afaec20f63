"""A plan as it goes out on the wire."""

from __future__ import annotations

from fractions import Fraction
from typing import Any

from ribbon.cautions import cautions
from ribbon.explain import explanation
from ribbon.lengths import ZERO, Length, Scribe, write_ratio
from ribbon.pins import Choice, Plan, Taped, choices, strip, taped
from ribbon.pleats import Quantity
from ribbon.readings import Allowed, Joined, behind, front, joined, layers, marks, past_ends, thickest
from ribbon.slip import cut_width, gave_says, slip, tape_says
from ribbon.strip import Strip, Walk, walk

Q = Quantity


class Writer:
    """Writes lengths for one plan: places at the tape's division, sizes a little finer."""

    def __init__(self, plan: Plan) -> None:
        self.places: Scribe = plan.section.scribe
        self.sizes: Scribe = plan.section.fine

    @staticmethod
    def _out(scribe: Scribe, mm: Fraction) -> dict[str, Any]:
        written = scribe.write_mm(mm)
        return {"mm": mm.numerator / mm.denominator, "text": written.text, "exact": written.exact}

    def place(self, length: Length) -> dict[str, Any]:
        """A position or a width to measure."""
        return self._out(self.places, length.mm)

    def size(self, length: Length | None) -> dict[str, Any] | None:
        """A solved size, such as a spacing or a depth."""
        return None if length is None else self._out(self.sizes, length.mm)

    def position(self, at: int, parts: int) -> dict[str, Any]:
        """A position given in parts of a millimetre."""
        written = self.places.write_parts(at, parts)
        return {"mm": at / parts, "text": written.text, "exact": written.exact}


def answer_of(plan: Plan) -> dict[str, Any]:
    """Everything that is told about `plan`; lengths as {mm, text, exact}."""
    section, writer = plan.section, Writer(plan)
    exact = strip(plan)
    walked = walk(exact)
    on_tape = taped(plan, section.tape) if section.tape is not None else None
    showing, thick, past = front(walked), layers(walked), past_ends(walked)
    most = thickest(thick)
    made = joined(exact, walked, section.cloth.usable, Allowed(*section.allowance)) if section.cloth.usable else None
    per = walked.parts
    return {
        "kind": section.kind.name,
        "unit": section.unit.sign,
        "tape": writer.place(section.tape) if section.tape is not None else None,
        "finished": writer.size(plan.finished),
        "flat": writer.size(plan.flat),
        "cut": writer.size(sum((width.cut for width in made.widths), ZERO) if made else cut_width(plan)),
        "count": plan.count,
        "spaces": _number(plan.spaces),
        "fullness": _ratio(plan.fullness),
        "pleated_fullness": _ratio(plan.values[Q.FULLNESS]),
        "take_up": writer.size(plan.flat - plan.finished),
        **{name.value: writer.size(plan.length(name)) for name in _SIZES},
        "lead": writer.size(plan.lead),
        "tail": writer.size(plan.tail),
        "allowance": {name: writer.place(getattr(section.allowance, name)) for name in section.allowance._fields},
        "gave": [_gave(plan, gave) for gave in plan.gave],
        "assumed": [_assumed(plan, assumed) for assumed in plan.assumed],
        "choices": [_choice(writer, choice) for choice in choices(plan)],
        "marks": _marks(writer, exact, walked),
        "on_tape": _on_tape(writer, plan, on_tape) if on_tape is not None else None,
        "walk": _walk(writer, exact, walked),
        "front": [
            {"from": s.start / per, "to": s.end / per, "span": s.span, "side": "RS" if s.right_side else "WS"}
            for s in showing
        ],
        "layers": [{"from": t.start / per, "to": t.end / per, "layers": t.layers} for t in thick],
        "thickest": {"layers": most.layers, "from": most.start / per, "to": most.end / per},
        "joins": _joins(writer, walked, made),
        "widths": [{"cut": writer.size(w.cut), "flat": writer.size(w.flat)} for w in made.widths] if made else [],
        "warnings": [
            {
                "code": c.code,
                "message": c.message,
                "mend": {"says": c.mend.says, "change": dict(c.mend.change)} if c.mend else None,
            }
            for c in cautions(plan, exact, walked, showing, past, most)
        ],
        "slip": [{"about": s.about, "text": s.text} for s in slip(plan, on_tape, made)],
        "explain": [line._asdict() for line in explanation(plan)],
    }


_SIZES = (Q.SPACING, Q.DEPTH, Q.PER_PLEAT, Q.BOX, Q.GAP, Q.OPENING)


def _number(value: Fraction) -> int | float:
    return value.numerator if value.denominator == 1 else float(value)


def _ratio(value: Fraction) -> dict[str, Any]:
    return {"text": write_ratio(value).text, "value": float(value)}


def _gave(plan: Plan, gave: Any) -> dict[str, Any]:
    say = plan.section.say
    return {
        "quantity": gave.quantity.value,
        "from": say(gave.quantity, gave.asked),
        "to": say(gave.quantity, gave.became),
        "why": gave.why,
        "says": gave_says(plan, gave),
    }


def _assumed(plan: Plan, assumed: Any) -> dict[str, Any]:
    value = plan.section.say(Q(assumed.quantity), assumed.value) if assumed.value is not None else ""
    return {"quantity": str(assumed.quantity), "value": value, "why": assumed.why}


def _choice(writer: Writer, choice: Choice) -> dict[str, Any]:
    plan = choice.plan
    return {
        "count": plan.count,
        "why": choice.why,
        "spaces": _number(plan.spaces),
        "finished": writer.size(plan.finished),
        "flat": writer.size(plan.flat),
        "fullness": _ratio(plan.fullness),
        "lead": writer.size(plan.lead),
        **{name.value: writer.size(plan.length(name)) for name in _SIZES},
    }


def _marks(writer: Writer, strip: Strip, walked: Walk) -> list[dict[str, Any]]:
    parts, write = walked.parts, writer.places.write_parts
    found = []
    for mark in marks(strip, walked):
        text, exact = write(mark.at, parts)
        found.append(
            {"at": {"mm": mark.at / parts, "text": text, "exact": exact}, "kind": str(mark.kind), "pleat": mark.pleat}
        )
    return found


def _joins(writer: Writer, walked: Walk, made: Joined | None) -> list[dict[str, Any]]:
    return [
        {"at": writer.position(join.at, walked.parts), "where": join.where, "pleat": join.pleat, "hidden": join.hidden}
        for join in (made.joins if made else [])
    ]


def _on_tape(writer: Writer, plan: Plan, on_tape: Taped) -> dict[str, Any]:
    walked = walk(on_tape.strip)
    return {
        "finished": writer.size(on_tape.finished),
        "flat": writer.size(on_tape.flat),
        "marks": _marks(writer, on_tape.strip, walked),
        "groups": [{"pleats": count, "depth": writer.size(depth)} for count, depth in on_tape.groups],
        "says": tape_says(plan, on_tape),
        "naive_error": writer.size(on_tape.naive_error),
        "off": writer.size(on_tape.off),
    }


def _walk(writer: Writer, strip: Strip, walked: Walk) -> dict[str, Any]:
    per = walked.parts
    # Equal spans share one object, laid down once: a row has a handful of them, however long it is.
    shared = {id(s): s for s in strip.spans}
    spans = {
        key: {"length": writer.size(s.length), "role": s.role.value, "draw": float(s.draw)} for key, s in shared.items()
    }
    return {
        "spans": [spans[id(s)] for s in strip.spans],
        "folds": [{"after": fold.after, "turn": fold.turn.value} for fold in strip.folds],
        "flat": [at / per for at in walked.flat],
        "x": [x / per for x in walked.x],
        "layers": list(walked.layers),
        "behind": behind(walked),
    }


MOST_STOPS = 160


def glance_of(plan: Plan) -> dict[str, Any]:
    """A plan at a glance: its kind, a few words, and where its folds stand from 0 to 1 along the edge."""
    section, finished = plan.section, plan.finished.mm
    stops: list[float] = []
    if section.kind.folded and plan.count <= MOST_STOPS:
        spacing = plan.values.get(Q.SPACING, Fraction(0))
        half = plan.values[section.kind.width] / 2 if section.kind.width else Fraction(0)
        for index in range(plan.count):
            at = plan.lead.mm + index * spacing
            edges = (at - half, at + half) if half else (at,)
            stops += [float(edge / finished) for edge in edges]
    pleats = f"{plan.count} {section.kind.title}" if section.kind.folded else "gathers"
    says = f"{pleats}, {section.scribe.write(plan.flat).text} into {section.scribe.write(plan.finished).text}"
    return {"kind": section.kind.name, "says": says, "stops": stops}
