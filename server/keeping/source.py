"""A backup as it is read: its rows one by one, its photographs, whatever version wrote it."""

from __future__ import annotations

import zlib
from collections import defaultdict
from collections.abc import Iterator
from pathlib import Path
from typing import Any
from zipfile import ZIP_DEFLATED, ZIP_STORED, BadZipFile, ZipFile

import ijson
import orjson

from ribbon.errors import Refusal, refuse
from server.keeping.backup import ABOUT, FORMAT, VERSION
from server.keeping.rows import TABLES
from server.keeping.whole import DATABASE
from server.wire.json import read_json
from server.works.earlier import differences_of
from server.works.versions import CURRENT, cloth_of_two, current

OLD = "everything.json"
MOST_LINE = 24 * 1024 * 1024
MOST_ROWS = 2_000_000
MOST_TEXT = 4 * 1024**3  # all rows together, unpacked
MOST_OLD = 400 * 1024 * 1024
_DAMAGED = (BadZipFile, zlib.error, EOFError, OSError, RuntimeError, ValueError, KeyError)


class Damaged(Exception):
    """What is read is not as it was written."""


class Source:
    """An opened backup; `rows` gives (the number of the row, its values) of one table."""

    def __init__(self, path: Path, name: str) -> None:
        self.name = name
        self.wrong = refuse(
            "not_backup", "file", name, "this is not a backup of this program", "choose a file that Backup made"
        )
        try:
            self.zip = ZipFile(path)
            names = set(self.zip.namelist())
            if any(one.compress_type not in (ZIP_STORED, ZIP_DEFLATED) for one in self.zip.infolist()):
                raise self.wrong  # Backup writes no others
        except Refusal:
            raise
        except _DAMAGED:
            raise self.wrong from None
        self.files = {one[12:-4] for one in names if one.startswith("photographs/") and one.endswith(".jpg")}
        if DATABASE in names:
            raise refuse(
                "before_update",
                "file",
                name,
                "this backup is of the whole database, made before an update",
                "put it into the folder backups of the works, and bring it back from the list",
            )
        if sum(self.zip.getinfo(one).file_size for one in names if one.startswith("rows/")) > MOST_TEXT:
            raise self.wrong
        self.counts: dict[str, Any] = {}  # how many rows each table had when it was made, where that is said
        self.version = self._version(names)
        self._old = self._read_old() if OLD in names and self.version < VERSION else None

    def _version(self, names: set[str]) -> int:
        try:
            if ABOUT in names:
                about = read_json(self._small(ABOUT))
                if isinstance(about, dict) and isinstance(about.get("rows"), dict):
                    self.counts = about["rows"]
            elif OLD in names:
                with self.zip.open(OLD) as file:
                    about = {"format": None, "version": None}
                    for prefix, _, value in ijson.parse(file):
                        if prefix in about:
                            about[prefix] = value
                        if None not in about.values() or prefix == "rows":
                            break
            else:
                raise self.wrong
        except (*_DAMAGED, Damaged, ijson.JSONError):
            raise self.wrong from None
        if not isinstance(about, dict) or about.get("format") != FORMAT:
            raise self.wrong
        version = about.get("version")
        if type(version) is not int or version < 1:
            raise refuse(
                "not_backup", "file", self.name, "the backup does not say which version it is", "choose another backup"
            )
        if version > VERSION or (version == VERSION) != (ABOUT in names):
            raise refuse(
                "later",
                "file",
                self.name,
                f"this backup was made by a later version ({version}) of the program; this one reads up to {VERSION}",
                "update the program first",
            )
        return version

    def _small(self, name: str) -> bytes:
        with self.zip.open(name) as file:
            found = file.read(1_000_001)
        if len(found) > 1_000_000:
            raise Damaged(f"{name} is too long")
        return found

    def picture(self, file: str, most: int) -> bytes:
        """The photograph in that file; raises `Damaged`, also where it is larger than `most` bytes."""
        try:
            with self.zip.open(f"photographs/{file}.jpg") as held:
                found = held.read(most + 1)
        except _DAMAGED as error:
            raise Damaged(str(error)) from None
        if len(found) > most:
            raise Damaged("it is too large")
        return found

    def rows(self, table: str) -> Iterator[tuple[int, Any]]:
        """(the number of the row, its values) for each row of a table.  Raises `Damaged`."""
        lines = self._lines(table) if self._old is None else self._old[table]
        for number, line in enumerate(lines, start=1):
            if number > MOST_ROWS:
                raise Damaged(f"{table} has too many rows")
            try:
                yield number, read_json(line)
            except Refusal as refusal:
                raise Damaged(f"row {number} of {table}: {refusal.problems[0].message}") from None
            except orjson.JSONDecodeError as error:
                raise Damaged(f"row {number} of {table} is not JSON: {str(error)[:120]}") from None

    def _lines(self, table: str) -> Iterator[bytes]:
        try:
            with self.zip.open(f"rows/{table}.jsonl") as file:
                while line := file.readline(MOST_LINE + 1):
                    if len(line) > MOST_LINE:
                        raise Damaged(f"a row of {table} is too long")
                    yield line
        except _DAMAGED as error:
            raise Damaged(f"{table} cannot be read: {str(error)[:120]}") from None

    def _read_old(self) -> dict[str, list[bytes]]:
        """The rows of versions 1 and 2, as this one writes them."""
        if self.zip.getinfo(OLD).file_size > MOST_OLD:
            raise self.wrong
        held: dict[str, list[bytes]] = defaultdict(list)
        try:
            with self.zip.open(OLD) as file:
                for row in ijson.items(file, "rows.item", use_float=True):
                    name = row.get("model") if isinstance(row, dict) else None
                    if name not in TABLES and name != "journal.entry":
                        raise self.wrong
                    held[name].append(orjson.dumps(_flat(name, row)))
        except Refusal:
            raise
        except (*_DAMAGED, ijson.JSONError, TypeError, AttributeError) as error:
            raise refuse(
                "not_backup",
                "file",
                self.name,
                f"the backup cannot be read: {str(error)[:160]}",
                "choose another backup",
            ) from None
        try:
            return _brought_up(held)
        except (KeyError, TypeError, AttributeError, ValueError) as error:
            raise refuse(
                "not_backup",
                "file",
                self.name,
                f"the backup does not hold together: {type(error).__name__} {str(error)[:120]}",
                "choose another backup; nothing was changed",
            ) from None


_NAMED = {"work": "work_id", "cloth": "cloth_id"}


def _flat(name: str, row: dict[str, Any]) -> dict[str, Any]:
    """A row of an old backup, its fields beside its key."""
    fields = dict(row["fields"])
    for old, new in _NAMED.items():
        if old in fields and (old, name) != ("work", "shelf.movement"):
            fields[new] = fields.pop(old)
    key = (
        "id" if name in ("works.change", "shelf.movement", "journal.place", "journal.check", "journal.entry") else "key"
    )
    return {key: row["pk"], **fields}


def _brought_up(held: dict[str, list[bytes]]) -> dict[str, list[bytes]]:
    """Rows of versions 1 and 2 as version 3 has them: logs in their works, histories of differences, specs of today."""
    found: dict[str, list[bytes]] = {name: [] for name in TABLES}
    logs = {}
    for line in held["journal.entry"]:
        entry = orjson.loads(line)
        words = {name: entry[name] for name in ("notes", "faults", "hours", "cost", "finished")}
        logs[entry["work_id"]] = {name: value for name, value in words.items() if value}
    works: dict[str, dict[str, Any]] = {}
    for line in held["works.work"]:
        work = orjson.loads(line)
        work |= {"log": logs.get(work["key"], {}), "stamps": {"*": work["revision"]}}
        works[work["key"]] = {**work, "sections": []}
        found["works.work"].append(orjson.dumps(work))
    for line in held["works.section"]:
        section = orjson.loads(line)
        section |= {"spec": current(section["spec"], section["version"]), "version": CURRENT}
        works[section["work_id"]]["sections"].append(section)
        found["works.section"].append(orjson.dumps(section))
    found["works.change"] = _histories(held["works.change"], works)
    for line in held["shelf.cloth"]:
        cloth = orjson.loads(line)
        found["shelf.cloth"].append(orjson.dumps({**cloth, "spec": cloth_of_two(cloth["spec"])}))
    for line in held["journal.check"]:
        check = orjson.loads(line)
        check |= {"spec": current(check["spec"], check["version"]), "version": CURRENT}
        found["journal.check"].append(orjson.dumps(check))
    for line in held["journal.photograph"]:
        photograph = orjson.loads(line)
        found["journal.photograph"].append(orjson.dumps({**photograph, "file": photograph["key"]}))
    for name in ("shelf.movement", "journal.place"):
        found[name] = held[name]
    return found


def _histories(lines: list[bytes], works: dict[str, dict[str, Any]]) -> list[bytes]:
    of_works: dict[str, list[bytes]] = defaultdict(list)
    for line in lines:
        of_works[orjson.loads(line)["work_id"]].append(line)
    found = []
    for key, own in of_works.items():
        changes = sorted((orjson.loads(line) for line in own), key=lambda change: change["number"])
        work = works[key]
        sections = [
            {name: one[name] for name in ("key", "name", "spec", "version")}
            for one in sorted(work["sections"], key=lambda one: one["position"])
        ]
        now = {"name": work["name"], "purpose": work["purpose"], "log": work["log"], "sections": sections}
        differences = differences_of([(one["before"], one["after"], one["undone"]) for one in changes], now)
        for change, difference in zip(changes, differences, strict=True):
            kept = {name: value for name, value in change.items() if name not in ("before", "after")}
            found.append(orjson.dumps({**kept, "difference": difference}))
    return found
