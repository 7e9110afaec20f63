"""What stands on the pages: every row of a list once, every label, every piece where it lies, nothing past the paper."""

from __future__ import annotations

import csv
from io import BytesIO, StringIO

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from pypdf import PdfReader

from papers import (
    PAPERS,
    Drawing,
    DrawnCloth,
    DrawnPiece,
    Label,
    Layer,
    Listing,
    Stroke,
    Words,
    cutting_drawings,
    fitted,
    label_pages,
    list_pages,
    on_sheets,
    to_csv,
    to_pdf,
)
from papers.drawing import clipped
from ribbon.lengths import UNITS


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


def test_pieces_lie_where_the_plan_puts_them_at_full_size_and_small() -> None:
    lying = [
        DrawnPiece("Width 1", 0, 0, 520, 1300, "", turned=False),
        DrawnPiece("Band", 520, 100, 60, 900, "", turned=True),
    ]
    drawn = cutting_drawings([DrawnCloth("Gallery cotton", 1562, 2500, lying)])[0]
    boxes = [line.points for line in drawn.lines if line.layer is Layer.CUT]
    assert boxes[0][0] == (0, 60)
    assert boxes[0][2] == (520, 1360)
    assert boxes[1][0] == (520, 160)
    assert boxes[1][2] == (580, 1060)
    small, times = fitted(drawn, 250, 170)
    assert times == pytest.approx(2564 / 170)
    assert small.height <= 170 + 1e-9
    assert small.lines[1].points[2] == pytest.approx((520 / times, 1360 / times))


def test_words_for_sewists_are_in_the_face_that_is_shipped() -> None:
    text = "Guide’s skirt ≈ 3 1/2 in − × ÷ ½ é"
    data = to_pdf([Drawing(100, 50, (), (Words((10, 20), text),))], "words")
    assert PdfReader(BytesIO(data)).pages[0].extract_text().strip() == text


places = st.tuples(st.integers(-50, 350), st.integers(-50, 250))


@settings(deadline=None)
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


@settings(max_examples=50, deadline=None)
@given(st.integers(1, 9000), st.integers(1, 700))
def test_sheets_cover_the_whole_drawing(width: int, height: int) -> None:
    """The four corners of a drawing each stand on some sheet."""
    corners = [(0.0, 0.0), (width - 0.5, 0.0), (0.0, height - 0.5), (width - 0.5, height - 0.5)]
    drawing = Drawing(width, height, (), tuple(Words(at, f"corner {n}") for n, at in enumerate(corners)))
    said = {one.text for page in on_sheets(drawing, PAPERS["a4"], UNITS["cm"], "") for one in page.words}
    assert {f"corner {n}" for n in range(4)} <= said
