"""Uneven edges, gathers and small sums on the wire, with answers worked by hand."""

from __future__ import annotations

from typing import Any

import pytest

from tests.conftest import Asked

CM: dict[str, Any] = {"unit": "cm"}


def told(ask: Asked, address: str = "/plan", **section: Any) -> Any:
    status, made = ask("POST", address, {**CM, **section})
    assert status == 200, made
    return made


def refused(ask: Asked, address: str = "/plan", **section: Any) -> list[tuple[str, str]]:
    status, made = ask("POST", address, {**CM, **section})
    assert status == 422, made
    assert all(p["message"] and p["way_out"] for p in made["problems"])
    return [(p["code"], p["path"]) for p in made["problems"]]


def slip(made: Any) -> str:
    return " ".join(line["text"] for line in made["slip"])


def marks_of(made: Any, kind: str) -> list[str]:
    return [mark["at"]["text"] for mark in made["marks"] if mark["kind"] == kind]


def test_placed_knife_pleats(ask: Asked) -> None:
    made = told(
        ask,
        kind="knife",
        pins={"finished": "40", "flat": "58"},
        placed=[{"at": "5"}, {"at": "20"}, {"at": "35", "facing": "left"}],
    )
    # 18 cm of take-up over three pleats: 6 each, 3 deep.
    assert made["depth"]["text"] == "3 cm"
    assert marks_of(made, "outer") == ["5 cm", "26 cm", "53 cm"]
    assert marks_of(made, "placement") == ["11 cm", "32 cm", "47 cm"]
    assert made["count"] == 3
    assert made["choices"] == []
    assert "each at its place" in slip(made)


def test_places_from_the_centre(ask: Asked) -> None:
    made = told(
        ask,
        kind="box",
        pins={"finished": "60", "depth": "2", "box": "4"},
        placed_from="centre",
        placed=[{"at": "0"}, {"at": "12"}],
    )
    assert made["count"] == 3
    assert made["flat"]["text"] == "84 cm"
    assert [round(s["from"]) for s in made["front"] if s["side"] == "RS"][:1] == [0]


@pytest.mark.parametrize(
    ("section", "found"),
    [
        (
            {"kind": "knife", "pins": {"finished": "40"}, "placed": [{"at": "50"}]},
            [("outside", "placed.0.at")],
        ),
        (
            {"kind": "knife", "pins": {"finished": "40"}, "placed": [{"at": "here"}]},
            [("unreadable", "placed.0.at")],
        ),
        (
            {"kind": "knife", "pins": {"finished": "40", "count": "2"}, "placed": [{"at": "5"}]},
            [("disagree", "pins.count")],
        ),
        (
            {"kind": "pinch", "pins": {"finished": "40"}, "placed": [{"at": "5", "depth": "2"}]},
            [("not_of_kind", "placed.0.depth")],
        ),
        (
            {"kind": "gather", "pins": {"finished": "40"}, "placed": [{"at": "5"}]},
            [("not_of_kind", "placed")],
        ),
        (
            {"kind": "knife", "pins": {"finished": "40", "depth": "2"}, "placed": [{"at": "5"}, {"at": "5"}]},
            [("crossing", "placed.1.at")],
        ),
        (
            {"kind": "knife", "pins": {"finished": "40"}, "lead": {"fold": True}},
            [("no_half", "lead")],
        ),
        (
            {"kind": "knife", "pins": {"finished": "40"}, "stops": {"lower": "2", "upper": "5"}},
            [("not_below", "stops.lower")],
        ),
        (
            {"kind": "knife", "pins": {"finished": "40", "count": "8"}, "taper": {"height": "0"}},
            [("not_positive", "taper.height")],
        ),
        (
            {"kind": "knife", "pins": {"finished": "40", "count": "8"}, "taper": {"height": "20", "finished": "1"}},
            [("too_narrow", "taper.finished")],
        ),
        (
            {"kind": "pinch", "pins": {"finished": "40", "count": "4"}, "taper": {"height": "20"}},
            [("not_of_kind", "taper")],
        ),
        (
            {
                "kind": "gather",
                "pins": {"finished": "40"},
                "gathering": {"swatches": [{"flat": "10", "finished": "20"}]},
            },
            [("no_take_up", "gathering.swatches.0.finished")],
        ),
        (
            {"kind": "gather", "pins": {"finished": "40"}, "gathering": {"points": [{"at": "60"}]}},
            [("outside", "gathering.points.0.at")],
        ),
        (
            {"kind": "gather", "pins": {"finished": "40"}, "gathering": {"ruffler": {"tuck": "x", "stitch": "2 mm"}}},
            [("unreadable", "gathering.ruffler.tuck")],
        ),
    ],
)
def test_what_cannot_be_is_said_at_its_field(ask: Asked, section: dict[str, Any], found: list[tuple[str, str]]) -> None:
    assert refused(ask, **section) == found


def test_hip_and_waist_with_a_dart(ask: Asked) -> None:
    made = told(
        ask,
        kind="knife",
        pins={"finished": "96", "count": "24", "depth": "3"},
        closed=True,
        taper={"height": "20", "finished": "70", "darts": [{"pleat": 2, "width": "2"}]},
    )
    upper = made["taper"]
    assert upper["finished"]["text"] == "70 cm"
    assert upper["height"]["text"] == "20 cm"
    # 26 cm less, 2 of them in pleat 2: every pleat takes 1 cm more, that one 3.
    shifts = {s["pleat"]: s["shift"]["text"] for s in upper["slants"] if s["kind"] == "placement"}
    assert (shifts[1], shifts[2], shifts[3]) == ("1 cm", "3 cm", "1 cm")
    assert {s["shift"]["text"] for s in upper["slants"] if s["kind"] == "outer"} == {"0 cm"}
    assert len(upper["marks"]) == len(made["marks"])
    assert "the other lines slant by up to 3 cm" in slip(made)


def test_a_front_on_the_fold_let_into_its_piece(ask: Asked) -> None:
    made = told(
        ask,
        kind="box",
        pins={"finished": "24", "depth": "2", "box": "4"},
        lead={"fold": True},
        placed=[{"at": "0"}, {"at": "12"}],
        piece={"rise": "2", "times": 2},
    )
    piece = made["inserted"]
    # Half a box on the fold takes 4, a whole one 8 in two lines of 4.
    assert [(line["at"]["text"], line["lower"]["text"]) for line in piece["lines"]] == [
        ("2 cm", "4 cm"),
        ("10 cm", "4 cm"),
        ("14 cm", "4 cm"),
    ]
    assert [(t["of"], t["pleats"], t["take_up"]["text"]) for t in piece["totals"]] == [
        ("half", 1.5, "12 cm"),
        ("piece", 3, "24 cm"),
        ("garment", 6, "48 cm"),
    ]
    assert piece["lower"]["text"] == "36 cm"
    assert piece["trued"][0]["height"]["text"] == "0 cm"
    assert piece["trued"][-1]["height"]["text"] == "2 cm"


def test_a_mixed_edge_of_three_parts(ask: Asked) -> None:
    made = told(
        ask,
        kind="mixed",
        pins={"finished": "80"},
        parts=[
            {"kind": "knife", "share": "1/2", "meet": True, "pins": {"count": "10"}},
            {"kind": "plain", "width": "10"},
            {"kind": "gather", "pins": {"fullness": "2"}},
        ],
        allowance={"start": "1", "end": "1", "join": "1"},
        cloth={"usable": "100"},
    )
    assert [part["finished"]["text"] for part in made["parts"]] == ["40 cm", "10 cm", "30 cm"]
    assert [part["flat"]["text"] for part in made["parts"]] == ["120 cm", "10 cm", "60 cm"]
    assert [part["start"]["text"] for part in made["parts"]] == ["0 cm", "40 cm", "50 cm"]
    assert made["flat"]["text"] == "190 cm"
    assert made["parts"][0]["sizes"]["depth"]["text"] == "4 cm"
    assert made["parts"][1]["sizes"] is None
    assert len(made["widths"]) == 2
    assert sum(w["cut"]["mm"] for w in made["widths"]) == pytest.approx(1900 + 20 + 20)
    assert "Part 2, from 40 cm: 10 cm stays plain" in slip(made)


@pytest.mark.parametrize(
    ("parts", "pins", "found"),
    [
        ([], {"finished": "80"}, [("none", "parts")]),
        ([{"kind": "plain", "width": "90"}], {"finished": "80"}, [("too_wide", "pins.finished")]),
        ([{"kind": "plain", "width": "70"}], {"finished": "80"}, [("left_over", "pins.finished")]),
        ([{"kind": "plain", "share": "1/2"}], {}, [("no_band", "parts.0.share")]),
        ([{"kind": "plain", "share": "2"}], {"finished": "80"}, [("not_share", "parts.0.share")]),
        (
            [{"kind": "knife", "pins": {"spacing": "??"}}, {"kind": "knife", "pins": {"depth": "-1"}}],
            {"finished": "80"},
            [("unreadable", "parts.0.pins.spacing"), ("unreadable", "parts.1.pins.depth")],
        ),
        (
            [{"kind": "box", "pins": {"count": "2", "box": "90"}}],
            {"finished": "80"},
            [("disagree", f"parts.0.{field}") for field in ("pins.count", "pins.box", "width")],
        ),
    ],
)
def test_a_band_that_cannot_be(ask: Asked, parts: Any, pins: Any, found: list[tuple[str, str]]) -> None:
    got = refused(ask, kind="mixed", pins=pins, parts=parts)
    assert set(found) <= set(got)


def test_tucks_are_stitched_down_and_say_how_far(ask: Asked) -> None:
    made = told(
        ask, kind="tuck", pins={"finished": "40", "count": "8", "depth": "1"}, stops={"lower": "12", "upper": "2"}
    )
    assert made["flat"]["text"] == "56 cm"
    assert "from 2 cm down to 12 cm: 10 cm of stitching in each, 80 cm in all" in slip(made)


@pytest.mark.parametrize(
    ("more", "words"),
    [
        ({"fingers": 3}, "dress it into 3 even fingers and catch them at the head"),
        ({"fingers": 2, "pinched_at": "foot"}, "dress it into 2 even fingers and catch them at the foot"),
        ({"fingers": 1, "goblet": True}, "open its head to a goblet"),
        ({"fingers": 1}, "leave it single and catch it at the head"),
    ],
)
def test_pinch_pleats_are_dressed_as_asked(ask: Asked, more: dict[str, Any], words: str) -> None:
    made = told(ask, kind="pinch", pins={"finished": "100", "flat": "200", "count": "10"}, **more)
    assert words in slip(made)
    assert made["per_pleat"]["text"] == "10 cm"


def test_cartridge_pleats_and_their_rows(ask: Asked) -> None:
    made = told(ask, kind="cartridge", pins={"finished": "40", "spacing": "8 mm", "depth": "15 mm"}, rows=3)
    # N = F / p = 50; two heights of 15 mm in each: 150 cm.
    assert (made["count"], made["flat"]["text"]) == (50, "150 cm")
    assert "Mark 100 stitch points on each of 3 rows" in slip(made)


@pytest.mark.parametrize(
    ("facing", "words"),
    [
        (
            "right",
            "towards the end of the edge; turned over, they point to your right again, and that is towards its start",
        ),
        (
            "left",
            "towards the start of the edge; turned over, they point to your left again, and that is towards its end",
        ),
        ("to_centre", "towards the centre, turning at the middle, which draws the eye in and narrows"),
        (
            "from_centre",
            "away from the centre, turning at the middle, which widens; turned over, they point towards it",
        ),
    ],
)
def test_facing_is_told_from_both_sides(ask: Asked, facing: str, words: str) -> None:
    made = told(ask, kind="knife", pins={"finished": "40", "count": "8", "depth": "2"}, facing=facing)
    assert words in slip(made)
    assert [s["side"] for s in made["back"]].count("WS") > 0
    assert sum(s["to"] - s["from"] for s in made["back"]) == pytest.approx(
        sum(s["to"] - s["from"] for s in made["front"])
    )


def test_the_lining_mirrors(ask: Asked) -> None:
    section = {"kind": "knife", "pins": {"finished": "40", "count": "8", "depth": "2"}}
    made = told(ask, **section, lining=True)
    assert told(ask, **section)["lining"] is None
    flat = made["flat"]["mm"]
    assert [m["at"]["mm"] for m in made["lining"]] == pytest.approx([flat - m["at"]["mm"] for m in made["marks"][::-1]])
    assert "its pleats facing left" in slip(made)


def test_gathers_by_weight_swatch_and_attachment(ask: Asked) -> None:
    light = told(ask, kind="gather", pins={"finished": "100"}, gathering={"weight": "light"})
    assert light["flat"]["text"] == "225 cm"
    swatch = told(
        ask,
        kind="gather",
        pins={"finished": "100"},
        gathering={"weight": "light", "swatches": [{"flat": "30", "finished": "12"}, {"flat": "30", "finished": "15"}]},
    )
    assert swatch["flat"]["text"] == "225 cm"
    assert (swatch["gathered"]["least"]["text"], swatch["gathered"]["most"]["text"]) == ("200 cm", "250 cm")
    tucked = told(
        ask,
        kind="gather",
        pins={"finished": "100"},
        gathering={"ruffler": {"tuck": "6 mm", "every": 6, "stitch": "2 mm"}},
    )
    assert tucked["flat"]["text"] == "150 cm"
    assert "Turn the first two tucks by hand." in slip(tucked)


def test_match_points_pair_both_edges(ask: Asked) -> None:
    made = told(
        ask,
        kind="gather",
        pins={"finished": "80", "fullness": "2"},
        gathering={
            "longest": "20",
            "points": [{"name": "side seam", "at": "40"}, {"name": "centre", "at": "60", "flat": "130"}],
        },
    )
    points = [(p["finished"]["text"], p["flat"]["text"], p["name"]) for p in made["gathered"]["points"]]
    assert points == [
        ("0 cm", "0 cm", ""),
        ("20 cm", "≈43.3 cm", ""),
        ("40 cm", "≈86.7 cm", "side seam"),
        ("60 cm", "130 cm", "centre"),
        ("80 cm", "160 cm", ""),
    ]


def test_what_a_one_inch_box_pleat_may_mean(ask: Asked) -> None:
    status, found = ask("POST", "/meanings", {"kind": "box", "size": "1 in", "unit": "in"})
    assert status == 200
    assert {one["name"]: one["change"] for one in found} == {
        "shows": {"pins.box": "1 in"},
        "deep": {"pins.depth": "1 in"},
        "taken": {"pins.per_pleat": "1 in"},
        "gauge": {"pins.box": "2 in", "pins.gap": "0 in", "meet": True},
    }
    for one in found:
        assert len(one["walk"]["x"]) == len(one["walk"]["spans"]) + 1
    status, wrong = ask("POST", "/meanings", {"kind": "box", "size": "big", "unit": "in"})
    assert (status, wrong["problems"][0]["path"]) == (422, "size")


def test_draped_pleats_made_even(ask: Asked) -> None:
    draped = [{"depth": "2", "gap": "3"}, {"depth": "2.6", "gap": "3.4"}]
    status, total = ask("POST", "/even", {"unit": "cm", "draped": draped})
    assert (status, total["change"]) == (200, {"pins.finished": "6.4 cm", "pins.flat": "15.6 cm", "pins.count": "2"})
    _, average = ask("POST", "/even", {"unit": "cm", "draped": draped, "keep": "average"})
    assert average["change"] == {"pins.depth": "2.3 cm", "pins.spacing": {"about": "3.2 cm"}}
    status, wrong = ask("POST", "/even", {"unit": "cm", "draped": []})
    assert (status, wrong["problems"][0]["path"]) == (422, "draped")


@pytest.mark.parametrize(
    ("said", "tuck", "ratio", "stitch"),
    [
        ({"stitch": "2.5", "every": 6, "tuck": "5", "ratio": "1 1/2"}, "5 mm", "1 1/3", "1.7 mm"),
        ({"stitch": "2", "every": 1, "swatch_flat": "30 cm", "swatch_finished": "10 cm"}, "4 mm", "3", None),
        ({"stitch": "4", "every": 12, "tuck": "6"}, "6 mm", "1 1/8", None),
        # A tuck was told as 32/127 in, stitches to the nearest eighth; a bare stitch length was 55.9 mm in inches.
        ({"unit": "in", "stitch": "2.2", "every": 6, "tuck": "1/4", "ratio": "2"}, "1/4 in", "≈1.48", "1.1 mm"),
        ({"unit": "in", "stitch": "1/12 in", "every": 6, "tuck": "1/4", "ratio": "2"}, "1/4 in", "1 1/2", "1.1 mm"),
    ],
)
def test_the_ruffling_attachment(ask: Asked, said: dict[str, Any], tuck: str, ratio: str, stitch: str | None) -> None:
    status, made = ask("POST", "/ruffle", {"unit": "mm", **said})
    assert status == 200, made
    assert (made["tuck"], made["ratio"], made["stitch"]) == (tuck, ratio, stitch)


@pytest.mark.parametrize(
    ("said", "path"),
    [
        ({"stitch": "2"}, "tuck"),
        ({"stitch": "2", "tuck": "5", "ratio": "1"}, "ratio"),
        ({"stitch": "0", "tuck": "5"}, "stitch"),
        ({"stitch": "2", "swatch_flat": "10", "swatch_finished": "20"}, "swatch_finished"),
    ],
)
def test_an_attachment_that_cannot_be(ask: Asked, said: dict[str, Any], path: str) -> None:
    status, made = ask("POST", "/ruffle", {"unit": "mm", **said})
    assert (status, made["problems"][0]["path"]) == (422, path)


def test_where_every_line_lies(ask: Asked) -> None:
    rows = told(ask, "/lies", kind="knife", pins={"finished": "10", "count": "2", "depth": "2"})
    assert [(r["pleat"], r["kind"], r["flat"], r["finished"]) for r in rows] == [
        (1, "outer", "2.5 cm", "2.5 cm"),
        (1, "inner", "4.5 cm", "0.5 cm"),
        (1, "placement", "6.5 cm", "2.5 cm"),
        (2, "outer", "11.5 cm", "7.5 cm"),
        (2, "inner", "13.5 cm", "5.5 cm"),
        (2, "placement", "15.5 cm", "7.5 cm"),
    ]


@pytest.mark.parametrize(
    ("query", "first"),
    [
        ("nought=start&side=RS", ("2.5 cm", "", "outer")),
        ("nought=end&side=RS", ("2.5 cm", "", "placement")),
        ("nought=start&side=WS", ("2.5 cm", "", "outer")),
        ("nought=end&side=WS", ("2.5 cm", "", "placement")),
        ("nought=middle&side=RS", ("2.5 cm", "left", "placement")),
    ],
)
def test_the_chalk_list(ask: Asked, query: str, first: tuple[str, str, str]) -> None:
    made = told(ask, f"/chalk?{query}", kind="knife", pins={"finished": "10", "count": "2", "depth": "2"})
    mark = made["marks"][0]
    assert (mark["at"]["text"], mark["hand"], mark["kind"]) == first
    assert mark["first"] is True
    assert len(made["marks"]) == 6
    assert [notch["length"]["text"] for notch in made["gauge"]] == ["2 cm", "2 cm", "5 cm"]
