"""What a sewist is used to is kept once."""

from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("works", "0005_names_of_their_own")]

    operations = [
        migrations.CreateModel(
            name="Ways",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("said", models.JSONField(default=dict)),
                ("revision", models.PositiveIntegerField(default=0)),
            ],
        ),
    ]
