"""Works have their cloths by role and may have a thing; sections, checks and histories are brought to version 4."""

from typing import Any

from django.db import migrations, models

from server.works.earlier import differences_again
from server.works.versions import CURRENT, current


def bring_up(apps: Any, schema_editor: Any) -> None:
    for work in apps.get_model("works", "Work").objects.all().iterator():
        sections = list(work.sections.order_by("position"))
        now = {
            "name": work.name,
            "purpose": work.purpose,
            "log": work.log,
            "sections": [
                {"key": one.key, "name": one.name, "spec": one.spec, "version": one.version} for one in sections
            ],
        }
        changes = list(work.changes.order_by("number"))
        made, found = differences_again([(one.difference, one.undone) for one in changes], now)
        for section, after in zip(sections, made["sections"], strict=True):
            section.spec, section.version = after["spec"], after["version"]
            section.save(update_fields=("spec", "version"))
        for change, difference in zip(changes, found, strict=True):
            change.difference = difference
            change.save(update_fields=("difference",))
        work.cloths = made["cloths"]
        # What an open window saw before this is older than all that is there.
        work.stamps = {"*": work.revision}
        work.save(update_fields=("cloths", "stamps"))
    for check in apps.get_model("journal", "Check").objects.all().iterator():
        check.spec, check.version = current(check.spec, check.version), CURRENT
        check.save(update_fields=("spec", "version"))


class Migration(migrations.Migration):
    dependencies = [("works", "0003_differences_in_place_of_whole_works"), ("journal", "0003_checks_of_today")]
    operations = [
        migrations.AddField("work", "cloths", models.JSONField(default=dict)),
        migrations.AddField("work", "thing", models.JSONField(null=True)),
        migrations.RunPython(bring_up, migrations.RunPython.noop),
    ]
