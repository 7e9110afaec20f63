"""Things through the API: stateless, and kept with a work."""

from __future__ import annotations

from typing import Any

import pytest
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client

from tests.conftest import Asked

pytestmark = pytest.mark.django_db

LINEN = {"usable": "138 cm", "along": "64 cm", "price": "19.80", "weight": "330 g/m²"}
WINDOW = {
    "kind": "curtains",
    "unit": "cm",
    "measures": {"rail": "152", "drop": ["214", "214.5"], "overlap": "8", "return_left": "9", "return_right": "9"},
    "choices": {"fullness": "2.2"},
}


def ask(client: Client, method: str, address: str, body: Any = None, status: int = 200) -> Any:
    answer = (
        getattr(client, method)(f"/api{address}", body, content_type="application/json")
        if body is not None
        else getattr(client, method)(f"/api{address}")
    )
    assert answer.status_code == status, answer.content[:600]
    return answer.json()


def thing(client: Client, status: int = 200, **facts: Any) -> Any:
    return ask(client, "post", "/thing", {**WINDOW, "cloths": {"face": LINEN}, **facts}, status)


def made(client: Client, **more: Any) -> Any:
    return ask(
        client, "post", "/works", {"name": "Long window", "cloths": {"face": LINEN}, "thing": {**WINDOW, **more}}, 201
    )


def test_the_pair_of_the_long_window(client: Client) -> None:
    got = thing(client)
    text = {name: one["length"]["text"] for name, one in got["results"].items() if one["length"]}
    assert text["left.finished"] == text["right.finished"] == "89 cm"
    assert text["left.wanted"] == "180.2 cm"
    assert text["left.flat"] == "192 cm"
    assert (text["drop.cut"], text["drop.on_cloth"]) == ("242 cm", "256 cm")
    plan = got["edges"]["left"]["plan"]
    assert (plan["count"], plan["spacing"]["text"], plan["flat"]["text"]) == (9, "9.5 cm", "192 cm")
    assert [one["wide"]["text"] for one in got["pieces"]] == ["69 cm", "138 cm", "138 cm", "69 cm"]
    assert "buy 8.4 m" in got["buy"][0]["says"]
    assert next(one["much"] for one in got["notions"] if one["name"] == "hooks") == "22"


def test_a_thing_is_named_either_way(client: Client) -> None:
    body = {name: value for name, value in WINDOW.items() if name != "kind"}
    got = ask(client, "post", "/thing", {**body, "thing": "curtains", "plans": False})
    assert got["results"]["left.finished"]["length"]["text"] == "89 cm"
    told = ask(client, "post", "/thing", body, 422)["problems"]
    assert [(one["path"], "curtains" in one["way_out"]) for one in told] == [("thing", True)]


def test_the_second_school_multiplies_everything(client: Client) -> None:
    got = thing(client, choices={"fullness": "2.2", "fullness_of": "all", "widths": "exact"})
    assert got["results"]["left.flat"]["length"]["text"] == "195.8 cm"


def test_all_that_is_wrong_is_said_at_once(client: Client) -> None:
    got = thing(
        client,
        422,
        measures={"rail": "152", "drop": "0.5", "return_left": "3 m", "overlap": "200"},
        choices={"fullness": "1"},
    )
    paths = {one["path"] for one in got["problems"]}
    assert paths == {"measures.return_left", "measures.overlap", "measures.drop", "choices.fullness"}
    assert all(one["way_out"] for one in got["problems"])


def test_what_lacks_is_said_and_the_rest_is_answered(client: Client) -> None:
    got = ask(client, "post", "/thing", {"kind": "curtains", "measures": {"rail": "152"}})
    assert [one["field"] for one in got["lacks"]] == ["drop", "cloths.face.usable"]
    assert got["edges"]["left"]["plan"]["finished"]["text"] == "89 cm"
    assert got["picture"] is not None


def test_a_work_keeps_ties_and_follows_its_measures(client: Client) -> None:
    work = made(client)
    assert [one["name"] for one in work["sections"]] == ["Left panel", "Right panel"]
    left = work["sections"][0]["spec"]
    assert left["pins"]["finished"] == {"tied": "left.finished"}
    assert "89" not in str(left)
    # A fact of one's own stays while measures change.
    own = {**left, "pins": {**left["pins"], "spacing": "7.6 cm"}}
    work = ask(
        client,
        "put",
        f"/works/{work['key']}/sections/{work['sections'][0]['key']}",
        {"spec": own, "revision": work["revision"]},
    )
    wider = {**work["thing"], "measures": {**work["thing"]["measures"], "rail": "170"}}
    work = ask(client, "put", f"/works/{work['key']}/thing", {"thing": wider, "revision": work["revision"]})
    assert work["sections"][0]["spec"]["pins"]["spacing"] == "7.6 cm"
    got = ask(
        client,
        "post",
        "/thing",
        {**work["thing"], "cloths": work["cloths"], "edges": {"left": work["sections"][0]["spec"]}},
    )
    assert got["edges"]["left"]["finished"]["text"] == "98 cm"
    assert "pins.spacing" not in got["edges"]["left"]["tied"]
    assert "pins.finished" in got["edges"]["left"]["tied"]
    rows = ask(client, "get", "/works")["works"]
    assert "98 cm" in rows[0]["glance"]["says"]


def test_a_choice_takes_parts_and_undo_brings_them_back(client: Client) -> None:
    work = made(client)
    key = work["key"]
    one = {**work["thing"], "choices": {**work["thing"]["choices"], "divides": "one_way"}}
    work = ask(client, "put", f"/works/{key}/thing", {"thing": one, "revision": work["revision"]})
    assert [part["spec"]["edge"] for part in work["sections"]] == ["panel"]
    work = ask(client, "post", f"/works/{key}/undo", {"revision": work["revision"]})
    assert [part["spec"]["edge"] for part in work["sections"]] == ["left", "right"]
    work = ask(client, "post", f"/works/{key}/redo", {"revision": work["revision"]})
    assert [part["name"] for part in work["sections"]] == ["Curtain"]


def test_a_thing_let_go_leaves_its_edges_as_they_are(client: Client) -> None:
    work = made(client)
    work = ask(client, "put", f"/works/{work['key']}/thing", {"thing": None, "revision": work["revision"]})
    left, right = (one["spec"] for one in work["sections"])
    assert left["pins"]["finished"] == "89 cm"
    assert "edge" not in left
    assert (right["lead"], right["tail"]) == (
        {"width": "4 cm", "name": "overlap"},
        {"width": "9 cm", "name": "return"},
    )


def test_the_unit_changes_no_measure(client: Client) -> None:
    work = made(client)
    work = ask(client, "post", f"/works/{work['key']}/unit", {"unit": "in", "revision": work["revision"]})
    assert work["thing"]["measures"]["rail"] == "152 cm"
    assert work["thing"]["choices"]["fullness"] == "2.2"
    got = ask(client, "post", "/thing", {**work["thing"], "cloths": work["cloths"]})
    assert abs(got["results"]["left.flat"]["length"]["mm"] - 1920) < 1e-9


def test_a_tie_without_its_thing_is_refused_by_name(client: Client) -> None:
    got = ask(client, "post", "/plan", {"kind": "knife", "pins": {"finished": {"tied": "left.finished"}}}, 422)
    assert {(one["code"], one["path"]) for one in got["problems"]} >= {("tied", "pins.finished")}


def test_a_free_work_can_be_given_a_thing(client: Client) -> None:
    work = ask(
        client, "post", "/works", {"name": "Free", "sections": [{"name": "Edge", "spec": {"kind": "knife"}}]}, 201
    )
    work = ask(client, "put", f"/works/{work['key']}/thing", {"thing": WINDOW, "revision": work["revision"]})
    assert [one["name"] for one in work["sections"]] == ["Left panel", "Right panel", "Edge"]


def test_things_are_listed_with_what_they_ask(client: Client) -> None:
    rows = ask(client, "get", "/things")
    assert [one["name"] for one in rows][:1] == ["curtains"]
    assert all(one["picture"]["views"] for one in rows)
    first = [field["name"] for field in rows[0]["fields"] if field["first"]]
    assert 2 <= len(first) <= 5


def test_a_copied_panel_is_an_edge_of_its_own_and_stays(client: Client) -> None:
    work = made(client)
    key, left = work["key"], work["sections"][0]["key"]
    work = ask(client, "post", f"/works/{key}/sections/{left}/duplicate", {"revision": work["revision"]})
    copied = work["sections"][1]
    assert copied["name"] == "Left panel 2"
    assert "edge" not in copied["spec"]
    assert copied["spec"]["pins"]["finished"] == "89 cm"
    wider = {
        **work["thing"],
        "measures": {**work["thing"]["measures"], "rail": "170"},
        "choices": {"divides": "one_way"},
    }
    work = ask(client, "put", f"/works/{key}/thing", {"thing": wider, "revision": work["revision"]})
    assert [one["name"] for one in work["sections"]] == ["Curtain", "Left panel 2"]


def test_what_follows_a_cloth_is_nobodys_change(client: Client) -> None:
    """A cloth typed while a measure was on its way met it as if it had been changed elsewhere."""
    work = ask(client, "post", "/works", {"name": "Window", "thing": {**WINDOW, "measures": {}}}, 201)
    key, first = work["key"], work["revision"]
    ask(client, "put", f"/works/{key}/thing", {"thing": WINDOW, "revision": first})
    ask(client, "put", f"/works/{key}/cloths/face", {"spec": LINEN, "revision": first})
    work = ask(client, "get", f"/works/{key}")
    assert work["sections"][0]["spec"]["cutting"]["strategy"] == "half_outside"


def test_a_work_goes_out_with_its_ties_and_comes_in_again(client: Client) -> None:
    work = made(client)
    own = {**work["sections"][0]["spec"], "pins": {"finished": {"tied": "left.finished"}, "count": "8"}}
    ask(
        client,
        "put",
        f"/works/{work['key']}/sections/{work['sections'][0]['key']}",
        {"spec": own, "revision": work["revision"]},
    )
    file = client.get(f"/api/works/{work['key']}/file").content
    assert b'"tied"' in file
    upload = SimpleUploadedFile("window.ribbon.json", file, "application/json")
    again = client.post("/api/files", {"file": upload}).json()
    assert again["thing"] == work["thing"]
    assert [one["spec"] for one in again["sections"]] == [own, work["sections"][1]["spec"]]


def test_the_order_of_making_on_paper_and_in_ones_own_order(client: Client) -> None:
    work = made(client)
    fresh = {one["name"]: one for one in thing(client)["steps"]}
    assert [name for name, one in fresh.items() if one["now"]] == ["wash"]
    assert not any(one["needs"] for one in fresh.values())
    order = {
        "order": ["hem", "cut"],
        "struck": ["wash"],
        "added": [{"key": "a1", "says": "Ask for the ladder."}],
        "done": ["cut"],
    }
    got = thing(client, making=order)
    names = [one["name"] for one in got["steps"]]
    assert names.index("hem") < names.index("cut")
    steps = {one["name"]: one for one in got["steps"]}
    # The cloth is cut already: its widths can be joined, and what was moved before them says so.
    assert (steps["join"]["now"], steps["cut"]["now"], steps["hem"]["now"]) == (True, False, False)
    assert steps["hem"]["needs"] == ["sides", "join"]
    assert [one["name"] for one in got["struck"]] == ["wash"]
    assert next(one for one in got["steps"] if one["name"] == "a1")["own"]
    ready = ask(client, "get", f"/works/{work['key']}/ready")
    sections = [
        {"key": one["key"], "name": one["name"], "spec": one["spec"], "times": one["times"]}
        for one in ready["sections"]
    ]
    body = {
        "paper": "making",
        "work": "Window",
        "sections": sections,
        "cloths": ready["cloths"],
        "thing": {**WINDOW, "making": order},
    }
    pages = ask(client, "post", "/papers/pages", body)
    assert pages["count"] == 2
    assert "Ask for the ladder" in "".join(pages["pages"])
    body["thing"] = None
    assert ask(client, "post", "/papers/pages", body, 422)["problems"][0]["code"] == "no_thing"


def test_several_windows_alike_multiply_what_is_cut_and_bought(client: Client) -> None:
    one, three = thing(client), thing(client, choices={"fullness": "2.2", "windows": "3"})
    assert sum(piece["count"] for piece in three["pieces"]) == 3 * sum(piece["count"] for piece in one["pieces"])
    assert next(n["count"] for n in three["notions"] if n["name"] == "hooks") == 66
    section = {"key": "a", "name": "Left", "spec": one["edges"]["left"]["spec"], "times": 3}
    cut = ask(client, "post", "/cut", {"cloths": {"face": LINEN}, "sections": [section]})
    assert len(cut["plans"][0]["placed"]) == 6


def test_what_is_bought_for_a_thing_and_for_a_piece_beside_it_is_told_once(client: Client) -> None:
    choices = {"fullness": "2.2", "price_hook": "0.5", "price_thread": "4"}
    window = {**WINDOW, "choices": choices}
    got = thing(client, choices=choices)
    edges = [
        {"key": name, "name": edge["title"], "spec": {**edge["spec"], "edge": name}}
        for name, edge in got["edges"].items()
    ]
    # A piece of its own may be called as a panel is.
    drop = {"drop": {"finished": "20 cm"}}
    frill = {"kind": "gather", "unit": "cm", "pins": {"finished": "100", "flat": "200"}, "cutting": drop}
    body = {
        "cloths": {"face": LINEN},
        "sections": [*edges, {"key": "x", "name": edges[0]["name"], "spec": frill}],
        "thing": window,
    }
    cut = ask(client, "post", "/cut", body)
    bought = {one["name"]: one for one in cut["totals"]}
    of_thing = {one["name"]: one for one in got["notions"]}
    alone = {
        one["name"]: one for one in ask(client, "post", "/cut", {**body, "sections": body["sections"][-1:]})["totals"]
    }
    hooks = bought["hooks"]
    assert (hooks["much"], hooks["cost"], hooks["parts"]) == (of_thing["hooks"]["much"], "11.00", [])
    assert [one["piece"] for one in bought["thread"]["parts"]] == [edges[0]["name"], "Curtains"]
    assert bought["thread"]["cost"] is None
    assert bought["thread"]["parts"][1]["much"] == of_thing["thread"]["much"]
    assert set(bought) == set(of_thing) | set(alone)
    # Without what it is, each edge says what it wants for itself.
    free = ask(client, "post", "/cut", {**body, "thing": None})
    hooks = next(one for one in free["totals"] if one["name"] == "hooks")
    assert sorted(one["piece"] for one in hooks["parts"]) == sorted(edge["name"] for edge in edges)


@pytest.mark.parametrize("heading", ["pinch1", "pinch2", "pinch4", "goblet", "box", "inverted", "gather"])
@pytest.mark.parametrize("divides", ["pair", "unequal", "one_way", "alone"])
def test_every_heading_hangs_however_it_divides(client: Client, heading: str, divides: str) -> None:
    got = thing(client, choices={"fullness": "2.2", "heading": heading, "divides": divides})
    for name, edge in got["edges"].items():
        assert edge["problems"] == [], (name, edge["problems"])
        assert edge["plan"]["flat"]["mm"] == pytest.approx(got["results"][f"{name}.flat"]["length"]["mm"])


def test_fine_stripes_and_long_rails_are_answered_soon_or_refused(client: Client) -> None:
    stripes = [{"colour": "#112233", "width": "1 mm"}, {"colour": "#aabbcc", "width": "1 mm"}]
    long = {"rail": "20 m", "drop": "200"}
    got = thing(
        client, measures=long, choices={"windows": "12"}, cloths={"face": {"usable": "138", "stripes": stripes}}
    )
    assert sum(len(view["shapes"]) for view in got["picture"]["views"]) < 4000
    got = thing(
        client, measures={**long, "rail": "60 m"}, choices={"spacing": "1 mm", "divides": "alone", "panels": "12"}
    )
    assert any(one["code"] == "too_many" for edge in got["edges"].values() for one in edge["problems"])


@pytest.mark.parametrize(("heading", "hooks"), [("pinch3", 22), ("box", 20), ("gather", 26)])
def test_hooks_tape_and_thread_whatever_the_heading(client: Client, heading: str, hooks: int) -> None:
    got = {one["name"]: one for one in thing(client, choices={"fullness": "2.2", "heading": heading})["notions"]}
    assert got["hooks"]["count"] == hooks
    assert got["stiffener or heading tape"]["length"]["mm"] == pytest.approx(2 * 1920)
    assert set(got) == {"hooks", "stiffener or heading tape", "thread", "weights for the hem’s corners"}


def test_made_again_it_is_measured_again(client: Client) -> None:
    sessions = [{"day": "2026-11-28", "start": "14:00", "long": "2 h"}]
    kept = {"done": ["wash"], "struck": ["hooks"], "took": {"wash": "20"}, "sessions": sessions}
    work = made(client, measures={**WINDOW["measures"], "panel_left": "190"}, making=kept)
    again = ask(client, "post", f"/works/{work['key']}/again", {}, 201)
    assert "panel_left" not in again["thing"]["measures"]
    assert again["thing"]["making"] == {"struck": ["hooks"]}
    assert [one["spec"].get("mirrors") for one in work["sections"]] == [None, None]
    assert [one["spec"].get("mirrors") for one in again["sections"]] == [None, "left"]


def test_how_long_steps_took_is_learnt_from_other_works(client: Client) -> None:
    key = made(client)["key"]

    def told() -> dict[str, Any]:
        return {one["name"]: one for one in ask(client, "post", f"/works/{key}/timetable", {})["steps"]}

    assert {one["by"] for one in told().values()} == {"guess"}
    made(client, making={"took": {"cut": "40", "hem": "1 h 30"}})
    made(client, making={"took": {"cut": "1:00"}})
    # Windows as wide as this one: as many metres, so as many minutes.
    assert {name: (one["minutes"], one["words"]) for name, one in told().items() if one["by"] == "log"} == {
        "cut": (50, "50 min"),
        "hem": (90, "1 h 30 min"),
    }
    got = thing(client, 422, making={"took": {"cut": "a while"}})
    assert [one["path"] for one in got["problems"]] == ["making.took.cut"]


@pytest.mark.parametrize("lining", ["loose", "tube"])
def test_a_lining_is_seen_from_inside_shorter_than_its_face(client: Client, lining: str) -> None:
    got = thing(client, choices={"fullness": "2.2", "lining": lining, "lining_narrower": "4", "lining_shorter": "2"})
    views = {view["name"]: view for view in got["picture"]["views"]}
    areas = [shape for shape in views["inside"]["shapes"] if shape["closed"]]
    foot = {paint: max(max(s["points"][1::2]) for s in areas if s["paint"] == paint) for paint in ("face", "lining")}
    assert foot["face"] - foot["lining"] == pytest.approx(20)
    assert "inside" not in {view["name"] for view in thing(client)["picture"]["views"]}


def test_a_valance_of_one_width_has_nothing_to_join(client: Client) -> None:
    def steps(rail: str) -> list[str]:
        body = {"kind": "valance", "unit": "cm", "measures": {"rail": rail, "drop": "45"}, "cloths": {"face": LINEN}}
        return [one["name"] for one in ask(client, "post", "/thing", body)["steps"]]

    assert "join" not in steps("30")
    assert "join" in steps("200")


def test_a_pair_is_joined_as_each_others_mirror(ask: Asked) -> None:
    """What is left of a width goes to the outside of either panel; by every way to share the widths."""
    measures = {"rail": "152", "window": "118", "drop": "214", "overlap": "8", "return_left": "9", "return_right": "9"}
    for widths in ("exact", "hidden", "half", "each", "near"):
        asked = {
            "kind": "curtains",
            "measures": measures,
            "choices": {"fullness": "2.2", "widths": widths},
            "cloths": {"face": {"usable": "138 cm"}},
            "plans": True,
        }
        status, made = ask("POST", "/thing", asked)
        assert status == 200
        left, right = (
            [one["cut"]["mm"] for one in made["edges"][side]["plan"]["widths"]] for side in ("left", "right")
        )
        assert left == right[::-1], widths
        assert len(left) == 1 or left[0] < left[-1] or widths in ("each", "near")


def test_what_is_next_follows_from_what_is_lacking(ask: Asked) -> None:
    def next_of(thing: dict[str, Any], **cloth: str) -> str:
        ask("POST", "/works", {"name": "A work", "thing": thing, "cloths": {"face": {"unit": "cm", **cloth}}})
        return str(ask("GET", "/works")[1]["works"][0]["next"])

    assert next_of({"kind": "curtains"}) == "Measure: the rail, or the window and how far beyond it"
    assert next_of({"kind": "curtains", "measures": {"rail": "6o"}}) == "Measure: look again at rail"
    assert next_of({"kind": "circle", "measures": {"waist": "70", "length": "50"}}, usable="140") == "Cut"
    assert next_of({"kind": "curtains", "measures": {"rail": "152", "drop": "214"}}, usable="138") == "Mark"


def test_a_work_has_one_habit(ask: Asked) -> None:
    def made(measures: dict[str, str]) -> dict[str, Any]:
        _, work = ask("POST", "/works", {"name": "A work", "thing": {"kind": "curtains", "measures": measures}})
        _, work = ask("POST", f"/works/{work['key']}/unit", {"unit": "in", "revision": work["revision"]})
        thing = work["thing"] | {"measures": {"rail": "60", "drop": "84"}}
        thing["measures"] |= {name: text for name, text in work["thing"]["measures"].items() if name != "rail"}
        _, work = ask("PUT", f"/works/{work['key']}/thing", {"thing": thing, "revision": work["revision"]})
        body = {"name": "One more", "spec": {"kind": "knife", "unit": "in"}, "revision": work["revision"]}
        return ask("POST", f"/works/{work['key']}/sections", body)[1]  # type: ignore[no-any-return]

    def habits(work: dict[str, Any]) -> set[str | None]:
        return {spec.get("habit") for spec in (work["thing"], *(one["spec"] for one in work["sections"]))}

    empty, begun = made({}), made({"window": "120"})
    assert len(empty["sections"]) == 3
    assert habits(empty) == {None}
    assert habits(begun) == {"metric"}
