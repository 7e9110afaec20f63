"""Papers: what is printed, cut out and laid on the cloth.

Every paper is first a drawing: lines and words in millimetres, as plain data (`drawing`).  What is drawn is in
`template`, `gauge`, `lists` and `labels`; `sheets` lays a drawing over sheets of paper; `pdf`, `svg`, `dxf` and
`table` write it out; `plotter` is a stand-in for a machine that would draw it.  This room imports `ribbon` only.
"""

from papers.cells import guarded, unguarded
from papers.cutting import cutting_drawings, cutting_pages, made_to_fit, outline_stroke
from papers.drawing import Drawing, Layer, Stroke, Words
from papers.dxf import to_dxf
from papers.face import style
from papers.gauge import gauge_drawing
from papers.labels import Label, label_pages
from papers.lists import Listing, list_pages
from papers.pattern import pattern_drawing
from papers.pdf import to_pdf
from papers.picture import picture_drawing
from papers.plotter import Plotted, UnreadableDrawing, plotted
from papers.sheets import PAPERS, Paper, on_sheets, pages_needed
from papers.svg import to_svg
from papers.table import to_csv
from papers.template import Marking, TemplateMark, template_drawing
from papers.work_sheet import SheetStep, WorkSheet, picture_room, work_sheet_pages

__all__ = [
    "PAPERS",
    "Drawing",
    "Label",
    "Layer",
    "Listing",
    "Marking",
    "Paper",
    "Plotted",
    "SheetStep",
    "Stroke",
    "TemplateMark",
    "UnreadableDrawing",
    "Words",
    "WorkSheet",
    "cutting_drawings",
    "cutting_pages",
    "gauge_drawing",
    "guarded",
    "label_pages",
    "list_pages",
    "made_to_fit",
    "on_sheets",
    "outline_stroke",
    "pages_needed",
    "pattern_drawing",
    "picture_drawing",
    "picture_room",
    "plotted",
    "style",
    "template_drawing",
    "to_csv",
    "to_dxf",
    "to_pdf",
    "to_svg",
    "unguarded",
    "work_sheet_pages",
]
