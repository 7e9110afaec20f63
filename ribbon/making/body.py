"""The body that a thing is made for: measures that look odd, and where each tape goes, drawn to scale."""

from __future__ import annotations

from math import pi

from ribbon.lengths import Length
from ribbon.making.asked import Given
from ribbon.making.picture import Shape, Tape, View, extent, mm
from ribbon.making.thing import Mind


def doubts(given: Given) -> list[Mind]:
    """Measures that look like another unit or another place of the body."""
    hip, waist = (given.most(name) if name in given.fields else None for name in ("hip", "waist"))
    write, found = given.write, []
    if hip is not None and waist is not None and hip < waist:
        found.append(
            Mind("measure", f"A hip of {write(hip)} with a waist of {write(waist)}? Measure both again, in one unit.")
        )
    for name, field in given.fields.items():
        if field.usual is None or not field.asked(given):
            continue
        low, high = field.usual
        found += [
            Mind(
                f"measure_{name}",
                f"{field.title} {write(one)}? Most lie between {write(low)} and {write(high)}: was it taken in another unit, or at another place?",
            )
            for one in given.measures.get(name, ())
            if not low <= one <= high
        ]
    return found


_TYPICAL = {"waist": Length.cm(72), "hip": Length.cm(98), "hip_level": Length.cm(20), "length": Length.cm(60)}
_DEEP = 1.28  # how much wider than deep a body is, as it is seen from the front


def _half(round_: Length) -> float:
    """Half as wide as a girth looks from the front: of an oval so much wider than it is deep."""
    return mm(round_) / pi * (2 * _DEEP / (1 + _DEEP)) / 2


def body_view(given: Given, *fields: str) -> View:
    """A dress form with the tape of each of those fields that matters: waist, hip, hip level, length; usual measures where some lack."""
    here = {name: given.most(name) or usual for name, usual in _TYPICAL.items() if name in given.fields}
    waist, hip = _half(here["waist"]), _half(here["hip"])
    level, falls = mm(here.get("hip_level", _TYPICAL["hip_level"])), mm(here.get("length", _TYPICAL["length"]))
    foot = level + 160
    right = [
        (waist * 1.26, -150.0), (waist * 1.2, -110.0), (waist * 1.06, -50.0), (waist, 0.0),
        ((waist + hip) / 2 * 1.04, level * 0.5), (hip, level), (hip * 0.97, foot),
    ]  # fmt: skip
    form = (*right, *((-x, y) for x, y in reversed(right)))
    shapes = [
        Shape(form, "wall"),
        Shape((*form, form[0]), "ink", closed=False, weight=1.2),
        Shape(((0.0, foot), (0.0, max(falls, foot) + 20)), "ink", closed=False, weight=2.0),
    ]
    out = max(hip, waist) * 1.35
    tapes = {
        "waist": Tape("waist", (-waist, 0.0), (waist, 0.0), "left"),
        "hip": Tape("hip", (-hip, level), (hip, level), "left"),
        "hip_level": Tape("hip_level", (-out, 0.0), (-out, level), "left"),
        "length": Tape("length", (out, 0.0), (out, falls), "right"),
    }
    drawn = tuple(tapes[name] for name in fields if name in given.fields and given.fields[name].asked(given))
    return View("body", extent(shapes, drawn, waist * 0.1), tuple(shapes), drawn)
