"""Small sums at the table: what a size means, draped pleats evened, a ruffling attachment set."""

from __future__ import annotations

from fractions import Fraction
from typing import Annotated, Any, Literal

from pydantic import Field

from ribbon.errors import Refusal, refuse
from ribbon.gathers import Ruffler, Swatch, stitch_for, stitch_text, tuck_from, tuck_text
from ribbon.lengths import UNITS, Length, Scribe, Unit, read_ratio, typed, typed_number, write_ratio
from ribbon.pins import Draped, Keep, Pin, Section, evened, meanings, pins_for, plan, strip
from ribbon.pins.section import KINDS
from ribbon.pleats import Quantity
from ribbon.pleats.pinch import PINCH
from ribbon.strip import walk
from server.plans.drawn import Writer, told_walk
from server.plans.schema import UnitSign
from server.plans.texts import Texts
from server.plans.typed import Strict, Typed

Q = Quantity


class MeaningIn(Strict):
    """A size that somebody named a pleat by."""

    kind: Literal["knife", "tuck", "box", "inverted", "pinch", "cartridge"]
    size: Typed
    unit: UnitSign = "cm"
    fingers: Literal[1, 2, 3, 4] = 3


class EvenIn(Strict):
    """Pleats as draped, from the first, and what is to stay as it was."""

    kind: Literal["knife", "tuck", "box", "inverted"] = "knife"
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


def meanings_of(said: MeaningIn) -> list[dict[str, Any]]:
    """Each meaning of a size: what it says, the pins it comes to, and three pleats of it to draw.  Raises `Refusal`."""
    unit = UNITS[said.unit]
    size = _read(unit, said.model_dump(), "size")
    kind = PINCH[said.fingers] if said.kind == "pinch" else KINDS[said.kind]
    found = []
    for one in meanings(kind, size, typed(size, unit), said.fingers):
        pins = {name: Pin(mm) for name, mm in one.pins.items()}
        beside = {name: Pin(mm) for name, mm in {**one.beside, Q.COUNT: Fraction(3)}.items()}
        drawn = plan(Section(kind, {**beside, **pins}, unit=unit, meet=one.meet if one.name == "gauge" else False))
        laid = strip(drawn)
        found.append(
            {
                "name": one.name,
                "says": one.says,
                "pins": {
                    name.value: typed(Length(value), unit) if name.is_length else typed_number(value)
                    for name, value in one.pins.items()
                },
                "meet": one.meet,
                "finished": float(drawn.finished.mm),
                "walk": told_walk(Writer(drawn.section), laid, walk(laid)),
            }
        )
    return found


def even(said: EvenIn) -> dict[str, Any]:
    """Draped pleats made even: the pins that hold them so, and what changes.  Raises `Refusal`."""
    unit = UNITS[said.unit]
    texts = Texts(unit)
    draped = []
    for index, row in enumerate(said.draped):
        depth = texts.positive(f"draped.{index}.depth", row.get("depth", ""))
        gap = texts.positive(f"draped.{index}.gap", row["gap"]) if str(row.get("gap", "")).strip() else None
        if depth is not None:
            draped.append(Draped(depth, gap))
    if texts.problems:
        raise Refusal(texts.problems)
    made = evened(KINDS[said.kind], draped)
    scribe = Scribe(unit, None)
    write = scribe.write
    pins = {
        name: str(value) if name == "count" else typed(Length(value), unit)
        for name, value in pins_for(made, Keep(said.keep)).items()
    }
    says = (
        f"{made.count} {'pleat' if made.count == 1 else 'pleats'}, each {write(made.depth).text} deep with {write(made.gap).text} to the next: "
        f"no depth changes by more than {write(made.deeper).text}, no gap by more than {write(made.apart).text}."
    )
    return {"pins": pins, "about": ["spacing"] if said.keep == "average" else [], "says": says}


def ruffle(said: RuffleIn) -> dict[str, Any]:
    """What an attachment makes as it is set, or the stitch length for a wanted ratio.  Raises `Refusal`."""
    unit = UNITS[said.unit]
    data = said.model_dump()
    stitch = _read(UNITS["mm"], data, "stitch")
    if said.tuck:
        tuck = _read(unit, data, "tuck")
    elif said.swatch_flat and said.swatch_finished:
        swatch = Swatch(_read(unit, data, "swatch_flat"), _read(unit, data, "swatch_finished"))
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
    answer = {
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


def _read(unit: Unit, data: dict[str, Any], name: str) -> Length:
    texts = Texts(unit)
    found = texts.positive(name, data[name])
    if found is None:
        raise Refusal(texts.problems)
    return found
