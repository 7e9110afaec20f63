"""`POST /api/plan`, the wire that must stay as it is."""

from __future__ import annotations

import json
from itertools import pairwise
from typing import Any

import pytest
from django.test import Client

from ribbon.fraction import Fraction
from tests.conftest import Asked

SKIRT = {
    "kind": "knife",
    "unit": "cm",
    "pins": {"finished": "70 cm", "spacing": {"about": "3"}},
    "meet": True,
    "closed": True,
}


def test_the_skirt_in_full(ask: Asked) -> None:
    status, made = ask("POST", "/plan", {**SKIRT, "allowance": {"start": "1.5", "end": "1.5"}})
    assert status == 200
    assert (made["count"], made["spaces"], made["flat"]["text"], made["cut"]["text"]) == (23, 23, "210 cm", "213 cm")
    assert made["spacing"] == {"mm": float(Fraction(700, 23)), "text": "≈3.04 cm", "exact": False}
    assert made["fullness"] == {"text": "3", "value": 3.0}
    assert made["gave"][0] == {
        "quantity": "spacing", "from": "3 cm", "to": "≈3.04 cm", "why": "so that 23 whole pleats close the ring",
        "says": "The spacing opened from 3 cm to ≈3.04 cm so that 23 whole pleats close the ring.",
    }  # fmt: skip
    assert [choice["count"] for choice in made["choices"]] == [22, 23, 24]
    assert made["marks"][0]["kind"] == "outer"
    assert made["on_tape"]["groups"][0] == {"pleats": 10, "depth": {"mm": 31.0, "text": "3.1 cm", "exact": True}}
    for name in ("kind", "take_up", "depth", "per_pleat", "assumed", "joins", "widths", "warnings", "walk", "on_tape"):
        assert name in made


def test_the_walk_can_be_walked_again_from_the_wire_alone(ask: Asked) -> None:
    for kind, pins in (("knife", {"depth": "2"}), ("box", {"box": "4"}), ("inverted", {"spacing": "9"})):
        _, made = ask("POST", "/plan", {"kind": kind, "pins": {"finished": "70", **pins}})
        walk, x, layer, heading = made["walk"], 0.0, 0, 1
        turns = {fold["after"]: fold["turn"] for fold in walk["folds"]}
        for index, span in enumerate(walk["spans"]):
            assert walk["x"][index] == pytest.approx(x, abs=1e-6)
            assert walk["layers"][index] == layer
            x += heading * span["length"]["mm"]
            if index in turns:
                heading, layer = -heading, layer + (1 if turns[index] == "front" else -1)
        assert x == pytest.approx(made["finished"]["mm"])
        assert all(a["at"]["mm"] <= b["at"]["mm"] for a, b in pairwise(made["marks"]))


def test_exact_marks_where_no_tape_is_wanted(ask: Asked) -> None:
    _, made = ask("POST", "/plan", {**SKIRT, "tape": None})
    assert (made["tape"], made["on_tape"]) == (None, None)
    _, coarse = ask("POST", "/plan", {**SKIRT, "tape": "5 mm"})
    assert {mark["at"]["mm"] % 5 for mark in coarse["on_tape"]["marks"]} == {0.0}


@pytest.mark.parametrize(
    ("section", "finer"),
    [
        ({"kind": "cartridge", "pins": {"finished": "82.75", "flat": "120.375"}, "tape": "5 mm"}, "2 mm"),
        ({"kind": "knife", "pins": {"finished": "70", "count": 50, "flat": "85"}, "tape": "5 mm"}, "1 mm"),
        ({"kind": "cartridge", "unit": "in", "pins": {"finished": "60 3/8", "flat": "62"}, "tape": "1/4 in"}, None),
    ],
)
def test_a_tape_too_coarse_for_its_pleats_is_said(ask: Asked, section: dict[str, Any], finer: str | None) -> None:
    status, made = ask("POST", "/plan", section)
    # Upright folds need some cloth each; of others some have none on such a tape.
    assert (status, made["on_tape"] is None) == (200, section["kind"] == "cartridge")
    (warning,) = [one for one in made["warnings"] if one["code"] == "too_coarse"]
    assert warning["mend"]["change"] == {"tape": finer}
    own = {name: section[name] for name in ("kind", "pins")}
    edge = {**section, "kind": "mixed", "pins": {}, "parts": [own, {"kind": "plain", "width": "4"}]}
    for address, body in (("/chalk", section), ("/fold", section), ("/plan", edge), ("/chalk", edge)):
        assert ask("POST", address, body)[0] == 200, (address, body)
    _, whole = ask("POST", "/plan", edge)
    assert [one["mend"]["change"] for one in whole["warnings"] if one["code"] == "too_coarse"] == [{"tape": finer}]
    _, mended = ask("POST", "/plan", {**section, "tape": finer})
    assert bool(mended["on_tape"]) == bool(finer)
    assert "too_coarse" not in [one["code"] for one in mended["warnings"]]


def test_no_pile_is_minded_where_nothing_is_folded(ask: Asked) -> None:
    parts = [{"kind": "plain", "width": "10"}, {"kind": "gather", "pins": {"fullness": "2"}}]
    edge = {"kind": "mixed", "pins": {"finished": "60"}, "cloth": {"thickness": "4 mm"}, "parts": parts}
    status, made = ask("POST", "/plan", edge)
    assert (status, made["warnings"]) == (200, [])


def test_numbers_are_read_as_written(ask: Asked) -> None:
    _, made = ask("POST", "/plan", {"kind": "gather", "unit": "cm", "pins": {"finished": 22, "fullness": 1.8}})
    assert made["flat"] == {"mm": 396.0, "text": "39.6 cm", "exact": True}


def test_every_problem_at_once_each_with_its_field_and_a_way_out(ask: Asked) -> None:
    """What is no section is said first, all of it; then what in one cannot be read, all of that."""
    shape = {"kind": "knife", "pins": {"finished": "70", "depth": [1]}, "facing": "up", "colour": 1}
    typed = {"kind": "knife", "pins": {"finished": "abc", "spacing": "-3", "count": "2.5"}, "tape": "0.01 mm"}
    for section, paths in (
        (shape, {"pins.depth", "facing", "colour"}),
        (typed, {"pins.finished", "pins.spacing", "pins.count", "tape"}),
    ):
        status, said = ask("POST", "/plan", section)
        assert status == 422
        found = {problem["path"]: problem for problem in said["problems"]}
        assert set(found) == paths
        assert all(problem["way_out"] for problem in said["problems"])
        if section is typed:
            assert found["pins.finished"]["message"] == "“abc” was not understood as a length"
            assert found["pins.count"]["way_out"] == "pleats are whole: 2 or 3"
        else:
            assert (found["facing"]["value"], found["pins.depth"]["value"]) == ("up", "[1]")


@pytest.mark.parametrize(
    ("section", "path", "says"),
    [
        ({"kind": "knife", "pins": {"finished": {"about": "x"}}}, "pins.finished.about", "“x” was not understood"),
        ({"kind": "knife", "pins": {"finished": "9" * 10_000}}, "pins.finished", "10000 characters are too many"),
        ({"kind": "knife", "pins": {"finished": "70"}, "lead": {"times": "2"}}, "lead.times", "2 is not a part of a space"),
        ({"kind": "knife", "pins": {"finished": "70"}, "lead": {"times": "1", "width": "3"}}, "lead", "either a width or times"),
        ({"kind": "knife", "pins": {"finished": "70"}, "tape": "0.01 mm"}, "tape", "no chalk is that fine"),
        ({"kind": "knife", "pins": {"finished": "70"}, "cloth": {"usable": "0"}}, "cloth.usable", "nought cannot be"),
        ({"kind": "knife", "pins": {"finished": 1e300}}, "pins.finished", "characters are too many"),
        ({"kind": "knife", "pins": {"finished": "70", "count": "23", "spacing": "3"}, "closed": True}, "pins.finished", "do not agree"),
        ({}, "kind", "Field required"),
        ([], "", "object"),
    ],
)  # fmt: skip
def test_bad_facts_are_answered_with_a_sentence(ask: Asked, section: Any, path: str, says: str) -> None:
    status, said = ask("POST", "/plan", section)
    assert status == 422
    assert said["problems"][0]["path"] == path
    assert says in said["problems"][0]["message"]


@pytest.mark.parametrize("body", ["{nope", '{"kind": "knife", "pins": {"finished": NaN}}', "", "\udcff"])
def test_what_is_not_json_is_refused(body: str) -> None:
    answer = Client(SERVER_NAME="127.0.0.1").generic(
        "POST", "/api/plan", body.encode("utf-8", "surrogateescape"), content_type="application/json"
    )
    assert answer.status_code in (400, 422)
    assert json.loads(answer.content)["problems"]


def test_twenty_thousand_pleats_are_answered(ask: Asked) -> None:
    status, made = ask("POST", "/plan", {"kind": "knife", "pins": {"count": 20_000, "spacing": "1 cm"}, "meet": True})
    assert (status, made["count"], len(made["marks"]), made["flat"]["text"]) == (200, 20_000, 60_000, "60000 cm")


def test_it_needs_neither_cookie_nor_token() -> None:
    client = Client(enforce_csrf_checks=True, SERVER_NAME="127.0.0.1")
    assert client.post("/api/plan", json.dumps(SKIRT), content_type="application/json").status_code == 200


def test_an_underlay_past_the_end_is_warned_of_with_its_mend(ask: Asked) -> None:
    apron = {"kind": "knife", "unit": "in", "pins": {"finished": "40", "flat": "118", "spacing": "1"}}
    _, made = ask("POST", "/plan", apron)
    (warning,) = made["warnings"]
    assert warning["code"] == "past_end"
    assert warning["mend"]["change"] == {"lead.times": None, "lead.width": "1 in"}  # one in place of the other
    _, mended = ask("POST", "/plan", {**apron, "lead": {"width": "1 in"}})
    assert not mended["warnings"]


@pytest.mark.parametrize(
    ("move", "status", "says"),
    [
        ({"quantity": "spacing", "text": "3", "by": 1}, 200, "3.1 cm"),
        ({"quantity": "spacing", "text": "≈1", "by": 1, "unit": "in"}, 200, "1 1/16 in"),
        ({"quantity": "depth", "unit": "in", "start": 100.0, "end": 126.0}, 200, "1 in"),
        ({"quantity": "depth", "tape": "thin", "text": "3", "by": 1}, 422, "was not understood"),
        ({"quantity": "colour", "text": "3"}, 422, "Input should be"),
        ({"quantity": "count", "text": "1", "by": -1}, 422, "cannot go lower"),
    ],
)
def test_a_pin_moved_by_hand(ask: Asked, move: dict[str, Any], status: int, says: str) -> None:
    got, said = ask("POST", "/move", move)
    assert got == status
    assert says in (said["text"] if got == 200 else said["problems"][0]["message"])
