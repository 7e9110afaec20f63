from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("shelf", "0002_weights_say_their_unit")]

    operations = [migrations.AddField("cloth", "removed", models.DateTimeField(null=True, default=None))]
