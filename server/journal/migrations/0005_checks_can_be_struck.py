from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("journal", "0004_names_of_their_own")]

    operations = [migrations.AddField("check", "struck", models.BooleanField(default=False))]
