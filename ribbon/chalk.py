"""The chalk list: where each mark is measured to, from whichever end and on whichever side one chalks (work, sections 5 and 12)."""

from __future__ import annotations

from enum import StrEnum
from typing import NamedTuple

from ribbon.lengths import ZERO, Length
from ribbon.pins import Band, Plan, Section, corrected_row, mixed, plan, strip, taped, taped_mixed
from ribbon.pleats import strip_of
from ribbon.readings import Mark, marks
from ribbon.strip import LineKind, Role, Strip, Walk, walk


class Marked(NamedTuple):
    """An edge as it is chalked: its strip, the walk and the marks of that, the plan of a section (None for a mixed edge)."""

    strip: Strip
    walked: Walk
    marks: list[Mark]
    plan: Plan | None


def marked(section: Section | Band) -> Marked:
    """`section` with its marks on the tape, where there is one and it is fine enough.  Raises `Refusal`."""
    tape, made = section.tape, None
    if isinstance(section, Band):
        whole = mixed(section)
        laid_down = whole.strip if tape is None else taped_mixed(whole, tape)[0]
    else:
        made = plan(section)
        on_tape = taped(made, tape) if tape is not None else None
        tape = tape if on_tape is not None else None
        if on_tape is not None:
            laid_down = on_tape.strip
        else:
            laid_down = strip_of(section.kind, corrected_row(made)) if section.kind.folded else strip(made)
    walked = walk(laid_down, tape)
    return Marked(laid_down, walked, marks(laid_down, walked, tape), made)


class From(StrEnum):
    """Where the tape's nought lies."""

    START = "start"
    END = "end"
    MIDDLE = "middle"


class Chalk(NamedTuple):
    """One mark to chalk: its distance along the tape, to the left or the right of the middle where that is nought, its kind and pleat.

    `first` tells the first mark of each pleat as it is met, which is drawn bolder.
    """

    at: Length
    hand: str
    kind: LineKind
    pleat: int
    first: bool


def chalk_list(found: list[Mark], walked: Walk, nought: From, *, wrong_side: bool) -> list[Chalk]:
    """Every mark in the order in which it is met along the tape.

    On the wrong side the cloth is turned over, so that its start lies to the right: the list runs mirrored.  From the
    middle the marks to the left come first, outwards, then those to the right.
    """
    whole = walked.flat[-1]
    turned = [(whole - mark.at if wrong_side else mark.at, mark) for mark in found]
    if wrong_side:
        turned.reverse()
    if nought is From.END:
        met = [(whole - at, "", mark) for at, mark in reversed(turned)]
    elif nought is From.START:
        met = [(at, "", mark) for at, mark in turned]
    else:
        left = [(whole - 2 * at, "left", mark) for at, mark in reversed(turned) if 2 * at < whole]
        right = [(2 * at - whole, "right", mark) for at, mark in turned if 2 * at >= whole]
        met = [*left, *right]
    halves = 2 if nought is From.MIDDLE else 1
    listed: list[Chalk] = []
    for at, hand, mark in met:
        first = not listed or listed[-1].pleat != mark.pleat or listed[-1].hand != hand
        listed.append(Chalk(walked.length(at) / halves, hand, mark.kind, mark.pleat, first))
    return listed


class Notch(NamedTuple):
    """One measure of a gauge: what it measures, how long it is, how many times in a row."""

    role: Role
    length: Length


def gauge(laid: Strip) -> list[Notch]:
    """The measures of one pleat in order, under, under, face, for a card with notches: those of the second where there is one.

    A gauge serves where every pleat is alike; the first and the last have the edge beside them.
    """
    pleats = sorted({line.pleat for line in laid.lines})
    wanted = pleats[min(1, len(pleats) - 1)] if pleats else 0
    own = [line.after for line in laid.lines if line.pleat == wanted]
    if not own:
        return []
    following = [line.after for line in laid.lines if line.pleat > wanted]
    end = min(following) if following else len(laid.spans) - 1
    spans = laid.spans[own[0] + 1 : end + 1]
    return [Notch(span.role, span.length) for span in spans if span.length > ZERO]
