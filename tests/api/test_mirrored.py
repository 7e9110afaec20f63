"""Law: the mirror of an edge has every mark at the same distance from its other end, and is its own mirror's mirror."""

from __future__ import annotations

from random import Random
from typing import Any

import pytest

from server.making.ties import mirrored
from tests.conftest import Asked
from tests.examples import seeds

ENDS: list[dict[str, Any]] = [{"times": "0"}, {"times": "1/2"}, {"times": "1"}, {"width": "9 cm", "name": "return"}, {}]


def an_edge(chance: Random) -> dict[str, Any]:
    kind = chance.choice(["knife", "tuck", "box", "inverted", "pinch", "gather", "mixed"])
    if kind == "mixed":
        row = {"kind": "knife", "facing": chance.choice(["right", "left"]), "pins": {"count": "4", "depth": "2 cm"}}
        parts = [
            {**row, "share": "1/3"},
            {"kind": "plain", "width": "7 cm"},
            {"kind": "gather", "pins": {"fullness": "2"}},
        ]
        chance.shuffle(parts)
        allowance = {"start": "3 cm", "end": "1 cm"}
        return {
            "kind": kind,
            "unit": "cm",
            "tape": None,
            "pins": {"finished": "90 cm"},
            "parts": parts,
            "allowance": allowance,
        }
    finished = chance.choice(["89 cm", "47 in", "120 cm"])
    spec: dict[str, Any] = {
        "kind": kind,
        "unit": chance.choice(["cm", "in"]),
        "tape": None,
        "pins": {"finished": finished, "count": str(chance.randint(2, 9))},
        "lead": chance.choice(ENDS),
        "tail": chance.choice(ENDS),
        "facing": chance.choice(["right", "left", "to_centre", "from_centre"]),
        "allowance": {"start": "3 cm", "end": "1 cm", "join": "1.5 cm"},
        "remainder": chance.choice(["spacing", "lead", "tail", "ends"]),
    }
    if kind == "gather":
        spec["pins"] = {"finished": finished, "fullness": "2"}
        if chance.random() < 0.5:
            spec["gathering"] = {"points": [{"name": "seam", "at": "30 cm"}, {"name": "middle", "at": "44 cm"}]}
        spec["lead"], spec["tail"] = ({"width": "9 cm"}, {"width": "4 cm"})
    elif kind == "pinch":
        spec["pins"]["per_pleat"] = "11 cm"
    else:
        spec["pins"]["depth"] = "2 cm"
    if kind in ("knife", "tuck") and chance.random() < 0.3:
        spec["placed"] = [{"at": "12 cm", "facing": chance.choice(["right", "left"])}, {"at": "50 cm", "depth": "3 cm"}]
        spec["pins"] = {"finished": finished, "depth": "2 cm"}
        del spec["lead"], spec["tail"]
    elif kind in ("knife", "tuck") and spec["facing"] in ("to_centre", "from_centre") and chance.random() < 0.5:
        spec["mirror_at"] = "33 cm"
    return spec


@pytest.mark.parametrize("seed", seeds(400))
def test_the_mirror_of_an_edge(ask: Asked, seed: int) -> None:
    spec = an_edge(Random(seed))
    status, one = ask("POST", "/plan", spec)
    other_status, other = ask("POST", "/plan", mirrored(spec))
    assert status == other_status, (spec, one, other)
    if status != 200:
        return
    assert other["finished"]["mm"] == pytest.approx(one["finished"]["mm"])
    assert other["flat"]["mm"] == pytest.approx(one["flat"]["mm"])
    flat = one["flat"]["mm"]

    def places(marks: list[dict[str, Any]], *, back: bool) -> list[tuple[float, str]]:
        return sorted((round(flat - m["at"]["mm"] if back else m["at"]["mm"], 6) + 0.0, m["kind"]) for m in marks)

    assert places(other["marks"], back=False) == places(one["marks"], back=True), spec
    assert (other["allowance"]["start"]["mm"], other["allowance"]["end"]["mm"]) == (10, 30)
    again = ask("POST", "/plan", mirrored(mirrored(spec)))[1]
    assert places(again["marks"], back=False) == places(one["marks"], back=False)
