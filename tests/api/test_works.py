"""Works: kept as typed, every change taken back, nothing lost."""

from __future__ import annotations

from datetime import timedelta
from typing import Any

import pytest
from django.test import Client

from server.works.models import ChangeMade, Work
from server.works.versions import current
from tests.conftest import Asked

SPEC = {
    "kind": "knife",
    "unit": "cm",
    "pins": {"finished": "70", "spacing": {"about": "3"}},
    "meet": True,
    "closed": True,
}
NEW = {"name": "Guide’s skirt", "purpose": "for the dome guides", "sections": [{"name": "Skirt length", "spec": SPEC}]}


@pytest.fixture
def skirt(ask: Asked) -> dict[str, Any]:
    status, work = ask("POST", "/works", NEW)
    assert status == 201
    return work


def test_a_work_is_kept_just_as_typed(ask: Asked, skirt: dict[str, Any]) -> None:
    _, kept = ask("GET", f"/works/{skirt['key']}")
    assert kept == skirt
    assert kept["sections"][0]["spec"] == SPEC
    typed = {**SPEC, "pins": {"finished": "seventy"}}
    place = f"/works/{skirt['key']}/sections/{skirt['sections'][0]['key']}"
    _, kept = ask("PUT", place, {"revision": 1, "spec": typed, "field": "pins.finished"})
    assert kept["sections"][0]["spec"] == typed  # nothing typed is lost, readable or not
    assert kept["revision"] == 2


def test_pieces_are_added_copied_put_in_order_and_removed_and_all_of_it_taken_back(
    ask: Asked, skirt: dict[str, Any]
) -> None:
    at = f"/works/{skirt['key']}"
    _, work = ask("POST", f"{at}/sections", {"revision": 1, "name": "Waistband", "spec": {"kind": "gather"}})
    _, work = ask("POST", f"{at}/sections/{work['sections'][0]['key']}/duplicate", {"revision": 2})
    names = [s["name"] for s in work["sections"]]
    assert names == ["Skirt length", "Skirt length 2", "Waistband"]
    keys = [s["key"] for s in work["sections"]]
    _, work = ask("POST", f"{at}/order", {"revision": 3, "sections": keys[::-1]})
    assert [s["key"] for s in work["sections"]] == keys[::-1]
    _, work = ask("DELETE", f"{at}/sections/{keys[0]}?revision=4")
    assert [s["key"] for s in work["sections"]] == [keys[2], keys[1]]
    assert work["undo"] == "removing a piece"
    for _ in range(4):
        status, work = ask("POST", f"{at}/undo", {"revision": work["revision"]})
        assert status == 200
    assert work["sections"] == skirt["sections"]
    assert (work["undo"], work["redo"]) == (None, "adding Waistband")
    for _ in range(4):
        _, work = ask("POST", f"{at}/redo", {"revision": work["revision"]})
    assert [s["key"] for s in work["sections"]] == [keys[2], keys[1]]
    assert work["redo"] is None


def test_a_stale_change_is_refused_and_both_versions_told(ask: Asked, skirt: dict[str, Any]) -> None:
    at = f"/works/{skirt['key']}"
    ask("PATCH", at, {"revision": 1, "name": "Night guide’s skirt"})
    status, said = ask("PATCH", at, {"revision": 1, "purpose": "for Orla’s watch"})
    assert status == 409
    assert said["problems"][0]["code"] == "stale"
    assert said["yours"] == {"revision": 1, "purpose": "for Orla’s watch"}
    assert (said["theirs"]["name"], said["theirs"]["revision"]) == ("Night guide’s skirt", 2)
    for method, address in (("DELETE", f"{at}?revision=1"), ("POST", f"{at}/undo")):
        assert ask(method, address, {"revision": 1})[0] == 409


def test_changes_without_a_run_are_steps_of_their_own(ask: Asked, skirt: dict[str, Any]) -> None:
    at, section = f"/works/{skirt['key']}", skirt["sections"][0]["key"]
    for revision, text in enumerate(("7", "71", "710"), start=1):
        body = {"revision": revision, "spec": {**SPEC, "pins": {"finished": text}}, "field": "pins.finished"}
        assert ask("PUT", f"{at}/sections/{section}", body)[0] == 200
    assert ChangeMade.objects.count() == 3
    for revision in (4, 5, 6):
        _, work = ask("POST", f"{at}/undo", {"revision": revision})
    assert work["sections"] == skirt["sections"]


def test_a_run_of_changes_is_one_step_however_long_its_saving_takes(ask: Asked, skirt: dict[str, Any]) -> None:
    at = f"/works/{skirt['key']}/sections/{skirt['sections'][0]['key']}"

    def typed(text: str, run: str, revision: int) -> dict[str, Any]:
        spec = {**SPEC, "pins": {"finished": text}}
        body = {"revision": revision, "spec": spec, "field": "parts.1.pins.finished", "run": run}
        status, work = ask("PUT", at, body)
        assert status == 200
        return work  # type: ignore[no-any-return]

    assert typed("7", "a.1", 1)["undo"] == "finished of part 2"
    ChangeMade.objects.update(at=ChangeMade.objects.last().at - timedelta(seconds=60))  # type: ignore[union-attr]
    typed("71", "a.1", 2)
    assert ChangeMade.objects.count() == 1
    typed("72", "a.2", 3)
    assert ChangeMade.objects.count() == 2


def test_what_is_already_so_is_no_disagreement(ask: Asked, skirt: dict[str, Any]) -> None:
    """The answer to a change may be lost, and the change be sent again."""
    at = f"/works/{skirt['key']}"
    change = {"revision": 1, "name": "Night guide’s skirt"}
    assert ask("PATCH", at, change)[1]["revision"] == 2
    assert ask("PATCH", at, change) == ask("GET", at)
    assert ask("PUT", f"{at}/sections/nosuch", {"revision": 1, "name": "A"})[0] == 409


def test_a_change_after_undo_forgets_what_was_undone(ask: Asked, skirt: dict[str, Any]) -> None:
    at = f"/works/{skirt['key']}"
    ask("PATCH", at, {"revision": 1, "name": "A"})
    ask("POST", f"{at}/undo", {"revision": 2})
    _, work = ask("PATCH", at, {"revision": 3, "name": "B"})
    assert (work["name"], work["redo"]) == ("B", None)


def test_another_unit_changes_no_value(ask: Asked, skirt: dict[str, Any]) -> None:
    _, before = ask("POST", "/plan", SPEC)
    _, work = ask("POST", f"/works/{skirt['key']}/unit", {"revision": 1, "unit": "in"})
    spec = work["sections"][0]["spec"]
    assert spec == {
        **SPEC,
        "unit": "in",
        "habit": "metric",
        "pins": {"finished": "70 cm", "spacing": {"about": "3 cm"}},
    }
    _, after = ask("POST", "/plan", spec)
    assert after["flat"]["mm"] == before["flat"]["mm"]
    assert after["flat"]["text"] == "≈82 11/16 in"
    _, work = ask("POST", f"/works/{skirt['key']}/unit", {"revision": 2, "unit": "cm"})
    assert work["sections"][0]["spec"]["pins"]["finished"] == "70 cm"


def test_deleting_puts_aside_and_restoring_brings_back_whole(ask: Asked, skirt: dict[str, Any]) -> None:
    at = f"/works/{skirt['key']}"
    assert ask("DELETE", f"{at}?revision=1")[1]["deleted"] is True
    _, shelf = ask("GET", "/works")
    assert (shelf["works"], shelf["shelf"], shelf["deleted"]) == ([], 0, 1)
    assert ask("GET", "/works?deleted=true")[1]["works"][0]["name"] == "Guide’s skirt"
    _, work = ask("POST", f"{at}/restore")
    assert work["sections"] == skirt["sections"]
    assert ask("GET", "/works")[1]["shelf"] == 1


def test_the_shelf_is_searched_sorted_and_paged(ask: Asked) -> None:
    ask("POST", "/works/demo")
    _, shelf = ask("GET", "/works")
    names = [row["name"] for row in shelf["works"]]
    assert names[0] == "Guide’s skirt"
    assert shelf["works"][0]["glance"]["says"] == "23 knife pleats, 210 cm into 70 cm"
    assert len(shelf["works"][0]["glance"]["stops"]) == 23
    assert [r["name"] for r in ask("GET", "/works?search=dome+valance")[1]["works"]] == ["Dome valance"]
    assert [r["name"] for r in ask("GET", "/works?search=CUFF+frill")[1]["works"]] == ["Nightgown cuff"]
    assert [r["name"] for r in ask("GET", "/works?sort=name")[1]["works"]] == sorted(names)
    page = ask("GET", "/works?offset=2&limit=2")[1]
    assert ([r["name"] for r in page["works"]], page["total"]) == (names[2:4], len(names))
    order = [row["key"] for row in shelf["works"]][::-1]
    _, mine = ask("POST", "/works/order", {"works": order})
    assert [row["key"] for row in mine["works"]] == order


def test_a_copy_starts_without_history(ask: Asked, skirt: dict[str, Any]) -> None:
    status, copy = ask("POST", f"/works/{skirt['key']}/duplicate")
    assert (status, copy["name"], copy["undo"]) == (201, "Guide’s skirt 2", None)
    assert copy["sections"][0]["spec"] == SPEC
    assert copy["sections"][0]["key"] != skirt["sections"][0]["key"]


@pytest.mark.parametrize(
    ("method", "tail", "body", "status", "path"),
    [
        ("PATCH", "", {"revision": 1, "name": "  "}, 422, "name"),
        ("PATCH", "", {"revision": 1, "name": "x" * 121}, 422, "name"),
        ("PATCH", "", {"name": "no revision"}, 422, "revision"),
        ("PATCH", "", {"revision": 1, "name": "a\x00b"}, 422, "name"),
        ("POST", "/order", {"revision": 1, "sections": []}, 422, "sections"),
        ("POST", "/sections", {"revision": 1, "name": "x", "spec": {"kind": "zigzag"}}, 422, "spec.kind"),
        ("PUT", "/sections/nosuch", {"revision": 1, "name": "x"}, 404, ""),
        ("DELETE", "/sections/nosuch?revision=1", None, 404, ""),
    ],
)
def test_bad_changes_are_refused_and_change_nothing(
    ask: Asked, skirt: dict[str, Any], method: str, tail: str, body: Any, status: int, path: str
) -> None:
    got, said = ask(method, f"/works/{skirt['key']}{tail}", body)
    assert (got, said["problems"][0]["path"]) == (status, path)
    assert said["problems"][0]["way_out"]
    assert ask("GET", f"/works/{skirt['key']}")[1] == skirt


def test_a_work_holds_so_many_pieces_and_says_so(ask: Asked) -> None:
    _, work = ask("POST", "/works", {"name": "Full", "sections": [{"name": "p", "spec": {"kind": "gather"}}] * 60})
    status, said = ask(
        "POST", f"/works/{work['key']}/sections", {"revision": 1, "name": "q", "spec": {"kind": "gather"}}
    )
    assert (status, said["problems"][0]["code"]) == (422, "full")


def test_there_is_no_such_work(ask: Asked) -> None:
    assert ask("GET", "/works/nosuch")[0] == 404


@pytest.mark.django_db
def test_writes_need_the_pages_own_token() -> None:
    client = Client(enforce_csrf_checks=True, SERVER_NAME="127.0.0.1")
    answer = client.post("/api/works", NEW, content_type="application/json")
    assert answer.status_code == 403
    assert answer.json()["problems"][0]["way_out"] == "load the page again"
    assert not Work.objects.exists()


def test_a_spec_of_a_later_version_is_not_guessed_at() -> None:
    nothing = dict.fromkeys(("start", "end", "join"), "0")
    assert current(SPEC, 1) == {**SPEC, "allowance": nothing}  # nothing was added for a seam then
    assert current({**SPEC, "allowance": {"end": "2"}}, 1)["allowance"] == {**nothing, "end": "2"}
    assert current(SPEC, 2) == SPEC
    with pytest.raises(ValueError, match="written by a later version"):
        current(SPEC, 99)


def test_the_list_shows_a_work_as_it_is_now(ask: Asked) -> None:
    """What it shows is reckoned once for the same work, and anew once its cloth, its pins or its thing are others."""
    work = ask("POST", "/works", {"name": "Apron", "sections": [{"name": "Front", "spec": SPEC}]})[1]
    key, piece = work["key"], work["sections"][0]["key"]

    def shown() -> tuple[str, str]:
        row = next(row for row in ask("GET", "/works")[1]["works"] if row["key"] == key)
        return row["glance"]["says"], row["glance"]["colour"]

    first = shown()
    assert shown() == first
    body = {"spec": {**SPEC, "pins": {**SPEC["pins"], "finished": "84 cm"}}, "revision": work["revision"]}
    work = ask("PUT", f"/works/{key}/sections/{piece}", body)[1]
    then = shown()
    assert "into 84 cm" in then[0]
    cloth = {"spec": {"usable": "138 cm", "colour": "#446688"}, "revision": work["revision"]}
    assert ask("PUT", f"/works/{key}/cloths/face", cloth)[0] == 200
    assert shown() == (then[0], "#446688")
