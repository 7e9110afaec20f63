"""A backup as it is read: its rows one by one, its photographs, whatever version wrote it."""

from __future__ import annotations

import zlib
from collections import defaultdict
from collections.abc import Callable, Iterator
from pathlib import Path
from typing import Any
from zipfile import ZIP_DEFLATED, ZIP_STORED, BadZipFile, ZipFile

import ijson
import orjson

from ribbon.errors import Refusal, refuse
from server.keeping.backup import ABOUT, FORMAT, VERSION
from server.keeping.rows import LATER, TABLES
from server.keeping.whole import DATABASE
from server.wire.json import read_json
from server.works.earlier import differences_again, differences_of
from server.works.history import Document, Steps
from server.works.versions import CURRENT, cloth_of_two, current

OLD = "everything.json"
_BY_ROWS = 3  # the first version with a file for each table
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
        self._old = self._read_old() if OLD in names else self._read_third() if self.version < VERSION else None

    def close(self) -> None:
        """Let go of its file."""
        self.zip.close()

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
        if version > VERSION or (version >= _BY_ROWS) != (ABOUT in names):
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

    def has(self, table: str) -> bool:
        """Whether it has that table: backups from before there was one do without it."""
        return table not in LATER or f"rows/{table}.jsonl" in self.zip.namelist()

    def _lines(self, table: str) -> Iterator[bytes]:
        if not self.has(table):
            return
        try:
            with self.zip.open(f"rows/{table}.jsonl") as file:
                while line := file.readline(MOST_LINE + 1):
                    if len(line) > MOST_LINE:
                        raise Damaged(f"a row of {table} is too long")
                    yield line
        except _DAMAGED as error:
            raise Damaged(f"{table} cannot be read: {str(error)[:120]}") from None

    def _read_third(self) -> dict[str, list[bytes]]:
        """The rows of version 3, as this one writes them: works without cloths of their own, specs of version 2."""
        held = {name: list(self._lines(name)) for name in TABLES}
        try:
            return _housed(held)
        except (KeyError, TypeError, AttributeError, ValueError, orjson.JSONDecodeError) as error:
            raise self._not_whole(error) from None

    def _not_whole(self, error: Exception) -> Refusal:
        return refuse(
            "not_backup",
            "file",
            self.name,
            f"the backup does not hold together: {type(error).__name__} {str(error)[:120]}",
            "choose another backup; nothing was changed",
        )

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
            raise self._not_whole(error) from None


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
    """Rows of versions 1 and 2 as this one has them: logs in their works, histories of differences, specs of today."""
    logs = {}
    for line in held["journal.entry"]:
        entry = orjson.loads(line)
        words = {name: entry[name] for name in ("notes", "faults", "hours", "cost", "finished")}
        logs[entry["work_id"]] = {name: value for name, value in words.items() if value}
    works = []
    for line in held["works.work"]:
        work = orjson.loads(line)
        works.append(work | {"log": logs.get(work["key"], {}), "stamps": {"*": work["revision"]}})

    def history(changes: list[dict[str, Any]], now: Document) -> tuple[Document, list[Steps]]:
        return differences_of([(one.pop("before"), one.pop("after"), one["undone"]) for one in changes], now)

    found = _works(works, held, history)
    for line in held["shelf.cloth"]:
        cloth = orjson.loads(line)
        found["shelf.cloth"].append(orjson.dumps({**cloth, "spec": cloth_of_two(cloth["spec"])}))
    for line in held["journal.photograph"]:
        photograph = orjson.loads(line)
        found["journal.photograph"].append(orjson.dumps({**photograph, "file": photograph["key"]}))
    return found | {name: held[name] for name in ("shelf.movement", "journal.place")}


def _housed(held: dict[str, list[bytes]]) -> dict[str, list[bytes]]:
    """Rows of version 3 as this one has them."""

    def history(changes: list[dict[str, Any]], now: Document) -> tuple[Document, list[Steps]]:
        return differences_again([(one["difference"], one["undone"]) for one in changes], now)

    found = _works([orjson.loads(line) for line in held["works.work"]], held, history)
    same = ("works.highwater", "shelf.cloth", "shelf.movement", "journal.place", "journal.photograph")
    # What was answered was answered as works were then.
    return found | {name: held[name] for name in same}


def _works(
    works: list[dict[str, Any]],
    held: dict[str, list[bytes]],
    history: Callable[[list[dict[str, Any]], Document], tuple[Document, list[Steps]]],
) -> dict[str, list[bytes]]:
    """The rows of works, their sections, their changes and checks, as today; `history` brings one work's changes up."""
    found: dict[str, list[bytes]] = {name: [] for name in TABLES}
    sections = _by_work(held["works.section"], "position")
    changes = _by_work(held["works.change"], "number")
    for work in works:
        own, steps = sections.pop(work["key"], []), changes.pop(work["key"], [])
        now = {name: work[name] for name in ("name", "purpose", "log")} | {
            "sections": [{name: one[name] for name in ("key", "name", "spec", "version")} for one in own]
        }
        made, differences = history(steps, now)
        found["works.work"].append(orjson.dumps({**work, "cloths": made["cloths"], "thing": None}))
        for section, after in zip(own, made["sections"], strict=True):
            found["works.section"].append(orjson.dumps(section | {"spec": after["spec"], "version": CURRENT}))
        for change, difference in zip(steps, differences, strict=True):
            found["works.change"].append(orjson.dumps({**change, "difference": difference}))
    if sections or changes:
        raise ValueError(f"a piece or a change is of the work {next(iter(sections or changes))}, which is not there")
    for line in held["journal.check"]:
        check = orjson.loads(line)
        check |= {"spec": current(check["spec"], check["version"]), "version": CURRENT}
        found["journal.check"].append(orjson.dumps(check))
    return found


def _by_work(lines: list[bytes], order: str) -> dict[str, list[dict[str, Any]]]:
    found: dict[str, list[dict[str, Any]]] = defaultdict(list)
    for line in lines:
        row = orjson.loads(line)
        found[row["work_id"]].append(row)
    return {work: sorted(rows, key=lambda row: int(row[order])) for work, rows in found.items()}
