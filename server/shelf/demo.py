"""The demo shelf: cloth at High Lantern."""

from __future__ import annotations

from server.shelf import services
from server.shelf.models import Cloth


def add_demo_cloths() -> None:
    """The demo cloths, from the shipped list, with lengths at hand; nothing where the shelf has cloth already."""
    if Cloth.objects.exists():
        return
    at_hand = {
        "Gallery cotton": "3.2 m",
        "Star-party plaid": "2.6 m",
        "Bunk-room ticking": "5.5 m",
        "Curtain lining": "8 m",
    }
    _, rows, _ = services.prices()
    for row in rows:
        if row.name in at_hand:
            services.put_on_shelf(row.name, row.unit, {**row.spec, "length": at_hand[row.name]})
    services.put_on_shelf(
        "Old bed sheet", "cm", {"usable": "180 cm", "length": "240 cm", "rectangle": True, "weight": "140"}
    )
