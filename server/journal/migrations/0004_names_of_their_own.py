"""The program's name for a place at the table; the database's table stays as it is called."""

from django.db import migrations


class Migration(migrations.Migration):
    dependencies = [("journal", "0003_checks_of_today")]

    operations = [
        migrations.AlterModelTable("place", "journal_place"),
        migrations.RenameModel("Place", "TablePlace"),
    ]
