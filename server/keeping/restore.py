"""A backup brought back: every row and picture looked at first, then all of it put in at once, or nothing."""

from __future__ import annotations

import hashlib
import secrets
import shutil
import zlib
from collections import Counter
from collections.abc import Callable
from contextlib import closing
from io import BytesIO
from itertools import groupby
from pathlib import Path
from typing import Any

import orjson
from django.conf import settings
from django.db import DatabaseError, connection, transaction
from PIL import Image
from pydantic import ValidationError

from ribbon.errors import Refusal, refuse
from ribbon.lengths import counted
from server.journal.models import Photograph
from server.keeping import whole
from server.keeping.backup import VERSION, Progress
from server.keeping.health import trouble_of
from server.keeping.rows import TABLES, KeptRow
from server.keeping.source import Damaged, Source
from server.pictures import photographs
from server.shelf.models import Cloth
from server.wire.section import SectionSpec
from server.works.differences import before_steps, forward
from server.works.models import HighWater, Work

_YOUNG = 3600.0  # s; a photograph that is just being taken in is not yet in any row
_BATCH = 200


class _Wrong(Exception):
    """A row that is not right."""

    def __init__(self, table: str, number: int, why: str) -> None:
        super().__init__(f"row {number} of {table}: {why}")


def restore(
    path: Path,
    name: str,
    progress: Progress = lambda part, says: None,
    first: Callable[[], None] = lambda: None,
    *,
    own: bool = False,
) -> dict[str, Any]:
    """What a backup brought back, which takes the place of all that was here; `first` is done before that.

    One of the program's `own` may also be of the whole database, as it was before an update.

    Raises `Refusal` for a file that is no backup, naming the row of the table that is wrong; then nothing has changed.
    """
    place = settings.DATA / f".half-{secrets.token_hex(8)}"
    try:
        if own and whole.is_whole(path):
            place.mkdir(mode=0o700)
            path = whole.backup_of_today(path, place)
        source = Source(path, name)
        counts = _Looked(source, progress).counts
        renamed = _pictures(source, progress)
        with transaction.atomic():
            first()  # in here, so that no change comes between what is backed up and what is replaced
            progress(0.7, "putting it in")
            used = _used()
            for table_name, table in reversed(TABLES.items()):
                if source.has(table_name):
                    table.model._base_manager.all().delete()
            for number, (table_name, table) in enumerate(TABLES.items()):
                progress(0.7 + 0.3 * number / len(TABLES), f"putting in {table_name}")
                _put(source, table_name, table, renamed)
            _above(used)
            connection.check_constraints()
    except Refusal:
        raise
    except (OSError, DatabaseError) as error:
        trouble = trouble_of(error)
        if trouble is None or trouble.replaced:
            raise _not_whole(name, error) from None
        raise refuse(trouble.kind, "file", name, f"{trouble.says} Nothing was changed", trouble.way_out) from None
    except (_Wrong, Damaged, ValidationError, ValueError, RecursionError, MemoryError) as error:
        raise _not_whole(name, error) from None
    finally:
        shutil.rmtree(place, ignore_errors=True)
    photographs.sweep(set(Photograph.everything.values_list("file", flat=True)), older_than=_YOUNG)
    works, cloths = Work.objects.filter(deleted=None).count(), counts["shelf.cloth"]
    pictures = counts["journal.photograph"]
    says = f"{counted(works, 'works')}, {counted(cloths, 'cloths')} and {counted(pictures, 'photographs')} came back."
    return {"works": works, "cloths": cloths, "photographs": pictures, "says": says}


def _not_whole(name: str, error: Exception) -> Refusal:
    said = "it takes more memory than there is" if isinstance(error, MemoryError) else str(error)[:300]
    return refuse(
        "not_backup",
        "file",
        name,
        f"the backup does not hold together: {said}",
        "choose another backup; nothing was changed",
    )


def looked_through(path: Path, name: str) -> None:
    """Read a backup as it is read to be brought back.  Raises `Refusal`, naming the row that is wrong."""
    try:
        with closing(Source(path, name)) as source:
            _Looked(source, lambda part, says: None)
    except (_Wrong, Damaged, ValidationError, ValueError, RecursionError) as error:
        if isinstance(error, Refusal):
            raise
        raise refuse(
            "unsound",
            "file",
            name,
            f"this backup could not be brought back: {str(error)[:300]}",
            "it is kept apart, beside the others; take that row away or mend it, then make another",
        ) from None


class _Looked:
    """Every row read by its own reader, its keys new, what it belongs to there, each history walked."""

    def __init__(self, source: Source, progress: Progress) -> None:
        self.counts: Counter[str] = Counter()
        self._keys: dict[str, set[Any]] = {}
        self._documents: dict[str, bytes] = {}  # of each work, packed
        for number, name in enumerate(TABLES):
            progress(0.4 * number / len(TABLES), f"reading {name}")
            if name == "works.change":
                self._histories(source)
            else:
                for at, values in source.rows(name):
                    self._row(source, name, at, values)
            said = source.counts.get(name, self.counts[name])
            if said != self.counts[name]:
                raise Damaged(f"{name} has {self.counts[name]} rows of {said}")

    def _row(self, source: Source, name: str, at: int, values: Any) -> KeptRow:
        table = TABLES[name]
        row = read_row(name, at, values)
        self.counts[name] += 1
        keys = self._keys.setdefault(name, set())
        for fields in (("pk", table.named), ("unique", *table.unique)):
            if len(fields) > 1:
                key = (fields[0], *(getattr(row, field) for field in fields[1:]))
                if key in keys:
                    raise _Wrong(name, at, f"{', '.join(fields[1:])} is that of an earlier row")
                keys.add(key)
        if table.belongs is not None:
            field, other = table.belongs
            if ("pk", getattr(row, field)) not in self._keys.get(other, set()):
                raise _Wrong(name, at, f"{field} {getattr(row, field)} is in no row of {other}")
        if name == "journal.photograph" and getattr(row, "file") not in source.files:  # noqa: B009 - of this table alone
            raise _Wrong(name, at, "its picture is not in the backup")
        if name in ("works.work", "works.section", "journal.check"):
            self._remember(name, row.values())
        return row

    def _remember(self, name: str, values: dict[str, Any]) -> None:
        if name == "works.work":
            document = {name: values[name] for name in ("name", "purpose", "cloths", "thing", "log")}
            document |= {"checks": [], "sections": []}
            self._documents[values["key"]] = zlib.compress(orjson.dumps(document), 1)
            return
        document = orjson.loads(zlib.decompress(self._documents[values["work_id"]]))
        if name == "journal.check":
            document["checks"] += [] if values["struck"] else [values["id"]]
        else:
            document["sections"].append({one: values[one] for one in ("key", "name", "spec", "version", "position")})
        self._documents[values["work_id"]] = zlib.compress(orjson.dumps(document), 1)

    def _histories(self, source: Source) -> None:
        walked: set[Any] = set()
        for work, group in groupby(source.rows("works.change"), lambda one: _work_of(one[1])):
            changes: list[tuple[int, dict[str, Any]]] = []
            for at, values in group:
                row = self._row(source, "works.change", at, values)
                if work in walked or (changes and row.values()["number"] < changes[-1][1]["number"]):
                    raise _Wrong("works.change", at, "the changes of a work do not follow one another")
                changes.append((at, row.values()))
            walked.add(work)
            document = orjson.loads(zlib.decompress(self._documents[changes[0][1]["work_id"]]))
            sections = sorted(document["sections"], key=lambda one: one["position"])
            document["checks"].sort()
            document["sections"] = [{name: one[name] for name in one if name != "position"} for one in sections]
            self._walk(document, changes, strict=source.version == VERSION)

    def _walk(self, document: dict[str, Any], changes: list[tuple[int, dict[str, Any]]], *, strict: bool) -> None:
        """Undo every change from here, and do again what was undone: each must lead to a work."""
        undone = [one for one in changes if one[1]["undone"]]
        done = [one for one in changes if not one[1]["undone"]]
        if done and undone and done[-1][1]["number"] > undone[0][1]["number"]:
            raise _Wrong("works.change", undone[0][0], "it is undone, and a later one is not")
        for way, steps in ((before_steps, reversed(done)), (forward, undone)):
            now = document
            for at, change in steps:
                before, now = now, self._stepped(way, now, at, change)
                if strict:
                    _is_work(before, now, at)

    def _stepped(self, way: Any, now: dict[str, Any], at: int, change: dict[str, Any]) -> dict[str, Any]:
        try:
            found: dict[str, Any] = way(now, change["difference"])
        except (ValueError, TypeError, KeyError, IndexError) as error:
            raise _Wrong("works.change", at, f"it does not fit the work: {error}") from None
        return found


def _work_of(values: Any) -> Any:
    return values.get("work_id") if isinstance(values, dict) else None


def _is_work(before: dict[str, Any], now: dict[str, Any], at: int) -> None:
    """Raises `_Wrong` where a step of a history does not lead to a work; `before` is one."""
    try:
        if set(now) != {"name", "purpose", "cloths", "thing", "log", "checks", "sections"}:
            raise ValueError("it makes something else of the work")
        if not isinstance(now["checks"], list) or any(type(one) is not int for one in now["checks"]):
            raise ValueError("it makes something else of what was measured")
        same = {id(section) for section in before["sections"]}
        for section in now["sections"]:
            if id(section) not in same:
                if set(section) != {"key", "name", "spec", "version"}:
                    raise ValueError("it makes something else of a piece")
                SectionSpec.model_validate(section["spec"])
        row = {"position": 0, "revision": 0, "stamps": {}, "key": "aaaaaaaaaa", "deleted": None}
        times = dict.fromkeys(("made", "touched"), "2026-01-01T00:00:00Z")
        words = {name: now[name] for name in ("name", "purpose", "cloths", "thing", "log")}
        TABLES["works.work"].model_validate({**row, **times, **words})
    except (ValueError, TypeError, KeyError) as error:
        raise _Wrong("works.change", at, _said(error)) from None


def read_row(name: str, at: int, values: Any) -> KeptRow:
    """A row by its own reader.  Raises `_Wrong`, naming the table, the row and the field."""
    try:
        row = TABLES[name].model_validate(values)
        row.values()
    except (ValueError, TypeError, KeyError, RecursionError, Refusal) as error:
        raise _Wrong(name, at, _said(error)) from None
    return row


def _said(error: Exception) -> str:
    if isinstance(error, ValidationError):
        first = error.errors(include_url=False, include_input=False)[0]
        return f"{'.'.join(str(part) for part in first['loc'])}: {first['msg']}"
    return str(error)


def _nested(value: Any) -> bool:
    return isinstance(value, dict | list)


def _put(source: Source, name: str, table: type[KeptRow], renamed: dict[str, str]) -> None:
    batch: list[Any] = []
    for at, values in source.rows(name):
        row = read_row(name, at, values).values()
        # As it was written, where that says the same: the order of names too.
        row |= {field: values[field] for field, value in row.items() if value == values.get(field) and _nested(value)}
        if name == "journal.photograph":
            row["file"] = renamed[row["file"]]
        batch.append(table.model(**row))
        if len(batch) == _BATCH:
            table.model._default_manager.bulk_create(batch)
            batch = []
    table.model._default_manager.bulk_create(batch)


def _pictures(source: Source, progress: Progress) -> dict[str, str]:
    """Every photograph put into the folder, just as it is in the backup; gives back the names by those of the backup."""
    found: dict[str, str] = {}
    rows = list(source.rows("journal.photograph"))
    for number, (at, values) in enumerate(rows):
        progress(0.4 + 0.3 * number / len(rows), "reading photographs")
        file = values["file"]
        if file in found:
            continue
        data = source.picture(file, photographs.MOST_BYTES)
        digest = hashlib.sha256(data).hexdigest()
        if len(file) == photographs.NAMED and not digest.startswith(file):
            raise _Wrong("journal.photograph", at, "its picture is not the one that it names")
        try:
            with Image.open(BytesIO(data), formats=("JPEG",)) as opened:
                size = opened.size
        except (OSError, ValueError, SyntaxError, Image.DecompressionBombError):
            raise _Wrong("journal.photograph", at, "its picture is not a JPEG") from None
        if size != (values["width"], values["height"]):
            raise _Wrong("journal.photograph", at, f"its picture is {size[0]} by {size[1]} dots")
        there = photographs.path_of(file)
        same = there is not None and there.read_bytes() == data
        # A name from before names were those of the contents may be another picture's here.
        found[file] = (
            file if same else photographs.put(data, file if digest.startswith(file) or there is None else None)
        )
    return found


def _used() -> tuple[int, dict[str, tuple[int, Any]]]:
    """(the highest revision of what is not there, the revisions that are, each with what it is of)."""
    mark = HighWater.objects.filter(pk=1).first()
    works = {
        work.key: (work.revision, _state(work)) for work in Work.objects.prefetch_related("sections").iterator(500)
    }
    cloths = {cloth.key: (cloth.revision, (cloth.name, cloth.unit, cloth.spec)) for cloth in Cloth.objects.iterator()}
    return mark.revision if mark else 0, {**works, **cloths}


def _state(work: Work) -> bytes:
    sections = [(one.key, one.name, one.position, one.spec) for one in work.sections.all()]
    kept = (work.name, work.purpose, work.cloths, work.thing, work.log, work.deleted, sections)
    return hashlib.sha256(orjson.dumps(kept, option=orjson.OPT_SORT_KEYS)).digest()


def _above(used: tuple[int, dict[str, tuple[int, Any]]]) -> None:
    """Give what came back a revision that nobody has seen with other contents; note those of what is gone."""
    mark, before = used
    highest = max([mark, *(HighWater.objects.values_list("revision", flat=True))])
    came: set[str] = set()
    for model in (Work, Cloth):
        rows = model.objects.prefetch_related("sections") if model is Work else model.objects.all()
        for row in rows.iterator(500):
            came.add(row.key)
            state = _state(row) if isinstance(row, Work) else (row.name, row.unit, row.spec)
            revision, was = before.get(row.key, (0, None))
            if (row.revision, state) == (revision, was):
                continue
            if row.key in before or mark:
                row.revision = max(row.revision, revision, mark) + 1
                if isinstance(row, Work):
                    row.stamps = {"*": row.revision}
                row.save()
    highest = max([highest, *(revision for key, (revision, _) in before.items() if key not in came and revision > 1)])
    if highest:
        HighWater.objects.update_or_create(pk=1, defaults={"revision": highest})
