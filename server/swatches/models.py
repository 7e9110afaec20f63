"""What is kept of swatches: each as typed, with its picture."""

from __future__ import annotations

from django.db import models

from server.works.models import Present, new_key


class BookSwatch(models.Model):
    """One swatch: of which cloth, what was tried, its facts just as typed, in the unit they were typed in."""

    key = models.CharField(primary_key=True, max_length=10, default=new_key, editable=False)
    cloth = models.CharField(max_length=120)
    kind = models.CharField(max_length=12)
    unit = models.CharField(max_length=2, default="cm")
    spec = models.JSONField()
    picture = models.BinaryField(null=True, default=None)
    revision = models.PositiveIntegerField(default=1)
    touched = models.DateTimeField(db_index=True)
    removed = models.DateTimeField(null=True, default=None)
    objects = Present()
    everything = models.Manager()

    class Meta:
        ordering = ("cloth", "kind", "key")

    def __str__(self) -> str:
        return f"{self.cloth}, {self.kind}"
