"""The demo works: pieces that the volunteers of High Lantern sew for the observatory and its guest house."""

from __future__ import annotations

from typing import Any

from server.works.models import Work
from server.works.services import create

_WORKS: tuple[tuple[str, str, tuple[tuple[str, dict[str, Any]], ...]], ...] = (
    (
        "Telescope cover",
        "for the old refractor, a pleat at each corner",
        (
            (
                "Skirt of the cover",
                {
                    "kind": "inverted", "unit": "in", "closed": True,
                    "pins": {"finished": "114 in", "depth": "2 1/2 in"},
                    "placed": [{"at": "13 in"}, {"at": "44 in"}, {"at": "70 in"}, {"at": "101 in"}],
                    "allowance": {"start": "1/2 in", "end": "1/2 in", "join": "1/2 in"},
                },
            ),
        ),
    ),
    (
        "Observing coat",
        "knife pleats in front, cartridge pleats behind, on one band",
        (
            (
                "Skirt of the coat",
                {
                    "kind": "mixed", "unit": "cm", "pins": {"finished": "84 cm"},
                    "parts": [
                        {"kind": "plain", "width": "6 cm"},
                        {"kind": "knife", "share": "1/4", "facing": "left", "meet": True, "pins": {"spacing": {"about": "2 cm"}}},
                        {"kind": "cartridge", "pins": {"spacing": {"about": "8 mm"}, "depth": "15 mm"}},
                        {"kind": "knife", "share": "1/4", "facing": "right", "meet": True, "pins": {"spacing": {"about": "2 cm"}}},
                        {"kind": "plain", "width": "6 cm"},
                    ],
                    "allowance": {"start": "1.5 cm", "end": "1.5 cm", "join": "1.5 cm"},
                },
            ),
        ),
    ),
    (
        "Bunk curtain",
        "guest house, lower bunk",
        (
            (
                "Curtain",
                {
                    "kind": "pinch", "unit": "in",
                    "pins": {"finished": "62 in", "flat": "150 in", "spacing": {"about": "3 1/2 in"}},
                    "lead": {"times": "1"}, "tail": {"times": "1"},
                    "allowance": {"start": "1 1/2 in", "end": "1 1/2 in", "join": "1/2 in"},
                },
            ),
        ),
    ),
    (
        "Reading-room curtain",
        "left-hand panel",
        (
            (
                "Panel",
                {
                    "kind": "pinch", "unit": "in",
                    "pins": {"finished": "47 in", "flat": "100 in", "spacing": {"about": "4 in"}},
                    "lead": {"width": "3 1/2 in"}, "tail": {"width": "1 1/2 in"},
                    "allowance": {"start": "1 1/2 in", "end": "1 1/2 in", "join": "1/2 in"},
                },
            ),
        ),
    ),
    (
        "Nightgown cuff",
        "for cold nights at the eyepiece",
        (
            (
                "Cuff frill",
                {
                    "kind": "gather", "unit": "cm",
                    "pins": {"finished": "22 cm", "fullness": "1.8"},
                    "allowance": {"start": "1 cm", "end": "1 cm", "join": "1 cm"},
                },
            ),
        ),
    ),
    (
        "Star-party apron",
        "one for each volunteer",
        (
            (
                "Apron skirt",
                {
                    "kind": "knife", "unit": "in",
                    "pins": {"finished": "40 in", "flat": "118 in", "spacing": "1 in"},
                    "allowance": {"start": "1/2 in", "end": "1/2 in", "join": "1/2 in"},
                },
            ),
        ),
    ),
    (
        "Dome valance",
        "round the dome room's gallery",
        (
            (
                "Valance",
                {
                    "kind": "box", "unit": "in",
                    "pins": {"finished": "96 in", "box": "4 in"},
                    "meet": True,
                    "allowance": {"start": "1/2 in", "end": "1/2 in", "join": "1/2 in"},
                    "cloth": {"usable": "54 in"},
                },
            ),
        ),
    ),
    (
        "Guide’s skirt",
        "for the dome guides",
        (
            (
                "Skirt length",
                {
                    "kind": "knife", "unit": "cm",
                    "pins": {"finished": "70 cm", "spacing": {"about": "3 cm"}},
                    "meet": True, "closed": True,
                    "allowance": {"start": "1.5 cm", "end": "1.5 cm", "join": "1.5 cm"},
                    "cloth": {"usable": "138 cm"},
                },
            ),
        ),
    ),
)  # fmt: skip


def add_demo_works() -> list[Work]:
    """The demo works, newly put on the shelf; the guide's skirt is the last touched."""
    return [
        create(name, purpose, [{"name": piece, "spec": spec} for piece, spec in sections])
        for name, purpose, sections in _WORKS
    ]
