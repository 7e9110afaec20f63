"""Pieces, cloths, linings and what is bought: answers worked by hand."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

import pytest

from tests.api.test_to_the_last_mark import slip, told

Asked = Callable[..., tuple[int, Any]]
pytestmark = pytest.mark.django_db


def test_two_equal_pieces_are_two(ask: Asked) -> None:
    spec = {
        "kind": "knife", "pins": {"finished": "40", "count": "10", "depth": "2"},
        "cloth": {"usable": "60", "length": "100", "rectangle": True},
        "cutting": {"drop": {"finished": "20"}, "pieces": [{"name": "Band", "width": "50", "length": "40"}] * 3},
    }  # fmt: skip
    plan = told(ask, "/cut", sections=[{"name": "A", "spec": spec}])["plans"][0]
    assert len(plan["placed"]) + len(plan["left"]) == 5  # two widths of the strip, three bands
    two = told(
        ask, "/cut", sections=[{"name": name, "spec": {**spec, "cloth": {"usable": "140"}}} for name in ("A", "B")]
    )["plans"][0]
    assert sorted(one["section"] for one in two["placed"] if one["name"] == "Band") == [0, 0, 0, 1, 1, 1]


def test_cloths_of_one_name_are_told_apart(ask: Asked) -> None:
    spec = {
        "kind": "knife",
        "pins": {"finished": "40", "count": "10", "depth": "2"},
        "cutting": {"drop": {"finished": "20"}},
    }
    cloths = [{"name": "Wool", "usable": "140", "price": "10"}, {"name": "Wool", "usable": "150", "price": "30"}]
    plans = told(
        ask, "/cut", sections=[{"name": f"{n}", "spec": {**spec, "cloth": cloth}} for n, cloth in enumerate(cloths)]
    )["plans"]
    assert [(p["cloth"], p["cost"]) for p in plans] == [("Wool, 140 cm wide", "2.00"), ("Wool, 150 cm wide", "6.00")]


def test_what_is_at_hand_is_not_bought(ask: Asked) -> None:
    spec = {
        "kind": "knife",
        "pins": {"finished": "40", "count": "10", "depth": "2"},
        "cutting": {"drop": {"finished": "20"}},
        "cloth": {"usable": "140", "price": "10", "length": "2 m"},
    }
    made = told(ask, "/cut", sections=[{"name": "A", "spec": spec}])
    assert (made["plans"][0]["asked"], made["plans"][0]["cost"], made["cost"]) == (None, None, None)
    assert "what is at hand is enough, 180 cm is left" in made["plans"][0]["says"]
    step = told(ask, "/cloth", **spec)
    assert not any(line.startswith("Buy") for line in step["slip"])


def test_front_pieces_are_cut_and_bought_with_the_pleats(ask: Asked) -> None:
    spec = {
        "kind": "knife",
        "pins": {"count": "12", "spacing": "4", "depth": "4"},
        "lead": {"times": "0"},
        "tail": {"times": "1"},
        "cloth": {"usable": "138"},
        "cutting": {"drop": {"finished": "60"}, "front": {"shows": "30"}},
    }
    made = told(ask, "/plan", **spec)
    # 144 of pleats, two fronts of 30 and a hand: 224 and four seams of 1.5.
    assert slip(made)[0].endswith("144 + 80 for the front pieces + 4 × 1.5 = 230 cm in all.")
    assert sum(width["cut"]["mm"] for width in made["widths"]) == made["cut"]["mm"] == 2300
    plan = told(ask, "/cut", sections=[{"name": "Wrap", "spec": spec}])["plans"][0]
    assert sum(piece["wide"]["mm"] for piece in plan["placed"]) == 2300


def test_a_lining_is_compared_and_a_tube_measures_the_flat_width(ask: Asked) -> None:
    panel = {"kind": "pinch", "unit": "in", "pins": {"finished": "47", "flat": "100"}, "cloth": {"usable": "54"}}
    lined = told(
        ask,
        "/cloth",
        **panel,
        cutting={"drop": {"finished": "50"}, "lining": {"shorter": "2", "hem": "1", "cloth": {"usable": "54"}}},
    )["lining"]
    assert lined["way"] == "across"
    assert [(one["name"], one["why_not"] == "") for one in lined["ways"]] == [
        ("across", True),
        ("uncut", True),
        ("lengthways", False),
        ("railroaded", True),
    ]
    tube = told(
        ask,
        "/cloth",
        **panel,
        cutting={"drop": {"finished": "84"}, "lining": {"narrower": "4", "allowance": "1/2", "tube": True}},
    )
    assert tube["lining"]["turned"]["text"] == "100 in"
    # 100 + 2 x (1/2 + 1): the face comes round by an inch at each side.
    assert (
        told(
            ask,
            "/plan",
            **{**panel, "cloth": {"usable": "120"}},
            cutting={"lining": {"narrower": "4", "allowance": "1/2", "tube": True}},
        )["cut"]["text"]
        == "103 in"
    )
    other = told(
        ask,
        "/cloth",
        **panel,
        allowance={"start": "3", "end": "3"},
        cutting={"drop": {"finished": "84"}, "lining": {"narrower": "4", "allowance": "1/2", "tube": True}},
    )
    assert any("one must follow from the other" in line for line in other["slip"])
    assert {"pins.flat", "allowance.start"} <= {field for mend in other["mends"] for field in mend["change"]}


def test_cloth_is_sold_and_weighed_as_the_work_is_measured(ask: Asked) -> None:
    spec = {
        "kind": "knife",
        "unit": "in",
        "pins": {"finished": "40", "count": "20", "depth": "1"},
        "cloth": {"usable": "54", "weight": "6 oz"},
        "cutting": {"drop": {"finished": "20"}},
    }
    step = told(ask, "/cloth", **spec)
    assert any(line.startswith("Buy 1 1/8 yd of cloth") for line in step["slip"])
    assert step["load"]["text"].endswith(" lb")
    metres = told(ask, "/cloth", **{**spec, "cloth": {**spec["cloth"], "per": "m"}})
    assert any(line.startswith("Buy 1.1 m (≈1 1/4 yd) of cloth") for line in metres["slip"])
