"""`manage.py demo_swatches`: the demo swatches, put into an empty book."""

from typing import Any

from django.core.management.base import BaseCommand

from server.swatches.demo import add_demo_swatches


class Command(BaseCommand):
    """Puts the demo swatches into the book, once."""

    help = "Put the demo swatches into an empty swatch book."

    def handle(self, *args: Any, **options: Any) -> None:
        add_demo_swatches()
