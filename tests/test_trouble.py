"""A data folder in trouble: a sentence and a page, never a traceback, never an empty shelf in its place."""

from __future__ import annotations

import gzip
import json
import shutil
import signal
import sqlite3
import stat
import subprocess
import sys
import urllib.request
from collections.abc import Callable
from contextlib import closing
from http.cookiejar import CookieJar
from pathlib import Path
from typing import Any
from urllib.error import HTTPError

import pytest
from django.conf import settings
from django.db import OperationalError
from playwright.sync_api import Browser, expect

from server.keeping.health import look, trouble_of
from tests.browser.conftest import ROOT, browser, demo_works, serve, served  # noqa: F401 - a fixture

FIXTURES = ROOT / "tests" / "fixtures"
DATABASE = "ribbon.sqlite3"


def get(address: str) -> tuple[int, Any]:
    try:
        with urllib.request.urlopen(address, timeout=30) as answer:
            return answer.status, json.loads(answer.read())
    except HTTPError as error:
        with error:
            return error.code, json.loads(error.read())


def asked(address: str, path: str, body: Any) -> tuple[int, Any]:
    """What a write of the page's own is answered with."""
    jar = CookieJar()
    page = urllib.request.build_opener(urllib.request.HTTPCookieProcessor(jar))
    page.open(address).close()
    token = next(cookie.value or "" for cookie in jar)
    headers = {"X-CSRFToken": token, "Content-Type": "application/json"}
    request = urllib.request.Request(address + path, json.dumps(body).encode(), headers)
    with page.open(request) as answer:
        return answer.status, json.loads(answer.read())


@pytest.fixture(scope="module")
def kept(tmp_path_factory: pytest.TempPathFactory) -> Path:
    """A data folder with the demo works and the day's own backup."""
    data = tmp_path_factory.mktemp("kept") / "data"
    shutil.copytree(demo_works(), data)
    with closing(sqlite3.connect(data / DATABASE)) as held:
        held.execute("PRAGMA wal_checkpoint(TRUNCATE)")  # all of it in the one file that is harmed
    return data


@pytest.fixture
def copy(kept: Path, tmp_path: Path) -> Path:
    data = tmp_path / "data"
    shutil.copytree(kept, data)
    return data


def _damage(data: Path) -> None:
    place = data / DATABASE
    found = bytearray(place.read_bytes())
    found[5000:30000] = bytes(255 - byte for byte in found[5000:30000])
    place.write_bytes(found)


def _replace(content: bytes | None) -> Callable[[Path], None]:
    def done(data: Path) -> None:
        for path in data.glob(f"{DATABASE}*"):
            path.unlink()
        if content is not None:
            (data / DATABASE).write_bytes(content)

    return done


def _later(data: Path) -> None:
    with sqlite3.connect(data / DATABASE) as held:
        held.execute("INSERT INTO django_migrations (app, name, applied) VALUES ('works', '0999_later', '2027-01-01')")
    held.close()


def _no_tables(data: Path) -> None:
    _replace(None)(data)
    with sqlite3.connect(data / DATABASE) as held:
        held.execute("CREATE TABLE other (id INTEGER)")
    held.close()


@pytest.mark.parametrize(
    ("harm", "kind", "says"),
    [
        (_damage, "damaged", "the database is damaged"),
        (_replace(b"not a database at all " * 100), "damaged", "the database is damaged"),
        (_replace(b""), "emptied", "the database is empty or missing"),
        (_replace(None), "emptied", "the database is empty or missing"),
        (_no_tables, "emptied", "the database is empty or missing"),
        (_later, "newer", "were written by a later version of this program"),
    ],
)
def test_what_is_wrong_is_said_and_no_empty_shelf_takes_its_place(
    copy: Path, harm: Callable[[Path], None], kind: str, says: str
) -> None:
    harm(copy)
    before = (copy / DATABASE).read_bytes() if (copy / DATABASE).exists() else None
    with served(copy) as address:
        status, body = get(f"{address}/api/works")
        assert (status, body["problems"][0]["code"]) == (503, kind)
        assert says in body["problems"][0]["message"]
        with pytest.raises(HTTPError) as page:
            urllib.request.urlopen(f"{address}/works/any")
        with page.value:
            assert says in page.value.read().decode()
    assert ((copy / DATABASE).read_bytes() if (copy / DATABASE).exists() else None) == before


def test_the_newest_backup_is_brought_back_from_the_page(copy: Path, browser: Browser) -> None:  # noqa: F811
    _damage(copy)
    with served(copy) as address:
        page = browser.new_page()
        page.goto(address)
        expect(page.get_by_role("alert")).to_contain_text("the database is damaged")
        expect(page.get_by_role("listitem").first).to_contain_text("the day’s own: 15 works, 5 cloths")
        page.get_by_role("button", name="Bring back").first.click()
        expect(page.get_by_role("link", name="Guide’s skirt")).to_be_visible()
        page.close()
    assert len(list(copy.glob(f"{DATABASE}.put-aside-*"))) >= 1  # for somebody who can read it


def test_a_locked_database_is_said_and_goes_on_by_itself(copy: Path) -> None:
    held = sqlite3.connect(copy / DATABASE, isolation_level=None)
    held.execute("BEGIN EXCLUSIVE")
    with served(copy) as address:
        assert get(f"{address}/api/works")[1]["problems"][0]["code"] == "locked"
        held.execute("ROLLBACK")
        held.close()
        while get(f"{address}/api/works")[0] != 200:
            continue


def test_the_second_server_of_a_folder_says_so_and_ends(copy: Path) -> None:
    with served(copy) as address:
        command = [sys.executable, "-m", "scripts.serve", "--data", str(copy), "--port", "18998"]
        ended = subprocess.run(command, cwd=ROOT, capture_output=True, text=True, timeout=60, check=False)
        assert ended.returncode == 1
        assert ended.stderr.strip() == f"Another Young Ribbon serves the works in {copy} already: look at {address}."
        assert get(f"{address}/api/works")[0] == 200


def test_an_emptied_key_is_refused(copy: Path) -> None:
    (copy / "secret-key").write_text("")
    command = [sys.executable, "-m", "scripts.serve", "--data", str(copy), "--port", "18997"]
    ended = subprocess.run(command, cwd=ROOT, capture_output=True, text=True, timeout=60, check=False)
    assert ended.returncode == 1
    assert "is empty or cut short: take that file away, and a new key is made." in ended.stderr
    assert "Traceback" not in ended.stderr


def test_a_folder_that_was_there_before_becomes_its_owners_alone(copy: Path) -> None:
    for path in (copy, *copy.rglob("*")):
        path.chmod(0o777 if path.is_dir() else 0o666)
    with served(copy) as address:
        assert get(f"{address}/api/works")[0] == 200
        for path in (copy, *copy.rglob("*")):
            assert stat.S_IMODE(path.stat().st_mode) == (0o700 if path.is_dir() else 0o600), path


@pytest.mark.parametrize("version", ["early", "version-1", "version-2", "version-2-differences"])
def test_databases_of_every_version_are_brought_up_to_date(version: str, tmp_path: Path) -> None:
    data = tmp_path / "data"
    (data / "photographs").mkdir(parents=True)
    (data / DATABASE).write_bytes(gzip.decompress((FIXTURES / version / f"{DATABASE}.gz").read_bytes()))
    picture = next((FIXTURES / version).glob("*.jpg"))
    shutil.copy(picture, data / "photographs")
    with served(data) as address:
        works = get(f"{address}/api/works?limit=50")[1]["works"]
        assert len(works) == 9
        key = next(one["key"] for one in works if one["name"] == "Narrow-pleated skirt")
        work, log = get(f"{address}/api/works/{key}")[1], get(f"{address}/api/works/{key}/log")[1]
        assert (work["log"]["notes"], work["undo"]) == ("Basted by daylight.", "the correction of Skirt length")
        assert len(log["checks"]) == 2
        with urllib.request.urlopen(f"{address}/api/photographs/{log['photographs'][0]['key']}") as answer:
            assert answer.read() == picture.read_bytes()
            assert answer.headers["Cache-Control"] == "private, max-age=31536000, immutable"
        backups = get(f"{address}/api/backups")[1]["backups"]
        before = next(one for one in backups if one["why"] == "before an update")
        assert before["says"] == "10 works, 5 cloths, 1 photograph"
        status, told = asked(address, "/api/backup/restore", {"name": before["name"]})
        assert (status, told["says"]) == (200, "9 works, 5 cloths and 1 photograph came back.")
        assert get(f"{address}/api/works/{key}")[1]["undo"] == "the correction of Skirt length"


def test_unknown_hosts_are_one_line_of_a_log(copy: Path) -> None:
    with served(copy) as address:
        for number in range(3):
            asked = urllib.request.Request(f"{address}/?typed={number}", headers={"Host": "elsewhere.example"})
            with pytest.raises(HTTPError) as refused:
                urllib.request.urlopen(asked)
            with refused.value:
                assert refused.value.code == 400
    said = "".join(path.read_text() for path in (copy / "logs").iterdir())
    assert said.count("a request for an unknown host was refused") == 3
    assert said.count("\n") == 3
    assert "typed" not in said


def test_a_killed_server_starts_again_at_once(copy: Path) -> None:
    running, _ = serve(copy)
    running.send_signal(signal.SIGKILL)
    running.communicate(timeout=20)
    with served(copy) as address:
        assert get(f"{address}/api/works")[0] == 200


@pytest.mark.parametrize(
    ("error", "kind"),
    [
        ("database disk image is malformed", "damaged"), ("file is not a database", "damaged"), ("disk I/O error", "disk"),
        ("attempt to write a readonly database", "read_only"), ("unable to open database file", "read_only"),
        ("database is locked", "locked"), ("database or disk is full", "full"), ("no such table: works_work", "emptied"),
    ],
)  # fmt: skip
def test_each_error_of_the_database_has_its_sentence(error: str, kind: str) -> None:
    found = trouble_of(OperationalError(error))
    assert found is not None
    assert found.kind == kind
    assert str(settings.DATA) in found.says


def test_an_error_of_something_else_says_nothing_of_the_file() -> None:
    assert trouble_of(OperationalError("near SELECT: syntax error")) is None
    assert look() is None or look().kind == "emptied"  # type: ignore[union-attr]
