"""A cover's skirt: what follows from its edge solved: its sections, lining, checks, the order of joining, plan and elevations."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from ribbon.cloth import edge_pieces, totals
from ribbon.lengths import ZERO, Length
from ribbon.making.asked import Given
from ribbon.making.body import doubts
from ribbon.making.cover_fields import lined, ring, run_field, runs_many
from ribbon.making.covers import KEY, CoverLength, Run, face_of, liner_of, runs_of, sections_of
from ribbon.making.covers_drawn import drawn
from ribbon.making.curtains_lined import linings
from ribbon.making.recipes import hem_of
from ribbon.making.thing import WASHED, FirstStroke, Made, Making, Mind, Part, Priced, Solved, following


def finish(given: Given, begun: FirstStroke, solved: Mapping[str, Solved]) -> Made:
    """The second stroke.  What waits for a measure is left out."""
    runs, one = runs_of(given), solved.get(KEY)
    if not runs:
        return Made()
    sections, height = sections_of(given), given.least("height")
    cut = edge_pieces(KEY, "Skirt of the cover", one.whole, one.cutting) if one is not None else None
    return Made(
        parts=tuple(Part(f"section.{n}", each.title, 1, _cut_says(given, each)) for n, each in enumerate(sections)),
        pieces=cut.pieces if cut else (),
        notions=tuple(Priced(each) for each in totals([each for each in cut.notions if "fastening" not in each.name]))
        if cut
        else (),
        steps=tuple(_steps(given, sections)),
        slip=tuple(_slip(given, sections, height)),
        cautions=tuple(_minds(given, runs)),
        picture=drawn(given, runs, one),
        compared=tuple(linings(given, [one])) if one is not None else (),
    )


def cut_long(given: Given, section: CoverLength) -> Length:
    """How long a section is cut: its run, and at each pleated end twice the depth and a seam; a seam alone at any other."""
    end = given.length("deep") * 2 + given.join
    return section.length + sum((end if pleated else given.join for pleated in (section.starts, section.ends)), ZERO)


def _cut_says(given: Given, section: CoverLength) -> str:
    return f"{given.write(section.length)}, cut {given.write(cut_long(given, section))}"


def _slip(given: Given, sections: Sequence[CoverLength], height: Length | None) -> list[str]:
    write, each = given.write, given.length("deep") * 2 + given.join
    found = [
        f"{one.title}: {given.figure(one.length)}"
        + "".join(f" + {given.figure(each if pleated else given.join)}" for pleated in (one.starts, one.ends))
        + f" = {write(cut_long(given, one))} cut."
        for one in sections
    ]
    face = given.cloths.get("face")
    found += [
        f"{one.title} is longer than the cloth is wide: it is joined of several, or has a pleat within."
        for one in sections
        if face is not None and cut_long(given, one) > face.usable
    ]
    if height is not None:
        found.append(f"Each {write(face_of(given, height))} deep, finished {write(height)}.")
        if lined(given):
            rolls = (face_of(given, height) - liner_of(given, height) - given.join * 2) / 2
            back = f": {write(rolls)} of the face roll to the back" if rolls > ZERO else ""
            found.append(f"The lining is cut {write(liner_of(given, height))} deep{back}.")
    if ring(given):
        found.append(f"The ring closes in the pleat before {sections[0].title.lower()}.")
    return found


_NEAR = Length.cm(1)


def _minds(given: Given, runs: Sequence[Run]) -> list[Mind]:
    write, found = given.write, doubts(given)
    length = {n: given.least(run_field(n)) or ZERO for n in range(1, runs_many(given) + 1)}
    if given.word("shape") == "rectangle":
        for one, other, names in ((1, 3, "front and back"), (2, 4, "left and right side")):
            if abs(length[one] - length[other]) > _NEAR:
                found.append(
                    Mind(
                        f"opposite_{one}",
                        f"Opposite runs differ, {names}: {write(length[one])} and {write(length[other])}. Measure both again at the height of the foot.",
                    )
                )
    if given.word("shape") == "corner":
        found += _closes(given, length)
    whole, measured = sum((one.length for one in runs), ZERO), given.most("all_round")
    if measured is not None and abs(whole - measured) > _NEAR:
        found.append(
            Mind(
                "sum",
                f"The runs come to {write(whole)}, and all round it is {write(measured)}: measure the runs again.",
            )
        )
    deep = given.length("deep")
    tight = [one for one in runs if one.length < deep * 4]
    if tight:
        found.append(
            Mind(
                "tight",
                f"{tight[0].title} of {write(tight[0].length)} leaves its two pleats hardly any room between them.",
            )
        )
    return found


def _closes(given: Given, length: Mapping[int, Length]) -> list[Mind]:
    """Whether two seats round a corner close: walking along, what goes out comes back."""
    write = given.write
    sums = (
        (length[3], length[1] + length[5], "the back", "both fronts"),
        (length[4], length[2] + length[6], "the right side", "the left and the inner side"),
    )
    return [
        Mind(
            f"closes_{n}",
            f"The runs do not close: {one} is {write(a)}, {other} come to {write(b)}. Measure them again at the height of the foot.",
        )
        for n, (a, b, one, other) in enumerate(sums)
        if abs(a - b) > _NEAR
    ]


def _steps(given: Given, sections: Sequence[CoverLength]) -> list[Making]:
    write = given.write
    smallest = sorted(sections, key=lambda one: one.length.mm)
    order = ", ".join(one.title.lower() for one in sections)
    found = [
        WASHED,
        Making(
            "cut",
            f"Cut the smallest first, {smallest[0].title.lower()}, and label each section as it comes off: a mistake is mended from a larger one.",
        ),
    ]
    if ring(given):
        found.append(
            Making(
                "join",
                f"Join from the opening, {order}: each seam lies in the middle of an underlay; close the ring last, in the pleat before {sections[0].title.lower()}.",
            )
        )
    else:
        found.append(
            Making(
                "join",
                f"Join in walking order, {order}: each seam lies in the middle of an underlay; turn both ends in.",
            )
        )
    if given.word("made") == "self":
        found.append(Making("foot", "Fold it double along its length, wrong sides together, and press the foot."))
    elif lined(given):
        found.append(
            Making(
                "foot",
                "Join the lining, sew it to the face along the foot, turn it up so that the face rolls to the back, and press.",
            )
        )
    else:
        below = hem_of(given)
        found.append(Making("foot", f"Turn up the hem, {below.says}, {write(below.depth)} deep."))
    found += [
        Making(
            "fold",
            f"Lay each inverted pleat, {write(given.length('deep'))} at either side, its seam in the middle behind; baste and press.",
        ),
        Making("sew", "Sew the skirt to the cover, each pleat on its corner."),
        Making("try", "Pull it over, and look whether every foot clears the floor alike."),
    ]
    return following(
        found,
        {"cut": ("wash",), "join": ("cut",), "foot": ("join",), "fold": ("foot",), "sew": ("fold",), "try": ("sew",)},
    )
