"""Widths and schools of fullness beside each other by what they come to."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace
from fractions import Fraction

from ribbon.cloth import Bolt, drop_on, drops, plan_lying
from ribbon.edge import plan
from ribbon.errors import Refusal
from ribbon.facts import Pin
from ribbon.lengths import Length, write_ratio
from ribbon.making.asked import Given
from ribbon.making.curtains_cut import Cut
from ribbon.making.curtains_flat import real_fullness, wanted_flat
from ribbon.making.panels import Panel
from ribbon.making.thing import Compared, Row, Solved
from ribbon.making.widths import SKIMPY, Shared, Wanted, says_many
from ribbon.pleats import Quantity
from ribbon.readings import Joined, Strategy

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
            "Widths decide",
            f"wanted: {flats} flat each, {write_ratio(given.ratio('fullness') or Fraction(1)).text} times",
            tuple(rows),
        ),
    )


def schools_compared(given: Given, panels: Sequence[Panel]) -> Compared:
    """The two schools of fullness beside each other, by the flat width that each wants."""
    rows = []
    for name, title in (("rail", "fullness of the rail, flats flat"), ("all", "fullness of everything")):
        # Panels that are alike are reckoned once.
        told: dict[Length, str] = {}
        for panel in panels:
            flat, reckoned = wanted_flat(given, panel, name)
            told.setdefault(flat, reckoned)
        flats = " and ".join(given.write(flat) for flat in told)
        taken = given.word("fullness_of") == name
        says = "; ".join(told.values())
        rows.append(Row(("fullness_of", name), title, f"{flats} flat each", says, None, (next(iter(told)),), taken))
    return Compared("Two schools of fullness", "before widths decide", tuple(rows))


def _taking(given: Given, many: int, cut: Cut, face: Bolt) -> tuple[str, Fraction | None]:
    """(what so many widths take, in words; what they cost, where that is known)."""
    says = f"{many} {'width' if many == 1 else 'widths'}"
    if cut.drop is None:
        return says, None
    asked = face.bought(drop_on(face, cut.drop) * many + face.along)
    return f"{says}, {given.write(asked)}", face.cost(asked)


def hidden_row(given: Given, panels: Sequence[Panel], solved: Mapping[str, Solved], cut: Cut, face: Bolt) -> Row | None:
    """What it takes to cut each panel to measure and hide every join; None where that cannot be told."""
    found: dict[str, Joined] = {}
    for panel in panels:
        one = solved[panel.key]
        if panel.mirrors in found:  # its widths are those of the panel whose mirror it is
            found[panel.key] = found[panel.mirrors]
            continue
        made = one.whole.only
        if made is None:
            return None
        pins = {**made.section.pins, Quantity.FLAT: Pin(wanted_flat(given, panel)[0].mm)}
        try:
            lying = plan_lying(plan(replace(made.section, pins=pins)), one.cutting._replace(strategy=Strategy.FEWEST))
        except Refusal:
            return None
        if lying is None:
            return None
        found[panel.key] = lying.joined
    cuts = [width.cut for joined in found.values() for width in joined.widths]
    shown = sum(joined.shown for joined in found.values())
    many = drops(cuts * (given.count("windows") or 1), face.usable)
    more, cost = _taking(given, many, cut, face)
    more += f"; {shown} would show all the same" if shown else "; none shows"
    taken = given.word("widths") == "hidden"
    bars = cuts[: max(1, len(cuts) // len(panels))]
    flats = [wanted_flat(given, panel)[0] for panel in panels]
    full = [real_fullness(given, panel, flat) for panel, flat in zip(panels, flats, strict=True)]
    says = _flats_say(given, flats, full)
    return Row(("widths", "hidden"), "to measure, every join hidden", says, more, cost, tuple(bars), taken)


def _flats_say(given: Given, flats: Sequence[Length], full: Sequence[Fraction]) -> str:
    wide = " and ".join(dict.fromkeys(given.write(flat) for flat in flats))
    return f"{wide} flat, {' and '.join(dict.fromkeys(write_ratio(each).text for each in full))} times"


def _row(
    given: Given, panels: Sequence[Panel], wanted: Sequence[Wanted], one: Shared, cut: Cut, face: Bolt, *, taken: bool
) -> Row:
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
    return Row(("widths", one.name), title, says, more, cost, one.bars(face.usable), taken, warns)
