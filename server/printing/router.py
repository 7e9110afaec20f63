"""The addresses of papers and of the stand-in for a plotter.  Stateless."""

from __future__ import annotations

from django.http import HttpRequest, HttpResponse
from ninja import File, Router
from ninja.files import UploadedFile

from papers import UnreadableDrawing, plotted, style, to_svg
from ribbon.errors import refuse
from server.printing.papers import FORMATS, MEDIA, file_of, made
from server.printing.schema import FileIn, PagesOut, PaperIn, PlottedOut
from server.wire.files import attached, described
from server.wire.json import answer
from server.wire.problems import REFUSED

router = Router(tags=["papers"])
MOST_SEEN = 40
MOST_BYTES = 8 * 1024 * 1024


@router.post("/papers/pages", response={200: PagesOut, **REFUSED}, operation_id="paper_pages")
def paper_pages(request: HttpRequest, asked: PaperIn) -> HttpResponse:
    """A paper to look at before it is printed: its first pages."""
    paper = made(asked)
    first = paper.pages[0]
    return answer(
        {
            "title": paper.title,
            "says": paper.says,
            "count": len(paper.pages),
            "style": style(),
            "pages": [to_svg(page) for page in paper.pages[:MOST_SEEN]],
            "width": first.width,
            "height": first.height,
            "formats": FORMATS[asked.paper],
            "pieces": [{"key": one.key, "name": one.name} for one in paper.pieces],
        }
    )


@router.post(
    "/papers/file",
    response=REFUSED,
    operation_id="paper_file",
    openapi_extra=described(*MEDIA.values()),
)
def paper_file(request: HttpRequest, asked: FileIn) -> HttpResponse:
    """A paper as a file: PDF, SVG and DXF at full size in millimetres, lists as CSV."""
    data, kind, name = file_of(asked)
    return attached(data, name, kind)


@router.post("/plotter", response={200: PlottedOut, **REFUSED}, operation_id="plot")
def plot(request: HttpRequest, drawing: File[UploadedFile]) -> HttpResponse:
    """What a plotting or cutting machine would do with an SVG or DXF file; a stand-in that draws nothing."""
    if (drawing.size or 0) > MOST_BYTES:
        raise refuse(
            "too_large",
            "drawing",
            f"{drawing.size} bytes",
            "the file is larger than a plotter takes",
            "send less than 8 MB",
        )
    try:
        found = plotted(drawing.read().decode("utf-8", errors="replace"))
    except UnreadableDrawing as error:
        name = drawing.name or "the file"
        raise refuse(
            "unreadable", "drawing", name, str(error), "send an SVG or DXF file of straight lines and arcs"
        ) from None
    xs = [x for run in found.runs for x, _ in run]
    ys = [y for run in found.runs for _, y in run]
    path = "".join("M" + "L".join(f"{x:.2f} {y:.2f}" for x, y in run) for run in found.runs)
    skipped = f" It leaves out {found.skipped} words, pictures or curves that are no arcs." if found.skipped else ""
    return answer(
        {
            "path": path,
            "left": min(xs),
            "top": min(ys),
            "width": found.width,
            "height": found.height,
            "lines": len(found.runs),
            "drawn": found.drawn,
            "lifted": found.lifted,
            "skipped": found.skipped,
            "says": f"{len(found.runs)} lines on {found.width / 10:.1f} by {found.height / 10:.1f} cm: the pen draws "
            f"{found.drawn / 1000:.2f} m and travels {found.lifted / 1000:.2f} m lifted.{skipped}",
        }
    )
