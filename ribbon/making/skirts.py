"""A straight skirt or an apron: the first stroke, from the body to the facts of its edges."""

from __future__ import annotations

from typing import NamedTuple

from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length, typed, write_ratio
from ribbon.making.asked import Given
from ribbon.making.cannot import nought
from ribbon.making.recipes import hem_of
from ribbon.making.skirt_fields import pleated, round_the_body, tapered, yoked
from ribbon.making.skirts_wrong import all_pocket, wrong
from ribbon.making.thing import EdgeFact, EdgeFacts, FirstStroke, Lack, Result, Tie, drop_facts, row_facts, work_facts


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
    name = "hip" if given.word("hangs") == "hip" or yoked(given) or tapered(given) else "waist"
    if given.word("opening") == "elastic" and given.most("hip") is not None:
        name = "hip"  # it has no opening: it passes over the hip, and the elastic draws it in
    body = given.most(name)
    if body is None:
        return None, ""
    more = "".join(f" + {write(one)} {what}" for one, what in ((ease, "ease"), (under, "worn under it")) if one)
    if tapered(given):
        ease = given.length("hip_ease")
        more = f" + {write(ease)} ease at the hip" + (f" + {write(under)} worn under it" if under else "")
    whole = body + ease + under
    return whole, f"{write(body)} {name}{more} = {given.write(whole)}" if more else f"{given.write(body)} {name}"


def waist_of(given: Given) -> Length | None:
    """How long its edge is at the waist once its pleats are taken in from the hip; None where they are not."""
    waist = given.most("waist")
    return waist + given.length("ease") + given.length("under") if tapered(given) and waist is not None else None


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
    results |= _reckoned(given, panels, whole, reckoned)
    alone = len(panels) == 1
    edges = [_edge(given, panel, alone=alone) for panel in panels]
    if nests(given):
        edges += [_lining(given, panel, alone=alone) for panel in panels]
    return FirstStroke(results, tuple(edges), tuple(lacks))


def _reckoned(given: Given, panels: tuple[SkirtPart, ...], whole: Length, reckoned: str) -> dict[str, Result]:
    """What each part and what all of them come to."""
    share, write = whole / len(panels), given.write
    says = f"{reckoned}; ÷ {len(panels)} = {write(share)}" if len(panels) > 1 else reckoned
    results = {"round": Result(whole, reckoned)}
    if any(kind_of(given, panel) != "gather" for panel in panels):
        results["size"] = Result(given.length("size"), f"about {write(given.length('size'))}", about=True)
    if given.known("depth"):
        results["depth"] = Result(given.length("depth"), f"{write(given.length('depth'))} deep")
    if given.fields["opens"].asked(given):
        results["opens"] = Result(given.length("opens"), f"{write(given.length('opens'))} from the band down")
    for panel in panels:
        results[f"{panel.key}.finished"] = Result(share, says)
        if kind_of(given, panel) == "gather":
            results[f"{panel.key}.flat"] = _gathered(given, share, reserved(given, panel))
    pocket = given.length("pocket")
    if any(reserved(given, panel) for panel in panels):
        results["pocket"] = Result(pocket, f"{write(pocket)} lies flat for each pocket")
    waist, length, shorter = waist_of(given), given.least("length"), given.length("lining_shorter")
    if waist is not None:
        level = given.length("hip_level")
        results["taper"] = Result(level, f"the hip {write(level)} below")
        results["waist"] = Result(waist / len(panels), f"{write(waist)} at the waist; ÷ {len(panels)}")
    if given.word("lining") != "none" and length is not None:
        results["lining.shorter"] = Result(shorter, f"{write(shorter)} shorter than the face")
        results["lining.drop"] = Result(length - shorter, f"{write(length)} less {write(shorter)}")
    return results


LINING = "lining_"
"""What the key of a part's lining begins with, where that has a row of its own."""


def nests(given: Given) -> bool:
    """Whether its lining is pleated as the mirror of its face."""
    return given.word("lining") == "nests" and pleated(given)


def _lining(given: Given, panel: SkirtPart, *, alone: bool) -> EdgeFacts:
    """The lining of a part: the mirror of its row, of the lining's cloth, as much shorter as it is."""
    own = _edge(given, panel, alone=alone).facts
    facts = {**own, "cloth": "lining", "cutting.drop.finished": Tie("lining.drop")}
    return EdgeFacts(f"{LINING}{panel.key}", f"{panel.title}, lining", facts, panel.key)


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


def _lined(given: Given) -> dict[str, EdgeFact]:
    """A lining that is joined by itself; one that nests has rows of its own."""
    if given.word("lining") == "none" or nests(given):
        return {}
    return {
        "cutting.lining.hem_turns": 1,
        "cutting.lining.tube": False,
        "cutting.lining.shorter": Tie("lining.shorter"),
    }


def _pins(given: Given, panel: SkirtPart, kind: str) -> dict[str, EdgeFact]:
    """What a part's pleats or gathers are worked out from."""
    found = row_facts(kind, f"{panel.key}.flat", "size")
    if kind != "gather" and given.known("depth") and given.fields["depth"].asked(given):
        del found["meet"]
        found["pins.depth"] = Tie("depth")
    return found


def _edge(given: Given, panel: SkirtPart, *, alone: bool) -> EdgeFacts:
    kind = kind_of(given, panel)
    facts: dict[str, EdgeFact] = {
        "kind": kind,
        "unit": given.unit.sign,
        "pins.finished": Tie(f"{panel.key}.finished"),
    }
    facts |= _pins(given, panel, kind)
    if kind == "knife":
        facts["facing"] = given.word("facing")
    for end, here in zip(("lead", "tail"), pocketed(given, panel), strict=True):
        if here:
            facts |= {f"{end}.width": Tie("pocket"), f"{end}.name": "pocket"}
    if kind != "gather" and given.length("stitched") > ZERO:
        facts["stops.lower"] = typed(given.length("stitched"), given.unit)
    facts |= _lined(given)
    if tapered(given) and kind != "gather":
        facts |= {"taper.height": Tie("taper"), "taper.finished": Tie("waist")}
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
