"""Everything in one file: written piece by piece, read back before it has its name."""

from __future__ import annotations

import os
import secrets
from collections.abc import Callable, Iterator
from datetime import UTC, datetime
from pathlib import Path
from typing import Any
from zipfile import ZIP_DEFLATED, ZIP_STORED, ZipFile

import orjson
from django.conf import settings
from django.db import connection, transaction
from django.utils import timezone

from ribbon.lengths import counted
from server.journal.models import Photograph
from server.keeping.room import most_taken_in
from server.keeping.rows import ORDERS, TABLES, row_line
from server.pictures.photographs import folder, path_of
from server.shelf.models import Cloth
from server.works.models import Work
from server.works.versions import CURRENT

FORMAT = "young-ribbon-backup"
VERSION = CURRENT
ABOUT = "about.json"
Progress = Callable[[float, str], None]


class NotWhole(Exception):
    """A backup that was just made cannot be read back."""


def size_now() -> dict[str, Any]:
    """How large a backup of all that is here would be, nearly, and what is in it."""
    files = set(Photograph.objects.values_list("file", flat=True))
    pictures = sum(path.stat().st_size for file in files if (path := path_of(file)) is not None)
    database = Path(str(settings.DATABASES["default"]["NAME"]))
    rows = database.stat().st_size // 12 if database.is_file() else 0
    says = " and ".join(
        (
            f"{counted(Work.objects.count(), 'works')}, {counted(Cloth.objects.count(), 'cloths')}",
            counted(len(files), "photographs"),
        )
    )
    return {"bytes": pictures + rows, "says": f"{says}: about {in_words(pictures + rows)}.", "room": most_taken_in()}


def in_words(size: int) -> str:
    """A size in bytes as people say it: 12 kB, 3.4 MB, 1.2 GB."""
    if size < 1_000_000:
        return f"{max(1, round(size / 1000))} kB"
    return f"{size / 1e6:.1f} MB" if size < 1_000_000_000 else f"{size / 1e9:.1f} GB"


def write(path: Path, why: str = "by hand", progress: Progress = lambda part, says: None) -> None:
    """A backup of everything as it is at this moment at `path`, there only once it has been read back whole.

    Writers are not kept waiting.  Raises `NotWhole` where it cannot be read back, OSError where there is no room.
    """
    half = path.parent / f".half-{secrets.token_hex(8)}"
    try:
        with _pictures_held() as pictures, half.open("xb") as file:
            with ZipFile(file, "w", ZIP_DEFLATED, allowZip64=True) as made:
                counts, files = _write_rows(made, pictures, progress)
                _write_pictures(made, files, pictures, progress)
                about = {
                    "format": FORMAT, "version": VERSION, "made": timezone.now().isoformat(), "why": why,
                    "rows": counts, "photographs": len(files),
                }  # fmt: skip
                made.writestr(ABOUT, orjson.dumps(about))
            file.flush()
            os.fsync(file.fileno())
        check(half, progress)
        half.replace(path)
        handle = os.open(path.parent, os.O_RDONLY)
        os.fsync(handle)
        os.close(handle)
    finally:
        half.unlink(missing_ok=True)


class _pictures_held:  # noqa: N801 - used as a function
    """Second names for every photograph, so that one that is taken away meanwhile is still there."""

    def __enter__(self) -> Path:
        self.place = settings.DATA / f".held-{secrets.token_hex(8)}"
        self.place.mkdir(mode=0o700)
        for path in folder().glob("*.jpg"):
            try:
                os.link(path, self.place / path.name)
            except FileNotFoundError:
                continue  # taken away this moment
            except OSError:
                break  # this disk gives no second names; the first ones serve
        return self.place

    def __exit__(self, *_: object) -> None:
        for path in self.place.iterdir():
            path.unlink(missing_ok=True)
        self.place.rmdir()


def _write_rows(made: ZipFile, pictures: Path, progress: Progress) -> tuple[dict[str, int], list[str]]:
    """(how many rows each table has, the files that photographs are in)."""
    counts: dict[str, int] = {}
    connection.ensure_connection()
    # Of SQLite alone, so that the general one does not know of it.
    sqlite: Any = connection
    mode = getattr(sqlite, "transaction_mode", None)
    sqlite.transaction_mode = None  # reading alone: nobody is kept waiting
    try:
        with transaction.atomic():
            named = set(Photograph.objects.values_list("file", flat=True))
            files = sorted(file for file in named if _place(file, pictures).is_file())
            for number, (name, table) in enumerate(TABLES.items()):
                progress(0.5 * number / len(TABLES), f"writing {name}")
                rows = table.model._default_manager.order_by(*ORDERS.get(name, ("pk",)))
                counts[name] = 0
                with made.open(f"rows/{name}.jsonl", "w", force_zip64=True) as out:
                    for row in rows.iterator(chunk_size=200):
                        if isinstance(row, Photograph) and row.file not in files:
                            continue  # its picture was lost; what is left of it would not come back
                        out.write(row_line(row) + b"\n")
                        counts[name] += 1
    finally:
        sqlite.transaction_mode = mode
    return counts, files


def _write_pictures(made: ZipFile, files: list[str], held: Path, progress: Progress) -> None:
    for number, file in enumerate(files):
        if number % 20 == 0:
            progress(0.5 + 0.3 * number / len(files), "writing photographs")
        made.write(_place(file, held), f"photographs/{file}.jpg", ZIP_STORED)


def _place(file: str, held: Path) -> Path:
    path = held / f"{file}.jpg"
    return path if path.is_file() else folder() / path.name


def check(path: Path, progress: Progress = lambda part, says: None) -> None:
    """Read every byte of a backup and count its rows.  Raises `NotWhole`."""
    with ZipFile(path) as held:
        names = held.namelist()
        for number, name in enumerate(names):
            if number % 20 == 0:
                progress(0.8 + 0.2 * number / len(names), "reading it back")
            with held.open(name) as file:
                while file.read(1 << 20):
                    pass
        about = orjson.loads(held.read(ABOUT))
        for name, count in about["rows"].items():
            found = sum(1 for _ in _lines(held, name))
            if found != count:
                raise NotWhole(f"{name} has {found} rows of {count}")
        if sum(name.startswith("photographs/") for name in names) != about["photographs"]:
            raise NotWhole("photographs are missing")


def _lines(held: ZipFile, name: str) -> Iterator[bytes]:
    with held.open(f"rows/{name}.jsonl") as file:
        yield from file


def name_of(now: datetime | None = None) -> str:
    """What a backup made now is called."""
    return f"young-ribbon-{(now or datetime.now(UTC)).astimezone():%Y-%m-%d}.zip"
