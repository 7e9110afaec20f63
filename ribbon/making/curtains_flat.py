"""How wide a panel is flat: by either school of fullness, as it was measured, how full it really is."""

from __future__ import annotations

from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length, write_ratio
from ribbon.making.asked import Given
from ribbon.making.curtains_cut import cut_of
from ribbon.making.panels import Panel


def wanted_flat(given: Given, panel: Panel) -> tuple[Length, str]:
    """(the flat width that the fullness asks of a panel, how it is reckoned), by the schools that were chosen."""
    times, write = given.ratio("fullness") or Fraction(1), given.figure
    ratio = write_ratio(times).text
    sides = cut_of(given).sides if given.word("turnings") == "before" else ZERO

    def told(full: Length, beside: Length, flats: str = "") -> tuple[Length, str]:
        flat = (full + sides) * times - sides + beside
        multiplied = f"({write(full)} + {write(sides)} of sides) − {write(sides)}" if sides else write(full)
        return flat, f"{ratio} × {multiplied}{flats} = {given.write(flat)}"

    if given.word("fullness_of") == "all":
        return told(panel.finished, ZERO)
    return told(panel.share, panel.flats, "".join(f" + {write(one)}" for one in (panel.lead, panel.tail) if one))


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
