"""Rows that can no longer be read: they are told as that, and never keep a list from being shown."""

from __future__ import annotations

from collections.abc import Callable, Iterable
from typing import Any, TypeVar

import orjson
from django.db import models
from pydantic import ValidationError
from typing_extensions import TypedDict

from ribbon.errors import Refusal

Row = TypeVar("Row", bound=models.Model)
UNREADABLE = (ValidationError, Refusal, ValueError, TypeError, KeyError, AttributeError, IndexError)
"""What reading a row raises that was not written by this program, or is damaged."""


class UnreadableOut(TypedDict):
    """A row that cannot be read: what it is known by, why, and all of it as it is kept, as JSON text."""

    key: str
    name: str
    why: str
    kept: str


def told_apart(rows: Iterable[Row], tell: Callable[[Row], Any]) -> tuple[list[Any], list[UnreadableOut]]:
    """(the rows that can be read, as they are told; the others)."""
    told, wrong = [], []
    for row in rows:
        try:
            told.append(tell(row))
        except UNREADABLE as error:
            wrong.append(_unreadable(row, error))
    return told, wrong


def _unreadable(row: models.Model, error: Exception) -> UnreadableOut:
    values = {field.attname: getattr(row, field.attname) for field in row._meta.concrete_fields}  # noqa: SLF001 - Django's own name for what is public
    kept = {name: value for name, value in values.items() if not isinstance(value, bytes | memoryview)}
    return {
        "key": str(row.pk),
        "name": str(row),
        "why": f"{type(error).__name__}: {str(error).splitlines()[0][:200] if str(error) else ''}",
        "kept": orjson.dumps(kept, default=str, option=orjson.OPT_INDENT_2).decode(),
    }
