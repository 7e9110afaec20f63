"""What of a window cannot be, each with a way out."""

from __future__ import annotations

from collections.abc import Sequence

from ribbon.errors import Problem
from ribbon.lengths import ZERO, Length, typed_number, write_ratio
from ribbon.making.asked import Given
from ribbon.making.cannot import long_returns, nought, too_many
from ribbon.making.curtains_cut import Cut
from ribbon.making.curtains_flat import field_of, measured_panel, wanted_flat
from ribbon.making.panels import Panel, panels_many

_MOST_PANELS, _MOST_WINDOWS, _MOST_WIDTHS_EACH = 12, 40, 60


def wrong(given: Given, rail: Length | None, panels: Sequence[Panel], cut: Cut) -> list[Problem]:
    """Everything about the measures and choices that cannot be, each with a way out."""
    found = nought(given, ("rail", "window", "drop"))
    if rail is not None:
        found += _of_panels(given, panels)
        found += _along_the_rail(given, rail)
        found += _too_many_widths(given, panels)
    return found + _of_the_cloth(given, cut) + _numbers(given)


def _problem(code: str, path: str, value: object, message: str, way_out: str) -> Problem:
    return Problem(code, path, str(value), message, way_out)


def _of_panels(given: Given, panels: Sequence[Panel]) -> list[Problem]:
    found, write = [], given.write
    for panel in panels:
        if panel.share <= ZERO:
            found.append(
                _problem(
                    "too_small",
                    "choices.left_share",
                    given.ratio("left_share"),
                    "nothing is left of the rail for one of the panels",
                    "give each panel a part of it, such as 1/3",
                )
            )
        measured = measured_panel(given, panel)
        if measured is not None and measured <= panel.finished:
            says = f"the hemmed panel cannot measure {write(measured)} and finish {write(panel.finished)} wide"
            found.append(
                _problem(
                    "too_small",
                    f"measures.{field_of(panel.key)}",
                    write(measured),
                    says,
                    "measure it flat, from side to side, before its pleats",
                )
            )
    return found


def _along_the_rail(given: Given, rail: Length) -> list[Problem]:
    found, write = long_returns(given, rail), given.write
    overlap = given.length("overlap")
    if overlap >= rail and given.fields["overlap"].asked(given):
        says = f"panels cannot cross by {write(overlap)} on a rail of {write(rail)}"
        found.append(
            _problem(
                "too_wide", "measures.overlap", write(overlap), says, "measure how far the two carriers pass each other"
            )
        )
    return found


def _too_many_widths(given: Given, panels: Sequence[Panel]) -> list[Problem]:
    face = given.cloths.get("face")
    if face is None:
        return []
    for panel in panels:
        many = wanted_flat(given, panel) / face.usable
        if many > _MOST_WIDTHS_EACH:
            says = f"one panel would take {int(many)} widths of this cloth"
            return [
                _problem(
                    "too_many", "measures.rail", given.write(panel.share), says, "check its unit, or hang more panels"
                )
            ]
    return []


def _of_the_cloth(given: Given, cut: Cut) -> list[Problem]:
    found = []
    if cut.finished is not None and cut.finished <= ZERO:
        found.append(
            _problem(
                "above",
                "measures.drop",
                given.write(given.least("drop") or ZERO),
                "the curtain would end above where it hangs",
                "measure down from the rail, or let it clear the floor by less",
            )
        )
    times = given.ratio("fullness")
    if times is not None and times <= 1:
        found.append(
            _problem(
                "too_small",
                "choices.fullness",
                write_ratio(times).text,
                "a fullness of once or less leaves nothing for pleats",
                "use 2 to 2 1/2, or more for thin cloth",
            )
        )
    face = given.cloths.get("face")
    if face is not None and face.usable <= cut.sides + given.join * 2:
        found.append(
            _problem(
                "too_narrow",
                "cloths.face.usable",
                given.write(face.usable),
                "the cloth does not hold its own sides and seams",
                "use wider cloth, or turn its sides less",
            )
        )
    return found


def _numbers(given: Given) -> list[Problem]:
    found = [*too_many(given, "panels", _MOST_PANELS, "panels"), *too_many(given, "windows", _MOST_WINDOWS, "windows")]
    each = given.ratio("widths_each")
    if (
        given.word("widths") == "own"
        and each is not None
        and (each <= 0 or (each * 2).denominator != 1 or each > _MOST_WIDTHS_EACH)
    ):
        found.append(
            Problem(
                "not_halves",
                "choices.widths_each",
                typed_number(each),
                "widths are cut whole or in half",
                "use 1, 1 1/2, 2 …",
            )
        )
    if given.word("pleats") == "rings":
        rings = given.count("rings")
        least = 3 * panels_many(given) * (given.count("windows") or 1)
        if rings is not None and rings < least:
            found.append(
                Problem(
                    "too_few",
                    "choices.rings",
                    str(rings),
                    f"{rings} rings leave no pleat between the two at the ends of each panel",
                    f"use at least {least}",
                )
            )
    return found
