from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("journal", "0004_names_of_their_own")]

    operations = [
        migrations.AddField("check", "struck", models.BooleanField(default=False)),
        migrations.AddField("check", "level", models.CharField(max_length=5, default="lower")),
    ]
