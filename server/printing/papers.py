"""Each paper, made from the plans of a work's sections."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, NamedTuple

from papers import (
    PAPERS,
    Drawing,
    DrawnCloth,
    DrawnPiece,
    Label,
    Listing,
    Marking,
    TemplateMark,
    cutting_drawings,
    fitted,
    gauge_drawing,
    label_pages,
    list_pages,
    on_sheets,
    pages_needed,
    template_drawing,
    to_csv,
    to_dxf,
    to_pdf,
    to_svg,
)
from ribbon.chalk import From, found_by_folding, marked
from ribbon.errors import Refusal, refuse
from ribbon.gauge import gauge
from ribbon.lengths import UNITS, ZERO, Unit
from ribbon.pins import tapered
from server.cutting.cut import Named, cut_of
from server.plans.bounds import bounded
from server.plans.chalk import listed
from server.printing.schema import FileIn, PaperIn

MOST_SHEETS = 400
MOST_MARKS = 8000
MOST_IN_DXF = 6000
_WORDS = {
    "outer": "outer fold", "inner": "inner fold", "placement": "placement", "centre": "centre", "sew": "sew",
    "finger": "finger fold", "stitch": "stitch point", "match": "match point",
}  # fmt: skip
_ROLES = {
    "face": "face",
    "under": "under",
    "plain": "plain",
    "finger": "finger",
    "upright": "up",
    "gathered": "gathers",
}


class Made(NamedTuple):
    """A paper: its title, a word on it, its pages; the drawing at full size and the list, where it has them."""

    title: str
    says: str
    pages: list[Drawing]
    full: Drawing | None = None
    listing: Listing | None = None


MEDIA = {"pdf": "application/pdf", "csv": "text/csv", "svg": "image/svg+xml", "dxf": "image/vnd.dxf"}
"""The media type of each kind of file."""


FORMATS = {
    "template": ("pdf", "svg", "dxf"),
    "gauge": ("pdf", "svg", "dxf"),
    "chalk": ("pdf", "csv"),
    "labels": ("pdf", "csv"),
    "cutting": ("pdf", "svg", "dxf", "csv"),
    "slip": ("pdf", "csv"),
}
"""The files that each paper can be had as."""


def made(asked: PaperIn) -> Made:
    """The paper that is asked for.  Raises `Refusal`, before it is made where the file is one that it cannot be."""
    if asked.wanted not in FORMATS[asked.paper]:
        ways = ", ".join(name.upper() for name in FORMATS[asked.paper])
        raise refuse("no_format", "format", asked.wanted, "this paper cannot be had as that", f"take it as {ways}")
    if asked.here >= len(asked.sections):
        raise refuse("no_piece", "here", asked.here, "there is no such piece", "choose one of the work's pieces")
    paper = _PAPERS[asked.paper](asked)
    if len(paper.pages) > MOST_SHEETS:
        raise _too_long(len(paper.pages))
    return paper


def file_of(asked: FileIn) -> tuple[bytes, str, str]:
    """(the bytes of the file, its content type, its name).  Raises `Refusal`."""
    paper = made(asked)
    name = "".join(c if c.isalnum() and c.isascii() else "-" for c in paper.title.lower()).strip("-")[:60] or "paper"
    if asked.format == "pdf":
        return to_pdf(paper.pages, paper.title), MEDIA["pdf"], f"{name}.pdf"
    if asked.format == "csv" and paper.listing:
        return to_csv(paper.listing).encode("utf-8-sig"), f"{MEDIA['csv']}; charset=utf-8", f"{name}.csv"
    drawing = paper.full or paper.pages[0]
    if asked.format == "svg":
        return to_svg(drawing).encode(), MEDIA["svg"], f"{name}.svg"
    if len(drawing.lines) > MOST_IN_DXF:
        raise refuse(
            "too_many",
            "format",
            f"{len(drawing.lines)} lines",
            f"a DXF file holds at most {MOST_IN_DXF} lines here",
            "take it as PDF or SVG, or make the edge shorter",
        )
    return to_dxf(drawing).encode(), MEDIA["dxf"], f"{name}.dxf"


def _unit(asked: PaperIn) -> Unit:
    return UNITS[asked.sections[asked.here].spec.unit]


def _title(asked: PaperIn, what: str) -> str:
    return ", ".join(filter(None, (asked.work, asked.sections[asked.here].name, what)))


def _template(asked: PaperIn) -> Made:
    section = asked.sections[asked.here].spec.section
    bounded(section, "A template")
    _, walked, found, plan = marked(section)
    if len(found) > MOST_MARKS:
        raise refuse(
            "too_many",
            "sections",
            f"{len(found)} marks",
            f"a template holds at most {MOST_MARKS} marks",
            "print the chalk list, or the gauge",
        )
    write = section.scribe.write
    upper = tapered(plan, section.tape) if plan is not None else None
    shifts = [slant.shift for slant in upper.slants] if upper else [ZERO] * len(found)
    title = _title(asked, "template")
    at = [walked.length(mark.at) for mark in found]
    marking = Marking(
        title,
        [
            TemplateMark(place, mark.kind, mark.pleat, write(place).text, shift)
            for place, mark, shift in zip(at, found, shifts, strict=True)
        ],
        walked.length(walked.flat[-1]),
        section.allowance.start,
        section.allowance.end,
        _unit(asked),
        asked.sections[asked.here].spec.rows,
        height=upper.height if upper else None,
    )
    paper = PAPERS[asked.sheet]
    many = pages_needed(marking.width, marking.tall, paper)
    if many > MOST_SHEETS:
        raise _too_long(many)
    drawing = template_drawing(marking)
    pages = on_sheets(drawing, paper, _unit(asked), title)
    says = f"{len(pages)} {'sheet' if len(pages) == 1 else 'sheets'} of {paper.name}. Each line is where the chalk goes"
    says += f"; lines slant from the foot to the upper level, {write(upper.height).text} above it." if upper else "."
    by_folding = found_by_folding(found)
    return Made(title, f"{says} {by_folding}".strip(), pages, drawing)


def _too_long(sheets: int) -> Refusal:
    return refuse(
        "too_long",
        "sections",
        f"{sheets} sheets",
        f"this takes {sheets} sheets of paper, and more than {MOST_SHEETS} is no help to anyone",
        "use the gauge, or the list as CSV from a shorter edge",
    )


def _gauge(asked: PaperIn) -> Made:
    section = asked.sections[asked.here].spec.section
    bounded(section, "A gauge")
    card = gauge(marked(section).strip, section.tape)
    measures = [(_ROLES[notch.role], notch.length, section.scribe.write(notch.length).text) for notch in card.notches]
    if not measures:
        raise refuse("no_gauge", "paper", "gauge", card.says.rstrip("."), "print the template or the chalk list")
    whole = sum((length for _, length, _ in measures), ZERO)
    paper, title = PAPERS[asked.sheet], _title(asked, "gauge")
    repeats = max(1, min(3, int(230 / max(1.0, float(whole.mm)))))
    drawing = gauge_drawing(title, measures, _unit(asked), repeats)
    return Made(title, card.says, on_sheets(drawing, paper, _unit(asked), title), drawing)


def _chalk(asked: PaperIn) -> Made:
    section = asked.sections[asked.here].spec.section
    if asked.wanted == "pdf":
        bounded(section, "A chalk list on paper")
    wrong = asked.side == "WS"
    chalked = listed(asked.sections[asked.here].spec, asked.nought, wrong_side=wrong)
    found = chalked.marks
    write = section.scribe.write
    rows = [[write(c.at).text, _WORDS[c.kind.value], f"{c.pleat}" if c.first else "", c.hand] for c in found]
    says = f"Chalked on the {'wrong' if wrong else 'right'} side. {chalked.nought} The first mark of each {chalked.called} is bolder."
    listing = Listing(
        _title(asked, "chalk list"),
        [says, chalked.says],
        ["At", "Mark", chalked.called.capitalize(), "Hand" if asked.nought is From.MIDDLE else ""],
        rows,
        (28.0, 27.0, 12.0, 11.0) if asked.nought is From.MIDDLE else (32.0, 32.0, 16.0, 0.0),
        2,
        frozenset(index for index, c in enumerate(found) if c.first),
    )
    return Made(listing.title, says, list_pages(listing, PAPERS[asked.sheet]), None, listing)


def _cut(asked: PaperIn) -> dict[str, Any]:
    return cut_of([Named(one.name, one.spec) for one in asked.sections])


def _lacking(cut: dict[str, Any]) -> str:
    return f" Left out: {'; '.join(cut['lacking'])}." if cut["lacking"] else ""


def _nothing_cut(cut: dict[str, Any]) -> None:
    if not cut["plans"]:
        lacking = "; ".join(cut["lacking"]) or "the work has no cloth yet"
        raise refuse("no_cloth", "paper", "", f"nothing can be cut yet: {lacking}", "fill in the step Cloth first")


def _labels(asked: PaperIn) -> Made:
    cut = _cut(asked)
    _nothing_cut(cut)
    found = [
        Label(asked.work, one["name"], f"{one['wide']['text']} by {one['long']['text']}", plan["cloth"], one["on_fold"])
        for plan in cut["plans"]
        for one in plan["placed"]
    ]
    title = f"{asked.work}, labels" if asked.work else "Labels"
    listing = Listing(
        title,
        [],
        ["Piece", "Cut size", "Cloth", "On a fold"],
        [[one.name, one.size, one.cloth, "yes" if one.on_fold else ""] for one in found],
        (60, 50, 40, 20),
    )
    says = f"{len(found)} labels: cut them apart and pin each to its piece, arrow up.{_lacking(cut)}"
    return Made(title, says, label_pages(found, PAPERS[asked.sheet]), None, listing)


def _cutting(asked: PaperIn) -> Made:
    cut = _cut(asked)
    _nothing_cut(cut)
    cloths, rows = [], []
    for plan in cut["plans"]:
        for index, sheet in enumerate(plan["sheets"]):
            here = [one for one in plan["placed"] if one["sheet"] == index]
            number = f", sheet {index + 1}" if len(plan["sheets"]) > 1 else ""
            title = f"{plan['cloth']}{number}: {sheet['length']['text']} along, {sheet['width']['text']} across"
            lying = [
                DrawnPiece(
                    one["name"],
                    one["start"],
                    one["left"],
                    one["long"]["mm"],
                    one["wide"]["mm"],
                    f"{one['wide']['text']} by {one['long']['text']}",
                    one["turned"],
                )
                for one in here
            ]
            cloths.append(DrawnCloth(title, sheet["length"]["mm"], sheet["width"]["mm"], lying))
            rows += [
                [plan["cloth"] + number, one["name"], one["from_start"]["text"], one["from_selvedge"]["text"],
                 one["long"]["text"], one["wide"]["text"]]
                for one in here
            ]  # fmt: skip
    drawings = cutting_drawings(cloths)
    title, paper = (f"{asked.work}, cutting plan" if asked.work else "Cutting plan"), PAPERS[asked.sheet]
    pages = [_on_page(drawing, paper.height, paper.width, title) for drawing in drawings]
    headings = ["Cloth", "Piece", "From the start", "From the selvedge", "Along", "Across"]
    listing = Listing(title, [], headings, rows, (30, 40, 25, 25, 25, 25))
    says = f"Drawn to scale on paper; SVG and DXF are at full size.{_lacking(cut)}"
    return Made(title, says, pages, _side_by_side(drawings), listing)


def _on_page(drawing: Drawing, width: float, height: float, title: str) -> Drawing:
    small, times = fitted(drawing, width - 28, height - 40)
    return small.placed(14, 26, width, height, f"{title}, 1 : {times:.1f}")


def _side_by_side(drawings: list[Drawing]) -> Drawing:
    """All cloths below one another in one drawing."""
    whole = drawings[0]
    for one in drawings[1:]:
        whole = whole.above(one)
    return whole


def _slip(asked: PaperIn) -> Made:
    cut = _cut(asked)
    _nothing_cut(cut)
    rows = [
        [plan["cloth"], f"{plan['asked']['text']}, {plan['width']['text']} wide", plan["cost"] or ""]
        for plan in cut["plans"]
        if plan["asked"]
    ]
    rows += [[one["name"], one["much"], ""] for one in cut["totals"]]
    title = f"{asked.work}, shopping slip" if asked.work else "Shopping slip"
    short = [f"{plan['cloth']} at hand is {plan['short']['text']} short." for plan in cut["plans"] if plan["short"]]
    short += [
        f"{plan['cloth']}: what is at hand is enough."
        for plan in cut["plans"]
        if not plan["asked"] and not plan["left"]
    ]
    after = [*short, *([f"Cloth in all: {cut['cost']}"] if cut["cost"] else [])]
    listing = Listing(title, [], ["What", "How much", "Cost"], rows, (70, 80, 30), after=after)
    return Made(
        title,
        f"What to buy for the whole work.{_lacking(cut)}",
        list_pages(listing, PAPERS[asked.sheet]),
        None,
        listing,
    )


_PAPERS: dict[str, Callable[[PaperIn], Made]] = {
    "template": _template,
    "gauge": _gauge,
    "chalk": _chalk,
    "labels": _labels,
    "cutting": _cutting,
    "slip": _slip,
}
