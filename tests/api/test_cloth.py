"""Cloth and cutting through the API, and the cloth shelf."""

from __future__ import annotations

from pathlib import Path
from typing import Any

import pytest
from django.test import Client

from tests.conftest import Asked
from tests.demo import SECTIONS as PIECES

VALANCE: dict[str, Any] = {
    "kind": "box", "unit": "in", "pins": {"finished": "96 in", "box": "4 in"}, "meet": True,
    "allowance": {"start": "1/2 in", "end": "1/2 in", "join": "1/2 in"},
    "cloth": {"usable": "54 in", "name": "Gallery cotton", "price": "12.5", "per": "yd", "step": "1/8 yd", "weight": "220"},
    "cutting": {"drop": {"finished": "18 in", "heading": "1/2 in", "hem": "1 in"}},
}  # fmt: skip


def with_cloth(**more: Any) -> dict[str, Any]:
    return {**VALANCE, "cloth": {**VALANCE["cloth"], **more}}


def with_cutting(**more: Any) -> dict[str, Any]:
    return {**VALANCE, "cutting": {**VALANCE["cutting"], **more}}


def test_the_dome_valance_on_its_cloth(ask: Asked) -> None:
    status, made = ask("POST", "/cloth", VALANCE)
    assert status == 200
    assert made["drop"]["cut"]["text"] == "20 1/2 in"
    by_name = {one["name"]: one for one in made["strategies"]}
    assert by_name["fewest"]["shown"] == 0
    assert len(by_name["fewest"]["widths"]) == 6
    assert [way["name"] for way in made["ways"] if way["taken"]] == ["across"]
    assert made["buy"]["needed"]["text"] == "123 in"
    assert made["buy"]["asked"]["text"] == "3 1/2 yd"  # 27 1/3 eighths
    assert made["buy"]["cost"] == "43.75"
    assert made["load"]["grams"] == pytest.approx(289 * 20.5 * 25.4**2 * 220 / 1e6)


def test_a_strategy_is_followed_in_the_plan_too(ask: Asked) -> None:
    _, plain = ask("POST", "/plan", VALANCE)
    _, equal = ask("POST", "/plan", with_cutting(strategy="equal"))
    assert [w["cut"]["text"] for w in plain["widths"]] != [w["cut"]["text"] for w in equal["widths"]]
    status, refused = ask("POST", "/plan", with_cutting(strategy="at_pleats"))
    assert status == 422
    assert refused["problems"][0]["path"] == "cutting.strategy"


@pytest.mark.parametrize(
    ("section", "path"),
    [
        (with_cloth(shrinkage="-4"), "cloth.shrinkage"),
        (with_cloth(shrinkage="80"), "cloth.shrinkage"),
        (with_cloth(along="9 yd", length="2 yd"), "cloth.along"),
        (with_cloth(across="60 in"), "cloth.across"),
        (with_cloth(price="cheap"), "cloth.price"),
        (with_cloth(usable=None, width="10 in", selvedge="6 in"), "cloth.selvedge"),
        (with_cloth(stripes=[{"colour": "#112233", "width": "none"}]), "cloth.stripes.0.width"),
        (with_cutting(drop={"finished": "far"}), "cutting.drop.finished"),
        (with_cutting(pieces=[{"name": "Tie", "width": "0", "length": "20"}]), "cutting.pieces.0.width"),
    ],
)
def test_cloth_that_cannot_be_is_a_sentence_beside_its_field(ask: Asked, section: dict[str, Any], path: str) -> None:
    statuses = {ask("POST", address, section)[0] for address in ("/cloth",)}
    assert statuses == {422}
    status, refused = ask("POST", "/cut", {"sections": [{"name": "Valance", "spec": section}]})
    assert status == 422
    assert [p["path"].removeprefix("sections.0.spec.") for p in refused["problems"]] == [path]
    assert all(p["message"] and p["way_out"] for p in refused["problems"])


def test_what_cloth_at_hand_makes_can_be_made(ask: Asked) -> None:
    section = with_cloth(length="3 yd")
    _, made = ask("POST", "/cloth", section)
    assert made["buy"]["short"]["text"] == "15 in"
    assert {one["name"] for one in made["makes"]} == {"greatest fullness", "longest edge"}
    for one in made["makes"]:
        pins = dict(section["pins"])
        for field, value in one["change"].items():
            if field.startswith("pins."):
                pins.pop(field[5:], None)
                if value:
                    pins[field[5:]] = value
        status, then = ask("POST", "/cloth", {**section, "meet": None, "pins": pins})
        assert status == 200, then
        assert then["buy"]["short"] is None


def test_pleats_to_the_repeat_come_out_at_the_repeat(ask: Asked) -> None:
    _, made = ask("POST", "/cloth", with_cloth(across="3 in"))
    fit = made["repeats"][0]
    pins = {"finished": "96 in", "box": "4 in", "depth": fit["change"]["pins.depth"]}
    _, plan = ask("POST", "/plan", {**VALANCE, "meet": False, "pins": pins})
    pitch = plan["spacing"]["mm"] + plan["per_pleat"]["mm"]
    assert pitch == pytest.approx(fit["pitch"]["mm"])
    assert pitch / 76.2 == pytest.approx(fit["repeats"])


def test_stripes_cover_the_strip_and_the_front(ask: Asked) -> None:
    stripes = [{"colour": "#2f6a3a", "width": "2 in"}, {"colour": "#f3f5f2", "width": "1 in"}]
    for where in ("fold", "face"):
        section = with_cloth(stripes=stripes)
        section["cutting"] = {**VALANCE["cutting"], "stripe": 2, "stripe_where": where}
        _, made = ask("POST", "/plan", section)
        seen = made["stripes"]
        assert seen["flat"][0]["from"] == 0
        assert seen["flat"][-1]["to"] == pytest.approx(made["flat"]["mm"])
        assert all(a["to"] == pytest.approx(b["from"]) for a, b in zip(seen["front"], seen["front"][1:], strict=False))
        assert seen["front"][-1]["to"] == pytest.approx(made["finished"]["mm"])


def test_a_lining_a_tube_and_ties_on_the_cutting_plan(ask: Asked) -> None:
    section = with_cutting(
        lining={"tube": True, "narrower": "2 in", "cloth": {"usable": "54 in"}},
        pieces=[{"name": "Tie", "width": "4 in", "length": "20 in", "count": 6, "may_turn": True}],
    )
    _, made = ask("POST", "/cut", {"sections": [{"name": "Valance", "spec": section}]})
    assert [plan["cloth"] for plan in made["plans"]] == ["Gallery cotton", "Lining"]
    names = [one["name"] for one in made["plans"][0]["placed"]]
    assert {f"Tie {n}" for n in range(1, 7)} <= set(names)
    assert sum(name.startswith("Valance, width") for name in names) == 6
    assert made["plans"][0]["closeness"] < 1.25
    assert made["plans"][1]["placed"][0]["name"] == "Valance, lining 1 of 6"
    assert made["cost"]
    _, lacking = ask(
        "POST", "/cut", {"sections": [{"name": "Bare", "spec": {"kind": "knife", "pins": {"finished": "70"}}}]}
    )
    assert lacking["lacking"] == ["Bare: say how wide its cloth is"]


def put(ask: Asked, **spec: Any) -> Any:
    status, made = ask("POST", "/cloths", {"name": "Gallery cotton", "unit": "cm", "spec": {"width": "140", **spec}})
    assert status == 201, made
    return made


def test_cloth_goes_out_to_a_work_and_comes_back(ask: Asked) -> None:
    made = put(ask, length="3 m")
    status, after = ask("POST", f"/cloths/{made['key']}/take", {"revision": 1, "length": "1.2 m", "work": "Valance"})
    assert (status, after["left"]["text"]) == (200, "180 cm")
    status, refused = ask("POST", f"/cloths/{made['key']}/take", {"revision": 2, "length": "9 m"})
    assert (status, refused["problems"][0]["message"]) == (422, "there is only 180 cm of it")
    status, refused = ask("POST", f"/cloths/{made['key']}/give", {"revision": 1, "length": "20"})
    assert (status, refused["problems"][0]["code"]) == (422, "stale")
    status, after = ask("POST", f"/cloths/{made['key']}/give", {"revision": 2, "length": "20", "work": "Valance"})
    assert (status, after["left"]["text"]) == (200, "200 cm")
    assert [(m["length"], m["back"]) for m in after["movements"]] == [("20 cm", True), ("1.2 m", False)]


def test_a_cloth_that_cannot_be_is_refused(ask: Asked) -> None:
    status, refused = ask("POST", "/cloths", {"name": "Bad", "spec": {"width": "wide"}})
    assert (status, refused["problems"][0]["path"]) == (422, "spec.width")
    status, _ = ask("PUT", "/cloths/nothere123", {"revision": 1, "name": "x", "spec": {}})
    assert status == 404


SHEET = """name,unit,width,price,directional,stripes
Gallery cotton,cm,140,12.5,no,
Star plaid,cm,144 cm,24,,#1b2240 8 cm; #f3f5f2 1 cm
Wrong,cm,wide,1,no,
,cm,140,,,
Odd,cm,140,1,perhaps,
"""


def test_a_table_goes_in_whole_or_not_at_all_or_by_its_right_rows(ask: Asked) -> None:
    status, told = ask("POST", "/cloths/table", {"text": SHEET})
    assert (status, told["right"], told["added"]) == (200, 2, 0)
    assert [one["line"] for one in told["wrong"]] == [4, 5, 6]
    assert told["wrong"][0]["message"].startswith("width: “wide” was not understood as a length")
    assert ask("GET", "/cloths")[1]["cloths"] == []
    _, told = ask("POST", "/cloths/table", {"text": SHEET, "keep_good": True})
    assert told["added"] == 2
    client = Client(SERVER_NAME="127.0.0.1")
    text = client.get("/api/cloths/table").content.decode()
    _, again = ask("POST", "/cloths/table", {"text": text})
    assert (again["added"], again["wrong"]) == (2, [])
    kept = [one["spec"] for one in ask("GET", "/cloths")[1]["cloths"]]
    assert kept[0] == kept[1]
    assert kept[2] == kept[3]


@pytest.mark.parametrize("text", ["", "\x00", "colour,name\nred,x\n", 'name,width\n"open', "name\na,b,c\n"])
def test_a_table_of_rubbish_is_told_by_its_lines(ask: Asked, text: str) -> None:
    status, told = ask("POST", "/cloths/table", {"text": text})
    assert status == 200
    assert told["added"] == 0
    assert told["wrong"]


def test_the_suppliers_list_is_shipped_and_can_be_replaced(ask: Asked, settings: Any, tmp_path: Path) -> None:
    _, shipped = ask("GET", "/cloths/prices")
    assert len(shipped["cloths"]) == 6
    assert shipped["wrong"] == []
    settings.DATA = tmp_path
    (tmp_path / "prices.csv").write_text("name,price,per\nOwn wool,31,m\nBad,dear,m\n")
    _, own = ask("GET", "/cloths/prices")
    assert [one["name"] for one in own["cloths"]] == ["Own wool"]
    (tmp_path / "prices.csv").write_bytes(b"\xff\xfe\x00rubbish")
    _, rubbish = ask("GET", "/cloths/prices")
    assert rubbish["cloths"] == []
    assert rubbish["wrong"][0]["line"] == 1


def test_what_the_cloth_at_hand_makes_is_never_less_than_what_it_is_enough_for(ask: Asked) -> None:
    """A wrap cut along its cloth was told to make fewer pleats than it had cloth for."""
    for pieces in (PIECES,):
        for _, name, spec in pieces:
            _, told = ask("POST", "/cloth", spec)
            _, made = ask("POST", "/plan", spec)
            if not told["buy"] or told["buy"]["at_hand"] is None or told["buy"]["short"] is not None:
                continue
            says = {one["name"]: one for one in told["makes"]}
            for what, size, unit in (
                ("longest edge", "finished", "mm"),
                ("greatest fullness", "flat", "mm"),
                ("most pleats", "count", ""),
            ):
                if what in says:
                    _, other = ask("POST", "/plan", _changed(spec, says[what]["change"]))
                    had, got = ((one[size][unit] if unit else one[size]) for one in (made, other))
                    assert got >= had * 0.97, (name, what)
            assert told["pleats_at_hand"] is None or told["pleats_at_hand"] >= made["count"], name


def _changed(spec: dict[str, Any], change: dict[str, Any]) -> dict[str, Any]:
    pins = dict(spec["pins"])
    rest = {key: value for key, value in change.items() if not key.startswith("pins.")}
    for key, value in change.items():
        if key.startswith("pins."):
            pins[key.removeprefix("pins.")] = value
    return {**spec, **rest, "pins": {key: value for key, value in pins.items() if value is not None}}


def test_a_cloth_is_read_by_itself(ask: Asked) -> None:
    """Whichever edge it is for: what there is of it, in its own unit, or everything that is wrong in it at once."""
    status, told = ask(
        "POST", "/cloth/read", {"cloth": {"width": "140", "selvedge": "1", "length": "260", "shrinkage": "4"}}
    )
    assert (status, told["usable"]["text"], told["at_hand"]["text"]) == (200, "138 cm", "249.6 cm")
    own = {"usable": "54", "unit": "in", "length": "3 yd"}
    assert ask("POST", "/cloth/read", {"cloth": own, "unit": "cm"})[1] == {
        "usable": {"mm": 1371.6, "text": "54 in", "exact": True},
        "at_hand": {"mm": 2743.2, "text": "108 in", "exact": True},
        "along": None,
    }
    assert ask("POST", "/cloth/read", {"cloth": {}})[1] == {"usable": None, "at_hand": None, "along": None}
    _, printed = ask("POST", "/cloth/read", {"cloth": {"usable": "140", "along": "64"}})
    assert printed["along"]["text"] == "64 cm"
    status, refused = ask("POST", "/cloth/read", {"cloth": {"usable": "140", "length": "some", "along": "x"}})
    assert status == 422
    assert {one["path"] for one in refused["problems"]} >= {"cloth.length", "cloth.along"}
    assert all(one["way_out"] for one in refused["problems"])
    assert (
        ask("POST", "/cloth/read", {"cloth": {"width": "2", "selvedge": "1"}})[1]["problems"][0]["path"]
        == "cloth.selvedge"
    )


def test_widths_are_laid_from_either_end(ask: Asked) -> None:
    """Gathers of 300 cm in cloth of 138: two whole ones and what is left, at the other end; seams of 1.5 cm."""
    spec = {
        "kind": "gather", "unit": "cm", "pins": {"finished": "150", "fullness": "2"},
        "cloth": {"usable": "138"}, "allowance": {"seam": "1.5"},
    }  # fmt: skip
    cuts = {}
    for end in ("start", "end"):
        status, plan = ask("POST", "/plan", {**spec, "cutting": {"joins_from": end}})
        assert status == 200
        cuts[end] = [one["cut"]["text"] for one in plan["widths"]]
        assert [one["at"]["text"] for one in plan["joins"]] == (
            ["135 cm", "270 cm"] if end == "start" else ["30 cm", "165 cm"]
        )
    assert cuts == {"start": ["138 cm", "138 cm", "33 cm"], "end": ["33 cm", "138 cm", "138 cm"]}


def test_cloth_too_narrow_for_a_wide_end_says_how_wide_it_must_be(ask: Asked) -> None:
    """A join's allowance and an end's lie on one width: 1.5 and 12 cm want more than 13.5."""
    spec = {
        "kind": "gather", "unit": "cm", "pins": {"finished": "150", "fullness": "2"},
        "allowance": {"seam": "1.5", "end": "12"},
    }  # fmt: skip
    status, refused = ask("POST", "/plan", {**spec, "cloth": {"usable": "13"}})
    assert status == 422
    assert "wider than 136 mm" in refused["problems"][0]["way_out"]
    assert ask("POST", "/plan", {**spec, "cloth": {"usable": "13.6"}})[0] == 200
