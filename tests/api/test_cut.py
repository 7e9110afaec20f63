"""The cutting plan of a work, with sums worked by hand."""

from __future__ import annotations

from itertools import combinations
from typing import Any

import pytest

from tests.conftest import Asked

SKIRT: dict[str, Any] = {
    "kind": "knife",
    "unit": "cm",
    "closed": True,
    "meet": True,
    "pins": {"finished": "70 cm", "spacing": "2.5 cm"},
    "allowance": {"start": "1.5 cm", "end": "1.5 cm", "join": "1.5 cm"},
    "cloth": {"name": "Guide blue wool", "usable": "147 cm", "price": "28", "step": "10 cm", "directional": True},
    "cutting": {"drop": {"finished": "60 cm", "heading": "1.5 cm", "hem": "4 cm", "hem_turns": 1}},
}


def cut(ask: Asked, *specs: dict[str, Any]) -> Any:
    sections = [{"name": f"Piece {n}", "spec": spec} for n, spec in enumerate(specs, 1)]
    status, made = ask("POST", "/cut", {"sections": sections})
    assert status == 200, made
    return made


def overlap(a: Any, b: Any) -> bool:
    return a["sheet"] == b["sheet"] and not (
        a["left"] + a["wide"]["mm"] <= b["left"] + 1e-6
        or b["left"] + b["wide"]["mm"] <= a["left"] + 1e-6
        or a["start"] + a["long"]["mm"] <= b["start"] + 1e-6
        or b["start"] + b["long"]["mm"] <= a["start"] + 1e-6
    )


def test_two_widths_of_a_skirt_one_below_the_other(ask: Asked) -> None:
    made = cut(ask, SKIRT)["plans"][0]
    # 210 cm flat in two widths, each drop 60 + 1.5 + 4: 131 cm, sold by 10 cm.
    assert [piece["name"] for piece in made["placed"]] == ["Piece 1, width 1 of 2", "Piece 1, width 2 of 2"]
    assert {piece["long"]["text"] for piece in made["placed"]} == {"65.5 cm"}
    assert made["length"]["text"] == "131 cm"
    assert made["asked"]["text"] == "1.4 m"
    assert made["cost"] == "39.20"
    assert sum(piece["wide"]["mm"] for piece in made["placed"]) == pytest.approx(2100 + 15 * 4)


def test_the_band_finds_its_place_beside_the_narrow_width(ask: Asked) -> None:
    band = {"name": "Band", "width": "6 cm", "length": "65 cm"}
    pocket = {"name": "Pocket", "width": "16 cm", "length": "20 cm", "count": 2}
    spec = {**SKIRT, "cutting": {**SKIRT["cutting"], "pieces": [band, pocket]}}
    made = cut(ask, spec)["plans"][0]
    assert made["length"]["text"] == "131 cm"  # nothing longer than without them
    names = {piece["name"] for piece in made["placed"]}
    assert {"Band", "Pocket 1", "Pocket 2"} <= names
    assert not any(overlap(a, b) for a, b in combinations(made["placed"], 2))
    assert not any(piece["turned"] for piece in made["placed"])


def test_a_piece_on_the_fold_is_laid_opened(ask: Asked) -> None:
    spec = {
        **SKIRT,
        "cutting": {
            **SKIRT["cutting"],
            "pieces": [{"name": "Yoke", "width": "24 cm", "length": "18 cm", "on_fold": True}],
        },
    }
    yoke = next(p for p in cut(ask, spec)["plans"][0]["placed"] if p["name"] == "Yoke")
    assert (yoke["wide"]["text"], yoke["on_fold"]) == ("48 cm", True)


def test_works_on_two_cloths_and_one_that_lacks_its_drop(ask: Asked) -> None:
    other = {**SKIRT, "cloth": {"name": "Gallery cotton", "usable": "138 cm"}}
    lacking = {**SKIRT, "cutting": {}}
    made = cut(ask, SKIRT, other, lacking)
    assert [plan["cloth"] for plan in made["plans"]] == ["Guide blue wool", "Gallery cotton"]
    assert made["lacking"] == ["Piece 3: say how far it falls"]
    assert made["cost"] == "39.20"  # the other has no price
    assert {notion["piece"] for notion in made["notions"]} == {"Piece 1", "Piece 2"}


def test_two_sections_of_one_cloth_share_it(ask: Asked) -> None:
    made = cut(ask, SKIRT, SKIRT)
    assert len(made["plans"]) == 1
    assert len(made["plans"][0]["placed"]) == 4
    assert {piece["section"] for piece in made["plans"][0]["placed"]} <= {0, 1}


def test_a_sheet_and_a_remnant_together(ask: Asked) -> None:
    sheet = {
        "name": "Old bed sheet",
        "usable": "150 cm",
        "length": "70 cm",
        "rectangle": True,
        "sheets": [{"width": "120 cm", "length": "70 cm"}],
    }
    made = cut(ask, {**SKIRT, "cloth": sheet})["plans"][0]
    assert len(made["sheets"]) == 2
    assert {piece["sheet"] for piece in made["placed"]} == {0, 1}
    assert made["left"] == []
    assert made["cost"] is None
    alone = cut(ask, {**SKIRT, "cloth": {**sheet, "sheets": []}})["plans"][0]
    assert len(alone["left"]) == 1
    assert "1 of 2 pieces find no place on what is at hand" in alone["says"]


def test_a_vertical_repeat_rounds_every_drop_up(ask: Asked) -> None:
    spec = {**SKIRT, "cloth": {**SKIRT["cloth"], "along": "24 cm"}}
    made = cut(ask, spec)["plans"][0]
    assert {piece["long"]["text"] for piece in made["placed"]} == {"72 cm"}  # three repeats
    _, step = ask("POST", "/cloth", spec)
    assert step["buy"]["needed"]["text"] == "168 cm"  # two drops and one repeat to begin where the pattern asks


def test_railroaded_there_is_one_piece(ask: Asked) -> None:
    cloth = {**SKIRT["cloth"], "directional": False}
    spec = {**SKIRT, "cloth": cloth, "cutting": {**SKIRT["cutting"], "way": "railroaded"}}
    made = cut(ask, spec)["plans"][0]
    assert [(p["name"], p["wide"]["text"], p["long"]["text"]) for p in made["placed"]] == [
        ("Piece 1", "65.5 cm", "213 cm")
    ]
    status, plan = ask("POST", "/plan", spec)
    assert (status, plan["joins"]) == (200, [])


def test_a_ring_says_how_it_closes(ask: Asked) -> None:
    spec = {**SKIRT, "cutting": {**SKIRT["cutting"], "opening": "18 cm"}}
    _, step = ask("POST", "/cloth", spec)
    assert "The ring closes with a seam of 1.5 cm at each side, left open for 18 cm at the top." in step["slip"]


def test_cloth_narrower_than_a_pleat_says_so(ask: Asked) -> None:
    _, step = ask("POST", "/cloth", {**SKIRT, "cloth": {"usable": "5 cm"}})
    assert any(
        "would show. Wider cloth, narrower allowances, deeper or smaller pleats" in line for line in step["slip"]
    )
    status, refused = ask("POST", "/cloth", {**SKIRT, "cloth": {"usable": "2 cm"}})
    assert (status, refused["problems"][0]["path"]) == (422, "cloth.usable")


def test_nothing_to_cut_is_no_fault(ask: Asked) -> None:
    status, made = ask("POST", "/cut", {"sections": []})
    assert (status, made["plans"], made["cost"]) == (200, [], None)


BAND = {"name": "Band", "width": "6 cm", "length": "65 cm", "cloth": "contrast"}


def banded(contrast: str, **more: Any) -> dict[str, Any]:
    cutting = {**SKIRT["cutting"], "pieces": [BAND]}
    return {**SKIRT, "cloths": {"contrast": {"usable": contrast}}, "cutting": cutting, **more}


def test_contrasts_of_two_sections_that_stand_alone_are_two_cloths(ask: Asked) -> None:
    made = cut(ask, banded("110 cm"), banded("90 cm"), banded("110 cm"))
    bands = {
        plan["width"]["text"]: [piece["section"] for piece in plan["placed"]]
        for plan in made["plans"]
        if plan["role"].startswith("contrast")
    }
    assert {width: sorted(found) for width, found in bands.items()} == {"110 cm": [0, 2], "90 cm": [1]}


@pytest.mark.parametrize("unknown", ["cloth", "drop"])
def test_a_band_of_known_cloth_is_laid_while_the_skirt_waits(ask: Asked, unknown: str) -> None:
    spec = banded("110 cm")
    if unknown == "cloth":
        spec["cloth"] = {}
    else:
        spec["cutting"] = {**spec["cutting"], "drop": {}}
    made = cut(ask, spec)
    assert [(plan["role"], [one["name"] for one in plan["placed"]]) for plan in made["plans"]] == [
        ("contrast", ["Band"])
    ]
    assert len(made["lacking"]) == 1


def test_sections_of_one_key_are_still_told_apart(ask: Asked) -> None:
    sections = [{"key": "a", "name": f"Piece {n}", "spec": SKIRT} for n in (1, 2)]
    _, made = ask("POST", "/cut", {"sections": sections})
    placed = made["plans"][0]["placed"]
    assert sorted(one["section"] for one in placed) == [0, 0, 1, 1]
    assert len({one["key"] for one in placed}) == len(placed)
