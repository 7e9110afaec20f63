"""The demo works: pieces that the volunteers of High Lantern sew for the observatory and its guest house."""

from __future__ import annotations

from typing import Any

from server.works.models import Work
from server.works.services import create

_WORKS: tuple[tuple[str, str, tuple[tuple[str, dict[str, Any]], ...]], ...] = (
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
        "Narrow-pleated skirt",
        "the guides’ other skirt: the same waist, pleats of 2.5 cm",
        (
            (
                "Skirt length",
                {
                    "kind": "knife", "unit": "cm",
                    "pins": {"finished": "70 cm", "spacing": "2.5 cm"},
                    "meet": True, "closed": True,
                    "allowance": {"start": "1.5 cm", "end": "1.5 cm", "join": "1.5 cm"},
                    "cloth": {"name": "Guide wool", "usable": "138 cm", "colour": "#35506b"},
                    "corrections": [{"by": "12 mm", "way": "in"}],
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
                    "cloth": {"usable": "138 cm", "colour": "#35506b"},
                },
            ),
        ),
    ),
)  # fmt: skip


_THINGS: tuple[tuple[str, str, dict[str, Any], dict[str, Any]], ...] = (
    (
        "Bunk curtain",
        "guest house, lower bunk",
        {
            "kind": "curtains", "unit": "in", "seam": "1/2 in",
            "measures": {"rail": "62 in", "drop": "41 1/2 in", "return_left": "0", "return_right": "0", "panel": "150 in"},
            "choices": {"divides": "one_way", "ends": "space", "spacing": "3 1/2 in", "side_depth": "3/4 in"},
        },
        {"face": {"name": "Bunk cotton", "unit": "in", "colour": "#7a8f6b"}},
    ),
    (
        "Reading-room curtains",
        "a pair, for the long window",
        {
            "kind": "curtains", "unit": "in", "seam": "1/2 in",
            "measures": {
                "rail": "84 in", "window": "64 in", "drop": ["85 in", "84 1/2 in", "84 3/4 in"],
                "overlap": "3 in", "return_left": "3 1/2 in", "return_right": "3 1/2 in",
                "panel_left": "100 in", "panel_right": "100 in",
            },
            "choices": {
                "heading_depth": "4 in", "hem_depth": "4 in", "trim": "1 in", "spacing": "4 in",
                "lining": "tube", "lining_narrower": "4 in", "lining_shorter": "1 in", "lining_hem": "2 in",
                "stack": "3/4 in", "bears": "12 kg", "price_hook": "0.15", "price_tape": "1.20", "shop": "480",
            },
        },
        {
            "face": {
                "name": "Reading-room linen", "unit": "in", "width": "138 cm", "selvedge": "1 cm", "weight": "330 g/m²",
                "along": "64 cm", "price": "19.80", "per": "m", "step": "10 cm", "shrinkage": "5",
                "stripes": [{"colour": "#e3d6b4", "width": "10 cm"}, {"colour": "#1d579b", "width": "1 cm"}, {"colour": "#e3d6b4", "width": "6 cm"}],
            },
            "lining": {"name": "Curtain lining", "unit": "in", "usable": "136 cm", "price": "6.20", "per": "m", "weight": "150 g/m²"},
        },
    ),
    (
        "Banded skirt",
        "for a dome guide: in quarters, a pocket at each side",
        {
            "kind": "skirt", "unit": "cm", "seam": "1.5 cm",
            "measures": {"waist": "68 cm", "hip": "94 cm", "length": "60 cm"},
            "choices": {"divides": "quarters", "pockets": "two", "size": "2.5 cm", "opening": "back"},
        },
        {
            "face": {
                "name": "Guide blue wool", "unit": "cm", "width": "150 cm", "selvedge": "1.5 cm", "weight": "310 g/m²",
                "price": "28.00", "per": "m", "step": "10 cm", "shrinkage": "2", "directional": True, "colour": "#2f4a6b",
            },
        },
    ),
    (
        "Dome-night circle",
        "half circles from two old bed sheets, gathered a little",
        {
            "kind": "circle", "unit": "cm", "seam": "1.5 cm",
            "measures": {"waist": "72 cm", "length": "58 cm"},
            "choices": {"heading": "gather", "fullness": "1 1/4", "cut_in": "halves"},
        },
        {
            "face": {
                "name": "Old bed sheet", "unit": "cm", "usable": "180 cm", "length": "140 cm", "rectangle": True,
                "sheets": [{"width": "180 cm", "length": "140 cm"}], "weight": "140 g/m²", "colour": "#e6e0d2",
            },
        },
    ),
    (
        "Star-party petticoat",
        "four tiers on a base, under the apron",
        {
            "kind": "tiers", "unit": "cm", "seam": "1.5 cm",
            "measures": {"waist": "70 cm", "hip": "94 cm", "base": "54 cm", "foot": "156 cm"},
            "choices": {"tiers": "4", "spacing": "13 cm", "deep": "16 cm", "fullness": "2 1/2", "trim": "hem"},
        },
        {
            "face": {
                "name": "Petticoat lawn", "unit": "cm", "width": "142 cm", "selvedge": "1 cm", "weight": "80 g/m²",
                "price": "8.40", "per": "m", "step": "10 cm", "shrinkage": "4", "colour": "#d9a9a0",
            },
        },
    ),
    (
        "Reading-room sofa",
        "a loose cover for the old sofa, its skirt lined to the foot",
        {
            "kind": "cover", "unit": "cm", "seam": "1.5 cm",
            "measures": {"run_1": "188 cm", "run_2": "84 cm", "run_3": "188 cm", "run_4": "84 cm", "height": "26 cm"},
            "choices": {"deep": "8 cm", "made": "tube", "split": "120 cm"},
        },
        {
            "face": {
                "name": "Sofa twill", "unit": "cm", "width": "140 cm", "selvedge": "1 cm", "weight": "340 g/m²",
                "price": "22.50", "per": "m", "step": "10 cm", "shrinkage": "3", "colour": "#8a8a5c",
            },
            "lining": {"name": "Curtain lining", "unit": "cm", "usable": "136 cm", "price": "6.20", "per": "m", "weight": "150 g/m²"},
        },
    ),
    (
        "Telescope cover",
        "for the old refractor, a pleat at each corner",
        {
            "kind": "cover", "unit": "in", "seam": "1/2 in",
            "measures": {"run_1": "26 in", "run_2": "31 in", "run_3": "26 in", "run_4": "31 in", "height": "20 in"},
            "choices": {"deep": "2 1/2 in"},
        },
        {
            "face": {
                "name": "Dust-cover cotton", "unit": "in", "width": "150 cm", "selvedge": "1 cm", "weight": "200 g/m²",
                "price": "9.80", "per": "m", "step": "10 cm", "shrinkage": "3", "colour": "#6d7f86",
            },
        },
    ),
    (
        "Plaid wrap",
        "for the star party, one plaid from fold to fold",
        {
            "kind": "wrap", "unit": "cm", "seam": "1.5 cm",
            "measures": {"waist": "64 cm", "hip": "84 cm", "length": "40 cm"},
            "choices": {
                "centre": "4", "size": "2.75 cm", "why": "gold is seen by lantern light, the inner fold by nobody",
                "agreed": "the volunteer who wears it",
            },
        },
        {
            "face": {
                "name": "Star-party plaid", "unit": "cm", "width": "144 cm", "selvedge": "2 cm", "along": "24 cm", "across": "24 cm",
                "weight": "260 g/m²", "price": "24.00", "per": "m", "step": "10 cm", "shrinkage": "2", "length": "1.95 m",
                "stripes": [
                    {"colour": "#1b2240", "width": "8 cm", "name": "night"}, {"colour": "#e3d6b4", "width": "1 cm", "name": "moon"},
                    {"colour": "#2f6a3a", "width": "6 cm", "name": "pine"}, {"colour": "#c29a1c", "width": "1 cm", "name": "gold"},
                    {"colour": "#2f6a3a", "width": "6 cm", "name": "pine"}, {"colour": "#e3d6b4", "width": "2 cm", "name": "moon"},
                ],
            },
        },
    ),
    (
        "Lecture-night skirt",
        "an inverted pleat in the middle of its front and one over each dart",
        {
            "kind": "block", "unit": "cm", "seam": "1.5 cm",
            "measures": {"waist": "72 cm", "hip": "98 cm", "length": "62 cm"},
            "choices": {"where": "front", "deep": "5 cm", "flare": "3 cm", "first": "9 cm", "opening": "back", "stitched": "10 cm", "along": "across"},
        },
        {
            "face": {
                "name": "Lecture gabardine", "unit": "cm", "width": "148 cm", "selvedge": "1 cm", "weight": "260 g/m²",
                "price": "19.50", "per": "m", "step": "10 cm", "shrinkage": "2", "colour": "#7a4f57",
            },
        },
    ),
    (
        "Dome valance",
        "round the dome room’s gallery",
        {
            "kind": "valance", "unit": "in", "seam": "1/2 in",
            "measures": {"rail": "96 in", "drop": "18 in"},
            "choices": {"size": "4 in", "heading_depth": "1/2 in", "hem_depth": "1 in", "side_depth": "1/2 in"},
        },
        {
            "face": {
                "name": "Gallery cotton", "unit": "in", "width": "252 cm", "selvedge": "1 cm", "weight": "220 g/m²",
                "price": "12.50", "per": "m", "step": "10 cm", "shrinkage": "3", "colour": "#a8484f",
            },
        },
    ),
)  # fmt: skip


def put_demo_works() -> list[Work]:
    """The demo works, newly put on the shelf; the guide's skirt is the last touched."""
    things = [create(name, purpose, [], None, cloths, thing) for name, purpose, thing, cloths in _THINGS]
    free = [
        create(name, purpose, [{"name": piece, "spec": spec} for piece, spec in sections])
        for name, purpose, sections in _WORKS
    ]
    return [*free[:1], *things, *free[1:]]
