"""The backups that the program makes by itself: one a day, one before each update and before each restore."""

from __future__ import annotations

import re
from collections.abc import Callable
from datetime import date, datetime
from pathlib import Path
from typing import Any, NamedTuple
from zipfile import BadZipFile, ZipFile

import orjson

from ribbon.lengths import counted
from server.keeping import backup, whole
from server.shelf.models import Cloth
from server.wire.files import folder_of
from server.works.models import Work

_NAME = re.compile(
    r"young-ribbon-(\d{4}-\d\d-\d\d)(?:-(\d{6}))?(?:-(daily|before-update|before-restore|unsound))?(?: ?\(\d{1,3}\))?\.zip"
)
BY_HAND, UNSOUND = "by-hand", "unsound"
WORDS = {
    "daily": "the day’s own",
    "before-update": "before an update",
    "before-restore": "before a restore",
    BY_HAND: "put here by hand",
    UNSOUND: "made whole, but it could not be brought back",
}
DAYS, SUNDAYS, BEFORE = 7, 4, 5


class Kept(NamedTuple):
    """A backup in the data folder: its name, day, reason and size in bytes."""

    name: str
    day: date
    why: str
    bytes: int
    at: datetime


def folder() -> Path:
    """Where they are."""
    return folder_of("backups")


def kept() -> list[Kept]:
    """The backups that are there, the newest first."""
    found = []
    for path in folder().glob("young-ribbon-*.zip"):
        match = _NAME.fullmatch(path.name)
        if match is None:
            continue
        try:
            day, stat = date.fromisoformat(match[1]), path.stat()
        except (ValueError, OSError):
            continue  # no day that there is, or gone this moment
        at = datetime.fromtimestamp(stat.st_mtime).astimezone()
        found.append(Kept(path.name, day, match[3] or BY_HAND, stat.st_size, at))
    return sorted(found, key=lambda one: (one.at, one.name), reverse=True)


def path_of(name: str) -> Path | None:
    """Where the backup of that name is, None where there is none."""
    path = folder() / name
    return path if _NAME.fullmatch(name) and path.is_file() else None


def told(one: Kept) -> dict[str, Any]:
    """A backup on the wire, with what is in it as it says itself."""
    says = ""
    try:
        with ZipFile(folder() / one.name) as held:
            rows = orjson.loads(held.read(backup.ABOUT))["rows"]
        counts = (("works.work", "works"), ("shelf.cloth", "cloths"), ("journal.photograph", "photographs"))
        says = ", ".join(counted(rows[table], name) for table, name in counts)
    except (BadZipFile, OSError, KeyError, ValueError, TypeError):
        says = "it cannot be read"
    return {
        "name": one.name,
        "at": one.at.isoformat(),
        "why": WORDS[one.why],
        "bytes": one.bytes,
        "size": backup.in_words(one.bytes),
        "says": says,
    }


def due(today: date) -> bool:
    """Whether the day's own backup is still to be made: there is something to keep, and none of today."""
    if any(one.why == "daily" and one.day == today for one in kept()):
        return False
    return Work.objects.exists() or Cloth.objects.exists()


def daily_path(today: date) -> Path:
    """Where the day's own backup goes."""
    return folder() / f"young-ribbon-{today}-daily.zip"


def before_restore(progress: backup.Progress, sound: Callable[[Path], bool]) -> None:
    """Back up what a restore is about to replace, if anything is here; `sound` says whether a backup could come back."""
    if not (Work.objects.exists() or Cloth.objects.exists()):
        return
    path = _now_before("before-restore")
    backup.write(
        path, WORDS["before-restore"], lambda part, says: progress(0.6, f"first, a backup of what is here: {says}")
    )
    if sound(path):
        prune()
    else:
        put_apart(path)  # what it is of may be just why something else is brought back


def _now_before(why: str) -> Path:
    now = datetime.now().astimezone()
    return folder() / f"young-ribbon-{now:%Y-%m-%d-%H%M%S}-{why}.zip"


def prune() -> None:
    """Take away all but the last seven of a day, four of a Sunday, and the last few before a change.

    What was put there by hand, and what could not be brought back, is nobody's to take away.
    """
    all_kept = kept()
    daily = [one for one in all_kept if one.why == "daily"]
    stay = daily[:DAYS] + [one for one in daily if one.day.isoweekday() == 7][:SUNDAYS]
    for why in ("before-update", "before-restore"):
        stay += [one for one in all_kept if one.why == why][:BEFORE]
    for one in all_kept:
        if one not in stay and one.why not in (BY_HAND, UNSOUND):
            (folder() / one.name).unlink(missing_ok=True)


def put_apart(path: Path) -> Path:
    """Where a backup that could not be brought back is from now on: beside the others, and never in their place."""
    name = f"young-ribbon-{datetime.now().astimezone():%Y-%m-%d-%H%M%S}-{UNSOUND}"
    found, number = folder() / f"{name}.zip", 1
    while found.exists():
        number += 1
        found = folder() / f"{name}({number}).zip"
    return path.replace(found)


def put_aside_before_update(database: Path) -> None:
    """A backup of the database file before its shape changes."""
    whole.write(_now_before("before-update"), database, WORDS["before-update"])
    prune()
