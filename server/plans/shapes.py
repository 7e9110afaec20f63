"""Reading what a section says beyond its pins: places, levels, stops, the pattern piece, gathers."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from ribbon.cloth import Lining, usual_lining
from ribbon.errors import Problem
from ribbon.gathers import Gathering, Point, Ruffler, Swatch, settings
from ribbon.lengths import ZERO, Length
from ribbon.pins import Allowance, Cloth, PatternPiece, Place, Stops, Taper, allowances
from ribbon.pleats import Facing, Kind, Quantity
from server.plans.texts import Texts, part


def read_allowance(texts: Texts, data: Mapping[str, Any], *, imperial: bool) -> Allowance:
    """The seam allowances: the work's own, but for an end or the joins that have another one.

    The sides of a tube of face and lining are cut as it asks, so that it measures the flat width once turned.
    """
    said = part(data, "allowance")
    seam, start, end, join = (
        texts.length(f"allowance.{name}", value) if (value := said.get(name)) not in (None, "") else None
        for name in ("seam", "start", "end", "join")
    )
    lining = part(part(data, "cutting"), "lining")
    if lining.get("tube") is True and start is None and end is None:
        problems = len(texts.problems)
        made = read_lining(texts, lining, seam, imperial=imperial)
        del texts.problems[problems:]  # the step Cloth says what is wrong with it
        start = end = made.side
    return allowances(seam, start, end, join, imperial=imperial)


def read_lining(texts: Texts, said: Mapping[str, Any], seam: Length | None, *, imperial: bool) -> Lining:
    """A lining's own rules; what is not said is assumed, its seams as those of the work."""
    usual = usual_lining(imperial=imperial)
    given = {
        name: texts.length(f"cutting.lining.{name}", said.get(name))
        for name in ("shorter", "narrower", "hem", "heading", "allowance")
        if said.get(name) not in (None, "")
    }
    read = {name: value for name, value in given.items() if value is not None}
    if "allowance" not in given and seam is not None:
        read["allowance"] = seam
    turns = said.get("hem_turns", 2)
    return usual._replace(
        **read,
        hem_turns=turns if isinstance(turns, int) else 2,
        tube=said.get("tube") is True,
        way=str(said.get("way", "best")),
    )


def read_shape(texts: Texts, data: Mapping[str, Any], kind: Kind, *, imperial: bool) -> dict[str, Any]:
    """The fields of a section that say how it is shaped; what is wrong is kept by `texts`."""
    return {
        "places": tuple(_places(texts, data, kind)),
        "from_centre": data.get("placed_from") == "centre",
        "taper": _taper(texts, data),
        "stops": _stops(texts, data),
        "piece": _piece(texts, data),
        "gathering": _gathering(texts, part(data, "gathering"), imperial=imperial),
        "goblet": data.get("goblet") is True,
        "at_foot": data.get("pinched_at") == "foot",
        "corrections": tuple(_signed(texts, path, said, "out") for path, said in _rows(data, "corrections")),
        "turn": _signed(texts, "turn", part(data, "turn"), "wider"),
        "machine": texts.machine("machine", data.get("machine")),
        "rows": data["rows"] if isinstance(data.get("rows"), int) else 2,
    }


def _signed(texts: Texts, path: str, said: Mapping[str, Any], below: str) -> Length:
    """A length and the way that it goes; nought where it is not said, below nought the way named `below`."""
    found = texts.length(f"{path}.by", said.get("by")) or ZERO
    return ZERO - found if said.get("way") == below else found


def read_cloth(texts: Texts, said: Mapping[str, Any]) -> Cloth:
    """What a plan needs of the cloth: its usable width, or its width less both selvedges, and its thickness."""
    usable = texts.positive("cloth.usable", said.get("usable"))
    width = texts.positive("cloth.width", said.get("width"))
    selvedge = texts.length("cloth.selvedge", said.get("selvedge")) or ZERO
    if usable is None and width is not None:
        usable = width - selvedge * 2
        if usable <= ZERO:
            texts.problems.append(
                Problem(
                    "too_wide",
                    "cloth.selvedge",
                    str(said.get("selvedge")),
                    "the two selvedges take all the cloth",
                    "give the width of one selvedge",
                )
            )
            usable = None
    return Cloth(usable, texts.positive("cloth.thickness", said.get("thickness")))


def _rows(data: Mapping[str, Any], name: str) -> list[tuple[str, Mapping[str, Any]]]:
    """The rows of a list with their paths; what is no row is left to the schema."""
    rows = data.get(name)
    if not isinstance(rows, list):
        return []
    return [(f"{name}.{index}", row) for index, row in enumerate(rows) if isinstance(row, Mapping)]


def _places(texts: Texts, data: Mapping[str, Any], kind: Kind) -> list[Place]:
    found = []
    for path, row in _rows(data, "placed"):
        at = texts.length(f"{path}.at", row.get("at"))
        depth = texts.positive(f"{path}.depth", row.get("depth"))
        take = texts.positive(f"{path}.per_pleat", row.get("per_pleat"))
        if depth is not None and Quantity.DEPTH not in kind.quantities:
            texts.problems.append(
                Problem(
                    "not_of_kind",
                    f"{path}.depth",
                    str(row.get("depth")),
                    f"{kind.title} have no depth",
                    "give the cloth per pleat instead",
                )
            )
        elif depth is not None:
            take = depth * kind.take_up_per_depth
        facing = Facing(row["facing"]) if row.get("facing") in ("right", "left") else None
        found.append(Place(at or ZERO, take, facing))
    return found


def _taper(texts: Texts, data: Mapping[str, Any]) -> Taper | None:
    if not isinstance(data.get("taper"), Mapping):
        return None
    said = part(data, "taper")
    height = texts.positive("taper.height", said.get("height"))
    finished = texts.positive("taper.finished", said.get("finished"))
    darts = []
    for path, row in _rows(said, "darts"):
        width = texts.positive(f"taper.{path}.width", row.get("width"))
        if isinstance(row.get("pleat"), int) and width is not None:
            darts.append((row["pleat"], width))
    return Taper(height or Length(1), finished, tuple(darts))


def _stops(texts: Texts, data: Mapping[str, Any]) -> Stops | None:
    if not isinstance(data.get("stops"), Mapping):
        return None
    said = part(data, "stops")
    lower = texts.positive("stops.lower", said.get("lower"))
    upper = texts.length("stops.upper", said.get("upper")) or ZERO
    if lower is not None and upper >= lower:
        texts.problems.append(
            Problem(
                "not_below",
                "stops.lower",
                str(said.get("lower")),
                "the lower stop is not below the upper one",
                "measure both from the edge, the lower further down",
            )
        )
    above = texts.length("stops.above", said.get("above")) or ZERO
    if above and upper:
        texts.problems.append(
            Problem(
                "both",
                "stops.above",
                str(said.get("above")),
                "stitching that runs on above the edge does not begin below it",
                "leave one of the two out",
            )
        )
    crease = texts.positive("stops.crease", said["crease"]) if said.get("crease") not in (None, "") else None
    return Stops(lower or Length(1), upper, above, crease, said.get("across") is True)


def _piece(texts: Texts, data: Mapping[str, Any]) -> PatternPiece | None:
    if not isinstance(data.get("piece"), Mapping):
        return None
    said = part(data, "piece")
    times = said.get("times", 1)
    return PatternPiece(texts.length("piece.rise", said.get("rise")) or ZERO, times if isinstance(times, int) else 1)


def _gathering(texts: Texts, said: Mapping[str, Any], *, imperial: bool) -> Gathering:
    usual = settings(imperial=imperial)
    longest, thread, tail = (
        texts.positive(f"gathering.{name}", said.get(name)) for name in ("longest", "thread", "tail")
    )
    points = [
        Point(str(row.get("name", "")), at, texts.positive(f"gathering.{path}.flat", row.get("flat")))
        for path, row in _rows(said, "points")
        if (at := texts.positive(f"gathering.{path}.at", row.get("at"))) is not None
    ]
    swatches = []
    for path, row in _rows(said, "swatches"):
        flat = texts.positive(f"gathering.{path}.flat", row.get("flat"))
        finished = texts.positive(f"gathering.{path}.finished", row.get("finished"))
        if flat is None or finished is None:
            continue
        if finished >= flat:
            texts.problems.append(
                Problem(
                    "no_take_up",
                    f"gathering.{path}.finished",
                    str(row.get("finished")),
                    "a swatch does not grow as it is gathered",
                    "the flat length is the longer of the two",
                )
            )
        else:
            swatches.append(Swatch(flat, finished))
    rows, weight = said.get("rows", usual.rows), said.get("weight")
    return Gathering(
        longest or usual.longest,
        rows if isinstance(rows, int) else usual.rows,
        thread or usual.thread,
        tail or usual.tail,
        tuple(points),
        tuple(swatches),
        _ruffler(texts, part(said, "ruffler")) if isinstance(said.get("ruffler"), Mapping) else None,
        weight if isinstance(weight, str) else None,
    )


def _ruffler(texts: Texts, said: Mapping[str, Any]) -> Ruffler | None:
    tuck = texts.positive("gathering.ruffler.tuck", said.get("tuck"))
    stitch = texts.machine("gathering.ruffler.stitch", said.get("stitch"))
    every = said.get("every", 6)
    return (
        Ruffler(tuck, every, stitch)
        if tuck is not None and stitch is not None and isinstance(every, int) and every > 0
        else None
    )
