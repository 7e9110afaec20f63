"""`manage.py demo_works`: the demo works, put on an empty shelf."""

from typing import Any

from django.core.management.base import BaseCommand

from server.journal.demo import add_demo_works
from server.works.models import Work


class Command(BaseCommand):
    """Puts the demo works on the shelf, once."""

    help = "Put the demo works on an empty shelf."

    def handle(self, *args: Any, **options: Any) -> None:
        if not Work.objects.exists():
            add_demo_works()
