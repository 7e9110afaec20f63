"""Whatever is offered can be taken, and does what it says."""

from __future__ import annotations

import random
from typing import Any

import pytest

from tests.conftest import Asked
from tests.examples import seeds

KINDS = ["knife", "box", "pinch", "inverted", "gather"]


def section(chance: random.Random) -> dict[str, Any]:
    """A section on cloth of its own, in whole and quarter units."""
    unit, times = chance.choice([("cm", 2.5), ("in", 1.0)])

    def length(low: float, high: float) -> str:
        return f"{chance.randint(int(low * times * 4), int(high * times * 4)) / 4:g} {unit}"

    kind = chance.choice(KINDS)
    pins: dict[str, Any] = {"finished": length(20, 90)}
    if kind == "gather":
        pins["fullness"] = chance.choice(["2", "2 1/2", "1.8"])
    elif kind == "pinch":
        pins |= {"spacing": {"about": length(3, 5)}, "per_pleat": length(4, 7)}
    else:
        pins["spacing"] = chance.choice([length(1, 4), {"about": length(1, 4)}])
        if chance.random() < 0.6:
            pins["depth"] = length(1, 3)
    made: dict[str, Any] = {"kind": kind, "unit": unit, "pins": pins, "closed": chance.random() < 0.3}
    if not made["closed"] and kind != "gather":
        made["lead"] = made["tail"] = chance.choice([{"times": "1/2"}, {"times": "1"}, {"width": length(2, 4)}])
    cloth: dict[str, Any] = {"width": length(40, 60), "price": "8", "step": "10 cm"}
    may = {
        "along": length(4, 20), "across": length(4, 10), "shrinkage": "5", "length": length(40, 300),
        "directional": True,
    }  # fmt: skip
    cloth |= {field: value for field, value in may.items() if chance.random() < 0.4}
    made["cloth"] = cloth
    made["allowance"] = {"start": length(0, 1), "join": length(0, 1)}
    made["cutting"] = {
        "drop": {"finished": length(4, 60), "hem": length(0, 3)},
        "strategy": chance.choice(["fewest", "equal", "same_pleats"]),
        "way": chance.choice(["usual", "across", "lengthways", "railroaded"]),
    }
    return made


def taken(spec: dict[str, Any], change: dict[str, Any]) -> dict[str, Any]:
    """`spec` with a change made to it; None empties a field."""
    after = {**spec, "pins": dict(spec.get("pins", {}))}
    for path, value in change.items():
        head, _, tail = path.partition(".")
        if head == "parts":
            index, _, field = tail.partition(".")
            after["parts"] = [*after["parts"]]
            after["parts"][int(index)] = taken(after["parts"][int(index)], {field: value})
        elif not tail:
            after[head] = value
        elif head == "pins" and value is None:
            after["pins"].pop(tail, None)
        else:
            after[head] = {**after.get(head, {}), tail: value}
    return after


@pytest.mark.parametrize("seed", seeds(150))
def test_what_is_offered_can_be_taken_and_does_what_it_says(ask: Asked, seed: int) -> None:
    spec = section(random.Random(seed))
    status, made = ask("POST", "/plan", spec)
    if status != 200:
        assert all(problem["way_out"] for problem in made["problems"])
        return
    status, cloth = ask("POST", "/cloth", spec)
    assert status == 200
    for offer in cloth["offers"]:
        status, other = ask("POST", "/plan", taken(spec, offer["change"]))
        assert (status, len(other["widths"]) < len(made["widths"])) == (200, True), offer
    for fit in cloth["repeats"]:
        status, other = ask("POST", "/plan", taken(spec, fit["change"]))
        assert status == 200, fit
        assert other["count"] == made["count"]
        assert other["spacing"]["mm"] + other["per_pleat"]["mm"] == pytest.approx(fit["pitch"]["mm"])
    for makes in cloth["makes"]:
        status, other = ask("POST", "/cloth", taken(spec, makes["change"]))
        assert (status, other["buy"]["short"]) == (200, None), makes
    for mend in cloth["mends"]:
        status, other = ask("POST", "/cloth", taken(spec, mend["change"]))
        assert (status, other["buy"]["needed"]["mm"] < cloth["buy"]["needed"]["mm"]) == (200, True), mend
    mends_hold(ask, spec, made)


def mends_hold(ask: Asked, spec: dict[str, Any], made: dict[str, Any]) -> int:
    """Try the mend of every warning in `made`; gives back how many there were."""
    mended = [warning for warning in made["warnings"] if warning["mend"]]
    for warning in mended:
        status, other = ask("POST", "/plan", taken(spec, warning["mend"]["change"]))
        assert status == 200, warning
        assert warning["message"] not in [one["message"] for one in other["warnings"]]
        assert other["finished"] == made["finished"]
    return len(mended)


@pytest.mark.parametrize("seed", seeds(60))
def test_the_parts_of_a_mixed_edge_are_minded_too(ask: Asked, seed: int) -> None:
    chance = random.Random(2000 + seed)
    parts = [section(chance) for _ in range(chance.randint(1, 3))]
    kept = ("kind", "pins", "lead", "tail")
    spec = {
        "kind": "mixed", "pins": {"finished": "2 m"}, "tape": "5 mm", "cloth": {"thickness": "0.9 mm"},
        "parts": [{name: part[name] for name in kept if name in part} for part in parts],
    }  # fmt: skip
    for part in spec["parts"]:
        part["pins"].pop("finished")
    status, made = ask("POST", "/plan", spec)
    if status == 200:
        mends_hold(ask, spec, made)
        assert all(one["message"].startswith("Part ") for one in made["warnings"] if one["mend"])


@pytest.mark.parametrize("seed", seeds(80))
def test_cloth_and_cut_ask_the_shop_for_the_same(ask: Asked, seed: int) -> None:
    """With a repeat along the cloth, Cut once left out the one by which the first drop begins."""
    spec = section(random.Random(1000 + seed))
    if ask("POST", "/plan", spec)[0] != 200:
        return
    _, cloth = ask("POST", "/cloth", spec)
    status, cut = ask("POST", "/cut", {"sections": [{"name": "Length", "spec": spec}]})
    assert status == 200
    (plan,) = cut["plans"]
    assert (plan["asked"], plan["cost"]) == (cloth["buy"]["asked"], cloth["buy"]["cost"])
    assert (plan["short"] is None) == (cloth["buy"]["short"] is None)
    way = next(way for way in cloth["ways"] if way["taken"])
    assert len(plan["placed"]) == way["joins"] + 1
