"""Bare weights of cloths get the unit that they had, and cloths say that they are sold by the metre."""

from typing import Any

from django.db import migrations

from server.works.versions import cloth_of_two


def bring_up(apps: Any, schema_editor: Any) -> None:
    for cloth in apps.get_model("shelf", "Cloth").objects.all():
        spec = cloth_of_two(cloth.spec)
        if spec != cloth.spec:
            cloth.spec = spec
            cloth.save(update_fields=("spec",))


class Migration(migrations.Migration):
    dependencies = [("shelf", "0001_initial")]
    operations = [migrations.RunPython(bring_up, migrations.RunPython.noop)]
