"""Keeps at it for a while: kills, generated requests, hostile files, backups back and forth.  MINUTES says how long.

Prints what was done and what was lost, and ends with 1 where anything was.  Every run is another: its seed is printed,
and SEED= repeats it.
"""

from __future__ import annotations

import json
import os
import random
import signal
import sqlite3
import string
import subprocess
import sys
import tempfile
import threading
import time
import urllib.request
import zipfile
from collections import Counter
from collections.abc import Callable, Iterator
from contextlib import suppress
from functools import partial
from http.cookiejar import CookieJar
from io import BytesIO
from pathlib import Path
from typing import Any
from urllib.error import HTTPError, URLError

from PIL import Image
from playwright.sync_api import BrowserContext, Page, Playwright, expect, sync_playwright
from playwright.sync_api import Error as PageError

from tests.browser.conftest import ARGUMENTS, ROOT, end, serve

TABLES = (
    "works_work", "works_section", "works_change", "works_highwater", "works_answered", "shelf_cloth", "shelf_movement",
    "journal_place", "journal_check", "journal_photograph",
)  # fmt: skip
MOST_CPU = 2.3  # s of a core; the guard's two, and how seldom it looks


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


def until(minutes: float) -> Callable[[], bool]:
    """Says whether there is still time."""
    over = time.monotonic() + minutes * 60
    return lambda: time.monotonic() < over


def _words(chance: random.Random) -> str:
    return "".join(chance.choice(string.ascii_letters + "  é½") for _ in range(chance.randint(3, 30))).strip() or "x"


def _width(chance: random.Random) -> str:
    return f"{chance.randint(40, 240)}.{chance.randint(0, 9)}"


# Each kind of field: the step that it stands on, its role or label, what is typed.
FIELDS: dict[str, tuple[str, Callable[[Page], Any], Callable[[random.Random], str]]] = {
    "pin": ("Pleat", lambda page: page.get_by_label("Finished width", exact=True), _width),
    "notes": ("Log", lambda page: page.get_by_role("textbox", name="Notes", exact=True), _words),
    "faults": ("Log", lambda page: page.get_by_role("textbox", name="Faults", exact=True), _words),
    "hours": ("Log", lambda page: page.get_by_role("textbox", name="Hours", exact=True), _width),
    "measure": ("Check", lambda page: page.get_by_role("textbox", name="Measure", exact=True), _width),
    "cloth": ("Cloth", lambda page: page.get_by_label("Price", exact=True), _width),
}


def kills(chance: random.Random, goes_on: Callable[[], bool], data: Path) -> Counter[str]:
    """Types into every kind of field while server and browser are killed; counts what was typed, killed and lost."""
    found: Counter[str] = Counter()
    typed: dict[str, str] = {}
    program = Program(data / "works")
    work = program.told(
        "POST",
        "/works",
        {
            "name": "Skirt",
            "sections": [
                {
                    "name": "Length",
                    "spec": {"kind": "knife", "unit": "cm", "pins": {"finished": "70"}, "cloth": {"usable": "138"}},
                }
            ],
        },
    )
    profile = data / "browser"
    with sync_playwright() as playwright:
        context, page = _opened(playwright, profile, program.address, work["key"])
        while goes_on():
            name = chance.choice(list(FIELDS))
            step, place, text = FIELDS[name]
            try:
                page.get_by_role("navigation", name="Steps").get_by_role("button", name=step).click(timeout=10_000)
                typed[name] = text(chance)
                place(page).fill(typed[name], timeout=10_000)
                found["typed"] += 1
                # The moment that the browser takes to keep a keystroke, and no more.
                page.evaluate("() => new Promise(done => setTimeout(done, 60))")
            except PageError:
                found["not typed"] += 1
                typed.pop(name, None)
            harm = chance.random()
            if harm < 0.25:
                program.kill()
                found["server killed"] += 1
                again = [
                    *sys.argv[:0],
                    sys.executable,
                    "-m",
                    "scripts.serve",
                    "--data",
                    str(program.data),
                    "--port",
                    program.address.rpartition(":")[2],
                ]
                program.running = subprocess.Popen(
                    again, cwd=ROOT, stdout=subprocess.DEVNULL, env={**os.environ, "PYTHONWARNINGS": "ignore"}
                )
            if 0.15 < harm < 0.4:
                kill_browser(profile)
                found["browser killed"] += 1
                with suppress(PageError):
                    context.close()
                _until_it_answers(program)
                context, page = _opened(playwright, profile, program.address, work["key"])
                found["lost"] += _missing(page, typed)
        _until_it_answers(program)
        found["lost"] += _missing(page, typed)
        expect(page.get_by_text("Saved", exact=True)).to_be_visible(timeout=30_000)
        context.close()
    kept = program.told("GET", f"/works/{work['key']}")
    stored = {
        "pin": kept["sections"][0]["spec"]["pins"].get("finished"),
        **{one: kept["log"][one] for one in ("notes", "faults", "hours")},
    }
    found["lost on disk"] += sum(stored[name] != text for name, text in typed.items() if name in stored)
    program.end()
    return found


def _until_it_answers(program: Program) -> None:
    over = time.monotonic() + 60
    while time.monotonic() < over:
        with suppress(URLError, OSError):
            if program.ask("GET", "/works")[0] == 200:
                return
        time.sleep(0.1)
    raise AssertionError("the program did not come back")


def _opened(playwright: Playwright, profile: Path, address: str, work: str) -> tuple[BrowserContext, Page]:
    context = playwright.chromium.launch_persistent_context(
        str(profile), executable_path="/usr/bin/chromium", args=ARGUMENTS, base_url=address
    )
    page = context.pages[0]
    page.goto(f"/works/{work}")
    page.get_by_role("navigation", name="Steps").wait_for(timeout=30_000)
    return context, page


def kill_browser(profile: Path) -> None:
    """End every process of the browser that keeps its things in that folder, at once."""
    for place in Path("/proc").iterdir():
        if place.name.isdigit():
            with suppress(OSError):
                if str(profile).encode() in (place / "cmdline").read_bytes():
                    os.kill(int(place.name), signal.SIGKILL)


def _missing(page: Page, typed: dict[str, str]) -> int:
    lost = 0
    for name, text in typed.items():
        step, place, _ = FIELDS[name]
        page.get_by_role("navigation", name="Steps").get_by_role("button", name=step).click()
        try:
            field = place(page)
            field.focus(timeout=10_000)  # a pin says what was typed while it is in hand
            expect(field).to_have_value(text, timeout=10_000)
        except (AssertionError, PageError):
            lost += 1
            print(f"  lost: {name} was {text!r}")
    return lost


def _values(chance: random.Random, schema: dict[str, Any], parts: dict[str, Any], depth: int = 0) -> Any:
    """Something like what a schema wants, and now and then nothing like it."""
    if chance.random() < 0.04:
        return chance.choice([None, True, -1, 2**63, "", "x" * 13_000, [], {}, [[]], "½", "1e999", "\x00", 0.1])
    if "$ref" in schema:
        return _values(chance, parts[schema["$ref"].rpartition("/")[2]], parts, depth + 1)
    if "anyOf" in schema:
        return _values(chance, chance.choice(schema["anyOf"]), parts, depth + 1)
    if "enum" in schema:
        return chance.choice(schema["enum"])
    if "const" in schema:
        return schema["const"]
    kind = schema.get("type")
    if kind == "object":
        needed = set(schema.get("required", ()))
        likely = 0.5 if depth < 3 else 0.15
        return {
            name: _values(chance, inner, parts, depth + 1)
            for name, inner in schema.get("properties", {}).items()
            if name in needed or chance.random() < likely
        }
    if kind == "array":
        return [
            _values(chance, schema.get("items", {}), parts, depth + 1) for _ in range(chance.choice([0, 1, 1, 2, 5]))
        ]
    if kind == "boolean":
        return chance.random() < 0.5
    if kind in ("integer", "number"):
        return chance.choice([0, 1, 2, 3, 24, 400, 20_000, schema.get("maximum", 7)])
    unit = chance.choice(["", " cm", " mm", " in", " m", " yd", '"'])
    return chance.choice(
        [
            f"{chance.choice([1, 2, 3, 7, 30, 70, 138, 700, 20_000])}{unit}",
            f"{chance.randint(1, 99)} 1/2{unit}",
            "0.001 mm",
            "9000 m",
            "2",
            "about 3",
        ]
    )


def requests(chance: random.Random, goes_on: Callable[[], bool], data: Path) -> Counter[str]:
    """Generated requests over all addresses; counts statuses, faults, and what took more than its two seconds."""
    found: Counter[str] = Counter()
    program = Program(data / "requests")
    description = json.loads((ROOT / "docs" / "openapi.json").read_text(encoding="utf-8"))
    parts = description["components"]["schemas"]
    asked = [
        (method.upper(), path, said)
        for path, methods in description["paths"].items()
        for method, said in methods.items()
        if "application/json" in said.get("requestBody", {}).get("content", {}) or method in ("get", "delete")
    ]
    keys = _some_keys(program)
    while goes_on():
        method, path, said = chance.choice(asked)
        if path == "/api/backup/restore":
            continue
        real = path.removeprefix("/api")
        for name in ("key", "section", "photograph", "name"):
            choices = keys["cloths"] if "/cloths/" in path and name == "key" else keys.get(name, ["nosuch"])
            real = real.replace(f"{{{name}}}", chance.choice(choices))
        if method == "DELETE":
            real += f"?revision={chance.randint(0, 3)}"
        body = None
        if "requestBody" in said:
            schema = said["requestBody"]["content"]["application/json"]["schema"]
            with suppress(ValueError):
                body = json.dumps(_values(chance, schema, parts)).encode()
        before = program.cpu()
        status, answer = program.ask(method, real, body)
        took = program.cpu() - before
        found[f"{status // 100}xx"] += 1
        found["asked"] += 1
        if status >= 500:
            found["faults"] += 1
            print(f"  fault: {method} {real} {body!r:.400} {answer!r:.200}")
        if took > MOST_CPU:
            found["too long"] += 1
            print(f"  took {took:.1f} s: {method} {real} {body!r:.400}")
    found["most MB"] = int(program.memory())
    program.end()
    return found


def _some_keys(program: Program) -> dict[str, list[str]]:
    program.ask("POST", "/works/demo")
    works = program.told("GET", "/works?limit=50")["works"]
    cloth = program.told("POST", "/cloths", {"name": "Gallery cotton", "spec": {"width": "140 cm", "length": "9 m"}})
    first = program.told("GET", f"/works/{works[0]['key']}")
    return {
        "key": [one["key"] for one in works] + ["nosuch"],
        "section": [one["key"] for one in first["sections"]] + ["nosuch"],
        "cloths": [cloth["key"], "nosuch"],
    }


def _harmed(chance: random.Random, data: bytes) -> bytes:
    """The same bytes with some of them changed, taken out, doubled or cut off."""
    found = bytearray(data)
    for _ in range(chance.choice([1, 1, 3, 20])):
        at = chance.randrange(max(1, len(found)))
        match chance.randrange(4):
            case 0:
                found[at : at + 1] = bytes([chance.randrange(256)])
            case 1:
                del found[at : at + chance.randrange(1, 200)]
            case 2:
                found[at:at] = found[at : at + chance.randrange(1, 200)]
            case _:
                del found[at + 1 :]
    return bytes(found)


def _inside(chance: random.Random, data: bytes) -> bytes:
    """A backup whose zip is sound and whose contents are not."""
    made = BytesIO()
    with zipfile.ZipFile(BytesIO(data)) as old, zipfile.ZipFile(made, "w", zipfile.ZIP_DEFLATED) as new:
        chosen = chance.choice(old.namelist())
        for name in old.namelist():
            content = old.read(name)
            new.writestr(name, _harmed(chance, content) if name == chosen else content)
    return made.getvalue()


def _pictures() -> Iterator[bytes]:
    for kind in ("JPEG", "PNG", "WEBP"):
        made = BytesIO()
        Image.effect_noise((300, 200), 60).convert("RGB").save(made, kind)
        yield made.getvalue()


def files(chance: random.Random, goes_on: Callable[[], bool], data: Path) -> Counter[str]:
    """Hostile backups, open files, photographs, tables and drawings; counts what was refused, and what was half kept."""
    found: Counter[str] = Counter()
    program = Program(data / "files")
    keys = _some_keys(program)
    pictures = list(_pictures())
    at = f"/works/{keys['key'][0]}"
    program.send(f"{at}/photographs", "photograph", "a.jpg", pictures[0])
    good = program.ask("GET", "/backup")[1]
    file = program.ask("GET", f"{at}/file")[1]
    drawing = b'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><path d="M0 0 L5 5"/></svg>'
    kinds: list[tuple[str, Callable[[], tuple[int, bytes]]]] = [
        ("backup", lambda: program.send("/backup", "file", "b.zip", _harmed(chance, good))),
        ("backup inside", lambda: program.send("/backup", "file", "b.zip", _inside(chance, good))),
        ("file", lambda: program.send("/files", "file", "w.ribbon.json", _harmed(chance, file))),
        (
            "photograph",
            lambda: program.send(f"{at}/photographs", "photograph", "a", _harmed(chance, chance.choice(pictures))),
        ),
        ("drawing", lambda: program.send("/plotter", "drawing", "d.svg", _harmed(chance, drawing))),
    ]
    while goes_on():
        kind, send = chance.choice(kinds)
        before = program.rows()
        status, answer = send()
        found[f"{kind} {status}"] += 1
        if status >= 500:
            found["faults"] += 1
            print(f"  fault: {kind}: {answer!r:.300}")
        if status >= 400 and program.rows() != before:
            found["half kept"] += 1
        if list(program.data.glob(".half-*")) or list((program.data / "photographs").glob(".half-*")):
            found["left behind"] += 1
    found["most MB"] = int(program.memory())
    program.end()
    return found


def backups(chance: random.Random, goes_on: Callable[[], bool], data: Path) -> Counter[str]:
    """Backups brought back elsewhere and here; counts those that were not equal in every row and byte."""
    found: Counter[str] = Counter()
    program = Program(data / "backups")
    keys = _some_keys(program)
    pictures = list(_pictures())
    while goes_on():
        for key in chance.sample(keys["key"][:-1], 3):
            work = program.told("GET", f"/works/{key}")
            program.told("PATCH", f"/works/{key}/log", {"revision": work["revision"], "notes": _words(chance)})
            program.send(f"/works/{key}/photographs", "photograph", "a.jpg", chance.choice(pictures))
            if chance.random() < 0.5:
                program.told("POST", f"/works/{key}/undo", {"revision": work["revision"] + 1})
        kept, before = program.ask("GET", "/backup")[1], program.rows()
        other = Program(data / f"other-{found['brought back']}")
        status, _ = other.send("/backup", "file", "b.zip", kept)
        found["brought back"] += 1
        found["not equal"] += status != 200 or other.rows() != before
        other.end()
    program.end()
    return found


def halves(chance: random.Random, goes_on: Callable[[], bool], data: Path) -> Counter[str]:
    """Kills the program while a backup comes back and while photographs come in; counts what was left half done."""
    found: Counter[str] = Counter()
    program = Program(data / "halves")
    keys = _some_keys(program)
    pictures = list(_pictures())
    at = f"/works/{keys['key'][0]}"
    program.send(f"{at}/photographs", "photograph", "a.jpg", pictures[0])
    kept = program.ask("GET", "/backup")[1]
    while goes_on():
        program.told("POST", "/works", {"name": _words(chance)})
        before = _contents(program)
        restoring = chance.random() < 0.6
        task = (
            partial(program.send, "/backup", "file", "b.zip", kept)
            if restoring
            else partial(program.send, f"{at}/photographs", "photograph", "a", chance.choice(pictures))
        )
        sender = threading.Thread(target=_in_vain, args=(task,))
        sender.start()
        time.sleep(chance.uniform(0.0, 2.5))
        program.kill()
        sender.join()
        program = Program(program.data)
        found["killed"] += 1
        after = _contents(program)
        named = program.rows()["journal_photograph"]
        whole = {name: data for name, data in program.rows()["photographs"].items() if name[:-4] in repr(named)}
        found["half kept"] += len(whole) != len(program.rows()["photographs"])
        found["broken pictures"] += sum(not data.endswith(b"\xff\xd9") for data in whole.values())
        found["left behind"] += len(list(program.data.glob(".half-*"))) + len(list(program.data.glob(".held-*")))
        if restoring:
            found["came back"] += after != before
            found["neither nor"] += after not in (before, _of_backup(kept))
        program.send("/backup", "file", "b.zip", kept)
    program.end()
    return found


def _in_vain(task: Callable[[], object]) -> None:
    with suppress(OSError, URLError, ConnectionError, StopIteration):
        task()


def _contents(program: Program) -> list[str]:
    held = sqlite3.connect(program.data / "ribbon.sqlite3")
    found = sorted(map(repr, held.execute("SELECT key, work_id, spec FROM works_section")))
    found += sorted(map(repr, held.execute("SELECT key, name FROM works_work")))
    held.close()
    return found


def _of_backup(kept: bytes) -> list[str]:
    with zipfile.ZipFile(BytesIO(kept)) as held:
        sections = [json.loads(line) for line in held.read("rows/works.section.jsonl").splitlines()]
        works = [json.loads(line) for line in held.read("rows/works.work.jsonl").splitlines()]
    found = sorted(repr((one["key"], one["work_id"], json.dumps(one["spec"], ensure_ascii=False))) for one in sections)
    found += sorted(repr((one["key"], one["name"])) for one in works)
    return found


PARTS = {"kills": kills, "halves": halves, "requests": requests, "files": files, "backups": backups}


def soak(minutes: float, seed: int) -> bool:
    """Whether nothing was lost, nothing failed and nothing took too long, in so many minutes."""
    right = True
    for name, part in PARTS.items():
        with tempfile.TemporaryDirectory(prefix="young-ribbon-soak-") as place:
            found = part(random.Random(f"{seed} {name}"), until(minutes / len(PARTS)), Path(place))
        print(f"{name}: {', '.join(f'{count} {what}' for what, count in sorted(found.items()))}", flush=True)
        bad = (
            "lost",
            "lost on disk",
            "faults",
            "too long",
            "half kept",
            "left behind",
            "not equal",
            "broken pictures",
            "neither nor",
        )
        right = right and not any(found[one] for one in bad)
    return right


if __name__ == "__main__":
    chosen = int(os.environ.get("SEED", time.time_ns() % 1_000_000))
    print(f"SEED={chosen}", flush=True)
    sys.exit(0 if soak(float(os.environ.get("MINUTES", "8")), chosen) else 1)
