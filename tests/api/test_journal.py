"""The journal: checks kept and taken, the log, photographs, places at the table, the open file, backups."""

from __future__ import annotations

import json
from collections.abc import Callable
from io import BytesIO
from pathlib import Path
from typing import Any
from zipfile import ZipFile

import jsonschema
import pytest
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client
from PIL import Image

from server.journal.demo import add_demo_works
from server.journal.models import Check
from server.works.models import Work

pytestmark = pytest.mark.django_db
Asked = Callable[..., tuple[int, Any]]
SKIRT = {
    "kind": "knife", "unit": "cm", "pins": {"finished": "70 cm", "spacing": {"about": "3 cm"}}, "meet": True,
    "closed": True, "cloth": {"name": "Guide wool", "usable": "138 cm"},
}  # fmt: skip


def made(ask: Asked, name: str = "Skirt") -> dict[str, Any]:
    status, work = ask("POST", "/works", {"name": name, "sections": [{"name": "Length", "spec": SKIRT}]})
    assert status == 201
    return work  # type: ignore[no-any-return]


def check(ask: Asked, work: dict[str, Any], *measured: str, take: bool = False) -> tuple[int, Any]:
    body = {
        "section": work["sections"][0]["key"],
        "measured": list(measured),
        "take": take,
        "revision": work["revision"],
    }
    return ask("POST", f"/works/{work['key']}/checks", body)


def send(address: str, name: str, data: bytes, file: str = "a", **more: str) -> Any:
    client = Client(SERVER_NAME="127.0.0.1")
    return client.post(f"/api{address}", {name: SimpleUploadedFile(file, data), **more})


def test_a_check_taken_goes_into_the_plan_and_can_be_taken_back(ask: Asked) -> None:
    work = made(ask)
    status, after = check(ask, work, "71.2 cm", take=True)
    assert status == 200
    assert after["sections"][0]["spec"]["corrections"] == [{"by": "1.2 cm", "way": "in"}]
    assert after["undo"] == "the correction of Length"
    _, plan = ask("POST", "/plan", after["sections"][0]["spec"])
    assert plan["on_tape"]["finished"]["mm"] == 688
    assert plan["finished"]["mm"] == 700
    assert plan["flat"]["mm"] == 2100
    assert any(one["about"] == "correction" and "pleats" in one["text"] for one in plan["slip"])
    _, undone = ask("POST", f"/works/{work['key']}/undo", {"revision": after["revision"]})
    assert "corrections" not in undone["sections"][0]["spec"]
    assert _checks(ask, work) == []
    _, redone = ask("POST", f"/works/{work['key']}/redo", {"revision": undone["revision"]})
    assert redone["sections"][0]["spec"]["corrections"] == [{"by": "1.2 cm", "way": "in"}]
    assert _checks(ask, work) == [("1.2 cm", True)]


def _checks(ask: Asked, work: dict[str, Any]) -> list[tuple[str, bool]]:
    _, log = ask("GET", f"/works/{work['key']}/log")
    return [(one["off"]["text"], one["taken"]) for one in log["checks"]]


def test_a_mistyped_check_is_struck_with_what_it_put_into_the_plan(ask: Asked) -> None:
    _, once = check(ask, made(ask), "71.2", take=True)
    _, twice = check(ask, once, "69.4", take=True)
    _, log = ask("GET", f"/works/{once['key']}/log")
    address = f"/works/{once['key']}/checks/{log['checks'][0]['number']}?revision={twice['revision']}"
    status, struck = ask("DELETE", address)
    assert status == 200
    assert struck["sections"][0]["spec"]["corrections"] == [{"by": "0.6 cm", "way": "out"}]
    assert len(_checks(ask, once)) == 1
    _, rows = ask("GET", "/works")
    assert rows["works"][0]["next"] == "Check: baste by the new marks and measure again"
    ask("POST", f"/works/{once['key']}/undo", {"revision": struck["revision"]})
    assert len(_checks(ask, once)) == 2
    assert ask("DELETE", f"{address.partition('=')[0]}=1")[0] == 409
    assert ask("DELETE", f"/works/{once['key']}/checks/999999?revision=1")[0] == 404


TAPERED = {
    "kind": "knife", "unit": "cm", "pins": {"finished": "100", "count": "25", "depth": "2"}, "closed": True,
    "taper": {"finished": "72", "height": "20"},
}  # fmt: skip


def test_a_check_says_at_which_level_it_was_measured(ask: Asked) -> None:
    def told(measured: str, level: str) -> dict[str, Any]:
        return ask("POST", "/check", {"spec": TAPERED, "measured": [measured], "level": level})[1]  # type: ignore[no-any-return]

    assert told("72", "lower")["asks"] == "72 cm is nearer to the upper level (72 cm). Was it measured there?"
    assert told("99", "upper")["asks"] == "99 cm is nearer to the lower level (100 cm). Was it measured there?"
    assert told("101", "lower")["asks"] == ""
    upper = told("73", "upper")
    assert (upper["planned"]["mm"], upper["off"]["text"], upper["asks"]) == (720, "1 cm", "")
    _, work = ask("POST", "/works", {"name": "Skirt", "sections": [{"name": "Length", "spec": TAPERED}]})
    body = {"section": work["sections"][0]["key"], "measured": ["73"], "level": "upper", "revision": 1}
    assert ask("POST", f"/works/{work['key']}/checks", body)[0] == 200
    assert ask("POST", f"/works/{work['key']}/unit", {"unit": "in", "revision": 2})[0] == 200
    _, log = ask("GET", f"/works/{work['key']}/log")  # one log has one unit
    assert [(one["planned"]["text"], one["measured"]["text"]) for one in log["checks"]] == [("28 3/8 in", "≈28 3/4 in")]


def test_what_was_measured_on_the_way_stands_in_the_log(ask: Asked) -> None:
    thing = {"kind": "skirt", "unit": "cm", "measures": {"waist": "68", "hip": "94", "length": "60"}}
    thing["measures"] |= {"pleated_waist": "71"}
    _, work = ask("POST", "/works", {"name": "Skirt", "thing": thing, "cloths": {"face": {"usable": "138"}}})
    _, log = ask("GET", f"/works/{work['key']}/log")
    assert [(one["title"], one["measured"]) for one in log["on_the_way"]] == [("Its edge measures", "71")]
    assert "70 cm was planned" in log["on_the_way"][0]["says"]


def test_what_was_removed_comes_back_as_the_same_row(ask: Asked) -> None:
    work = made(ask)
    photograph = BytesIO()
    Image.new("RGB", (40, 30), "#a8484f").save(photograph, "PNG")
    log = send(f"/works/{work['key']}/photographs", "photograph", photograph.getvalue()).json()
    own = log["photographs"][0]["key"]
    assert ask("DELETE", f"/works/{work['key']}/photographs/{own}")[1]["photographs"] == []
    _, log = ask("POST", f"/works/{work['key']}/photographs/{own}/bring-back")
    assert [one["key"] for one in log["photographs"]] == [own]
    assert Client(SERVER_NAME="127.0.0.1").get(f"/api/photographs/{own}").status_code == 200
    _, cloth = ask("POST", "/cloths", {"name": "Guide wool", "unit": "cm", "spec": {"width": "140"}})
    gone = Client(SERVER_NAME="127.0.0.1").delete(f"/api/cloths/{cloth['key']}?revision={cloth['revision']}")
    assert gone.status_code == 204
    assert ask("GET", "/cloths")[1]["cloths"] == []
    assert ask("POST", f"/cloths/{cloth['key']}/bring-back")[1] == cloth
    assert ask("POST", "/cloths/nothing/bring-back")[0] == 404


def test_a_second_check_adds_to_the_first(ask: Asked) -> None:
    _, once = check(ask, made(ask), "71.2", take=True)
    _, twice = check(ask, once, "69.4", take=True)
    assert twice["sections"][0]["spec"]["corrections"] == [
        {"by": "1.2 cm", "way": "in"},
        {"by": "0.6 cm", "way": "out"},
    ]


def test_a_check_to_an_old_revision_is_told_and_not_kept(ask: Asked) -> None:
    work = made(ask)
    check(ask, work, "71.2", take=True)
    status, body = check(ask, work, "71.2", take=True)
    assert status == 409
    assert body["theirs"]["revision"] > work["revision"]
    assert Check.objects.count() == 1


@pytest.mark.parametrize(
    ("measured", "path", "way_out"),
    [
        (["0"], "measured.0", "measure it again"),
        (["70", "10 m"], "measured.1", "once more"),
        (["27.6"], "measured.0", "did you mean 27.6 in?"),
        (["", " "], "measured.0", "measure the basted edge"),
        (["wide"], "measured.0", ""),
    ],
)
def test_a_measure_that_cannot_be_is_a_sentence(ask: Asked, measured: list[str], path: str, way_out: str) -> None:
    for address, body in (("/check", {"spec": SKIRT, "measured": measured}),):
        status, told = ask("POST", address, body)
        assert status == 422
        assert told["problems"][0]["path"] == path
        assert way_out in told["problems"][0]["way_out"]
    status, _ = check(ask, made(ask), *measured)
    assert status == 422
    assert Check.objects.count() == 0


def test_what_a_cloth_usually_does_is_offered_as_its_turn(ask: Asked) -> None:
    for measured in ("71.15", "70.69"):  # half a millimetre a pleat, and three tenths
        check(ask, made(ask), measured)
    _, log = ask("GET", f"/works/{made(ask)['key']}/log")
    usual = log["usual"][0]
    assert usual["checks"] == 2
    assert [(one["work"], one["text"]) for one in usual["each"]] == [("Skirt", "0.05 cm"), ("Skirt", "0.03 cm")]
    assert usual["turn"] == {"by": "0.04 cm", "way": "wider"}
    status, plan = ask("POST", "/plan", {**SKIRT, "turn": usual["turn"]})
    assert status == 200
    # 23 pleats of 0.4 mm: taken in by nine divisions.
    assert plan["on_tape"]["finished"]["mm"] == 691


def test_what_a_piece_taught_is_offered_to_others_and_never_to_itself(ask: Asked) -> None:
    taught = made(ask)
    piece = taught["sections"][0]["key"]
    _, taught = check(ask, taught, "71.15", take=True)
    assert taught["sections"][0]["spec"]["corrections"]
    # It holds the correction already: a turn beside it would correct it twice.
    _, log = ask("GET", f"/works/{taught['key']}/log")
    assert piece not in log["usual"][0]["turns"]
    other = made(ask, "Another")
    _, log = ask("GET", f"/works/{other['key']}/log")
    assert log["usual"][0]["turns"][other["sections"][0]["key"]] == {"by": "0.05 cm", "way": "wider"}


def test_the_log_keeps_words_and_says_when_it_is_finished(ask: Asked) -> None:
    work = made(ask)
    _, answered = ask(
        "PATCH",
        f"/works/{work['key']}/log",
        {"revision": 1, "notes": "Press before basting.", "hours": "6 1/2", "finished": True},
    )
    assert (answered["undo"], answered["revision"]) == ("the log", 2)
    log = answered["log"]
    assert (log["notes"], log["hours"], log["cost"], log["finished"]) == ("Press before basting.", "6 1/2", "", True)
    status, body = ask("PATCH", f"/works/{work['key']}/log", {"revision": 2, "notes": "x" * 9000})
    assert (status, body["problems"][0]["path"]) == (422, "notes")


def photograph(size: tuple[int, int] = (60, 40)) -> bytes:
    made = BytesIO()
    exif = Image.Exif()
    exif[0x010E] = "where it was taken"
    Image.new("RGB", size, (20, 40, 90)).save(made, "JPEG", exif=exif)
    return made.getvalue()


def test_nothing_hidden_stays_in_a_photograph(ask: Asked, django_capture_on_commit_callbacks: Any) -> None:
    work = made(ask)
    hidden = photograph((2400, 1200)) + b"something after the end"
    log = send(f"/works/{work['key']}/photographs", "photograph", hidden, "front.jpg", says="The front").json()
    told = log["photographs"][0]
    assert (told["says"], told["width"], told["height"]) == ("The front", 1600, 800)
    data = Client(SERVER_NAME="127.0.0.1").get(f"/api/photographs/{told['key']}").content
    assert b"where it was taken" not in data
    assert b"something after" not in data
    assert not Image.open(BytesIO(data)).getexif()
    with django_capture_on_commit_callbacks(execute=True):
        _, after = ask("DELETE", f"/works/{work['key']}/photographs/{told['key']}")
    assert after["photographs"] == []
    assert Client(SERVER_NAME="127.0.0.1").get(f"/api/photographs/{told['key']}").status_code == 404


@pytest.mark.parametrize("data", [b"", b"GIF89a", b"<svg/>", photograph()[:200], b"\xff\xd8\xff" + b"\x00" * 50])
def test_a_photograph_that_is_none_is_a_sentence(ask: Asked, data: bytes) -> None:
    answer = send(f"/works/{made(ask)['key']}/photographs", "photograph", data, "x.jpg")
    assert answer.status_code == 422
    assert answer.json()["problems"][0]["path"].endswith("photograph")


def test_a_place_at_the_table_is_kept(ask: Asked) -> None:
    work = made(ask)
    piece = work["sections"][0]["key"]
    status, _ = ask("PUT", f"/works/{work['key']}/places/{piece}", {"at": 31, "nought": "end", "side": "WS"})
    assert status == 200
    _, places = ask("GET", f"/works/{work['key']}/places")
    assert places == [{"section": piece, "at": 31, "nought": "end", "side": "WS", "folded": 0}]
    assert ask("PUT", f"/works/{work['key']}/places/elsewhere", {"at": 1})[0] == 404


def test_every_demo_work_reads_back_to_itself_and_fits_the_schema(ask: Asked) -> None:
    client = Client(SERVER_NAME="127.0.0.1")
    schema = client.get("/api/ribbon.schema.json").json()
    fits = jsonschema.validators.validator_for(schema)(schema)
    for work in add_demo_works():
        file = client.get(f"/api/works/{work.key}/file").content
        fits.validate(json.loads(file))
        back = send("/files", "file", file, "a.ribbon.json")
        assert back.status_code == 201
        assert client.get(f"/api/works/{back.json()['key']}/file").json() == json.loads(file)


def test_the_published_schema_is_the_one_in_the_docs() -> None:
    kept = json.loads((Path(__file__).resolve().parents[2] / "docs" / "ribbon.schema.json").read_text())
    assert Client(SERVER_NAME="127.0.0.1").get("/api/ribbon.schema.json").json() == kept


def test_a_file_carries_checks_and_the_log(ask: Asked) -> None:
    work = made(ask)
    check(ask, work, "71.2", take=True)
    ask("PATCH", f"/works/{work['key']}/log", {"revision": 2, "notes": "Steam."})
    file = Client(SERVER_NAME="127.0.0.1").get(f"/api/works/{work['key']}/file").content
    back = send("/files", "file", file).json()
    _, log = ask("GET", f"/works/{back['key']}/log")
    assert (log["notes"], log["checks"][0]["off"]["text"]) == ("Steam.", "1.2 cm")


GOOD = {"format": "young-ribbon", "version": 1, "work": {"name": "W", "sections": [{"name": "A", "spec": SKIRT}]}}


@pytest.mark.parametrize(
    ("file", "path"),
    [
        (b"", "file"), (b"\x00\xff", "file"), (b"[1, 2", "file"), (b"[]", "format"), (b'{"format": "other"}', "format"),
        (json.dumps({**GOOD, "version": 7}).encode(), "version"),
        (json.dumps({**GOOD, "extra": 1}).encode(), "extra"),
        (json.dumps({**GOOD, "work": {"name": ""}}).encode(), "work.name"),
        (json.dumps({**GOOD, "work": {"name": "W", "sections": [{"name": "A", "spec": {"kind": "frill"}}]}}).encode(), "work.sections.0.spec.kind"),
        (b'{"a":' * 5000 + b"1" + b"}" * 5000, "file"),
        (b" " * (5 * 1024 * 1024), "file"),
    ],
)  # fmt: skip
def test_a_bad_file_is_told_with_its_paths_and_nothing_is_made(file: bytes, path: str) -> None:
    answer = send("/files", "file", file, "bad.ribbon.json")
    assert answer.status_code == 422
    assert answer.json()["problems"][0]["path"] in (path, f"file.{path}", f"file.file.{path}")
    assert not Work.objects.exists()


def test_everything_goes_into_one_file_and_comes_back(ask: Asked) -> None:
    work = made(ask)
    check(ask, work, "71.2", take=True)
    send(f"/works/{work['key']}/photographs", "photograph", photograph(), "front.jpg")
    client = Client(SERVER_NAME="127.0.0.1")
    before = client.get(f"/api/works/{work['key']}").json(), client.get(f"/api/works/{work['key']}/log").json()
    kept = client.get("/api/backup").getvalue()  # type: ignore[attr-defined]
    made(ask, "Another")
    told = send("/backup", "file", kept, "kept.zip").json()
    assert told["says"] == "1 work, 0 cloths and 1 photograph came back."
    assert (
        client.get(f"/api/works/{work['key']}").json(),
        client.get(f"/api/works/{work['key']}/log").json(),
    ) == before
    _, undone = ask("POST", f"/works/{work['key']}/undo", {"revision": before[0]["revision"]})
    assert "corrections" not in undone["sections"][0]["spec"]


def zipped(**files: bytes) -> bytes:
    data = BytesIO()
    with ZipFile(data, "w") as file:
        for name, content in files.items():
            file.writestr(name.replace("__", "."), content)
    return data.getvalue()


BACKUP = {"format": "young-ribbon-backup", "version": 1}


@pytest.mark.parametrize(
    "data",
    [
        b"", b"PK\x03\x04nothing", zipped(other=b"1"), zipped(everything__json=b"[1"), zipped(everything__json=b"{}"),
        zipped(everything__json=json.dumps({**BACKUP, "version": 4, "rows": []}).encode()),
        zipped(everything__json=json.dumps({**BACKUP, "rows": [{"model": "auth.user"}]}).encode()),
        zipped(everything__json=json.dumps({**BACKUP, "rows": [{"model": "works.work", "pk": "a", "fields": {"no": 1}}]}).encode()),
        zipped(everything__json=json.dumps({**BACKUP, "rows": [{"model": "works.section", "pk": "a", "fields": {"work": "gone", "position": 0, "name": "x", "spec": {}}}]}).encode()),
    ],
)  # fmt: skip
def test_what_is_no_backup_changes_nothing(ask: Asked, data: bytes) -> None:
    made(ask)
    answer = send("/backup", "file", data, "x.zip")
    assert answer.status_code == 422
    assert Work.objects.count() == 1
