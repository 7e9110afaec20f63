"""Generated requests over all addresses."""

from __future__ import annotations

import json
import random
from collections import Counter
from collections.abc import Callable
from contextlib import suppress
from pathlib import Path
from typing import Any

from scripts.soak.program import Program, some_keys
from tests.browser.conftest import ROOT

MOST_CPU = 2.3  # s of a core; the guard's two, and how seldom it looks


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
    keys = some_keys(program)
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
        # A backup is made by a program of its own, whose start alone takes a second.
        took = program.cpu() - before if path != "/api/backup" else 0.0
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
