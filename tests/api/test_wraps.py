"""Wraps with plain front pieces, from the body and the plaid to the record: folds, stripes, pleats, what gives; against a reckoning of its own."""

from __future__ import annotations

from fractions import Fraction
from random import Random
from typing import Any

import pytest
from django.test import Client

from tests.examples import seeds

PLAID = [
    {"colour": "#1b2240", "width": "8 cm"},
    {"colour": "#e3d6b4", "width": "1 cm"},
    {"colour": "#2f6a3a", "width": "6 cm"},
    {"colour": "#c29a1c", "width": "1 cm"},
    {"colour": "#2f6a3a", "width": "6 cm"},
    {"colour": "#e3d6b4", "width": "2 cm"},
]
BODY = {"waist": "74", "hip": "96", "length": "58"}


def thing(client: Client, measures: dict[str, Any], status: int = 200, *, cloth: Any = None, **body: Any) -> Any:
    asked = {
        "kind": "wrap",
        "unit": "cm",
        "measures": measures,
        "cloths": {"face": cloth or {"usable": "140 cm", "stripes": PLAID}},
        "seam": "1.5",
        **body,
    }
    answer = client.post("/api/thing", asked, content_type="application/json")
    assert answer.status_code == status, answer.json()
    return answer.json()


def test_worked_by_hand(client: Client) -> None:
    got = thing(
        client,
        BODY,
        choices={"centre": "4"},
    )
    # (96 + 4) / 2 = 50 in front, 50 behind; 50 / 2.5 + 1 = 21 pleats of a repeat each: 21 · 24 − 2.5 = 501.5.
    # Gold has its middle at 15.5; a fold f brings it to the middle where 1.5 + f + 25 = 15.5 + n · 24: f = 13.
    assert (
        got["slip"][1]
        == "From its outer edge: fold 13 + front 50 + 21 pleats 501.5 + front 50 + fold 13 = 627.5 cm flat."
    )
    edge = got["edges"]["wrap"]
    assert (edge["finished"]["mm"], edge["flat"]["mm"], edge["count"]) == (1500, 6015, 21)
    # At the waist (74 + 2) / 2 = 38 for front and pleats each.
    assert got["results"]["waist"]["length"]["mm"] == 2 * 500 + 380
    assert (
        "Each front piece is drawn in from 50 cm at the hip to 38 cm at the waist: 6 cm at each of its sides."
        in got["slip"]
    )
    tried = next(one for one in got["compared"] if one["title"] == "The stripe at the centre")
    assert [row["title"] for row in tried["rows"]] == [
        f"Stripe {n}, {w} cm" for n, w in enumerate((8, 1, 6, 1, 6, 2), 1)
    ]
    assert [row["taken"] for row in tried["rows"]] == [False, False, False, True, False, False]
    for row in tried["rows"]:
        assert sum(row["bars"]) == 500
        assert len(row["bars"]) == len(row["colours"])
    # 25 cm to either side of gold: 0.5 gold, 6 green, then 1 of the one edge against 2 of the other.
    assert "its two halves differ" in tried["rows"][3]["more"]
    even = thing(
        client, BODY, cloth={"usable": "140 cm", "stripes": [*PLAID[:5], {"colour": "#e3d6b4", "width": "1 cm"}]}
    )
    assert "both halves of the front alike" in even["compared"][0]["rows"][3]["more"]
    assert [piece["name"] for piece in got["pieces"]] == ["Wrap, strip 1 of 2", "Wrap, strip 2 of 2", "Band"]
    # 2 · 38 + 38 at the waist, a seam at both ends; the straps with their buckles are bought.
    assert got["pieces"][2]["long"]["mm"] == 1140 + 30
    assert [view["name"] for view in got["picture"]["views"]] == ["front", "back", "inside", "body"]
    assert {one["name"] for one in got["notions"]} >= {"straps with their buckles"}


def test_what_gives_where_the_cloth_is_short(client: Client) -> None:
    cloth = {"usable": "140 cm", "stripes": PLAID, "length": "3.3 m"}
    got = thing(client, BODY, cloth=cloth, choices={"centre": "4"})
    # Two strips side by side of 330, less 3 at their ends, 3 at the join and a repeat for it: 630 of 627.5.
    assert "The cloth at hand holds 630 cm: 2.5 cm is left." in got["slip"]
    short = {**cloth, "length": "3.25 m"}
    got = thing(client, BODY, cloth=short, choices={"centre": "4"})
    gives = next(one for one in got["compared"] if one["title"] == "What gives")
    assert gives["says"] == "the cloth is 7.5 cm short of both folds whole"
    assert [row["title"] for row in gives["rows"]] == ["The inner fold", "A pleat or more", "Nothing"]
    assert [row["taken"] for row in gives["rows"]] == [True, False, False]
    assert got["results"]["inner"]["length"]["mm"] == 55
    assert any(one["code"] == "inner_fold" for one in got["warnings"])
    fewer = thing(
        client,
        BODY,
        cloth=short,
        choices={"centre": "4", "short": "fewer", "why": "it is a small one", "agreed": "the warden"},
    )
    assert fewer["edges"]["wrap"]["count"] == 20
    # A strip beside another is cut longer up to where its plaid runs on: never a repeat or more.
    first, second = (one["long"]["mm"] for one in got["pieces"][:2])
    assert first + second == pytest.approx(6200 + 30 + 30, abs=240)
    assert first + second > 6260
    assert fewer["results"]["inner"]["length"]["mm"] == 130
    assert {"Because: it is a small one.", "Agreed with: the warden."} <= set(fewer["slip"])
    other = thing(client, BODY, cloth=short, choices={"centre": "1"})
    (row,) = [
        row
        for one in other["compared"]
        if one["title"] == "What gives"
        for row in one["rows"]
        if row["field"] == "centre"
    ]
    assert (row["title"], row["value"]) == ("Another centre", "4")


@pytest.mark.parametrize(
    ("measures", "choices", "path", "says"),
    [
        ({"front_hip": "120"}, {}, "measures.front_hip", "leaves nothing of the hip for pleats"),
        ({"front_waist": "80"}, {}, "measures.front_waist", "leaves nothing of the waist for pleats"),
        ({}, {"centre": "7"}, "choices.centre", "the cloth has 6 stripes"),
        ({}, {"to": "stripe", "shown": "7"}, "choices.shown", "the cloth has 6 stripes"),
        ({}, {"size": "0.1"}, "choices.size", "would be 500 of them"),
        ({}, {"fold": "0"}, "choices.fold", "nought cannot be"),
        ({}, {"size": "25", "repeats": "1"}, "choices.repeats", "leaves nothing to fold"),
        ({"hip": "0"}, {}, "measures.hip", "nought cannot be"),
        ({}, {"why": "x" * 301}, "choices.why", "301 letters are too many"),
    ],
)  # fmt: skip
def test_what_cannot_be_says_so(
    client: Client, measures: dict[str, str], choices: dict[str, str], path: str, says: str
) -> None:
    problems = thing(client, BODY | measures, 422, choices=choices)["problems"]
    assert [(one["path"], says in one["message"], bool(one["way_out"])) for one in problems] == [(path, True, True)]


def test_each_centre_says_what_it_costs_of_cloth_that_is_bought(client: Client) -> None:
    cloth = {"usable": "140 cm", "stripes": PLAID, "price": "20", "per": "m"}
    rows = thing(client, BODY, cloth=cloth, choices={"centre": "4"})["compared"][0]["rows"]
    # Two strips side by side: (627.5 + 6) / 2 and a repeat for the join are 340.75, so 3.5 m; the dearest folds 17 more.
    assert rows[3]["cost"] == "70.00"
    assert all(float(row["cost"]) >= 70 for row in rows)
    assert "At the waist the tape reads: 38, " in next(
        one["says"] for one in thing(client, BODY)["steps"] if one["name"] == "stitch"
    )


def test_a_sequence_that_is_no_repeat_is_doubted(client: Client) -> None:
    got = thing(client, BODY, cloth={"usable": "140 cm", "stripes": PLAID, "across": "23 cm"})
    assert any("they are no repeat of this cloth" in one["message"] for one in got["warnings"])


@pytest.mark.parametrize("seed", seeds(120))
def test_the_plaid_stands_where_it_is_wanted(client: Client, seed: int) -> None:
    """Random bodies, plaids, hands and ways: every stripe where plain counting along the cut strip puts it."""
    pick = Random(seed)
    inches = pick.random() < 0.3
    unit, mm = ("in", Fraction(127, 5)) if inches else ("cm", Fraction(10))

    def some(low: int, high: int, parts: int) -> Fraction:
        return Fraction(pick.randint(low * parts, high * parts), parts)

    parts = 8 if inches else 10
    small = 2 if inches else 1
    widths = [some(1, 8 // small, parts) for _ in range(pick.randint(1, 7))]
    repeat = sum(widths)
    hip, waist = some(70 // small, 120 // small, parts), some(56 // small, 110 // small, parts)
    size = some(2, 6, parts) if not inches else some(1, 2, parts)
    centre = pick.randint(1, len(widths))
    left = pick.random() < 0.5
    choices = {
        "centre": str(centre), "size": str(size), "ease": "2", "hip_ease": "3", "fold": str(some(4, 12, 2)), "fold_inner": "9", "strap": "2",
        "edge_at": "left" if left else "right", "facing": pick.choice(["left", "right"]), "begins": str(some(0, 9, parts)), "lies": "railroaded",
    }  # fmt: skip
    to_stripe = pick.random() < 0.5
    shown = pick.randint(1, len(widths))
    if to_stripe:
        choices |= {"to": "stripe", "shown": str(shown)}
    stripes = [{"colour": "#%06x" % (number * 4369), "width": str(width)} for number, width in enumerate(widths)]
    measures = {"waist": str(waist), "hip": str(hip), "length": "50"}
    got = thing(
        client, measures, unit=unit, seam="1", tape=None, choices=choices, plans=True,
        cloth={"unit": unit, "usable": "150", "stripes": stripes, "colour": "#ffffff"},
    )  # fmt: skip
    front, behind = (hip + 3) / 2, (hip + 3) / 2
    many = max(2, int(behind / size + Fraction(1, 2)) + 1)
    spacing = behind / (many - 1)
    repeats = max(1, -(-spacing * 2 // repeat))
    pitch = repeats * repeat
    edge = got["edges"]["wrap"]
    assert edge["problems"] == [], edge["problems"]
    assert edge["count"] == many
    fold = Fraction(got["results"]["fold"]["length"]["mm"]).limit_denominator(100_000) / mm
    begins, seam = Fraction(choices["begins"]), Fraction(1)
    assert fold >= Fraction(choices["fold"])
    assert fold < Fraction(choices["fold"]) + repeat
    middles = [sum(widths[:n]) + width / 2 for n, width in enumerate(widths)]
    # Along the cloth from the cut end of the outer front piece: its seam, its fold, half of it.
    at = seam + fold + front / 2
    here = begins - at if left else begins + at
    assert abs((here - middles[centre - 1] + repeat / 2) % repeat - repeat / 2) < Fraction(1, 1000)
    # The flat strip of the plan: its first and its last face are the front pieces; every other shows one place of the plaid.
    walk = edge["plan"]["walk"]
    flat = [Fraction(one).limit_denominator(1_000_000) / mm for one in walk["flat"]]
    first = len(flat) - 2 if left else 0
    outer = flat[first], flat[first + 1]
    assert abs(outer[1] - outer[0] - front) < Fraction(1, 1000)
    middle = (outer[0] + outer[1]) / 2
    faces = [
        (flat[n] + flat[n + 1]) / 2
        for n in range(1, len(flat) - 2)
        if abs(flat[n + 1] - flat[n] - spacing) < Fraction(1, 1000) and n % 3 == 0
    ]
    assert len(faces) == many - 1
    seen = {round(float((face - middle + middles[centre - 1] + Fraction(1, 10_000)) % repeat), 2) for face in faces}
    assert len(seen) == 1, seen
    if to_stripe:
        assert abs(seen.pop() - float(middles[shown - 1])) < 0.02
    whole = (flat[-1] - flat[0]) + fold + 11 + 2
    assert (
        abs(sum(p["long"]["mm"] for p in got["pieces"] if p["name"].startswith("Wrap")) / float(mm) - float(whole))
        < 0.01
    )
    assert abs(float(flat[-1] - 2 * front - (many * pitch - spacing))) < (0.001 if not to_stripe else float(repeat))
