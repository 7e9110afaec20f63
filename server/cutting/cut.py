"""The step Cut: every piece of a work on its cloth, drawn to scale, and the shopping slip."""

from __future__ import annotations

from collections.abc import Sequence
from fractions import Fraction
from typing import Any, NamedTuple

from ribbon.cloth import Bolt, Layout, Piece, buy, drop_on, layout, lined, lining_cut, lying, notions
from ribbon.errors import Problem, Refusal
from ribbon.lengths import UNITS, ZERO, Length, Scribe
from ribbon.pins import laid as laid_of
from ribbon.readings import Allowed, Strategy
from ribbon.strip import walk
from server.cutting.sold import long_scribe, sold_in, told_length
from server.plans.cutting import Cutting, read_cutting
from server.plans.schema import SectionIn

Bolts = dict[str, tuple[Bolt, tuple[tuple[Length, Length], ...], list[tuple[int, Piece]]]]


class Named(NamedTuple):
    """A section of a work and its name."""

    name: str
    section: SectionIn


def cut_of(sections: Sequence[Named]) -> dict[str, Any]:
    """The pieces of all sections laid out, cloth by cloth, and what to buy.  Raises `Refusal`, paths below `sections`."""
    problems: list[Problem] = []
    bolts: Bolts = {}
    lacking: list[str] = []
    bought: list[dict[str, Any]] = []
    unit = UNITS[sections[0].section.unit] if sections else UNITS["cm"]
    scribe = Scribe(unit, Length(1) if not unit.binary else Length.inches(Fraction(1, 16)))
    for index, one in enumerate(sections):
        try:
            _gather(index, one, bolts, lacking, bought)
        except Refusal as refusal:
            problems += [problem.under(f"sections.{index}.spec") for problem in refusal.problems]
    if problems:
        raise Refusal(problems)
    plans = [_laid(scribe, name, *held) for name, held in bolts.items()]
    cost = sum((Fraction(p["cost"]) for p in plans if p["cost"] is not None), Fraction(0))
    return {
        "plans": plans,
        "lacking": lacking,
        "notions": bought,
        "cost": f"{float(cost):.2f}" if any(p["cost"] is not None for p in plans) else None,
    }


def _gather(
    index: int,
    one: Named,
    bolts: Bolts,
    lacking: list[str],
    bought: list[dict[str, Any]],
) -> None:
    """Put the pieces of one section with those of the same cloth."""
    said, cutting = one.section, read_cutting(one.section)
    if cutting.bolt is None or cutting.drop is None:
        lacking.append(f"{one.name}: say {'how wide its cloth is' if cutting.bolt is None else 'how far it falls'}")
        return
    section, unit = said.section, UNITS[said.unit]
    laid, made = laid_of(section)
    walked, allowed = walk(laid), Allowed(*section.allowance, section.tape)
    long = cutting.drop.cut
    found = lying(laid, walked, cutting.bolt, cutting.drop, allowed, Strategy(said.cutting.strategy), said.cutting.way)
    got, across = found.joined, found.taken is None or found.taken.name == "across"
    pieces: list[Piece] = []
    many = len(got.widths)
    for number, width in enumerate(got.widths, 1):
        name = one.name if many == 1 else f"{one.name}, {'width' if across else 'strip'} {number} of {many}"
        # Across, the drop runs along the cloth, up to whole repeats; the other ways the strip does.
        pieces.append(
            Piece(name, width.cut, drop_on(cutting.bolt, cutting.drop), matched=True)
            if across
            else Piece(name, long, width.cut)
        )
    pieces += cutting.pieces
    held = bolts.setdefault(cutting.bolt.name or "Cloth", (cutting.bolt, cutting.sheets, []))
    held[2].extend((index, piece) for piece in pieces)
    if cutting.lining is not None and cutting.lining_bolt is not None:
        _add_lining(index, one, cutting, laid.flat + allowed.start + allowed.end, bolts)
    if made is not None:
        for notion in notions(made, len(got.joins), long):
            much = (
                str(notion.count) if notion.count is not None else long_scribe(unit).write(notion.length or ZERO).text
            )
            bought.append({"piece": one.name, "name": notion.name, "much": much})


def _add_lining(index: int, one: Named, cutting: Cutting, width: Length, bolts: Bolts) -> None:
    lining, bolt, drop = cutting.lining, cutting.lining_bolt, cutting.drop
    if lining is None or bolt is None or drop is None:
        return
    made = lined(width, drop, lining)
    cut = lining_cut(made, bolt, lining.allowance)
    held = bolts.setdefault("Lining", (bolt, (), []))[2]
    many = len(cut.widths)
    for number, wide in enumerate(cut.widths, 1):
        name = f"{one.name}, lining" if many == 1 else f"{one.name}, lining {number} of {many}"
        held.append((index, Piece(name, made.length, wide) if cut.railroaded else Piece(name, wide, made.length)))


def _laid(
    scribe: Scribe, name: str, bolt: Bolt, more: tuple[tuple[Length, Length], ...], pieces: list[tuple[int, Piece]]
) -> dict[str, Any]:
    sheets = [(bolt.usable, bolt.at_hand), *more] if bolt.rectangle and bolt.at_hand is not None else []
    got: Layout = layout(bolt, [piece for _, piece in pieces], sheets)
    owner = {piece: index for index, piece in pieces}
    paid = buy(bolt, got.needed)
    write = scribe.write

    def out(length: Length) -> dict[str, Any]:
        return told_length(scribe, length)

    return {
        "cloth": name,
        "directional": bolt.directional,
        "width": out(bolt.usable),
        "length": out(got.length),
        "bound": out(got.bound),
        "closeness": float(got.closeness),
        "waste": float(got.waste),
        "asked": told_length(sold_in(bolt), paid.asked),
        "cost": f"{float(paid.cost):.2f}" if paid.cost is not None and not bolt.rectangle else None,
        "short": out(paid.short) if paid.short is not None else None,
        "sheets": [{"width": out(w), "length": out(h)} for w, h in got.sheets],
        "placed": [
            {
                "name": one.piece.name if one.piece.count == 1 else f"{one.piece.name} {one.number}",
                "section": owner.get(one.piece, 0),
                "sheet": one.sheet,
                "left": float(one.left.mm),
                "start": float(one.start.mm),
                "from_selvedge": out(one.left),
                "from_start": out(one.start),
                "wide": out(one.wide),
                "long": out(one.long),
                "turned": one.turned,
                "on_fold": one.piece.on_fold,
            }
            for one in got.laid
        ],
        "left": [piece.name for piece in got.left],
        "says": _says(write, bolt, name, got, sold_in(bolt).write(paid.asked).text),
    }


def _says(write: Any, bolt: Bolt, name: str, got: Layout, asked: str) -> str:
    if bolt.rectangle:
        says = (
            f"All {len(got.laid)} pieces lie on what is at hand."
            if not got.left
            else f"{len(got.left)} of {len(got.laid) + len(got.left)} pieces find no place on what is at hand."
        )
        return f"{says} {float(got.waste) * 100:.0f} % is left over."
    begin = f" {write(got.first).text} of it, a repeat, let the first drop begin at the pattern." if got.first else ""
    return f"{name}: {write(got.length).text} cut from, buy {asked}.{begin} {float(got.waste) * 100:.0f} % falls away; no plan can take less than {write(got.bound).text}."
