"""Drawings as a PDF at full size, one page each."""

from __future__ import annotations

from collections.abc import Sequence
from io import BytesIO
from itertools import groupby
from math import degrees

from reportlab import rl_config
from reportlab.pdfgen.canvas import Canvas
from reportlab.pdfgen.pathobject import PDFPathObject

from papers.bend import Arc, arc_of
from papers.drawing import DASHES, Drawing, Layer, Words
from papers.face import runs, wide

_POINT = 72 / 25.4
# Streams as they are: to write them in printable signs, for post of long ago, takes a quarter longer and is a quarter larger.
rl_config.useA85 = 0


def to_pdf(pages: Sequence[Drawing], title: str) -> bytes:
    """A PDF of `pages`, each on a page of its own size; a millimetre of the drawing is a millimetre of paper."""
    made = BytesIO()
    canvas = Canvas(made, invariant=1, pageCompression=1)
    canvas.setTitle(title)
    canvas.setCreator("Young Ribbon")
    for page in pages:
        canvas.setPageSize((page.width * _POINT, page.height * _POINT))
        _draw(canvas, page)
        canvas.showPage()
    canvas.save()
    return made.getvalue()


def _draw(canvas: Canvas, page: Drawing) -> None:
    def place(x: float, y: float) -> tuple[float, float]:
        return x * _POINT, (page.height - y) * _POINT

    canvas.setLineCap(0)
    for layer in Layer:
        lines = [line for line in page.lines if line.layer is layer]
        if not lines:
            continue
        canvas.setDash([d * _POINT for d in DASHES.get(layer, ())], 0)
        for width, alike in groupby(lines, lambda line: line.width):
            canvas.setLineWidth(width * _POINT)
            path = canvas.beginPath()
            for line in alike:
                path.moveTo(*place(*line.points[0]))
                for a, b, bend in line.runs():
                    if bend:
                        _arc(path, arc_of(a, b, bend), page.height)
                    elif b != line.points[0] or not line.closed:
                        path.lineTo(*place(*b))
                if line.closed:
                    path.close()
            canvas.drawPath(path)
    for one in page.words:
        _write(canvas, one, *place(*one.at))


def _arc(path: PDFPathObject, arc: Arc, height: float) -> None:
    """Go on along an arc; a page of a PDF counts upwards, and its angles in degrees against the clock."""
    (x, y), r = arc.centre, arc.radius
    box = ((x - r) * _POINT, (height - y - r) * _POINT, (x + r) * _POINT, (height - y + r) * _POINT)
    path.arcTo(*box, startAng=-degrees(arc.begins), extent=-degrees(arc.turns))


def _write(canvas: Canvas, one: Words, x: float, y: float) -> None:
    tall = one.height * _POINT
    back = {"start": 0.0, "middle": 0.5, "end": 1.0}[one.anchor] * wide(one.text, tall, bold=one.bold)
    canvas.saveState()
    canvas.translate(x, y)
    if one.upright:
        canvas.rotate(90)
    words = canvas.beginText(-back, 0)
    for face, text in runs(one.text, bold=one.bold):
        words.setFont(face, tall)
        words.textOut(text)
    canvas.drawText(words)
    canvas.restoreState()
