"""A circle skirt from the body to its pieces on the cloth; one without any edge to plan too."""

from __future__ import annotations

from typing import Any

import pytest
from django.test import Client

CIRCLE = {"kind": "circle", "unit": "cm", "seam": "1.5", "measures": {"waist": "70", "length": "60"}}
CLOTHS = {"face": {"usable": "150 cm", "price": "12", "sign": "£"}}


def post(client: Client, address: str, body: Any, status: int = 200) -> Any:
    answer = client.post(f"/api{address}", body, content_type="application/json")
    assert answer.status_code == status, answer.json()
    return answer.json()


def thing(client: Client, **choices: Any) -> Any:
    return post(client, "/thing", {**CIRCLE, "choices": {"ease": "2", **choices}, "cloths": CLOTHS})


def test_a_plain_circle_has_no_edge_to_plan_and_is_bought_and_cut(client: Client) -> None:
    got = thing(client)
    assert got["edges"] == {}
    assert [(one["name"], one["count"]) for one in got["pieces"]] == [("Half circle", 2), ("Band", 1)]
    assert got["buy"]
    assert got["cost"].startswith("£")
    assert [view["name"] for view in got["picture"]["views"]] == ["front", "flat", "body"]
    cut = post(
        client, "/cut", {"sections": [], "cloths": CLOTHS, "thing": {**CIRCLE, "choices": {"ease": "2"}}, "quick": True}
    )
    placed = cut["plans"][0]["placed"]
    assert len(placed) == 3
    assert any(one["outline"] and any(side["radius"] for side in one["outline"]) for one in placed)
    hung = next(one for one in got["steps"] if one["name"] == "hang")
    assert hung["waits"]


def test_a_gathered_edge_follows_what_was_cut(client: Client) -> None:
    got = thing(client, heading="gather", fullness="1.8")
    edge = got["edges"]["circle"]
    assert (edge["finished"]["mm"], edge["flat"]["mm"]) == (720, 1296)
    assert edge["plan"]["widths"] == [] or edge["plan"]["joins"] == []
    measured = post(
        client,
        "/thing",
        {
            **CIRCLE,
            "measures": {**CIRCLE["measures"], "cut_edge": "132"},  # type: ignore[dict-item]
            "choices": {"ease": "2", "heading": "gather", "fullness": "1.8"},
            "cloths": CLOTHS,
        },
    )
    assert measured["edges"]["circle"]["flat"]["mm"] == 1320
    assert measured["edges"]["circle"]["finished"]["mm"] == 720


def test_pleats_take_what_they_were_said_to_take(client: Client) -> None:
    got = thing(client, heading="knife", pleats="6", takes="4")
    plan = got["edges"]["circle"]["plan"]
    assert (plan["count"], plan["flat"]["mm"], plan["finished"]["mm"]) == (6, 960, 720)
    assert plan["per_pleat"]["mm"] is not None


def test_what_does_not_fit_the_cloth_says_how_else_to_cut_it(client: Client) -> None:
    got = thing(client, heading="gather", fullness="1.8", cut_in="whole")
    assert any("cut it in halves" in one["message"] for one in got["warnings"])
    assert any("The longest that this cloth makes so" in line for line in got["slip"])
    twice = thing(client, share="half", circles="2")
    assert any("one circle in two pieces" in one["message"] for one in twice["warnings"])


@pytest.mark.django_db
def test_a_plain_circle_as_a_work_has_its_papers(client: Client) -> None:
    body = {"name": "Dome-night circle", "thing": {**CIRCLE, "choices": {"ease": "2"}}, "cloths": CLOTHS}
    work = post(client, "/works", body, 201)
    assert work["sections"] == []
    ready = client.get(f"/api/works/{work['key']}/ready").json()
    asked = {"sections": [], "cloths": ready["cloths"], "thing": ready["thing"], "work": work["name"]}
    for paper in ("sheet", "cutting", "slip", "labels", "making"):
        assert post(client, "/papers/pages", {**asked, "paper": paper})["pages"], paper
    pattern = post(client, "/papers/pages", {**asked, "paper": "pattern"})
    assert [one["key"] for one in pattern["pieces"]] == ["ring", "band"]
    assert pattern["formats"] == ["pdf", "svg", "dxf"]
    band = post(client, "/papers/pages", {**asked, "paper": "pattern", "piece": "band"})
    assert band["count"] < pattern["count"]
    wrong = post(client, "/papers/pages", {**asked, "paper": "pattern", "piece": "sleeve"}, 422)["problems"][0]
    assert (wrong["path"], wrong["way_out"]) == ("piece", "choose one of ring, band")
    assert post(client, "/papers/pages", {**asked, "paper": "chalk"}, 422)["problems"][0]["way_out"]
    assert client.get("/api/works").json()["works"][0]["picture"]


def test_a_dip_is_told_and_cut(client: Client) -> None:
    body = {**CIRCLE, "measures": {"edge": "72", "length": "34", "behind": "46"}, "choices": {"cut_in": "halves"}}
    answer = client.post("/api/thing", {**body, "cloths": CLOTHS}, content_type="application/json")
    got = answer.json()
    assert answer.status_code == 200, got
    assert {one["name"] for one in got["pieces"]} >= {"Front half circle", "Back half circle"}
    assert any("6 cm off the middle of its hem: it falls 34 cm in front, 46 cm behind" in line for line in got["slip"])
    assert any("nearer to the front" in one["says"] for one in got["steps"])
    assert {tape["field"] for tape in got["picture"]["views"][0]["tapes"]} >= {"length", "behind"}
