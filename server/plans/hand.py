"""Small reckonings: a pin moved by hand, what a size means, draped pleats evened, a ruffling attachment set."""

from __future__ import annotations

from decimal import Decimal
from typing import Annotated, Literal

from pydantic import Field
from typing_extensions import TypedDict

from ribbon.edge import plan
from ribbon.errors import Refusal, refuse
from ribbon.facts import KINDS, Pin, Section, kind_with
from ribbon.fraction import Fraction
from ribbon.gathers import Ruffler, Swatch, stitch_for, stitch_text, tuck_from, tuck_text
from ribbon.lengths import UNITS, Length, Unit, Unreadable, read_ratio, typed, write_ratio
from ribbon.offers import Draped, Keep, dragged, evened, evened_change, meanings, nudged
from ribbon.pleats import Quantity
from server.plans.drawn import told_walk
from server.plans.out import MeaningOut, RuffleOut
from server.wire.change import ChangeOut, told_change
from server.wire.kinds import FoldedKind, LyingKind
from server.wire.read_edge import read_tape
from server.wire.texts import Texts
from server.wire.told import Writer
from server.wire.typed import Strict, Typed, UnitSign

Q = Quantity


class MoveIn(Strict):
    """A pin moved by hand: either `text` by so many divisions, or dragged between two places in millimetres."""

    quantity: Quantity
    unit: UnitSign = "cm"
    tape: Typed | None = ""
    text: Typed | None = None
    by: int = Field(default=0, ge=-1000, le=1000)
    start: float = Field(default=0, ge=-1e7, le=1e7)
    end: float = Field(default=0, ge=-1e7, le=1e7)


class MoveOut(TypedDict):
    """What the pin then says."""

    text: str


def moved_pin(said: MoveIn) -> MoveOut:
    """What a pin says after it was moved by hand.  Raises `Refusal`."""
    unit = UNITS[said.unit]
    texts = Texts(unit)
    tape = read_tape(texts, said.tape) or Length(1)
    if texts.problems:
        raise Refusal(texts.problems)
    if said.text is None:
        start, end = (Length(Fraction(Decimal(repr(place)))) for place in (said.start, said.end))
        return {"text": dragged(said.quantity, start, end, unit, tape)}
    try:
        return {"text": nudged(said.quantity, str(said.text), unit, tape, said.by)}
    except Unreadable as error:
        raise refuse("unreadable", f"pins.{said.quantity}", said.text, error.message, error.way_out) from None


class MeaningIn(Strict):
    """A size that somebody named a pleat by."""

    kind: FoldedKind
    size: Typed
    unit: UnitSign = "cm"
    fingers: Literal[1, 2, 3, 4] = 3


class EvenIn(Strict):
    """Pleats as draped, from the first, and what is to stay as it was."""

    kind: LyingKind = "knife"
    unit: UnitSign = "cm"
    draped: Annotated[list[dict[Literal["depth", "gap"], Typed]], Field(max_length=400)]
    keep: Literal["total", "average"] = "total"


class RuffleIn(Strict):
    """A ruffling attachment: its tuck, or a swatch that shows it, and how it is set; or the ratio that is wanted."""

    unit: UnitSign = "cm"
    every: Annotated[int, Field(ge=1, le=100)] = 6
    stitch: Typed
    tuck: Typed | None = None
    swatch_flat: Typed | None = None
    swatch_finished: Typed | None = None
    ratio: Typed | None = None


def meanings_of(said: MeaningIn) -> list[MeaningOut]:
    """Each meaning of a size: what it says, the change that pins it, and three pleats of it to draw.  Raises `Refusal`."""
    unit = UNITS[said.unit]
    size = _read(unit, "size", said.size)
    kind = kind_with(KINDS[said.kind], said.fingers)
    found: list[MeaningOut] = []
    for one in meanings(kind, size, typed(size, unit), said.fingers):
        pins = {name: Pin(mm) for name, mm in {**one.beside, Q.COUNT: Fraction(3), **one.pins}.items()}
        drawn = plan(Section(kind, pins, unit=unit, meet=one.meet if one.name == "gauge" else False))
        found.append(
            {
                "name": one.name,
                **told_change(one.change(unit)),
                "finished": float(drawn.finished.mm),
                "walk": told_walk(Writer(drawn.section), drawn.strip, drawn.walked),
            }
        )
    return found


def even(said: EvenIn) -> ChangeOut:
    """Draped pleats made even: the change that holds them so.  Raises `Refusal`."""
    unit = UNITS[said.unit]
    texts = Texts(unit)
    draped = []
    for index, row in enumerate(said.draped):
        depth = texts.positive(f"draped.{index}.depth", str(row.get("depth", "")))
        gap = texts.positive(f"draped.{index}.gap", str(row["gap"])) if str(row.get("gap", "")).strip() else None
        if depth is not None:
            draped.append(Draped(depth, gap))
    if texts.problems:
        raise Refusal(texts.problems)
    return told_change(evened_change(evened(KINDS[said.kind], draped), Keep(said.keep), unit))


def ruffle(said: RuffleIn) -> RuffleOut:
    """What an attachment makes as it is set, or the stitch length for a wanted ratio.  Raises `Refusal`."""
    unit = UNITS[said.unit]
    stitch = _read(UNITS["mm"], "stitch", said.stitch)
    if said.tuck:
        tuck = _read(unit, "tuck", said.tuck)
    elif said.swatch_flat and said.swatch_finished:
        swatch = Swatch(
            _read(unit, "swatch_flat", said.swatch_flat), _read(unit, "swatch_finished", said.swatch_finished)
        )
        if swatch.finished >= swatch.flat:
            raise refuse(
                "no_take_up",
                "swatch_finished",
                said.swatch_finished,
                "a swatch does not grow as it is gathered",
                "the flat length is the longer of the two",
            )
        tuck = tuck_from(swatch, said.every, stitch)
    else:
        raise refuse(
            "too_few", "tuck", "", "the tuck is not known yet", "measure it, or sew a swatch and enter both its lengths"
        )
    texts = Texts(unit)
    wanted = texts.read("ratio", said.ratio, read_ratio) if said.ratio else None
    if texts.problems:
        raise Refusal(texts.problems)
    if wanted is not None and wanted <= 1:
        raise refuse("too_low", "ratio", said.ratio, "a ratio of 1 gathers nothing", "use more than 1")
    made = Ruffler(tuck, said.every, stitch)
    every = "at every stitch" if said.every == 1 else f"every {said.every} stitches"
    answer: RuffleOut = {
        "tuck": typed(tuck, unit if unit.binary else UNITS["mm"]),
        "ratio": write_ratio(made.ratio).text,
        "stitch": None,
        "says": f"A tuck of {tuck_text(tuck, unit)} {every} of {stitch_text(stitch)} makes {write_ratio(made.ratio).text} times.",
    }
    if wanted is not None:
        length = stitch_for(tuck, said.every, wanted)
        # A machine is set by hand, to the nearest tenth.
        answer["stitch"] = typed(Length(Fraction(round(length.mm * 10), 10)), UNITS["mm"])
        answer["says"] = (
            f"For {write_ratio(wanted).text} times, set the stitch to {stitch_text(length)}. Turn the first two tucks by hand."
        )
    return answer


def _read(unit: Unit, name: str, text: str) -> Length:
    texts = Texts(unit)
    found = texts.positive(name, text)
    if found is None:
        raise Refusal(texts.problems)
    return found
