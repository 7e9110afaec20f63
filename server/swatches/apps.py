"""Django's entry for the room."""

from django.apps import AppConfig


class SwatchesConfig(AppConfig):
    """The swatch book."""

    name = "server.swatches"
    label = "swatches"
