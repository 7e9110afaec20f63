"""What is kept of cloths: each as typed, and what went out and came back."""

from __future__ import annotations

from django.db import models

from server.works.models import Present, new_key


class Cloth(models.Model):
    """One cloth on the shelf: its facts just as typed, in the unit they were typed in."""

    key = models.CharField(primary_key=True, max_length=10, default=new_key, editable=False)
    name = models.CharField(max_length=120)
    unit = models.CharField(max_length=2, default="cm")
    spec = models.JSONField()
    revision = models.PositiveIntegerField(default=1)
    touched = models.DateTimeField(db_index=True)
    removed = models.DateTimeField(null=True, default=None)
    objects = Present()
    everything = models.Manager()

    class Meta:
        ordering = ("name", "key")

    def __str__(self) -> str:
        return self.name


class Movement(models.Model):
    """A length that went out to a work, or came back from it (below nought: out), as it was typed."""

    cloth = models.ForeignKey(Cloth, on_delete=models.CASCADE, related_name="movements")
    work = models.CharField(max_length=120, blank=True)
    length = models.CharField(max_length=60)
    back = models.BooleanField(default=False)
    at = models.DateTimeField()

    class Meta:
        ordering = ("-at", "-id")

    def __str__(self) -> str:
        return f"{self.length} {'from' if self.back else 'to'} {self.work}"
