"""Four cases worked by hand: fractions of an inch, a join, from the other end on the wrong side, a mirror."""

from __future__ import annotations

from fractions import Fraction
from typing import Any

import pytest
from django.test import Client


def thing(client: Client, kind: str, measures: dict[str, str], choices: dict[str, Any], **more: Any) -> Any:
    body = {"kind": kind, "unit": "cm", "seam": "1.5", "cloths": {"face": {"usable": "138 cm"}}, **more}
    answer = client.post(
        "/api/thing", {**body, "measures": measures, "choices": choices}, content_type="application/json"
    )
    assert answer.status_code == 200, answer.json()
    return answer.json()


def marks(client: Client, spec: dict[str, Any], query: str = "") -> list[Any]:
    answer = client.post(f"/api/chalk{query}", {**spec, "tape": None}, content_type="application/json")
    assert answer.status_code == 200, answer.json()
    found: list[Any] = answer.json()["marks"]
    return found


def test_the_third_line_of_a_base_in_fractions_of_an_inch(client: Client) -> None:
    measures = {"waist": "28", "top_round": "37 5/8", "base": "30 1/2", "foot": "62 1/4"}
    got = thing(
        client, "tiers", measures, {"spacing": "7 3/8", "fullness": "2 1/4", "tiers": "3"}, unit="in", seam="1/2"
    )
    # 30 1/2 less twice 7 3/8 is 15 3/4; 37 5/8 + 24 5/8 × 63/122 = 49133/976, and two and a quarter times that.
    edge = got["edges"]["tier_3"]
    assert edge["finished"]["mm"] == pytest.approx(float(Fraction(49133, 976) * Fraction(254, 10)))
    assert edge["flat"]["mm"] == pytest.approx(float(Fraction(442197, 3904) * Fraction(254, 10)))


def test_a_run_longer_than_the_cloth_is_joined_of_two(client: Client) -> None:
    runs = {"run_1": "74 3/4", "run_2": "33", "run_3": "74 3/4", "run_4": "33", "height": "11"}
    got = thing(client, "cover", runs, {"deep": "3"}, unit="in", seam="1/2", cloths={"face": {"usable": "54 in"}})
    # 74 3/4 + 4 × 3 lie flat between two seams: 86 3/4, halved, and a seam at both edges of each half.
    widths = {one["name"]: one["wide"]["mm"] / 25.4 for one in got["pieces"] if ".width." in one["key"]}
    assert widths["Front, width 1 of 2"] == widths["Front, width 2 of 2"] == pytest.approx(44.375)
    # 33 + 12 and a seam at each end.
    assert widths["Left side"] == pytest.approx(46)


def test_the_points_of_a_ring_from_its_end_on_the_wrong_side(client: Client) -> None:
    measures = {"waist": "70", "top_round": "80", "base": "78", "foot": "158"}
    got = thing(client, "tiers", measures, {"fullness": "2.5"})
    told = marks(client, got["edges"]["tier_1"]["spec"], "?nought=end&side=WS")
    # Eighths of 395 on eighths of 158, the closing point last: it is the whole way round.
    assert [(one["at"]["mm"], one["on"]["mm"]) for one in told] == [(493.75 * n, 197.5 * n) for n in range(1, 9)]


def test_a_nesting_lining_lies_as_its_face_does_from_the_other_end(client: Client) -> None:
    cloths = {"face": {"usable": "138 cm"}, "lining": {"usable": "138 cm"}}
    body = {"waist": "68", "length": "60"}
    got = thing(client, "skirt", body, {"lining": "nests", "divides": "halves", "size": "2.5"}, cloths=cloths)
    face, lining = (got["edges"][name]["spec"] for name in ("front", "lining_front"))
    one = [(mark["kind"], round(mark["at"]["mm"], 6)) for mark in marks(client, face, "?nought=end")]
    other = [(mark["kind"], round(mark["at"]["mm"], 6)) for mark in marks(client, lining)]
    # 35 in 14 pleats of 2.5 that take 5: the first outer fold of the face half a space from its start.
    assert one == other
    assert ("outer", 12.5) in [(mark["kind"], mark["at"]["mm"]) for mark in marks(client, face)]
