"""Papers measured back: what a file says of its lengths is what the plan says."""

from __future__ import annotations

import re
from io import BytesIO, StringIO
from math import atan, degrees, hypot, pi, sin

import pytest
from django.test import Client
from ezdxf.filemanagement import read
from hypothesis import given
from hypothesis import strategies as st
from pypdf import PdfReader

from papers import (
    PAPERS,
    Drawing,
    Layer,
    Marking,
    Stroke,
    TemplateMark,
    UnreadableDrawing,
    gauge_drawing,
    on_sheets,
    pages_needed,
    pattern_drawing,
    plotted,
    template_drawing,
    to_dxf,
    to_pdf,
    to_svg,
)
from papers.sheets import MARGIN, OVERLAP
from ribbon.cloth import Bolt, CutPiece
from ribbon.fraction import Fraction
from ribbon.lengths import UNITS, Length, read_length
from ribbon.making import THINGS, Given
from ribbon.strip import LineKind
from server.making.answer import thing_made
from server.wire.cloth import ClothSpec
from server.wire.work import ThingSpec
from tests.examples import law

CM = UNITS["cm"]
NEAR = 0.01


def a_strip(count: int = 23, pitch: Fraction = Fraction(2100, 23)) -> Marking:
    """Marks of the guide's skirt: an outer fold at every pitch, inner and placement a third further each."""
    kinds = (LineKind.OUTER, LineKind.INNER, LineKind.PLACEMENT)
    marks = [
        TemplateMark(Length(pitch * n + pitch * k / 3), kind, n + 1, "")
        for n in range(count)
        for k, kind in enumerate(kinds)
    ]
    return Marking("Skirt length", marks, Length(pitch * count), Length(15), Length(15), CM)


def upright_lines(drawing: Drawing, layer: Layer, least: float = 50) -> list[float]:
    return sorted(
        x
        for line in drawing.lines
        if line.layer is layer
        for (x, y), (x2, y2) in zip(line.points, line.points[1:], strict=False)
        if x == x2 and abs(y2 - y) > least
    )


def test_dxf_measures_as_the_plan() -> None:
    marking = a_strip()
    found = read(StringIO(to_dxf(template_drawing(marking))))
    assert found.header["$INSUNITS"] == 4
    for layer, kind in (
        ("OUTER_FOLD", LineKind.OUTER),
        ("INNER_FOLD", LineKind.INNER),
        ("PLACEMENT_LINE", LineKind.PLACEMENT),
    ):
        drawn = sorted(
            points[0][0]
            for entity in found.modelspace().query(f'LWPOLYLINE[layer=="{layer}"]')
            if abs((points := list(entity.get_points("xy")))[0][1] - points[1][1]) > 50
        )
        wanted = [15 + float(mark.at.mm) for mark in marking.marks if mark.kind is kind]
        assert drawn == pytest.approx(wanted, abs=NEAR)


def test_svg_measures_as_the_plan() -> None:
    marking = a_strip()
    text = to_svg(template_drawing(marking))
    assert re.search(r'width="2130mm" height="110mm" viewBox="0 0 2130 110"', text)
    group = re.search(r'<g id="outer-fold".*?</g>', text, re.DOTALL)
    assert group
    drawn = sorted(float(x) for x in re.findall(r'd="M([\d.]+) 8 L[\d.]+ 92"', group[0]))
    assert drawn == pytest.approx([15 + float(m.at.mm) for m in marking.marks if m.kind is LineKind.OUTER], abs=NEAR)


def pdf_lines(data: bytes) -> list[list[tuple[float, float, float, float]]]:
    """Every straight run on every page of a PDF, in mm from the upper left."""
    pages = []
    for page in PdfReader(BytesIO(data)).pages:
        high = float(page.mediabox.height)
        at, runs = (0.0, 0.0), []
        for operands, operator in page.get_contents().operations:  # type: ignore[union-attr]
            if operator in (b"m", b"l"):
                here = (float(operands[0]) * 25.4 / 72, (high - float(operands[1])) * 25.4 / 72)
                if operator == b"l":
                    runs.append((*at, *here))
                at = here
        pages.append(runs)
    return pages


@pytest.mark.parametrize("name", ["a4", "letter"])
def test_pdf_measures_as_the_plan_sheet_by_sheet(name: str) -> None:
    marking, paper = a_strip(), PAPERS[name]
    drawing = template_drawing(marking)
    pages = pdf_lines(to_pdf(on_sheets(drawing, paper, CM, "Skirt length"), "Skirt length"))
    assert len(pages) == pages_needed(drawing.width, drawing.height, paper)
    wanted = [15 + float(mark.at.mm) for mark in marking.marks]
    step = paper.height - 2 * MARGIN - OVERLAP
    # Every upright line over the whole height of the strip, put back where its sheet lies.
    found = {
        round(x - MARGIN + number * step, 2)
        for number, runs in enumerate(pages[1:])
        for x, y, x2, y2 in runs
        if abs(x - x2) < 1e-6 and abs(abs(y - y2) - 84) < NEAR
    }
    for at in wanted:
        assert any(abs(at - one) <= NEAR for one in found), at


def test_the_control_square_is_a_square_of_five_centimetres() -> None:
    first = pdf_lines(to_pdf(on_sheets(template_drawing(a_strip()), PAPERS["a4"], CM, ""), ""))[0]
    sides = [abs(x - x2) + abs(y - y2) for x, y, x2, y2 in first[:3]]
    assert sides == pytest.approx([50, 50, 50], abs=NEAR)


def test_neighbouring_sheets_show_the_same_overlap() -> None:
    _, one, two, *_ = on_sheets(template_drawing(a_strip()), PAPERS["a4"], CM, "")
    wide = 297 - 2 * MARGIN
    ends = [x - MARGIN - (wide - OVERLAP) for x in upright_lines(one, Layer.INNER) if x - MARGIN > wide - OVERLAP]
    begins = [x - MARGIN for x in upright_lines(two, Layer.INNER) if x - MARGIN < OVERLAP]
    assert ends == pytest.approx(begins, abs=NEAR)


def test_slanting_marks_reach_both_levels() -> None:
    one = TemplateMark(Length(100), LineKind.OUTER, 1, "", Length(12))
    drawn = template_drawing(Marking("", [one], Length(300), Length(0), Length(0), CM))
    assert any(line.points == ((112.0, 8.0), (100.0, 92.0)) for line in drawn.lines)


def test_stitch_points_stand_below_one_another_on_every_row() -> None:
    marks = [TemplateMark(Length(6 + 12 * n), LineKind.STITCH, n + 1, "") for n in range(5)]
    drawn = template_drawing(Marking("", marks, Length(72), Length(0), Length(0), CM, rows=3))
    crosses = [line.points for line in drawn.lines if line.layer is Layer.STITCH]
    assert sorted({a[0] for a, b in crosses if a[0] == b[0]}) == [6, 18, 30, 42, 54]
    assert len({a[1] for a, b in crosses if a[1] == b[1]}) == 3


def test_the_notches_of_a_gauge_stand_at_the_running_sums() -> None:
    card = gauge_drawing("", [("under", Length(Fraction(61, 2)), ""), ("face", Length(30), "")], CM, 2)
    edge = card.lines[0].points
    deepest = [x - 10 for x, y in edge if y == 18]
    assert deepest == pytest.approx([30.5, 60.5, 91.0], abs=NEAR)


@law(20)
@given(
    runs=st.lists(
        st.lists(st.tuples(st.integers(0, 4000), st.integers(0, 900)), min_size=2, max_size=5, unique=True),
        min_size=1,
        max_size=8,
    )
)
def test_a_plotter_draws_the_same_way_from_both_files(runs: list[list[tuple[int, int]]]) -> None:
    drawing = Drawing(4000, 900, tuple(Stroke(Layer.CUT, tuple((x / 4, y / 4) for x, y in run)) for run in runs))
    from_svg, from_dxf = plotted(to_svg(drawing)), plotted(to_dxf(drawing))
    assert from_svg.drawn == pytest.approx(from_dxf.drawn, abs=NEAR)
    assert from_svg.width == pytest.approx(from_dxf.width, abs=NEAR)
    assert from_svg.skipped == 0


@pytest.mark.parametrize(
    "text",
    [
        "", "hello", "<svg", "<svg/>", "0\nSECTION\n2\nENTITIES\n0\nLINE\n", "<svg><path d='M0 0 C1 1 2 2 3 3'/></svg>",
        '<!DOCTYPE a [<!ENTITY b "c">]><svg>&b;</svg>', "<svg><path d='H5V5'/></svg>", "\x00\x01", "<svg><path d='M1e999 0L1 1'/></svg>",
        "<svg viewBox='a b'><path d='M L Z'/></svg>",
    ],
)  # fmt: skip
def test_a_file_that_cannot_be_plotted_says_why(text: str) -> None:
    with pytest.raises(UnreadableDrawing, match=r"file|line"):
        plotted(text)


def piece_of(kind: str, measures: dict[str, str], key: str, **choices: object) -> CutPiece:
    thing = THINGS[kind]
    read = {name: (read_length(text, CM),) for name, text in measures.items()}
    one = Given(thing.by_name, read, choices, {"face": Bolt(Length.cm(138))}, seam=Length(15))  # type: ignore[arg-type]
    begun = thing.begin(one)
    return next(found for found in thing.finish(one, begun, {}).pieces if found.key == key)


@pytest.mark.parametrize(
    ("choices", "turned", "folds"),
    [
        ({"cut_in": "whole"}, 90.0, 2),
        ({"cut_in": "halves"}, 90.0, 1),
        ({"cut_in": "quarters"}, 90.0, 0),
        ({"share": "three_quarters", "cut_in": "whole"}, 67.5, 1),
        ({"share": "quarter"}, 90.0, 0),
    ],
)
def test_a_sector_at_full_size_has_true_arcs(choices: dict[str, str], turned: float, folds: int) -> None:
    """Radii, turn and corners of the stitching line, read back from the DXF by its own arithmetic of bulges."""
    piece = piece_of("circle", {"edge": "72", "length": "60"}, "ring", **choices)
    share = {"three_quarters": 0.75, "quarter": 0.25}.get(choices.get("share", ""), 1.0)
    radius = 720 / (2 * pi * share)
    drawing = pattern_drawing(piece, "Ring", CM)
    found = read(StringIO(to_dxf(drawing)))
    (stitched,) = found.modelspace().query('LWPOLYLINE[layer=="SEAM"]')
    points = list(stitched.get_points("xyb"))
    arcs = []
    for (x, y, bulge), (x2, y2, _) in zip(points, [*points[1:], points[0]], strict=True):
        if bulge:
            chord, angle = hypot(x2 - x, y2 - y), 4 * atan(abs(bulge))
            arcs.append((chord / (2 * sin(angle / 2)), degrees(angle)))
    assert sorted(one for one, _ in arcs) == pytest.approx([radius, radius + 600], abs=0.01)
    assert [angle for _, angle in arcs] == pytest.approx([turned, turned], abs=0.001)
    assert sum(one.text == "on the fold" for one in drawing.words) == folds
    # The cut edge lies a seam inside the edge, and a hem of 1.5 and its turning of a half outside the other.
    (cut,) = [one for one in found.modelspace().query('LWPOLYLINE[layer=="CUT"]') if one.closed]
    ends = list(cut.get_points("xyb"))
    radii = []
    for (x, y, bulge), (x2, y2, _) in zip(ends, [*ends[1:], ends[0]], strict=True):
        if bulge:
            radii.append(hypot(x2 - x, y2 - y) / (2 * sin(2 * atan(abs(bulge)))))
    assert sorted(radii) == pytest.approx([radius - 15, radius + 620], abs=0.01)
    # The same as SVG says it: true arcs with those radii.
    told = {round(float(one), 2) for one in re.findall(r"A([0-9.]+) ", to_svg(drawing))}
    assert told == {round(one, 2) for one in (radius, radius + 600, radius - 15, radius + 620)}


def test_a_pattern_over_several_sheets_is_printed_at_full_size() -> None:
    piece = piece_of("circle", {"edge": "72", "length": "60"}, "ring", cut_in="quarters")
    drawing = pattern_drawing(piece, "Ring", CM)
    pages = on_sheets(drawing, PAPERS["a4"], CM, "Ring")
    assert len(pages) == pages_needed(drawing.width, drawing.height, PAPERS["a4"]) > 6
    printed = PdfReader(BytesIO(to_pdf(pages, "Ring")))
    assert len(printed.pages) == len(pages)
    assert float(printed.pages[1].mediabox.width) == pytest.approx(297 * 72 / 25.4, abs=0.01)
    # Every piece of the stitching line is on some sheet: their lengths add up, overlaps once more.
    whole = sum(arc for line in drawing.lines if line.layer is Layer.SEAM for arc in lengths(line))
    parts = sum(arc for page in pages for line in page.lines if line.layer is Layer.SEAM for arc in lengths(line))
    assert whole < parts < whole * 1.5


def lengths(line: Stroke) -> list[float]:
    """How long each run of a line is."""
    found = []
    for (x, y), (x2, y2), bend in line.runs():
        chord, angle = hypot(x2 - x, y2 - y), 4 * atan(abs(bend))
        found.append(chord if not bend else chord / (2 * sin(angle / 2)) * angle)
    return found


def test_a_block_spread_has_its_fold_lines_where_its_pleats_are_let_in() -> None:
    """One knife pleat of 4 at 6 from the middle: its three lines stand at 6, 10 and 14, from the foot to the top, read back from the DXF."""
    choices = {"heading": "knife", "first": "6", "deep": "4", "darts": "0", "rise": "0", "stitched": "0"}
    measures = {"waist": "72", "hip": "98", "length": "60"}
    said = ThingSpec.model_validate({"kind": "block", "unit": "cm", "measures": measures, "choices": choices})
    made = thing_made(said, {"face": ClothSpec(usable="138 cm")}, {}).made
    piece = next(one for one in made.pieces if one.key == "front")
    drawing = pattern_drawing(piece, "Block", CM)
    found = read(StringIO(to_dxf(drawing))).modelspace()
    (stitched,) = found.query('LWPOLYLINE[layer=="SEAM"]')
    xs, ys = zip(*stitched.get_points("xy"), strict=True)
    for layer, at in (("OUTER_FOLD", 60), ("INNER_FOLD", 100), ("PLACEMENT_LINE", 140)):
        (line,) = found.query(f'LWPOLYLINE[layer=="{layer}"]') or found.query(f'LINE[layer=="{layer}"]')
        points = (
            list(line.get_points("xy")) if line.dxftype() == "LWPOLYLINE" else [line.dxf.start[:2], line.dxf.end[:2]]
        )
        assert [x - min(xs) for x, _ in points] == pytest.approx([at] * len(points), abs=0.01)
        assert sorted((points[0][1] - min(ys), points[-1][1] - min(ys))) == pytest.approx([0, 600], abs=0.01)


def test_the_lesson_has_each_strip_at_full_size_on_one_sheet(client: Client) -> None:
    """Knife pleats that meet at 2: folds at 1, 3, 5 and so on; read back from the SVG in true millimetres."""
    sections = [
        {
            "name": "Knife",
            "spec": {"kind": "knife", "unit": "cm", "pins": {"count": "3", "spacing": "2 cm"}, "meet": True},
        },
        {"name": "Box", "spec": {"kind": "box", "unit": "cm", "pins": {"count": "3", "box": "2 cm"}, "meet": True}},
        {
            "name": "Inverted",
            "spec": {"kind": "inverted", "unit": "cm", "pins": {"count": "3", "spacing": "2 cm"}, "meet": True},
        },
    ]
    answer = client.post(
        "/api/papers/pages", {"paper": "lesson", "sections": sections}, content_type="application/json"
    )
    assert answer.status_code == 200, answer.json()
    told = answer.json()
    assert told["count"] == 1
    assert told["says"] == "Three strips to cut out and fold, at full size."
    file = client.post(
        "/api/papers/file", {"paper": "lesson", "sections": sections, "format": "dxf"}, content_type="application/json"
    )
    space = read(StringIO(file.content.decode())).modelspace()
    lines = [list(line.get_points("xy")) for line in space.query('LWPOLYLINE[layer=="OUTER_FOLD"]')]
    # The arrow heads beside them are bent; a fold is one straight line up.
    folds = sorted(float(points[0][0]) for points in lines if len({round(x, 3) for x, _ in points}) == 1)
    left = min(float(x) for line in space.query('LWPOLYLINE[layer=="CUT"]') for x, _ in line.get_points("xy"))
    at = [round(one - left, 2) for one in folds]
    # Knife pleats that meet at 2 take 6 flat, boxes and inverted ones of 2 take 6 as well.
    knife, box, inverted = [10, 70, 130], [20, 40, 80, 100, 140, 160], [10, 50, 70, 110, 130, 170]
    assert at == sorted([*knife, *box, *inverted])
