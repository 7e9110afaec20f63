"""Django's entry for the room."""

from django.apps import AppConfig


class WorksConfig(AppConfig):
    """The works."""

    name = "server.works"
    label = "works"
