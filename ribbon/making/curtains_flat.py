"""How wide a panel is flat: by either school of fullness, as it was measured, how full it really is."""

from __future__ import annotations

from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length, write_ratio
from ribbon.making.asked import Given
from ribbon.making.curtains_cut import cut_of
from ribbon.making.panels import Panel


def wanted_flat(given: Given, panel: Panel) -> Length:
    """The flat width that the fullness asks of a panel, by the schools that were chosen."""
    full, beside, times, sides = _multiplied(given, panel)
    return (full + sides) * times - sides + beside


def reckoned_flat(given: Given, panel: Panel) -> str:
    """How that is reckoned."""
    full, beside, times, sides = _multiplied(given, panel)
    write = given.figure
    multiplied = f"({write(full)} + {write(sides)} of sides) − {write(sides)}" if sides else write(full)
    flats = "".join(f" + {write(one)}" for one in (panel.lead, panel.tail) if one) if beside else ""
    return f"{write_ratio(times).text} × {multiplied}{flats} = {given.write(wanted_flat(given, panel))}"


def _multiplied(given: Given, panel: Panel) -> tuple[Length, Length, Fraction, Length]:
    """(what is multiplied, what is added to it, how many times, the side turnings that are multiplied with it)."""
    times = given.ratio("fullness") or Fraction(1)
    sides = cut_of(given).sides if given.word("turnings") == "before" else ZERO
    if given.word("fullness_of") == "all":
        return panel.finished, ZERO, times, sides
    return panel.share, panel.flats, times, sides


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
