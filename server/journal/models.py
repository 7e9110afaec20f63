"""What is kept of the making: places at the table, checks, photographs.  Inputs alone, as typed; results never."""

from __future__ import annotations

from django.db import models

from server.works.models import Present, Work, new_key


class TablePlace(models.Model):
    """How far the marking of one piece has come."""

    work = models.ForeignKey(Work, on_delete=models.CASCADE, related_name="places")
    section = models.CharField(max_length=10, unique=True)
    at = models.PositiveIntegerField(default=0)
    nought = models.CharField(max_length=6, default="start")
    side = models.CharField(max_length=2, default="RS")
    folded = models.PositiveIntegerField(default=0)

    class Meta:
        db_table = "journal_place"

    def __str__(self) -> str:
        return f"{self.section}: {self.at}"


class Check(models.Model):
    """One measuring of a basted piece: what was measured, and the spec that it was sewn by.

    One that was struck, or undone, stays until its work goes: undo and redo bring it back.
    """

    work = models.ForeignKey(Work, on_delete=models.CASCADE, related_name="checks")
    section = models.CharField(max_length=10)
    name = models.CharField(max_length=120)
    at = models.DateTimeField()
    measured = models.JSONField()
    spec = models.JSONField()
    version = models.PositiveIntegerField(default=1)
    taken = models.BooleanField(default=False)
    level = models.CharField(max_length=5, default="lower")
    struck = models.BooleanField(default=False)

    class Meta:
        ordering = ("at", "id")

    def __str__(self) -> str:
        return f"{self.name}: {', '.join(self.measured)}"


class Photograph(models.Model):
    """A photograph of a work; the picture itself is a file in the data folder, named by what is in it."""

    key = models.CharField(primary_key=True, max_length=10, default=new_key, editable=False)
    work = models.ForeignKey(Work, on_delete=models.CASCADE, related_name="photographs")
    says = models.CharField(max_length=200, blank=True)
    file = models.CharField(max_length=64)
    at = models.DateTimeField()
    width = models.PositiveIntegerField()
    height = models.PositiveIntegerField()
    removed = models.DateTimeField(null=True, default=None)
    objects = Present()
    everything = models.Manager()

    class Meta:
        ordering = ("at", "key")

    def __str__(self) -> str:
        return self.says or self.key
