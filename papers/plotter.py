"""A stand-in for a plotting or cutting machine: it reads a DXF or an SVG and says what it would draw, and how far its pen goes."""

from __future__ import annotations

import re
from io import StringIO
from itertools import pairwise
from math import hypot, isfinite
from typing import NamedTuple
from xml.etree.ElementTree import ParseError

from defusedxml import DefusedXmlException
from defusedxml.ElementTree import fromstring

Point = tuple[float, float]
MOST_LINES = 200_000
_SIZE = re.compile(r"\s*(\d+(?:\.\d+)?)\s*(mm|cm|in)?\s*$")
_STEP = re.compile(r"([MLHVZ])|(-?(?:\d+\.?\d*|\.\d+)(?:e-?\d+)?)", re.IGNORECASE)
_MM = {"mm": 1.0, "cm": 10.0, "in": 25.4}


class UnreadableDrawing(ValueError):
    """A file that the plotter cannot read; the message says why."""


class Plotted(NamedTuple):
    """What a plotter would draw: its runs in mm, the pen's way with the pen down and lifted, and the sheet that it needs.

    `skipped` counts what it does not draw: words, pictures, curves.
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
    """The runs of a path of straight lines; None where it holds anything else."""
    if re.search(r"[^MLHVZmlhvz0-9eE\s,.+-]", said):
        return None
    runs: list[list[Point]] = []
    letter, waiting = "", []
    for found in _STEP.finditer(said):
        if found[1]:
            letter = found[1]
            if letter in "Zz" and runs:
                runs[-1].append(runs[-1][0])
            continue
        if not runs and letter not in ("M", "m"):
            return None
        waiting.append(float(found[2]))
        at = runs[-1][-1] if runs else (0.0, 0.0)
        old = at if letter.islower() else (0.0, 0.0)
        if letter in "Hh":
            runs[-1].append((old[0] + waiting.pop(), at[1]))
        elif letter in "Vv":
            runs[-1].append((at[0], old[1] + waiting.pop()))
        elif len(waiting) == 2:
            point = (old[0] + waiting[0], old[1] + waiting[1])
            waiting = []
            if letter in "Mm":
                runs.append([point])
                letter = "L" if letter == "M" else "l"
            elif runs:
                runs[-1].append(point)
    return [run for run in runs if len(run) > 1]


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
            runs.append([(entity.dxf.start.x, entity.dxf.start.y), (entity.dxf.end.x, entity.dxf.end.y)])
        elif kind == "LWPOLYLINE":
            points = [(float(x), float(y)) for x, y in entity.get_points("xy")]  # type: ignore[attr-defined]
            runs.append([*points, points[0]] if entity.closed and points else points)  # type: ignore[attr-defined]
        else:
            skipped += 1
        if len(runs) > MOST_LINES:
            raise UnreadableDrawing(f"this file holds more than {MOST_LINES} lines")
    # DXF counts upwards; a sheet is looked at downwards.
    return [[(x, -y) for x, y in run] for run in runs if len(run) > 1], skipped
