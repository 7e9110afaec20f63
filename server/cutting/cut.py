"""The step Cut: every piece of a work on its cloth, drawn to scale, and the shopping slip."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field, replace
from fractions import Fraction
from typing import Any, NamedTuple

from ribbon.cloth import (
    Bolt,
    Bought,
    Layout,
    Notion,
    Piece,
    allowed_of,
    buy,
    drop_on,
    layout,
    lined,
    lining_taken,
    lining_ways,
    notions,
    totals,
)
from ribbon.effort import effort
from ribbon.errors import Problem, Refusal, refuse
from ribbon.lengths import UNITS, Length, Scribe, Unit
from ribbon.pins import laid as laid_of
from ribbon.strip import walk
from server.cutting.sold import money, much, sold_in, sold_says, told_length
from server.plans.bounds import held
from server.plans.cutting import Cutting, read_cutting
from server.plans.joining import cut_as, lying_for
from server.plans.schema import SectionIn

Sheets = tuple[tuple[Length, Length], ...]


class Named(NamedTuple):
    """A section of a work and its name."""

    name: str
    section: SectionIn


@dataclass
class _Gathered:
    """The pieces of a work by the cloth that they are cut from, what is not known yet, what else is bought."""

    bolts: dict[tuple[Bolt, Sheets], list[Piece]] = field(default_factory=dict)
    lacking: list[str] = field(default_factory=list)
    bought: list[tuple[str, Notion]] = field(default_factory=list)
    took: int = 0

    def add(self, bolt: Bolt, sheets: Sheets, index: int, pieces: Sequence[Piece]) -> None:
        """Put pieces with those of the same cloth, each with a key of its own that begins with its section."""
        held = self.bolts.setdefault((bolt, sheets), [])
        held += [replace(piece, key=f"{index} {len(held) + n}") for n, piece in enumerate(pieces)]


def cut_of(sections: Sequence[Named], *, search: bool = True) -> dict[str, Any]:
    """The pieces of all sections laid out, cloth by cloth, and what to buy.  Raises `Refusal`, paths below `sections`."""
    problems: list[Problem] = []
    got = _Gathered()
    unit = UNITS[sections[0].section.unit] if sections else UNITS["cm"]
    for index, one in enumerate(sections):
        try:
            _gather(index, one, got)
        except Refusal as refusal:
            problems += [problem.under(f"sections.{index}.spec") for problem in refusal.problems]
    if problems:
        raise Refusal(problems)
    _count_pieces(got)
    titles = _titles(list(got.bolts), unit)
    plans = [
        # A search takes up to a second: face and lining have one each, further cloths the best of what is quick.
        _laid(unit, title, bolt, sheets, pieces, search=search and number < 2)
        for number, (title, ((bolt, sheets), pieces)) in enumerate(zip(titles, got.bolts.items(), strict=True))
    ]
    cost = sum((Fraction(p["cost"]) for p in plans if p["cost"] is not None), Fraction(0))
    return {
        "plans": plans,
        "lacking": got.lacking,
        "notions": [{"piece": name, "name": one.name, "much": much(one, unit)} for name, one in got.bought],
        "totals": [{"name": one.name, "much": much(one, unit)} for one in totals(one for _, one in got.bought)],
        "cost": money(cost) if any(p["cost"] is not None for p in plans) else None,
    }


MOST_PIECES = 1000


def _count_pieces(got: _Gathered) -> None:
    """Raises `Refusal` where there are more pieces than are laid at once: they are counted before they are laid."""
    many = sum(piece.count for pieces in got.bolts.values() for piece in pieces)
    if many > MOST_PIECES:
        raise refuse(
            "too_many",
            "sections",
            f"{many} pieces",
            f"this work is cut in {many} pieces",
            f"cut it in several works, or say fewer: at most {MOST_PIECES} pieces are laid at once",
        )


def _titles(bolts: Sequence[tuple[Bolt, Sheets]], unit: Unit) -> list[str]:
    """What each cloth is called, so that no two are called alike."""
    scribe = Scribe(unit, None)
    names = [bolt.name or "Cloth" for bolt, _ in bolts]
    found: list[str] = []
    for name, (bolt, _) in zip(names, bolts, strict=True):
        title = name if names.count(name) == 1 else f"{name}, {scribe.write(bolt.usable).text} wide"
        same = sum(one == title or one.startswith(f"{title} (") for one in found)
        found.append(f"{title} ({same + 1})" if same else title)
    return found


def _gather(index: int, one: Named, got: _Gathered) -> None:
    """Put the pieces of one section with those of the same cloth."""
    said, cutting = one.section, read_cutting(one.section)
    if cutting.bolt is None or cutting.drop is None:
        got.lacking.append(f"{one.name}: say {'how wide its cloth is' if cutting.bolt is None else 'how far it falls'}")
        return
    section = said.section
    got.took += effort(section)
    held(got.took, "A cutting plan")
    laid, made = laid_of(section)
    long = cutting.drop.cut
    found = lying_for(section, laid, walk(laid), made, cut_as(said, cutting))
    if found is None:
        return
    joined, across = found.joined, found.taken is None or found.taken.name == "across"
    pieces: list[Piece] = []
    many = len(joined.widths)
    for number, width in enumerate(joined.widths, 1):
        name = one.name if many == 1 else f"{one.name}, {'width' if across else 'strip'} {number} of {many}"
        # Across, the drop runs along the cloth, up to whole repeats; the other ways the strip does.
        pieces.append(
            Piece(name, width.cut, drop_on(cutting.bolt, cutting.drop), matched=True)
            if across
            else Piece(name, long, width.cut)
        )
    got.add(cutting.bolt, cutting.sheets, index, [*pieces, *cutting.pieces])
    if cutting.lining is not None and cutting.lining_bolt is not None:
        allowed = allowed_of(section)
        _add_lining(index, one, cutting, laid.flat + allowed.start + allowed.end, got)
    if made is not None:
        got.bought += [(one.name, notion) for notion in notions(made, len(joined.joins), long)]


def _add_lining(index: int, one: Named, cutting: Cutting, width: Length, got: _Gathered) -> None:
    lining, bolt, drop = cutting.lining, cutting.lining_bolt, cutting.drop
    if lining is None or bolt is None or drop is None:
        return
    made = lined(width, drop, lining)
    cut = lining_taken(lining_ways(made, bolt, lining.allowance), lining.way)
    many = len(cut.widths)
    pieces = []
    for number, wide in enumerate(cut.widths, 1):
        name = f"{one.name}, lining" if many == 1 else f"{one.name}, lining {number} of {many}"
        across = cut.name == "across"
        pieces.append(Piece(name, wide, made.length) if across else Piece(name, made.length, wide))
    got.add(bolt, (), index, pieces)


def _laid(unit: Unit, name: str, bolt: Bolt, more: Sheets, pieces: list[Piece], *, search: bool) -> dict[str, Any]:
    scribe = Scribe(unit, Length(1) if not unit.binary else Length.inches(Fraction(1, 16)))
    sheets = [(bolt.usable, bolt.at_hand), *more] if bolt.rectangle and bolt.at_hand is not None else []
    got: Layout = layout(bolt, pieces, sheets, search=search)
    paid = buy(bolt, got.needed)

    def out(length: Length) -> dict[str, Any]:
        return told_length(scribe, length)

    return {
        "cloth": name,
        "directional": bolt.directional,
        "width": out(bolt.usable),
        "length": out(got.length),
        "bound": out(got.bound),
        "closeness": float(got.closeness),
        "best": bool(sheets) or got.length <= got.bound,
        "waste": float(got.waste),
        "asked": told_length(sold_in(bolt), paid.asked) | {"text": sold_says(bolt, paid.asked, unit)}
        if paid.asked
        else None,
        "cost": money(paid.cost),
        "short": out(paid.short) if paid.short is not None and not sheets else None,
        "sheets": [{"width": out(w), "length": out(h)} for w, h in got.sheets],
        "placed": [
            {
                "name": one.piece.name if one.piece.count == 1 else f"{one.piece.name} {one.number}",
                "section": int(one.piece.key.split()[0]),
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
        "says": _says(scribe, unit, bolt, name, got, paid),
    }


def _says(scribe: Scribe, unit: Unit, bolt: Bolt, name: str, got: Layout, paid: Bought) -> str:
    write = scribe.write
    if bolt.rectangle and bolt.at_hand is not None:
        many = len(got.laid) + len(got.left)
        says = (
            f"{'The one piece lies' if many == 1 else f'All {many} pieces lie'} on what is at hand."
            if not got.left
            else f"{len(got.left)} of {many} pieces find no place on what is at hand."
        )
        return f"{says} {float(got.waste) * 100:.0f} % is left over."
    if paid.asked:
        buys = f"buy {sold_says(bolt, paid.asked, unit)}"
    elif paid.at_hand is not None:
        buys = f"what is at hand is enough, {write(paid.at_hand - paid.needed).text} is left"
    else:
        buys = "nothing to buy"
    begin = f" {write(got.first).text} of it, a repeat, let the first drop begin at the pattern." if got.first else ""
    least = (
        "no plan of these pieces can take less"
        if got.length <= got.bound
        else f"no plan of these pieces can take less than {write(got.bound).text}"
    )
    return (
        f"{name}: {write(got.length).text} cut from, {buys}.{begin} {float(got.waste) * 100:.0f} % falls away; {least}."
    )
