"""Starting the program: clear sentences, never a traceback."""

from __future__ import annotations

import json
import signal
import socket
import subprocess
import sys
import urllib.request
from concurrent.futures import ThreadPoolExecutor
from contextlib import suppress
from http.cookiejar import CookieJar
from io import BytesIO
from pathlib import Path
from typing import Any
from urllib.error import HTTPError

import pytest
from PIL import Image

from tests.browser.conftest import ROOT, end, serve


def got(address: str) -> Any:
    with urllib.request.urlopen(address, timeout=60) as answer:
        return json.loads(answer.read())


def started(*arguments: str) -> subprocess.CompletedProcess[str]:
    command = [sys.executable, "-m", "scripts.serve", *arguments]
    return subprocess.run(command, cwd=ROOT, capture_output=True, text=True, timeout=60, check=False)


def open_in(folder: Path) -> set[str]:
    """The files of a folder that any process of this user has open."""
    found = set()
    for link in Path("/proc").glob("[0-9]*/fd/*"):
        with suppress(OSError):  # it was closed meanwhile, or is somebody else's
            found.add(str(link.readlink()))
    return {name for name in found if name.startswith(str(folder))}


def test_what_has_ended_has_nothing_open(tmp_path: Path) -> None:
    works = tmp_path / "works"
    running, address = serve(works, "--demo")
    # The day's own backup is begun by itself, by a program that outlives nobody.
    while not any(name.endswith(".keeping.lock") for name in open_in(works)):
        assert got(f"{address}/api/backups")["backups"] == []
    end(running)
    assert open_in(works) == set()


@pytest.mark.parametrize("port", ["eighty", "0", "99999"])
def test_what_is_no_port_is_said(tmp_path: Path, port: str) -> None:
    ended = started("--data", str(tmp_path), "--port", port)
    assert ended.returncode == 1
    assert ended.stderr.startswith(f"PORT={port} is not a port")


def test_a_taken_port_is_said(tmp_path: Path) -> None:
    with socket.socket() as taken:
        taken.bind(("127.0.0.1", 0))
        taken.listen()
        ended = started("--data", str(tmp_path), "--port", str(taken.getsockname()[1]))
    assert ended.returncode == 1
    assert "is taken, perhaps by Young Ribbon itself" in ended.stderr
    assert "Traceback" not in ended.stderr


def test_a_folder_that_cannot_be_is_said(tmp_path: Path) -> None:
    (tmp_path / "file").write_text("x")
    ended = started("--data", str(tmp_path / "file" / "works"), "--port", "18999")
    assert ended.returncode == 1
    assert "The works cannot be kept in" in ended.stderr
    assert "Traceback" not in ended.stderr


def test_it_ends_cleanly_and_keeps_its_works_to_itself(tmp_path: Path) -> None:
    running, _ = serve(tmp_path / "works", "--demo")
    running.send_signal(signal.SIGINT)
    running.communicate(timeout=20)
    assert running.returncode == 0
    assert (tmp_path / "works").stat().st_mode & 0o077 == 0


def test_slow_and_half_sent_requests_keep_nobody_waiting(tmp_path: Path) -> None:
    running, address = serve(tmp_path / "works")
    port = int(address.rpartition(":")[2])
    body = b'{"kind": "knife", "pins": {"finished": "70 cm", "spacing": "3 cm"}}'
    head = b"POST /api/plan HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: application/json\r\nContent-Length: "
    begun = [b"", b"GET / HT", head, head + b"%d\r\n\r\n" % len(body), head + b"%d\r\n\r\n" % len(body) + body[:20]]
    slow = []
    for number in range(60):
        one = socket.create_connection(("127.0.0.1", port))
        one.sendall(begun[number % len(begun)])
        slow.append(one)
    for _ in range(20):
        with urllib.request.urlopen(f"{address}/api/works", timeout=5) as answer:
            assert answer.status == 200
    # What was begun is answered once it has come whole.
    slow[4].sendall(body[20:])
    assert slow[4].recv(12) == b"HTTP/1.1 200"
    for one in slow:
        one.close()
    end(running)


def test_many_at_once_are_all_answered_and_memory_stays(tmp_path: Path) -> None:
    running, address = serve(tmp_path / "works", "--demo")
    works = got(f"{address}/api/works")["works"]
    jar = CookieJar()
    page = urllib.request.build_opener(urllib.request.HTTPCookieProcessor(jar))
    page.open(address).close()
    cookie = next(f"{one.name}={one.value}" for one in jar)
    headers = {"Content-Type": "application/json", "Cookie": cookie, "X-CSRFToken": cookie.partition("=")[2]}

    def asked(path: str, body: Any, method: str) -> int:
        request = urllib.request.Request(address + path, json.dumps(body).encode(), headers, method=method)
        with urllib.request.urlopen(request, timeout=60) as answer:
            return int(answer.status)

    def planning(number: int) -> int:
        pins = {"count": 20 + number, "spacing": "3 cm"}
        return asked("/api/plan", {"kind": "knife", "pins": pins, "cloth": {"usable": "138 cm"}}, "POST")

    def saving(number: int) -> int:
        at = f"/api/works/{works[number % len(works)]['key']}"
        revision = got(address + at)["revision"]
        try:
            return asked(f"{at}/log", {"revision": revision, "notes": f"{number}"}, "PATCH")
        except HTTPError as error:
            with error:
                return error.code

    with ThreadPoolExecutor(50) as many:
        plans = [many.submit(planning, number) for number in range(60)]
        saves = [many.submit(saving, number) for number in range(24)]
        assert {one.result() for one in plans} == {200}
        assert {one.result() for one in saves} <= {200, 409}  # two to one work at the same moment are a disagreement
    place = Path(f"/proc/{running.pid}/task/{running.pid}/children")
    for child in place.read_text().split():
        held = Path(f"/proc/{child}/status").read_text().partition("VmHWM:")[2].split()[0]
        assert int(held) < 400 * 1024
    end(running)


def test_eight_photographs_at_once_leave_a_process_small(tmp_path: Path) -> None:
    running, address = serve(tmp_path / "works", "--demo")
    key = got(f"{address}/api/works")["works"][0]["key"]
    jar = CookieJar()
    page = urllib.request.build_opener(urllib.request.HTTPCookieProcessor(jar))
    page.open(address).close()
    cookie = next(f"{one.name}={one.value}" for one in jar)
    made = BytesIO()
    Image.radial_gradient("L").resize((5000, 5000)).convert("RGB").save(made, "JPEG")
    head = b'--e\r\nContent-Disposition: form-data; name="photograph"; filename="a.jpg"\r\n\r\n'
    body = head + made.getvalue() + b"\r\n--e--\r\n"
    kind = "multipart/form-data; boundary=e"
    headers = {"Content-Type": kind, "Cookie": cookie, "X-CSRFToken": cookie.partition("=")[2]}

    def sent(_: int) -> int:
        request = urllib.request.Request(f"{address}/api/works/{key}/photographs", body, headers)
        with urllib.request.urlopen(request, timeout=120) as answer:
            return int(answer.status)

    with ThreadPoolExecutor(8) as many:
        assert list(many.map(sent, range(8))) == [200] * 8
    for child in Path(f"/proc/{running.pid}/task/{running.pid}/children").read_text().split():
        held = Path(f"/proc/{child}/status").read_text().partition("VmHWM:")[2].split()[0]
        assert int(held) < 400 * 1024
    end(running)
