"""Checks are brought to today's version of what they were sewn by."""

from typing import Any

from django.db import migrations

from server.works.versions import current

SECOND = 2


def bring_up(apps: Any, schema_editor: Any) -> None:
    for check in apps.get_model("journal", "Check").objects.filter(version__lt=SECOND):
        check.spec, check.version = current(check.spec, check.version, SECOND), SECOND
        check.save(update_fields=("spec", "version"))


class Migration(migrations.Migration):
    dependencies = [("journal", "0002_logs_go_to_their_works")]
    operations = [migrations.RunPython(bring_up, migrations.RunPython.noop)]
