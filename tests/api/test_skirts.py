"""A skirt from the body to the record: pieces, fit, order, and everything against a reckoning of its own."""

from __future__ import annotations

from fractions import Fraction
from random import Random
from typing import Any

import pytest
from django.test import Client

from tests.examples import seeds

BODY = {"waist": "68", "hip": "94", "length": "60"}


def thing(client: Client, measures: dict[str, Any] | None = None, **body: Any) -> Any:
    asked = {
        "kind": "skirt",
        "unit": "cm",
        "measures": {**BODY, **(measures or {})},
        "cloths": {"face": {"usable": "138 cm"}},
        "seam": "1.5",
        **body,
    }
    answer = client.post("/api/thing", asked, content_type="application/json")
    assert answer.status_code == 200, answer.json()
    return answer.json()


def test_the_worked_skirt(client: Client) -> None:
    got = thing(client, choices={"size": "2.5"})
    edge = got["edges"]["skirt"]
    assert (edge["finished"]["mm"], edge["flat"]["mm"], edge["count"]) == (700, 2100, 28)
    band = next(one for one in got["pieces"] if one["key"] == "band")
    assert (band["wide"]["mm"], band["long"]["mm"]) == (110, 760)
    assert {one["name"] for one in got["notions"]} >= {"zip of 18 cm", "interfacing for the band"}
    assert [view["name"] for view in got["picture"]["views"]] == ["front", "back"]
    assert {tape["field"] for tape in got["picture"]["views"][0]["tapes"]} == {"waist", "hip", "length", "hip_level"}
    measured = thing(client, {"pleated_waist": "71"}, choices={"size": "2.5"})
    assert next(one for one in measured["pieces"] if one["key"] == "band")["long"]["mm"] == 770


def test_the_fit_at_the_hip_is_told_with_what_would_mend_it(client: Client) -> None:
    tight = thing(client, choices={"heading": "gather", "fullness": "1.2"})
    assert any("84 cm round" in one["message"] and "greater fullness" in one["message"] for one in tight["warnings"])
    held = thing(client, choices={"stitched": "22"})
    assert any("Stitched down past the hip" in one["message"] for one in held["warnings"])
    assert not any(one["code"] == "hip" for one in thing(client, choices={"stitched": "12"})["warnings"])
    odd = thing(client, {"hip": "60", "waist": "70"})
    assert any("A hip of 60 cm with a waist of 70 cm?" in one["message"] for one in odd["warnings"])
    inches = thing(client, {"waist": "27", "hip": "37"})
    assert any("Waist 27 cm? Most lie between" in one["message"] for one in inches["warnings"])


def test_an_apron_is_tied_and_opens_nowhere(client: Client) -> None:
    got = thing(client, choices={"worn": "apron", "heading": "gather"})
    assert {
        one["key"]: (one["count"], one["long"]["mm"]) for one in got["pieces"] if one["key"] in ("band", "tie")
    } == {
        "band": (1, 370),
        "tie": (2, 930),
    }
    assert not any("zip" in one["name"] for one in got["notions"])
    assert "ties" in [one["name"] for one in got["steps"]]
    assert [view["name"] for view in got["picture"]["views"]] == ["front"]


@pytest.mark.django_db
def test_the_skirt_as_a_work_follows_its_body_and_keeps_ones_own_facts(client: Client) -> None:
    def ask(method: str, path: str, body: Any = None) -> Any:
        answer = getattr(client, method)(f"/api{path}", body, content_type="application/json")
        assert answer.status_code in (200, 201), answer.json()
        return answer.json()

    made = {"kind": "skirt", "unit": "cm", "measures": BODY, "choices": {"divides": "halves"}}
    work = ask("post", "/works", {"name": "Guide’s skirt, new", "thing": made, "sections": []})
    assert [one["name"] for one in work["sections"]] == ["Front", "Back"]
    front = work["sections"][0]
    assert front["spec"]["pins"]["finished"] == {"tied": "front.finished"}
    own = {**front["spec"], "pins": {**front["spec"]["pins"], "spacing": "2.5 cm"}}
    work = ask("put", f"/works/{work['key']}/sections/{front['key']}", {"spec": own, "revision": work["revision"]})
    wider = {**made, "measures": {**BODY, "waist": "70"}}
    work = ask("put", f"/works/{work['key']}/thing", {"thing": wider, "revision": work["revision"]})
    ready = client.get(f"/api/works/{work['key']}/ready").json()
    assert ready["sections"][0]["spec"]["pins"] == {"finished": "36 cm", "spacing": "2.5 cm"}
    whole = {**wider, "choices": {"divides": "one"}}
    work = ask("put", f"/works/{work['key']}/thing", {"thing": whole, "revision": work["revision"]})
    assert [one["name"] for one in work["sections"]] == ["Skirt"]
    undone = ask("post", f"/works/{work['key']}/undo", {"revision": work["revision"]})
    assert [one["name"] for one in undone["sections"]] == ["Front", "Back"]


@pytest.mark.parametrize("seed", seeds(150))
def test_everything_is_as_a_plain_reckoning_has_it(client: Client, seed: int) -> None:
    chance = Random(seed)
    waist, hip = chance.randint(50, 130), chance.randint(70, 150)
    length, ease, under = chance.randint(30, 110), chance.choice([0, 2, 5]), chance.choice([0, 1])
    worn = chance.choice(["skirt", "skirt", "apron"])
    divides = chance.choice(["one", "halves", "quarters"])
    heading = chance.choice(["knife", "box", "inverted", "gather"])
    top = chance.choice(["band", "none", "yoke"])
    opening = chance.choice(["side", "back", "pleat", "lap", "elastic"])
    hem, depth = chance.choice(["double", "turned"]), chance.choice([2, 4])
    seam = chance.choice([Fraction(1), Fraction(3, 2)])
    choices = {
        "ease": str(ease), "under": str(under), "worn": worn, "divides": divides, "heading": heading, "top": top,
        "opening": opening, "hem": hem, "hem_depth": str(depth), "fullness": "2.5", "size": chance.choice(["2.5", "3", "4"]),
    }  # fmt: skip
    got = thing(
        client,
        {"waist": str(waist), "hip": str(hip), "length": str(length)},
        choices=choices,
        seam=str(float(seam)),
        cloths={"face": {"usable": f"{chance.choice([90, 138, 280])} cm"}},
    )
    around = worn == "skirt"
    by_hip = around and (top == "yoke" or opening == "elastic")
    whole = Fraction((hip if by_hip else waist) + ease + under) if around else Fraction(waist, 2)
    parts = {"one": 1, "halves": 2, "quarters": 4}[divides] if around else 1
    edges = got["edges"]
    assert len(edges) == parts
    cut = length + seam + (2 * depth if hem == "double" else depth + 1)
    for name, edge in edges.items():
        if edge["finished"] is None:
            assert edge["problems"]
            continue
        assert edge["finished"]["mm"] == pytest.approx(float(whole / parts * 10))
        if heading == "gather":
            assert edge["flat"]["mm"] == pytest.approx(float(whole / parts * 25))
        else:
            # Pleats that meet take three times what they cover.
            assert edge["flat"]["mm"] == pytest.approx(float(whole / parts * 30))
        widths = [one for one in got["pieces"] if one["key"].startswith(f"{name}.width")]
        assert widths
        assert all(one["long"]["mm"] == pytest.approx(float(cut * 10)) for one in widths)
        sides = 2 * seam if not (around and parts == 1) else 0
        joined = sum(one["wide"]["mm"] for one in widths)
        least = edge["flat"]["mm"] + float(sides or 2 * seam) * 10 + 20 * float(seam) * (len(widths) - 1)
        assert joined == pytest.approx(least)
    bands = {one["key"]: one for one in got["pieces"] if one["key"] in ("band", "tie", "yoke.front", "yoke.back")}
    if all(edge["finished"] for edge in edges.values()):
        assert ("band" in bands) == (top != "none")
        assert ("yoke.front" in bands) == (top == "yoke" and around and hip > 0)
        if "band" in bands:
            lap = 3 if around and opening != "elastic" else 0
            at = Fraction(waist + ease) if top == "yoke" and around else whole
            assert bands["band"]["long"]["mm"] == pytest.approx(float((at + lap + 2 * seam) * 10))
            assert bands["band"]["wide"]["mm"] == pytest.approx(float((8 + 2 * seam) * 10))
        assert ("tie" in bands) == (not around and top != "none")


@pytest.mark.django_db
def test_the_band_lies_on_the_cutting_plan_beside_the_skirt_and_on_its_papers(client: Client) -> None:
    made = {"kind": "skirt", "unit": "cm", "measures": BODY, "choices": {"top": "yoke"}, "seam": "1.5"}
    body = {"name": "Skirt", "thing": made, "cloths": {"face": {"usable": "138 cm", "unit": "cm"}}}
    work = client.post("/api/works", body, content_type="application/json").json()
    ready = client.get(f"/api/works/{work['key']}/ready").json()
    sections = [{"key": one["key"], "name": one["name"], "spec": one["spec"]} for one in ready["sections"]]
    asked = {"sections": sections, "cloths": ready["cloths"], "thing": ready["thing"]}
    plan = client.post("/api/cut", {**asked, "quick": True}, content_type="application/json").json()["plans"][0]
    placed = {one["name"]: one for one in plan["placed"]}
    assert {"Band", "Yoke, front", "Yoke, back"} <= set(placed)
    assert (placed["Band"]["edge"], placed["Band"]["section"]) == ("", -1)
    assert placed["Yoke, front"]["outline"]
    assert placed["Yoke, front"]["on_fold"]
    assert {one["what"] for one in placed["Band"]["takes"]} == {"seam"}
    alone = client.post("/api/cut", {**asked, "thing": None, "quick": True}, content_type="application/json").json()
    assert "Band" not in {one["name"] for one in alone["plans"][0]["placed"]}
    for paper, says in (("labels", "labels"), ("cutting", "scale"), ("sheet", "whole work")):
        told = client.post(
            "/api/papers/pages", {**asked, "paper": paper, "work": "Skirt"}, content_type="application/json"
        ).json()
        assert says in told["says"]
        assert any("Band" in page for page in told["pages"]), paper
