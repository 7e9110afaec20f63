"""One rounding: tape, turn of the cloth, checks and the upper level, reckoned again from the chalked figures alone.

What an edge is marked as is read off its chalk list, as one would with a tape, and held against the facts by plain sums.
"""

from __future__ import annotations

from dataclasses import dataclass, replace
from fractions import Fraction
from itertools import pairwise
from random import Random
from typing import Any

import pytest

from ribbon.edge import edge_plan
from ribbon.errors import Refusal
from ribbon.facts import KINDS, End, Pin, Section, Taper
from ribbon.fraction import Fraction as Exact
from ribbon.lengths import UNITS, Length
from ribbon.pleats import Facing, Quantity
from ribbon.pleats.pinch import PINCH
from ribbon.readings import marks
from ribbon.strip import walk
from ribbon.table.checking import verdict

Q = Quantity
SEEDS = 4
TAPES = [Fraction(1), Fraction(2), Fraction(5), Fraction(1, 2), Fraction(127, 80), Fraction(127, 40), Fraction(127, 20)]


@dataclass
class Measured:
    """A row as one reads it off its marks: what each pleat takes, what shows, and what is chalked between divisions."""

    takes: list[Fraction]
    faces: list[Fraction]
    boxes: list[Fraction]
    flat: Fraction
    finished: Fraction
    off_tape: set[str]


def read(found: list[Any], per: Any, flat: Fraction, tape: Fraction, kind: str, *, closed: bool) -> Measured:
    pleats: dict[int, list[tuple[str, Fraction]]] = {}
    off = set()
    for mark in found:
        at = Fraction(per(mark.at).mm)
        pleats.setdefault(mark.pleat, []).append((str(mark.kind), at))
        if str(mark.kind) != "finger" and (at / tape).denominator != 1:
            off.add(str(mark.kind) if (at / tape).denominator == 2 else f"{mark.kind}!")
    spans, takes, boxes = [], [], []
    for number in sorted(pleats):
        at = [place for _, place in pleats[number]]
        creases = [place for name, place in pleats[number] if name in ("outer", "placement", "sew")]
        first, last = (min(at), max(at)) if kind != "pinch" else (min(creases), max(creases))
        inner = [place for name, place in pleats[number] if name == "outer"]
        box = inner[1] - inner[0] if kind == "box" else Fraction(0)
        if kind == "inverted":
            # Behind each of its outer folds the cloth lies twice as long as it is deep.
            hidden = [place for name, place in pleats[number] if name == "inner"]
            box = last - first - 2 * (hidden[0] - first + last - hidden[1])
        boxes.append(box)
        takes.append(last - first - box)
        spans.append((first, last))
    faces = [b[0] - a[1] for a, b in pairwise(spans)]
    if closed:
        faces.append(flat - spans[-1][1] + spans[0][0])
    return Measured(takes, faces, boxes, flat, flat - sum(takes), off)


def chalked(facts: Section, *, upper: bool = False) -> Measured:
    whole = edge_plan(facts)
    assert facts.tape is not None
    if upper:
        level = whole.upper_on_tape
        assert level is not None
        walked = walk(level.strip, facts.tape)
        found = marks(level.strip, walked)
    else:
        walked = whole.marked.walked
        found = marks(whole.marked.strip, walked)
    flat = Fraction(walked.length(walked.flat[-1]).mm)
    return read(found, walked.length, flat, Fraction(facts.tape.mm), facts.kind.name.split("_")[0], closed=facts.closed)


def row(chance: Random, *, level: bool = False) -> tuple[Section, dict[str, Any]]:
    kinds = ["knife", "tuck", "box", "inverted"] + ([] if level else ["pinch"])
    name = chance.choice(kinds)
    kind = PINCH[3] if name == "pinch" else KINDS[name]
    q = chance.choice(TAPES)
    count = chance.randint(2, 40)
    facing = chance.choice(list(Facing)) if name in ("knife", "tuck") else Facing.RIGHT
    mirrored = facing in (Facing.TO_CENTRE, Facing.FROM_CENTRE)
    if mirrored:
        count += count % 2
    spacing = q * chance.randint(24, 60) + chance.choice([Fraction(0), Fraction(1, 3), Fraction(2, 7), q / 2])
    finished = spacing * count
    if chance.random() < 0.7:
        finished = q * round(finished / q)
    each = q * chance.randint(4, 20) + chance.choice([Fraction(0), Fraction(1, 3), Fraction(3, 11)])
    times = {"knife": 2, "tuck": 2, "box": 4, "inverted": 4, "pinch": 1}[name]
    pins = {Q.COUNT: Pin(count), Q.FINISHED: Pin(finished), (Q.PER_PLEAT if name == "pinch" else Q.DEPTH): Pin(each)}
    hole = Fraction(0)
    if name in ("box", "inverted"):
        hole = q * chance.choice([0, 0, 3, 6]) + chance.choice([0, 0, Fraction(1, 3)])
        pins[Q.GAP if name == "box" else Q.OPENING] = Pin(hole)
    closed = chance.random() < 0.3
    # At open ends half a space, a whole one, or plain cloth; alike at both where the row is mirrored.
    plain = End(width=Length(_own(q * chance.randint(30, 60))))
    ends = [chance.choice([End(), End(), End(times=Exact(1)), plain]) for _ in range(2)]
    if mirrored or closed:
        ends[1] = ends[0]
    facts = Section(
        kind,
        {quantity: Pin(_own(pin.value)) for quantity, pin in pins.items()},
        unit=UNITS[chance.choice(["cm", "in"])],
        tape=Length(_own(q)),
        meet=None if name == "pinch" else False,
        facing=facing,
        closed=closed,
        lead=ends[0],
        tail=ends[1],
        turn=Length(
            _own(
                chance.choice(
                    [
                        Fraction(0),
                        Fraction(0),
                        Fraction(1, 10),
                        Fraction(2, 5),
                        Fraction(-1, 5),
                        q / 3,
                        q,
                        Fraction(1, 7),
                    ]
                )
            )
        ),
    )
    return facts, {"name": name, "q": q, "n": count, "F": finished, "each": each, "times": times, "mirrored": mirrored}


def _own(value: Any) -> Any:
    value = Fraction(value)
    return Exact(value.numerator, value.denominator)


def spread(values: list[Fraction]) -> Fraction:
    return max(values) - min(values) if values else Fraction(0)


def least(known: dict[str, Any]) -> Fraction:
    """By how little such a row can change: a division, one at each side of a box, both of a mirrored pair."""
    return known["q"] * (2 if known["name"] in ("box", "inverted") or known["mirrored"] else 1)


def holds(facts: Section, known: dict[str, Any], taken: Fraction) -> Measured:
    """The lower level: on its tape, as even as can be, from one flat width, as wide as turn and checks make it."""
    made = chalked(facts)
    q, turn, n = known["q"], Fraction(facts.turn.mm), known["n"]
    box = known["name"] in ("box", "inverted")
    assert made.off_tape <= {"inner"}, made.off_tape
    # A pleat's take is on the tape, both of its sides alike; depths differ by one division at most.
    assert all((take / (q * (2 if box else 1))).denominator == 1 for take in made.takes)
    assert spread(made.takes) <= q * known["times"], made.takes
    wide = known["F"] + n * known["each"] * known["times"]
    step = q * known["times"]
    assert abs(made.flat - wide) <= step * (1 if known["mirrored"] else Fraction(1, 2)) + q / 2
    # As wide as is wanted: the plan, the turn of every pleat, less what checks took in.
    unit = least(known)
    wish = known["F"] + n * turn - taken
    assert abs(made.finished - wish) <= (unit / 2 if turn else q / 2), (made.finished, wish)
    if (known["F"] / q).denominator == 1 and not turn:
        assert made.finished == known["F"] - taken
    if known["mirrored"]:
        assert made.takes == made.takes[::-1]
        inner = made.faces[:-1] if facts.closed else made.faces
        assert inner == inner[::-1]
    return made


def even(facts: Section, known: dict[str, Any], made: Measured) -> None:
    q = known["q"]
    faces = list(made.faces)
    if known["mirrored"]:
        # The one in the middle, and the one at the seam of a ring, give to both sides or to none.
        middle = len(made.takes) // 2 - 1
        faces = [face for index, face in enumerate(faces) if index != middle and index < len(made.takes) - 1]
    assert spread(faces) <= q, faces
    if known["name"] == "box":
        assert spread(made.boxes) <= 2 * q, made.boxes


def _tried(make: Any) -> Any:
    try:
        return make()
    except Refusal:
        return None


@pytest.mark.parametrize("seed", range(SEEDS))
def test_a_row_is_rounded_once(seed: int) -> None:
    """Tape, turn and up to four checks one after another: takes, faces and widths as plain sums have them."""
    chance, seen, checked = Random(seed), 0, 0
    for _ in range(250):
        facts, known = row(chance)
        made = _tried(lambda facts=facts: edge_plan(facts).marked and facts)
        if made is None:
            continue
        seen += 1
        before = holds(facts, known, Fraction(0))
        even(facts, known, before)
        taken, unit, n = Fraction(0), least(known), known["n"]
        for _ in range(4):
            off = (
                known["q"] * n * chance.uniform(-0.9, 0.9)
                if chance.random() < 0.8
                else known["q"] * chance.uniform(-4, 4)
            )
            measured = Length(_own(Fraction(known["F"]) + Fraction(round(off * 20), 20)))
            found = _tried(lambda facts=facts, measured=measured: verdict(edge_plan(facts), [measured]))
            if found is None:
                continue
            left = Fraction(found.off.mm)
            if found.within:
                continue
            by = Fraction(sum(one.divisions for one in found.changes)) * known["q"]
            # The nearest that can be had, compared and not floored.
            assert abs(left - by) <= unit / 2, (left, by, unit, found.says)
            assert Fraction(found.correction.mm) == by
            assert Fraction(found.after.mm) == Fraction(measured.mm) - by
            if not by:
                continue
            facts = replace(facts, corrections=(*facts.corrections, found.correction))
            taken += by
            checked += 1
            after = holds(facts, known, taken)
            # The sentence can be followed: what it names takes so much more, every other takes what it took.
            told = {one.pleat: one.divisions * known["q"] for one in found.changes}
            assert {
                number: b - a for number, (a, b) in enumerate(zip(before.takes, after.takes, strict=True), 1) if a != b
            } == told
            assert after.flat == before.flat
            even(facts, known, after)
            before = after
    assert seen > 200
    assert checked > 300


@pytest.mark.parametrize("seed", range(SEEDS))
def test_both_levels_are_marked_from_one_flat_width(seed: int) -> None:
    """The waist is what its marks make of the flat width that the hip is cut from, turn and checks taken off."""
    chance, seen = Random(seed), 0
    for _ in range(250):
        facts, known = row(chance, level=True)
        q, n = known["q"], known["n"]
        waist = known["F"] - n * q * chance.choice(
            [Fraction(1, 3), Fraction(1, 2), Fraction(1), Fraction(7, 4), Fraction(5, 2), Fraction(-1, 2)]
        )
        if chance.random() < 0.7:
            waist = q * round(waist / q)
        darts = {}
        if chance.random() < 0.3:
            darts = {chance.randint(1, n): q * chance.randint(1, 4)}
        taper = Taper(Length(200), Length(_own(waist)), tuple((k, Length(_own(v))) for k, v in darts.items()))
        facts = replace(facts, taper=taper)
        if chance.random() < 0.5:
            facts = replace(facts, corrections=(Length(_own(q * chance.choice([-3, 2, 4, 6]))),))
        both = _tried(lambda facts=facts: (chalked(facts), chalked(facts, upper=True), edge_plan(facts)))
        if both is None:
            continue
        seen += 1
        low, high, whole = both
        unit, turn = least(known), Fraction(facts.turn.mm)
        assert high.off_tape <= {"inner"}, high.off_tape
        assert low.flat == high.flat
        straight = chalked(replace(facts, corrections=()))
        taken = straight.finished - low.finished
        told = Fraction(whole.upper_on_tape.comes_to.mm)
        assert told == high.finished - n * turn + taken
        # As near to the waist as takes in such steps can come.
        assert abs(told - waist) <= unit / 2 + (abs(n * turn) and Fraction(0)), (told, waist, unit)
        if unit == q and (known["F"] / q).denominator == 1 and (waist / q).denominator == 1 and not turn:
            assert told == waist
        plain = [
            b - a for number, (a, b) in enumerate(zip(low.takes, high.takes, strict=True), 1) if number not in darts
        ]
        assert spread(plain) <= 2 * q * known["times"]
        alike = [take for number, take in enumerate(high.takes, 1) if number not in darts]
        assert spread(alike) <= q * known["times"] * (Fraction(3, 2) if facts.corrections else 1), alike
    assert seen > 120
