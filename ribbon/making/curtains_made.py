"""Curtains made: what follows once their panels are solved: parts, notions, stack, weight, checks."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence

from ribbon.cloth import edge_load, edge_pieces, lining_to_cut
from ribbon.cloth.joining import allowed_of
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length
from ribbon.making.asked import Given
from ribbon.making.curtain_fields import lined
from ribbon.making.curtains_compared import WIDTHS, measured_rows
from ribbon.making.curtains_cut import cut_of
from ribbon.making.curtains_drawn import drawn
from ribbon.making.curtains_flat import field_of
from ribbon.making.curtains_lined import linings
from ribbon.making.curtains_notions import corner_weights, hung_notions, priced
from ribbon.making.curtains_says import minds, slip
from ribbon.making.curtains_steps import steps
from ribbon.making.panels import Panel, panels_of, rail_of
from ribbon.making.thing import Check, Compared, FirstStroke, Made, Part, Solved


def finish(given: Given, begun: FirstStroke, solved: Mapping[str, Solved]) -> Made:
    """The second stroke.  What waits for a measure is left out."""
    rail = rail_of(given)[0]
    if rail is None:
        return Made()
    panels = [panel for panel in panels_of(given, rail) if panel.key in solved]
    windows = given.count("windows") or 1
    pieces = [
        edge_pieces(panel.key, solved[panel.key].title, solved[panel.key].whole, solved[panel.key].cutting)
        for panel in panels
    ]
    found = hung_notions(
        given, [notion for one in pieces for notion in one.notions], [solved[panel.key] for panel in panels]
    )
    notions = [priced(given, one, windows) for one in [*found, *corner_weights(given, panels)]]
    costs = [one.cost for one in notions if one.cost is not None]
    stack = stacked(given, panels, solved)
    grams = weight(solved[panel.key] for panel in panels)
    return Made(
        parts=tuple(_parts(given, panels, solved, windows)),
        pieces=tuple(piece for one in pieces for piece in one.pieces),
        notions=tuple(notions),
        checks=tuple(_checks(given, panels)),
        steps=tuple(steps(given, panels, solved, pieces[0].pieces if pieces else ())),
        slip=tuple(slip(given, panels, solved, stack, grams)),
        cautions=tuple(minds(given, grams)),
        picture=drawn(given, panels, solved, stack),
        compared=(*_widths(given, begun, panels, solved), *linings(given, [solved[panel.key] for panel in panels])),
        other_cost=sum(costs, Fraction(0)) if costs else None,
    )


def _widths(given: Given, begun: FirstStroke, panels: Sequence[Panel], solved: Mapping[str, Solved]) -> list[Compared]:
    """The widths compared once more, cut to measure as the panels are really joined: that is known once they are solved."""
    face = given.cloths.get("face")
    first = next((one for one in begun.compared if one.title == WIDTHS), None)
    if first is None or face is None or not panels:
        return []
    cut = cut_of(given)
    rows = {row.takes: row for row in first.rows}
    for row in measured_rows(given, panels, solved, cut, face):
        before = rows.get(row.takes)
        # It may have been taken for want of another way.
        rows[row.takes] = row._replace(taken=before.taken) if before else row
    return [first._replace(rows=tuple(rows.values()))]


def stacked(given: Given, panels: Sequence[Panel], solved: Mapping[str, Solved]) -> dict[str, Length]:
    """How much of the rail each panel takes when it is drawn back.

    Its pleats pushed together where it is known what one takes, else its part of a third of the window (of the rail where
    that is not known).
    """
    each, found = given.length_or_none("stack"), {}
    window = given.least("window") or given.least("rail") or ZERO
    for panel in panels:
        count = solved[panel.key].whole.count
        found[panel.key] = each * count if each is not None and count else window / (3 * max(1, len(panels)))
    return found


def weight(solved: Iterable[Solved]) -> Fraction | None:
    """What all the panels of a window weigh, in grams; None where that of a cloth is not known."""
    each = []
    for one in solved:
        allowed = allowed_of(one.whole.edge)
        cut = one.whole.flat + allowed.start + allowed.end
        each.append(edge_load(one.whole, one.cutting, cut, lining_to_cut(one.whole, one.cutting)))
    known = [grams for grams in each if grams is not None]
    return sum(known, Fraction(0)) if len(known) == len(each) else None


def _parts(given: Given, panels: Sequence[Panel], solved: Mapping[str, Solved], windows: int) -> list[Part]:
    found: list[Part] = []
    for panel in panels:
        one = solved[panel.key]
        says = (
            f"{given.write(one.whole.finished)}, its mirror"
            if panel.mirrors
            else f"{given.write(one.whole.finished)} finished"
        )
        found.append(Part(panel.key, panel.title, windows, says, panel.key, bool(panel.mirrors)))
    if lined(given):
        made = lining_to_cut(solved[panels[0].key].whole, solved[panels[0].key].cutting) if panels else None
        says = f"{given.word('lining')}, {given.write(made.made.width)} wide" if made else given.word("lining")
        found.append(Part("lining", "Lining", windows * len(panels), says))
    return found


def _checks(given: Given, panels: Sequence[Panel]) -> list[Check]:
    found: list[Check] = []
    for panel in panels:
        field = field_of(panel.key)
        if not given.known(field) and all(one.field != field for one in found):
            found.append(
                Check(
                    field,
                    f"{panel.title}: measure it once it is hemmed{' and lined' if lined(given) else ''}; its pleats are planned anew from that.",
                )
            )
    return found
