"""Logs become part of their works; photographs name the file that they are in."""

from typing import Any

from django.db import migrations, models


def bring_up(apps: Any, schema_editor: Any) -> None:
    for entry in apps.get_model("journal", "Entry").objects.select_related("work"):
        words = {name: getattr(entry, name) for name in ("notes", "faults", "hours", "cost", "finished")}
        entry.work.log = {name: value for name, value in words.items() if value}
        entry.work.save(update_fields=("log",))
    photographs = apps.get_model("journal", "Photograph")
    photographs.objects.update(file=models.F("key"))


class Migration(migrations.Migration):
    dependencies = [("journal", "0001_initial"), ("works", "0002_logs_stamps_and_differences")]
    operations = [
        migrations.AddField("photograph", "file", models.CharField(default="", max_length=64), preserve_default=False),
        migrations.RunPython(bring_up, migrations.RunPython.noop),
        migrations.DeleteModel("Entry"),
    ]
