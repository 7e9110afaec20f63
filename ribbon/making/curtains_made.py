"""Curtains made: what follows once their panels are solved: parts, notions, stack, weight, slip, order of making."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from fractions import Fraction
from math import ceil

from ribbon.cloth import (
    CutPiece,
    Notion,
    drop_on,
    edge_pieces,
    lining_to_cut,
    load,
    money,
    totals,
    weighs,
)
from ribbon.cloth.joining import allowed_of
from ribbon.lengths import ZERO, Length, write_ratio
from ribbon.making.asked import Given
from ribbon.making.curtain_fields import lined
from ribbon.making.curtains_compared import hidden_row
from ribbon.making.curtains_cut import cut_of
from ribbon.making.curtains_drawn import drawn
from ribbon.making.curtains_flat import field_of, real_fullness
from ribbon.making.curtains_lined import linings
from ribbon.making.panels import Panel, panels_of, rail_of
from ribbon.making.thing import Begun, Check, Compared, Made, Making, Mind, Part, Priced, Solved
from ribbon.pleats import Quantity

_A_HAND = Length.cm(8)


def finish(given: Given, begun: Begun, solved: Mapping[str, Solved]) -> Made:
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
    found = _hung([notion for one in pieces for notion in one.notions], [solved[panel.key] for panel in panels])
    notions = [_priced(given, one, windows) for one in [*found, *_weights(given, panels)]]
    costs = [one.cost for one in notions if one.cost is not None]
    stack = stacked(given, panels, solved)
    grams = weight(solved[panel.key] for panel in panels)
    return Made(
        parts=tuple(_parts(given, panels, solved, windows)),
        pieces=tuple(piece for one in pieces for piece in one.pieces),
        notions=tuple(notions),
        checks=tuple(_checks(given, panels)),
        steps=tuple(_steps(given, panels, solved, pieces[0].pieces if pieces else ())),
        slip=tuple(_slip(given, panels, solved, stack, grams)),
        cautions=tuple(_minds(given, grams)),
        picture=drawn(given, panels, solved, stack),
        compared=(*_widths(given, begun, panels, solved), *linings(given, [solved[panel.key] for panel in panels])),
        other_cost=sum(costs, Fraction(0)) if costs else None,
    )


def _widths(given: Given, begun: Begun, panels: Sequence[Panel], solved: Mapping[str, Solved]) -> list[Compared]:
    """The widths compared once more, with what it takes to hide every join: that is known once the panels are solved."""
    face = given.cloths.get("face")
    first = next((one for one in begun.compared if one.rows and one.rows[0].takes[0] == "widths"), None)
    if first is None or face is None or not panels:
        return []
    row = hidden_row(given, panels, solved, cut_of(given), face)
    return [first._replace(rows=(*first.rows, row))] if row else []


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
    whole = Fraction(0)
    for one in solved:
        cutting, drop = one.cutting, one.cutting.drop
        if cutting.bolt is None or drop is None:
            return None
        lining = lining_to_cut(one.whole, cutting)
        more = None
        if lining is not None and cutting.lining_bolt is not None:
            more = cutting.lining_bolt.mass(lining.made.width.mm * lining.made.length.mm)
        allowed = allowed_of(one.whole.edge)
        grams = load(cutting.bolt, one.whole.flat + allowed.start + allowed.end, drop, more)
        if grams is None:
            return None
        whole += grams
    return whole


def hooks_of(one: Solved) -> int:
    """The hooks of a panel: one to a pleat and one at each end; along gathers one every hand."""
    if one.whole.count:
        return one.whole.count + 2
    return ceil(one.whole.finished / _A_HAND) + 1


def _hung(found: Sequence[Notion], panels: Sequence[Solved]) -> list[Notion]:
    """What panels want to hang by, whatever their heading is made of, and their thread."""
    own = [Notion("hooks", sum(map(hooks_of, panels)), None)] if panels else []
    flat = sum((one.whole.flat for one in panels), ZERO)
    own += [Notion("stiffener or heading tape", None, flat)] if panels else []
    return totals([*own, *(one for one in found if one.name == "thread")])


def _weights(given: Given, panels: Sequence[Panel]) -> list[Notion]:
    return [Notion("weights for the hem’s corners", 2 * len(panels), None)]


def _priced(given: Given, one: Notion, windows: int) -> Priced:
    notion = one.times(windows)
    count, length = notion.count, notion.length
    per = Length.inches(36) if given.imperial else Length.cm(100)
    cost = None
    hook, tape, thread = (given.ratio(name) for name in ("price_hook", "price_tape", "price_thread"))
    if one.name == "hooks" and hook is not None and count is not None:
        cost = hook * count
    elif "tape" in one.name and tape is not None and length is not None:
        cost = tape * (length / per)
    elif one.name == "thread" and thread is not None:
        cost = thread
    return Priced(notion, cost)


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


def _slip(
    given: Given,
    panels: Sequence[Panel],
    solved: Mapping[str, Solved],
    stack: Mapping[str, Length],
    grams: Fraction | None,
) -> list[str]:
    says = []
    alike: dict[str, list[str]] = {}
    for panel in panels:
        alike.setdefault(_panel_says(given, panel, solved[panel.key]), []).append(panel.title.lower())
    for text, names in alike.items():
        who = "Each panel" if len(names) == len(panels) > 1 else " and ".join(names).capitalize()
        says.append(f"{who}: {text}")
    says += [*_spread_says(given), *_unlike_says(given)]
    says += dict.fromkeys(_folds_say(given, solved[panel.key]) for panel in panels)
    if stack:
        says.append(_stack_says(given, panels, stack))
    if grams is not None:
        says.append(_weight_says(given, grams))
    return says


def _spread_says(given: Given) -> list[str]:
    """How much a measure differs that was taken at several places."""
    drops = given.taken("drop")
    if len(drops) < 2 or len(set(drops)) == 1:
        return []
    low, high = min(drops, key=lambda one: one.mm), max(drops, key=lambda one: one.mm)
    return [
        f"The drop differs by {given.write(high - low)} from place to place: the shortest, {given.write(low)}, is what they are cut by."
    ]


def _unlike_says(given: Given) -> list[str]:
    """How far two hemmed panels differ that should be alike."""
    left, right = given.measures.get("panel_left"), given.measures.get("panel_right")
    if given.word("divides") != "pair" or not left or not right or left[0] == right[0]:
        return []
    return [
        f"The two panels differ by {given.write(abs(left[0] - right[0]))}, and should be alike: measure both again, or plan each as it is."
    ]


def _panel_says(given: Given, panel: Panel, one: Solved) -> str:
    from_to = f"{given.write(one.whole.flat)} flat into {given.write(one.whole.finished)}"
    ratio = write_ratio(real_fullness(given, panel, one.whole.flat)).text
    of = "everything" if given.word("fullness_of") == "all" else "the rail"
    return f"{from_to}, {ratio} times {of}."


def _folds_say(given: Given, one: Solved) -> str:
    made = one.whole.only
    if made is None or not made.section.kind.folded:
        return f"Gather {given.write(one.whole.flat)} to {given.write(one.whole.finished)}."
    size, spacing = made.length(Quantity.PER_PLEAT), made.length(Quantity.SPACING)
    of = f" of {made.section.fine.write(size).text} of cloth" if size else ""
    apart = f", {made.section.fine.write(spacing).text} apart" if spacing else ""
    return f"Fold {made.count} {made.section.kind.title}{of} in each{apart}."


def _stack_says(given: Given, panels: Sequence[Panel], stack: Mapping[str, Length]) -> str:
    widest = max(stack.values(), key=lambda one: one.mm)
    guessed = "" if given.length_or_none("stack") is not None else ", by the rule of a third of the window"
    text = f"Open, {'they stand' if len(panels) > 1 else 'it stands'} {given.write(widest)}{' each' if len(panels) > 1 else ''}{guessed}"
    window = given.least("window")
    rail = rail_of(given)[0]
    if window is None or rail is None:
        return f"{text}."
    beyond = (rail - window) / 2 if given.known("rail") and not given.known("beyond_left") else None
    left = beyond if beyond is not None else given.length("beyond_left")
    right = beyond if beyond is not None else given.length("beyond_right")
    room = min(left, right, key=lambda one: one.mm) if len(panels) > 1 else max(left, right, key=lambda one: one.mm)
    if room >= widest:
        return (
            f"{text}, and clear the glass by {given.write(room - widest)}."
            if room > widest
            else f"{text}, and just clear the glass."
        )
    return f"{text}: {given.write(widest - room)} of the glass stays covered. A rail longer by that at each side would clear it."


def _weight_says(given: Given, grams: Fraction) -> str:
    text = f"On the rail of each window: {weighs(grams, given.unit)}{' with its lining' if lined(given) else ''}"
    bears = given.ratio("bears")
    if bears is None:
        return f"{text}. See that rail and wall fixings are made for it."
    if bears >= grams:
        return f"{text}, of the {weighs(bears, given.unit)} that it bears."
    return f"{text}, and it bears {weighs(bears, given.unit)}: too much for it. A stronger rail, lighter cloth or less fullness would do."


def _minds(given: Given, grams: Fraction | None) -> list[Mind]:
    found = []
    bears = given.ratio("bears")
    if grams is not None and (bears is None or bears < grams):
        found.append(
            Mind(
                "heavy",
                "Heavy curtains: rail and wall fixings must be rated for the load; ladder work wants a second pair of hands.",
            )
        )
    found.append(
        Mind("cords", "Looped cords strangle small children: cordless, or tied out of their reach; local rules apply.")
    )
    if given.word("to") == "breaks":
        found.append(Mind("trips", "Cloth that lies on the floor trips people; keep it off paths and stairs."))
    found.append(
        Mind("flames", "Keep curtains away from flames and heaters; public rooms may ask for flame-retardant cloth.")
    )
    return found


def _steps(
    given: Given, panels: Sequence[Panel], solved: Mapping[str, Solved], pieces: Sequence[CutPiece]
) -> list[Making]:
    if not panels:
        return []
    cut, one = cut_of(given), solved[panels[0].key]
    write = given.write
    many = len(panels) * (given.count("windows") or 1)
    found = [
        Making("wash", "Wash and press the cloth as it will be washed later, then measure it again.", "let it dry flat")
    ]
    if cut.drop is not None:
        found.append(
            Making(
                "cut",
                f"Straighten the end, then cut each width {write(drop_on(one.cutting.bolt, cut.drop) if one.cutting.bolt else cut.drop.cut)} long, its pattern matched; mark its top.",
            )
        )
    joins = max(0, sum(piece.role == one.cutting.role for piece in pieces) - 1)
    if joins:
        found.append(
            Making(
                "join",
                f"Join the widths of each panel, {joins} {'seam' if joins == 1 else 'seams'} of {write(given.join)}, halves to the outside; press.",
            )
        )
    tube = cut.lining is not None and cut.lining.tube
    if not tube:
        found.append(Making("sides", f"Turn the sides, {cut.side.says}, {write(cut.side.depth)} deep."))
    hemmed = Making("hem", f"Turn up the hem, {cut.hem.says}, {write(cut.hem.depth)} deep; weight its corners.")
    last = given.word("hem_when") == "after"
    if not last:
        found.append(hemmed)
    if cut.lining is not None:
        found.append(
            Making(
                "lining",
                f"Hem the lining {write(cut.lining.hem)} deep by itself, {write(cut.lining.shorter)} shorter than the face.",
            )
        )
        if tube:
            found.append(
                Making(
                    "tube",
                    f"Sew face and lining together along both sides, turn, and press so that {write(cut.lining.side - given.join)} of the face rolls round at each side.",
                )
            )
        else:
            found.append(
                Making(
                    "line", "Lay the lining on the wrong side, its hem above the face’s, and catch it along both sides."
                )
            )
    found.append(Making("heading", f"Make the heading: {write(cut.heading.depth)} deep, {cut.heading.says}."))
    found.append(
        Making(
            "measure",
            f"Measure each panel laid flat: {write(one.whole.flat)} was planned. Type what it measures, and its pleats are planned from that.",
        )
    )
    made = one.whole.only
    if made is not None and made.section.kind.folded:
        found.append(
            Making(
                "mark",
                f"Chalk {made.count} pleats on each panel, none on a return or an overlap; the right one is the mirror of the left."
                if len(panels) == 2
                else f"Chalk {made.count} pleats on each panel, none on a return.",
            )
        )
        found.append(Making("sew", "Sew each pleat down its line, dress it and catch it by hand."))
    else:
        found.append(
            Making(
                "gather",
                f"Draw the tape up to {write(one.whole.finished)} and knot its cords; wind up what is over, and do not cut it off.",
            )
        )
    hooks = sum(hooks_of(solved[panel.key]) for panel in panels) * (given.count("windows") or 1)
    to = "one to a pleat and one at each end" if one.whole.count else "one every hand along the tape"
    found.append(Making("hooks", f"Set {hooks} hooks: {to}{f' of all {many} panels' if many > 1 else ''}."))
    found.append(
        Making(
            "hang",
            "Hang them, dress the folds by hand from top to hem and tie them loosely.",
            "leave them tied for a few days",
        )
    )
    if last:
        found.append(
            hemmed._replace(says=f"Mark the hem as they hang, level with the floor; take them down. {hemmed.says}")
        )
    return found


def shop_says(given: Given, cost: Fraction | None) -> str:
    """What a shop asked beside what this costs; empty where either is not known."""
    shop = given.ratio("shop")
    if shop is None or cost is None:
        return ""
    less = shop - cost
    beside = f"{money(less)} less" if less > 0 else f"{money(-less)} more" if less else "as much"
    return f"A shop asked {money(shop)}; cloth and notions cost {money(cost)}, {beside}."
