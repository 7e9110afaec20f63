"""The program under load: started, asked, killed, looked into."""

from __future__ import annotations

import json
import os
import random
import signal
import sqlite3
import string
import subprocess
import sys
import urllib.request
from collections.abc import Iterator
from contextlib import suppress
from http.cookiejar import CookieJar
from io import BytesIO
from pathlib import Path
from typing import Any
from urllib.error import HTTPError

from PIL import Image

from tests.browser.conftest import ROOT, end, serve

TABLES = (
    "works_work", "works_section", "works_change", "works_highwater", "works_answered", "shelf_cloth", "shelf_movement",
    "journal_place", "journal_check", "journal_photograph",
)  # fmt: skip


class Program:
    """The program on a data folder, and a way to ask it."""

    def __init__(self, data: Path) -> None:
        self.data = data
        self.running, self.address = serve(data)
        self.jar = CookieJar()
        self.open = urllib.request.build_opener(urllib.request.HTTPCookieProcessor(self.jar))

    def ask(
        self, method: str, path: str, body: bytes | None = None, kind: str = "application/json"
    ) -> tuple[int, bytes]:
        """(the status, the answer)."""
        if not len(self.jar):
            self.open.open(f"{self.address}/").close()
        token = next(cookie.value or "" for cookie in self.jar if cookie.name == "csrftoken")
        headers = {"X-CSRFToken": token, **({"Content-Type": kind} if body is not None else {})}
        request = urllib.request.Request(f"{self.address}/api{path}", body, headers, method=method)
        try:
            with self.open.open(request, timeout=120) as answer:
                return answer.status, answer.read()
        except HTTPError as error:
            return error.code, error.read()

    def told(self, method: str, path: str, body: Any = None) -> Any:
        """The answer, read."""
        return json.loads(self.ask(method, path, None if body is None else json.dumps(body).encode())[1] or b"null")

    def send(self, path: str, name: str, file: str, data: bytes) -> tuple[int, bytes]:
        """A file sent as a form has it."""
        edge = "edge-of-a-part"
        head = f'--{edge}\r\nContent-Disposition: form-data; name="{name}"; filename="{file}"\r\n\r\n'
        body = head.encode() + data + f"\r\n--{edge}--\r\n".encode()
        return self.ask("POST", path, body, f"multipart/form-data; boundary={edge}")

    def cpu(self) -> float:
        """What its processes, and those that they ended, have taken of a core, in s."""
        found = 0
        for child in self.children():
            with suppress(OSError):
                found += sum(
                    int(part) for part in Path(f"/proc/{child}/stat").read_text().rpartition(")")[2].split()[11:15]
                )
        return found / os.sysconf("SC_CLK_TCK")

    def memory(self) -> float:
        """The most that one of its processes has held, in MB."""
        found = [0.0]
        for child in self.children():
            with suppress(OSError):
                said = Path(f"/proc/{child}/status").read_text()
                found.append(int(said.partition("VmHWM:")[2].split()[0]) / 1024)
        return max(found)

    def children(self) -> list[int]:
        """Its serving processes."""
        with suppress(OSError):
            place = Path(f"/proc/{self.running.pid}/task/{self.running.pid}/children")
            return [int(pid) for pid in place.read_text().split()]
        return []

    def kill(self) -> None:
        """End all of it at once."""
        for pid in [*self.children(), self.running.pid]:
            with suppress(ProcessLookupError):
                os.kill(pid, signal.SIGKILL)
        self.running.wait(20)

    def start_again(self) -> None:
        """Start it on the same port; it answers a little later."""
        port = self.address.rpartition(":")[2]
        command = [sys.executable, "-m", "scripts.serve", "--data", str(self.data), "--port", port]
        quiet = {**os.environ, "PYTHONWARNINGS": "ignore"}
        self.running = subprocess.Popen(command, cwd=ROOT, stdout=subprocess.DEVNULL, env=quiet)

    def end(self) -> None:
        """End it as Ctrl-C does."""
        end(self.running)

    def rows(self) -> dict[str, Any]:
        """Every row of every table, and every photograph."""
        held = sqlite3.connect(self.data / "ribbon.sqlite3")
        found: dict[str, Any] = {}
        for table in TABLES:
            columns = sorted(column[1] for column in held.execute(f"PRAGMA table_info({table})"))
            found[table] = sorted(map(repr, held.execute(f"SELECT {', '.join(columns)} FROM {table}")))
        held.close()
        found["photographs"] = {path.name: path.read_bytes() for path in (self.data / "photographs").glob("*.jpg")}
        return found


def words(chance: random.Random) -> str:
    return "".join(chance.choice(string.ascii_letters + "  é½") for _ in range(chance.randint(3, 30))).strip() or "x"


def some_keys(program: Program) -> dict[str, list[str]]:
    program.ask("POST", "/works/demo")
    works = program.told("GET", "/works?limit=50")["works"]
    cloth = program.told("POST", "/cloths", {"name": "Gallery cotton", "spec": {"width": "140 cm", "length": "9 m"}})
    first = program.told("GET", f"/works/{works[0]['key']}")
    return {
        "key": [one["key"] for one in works] + ["nosuch"],
        "section": [one["key"] for one in first["sections"]] + ["nosuch"],
        "cloths": [cloth["key"], "nosuch"],
    }


def pictures() -> Iterator[bytes]:
    for kind in ("JPEG", "PNG", "WEBP"):
        made = BytesIO()
        Image.effect_noise((300, 200), 60).convert("RGB").save(made, kind)
        yield made.getvalue()
