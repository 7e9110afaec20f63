"""The cutting plan at full size: every piece where it lies on its cloth, its arrow up."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from math import pi

from papers.bend import Point, bend_of
from papers.drawing import Drawing, Layer, Stroke, Words, box, moved
from papers.face import wide
from papers.sheets import Paper
from ribbon.cloth import CutPlan, Laid, layout_scribe
from ribbon.cloth.piece import names_of
from ribbon.lengths import Unit
from ribbon.shapes import Corner, Notched, Outline, Side, notched

_ABOVE = 60.0
_EDGE, _WORD, _LEAST, _LINE = 14.0, 3.4, 2.6, 4.6


def outline_stroke(outline: Outline, on_page: Callable[[Corner], Point], width: float = 0.3) -> Stroke:
    """An outline, each corner where `on_page` puts it; that may turn it, not mirror it: its arcs keep their sense."""
    sides = [side for side in outline.sides if side.start != side.end]
    points = tuple(on_page(side.start) for side in sides)
    return Stroke(Layer.CUT, points, closed=True, width=width, bends=tuple(_bend(side) for side in sides))


def _on_cloth(corner: Corner) -> Point:
    """Where a place of the cloth stands on the page, which shows it turned by a quarter: along it to the right, across it down."""
    return float(corner.y), _ABOVE + float(corner.x)


def _bend(side: Side) -> float:
    """The bend of a side of an outline, nought of a straight one."""
    found = bend_of(2 * pi * float(side.swept)) if side.centre else 0.0
    return -found if side.clockwise else found


def cutting_drawings(plan: CutPlan, unit: Unit) -> list[Drawing]:
    """Each sheet or length of the cloth at full size, its length running to the right, words large enough to read when it is shown small."""
    scribe = layout_scribe(unit)
    found = []
    for index, (width, length) in enumerate(plan.layout.sheets):
        number = f", sheet {index + 1}" if len(plan.layout.sheets) > 1 else ""
        title = f"{plan.title}{number}: {scribe.write(length).text} along, {scribe.write(width).text} across"
        here = [one for one in plan.layout.laid if one.sheet == index]
        found.append(_cloth(title, float(length.mm), float(width.mm), here, unit))
    return found


def _cloth(title: str, length: float, width: float, pieces: Sequence[Laid], unit: Unit) -> Drawing:
    lines = [box(Layer.CONTROL, 0, _ABOVE, length, width, 2)]
    words = [Words((0, _ABOVE - 16), title, 30, bold=True)]
    write = layout_scribe(unit).write
    for one in pieces:
        left, top, long, wide = float(one.start.mm), _ABOVE + float(one.left.mm), float(one.long.mm), float(one.wide.mm)
        lines.append(outline_stroke(one.outline, _on_cloth, 2))
        lines += [_notch(notched(one.outline, notch)) for notch in one.notches]
        name = one.name
        tall = max(6.0, min(30.0, wide / 4, long / max(4, len(name)) * 1.5))
        at = (left + 12, top) if one.piece.opened.is_rectangle else _inside(one, tall)
        words.append(Words((at[0], at[1] + tall + 6), name, tall, bold=True))
        size = f"{write(one.wide).text} by {write(one.long).text}"
        words.append(Words((at[0], at[1] + 2.3 * tall + 8), size, tall * 0.8))
        lines += _arrow(one, left, top)
    return Drawing(max(1.0, length), width + _ABOVE + 4, tuple(lines), tuple(words))


def _inside(one: Laid, tall: float) -> Point:
    """Where words stand within a piece that is no rectangle: about its middle."""
    x, y = _centre(one)
    return x - tall * 1.5, y - tall * 1.5


def _notch(found: Notched) -> Stroke:
    """A notch: a short line into the piece."""
    x, y = float(found.place.y), _ABOVE + float(found.place.x)
    return Stroke(Layer.CUT, ((x, y), (x + 8 * float(found.inward[1]), y + 8 * float(found.inward[0]))), width=2)


def _arrow(one: Laid, left: float, top: float) -> list[Stroke]:
    """Which way is up on the piece: along the cloth unless it was turned."""
    long, wide = float(one.long.mm), float(one.wide.mm)
    reach = 0.3 * (wide if one.turned else long)
    along, across = {0: (1, 0), 1: (0, -1), 2: (-1, 0), 3: (0, 1)}[one.turns % 4]
    middle = (left + long * 0.75, top + wide * 0.75) if one.piece.opened.is_rectangle else _centre(one)
    foot = (middle[0] - along * reach / 2, middle[1] - across * reach / 2)
    tip = (middle[0] + along * reach / 2, middle[1] + across * reach / 2)
    side = reach / 5
    wings = tuple(
        (tip[0] - along * side - across * turn, tip[1] - across * side + along * turn) for turn in (side, -side)
    )
    return [
        Stroke(Layer.TAPE, (foot, tip), width=2),
        Stroke(Layer.TAPE, (wings[0], tip, wings[1]), width=2),
    ]


def _centre(one: Laid) -> Point:
    return _on_cloth(one.outline.middle)


def made_to_fit(drawing: Drawing, width: float, height: float) -> tuple[Drawing, float]:
    """(`drawing` made small enough for a page of that size, how many times smaller it is)."""
    times = max(1.0, drawing.width / width, drawing.height / height)
    return (
        Drawing(
            drawing.width / times,
            drawing.height / times,
            tuple(
                line._replace(
                    points=tuple((x / times, y / times) for x, y in line.points), width=max(0.2, line.width / times)
                )
                for line in drawing.lines
            ),
            tuple(
                one._replace(at=(one.at[0] / times, one.at[1] / times), height=max(2.0, one.height / times))
                for one in drawing.words
            ),
        ),
        times,
    )


def cutting_pages(plans: Sequence[CutPlan], unit: Unit, paper: Paper, title: str) -> list[Drawing]:
    """Each sheet or length of cloth on sheets of `paper` lying on their side, as large as they hold, several where there is room.

    Words stand as large on paper as one reads them; a piece that is too small for its name has a number, told below.
    """
    scribe = layout_scribe(unit)
    across, down = paper.height, paper.width
    pages: list[Drawing] = []
    foot = 0.0
    for plan in plans:
        for index, (width, length) in enumerate(plan.layout.sheets):
            here = [one for one in plan.layout.laid if one.sheet == index]
            number = f", sheet {index + 1}" if len(plan.layout.sheets) > 1 else ""
            cloth = f"{plan.title}{number}: {scribe.write(length).text} along, {scribe.write(width).text} across"
            size = float(length.mm), float(width.mm)
            drawn, more, told = _cloth_on_page(here, size, unit, paper, cloth if pages else f"{title}. {cloth}")
            if pages and foot + drawn.height < down - _EDGE:
                pages[-1] = pages[-1].with_more(*moved(drawn, 0, foot))
                foot += drawn.height
            else:
                lines, words = moved(drawn, 0, _EDGE)
                pages.append(Drawing(across, down, tuple(lines), tuple(words)))
                foot = _EDGE + drawn.height
            each = 3 * int((down - 2 * _EDGE) / _LINE)
            for at in range(0, len(more), each):
                rest = _numbered(more[at : at + each], told + at + 1, _EDGE + _LINE, across)
                pages.append(Drawing(across, down, (), tuple(rest)))
                foot = down
    return pages


def _cloth_on_page(
    here: Sequence[Laid], size: tuple[float, float], unit: Unit, paper: Paper, says: str
) -> tuple[Drawing, list[str], int]:
    """(one cloth as it stands on a page, the names that found no room below it, how many are told there before them).

    It reaches from the top of what is written above the cloth to the last of what is told below it.
    """
    across, down = paper.height, paper.width
    times = max(1.0, size[0] / (across - 2 * _EDGE), size[1] / (down - 2 * _EDGE - 18))
    # What has a number is told below in three columns, half the page deep at most; so much room is kept for that.
    below = min(_LINE * -(-sum(_named(one, times) is None for one in here) // 3), (down - 2 * _EDGE) / 2)
    times = max(1.0, size[0] / (across - 2 * _EDGE), size[1] / max(30.0, down - 2 * _EDGE - 18 - below))
    top = 9.0
    lines = [box(Layer.CONTROL, _EDGE, top, size[0] / times, size[1] / times, 0.4)]
    words: list[Words] = [Words((_EDGE, 5), f"{says}; 1 : {times:.0f}" if times > 1 else says, 4.0, bold=True)]
    told: list[str] = []
    numbers: list[Words] = []

    def on_page(one: Laid) -> Callable[[Corner], Point]:
        # A corner's place on the cloth: along it to the right, across it down.
        return lambda corner: (_EDGE + float(corner.y) / times, top + float(corner.x) / times)

    for one in here:
        lines.append(outline_stroke(one.outline, on_page(one), 0.4))
        lines += [
            _shrunk(stroke, times, top) for stroke in _arrow(one, float(one.start.mm), _ABOVE + float(one.left.mm))
        ]
        lines += [_shrunk(_notch(notched(one.outline, notch)), times, top) for notch in one.notches]
        fits = _named(one, times)
        if fits is None:
            told.append(one.name)
        name, among = (fits, words) if fits is not None else (str(len(told)), numbers)
        left, wide_there = _EDGE + float(one.start.mm) / times, float(one.wide.mm) / times
        head = top + float(one.left.mm) / times
        tall = min(_WORD, max(_LEAST, wide_there - 1.2))
        if one.piece.opened.is_rectangle:
            at, anchor = (left + 1.4, head + tall + 0.6), "start"
            measure = f"{layout_scribe(unit).write(one.wide).text} × {layout_scribe(unit).write(one.long).text}"
            if wide_there > 2 * tall + 3 and wide(measure, 3.0) < float(one.long.mm) / times - 3:
                words.append(Words((left + 1.4, head + 2 * tall + 2), measure, 3.0))
        else:
            x, y = _centre(one)
            at, anchor = (_EDGE + x / times, top + (y - _ABOVE) / times), "middle"
        among.append(Words(at, name, tall, anchor, bold=True))
    for number in numbers:
        words += [number] if _clear(number, words) else []
    foot = top + size[1] / times + 6
    here_told = 3 * int(below / _LINE + 1e-9)
    words += _numbered(told[:here_told], 1, foot, across)
    drawn = Drawing(across, foot + below, tuple(lines), tuple(words))
    return drawn, told[here_told:], here_told


def _clear(one: Words, others: Sequence[Words]) -> bool:
    """Whether words stand clear of others; thin pieces beside each other have a number as often as there is room, and count on."""
    left, right, top, foot = _span(one)
    return all(right <= a or b <= left or foot <= above or under <= top for a, b, above, under in map(_span, others))


def _span(one: Words) -> tuple[float, float, float, float]:
    """(left, right, top, foot) of words that stand level."""
    across = wide(one.text, one.height, bold=one.bold)
    left = one.at[0] - across / 2 if one.anchor == "middle" else one.at[0]
    return left, left + across, one.at[1] - one.height, one.at[1]


def _numbered(names: Sequence[str], first: int, top: float, across: float) -> list[Words]:
    """Names with their numbers, in three columns, row by row."""
    column = (across - 2 * _EDGE) / 3
    return [
        Words((_EDGE + index % 3 * column, top + _LINE * (index // 3)), f"{first + index}  {name}", 3.2)
        for index, name in enumerate(names)
    ]


def _named(one: Laid, times: float) -> str | None:
    """The name of a piece as far as there is room for it within; None where there is not."""
    long, across = float(one.long.mm) / times, float(one.wide.mm) / times
    if across < _LEAST + 1.2:
        return None
    return next((name for name in names_of(one.name)[:2] if wide(name, _WORD, bold=True) < long - 2.8), None)


def _shrunk(stroke: Stroke, times: float, top: float) -> Stroke:
    """A stroke of the cloth at full size, as `_cloth` has it, where it stands on the page."""
    points = tuple((_EDGE + x / times, top + (y - _ABOVE) / times) for x, y in stroke.points)
    return stroke._replace(points=points, width=0.35)
