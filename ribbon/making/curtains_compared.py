"""Widths and schools of fullness beside each other by what they come to."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace

from ribbon.cloth import Bolt, Cutting, drop_on, drops, plan_lying, sold_says
from ribbon.edge import Plan, plan
from ribbon.errors import Refusal
from ribbon.facts import Pin
from ribbon.fraction import Fraction
from ribbon.lengths import Length, write_ratio
from ribbon.making.asked import Given
from ribbon.making.curtains_cut import Cut
from ribbon.making.curtains_flat import real_fullness, reckoned_flat, wanted_flat
from ribbon.making.panels import Panel
from ribbon.making.thing import Alternative, Compared, Solved
from ribbon.making.widths import SKIMPY, Shared, Wanted, says_many
from ribbon.pleats import Quantity
from ribbon.readings import Joined, Strategy

WIDTHS = "Widths decide"
_TITLES = {"near": "short of what is wanted", "exact": "to measure", "own": "as many as I say"}


def widths_compared(
    given: Given,
    panels: Sequence[Panel],
    wanted: Sequence[Wanted],
    ways: Sequence[Shared],
    taken: Shared | None,
    cut: Cut,
    face: Bolt,
) -> tuple[Compared, ...]:
    """Each way to share widths out, with the flat width, the real fullness, the cloth and the cost that it comes to."""
    flats = " and ".join(dict.fromkeys(given.write(one.flat) for one in wanted))
    rows, seen = [], set()
    hidden = given.word("widths") == "hidden"
    for one in ways:
        if one.each is not None and one.each in seen and one is not taken:
            continue
        if one.each is not None:
            seen.add(one.each)
        rows.append(
            _row(given, panels, wanted, one, cut, face, taken=one is taken and not (hidden and one.name == "exact"))
        )
    if len({row.takes for row in rows if row.taken}) == 0 and rows:
        rows = [row._replace(taken=row.takes[1] == given.word("widths")) for row in rows]
    return (
        Compared(
            WIDTHS,
            f"wanted: {flats} flat each, {write_ratio(given.ratio('fullness') or Fraction(1)).text} times",
            tuple(rows),
        ),
    )


_SCHOOLS = {
    "fullness_of": (
        "Two schools of fullness",
        {"rail": "fullness of the rail, flats flat", "all": "fullness of everything"},
    ),
    "turnings": (
        "Side turnings",
        {"after": "added once the width is multiplied", "before": "multiplied with the width"},
    ),
}
"""Where workrooms reckon the flat width otherwise: the field, what it is called, what each way is called."""


def schools_compared(given: Given, panels: Sequence[Panel]) -> tuple[Compared, ...]:
    """The schools beside each other, by the flat width that each wants."""
    return tuple(_school(given, panels, field, title, ways) for field, (title, ways) in _SCHOOLS.items())


def _school(given: Given, panels: Sequence[Panel], field: str, title: str, ways: Mapping[str, str]) -> Compared:
    rows = []
    for name, called in ways.items():
        taken = given.word(field) == name
        so = given if taken else replace(given, choices={**given.choices, field: name})
        # Panels that are alike are reckoned once.
        told: dict[Length, str] = {}
        for panel in panels:
            flat = wanted_flat(so, panel)
            if flat not in told:
                told[flat] = reckoned_flat(so, panel)
        flats = " and ".join(given.write(flat) for flat in told)
        says = "; ".join(told.values())
        rows.append(Alternative((field, name), called, f"{flats} flat each", says, None, (next(iter(told)),), taken))
    return Compared(title, "before widths decide", tuple(rows))


def _taking(given: Given, many: int, cut: Cut, face: Bolt) -> tuple[str, Fraction | None]:
    """(what so many widths take, in words; what they cost, where that is known)."""
    says = f"{many} {'width' if many == 1 else 'widths'}"
    if cut.drop is None:
        return says, None
    asked = face.bought(drop_on(face, cut.drop) * many + face.along)
    return f"{says}, {sold_says(face, asked, given.unit)}", face.cost(asked)


MEASURED = {
    "exact": ("to measure", Strategy.FALL),
    "hidden": ("to measure, every join hidden", Strategy.FEWEST),
}
"""The ways to cut each panel to measure: what each is called, and how its joins are put."""


def measured_rows(
    given: Given, panels: Sequence[Panel], solved: Mapping[str, Solved], cut: Cut, face: Bolt
) -> list[Alternative]:
    """What it takes to cut each panel to measure, joined in each of those ways; without those that cannot be told."""
    flats = [wanted_flat(given, panel) for panel in panels]
    made = [_so_wide(solved[panel.key], flat) for panel, flat in zip(panels, flats, strict=True)]
    whole = [one for one in made if one is not None]
    if len(whole) < len(panels):
        return []
    found = []
    for name, (title, strategy) in MEASURED.items():
        joined = [
            _joined(one, solved[panel.key].cutting._replace(strategy=strategy, from_end=panel.from_end))
            for one, panel in zip(whole, panels, strict=True)
        ]
        there = [one for one in joined if one is not None]
        if len(there) == len(panels):
            found.append(_measured(name, title, given, panels, flats, there, cut, face))
    return found


def _measured(
    name: str,
    title: str,
    given: Given,
    panels: Sequence[Panel],
    flats: Sequence[Length],
    joined: Sequence[Joined],
    cut: Cut,
    face: Bolt,
) -> Alternative:
    cuts = [width.cut for one in joined for width in one.widths]
    shown = sum(one.shown for one in joined)
    more, cost = _taking(given, drops(cuts * (given.count("windows") or 1), face.usable), cut, face)
    if any(one.joins for one in joined):
        more += f"; {shown} {'join shows' if shown == 1 else 'joins show'}" if shown else "; no join shows"
    full = [real_fullness(given, panel, flat) for panel, flat in zip(panels, flats, strict=True)]
    bars = tuple(width.cut for width in joined[0].widths)
    taken = given.word("widths") == name
    return Alternative(("widths", name), title, _flats_say(given, flats, full), more, cost, bars, taken)


def _so_wide(one: Solved, flat: Length) -> Plan | None:
    """A panel planned so wide flat; None where it cannot be."""
    made = one.whole.only
    if made is None:
        return None
    if made.flat == flat:
        return made
    try:
        return plan(replace(made.section, pins={**made.section.pins, Quantity.FLAT: Pin(flat.mm)}))
    except Refusal:
        return None


def _joined(made: Plan, cutting: Cutting) -> Joined | None:
    """The widths of a panel joined as it is cut; None where it cannot be."""
    try:
        lying = plan_lying(made, cutting)
    except Refusal:
        return None
    return lying.joined if lying else None


def _flats_say(given: Given, flats: Sequence[Length], full: Sequence[Fraction]) -> str:
    wide = " and ".join(dict.fromkeys(given.write(flat) for flat in flats))
    return f"{wide} flat, {' and '.join(dict.fromkeys(write_ratio(each).text for each in full))} times"


def _row(
    given: Given, panels: Sequence[Panel], wanted: Sequence[Wanted], one: Shared, cut: Cut, face: Bolt, *, taken: bool
) -> Alternative:
    times = given.count("windows") or 1
    many = drops(one.cuts * times, face.usable)
    full = [real_fullness(given, panel, flat) for panel, flat in zip(panels, one.flat, strict=True)]
    says = _flats_say(given, one.flat, full)
    more, cost = _taking(given, many, cut, face)
    short = max((want.flat - flat) / want.flat for want, flat in zip(wanted, one.flat, strict=True))
    warns = short > SKIMPY
    if short > 0:
        more += f"; short of what is wanted by {round(float(short) * 100)} %{': it will look skimpy' if warns else ''}"
    elif one.left_over:
        more += "; half a width is left over"
    elif one.each is not None and any(each.denominator == 2 for each in one.each):
        more += "; one is split down its middle, halves outside"
    title = (
        f"{says_many(one.each[0])} each"
        if one.each is not None and len(set(one.each)) == 1
        else _TITLES.get(one.name, "")
    )
    if one.each is not None and not title:
        title = " and ".join(says_many(each) for each in one.each)
    return Alternative(("widths", one.name), title, says, more, cost, one.bars(face.usable), taken, warns)
