"""A petticoat of tiers from the waist to the record: lines, girths, strips, and everything against a reckoning of its own."""

from __future__ import annotations

from fractions import Fraction
from math import hypot
from random import Random
from typing import Any

import pytest
from django.test import Client

from tests.examples import seeds


def thing(client: Client, measures: dict[str, Any], status: int = 200, **body: Any) -> Any:
    asked = {
        "kind": "tiers",
        "unit": "cm",
        "measures": measures,
        "cloths": {"face": {"usable": "138 cm"}},
        "seam": "1.5",
        **body,
    }
    answer = client.post("/api/thing", asked, content_type="application/json")
    assert answer.status_code == status, answer.json()
    return answer.json()


WORKED = {"base": "78", "foot": "158", "top_round": "80", "waist": "70"}


def test_the_worked_tiers(client: Client) -> None:
    got = thing(client, WORKED, choices={"spacing": "18", "deep": "21", "fullness": "2.5"})
    edges = got["edges"]
    assert [one["finished"]["mm"] for one in edges.values()] == [1580, 1400, 1220, 1040]
    assert [one["flat"]["mm"] for one in edges.values()] == [3950, 3500, 3050, 2600]
    assert "1310 cm" in " ".join(got["slip"])
    assert "its line 60 cm below the waist" in got["slip"][2]  # what is cut, then tier by tier
    assert "each falls 3 cm over the line below it; 99 cm from the waist" in " ".join(got["slip"])
    # Each strip as it is cut: 21 deep, a seam of 1.5 above, a hem of 1 and its turning of 0.5.
    widths = [one for one in got["pieces"] if one["key"].startswith("tier_")]
    assert {one["long"]["mm"] for one in widths} == {240}
    base = next(one for one in got["pieces"] if one["key"] == "base")
    assert (base["count"], base["long"]["mm"]) == (2, 810)
    assert [view["name"] for view in got["picture"]["views"]] == ["front", "base", "body"]


def test_girths_that_were_measured_stand_in_for_those_that_are_reckoned(client: Client) -> None:
    flat = {"base": "78", "foot": "79", "top_round": "40", "girth_2": "71", "waist": "70"}
    got = thing(client, flat, choices={"girths": "flat", "spacing": "18"})
    assert [one["finished"]["mm"] for one in got["edges"].values()] == [1580, 1420, 1220, 1040]
    assert "2 × 71" in got["results"]["tier_2.flat"]["says"]


def test_an_open_top_tier(client: Client) -> None:
    got = thing(client, WORKED, choices={"opening": "side", "opens": "25", "spacing": "18"})
    specs = {name: one["spec"] for name, one in got["edges"].items()}
    assert {name for name, one in specs.items() if not one.get("closed")} == {"tier_4"}
    assert "tier 4 stays open" in " ".join(one["says"] for one in got["steps"])


def test_tier_on_tier(client: Client) -> None:
    got = thing(
        client, {"waist": "70", "length": "81"},
        choices={"build": "chain", "tiers": 3, "fullness": "1.5", "deeper": "3", "opening": "back", "opens": "18"},
    )  # fmt: skip
    edges = got["edges"]
    assert [one["finished"]["mm"] for one in edges.values()] == [720, 1080, 1620]
    assert [one["flat"]["mm"] for one in edges.values()] == [1080, 1620, 2430]
    assert [got["results"][f"tier_{n}.deep"]["says"] for n in (1, 2, 3)] == ["24 cm deep", "27 cm deep", "30 cm deep"]
    assert edges["tier_1"]["spec"]["cutting"]["opening"] == "18 cm"
    assert [view["name"] for view in got["picture"]["views"]] == ["front", "body"]


@pytest.mark.parametrize(
    ("measures", "choices", "path"),
    [
        ({}, {"spacing": "30"}, "thing.choices.spacing"),
        ({}, {"tiers": 0}, "thing.choices.tiers"),
        ({}, {"tiers": 40}, "thing.choices.tiers"),
        ({}, {"fullness": "0.5"}, "thing.choices.fullness"),
        ({}, {"deep": "0"}, "thing.choices.deep"),
        ({"base": "0"}, {}, "thing.measures.base"),
        ({"length": "30"}, {"build": "chain", "deeper": "20"}, "thing.choices.deeper"),
        ({}, {"gores": 0}, "thing.choices.gores"),
    ],
)
def test_what_cannot_be_is_refused_with_a_way_out(
    client: Client, measures: dict[str, str], choices: dict[str, Any], path: str
) -> None:
    got = thing(client, {**WORKED, **measures}, 422, choices=choices)
    assert path.removeprefix("thing.") in [one["path"].removeprefix("thing.") for one in got["problems"]]
    assert all(one["way_out"] for one in got["problems"])


def test_what_lacks_is_said_and_all_else_is_answered(client: Client) -> None:
    got = thing(client, {"waist": "70"})
    assert {one["field"] for one in got["lacks"]} == {"base", "foot"}
    assert got["picture"]


@pytest.mark.parametrize("seed", seeds(120))
def test_everything_is_as_a_plain_reckoning_has_it(client: Client, seed: int) -> None:
    chance = Random(seed)
    many, base = chance.randint(1, 7), Fraction(chance.randint(300, 1000), 10)
    top, foot = chance.randint(60, 110), chance.randint(90, 260)
    times = chance.choice([Fraction(3, 2), Fraction(2), Fraction(9, 4), Fraction(3)])
    gores, seam = chance.choice([1, 2, 3, 4, 6]), chance.choice([Fraction(1), Fraction(3, 2)])
    spacing = chance.choice([None, base / (many + 1)])
    opens = chance.choice([0, 12, 40])
    measures = {"base": str(float(base)), "foot": str(foot), "top_round": str(top), "waist": "70"}
    choices: dict[str, Any] = {"tiers": many, "fullness": str(float(times)), "gores": gores}
    choices |= {"opening": "side", "opens": str(opens)} if opens else {"opening": "elastic"}
    if spacing is not None:
        choices["spacing"] = f"{spacing.numerator}/{spacing.denominator}"
    got = thing(client, measures, choices=choices, seam=str(float(seam)))
    apart = spacing if spacing is not None else base / many
    for number in range(1, many + 1):
        line = base - apart * (number - 1)
        round_here = Fraction(top) + (foot - top) * line / base
        edge = got["edges"][f"tier_{number}"]
        assert edge["finished"]["mm"] == pytest.approx(float(round_here * 10))
        assert edge["flat"]["mm"] == pytest.approx(float(round_here * times * 10))
        widths = [one for one in got["pieces"] if one["key"].startswith(f"tier_{number}.width")]
        # As deep as one tier laps 3 over the next, a seam above, a hem of 1 and its turning of a half.
        deep = float((apart + 3 + seam) * 10 + 15)
        assert all(one["long"]["mm"] == pytest.approx(deep) for one in widths)
        joined = sum(one["wide"]["mm"] for one in widths)
        # Its ends are sewn to each other, or turned in: a seam at each either way.
        assert joined == pytest.approx(edge["flat"]["mm"] + 2 * len(widths) * float(seam) * 10)
        assert edge["spec"].get("closed", False) == (line >= opens)
    piece = next(one for one in got["pieces"] if one["key"] == "base")
    assert piece["count"] == gores
    assert piece["long"]["mm"] == pytest.approx(float((base + 2 * seam) * 10))
    # Its widest is at its foot or at its top, a seam further down its slant and a slanted seam to each side.
    half, upper = foot * 10 / gores / 2, top * 10 / gores / 2
    lean, high, allowance = half - upper, float(base) * 10, float(seam) * 10
    widest = max(half + lean / high * allowance, upper - lean / high * allowance)
    if abs(lean) / high < 1.8:  # a sharper corner is cut off square
        assert piece["wide"]["mm"] == pytest.approx(2 * (widest + allowance * hypot(lean, high) / high), abs=0.01)


@pytest.mark.parametrize("seed", seeds(60))
def test_each_match_point_has_its_place_on_both_edges_from_whichever_end(client: Client, seed: int) -> None:
    chance = Random(seed)
    finished, points = Fraction(chance.randint(200, 3000), 10), chance.choice([1, 2, 4, 8, 16])
    times = chance.choice([Fraction(3, 2), Fraction(2), Fraction(7, 3)])
    ring, lead = chance.choice([(True, 0), (False, 0), (False, 3)])
    spec: dict[str, Any] = {
        "kind": "gather", "unit": "cm", "closed": ring, "tape": None,
        "pins": {"finished": f"{finished}", "flat": f"{finished * times}"},
        "gathering": {"longest": f"{(finished - 2 * lead) / points}"},
    }  # fmt: skip
    if lead:
        spec |= {"lead": {"width": str(lead)}, "tail": {"width": str(lead)}}
    drawn, given = finished - 2 * lead, finished * times - 2 * lead
    for nought in ("start", "end", "middle"):
        answer = client.post(f"/api/chalk?nought={nought}", spec, content_type="application/json")
        assert answer.status_code == 200, answer.json()
        marks = [one for one in answer.json()["marks"] if one["kind"] == "match"]
        places = [(lead + given * n / points, lead + drawn * n / points) for n in range(points + (0 if ring else 1))]
        told = {(round(one["at"]["mm"], 4), round(one["on"]["mm"], 4)) for one in marks}
        turned = {
            "start": lambda at, whole: at,
            "end": lambda at, whole: whole - at,
            "middle": lambda at, whole: abs(at - whole / 2),
        }[nought]
        wanted = {
            (round(float(turned(flat, finished * times)) * 10, 4), round(float(turned(on, finished)) * 10, 4))
            for flat, on in places
        }
        assert told == wanted


@pytest.mark.django_db
def test_edges_follow_what_is_chosen_while_a_measure_is_lacking(client: Client) -> None:
    def ask(method: str, path: str, body: Any) -> Any:
        answer = getattr(client, method)(f"/api{path}", body, content_type="application/json")
        assert answer.status_code in (200, 201), answer.json()
        return answer.json()

    made: dict[str, Any] = {"kind": "tiers", "unit": "cm", "measures": WORKED, "choices": {"tiers": "3"}, "seam": "1.5"}
    work = ask("post", "/works", {"name": "P", "thing": made, "cloths": {"face": {"usable": "138 cm", "unit": "cm"}}})
    assert [one["name"] for one in work["sections"]] == ["Tier 1, lowest", "Tier 2", "Tier 3, top"]
    first = work["sections"][0]
    own = {**first["spec"], "gathering": {**first["spec"]["gathering"], "rows": 3}}
    work = ask("put", f"/works/{work['key']}/sections/{first['key']}", {"spec": own, "revision": work["revision"]})
    for measures, choices in (
        (WORKED, {"tiers": "4", "build": "chain"}),  # its length is not known yet
        ({**WORKED, "length": "80"}, {"tiers": "4", "build": "chain"}),
    ):
        changed = {**made, "measures": measures, "choices": choices}
        work = ask("put", f"/works/{work['key']}/thing", {"thing": changed, "revision": work["revision"]})
        names = [one["name"] for one in work["sections"]]
        assert names == ["Tier 1, top", "Tier 2", "Tier 3", "Tier 4, lowest"]
        assert work["sections"][0]["spec"]["gathering"]["rows"] == 3
    ready = client.get(f"/api/works/{work['key']}/ready").json()
    assert [one["spec"]["pins"]["finished"] for one in ready["sections"]] == ["72 cm", "144 cm", "288 cm", "576 cm"]
