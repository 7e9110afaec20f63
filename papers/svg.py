"""A drawing as SVG at full size: one unit is one millimetre, one group a layer."""

from __future__ import annotations

from xml.sax.saxutils import escape, quoteattr

from papers.bend import Point, arc_of
from papers.drawing import DASHES, Drawing, Layer, Stroke, Words
from papers.face import FAMILY
from papers.shown import shown

_INK = "#1a1f36"


def to_svg(drawing: Drawing) -> str:
    """The drawing as the text of an SVG file."""
    width, height = _figure(drawing.width), _figure(drawing.height)
    out = [
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{width}mm" height="{height}mm" viewBox="0 0 {width} {height}">',
        f'<rect width="{width}" height="{height}" fill="#ffffff"/>',
    ]
    for layer in Layer:
        lines = [line for line in drawing.lines if line.layer is layer]
        if lines:
            dash = f' stroke-dasharray="{" ".join(f"{d:g}" for d in DASHES[layer])}"' if layer in DASHES else ""
            out.append(f'<g id={quoteattr(layer.replace(" ", "-"))} fill="none" stroke="{_INK}"{dash}>')
            out += [f'<path d="{_path(line)}" stroke-width="{line.width:g}"/>' for line in lines]
            out.append("</g>")
    out.append(f'<g id="words" fill="{_INK}" font-family="{FAMILY}, Atkinson Hyperlegible Next, sans-serif">')
    out += [_text(one) for one in drawing.words]
    return "\n".join([*out, "</g>", "</svg>", ""])


def _figure(value: float) -> str:
    return f"{value:.5f}".rstrip("0").rstrip(".")


def _path(line: Stroke) -> str:
    begins = "M{} {}".format(*map(_figure, line.points[0]))
    runs = [_run(*run) for run in line.runs()]
    if line.closed and not (line.bends and line.bends[-1]):
        runs.pop()  # which Z draws
    return " ".join([begins, *runs, *(["Z"] if line.closed else [])])


def _run(a: Point, b: Point, bend: float) -> str:
    to = f"{_figure(b[0])} {_figure(b[1])}"
    if not bend:
        return f"L{to}"
    radius = _figure(arc_of(a, b, bend).radius)
    return f"A{radius} {radius} 0 {int(abs(bend) > 1)} {int(bend < 0)} {to}"


def _text(one: Words) -> str:
    x, y = (_figure(value) for value in one.at)
    turn = f' transform="rotate(-90 {x} {y})"' if one.upright else ""
    weight = ' font-weight="bold"' if one.bold else ""
    return f'<text x="{x}" y="{y}" font-size="{one.height:g}" text-anchor="{one.anchor}"{weight}{turn}>{escape(shown(one.text))}</text>'
