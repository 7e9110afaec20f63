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
    assert [view["name"] for view in got["picture"]["views"]] == ["front", "back", "body"]
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


def test_a_facing_stands_in_for_the_band_and_a_lap_has_its_pieces(client: Client) -> None:
    got = thing(client, choices={"top": "facing", "opening": "lap", "opens": "18", "lap_wide": "3"})
    sizes = {
        one["key"]: (one["count"], one["wide"]["mm"], one["long"]["mm"])
        for one in got["pieces"]
        if one["key"] in ("band", "facing", "lap")
    }
    # 70 and two seams of 1.5 long, 6 and two seams deep; a lap of 3 folded, 18 long.
    assert sizes == {"facing": (1, 90, 730), "lap": (2, 90, 210)}
    assert {"interfacing for the facing", "buttons for the lap"} <= {one["name"] for one in got["notions"]}
    assert "facing" in [one["name"] for one in got["steps"]]
    assert thing(client, {"pleated_waist": "71"}, choices={"top": "facing"})["pieces"][-1]["long"]["mm"] == 740


def test_pleats_taken_in_from_the_hip_to_the_waist(client: Client) -> None:
    got = thing(client, choices={"fit": "taper", "size": "3"})
    edge = got["edges"]["skirt"]
    # Laid by the hip: 94 and 5 of ease; at the waist 70, on the same cloth.
    assert edge["finished"]["mm"] == 990
    assert edge["spec"]["taper"] == {"height": "20 cm", "finished": "70 cm"}
    assert edge["flat"]["mm"] == 2970
    assert next(one for one in got["pieces"] if one["key"] == "band")["long"]["mm"] == 760
    assert any("from the hip to the waist" in one["says"] for one in got["steps"])
    assert not any(one["code"] == "hip" for one in got["warnings"])
    halves = thing(client, choices={"fit": "taper", "divides": "halves"})["edges"]
    assert {one["spec"]["taper"]["finished"] for one in halves.values()} == {"35 cm"}


def test_a_lining_that_nests_has_the_mirror_of_each_row_of_its_own_cloth(client: Client) -> None:
    cloths = {"face": {"usable": "138 cm"}, "lining": {"usable": "150 cm"}}
    got = thing(client, choices={"lining": "nests", "divides": "quarters", "lining_shorter": "3"}, cloths=cloths)
    edges = got["edges"]
    assert len(edges) == 8
    for name in ("front_right", "front_left", "back_right", "back_left"):
        face, lining = edges[name], edges[f"lining_{name}"]
        assert (face["flat"], face["count"]) == (lining["flat"], lining["count"])
        assert {face["spec"].get("facing"), lining["spec"].get("facing")} == {"right", "left"}
        assert lining["spec"]["cloth"] == "lining"
    falls = {one["key"].split(".")[0]: one["long"]["mm"] for one in got["pieces"] if ".width." in one["key"]}
    assert falls["front_right"] - falls["lining_front_right"] == 30
    assert {one["role"] for one in got["pieces"] if one["key"].startswith("lining_")} == {"lining"}
    assert thing(client, choices={"lining": "nests", "heading": "gather"}, cloths=cloths)["edges"].keys() == {"skirt"}


@pytest.mark.django_db
def test_a_lining_that_nests_is_kept_as_a_work_and_follows(client: Client) -> None:
    made = {"kind": "skirt", "unit": "cm", "measures": BODY, "choices": {"lining": "nests"}, "seam": "1.5"}
    cloths = {"face": {"usable": "138 cm", "unit": "cm"}, "lining": {"usable": "140 cm", "unit": "cm"}}
    work = client.post(
        "/api/works", {"name": "S", "thing": made, "cloths": cloths}, content_type="application/json"
    ).json()
    assert [one["name"] for one in work["sections"]] == ["Skirt", "Skirt, lining"]
    ready = client.get(f"/api/works/{work['key']}/ready").json()
    face, lining = (one["spec"] for one in ready["sections"])
    assert (lining["cloth"], lining["pins"], lining["facing"]) == ("lining", face["pins"], "left")
    assert lining["cutting"]["drop"]["finished"] == "58 cm"
    sections = [{"key": one["key"], "name": one["name"], "spec": one["spec"]} for one in ready["sections"]]
    asked = {"sections": sections, "cloths": ready["cloths"], "thing": ready["thing"], "quick": True}
    plans = client.post("/api/cut", asked, content_type="application/json").json()["plans"]
    assert [plan["role"] for plan in plans] == ["face", "lining"]


@pytest.mark.parametrize("seed", seeds(60))
def test_what_the_cloth_at_hand_gives_can_be_cut_from_it(client: Client, seed: int) -> None:
    """Each row is taken, its pieces counted against the lengths that the cloth holds, one below the other."""
    chance = Random(seed)
    waist, length = chance.randint(55, 110), chance.randint(30, 80)
    usable, there = chance.choice([90, 114, 138, 150]), chance.randint(80, 500)
    divides = chance.choice(["one", "halves", "quarters"])
    heading = chance.choice(["gather", "gather", "knife", "inverted"])
    unit = chance.choice(["cm", "in"])
    choices = {
        "divides": divides,
        "heading": heading,
        "hem_depth": "3 cm",
        "hem_turning": "1 cm",
        "pockets": chance.choice(["none", "two"]),
    }
    body: dict[str, Any] = {
        "unit": unit,
        "seam": "1.5 cm",
        "cloths": {"face": {"usable": f"{usable} cm", "length": f"{there} cm"}},
    }
    measures = {"waist": f"{waist} cm", "hip": f"{waist + 20} cm", "length": f"{length} cm"}
    got = thing(client, measures, choices=choices, **body)
    cut = length + 1.5 + 4
    band = next(one for one in got["pieces"] if one["key"] == "band")["wide"]["mm"] / 10
    holds = max(0, int((there - band) / cut + 1e-9))
    compared = [one for one in got["compared"] if one["title"] == "From the cloth at hand"]
    if not compared:
        parts = {"one": 1, "halves": 2, "quarters": 4}[divides]
        # Not even once round is there.
        assert holds * usable < waist * 1.6 + parts * 12 + usable
        return
    assert f"{holds} widths" in compared[0]["says"]
    for row in compared[0]["rows"]:
        field, value = row["field"], row["value"]
        taken = thing(client, measures, choices={**choices, field: value}, **body)
        widths = [one for one in taken["pieces"] if ".width." in one["key"]]
        # Halves of a width share one.
        used = sum(one["count"] * one["wide"]["mm"] / 10 for one in widths)
        number = int(row["title"].split()[0])
        assert used <= number * usable + 0.01
        assert number <= holds
        if heading == "gather" and choices["pockets"] == "none":
            # All of the cloth is used, but for half a width that is left of an odd number of halves.
            assert used == pytest.approx(number * usable, abs=usable * 0.5 * (divides != "one") + 0.5)


def test_a_skirt_of_which_one_part_cannot_be_pleated_is_answered_without_it(client: Client) -> None:
    for heading, behind, view in (("gather", "knife", "front"), ("knife", "gather", "back")):
        choices = {"divides": "halves", "heading": heading, "back_heading": behind, "size": "90"}
        got = thing(client, choices=choices)
        assert [name for name, one in got["edges"].items() if one["problems"]] == [
            "back" if view == "front" else "front"
        ]
        assert [one["name"] for one in got["picture"]["views"]] == [view, "body"]
