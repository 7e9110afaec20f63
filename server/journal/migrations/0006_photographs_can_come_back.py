from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("journal", "0005_checks_can_be_struck")]

    operations = [migrations.AddField("photograph", "removed", models.DateTimeField(null=True, default=None))]
