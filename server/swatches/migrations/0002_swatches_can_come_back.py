from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("swatches", "0001_initial")]

    operations = [migrations.AddField("bookswatch", "removed", models.DateTimeField(null=True, default=None))]
