"""Cases worked by hand, from the facts as typed to the places to chalk."""

from __future__ import annotations

from typing import Any

import pytest

from tests.conftest import Asked


def marks_of(made: dict[str, Any], pleat: int) -> list[tuple[str, str]]:
    return [(mark["kind"], mark["at"]["text"]) for mark in made["on_tape"]["marks"] if mark["pleat"] == pleat]


def test_left_facing_pleats_between_a_plain_run_and_half_a_space(ask: Asked) -> None:
    """33 3/8 = 2 + 14½ s, so s = 251/116 in; 80 1/4 - 33 3/8 = 46 7/8 in 15 pleats is 3 1/8 each, 1 9/16 deep."""
    _, made = ask(
        "POST",
        "/plan",
        {
            "kind": "knife",
            "unit": "in",
            "facing": "left",
            "pins": {"finished": "33 3/8", "flat": "80-1/4", "count": "15"},
            "lead": {"width": "2"},
            "allowance": {"start": "5/8", "end": "5/8"},
        },
    )
    assert made["spacing"]["mm"] == pytest.approx(251 / 116 * 25.4, abs=1e-9)
    assert (made["depth"]["text"], made["per_pleat"]["text"]) == ("1 9/16 in", "3 1/8 in")
    assert made["cut"]["text"] == "81 1/2 in"
    assert made["spaces"] == 14.5
    assert made["fullness"]["value"] == pytest.approx(80.25 / 33.375)
    assert made["pleated_fullness"]["value"] == pytest.approx(78.25 / 31.375)
    assert marks_of(made, 1) == [("placement", "2 in"), ("inner", "3 9/16 in"), ("outer", "5 1/8 in")]
    # The second stands at 4.1638 in, nearest 4 3/16, and 3 1/8 of cloth has gone before it.
    assert marks_of(made, 2)[0] == ("placement", "7 5/16 in")
    # Half a space is 1.08 in, less than the depth.
    assert [warning["message"] for warning in made["warnings"]] == [
        "The underlay of the last pleat sticks out ≈1/2 in past the end."
    ]


def test_a_ring_of_inverted_pleats_joined_inside_the_fourth(ask: Asked) -> None:
    """114 cm in 6 spaces of 19; 4 × 3.5 taken by each: 198 flat. 120 less two seams reaches 118: the fold at 112."""
    _, made = ask(
        "POST",
        "/plan",
        {
            "kind": "inverted",
            "pins": {"finished": "114", "count": 6, "depth": "35 mm"},
            "closed": True,
            "allowance": {"start": "1", "end": "1", "join": "1"},
            "cloth": {"usable": "1.2 m"},
        },
    )
    assert (made["spacing"]["text"], made["flat"]["text"], made["cut"]["text"]) == ("19 cm", "198 cm", "202 cm")
    assert [text for _, text in marks_of(made, 4)] == ["108.5 cm", "112 cm", "115.5 cm", "119 cm", "122.5 cm"]
    assert [(join["at"]["text"], join["where"]) for join in made["joins"]] == [("112 cm", "inner fold of pleat 4")]
    assert [width["cut"]["text"] for width in made["widths"]] == ["114 cm", "88 cm"]
    assert made["thickest"]["layers"] == 3


def test_cartridge_pleats_from_a_swatch(ask: Asked) -> None:
    """Packed 3/16 in each, 24 in hold 128; half an inch high takes 128 in of cloth, stitched every half inch."""
    _, made = ask(
        "POST",
        "/plan",
        {"kind": "cartridge", "unit": "in", "pins": {"finished": "24", "spacing": "3/16", "depth": "1/2"}},
    )
    assert (made["count"], made["flat"]["text"]) == (128, "128 in")
    stitches = [mark["at"]["mm"] / 25.4 for mark in made["marks"]]
    assert stitches[:3] == pytest.approx([0.25, 0.75, 1.25])  # the first half a fold in
    assert len(stitches) == 256


def test_boxes_with_gaps_between_two_overlaps(ask: Asked) -> None:
    """50 = 4 + 6 (5 + g) + 4 with the middle of a box at each end of the row: 7 boxes, 6 spaces of 7, so g = 2."""
    section = {
        "kind": "box",
        "pins": {"finished": "50", "count": "7", "box": "5"},
        "lead": {"width": "4"},
        "tail": {"width": "4"},
        "meet": True,
    }
    _, made = ask("POST", "/plan", section)
    assert [made[name]["text"] for name in ("spacing", "gap", "depth", "per_pleat", "flat")] == [
        "7 cm",
        "2 cm",
        "2.5 cm",
        "10 cm",
        "120 cm",
    ]
    assert marks_of(made, 1) == [
        ("placement", "1.5 cm"),
        ("inner", "4 cm"),
        ("outer", "6.5 cm"),
        ("outer", "11.5 cm"),
        ("inner", "14 cm"),
        ("placement", "16.5 cm"),
    ]
    _, short = ask("POST", "/plan", {**section, "lead": {"width": "2"}, "tail": {"width": "6"}})
    assert (short["problems"][0]["path"], short["problems"][0]["way_out"]) == ("lead", "leave at least 2.5 cm")


def test_a_fullness_that_leaves_the_return_flat_and_one_that_does_not(ask: Asked) -> None:
    """Two and a half times 42 in is 105, and 5 in of return and overlap 110; two and a half times all 47 is 117 1/2."""
    panel = {
        "kind": "pinch",
        "unit": "in",
        "pins": {"finished": "47", "fullness": "2 1/2", "spacing": {"about": "4"}},
        "lead": {"width": "3 1/2"},
        "tail": {"width": "1 1/2"},
    }
    _, flat_return = ask("POST", "/plan", panel)
    _, whole = ask("POST", "/plan", {**panel, "fullness_of": "all"})
    assert (flat_return["flat"]["text"], whole["flat"]["text"]) == ("110 in", "117 1/2 in")
    assert (flat_return["count"], whole["count"]) == (11, 11)
    assert flat_return["pleated_fullness"]["text"] == "2 1/2"


def test_gathers_drawn_into_a_cuff_with_a_placket(ask: Asked) -> None:
    """24 cm with 2 cm flat at the start: 22 cm at 1.8 is 39.6, and 2 makes 41.6."""
    _, made = ask(
        "POST", "/plan", {"kind": "gather", "pins": {"finished": "24", "fullness": "1.8"}, "lead": {"width": "2"}}
    )
    assert made["flat"]["text"] == "41.6 cm"
    assert [mark["at"]["text"] for mark in made["marks"]] == ["2 cm", "41.6 cm"]
    _, long = ask("POST", "/plan", {"kind": "gather", "pins": {"finished": "90", "fullness": "2"}})
    # 90 halves into four parts of 22½, none over 25.
    assert [mark["at"]["text"] for mark in long["marks"]] == ["0 cm", "45 cm", "90 cm", "135 cm", "180 cm"]
