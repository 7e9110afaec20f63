"""What was changed elsewhere in the meantime is not written over unseen."""

from __future__ import annotations

from datetime import timedelta
from typing import Any, TypeVar

from django.db import models
from django.shortcuts import get_object_or_404
from django.utils import timezone

from ribbon.errors import refuse

Row = TypeVar("Row", bound=models.Model)
_KEPT = timedelta(days=30)
"""How long what was removed can still be brought back."""


def as_seen(model: type[Row], key: str, revision: int, what: str) -> Row:
    """The row of that key at the revision that was seen.  Raises `Refusal` for a later one, Http404 where there is none."""
    row = get_object_or_404(model, key=key)
    if row.revision != revision:  # type: ignore[attr-defined]
        raise refuse(
            "stale",
            "revision",
            revision,
            f"this {what} was changed elsewhere in the meantime",
            "look at it again, then change it",
        )
    return row


def kept_anew(row: Row) -> Row:
    """The row written, at its next revision, touched now."""
    row.revision += 1  # type: ignore[attr-defined]
    row.touched = timezone.now()  # type: ignore[attr-defined]
    row.save()
    return row


def removed(row: models.Model, everything: models.Manager[Any]) -> None:
    """The row is gone from all lists, and can be brought back; those that went long ago go for good."""
    everything.filter(removed__lt=timezone.now() - _KEPT).delete()
    everything.filter(pk=row.pk).update(removed=timezone.now())


def brought_back(everything: models.Manager[Any], **which: Any) -> Any:
    """The row that was removed, as it was.  Raises Http404 where there is none."""
    row = get_object_or_404(everything, **which)
    if row.removed is not None:
        row.removed = None
        row.save(update_fields=("removed",))
    return row
