"""Saved works: acts that come twice, windows side by side, histories that end, works deleted for good."""

from __future__ import annotations

import json
from collections.abc import Callable
from datetime import timedelta
from typing import Any

import pytest
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client
from django.utils import timezone

from server.journal.models import Photograph
from server.shelf.models import Cloth
from server.swatches.models import BookSwatch
from server.works import history
from server.works.models import Answered, ChangeMade, HighWater, Work

pytestmark = pytest.mark.django_db
Asked = Callable[..., tuple[int, Any]]
SPEC = {"kind": "knife", "unit": "cm", "pins": {"finished": "70 cm", "spacing": "3 cm"}}


@pytest.fixture
def skirt(ask: Asked) -> dict[str, Any]:
    """A work of two pieces."""
    sections = [{"name": "Front", "spec": SPEC}, {"name": "Back", "spec": SPEC}]
    return ask("POST", "/works", {"name": "Skirt", "sections": sections})[1]  # type: ignore[no-any-return]


def named(name: str, method: str, address: str, body: Any = None) -> tuple[int, Any]:
    """As a request that has a name."""
    client = Client(SERVER_NAME="127.0.0.1", HTTP_IDEMPOTENCY_KEY=name)
    data = "" if body is None else json.dumps(body)
    answer = client.generic(method, f"/api{address}", data, content_type="application/json")
    return answer.status_code, json.loads(answer.content or b"null")


def typed(ask: Asked, work: dict[str, Any], piece: int, revision: int, width: str, **more: Any) -> tuple[int, Any]:
    at = f"/works/{work['key']}/sections/{work['sections'][piece]['key']}"
    return ask("PUT", at, {"revision": revision, "spec": {**SPEC, "pins": {"finished": width}}, **more})


def test_every_act_that_comes_again_is_done_once(ask: Asked, skirt: dict[str, Any]) -> None:
    at, piece = f"/works/{skirt['key']}", skirt["sections"][0]["key"]
    typed(ask, skirt, 0, 1, "71")
    acts: list[tuple[str, str, Any]] = [
        ("POST", f"{at}/undo", {"revision": 2}),
        ("POST", f"{at}/redo", {"revision": 3}),
        ("POST", f"{at}/sections", {"revision": 4, "name": "Band", "spec": SPEC}),
        ("POST", f"{at}/sections/{piece}/duplicate", {"revision": 5}),
        ("DELETE", f"{at}/sections/{piece}?revision=6", None),
        ("POST", f"{at}/unit", {"revision": 7, "unit": "in"}),
        ("PATCH", f"{at}/log", {"revision": 8, "notes": "Steam."}),
        ("POST", f"{at}/again", None),
        ("POST", f"{at}/duplicate", None),
        ("POST", "/works", {"name": "Another"}),
        ("POST", "/cloths", {"name": "Gallery cotton", "spec": {"width": "140 cm"}}),
    ]
    for number, (method, address, body) in enumerate(acts):
        first = named(f"act-number-{number}", method, address, body)
        assert first[0] in (200, 201), (address, first)
        works, changes = Work.objects.count(), ChangeMade.objects.count()
        assert named(f"act-number-{number}", method, address, body) == first
        assert (Work.objects.count(), ChangeMade.objects.count()) == (works, changes)
    assert ask("GET", at)[1]["revision"] == 9


def test_a_name_is_of_one_request_alone(ask: Asked, skirt: dict[str, Any]) -> None:
    named("the-same-name", "POST", "/works", {"name": "A"})
    status, body = named("the-same-name", "POST", f"/works/{skirt['key']}/duplicate")
    assert (status, body["problems"][0]["code"]) == (422, "bad_name")
    assert named("no!", "POST", "/works", {"name": "A"})[1]["problems"][0]["code"] == "bad_name"
    status, _ = named("refused-first", "POST", "/works", {"name": ""})
    assert status == 422
    assert named("refused-first", "POST", "/works", {"name": "B"})[0] == 201  # what was refused was not done


def test_what_was_answered_is_known_for_as_long_as_a_page_may_send_it_again(ask: Asked, skirt: dict[str, Any]) -> None:
    def change(number: int) -> tuple[int, Any]:
        body = {"name": f"Skirt {number}", "revision": number}
        return named(f"act-number-{number}", "PATCH", f"/works/{skirt['key']}", body)

    for number in range(1, 111):
        assert change(number)[0] == 200
    status, again = change(1)  # long ago: it is not done a second time, and answered as the work is now
    assert (status, again["name"], again["revision"]) == (200, "Skirt 110", 111)
    assert change(109)[1]["name"] == "Skirt 109"  # a moment ago: as it was answered then
    assert Answered.objects.count() == 110
    assert sum(bool(one.body) for one in Answered.objects.all()) == 100
    Answered.objects.update(at=timezone.now() - timedelta(days=100))
    named("one-more-act", "POST", "/works", {"name": "A"})
    assert Answered.objects.count() == 1


def test_words_from_a_word_processor_are_clean_in_every_file(ask: Asked) -> None:
    _, work = ask("POST", "/works", {"name": "Dome\u000bvalance\u0001", "sections": []})
    assert work["name"] == "Dome valance"
    file = Client(SERVER_NAME="127.0.0.1").get(f"/api/works/{work['key']}/file").content
    said = json.loads(file)
    for version in (1.0, True, "4", None):
        bad = json.dumps({**said, "version": version}).encode()
        answer = Client(SERVER_NAME="127.0.0.1").post("/api/files", {"file": SimpleUploadedFile("a.json", bad)})
        assert answer.status_code == 422
        assert answer.json()["problems"][0]["path"] == "version"
    marked = SimpleUploadedFile("a.json", b"\xef\xbb\xbf" + file)
    assert Client(SERVER_NAME="127.0.0.1").post("/api/files", {"file": marked}).status_code == 201


def test_a_row_that_cannot_be_read_keeps_no_list_from_being_shown(ask: Asked) -> None:
    _, cloth = ask("POST", "/cloths", {"name": "Guide wool", "unit": "cm", "spec": {"width": "140"}})
    Cloth.objects.create(name="Lost", spec={"width": ["x"], "more": 1}, touched=timezone.now())
    _, shelf = ask("GET", "/cloths")
    assert [one["key"] for one in shelf["cloths"]] == [cloth["key"]]
    assert [(one["name"], "more" in one["kept"]) for one in shelf["unreadable"]] == [("Lost", True)]
    BookSwatch.objects.create(cloth="Lost", kind="none", spec={"measured": 3}, touched=timezone.now())
    _, book = ask("GET", "/swatches")
    assert (len(book["swatches"]), len(book["unreadable"])) == (0, 1)
    for table in ("cloths", "swatches"):
        assert Client(SERVER_NAME="127.0.0.1").get(f"/api/{table}/table").status_code == 200
    Work.objects.create(name="Odd", cloths={"face": 3}, thing={"kind": 7}, touched=timezone.now())
    status, works = ask("GET", "/works")
    assert (status, [one["name"] for one in works["works"]]) == (200, ["Odd"])
    status, refused = ask("GET", f"/works/{works['works'][0]['key']}")
    assert (status, refused["problems"][0]["code"]) == (422, "unreadable")
    file = Client(SERVER_NAME="127.0.0.1").get(f"/api/works/{works['works'][0]['key']}/file")
    assert file.json()["work"]["thing"] == {"kind": 7}


@pytest.mark.parametrize("site", ["cross-site", "same-site"])
def test_another_site_has_nothing_of_the_program(site: str) -> None:
    client = Client(SERVER_NAME="127.0.0.1")
    for address in ("/api/backup", "/api/works", "/api/photographs/nothing"):
        assert client.get(address, headers={"sec-fetch-site": site}).status_code == 403
    assert client.get("/", headers={"sec-fetch-site": site, "accept": "text/html"}).status_code == 200


def test_an_address_that_is_none_is_told_as_a_page_to_whoever_looks_at_pages() -> None:
    client = Client(SERVER_NAME="127.0.0.1")
    for address in ("/nothing", "/works/aaaaaaaaaa/nowhere", "/cloth/1/2"):
        page = client.get(address, headers={"accept": "text/html"})
        assert (page.status_code, page["Content-Type"].split(";")[0]) == (404, "text/html")
        assert client.get(address).json()["problems"][0]["code"] == "not_found"


def test_two_windows_on_different_pieces_both_keep_what_they_typed(ask: Asked, skirt: dict[str, Any]) -> None:
    assert typed(ask, skirt, 0, 1, "71")[0] == 200
    status, work = typed(ask, skirt, 1, 1, "81")
    assert status == 200
    assert [one["spec"]["pins"]["finished"] for one in work["sections"]] == ["71", "81"]
    assert ask("PATCH", f"/works/{skirt['key']}/log", {"revision": 1, "notes": "A"})[0] == 200
    assert ask("PATCH", f"/works/{skirt['key']}/log", {"revision": 1, "faults": "B"})[0] == 200
    assert ask("PATCH", f"/works/{skirt['key']}/log", {"revision": 1, "notes": "C"})[0] == 409
    assert typed(ask, skirt, 0, 1, "72")[0] == 409
    assert typed(ask, skirt, 0, 1, "71")[0] == 200  # is so already
    for address, body in (("unit", {"unit": "in"}), ("seam", {"seam": "2 cm"}), ("undo", {})):
        assert ask("POST", f"/works/{skirt['key']}/{address}", {"revision": 1, **body})[0] == 409, address


def test_a_piece_that_was_taken_away_elsewhere_is_a_conflict_and_comes_back(ask: Asked, skirt: dict[str, Any]) -> None:
    at, piece = f"/works/{skirt['key']}", skirt["sections"][0]
    ask("DELETE", f"{at}/sections/{piece['key']}?revision=1")
    status, said = typed(ask, skirt, 0, 1, "71")
    assert status == 409
    mine = {"key": piece["key"], "name": "Front", "spec": {**SPEC, "pins": {"finished": "71"}}}
    body = {"revision": said["theirs"]["revision"], "keep": "mine", "sections": [mine]}
    status, work = ask("POST", f"{at}/settle", body)
    assert status == 200
    assert [one["key"] for one in work["sections"]] == [skirt["sections"][1]["key"], piece["key"]]


@pytest.mark.parametrize("keep", ["mine", "theirs"])
def test_of_two_versions_the_other_is_one_step_back(ask: Asked, skirt: dict[str, Any], keep: str) -> None:
    at, piece = f"/works/{skirt['key']}", skirt["sections"][0]["key"]
    typed(ask, skirt, 0, 1, "71")
    mine = {"key": piece, "name": "Front", "spec": {**SPEC, "pins": {"finished": "72"}}}
    body = {"revision": 2, "keep": keep, "sections": [mine], "log": {"notes": "Mine"}, "seam": ["2 cm"]}
    assert ask("POST", f"{at}/settle", {**body, "revision": 1})[0] == 409
    _, work = ask("POST", f"{at}/settle", body)
    found = {"mine": ("72", "Mine", {"seam": "2 cm"}), "theirs": ("71", "", None)}

    def state(work: dict[str, Any]) -> tuple[Any, ...]:
        spec = work["sections"][0]["spec"]
        return spec["pins"]["finished"], work["log"]["notes"], spec.get("allowance")

    assert state(work) == found[keep]
    _, undone = ask("POST", f"{at}/undo", {"revision": work["revision"]})
    assert state(undone) == found["theirs" if keep == "mine" else "mine"]


def test_a_work_deleted_elsewhere_is_said_to_be_and_can_be_put_back(ask: Asked, skirt: dict[str, Any]) -> None:
    at = f"/works/{skirt['key']}"
    assert ask("DELETE", f"{at}?revision=1")[0] == 200
    assert ask("DELETE", f"{at}?revision=1")[0] == 200  # its answer was lost
    status, said = typed(ask, skirt, 0, 1, "71")
    assert (status, said["theirs"]["deleted"]) == (409, True)
    assert "deleted elsewhere" in said["problems"][0]["message"]
    mine = {**skirt["sections"][0], "spec": {**SPEC, "pins": {"finished": "71"}}}
    _, work = ask("POST", f"{at}/settle", {"revision": said["theirs"]["revision"], "keep": "mine", "sections": [mine]})
    assert (work["deleted"], work["sections"][0]["spec"]["pins"]["finished"]) == (False, "71")


def test_a_history_ends_one_step_a_day_before_the_last_steps(
    ask: Asked, skirt: dict[str, Any], monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(history, "KEPT", 10)
    monkeypatch.setattr(history, "_SLACK", 5)
    work = skirt
    for number in range(40):
        _, work = typed(ask, skirt, 0, work["revision"], f"{number + 1}", field="pins.finished", run=f"a.{number}")
        # Four steps a day, a day long ago.
        ChangeMade.objects.filter(number=number + 1).update(at=timezone.now() - timedelta(days=200 - number // 4))
    folded = [change.says for change in ChangeMade.objects.all() if change.says.startswith("all changes of")]
    assert ChangeMade.objects.count() <= 15 + len(folded)
    assert 5 <= len(folded) <= 8
    seen = [work["sections"][0]["spec"]["pins"]["finished"]]
    while work["undo"]:
        _, work = ask("POST", f"/works/{skirt['key']}/undo", {"revision": work["revision"]})
        seen.append(work["sections"][0]["spec"]["pins"]["finished"])
    assert seen[:10] == [str(number) for number in range(40, 30, -1)]
    assert seen[-1] == "70 cm"
    while work["redo"]:
        _, work = ask("POST", f"/works/{skirt['key']}/redo", {"revision": work["revision"]})
    assert work["sections"][0]["spec"]["pins"]["finished"] == "40"


def test_a_change_takes_the_room_of_what_it_changes(ask: Asked, skirt: dict[str, Any]) -> None:
    long = "Steam, then press. " * 300
    ask("PATCH", f"/works/{skirt['key']}/log", {"revision": 1, "notes": long})
    ask("PATCH", f"/works/{skirt['key']}/log", {"revision": 2, "notes": long + "Again.", "run": "a.2"})
    assert len(json.dumps(ChangeMade.objects.get(number=2).difference)) < 120
    typed(ask, skirt, 0, 3, "71")
    assert len(json.dumps(ChangeMade.objects.get(number=3).difference)) < 300


def test_a_deleted_work_goes_for_good_on_asking_and_says_what_goes(ask: Asked, skirt: dict[str, Any]) -> None:
    at = f"/works/{skirt['key']}"
    _, work = ask("PATCH", f"{at}/log", {"revision": 1, "notes": "Steam."})
    assert ask("POST", f"{at}/discard")[0] == 404  # not deleted yet
    ask("DELETE", f"{at}?revision=2")
    assert ask("GET", f"{at}/remains")[1]["says"] == "With it go 2 pieces, 1 change and its log."
    assert Client(SERVER_NAME="127.0.0.1").post(f"/api{at}/discard").status_code == 204
    assert (Work.objects.count(), ChangeMade.objects.count(), Photograph.objects.count()) == (0, 0, 0)
    assert HighWater.objects.get().revision == work["revision"] + 1
    assert ask("GET", at)[0] == 404


def test_what_a_table_holds_is_no_formula_and_reads_back_the_same(ask: Asked) -> None:
    names = ["=1+1", "+cmd", "-cmd", "@sum", "'=quoted", "'tis", "plain, with a comma"]
    for name in names:
        assert ask("POST", "/cloths", {"name": name, "spec": {"width": "140 cm"}})[0] == 201
    table = Client(SERVER_NAME="127.0.0.1").get("/api/cloths/table").content.decode()
    cells = [line.split(",")[0].strip('"') for line in table.splitlines()[1:]]
    assert not any(cell.startswith(("=", "+", "-", "@")) for cell in cells)
    for row in ask("GET", "/cloths")[1]["cloths"]:
        Client(SERVER_NAME="127.0.0.1").delete(f"/api/cloths/{row['key']}?revision=1")
    assert ask("POST", "/cloths/table", {"text": table})[1]["added"] == len(names)
    assert sorted(row["name"] for row in ask("GET", "/cloths")[1]["cloths"]) == sorted(names)


def test_answers_say_that_no_cache_keeps_them(ask: Asked, skirt: dict[str, Any]) -> None:
    client = Client(SERVER_NAME="127.0.0.1")
    for address in ("/works", f"/works/{skirt['key']}", "/cloths", f"/works/{skirt['key']}/file"):
        assert client.get(f"/api{address}")["Cache-Control"] == "no-store"


@pytest.mark.parametrize(
    ("headers", "kind", "status"),
    [
        ({"HTTP_ORIGIN": "http://elsewhere.example"}, "application/json", 403),
        ({"HTTP_ORIGIN": "null"}, "application/json", 403),
        ({"HTTP_SEC_FETCH_SITE": "cross-site"}, "application/json", 403),
        ({"HTTP_ORIGIN": "http://127.0.0.1"}, "application/json", 200),
        ({}, "text/plain", 415),
        ({}, "application/x-www-form-urlencoded", 415),
        ({}, "application/json; charset=utf-8", 200),
    ],
)
def test_the_stateless_addresses_want_what_the_page_sends(headers: dict[str, str], kind: str, status: int) -> None:
    client = Client(SERVER_NAME="127.0.0.1")
    assert client.post("/api/plan", json.dumps(SPEC), content_type=kind, **headers).status_code == status  # type: ignore[arg-type]
