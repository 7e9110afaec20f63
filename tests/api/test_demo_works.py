"""Every demo work can be planned, cut, marked and read, and says nothing that alarms."""

from __future__ import annotations

from typing import Any

import pytest

from tests.conftest import Asked, alone
from tests.demo import FIRST
from tests.demo import SECTIONS as PIECES

SECTIONS = [(f"{work}, {piece}", spec) for work, piece, spec in PIECES]


@pytest.mark.parametrize(("name", "spec"), SECTIONS, ids=[name for name, _ in SECTIONS])
@pytest.mark.parametrize("address", ["/plan", "/cloth", "/lies", "/chalk"])
def test_a_demo_section_is_answered(ask: Asked, name: str, spec: dict[str, Any], address: str) -> None:
    status, made = ask("POST", address, spec)
    assert status == 200, (name, made)
    if address == "/plan":
        assert made["warnings"] == [] or all(w["message"] for w in made["warnings"])
        # Widths that decide the fullness leave a join where it falls.
        assert all(join["hidden"] for join in made["joins"]) or name.endswith("panel")
        walked = made["walk"]
        assert walked["flat"][-1] == pytest.approx(made["flat"]["mm"])
        assert walked["x"][-1] == pytest.approx(made["finished"]["mm"])
    if address == "/chalk":
        assert [m["at"]["mm"] for m in made["marks"]] == sorted(m["at"]["mm"] for m in made["marks"])


@pytest.mark.parametrize(("name", "spec"), SECTIONS, ids=[name for name, _ in SECTIONS])
@pytest.mark.parametrize("unit", ["in", "cm", "yd"])
def test_another_unit_changes_no_value(ask: Asked, name: str, spec: dict[str, Any], unit: str) -> None:
    _, work = ask("POST", "/works", {"name": name, "sections": [{"name": "Piece", "spec": spec}]})
    before = ask("POST", "/plan", spec)[1]
    status, changed = ask("POST", f"/works/{work['key']}/unit", {"revision": work["revision"], "unit": unit})
    assert status == 200
    after_spec = alone(changed)
    assert after_spec["unit"] == unit
    after = ask(
        "POST", "/plan", {**after_spec, "tape": spec.get("tape", "") or ("1 mm" if spec["unit"] == "cm" else "1/16 in")}
    )[1]
    for size in ("finished", "flat", "spacing", "depth", "per_pleat"):
        assert (after[size] or {}).get("mm") == (before[size] or {}).get("mm"), size
    assert [m["at"]["mm"] for m in after["marks"]] == [m["at"]["mm"] for m in before["marks"]]
    assert [w["cut"]["mm"] for w in after["widths"]] == [w["cut"]["mm"] for w in before["widths"]]


def test_the_scenario_on_the_demo_shelf(ask: Asked) -> None:
    plans = {name: ask("POST", "/plan", spec)[1] for name, spec in FIRST.items()}
    assert plans["Guide’s skirt"]["count"] == 23
    assert plans["Guide’s skirt"]["flat"]["text"] == "210 cm"
    assert plans["Dome valance"]["flat"]["text"] == "288 in"
    assert plans["Reading-room curtains"]["count"] == 11
    assert plans["Bunk curtain"]["spaces"] == 18
    assert plans["Star-party apron"]["on_tape"]["groups"] == [
        {"pleats": 24, "depth": {"mm": 25.4, "text": "1 in", "exact": True}},
        {"pleats": 16, "depth": {"mm": 23.8125, "text": "15/16 in", "exact": True}},
    ]
    assert plans["Nightgown cuff"]["flat"]["text"] == "39.6 cm"
    assert plans["Telescope cover"]["flat"]["text"] == "154 in"
    # The wrap is pleated to its plaid: one repeat of 24 cm to every pleat.
    wrap = plans["Plaid wrap"]
    assert wrap["spacing"]["mm"] + wrap["per_pleat"]["mm"] == pytest.approx(240)


@pytest.mark.parametrize(("name", "spec"), SECTIONS, ids=[name for name, _ in SECTIONS])
def test_the_chosen_count_takes_the_widths_and_costs_what_the_slip_says(
    ask: Asked, name: str, spec: dict[str, Any]
) -> None:
    _, made = ask("POST", "/plan", spec)
    _, cloth = ask("POST", "/cloth", spec)
    for chosen in made["choices"]:
        if chosen["why"] == "chosen":
            assert chosen["widths"] == (len(made["widths"]) or None)
            assert chosen["cost"] == (cloth["buy"]["cost"] if cloth["buy"] else None)
