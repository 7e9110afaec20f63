"""Reading a section's cloth and how it is cut, every problem kept."""

from __future__ import annotations

from fractions import Fraction
from typing import NamedTuple

from ribbon.cloth import HAND, Bolt, Drop, Lining, Piece
from ribbon.errors import Problem, Refusal
from ribbon.lengths import UNITS, ZERO, Length, read_ratio
from server.plans.cloth import ClothSpec, LiningSpec
from server.plans.schema import SectionIn
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
    said = section.cutting
    usable = section.section.cloth.usable
    bolt = _bolt(texts, section.cloth, usable) if usable is not None else None
    finished = _maybe(texts, "cutting.drop.finished", said.drop.finished)
    drop = None
    if finished is not None:
        heading, hem, margin = (
            texts.length(f"cutting.drop.{name}", value) or ZERO if value else ZERO
            for name, value in (("heading", said.drop.heading), ("hem", said.drop.hem), ("margin", said.drop.margin))
        )
        drop = Drop(finished, heading, hem, said.drop.hem_turns, margin)
    lining = _lining(texts, said.lining) if said.lining else None
    lining_bolt = _lining_bolt(texts, said.lining, bolt) if said.lining else None
    opening = _maybe(texts, "cutting.opening", said.opening)
    pieces = []
    for index, one in enumerate(said.pieces):
        path = f"cutting.pieces.{index}"
        width, length = texts.positive(f"{path}.width", one.width), texts.positive(f"{path}.length", one.length)
        if width is not None and length is not None:
            pieces.append(Piece(one.name or f"Piece {index + 1}", width, length, one.count, one.on_fold, one.may_turn))
    sheets = []
    for index, sheet in enumerate(section.cloth.sheets):
        path = f"cloth.sheets.{index}"
        width, length = texts.positive(f"{path}.width", sheet.width), texts.positive(f"{path}.length", sheet.length)
        if width is not None and length is not None:
            sheets.append((width, length))
    front = None
    if said.front is not None:
        shows = texts.positive("cutting.front.shows", said.front.shows)
        fold = _maybe(texts, "cutting.front.fold", said.front.fold) or HAND
        front = (shows, fold) if shows is not None else None
    _too_long_a_repeat(texts, bolt, str(section.cloth.along), str(section.cloth.across))
    striped = None
    try:
        striped = read_stripes(section)
    except Refusal as refusal:
        texts.problems += refusal.problems
    if texts.problems:
        raise Refusal(texts.problems)
    return Cutting(bolt, drop, lining, lining_bolt, opening, tuple(pieces), tuple(sheets), front, striped)


def _maybe(texts: Texts, path: str, value: object) -> Length | None:
    return texts.positive(path, value) if value not in (None, "") else None


def _bolt(texts: Texts, said: ClothSpec, usable: Length) -> Bolt:
    return Bolt(
        usable,
        said.name,
        _maybe(texts, "cloth.along", said.along) or ZERO,
        _maybe(texts, "cloth.across", said.across) or ZERO,
        said.directional,
        _shrinkage(texts, said.shrinkage),
        _number(texts, "cloth.price", said.price),
        Length.cm(100) if said.per == "m" else Length.inches(36),
        _maybe(texts, "cloth.step", said.step) or (Length.cm(10) if said.per == "m" else Length.inches(Fraction(9, 2))),
        _maybe(texts, "cloth.length", said.length),
        said.rectangle,
        _number(texts, "cloth.weight", said.weight),
    )


def _shrinkage(texts: Texts, said: str | None) -> Fraction:
    if said in (None, ""):
        return Fraction(0)
    text = str(said).strip()
    part = texts.read("cloth.shrinkage", text if text.endswith("%") else f"{text} %", read_ratio)
    if part is not None and part >= Fraction(1, 2):
        texts.problems.append(
            Problem(
                "too_high",
                "cloth.shrinkage",
                text,
                "cloth that loses half of itself is no cloth to cut",
                "most lose 2 to 8 %",
            )
        )
        return Fraction(0)
    return part or Fraction(0)


def _number(texts: Texts, path: str, said: str | None) -> Fraction | None:
    return texts.read(path, said, read_ratio) if said not in (None, "") else None


def _lining(texts: Texts, said: LiningSpec) -> Lining:
    usual = Lining()
    given = {
        name: texts.length(f"cutting.lining.{name}", getattr(said, name))
        for name in ("shorter", "narrower", "hem", "heading", "allowance")
        if getattr(said, name) not in (None, "")
    }
    read = {name: value for name, value in given.items() if value is not None}
    return usual._replace(**read, hem_turns=said.hem_turns, tube=said.tube)


def _lining_bolt(texts: Texts, said: LiningSpec, face: Bolt | None) -> Bolt | None:
    usable = _maybe(texts, "cutting.lining.usable", said.usable) or (face.usable if face else None)
    if usable is None:
        return None
    price = _number(texts, "cutting.lining.price", said.price)
    weight = _number(texts, "cutting.lining.weight", said.weight)
    return Bolt(
        usable,
        "lining",
        price=price,
        per=face.per if face else Length.cm(100),
        step=face.step if face else Length.cm(10),
        weight=weight,
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
