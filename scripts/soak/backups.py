"""Backups brought back, here and elsewhere, and killed on the way."""

from __future__ import annotations

import json
import random
import sqlite3
import threading
import time
import zipfile
from collections import Counter
from collections.abc import Callable
from contextlib import suppress
from functools import partial
from io import BytesIO
from pathlib import Path
from typing import Any
from urllib.error import URLError

from scripts.soak.program import Program, pictures, some_keys, words


def backups(chance: random.Random, goes_on: Callable[[], bool], data: Path) -> Counter[str]:
    """Backups brought back elsewhere and here; counts those that were not equal in every row and byte."""
    found: Counter[str] = Counter()
    program = Program(data / "backups")
    keys = some_keys(program)
    shown = list(pictures())
    while goes_on():
        for key in chance.sample(keys["key"][:-1], 3):
            work = program.told("GET", f"/works/{key}")
            program.told("PATCH", f"/works/{key}/log", {"revision": work["revision"], "notes": words(chance)})
            program.send(f"/works/{key}/photographs", "photograph", "a.jpg", chance.choice(shown))
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
    keys = some_keys(program)
    shown = list(pictures())
    at = f"/works/{keys['key'][0]}"
    program.send(f"{at}/photographs", "photograph", "a.jpg", shown[0])
    kept = program.ask("GET", "/backup")[1]
    while goes_on():
        program.told("POST", "/works", {"name": words(chance)})
        before = _contents(program)
        restoring = chance.random() < 0.6
        task = (
            partial(program.send, "/backup", "file", "b.zip", kept)
            if restoring
            else partial(program.send, f"{at}/photographs", "photograph", "a", chance.choice(shown))
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


def _sorted(spec: Any) -> str:
    return json.dumps(spec, sort_keys=True)


def _contents(program: Program) -> list[str]:
    held = sqlite3.connect(program.data / "ribbon.sqlite3")
    rows = held.execute("SELECT key, work_id, spec FROM works_section")
    found = sorted(repr((key, work, _sorted(json.loads(spec)))) for key, work, spec in rows)
    found += sorted(map(repr, held.execute("SELECT key, name FROM works_work")))
    held.close()
    return found


def _of_backup(kept: bytes) -> list[str]:
    with zipfile.ZipFile(BytesIO(kept)) as held:
        sections = [json.loads(line) for line in held.read("rows/works.section.jsonl").splitlines()]
        works = [json.loads(line) for line in held.read("rows/works.work.jsonl").splitlines()]
    found = sorted(repr((one["key"], one["work_id"], _sorted(one["spec"]))) for one in sections)
    found += sorted(repr((one["key"], one["name"])) for one in works)
    return found
