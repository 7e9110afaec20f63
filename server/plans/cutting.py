"""Reading a section's cloth and how it is cut, every problem kept."""

from __future__ import annotations

from fractions import Fraction
from typing import NamedTuple

from ribbon.cloth import Bolt, Drop, Lining, Piece, usual_hand
from ribbon.errors import Problem, Refusal
from ribbon.lengths import UNITS, ZERO, Length, read_part, read_price, read_weight
from server.plans.cloth import ClothSpec, LiningSpec
from server.plans.schema import SectionIn
from server.plans.shapes import read_lining
from server.plans.stripes import Striped, read_stripes
from server.plans.texts import Texts


class Cutting(NamedTuple):
    """A section's cloth and how it is cut; `drop`, `bolt` and `lining` are None where they are not said."""

    bolt: Bolt | None
    drop: Drop | None
    lining: Lining | None
    lining_bolt: Bolt | None
    opening: Length | None
    pieces: tuple[Piece, ...]
    sheets: tuple[tuple[Length, Length], ...] = ()
    front: tuple[Length, Length] | None = None
    striped: Striped | None = None


def read_cutting(section: SectionIn) -> Cutting:
    """The cutting of `section`.  Raises `Refusal` with everything that cannot be read."""
    texts = Texts(UNITS[section.unit])
    said, edge = section.cutting, section.section
    usable = edge.cloth.usable
    bolt = _bolt(texts, section.cloth, usable, imperial=edge.imperial) if usable is not None else None
    drop = _drop(texts, section)
    lining = lining_bolt = None
    if said.lining is not None:
        seam = edge.allowance.join if section.allowance.seam or section.allowance.join else None
        lining = read_lining(texts, said.lining.model_dump(), seam, imperial=edge.imperial)
        lining_bolt = _lining_bolt(texts, said.lining, bolt, imperial=edge.imperial)
    opening = _maybe(texts, "cutting.opening", said.opening)
    front = None
    if said.front is not None and not section.closed:
        shows = texts.positive("cutting.front.shows", said.front.shows)
        fold = _maybe(texts, "cutting.front.fold", said.front.fold) or usual_hand(imperial=edge.imperial)
        front = (shows, fold) if shows is not None else None
    _too_long_a_repeat(texts, bolt, str(section.cloth.along), str(section.cloth.across))
    pieces, sheets = _pieces(texts, section), _sheets(texts, section)
    striped = None
    try:
        striped = read_stripes(section)
    except Refusal as refusal:
        texts.problems += refusal.problems
    if texts.problems:
        raise Refusal(texts.problems)
    return Cutting(bolt, drop, lining, lining_bolt, opening, pieces, sheets, front, striped)


def _drop(texts: Texts, section: SectionIn) -> Drop | None:
    said = section.cutting.drop
    finished = _maybe(texts, "cutting.drop.finished", said.finished)
    if finished is None:
        return None
    heading, hem, margin = (
        texts.length(f"cutting.drop.{name}", value) or ZERO if value else ZERO
        for name, value in (("heading", said.heading), ("hem", said.hem), ("margin", said.margin))
    )
    return Drop(finished, heading, hem, said.hem_turns, margin)


def _pieces(texts: Texts, section: SectionIn) -> tuple[Piece, ...]:
    found = []
    for index, one in enumerate(section.cutting.pieces):
        path = f"cutting.pieces.{index}"
        width, length = texts.positive(f"{path}.width", one.width), texts.positive(f"{path}.length", one.length)
        if width is not None and length is not None:
            name = one.name or f"Piece {index + 1}"
            found.append(Piece(name, width, length, one.count, one.on_fold, one.may_turn, key=f"piece {index}"))
    return tuple(found)


def _sheets(texts: Texts, section: SectionIn) -> tuple[tuple[Length, Length], ...]:
    found = []
    for index, sheet in enumerate(section.cloth.sheets):
        path = f"cloth.sheets.{index}"
        width, length = texts.positive(f"{path}.width", sheet.width), texts.positive(f"{path}.length", sheet.length)
        if width is not None and length is not None:
            found.append((width, length))
    return tuple(found)


def _maybe(texts: Texts, path: str, value: object) -> Length | None:
    return texts.positive(path, value) if value not in (None, "") else None


def _bolt(texts: Texts, said: ClothSpec, usable: Length, *, imperial: bool) -> Bolt:
    yards = said.per == "yd" or (said.per is None and imperial)
    return Bolt(
        usable,
        said.name,
        _maybe(texts, "cloth.along", said.along) or ZERO,
        _maybe(texts, "cloth.across", said.across) or ZERO,
        said.directional,
        _shrinkage(texts, said.shrinkage),
        _price(texts, "cloth.price", said.price),
        Length.inches(36) if yards else Length.cm(100),
        _maybe(texts, "cloth.step", said.step) or (Length.inches(Fraction(9, 2)) if yards else Length.cm(10)),
        _maybe(texts, "cloth.length", said.length),
        said.rectangle,
        _weight(texts, "cloth.weight", said.weight),
    )


def _shrinkage(texts: Texts, said: str | None) -> Fraction:
    if said in (None, ""):
        return Fraction(0)
    part = texts.read("cloth.shrinkage", said, read_part)
    if part is not None and part >= Fraction(1, 2):
        texts.problems.append(
            Problem(
                "too_high",
                "cloth.shrinkage",
                str(said),
                "cloth that loses half of itself is no cloth to cut",
                "most lose 2 to 8 %",
            )
        )
        return Fraction(0)
    return part or Fraction(0)


def _price(texts: Texts, path: str, said: str | None) -> Fraction | None:
    return texts.read(path, said, read_price) if said not in (None, "") else None


def _weight(texts: Texts, path: str, said: str | None) -> Fraction | None:
    return texts.read(path, said, lambda text: read_weight(text, texts.unit)) if said not in (None, "") else None


def _lining_bolt(texts: Texts, said: LiningSpec, face: Bolt | None, *, imperial: bool) -> Bolt | None:
    usable = _maybe(texts, "cutting.lining.usable", said.usable) or (face.usable if face else None)
    if usable is None:
        return None
    return Bolt(
        usable,
        "Lining",
        price=_price(texts, "cutting.lining.price", said.price),
        per=face.per if face else Length.inches(36) if imperial else Length.cm(100),
        step=face.step if face else Length.inches(Fraction(9, 2)) if imperial else Length.cm(10),
        weight=_weight(texts, "cutting.lining.weight", said.weight),
    )


def _too_long_a_repeat(texts: Texts, bolt: Bolt | None, along: str, across: str) -> None:
    if bolt is None:
        return
    if bolt.at_hand is not None and bolt.along > bolt.at_hand:
        texts.problems.append(
            Problem(
                "too_long",
                "cloth.along",
                along,
                "the repeat is longer than the cloth at hand",
                "check its unit, or leave the length at hand open",
            )
        )
    if bolt.across > bolt.usable:
        texts.problems.append(
            Problem(
                "too_long",
                "cloth.across",
                across,
                "the repeat is wider than the cloth",
                "check its unit; the repeat across lies within the width",
            )
        )
