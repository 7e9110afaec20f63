"""A straight skirt or an apron as it hangs: from the front and from the back, its faces drawn from its strips, flared by its cloth."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from ribbon.lengths import ZERO, Length
from ribbon.making.asked import Given
from ribbon.making.body import body_view
from ribbon.making.picture import Caption, Hung, Picture, Shape, Tape, View, box_of, extent, hanging, mm
from ribbon.making.skirt_fields import banded, round_the_body, yoked
from ribbon.making.skirts import SkirtPart, waist_of
from ribbon.making.thing import Solved, pleats_say

_MOST_FLARE = 0.55


def drawn(given: Given, panels: Sequence[SkirtPart], solved: Mapping[str, Solved], whole: Length) -> Picture:
    """The front, and the back of what goes all round."""
    falls = mm(given.least("length") or Length.cm(60))
    around = round_the_body(given)
    # Of what goes round a body half is seen from each side; an apron is seen whole.
    wide = mm(whole) / 2 if around else mm(whole)
    front, back = _halves(panels)
    sides = {"front": front, "back": back if around else []}
    views = [
        _view(given, name, parts, solved, wide, falls, half=len(panels) == 1 and around)
        for name, parts in sides.items()
        if parts  # of one that cannot be solved yet nothing is drawn
    ]
    if around:
        views.append(body_view(given, "waist", "hip_level", "hip", "length"))
    told = [
        f"{one.title}: {given.write(solved[one.key].whole.finished)}, {pleats_say(solved[one.key].whole)}."
        for one in panels
    ]
    return Picture(tuple(views), tuple(told))


def _halves(panels: Sequence[SkirtPart]) -> tuple[list[SkirtPart], list[SkirtPart]]:
    """The parts that are seen from the front and from the back, each from the left of whoever looks."""
    front = [one for one in panels if not one.key.startswith("back")]
    back = [one for one in panels if one.key.startswith("back")]
    # Whoever looks at the back has the left one at the left.
    return front, list(reversed(back)) or [one for one in front if not one.key.startswith("front")]


def _view(
    given: Given,
    name: str,
    panels: Sequence[SkirtPart],
    solved: Mapping[str, Solved],
    wide: float,
    falls: float,
    *,
    half: bool,
) -> View:
    shapes: list[Shape] = []
    flat = finished = 0.0
    for number, panel in enumerate(panels):
        one = solved[panel.key]
        each = wide / len(panels)
        middle = one.whole.finished / 2
        skip = ((ZERO, middle) if name == "front" else (middle, ZERO)) if half else (ZERO, ZERO)
        shapes += hanging(one.whole, one.cutting, Hung(number * each - wide / 2, each, 0.0, falls), skip)
        flat, finished = flat + mm(one.whole.flat), finished + mm(one.whole.finished)
    flare = min(_MOST_FLARE, max(0.08, (flat / finished - 1) * 0.22)) if finished else 0.1
    waist, level = waist_of(given), mm(given.length("hip_level"))
    drawn_in = mm(waist) / 2 / wide if waist is not None else 1.0

    def hangs(point: tuple[float, float]) -> tuple[float, float]:
        x, y = _flared(point, falls, flare)
        return x * (drawn_in + (1 - drawn_in) * min(1.0, y / level)) if drawn_in < 1 and level else x, y

    shapes = [shape._replace(points=tuple(hangs(point) for point in shape.points)) for shape in shapes]
    above, top, at = _above(given, panels, solved, wide * drawn_in)
    shapes += above
    tapes = _tapes(given, wide, falls, flare, (top, at)) if name == "front" else []
    labels = (Caption((-wide / 2, falls * 1.07), "from behind"),) if name == "back" else ()
    return View(name, extent(shapes, tapes, wide * 0.04), tuple(shapes), tuple(tapes), labels)


def _flared(point: tuple[float, float], falls: float, flare: float) -> tuple[float, float]:
    """A place of a straight fall as cloth hangs from a narrower band: further out the lower it is."""
    x, y = point
    return x * (1 + flare * y / falls), y


def _above(
    given: Given, panels: Sequence[SkirtPart], solved: Mapping[str, Solved], wide: float
) -> tuple[list[Shape], float, float]:
    """(what stands above the pleats: a yoke, a band, ties; how wide it is at its top; where that is)."""
    role, top, at = solved[panels[0].key].cutting.role, wide, 0.0
    found: list[Shape] = []
    waist = given.most("waist")
    if yoked(given) and waist is not None:
        deep, top = mm(given.length("yoke_depth")), mm(waist + given.length("ease")) / 2
        sides = ((-wide / 2, 0.0), (-top / 2, -deep), (top / 2, -deep), (wide / 2, 0.0))
        found += [Shape(sides, role, shade=0.03), Shape((*sides, sides[0]), "ink", closed=False, weight=1.4)]
        at = -deep
    if banded(given):
        deep = mm(given.length("band_depth"))
        box = box_of(-top / 2, at - deep, top / 2, at)
        found += [Shape(box, role, shade=0.06), Shape((*box, box[0]), "ink", closed=False, weight=1.4)]
        at -= deep
    if given.fields["ties"].asked(given) and given.length("ties"):
        found += _ties(mm(given.length("ties")) * 0.4, role, top, -at)
    return found, top, at


def _ties(fall: float, role: str, wide: float, deep: float) -> list[Shape]:
    """The two ties as they hang from the ends of the band."""
    found: list[Shape] = []
    for side in (-1, 1):
        start = side * wide / 2
        tie = (
            (start, -deep),
            (start + side * deep, -deep * 0.6),
            (start + side * deep * 1.6, fall),
            (start + side * deep * 0.4, fall),
            (start, 0.0),
        )
        found += [Shape(tie, role, shade=0.12), Shape((*tie, tie[0]), "ink", closed=False, weight=1.0)]
    return found


def _tapes(given: Given, wide: float, falls: float, flare: float, top: tuple[float, float]) -> list[Tape]:
    """Each measure where its tape goes."""
    across, at = top
    out = wide / 2 * (1 + flare) + wide * 0.12
    level = min(mm(given.length("hip_level")), falls * 0.6)
    # Below a yoke the hip is where the pleats begin.
    hip = 0.0 if yoked(given) else level
    half = wide / 2 * (1 + flare * hip / falls)
    body = "across" if given.fields["across"].asked(given) else "waist"
    found = [
        Tape(body, (-across / 2, at - wide * 0.06), (across / 2, at - wide * 0.06), "above"),
        Tape("length", (out, 0.0), (out, falls), "right"),
        Tape("hip", (-half, hip), (half, hip), "below"),
    ]
    return found if yoked(given) else [*found, Tape("hip_level", (-out, 0.0), (-out, level), "left")]
