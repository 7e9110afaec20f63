"""Blocks with pleats let in: drafted or typed, spread, darts swallowed, the top trued, small pleats at the waist; against reckonings of their own."""

from __future__ import annotations

from fractions import Fraction
from random import Random
from typing import Any

import pytest
from django.test import Client

from ribbon.errors import Refusal
from ribbon.shapes import FOLD
from server.making.answer import thing_made
from server.wire.cloth import ClothSpec
from server.wire.work import ThingSpec
from tests.examples import seeds

BODY = {"waist": "68", "hip": "94", "length": "60"}
CLOTH = {"face": {"usable": "140 cm"}}


def thing(client: Client, choices: dict[str, str], status: int = 200, **measures: Any) -> Any:
    asked = {
        "kind": "block",
        "unit": "cm",
        "seam": "1.5",
        "measures": {**BODY, **measures},
        "choices": choices,
        "cloths": CLOTH,
    }
    answer = client.post("/api/thing", asked, content_type="application/json")
    assert answer.status_code == status, answer.json()
    return answer.json()


def made(choices: dict[str, str], **measures: str) -> Any:
    said = ThingSpec.model_validate(
        {"kind": "block", "unit": "cm", "seam": "1.5", "measures": {**BODY, **measures}, "choices": choices}
    )
    return thing_made(said, {"face": ClothSpec(usable="140 cm")}, {})


def tried(choices: dict[str, str], **measures: str) -> Any:
    """The same, or the fields of what it was refused for."""
    try:
        return made(choices, **measures)
    except Refusal as refused:
        return {one.path for one in refused.problems}


def test_worked_by_hand(client: Client) -> None:
    got = thing(client, {})
    # A quarter: (94 + 4) / 4 = 24.5 at the hip, (68 + 2) / 4 = 17.5 at the waist; the dart takes half of the 7 they differ.
    front = got["edges"]["front"]
    # One inverted pleat of 4 · 4 on the line, half of one on the fold: 24 more.
    assert (front["finished"]["mm"], front["flat"]["mm"]) == (245, 485)
    assert "The dart on line 1 is swallowed: its pleat takes 3.5 cm more at the waist." in got["slip"]
    assert "The waist comes to 17.5 and 17.5 a quarter, 70 cm in all: the body with its ease is 70 cm." in got["slip"]
    # Opened from the fold, a seam at both sides: 2 · 48.5 + 3.
    assert [piece["wide"]["mm"] for piece in got["pieces"]] == [1000, 1000]
    assert [view["name"] for view in got["picture"]["views"]] == ["front", "back", "block", "pattern", "body"]
    totals = {one["of"]: (one["pleats"], one["take_up"]["mm"]) for one in front_inserted(client)["totals"]}
    assert totals == {"half": (1.5, 240), "piece": (3, 480)}


def front_inserted(client: Client) -> Any:
    asked = {"kind": "block", "unit": "cm", "measures": BODY, "cloths": CLOTH, "plans": True}
    return client.post("/api/thing", asked, content_type="application/json").json()["edges"]["front"]["plan"][
        "inserted"
    ]


def test_small_pleats_at_the_waist(client: Client) -> None:
    small = {"style": "waist", "pleats": "3", "pitch": "2.5", "take": "1.2", "first": "5", "stitched": "6"}
    got = thing(client, small)
    assert (
        "3 small pleats at each side: marked every 2.5 cm, each takes 1.2 cm, 1.3 cm is seen between; the first 5 cm from the middle."
        in got["slip"]
    )
    assert (got["edges"]["front"]["finished"]["mm"], got["edges"]["front"]["flat"]["mm"]) == (175, 211)
    # Widened by less than they take the waist comes out narrower, for a quarter and for all of it.
    less = thing(client, {**small, "add_waist": "3"})
    assert (
        "The waist comes to 16.9 and 16.9 a quarter, 67.6 cm in all: the body with its ease is 70 cm." in less["slip"]
    )
    assert any("widen the block at the waist" in one["message"] for one in less["warnings"])
    dress = thing(
        client,
        {**small, "from": "bust", "stitched_up": "4", "add_bust": "2", "add_hip": "1", "add_hem": "2"},
        bust="90",
    )
    outline = next(
        p
        for p in made({**small, "from": "bust", "add_bust": "2", "add_hip": "1", "add_hem": "2"}, bust="90").made.pieces
        if p.key == "front"
    ).drafted.stitching
    # Hem 24.5 + 2, hip 24.5 + 1 at 40, waist 17.5 + 3.6 at 60, bust (90 + 6) / 4 + 2 at 78.
    assert [(side.start.x, side.start.y) for side in outline.sides] == [
        (0, 0),
        (265, 0),
        (255, 400),
        (211, 600),
        (260, 780),
        (0, 780),
    ]
    assert any("Stitch each 4 cm up and 6 cm down" in one["says"] for one in dress["steps"])
    assert "Above the bust the pattern is your own." in dress["slip"]


@pytest.mark.parametrize(
    ("choices", "path", "says"),
    [
        ({"pleats": "9"}, "choices.pleats", "this block is 21 cm across"),
        ({"pleats": "31"}, "choices.pleats", "31 pleats at each side"),
        ({"deep": "0"}, "choices.deep", "nought cannot be"),
        ({"style": "waist", "take": "6"}, "choices.take", "leave nothing between them"),
        ({"dart_wide": "9"}, "choices.dart_wide", "hip and waist differ by 7 cm"),
        ({"stitched": "80"}, "choices.stitched", "as long as the block"),
        ({"drawn": "typed", "outline": "0 0; 25 0; 24"}, "choices.outline", "corner 3: a corner is two lengths"),
        ({"drawn": "typed", "outline": "0 0; 25 0; 24 x; 0 60"}, "choices.outline", "corner 3"),
        ({"drawn": "typed", "outline": "0 0; 25 60; 25 0; 0 60"}, "choices.outline", "cross each other"),
        ({"drawn": "typed", "outline": "1 0; 25 0; 25 60; 0 60"}, "choices.outline", "both 0 across"),
        ({"drawn": "typed", "outline": "0 0; 25 0; 0 60"}, "choices.outline", "3 corners make no block"),
        ({"drawn": "typed", "outline": "0 0; 25 0; 24 40; 25 60; 30 62; 28 63; 0 59"}, "choices.outline", "turns back on itself"),
    ],
)  # fmt: skip
def test_what_cannot_be_says_so(client: Client, choices: dict[str, str], path: str, says: str) -> None:
    problems = thing(client, choices, 422)["problems"]
    assert [(one["path"], says in one["message"], bool(one["way_out"])) for one in problems] == [(path, True, True)], (
        problems
    )


def shoelace(points: list[tuple[Fraction, Fraction]]) -> Fraction:
    return (
        sum((a[0] * b[1] - b[0] * a[1] for a, b in zip(points, [*points[1:], points[0]], strict=True)), Fraction(0)) / 2
    )


def folded(flat: Fraction, lines: list[tuple[Fraction, Fraction]], kind: str) -> Fraction:
    """Where a place of the flat top comes to lie on the block as it is worn; `lines` are (place, cloth taken), the first perhaps in the middle."""
    along = Fraction(0)
    for place, take in lines:
        q = take / (2 if kind == "knife" else 4)
        if kind == "box":
            half = Fraction(20) if place else Fraction(0)
            # Two folds, at both edges of the box.
            for edge, hand in ((place - half, 1), (place + half, -1)) if place else ((Fraction(0) + 20, -1),):
                if flat <= along + edge:
                    return flat - along
                if flat <= along + edge + 2 * q:
                    into = flat - along - edge
                    return edge + hand * (into if into <= q else 2 * q - into)
                along += 2 * q
            continue
        if place == 0:
            q = take / 2  # half of a pleat: out and back
            if flat <= 2 * q:
                return flat if flat <= q else 2 * q - flat
            along += 2 * q
            continue
        if flat <= along + place:
            return flat - along
        if flat <= along + place + take:
            into = flat - along - place
            if kind == "knife":
                return place - (into if into <= q else 2 * q - into)
            if into <= 2 * q:
                return place - (into if into <= q else 2 * q - into)
            return place + (into - 2 * q if into <= 3 * q else 4 * q - into)
        along += take
    return flat - along


@pytest.mark.parametrize("seed", seeds(200))
def test_a_spread_block_is_the_block_and_what_its_pleats_take(seed: int) -> None:
    """Areas added are what the pleats take; folded again its top is straight; its sides are those of the block."""
    pick = Random(seed)

    def some(low: int, high: int) -> Fraction:
        return Fraction(pick.randint(low * 10, high * 10), 10)

    kind = pick.choice(["knife", "inverted"])
    waist, hip, length, level = some(60, 90), some(95, 120), some(50, 90), some(15, 25)
    middle = kind == "inverted" and pick.random() < 0.5
    many = pick.randint(1, 3)
    first, pitch, deep, flare, rise, more = some(4, 6), some(3, 4), some(1, 2), some(0, 6), some(0, 3), some(0, 4)
    darts, own = pick.randint(0, 2), pick.random() < 0.5
    choices = {
        "heading": kind, "centre": "pleat" if middle else "none", "pleats": str(many), "first": str(first), "pitch": str(pitch),
        "deep": str(deep), "flare": str(flare), "rise": str(rise), "more_hem": str(more), "darts": str(darts), "dart_long": "9",
        "where": "front", "stitched": "0",
    }  # fmt: skip
    if own and darts:
        choices["dart_at"] = str(some(4, 6))
    if kind == "inverted" and pitch <= 2 * deep:
        choices["pitch"] = str(pitch := 2 * deep + 1)
    if kind == "inverted" and first <= 2 * deep:
        choices["first"] = str(first := 2 * deep + 1)
    found = tried(choices, waist=str(waist), hip=str(hip), length=str(length), hip_level=str(level))
    if isinstance(found, set):
        # Darts that lie over each other or under a fold.
        assert found <= {"choices.darts", "choices.dart_at"}
        return
    told = found
    if told.edges["front"].problems:
        # Lines that the cloth between cannot serve are refused, never folded wrongly.
        assert all(one["way_out"] for one in told.edges["front"].problems)
        return
    piece = next(one for one in told.made.pieces if one.key == "front")
    outline = piece.drafted.stitching
    qw, qh = (waist + 2) / 4, (hip + 4) / 4
    w = (qh - qw) / 2 / darts if darts else Fraction(0)
    at = [(Fraction(choices["dart_at"]) if "dart_at" in choices else first) + pitch * n for n in range(darts)]
    lines = [first + pitch * n for n in range(many)]
    eaten = [n for n, line in enumerate(lines) if any(abs(a - line) < w / 2 for a in at)]
    kept = darts - len(eaten)
    take = deep * (2 if kind == "knife" else 4)
    pleats = many + (Fraction(1, 2) if middle else 0)
    end = qw + w * darts
    block = [
        (Fraction(0), Fraction(0)),
        (qh + flare, Fraction(0)),
        (qh, length - level),
        (end, length),
        (Fraction(0), length - rise),
    ]
    got = [(side.start.x / 10, side.start.y / 10) for side in outline.sides]
    assert got[0] == (0, 0)
    assert got[1] == (qh + flare + (take + more) * pleats, 0)
    assert got[2] == (qh + take * pleats, length - level)
    assert got[3] == (end + take * pleats, length)
    if rise == 0:
        added = take * pleats * length + more * pleats * (length - level) / 2
        assert shoelace(got) == shoelace(block) + added - kept * w * 9 / 2
    # Each bit of the top, folded again, lies on one straight line from the middle to the side.
    away = [w * sum(1 for other in eaten if other < n) for n in range(many)]
    stand = ([(Fraction(0), take / 2)] if middle else []) + [
        (line - away[n] - (w / 2 if n in eaten and kind == "inverted" else 0), take + (w if n in eaten else 0))
        for n, line in enumerate(lines)
    ]
    worn_end = end - w * len(eaten)
    tops = [side.end for side in outline.named("top")]
    for corner in tops:
        x, y = corner.x / 10, corner.y / 10
        straight = length - rise + rise * folded(x, stand, kind) / worn_end
        tip = kept and y < straight and straight - y == 9
        assert tip or y == straight, (x, y, straight)
    assert outline.named(FOLD)
    # Fold lines run from foot to top, in order, and never cross.
    feet = [line.corners[0].x for line in piece.drafted.lines]
    assert feet == sorted(feet)
    assert [line.corners[-1].x for line in piece.drafted.lines] == sorted(
        line.corners[-1].x for line in piece.drafted.lines
    )
    # Its waist, folded and its other darts sewn, is that of the body.
    assert worn_end - kept * w == qw


def test_a_typed_outline_is_spread_along_its_lines(client: Client) -> None:
    typed = {
        "drawn": "typed",
        "outline": "0 0; 25 0; 24 40; 18 60; 0 59",
        "heading": "knife",
        "pleats": "2",
        "first": "6",
        "pitch": "5",
        "deep": "2",
        "stitched": "0",
    }
    outline = next(one for one in made(typed).made.pieces if one.key == "front").drafted.stitching
    got = [(side.start.x / 10, side.start.y / 10) for side in outline.sides]
    # Two knife pleats take 4 each: what lies beyond them is 8 further out.
    assert got[:4] == [(0, 0), (33, 0), (32, 40), (26, 60)]
    assert got[-1] == (0, 59)
    slip = thing(client, typed)["slip"]
    assert "The waist comes to 18 and 18 a quarter, 72 cm in all: the body is 68 cm." in slip
