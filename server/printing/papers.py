"""Each paper, made from the plans of a work's sections."""

from __future__ import annotations

from collections.abc import Callable

from papers import (
    PAPERS,
    Drawing,
    Label,
    Listing,
    cutting_drawings,
    cutting_pages,
    gauge_drawing,
    label_pages,
    list_pages,
    on_sheets,
    pages_needed,
    pattern_drawing,
    template_drawing,
    to_csv,
    to_dxf,
    to_pdf,
    to_svg,
)
from ribbon.cloth import money
from ribbon.cloth.sold import layout_scribe
from ribbon.errors import Refusal, refuse
from ribbon.lengths import ZERO
from ribbon.table.chalk import Chalk, From, found_by_folding
from ribbon.table.gauge import gauge
from server.cutting.cut import Plans, plans_of, to_cut
from server.making.beside import cut_beside
from server.plans.chalk import listed
from server.printing.making import making_listing
from server.printing.schema import FileIn, PaperIn
from server.printing.shopping import shopping
from server.printing.strips import (
    WORDS,
    Made,
    lesson_paper,
    marking_of,
    planned_of,
    sample_paper,
    title_of,
    unit_of,
)
from server.printing.work_sheet import edges_of_sheet, work_sheet

MOST_SHEETS = 400
MOST_MARKS = 8000
MOST_IN_DXF = 6000
_ROLES = {
    "face": "face",
    "under": "under",
    "plain": "plain",
    "finger": "finger",
    "upright": "up",
    "gathered": "gathers",
}


MEDIA = {"pdf": "application/pdf", "csv": "text/csv", "svg": "image/svg+xml", "dxf": "image/vnd.dxf"}
"""The media type of each kind of file."""


FORMATS = {
    "template": ("pdf", "svg", "dxf"),
    "gauge": ("pdf", "svg", "dxf"),
    "sample": ("pdf", "svg", "dxf"),
    "lesson": ("pdf", "svg", "dxf"),
    "chalk": ("pdf", "csv"),
    "labels": ("pdf", "csv"),
    "cutting": ("pdf", "svg", "dxf", "csv"),
    "slip": ("pdf", "csv"),
    "making": ("pdf", "csv"),
    "sheet": ("pdf",),
    "pattern": ("pdf", "svg", "dxf"),
}
"""The files that each paper can be had as."""


_OF_ONE = ("template", "gauge", "sample", "chalk")
"""The papers that are of one piece."""


def made(asked: PaperIn) -> Made:
    """The paper that is asked for.  Raises `Refusal`, before it is made where the file is one that it cannot be."""
    if asked.wanted not in FORMATS[asked.paper]:
        ways = ", ".join(name.upper() for name in FORMATS[asked.paper])
        raise refuse("no_format", "format", asked.wanted, "this paper cannot be had as that", f"take it as {ways}")
    if not asked.sections and (asked.thing is None or asked.paper in _OF_ONE):
        raise refuse("no_piece", "sections", "none", "there is no piece to print", "add a piece, or say what is made")
    if asked.paper in _OF_ONE and asked.here >= len(asked.sections):
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


def _template(asked: PaperIn) -> Made:
    whole = planned_of(asked, "A template")
    found, upper, title = whole.marked.marks, whole.upper_on_tape, title_of(asked, "template")
    if len(found) > MOST_MARKS:
        raise refuse(
            "too_many",
            "sections",
            f"{len(found)} marks",
            f"a template holds at most {MOST_MARKS} marks",
            "print the chalk list, or the gauge",
        )
    marking = marking_of(asked, whole, title)
    paper = PAPERS[asked.sheet]
    many = pages_needed(marking.width, marking.tall, paper)
    if many > MOST_SHEETS:
        raise _too_long(many)
    drawing = template_drawing(marking)
    pages = on_sheets(drawing, paper, unit_of(asked), title)
    says = f"{len(pages)} {'sheet' if len(pages) == 1 else 'sheets'} of {paper.name}. Each line is where the chalk goes"
    if upper:
        write = whole.edge.scribe.write
        says += f"; lines slant from the foot to the upper level, {write(upper.height).text} above it, which comes to {write(upper.comes_to).text}."
    else:
        says += "."
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
    whole = planned_of(asked, "A gauge")
    section = whole.edge
    card = gauge(whole.marked.strip, section.tape)
    measures = [(_ROLES[notch.role], notch.length, section.scribe.write(notch.length).text) for notch in card.notches]
    if not measures:
        raise refuse("no_gauge", "paper", "gauge", card.says.rstrip("."), "print the template or the chalk list")
    total = sum((length for _, length, _ in measures), ZERO)
    paper, title = PAPERS[asked.sheet], title_of(asked, "gauge")
    repeats = max(1, min(3, int(230 / max(1.0, float(total.mm)))))
    drawing = gauge_drawing(title, measures, unit_of(asked), repeats)
    return Made(title, card.says, on_sheets(drawing, paper, unit_of(asked), title), drawing)


def _chalk(asked: PaperIn) -> Made:
    whole = planned_of(asked, "A chalk list on paper" if asked.wanted == "pdf" else "A chalk list")
    section, wrong = whole.edge, asked.side == "WS"
    chalked = listed(whole, asked.nought, wrong_side=wrong)
    found = chalked.marks
    write = section.scribe.write
    middle, points = asked.nought is From.MIDDLE, any(c.on is not None for c in found)
    columns: list[tuple[str, float, Callable[[Chalk], str]]] = [
        ("At", 24.0 if points else 28.0 if middle else 32.0, lambda c: write(c.at).text),
        ("Mark", 22.0 if points else 27.0 if middle else 32.0, lambda c: WORDS[c.kind.value]),
        (chalked.called.capitalize(), 12.0 if middle or points else 16.0, lambda c: f"{c.pleat}" if c.first else ""),
    ]
    if points:
        columns.append(("On the edge", 20.0, lambda c: write(c.on).text if c.on is not None else ""))
    if middle:
        columns.append(("Hand", 9.0 if points else 11.0, lambda c: c.hand))
    says = f"Chalked on the {'wrong' if wrong else 'right'} side. {chalked.nought} The first mark of each {chalked.called} is bolder."
    listing = Listing(
        title_of(asked, "chalk list"),
        [says, chalked.says],
        [heading for heading, _, _ in columns],
        [[cell(c) for _, _, cell in columns] for c in found],
        tuple(wide for _, wide, _ in columns),
        2,
        frozenset(index for index, c in enumerate(found) if c.first),
        glyphs=[c.kind.value for c in found],
    )
    return Made(listing.title, says, list_pages(listing, PAPERS[asked.sheet]), None, listing)


def _cut(asked: PaperIn) -> Plans:
    return plans_of(asked.sections, asked.cloths, cut_beside(asked.thing, asked.cloths, asked.sections))


def _lacking(cut: Plans) -> str:
    return f" Left out: {'; '.join(cut.made.lacking)}." if cut.made.lacking else ""


def _nothing_cut(cut: Plans) -> None:
    if not cut.made.plans:
        lacking = "; ".join(cut.made.lacking) or "the work has no cloth yet"
        raise refuse("no_cloth", "paper", "", f"nothing can be cut yet: {lacking}", "fill in the step Cloth first")


def _labels(asked: PaperIn) -> Made:
    cut = _cut(asked)
    _nothing_cut(cut)
    write = layout_scribe(cut.unit).write
    found = [
        Label(
            asked.work,
            one.name,
            f"{write(one.wide).text} by {write(one.long).text}",
            plan.title,
            one.piece.on_fold,
            None if one.piece.opened.is_rectangle else one.piece.opened,
        )
        for plan in cut.made.plans
        for one in plan.layout.laid
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
    write = layout_scribe(cut.unit).write
    drawings = [drawing for plan in cut.made.plans for drawing in cutting_drawings(plan, cut.unit)]
    rows = []
    for plan in cut.made.plans:
        for one in plan.layout.laid:
            number = f", sheet {one.sheet + 1}" if len(plan.layout.sheets) > 1 else ""
            sizes = (one.start, one.left, one.long, one.wide)
            rows.append([plan.title + number, one.name, *(write(size).text for size in sizes)])
    title, paper = (f"{asked.work}, cutting plan" if asked.work else "Cutting plan"), PAPERS[asked.sheet]
    pages = cutting_pages(cut.made.plans, cut.unit, paper, title)
    headings = ["Cloth", "Piece", "From the start", "From the selvedge", "Along", "Across"]
    listing = Listing(title, [], headings, rows, (30, 40, 25, 25, 25, 25))
    says = f"Drawn to scale on paper; SVG and DXF are at full size.{_lacking(cut)}"
    return Made(title, says, pages, _side_by_side(drawings), listing)


def _pattern(asked: PaperIn) -> Made:
    """Cut pieces at full size: one, or every one that is no rectangle."""
    cut = to_cut(asked.sections, asked.cloths, cut_beside(asked.thing, asked.cloths, asked.sections))
    pieces = cut.pieces
    if not pieces:
        lacking = "; ".join(one.lacking for _, one in cut.edges if one.lacking) or "nothing is measured yet"
        raise refuse("no_piece", "paper", "pattern", f"nothing is cut yet: {lacking}", "fill in what lacks first")
    shaped = [piece for piece in pieces if not piece.opened.is_rectangle]
    wanted = [piece for piece in pieces if piece.key == asked.piece] if asked.piece else shaped or list(pieces[:1])
    if not wanted:
        known = ", ".join(piece.key for piece in pieces[:8])
        raise refuse("no_piece", "piece", asked.piece, "the work has no such cut piece", f"choose one of {known}")
    paper = PAPERS[asked.sheet]
    drawings = [pattern_drawing(piece, ", ".join(filter(None, (asked.work, piece.name))), cut.unit) for piece in wanted]
    many = sum(pages_needed(one.width, one.height, paper) for one in drawings)
    if many > MOST_SHEETS:
        raise _too_long(many)
    named = zip(wanted, drawings, strict=True)
    pages = [page for piece, one in named for page in on_sheets(one, paper, cut.unit, piece.name)]
    title = ", ".join(filter(None, (asked.work, wanted[0].name if len(wanted) == 1 else "", "pattern")))
    says = (
        f"{len(pages)} {'sheet' if len(pages) == 1 else 'sheets'} of {paper.name} at full size: the whole line is cut along, "
        f"the dashed one stitched. Measure the square first."
    )
    return Made(title, says, pages, _side_by_side(drawings), pieces=(*shaped, *(p for p in pieces if p not in shaped)))


def _side_by_side(drawings: list[Drawing]) -> Drawing:
    """All cloths below one another in one drawing."""
    whole = drawings[0]
    for one in drawings[1:]:
        whole = whole.above(one)
    return whole


def _slip(asked: PaperIn) -> Made:
    cut = _cut(asked)
    _nothing_cut(cut)
    plans, write = cut.made.plans, layout_scribe(cut.unit).write
    title = f"{asked.work}, shopping slip" if asked.work else "Shopping slip"
    bought = [plan for plan in plans if not plan.bolt.sheets]
    short = [f"{plan.title} at hand is {write(plan.bought.short).text} short." for plan in bought if plan.bought.short]
    short += [
        f"{plan.title}: what is at hand is enough." for plan in plans if not plan.bought.asked and not plan.layout.left
    ]
    cost = money(cut.made.cost, cut.made.sign)
    listing = Listing(
        title,
        [],
        ["What", "How much", "Cost"],
        [list(row) for row in shopping(cut)],
        (70, 80, 30),
        after=[*short, *([f"Cloth in all: {cost}"] if cost else [])],
    )
    says = f"What to buy for the whole work.{_lacking(cut)}"
    return Made(title, says, list_pages(listing, PAPERS[asked.sheet]), None, listing)


def _making(asked: PaperIn) -> Made:
    title, listing, pages = making_listing(asked)
    return Made(title, "What to do in which order, as you have it under Measure.", pages, None, listing)


def _sheet(asked: PaperIn) -> Made:
    edges = edges_of_sheet(asked)
    cut = _cut(asked)
    title, pages = work_sheet(asked, edges, cut)
    says = "The whole work, to be pinned up: picture, measures, parts, what to buy, cut and do."
    return Made(f"{title}, work sheet", f"{says}{_lacking(cut)}", pages)


_PAPERS: dict[str, Callable[[PaperIn], Made]] = {
    "template": _template,
    "gauge": _gauge,
    "sample": sample_paper,
    "lesson": lesson_paper,
    "chalk": _chalk,
    "labels": _labels,
    "cutting": _cutting,
    "slip": _slip,
    "making": _making,
    "sheet": _sheet,
    "pattern": _pattern,
}
