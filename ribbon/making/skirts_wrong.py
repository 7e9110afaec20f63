"""What of a skirt cannot be, each with a way out; and what looks like another unit or another place of the body."""

from __future__ import annotations

from ribbon.errors import Problem
from ribbon.lengths import Length, write_ratio
from ribbon.making.asked import Given
from ribbon.making.body import doubts
from ribbon.making.cannot import nothing_chosen
from ribbon.making.skirt_fields import round_the_body
from ribbon.making.thing import Mind


def wrong(given: Given) -> list[Problem]:
    """Choices of nothing, and cloth that would be less than what it covers."""
    found = nothing_chosen(
        given,
        (
            ("depth", "say how deep a pleat goes, or leave it out"),
            ("size", "say about how far apart the pleats stand"),
            ("faced", "say how deep the facing reaches"),
            ("lap_wide", "say how wide each side of the lap is"),
            ("band_depth", "say how deep the band is seen"),
        ),
    )
    shorter, length = given.length("lining_shorter"), given.least("length")
    if given.fields["lining_shorter"].asked(given) and length is not None and shorter >= length:
        found.append(
            Problem(
                "too_long",
                "choices.lining_shorter",
                given.write(shorter),
                f"nothing would be left of a length of {given.write(length)}",
                "say how much shorter the lining is, 2 cm or 1 in",
            )
        )
    ratio = given.ratio("fullness")
    if ratio is not None and ratio < 1:
        said = write_ratio(ratio).text
        found.append(
            Problem(
                "out_of_range", "choices.fullness", said, "cloth cannot be less than what it covers", "use 1 1/2 or 2"
            )
        )
    darts = given.count("darts")
    if given.fields["darts"].asked(given) and darts is not None and not 0 <= darts <= 12:
        found.append(
            Problem(
                "out_of_range",
                "choices.darts",
                str(darts),
                f"{darts} darts cannot be drawn",
                "use up to 12, or 0 with all of it in the sides",
            )
        )
    return found


def all_pocket(given: Given, title: str, share: Length) -> Problem:
    """Pockets that leave nothing of a part's edge to pleat."""
    return Problem(
        "too_wide",
        "choices.pocket",
        given.write(given.length("pocket")),
        f"the pockets take all of the {given.write(share)} of the {title.lower()}",
        "make their mouths smaller, or cut it in fewer parts",
    )


def doubtful(given: Given, flat: Length, finished: Length, *, pleated: bool) -> list[Mind]:
    """What does not fit at the hip, with what would mend it, and measures to take again."""
    found: list[Mind] = []
    hip, write = given.most("hip"), given.write
    if hip is not None and round_the_body(given):
        wanted = hip + given.length("hip_ease")
        held = pleated and given.length("stitched") >= given.length("hip_level")
        if held and finished < wanted:
            found.append(
                Mind(
                    "hip",
                    f"Stitched down past the hip it is {write(finished)} round there, and the hip with its ease wants {write(wanted)}: stitch less far, or let its edge go by the hip.",
                )
            )
        elif flat < wanted:
            more = "deeper pleats, or more of them" if pleated else "a greater fullness"
            found.append(
                Mind(
                    "hip",
                    f"Let out it measures {write(flat)} round, and the hip with its ease wants {write(wanted)}: {more} would mend it.",
                )
            )
    return [*found, *doubts(given)]
