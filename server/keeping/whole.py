"""A backup of the database file as it is, made before an update: its shape is not today's, so its rows cannot be read yet."""

from __future__ import annotations

import os
import secrets
import shutil
import sqlite3
import subprocess
import sys
from pathlib import Path
from zipfile import ZIP_DEFLATED, ZIP_STORED, ZipFile

import orjson
from django.conf import settings
from django.utils import timezone

from ribbon.errors import refuse
from server.keeping.backup import ABOUT, FORMAT, VERSION
from server.pictures import photographs

DATABASE = "ribbon.sqlite3"
_COUNTED = {"works.work": "works_work", "shelf.cloth": "shelf_cloth", "journal.photograph": "journal_photograph"}


def write(path: Path, database: Path, why: str) -> None:
    """The database and every photograph in one file at `path`.  Raises OSError, sqlite3.Error."""
    copy = settings.DATA / f".half-{secrets.token_hex(8)}"
    half = path.parent / f".half-{secrets.token_hex(8)}"
    try:
        rows = _copied(database, copy)
        pictures = sorted(photographs.folder().glob("*.jpg"))
        about = {
            "format": FORMAT, "version": VERSION, "made": timezone.now().isoformat(), "why": why, "rows": rows,
            "photographs": len(pictures), "database": True,
        }  # fmt: skip
        with half.open("xb") as file:
            with ZipFile(file, "w", ZIP_DEFLATED, allowZip64=True) as made:
                made.write(copy, DATABASE)
                for one in pictures:
                    made.write(one, f"photographs/{one.name}", ZIP_STORED)
                made.writestr(ABOUT, orjson.dumps(about))
            file.flush()
            os.fsync(file.fileno())
        half.replace(path)
    finally:
        copy.unlink(missing_ok=True)
        half.unlink(missing_ok=True)


def _copied(database: Path, copy: Path) -> dict[str, int]:
    """Copy a database as it is at this moment; gives back how many rows its main tables have."""
    source, target = sqlite3.connect(database), sqlite3.connect(copy)
    try:
        source.backup(target)
        there = {name for (name,) in target.execute("SELECT name FROM sqlite_master WHERE type = 'table'")}
        return {
            name: target.execute(f"SELECT count(*) FROM {table}").fetchone()[0] if table in there else 0  # noqa: S608 - our own names
            for name, table in _COUNTED.items()
        }
    finally:
        source.close()
        target.close()


def is_whole(path: Path) -> bool:
    """Whether a backup is of this kind."""
    with ZipFile(path) as held:
        return DATABASE in held.namelist()


def backup_of_today(path: Path, place: Path) -> Path:
    """The same backup with its rows as this version writes them, made in the folder `place`.  Raises `Refusal`."""
    data = place / "data"
    (data / "photographs").mkdir(parents=True)
    made = place / "today.zip"
    with ZipFile(path) as held:
        held.extract(DATABASE, data)
        for name in held.namelist():
            if name.startswith("photographs/") and photographs.NAME.fullmatch(Path(name).stem):
                (data / "photographs" / Path(name).name).write_bytes(held.read(name))
    done = subprocess.run(  # noqa: S603 - our own program
        [sys.executable, "-W", "ignore", "-m", "server.keeping.job", "update", str(made), "before an update"],
        cwd=settings.ROOT,
        env={**os.environ, "YOUNG_RIBBON_DATA": str(data)},
        capture_output=True,
        check=False,
    )
    shutil.rmtree(data, ignore_errors=True)
    if done.returncode or not made.is_file():
        raise refuse(
            "not_backup",
            "file",
            path.name,
            "this backup cannot be brought up to date",
            "choose another backup; nothing was changed",
        )
    return made
