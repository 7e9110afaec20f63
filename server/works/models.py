"""What is kept: works, their sections, and every change to them.  Results are never kept."""

from __future__ import annotations

import secrets
from typing import TypeVar

from django.db import models
from django.utils import timezone

_LETTERS = "abcdefghjkmnpqrstuvwxyz23456789"  # none that look alike


def new_key() -> str:
    """A short name for an address, hard to guess and easy to read out."""
    return "".join(secrets.choice(_LETTERS) for _ in range(10))


Row = TypeVar("Row", bound=models.Model)


class Present(models.Manager[Row]):
    """The rows that were not removed: one that was is kept for a while, so that it can be brought back as it was."""

    def get_queryset(self) -> models.QuerySet[Row]:
        """All but those that were removed."""
        return super().get_queryset().filter(removed=None)


class Work(models.Model):
    """Something being made."""

    key = models.CharField(primary_key=True, max_length=10, default=new_key, editable=False)
    name = models.CharField(max_length=120)
    purpose = models.CharField(max_length=200, blank=True)
    cloths = models.JSONField(default=dict)  # by role, each as typed; sections name the roles
    thing = models.JSONField(null=True)  # what is made: its kind, measures and choices; none of a free set of edges
    log = models.JSONField(default=dict)  # its maker's words: notes, faults, hours, cost, whether it is finished
    revision = models.PositiveIntegerField(default=1)
    stamps = models.JSONField(default=dict)  # the revision that last changed each part of it; "*" for all others
    position = models.IntegerField(default=0)
    made = models.DateTimeField(default=timezone.now)
    touched = models.DateTimeField(db_index=True)
    deleted = models.DateTimeField(null=True, db_index=True)

    def __str__(self) -> str:
        return self.name


class WorkSection(models.Model):
    """One piece of a work: its spec just as typed, and the version of the shape that the spec has."""

    key = models.CharField(primary_key=True, max_length=10, default=new_key, editable=False)
    work = models.ForeignKey(Work, on_delete=models.CASCADE, related_name="sections")
    position = models.PositiveIntegerField()
    name = models.CharField(max_length=120)
    spec = models.JSONField()
    version = models.PositiveIntegerField(default=1)

    class Meta:
        db_table = "works_section"
        ordering = ("position",)

    def __str__(self) -> str:
        return self.name


class ChangeMade(models.Model):
    """One change to a work: what it made different, so that it can be undone and done again."""

    work = models.ForeignKey(Work, on_delete=models.CASCADE, related_name="changes")
    number = models.PositiveIntegerField()
    says = models.CharField(max_length=200)
    place = models.CharField(max_length=80, blank=True)
    at = models.DateTimeField()
    difference = models.JSONField(default=list)
    undone = models.BooleanField(default=False)

    class Meta:
        db_table = "works_change"
        ordering = ("number",)
        constraints = (models.UniqueConstraint(fields=("work", "number"), name="one_change_a_number"),)

    def __str__(self) -> str:
        return self.says


class HighWater(models.Model):
    """The highest revision of all that is kept no longer; what comes back from a backup goes on above it."""

    revision = models.PositiveIntegerField(default=0)

    def __str__(self) -> str:
        return str(self.revision)


class Answered(models.Model):
    """An act that was answered, by the name that its sender gave it: where it comes again it is not done again."""

    token = models.CharField(primary_key=True, max_length=64)
    address = models.CharField(max_length=200)
    at = models.DateTimeField(db_index=True)
    status = models.PositiveIntegerField()
    body = models.BinaryField()

    def __str__(self) -> str:
        return self.address


class Ways(models.Model):
    """What a sewist is used to: one row, as typed."""

    said = models.JSONField(default=dict)
    revision = models.PositiveIntegerField(default=0)

    def __str__(self) -> str:
        return "My ways"
