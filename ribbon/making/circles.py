"""A circle skirt: a ring or part of one, its edge plain, gathered or pleated; the first stroke and its radii."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace
from math import ceil
from typing import NamedTuple

from ribbon.errors import Problem
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length, typed, write_ratio
from ribbon.making import skirt_fields
from ribbon.making.asked import Assumption, Field, Given, Sort, always
from ribbon.making.cannot import nought
from ribbon.making.recipes import hem_of
from ribbon.making.thing import (
    Alternative,
    Compared,
    EdgeFact,
    EdgeFacts,
    FirstStroke,
    Lack,
    Result,
    Tie,
    work_facts,
)
from ribbon.shapes import PI, root

KEY = "circle"
SHARES = {"full": Fraction(1), "three_quarters": Fraction(3, 4), "half": Fraction(1, 2), "quarter": Fraction(1, 4)}
"""How much of a circle each word is."""
_CUT = {"whole": Fraction(1), "halves": Fraction(1, 2), "quarters": Fraction(1, 4)}
"""How much of a circle one piece may be."""
_OF_SKIRT = {one.name: replace(one, asked=always) for one in skirt_fields.FIELDS}


_cm = Assumption.cm


def _edge_is(*which: str) -> Callable[[Given], bool]:
    return lambda given: given.word("heading") in which


def opens(given: Given) -> bool:
    """Whether it has an opening: not where an elastic draws it in."""
    return given.word("opening") != "elastic"


def may_dip(given: Given) -> bool:
    """Whether it can be longer behind than in front: a single full circle, its hole off its middle."""
    return given.word("share") == "full" and (given.count("circles") or 1) == 1


FIELDS: tuple[Field, ...] = (
    _OF_SKIRT["waist"],
    Field("length", "Length", "From the lower edge of the band straight down to where it ends.", measure=True, first=True, several=True, usual=(Length.cm(10), Length.cm(140))),
    Field("behind", "Length behind", "Down the middle of the back, where it dips, or is shorter there; as long as in front where nothing is said.", measure=True, group="The body", asked=may_dip),
    Field("edge", "A measured edge", "An edge that it is sewn to, of a bodice or a yoke, where no waist is measured.", measure=True, group="The body"),
    replace(_OF_SKIRT["hip"], first=False, group="The body"),
    _OF_SKIRT["ease"],
    _OF_SKIRT["under"],
    Field("share", "It is", "How much of a circle it is cut from: the less, the closer it falls.", Sort.WORD, line=True, first=True, options=(("full", "a full circle"), ("three_quarters", "three quarters of one"), ("half", "half a circle"), ("quarter", "a quarter circle")), default=Assumption("full", "it swings")),
    Field("circles", "Circles", "How many of these are sewn side by side into one ring.", Sort.COUNT, group="Circles", default=Assumption(1, "one")),
    Field("heading", "Its edge", "Smooth into the band, gathered, or in a few pleats.", Sort.WORD, line=True, first=True, options=(("plain", "plain"), ("gather", "gathered"), ("knife", "in knife pleats"), ("inverted", "in inverted pleats")), default=Assumption("plain", "smooth at the waist")),
    Field("fullness", "Gathered", "How many times as long as the band its edge is.", Sort.RATIO, first=True, group="Circles", default=Assumption(Fraction(3, 2), "enough to show"), asked=_edge_is("gather")),
    Field("pleats", "Pleats", "How many pleats are laid in its edge.", Sort.COUNT, first=True, group="Circles", default=Assumption(6, "three at each side of the middle"), asked=lambda given: _edge_is("knife", "inverted")(given) and not at_darts(given)),
    Field("takes", "Each takes", "How much of the edge each pleat takes.", first=True, group="Circles", default=_cm(4, Fraction(3, 2), "it opens while one walks"), asked=_edge_is("knife", "inverted")),
    Field("front_at", "Pleats from the middle in front", "How far the middle of each pleat stands from the middle of the front, at the dart points; each has its mirror at the other side.", measure=True, several=True, group="Circles", asked=_edge_is("inverted")),
    Field("back_at", "Pleats from the middle behind", "How far the middle of each pleat stands from the middle of the back; each has its mirror at the other side.", measure=True, several=True, group="Circles", asked=_edge_is("inverted")),
    Field("cut_in", "Cut", "In as few pieces as can be, or in halves or quarters of a circle, with their seams.", Sort.WORD, line=True, group="Circles", options=(("whole", "in as few pieces as can be"), ("halves", "in halves"), ("quarters", "in quarters")), default=Assumption("halves", "half circles lie well on most cloth")),
    replace(_OF_SKIRT["opening"], options=tuple(one for one in _OF_SKIRT["opening"].options if one[0] != "pleat")),
    replace(_OF_SKIRT["opens"], asked=opens),
    replace(_OF_SKIRT["lap_wide"], asked=lambda given: given.word("opening") == "lap"),
    replace(_OF_SKIRT["top"], options=(("band", "a band"), ("none", "no band"))),
    replace(_OF_SKIRT["band_depth"], asked=lambda given: given.word("top") == "band"),
    replace(_OF_SKIRT["lap"], asked=lambda given: given.word("top") == "band" and opens(given)),
    replace(_OF_SKIRT["hem"], default=Assumption("turned", "a narrow hem lies flat on a curve")),
    replace(_OF_SKIRT["hem_depth"], default=_cm(Fraction(3, 2), Fraction(1, 2), "a curve takes a narrow hem alone")),
    replace(_OF_SKIRT["hem_turning"], default=_cm(Fraction(1, 2), Fraction(1, 4), "just enough to catch"), asked=lambda given: given.word("hem") == "turned"),
    Field("cut_edge", "Its edge measures", "The cut edge along its stitching line, laid flat: gathers and pleats follow from it.", measure=True, group="Measured on the way", on_the_way=True, asked=_edge_is("gather", "knife", "inverted")),
    Field("shop", "A shop asked", "What a shop asked for the same.", Sort.PRICE, group="Cost"),
)  # fmt: skip


class Rings(NamedTuple):
    """The ring that it is cut from: its stitching line, opened out; the radius of that; how far it falls; how much of circles in all.

    Where it dips it falls so far on the average, and its hole lies `off` the middle of its hem, towards the front.
    """

    band: Length
    edge: Length
    radius: Length
    fall: Length
    share: Fraction
    off: Length = ZERO

    @property
    def side(self) -> Length:
        """How far it falls at the sides, straight out from the middle of its hole: √(R² − e²) − r."""
        out = (self.radius + self.fall).mm
        return Length(root(out * out - self.off.mm * self.off.mm)) - self.radius

    @property
    def sweep(self) -> Length:
        """How far round it is at its hem."""
        return (self.radius + self.fall) * (PI * 2 * self.share)


def band_of(given: Given) -> tuple[Length | None, str]:
    """(how long the edge is that it is sewn to, how that is reckoned)."""
    write = given.figure
    measured = given.least("edge")
    if measured is not None:
        return measured, f"a measured edge of {given.write(measured)}"
    name = "waist" if opens(given) or given.most("hip") is None else "hip"
    body = given.most(name)
    if body is None:
        return None, ""
    ease, under = given.length("ease"), given.length("under")
    more = "".join(f" + {write(one)} {what}" for one, what in ((ease, "ease"), (under, "worn under it")) if one)
    return body + ease + under, f"{write(body)} {name}{more} = {given.write(body + ease + under)}"


def at_darts(given: Given) -> list[Length]:
    """How far from the middle of the front each pleat stands that has its place, those behind by way of the side."""
    band = band_of(given)[0]
    if band is None or given.word("heading") != "inverted":
        return []
    return sorted(
        [*given.measures.get("front_at", ()), *(band / 2 - one for one in given.measures.get("back_at", ()))],
        key=lambda one: one.mm,
    )


def pleats_in(given: Given) -> int:
    """How many pleats are laid in its edge; each that has its place has its mirror too."""
    return 2 * len(at_darts(given)) or given.count("pleats") or 0


def opened_out(given: Given, band: Length) -> tuple[Length, str]:
    """(how long the edge is cut, opened out, how that is reckoned): F plain, F·R gathered, F + N·t in pleats."""
    kind, write = given.word("heading"), given.figure
    if kind == "gather":
        times = given.ratio("fullness") or Fraction(1)
        return band * times, f"{write_ratio(times).text} × {write(band)} = {given.write(band * times)}"
    if kind in ("knife", "inverted"):
        many, takes = pleats_in(given), given.length("takes")
        return band + takes * many, f"{write(band)} + {many} × {write(takes)} = {given.write(band + takes * many)}"
    return band, f"{given.write(band)}, plain"


def rings(given: Given, share: Fraction | None = None, circles: int | None = None) -> Rings | None:
    """Its ring; None while a measure is lacking.  r = L / (2π · circles · share)."""
    band, fall = band_of(given)[0], given.least("length")
    if band is None or fall is None:
        return None
    part = share if share is not None else SHARES.get(given.word("share"), Fraction(1))
    whole = part * (circles if circles is not None else given.count("circles") or 1)
    edge = opened_out(given, band)[0]
    behind = given.most("behind") if whole == 1 and may_dip(given) else None
    off = (behind - fall) / 2 if behind is not None else ZERO
    return Rings(band, edge, edge / (PI * 2 * whole), fall + off, whole, off)


def pieces_many(given: Given, whole: Fraction) -> int:
    """In how many pieces so much of circles is cut, each as large as was chosen at most."""
    return max(1, ceil(whole / _CUT.get(given.word("cut_in"), Fraction(1))))


def begin(given: Given) -> FirstStroke:
    """The first stroke: band, edge opened out, radii; the facts of its edge where it is gathered or pleated."""
    band, reckoned = band_of(given)
    lacks = [Lack("waist", "the waist, or an edge that it is sewn to")] if band is None else []
    lacks += [Lack("length", "the length")] if given.least("length") is None else []
    if given.cloths.get("face") is None:
        lacks.append(Lack("cloths.face.usable", "how wide the cloth is"))
    problems = [*nought(given, ("waist", "hip", "length", "edge", "behind", "front_at", "back_at")), *_wrong(given)]
    found = rings(given) if not problems else None
    if problems or band is None or found is None:
        return FirstStroke({}, (), tuple(lacks), problems=tuple(problems))
    seam = given.join
    if found.radius <= seam:
        told = given.write(found.radius)
        one = Problem(
            "too_small",
            "choices.circles",
            told,
            f"the stitching line has a radius of {told}, and nothing is left inside its seam",
            "use fewer circles, or a greater share of one edge",
        )
        return FirstStroke({}, (), tuple(lacks), problems=(one,))
    edge, says = opened_out(given, band)
    cut = given.least("cut_edge")
    results = {
        "band": Result(band, reckoned),
        f"{KEY}.finished": Result(band, reckoned),
        f"{KEY}.flat": Result(cut or edge, f"{given.write(cut)}, as it was measured" if cut else says),
        "radius": Result(
            found.radius,
            f"{given.figure(edge)} ÷ (2π × {write_ratio(found.share).text}) = {given.write(found.radius)}, the stitching line",
        ),
        "cut_radius": Result(found.radius - seam, f"{given.write(found.radius - seam)}, the cut edge, its seam inside"),
        "outer": Result(
            found.radius + found.fall + hem_of(given).takes,
            f"{given.figure(found.radius)} + {given.figure(found.fall)} + hem {given.figure(hem_of(given).takes)}",
        ),
        "sweep": Result(found.sweep, f"round the hem {given.write(found.sweep)}"),
    }
    if found.off:
        results["off"] = Result(
            found.off,
            f"({given.figure(found.fall + found.off)} − {given.figure(found.fall - found.off)}) ÷ 2 = {given.write(found.off)}: so far the hole lies off the middle",
        )
        results["side_fall"] = Result(found.side, f"{given.write(found.side)} at the sides")
    edges = () if given.word("heading") == "plain" else (_edge(given),)
    return FirstStroke(results, edges, tuple(lacks), (_shares(given, found),))


def _edge(given: Given) -> EdgeFacts:
    facts: dict[str, EdgeFact] = {
        "kind": given.word("heading"),
        "unit": given.unit.sign,
        "closed": True,
        "pins.finished": Tie(f"{KEY}.finished"),
        "pins.flat": Tie(f"{KEY}.flat"),
        # Its cloth is cut as a ring, and not as a strip.
        "cutting.shaped": True,
    }
    if at_darts(given):
        facts["placed_from"] = "centre"
        facts["placed"] = [{"at": typed(one, given.unit)} for one in at_darts(given)]
    elif given.word("heading") in ("knife", "inverted"):
        facts["pins.count"] = str(given.count("pleats") or 1)
    facts |= work_facts(given)
    return EdgeFacts(KEY, "Upper edge", facts, measured="cut_edge")


def _shares(given: Given, now: Rings) -> Compared:
    """Shares and numbers of circles beside each other: the same edge, what radius and what sweep each has."""
    rows = []
    many = given.count("circles") or 1
    choices = [
        ("share", name, share, many, words) for (name, share), (_, words) in zip(SHARES.items(), _OPTIONS, strict=True)
    ]
    choices.append(("circles", "2", SHARES.get(given.word("share"), Fraction(1)), 2, "two of them, at half the radius"))
    for field, value, share, circles, words in choices:
        ring = rings(given, share, circles)
        if ring is None or (field == "circles" and many == 2):
            continue
        taken = field == "share" and given.word("share") == value
        rows.append(
            Alternative(
                (field, value),
                words,
                f"radius {given.write(ring.radius)}",
                f"{given.write(ring.sweep)} round the hem",
                None,
                (ring.sweep,),
                taken,
            )
        )
    return Compared("How much of a circle", f"the same edge of {given.write(now.edge)} from each", tuple(rows))


_OPTIONS = next(one for one in FIELDS if one.name == "share").options


def _wrong(given: Given) -> list[Problem]:
    found = []
    circles = given.count("circles")
    if circles is not None and not 1 <= circles <= 8:
        found.append(
            Problem(
                "out_of_range",
                "choices.circles",
                str(circles),
                f"{circles} circles cannot be sewn into one ring here",
                "use 1 to 8",
            )
        )
    pleats = given.count("pleats")
    laid = given.word("heading") in ("knife", "inverted")
    if laid and not at_darts(given) and (pleats is None or not 1 <= pleats <= 200):
        found.append(
            Problem("out_of_range", "choices.pleats", str(pleats), "so many pleats cannot be laid", "use 1 to 200")
        )
    if laid and given.length("takes") <= ZERO:
        found.append(
            Problem(
                "not_positive",
                "choices.takes",
                given.write(given.length("takes")),
                "nought cannot be",
                "say how much of the edge each pleat takes",
            )
        )
    band = band_of(given)[0]
    for name in ("front_at", "back_at"):
        for number, one in enumerate(given.measures.get(name, ())):
            if band is not None and given.fields[name].asked(given) and one >= band / 2:
                path = f"measures.{name}.{number}" if len(given.measures[name]) > 1 else f"measures.{name}"
                found.append(
                    Problem(
                        "too_far",
                        path,
                        given.write(one),
                        f"from one middle to the other it is {given.write(band / 2)}",
                        "measure from the middle to the dart, at one side",
                    )
                )
    times = given.ratio("fullness")
    if given.word("heading") == "gather" and times is not None and times <= 1:
        found.append(
            Problem(
                "out_of_range",
                "choices.fullness",
                write_ratio(times).text,
                "that is no gathering",
                "use 1 1/4 or 2, or choose a plain edge",
            )
        )
    return found
