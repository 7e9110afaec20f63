"""The program's names for a work's sections and changes; the tables stay as they are called."""

from django.db import migrations


class Migration(migrations.Migration):
    dependencies = [("works", "0004_cloths_by_role")]

    operations = [
        migrations.AlterModelTable("section", "works_section"),
        migrations.RenameModel("Section", "WorkSection"),
        migrations.AlterModelTable("change", "works_change"),
        migrations.RenameModel("Change", "ChangeMade"),
    ]
