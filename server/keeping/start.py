"""What is done with the data folder before anything is served from it."""

from __future__ import annotations

import fcntl
import os
import shutil
import stat
import time
from contextlib import suppress
from pathlib import Path

from django.conf import settings
from django.core.management import call_command
from django.db import DatabaseError, connection
from django.db.migrations.executor import MigrationExecutor

from server.journal.models import Photograph
from server.keeping import kept
from server.keeping.backup import NotWhole
from server.keeping.health import Trouble, damaged, database, look, trouble_of
from server.keeping.job import LOCK
from server.pictures.photographs import sweep
from server.wire.locks import taken

_WAIT = 4.0  # s, for a program that is just ending
_WAIT_FOR_JOB = 20.0
_HALF_DONE = (".half-*", "*.upload", ".held-*", ".keeping.json", ".keeping.half")


class Served(Exception):
    """Another program serves this folder."""


def take_folder(data: Path, says: str) -> int:
    """The handle of the lock on a data folder, held as long as it is open.  Raises `Served` where another holds it.

    Below nought for a folder that cannot be written, where there is nothing to guard.
    """
    try:
        handle = os.open(data / ".serving", os.O_RDWR | os.O_CREAT, 0o600)
    except OSError:
        return -1
    if not taken(handle, _WAIT):
        other = os.read(handle, 200).decode(errors="replace").strip()
        os.close(handle)
        raise Served(other)
    os.ftruncate(handle, 0)
    os.pwrite(handle, says.encode(), 0)
    os.set_inheritable(handle, True)
    return handle


def owners_alone(data: Path) -> None:
    """Let nobody but the owner read what is in the folder, including what was there before."""
    _alone(data, 0o700)
    for place, folders, files in os.walk(data):
        for name in folders:
            _alone(Path(place) / name, 0o700)
        for name in files:
            _alone(Path(place) / name, 0o600)


def _alone(path: Path, mode: int) -> None:
    with suppress(OSError):  # somebody else's, on a disk that cannot be written, or gone this moment
        if not path.is_symlink() and stat.S_IMODE(path.stat().st_mode) != mode:
            path.chmod(mode)


def ready(*, fresh: bool = False) -> Trouble | None:
    """Bring the folder up to date: a backup before an update, the update, half-done things swept away.

    Gives back what stands in the way, and then nothing was changed.  A `fresh` folder may have no works in it, though
    it had some before; its photographs stay, for those are what is left.
    """
    found = None if fresh else look()
    return found or up_to_date(sweep_too=not fresh)


def up_to_date(*, sweep_too: bool = False) -> Trouble | None:
    """What stands in the way of the database having today's shape, which it is given, one process at a time."""
    try:
        with (settings.DATA / ".updating").open("w") as lock:
            fcntl.flock(lock, fcntl.LOCK_EX)
            if _updates_are_due():
                _back_up_as_it_is()
                call_command("migrate", verbosity=0)
            if sweep_too:
                _swept()
        connection.close()
    except (DatabaseError, NotWhole, UnicodeDecodeError) as error:
        return trouble_of(error) or damaged(str(error))
    except OSError as error:
        return trouble_of(error) or Trouble(
            "unwritable", f"The works in {settings.DATA} cannot be kept: {error.strerror}.", "Look at that folder."
        )
    return None


def _updates_are_due() -> bool:
    executor = MigrationExecutor(connection)
    return bool(executor.migration_plan(executor.loader.graph.leaf_nodes()))


def _back_up_as_it_is() -> None:
    """A copy of the database as it is before an update; today's backup cannot read a shape of yesterday."""
    path = database()
    if "works_work" not in connection.introspection.table_names():
        return
    connection.close()
    kept.put_aside_before_update(path)


def _swept() -> None:
    """Sweep what was left half done; not beside a restore whose program was killed and that is itself not over yet."""
    with (settings.DATA / LOCK).open("w") as lock:
        if taken(lock, _WAIT_FOR_JOB):
            _sweep_now()  # else the next start does


def _sweep_now() -> None:
    for pattern in _HALF_DONE:
        for path in (*settings.DATA.glob(pattern), *kept.folder().glob(pattern)):
            if path.is_dir():
                shutil.rmtree(path, ignore_errors=True)
            else:
                path.unlink(missing_ok=True)
    sweep(set(Photograph.everything.values_list("file", flat=True)))


def put_aside() -> None:
    """Put the database that cannot be read aside, for somebody who can."""
    connection.close()
    path, now = database(), time.strftime("%Y-%m-%d-%H%M%S")
    for tail in ("", "-wal", "-shm"):
        part = path.with_name(f"{path.name}{tail}")
        if part.exists():
            part.replace(path.with_name(f"{path.name}.put-aside-{now}{tail}"))
