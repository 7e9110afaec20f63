"""Reads what a stretch says beyond its pins: places, levels, stops, the pattern piece, gathers."""

from __future__ import annotations

from typing import TypedDict

from ribbon.facts import PatternPiece, Place, Stops, Taper
from ribbon.gathers import Gathering, Point, Ruffler, Swatch, settings
from ribbon.lengths import ZERO, Length
from ribbon.pleats import Facing, Kind, Quantity
from server.wire.section import CorrectionSpec, GatheringSpec, PartSpec, RufflerSpec, SectionSpec, TurnSpec
from server.wire.texts import Texts


class ShapeFacts(TypedDict):
    """The facts of a section that say how it is shaped."""

    places: tuple[Place, ...]
    from_centre: bool
    taper: Taper | None
    stops: Stops | None
    piece: PatternPiece | None
    gathering: Gathering
    goblet: bool
    at_foot: bool
    corrections: tuple[Length, ...]
    turn: Length
    rows: int


def read_shape(texts: Texts, said: SectionSpec | PartSpec, kind: Kind, *, imperial: bool) -> ShapeFacts:
    """Those facts; problems are collected by `texts`."""
    piece = said.piece
    return {
        "places": tuple(_places(texts, said, kind)),
        "from_centre": said.placed_from == "centre",
        "taper": _taper(texts, said),
        "stops": _stops(texts, said),
        "piece": None if piece is None else PatternPiece(texts.length("piece.rise", piece.rise) or ZERO, piece.times),
        "gathering": _gathering(texts, said.gathering, imperial=imperial),
        "goblet": said.goblet,
        "at_foot": said.pinched_at == "foot",
        "corrections": tuple(_signed(texts, f"corrections.{n}", one) for n, one in enumerate(said.corrections)),
        "turn": ZERO if said.turn is None else _signed(texts, "turn", said.turn),
        "rows": said.rows,
    }


def _signed(texts: Texts, path: str, said: CorrectionSpec | TurnSpec) -> Length:
    """A length and the way that it goes: below nought for what is let out, or comes out wider."""
    found = texts.length(f"{path}.by", said.by) or ZERO
    return ZERO - found if said.way in ("out", "wider") else found


def _places(texts: Texts, said: SectionSpec | PartSpec, kind: Kind) -> list[Place]:
    found = []
    for index, one in enumerate(said.placed):
        path = f"placed.{index}"
        at = texts.length(f"{path}.at", one.at)
        depth = texts.positive(f"{path}.depth", one.depth) if one.depth is not None else None
        take = texts.positive(f"{path}.per_pleat", one.per_pleat) if one.per_pleat is not None else None
        if depth is not None and Quantity.DEPTH not in kind.quantities:
            texts.add(
                "not_of_kind",
                f"{path}.depth",
                one.depth,
                f"{kind.title} have no depth",
                "give the cloth per pleat instead",
            )
        elif depth is not None:
            take = depth * kind.take_up_per_depth
        found.append(Place(at or ZERO, take, Facing(one.facing) if one.facing else None))
    return found


def _taper(texts: Texts, whole: SectionSpec | PartSpec) -> Taper | None:
    said = whole.taper
    if said is None:
        return None
    height = texts.positive("taper.height", said.height)
    finished = texts.positive("taper.finished", said.finished) if said.finished is not None else None
    darts = [(one.pleat, texts.positive(f"taper.darts.{n}.width", one.width)) for n, one in enumerate(said.darts)]
    return Taper(height or Length(1), finished, tuple((pleat, width) for pleat, width in darts if width is not None))


def _stops(texts: Texts, whole: SectionSpec | PartSpec) -> Stops | None:
    said = whole.stops
    if said is None:
        return None
    lower = texts.positive("stops.lower", said.lower)
    upper = texts.length("stops.upper", said.upper) or ZERO
    if lower is not None and upper >= lower:
        texts.add(
            "not_below",
            "stops.lower",
            said.lower,
            "the lower stop is not below the upper one",
            "measure both from the edge, the lower further down",
        )
    above = texts.length("stops.above", said.above) or ZERO if said.above is not None else ZERO
    if above and upper:
        texts.add(
            "both",
            "stops.above",
            said.above,
            "stitching that runs on above the edge does not begin below it",
            "leave one of the two out",
        )
    return Stops(lower or Length(1), upper, above, texts.given("stops.crease", said.crease), said.across)


def _gathering(texts: Texts, said: GatheringSpec, *, imperial: bool) -> Gathering:
    usual = settings(imperial=imperial)
    longest, thread, tail = (
        texts.positive(f"gathering.{name}", value) if value is not None else None
        for name, value in (("longest", said.longest), ("thread", said.thread), ("tail", said.tail))
    )
    points = []
    for index, one in enumerate(said.points):
        path = f"gathering.points.{index}"
        at = texts.positive(f"{path}.at", one.at)
        flat = texts.positive(f"{path}.flat", one.flat) if one.flat is not None else None
        if at is not None:
            points.append(Point(one.name, at, flat))
    return Gathering(
        longest or usual.longest,
        said.rows,
        thread or usual.thread,
        tail or usual.tail,
        tuple(points),
        tuple(_swatches(texts, said)),
        _ruffler(texts, said.ruffler),
        said.weight,
    )


def _swatches(texts: Texts, said: GatheringSpec) -> list[Swatch]:
    found = []
    for index, one in enumerate(said.swatches):
        path = f"gathering.swatches.{index}"
        flat, finished = texts.positive(f"{path}.flat", one.flat), texts.positive(f"{path}.finished", one.finished)
        if flat is None or finished is None:
            continue
        if finished >= flat:
            texts.add(
                "no_take_up",
                f"{path}.finished",
                one.finished,
                "a swatch does not grow as it is gathered",
                "the flat length is the longer of the two",
            )
        else:
            found.append(Swatch(flat, finished))
    return found


def _ruffler(texts: Texts, said: RufflerSpec | None) -> Ruffler | None:
    if said is None:
        return None
    tuck = texts.positive("gathering.ruffler.tuck", said.tuck)
    stitch = texts.machine("gathering.ruffler.stitch", said.stitch)
    return Ruffler(tuck, said.every, stitch) if tuck is not None and stitch is not None else None
