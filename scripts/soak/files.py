"""Hostile files of every kind."""

from __future__ import annotations

import random
import zipfile
from collections import Counter
from collections.abc import Callable
from io import BytesIO
from pathlib import Path

from scripts.soak.program import Program, pictures, some_keys


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


def files(chance: random.Random, goes_on: Callable[[], bool], data: Path) -> Counter[str]:
    """Hostile backups, open files, photographs, tables and drawings; counts what was refused, and what was half kept."""
    found: Counter[str] = Counter()
    program = Program(data / "files")
    keys = some_keys(program)
    shown = list(pictures())
    at = f"/works/{keys['key'][0]}"
    program.send(f"{at}/photographs", "photograph", "a.jpg", shown[0])
    good = program.ask("GET", "/backup")[1]
    file = program.ask("GET", f"{at}/file")[1]
    drawing = b'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><path d="M0 0 L5 5"/></svg>'
    kinds: list[tuple[str, Callable[[], tuple[int, bytes]]]] = [
        ("backup", lambda: program.send("/backup", "file", "b.zip", _harmed(chance, good))),
        ("backup inside", lambda: program.send("/backup", "file", "b.zip", _inside(chance, good))),
        ("file", lambda: program.send("/files", "file", "w.ribbon.json", _harmed(chance, file))),
        (
            "photograph",
            lambda: program.send(f"{at}/photographs", "photograph", "a", _harmed(chance, chance.choice(shown))),
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
