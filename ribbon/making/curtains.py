"""Curtains: from a rail and a length to panels, the first stroke."""

from __future__ import annotations

from collections.abc import Sequence
from fractions import Fraction
from typing import NamedTuple

from ribbon.cloth import Bolt, Drop, Lining, drop_on, usual_lining
from ribbon.errors import Problem
from ribbon.lengths import ZERO, Length, typed_number, write_ratio
from ribbon.making.asked import Given
from ribbon.making.curtain_fields import HEADINGS, lined
from ribbon.making.panels import Panel, panels_of, rail_of
from ribbon.making.recipes import Turned, heading, hem
from ribbon.making.thing import Begun, Compared, EdgeFact, EdgeFacts, Lack, Result, Row, Tie, work_facts
from ribbon.making.widths import SKIMPY, Shared, Wanted, says_many, ways_to_share


class Cut(NamedTuple):
    """How every panel is cut: how far it falls, what its heading, its hem and its sides take, its lining."""

    finished: Length | None
    heading: Turned
    hem: Turned
    side: Turned
    trim: Length
    lining: Lining | None

    @property
    def drop(self) -> Drop | None:
        """The drop of one width, None where it is not known how far it falls."""
        if self.finished is None:
            return None
        hem_each = self.hem.depth if self.hem.turns == 2 else self.hem.takes
        return Drop(self.finished, self.heading.takes, hem_each, self.hem.turns, self.trim)

    @property
    def sides(self) -> Length:
        """What both sides of a panel take together."""
        if self.lining is not None and self.lining.tube:
            return self.lining.side * 2
        return self.side.takes * 2


def cut_of(given: Given) -> Cut:
    """How every panel is cut."""
    lining = None
    if lined(given):
        usual = usual_lining(imperial=given.imperial)
        lining = Lining(
            given.length("lining_shorter"),
            given.length("lining_narrower"),
            given.length("lining_hem"),
            2,
            usual.heading,
            given.join,
            given.word("lining") == "tube",
            given.word("lining_way"),
        )
    return Cut(
        finished_length(given)[0],
        heading(given.word("top"), given.length("heading_depth"), given.length("heading_turning")),
        hem(given.word("hem"), given.length("hem_depth"), given.length("hem_turning")),
        hem(given.word("side"), given.length("side_depth"), given.length("side_turning")),
        given.length("trim"),
        lining,
    )


def finished_length(given: Given) -> tuple[Length | None, str]:
    """(how far it falls once made, how that is reckoned); the shortest of several drops is what it goes by."""
    drop = given.least("drop")
    if drop is None:
        return None, ""
    to, write = given.word("to"), given.figure
    up = given.length("above")
    off = given.length("clear") if to == "clear" else ZERO
    more = given.length("past") if to in ("breaks", "below_sill") else ZERO
    finished = drop + up - off + more
    named = "the shortest drop" if len(given.taken("drop")) > 1 else "drop"
    says = f"{named} {write(drop)}"
    says += f" + {write(up)} above" if up else ""
    says += f" − {write(off)} clear" if off else ""
    says += f" + {write(more)} further" if more else ""
    return finished, f"{says} = {given.write(finished)}"


def wanted_flat(given: Given, panel: Panel) -> tuple[Length, str]:
    """(the flat width that the fullness asks of a panel, how it is reckoned) by the school that was chosen."""
    times, write = given.ratio("fullness") or Fraction(1), given.figure
    ratio = write_ratio(times).text
    if given.word("fullness_of") == "all":
        flat = panel.finished * times
        return flat, f"{ratio} × {write(panel.finished)} = {given.write(flat)}"
    flat = panel.share * times + panel.flats
    flats = "".join(f" + {write(one)}" for one in (panel.lead, panel.tail) if one)
    return flat, f"{ratio} × {write(panel.share)}{flats} = {given.write(flat)}"


def real_fullness(given: Given, panel: Panel, flat: Length) -> Fraction:
    """How many times as full a panel of that flat width really is, by the school that was chosen."""
    if given.word("fullness_of") == "all":
        return flat / panel.finished
    return (flat - panel.flats) / panel.share


def measured_panel(given: Given, panel: Panel) -> Length | None:
    """What the hemmed, lined panel was measured to be, None where it was not."""
    return given.least({"left": "panel_left", "right": "panel_right"}.get(panel.key, "panel"))


def begin(given: Given) -> Begun:
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
        return Begun(results, (), tuple(lacks), (), tuple(_wrong(given, None, [], cut)))
    results["rail"] = Result(rail, reckoned)
    panels = panels_of(given, rail)
    problems = list(_wrong(given, rail, panels, cut))
    if problems:
        return Begun(results, (), tuple(lacks), (), tuple(problems))
    wanted = [Wanted(wanted_flat(given, panel)[0], cut.sides) for panel in panels]
    ways = _ways(given, panels, wanted, face) if face is not None else []
    taken = _taken(given, ways)
    for number, panel in enumerate(panels):
        _of_panel(given, panel, taken, number, results)
    edges = tuple(_edge(given, panel, cut, taken, number) for number, panel in enumerate(panels))
    compared = _compared(given, panels, wanted, ways, taken, cut, face) if face is not None else ()
    return Begun(results, edges, tuple(lacks), compared, times=given.count("windows") or 1)


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
    results[f"{key}.lead"] = Result(panel.lead, "lies flat at its left end")
    results[f"{key}.tail"] = Result(panel.tail, "lies flat at its right end")
    flat, says = wanted_flat(given, panel)
    results[f"{key}.wanted"] = Result(flat, says)
    measured = measured_panel(given, panel)
    if measured is not None:
        flat, says = measured, f"the hemmed panel measures {given.write(measured)}"
    elif taken is not None and taken.each is not None:
        flat = taken.flat[number]
        says = f"{says_many(taken.each[number])} {'width' if taken.each[number] <= 1 else 'widths'}, joins and sides off: {given.write(flat)}"
    results[f"{key}.flat"] = Result(flat, says)
    rings = given.count("rings") if given.word("pleats") == "rings" else None
    if rings is not None:
        each = _rings_each(given, rings)
        results[f"{key}.count"] = Result(each - 2, f"{each} rings, two of them at its ends: {each - 2} pleats")
        results[f"{key}.spacing"] = Result(None, "as the rings ask")
    else:
        spacing = given.length("spacing")
        results[f"{key}.count"] = Result(None, "as the spacing asks")
        results[f"{key}.spacing"] = Result(spacing, f"about {given.write(spacing)}", about=True)


def panels_many(given: Given) -> int:
    """How many panels a window has."""
    divides = given.word("divides")
    return 2 if divides in ("pair", "unequal") else (given.count("panels") or 1) if divides == "alone" else 1


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
    if kind != "gather":
        facts |= {"pins.count": Tie(f"{key}.count"), "pins.spacing": Tie(f"{key}.spacing")}
    if kind == "pinch":
        facts |= {"fingers": fingers, "goblet": name == "goblet"}
    for end, length in (("lead", panel.lead), ("tail", panel.tail)):
        if length:
            facts[f"{end}.width"] = Tie(f"{key}.{end}")
        elif kind != "gather":
            whole = given.word("ends") == "space"
            facts[f"{end}.times"] = "1" if whole else "1/2" if kind in ("box", "inverted") else "0"
    if cut.lining is None or not cut.lining.tube:
        facts |= {"allowance.start": Tie("side"), "allowance.end": Tie("side")}
    facts |= work_facts(given)
    facts |= {
        "cutting.drop.finished": Tie("drop.finished"),
        "cutting.drop.heading": Tie("drop.heading"),
        "cutting.drop.hem": Tie("drop.hem"),
        "cutting.drop.hem_turns": cut.hem.turns,
        "cutting.drop.margin": Tie("drop.trim"),
        "cutting.strategy": _strategy(given, panel, taken, number),
    }
    if cut.lining is not None:
        facts |= {
            "cutting.lining.shorter": Tie("lining.shorter"),
            "cutting.lining.narrower": Tie("lining.narrower"),
            "cutting.lining.hem": Tie("lining.hem"),
            "cutting.lining.tube": cut.lining.tube,
            "cutting.lining.way": cut.lining.way,
        }
    return EdgeFacts(key, panel.title, facts, panel.mirrors)


def _strategy(given: Given, panel: Panel, taken: Shared | None, number: int) -> str:
    """How the widths of a panel are joined: a half one goes to its outside."""
    if given.word("widths") == "hidden":
        return "fewest"
    if taken is None or taken.each is None or taken.each[number].denominator == 1 or taken.each[number] < 1:
        return "fall"
    return "half_last" if panel.outside == "end" else "half_outside"


_TITLES = {"near": "short of what is wanted", "exact": "to measure", "own": "as many as I say"}


def _compared(
    given: Given,
    panels: Sequence[Panel],
    wanted: Sequence[Wanted],
    ways: Sequence[Shared],
    taken: Shared | None,
    cut: Cut,
    face: Bolt,
) -> tuple[Compared, ...]:
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
        if one.name == "exact":
            title = "to measure, every join hidden"
            rows.append(
                rows[-1]._replace(
                    takes=("widths", "hidden"), title=title, more="it may take a width more", taken=hidden
                )
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


def _row(
    given: Given, panels: Sequence[Panel], wanted: Sequence[Wanted], one: Shared, cut: Cut, face: Bolt, *, taken: bool
) -> Row:
    times = given.count("windows") or 1
    many = -(-(sum(one.each) * times) // 1) if one.each is not None else one.many * times
    full = [real_fullness(given, panel, flat) for panel, flat in zip(panels, one.flat, strict=True)]
    says = f"{' and '.join(dict.fromkeys(given.write(flat) for flat in one.flat))} flat, {' and '.join(dict.fromkeys(write_ratio(each).text for each in full))} times"
    length = drop_on(face, cut.drop) * int(many) + face.along if cut.drop is not None else None
    more = f"{int(many)} {'width' if many == 1 else 'widths'}"
    cost = None
    if length is not None:
        asked = face.bought(length)
        cost = face.cost(asked)
        more += f", {given.write(asked)}"
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


def _wrong(given: Given, rail: Length | None, panels: Sequence[Panel], cut: Cut) -> list[Problem]:
    """Everything about the measures that cannot be, each with a way out."""
    found: list[Problem] = []

    def add(code: str, path: str, value: object, message: str, way_out: str) -> None:
        found.append(Problem(code, path, str(value), message, way_out))

    write = given.write
    for name in ("rail", "window", "drop"):
        for number, one in enumerate(given.measures.get(name, ())):
            if one <= ZERO:
                several = len(given.measures[name]) > 1
                add(
                    "not_positive",
                    f"measures.{name}.{number}" if several else f"measures.{name}",
                    write(one),
                    "nought cannot be",
                    "measure again, or leave it out",
                )
    if rail is not None:
        for panel in panels:
            if panel.share <= ZERO:
                add(
                    "too_small",
                    "choices.left_share",
                    given.ratio("left_share"),
                    "nothing is left of the rail for one of the panels",
                    "give each panel a part of it, such as 1/3",
                )
        for name in ("return_left", "return_right"):
            if given.length(name) >= rail:
                add(
                    "too_wide",
                    f"measures.{name}",
                    write(given.length(name)),
                    f"a return of {write(given.length(name))} is wider than the curtain along its rail, {write(rail)}",
                    "measure from the rail back to the wall, a hand at most",
                )
        if given.length("overlap") >= rail and given.fields["overlap"].asked(given):
            add(
                "too_wide",
                "measures.overlap",
                write(given.length("overlap")),
                f"panels cannot cross by {write(given.length('overlap'))} on a rail of {write(rail)}",
                "measure how far the two carriers pass each other",
            )
    if cut.finished is not None and cut.finished <= ZERO:
        add(
            "above",
            "measures.drop",
            write(given.least("drop") or ZERO),
            "the curtain would end above where it hangs",
            "measure down from the rail, or let it clear the floor by less",
        )
    times = given.ratio("fullness")
    if times is not None and times <= 1:
        add(
            "too_small",
            "choices.fullness",
            write_ratio(times).text,
            "a fullness of once or less leaves nothing for pleats",
            "use 2 to 2 1/2, or more for thin cloth",
        )
    found += _wrong_numbers(given)
    face = given.cloths.get("face")
    if face is not None and face.usable <= cut.sides + given.join * 2:
        add(
            "too_narrow",
            "cloths.face.usable",
            write(face.usable),
            "the cloth does not hold its own sides and seams",
            "use wider cloth, or turn its sides less",
        )
    return found


_MOST_PANELS, _MOST_WINDOWS, _MOST_WIDTHS_EACH = 12, 40, 60


def _wrong_numbers(given: Given) -> list[Problem]:
    found = []
    for name, most, asked in (("panels", _MOST_PANELS, "panels"), ("windows", _MOST_WINDOWS, "windows")):
        many = given.count(name)
        if many is not None and not 1 <= many <= most:
            found.append(
                Problem(
                    "out_of_range",
                    f"choices.{name}",
                    str(many),
                    f"{many} {asked} cannot be planned at once",
                    f"use 1 to {most}",
                )
            )
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
