"""A cover's skirt from its runs to the record: sections, lining, order of joining, and everything against a reckoning of its own."""

from __future__ import annotations

from fractions import Fraction
from random import Random
from typing import Any

import pytest
from django.test import Client

from tests.examples import seeds

STOOL = {"run_1": "62", "run_2": "48", "run_3": "62", "run_4": "48", "height": "30"}


def thing(client: Client, measures: dict[str, Any], status: int = 200, **body: Any) -> Any:
    asked = {
        "kind": "cover",
        "unit": "cm",
        "measures": measures,
        "cloths": {"face": {"usable": "138 cm"}, "lining": {"usable": "136 cm"}},
        "seam": "1.5",
        **body,
    }
    answer = client.post("/api/thing", asked, content_type="application/json")
    assert answer.status_code == status, answer.json()
    return answer.json()


def strips(got: Any) -> dict[str, tuple[float, float]]:
    return {one["name"]: (one["wide"]["mm"], one["long"]["mm"]) for one in got["pieces"] if ".width." in one["key"]}


def test_the_worked_runs(client: Client) -> None:
    got = thing(client, STOOL, choices={"deep": "5"})
    # 62 + 2 · (2 · 5 + 1.5) = 85, 48 + 23 = 71; 30 + 1.5 + 2 · 3 = 37.5 deep.
    assert strips(got) == {"Front": (850, 375), "Left side": (710, 375), "Back": (850, 375), "Right side": (710, 375)}
    assert "Front: 62 + 11.5 + 11.5 = 85 cm cut." in got["slip"]
    assert "The ring closes in the pleat before right side." in got["slip"]
    assert any("Join from the opening, right side, front, left side, back" in one["says"] for one in got["steps"])
    assert any("Cut the smallest first, right side" in one["says"] for one in got["steps"])
    edge = got["edges"]["cover"]
    assert (edge["finished"]["mm"], edge["flat"]["mm"], edge["count"]) == (2200, 3000, 4)
    assert [view["name"] for view in got["picture"]["views"]] == ["above", "Front", "Left side", "Back", "Right side"]


def test_faced_with_itself_or_lined_to_its_foot(client: Client) -> None:
    double = thing(client, STOOL, choices={"deep": "5", "made": "self"})
    # 2 · (30 + 1.5)
    assert {long for _, long in strips(double).values()} == {630}
    tube = thing(client, STOOL, choices={"deep": "5", "made": "tube"})
    # A lining cut as deep as it is finished wants a face of 30 + 4 · 1.5; 2 · 1.5 of it roll to the back, half of that seen.
    assert {long for _, long in strips(tube).values()} == {360}
    lining = [one for one in tube["pieces"] if one["role"] == "lining"]
    assert {one["long"]["mm"] for one in lining} | {one["wide"]["mm"] for one in lining} >= {300}
    (ways,) = [one for one in tube["compared"] if one["title"] == "Lining ways"]
    assert next(one["title"] for one in ways["rows"] if one["taken"]) == "across its cloth, in whole widths"
    # Two whole widths and the rest: their joins at 136 − 1.5 and so on, those of the face a section apart.
    sofa = {"run_1": "188", "run_2": "84", "run_3": "188", "run_4": "84", "height": "26"}
    even = thing(
        client,
        sofa,
        choices={"deep": "8", "made": "tube", "split": "120"},
        cloths={"face": {"usable": "140"}, "lining": {"usable": "136"}},
    )
    rows = {one["value"]: one for one in next(c for c in even["compared"] if c["title"] == "Lining ways")["rows"]}
    # In six equal widths the middle join lies on that of the face, and is said to.
    assert rows["across"]["more"].endswith("some of its joins fall on the face’s")
    assert rows["across"]["warns"]
    assert "17 cm or more" in rows["uncut"]["more"]
    less = thing(client, STOOL, choices={"deep": "5", "made": "tube", "liner": "26"})
    assert {long for _, long in strips(less).values()} == {400}
    refused = thing(client, STOOL, 422, choices={"made": "tube", "liner": "40"})
    assert refused["problems"][0]["path"].endswith("choices.liner")


def test_runs_without_a_pleat_between_are_one_section(client: Client) -> None:
    got = thing(
        client, STOOL, choices={"deep": "5", "after_1": "none", "begins": "4"}, cloths={"face": {"usable": "160 cm"}}
    )
    assert strips(got)["Front and left side"] == (1100 + 230, 375)
    alone = thing(client, STOOL, 422, choices={f"after_{n}": "none" for n in range(1, 5)})
    assert alone["problems"][0]["way_out"]


def test_a_long_run_has_a_pleat_within(client: Client) -> None:
    got = thing(client, {**STOOL, "run_1": "190", "run_3": "190"}, choices={"deep": "5", "split": "100"})
    assert strips(got)["Front, first half"] == (950 + 230, 375)
    assert got["edges"]["cover"]["count"] == 6
    # It closes behind after all of its third run, and not in the pleat within that.
    assert "The ring closes in the pleat before right side." in got["slip"]
    assert [view["name"] for view in got["picture"]["views"]] == ["above", "Front", "Left side", "Back", "Right side"]


def test_what_does_not_agree_is_asked_about(client: Client) -> None:
    odd = thing(client, {**STOOL, "run_3": "60", "all_round": "210"}, choices={"deep": "5"})
    codes = {one["code"] for one in odd["warnings"]}
    assert {"opposite_1", "sum"} <= codes
    sofa = {"run_1": "180", "run_2": "90", "run_3": "270", "run_4": "170", "run_5": "90", "run_6": "80", "height": "28"}
    fits = thing(client, sofa, choices={"shape": "corner"})
    assert not {one["code"] for one in fits["warnings"]} & {"closes_0", "closes_1"}
    # 180, 270 and 170 of run are longer than 138 of cloth, with what their pleats take 90 is as well.
    names = list(strips(fits))
    assert "Front of the long seat, width 1 of 2" in names
    assert "Inner side" in names
    assert any("Back is longer than the cloth is wide" in line for line in fits["slip"])
    open_ = thing(client, {**sofa, "run_6": "60"}, choices={"shape": "corner"})
    assert any("do not close: the right side is 170 cm" in one["message"] for one in open_["warnings"])


@pytest.mark.parametrize("seed", seeds(120))
def test_everything_is_as_a_plain_reckoning_has_it(client: Client, seed: int) -> None:
    chance = Random(seed)
    many = chance.randint(3, 9)
    runs = [chance.randint(400, 1100) for _ in range(many)]  # mm
    deep, seam = chance.choice([3, 5, 8]), chance.choice([Fraction(1), Fraction(3, 2)])
    pleats = [chance.random() < 0.85 for _ in range(many)]
    closed, begins = chance.choice([True, False]), chance.randint(1, many)
    made, height = chance.choice(["hem", "self", "tube"]), chance.randint(15, 70)
    measures = {f"run_{n}": str(one / 10) for n, one in enumerate(runs, 1)} | {"height": str(height)}
    choices = {
        "shape": "other", "runs": str(many), "round": "ring" if closed else "open", "deep": str(deep), "made": made,
        "begins": str(begins), "hem": "double", "hem_depth": "2",
        **{f"after_{n}": "pleat" if one else "none" for n, one in enumerate(pleats, 1)},
    }  # fmt: skip
    effective = [one and (closed or n < many) for n, one in enumerate(pleats, 1)]
    cloths = {"face": {"usable": "1200 cm"}, "lining": {"usable": "140 cm"}}
    if not any(effective):
        assert thing(client, measures, 422, choices=choices, seam=str(float(seam)), cloths=cloths)["problems"]
        return
    got = thing(client, measures, choices=choices, seam=str(float(seam)), cloths=cloths)
    # Round from the pleat that it closes in, gathering runs until the next pleat.
    start = 0
    if closed:
        last = begins - 1 if effective[begins - 1] else max(n for n, one in enumerate(effective) if one)
        start = last + 1
    order = [(start + n) % many for n in range(many)]
    end = Fraction(2 * deep) + seam
    wanted, long, begun = [], Fraction(0), closed
    for place in order:
        long += Fraction(runs[place], 10)
        if effective[place]:
            wanted.append(long + (end if begun else seam) + end)
            long, begun = Fraction(0), True
    if long:
        wanted.append(long + end + seam)
    widths = [one for one in got["pieces"] if ".width." in one["key"]]
    widths.sort(key=lambda one: int(one["key"].rpartition(".")[2]))
    assert [one["wide"]["mm"] for one in widths] == pytest.approx([float(one * 10) for one in wanted])
    below = {"hem": height + seam + 4, "self": 2 * (height + seam), "tube": height + 4 * seam}[made]
    assert {round(one["long"]["mm"], 6) for one in widths} == {float(below * 10)}
    assert got["edges"]["cover"]["finished"]["mm"] == pytest.approx(sum(runs))
    assert got["edges"]["cover"]["count"] == sum(effective)
