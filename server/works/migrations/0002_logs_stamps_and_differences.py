import django.utils.timezone
from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("works", "0001_initial")]
    operations = [
        migrations.AddField("work", "log", models.JSONField(default=dict)),
        migrations.AddField("work", "stamps", models.JSONField(default=dict)),
        migrations.AlterField("work", "made", models.DateTimeField(default=django.utils.timezone.now)),
        migrations.AddField("change", "difference", models.JSONField(default=list)),
        migrations.CreateModel(
            name="HighWater",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("revision", models.PositiveIntegerField(default=0)),
            ],
        ),
        migrations.CreateModel(
            name="Answered",
            fields=[
                ("token", models.CharField(max_length=64, primary_key=True, serialize=False)),
                ("address", models.CharField(max_length=200)),
                ("at", models.DateTimeField(db_index=True)),
                ("status", models.PositiveIntegerField()),
                ("body", models.BinaryField()),
            ],
        ),
    ]
