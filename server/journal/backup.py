"""Everything in one file, and back, while the program runs."""

from __future__ import annotations

import re
from io import BytesIO
from typing import IO, Any
from zipfile import ZIP_DEFLATED, BadZipFile, ZipFile

import orjson
from django.core import serializers
from django.core.exceptions import FieldDoesNotExist, ValidationError
from django.core.serializers.base import DeserializationError
from django.db import DatabaseError, connection, transaction
from django.utils import timezone

from ribbon.errors import refuse
from server.journal.models import Check, Entry, Photograph, Place
from server.journal.photographs import folder, read, redrawn
from server.shelf.models import Cloth, Movement
from server.works.models import Change, Section, Work
from server.works.versions import cloth_of_two

VERSION = 2
MOST_BYTES = 400 * 1024 * 1024
_KEPT = (Work, Section, Change, Cloth, Movement, Place, Check, Entry, Photograph)
_NAMES = {f"{model.__module__.split('.')[1]}.{model.__name__.lower()}" for model in _KEPT}
_PICTURE = re.compile(r"photographs/[a-z0-9]{1,20}\.jpg$")


def backup() -> tuple[bytes, str]:
    """(a ZIP of every work, cloth, check and photograph as they are at this moment, its name)."""
    made = BytesIO()
    with transaction.atomic():
        rows = [row for model in _KEPT for row in serializers.serialize("python", model.objects.order_by("pk"))]
        keys = list(Photograph.objects.values_list("key", flat=True))
    head = {"format": "young-ribbon-backup", "version": VERSION, "made": timezone.now().isoformat()}
    with ZipFile(made, "w", ZIP_DEFLATED) as file:
        file.writestr("everything.json", orjson.dumps({**head, "rows": rows}, default=str))
        for key in keys:
            data = read(key)
            if data is not None:
                file.writestr(f"photographs/{key}.jpg", data)
    return made.getvalue(), f"young-ribbon-{timezone.now():%Y-%m-%d}.zip"


def restore(file: IO[bytes], name: str, size: int) -> dict[str, int]:
    """How many works, cloths and photographs a backup brought back; it takes the place of all that was here.

    Raises `Refusal` for a file that is no backup, and then nothing has changed.
    """
    if size > MOST_BYTES:
        raise refuse(
            "too_large",
            "file",
            name,
            f"{size / 1e6:.0f} MB is more than a backup can be",
            "choose a file of less than 400 MB",
        )
    rows, pictures = _opened(file, name)
    try:
        with transaction.atomic():
            for model in reversed(_KEPT):
                model.objects.all().delete()
            for row in serializers.deserialize("python", rows):
                row.save()
            connection.check_constraints()  # here, so that what points nowhere undoes everything
            for key, data in pictures.items():
                (folder() / f"{key}.jpg").write_bytes(data)
    except (
        DeserializationError,
        FieldDoesNotExist,
        ValidationError,
        DatabaseError,
        ValueError,
        TypeError,
        KeyError,
        AttributeError,
    ) as error:
        raise refuse(
            "not_backup",
            "file",
            name,
            f"the backup cannot be read: {str(error)[:160]}",
            "choose another backup; nothing was changed",
        ) from None
    return {
        "works": Work.objects.filter(deleted=None).count(),
        "cloths": Cloth.objects.count(),
        "photographs": len(pictures),
    }


def _opened(file: IO[bytes], name: str) -> tuple[list[dict[str, object]], dict[str, bytes]]:
    """The rows of a backup, of known tables alone, and its photographs, drawn anew."""
    wrong = refuse("not_backup", "file", name, "this is not a backup of this program", "choose a file that Backup made")
    try:
        with ZipFile(file) as held:
            if sum(one.file_size for one in held.infolist()) > 4 * MOST_BYTES:
                raise wrong
            said = orjson.loads(held.read("everything.json"))
            found = [one.filename for one in held.infolist() if _PICTURE.match(one.filename)]
            pictures = {path[12:-4]: redrawn(held.read(path), path)[0] for path in found}
    except (BadZipFile, KeyError, orjson.JSONDecodeError, RuntimeError, EOFError, OSError):
        raise wrong from None
    if (
        not isinstance(said, dict)
        or said.get("format") != "young-ribbon-backup"
        or not isinstance(said.get("rows"), list)
    ):
        raise wrong
    if not isinstance(said.get("version"), int) or said["version"] > VERSION:
        raise refuse(
            "later", "file", name, "this backup was made by a later version of the program", "update the program first"
        )
    rows = said["rows"]
    if not all(isinstance(row, dict) and row.get("model") in _NAMES for row in rows):
        raise wrong
    return [_current(row, said["version"]) for row in rows], pictures


def _current(row: dict[str, Any], version: int) -> dict[str, Any]:
    """A row as this version keeps it; sections and checks carry their own version and are brought up as they are read."""
    fields = row.get("fields")
    if version >= 2 or row["model"] != "shelf.cloth" or not isinstance(fields, dict):
        return row
    return {**row, "fields": {**fields, "spec": cloth_of_two(fields.get("spec") or {})}}
