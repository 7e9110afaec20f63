"""What is drawn of a strip, as plain data: its marks, its walk, what shows of it, its layers."""

from __future__ import annotations

from fractions import Fraction
from typing import Any

from ribbon.cautions import Caution
from ribbon.lengths import Length, Scribe, typed
from ribbon.pins import Band, Section, usual_seam
from ribbon.readings import Joined, Mark, Showing, Stack, Thick, back, behind, front, layers, marks, stack, thickest
from ribbon.slip import Sentence
from ribbon.strip import Strip, Walk


class Writer:
    """Writes lengths for one plan: places at the tape's division, sizes a little finer."""

    def __init__(self, section: Section | Band) -> None:
        self.places: Scribe = section.scribe
        self.sizes: Scribe = section.fine

    @staticmethod
    def _out(scribe: Scribe, mm: Fraction) -> dict[str, Any]:
        top, bottom = mm.numerator, mm.denominator
        text, exact = scribe.write_parts(top, bottom)
        return {"mm": top / bottom, "text": text, "exact": exact}

    def place(self, length: Length) -> dict[str, Any]:
        """A position or a width to measure."""
        return self._out(self.places, length.mm)

    def size(self, length: Length | None) -> dict[str, Any] | None:
        """A solved size, such as a spacing or a depth."""
        return None if length is None else self._out(self.sizes, length.mm)

    def sized(self, mm: Fraction | None) -> dict[str, Any] | None:
        """As `size`, from millimetres."""
        return None if mm is None else self._out(self.sizes, mm)

    def typed(self, length: Length) -> str:
        """A length as it is typed into a pin: exact."""
        return typed(length, self.sizes.unit)


def told_allowance(writer: Writer, edge: Section | Band) -> dict[str, Any]:
    """The seam allowances, and whether that of the work was assumed."""
    own = edge.allowance
    return {
        **{name: writer.place(getattr(own, name)) for name in ("start", "end", "join")},
        "usual": writer.place(usual_seam(imperial=edge.imperial)),
        "assumed": own.assumed,
    }


def told_marks(writer: Writer, found: list[Mark], parts: int) -> list[dict[str, Any]]:
    """Marks with their places written."""
    written = writer.places.write_each((mark.at for mark in found), parts)
    return [
        {"at": {"mm": at / parts, "text": text, "exact": exact}, "kind": kind, "pleat": pleat, "chalked": chalked}
        for (at, kind, pleat, chalked), (text, exact) in zip(found, written, strict=True)
    ]


def told_walk(writer: Writer, strip: Strip, walked: Walk, stacked: Stack | None = None) -> dict[str, Any]:
    """The walk for drawing."""
    per = walked.parts
    # Equal spans share one object, laid down once: a row has a handful of them, however long it is.
    shared = {id(s): s for s in strip.spans}
    spans = {
        key: {"length": writer.size(s.length), "role": s.role.value, "draw": float(s.draw)} for key, s in shared.items()
    }
    return {
        "spans": [spans[id(s)] for s in strip.spans],
        "folds": [{"after": fold.after, "turn": fold.turn} for fold in strip.folds],
        "flat": [at / per for at in walked.flat],
        "x": [x / per for x in walked.x],
        "layers": list(walked.layers),
        "behind": behind(walked, stacked),
    }


def told_strip(writer: Writer, exact: Strip, walked: Walk) -> tuple[dict[str, Any], list[Showing], Thick]:
    """(the part of an answer that draws a strip, what shows of it, its thickest stretch)."""
    per = walked.parts
    stacked = stack(walked)
    showing, thick = front(walked, stacked), layers(walked, stacked)
    most = thickest(thick)

    def told(found: list[Showing]) -> list[dict[str, Any]]:
        return [
            {"from": s.start / per, "to": s.end / per, "span": s.span, "side": "RS" if s.right_side else "WS"}
            for s in found
        ]

    return (
        {
            "marks": told_marks(writer, marks(exact, walked), per),
            "walk": told_walk(writer, exact, walked, stacked),
            "front": told(showing),
            "back": told(back(walked, stacked)),
            "layers": [{"from": t.start / per, "to": t.end / per, "layers": t.layers} for t in thick],
            "thickest": {"layers": most.layers, "from": most.start / per, "to": most.end / per},
        },
        showing,
        most,
    )


def told_joins(writer: Writer, walked: Walk, made: Joined | None) -> dict[str, Any]:
    """Where the strip is joined, and the widths to cut."""
    if made is None:
        return {"joins": [], "widths": []}
    return {
        "joins": [
            {
                "at": writer.place(walked.length(join.at)),
                "where": join.where,
                "pleat": join.pleat,
                "hidden": join.hidden,
            }
            for join in made.joins
        ],
        "widths": [{"cut": writer.size(w.cut), "flat": writer.size(w.flat)} for w in made.widths],
    }


def told_sayings(said: list[Sentence], warned: list[Caution]) -> dict[str, Any]:
    """The slip and the warnings with their mends."""
    return {
        "slip": [{"about": s.about, "text": s.text} for s in said],
        "warnings": [
            {
                "code": c.code,
                "message": c.message,
                "mend": {"says": c.mend.says, "change": dict(c.mend.change)} if c.mend else None,
            }
            for c in warned
        ],
    }
