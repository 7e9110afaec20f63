"""Whether the works can be kept where they are: checked before a start, and again when the database reports an error."""

from __future__ import annotations

import shutil
import sqlite3
import time
from collections.abc import Callable
from contextlib import closing, suppress
from pathlib import Path
from typing import NamedTuple

from django.conf import settings
from django.db.migrations.loader import MigrationLoader

_AT_ONCE = 200 * 1024 * 1024  # a larger database is looked through in the background
_LEAST_ROOM = 2 * 1024 * 1024
_TABLE = "works_work"
_UNREADABLE = (sqlite3.Error, UnicodeDecodeError)
"""What reading a damaged database raises: its own words may be no text any more."""


class Trouble(NamedTuple):
    """Why works cannot be kept: a word for the kind, what is said of it, and the way out; `replaced` by a backup or not."""

    kind: str
    says: str
    way_out: str
    replaced: bool = False


def database() -> Path:
    """The file that the works are in."""
    return Path(str(settings.DATABASES["default"]["NAME"]))


def damaged(why: str = "") -> Trouble:
    """The database cannot be read."""
    more = f" ({' '.join(why.replace('*** in database main ***', '').split())[:120]})" if why else ""
    return Trouble(
        "damaged", f"The works in {settings.DATA} cannot be read: the database is damaged{more}.", _BACK, True
    )


_BACK = "Bring back the newest backup; the file that is there now is put aside, not thrown away."


def _emptied() -> Trouble:
    return Trouble("emptied", f"The works in {settings.DATA} are gone: the database is empty or missing.", _BACK, True)


def _read_only() -> Trouble:
    return Trouble(
        "read_only",
        f"The works in {settings.DATA} cannot be written.",
        "Give this program the right to write there; it goes on by itself.",
    )


def _locked() -> Trouble:
    return Trouble(
        "locked",
        f"Another program holds the works in {settings.DATA}.",
        "End that program; this one goes on by itself.",
    )


def _full() -> Trouble:
    return Trouble(
        "full", f"There is no room left on the disk of {settings.DATA}.", "Make room; this program goes on by itself."
    )


def _disk() -> Trouble:
    with suppress(OSError):
        if shutil.disk_usage(settings.DATA).free < _LEAST_ROOM:
            return _full()
    return Trouble(
        "disk", f"The disk of {settings.DATA} answers with errors.", "Look at the disk; this program goes on by itself."
    )


def trouble_of(error: Exception) -> Trouble | None:
    """What an error of the database says of it, None where it says nothing of the file."""
    said = str(error).lower()
    for words, found in (
        (("malformed", "not a database", "corrupt"), damaged),
        (("disk i/o",), _disk),
        (("readonly", "read-only", "unable to open", "permission"), _read_only),
        (("locked", "busy"), _locked),
        (("full", "no space"), _full),
        (("no such table", "no such column"), _emptied),
    ):
        if any(word in said for word in words):
            return found()
    return None


def look(*, whole: bool = True) -> Trouble | None:
    """What is wrong with the database, None where nothing is; with `whole` all of it is read, if that is quick."""
    path = database()
    try:
        size = path.stat().st_size if path.exists() else 0
        log = path.with_name(f"{path.name}-wal")
        if size == 0 and not (log.exists() and log.stat().st_size):
            return _emptied() if path.exists() or _kept_before() else None
        if not _head_is_right(path):
            return damaged()
        return _inside(path, whole=whole and size <= _AT_ONCE)
    except PermissionError:
        return _read_only()
    except OSError as error:
        return trouble_of(error) or damaged(error.strerror or "")


def _kept_before() -> bool:
    """Whether this folder held works before."""
    backups, pictures = settings.DATA / "backups", settings.DATA / "photographs"
    return any(backups.glob("*.zip")) or any(pictures.glob("*.jpg"))


def _head_is_right(path: Path) -> bool:
    with path.open("rb") as file:
        head = file.read(16)
    return head == b"SQLite format 3\x00" or not head


def _inside(path: Path, *, whole: bool) -> Trouble | None:
    held = _opened(path)
    try:
        held.execute("BEGIN IMMEDIATE")
        held.execute("ROLLBACK")
        names = {name for (name,) in held.execute("SELECT name FROM sqlite_master WHERE type = 'table'")}
        if _TABLE not in names:
            return _emptied() if names or _kept_before() else None
        if whole and (found := _looked_through(held)):
            return found
        return _newer(held)
    except _UNREADABLE as error:
        return trouble_of(error) or damaged(str(error))
    finally:
        held.close()


def _opened(path: Path) -> sqlite3.Connection:
    """A database that is there; none is made."""
    return sqlite3.connect(f"{path.as_uri()}?mode=rw", uri=True, timeout=3, isolation_level=None)


def _looked_through(held: sqlite3.Connection) -> Trouble | None:
    (said,) = held.execute("PRAGMA quick_check(1)").fetchone()
    return None if said == "ok" else damaged(said)


def looked_through() -> Trouble | None:
    """What a look at every page of the database finds, however long it takes."""
    try:
        with closing(_opened(database())) as held:
            return _looked_through(held)
    except _UNREADABLE as error:
        return trouble_of(error) or damaged(str(error))


def _newer(held: sqlite3.Connection) -> Trouble | None:
    known = set(MigrationLoader(None, ignore_no_migrations=True).disk_migrations)
    apps = {app for app, _ in known}
    done = set(held.execute("SELECT app, name FROM django_migrations"))
    unknown = sorted(name for app, name in done - known if app in apps)
    if not unknown:
        return None
    return Trouble(
        "newer",
        f"The works in {settings.DATA} were written by a later version of this program.",
        "Update the program; nothing was changed.",
    )


class Health:
    """What this process last found; looked at again where something was wrong, a second after the last look."""

    def __init__(self) -> None:
        self._trouble: Trouble | None = None
        self._at = 0.0
        self._mended: Callable[[], Trouble | None] = lambda: None

    def once_mended(self, task: Callable[[], Trouble | None]) -> None:
        """What is to be done before works are served again; it may find that they cannot be."""
        self._mended = task

    def say(self, trouble: Trouble | None) -> None:
        """Something was found."""
        self._trouble, self._at = trouble, time.monotonic()

    def now(self) -> Trouble | None:
        """What is wrong, None where nothing is."""
        if self._trouble is not None and time.monotonic() - self._at > 1:
            self.say(look() or self._mended())
        return self._trouble


health = Health()
