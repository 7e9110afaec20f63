"""How wide a panel is flat: by either school of fullness, as it was measured, how full it really is."""

from __future__ import annotations

from ribbon.fraction import Fraction
from ribbon.lengths import Length, write_ratio
from ribbon.making.asked import Given
from ribbon.making.panels import Panel


def wanted_flat(given: Given, panel: Panel, school: str = "") -> tuple[Length, str]:
    """(the flat width that the fullness asks of a panel, how it is reckoned) by a school, that which was chosen if none is said."""
    times, write = given.ratio("fullness") or Fraction(1), given.figure
    ratio = write_ratio(times).text
    if (school or given.word("fullness_of")) == "all":
        flat = panel.finished * times
        return flat, f"{ratio} × {write(panel.finished)} = {given.write(flat)}"
    flat = panel.share * times + panel.flats
    flats = "".join(f" + {write(one)}" for one in (panel.lead, panel.tail) if one)
    return flat, f"{ratio} × {write(panel.share)}{flats} = {given.write(flat)}"


def real_fullness(given: Given, panel: Panel, flat: Length) -> Fraction:
    """How many times as full a panel of that flat width really is, by the school that was chosen."""
    if given.word("fullness_of") == "all":
        return flat / panel.finished
    return (flat - panel.flats) / panel.share


def field_of(key: str) -> str:
    """The measure that a panel is taken as once it is hemmed."""
    return {"left": "panel_left", "right": "panel_right"}.get(key, "panel")


def measured_panel(given: Given, panel: Panel) -> Length | None:
    """What the hemmed, lined panel was measured to be, None where it was not."""
    return given.least(field_of(panel.key))
