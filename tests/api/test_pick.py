"""`POST /api/pick`: a count that was offered, taken."""

from __future__ import annotations

import random
from typing import Any

import pytest

from tests.api.test_offers import taken
from tests.conftest import Asked

SIZES = ("finished", "flat", "spacing", "depth", "per_pleat", "box", "gap", "opening")
OVERFULL = {"kind": "knife", "unit": "in", "pins": {"finished": "29", "flat": "81 1/4", "depth": "1"}}


def facts(chance: random.Random) -> dict[str, Any]:
    """Two to four facts of a row, some of them about."""
    kind = chance.choice(["knife", "box", "pinch", "inverted", "cartridge"])
    known = {
        "finished": f"{chance.randint(80, 360) / 4:g} in", "flat": f"{chance.randint(240, 1000) / 4:g} in",
        "spacing": f"{chance.randint(4, 20) / 4:g} in", "fullness": chance.choice(["2", "2 1/2", "3"]),
        "depth": f"{chance.randint(4, 16) / 4:g} in", "count": str(chance.randint(2, 40)),
    }  # fmt: skip
    if kind == "pinch":
        known["per_pleat"] = known.pop("depth")
    chosen = chance.sample(sorted(known), chance.choice([2, 2, 3, 4]))
    pins = {name: known[name] if chance.random() < 0.7 else {"about": known[name]} for name in chosen}
    ends = {"times": chance.choice(["0", "1/2", "1"])}
    return {"kind": kind, "unit": "in", "pins": pins, "lead": ends, "tail": ends} if kind != "cartridge" else {
        "kind": kind, "unit": "in", "pins": pins
    }  # fmt: skip


@pytest.mark.parametrize("seed", range(80))
def test_a_picked_count_makes_the_plan_that_was_shown(ask: Asked, seed: int) -> None:
    """Pinning the count alone was refused where another firm fact had given way to it, or went another way."""
    spec = facts(random.Random(seed))
    status, made = ask("POST", "/plan", spec)
    for choice in made["choices"] if status == 200 else []:
        status, told = ask("POST", "/pick", {"spec": spec, "count": str(choice["count"])})
        assert status == 200
        status, other = ask("POST", "/plan", taken(spec, told["change"]))
        assert status == 200, (choice, told)
        assert other["count"] == choice["count"]
        for size in SIZES:
            assert (other[size] or {}).get("mm") == (choice.get(size) or other[size] or {}).get("mm"), (size, told)


def test_what_gave_way_to_the_count_is_about_from_then_on(ask: Asked) -> None:
    _, made = ask("POST", "/plan", OVERFULL)
    assert [(choice["count"], choice["why"]) for choice in made["choices"]] == [
        (25, "fewer"),
        (26, "chosen"),
        (27, "more"),
    ]
    gave = made["gave"][0]["quantity"]
    _, told = ask("POST", "/pick", {"spec": OVERFULL, "count": 26})
    assert told["change"] == {"pins.count": "26", f"pins.{gave}": {"about": OVERFULL["pins"][gave]}}  # type: ignore[index]


@pytest.mark.parametrize(
    ("section", "count", "path"),
    [
        (OVERFULL, "many", "count"),
        ({"kind": "gather", "pins": {"finished": "20", "fullness": "2"}}, "3", "count"),
        ({"kind": "mixed", "pins": {"finished": "80"}, "parts": [{"kind": "plain"}]}, "3", "count"),
        (OVERFULL, "0", "pins.count"),
    ],
)
def test_a_count_that_cannot_be_picked_is_answered_with_a_sentence(
    ask: Asked, section: dict[str, Any], count: str, path: str
) -> None:
    status, told = ask("POST", "/pick", {"spec": section, "count": count})
    assert status == 422
    assert all(problem["message"] and problem["way_out"] for problem in told["problems"])
    assert path in [problem["path"] for problem in told["problems"]] or count == "0"
