"""Law: curtains are as a plain reckoning of its own has them, whatever the window, the school and the widths."""

from __future__ import annotations

from math import ceil
from typing import Any

from hypothesis import given as over
from hypothesis import strategies as st

from ribbon.cloth import Bolt, Cutting, Drop, Lining
from ribbon.cloth.joining import allowed_of
from ribbon.edge import edge_plan
from ribbon.facts import KINDS, Allowance, Edge, End, Pin, PlanCloth, Section
from ribbon.fraction import Fraction
from ribbon.lengths import UNITS, Length
from ribbon.making import THINGS, Given, Solved
from ribbon.pleats import Quantity
from ribbon.readings import Strategy
from tests.examples import law

CURTAINS = THINGS["curtains"]
lengths = st.integers(1, 4000).map(lambda n: Fraction(n, 8))


@st.composite
def windows(draw: Any) -> dict[str, Any]:
    rail = draw(st.integers(400, 6000).map(lambda n: Fraction(n, 2)))
    return {
        "rail": rail,
        "drop": draw(st.lists(st.integers(500, 4000).map(Fraction), min_size=1, max_size=4)),
        "overlap": draw(st.integers(0, 100).map(Fraction)),
        "return_left": draw(st.sampled_from([Fraction(0), Fraction(90), Fraction(127, 2)])),
        "return_right": draw(st.sampled_from([Fraction(0), Fraction(90), Fraction(127, 2)])),
        "divides": draw(st.sampled_from(["pair", "unequal", "one_way", "alone"])),
        "left_share": draw(st.sampled_from([Fraction(1, 3), Fraction(1, 2), Fraction(3, 5)])),
        "panels": draw(st.integers(1, 5)),
        "windows": draw(st.integers(1, 3)),
        "fullness": draw(st.sampled_from([Fraction(3, 2), Fraction(2), Fraction(11, 5), Fraction(5, 2), Fraction(3)])),
        "fullness_of": draw(st.sampled_from(["rail", "all"])),
        "turnings": draw(st.sampled_from(["after", "before"])),
        "widths": draw(st.sampled_from(["half", "each", "near", "exact", "own"])),
        "widths_each": draw(st.integers(1, 8).map(lambda n: Fraction(n, 2))),
        "usable": draw(st.integers(900, 3000).map(Fraction)),
        "along": draw(st.sampled_from([Fraction(0), Fraction(640), Fraction(1000, 3)])),
        "seam": draw(st.sampled_from([Fraction(10), Fraction(15), Fraction(127, 10)])),
        "side": draw(st.sampled_from(["double", "turned"])),
        "side_depth": draw(st.sampled_from([Fraction(15), Fraction(30)])),
        "top": draw(st.sampled_from(["tape", "envelope", "double"])),
        "heading_depth": draw(st.sampled_from([Fraction(60), Fraction(90)])),
        "hem": draw(st.sampled_from(["double", "turned"])),
        "hem_depth": draw(st.sampled_from([Fraction(50), Fraction(100)])),
        "to": draw(st.sampled_from(["clear", "skims", "breaks", "sill", "below_sill"])),
        "lining": draw(st.sampled_from(["none", "loose", "tube"])),
        "narrower": draw(st.sampled_from([Fraction(0), Fraction(40)])),
    }


def asked(one: dict[str, Any]) -> Given:
    measures = {name: (Length(one[name]),) for name in ("rail", "overlap", "return_left", "return_right")}
    measures["drop"] = tuple(map(Length, one["drop"]))
    words = ("divides", "fullness_of", "turnings", "widths", "side", "top", "hem", "to", "lining")
    choices: dict[str, Any] = {name: one[name] for name in words}
    choices |= {name: one[name] for name in ("left_share", "panels", "windows", "fullness", "widths_each")}
    choices |= {name: Length(one[name]) for name in ("side_depth", "heading_depth", "hem_depth")}
    choices["lining_narrower"] = Length(one["narrower"])
    bolts = {"face": Bolt(Length(one["usable"]), along=Length(one["along"]))}
    return Given(CURTAINS.by_name, measures, choices, bolts, UNITS["cm"], None, Length(one["seam"]))


def by_hand(one: dict[str, Any]) -> dict[str, Any]:
    """The same with bare fractions of a millimetre and nothing of the program."""
    rail, left, right = one["rail"], one["return_left"], one["return_right"]
    if one["divides"] in ("pair", "unequal"):
        share = Fraction(1, 2) if one["divides"] == "pair" else one["left_share"]
        half = one["overlap"] / 2
        panels = [(rail * share, left, half), (rail - rail * share, half, right)]
    elif one["divides"] == "one_way":
        panels = [(rail, left, right)]
    else:
        n = one["panels"]
        panels = [(rail / n, left if i == 0 else 0, right if i == n - 1 else 0) for i in range(n)]
    times, usable, seam = one["fullness"], one["usable"], one["seam"]
    side = 2 * one["side_depth"] if one["side"] == "double" else one["side_depth"] + 10
    if one["lining"] == "tube":
        # The face is as much wider than the tube as makes (face + face − narrower − 4 seams) / 2 the flat width.
        side = seam + one["narrower"] / 4
    more = 2 * side * (times - 1) if one["turnings"] == "before" else 0
    wanted = [
        more + (s + a + b) * times if one["fullness_of"] == "all" else more + s * times + a + b for s, a, b in panels
    ]

    def net(halves: int) -> Fraction:
        many = Fraction(halves, 2)
        return usable * many - (ceil(many) - 1) * 2 * seam - 2 * side

    def least(flat: Fraction, step: int) -> int:
        halves = step
        while net(halves) < flat:
            halves += step
        return halves

    flats: list[Fraction] = []
    each: list[Fraction] | None = []
    for flat in wanted:
        if one["widths"] == "half":
            halves = least(flat, 1)
        elif one["widths"] == "each":
            halves = least(flat, 2)
        elif one["widths"] == "own":
            halves = int(one["widths_each"] * 2)
        elif one["widths"] == "near":
            halves = least(flat, 1)
            halves -= net(halves) > flat
        else:
            halves = 0
        if not halves or net(halves) <= 0:
            each = None
            break
        each.append(Fraction(halves, 2))
        flats.append(net(halves))
    if each is None or len(each) < len(panels):
        each, flats = None, wanted
    drop = min(one["drop"])
    drop += {"clear": -10, "skims": 0, "breaks": 100, "sill": 0, "below_sill": 100}[one["to"]]
    top = {"tape": 1, "double": 2, "envelope": 1}[one["top"]] * one["heading_depth"] + (
        10 if one["top"] == "envelope" else 0
    )
    hem = 2 * one["hem_depth"] if one["hem"] == "double" else one["hem_depth"] + 20
    cut = drop + top + hem
    return {
        "finished": [s + a + b for s, a, b in panels],
        "flats": flats,
        "each": each,
        "cut": cut,
        "on_cloth": ceil(cut / one["along"]) * one["along"] if one["along"] else cut,
        "side": side,
        "panels": panels,
    }


@law(600)
@over(windows())
def test_finished_flat_and_cut_are_as_reckoned_by_hand(one: dict[str, Any]) -> None:
    got, hand = CURTAINS.begin(asked(one)), by_hand(one)
    assert not got.problems, got.problems
    names = [edge.name for edge in got.edges]
    assert len(names) == len(hand["panels"])
    assert [got.results[f"{name}.finished"].value.mm for name in names] == hand["finished"]  # type: ignore[union-attr]
    assert [got.results[f"{name}.flat"].value.mm for name in names] == hand["flats"]  # type: ignore[union-attr]
    assert got.results["drop.cut"].value.mm == hand["cut"]  # type: ignore[union-attr]
    if one["along"]:
        assert got.results["drop.on_cloth"].value.mm == hand["on_cloth"]  # type: ignore[union-attr]


def solved(
    one: dict[str, Any], name: str, facts: dict[str, Any], got: Any, hand: dict[str, Any], number: int
) -> Solved | None:
    _, lead, tail = hand["panels"][number]
    side = Length(hand["side"])
    flat, finished = Length(hand["flats"][number]), Length(hand["finished"][number])
    if flat <= finished:
        return None
    section = Section(
        KINDS["pinch"],
        {
            Quantity.FINISHED: Pin(finished.mm),
            Quantity.FLAT: Pin(flat.mm),
            Quantity.SPACING: Pin(Fraction(100), firm=False),
        },
        tape=Length(1),
        lead=End(width=Length(lead)) if lead else End(times=Fraction(0)),
        tail=End(width=Length(tail)) if tail else End(times=Fraction(0)),
        allowance=Allowance(side, side, Length(one["seam"])),
        cloth=PlanCloth(Length(one["usable"])),
    )
    bolt = Bolt(Length(one["usable"]), along=Length(one["along"]))
    cutting = Cutting(bolt, Drop(Length(1000)), Strategy(facts["cutting.strategy"]))
    if one["lining"] != "none":
        lining = Lining(narrower=Length(one["narrower"]), allowance=Length(one["seam"]), tube=one["lining"] == "tube")
        cutting = cutting._replace(lining=lining, lining_bolt=bolt)
    return Solved(name, name, edge_plan(Edge.of(section)), cutting)


@law(300)
@over(windows())
def test_the_widths_of_every_panel_are_those_that_decided_it(one: dict[str, Any]) -> None:
    got, hand = CURTAINS.begin(asked(one)), by_hand(one)
    made = {
        edge.name: solved(one, edge.name, dict(edge.facts), got, hand, number) for number, edge in enumerate(got.edges)
    }
    if any(each is None for each in made.values()):
        return
    there = {name: each for name, each in made.items() if each is not None}
    whole = CURTAINS.finish(asked(one), got, there)
    usable, seam = one["usable"], one["seam"]
    for number, edge in enumerate(got.edges):
        widths = [piece for piece in whole.pieces if piece.key.startswith(f"{edge.name}.width.")]
        cut = [piece.wide.mm for piece in widths]
        allowed = allowed_of(there[edge.name].whole.edge)
        assert sum(cut) == hand["flats"][number] + allowed.start.mm + allowed.end.mm + (len(cut) - 1) * 2 * seam
        assert max(cut) <= usable
        if hand["each"] is not None:
            # So many whole widths and a half one, to the outside; nothing else.
            many = hand["each"][number]
            halves = [usable / 2] if many.denominator == 2 else []
            assert sorted(cut) == sorted([usable] * int(many) + halves)
            if halves and many > 1:
                outside = cut[-1] if number == len(got.edges) - 1 and number else cut[0]
                assert outside == usable / 2
    hooks = next(one.notion.count for one in whole.notions if one.notion.name == "hooks")
    assert hooks == sum(each.whole.count + 2 for each in there.values()) * one["windows"]
    assert whole.picture is not None
    assert all(
        abs(at) < 1e6 for view in whole.picture.views for shape in view.shapes for point in shape.points for at in point
    )
