"""Django's entry for the room."""

from django.apps import AppConfig


class ShelfConfig(AppConfig):
    """The cloth shelf."""

    name = "server.shelf"
    label = "shelf"
