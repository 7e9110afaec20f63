"""Trims: worked by hand, every finish, what cannot be, and everything against a reckoning of its own."""

from __future__ import annotations

from math import pi
from random import Random
from typing import Any

import pytest
from django.test import Client

from tests.conftest import Asked
from tests.examples import seeds


def thing(
    client: Client, measures: dict[str, Any], status: int = 200, *, unit: str = "cm", seam: str = "1", **choices: str
) -> Any:
    asked = {
        "kind": "trim",
        "unit": unit,
        "measures": measures,
        "choices": choices,
        "cloths": {"face": {"usable": "140 cm"}},
        "seam": seam,
    }
    answer = client.post("/api/thing", asked, content_type="application/json")
    assert answer.status_code == status, answer.json()
    return answer.json()


def test_the_worked_trim(client: Client) -> None:
    got = thing(client, {"edge": "240", "wide": "6"}, size="2")
    edge = got["edges"]["trim"]
    # 240 of edge, knife pleats that meet at 2: 720; 6 wide folded double with 1: cut 14.
    assert (edge["finished"]["mm"], edge["flat"]["mm"], edge["count"]) == (2400, 7200, 120)
    assert "Strips 2 × (6 + 1) = 14 cm wide, folded double." in got["slip"]
    assert {piece["long"]["mm"] for piece in got["pieces"]} == {140}


def test_every_finish(client: Client) -> None:
    edges = {"edge": "100", "edge_2": "50", "wide": "16"}
    corners = thing(client, edges, corners="2", round="ring")
    assert corners["results"]["trim.finished"]["says"] == "100 + 50 + 32 at 2 corners = 182 cm"
    headed = thing(client, edges, made="heading", heading="gather", fullness="2", stands="2")
    assert "Stitched 2 cm below its upper edge: 14 cm falls below." in headed["slip"]
    # 16 and at both edges a double hem of half a centimetre.
    assert {piece["long"]["mm"] for piece in headed["pieces"]} == {180}
    twisted = thing(client, edges, made="twisted")
    assert any(
        "the folds to the right; the lower edge likewise, the folds to the left" in one["says"]
        for one in twisted["steps"]
    )
    assert not any(one["code"] == "twisted" for one in twisted["warnings"])
    assert any(
        "does not turn" in one["message"] for one in thing(client, {**edges, "wide": "14"}, made="twisted")["warnings"]
    )
    rosettes = thing(client, {"across": "8", "wide": "3"}, made="rosette", rosettes="2", rounds="3")
    assert rosettes["edges"]["trim"]["finished"]["mm"] == pytest.approx(2 * 3 * pi * (80 + 10) / 2, abs=1e-5)
    lace = thing(client, edges, of="metre", price="3", heading="gather", fullness="1.5")
    assert lace["pieces"] == []
    # 225 and two ends: 2.27 m at 3.
    assert [(one["name"], one["length"]["mm"], one["cost"]) for one in lace["notions"] if one["name"] != "thread"] == [
        ("ribbon or lace", 2270, "6.81")
    ]
    ruffled = thing(
        client, {"edge": "100", "wide": "6"}, heading="gather", by="attachment", tuck="5", every="6", stitch="2"
    )
    # 1 + 5 / (6 · 2)
    assert ruffled["edges"]["trim"]["flat"]["mm"] == pytest.approx(1000 * (1 + 5 / 12))
    assert any("no gathering thread is wanted" in one["says"] for one in ruffled["steps"])
    fields = {one["name"]: one for one in ruffled["fields"]}
    assert (fields["stitch"]["assumed"], fields["tuck"]["assumed"]) == ("2.5 mm", "6 mm")


@pytest.mark.parametrize(
    ("measures", "choices", "path", "says"),
    [
        ({"edge": "0"}, {}, "measures.edge", "nought"),
        ({}, {"size": "0"}, "choices.size", "nought"),
        ({}, {"heading": "gather", "fullness": "1"}, "choices.fullness", "gathers nothing"),
        ({}, {"made": "heading", "stands": "7"}, "choices.stands", "leaves nothing"),
        ({"across": "4", "inner": "5"}, {"made": "rosette"}, "measures.inner", "as wide as the rosette"),
        ({}, {"heading": "gather", "by": "attachment", "stitch": "25"}, "choices.stitch", "no machine makes stitches of 25 mm"),
        ({}, {"heading": "gather", "by": "attachment", "every": "5"}, "choices.every", "every 5 stitches"),
    ],
)  # fmt: skip
def test_what_cannot_be_says_so(
    client: Client, measures: dict[str, str], choices: dict[str, str], path: str, says: str
) -> None:
    problems = thing(client, {"edge": "100", "wide": "6", **measures}, 422, **choices)["problems"]
    assert [(one["path"], says in one["message"], bool(one["way_out"])) for one in problems] == [(path, True, True)]


def test_another_unit_changes_neither_a_stitch_nor_a_corner(ask: Asked) -> None:
    thing = {
        "kind": "trim",
        "unit": "cm",
        "measures": {"edge": "100", "wide": "6"},
        "choices": {"heading": "gather", "by": "attachment", "stitch": "2"},
    }
    _, work = ask("POST", "/works", {"name": "Trim", "sections": [], "thing": thing})
    _, now = ask("POST", f"/works/{work['key']}/unit", {"revision": work["revision"], "unit": "in"})
    assert now["thing"]["choices"]["stitch"] == "2"
    assert now["thing"]["measures"] == {"edge": "100 cm", "wide": "6 cm"}
    block = {
        "kind": "block",
        "unit": "cm",
        "measures": {"waist": "68"},
        "choices": {"drawn": "typed", "outline": "0 0; 25 0; 24 40; 18 60; 0 59"},
    }
    _, work = ask("POST", "/works", {"name": "Block", "sections": [], "thing": block})
    before = ask("POST", "/thing", {**work["thing"], "cloths": {}})[1]
    _, now = ask("POST", f"/works/{work['key']}/unit", {"revision": work["revision"], "unit": "in"})
    after = ask("POST", "/thing", {**now["thing"], "cloths": {}})[1]
    assert [piece["area"] for piece in after["pieces"]] == [piece["area"] for piece in before["pieces"]]


@pytest.mark.parametrize("seed", seeds(150))
def test_a_trim_by_plain_reckoning(client: Client, seed: int) -> None:
    pick = Random(seed)
    unit, mm = pick.choice([("cm", 10.0), ("in", 25.4)])
    edges = [pick.randint(20, 300) for _ in range(pick.randint(1, 4))]
    wide, corners = pick.randint(2, 20), pick.choice([0, 0, 1, 4])
    heading, made = pick.choice(["knife", "box", "gather"]), pick.choice(["double", "hemmed", "heading", "twisted"])
    names = ("edge", "edge_2", "edge_3", "edge_4")
    size, times, hem = pick.choice(["1", "1.5", "2"]), pick.choice(["1.5", "2", "3"]), pick.choice(["0.5", "1"])
    choices = {
        "heading": heading,
        "made": made,
        "hem": pick.choice(["double", "turned"]),
        "hem_depth": hem,
        "hem_turning": "0.25",
        "stands": "0.5",
        "lies": "railroaded",
    }
    if heading == "gather":
        choices["fullness"] = times
    else:
        choices["size"] = size
    if corners:
        choices["corners"] = str(corners)
    got = thing(
        client,
        {**{name: str(one) for name, one in zip(names, edges, strict=False)}, "wide": str(wide)},
        unit=unit,
        seam="0.5",
        **choices,
    )
    whole = (sum(edges) + corners * wide) * mm
    edge = got["edges"]["trim"]
    assert edge["problems"] == []
    assert edge["finished"]["mm"] == pytest.approx(whole)
    # Pleats that meet take three times their edge, whatever their gauge.
    assert edge["flat"]["mm"] == pytest.approx(whole * (float(times) if heading == "gather" else 3))
    takes = float(hem) * 2 if choices["hem"] == "double" else float(hem) + 0.25
    cut = 2 * (wide + 0.5) if made == "double" else wide + 2 * takes
    (piece,) = got["pieces"]
    assert min(piece["wide"]["mm"], piece["long"]["mm"]) == pytest.approx(cut * mm)
    assert max(piece["wide"]["mm"], piece["long"]["mm"]) == pytest.approx(edge["flat"]["mm"] + mm)


def part(client: Client, kind: str, measures: dict[str, str], **choices: str) -> Any:
    cloths = {"face": {"usable": "140 cm"}, "contrast": {"usable": "120 cm", "price": "8"}}
    asked = {"kind": kind, "unit": "cm", "seam": "1", "measures": measures, "choices": choices, "cloths": cloths}
    answer = client.post("/api/thing", asked, content_type="application/json")
    assert answer.status_code == 200, answer.json()
    return answer.json()


SKIRT = {"waist": "68", "hip": "94", "length": "60"}


@pytest.mark.parametrize(
    ("kind", "measures", "choices", "finished"),
    [
        # Two panels of 213 each have one leading edge.
        ("curtains", {"rail": "152", "drop": "214"}, {"frill": "leading"}, 4260),
        # 70 of waist in pleats that meet: 210 of hem; two pockets of 4 lie flat.
        ("skirt", SKIRT, {"frill": "hem"}, 2100),
        ("skirt", SKIRT, {"frill": "hem", "divides": "halves", "pockets": "two"}, (700 - 80) * 3 + 80),
        ("skirt", SKIRT, {"frill": "hem", "heading": "gather", "fullness": "2"}, 1400),
        ("circle", {"waist": "70", "length": "60"}, {"frill": "hem"}, 2 * pi * (720 / (2 * pi) + 600)),
        ("cover", {"run_1": "62", "run_2": "48", "run_3": "62", "run_4": "48", "height": "30"}, {"frill": "top"}, 2200),
        ("valance", {"rail": "150", "drop": "40"}, {"frill": "top"}, 1500),
        ("valance", {"rail": "150", "drop": "40", "frill_along": "333"}, {"frill": "hem"}, 3330),
    ],
)  # fmt: skip
def test_a_trim_is_a_part_of_another_thing(
    client: Client, kind: str, measures: dict[str, str], choices: dict[str, str], finished: float
) -> None:
    got = part(client, kind, measures, **choices, frill_fullness="1.5", frill_wide="6", frill_of="contrast")
    edge = got["edges"]["frill"]
    assert edge["problems"] == []
    assert edge["finished"]["mm"] == pytest.approx(finished, abs=0.01)
    assert edge["flat"]["mm"] == pytest.approx(finished * 1.5, abs=0.01)
    pieces = [one for one in got["pieces"] if one["key"].startswith("frill.")]
    # 2 · (6 + 1) wide, all of the contrast, which is bought too.
    assert {min(one["wide"]["mm"], one["long"]["mm"]) for one in pieces} == {140}
    assert {one["role"] for one in pieces} == {"contrast"}
    assert [one["role"] for one in got["buy"] if one["role"] == "contrast"] == ["contrast"]
    assert got["steps"][-1]["name"] == "trim"
    assert sum(one["name"] == "thread" for one in got["notions"]) == 1
    without = part(client, kind, measures, **{**choices, "frill": "none"})
    assert "frill" not in without["edges"]


def test_a_hem_that_does_not_follow_is_asked_for(client: Client) -> None:
    got = part(client, "skirt", SKIRT, frill="hem", depth="1")
    assert [one["field"] for one in got["lacks"]] == ["frill_along"]
    assert "frill" not in got["edges"]
