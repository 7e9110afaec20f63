"""A petticoat of tiers as it hangs, each tier drawn from its strip, and its base with its lines."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from ribbon.lengths import ZERO, Length
from ribbon.making.asked import Given
from ribbon.making.body import body_view
from ribbon.making.picture import Caption, Hung, Picture, Shape, Tape, View, box_of, extent, hanging, mm
from ribbon.making.thing import Solved, pleats_say
from ribbon.making.tier_fields import based, girth_field
from ribbon.making.tiers import Tier, at_waist

_FLARE = 0.16  # how much wider the hem of a tier of twice its line hangs than its line


def drawn(given: Given, tiers: Sequence[Tier], solved: Mapping[str, Solved]) -> Picture:
    """The whole from the front; on a base also that by itself, half of it, with its lines."""
    top = at_waist(given)[0] or tiers[0].girth
    views = [_front(given, tiers, solved, top)]
    if based(given):
        views.append(_base(given, tiers, top))
    views.append(body_view(given, "waist", "hip_level", "hip", "length"))
    says = [
        f"{one.title}: {given.write(solved[one.key].whole.finished)}, {given.write(one.deep)} deep, {pleats_say(solved[one.key].whole)}."
        for one in tiers
    ]
    return Picture(tuple(views), tuple(says))


def _spread(one: Solved) -> float:
    """How much wider than its line a tier hangs at its hem."""
    times = float(one.whole.flat / one.whole.finished)
    return 1 + min(0.5, max(0.0, times - 1) * _FLARE)


def _front(given: Given, tiers: Sequence[Tier], solved: Mapping[str, Solved], top: Length) -> View:
    shapes: list[Shape] = []
    # Half of what goes round is seen.  Tier on tier each hangs as wide as the one above ends, on a base as its line is.
    wide, out = mm(top) / 2, mm(top) / 2
    hung = []
    for one in sorted(tiers, key=lambda tier: tier.line.mm):
        wide = mm(one.girth) / 2 if based(given) else wide
        foot = wide * _spread(solved[one.key])
        hung.append((one, wide, foot))
        wide, out = foot, max(out, foot)
    role = solved[tiers[0].key].cutting.role
    if based(given):
        base, foot_of = mm(given.least("base") or ZERO), mm(tiers[0].girth) / 2
        sides = ((-mm(top) / 4, 0.0), (mm(top) / 4, 0.0), (foot_of / 2, base), (-foot_of / 2, base))
        shapes += [Shape(sides, role, shade=0.1), Shape((*sides, sides[0]), "ink", closed=False, weight=1.0)]
    for one, across, foot in sorted(hung, key=lambda found: -found[0].line.mm) if based(given) else hung:
        shapes += _tier(one, solved[one.key], across, foot)
        shapes += _trimmed(given, one, across, foot)
    deep = mm(given.length("band_depth")) if given.word("top") == "band" else 0.0
    across = mm(top) / 2
    if deep:
        box = box_of(-across / 2, -deep, across / 2, 0.0)
        shapes += [Shape(box, role, shade=0.06), Shape((*box, box[0]), "ink", closed=False, weight=1.4)]
    tapes = _tapes(given, tiers, hung, out, (across, deep))
    return View("front", extent(shapes, tapes, out * 0.04), tuple(shapes), tuple(tapes))


def _tier(one: Tier, solved: Solved, across: float, foot: float) -> list[Shape]:
    """Half of a tier from its line to its hem, wider the lower it is."""
    top, bottom = mm(one.line), mm(one.line + one.deep)
    half = (ZERO, solved.whole.finished / 2)
    found = hanging(solved.whole, solved.cutting, Hung(-across / 2, across, top, bottom), half)
    grown = foot / across - 1 if across else 0.0

    def flared(point: tuple[float, float]) -> tuple[float, float]:
        x, y = point
        return x * (1 + grown * (y - top) / (bottom - top)), y

    return [shape._replace(points=tuple(flared(point) for point in shape.points)) for shape in found]


_TRIM = 14.0  # mm that a trim is drawn high


def _trimmed(given: Given, one: Tier, across: float, foot: float) -> list[Shape]:
    """The trim along a tier's hem, and over its edge where it is sewn on as it falls."""
    top, bottom = mm(one.line), mm(one.line + one.deep)
    high = min(_TRIM, (bottom - top) / 4)
    found: list[Shape] = []
    if given.word("trim") == "hem":
        found.append(Shape(box_of(-foot / 2, bottom - high, foot / 2, bottom), "contrast"))
    if based(given) and given.word("sewn") == "down":
        found.append(Shape(box_of(-across / 2, top - high / 2, across / 2, top + high / 2), "contrast"))
    return [part for box in found for part in (box, Shape((*box.points, box.points[0]), "ink", False, 0.0, 0.8))]


def _tapes(
    given: Given, tiers: Sequence[Tier], hung: Sequence[tuple[Tier, float, float]], out: float, top: tuple[float, float]
) -> list[Tape]:
    across, deep = top
    bottom = max(mm(one.line + one.deep) for one in tiers)
    above = -deep - bottom * 0.05
    found = [Tape("waist", (-across / 2, above), (across / 2, above), "above")]
    if not based(given):
        return [*found, Tape("length", (out * 0.62, 0.0), (out * 0.62, bottom), "right")]
    base = mm(given.least("base") or ZERO)
    half = mm(tiers[0].girth) / 4
    found += [
        Tape("base", (out * 0.62, 0.0), (out * 0.62, base), "right"),
        Tape("foot", (-half, bottom * 1.04), (half, bottom * 1.04), "below"),
    ]
    if len(tiers) > 1:
        low, high = mm(tiers[0].line), mm(tiers[1].line)
        found.append(Tape("spacing", (-out * 0.62, high), (-out * 0.62, low), "left"))
    return found


def _base(given: Given, tiers: Sequence[Tier], top: Length) -> View:
    """Half of the base laid flat, each line with its girth."""
    places = [(mm(one.girth) / 4, mm(one.line)) for one in reversed(tiers)]
    right = [(mm(top) / 4, 0.0), *places]
    outline = (*right, *((-x, y) for x, y in reversed(right)))
    shapes = [Shape(outline, "face", shade=0.02), Shape((*outline, outline[0]), "ink", closed=False, weight=1.4)]
    labels, tapes = [], []
    for one in tiers:
        half, at = mm(one.girth) / 4, mm(one.line)
        shapes.append(Shape(((-half, at), (half, at)), "ink", closed=False, weight=0.9, dashed=True))
        labels.append(Caption((-half * 0.62, at), f"{one.title}: {given.write(one.girth)} round"))
        tapes.append(Tape(girth_field(one.number), (-half, at), (half, at), "right"))
    return View("base", extent(shapes, tapes, mm(top) * 0.03), tuple(shapes), tuple(tapes), tuple(labels))
