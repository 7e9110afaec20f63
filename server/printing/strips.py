"""Strips on paper: an edge as it is drawn at full size, three of its pleats to try, a lesson on one sheet."""

from __future__ import annotations

from typing import NamedTuple

from papers import PAPERS, Drawing, Listing, Marking, TemplateMark, Words, made_to_fit, template_drawing
from ribbon.cloth import CutPiece
from ribbon.edge import EdgePlan, sample
from ribbon.errors import Refusal, refuse
from ribbon.lengths import UNITS, ZERO, Unit
from server.plans.bounds import planned
from server.printing.schema import PaperIn
from server.wire.read_edge import Given, read_section

WORDS = {
    "outer": "outer fold", "inner": "inner fold", "placement": "placement", "centre": "centre", "sew": "sew",
    "finger": "finger fold", "stitch": "stitch point", "match": "match point",
}  # fmt: skip


class Made(NamedTuple):
    """A paper: its title, a word on it, its pages; the drawing at full size and the list, where it has them."""

    title: str
    says: str
    pages: list[Drawing]
    full: Drawing | None = None
    listing: Listing | None = None
    pieces: tuple[CutPiece, ...] = ()


def given_of(asked: PaperIn) -> Given:
    """The piece that the paper is of.  Raises `Refusal`, its paths below its section."""
    try:
        return read_section(asked.sections[asked.here].spec, asked.cloths)
    except Refusal as refusal:
        raise Refusal(problem.under(f"sections.{asked.here}.spec") for problem in refusal.problems) from None


def planned_of(asked: PaperIn, what: str) -> EdgePlan:
    """That piece planned; `what` asks for it."""
    return planned(given_of(asked).edge, what)


def unit_of(asked: PaperIn) -> Unit:
    """The unit of that piece."""
    return UNITS[asked.sections[asked.here].spec.unit]


def title_of(asked: PaperIn, what: str) -> str:
    """What the paper is called: the work, the piece, what it is."""
    return ", ".join(filter(None, (asked.work, asked.sections[asked.here].name, what)))


def marking_of(asked: PaperIn, whole: EdgePlan, title: str, *, told: bool = False) -> Marking:
    """An edge as it is drawn at full size, each mark with its place; with what it is as well where each is `told`."""
    section, walked, found = whole.edge, whole.marked.walked, whole.marked.marks
    write, upper = section.scribe.write, whole.upper_on_tape
    shifts = [slant.shift for slant in upper.slants] if upper else [ZERO] * len(found)
    at = [walked.length(mark.at) for mark in found]
    return Marking(
        title,
        [
            TemplateMark(
                place,
                mark.kind,
                mark.pleat,
                f"{WORDS[mark.kind]}, {write(place).text}" if told else write(place).text,
                shift,
            )
            for place, mark, shift in zip(at, found, shifts, strict=True)
        ],
        walked.length(walked.flat[-1]),
        section.allowance.start,
        section.allowance.end,
        unit_of(asked),
        asked.sections[asked.here].spec.rows,
        height=upper.height if upper else None,
        told=told,
    )


def sample_paper(asked: PaperIn) -> Made:
    """Three pleats of the edge on one sheet, to be folded from paper or tried on cloth, and what to measure on them."""
    made = sample(planned_of(asked, "A sample"))
    title, paper, write = title_of(asked, "sample"), PAPERS[asked.sheet], made.edge.scribe.write
    drawing, times = made_to_fit(
        template_drawing(marking_of(asked, made, "", told=True)._replace(start=ZERO, end=ZERO)),
        paper.height - 2 * _SAMPLE_EDGE,
        paper.width - _SAMPLE_SAYS,
    )
    finished, flat = write(made.finished).text, write(made.flat).text
    scale = "at full size" if times == 1 else f"1 to {times:.2g}: on cloth each line lies so much further"
    folded = bool(made.count)
    lines = [
        f"{flat} of cloth into {finished}, {scale}. Cut along the whole line.",
        "Outer folds, with the point up, towards you; inner folds, with the point down, away from you; each outer fold on its placement line."
        if folded
        else "Draw the cloth up on two rows between the first and the last line.",
        f"Pressed and basted it measures {finished}. What it measures less or more is typed under Check of a piece of this cloth"
        + (": a third of it is what the turn of cloth takes of each pleat." if folded else ", or as a swatch: its ratio decides."),
        "Type a better depth or fullness on its tile under Pleat, once you have seen it.",
    ]  # fmt: skip
    words = [
        Words((_SAMPLE_EDGE, paper.width - 8 - 5.2 * (len(lines) - 1 - number)), line, 3.4)
        for number, line in enumerate(lines)
    ]
    page = drawing.placed(_SAMPLE_EDGE, 24, paper.height, paper.width, title).with_more(words=words)
    return Made(title, f"Three pleats to fold, {scale}." if folded else f"A strip to draw up, {scale}.", [page], page)


_SAMPLE_EDGE, _SAMPLE_SAYS = 10.0, 60.0  # mm of a sheet


def lesson_paper(asked: PaperIn) -> Made:
    """The pleats of every section on one sheet, one strip below the other, to fold from paper and to check by their width."""
    paper, strips, told = PAPERS[asked.sheet], [], []
    for number, section in enumerate(asked.sections[:_LESSON]):
        one = asked.model_copy(update={"here": number})
        made = sample(planned_of(one, "A sample"))
        # Each is cut out along its own whole line.
        strips.append(template_drawing(marking_of(one, made, "", told=True)._replace(start=ZERO, end=ZERO, strip=_LOW)))
        told.append(f"{section.name}: {made.edge.scribe.write(made.finished).text} wide once it is folded.")
    if not strips:
        raise refuse("no_piece", "sections", "none", "there is nothing to fold", "send the strips of the lesson")
    whole = strips[0]
    for strip in strips[1:]:
        whole = whole.above(strip)
    drawing, times = made_to_fit(whole, paper.width - 2 * _SAMPLE_EDGE, paper.height - _SAMPLE_SAYS)
    scale = "at full size" if times == 1 else f"1 to {times:.2g}"
    lines = [
        f"Cut each strip out along its whole line, {scale}. Fold outer folds, with the point up, towards you;",
        "inner folds, with the point down, away from you. Bring each outer fold to its placement line,",
        "of inverted pleats to their middle line. Then measure from end to end:",
        " ".join(told),
    ]
    words = [
        Words((_SAMPLE_EDGE, paper.height - 8 - 5.2 * (len(lines) - 1 - number)), line, 3.4)
        for number, line in enumerate(lines)
    ]
    title = "A first lesson: three ways to fold"
    page = drawing.placed(_SAMPLE_EDGE, 24, paper.width, paper.height, title).with_more(words=words)
    return Made(title, f"Three strips to cut out and fold, {scale}.", [page], page)


_LESSON = 4
"""Strips that one sheet holds."""
_LOW = 46.0  # mm high, so that three fit below each other
