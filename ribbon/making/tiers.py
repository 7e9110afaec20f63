"""A petticoat of tiers: its lines, girths and strips; the first stroke, from the body to the facts of each tier's edge."""

from __future__ import annotations

from dataclasses import replace
from math import ceil
from typing import NamedTuple

from ribbon.errors import Problem
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length, write_ratio
from ribbon.making.asked import Given
from ribbon.making.cannot import nothing_chosen, nought, too_many
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
    drop_facts,
    work_facts,
)
from ribbon.making.tier_fields import FIELDS, MOST_TIERS, based, girth_field, opens


class Tier(NamedTuple):
    """A tier: its number in the order of making, what it is called, where its line lies below the waist, how long that is, how deep the tier is seen.

    `girth` is the length that its strip is drawn up to, `flat` the strip opened out, `says` how that is reckoned.  It is
    `open` where the opening passes all of its line; `opening` is how far down its closing join stays open, if at all.
    """

    number: int
    title: str
    line: Length
    girth: Length
    flat: Length
    deep: Length
    says: str
    open: bool
    opening: Length

    @property
    def key(self) -> str:
        """The key of its edge."""
        return f"tier_{self.number}"


def at_waist(given: Given) -> tuple[Length | None, str]:
    """(how long its upper edge is, how that is reckoned): over the hip where an elastic draws it in."""
    top = given.most("top_round") if based(given) else None
    if top is not None:
        return _round(given, top), _round_says(given, top, "round its top")
    name = "hip" if not opens(given) and given.most("hip") is not None else "waist"
    body = given.most(name)
    if body is None:
        return None, ""
    more = [(given.length("ease"), "ease"), (given.length("under"), "worn under it")]
    said = "".join(f" + {given.figure(one)} {what}" for one, what in more if one)
    whole = body + given.length("ease") + given.length("under")
    return whole, f"{given.figure(body)} {name}{said} = {given.write(whole)}" if said else f"{given.write(body)} {name}"


def _round(given: Given, measured: Length) -> Length:
    """A girth that was measured, all round."""
    return measured * 2 if given.word("girths") == "flat" else measured


def _round_says(given: Given, measured: Length, where: str) -> str:
    if given.word("girths") == "flat":
        return f"2 × {given.figure(measured)} {where} = {given.write(measured * 2)}"
    return f"{given.write(measured)} {where}"


def spacing_of(given: Given) -> Length | None:
    """How far apart its lines are; None while its base is not measured."""
    base, many = given.least("base"), given.count("tiers") or 0
    if given.known("spacing"):
        return given.length("spacing")
    return None if base is None or many < 1 else base / many


def deep_of(given: Given) -> Length | None:
    """How deep each tier on a base is seen."""
    if given.known("deep"):
        return given.length("deep")
    spacing = spacing_of(given)
    return None if spacing is None else spacing + given.length("overlap")


def tiers_of(given: Given) -> list[Tier]:
    """Its tiers, in the order in which they are made: on a base from the hem up, else from the waist down.

    Empty while a measure is lacking, or where they cannot be.  g(d) = top + (foot − top)·d / base; each strip is g·R.  From
    tier to tier each edge is the strip above it: L·R, L·R², …
    """
    return _on_base(given) if based(given) else _chain(given)


def _times(given: Given) -> Fraction:
    return given.ratio("fullness") or Fraction(2)


def _open_at(given: Given, line: Length, deep: Length) -> tuple[bool, Length]:
    """(whether the opening passes all of a tier that begins at `line`, how far it reaches into one that it does not pass)."""
    opening = given.length("opens") if opens(given) else ZERO
    if based(given):
        return line < opening, ZERO
    return opening >= line + deep, max(ZERO, opening - line)


def _on_base(given: Given) -> list[Tier]:
    base, foot, top = given.least("base"), given.most("foot"), at_waist(given)[0]
    spacing, deep, many = spacing_of(given), deep_of(given), given.count("tiers") or 0
    if base is None or foot is None or top is None or spacing is None or deep is None or base <= ZERO:
        return []
    foot, times, found = _round(given, foot), _times(given), []
    for number in range(1, many + 1):
        line = base - spacing * (number - 1)
        measured = given.most(girth_field(number)) if number <= MOST_TIERS else None
        girth = _round(given, measured) if measured is not None else top + (foot - top) * (line / base)
        is_open, opening = _open_at(given, line, deep)
        flat = girth * times
        where = f"line {number} at {given.figure(line)}"
        reckoned = (
            _round_says(given, measured, where)
            if measured is not None
            else f"{given.figure(top)} + ({given.figure(foot)} − {given.figure(top)}) × {given.figure(line)} ÷ {given.figure(base)} = {given.write(girth)}"
        )
        said = f"{reckoned}; × {write_ratio(times).text} = {given.write(flat)}"
        found.append(Tier(number, _title(number, many, 1), line, girth, flat, deep, said, is_open, opening))
    return found


def _chain(given: Given) -> list[Tier]:
    top, length, many = at_waist(given)[0], given.least("length"), given.count("tiers") or 0
    if top is None or length is None or many < 1:
        return []
    more, times = given.length("deeper"), _times(given)
    first = (length - more * (many * (many - 1) // 2)) / many
    line, girth, found = ZERO, top, []
    for number in range(1, many + 1):
        deep = first + more * (number - 1)
        is_open, opening = _open_at(given, line, deep)
        flat = girth * times
        said = f"{write_ratio(times).text} × {given.figure(girth)} = {given.write(flat)}"
        found.append(Tier(number, _title(number, many, many), line, girth, flat, deep, said, is_open, opening))
        line, girth = line + deep, flat
    return found


def _title(number: int, many: int, lowest: int) -> str:
    if many == 1:
        return "Tier"
    end = "lowest" if number == lowest else "top" if number == many + 1 - lowest else ""
    return f"Tier {number}, {end}" if end else f"Tier {number}"


def begin(given: Given) -> FirstStroke:
    """The first stroke: lines, girths, strips, and the facts of each tier's edge."""
    lacks = _lacks(given)
    problems = [
        *nought(given, ("waist", "hip", "base", "foot", "length", "top_round", *_girths(given))),
        *too_many(given, "tiers", MOST_TIERS, "tiers"),
        *_wrong(given),
    ]
    tiers = tiers_of(given) if not problems else []
    problems += _too_high(given, tiers)
    if problems or not tiers:
        return FirstStroke({}, (), tuple(lacks), problems=tuple(problems))
    seam, below = given.join, hem_of(given)
    each = below.depth if below.turns == 2 else below.takes
    results = {
        "drop.heading": Result(seam, f"{given.write(seam)}, sewn to what is above it"),
        "drop.hem": Result(each, f"{given.write(below.depth)}, {below.says}"),
        "side": Result(seam, "a seam at each side of the opening"),
        "size": Result(given.length("size"), f"about {given.write(given.length('size'))}", about=True),
        "round": Result(tiers[0].girth if not based(given) else at_waist(given)[0], at_waist(given)[1]),
    }
    for tier in tiers:
        results |= {
            f"{tier.key}.finished": Result(
                tier.girth, tier.says.split(";")[0] if based(given) else given.write(tier.girth)
            ),
            f"{tier.key}.flat": Result(tier.flat, tier.says),
            f"{tier.key}.deep": Result(tier.deep, f"{given.write(tier.deep)} deep"),
            f"{tier.key}.part": Result(tier.girth / int(given.word("points") or 8), "from one match point to the next"),
        }
        if tier.opening:
            results[f"{tier.key}.opening"] = Result(tier.opening, f"open for {given.write(tier.opening)}")
    edges = tuple(_edge(given, tier) for tier in tiers)
    return FirstStroke(results, edges, tuple(lacks), (_fuller(given, tiers),))


def _girths(given: Given) -> list[str]:
    return [one.name for one in FIELDS if one.name.startswith("girth_") and one.asked(given)]


def _lacks(given: Given) -> list[Lack]:
    wanted = (
        (("base", "the base"), ("foot", "how far round its foot is")) if based(given) else (("length", "the length"),)
    )
    found = [Lack("waist", "the waist")] if at_waist(given)[0] is None else []
    found += [Lack(name, says) for name, says in wanted if given.least(name) is None]
    if given.cloths.get("face") is None:
        found.append(Lack("cloths.face.usable", "how wide the cloth is"))
    return found


def _edge(given: Given, tier: Tier) -> EdgeFacts:
    kind = given.word("heading")
    facts: dict[str, EdgeFact] = {
        "kind": kind,
        "unit": given.unit.sign,
        "pins.finished": Tie(f"{tier.key}.finished"),
        "pins.flat": Tie(f"{tier.key}.flat"),
    }
    if kind == "gather":
        facts["gathering.longest"] = Tie(f"{tier.key}.part")
    else:
        facts["pins.box" if kind == "box" else "pins.spacing"] = Tie("size")
    if tier.open:
        facts |= {"allowance.start": Tie("side"), "allowance.end": Tie("side")}
    else:
        facts["closed"] = True
        if tier.opening:
            facts["cutting.opening"] = Tie(f"{tier.key}.opening")
    facts |= work_facts(given) | drop_facts(hem_of(given).turns)
    facts["cutting.drop.finished"] = Tie(f"{tier.key}.deep")
    return EdgeFacts(tier.key, tier.title, facts)


_FULLNESSES = (Fraction(3, 2), Fraction(2), Fraction(5, 2), Fraction(3))


def _fuller(given: Given, tiers: list[Tier]) -> Compared:
    """How full beside each other: what all strips come to, in widths of the cloth."""
    now, face = _times(given), given.cloths.get("face")
    rows = []
    for times in sorted({*_FULLNESSES, now}):
        found = tiers_of(_as_full(given, times))
        whole = sum((one.flat for one in found), ZERO)
        widths = sum(ceil(one.flat / face.usable) for one in found) if face is not None and face.usable > ZERO else 0
        rows.append(
            Alternative(
                ("fullness", str(times)),
                f"{write_ratio(times).text} times",
                f"{given.write(whole)} of strips in all",
                f"{widths} widths" if widths else "",
                None,
                tuple(one.flat for one in found),
                times == now,
            )
        )
    of = "of its line" if based(given) else "of the tier above, each on the last"
    return Compared("How full", f"each strip so many times the length {of}", tuple(rows))


def _as_full(given: Given, times: Fraction) -> Given:
    return replace(given, choices={**given.choices, "fullness": times})


def _wrong(given: Given) -> list[Problem]:
    found = []
    times = given.ratio("fullness")
    if times is not None and not 1 <= times <= 6:
        found.append(
            Problem("out_of_range", "choices.fullness", write_ratio(times).text, "no tier is as full as that, or less than its line", "use 1 1/2 to 3")
        )  # fmt: skip
    found += nothing_chosen(
        given,
        (
            ("spacing", "say how far apart the lines are, or leave it out"),
            ("deep", "say how deep a tier is, or leave it out"),
            ("size", "say about how far apart the pleats stand"),
        ),
    )
    if given.fields["gores"].asked(given):
        found += too_many(given, "gores", 24, "pieces")
    return found


def _too_high(given: Given, tiers: list[Tier]) -> list[Problem]:
    """Lines that would lie above the waist; tiers that would have no depth."""
    spacing = spacing_of(given)
    if based(given) and tiers and tiers[-1].line <= ZERO and spacing is not None:
        base = given.least("base") or ZERO
        fit = ceil(base / spacing)
        return [
            Problem(
                "too_high",
                "choices.spacing" if given.known("spacing") else "choices.tiers",
                given.write(spacing),
                f"{len(tiers)} lines {given.write(spacing)} apart reach above the waist of a base of {given.write(base)}",
                f"use {fit} tiers, or bring the lines nearer together",
            )
        ]
    if tiers and min(one.deep for one in tiers) <= ZERO:
        return [
            Problem(
                "too_deep",
                "choices.deeper",
                given.write(given.length("deeper")),
                "the first tier would have no depth left",
                "let the tiers differ less, or make fewer of them",
            )
        ]
    return []
