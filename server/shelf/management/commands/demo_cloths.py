"""`manage.py demo_cloths`: the demo cloths, put on an empty cloth shelf."""

from typing import Any

from django.core.management.base import BaseCommand

from server.shelf.demo import add_demo_cloths


class Command(BaseCommand):
    """Puts the demo cloths on the shelf, once."""

    help = "Put the demo cloths on an empty cloth shelf."

    def handle(self, *args: Any, **options: Any) -> None:
        add_demo_cloths()
