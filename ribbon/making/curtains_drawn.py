"""Curtains drawn: the wall with window and rail, the panels closed and open, each pleat in its place."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from ribbon.cloth import lining_joins, lining_to_cut
from ribbon.lengths import ZERO, Length
from ribbon.making.asked import Given
from ribbon.making.curtains_cut import finished_length, stands_above
from ribbon.making.panels import Panel, rail_of
from ribbon.making.picture import Caption, Hung, Picture, Shape, Tape, View, box_of, extent, hanging, mm
from ribbon.making.thing import Solved, pleats_say

_DEFAULT_DROP = Length.cm(210)


def drawn(
    given: Given, panels: Sequence[Panel], solved: Mapping[str, Solved], stack: Mapping[str, Length]
) -> Picture | None:
    """The picture of a window; None without a rail."""
    rail = rail_of(given)[0]
    if rail is None:
        return None
    wide = mm(rail)
    falls = mm(finished_length(given)[0] or _DEFAULT_DROP)
    top = -mm(stands_above(given))
    closed = _view(
        given, "closed", wide, top, falls, _closed(given, panels, solved, wide, top, top + falls), tapes=True
    )
    opened = _view(given, "open", wide, top, falls, _opened(panels, solved, stack, wide, top, top + falls), tapes=False)
    above = _from_above(given, panels, solved, wide)
    says = [
        f"{panel.title}: {given.write(solved[panel.key].whole.finished)} along the rail, {pleats_say(solved[panel.key].whole)}, {given.write(panel.lead)} flat at its left end and {given.write(panel.tail)} at its right."
        for panel in panels
    ]
    inside = _inside(panels, solved, wide, top, top + falls)
    return Picture((closed, opened, *([inside] if inside else []), above), tuple(says))


def _view(given: Given, name: str, wide: float, top: float, falls: float, panels: list[Shape], *, tapes: bool) -> View:
    floor = _floor(given, top + falls)
    back = [
        *_window(given, wide, falls),
        Shape(((-wide * 0.22, floor), (wide * 1.22, floor)), "wall", closed=False, weight=1.6),
    ]
    knob = max(12.0, wide * 0.012)
    rod = [
        Shape(((-knob, top), (wide + knob, top)), "rail", closed=False, weight=5.0),
        Shape(_round(-knob, top, knob), "rail"),
        Shape(_round(wide + knob, top, knob), "rail"),
    ]
    seen = [_seen_through(given, wide, falls)] if tapes else []
    shapes = [*back, *panels, *seen, *rod]
    found = _tapes(given, wide, top, falls, floor) if tapes else []
    ends = top + falls if given.word("to") in ("sill", "below_sill") else floor
    return View(name, extent(shapes, found, wide * 0.02), tuple(shapes), tuple(found), _labels(given, wide, ends))


def _floor(given: Given, bottom: float) -> float:
    """Where the floor is drawn: at the drop, or below a sill."""
    drop = given.least("drop")
    if given.word("to") in ("sill", "below_sill"):
        return bottom + max(300.0, (bottom) * 0.35)
    return mm(drop) if drop is not None else bottom


def _labels(given: Given, wide: float, floor: float) -> tuple[Caption, ...]:
    to = given.word("to")
    says = {
        "clear": f"clear of the floor by {given.write(given.length('clear'))}",
        "skims": "just touching the floor",
        "breaks": f"breaking on the floor by {given.write(given.length('past'))}",
        "sill": "at the sill",
        "below_sill": f"below the sill by {given.write(given.length('past'))}",
    }
    return (Caption((wide + max(70.0, wide * 0.07) + wide * 0.03, floor), says[to]),)


def _round(x: float, y: float, radius: float) -> tuple[tuple[float, float], ...]:
    at = ((1.0, 0.0), (0.7, 0.7), (0.0, 1.0), (-0.7, 0.7), (-1.0, 0.0), (-0.7, -0.7), (0.0, -1.0), (0.7, -0.7))
    return tuple((x + dx * radius, y + dy * radius) for dx, dy in at)


def window_at(given: Given, wide: float, falls: float) -> tuple[float, float, float, float]:
    """(left, top, right, bottom) of the window behind, from what is known of it; else as windows usually are."""
    window, rail = given.least("window"), given.least("rail")
    if window is None:
        left, right = wide * 0.12, wide * 0.88
    elif rail is not None and not given.known("beyond_left"):
        left = (wide - mm(window)) / 2
        right = left + mm(window)
    else:
        left = mm(given.length("beyond_left"))
        right = left + mm(window)
    tall = given.least("window_height")
    top = max(40.0, falls * 0.06)
    sill = given.word("to") in ("sill", "below_sill")
    bottom = top + mm(tall) if tall is not None else falls - (0 if sill else falls * 0.34)
    return left, top, right, max(top + 100.0, bottom)


def _window(given: Given, wide: float, falls: float) -> list[Shape]:
    left, top, right, bottom = window_at(given, wide, falls)
    middle, half = (left + right) / 2, (top + bottom) / 2
    frame = box_of(left, top, right, bottom)
    return [
        Shape(frame, "glass"),
        Shape((*frame, frame[0]), "wall", closed=False, weight=1.4),
        Shape(((middle, top), (middle, bottom)), "wall", closed=False, weight=1.2),
        Shape(((left, half), (right, half)), "wall", closed=False, weight=1.2),
        Shape(((left - 40, bottom), (right + 40, bottom)), "wall", closed=False, weight=2.2),
    ]


def _seen_through(given: Given, wide: float, falls: float) -> Shape:
    """The window behind closed curtains."""
    frame = box_of(*window_at(given, wide, falls))
    return Shape((*frame, frame[0]), "wall", closed=False, weight=1.2, dashed=True)


def _closed(
    given: Given, panels: Sequence[Panel], solved: Mapping[str, Solved], wide: float, top: float, bottom: float
) -> list[Shape]:
    found: list[Shape] = []
    at = 0.0
    for number, panel in enumerate(panels):
        one = solved[panel.key]
        first, last = number == 0, number == len(panels) - 1
        before, after = (panel.lead if first else ZERO), (panel.tail if last else ZERO)
        left = at - (0.0 if first else mm(panel.lead))
        across = mm(panel.share) + (0.0 if first else mm(panel.lead)) + (0.0 if last else mm(panel.tail))
        if before:
            found += _return(left, -1, mm(before), top, bottom, one.cutting.role)
        if after:
            found += _return(left + across, 1, mm(after), top, bottom, one.cutting.role)
        found += hanging(one.whole, one.cutting, Hung(left, across, top, bottom), (before, after))
        at += mm(panel.share)
    return found


def _return(x: float, way: int, deep: float, top: float, bottom: float, role: str) -> list[Shape]:
    """A return, seen as it goes back to the wall."""
    out = x + way * deep * 0.42
    corners = ((x, top), (out, top), (out, bottom - deep * 0.3), (x, bottom))
    return [Shape(corners, role, shade=0.2), Shape((*corners, corners[0]), "ink", closed=False, weight=1.2)]


def _opened(
    panels: Sequence[Panel],
    solved: Mapping[str, Solved],
    stack: Mapping[str, Length],
    wide: float,
    top: float,
    bottom: float,
) -> list[Shape]:
    found: list[Shape] = []
    for number, panel in enumerate(panels):
        one = solved[panel.key]
        across = min(mm(stack[panel.key]), wide / len(panels))
        right = number == len(panels) - 1 and len(panels) > 1
        start = sum(mm(each.share) for each in panels[:number])
        left = wide - across if right else start
        first, last = number == 0, number == len(panels) - 1
        before, after = (panel.lead if first else ZERO), (panel.tail if last else ZERO)
        if before:
            found += _return(left, -1, mm(before), top, bottom, one.cutting.role)
        if after and right:
            found += _return(left + across, 1, mm(after), top, bottom, one.cutting.role)
        found += hanging(one.whole, one.cutting, Hung(left, across, top, bottom, drawn_back=True), (before, after))
    return found


def _tapes(given: Given, wide: float, top: float, falls: float, floor: float) -> list[Tape]:
    off = max(60.0, falls * 0.045)
    found = [Tape("rail", (0.0, top - off), (wide, top - off), "above")]
    side = wide + max(70.0, wide * 0.07)
    found.append(
        Tape(
            "drop",
            (side, 0.0),
            (side, floor if given.word("to") not in ("sill", "below_sill") else top + falls),
            "right",
        )
    )
    left, high, right, low = window_at(given, wide, falls)
    if given.least("window") is not None or given.least("rail") is None:
        found.append(Tape("window", (left, high + off), (right, high + off), "below"))
    if given.known("window_height"):
        at = -max(70.0, wide * 0.1)
        found.append(Tape("window_height", (at, high), (at, low), "left"))
    below = max(floor, top + falls) + off * 0.8
    for name, x, way in (("return_left", 0.0, -1), ("return_right", wide, 1)):
        deep = mm(given.length(name))
        if deep:
            found.append(Tape(name, (x + way * deep * 0.42, below), (x, below), "left" if way < 0 else "right"))
    if given.fields["overlap"].asked(given) and given.length("overlap"):
        half = mm(given.length("overlap")) / 2
        middle = wide * float(given.ratio("left_share") or 0.5) if given.word("divides") == "unequal" else wide / 2
        found.append(Tape("overlap", (middle - half, below), (middle + half, below), "below"))
    return found


def _inside(
    panels: Sequence[Panel], solved: Mapping[str, Solved], wide: float, top: float, bottom: float
) -> View | None:
    """From behind: each lining on its face, shorter by what it is, its joins, and the face that comes round at both sides."""
    shapes: list[Shape] = []
    at = 0.0
    for number, panel in enumerate(panels):
        one = solved[panel.key]
        lining, rules = lining_to_cut(one.whole, one.cutting), one.cutting.lining
        if lining is None or rules is None:
            return None
        left = at - (0.0 if number == 0 else mm(panel.lead))
        across = mm(panel.share) + (0.0 if number == 0 else mm(panel.lead))
        across += 0.0 if number == len(panels) - 1 else mm(panel.tail)
        start = wide - left - across  # seen from behind, left and right change places
        # What comes round is drawn as wide as it is of the cloth that it is gathered up from.
        rolls = lining.made.rolls if lining.made.rolls is not None else one.whole.edge.allowance.start / 2
        in_by = mm(rolls) * across / mm(one.whole.flat)
        foot = bottom - mm(rules.shorter)
        shapes.append(Shape(box_of(start, top, start + across, bottom), one.cutting.role))
        lies = box_of(start + in_by, top, start + across - in_by, foot)
        shapes += [Shape(lies, one.cutting.lining_role), Shape((*lies, lies[0]), "ink", closed=False, weight=1.0)]
        if lining.cut.upright:
            wide_lining, from_end = lining.made.width, one.cutting.from_end
            for join in lining_joins(lining.made, lining.cut, rules.allowance, wide_lining, from_end=from_end):
                x = start + across - in_by - (across - 2 * in_by) * mm(join) / mm(lining.made.width)
                shapes.append(Shape(((x, top), (x, foot)), "wall", closed=False, weight=1.0, dashed=True))
        outline = box_of(start, top, start + across, bottom)
        shapes.append(Shape((*outline, outline[0]), "ink", closed=False, weight=1.4))
        at += mm(panel.share)
    shapes.append(Shape(((0.0, top), (wide, top)), "rail", closed=False, weight=5.0))
    return View("inside", extent(shapes, (), wide * 0.02), tuple(shapes)) if panels else None


def _from_above(given: Given, panels: Sequence[Panel], solved: Mapping[str, Solved], wide: float) -> View:
    """From above: the wall, the returns, and how the pleats stand off the rail."""
    deep = max(mm(given.length("return_left")), mm(given.length("return_right")), 60.0)
    left, _, right, _ = window_at(given, wide, deep)
    shapes = [
        Shape(((-wide * 0.12, -deep), (left, -deep)), "wall", closed=False, weight=3.0),
        Shape(((left, -deep), (right, -deep)), "glass", closed=False, weight=3.0),
        Shape(((right, -deep), (wide * 1.12, -deep)), "wall", closed=False, weight=3.0),
        Shape(((0.0, 0.0), (wide, 0.0)), "rail", closed=False, weight=2.0),
    ]
    at = 0.0
    for number, panel in enumerate(panels):
        one = solved[panel.key]
        first, last = number == 0, number == len(panels) - 1
        start = at - (0.0 if first else mm(panel.lead))
        line: list[tuple[float, float]] = [(start, -mm(panel.lead))] if first and panel.lead else []
        skip = mm(panel.lead) if first else 0.0
        made = one.whole.only
        lift = 8.0 * (1 + number % 2)
        line.append((start, lift))
        if made is not None and made.section.kind.folded:
            for pleat in made.row.pleats[:400]:
                x = start + pleat.at / made.row.parts - skip
                tall = min(45.0, mm(one.whole.flat - one.whole.finished) / max(1, one.whole.count) / 4)
                line += [
                    (x, lift),
                    (x - tall * 0.35, lift + tall),
                    (x, lift + tall * 0.3),
                    (x + tall * 0.35, lift + tall),
                    (x, lift),
                ]
        end = at + mm(panel.share) + (0.0 if last else mm(panel.tail))
        line.append((end, lift))
        if last and panel.tail:
            line.append((end, -mm(panel.tail)))
        shapes.append(Shape(tuple(line), one.cutting.role, closed=False, weight=3.0))
        at += mm(panel.share)
    return View("above", extent(shapes, (), wide * 0.03), tuple(shapes))
