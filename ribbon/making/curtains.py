"""Curtains: from a rail and a length to panels, the first stroke."""

from __future__ import annotations

from collections.abc import Sequence

from ribbon.cloth import Bolt, drop_on
from ribbon.facts import KINDS
from ribbon.lengths import ZERO, counted
from ribbon.making.asked import Given
from ribbon.making.curtain_fields import HEADINGS
from ribbon.making.curtains_compared import schools_compared, widths_compared
from ribbon.making.curtains_cut import Cut, cut_of, finished_length
from ribbon.making.curtains_flat import field_of, measured_panel, reckoned_flat, wanted_flat
from ribbon.making.curtains_wrong import wrong
from ribbon.making.panels import Panel, panels_many, panels_of, rail_of
from ribbon.making.thing import EdgeFact, EdgeFacts, FirstStroke, Lack, Result, Tie, drop_facts, work_facts
from ribbon.making.widths import Shared, Wanted, says_many, ways_to_share


def begin(given: Given) -> FirstStroke:
    """The first stroke: panels, their widths, the facts of their edges."""
    rail, reckoned = rail_of(given)
    lacks = []
    if rail is None:
        lacks.append(Lack("rail", "the rail, or the window and how far beyond it"))
    if given.least("drop") is None:
        lacks.append(Lack("drop", "the drop"))
    face = given.cloths.get("face")
    if face is None:
        lacks.append(Lack("cloths.face.usable", "how wide the cloth is"))
    results: dict[str, Result] = {}
    cut = cut_of(given)
    _of_the_drop(given, cut, results)
    if rail is None:
        return FirstStroke(results, (), tuple(lacks), (), tuple(wrong(given, None, [], cut)))
    results["rail"] = Result(rail, reckoned)
    panels = panels_of(given, rail)
    problems = list(wrong(given, rail, panels, cut))
    if problems:
        return FirstStroke(results, (), tuple(lacks), (), tuple(problems))
    wanted = [Wanted(wanted_flat(given, panel), cut.sides) for panel in panels]
    ways = _ways(given, panels, wanted, face) if face is not None else []
    taken = _taken(given, ways)
    for number, panel in enumerate(panels):
        _of_panel(given, panel, taken, number, results)
    edges = tuple(_edge(given, panel, cut, taken, number) for number, panel in enumerate(panels))
    compared = widths_compared(given, panels, wanted, ways, taken, cut, face) if face is not None else ()
    compared = (*compared, *schools_compared(given, panels))
    return FirstStroke(results, edges, tuple(lacks), compared, times=given.count("windows") or 1)


def _ways(given: Given, panels: Sequence[Panel], wanted: Sequence[Wanted], face: Bolt) -> list[Shared]:
    own = given.ratio("widths_each") if given.word("widths") == "own" else None
    return ways_to_share(wanted, face.usable, given.join, own)


def _taken(given: Given, ways: Sequence[Shared]) -> Shared | None:
    name = given.word("widths")
    return next(
        (one for one in ways if one.name == ("exact" if name == "hidden" else name)), ways[-1] if ways else None
    )


def _of_the_drop(given: Given, cut: Cut, results: dict[str, Result]) -> None:
    finished, says = finished_length(given)
    write = given.write
    results["drop.finished"] = Result(finished, says)
    results["drop.heading"] = Result(
        cut.heading.takes, f"{given.figure(cut.heading.depth)}, {cut.heading.says} = {write(cut.heading.takes)}"
    )
    each = cut.drop.hem if cut.drop else (cut.hem.depth if cut.hem.turns == 2 else cut.hem.takes)
    results["drop.hem"] = Result(each, f"{given.figure(cut.hem.depth)}, {cut.hem.says}")
    results["drop.trim"] = Result(cut.trim, f"{write(cut.trim)} trimmed away")
    results["side"] = Result(
        cut.side.takes, f"{given.figure(cut.side.depth)}, {cut.side.says} = {write(cut.side.takes)}"
    )
    face = given.cloths.get("face")
    if cut.drop is not None:
        one = f"{given.figure(cut.drop.finished)} + heading {given.figure(cut.heading.takes)} + hem {given.figure(cut.hem.takes)}"
        one += f" + {given.figure(cut.trim)} to trim" if cut.trim else ""
        results["drop.cut"] = Result(cut.drop.cut, f"{one} = {write(cut.drop.cut)}")
        if face is not None and face.along:
            on_bolt = drop_on(face, cut.drop)
            results["drop.on_cloth"] = Result(on_bolt, f"up to whole repeats of {write(face.along)}: {write(on_bolt)}")
    if cut.lining is not None:
        lining = cut.lining
        results["lining.shorter"] = Result(lining.shorter, "from Measure")
        results["lining.narrower"] = Result(lining.narrower, "from Measure")
        results["lining.hem"] = Result(lining.hem, "from Measure")


def _of_panel(given: Given, panel: Panel, taken: Shared | None, number: int, results: dict[str, Result]) -> None:
    key = panel.key
    results[f"{key}.finished"] = Result(panel.finished, panel.reckoned)
    flat, says = wanted_flat(given, panel), reckoned_flat(given, panel)
    results[f"{key}.wanted"] = Result(flat, says)
    measured = measured_panel(given, panel)
    if measured is not None:
        flat, says = measured, f"the hemmed panel measures {given.write(measured)}"
    elif taken is not None and taken.each is not None:
        flat = taken.flat[number]
        says = f"{says_many(taken.each[number])} {'width' if taken.each[number] <= 1 else 'widths'}, joins and sides off: {given.write(flat)}"
    results[f"{key}.flat"] = Result(flat, says)
    _of_pleats(given, panel, results)


def _of_pleats(given: Given, panel: Panel, results: dict[str, Result]) -> None:
    """How many pleats there are or how far apart they stand, and what lies flat before and behind them."""
    key, spacing = panel.key, given.length("spacing")
    rings = given.count("rings") if given.word("pleats") == "rings" else None
    count: int | None = None
    if rings is not None:
        each = _rings_each(given, rings)
        count, says = each - 2, f"{each} rings, two of them at its ends: {counted(each - 2, 'pleats')}"
    elif _reaches(given):
        count = max(1, round(panel.share / spacing)) if spacing else 1
        says = f"{given.write(panel.share)} in spaces of about {given.write(spacing)}: {counted(count, 'pleats')} side by side"
    if count is None:
        results[f"{key}.count"] = Result(None, "as the spacing asks")
        results[f"{key}.spacing"] = Result(spacing, f"about {given.write(spacing)}", about=True)
    else:
        results[f"{key}.count"] = Result(count, says)
        results[f"{key}.spacing"] = Result(None, "as their count asks")
    # A pleat that reaches to both sides of its middle stands half of itself behind what lies flat.
    half = panel.share / (2 * count) if count and _reaches(given) else ZERO
    for end, length, side in (("lead", panel.lead, "left"), ("tail", panel.tail, "right")):
        more = f", and half a pleat, {given.write(half)}" if half else ""
        results[f"{key}.{end}"] = Result(length + half, f"{given.write(length)} lies flat at its {side} end{more}")


def _reaches(given: Given) -> bool:
    """Whether pleats of the heading reach to both sides of the place where they stand."""
    return KINDS[HEADINGS[given.word("heading")][1]].halves


def _rings_each(given: Given, rings: int) -> int:
    return rings // (panels_many(given) * (given.count("windows") or 1))


def _edge(given: Given, panel: Panel, cut: Cut, taken: Shared | None, number: int) -> EdgeFacts:
    name, key = given.word("heading"), panel.key
    _, kind, fingers = HEADINGS[name]
    facts: dict[str, EdgeFact] = {
        "kind": kind,
        "unit": given.unit.sign,
        "pins.finished": Tie(f"{key}.finished"),
        "pins.flat": Tie(f"{key}.flat"),
    }
    folded = KINDS[kind].folded
    if folded:
        facts |= {"pins.count": Tie(f"{key}.count"), "pins.spacing": Tie(f"{key}.spacing")}
    if KINDS[kind].fingers:
        facts |= {"fingers": fingers, "goblet": name == "goblet"}
    for end, length in (("lead", panel.lead), ("tail", panel.tail)):
        if length:
            facts |= {f"{end}.width": Tie(f"{key}.{end}"), f"{end}.name": panel.called(end)}
        elif folded:
            whole = given.word("ends") == "space"
            facts[f"{end}.times"] = "1" if whole else "1/2" if _reaches(given) else "0"
    if cut.lining is None or not cut.lining.tube:
        facts |= {"allowance.start": Tie("side"), "allowance.end": Tie("side")}
    facts |= work_facts(given)
    facts |= {
        **drop_facts(cut.hem.turns),
        "cutting.drop.margin": Tie("drop.trim"),
        "cutting.strategy": _strategy(given, panel, taken, number),
    }
    if panel.from_end and (taken is None or taken.each is None):
        # Cut to measure something is left of a width.
        facts["cutting.joins_from"] = "end"
    if cut.lining is not None:
        facts |= {
            "cutting.lining.shorter": Tie("lining.shorter"),
            "cutting.lining.narrower": Tie("lining.narrower"),
            "cutting.lining.hem": Tie("lining.hem"),
            "cutting.lining.tube": cut.lining.tube,
            "cutting.lining.way": cut.lining.way,
        }
    return EdgeFacts(key, panel.title, facts, panel.mirrors, field_of(key))


def _strategy(given: Given, panel: Panel, taken: Shared | None, number: int) -> str:
    """How the widths of a panel are joined: a half one goes to its outside."""
    if given.word("widths") == "hidden":
        return "fewest"
    if taken is None or taken.each is None or taken.each[number].denominator == 1 or taken.each[number] < 1:
        return "fall"
    return "half_last" if panel.outside == "end" else "half_outside"
