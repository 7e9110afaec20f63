"""Backups: every row and byte comes back, from every version; what does not hold together changes nothing and says why."""

from __future__ import annotations

import base64
import json
import os
import zlib
from collections.abc import Callable
from datetime import UTC, date, datetime, timedelta
from io import BytesIO
from pathlib import Path
from typing import Any
from zipfile import ZIP_DEFLATED, ZIP_LZMA, ZipFile

import pytest
from django.apps import apps
from django.conf import settings
from django.core.files.uploadedfile import SimpleUploadedFile
from django.db import OperationalError
from django.test import Client
from PIL import Image

from server.journal.demo import add_demo_works
from server.journal.models import Photograph
from server.keeping import backup, daily, kept
from server.keeping.rows import TABLES
from server.pictures import photographs
from server.shelf.demo import add_demo_cloths
from server.shelf.models import Cloth
from server.swatches.demo import add_demo_swatches
from server.wire import locks
from server.works.models import ChangeMade, HighWater, Ways, Work
from tests.conftest import alone

pytestmark = pytest.mark.django_db
Asked = Callable[..., tuple[int, Any]]
FIXTURES = Path(__file__).resolve().parents[1] / "fixtures"
HERE = Client(SERVER_NAME="127.0.0.1")


def send(data: bytes, name: str = "kept.zip") -> Any:
    return HERE.post("/api/backup", {"file": SimpleUploadedFile(name, data)})


def taken() -> bytes:
    return HERE.get("/api/backup").getvalue()  # type: ignore[attr-defined, no-any-return]


def everything() -> dict[str, Any]:
    """Every row of every table, and every photograph."""
    models = [
        model
        for app in ("works", "shelf", "swatches", "journal", "keeping")
        for model in apps.get_app_config(app).get_models()
    ]
    rows = {model.__name__: [repr(row) for row in model.objects.order_by("pk").values()] for model in models}
    files = {path.name: path.read_bytes() for path in photographs.folder().glob("*.jpg")}
    return {**rows, "files": files}


@pytest.fixture
def full(ask: Asked) -> dict[str, Any]:
    """A shelf with something in every table; gives back one of its works."""
    for path in photographs.folder().iterdir():
        path.unlink()
    add_demo_works()
    add_demo_cloths()
    add_demo_swatches()
    _, listed = ask("GET", "/works?limit=50")
    row = next(one for one in listed["works"] if one["name"] == "Star-party apron")
    _, work = ask("GET", f"/works/{row['key']}")
    for text in ("71", "72", "73"):
        spec = {**work["sections"][0]["spec"], "pins": {"finished": text}}
        at = f"/works/{row['key']}/sections/{work['sections'][0]['key']}"
        _, work = ask("PUT", at, {"revision": work["revision"], "spec": spec})
    _, work = ask("POST", f"/works/{row['key']}/undo", {"revision": work["revision"]})
    _, work = ask("PATCH", f"/works/{row['key']}/log", {"revision": work["revision"], "notes": "Steam ☕ first."})
    cloth = next(one for one in ask("GET", "/cloths")[1]["cloths"] if one["left"])
    assert (
        ask(
            "POST", f"/cloths/{cloth['key']}/take", {"revision": cloth["revision"], "length": "20 cm", "work": "Apron"}
        )[0]
        == 200
    )
    made = BytesIO()
    Image.effect_noise((640, 480), 80).convert("RGB").save(made, "PNG")
    photograph = SimpleUploadedFile("a.png", made.getvalue())
    assert (
        HERE.post(f"/api/works/{row['key']}/photographs", {"photograph": photograph, "says": "folds"}).status_code
        == 200
    )
    named = Client(SERVER_NAME="127.0.0.1", HTTP_IDEMPOTENCY_KEY="an-act-of-this-test")
    assert named.post("/api/works", json.dumps({"name": "Named"}), content_type="application/json").status_code == 201
    HighWater.objects.create(pk=1, revision=7)
    Ways.objects.create(pk=1, said={"unit": "in", "choices": {"lining": "tube"}}, revision=3)
    assert all(everything().values()), "a table is empty"
    return work


def test_every_table_and_file_comes_back_just_as_it_was(full: dict[str, Any]) -> None:
    before, whole = everything(), taken()
    assert send(whole).json()["works"] == 16
    assert everything() == before
    for table in reversed(TABLES.values()):
        table.model.objects.all().delete()
    for path in photographs.folder().iterdir():
        path.unlink()
    answer = send(whole)
    assert answer.json()["says"] == "16 works, 5 cloths and 1 photograph came back."
    assert everything() == before
    assert {
        name
        for name, model in ((m.__name__, m) for m in apps.get_models())
        if model._meta.app_label in ("works", "shelf", "swatches", "journal", "keeping")
    } == {table.model.__name__ for table in TABLES.values()}


def test_a_revision_is_never_used_twice(full: dict[str, Any], ask: Asked) -> None:
    kept = taken()
    at = f"/works/{full['key']}"
    _, seen = ask("PATCH", at, {"revision": full["revision"], "name": "Other"})
    send(kept)
    _, work = ask("GET", at)
    assert work["revision"] > seen["revision"]
    assert work["name"] == "Star-party apron"
    assert ask("PATCH", at, {"revision": seen["revision"], "purpose": "late"})[0] == 409
    assert (
        ask("PUT", f"{at}/sections/{work['sections'][0]['key']}", {"revision": seen["revision"], "name": "late"})[0]
        == 409
    )
    _, undone = ask("POST", f"{at}/undo", {"revision": work["revision"]})
    assert undone["log"]["notes"] == ""
    Work.objects.all().delete()
    HighWater.objects.update(revision=500)
    send(kept)
    assert ask("GET", at)[1]["revision"] == 501


@pytest.mark.parametrize("version", ["early", "version-1", "version-2", "version-2-differences"])
def test_backups_of_every_version_come_back(version: str, ask: Asked) -> None:
    answer = send((FIXTURES / version / "backup.zip").read_bytes())
    assert answer.json()["says"] == "9 works, 5 cloths and 1 photograph came back."
    row = next(one for one in ask("GET", "/works?limit=50")[1]["works"] if one["name"] == "Narrow-pleated skirt")
    _, work = ask("GET", f"/works/{row['key']}")
    assert (work["log"]["notes"], work["purpose"], work["undo"]) == (
        "Basted by daylight.", "For the autumn fair", "the correction of Skirt length",
    )  # fmt: skip
    _, log = ask("GET", f"/works/{row['key']}/log")
    assert len(log["checks"]) == 2
    assert (
        HERE.get(f"/api/photographs/{log['photographs'][0]['key']}").content
        == next((FIXTURES / version).glob("*.jpg")).read_bytes()
    )
    for says in ("the correction of Skirt length", "the purpose", "facing"):
        assert work["undo"] == says
        _, work = ask("POST", f"/works/{row['key']}/undo", {"revision": work["revision"]})
    assert work["undo"] in (None, "the notes of the log")  # which were no part of the history at first
    assert work["sections"][0]["spec"].get("facing") != "left"
    assert ask("POST", "/plan", alone(work))[0] == 200
    assert send(taken()).status_code == 200  # and once more as this version writes it


@pytest.mark.parametrize("version", ["early", "version-1", "version-2", "version-2-differences"])
def test_files_of_every_version_are_taken_in(version: str, ask: Asked) -> None:
    file = SimpleUploadedFile("w.ribbon.json", (FIXTURES / version / "work.ribbon.json").read_bytes())
    answer = HERE.post("/api/files", {"file": file})
    assert answer.status_code == 201
    assert answer.json()["log"]["notes"] == "Basted by daylight."
    assert ask("POST", "/plan", alone(answer.json()))[0] == 200


def test_a_file_whose_pieces_held_their_cloths_shares_what_was_the_same(ask: Asked) -> None:
    """One written when each piece held a cloth of its own: two of one drill, a pocket of another."""
    file = SimpleUploadedFile("w.ribbon.json", (FIXTURES / "version-2-differences" / "pieces.ribbon.json").read_bytes())
    work = HERE.post("/api/files", {"file": file}).json()
    assert {role: cloth["name"] for role, cloth in work["cloths"].items()} == {
        "face": "Apron drill",
        "face 2": "Gallery cotton",
    }
    assert [one["spec"].get("cloth", "face") for one in work["sections"]] == ["face", "face", "face 2"]
    made = ask("POST", "/cut", {"cloths": work["cloths"], "sections": work["sections"]})[1]
    # 119 in on cloth of 58 in between its selvedges is three widths; the pocket has no drop yet.
    assert {plan["role"]: sum("Apron skirt" in one["name"] for one in plan["placed"]) for plan in made["plans"]} == {
        "face": 3
    }


def changed(kept: bytes, table: str, edit: Callable[[list[Any]], Any], compress: int = ZIP_DEFLATED) -> bytes:
    """The backup with other rows in one table."""
    made = BytesIO()
    with ZipFile(BytesIO(kept)) as old, ZipFile(made, "w", compress) as new:
        for name in old.namelist():
            data = old.read(name)
            if name == f"rows/{table}.jsonl":
                rows = [json.loads(line) for line in data.splitlines()]
                found = edit(rows)
                data = found if isinstance(found, bytes) else b"\n".join(json.dumps(row).encode() for row in rows)
            new.writestr(name, data)
    return made.getvalue()


def put(**values: Any) -> Callable[[list[Any]], None]:
    return lambda rows: rows[0].update(values)


def deep(rows: list[Any]) -> bytes:
    return b'{"key":' + b"[" * 100_000


WRONG: list[tuple[str, Callable[[list[Any]], Any], str]] = [
    ("works.work", put(revision=2**63), "row 1 of works.work: revision"),
    ("works.work", put(revision=-5), "row 1 of works.work: revision"),
    ("works.work", put(revision=True), "row 1 of works.work: revision"),
    ("works.work", put(name=""), "row 1 of works.work: name"),
    ("works.work", put(extra=1), "row 1 of works.work: extra"),
    ("works.work", put(touched="9999-12-31T23:59:59Z"), "row 1 of works.work: touched"),
    ("works.work", put(touched="0001-01-01T00:00:00+14:00"), "row 1 of works.work: touched"),
    ("works.work", put(log={"notes": "x" * 9000}), "row 1 of works.work: log.notes"),
    ("works.section", lambda rows: rows.pop(), "works.section has 21 rows of 22"),
    ("shelf.cloth", lambda rows: rows.clear(), "shelf.cloth has 0 rows of 5"),
    ("works.work", lambda rows: rows.append(rows[0]), "row 17 of works.work: key is that of an earlier row"),
    ("works.section", put(version=99), "row 1 of works.section: version"),
    ("works.section", put(spec={"kind": "frill"}), "row 1 of works.section: spec.kind"),
    ("works.section", put(spec=[]), "row 1 of works.section: spec"),
    ("works.section", put(work_id="zzzzzzzzzz"), "row 1 of works.section: work_id zzzzzzzzzz is in no row of works.work"),
    ("works.change", put(difference=[{"at": ["name"], "from": "A", "to": "B"}]), "of works.change: it does not fit the work"),
    ("works.change", put(difference=[{"at": ["name"]}]), "row 1 of works.change: difference.0"),
    ("works.change", put(difference=[{"at": [], "from": 1, "to": 2}]), "of works.change"),
    ("works.change", lambda rows: rows.append({**rows[0], "id": 999, "number": 999, "work_id": "a" * 10}), "is in no row of"),
    ("works.change", put(undone="yes"), "row 1 of works.change: undone"),
    ("works.answered", put(body=base64.b64encode(zlib.compress(b"0" * 9_000_000)).decode()), "row 1 of works.answered"),
    ("shelf.cloth", put(spec={"usable": "wide"}), "row 1 of shelf.cloth: spec"),
    ("shelf.movement", put(length="much"), "row 1 of shelf.movement"),
    ("journal.place", put(at=-1), "row 1 of journal.place: at"),
    ("journal.check", put(version=0), "row 1 of journal.check: version"),
    ("journal.photograph", put(file="../../secret"), "row 1 of journal.photograph: file"),
    ("journal.photograph", put(file="nosuch"), "row 1 of journal.photograph: its picture is not in the backup"),
    ("journal.photograph", put(width=5), "row 1 of journal.photograph: its picture is 640 by 480 dots"),
    ("works.work", deep, "row 1 of works.work: this is nested more than 40 deep"),
    ("works.work", lambda rows: b'{"key":', "row 1 of works.work is not JSON"),
    ("works.work", lambda rows: b"0" * 30_000_000, "a row of works.work is too long"),
]  # fmt: skip


@pytest.mark.parametrize(
    ("table", "edit", "says"), WRONG, ids=[f"{number}-{one[0]}" for number, one in enumerate(WRONG)]
)
def test_what_does_not_hold_together_changes_nothing_and_says_which_row(
    full: dict[str, Any], table: str, edit: Callable[[list[Any]], Any], says: str
) -> None:
    kept = changed(taken(), table, edit)
    before = everything()
    answer = send(kept)
    assert answer.status_code == 422
    problem = answer.json()["problems"][0]
    assert says in problem["message"]
    assert problem["way_out"] == "choose another backup; nothing was changed"
    assert everything() == before


@pytest.mark.parametrize("at", [0.1, 0.3, 0.5, 0.7, 0.9])
@pytest.mark.parametrize("compress", [ZIP_DEFLATED, ZIP_LZMA])
def test_damaged_files_are_refused(full: dict[str, Any], at: float, compress: int) -> None:
    kept = bytearray(changed(taken(), "works.work", lambda rows: None, compress))
    place = int(len(kept) * at)
    kept[place : place + 40] = bytes(255 - byte for byte in kept[place : place + 40])
    before = everything()
    answer = send(bytes(kept))
    assert answer.status_code == 422
    assert everything() == before


def test_a_database_is_taken_from_nobody(full: dict[str, Any]) -> None:
    """The program makes such a backup before an update, and brings back its own alone."""
    made = BytesIO()
    about = {"format": "young-ribbon-backup", "version": 3, "rows": {}, "photographs": 0, "database": True}
    with ZipFile(made, "w") as file:
        file.writestr("about.json", json.dumps(about))
        file.writestr("ribbon.sqlite3", b"SQLite format 3\x00")
    answer = send(made.getvalue())
    assert (answer.status_code, answer.json()["problems"][0]["code"]) == (422, "before_update")


def test_another_picture_under_the_same_name_is_refused(full: dict[str, Any]) -> None:
    kept, made, other = taken(), BytesIO(), BytesIO()
    Image.new("RGB", (640, 480), (9, 9, 9)).save(other, "JPEG")
    with ZipFile(BytesIO(kept)) as old, ZipFile(made, "w") as new:
        for name in old.namelist():
            new.writestr(name, other.getvalue() if name.endswith(".jpg") else old.read(name))
    answer = send(made.getvalue())
    assert answer.status_code == 422
    assert "its picture is not the one that it names" in answer.json()["problems"][0]["message"]


def test_a_version_that_is_none_is_refused(full: dict[str, Any]) -> None:
    for version in (0, -1, True, "3", 2.0, None, 4, 2**70):
        made = BytesIO()
        with ZipFile(made, "w") as file:
            file.writestr("about.json", json.dumps({"format": "young-ribbon-backup", "version": version, "rows": {}}))
        answer = send(made.getvalue())
        assert answer.status_code == 422, version


def test_a_backup_says_its_size_before_it_is_made(full: dict[str, Any], ask: Asked) -> None:
    _, size = ask("GET", "/backup/size")
    assert size["says"].startswith("16 works, 5 cloths and 1 photograph: about ")
    assert ask("GET", "/backup/progress")[1]["doing"] == ""


def test_a_backup_that_cannot_be_read_back_is_none(full: dict[str, Any], monkeypatch: pytest.MonkeyPatch) -> None:
    def cut_short(path: Path, progress: Any) -> None:
        raise backup.NotWhole("cut short")

    monkeypatch.setattr(backup, "check", cut_short)
    answer = HERE.get("/api/backup")
    assert (answer.status_code, answer.json()["problems"][0]["code"]) == (422, "not_whole")
    assert list(settings.DATA.glob(".half-*")) == []


def test_a_restore_backs_up_first_and_the_list_brings_that_back(full: dict[str, Any], ask: Asked) -> None:
    kept = taken()
    ask("POST", "/works", {"name": "Made since"})
    send(kept)
    assert not Work.objects.filter(name="Made since").exists()
    _, listed = ask("GET", "/backups")
    made = next(one for one in listed["backups"] if one["why"] == "before a restore")
    assert made["says"] == "17 works, 5 cloths, 1 photograph"
    assert ask("POST", "/backup/restore", {"name": made["name"]})[0] == 200
    assert Work.objects.filter(name="Made since").exists()
    assert ask("POST", "/backup/restore", {"name": "../ribbon.sqlite3"})[0] == 404


def test_nothing_is_left_of_what_nothing_refers_to(full: dict[str, Any]) -> None:
    stray, half = photographs.folder() / "stray.jpg", photographs.folder() / ".half-12"
    stray.write_bytes(b"x")
    half.write_bytes(b"x")
    assert photographs.sweep(set(Photograph.objects.values_list("file", flat=True))) == 2
    assert [path.stem for path in photographs.folder().iterdir()] == [Photograph.objects.get().file]
    assert Cloth.objects.exists()
    assert ChangeMade.objects.exists()


def test_the_last_seven_days_and_four_sundays_stay(settings: Any, tmp_path: Path) -> None:
    settings.DATA = tmp_path
    first = date(2026, 1, 1)
    days = [first + timedelta(days=number) for number in range(60)]
    for day in days:
        path = kept.daily_path(day)
        path.write_bytes(b"x")
        moment = datetime(day.year, day.month, day.day, 12, tzinfo=UTC).timestamp()
        os.utime(path, (moment, moment))
    for number in range(8):
        (kept.folder() / f"young-ribbon-2026-01-0{number + 1}-120000-before-restore.zip").write_bytes(b"x")
    (kept.folder() / "of-my-own.zip").write_bytes(b"x")
    kept.prune()
    stay = {one.day for one in kept.kept() if one.why == "daily"}
    assert stay == {*days[-7:], *[day for day in days if day.isoweekday() == 7][-4:]}
    assert sum(one.why == "before-restore" for one in kept.kept()) == 5
    assert (kept.folder() / "of-my-own.zip").exists()


def test_the_days_own_backup_is_made_once(full: dict[str, Any], settings: Any, tmp_path: Path) -> None:
    settings.DATA = tmp_path
    assert daily.make_if_due() is True
    assert daily.make_if_due() is False
    assert [one.why for one in kept.kept()] == ["daily"]
    Work.objects.all().delete()
    Cloth.objects.all().delete()
    kept.daily_path(datetime.now().astimezone().date()).unlink()
    assert daily.make_if_due() is False  # there is nothing to keep


def test_a_days_backup_that_cannot_be_made_is_said(
    full: dict[str, Any], ask: Asked, monkeypatch: pytest.MonkeyPatch
) -> None:
    def no_room(*_: Any) -> None:
        raise OSError(28, "No space left on device")

    monkeypatch.setattr(kept, "kept", list)
    monkeypatch.setattr(backup, "write", no_room)
    assert daily.make_if_due() is False
    assert "No space left on device" in ask("GET", "/backups")[1]["failed"]
    (daily.settings.DATA / ".daily-failed").unlink()


def test_what_was_put_there_by_hand_is_offered_and_no_name_is_a_fault(
    full: dict[str, Any], ask: Asked, settings: Any, tmp_path: Path
) -> None:
    settings.DATA = tmp_path
    made = full and taken()
    names = ("young-ribbon-2026-11-30.zip", "young-ribbon-2026-11-30 (1).zip", "young-ribbon-2026-02-31-daily.zip")
    for name in names:
        (kept.folder() / name).write_bytes(made)
    _, told = ask("GET", "/backups")
    assert sorted(one["name"] for one in told["backups"]) == sorted(names[:2])
    assert {one["why"] for one in told["backups"]} == {"put here by hand"}
    assert kept.due(date(2026, 11, 30))
    kept.prune()
    assert len(kept.kept()) == 2
    assert ask("POST", "/backup/restore", {"name": names[1]})[0] == 200


def test_a_backup_that_could_not_come_back_is_kept_apart_and_said(
    full: dict[str, Any], ask: Asked, settings: Any, tmp_path: Path
) -> None:
    settings.DATA = tmp_path
    Cloth.objects.create(name="Lost", spec={"width": ["x"]}, touched=datetime.now(UTC))
    today = datetime.now().astimezone().date()
    assert not daily.make_if_due()
    assert "could not be brought back" in daily.last_failure()
    assert [one.why for one in kept.kept()] == ["unsound"]
    assert not kept.daily_path(today).exists()
    status, told = ask("GET", "/backup")
    assert (status, told["problems"][0]["code"]) == (422, "unsound")
    Cloth.objects.filter(name="Lost").delete()
    assert daily.make_if_due()
    assert sorted(one.why for one in kept.kept()) == ["daily", "unsound", "unsound"]


def test_one_backup_at_a_time(full: dict[str, Any], settings: Any) -> None:
    with (settings.DATA / ".keeping.asked").open("w") as asked:
        assert locks.taken(asked)
        answer = HERE.get("/api/backup")
        assert (answer.status_code, answer["Retry-After"]) == (429, "5")
    assert taken()


def test_a_full_disk_is_not_blamed_on_the_backup(full: dict[str, Any], monkeypatch: pytest.MonkeyPatch) -> None:
    made = taken()

    def no_room(*_: Any, **__: Any) -> None:
        raise OperationalError("database or disk is full")

    monkeypatch.setattr("server.keeping.restore._above", no_room)
    answer = send(made)
    assert answer.status_code == 422
    problem = answer.json()["problems"][0]
    assert problem["code"] == "full"
    assert "no room" in problem["message"]
    assert "Nothing was changed" in problem["message"]
