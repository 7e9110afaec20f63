"""The open file: one work out and in, as documented JSON.  A bad file is told problem by problem, and nothing of it goes in."""

from __future__ import annotations

from typing import Any

import orjson
from django.db import transaction
from pydantic import ValidationError

from ribbon.errors import Problem, Refusal, refuse
from server.journal.models import Check
from server.journal.schema import OpenFile
from server.swatches import services as swatches
from server.wire.json import read_typed
from server.wire.problems import from_schema
from server.works import services as works
from server.works.cloths import housed
from server.works.models import Work
from server.works.versions import CURRENT, current

MOST_BYTES = 4 * 1024 * 1024
FORMAT, VERSION = "young-ribbon", CURRENT


def schema() -> dict[str, Any]:
    """The JSON Schema of the open file."""
    return OpenFile.model_json_schema()


def open_file_of(key: str) -> tuple[bytes, str]:
    """(the file of a work, its name)."""
    work = works.find(key)
    kept = works.document(work)
    order = [section["key"] for section in kept["sections"]]
    file = {
        "format": FORMAT,
        "version": VERSION,
        "work": {
            "name": kept["name"],
            "purpose": kept["purpose"],
            "cloths": kept["cloths"],
            "thing": kept["thing"],
            "sections": [{"name": one["name"], "spec": one["spec"]} for one in kept["sections"]],
            "swatches": [
                {"key": one.key, "cloth": one.cloth, "kind": one.kind, "unit": one.unit, "spec": one.spec}
                for one in swatches.named({str(section["spec"].get("swatch") or "") for section in kept["sections"]})
            ],
            "checks": [
                {
                    "piece": order.index(one.section) if one.section in order else -1,
                    "name": one.name,
                    "at": one.at.isoformat(),
                    "measured": one.measured,
                    "spec": one.spec,
                    "level": one.level,
                    "taken": one.taken,
                }
                for one in work.checks.filter(struck=False)
            ],
            "log": {**works.LOG, **work.log},
        },
    }
    name = "".join(c if c.isalnum() and c.isascii() else "-" for c in work.name.lower()).strip("-")[:60] or "work"
    return orjson.dumps(file, option=orjson.OPT_INDENT_2), f"{name}.ribbon.json"


def fits(size: int, name: str) -> None:
    """Raises `Refusal` for a file too large to be a work."""
    if size > MOST_BYTES:
        said = f"{size / 1e6:.0f} MB"
        raise refuse(
            "too_large",
            "file",
            name,
            f"a work is never as large as {said}",
            "choose a .ribbon.json file of less than 4 MB",
        )


def read_file(data: bytes, name: str) -> OpenFile:
    """The file, checked whole.  Raises `Refusal` with every problem and its path."""
    fits(len(data), name)
    try:
        said = read_typed(data)
    except Refusal as refusal:
        raise Refusal(problem.under("file") for problem in refusal.problems) from None
    except orjson.JSONDecodeError as error:
        raise refuse(
            "not_json", "file", name, f"this is not JSON: {str(error)[:160]}", "choose a .ribbon.json file"
        ) from None
    if not isinstance(said, dict) or said.get("format") != FORMAT:
        raise refuse(
            "not_ours",
            "format",
            name,
            "this file does not say that it is a work",
            'its "format" is to be "young-ribbon"',
        )
    version = said.get("version", 1)
    if type(version) is not int or version < 1:
        raise refuse(
            "no_version",
            "version",
            str(version)[:40],
            "the file does not say which version it is",
            f'its "version" is to be a whole number from 1 to {VERSION}',
        )
    if version > VERSION:
        raise refuse(
            "later",
            "version",
            version,
            f"this file was written by a later version ({version}) of the program; this one reads up to {VERSION}",
            "update the program, or save it anew from the older one",
        )
    try:
        return OpenFile.model_validate(_current(said))
    except ValidationError as error:
        told = from_schema([{**line, "loc": ("file", *line["loc"])} for line in error.errors(include_url=False)])
        raise Refusal(
            Problem(p["code"], p["path"], p["value"], p["message"], p["way_out"]) for p in told["problems"]
        ) from None


def _current(said: dict[str, Any]) -> dict[str, Any]:
    """The file as this version writes it; what has not the shape of a file is left to the schema."""
    version, work = said.get("version", 1), said.get("work")
    if version not in range(1, VERSION) or not isinstance(work, dict):
        return said

    def brought(rows: Any) -> Any:
        if not isinstance(rows, list):
            return rows
        return [
            {**row, "spec": current(row["spec"], version)}
            if isinstance(row, dict) and isinstance(row.get("spec"), dict)
            else row
            for row in rows
        ]

    lists = {name: brought(work[name]) for name in ("sections", "checks") if name in work}
    made = {**work, **lists}
    sections = made.get("sections")
    if isinstance(sections, list) and all(
        isinstance(one, dict) and isinstance(one.get("spec"), dict) for one in sections
    ):
        made |= {
            name: value
            for name, value in housed({**made, "sections": sections}, apart=True).items()
            if name in made or name == "cloths"
        }
    return {**said, "version": VERSION, "work": made}


@transaction.atomic
def taken_in(data: bytes, name: str) -> Work:
    """A new work from a file.  Raises `Refusal`, and then nothing is made."""
    file = read_file(data, name).work
    sections: list[dict[str, Any]] = [
        {"name": one.name, "spec": one.spec.model_dump(mode="json", exclude_unset=True)} for one in file.sections
    ]
    # A swatch that is in the book already is that one; another is put in under a key of its own.
    keys_of = {one.key: swatches.put_in_once(one.cloth, one.kind, one.unit, one.spec).key for one in file.swatches}
    for section in sections:
        named = section["spec"].get("swatch")
        if named:
            section["spec"] = {**section["spec"], "swatch": keys_of.get(named, "")}
    cloths = {role: cloth.model_dump(mode="json", exclude_unset=True) for role, cloth in file.cloths.items()}
    thing = None if file.thing is None else file.thing.model_dump(mode="json", exclude_unset=True)
    work = works.create(file.name, file.purpose, sections, file.log.model_dump(), cloths, thing)
    keys = [section.key for section in work.sections.all()]
    for one in file.checks:
        Check.objects.create(
            work=work,
            section=keys[one.piece] if 0 <= one.piece < len(keys) else "",
            name=one.name,
            at=one.at,
            measured=[str(text) for text in one.measured],
            spec=one.spec.model_dump(mode="json", exclude_unset=True),
            version=CURRENT,
            level=one.level,
            taken=one.taken,
        )
    return work
