"""Reads cloths and how an edge is cut, with every problem collected."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from ribbon.cloth import (
    FACE,
    LINING,
    Bolt,
    CutPiece,
    Cutting,
    Drop,
    Front,
    Lining,
    Stripe,
    StripeSet,
    usual_hand,
    usual_lining,
    usual_step,
)
from ribbon.errors import Problem
from ribbon.facts import Allowance, PlanCloth
from ribbon.fraction import Fraction
from ribbon.lengths import UNITS, ZERO, Length, price_sign, read_part, read_price, read_weight
from ribbon.readings import Strategy
from server.wire.cloth import ClothSpec, CuttingSpec, LiningSpec, role_of
from server.wire.section import SectionSpec
from server.wire.texts import Texts
from server.wire.tied import Tied


@dataclass(frozen=True, slots=True)
class ReadCloth:
    """A cloth that was read: what a plan needs of it, the whole of it where its width is known, what is wrong in it.

    `problems` are those that a plan cannot do without, `wrong` the others.
    """

    facts: PlanCloth = PlanCloth()
    bolt: Bolt | None = None
    problems: tuple[Problem, ...] = ()
    wrong: tuple[Problem, ...] = ()


def read_cloth(said: ClothSpec, path: str, unit: str, *, imperial: bool, wide: Length | None = None) -> ReadCloth:
    """The cloth that `said` describes, its problems by their paths below `path`; bare numbers in its own unit, else in `unit`.

    It is as `wide` as that where it does not say how wide it is.
    """
    needed, texts = Texts(UNITS[said.unit or unit]), Texts(UNITS[said.unit or unit])
    usable = needed.given(f"{path}.usable", said.usable)
    width = needed.given(f"{path}.width", said.width)
    selvedge = needed.length_or_none(f"{path}.selvedge", said.selvedge) or ZERO
    if usable is None and width is not None:
        usable = width - selvedge * 2
        if usable <= ZERO:
            needed.add(
                "too_wide",
                f"{path}.selvedge",
                said.selvedge,
                "the two selvedges take all the cloth",
                "give the width of one selvedge",
            )
            usable = None
    if usable is None and width is None:
        usable = wide
    facts = PlanCloth(usable, needed.given(f"{path}.thickness", said.thickness))
    bolt = _bolt(texts, said, path, usable, imperial=imperial) if usable is not None else None
    return ReadCloth(facts, bolt, tuple(needed.problems), tuple(texts.problems))


def _bolt(texts: Texts, said: ClothSpec, path: str, usable: Length, *, imperial: bool) -> Bolt:
    yards = said.per == "yd" or (said.per is None and imperial)
    made = Bolt(
        usable,
        said.name,
        texts.given(f"{path}.along", said.along) or ZERO,
        texts.given(f"{path}.across", said.across) or ZERO,
        said.directional,
        _shrinkage(texts, path, said.shrinkage),
        texts.read_or_none(f"{path}.price", said.price, read_price),
        Length.inches(36) if yards else Length.cm(100),
        texts.given(f"{path}.step", said.step) or usual_step(yards=yards),
        _at_hand(texts, said, path),
        said.rectangle,
        texts.read_or_none(f"{path}.weight", said.weight, lambda text: read_weight(text, texts.unit)),
        tuple(_sheets(texts, said, path)),
        tuple(_stripes(texts, said, path)),
        price_sign(str(said.price or "")) or said.sign.strip(),
    )
    if made.at_hand is not None and made.along > made.at_hand:
        texts.add(
            "too_long",
            f"{path}.along",
            said.along,
            "the repeat is longer than the cloth at hand",
            "check its unit, or leave the length at hand open",
        )
    if made.across > made.usable:
        texts.add(
            "too_long",
            f"{path}.across",
            said.across,
            "the repeat is wider than the cloth",
            "check its unit; the repeat across lies within the width",
        )
    return made


def _at_hand(texts: Texts, said: ClothSpec, path: str) -> Length | None:
    """What there is of it for this work: on the shelf, and what was taken from there."""
    taken = texts.length_or_none(f"{path}.taken", said.taken)
    if not taken:
        return texts.given(f"{path}.length", said.length)
    return taken + (texts.length_or_none(f"{path}.length", said.length) or ZERO)


def _shrinkage(texts: Texts, path: str, said: str | None) -> Fraction:
    part = texts.read_or_none(f"{path}.shrinkage", said, read_part)
    if part is not None and part >= Fraction(1, 2):
        texts.add(
            "too_high",
            f"{path}.shrinkage",
            said,
            "cloth that loses half of itself is no cloth to cut",
            "most lose 2 to 8 %",
        )
        return Fraction(0)
    return part or Fraction(0)


def _sheets(texts: Texts, said: ClothSpec, path: str) -> list[tuple[Length, Length]]:
    found = []
    for index, sheet in enumerate(said.sheets):
        at = f"{path}.sheets.{index}"
        width, length = texts.positive(f"{at}.width", sheet.width), texts.positive(f"{at}.length", sheet.length)
        if width is not None and length is not None:
            found.append((width, length))
    return found


def _stripes(texts: Texts, said: ClothSpec, path: str) -> list[Stripe]:
    widths = [texts.positive(f"{path}.stripes.{n}.width", stripe.width) for n, stripe in enumerate(said.stripes)]
    return [
        Stripe(stripe.colour, width, stripe.name)
        for stripe, width in zip(said.stripes, widths, strict=True)
        if width is not None
    ]


def read_cutting(
    texts: Texts, section: SectionSpec, face: ReadCloth, lining: ReadCloth, allowance: Allowance, *, imperial: bool
) -> Cutting:
    """How an edge is cut from cloths that were read; problems are collected by `texts`."""
    said = section.cutting
    role = role_of(section.cloth, FACE)
    made = Cutting(
        face.bolt,
        _drop(texts, said),
        Strategy(said.strategy),
        said.way,
        _front(texts, said, imperial=imperial) if said.front is not None and not section.closed else None,
        StripeSet(said.stripe - 1 if said.stripe else None, said.stripe_at, said.stripe_where),
        texts.given("cutting.opening", said.opening),
        role=role,
        pieces=tuple(_pieces(texts, said, role)),
        shaped=said.shaped,
        names=tuple(said.names),
        from_end=said.joins_from == "end",
    )
    if said.lining is None:
        return made
    seam = allowance.join if section.allowance.seam or section.allowance.join else None
    rules = read_lining(texts, said.lining, seam, imperial=imperial)
    lining_role = role_of(said.lining.cloth, LINING)
    return made._replace(lining=rules, lining_bolt=lining.bolt, lining_role=lining_role)


def read_lining(texts: Texts, said: LiningSpec, seam: Length | None, *, imperial: bool) -> Lining:
    """A lining's own rules; what is not said is assumed, its seams as those of the work."""
    usual = usual_lining(imperial=imperial)

    def length(name: str, value: str | Tied | None, otherwise: Length) -> Length:
        found = texts.length_or_none(f"cutting.lining.{name}", value)
        return otherwise if found is None else found

    return Lining(
        length("shorter", said.shorter, usual.shorter),
        length("narrower", said.narrower, usual.narrower),
        length("hem", said.hem, usual.hem),
        said.hem_turns,
        length("heading", said.heading, usual.heading),
        length("allowance", said.allowance, usual.allowance if seam is None else seam),
        said.tube,
        said.way,
    )


def _drop(texts: Texts, said: CuttingSpec) -> Drop | None:
    drop = said.drop
    finished = texts.given("cutting.drop.finished", drop.finished)
    heading, hem, margin = (
        texts.length_or_none(f"cutting.drop.{name}", value) or ZERO
        for name, value in (("heading", drop.heading), ("hem", drop.hem), ("margin", drop.margin))
    )
    return None if finished is None else Drop(finished, heading, hem, drop.hem_turns, margin)


def _front(texts: Texts, said: CuttingSpec, *, imperial: bool) -> Front | None:
    if said.front is None:
        return None
    shows = texts.positive("cutting.front.shows", said.front.shows)
    fold = texts.given("cutting.front.fold", said.front.fold) or usual_hand(imperial=imperial)
    inner = texts.length_or_none("cutting.front.inner", said.front.inner)
    return None if shows is None else Front(shows, fold, inner, said.front.outer == "end")


def _pieces(texts: Texts, said: CuttingSpec, role: str) -> list[CutPiece]:
    found = []
    for index, one in enumerate(said.pieces):
        path = f"cutting.pieces.{index}"
        width, length = texts.positive(f"{path}.width", one.width), texts.positive(f"{path}.length", one.length)
        if width is not None and length is not None:
            found.append(
                CutPiece.oblong(
                    f"piece.{index}",
                    one.name or f"Piece {index + 1}",
                    width,
                    length,
                    one.count,
                    on_fold=one.on_fold,
                    may_turn=one.may_turn,
                    role=one.cloth or role,
                )
            )
    return found


def inline(said: object, role: str, cloths: Mapping[str, ClothSpec]) -> tuple[ClothSpec, str]:
    """(the cloth that an edge names or holds, where it stands); an empty one where its role has none yet."""
    if isinstance(said, ClothSpec):
        return said, role
    name = str(said)
    return cloths.get(name, ClothSpec()), f"cloths.{name}"
