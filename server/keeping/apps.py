"""Django's entry for the room."""

from django.apps import AppConfig


class KeepingConfig(AppConfig):
    """Backups and the data folder."""

    name = "server.keeping"
    label = "keeping"
