"""What is kept: works, their sections, and every change to them.  Results are never kept."""

from __future__ import annotations

import secrets

from django.db import models

_LETTERS = "abcdefghjkmnpqrstuvwxyz23456789"  # none that look alike


def new_key() -> str:
    """A short name for an address, hard to guess and easy to read out."""
    return "".join(secrets.choice(_LETTERS) for _ in range(10))


class Work(models.Model):
    """Something being made."""

    key = models.CharField(primary_key=True, max_length=10, default=new_key, editable=False)
    name = models.CharField(max_length=120)
    purpose = models.CharField(max_length=200, blank=True)
    revision = models.PositiveIntegerField(default=1)
    position = models.IntegerField(default=0)
    made = models.DateTimeField(auto_now_add=True)
    touched = models.DateTimeField(db_index=True)
    deleted = models.DateTimeField(null=True, db_index=True)

    def __str__(self) -> str:
        return self.name


class Section(models.Model):
    """One piece of a work: its spec just as typed, and the version of the shape that the spec has."""

    key = models.CharField(primary_key=True, max_length=10, default=new_key, editable=False)
    work = models.ForeignKey(Work, on_delete=models.CASCADE, related_name="sections")
    position = models.PositiveIntegerField()
    name = models.CharField(max_length=120)
    spec = models.JSONField()
    version = models.PositiveIntegerField(default=1)

    class Meta:
        ordering = ("position",)

    def __str__(self) -> str:
        return self.name


class Change(models.Model):
    """One change to a work: the whole of it before and after, so that undo and redo need nothing else."""

    work = models.ForeignKey(Work, on_delete=models.CASCADE, related_name="changes")
    number = models.PositiveIntegerField()
    says = models.CharField(max_length=200)
    place = models.CharField(max_length=80, blank=True)
    at = models.DateTimeField()
    before = models.JSONField()
    after = models.JSONField()
    undone = models.BooleanField(default=False)

    class Meta:
        ordering = ("number",)
        constraints = (models.UniqueConstraint(fields=("work", "number"), name="one_change_a_number"),)

    def __str__(self) -> str:
        return self.says
