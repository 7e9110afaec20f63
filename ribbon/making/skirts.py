"""A straight skirt or an apron: the first stroke, from the body to the facts of its edges."""

from __future__ import annotations

from typing import NamedTuple

from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length, typed, write_ratio
from ribbon.making.asked import Given
from ribbon.making.cannot import nought
from ribbon.making.recipes import hem_of
from ribbon.making.skirt_fields import round_the_body, yoked
from ribbon.making.skirts_wrong import all_pocket, wrong
from ribbon.making.thing import EdgeFact, EdgeFacts, FirstStroke, Lack, Result, Tie, drop_facts, work_facts


class SkirtPart(NamedTuple):
    """One part of the edge: its key, what it is called as it is worn, the one whose mirror it is."""

    key: str
    title: str
    mirrors: str = ""


_PANELS = {
    "one": (SkirtPart("skirt", "Skirt"),),
    "halves": (SkirtPart("front", "Front"), SkirtPart("back", "Back")),
    "quarters": (
        SkirtPart("front_right", "Right front, as worn"),
        SkirtPart("front_left", "Left front, as worn", "front_right"),
        SkirtPart("back_right", "Right back, as worn"),
        SkirtPart("back_left", "Left back, as worn", "back_right"),
    ),
}


def called(given: Given) -> str:
    """What this one is called."""
    return "Skirt" if round_the_body(given) else "Apron"


def skirt_parts(given: Given) -> tuple[SkirtPart, ...]:
    """The parts that its edge is made of, as they are worn."""
    if not round_the_body(given):
        return (SkirtPart("apron", "Apron"),)
    return _PANELS.get(given.word("divides"), _PANELS["one"])


def round_of(given: Given) -> tuple[Length | None, str]:
    """(how long its finished edge is in all, how that is reckoned); None while what it goes by is not measured."""
    write, ease, under = given.figure, given.length("ease"), given.length("under")
    if not round_the_body(given):
        across = given.least("across")
        if across is not None:
            return across, f"{given.write(across)} across"
        waist = given.most("waist")
        return (
            (None, "")
            if waist is None
            else (waist / 2, f"half the waist, {write(waist)} ÷ 2 = {given.write(waist / 2)}")
        )
    name = "hip" if given.word("hangs") == "hip" or yoked(given) else "waist"
    if given.word("opening") == "elastic" and given.most("hip") is not None:
        name = "hip"  # it has no opening: it passes over the hip, and the elastic draws it in
    body = given.most(name)
    if body is None:
        return None, ""
    more = "".join(f" + {write(one)} {what}" for one, what in ((ease, "ease"), (under, "worn under it")) if one)
    whole = body + ease + under
    return whole, f"{write(body)} {name}{more} = {given.write(whole)}" if more else f"{given.write(body)} {name}"


def begin(given: Given) -> FirstStroke:
    """The first stroke: each part's share of the body, how far it falls, what its pleats begin from."""
    whole, reckoned = round_of(given)
    length = given.least("length")
    wanted = "hip" if given.word("hangs") == "hip" or yoked(given) else "waist"
    lacks = [Lack(wanted, f"the {wanted}")] if whole is None else []
    if yoked(given) and given.most("waist") is None:
        lacks.append(Lack("waist", "the waist, for the yoke"))
    lacks += [Lack("length", "the length")] if length is None else []
    if given.cloths.get("face") is None:
        lacks.append(Lack("cloths.face.usable", "how wide the cloth is"))
    below, seam = hem_of(given), given.join
    each = below.depth if below.turns == 2 else below.takes
    results = {
        "drop.finished": Result(length, f"length {given.write(length)}" if length else ""),
        "drop.heading": Result(seam, f"{given.write(seam)}, sewn into the band"),
        "drop.hem": Result(each, f"{given.write(below.depth)}, {below.says}"),
        "side": Result(given.join, "a seam at each side"),
    }
    if whole is None:
        return FirstStroke(results, (), tuple(lacks))
    problems = [*nought(given, ("waist", "hip", "length", "across")), *wrong(given)]
    if problems:
        return FirstStroke(results, (), tuple(lacks), problems=tuple(problems))
    panels = skirt_parts(given)
    share = whole / len(panels)
    deep = [panel for panel in panels if reserved(given, panel) >= share]
    if deep:
        return FirstStroke(results, (), tuple(lacks), problems=(all_pocket(given, deep[0].title, share),))
    says = f"{reckoned}; ÷ {len(panels)} = {given.write(share)}" if len(panels) > 1 else reckoned
    results["round"] = Result(whole, reckoned)
    if any(kind_of(given, panel) != "gather" for panel in panels):
        results["size"] = Result(given.length("size"), f"about {given.write(given.length('size'))}", about=True)
    if given.known("depth"):
        results["depth"] = Result(given.length("depth"), f"{given.write(given.length('depth'))} deep")
    if given.fields["opens"].asked(given):
        results["opens"] = Result(given.length("opens"), f"{given.write(given.length('opens'))} from the band down")
    for panel in panels:
        results[f"{panel.key}.finished"] = Result(share, says)
        if kind_of(given, panel) == "gather":
            results[f"{panel.key}.flat"] = _gathered(given, share, reserved(given, panel))
    pocket = given.length("pocket")
    if any(reserved(given, panel) for panel in panels):
        results["pocket"] = Result(pocket, f"{given.write(pocket)} lies flat for each pocket")
    edges = tuple(_edge(given, panel, alone=len(panels) == 1) for panel in panels)
    return FirstStroke(results, edges, tuple(lacks))


def kind_of(given: Given, panel: SkirtPart) -> str:
    """What a part's edge is made into."""
    behind = given.word("back_heading") if given.fields["back_heading"].asked(given) else "same"
    return behind if panel.key.startswith("back") and behind != "same" else given.word("heading")


def pocketed(given: Given, panel: SkirtPart) -> tuple[bool, bool]:
    """Whether a pocket's mouth lies flat at its start and at its end: at the sides of the front, as one looks at it."""
    if not given.fields["pocket"].asked(given) or not panel.key.startswith("front"):
        return False, False
    # The wearer's right side is at the left of whoever looks at the front.
    return panel.key != "front_left", panel.key != "front_right"


def reserved(given: Given, panel: SkirtPart) -> Length:
    """How much of a part's edge lies flat for pockets."""
    return given.length("pocket") * sum(pocketed(given, panel))


def _gathered(given: Given, share: Length, flats: Length) -> Result:
    times = given.ratio("fullness") or Fraction(2)
    flat = (share - flats) * times + flats
    beside = f" + {given.figure(flats)}" if flats else ""
    return Result(flat, f"{write_ratio(times).text} × {given.figure(share - flats)}{beside} = {given.write(flat)}")


def _edge(given: Given, panel: SkirtPart, *, alone: bool) -> EdgeFacts:
    kind = kind_of(given, panel)
    facts: dict[str, EdgeFact] = {
        "kind": kind,
        "unit": given.unit.sign,
        "pins.finished": Tie(f"{panel.key}.finished"),
    }
    if kind == "gather":
        facts["pins.flat"] = Tie(f"{panel.key}.flat")
    else:
        facts["pins.box" if kind == "box" else "pins.spacing"] = Tie("size")
        if given.known("depth") and given.fields["depth"].asked(given):
            facts["pins.depth"] = Tie("depth")
        else:
            facts["meet"] = True
    if kind == "knife":
        facts["facing"] = given.word("facing")
    for end, here in zip(("lead", "tail"), pocketed(given, panel), strict=True):
        if here:
            facts |= {f"{end}.width": Tie("pocket"), f"{end}.name": "pocket"}
    if kind != "gather" and given.length("stitched") > ZERO:
        facts["stops.lower"] = typed(given.length("stitched"), given.unit)
    if given.word("lining") == "loose":
        facts |= {"cutting.lining.hem_turns": 1, "cutting.lining.tube": False}
    ring = alone and round_the_body(given)
    if ring:
        facts["closed"] = True
        if given.fields["opens"].asked(given):
            facts["cutting.opening"] = Tie("opens")
    elif alone:
        facts |= {"allowance.start": Tie("side"), "allowance.end": Tie("side")}
    facts |= work_facts(given)
    facts |= drop_facts(hem_of(given).turns)
    return EdgeFacts(panel.key, panel.title, facts, panel.mirrors)
