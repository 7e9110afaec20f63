"""The cloths of a work: one for each role, named by its pieces, and nothing lost on the way there and back."""

from __future__ import annotations

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from server.works.cloths import housed, roles_of, unhoused
from tests.conftest import Asked, alone
from tests.examples import law

WOOL = {"name": "Guide blue wool", "usable": "147 cm", "price": "28"}
LINEN = {"name": "Curtain lining", "usable": "138 cm", "price": "9"}
PINS = {"finished": "70 cm", "spacing": "2.5 cm"}
CUTTING = {"drop": {"finished": "60 cm", "heading": "1.5 cm", "hem": "4 cm"}, "lining": {"cloth": LINEN}}
SKIRT = {"kind": "knife", "unit": "cm", "meet": True, "closed": True, "pins": PINS, "cloth": WOOL, "cutting": CUTTING}


@pytest.fixture
def skirt(ask: Asked) -> dict[str, Any]:
    sections = [{"name": "Front", "spec": SKIRT}, {"name": "Back", "spec": SKIRT}]
    status, work = ask("POST", "/works", {"name": "Guide’s skirt", "sections": sections})
    assert status == 201
    return work


def role(ask: Asked, work: dict[str, Any], name: str, spec: Any, **more: Any) -> tuple[int, Any]:
    body = {"revision": work["revision"], "spec": spec, **more}
    return ask("PUT", f"/works/{work['key']}/cloths/{name}", body)


def test_pieces_of_one_cloth_share_it(skirt: dict[str, Any]) -> None:
    assert skirt["cloths"] == {"face": {**WOOL, "unit": "cm"}, "lining": {**LINEN, "unit": "cm"}}
    for section in skirt["sections"]:
        assert "cloth" not in section["spec"]
        assert "cloth" not in section["spec"]["cutting"]["lining"]


def test_another_cloth_has_a_role_of_its_own(ask: Asked) -> None:
    other = {**SKIRT, "cloth": {**WOOL, "usable": "90 cm"}}
    sections = [{"name": "Front", "spec": SKIRT}, {"name": "Back", "spec": other}]
    _, work = ask("POST", "/works", {"name": "Guide’s skirt", "sections": sections})
    assert work["cloths"]["face 2"]["usable"] == "90 cm"
    assert work["sections"][1]["spec"]["cloth"] == "face 2"
    assert alone(work, 1)["cloth"]["usable"] == "90 cm"


def test_a_change_to_the_cloth_is_one_change_for_every_piece_and_is_taken_back(
    ask: Asked, skirt: dict[str, Any]
) -> None:
    status, after = role(ask, skirt, "face", {**WOOL, "usable": "90 cm"}, field="usable")
    assert status == 200
    assert "of the face" in after["undo"]
    flats = [ask("POST", "/plan", alone(work))[1]["widths"] for work in (skirt, after)]
    assert len(flats[0]) < len(flats[1])  # narrower cloth, more widths
    _, before = ask("POST", f"/works/{skirt['key']}/undo", {"revision": after["revision"]})
    assert before["cloths"] == skirt["cloths"]
    _, again = ask("POST", f"/works/{skirt['key']}/redo", {"revision": before["revision"]})
    assert again["cloths"] == after["cloths"]


def test_two_roles_are_changed_at_once_and_the_same_one_asks(ask: Asked, skirt: dict[str, Any]) -> None:
    assert role(ask, skirt, "face", {**WOOL, "price": "30"}, field="price")[0] == 200
    status, both = role(ask, skirt, "lining", {**LINEN, "price": "11"}, field="price")
    assert status == 200  # made to an older revision, elsewhere in the work
    assert (both["cloths"]["face"]["price"], both["cloths"]["lining"]["price"]) == ("30", "11")
    status, asked = role(ask, skirt, "face", {**WOOL, "price": "31"}, field="price")
    assert status == 409
    assert asked["theirs"]["cloths"]["face"]["price"] == "30"


def test_what_a_piece_is_cut_from_is_not_taken_out(ask: Asked, skirt: dict[str, Any]) -> None:
    _, work = role(ask, skirt, "contrast", {"name": "Dome red", "usable": "120 cm"})
    key = work["sections"][0]["key"]
    piece = {"name": "Band", "width": "6 cm", "length": "72 cm", "cloth": "contrast"}
    spec = {**work["sections"][0]["spec"], "cutting": {**CUTTING, "lining": {}, "pieces": [piece]}}
    _, work = ask("PUT", f"/works/{work['key']}/sections/{key}", {"revision": work["revision"], "spec": spec})
    made = ask("POST", "/cut", {"cloths": work["cloths"], "sections": work["sections"]})[1]
    by_role = {plan["role"]: [one["name"] for one in plan["placed"]] for plan in made["plans"]}
    assert by_role["contrast"] == ["Band"]
    assert "Band" not in by_role["face"] + by_role["lining"]
    status, refused = role(ask, work, "contrast", None)
    assert (status, refused["problems"][0]["code"], refused["problems"][0]["value"]) == (422, "in_use", "contrast")
    spec = {**spec, "cutting": {**spec["cutting"], "pieces": []}}
    _, work = ask("PUT", f"/works/{work['key']}/sections/{key}", {"revision": work["revision"], "spec": spec})
    status, work = role(ask, work, "contrast", None)
    assert (status, set(work["cloths"])) == (200, {"face", "lining"})


def test_another_unit_changes_how_a_cloth_is_written_and_not_what_it_is(ask: Asked, skirt: dict[str, Any]) -> None:
    before = ask("POST", "/plan", alone(skirt))[1]
    _, inches = ask("POST", f"/works/{skirt['key']}/unit", {"revision": skirt["revision"], "unit": "in"})
    assert inches["cloths"]["face"]["unit"] == "in"
    after = ask("POST", "/plan", alone(inches))[1]
    # The widths are cut on the tape, which is one in inches now: no further off than half a sixteenth.
    cut = [[width["cut"]["mm"] for width in made["widths"]] for made in (before, after)]
    assert cut[1] == pytest.approx(cut[0], abs=25.4 / 32)
    assert sum(cut[1]) == pytest.approx(sum(cut[0]))


def test_as_many_cloths_as_a_work_holds_and_no_more(ask: Asked, skirt: dict[str, Any]) -> None:
    work = skirt
    for number in range(10):
        status, work = role(ask, work, f"contrast {number}", {"usable": "120 cm"})
        assert status == 200
    status, refused = role(ask, work, "one more", {"usable": "120 cm"})
    assert status == 422
    assert refused["problems"][0]["way_out"]


def cloths() -> st.SearchStrategy[Any]:
    inline = st.fixed_dictionaries(
        {"usable": st.sampled_from(["138", "147", "54 in", ""])},
        optional={"unit": st.sampled_from(["cm", "in"]), "name": st.sampled_from(["Wool", "Linen"])},
    )
    return st.none() | inline | st.sampled_from(["face", "lining", "contrast"])


@st.composite
def documents(draw: st.DrawFn) -> dict[str, Any]:
    sections = []
    for number in range(draw(st.integers(1, 4))):
        spec: dict[str, Any] = {"kind": "knife", "unit": draw(st.sampled_from(["cm", "in"])), "pins": {}}
        cloth, lining = draw(cloths()), draw(cloths())
        if cloth is not None:
            spec["cloth"] = cloth
        if draw(st.booleans()):
            spec["cutting"] = {"lining": {"turned": "2"} if lining is None else {"turned": "2", "cloth": lining}}
        sections.append({"key": f"k{number}", "name": f"Piece {number}", "spec": spec})
    held = {"face": {"usable": "150", "unit": "cm"}} if draw(st.booleans()) else {}
    return {"cloths": held, "thing": None, "sections": sections}


def _facts(cloth: Any, unit: str) -> dict[str, Any]:
    """What a cloth says, whatever way it says that; its unit as its bare numbers are read."""
    said = {name: value for name, value in (cloth or {}).items() if value and name != "unit"}
    return {**said, "unit": cloth.get("unit") or unit} if said else {}


@law(300)
@given(documents())
def test_every_piece_keeps_its_cloth_on_the_way_into_the_work_and_out_of_it(document: dict[str, Any]) -> None:
    kept = housed(document)
    for before, after in zip(document["sections"], kept["sections"], strict=True):
        unit, back = before["spec"]["unit"], unhoused(after["spec"], kept["cloths"])
        for was, now in (
            (before["spec"].get("cloth"), back.get("cloth")),
            *(
                [(before["spec"]["cutting"]["lining"].get("cloth"), back["cutting"]["lining"].get("cloth"))]
                if "cutting" in before["spec"]
                else []
            ),
        ):
            if isinstance(was, dict) and any(was.values()):
                assert _facts(now, unit) == _facts(was, unit)
        assert all(isinstance(name, str) for name in roles_of(after["spec"]))
    assert housed(kept) == kept


@pytest.mark.django_db
def test_what_a_work_took_from_the_shelf_is_at_hand_for_it(ask: Asked) -> None:
    _, cloth = ask("POST", "/cloths", {"name": "Guide wool", "unit": "in", "spec": {"usable": "44", "length": "50"}})
    skirt = {"kind": "knife", "unit": "in", "pins": {"finished": "27", "spacing": "1"}, "closed": True}
    skirt |= {"meet": True, "cutting": {"drop": {"finished": "18", "hem": "1", "hem_turns": 1}}}

    def plan(facts: dict[str, Any]) -> dict[str, Any]:
        body = {"cloths": {"face": facts}, "sections": [{"name": "Length", "spec": skirt}]}
        return ask("POST", "/cut", body)[1]["plans"][0]  # type: ignore[no-any-return]

    before = plan(cloth["facts"])
    assert (before["asked"], before["short"]) == (None, None)
    moved = {"length": before["take"], "work": "Skirt"}
    address = f"/cloths/{cloth['key']}"
    _, taken = ask("POST", f"{address}/take", {**moved, "revision": cloth["revision"]})
    assert taken["taken"] == before["take"]
    after = plan({**taken["facts"], "taken": taken["taken"]})
    assert (after["asked"], after["short"]) == (None, None)
    assert after["take"] == before["take"]
    _, given = ask("POST", f"{address}/give", {**moved, "revision": taken["revision"], "taken": taken["taken"]})
    assert (given["taken"], given["facts"]["length"]) == ("", "50 in")
    assert ask("POST", f"{address}/take", {**moved, "revision": given["revision"], "taken": "abc"})[0] == 422
