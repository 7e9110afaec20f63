"""The demo book: what the volunteers of High Lantern tried of three of their cloths."""

from __future__ import annotations

from typing import Any

from server.swatches.models import BookSwatch
from server.swatches.schema import BookSpec
from server.swatches.services import put_in

_SWATCHES: tuple[tuple[str, str, str, dict[str, Any]], ...] = (
    ("Petticoat lawn", "gathered", "cm", {
        "flat": "50 cm", "measured": ["20.5 cm", "19.8 cm", "20.2 cm"], "rows": "2", "stitch": "4", "thread": "polyester, 120",
        "says": "Three rows would lie flatter at the seam; two were enough.",
    }),
    ("Petticoat lawn", "attachment", "cm", {
        "flat": "40 cm", "measured": ["16 cm"], "every": "6", "stitch": "2", "screw": "3", "guide": "1.5 cm",
        "says": "Turned by hand for two tucks. At screw 4 it caught.",
    }),
    ("Gallery cotton", "fold", "in", {
        "flat": "60 in", "measured": ["19 3/4 in"], "folds": "10", "depth": "2 in", "says": "Pressed with a wet cloth.",
    }),
    ("Gallery cotton", "gathered", "in", {"flat": "20 in", "measured": ["10 1/4 in", "10 1/8 in"], "rows": "3", "stitch": "4"}),
    ("Guide blue wool", "cartridge", "cm", {
        "folds": "12", "measured": ["9 cm", "9.2 cm"], "depth": "1.5 cm", "says": "Two rows, waxed thread.",
    }),
)  # fmt: skip


def add_demo_swatches() -> None:
    """The demo swatches; nothing where the book has some already."""
    if BookSwatch.objects.exists():
        return
    for cloth, kind, unit, spec in _SWATCHES:
        put_in(cloth, kind, unit, BookSpec.model_validate(spec))
