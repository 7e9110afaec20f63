"""A block with pleats let in: the first stroke, from the body to the rows of its front and its back, each the half of one on a fold."""

from __future__ import annotations

from itertools import pairwise
from typing import NamedTuple

from ribbon.errors import Problem
from ribbon.lengths import ZERO, Length, typed
from ribbon.making.asked import Given
from ribbon.making.block_drafted import (
    BlockHalf,
    block_lines,
    drafted_half,
    quarters,
    swallowed,
    typed_corners,
    worn_half,
)
from ribbon.making.block_fields import MOST_PLEATS, at_waist_only, bodied, typed_out
from ribbon.making.cannot import nothing_chosen, nought
from ribbon.making.recipes import hem_of
from ribbon.making.thing import EdgeFact, EdgeFacts, FirstStroke, Lack, Result, Tie, drop_facts, work_facts


class BlockPart(NamedTuple):
    """A part of it: its key, what it is called, whether pleats stand in it, whether its middle is a seam."""

    key: str
    title: str
    pleated: bool
    seam: bool


def block_parts(given: Given) -> tuple[BlockPart, BlockPart]:
    """Front and back."""
    where = given.word("where")
    return (
        BlockPart("front", "Front", where in ("both", "front"), seam=False),
        BlockPart("back", "Back", where in ("both", "back"), seam=given.word("opening") == "back"),
    )


def in_the_middle(given: Given) -> bool:
    """Whether a pleat stands in the middle of each piece, half of it at its half."""
    return not at_waist_only(given) and given.word("heading") != "knife" and given.word("centre") == "pleat"


def kind_in(given: Given) -> str:
    """What is laid: small ones are tucks."""
    return "tuck" if at_waist_only(given) else given.word("heading")


def take_of(given: Given) -> Length:
    """What a whole pleat takes: twice its depth of a knife, four times of others."""
    if at_waist_only(given):
        return given.length("take")
    return given.length("deep") * (2 if given.word("heading") == "knife" else 4)


def pleats_many(given: Given) -> int:
    """How many stand at one side of the middle."""
    return given.count("pleats") or 0


def begin(given: Given) -> FirstStroke:
    """The first stroke: the block's quarter, where its lines lie, what each pleat takes."""
    needed = ("waist",) if typed_out(given) else ("waist", "hip", "length", *(("bust",) if bodied(given) else ()))
    lacks = [Lack(name, f"the {name}") for name in needed if given.least(name) is None]
    if typed_out(given) and not given.word("outline").strip():
        lacks.append(Lack("choices.outline", "its corners"))
    if given.cloths.get("face") is None:
        lacks.append(Lack("cloths.face.usable", "how wide the cloth is"))
    problems = [*nought(given, ("waist", "hip", "length", "hip_level", "bust", "bust_level")), *wrong_with(given)]
    half = drafted_half(given) if not problems else None
    if problems or half is None:
        return FirstStroke({}, (), tuple(lacks), problems=tuple(problems))
    edges = tuple(_edge(given, part, half) for part in block_parts(given) if part.pleated)
    return FirstStroke(_results(given, half), edges, tuple(lacks))


def folded_across(given: Given, half: BlockHalf) -> Length:
    """How wide the row is once folded: the block itself, small pleats taken from what it was widened by."""
    return half.across - (given.length("take") * pleats_many(given) if at_waist_only(given) else ZERO)


def _results(given: Given, half: BlockHalf) -> dict[str, Result]:
    write = given.write
    across, below = folded_across(given, half), hem_of(given)
    long = Length(half.top[-1].y)
    results = {
        **{
            f"{part.key}.finished": Result(across, f"{write(across)} across each half, at the {_level_says(given)}")
            for part in block_parts(given)
        },
        "drop.finished": Result(long, f"{write(long)} long"),
        "drop.heading": Result(given.join, f"{write(given.join)} at the top"),
        "drop.hem": Result(below.depth if below.turns == 2 else below.takes, below.says),
        "seam": Result(given.join, "a seam at the side"),
    }
    if at_waist_only(given):
        gap, first = given.length("pitch") - given.length("take"), given.length("first")
        rest = across - first - gap * (pleats_many(given) - 1)
        results |= {
            "take": Result(given.length("take"), f"{write(given.length('take'))} each"),
            "gap": Result(
                gap,
                f"{given.figure(given.length('pitch'))} − {write(given.length('take'))} = {write(gap)} seen between",
            ),
            "first": Result(first, f"{write(first)} from the middle"),
            "rest": Result(rest, f"{write(rest)} from the last to the side"),
        }
    else:
        results["deep"] = Result(given.length("deep"), f"{write(given.length('deep'))} deep")
    if not at_waist_only(given) and not typed_out(given):
        level = given.length("hip_level")
        results["level"] = Result(level, f"the waist {write(level)} above the hip")
    return results


def _level_says(given: Given) -> str:
    return "waist" if at_waist_only(given) else "top" if typed_out(given) else "hip"


def _edge(given: Given, part: BlockPart, half: BlockHalf) -> EdgeFacts:
    facts: dict[str, EdgeFact] = {
        "kind": kind_in(given),
        "unit": given.unit.sign,
        "pins.finished": Tie(f"{part.key}.finished"),
        "cutting.shaped": True,
        "allowance.start": Tie("seam") if part.seam else "0",
        "allowance.end": Tie("seam"),
    }
    if kind_in(given) in ("knife", "tuck"):
        facts["facing"] = given.word("facing")
    if at_waist_only(given):
        facts |= {
            "pins.per_pleat": Tie("take"),
            "pins.count": str(pleats_many(given)),
            "lead.width": Tie("first"),
            "tail.width": Tie("rest"),
            "meet": False,
        }
    else:
        facts |= _along_lines(given, half)
    facts |= _stitched(given) | work_facts(given) | drop_facts(hem_of(given).turns)
    return EdgeFacts(part.key, part.title, facts)


def _along_lines(given: Given, half: BlockHalf) -> dict[str, EdgeFact]:
    lines, middle = block_lines(given), in_the_middle(given)
    places = [{"at": typed(one, given.unit)} for one in ([ZERO, *lines] if middle else lines)]
    facts: dict[str, EdgeFact] = {"pins.depth": Tie("deep"), "placed": places, "piece.times": 1}
    if middle:
        facts |= {"lead.fold": True, "lead.times": "0"}
    eaten = swallowed(given, half.darts)
    if eaten:
        shift = 2 if middle else 1
        darts: list[dict[str, str | int]] = [
            {"pleat": number + shift, "width": typed(dart.wide, given.unit)} for number, dart in sorted(eaten.items())
        ]
        facts |= {"taper.height": Tie("level"), "taper.darts": darts}
    return facts


def _stitched(given: Given) -> dict[str, EdgeFact]:
    down = given.length("stitched")
    if down <= ZERO:
        return {}
    found: dict[str, EdgeFact] = {"stops.lower": typed(down, given.unit)}
    if bodied(given) and given.length("stitched_up") > ZERO:
        found["stops.above"] = typed(given.length("stitched_up"), given.unit)
    if given.word("along") == "crease":
        found["stops.crease"] = typed(given.length("crease"), given.unit)
    elif given.word("along") == "across":
        found["stops.across"] = True
    return found


def wrong_with(given: Given) -> list[Problem]:
    """What of it cannot be, each with a way out."""
    found = nothing_chosen(
        given,
        (
            ("first", "say how far from the middle the first line lies"),
            ("pitch", "say how far apart the lines lie"),
            ("deep", "say how deep each goes"),
            ("take", "say how much cloth each takes"),
            ("crease", "say how far from the crease it is stitched, or choose the placement line"),
        ),
    )
    many = pleats_many(given)
    if many > MOST_PLEATS or (many < 1 and not in_the_middle(given)):
        found.append(
            Problem("out_of_range", "choices.pleats", str(many), f"{many} pleats at each side cannot be let in", f"use 1 to {MOST_PLEATS}")
        )  # fmt: skip
    if typed_out(given):
        found += typed_corners(given)[1]
    if found:
        return found
    half = drafted_half(given)
    return (
        [] if half is None else [*_too_narrow(given, half), *_of_the_body(given, half), *_stitched_too_far(given, half)]
    )


def _too_narrow(given: Given, half: BlockHalf) -> list[Problem]:
    lines, write = block_lines(given), given.write
    if at_waist_only(given):
        gap = given.length("pitch") - given.length("take")
        if gap < ZERO:
            return [
                Problem(
                    "too_wide",
                    "choices.take",
                    write(given.length("take")),
                    f"pleats that take {write(given.length('take'))} every {write(given.length('pitch'))} leave nothing between them",
                    "mark them further apart, or let each take less",
                )
            ]
        reach, room = given.length("first") + gap * (len(lines) - 1), folded_across(given, half)
    else:
        reach = lines[-1] if lines else ZERO
        room = Length(min(half.across.mm, half.top[-1].x, half.foot[-1].x))
    if reach < room:
        return []
    return [
        Problem(
            "too_narrow",
            "choices.pleats",
            str(len(lines)),
            f"the lines reach to {write(reach)} from the middle, and this block is {write(room)} across",
            "use fewer, nearer together or nearer to the middle",
        )
    ]


def _of_the_body(given: Given, half: BlockHalf) -> list[Problem]:
    body, write = quarters(given), given.write
    if typed_out(given) or body is None or at_waist_only(given):
        return []
    taken = sum((one.wide for one in half.darts), ZERO)
    less = body.hip - body.waist
    if taken > max(less, ZERO):
        return [
            Problem(
                "too_wide",
                "choices.dart_wide",
                write(taken),
                f"the darts of a quarter take {write(taken)}, and hip and waist differ by {write(less)} there",
                "let each take less, or have fewer",
            )
        ]
    return _darts_in_the_way(given, half)


def _darts_in_the_way(given: Given, half: BlockHalf) -> list[Problem]:
    """Darts that lie over each other, or under the fold of a pleat that does not swallow them."""
    darts, write = half.darts, given.write
    if any(b.at - a.at < a.wide for a, b in pairwise(darts)):
        return [
            Problem(
                "too_wide",
                "choices.darts",
                str(len(darts)),
                f"darts of {write(darts[0].wide)} every {write(given.length('pitch'))} lie over each other",
                "have fewer, or let each take less",
            )
        ]
    eaten, kept = swallowed(given, darts), worn_half(given, half, pleated=True).darts
    shift, wide = ZERO, given.length("deep") if given.word("heading") == "box" else ZERO
    for number, line in enumerate(block_lines(given)):
        own = eaten[number].wide if number in eaten else ZERO
        stands = line - shift - (own / 2 if given.word("heading") != "knife" else ZERO)
        shift += own
        for dart in kept:
            if any(abs(dart.at - edge) < dart.wide / 2 for edge in (stands - wide, stands + wide)):
                return [
                    Problem(
                        "in_the_way",
                        "choices.dart_at",
                        write(dart.at),
                        f"a dart lies under the fold of the pleat on line {number + 1}, which does not swallow it",
                        "put the first dart on a line, or well between two",
                    )
                ]
    return []


def _stitched_too_far(given: Given, half: BlockHalf) -> list[Problem]:
    down, long = given.length("stitched"), half.waist - Length(half.foot[0].y)
    if down < long:
        return []
    return [
        Problem(
            "too_long",
            "choices.stitched",
            given.write(down),
            f"{given.write(down)} of stitching is as long as the block, which is {given.write(long)} from there",
            "stitch them less far",
        )
    ]
