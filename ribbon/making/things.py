"""Everything that can be made, in the order in which it is offered."""

from __future__ import annotations

from ribbon.making import (
    block_fields,
    blocks,
    blocks_made,
    circles,
    circles_made,
    cover_fields,
    covers,
    covers_made,
    curtain_fields,
    curtains,
    curtains_made,
    skirt_fields,
    skirts,
    skirts_made,
    tier_fields,
    tiers,
    tiers_made,
    trims,
    trims_made,
    valance,
    wrap_fields,
    wraps,
    wraps_made,
)
from ribbon.making.thing import Thing
from ribbon.making.trimmed import TrimPlace, hems, leading_edges, result_named, trimmed

CURTAINS = Thing(
    "curtains",
    "Curtains",
    "rail, drop",
    curtain_fields.FIELDS,
    curtains.begin,
    curtains_made.finish,
    typical={"rail": "152 cm", "window": "110 cm", "drop": "214 cm"},
    colour="#e3d6b4",
)
VALANCE = Thing(
    "valance",
    "Valance",
    "rail, drop",
    valance.FIELDS,
    valance.begin,
    valance.finish,
    typical={"rail": "150 cm", "drop": "45 cm", "return_left": "9 cm", "return_right": "9 cm"},
    colour="#c9a9a6",
)

SKIRT = Thing(
    "skirt",
    "Skirt or apron",
    "waist, hip, length",
    skirt_fields.FIELDS,
    skirts.begin,
    skirts_made.finish,
    typical={"waist": "70 cm", "hip": "96 cm", "length": "60 cm"},
    colour="#5f7f9e",
    named=skirts.called,
)

CIRCLE = Thing(
    "circle",
    "Circle skirt",
    "waist, length",
    circles.FIELDS,
    circles.begin,
    circles_made.finish,
    typical={"waist": "70 cm", "length": "60 cm"},
    colour="#8a6f96",
)

TIERS = Thing(
    "tiers",
    "Petticoat of tiers",
    "waist, base or length",
    tier_fields.FIELDS,
    tiers.begin,
    tiers_made.finish,
    typical={"waist": "70 cm", "base": "60 cm", "foot": "150 cm", "length": "80 cm"},
    colour="#d8c3b4",
)

COVER = Thing(
    "cover",
    "Cover",
    "its runs, height",
    cover_fields.FIELDS,
    covers.begin,
    covers_made.finish,
    typical={"run_1": "180 cm", "run_2": "85 cm", "run_3": "180 cm", "run_4": "85 cm", "height": "28 cm"},
    colour="#8f8a66",
)

WRAP = Thing(
    "wrap",
    "Wrap",
    "waist, hip, length",
    wrap_fields.FIELDS,
    wraps.begin,
    wraps_made.finish,
    typical={"waist": "74 cm", "hip": "98 cm", "length": "58 cm"},
    colour="#2f6a3a",
    stripes=(
        ("#1b2240", "8 cm"),
        ("#e3d6b4", "1 cm"),
        ("#2f6a3a", "7 cm"),
        ("#c29a1c", "1 cm"),
        ("#2f6a3a", "7 cm"),
        ("#e3d6b4", "1 cm"),
    ),
)

BLOCK = Thing(
    "block",
    "Pattern with pleats",
    "waist, hip, length",
    block_fields.FIELDS,
    blocks.begin,
    blocks_made.finish,
    typical={"waist": "72 cm", "hip": "98 cm", "length": "62 cm"},
    colour="#8c6a5d",
)

TRIM = Thing(
    "trim",
    "Trim",
    "its edge, how wide",
    trims.FIELDS,
    trims.begin,
    trims_made.finish,
    typical={"edge": "90 cm", "wide": "12 cm"},
    colour="#a8484f",
)

_HEM = TrimPlace("hem", "along its hem", hems)
THINGS: dict[str, Thing] = {
    one.name: one
    for one in (
        trimmed(CURTAINS, [TrimPlace("leading", "along its leading edges", leading_edges)]),
        trimmed(VALANCE, [TrimPlace("top", "along its top", result_named("valance.finished")), _HEM]),
        trimmed(SKIRT, [_HEM]),
        trimmed(CIRCLE, [TrimPlace("hem", "round its hem", result_named("sweep"))]),
        TIERS,
        trimmed(COVER, [TrimPlace("top", "where its skirt is sewn on", result_named("cover.finished"))]),
        WRAP,
        BLOCK,
        TRIM,
    )
}
