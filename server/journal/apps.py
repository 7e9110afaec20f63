"""Django's entry for the room."""

from django.apps import AppConfig


class JournalConfig(AppConfig):
    """The journal."""

    name = "server.journal"
    label = "journal"
