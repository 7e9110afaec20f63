"""A stand-in for a plotting or cutting machine: it reads a DXF or an SVG and says what it would draw, and how far its pen goes."""

from __future__ import annotations

import re
from collections.abc import Iterable
from io import StringIO
from itertools import pairwise
from math import asin, cos, hypot, isfinite, pi, radians, sin
from typing import Any, NamedTuple
from xml.etree.ElementTree import ParseError

from defusedxml import DefusedXmlException
from defusedxml.ElementTree import fromstring

from papers.bend import Point, along, bend_of

MOST_LINES = 200_000
_SIZE = re.compile(r"\s*(\d+(?:\.\d+)?)\s*(mm|cm|in)?\s*$")
_STEP = re.compile(r"([MLHVZA])|([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)", re.IGNORECASE)
_MM = {"mm": 1.0, "cm": 10.0, "in": 25.4}


class UnreadableDrawing(ValueError):
    """A file that the plotter cannot read; the message says why."""


class Plotted(NamedTuple):
    """What a plotter would draw: its runs in mm, the pen's way with the pen down and lifted, and the sheet that it needs.

    `skipped` counts what it does not draw: words, pictures, curves that are no arcs.
    """

    runs: list[list[Point]]
    drawn: float
    lifted: float
    width: float
    height: float
    skipped: int


def plotted(text: str) -> Plotted:
    """What the machine would do with the text of a DXF or an SVG file.  Raises `UnreadableDrawing`."""
    begins = text.lstrip("\ufeff \r\n\t")[:400]
    runs, skipped = _from_svg(text) if begins.startswith("<") else _from_dxf(text)
    if not runs:
        raise UnreadableDrawing("there is not one line in this file that a plotter could draw")
    if not all(isfinite(value) for run in runs for point in run for value in point):
        raise UnreadableDrawing("a line in this file goes to a place that is no number")
    xs, ys = [x for run in runs for x, _ in run], [y for run in runs for _, y in run]
    drawn = sum(hypot(b[0] - a[0], b[1] - a[1]) for run in runs for a, b in pairwise(run))
    at, lifted = (0.0, 0.0), 0.0
    for run in runs:
        lifted += hypot(run[0][0] - at[0], run[0][1] - at[1])
        at = run[-1]
    return Plotted(runs, drawn, lifted, max(xs) - min(xs), max(ys) - min(ys), skipped)


def _from_svg(text: str) -> tuple[list[list[Point]], int]:
    try:
        root = fromstring(text)
    except (ParseError, DefusedXmlException, ValueError) as error:
        raise UnreadableDrawing(f"this is not an SVG file that can be read: {error}") from None
    view = [float(part) for part in re.findall(r"-?\d+(?:\.\d+)?", root.get("viewBox", ""))[:4]]
    sized = _SIZE.match(root.get("width", ""))
    scale = 1.0
    if sized and len(view) == 4 and view[2]:
        scale = float(sized[1]) * _MM.get(sized[2] or "mm", 1.0) / view[2]
    runs: list[list[Point]] = []
    skipped = 0
    for element in root.iter():
        name = str(element.tag).rpartition("}")[2]
        if name == "path":
            found = _path(element.get("d", ""))
            skipped += found is None
            runs += found or []
        elif name in ("text", "image", "circle", "ellipse", "use"):
            skipped += 1
        if len(runs) > MOST_LINES:
            raise UnreadableDrawing(f"this file holds more than {MOST_LINES} lines")
    return [[(x * scale, y * scale) for x, y in run] for run in runs], skipped


def _path(said: str) -> list[list[Point]] | None:
    """The runs of a path of straight lines and circular arcs; None where it holds anything else."""
    if re.search(r"[^MLHVZAmlhvzaeE0-9\s,.+-]", said):
        return None
    runs: list[list[Point]] = []
    letter, waiting = "", list[float]()
    for found in _STEP.finditer(said):
        if found[1]:
            letter = found[1]
            if letter in "Zz" and runs:
                runs[-1].append(runs[-1][0])
            continue
        if not runs and letter not in ("M", "m"):
            return None
        waiting.append(float(found[2]))
        if len(waiting) < _WANTS.get(letter.upper(), 2):
            continue
        figures, waiting = waiting, []
        at = runs[-1][-1] if runs else (0.0, 0.0)
        old = at if letter.islower() else (0.0, 0.0)
        if letter in "Mm":
            runs.append([(old[0] + figures[0], old[1] + figures[1])])
            letter = "L" if letter == "M" else "l"
        elif letter in "Aa":
            to = (old[0] + figures[5], old[1] + figures[6])
            if figures[0] != figures[1]:
                return None  # of an ellipse
            runs[-1] += along(at, to, _bend(at, to, figures[0], large=bool(figures[3]), clockwise=bool(figures[4])))
        else:
            x = at[0] if letter in "Vv" else old[0] + figures[0]
            y = at[1] if letter in "Hh" else old[1] + figures[-1]
            runs[-1].append((x, y))
    return [run for run in runs if len(run) > 1]


_WANTS = {"H": 1, "V": 1, "A": 7}  # figures; the others want two


def _bend(a: Point, b: Point, radius: float, *, large: bool, clockwise: bool) -> float:
    """The bend of an arc by its radius and its two flags; a radius too small is as large as it must be."""
    half = hypot(b[0] - a[0], b[1] - a[1]) / 2
    if not half or not radius:
        return 0.0
    turn = 2 * asin(min(1.0, half / abs(radius)))
    bend = bend_of(2 * pi - turn if large else turn)
    return -bend if clockwise else bend


def _from_dxf(text: str) -> tuple[list[list[Point]], int]:
    # Read in where it is wanted, as in `dxf`.
    from ezdxf.filemanagement import read
    from ezdxf.lldxf.const import DXFError

    try:
        found = read(StringIO(text))
    except (DXFError, ValueError, IndexError, KeyError, AttributeError, TypeError) as error:
        raise UnreadableDrawing(f"this is neither an SVG nor a DXF file that can be read: {str(error)[:120]}") from None
    runs: list[list[Point]] = []
    skipped = 0
    for entity in found.modelspace():
        kind = entity.dxftype()
        if kind == "LINE":
            runs.append([(entity.dxf.start.x, -entity.dxf.start.y), (entity.dxf.end.x, -entity.dxf.end.y)])
        elif kind == "LWPOLYLINE":
            runs.append(_polyline(entity.get_points("xyb"), closed=entity.closed))  # type: ignore[attr-defined]
        elif kind in ("ARC", "CIRCLE"):
            runs.append(_circle(entity, whole=kind == "CIRCLE"))
        else:
            skipped += 1
        if len(runs) > MOST_LINES:
            raise UnreadableDrawing(f"this file holds more than {MOST_LINES} lines")
    return [run for run in runs if len(run) > 1], skipped


# DXF counts upwards; a sheet is looked at downwards.
def _polyline(said: Iterable[tuple[float, float, float]], *, closed: bool) -> list[Point]:
    corners = [(float(x), -float(y), float(bend)) for x, y, bend in said]
    if not corners:
        return []
    around = [*corners, corners[0]] if closed else corners
    run = [(around[0][0], around[0][1])]
    for (x, y, bend), (to_x, to_y, _) in pairwise(around):
        run += along((x, y), (to_x, to_y), bend)
    return run


def _circle(entity: Any, *, whole: bool) -> list[Point]:
    x, y, r = entity.dxf.center.x, -entity.dxf.center.y, entity.dxf.radius
    first, last = (0.0, 2 * pi) if whole else (radians(entity.dxf.start_angle), radians(entity.dxf.end_angle))
    turn = (last - first) % (2 * pi) or 2 * pi
    ends = [(x + r * cos(first + turn * part), y - r * sin(first + turn * part)) for part in (0.0, 0.5, 1.0)]
    return [ends[0], *along(ends[0], ends[1], bend_of(turn / 2)), *along(ends[1], ends[2], bend_of(turn / 2))]
