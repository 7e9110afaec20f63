"""The chalk list: where each mark is measured to, from whichever end and on whichever side one chalks (work, sections 5 and 12)."""

from __future__ import annotations

from enum import StrEnum
from typing import NamedTuple

from ribbon.lengths import ZERO, Length
from ribbon.readings import Mark
from ribbon.strip import LineKind, Role, Strip, Walk


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


def chalk_list(marks: list[Mark], walked: Walk, nought: From, *, wrong_side: bool) -> list[Chalk]:
    """Every mark in the order in which it is met along the tape.

    On the wrong side the cloth is turned over, so that its start lies to the right: the list runs mirrored.  From the
    middle the marks to the left come first, outwards, then those to the right.
    """
    whole = walked.flat[-1]
    turned = [(whole - mark.at if wrong_side else mark.at, mark) for mark in marks]
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
    found: list[Chalk] = []
    for at, hand, mark in met:
        first = not found or found[-1].pleat != mark.pleat or found[-1].hand != hand
        found.append(Chalk(walked.length(at) / halves, hand, mark.kind, mark.pleat, first))
    return found


class Notch(NamedTuple):
    """One measure of a gauge: what it measures, how long it is, how many times in a row."""

    role: Role
    length: Length


def gauge(strip: Strip) -> list[Notch]:
    """The measures of one pleat in order, under, under, face, for a card with notches: those of the second where there is one.

    A gauge serves where every pleat is alike; the first and the last have the edge beside them.
    """
    pleats = sorted({line.pleat for line in strip.lines})
    wanted = pleats[min(1, len(pleats) - 1)] if pleats else 0
    own = [line.after for line in strip.lines if line.pleat == wanted]
    if not own:
        return []
    following = [line.after for line in strip.lines if line.pleat > wanted]
    end = min(following) if following else len(strip.spans) - 1
    spans = strip.spans[own[0] + 1 : end + 1]
    return [Notch(span.role, span.length) for span in spans if span.length > ZERO]
