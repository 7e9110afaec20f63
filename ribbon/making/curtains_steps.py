"""The order of making curtains, each step with its figures."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from ribbon.cloth import CutPiece, drop_on
from ribbon.making.asked import Given
from ribbon.making.curtains_cut import Cut, cut_of
from ribbon.making.curtains_notions import hooks_of, hung_by
from ribbon.making.panels import Panel
from ribbon.making.thing import WASHED, Making, Solved, following, pleats_say


def steps(
    given: Given, panels: Sequence[Panel], solved: Mapping[str, Solved], pieces: Sequence[CutPiece]
) -> list[Making]:
    """Every step from the cloth to the rail; nothing while no panel is solved."""
    if not panels:
        return []
    cut, one = cut_of(given), solved[panels[0].key]
    hem, last = _hem(given, cut), given.word("hem_when") == "after"
    found = [*_cutting(given, cut, one, pieces), *_sides(given, cut), *([] if last else [hem]), *_lining(given, cut)]
    found += [*_heading(given, cut, one), *_pleats(given, panels, one), *_hanging(given, panels, solved)]
    if last:
        hem = hem._replace(says=f"Mark the hem as they hang, level with the floor; take them down. {hem.says}")
        found.append(hem._replace(after=("hang",)))
    return following(found, _AFTER)


_AFTER = {
    "cut": ("wash",),
    "join": ("cut",),
    "sides": ("join", "cut"),
    "hem": ("sides", "join", "cut"),
    "lining": ("cut", "wash"),
    "line": ("lining", "sides", "hem"),
    "tube": ("lining", "join", "cut"),
    "heading": ("line", "tube", "sides"),
    "measure": ("heading",),
    "mark": ("measure",),
    "gather": ("measure",),
    "sew": ("mark",),
    "hooks": ("sew", "gather"),
    "hang": ("hooks",),
}
"""What must be done before each step, of the steps that there are."""


def _cutting(given: Given, cut: Cut, one: Solved, pieces: Sequence[CutPiece]) -> list[Making]:
    found = [WASHED]
    bolt = one.cutting.bolt
    if cut.drop is not None:
        long = given.write(drop_on(bolt, cut.drop) if bolt else cut.drop.cut)
        matched = ", its pattern matched" if bolt is not None and bolt.along else ""
        found.append(Making("cut", f"Straighten the end, then cut each width {long} long{matched}; mark its top."))
    widths = [piece for piece in pieces if piece.role == one.cutting.role]
    joins = len(widths) - 1
    if joins > 0:
        halves = ", halves to the outside" if len({piece.wide for piece in widths}) > 1 else ""
        seams = "1 seam" if joins == 1 else f"{joins} seams"
        says = f"Join the widths of each panel, {seams} of {given.write(given.join)}{halves}; press."
        found.append(Making("join", says))
    return found


def _sides(given: Given, cut: Cut) -> list[Making]:
    if cut.lining is not None and cut.lining.tube:
        return []  # they are turned with the tube
    return [Making("sides", f"Turn the sides, {cut.side.says}, {given.write(cut.side.depth)} deep.")]


def _hem(given: Given, cut: Cut) -> Making:
    return Making("hem", f"Turn up the hem, {cut.hem.says}, {given.write(cut.hem.depth)} deep; weight its corners.")


def _lining(given: Given, cut: Cut) -> list[Making]:
    lining, write = cut.lining, given.write
    if lining is None:
        return []
    hemmed = f"Hem the lining {write(lining.hem)} deep by itself, {write(lining.shorter)} shorter than the face."
    if not lining.tube:
        line = "Lay the lining on the wrong side, its hem above the face’s, and catch it along both sides."
        return [Making("lining", hemmed), Making("line", line)]
    rolls = lining.side - lining.allowance
    round_says = f", and press so that {write(rolls)} of the face rolls round at each side" if rolls else ", and press"
    return [
        Making("lining", hemmed),
        Making("tube", f"Sew face and lining together along both sides, turn{round_says}."),
    ]


def _heading(given: Given, cut: Cut, one: Solved) -> list[Making]:
    flat = given.write(one.whole.flat)
    return [
        Making("heading", f"Make the heading: {given.write(cut.heading.depth)} deep, {cut.heading.says}."),
        Making(
            "measure",
            f"Measure each panel laid flat: {flat} was planned. Type what it measures, and its pleats are planned from that.",
        ),
    ]


def _pleats(given: Given, panels: Sequence[Panel], one: Solved) -> list[Making]:
    made = one.whole.only
    if made is None or not made.section.kind.folded:
        width = given.write(one.whole.finished)
        return [
            Making(
                "gather",
                f"Draw the tape up to {width} and knot its cords; wind up what is over, and do not cut it off.",
            )
        ]
    mirror = "; the right one is the mirror of the left" if any(panel.mirrors for panel in panels) else ""
    flats = ", none on what lies flat" if any(panel.flats for panel in panels) else ""
    return [
        Making("mark", f"Chalk {pleats_say(one.whole)} on each panel{flats}{mirror}."),
        Making("sew", "Sew each pleat down its line, dress it and catch it by hand."),
    ]


def _hanging(given: Given, panels: Sequence[Panel], solved: Mapping[str, Solved]) -> list[Making]:
    windows = given.count("windows") or 1
    hooks = sum(hooks_of(solved[panel.key]) for panel in panels) * windows
    many = len(panels) * windows
    pleated = solved[panels[0].key].whole.count
    to = "one to a pleat and one at each end" if pleated else "one every hand along the tape"
    of = f" of all {many} panels" if many > 1 else ""
    hang = "Hang them, dress the folds by hand from top to hem and tie them loosely."
    return [
        Making("hooks", f"Set {hooks} {hung_by(given)}: {to}{of}."),
        Making("hang", hang, "leave them tied for a few days"),
    ]
