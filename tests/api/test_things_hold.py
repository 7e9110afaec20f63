"""Whatever is chosen of a thing, it is answered or refused in words; and what it answers holds together."""

from __future__ import annotations

import re
from random import Random
from typing import Any

import pytest
from django.test import Client

from ribbon.making import THINGS, Sort
from server.making.kept import edges_kept
from server.wire.section import SectionSpec
from tests.examples import seeds

TYPED = {
    Sort.LENGTH: ["0", "1", "9 cm", "3 1/2 in", "152", "2 m", "(70+2)/4", ""],
    Sort.RATIO: ["1", "1/3", "2", "2.2", "2 1/2", "5/2", "3"],
    Sort.COUNT: ["1", "2", "3", "12", "22", "40"],
    Sort.PRICE: ["0.15", "12", "480"],
    Sort.TEXT: ["", "the warden", "so that it is seen", "x" * 40],
    Sort.WEIGHT: ["4 kg", "20 lb", "12"],
}
CLOTHS: list[dict[str, Any]] = [
    {},
    {"face": {"usable": "138 cm"}},
    {"face": {"usable": "54 in", "along": "64 cm", "price": "19.80", "weight": "330 g/m²", "shrinkage": "5"}},
    {"face": {"usable": "280 cm", "price": "9"}, "lining": {"usable": "136 cm", "price": "6.2", "weight": "150 g/m²"}},
    {"face": {"usable": "30 cm"}},
]


def said(chance: Random, kind: str) -> dict[str, Any]:
    """A thing as somebody might say it: its first measures nearly always, any of its choices now and then."""
    thing = THINGS[kind]
    measures: dict[str, Any] = {}
    choices: dict[str, Any] = {}
    for field in thing.fields:
        if field.measure:
            if field.first and chance.random() < 0.9:
                one = chance.choice(["96 cm", "152", "84 in", "2.4 m"])
                measures[field.name] = [one, chance.choice(["200", "210 cm"])] if field.several else one
            elif chance.random() < 0.2:
                measures[field.name] = chance.choice(TYPED[Sort.LENGTH])
        elif chance.random() < 0.35:
            words = [name for name, _ in field.options]
            choices[field.name] = chance.choice(words) if words else chance.choice(TYPED[field.sort])
    unit = chance.choice(["cm", "in"])
    return {"kind": kind, "unit": unit, "measures": measures, "choices": choices, "cloths": chance.choice(CLOTHS)}


@pytest.mark.parametrize("kind", THINGS)
@pytest.mark.parametrize("seed", seeds(150))
def test_a_thing_is_answered_or_refused_in_words(client: Client, kind: str, seed: int) -> None:
    body = said(Random(seed), kind)
    answer = client.post("/api/thing", body, content_type="application/json")
    told = answer.json()
    assert answer.status_code in (200, 422), told
    if answer.status_code == 422:
        assert all(one["message"] and one["way_out"] and one["path"] for one in told["problems"]), told
        return
    for name, edge in told["edges"].items():
        if edge["plan"] is None:
            assert edge["problems"], name
            assert all(one["way_out"] for one in edge["problems"])
            continue
        plan = edge["plan"]
        # The tie holds: what the edge comes to is what the thing said it would; a lining is tied as its face is.
        tied = name.removeprefix("lining_")
        assert plan["finished"]["mm"] == pytest.approx(told["results"][f"{tied}.finished"]["length"]["mm"])
        flat = told["results"].get(f"{tied}.flat")
        if flat and flat["length"]:
            assert plan["flat"]["mm"] == pytest.approx(flat["length"]["mm"])
    hooks = [one for one in told["notions"] if one["name"] == "hooks"]
    # Along gathers hooks go by the hand, and not by the pleat.
    hung = {name: edge for name, edge in told["edges"].items() if name != "frill"}  # a trim hangs from nothing
    whole = [edge for edge in hung.values() if edge["count"]]
    if hooks and len(whole) == len(hung):
        assert hooks[0]["count"] == sum(edge["count"] + 2 for edge in whole) * told["times"]
    assert told["picture"] is None or told["picture"]["views"]
    assert all(row["title"] for one in told["compared"] for row in one["rows"])
    assert all(len([row for row in one["rows"] if row["taken"]]) <= 1 for one in told["compared"]), told["compared"]


@pytest.mark.parametrize("seed", seeds(120))
def test_the_widths_that_are_said_are_those_that_are_cut(client: Client, seed: int) -> None:
    chance = Random(seed)
    choices = {
        "fullness": chance.choice(["2", "2.2", "2.5", "3"]),
        "widths": chance.choice(["half", "each", "near", "exact", "hidden"]),
        "divides": chance.choice(["pair", "unequal", "one_way", "alone"]),
        "windows": str(chance.randint(1, 3)),
    }
    measures = {"rail": str(chance.randint(80, 400)), "drop": str(chance.randint(60, 260))}
    face = {"usable": f"{chance.randint(90, 300)} cm"}
    body = {"kind": "curtains", "measures": measures, "choices": choices, "cloths": {"face": face}, "plans": False}
    answer = client.post("/api/thing", body, content_type="application/json")
    if answer.status_code == 422:
        return
    told = answer.json()
    if any(edge["problems"] for edge in told["edges"].values()):
        return
    taken = next(row for row in told["compared"][0]["rows"] if row["taken"])
    # Drop less 1 cm, a heading of 9 and a hem of twice 10: so long is each width of the cutting plan.
    each = int(measures["drop"]) - 1 + 9 + 20
    cut = re.search(r"(\d+) cm cut from", told["buy"][0]["says"])
    assert cut is not None
    assert int(cut[1]) == each * int(taken["more"].split()[0]), taken


@pytest.mark.parametrize("kind", THINGS)
@pytest.mark.parametrize("seed", seeds(150))
def test_what_is_kept_of_a_thing_can_be_read_again(kind: str, seed: int) -> None:
    """Every edge with its ties is a section: a backup, an open file and the page read it back."""
    body = said(Random(seed), kind)
    cloths = body.pop("cloths", {})
    body = {name: value for name, value in body.items() if name not in ("edges", "plans")}
    for title, spec in (edges_kept(body, cloths) or {}).values():
        assert title
        read = SectionSpec.model_validate(spec)
        assert read.model_dump(mode="json", exclude_unset=True) == spec
