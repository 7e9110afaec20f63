"""Sections are brought to today's version, and history keeps what each change made different."""

from typing import Any

from django.db import migrations

from server.works.history import chained
from server.works.versions import current

SECOND = 2


def brought(said: dict[str, Any], log: dict[str, Any]) -> dict[str, Any]:
    sections = [
        {"key": one["key"], "name": one["name"], "spec": current(one["spec"], one["version"], SECOND), "version": SECOND}
        for one in said["sections"]
    ]
    return {"name": said["name"], "purpose": said["purpose"], "log": log, "sections": sections}


def bring_up(apps: Any, schema_editor: Any) -> None:
    for work in apps.get_model("works", "Work").objects.all().iterator():
        sections = list(work.sections.order_by("position"))
        for section in sections:
            section.spec, section.version = current(section.spec, section.version, SECOND), SECOND
            section.save(update_fields=("spec", "version"))
        now = {
            "name": work.name,
            "purpose": work.purpose,
            "log": work.log,
            "sections": [
                {"key": one.key, "name": one.name, "spec": one.spec, "version": one.version} for one in sections
            ],
        }
        changes = list(work.changes.order_by("number"))
        documents = [(brought(one.before, work.log), brought(one.after, work.log)) for one in changes]
        found = chained(documents, sum(not one.undone for one in changes), now)
        for change, difference in zip(changes, found, strict=True):
            change.difference = difference
            change.save(update_fields=("difference",))
        # What an open window saw before this is older than all that is there.
        work.stamps = {"*": work.revision}
        work.save(update_fields=("stamps",))


class Migration(migrations.Migration):
    dependencies = [("works", "0002_logs_stamps_and_differences"), ("journal", "0002_logs_go_to_their_works")]
    operations = [
        migrations.RunPython(bring_up, migrations.RunPython.noop),
        migrations.RemoveField("change", "before"),
        migrations.RemoveField("change", "after"),
    ]
