"""Labels for cut pieces: name, size, which way is up, and how many."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

from papers.cutting import outline_stroke
from papers.drawing import Drawing, Layer, Stroke, Words, box
from papers.sheets import Paper
from ribbon.shapes import Corner, Outline

_EDGE, _HIGH = 10.0, 38.0


class Label(NamedTuple):
    """A piece: the work, its own name, its cut size in words, its cloth, whether it lies on a fold, its outline if it is no rectangle."""

    work: str
    name: str
    size: str
    cloth: str
    on_fold: bool
    outline: Outline | None = None


def label_pages(labels: Sequence[Label], paper: Paper) -> list[Drawing]:
    """The labels two abreast on upright sheets, to be cut apart and pinned to the pieces, arrow up."""
    wide = (paper.width - 2 * _EDGE) / 2
    down = int((paper.height - 2 * _EDGE) / _HIGH)
    pages = []
    for at in range(0, max(1, len(labels)), 2 * down):
        lines: list[Stroke] = []
        words: list[Words] = []
        for index, label in enumerate(labels[at : at + 2 * down]):
            left, top = _EDGE + index % 2 * wide, _EDGE + index // 2 * _HIGH
            lines.append(box(Layer.CUT, left, top, wide, _HIGH, 0.2))
            arrow = left + wide - 8
            lines.append(Stroke(Layer.CONTROL, ((arrow, top + 30), (arrow, top + 8)), width=0.6))
            lines.append(
                Stroke(Layer.CONTROL, ((arrow - 3, top + 13), (arrow, top + 8), (arrow + 3, top + 13)), width=0.6)
            )
            if label.outline is not None:
                lines.append(_small(label.outline, arrow - 8, top + 34))
            words += [
                Words((arrow, top + 35), "up", 3, "middle"),
                Words((left + 4, top + 8), label.work[:40], 3),
                Words((left + 4, top + 16), label.name[:34], 4.4, bold=True),
                Words((left + 4, top + 24), label.size, 4),
                Words((left + 4, top + 31), f"{label.cloth[:30]}{', on a fold' if label.on_fold else ''}", 3.2),
            ]
        pages.append(Drawing(paper.width, paper.height, tuple(lines), tuple(words)))
    return pages


_SMALL = 22.0


def _small(outline: Outline, right: float, foot: float) -> Stroke:
    """The outline, small, its arrow up, its lower right corner there."""
    box = outline.box
    times = _SMALL / float(max(box.wide, box.long).mm)

    def on_page(corner: Corner) -> tuple[float, float]:
        return right - float(box.right - corner.x) * times, foot - float(corner.y - box.low) * times

    return outline_stroke(outline, on_page)
