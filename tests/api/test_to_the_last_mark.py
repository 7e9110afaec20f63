"""Answers worked by hand: seams, joins, chalk, turn of cloth, units and buying, each where it was once told wrong."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

import pytest

Asked = Callable[..., tuple[int, Any]]
pytestmark = pytest.mark.django_db


def told(ask: Asked, address: str, **spec: Any) -> Any:
    status, made = ask("POST", address, spec)
    assert status == 200, made
    return made


def slip(made: Any) -> list[str]:
    return [line["text"] for line in made["slip"]]


VALANCE = {"kind": "box", "unit": "in", "pins": {"finished": "96 in", "box": "4 in"}, "meet": True}


def test_one_seam_allowance_is_assumed_shown_and_shared(ask: Asked) -> None:
    made = told(ask, "/plan", **VALANCE, cloth={"usable": "155 in"})
    assert slip(made)[0] == "Cut two pieces, 155 in and 135 in: 288 + 4 × 1/2 = 290 in in all."
    assert "Assumed: a seam allowance of 1/2 in at the ends and the joins; say your own under Cloth." in slip(made)
    assert (made["allowance"]["assumed"], made["allowance"]["join"]["text"], made["cut"]["text"]) == (
        True,
        "1/2 in",
        "290 in",
    )
    # Said for the work, with another one at the start.
    own = told(ask, "/plan", **VALANCE, allowance={"seam": "5/8", "start": "1"})
    assert slip(own)[0] == "Cut 289 5/8 in: 288 + 1 + 5/8 = 289 5/8 in."
    assert not own["allowance"]["assumed"]
    bare = told(ask, "/plan", **VALANCE, allowance={"seam": "0"})
    assert slip(bare)[0] == "Cut 288 in of cloth; no seam allowance is in it."
    metric = told(ask, "/plan", kind="knife", pins={"finished": "70", "spacing": "2.5"}, closed=True)
    assert metric["cut"]["text"] == "213 cm"


COVER = {
    "kind": "inverted", "unit": "in", "closed": True, "pins": {"finished": "114 in", "depth": "2 1/2 in"},
    "placed": [{"at": "0"}, {"at": "26"}, {"at": "57"}, {"at": "83"}], "allowance": {"seam": "1/2"},
    "cloth": {"usable": "54 in"}, "cutting": {"strategy": "at_pleats"},
}  # fmt: skip


def test_a_ring_closes_behind_the_pleat_that_stands_there(ask: Asked) -> None:
    made = told(ask, "/plan", **COVER)
    assert [width["cut"]["text"] for width in made["widths"]] == ["37 in", "42 in", "37 in", "42 in"]
    assert made["count"] == 4
    # The first pleat is cut in the middle of its underlay: its centre is the seam, at both ends.
    assert [(m["at"]["text"], m["kind"]) for m in made["marks"][:3]] == [
        ("0 in", "centre"),
        ("2 1/2 in", "inner"),
        ("5 in", "outer"),
    ]
    assert (made["marks"][-1]["at"]["text"], made["marks"][-1]["kind"]) == ("154 in", "centre")
    # Through an opening the middle shows: the seam goes into one of the hidden sides.
    opened = told(ask, "/plan", **{**COVER, "pins": {**COVER["pins"], "opening": "1 in"}})
    assert [(j["where"], j["hidden"]) for j in opened["joins"]] == [
        (f"inner fold of pleat {n}", True) for n in (2, 3, 4)
    ]
    assert [width["cut"]["text"] for width in opened["widths"]] == ["37 in", "42 in", "37 in", "42 in"]


def test_the_end_of_a_ring_lies_over_its_start(ask: Asked) -> None:
    made = told(ask, "/plan", kind="knife", pins={"finished": "70", "count": "24"}, facing="to_centre", closed=True)
    assert made["layers"][0] | {"to": 0} == {"from": 0.0, "to": 0, "layers": 5}


def test_joins_that_are_hidden_keep_clear_of_what_shows(ask: Asked) -> None:
    boxes = {
        "kind": "box",
        "pins": {"finished": "264", "count": "33", "depth": "3"},
        "allowance": {"seam": "1.5"},
        "cloth": {"usable": "137"},
    }
    for strategy in ("fewest", "fall", "half_outside"):
        made = told(ask, "/plan", **boxes, cutting={"strategy": strategy})
        shows = [m["at"]["mm"] for m in made["marks"] if m["kind"] in ("outer", "placement")]
        assert made["joins"]
        for join in made["joins"]:
            near = min(abs(join["at"]["mm"] - at) for at in shows)
            assert near >= 16 if join["hidden"] else "fold" not in join["where"], join
    # Hiding costs widths in many a pinch row: the other way is offered, with what shows and what it costs.
    pinch = {
        "kind": "pinch",
        "unit": "in",
        "pins": {"finished": "62", "flat": "150"},
        "cloth": {"usable": "54", "price": "10", "per": "yd"},
        "cutting": {"drop": {"finished": "70"}},
    }
    ways = {one["name"]: one for one in told(ask, "/cloth", **pinch)["strategies"]}
    assert len(ways["fall"]["widths"]) == 3 < len(ways["fewest"]["widths"]) == 4
    assert ways["fewest"]["shown"] == 0 < ways["fall"]["shown"]
    assert float(ways["fall"]["cost"]) < float(ways["fewest"]["cost"])


def test_equal_widths_take_the_nearest_place_that_hides(ask: Asked) -> None:
    made = told(ask, "/plan", **VALANCE, cloth={"usable": "98 3/8 in"}, cutting={"strategy": "equal"})
    assert [width["flat"]["text"] for width in made["widths"]] == ["96 in"] * 3
    assert all(join["hidden"] for join in made["joins"])


def test_half_widths_are_reckoned_alike_under_cloth_and_cut(ask: Asked) -> None:
    spec = {
        "kind": "knife",
        "pins": {"finished": "96", "count": "24", "depth": "4"},
        "cloth": {"usable": "110"},
        "cutting": {"strategy": "half_outside", "drop": {"finished": "60"}},
    }
    step, plan = told(ask, "/cloth", **spec), told(ask, "/cut", sections=[{"name": "Skirt", "spec": spec}])["plans"][0]
    assert step["buy"]["needed"]["mm"] == plan["length"]["mm"]
    half = next(one for one in step["strategies"] if one["name"] == "half_outside")["widths"][0]
    assert half["mm"] <= 550


SKIRT = {"kind": "knife", "pins": {"finished": "60", "count": "20", "depth": "3"}}


def test_every_pleat_takes_the_turn_of_its_cloth(ask: Asked) -> None:
    made = told(ask, "/plan", **SKIRT, turn={"by": "3 mm"})
    at = {
        kind: [m["at"]["mm"] for m in made["on_tape"]["marks"] if m["kind"] == kind] for kind in ("outer", "placement")
    }
    # Inner folds are on the tape too, so that of each two pleats one takes 58 and one 56.
    takes = [b - a for a, b in zip(at["outer"], at["placement"], strict=True)]
    assert sorted(takes) == [56] * 10 + [58] * 10
    assert all(abs(sum(takes[:many]) - 57 * many) <= 1 for many in range(21))
    # Without a tape the marks follow it exactly.
    exact = told(ask, "/plan", **SKIRT, turn={"by": "3 mm"}, tape=None)
    outer, placement = ([m["at"]["mm"] for m in exact["marks"] if m["kind"] == kind] for kind in ("outer", "placement"))
    assert [b - a for a, b in zip(outer, placement, strict=True)] == [57] * 20


def test_a_correction_in_a_mirrored_row(ask: Asked) -> None:
    row = {"kind": "knife", "pins": {"finished": "40", "count": "10", "depth": "2"}, "facing": "to_centre"}
    made = told(ask, "/plan", **row, corrections=[{"by": "3 mm"}])["on_tape"]
    assert "2 pleats 2.05 cm deep and 8 pleats 2 cm deep" in made["says"]
    assert (
        "The inner folds of pleats 3 and 8 come between two divisions: not chalked, found by folding." in made["says"]
    )
    assert [m["pleat"] for m in made["marks"] if not m["chalked"]] == [3, 8]
    listed = told(ask, "/chalk", **row, corrections=[{"by": "3 mm"}])
    assert len(listed["marks"]) == 28


def test_a_check_says_what_it_cannot_mend(ask: Asked) -> None:
    shallow = {"kind": "knife", "pins": {"finished": "40", "count": "3", "depth": "2 mm"}}
    status, found = ask("POST", "/check", {"spec": shallow, "measured": ["30"]})
    # 2 mm deep, each lets out 3 of its 4 mm at the most: what there is room for is offered, and what is left told.
    assert status == 200
    assert found["correction"] == {"by": "0.9 cm", "way": "out"}
    assert [one["divisions"] for one in found["changes"]] == [-3] * 3
    assert any("these pleats have no room for more: open the row and plan it anew" in line for line in found["says"])


def test_the_wrong_side_names_the_hand_that_the_start_lies_to(ask: Asked) -> None:
    right, wrong = (told(ask, f"/chalk?side={side}", **SKIRT) for side in ("RS", "WS"))
    assert right["marks"] == wrong["marks"]
    assert "it lies to your left, and the list runs to the right" in right["nought"]
    assert "it lies to your right, and the list runs to the left" in wrong["nought"]
    end = told(ask, "/chalk?nought=end", **SKIRT, allowance={"start": "1", "end": "4"})
    assert "Nought is the stitching line at the end, 4 cm from the cut edge" in end["nought"]
    middle = told(ask, "/chalk?nought=middle", **SKIRT)
    assert middle["nought"].startswith("Nought is the middle of the flat width")
    assert "stitching line" not in middle["nought"]


def test_a_gauge_serves_where_pleats_are_alike(ask: Asked) -> None:
    apart = {
        "kind": "knife",
        "pins": {"finished": "60", "depth": "2"},
        "placed": [{"at": "8"}, {"at": "20"}, {"at": "45"}],
    }
    made = told(ask, "/chalk", **apart)
    assert made["gauge"] == []
    assert made["gauge_says"].startswith("A gauge does not serve here")
    # Seven of 3.1 cm to three of 3: the card has the commoner.
    many = told(ask, "/chalk", kind="knife", pins={"finished": "30.7", "count": "10", "depth": "2"}, meet=False)
    assert [n["length"]["text"] for n in many["gauge"]] == ["2 cm", "2 cm", "3.1 cm"]


def test_gathers_are_called_points_and_a_ring_has_no_last_one(ask: Asked) -> None:
    ring = told(ask, "/chalk", kind="gather", closed=True, pins={"finished": "100", "fullness": "2"})
    assert (ring["called"], ring["count"], len(ring["marks"])) == ("point", 4, 4)
    cutting = {"drop": {"finished": "20"}}
    step = told(
        ask,
        "/cloth",
        kind="gather",
        closed=True,
        pins={"finished": "22", "fullness": "1.8"},
        cloth={"usable": "90"},
        cutting=cutting,
    )
    assert not any("zip" in one["name"] for one in step["notions"])


def test_a_swatch_decides_over_an_attachment(ask: Asked) -> None:
    gathering = {
        "ruffler": {"tuck": "5 mm", "every": 6, "stitch": "2.5"},
        "swatches": [{"flat": "30", "finished": "20"}],
    }
    made = told(ask, "/plan", kind="gather", pins={"finished": "40"}, gathering=gathering)
    assert made["flat"]["text"] == "60 cm"
    assert any("the swatches decide" in line for line in slip(made))
    assert not any("of thread" in line for line in slip(made))
    steps = {
        one["name"]: one["says"]
        for one in told(ask, "/fold", kind="gather", pins={"finished": "40"}, gathering=gathering)["order"]
    }
    assert "through the ruffling attachment" in steps["gather"]
    assert not any("draw the threads" in says for says in steps.values())


def test_the_order_of_making_a_curtain(ask: Asked) -> None:
    panel = {
        "kind": "pinch",
        "unit": "in",
        "pins": {"finished": "47", "flat": "100"},
        "cloth": {"usable": "120"},
        "cutting": {"drop": {"finished": "84", "heading": "4", "hem": "4"}, "lining": {"hem_turns": 2}},
    }
    found = told(ask, "/fold", **panel)
    names = [step["name"] for step in found["order"]]
    assert names == ["side hems", "hem", "line", "heading", "mark", "sew", "check", "hooks", "hang", "log"]
    assert found["pressing"] == []
    assert "Sew from the top" in found["pleats"][0]["holds"]


def test_boxes_and_inverted_pleats_are_stitched_down(ask: Asked) -> None:
    stops = {"lower": "12 cm", "crease": "5 mm", "across": True}
    made = told(ask, "/plan", kind="inverted", pins={"finished": "60", "spacing": "10", "depth": "3"}, stops=stops)
    # Down 12, across 2 x 0.5, up 12.
    assert any("25 cm of stitching in each, 150 cm in all" in line for line in slip(made))
    above = told(
        ask,
        "/plan",
        kind="tuck",
        pins={"finished": "30", "count": "4", "depth": "1"},
        stops={"lower": "8", "above": "5"},
    )
    assert any(
        "from 5 cm above the waistline down to 8 cm below it: 13 cm of stitching in each" in line
        for line in slip(above)
    )
    order = [
        step["name"]
        for step in told(
            ask, "/fold", kind="tuck", pins={"finished": "30", "count": "4", "depth": "1"}, stops={"lower": "8"}
        )["order"]
    ]
    assert "stitch down" in order
    far = told(
        ask,
        "/plan",
        kind="tuck",
        pins={"finished": "30", "count": "4", "depth": "1"},
        stops={"lower": "8", "crease": "2"},
    )
    assert [one["code"] for one in far["warnings"]] == ["misses"]


@pytest.mark.parametrize(
    ("facts", "says"),
    [
        ({"kind": "tuck", "pins": {"finished": "60", "spacing": "3", "depth": "1"}}, "Clear gap between one tuck and the next: 2 cm; 3 layers at the most."),
        ({"kind": "knife", "pins": {"finished": "60", "spacing": "3", "depth": "4"}, "closed": True}, "Neighbouring pleats overlap by 1 cm: 5 layers at the most."),
        ({"kind": "knife", "pins": {"finished": "60", "spacing": "3"}, "meet": True}, "Pleat meets pleat behind: 3 layers at the most."),
        ({"kind": "box", "pins": {"finished": "60", "box": "6", "depth": "4"}}, "The two folds behind a box overlap by 2 cm: 5 layers at the most."),
    ],
)  # fmt: skip
def test_how_near_pleats_come(ask: Asked, facts: dict[str, Any], says: str) -> None:
    assert says in slip(told(ask, "/plan", **facts))


def test_what_does_not_fit_a_ring_is_told_of_every_pin(ask: Asked) -> None:
    status, made = ask(
        "POST",
        "/plan",
        {"kind": "box", "closed": True, "pins": {"finished": "60", "flat": "400", "box": "6", "depth": "3"}},
    )
    assert status == 422
    assert {p["path"]: p["becomes"] for p in made["problems"]} == {
        "pins.finished": "132 cm",
        "pins.flat": "180 cm",
        "pins.depth": "8.5 cm",
        "pins.box": "≈2.14 cm",
    }


def test_a_gauge_of_every_part_is_three_times(ask: Asked) -> None:
    _, meanings = ask("POST", "/meanings", {"kind": "knife", "size": "2 in", "unit": "in"})
    gauge = next(one for one in meanings if one["name"] == "gauge")
    pins = {name.removeprefix("pins."): value for name, value in gauge["change"].items() if name != "meet"}
    made = told(ask, "/plan", kind="knife", unit="in", meet=gauge["change"]["meet"], pins={"finished": "5", **pins})
    assert made["flat"]["text"] == "15 in"


def test_an_assumed_pinch_spacing_keeps_its_own_word(ask: Asked) -> None:
    made = told(ask, "/plan", kind="pinch", unit="in", pins={"finished": "35", "fullness": "2.5"})
    assert (made["count"], made["spacing"]["text"]) == (9, "≈3 7/8 in")
    assert any("usually stand 3 to 4 in apart" in line for line in slip(made))


def test_half_a_pleat_on_the_fold_beside_placed_ones(ask: Asked) -> None:
    made = told(
        ask,
        "/plan",
        kind="box",
        pins={"finished": "40", "box": "4", "depth": "2"},
        lead={"fold": True},
        placed=[{"at": "12"}, {"at": "24"}],
    )
    assert made["count"] == 2.5
    assert made["flat"]["text"] == "60 cm"  # 40 and two and a half of 8


def test_another_unit_keeps_what_was_assumed(ask: Asked) -> None:
    _, work = ask(
        "POST",
        "/works",
        {
            "name": "Skirt",
            "sections": [{"name": "Length", "spec": {"kind": "knife", "pins": {"finished": "70 cm", "fullness": "2"}}}],
        },
    )
    before = told(ask, "/plan", **work["sections"][0]["spec"])
    _, work = ask("POST", f"/works/{work['key']}/unit", {"revision": 1, "unit": "in"})
    after = told(ask, "/plan", **work["sections"][0]["spec"])
    assert (before["count"], after["count"]) == (23, 23)
    assert after["allowance"]["usual"]["mm"] == 15
    # A work begun in inches assumes what sewists in inches do.
    fresh = told(ask, "/plan", kind="knife", unit="in", pins={"finished": "70 cm", "fullness": "2"})
    assert (fresh["count"], fresh["allowance"]["usual"]["text"]) == (22, "1/2 in")


def test_an_about_typed_in_a_pin_loosens_it(ask: Asked) -> None:
    made = told(ask, "/plan", kind="knife", pins={"finished": "70", "spacing": "~3"}, meet=True)
    assert (made["loose"], made["count"]) == (["spacing"], 23)
    assert made["typed"]["spacing"] == "30 10/23 mm"
    assert (
        told(ask, "/plan", kind="knife", pins={"finished": "70", "spacing": made["typed"]["spacing"]}, meet=True)[
            "gave"
        ]
        == []
    )


def test_the_upper_level_is_told_as_it_will_finish(ask: Asked) -> None:
    level = {
        "kind": "knife",
        "pins": {"finished": "100", "count": "25", "depth": "2"},
        "taper": {"height": "20", "finished": "72"},
    }
    for more in ({}, {"turn": {"by": "0.4 mm"}}, {"corrections": [{"by": "1.2"}]}):
        made = told(ask, "/plan", **level, **more)
        assert (made["taper"]["finished"]["text"], made["taper"]["on_tape"]["text"]) == ("72 cm", "72 cm"), more
        assert any("higher the edge finishes 72 cm" in line for line in slip(made)), more


def test_the_marks_of_a_waist_give_the_waist(ask: Asked) -> None:
    """Eleven inverted pleats change by two half centimetres at a time: 42 is the nearest to 41.6 that they can be."""
    made = told(
        ask,
        "/plan",
        kind="inverted",
        tape="0.5",
        pins={"finished": "44", "count": "11", "depth": "0.88"},
        taper={"height": "20", "finished": "41.6"},
    )
    assert made["taper"]["on_tape"]["mm"] == 420
    assert any("higher the edge finishes 42 cm" in line for line in slip(made))


def test_mirrored_rows_are_mended_by_the_nearest_pair(ask: Asked) -> None:
    row = {
        "kind": "knife",
        "tape": "2 mm",
        "pins": {"finished": "50", "count": "10", "depth": "2"},
        "facing": "from_centre",
    }
    for measured, pairs in (("50.29", 1), ("50.64", 2)):
        status, found = ask("POST", "/check", {"spec": row, "measured": [measured]})
        assert status == 200
        assert len([one for one in found["changes"] if one["divisions"]]) == 2 * pairs
        assert "which is the nearest that can be had" in found["says"][-1]


def test_each_amount_is_told_with_its_pleats(ask: Asked) -> None:
    skirt = {"kind": "knife", "pins": {"finished": "70", "count": "4"}, "meet": True, "closed": True}
    status, found = ask("POST", "/check", {"spec": skirt, "measured": ["71"]})
    assert status == 200
    assert (
        "pleats 2 and 4 so that each takes 0.3 cm more cloth, and pleats 1 and 3 so that each takes 0.2 cm more cloth"
        in found["says"][1]
    )
    marked = told(ask, "/plan", **skirt, corrections=[{"by": "1 cm"}])
    assert any("pleats 2 and 4 take 0.3 cm more; pleats 1 and 3 take 0.2 cm more" in line for line in slip(marked))


def test_the_walk_without_a_tape_has_its_checks(ask: Asked) -> None:
    row = {"kind": "knife", "pins": {"finished": "60", "count": "10", "depth": "2"}, "tape": None}
    plain, mended = told(ask, "/plan", **row), told(ask, "/plan", **row, corrections=[{"by": "1 cm"}])
    assert plain["walk"]["x"][-1] - mended["walk"]["x"][-1] == pytest.approx(10)
    flat = mended["walk"]["flat"]
    assert all(any(abs(mark["at"]["mm"] - at) < 1e-9 for at in flat) for mark in mended["marks"])


def test_a_work_in_inches_has_no_fraction_of_a_millimetre(ask: Asked) -> None:
    draped = [{"depth": "1", "gap": "2"}, {"depth": "1 1/64", "gap": "2 1/8"}]
    status, found = ask("POST", "/even", {"kind": "knife", "unit": "in", "keep": "average", "draped": draped})
    assert status == 200
    assert found["change"]["pins.depth"] == "1 1/128 in"


def test_gathers_under_half_a_division_are_warned_of(ask: Asked) -> None:
    made = told(ask, "/plan", kind="gather", tape="5 mm", pins={"finished": "2 mm", "fullness": "2"})
    assert [one["code"] for one in made["warnings"]] == ["too_coarse"]


def test_too_wide_for_the_cloth_is_told_in_the_unit_of_the_work(ask: Asked) -> None:
    band = {"name": "Band", "width": "50", "length": "4"}
    spec = {**VALANCE, "cutting": {"drop": {"finished": "12"}, "pieces": [band]}, "cloth": "face"}
    status, found = ask(
        "POST", "/cut", {"cloths": {"face": {"usable": "44 in"}}, "sections": [{"name": "Valance", "spec": spec}]}
    )
    assert status == 422
    problem = found["problems"][0]
    assert (problem["path"], problem["value"]) == ("cloths.face.usable", "44 in")
    assert "50 in wide, 6 in wider than the cloth" in problem["message"]
    own = {**spec, "cloth": {"usable": "44 in"}}
    status, found = ask("POST", "/cut", {"sections": [{"name": "Valance", "spec": own}]})
    assert [one["path"] for one in found["problems"]] == ["sections.0.spec.cloth.usable"]


def test_a_work_that_calls_the_usual_way_the_best_is_read(ask: Asked) -> None:
    cloth = {"usable": "140", "length": "300"}
    spec = {"kind": "knife", "pins": {"finished": "60", "count": "10", "depth": "2"}, "cloth": cloth}
    for way in ("best", "usual"):
        status, _ = ask("POST", "/cloth", {**spec, "cutting": {"way": way}})
        assert status == 200
