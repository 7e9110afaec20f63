"""What stands on the pages: every row of a list once, every label, every piece where it lies, nothing past the paper."""

from __future__ import annotations

import csv
from io import BytesIO, StringIO
from math import cos, hypot, sin

import pytest
from hypothesis import given
from hypothesis import strategies as st
from pypdf import PdfReader

from papers import (
    PAPERS,
    Drawing,
    Label,
    Layer,
    Listing,
    SheetStep,
    Stroke,
    Words,
    WorkSheet,
    cutting_drawings,
    cutting_pages,
    label_pages,
    list_pages,
    made_to_fit,
    on_sheets,
    picture_drawing,
    plotted,
    to_csv,
    to_dxf,
    to_pdf,
    to_svg,
    work_sheet_pages,
)
from papers.bend import along, arc_of, bend_of
from papers.drawing import clipped
from papers.face import broken, wide
from papers.glyphs import glyph
from ribbon.cloth import Bolt, CutPiece, CutPlan, Laid, Layout, buy
from ribbon.fraction import Fraction
from ribbon.lengths import UNITS, ZERO, Length
from ribbon.making import Shape, View
from ribbon.shapes import Notch, sector
from tests.examples import law


def a_list(count: int, columns: int = 2) -> Listing:
    rows = [[f"row {n}", "outer fold", f"{n}"] for n in range(count)]
    return Listing(
        "Chalk list",
        ["Measured from the start."],
        ["At", "Mark", "Pleat"],
        rows,
        (32, 32, 16),
        columns,
        frozenset({0, 3}),
        ["The end"],
    )


@pytest.mark.parametrize("count", [0, 1, 39, 40, 79, 500])
@pytest.mark.parametrize("paper", PAPERS.values(), ids=PAPERS)
def test_every_row_of_a_list_stands_once_and_on_the_paper(count: int, paper: object) -> None:
    pages = list_pages(a_list(count), paper)  # type: ignore[arg-type]
    said = [one.text for page in pages for one in page.words]
    assert [text for text in said if text.startswith("row ")] == [f"row {n}" for n in range(count)]
    assert said.count("The end") == 1
    for page in pages:
        assert all(0 <= one.at[0] <= page.width and 0 <= one.at[1] <= page.height for one in page.words)


def test_a_cell_that_a_spreadsheet_would_reckon_is_quoted() -> None:
    rows = list(csv.reader(StringIO(to_csv(Listing("", [], ["Name"], [["=1+1"], ["@x"], ["Panel, left"]], (10,))))))
    assert rows == [["Name"], ["'=1+1"], ["'@x"], ["Panel, left"]]


@pytest.mark.parametrize("count", [1, 13, 14, 15, 40])
def test_every_piece_gets_a_label_with_its_arrow(count: int) -> None:
    pages = label_pages(
        [Label("Dome valance", f"Width {n}", "250 by 52 cm", "Gallery cotton", n % 2 == 0) for n in range(count)],
        PAPERS["a4"],
    )
    names = [one.text for page in pages for one in page.words if one.text.startswith("Width")]
    assert names == [f"Width {n}" for n in range(count)]
    assert sum(one.text == "up" for page in pages for one in page.words) == count
    assert sum(one.text.endswith("on a fold") for page in pages for one in page.words) == (count + 1) // 2


def cut_plan(laid: list[Laid], width: int, length: int) -> CutPlan:
    bolt = Bolt(Length(width), "Gallery cotton")
    made = Layout(tuple(laid), Length(length), Length(length), Fraction(0), ((Length(width), Length(length)),), ())
    return CutPlan("face", "Gallery cotton", bolt, made, buy(bolt, Length(length)))


def test_pieces_lie_where_the_plan_puts_them_at_full_size_and_small() -> None:
    width = CutPiece.oblong("a", "Width 1", Length(1300), Length(520))
    band = CutPiece.oblong("b", "Band", Length(60), Length(900), may_turn=True)
    lying = [Laid(width, 1, 0, ZERO, ZERO), Laid(band, 1, 0, Length(100), Length(520), 1)]
    drawn = cutting_drawings(cut_plan(lying, 2500, 1562), UNITS["cm"])[0]
    boxes = [line for line in drawn.lines if line.layer is Layer.CUT]
    assert boxes[0].extent() == (0, 60, 520, 1360)
    assert boxes[1].extent() == (520, 160, 580, 1060)
    small, times = made_to_fit(drawn, 250, 170)
    assert times == pytest.approx(2564 / 170)
    assert small.height <= 170 + 1e-9
    assert small.lines[1].extent() == pytest.approx((0, 60 / times, 520 / times, 1360 / times))


QUARTER = sector(Length(200), Length(700), Fraction(1, 4))


@pytest.mark.parametrize("turns", [0, 1, 2, 3])
def test_a_quarter_circle_is_drawn_with_true_arcs_as_it_lies(turns: int) -> None:
    """Measured back from SVG and DXF by the machine that draws them: as long as the outline, where the plan puts it."""
    piece = CutPiece("q", "Quarter", QUARTER, may_turn=True, notches=(Notch("hem", Length(100)),))
    laid = Laid(piece, 1, 0, Length(30), Length(50), turns)
    drawn = cutting_drawings(cut_plan([laid], 1380, 900), UNITS["cm"])[0]
    own = Drawing(900, 1500, (next(line for line in drawn.lines if line.bends),))
    assert own.lines[0].extent() == pytest.approx((50, 90, 750, 790))
    around = sum(float(side.length.mm) for side in QUARTER.sides)
    assert "A700 700 0 0" in to_svg(own)
    for text in (to_svg(own), to_dxf(own)):
        found = plotted(text)
        assert found.drawn == pytest.approx(around, abs=0.02)
        assert (found.width, found.height) == pytest.approx((700, 700), abs=0.01)
        # Every point lies on the outline: as far from the centre as one radius or the other, or on a straight side.
        centre = {0: (50, 90), 1: (50, 790), 2: (750, 790), 3: (750, 90)}[turns]
        reach = (
            {round(hypot(x - centre[0], abs(y) - centre[1])) for x, y in found.runs[0]}
            if text[0] == "<"
            else {200, 700}
        )
        assert {200, 700} <= reach
    notch = next(line for line in drawn.lines if line.layer is Layer.CUT and len(line.points) == 2)
    begin, end = notch.points
    assert hypot(begin[0] - centre[0], begin[1] - centre[1]) == pytest.approx(700, abs=1e-3)
    assert hypot(end[0] - centre[0], end[1] - centre[1]) == pytest.approx(692, abs=1e-3)
    pages = to_pdf([own], "quarter")
    assert PdfReader(BytesIO(pages)).pages[0].get_contents().get_data().count(b" c") >= 2  # type: ignore[union-attr]


@law(100)
@given(
    st.floats(20, 280), st.floats(20, 180), st.floats(5, 150), st.floats(0, 6.28), st.floats(0.1, 6.2), st.booleans()
)
def test_clipped_arcs_lie_within_and_on_the_arc(
    x: float, y: float, radius: float, begin: float, turn: float, clockwise: bool
) -> None:
    ends = [(x + radius * cos(a), y + radius * sin(a)) for a in (begin, begin + (turn if clockwise else -turn))]
    whole = Stroke(Layer.CUT, (ends[0], ends[1]), bends=(bend_of(-turn if clockwise else turn),))
    found = clipped(Drawing(300, 200, (whole,)), 40, 30, 200, 120).lines
    inside = 0.0
    for line in found:
        for point in along(*line.points, line.bends[0], 0.001):
            assert -1e-6 <= point[0] <= 200 + 1e-6
            assert -1e-6 <= point[1] <= 120 + 1e-6
            assert hypot(point[0] + 40 - x, point[1] + 30 - y) == pytest.approx(radius, abs=1e-6)
        arc = arc_of(*line.points, line.bends[0])
        inside += abs(arc.turns) * radius
    # As much of it as a plain count of many points finds inside.
    many = 4000
    angles = [begin + (turn if clockwise else -turn) * (n + 0.5) / many for n in range(many)]
    counted = sum(40 <= x + radius * cos(a) <= 240 and 30 <= y + radius * sin(a) <= 150 for a in angles)
    assert inside == pytest.approx(counted / many * turn * radius, abs=radius * turn / many * 9)


def test_words_for_sewists_are_in_the_face_that_is_shipped() -> None:
    text = "Guide’s skirt ≈ 3 1/2 in − × ÷ ½ é"
    data = to_pdf([Drawing(100, 50, (), (Words((10, 20), text),))], "words")
    assert PdfReader(BytesIO(data)).pages[0].extract_text().strip() == text


places = st.tuples(st.integers(-50, 350), st.integers(-50, 250))


@law(100)
@given(places, places)
def test_what_is_clipped_lies_within_and_on_the_line(a: tuple[int, int], b: tuple[int, int]) -> None:
    drawing = Drawing(300, 200, (Stroke(Layer.CUT, ((float(a[0]), float(a[1])), (float(b[0]), float(b[1])))),))
    for line in clipped(drawing, 0, 0, 300, 200).lines:
        for x, y in line.points:
            assert -1e-6 <= x <= 300 + 1e-6
            assert -1e-6 <= y <= 200 + 1e-6
            assert (x - a[0]) * (b[1] - a[1]) == pytest.approx((y - a[1]) * (b[0] - a[0]), abs=1e-6)
    inside = all(0 <= x <= 300 and 0 <= y <= 200 for x, y in (a, b))
    if inside and a != b:
        assert len(clipped(drawing, 0, 0, 300, 200).lines) == 1


@law(50)
@given(st.integers(1, 9000), st.integers(1, 700))
def test_sheets_cover_the_whole_drawing(width: int, height: int) -> None:
    """The four corners of a drawing each stand on some sheet."""
    corners = [(0.0, 0.0), (width - 0.5, 0.0), (0.0, height - 0.5), (width - 0.5, height - 0.5)]
    drawing = Drawing(width, height, (), tuple(Words(at, f"corner {n}") for n, at in enumerate(corners)))
    said = {one.text for page in on_sheets(drawing, PAPERS["a4"], UNITS["cm"], "") for one in page.words}
    assert {f"corner {n}" for n in range(4)} <= said


def spans(page: Drawing) -> list[tuple[float, float, float, float]]:
    """(left, right, top, foot) of every line of words that stands level."""
    found = []
    for one in page.words:
        across = wide(one.text, one.height, bold=one.bold)
        back = {"start": 0.0, "middle": 0.5, "end": 1.0}[one.anchor] * across
        found.append((one.at[0] - back, one.at[0] - back + across, one.at[1] - one.height * 0.7, one.at[1]))
    return found


def none_over_another(page: Drawing) -> None:
    boxes = spans(page)
    for at, one in enumerate(boxes):
        assert one[0] >= 0, page.words[at]
        assert one[1] <= page.width, page.words[at]
        for other_at, other in enumerate(boxes[:at]):
            apart = one[1] <= other[0] or other[1] <= one[0] or one[3] <= other[2] or other[3] <= one[2]
            assert apart, (page.words[at], page.words[other_at])


LONG = "Reading-room linen from the far shelf, washed and pressed twice, with its selvedges trimmed"


@pytest.mark.parametrize("paper", PAPERS.values(), ids=PAPERS)
@pytest.mark.parametrize("count", [1, 30, 90])
def test_no_text_of_a_list_runs_into_another(count: int, paper: object) -> None:
    rows = [[LONG[: 5 + (n * 17) % 80], LONG[: 3 + (n * 29) % 85], "≈227 5/8 £"] for n in range(count)]
    listing = Listing("Slip", [LONG * 3], ["What", "How much", "Cost"], rows, (70, 80, 30), after=[LONG * 2] * 5)
    pages = list_pages(listing, paper)  # type: ignore[arg-type]
    for page in pages:
        none_over_another(page)
        assert all(foot <= page.height for *_, foot in spans(page))
    # The longest went on below itself: nothing of it is lost.
    said = " ".join(one.text for page in pages for one in page.words)
    assert all(word in said for word in LONG.split()) or count == 1


def test_the_chalk_list_has_the_sign_of_each_mark_before_its_word() -> None:
    kinds = ["outer", "inner", "placement", "centre", "sew", "finger", "stitch", "match"]
    rows = [[f"{n} cm", kind, ""] for n, kind in enumerate(kinds)]
    plain = Listing("Chalk list", [], ["At", "Mark", "Pleat"], rows, (32, 40, 16))
    bare, signed = (list_pages(one, PAPERS["a4"])[0] for one in (plain, plain._replace(glyphs=kinds)))
    assert len(signed.lines) - len(bare.lines) == sum(len(glyph(kind, 0, 0)) for kind in kinds)
    none_over_another(signed)
    assert all(glyph(kind, 0, 0) for kind in kinds)


@pytest.mark.parametrize("paper", PAPERS.values(), ids=PAPERS)
def test_labels_of_a_plan_are_read_at_the_size_that_it_prints(paper: object) -> None:
    pieces = [
        CutPiece.oblong(f"p{n}", f"Panel {n}, width 1 of 2", Length(60 + 90 * n), Length(300 + 200 * n))
        for n in range(6)
    ]
    at = ZERO
    lying = []
    for piece in pieces:
        lying.append(Laid(piece, 1, 0, ZERO, at))
        at += piece.long
    plan = cut_plan(lying, int(at.mm), 1380)
    pages = cutting_pages([plan, plan], UNITS["cm"], paper, "Curtains, cutting plan")  # type: ignore[arg-type]
    words = [one for page in pages for one in page.words]
    assert min(one.height for one in words) >= 2.6
    said = " ".join(one.text for one in words)
    # Each piece is named, on it or by its number below, once for each of the two cloths.
    assert all(said.count(f"Panel {n}, ") == 2 for n in range(6))
    for page in pages:
        none_over_another(page)
        assert page.width > page.height
        for line in page.lines:
            assert all(0 <= x <= page.width and 0 <= y <= page.height for x, y in line.points)


@pytest.mark.parametrize("turns", [0, 1, 2, 3])
@pytest.mark.parametrize("share", [Fraction(1, 4), Fraction(1, 2), Fraction(3, 4), Fraction(1)], ids=str)
def test_the_arrow_the_name_and_the_notches_of_an_outline_stand_on_it_on_paper(share: Fraction, turns: int) -> None:
    """Its place is reckoned anew from the circle that it is cut from: between its two radii, on its side of the slit."""
    inner, outer = 150.0, 500.0
    cut = sector(Length(150), Length(500), share)
    piece = CutPiece("q", "Part", cut, may_turn=True, notches=(Notch("hem", Length(40)), Notch("edge", Length(20))))
    laid = Laid(piece, 1, 0, Length(40), Length(60), turns)
    page = cutting_pages([cut_plan([laid], 1380, 1300)], UNITS["cm"], PAPERS["a4"], "Circle")[0]
    cloth = page.lines[0].extent()
    times = 1300 / (cloth[2] - cloth[0])
    centre = next(side.centre for side in laid.outline.sides if side.centre)

    def away(x: float, y: float) -> float:
        along, across = (x - cloth[0]) * times, (y - cloth[1]) * times
        return hypot(across - float(centre.x), along - float(centre.y))

    name = next(one for one in page.words if one.text == "Part")
    assert inner < away(name.at[0], name.at[1]) < outer
    assert all(inner < away(x, y) < outer for line in page.lines if line.layer is Layer.TAPE for x, y in line.points)
    notches = [line.points for line in page.lines if line.layer is Layer.CUT and len(line.points) == 2]
    (hem, into_hem), (edge, into_edge) = notches
    assert away(*hem) == pytest.approx(outer, abs=0.05 * times)
    assert away(*edge) == pytest.approx(inner, abs=0.05 * times)
    assert away(*into_hem) < outer
    assert away(*into_edge) > inner


@pytest.mark.parametrize("paper", PAPERS.values(), ids=PAPERS)
def test_names_that_find_no_room_on_a_page_go_on_over_further_ones(paper: object) -> None:
    """Four hundred ties of a work lie on one cloth: each is found by its number, on that page or on a further one."""
    ties = CutPiece.oblong("t", "Tie of the bed skirt", Length(20), Length(60), 400)
    lying = [Laid(ties, n + 1, 0, Length(20) * (n % 40), Length(60) * (n // 40)) for n in range(400)]
    pages = cutting_pages([cut_plan(lying, 800, 8000)], UNITS["cm"], paper, "Bed skirt")  # type: ignore[arg-type]
    assert len(pages) > 1
    told = [one.text for page in pages for one in page.words]
    assert all(f"{n}  Tie of the bed skirt {n}" in told for n in range(1, 401))
    for page in pages:
        none_over_another(page)
        assert all(foot <= page.height for *_, foot in spans(page))


def test_the_work_sheet_flows_over_its_pages() -> None:
    steps = [SheetStep("The first panel", heads=True), *(SheetStep(f"{LONG} {n}", done=n % 2 == 0) for n in range(60))]
    sheet = WorkSheet(
        "Reading-room curtains",
        "Curtains",
        None,
        [("Rail", "84 in"), ("Heading", LONG)],
        [("Left panel × 1", "47 in finished")],
        [("Reading-room linen", LONG, "227.70")],
        [(f"Piece {n}", "linen", "50 in × 87 in") for n in range(30)],
        steps,
        [LONG],
    )
    pages = work_sheet_pages(sheet, PAPERS["a4"])
    assert len(pages) > 1
    for page in pages:
        none_over_another(page)
        assert all(foot <= page.height for *_, foot in spans(page))
    said = " ".join(one.text for page in pages for one in page.words)
    assert all(f"{n}. Reading" in said for n in range(1, 61))
    assert "Mind:" in said


@given(st.text(st.characters(min_codepoint=32, max_codepoint=0x2600), max_size=120), st.floats(20, 200))
def test_broken_lines_hold_every_letter_and_none_is_too_wide(text: str, room: float) -> None:
    lines = broken(text, 3.5, room)
    assert "".join(lines).replace(" ", "") == "".join(text.split()).replace(" ", "")
    assert all(wide(line, 3.5) <= room or len(line) == 1 for line in lines)


def test_what_later_areas_cover_only_in_part_is_drawn() -> None:
    base = Shape(((0.0, 0.0), (40.0, 80.0), (-40.0, 80.0)), "face")
    tiers = [Shape(((-40.0, y), (40.0, y), (40.0, y + 30), (-40.0, y + 30)), "face") for y in (20.0, 50.0)]
    # Its point stands out above them, though its corners and the middles of its sides may lie under boxes.
    cap = Shape(((-10.0, -10.0), (10.0, -10.0), (10.0, 2.0), (-10.0, 2.0)), "face")
    drawn = picture_drawing(View("front", (-40.0, -10.0, 40.0, 80.0), (base, *tiers, cap)), None)
    assert len(drawn.lines) == 4
    hidden = Shape(((-5.0, 30.0), (5.0, 30.0), (0.0, 40.0)), "face")
    assert len(picture_drawing(View("front", (-40.0, -10.0, 40.0, 80.0), (hidden, *tiers)), None).lines) == 2
