"""The lining of a section: its ways compared, and what a tube of it and the face measures."""

from __future__ import annotations

from typing import Any

from ribbon.cloth import Lined, Lining, lined, lining_taken, lining_ways
from ribbon.lengths import UNITS, Length
from ribbon.pins import Plan
from server.cutting.sold import money, sold_in, sold_says, told_length, told_ways
from server.plans.cutting import Cutting
from server.plans.drawn import Writer
from server.plans.schema import SectionIn

_WAYS = {
    "across": "across its cloth, in equal widths",
    "lengthways": "in strips along its cloth",
    "railroaded": "railroaded, without a join",
}


def told_lining(
    told: dict[str, Any], writer: Writer, said: SectionIn, cutting: Cutting, flat: Length, plan: Plan | None
) -> None:
    """Add what is told of the lining, and under `lining_mass` what it weighs.  Raises `Refusal`."""
    lining, bolt, drop = cutting.lining, cutting.lining_bolt, cutting.drop
    if lining is None or bolt is None or drop is None:
        return
    edge = said.section.allowance
    made = lined(flat + edge.start + edge.end, drop, lining)
    ways = lining_ways(made, bolt, lining.allowance)
    cut = lining_taken(ways, lining.way)
    asked = bolt.bought(cut.needed)
    told["lining"] = {
        "width": writer.size(made.width),
        "length": writer.size(made.length),
        "turned": writer.size(made.turned),
        "rolls": writer.size(made.rolls),
        "way": cut.name,
        "ways": told_ways(writer, bolt, ways, cut, lambda way: way.needed, lambda way: _WAYS[way.name]),
        "asked": told_length(sold_in(bolt), asked),
        "cost": money(bolt.cost(asked)),
    }
    write = writer.places.write
    joined = f" of {write(cut.widths[0]).text}: {len(cut.widths)} widths" if cut.joins else ""
    told["slip"].append(
        f"Cut the lining {write(made.width).text} wide and {write(made.length).text} long, {_WAYS[cut.name]}{joined}: "
        f"buy {sold_says(bolt, asked, UNITS[said.unit])}."
    )
    _tube(told, writer, lining, made, flat, plan)
    told["lining_mass"] = bolt.mass(made.width.mm * made.length.mm)


def _tube(told: dict[str, Any], writer: Writer, lining: Lining, made: Lined, flat: Length, plan: Plan | None) -> None:
    """What the tube measures: the flat width, or what would make the two agree."""
    if made.turned is None or made.rolls is None:
        return
    write = writer.places.write
    rolls = f"{write(made.rolls).text} of the face rolls to the back at each side"
    if made.turned == flat:
        told["slip"].append(
            f"Sewn as a tube and turned it measures {write(flat).text}, the flat width; {rolls}. Measure it again before pleating."
        )
        return
    told["slip"].append(
        f"Sewn as a tube and turned it measures {write(made.turned).text}, and the pleats are planned from {write(flat).text}: one must follow from the other. {rolls}."
    )
    told["mends"].append(
        {
            "says": f"Cut the face so that the tube measures {write(flat).text}: {write(lining.side).text} more at each side.",
            "change": {"allowance.start": None, "allowance.end": None},
        }
    )
    if plan is not None:
        told["mends"].append(
            {
                "says": f"Plan the pleats from what the tube measures: {write(made.turned).text} flat.",
                "change": {
                    "pins.flat": writer.typed(made.turned),
                    "pins.fullness": None,
                    "pins.depth": None,
                    "pins.per_pleat": None,
                    "meet": None,
                },
            }
        )
