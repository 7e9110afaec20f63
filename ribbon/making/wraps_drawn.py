"""A wrap with plain front pieces as it is worn: the outer front piece, the pleats behind, what lies within, and where the tape goes."""

from __future__ import annotations

from ribbon.lengths import ZERO, Length, counted
from ribbon.making.asked import Given
from ribbon.making.body import body_view
from ribbon.making.picture import Caption, Hung, Picture, Shape, Tape, View, bent, box_of, extent, hanging, mm
from ribbon.making.thing import Solved
from ribbon.making.wraps import Wrap, halves, outer_first


def drawn(given: Given, made: Wrap, one: Solved | None) -> Picture:
    """The front with the outer piece on top, the back with its pleats, the front within."""
    views: list[View] = []
    if one is not None:
        whole, first = one.whole.finished, outer_first(given)
        ends = (ZERO, whole - made.front), (whole - made.front, ZERO)
        outer, inner = ends if first else (ends[1], ends[0])
        views = [
            _view(given, made, one, "front", outer),
            _view(given, made, one, "back", (made.front, made.front)),
            _view(given, made, one, "inside", inner),
        ]
    views.append(body_view(given, "waist", "hip_level", "hip", "length"))
    write = given.write
    says = (
        f"The outer front piece, {write(made.front)} wide at the hip, its edge at the wearer’s {given.word('edge_at')}.",
        f"Behind, {counted(made.many, 'pleats')} over {write(made.pleated)}.",
        f"Within, the inner front piece, {write(made.front)} wide.",
    )
    return Picture(tuple(views), says)


def _view(given: Given, made: Wrap, one: Solved, name: str, skip: tuple[Length, Length]) -> View:
    """One part of the strip as it hangs from a waist that is narrower than the hip."""
    back = name == "back"
    wide, falls = mm(made.pleated if back else made.front), mm(given.least("length") or Length.cm(60))
    shapes = hanging(one.whole, one.cutting, Hung(-wide / 2, wide, 0.0, falls), skip)
    shapes += _crossing(one, wide, falls)
    level, waist = mm(given.length("hip_level")), halves(given, "waist")
    narrow = 1.0 if waist is None else mm(waist.pleated if back else waist.front) / wide

    def hangs(x: float, y: float) -> tuple[float, float]:
        drawn_in = narrow + (1 - narrow) * min(1.0, y / level) if level else 1.0
        return x * drawn_in * (1 + 0.06 * max(0.0, y - level) / falls), y

    if not back:
        shapes += _deep_fold(given, made, wide, falls, within=name == "inside")
    shapes = [shape._replace(points=tuple(hangs(x, y) for x, y in bent(shape, level))) for shape in shapes]
    if given.word("top") == "band":
        deep, half = mm(given.length("band_depth")), wide * narrow / 2
        band = box_of(-half, -deep, half, 0.0)
        shapes += [
            Shape(band, one.cutting.role, shade=0.12),
            Shape((*band, band[0]), "ink", closed=False, weight=1.4),
        ]
    tapes = _tapes(given, wide, narrow, falls) if name == "front" else ()
    where = {"front": "from the front", "back": "from behind", "inside": "the inner front piece"}[name]
    labels = () if name == "front" else (Caption((-wide / 2, falls * 1.07), where),)
    return View(name, extent(shapes, tapes, wide * 0.05), tuple(shapes), tuple(tapes), labels)


def _deep_fold(given: Given, made: Wrap, wide: float, falls: float, *, within: bool) -> list[Shape]:
    """The line that the cloth turned under its edge reaches to; the wearer's right is at the left of whoever looks."""
    # The inner front piece ends at the other hand.
    left = outer_first(given) is not within
    deep = min(mm(made.inner if within else made.outer), wide)
    at = -wide / 2 + deep if left else wide / 2 - deep
    return [Shape(((at, 0.0), (at, falls)), "ink", closed=False, weight=1.0, dashed=True)] if deep else []


def _crossing(one: Solved, wide: float, falls: float) -> list[Shape]:
    """The stripes that cross where the plaid repeats along too, as shades: the darker the stripe the darker."""
    bolt = one.cutting.bolt
    if bolt is None or not bolt.stripes or not bolt.along:
        return []
    found: list[Shape] = []
    along = 0.0
    while along < falls and len(found) < _MOST_CROSSING:
        for stripe in bolt.stripes:
            foot = min(falls, along + mm(stripe.width))
            if along < foot:
                found.append(Shape(box_of(-wide / 2, along, wide / 2, foot), "shade", shade=_dark(stripe.colour)))
            along = foot
    return found


_MOST_CROSSING = 120


def _dark(colour: str) -> float:
    """How dark a colour is drawn as a shade, from 0 to a quarter."""
    parts = [int(colour[at : at + 2], 16) for at in (1, 3, 5)] if len(colour) == 7 else [160, 160, 160]
    return round(0.25 * (1 - sum(parts) / 765), 3)


def _tapes(given: Given, wide: float, narrow: float, falls: float) -> tuple[Tape, ...]:
    out, level = wide / 2 * 1.14, min(mm(given.length("hip_level")), falls * 0.6)
    top = wide * narrow / 2
    return (
        Tape("front_waist", (-top, -wide * 0.12), (top, -wide * 0.12), "above"),
        Tape("front_hip", (-wide / 2, level), (wide / 2, level), "below"),
        Tape("hip_level", (-out, 0.0), (-out, level), "left"),
        Tape("length", (out, 0.0), (out, falls), "right"),
    )
