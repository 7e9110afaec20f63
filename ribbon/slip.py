"""The slip: what to do, in sentences a sewist would say (interface: answers are sentences)."""

from __future__ import annotations

from fractions import Fraction
from typing import NamedTuple

from ribbon.lengths import ZERO, Length, write_ratio
from ribbon.notes import (
    Gathered,
    dressing_says,
    facing_says,
    gathers_say,
    insert_says,
    lining_says,
    stops_say,
    taper_says,
)
from ribbon.pins import Inserted, Mixed, Plan, Taped, Tapered, applied, much_says, pleats_say
from ribbon.pins.solution import Gave
from ribbon.pleats import Quantity
from ribbon.pleats.relation import MEET
from ribbon.readings import Joined

Q = Quantity


class Sentence(NamedTuple):
    """One sentence of the slip and what it is about: cut, fold, tape, gave, assumed."""

    about: str
    text: str


def slip(plan: Plan, on_tape: Taped | None, made: Joined | None) -> list[Sentence]:
    """The slip of `plan`, most needed first; `made` is how it is joined, None where the cloth is not known."""
    joins = made is not None and made.joins
    found = [Sentence("cut", _cut_joined(plan, made) if made and joins else _cut(plan))]
    if made and joins:
        found.append(Sentence("join", _joins(made)))
    found.append(Sentence("fold", _fold(plan)))
    if on_tape is not None:
        found.append(Sentence("tape", tape_says(plan, on_tape)))
    corrected = correction_says(plan)
    if corrected:
        found.append(Sentence("correction", corrected))
    found += [Sentence("gave", gave_says(plan, gave)) for gave in plan.gave]
    if plan.values["rest"]:
        found.append(Sentence("rest", _rest(plan)))
    found += [Sentence("assumed", text) for text in _assumed(plan)]
    return found


def correction_says(plan: Plan) -> str | None:
    """What the checks, or the known turn of the cloth, changed in the marks; None where nothing did."""
    found = applied(plan)
    if not found:
        return None
    causes = (("a check", plan.section.corrections), ("the turn of this cloth", plan.section.turn))
    why = " and ".join(text for text, is_so in causes if is_so)
    told = []
    for sign, way in ((1, "more"), (-1, "less")):
        own = [one for one in found if one.divisions * sign > 0]
        if own:
            much = much_says(plan.section, own)
            told.append(f"{pleats_say(own)} {'takes' if len(own) == 1 else 'take'} {much} {way}")
    return f"Marked anew for {why}: {'; '.join(told)}; the cut cloth stays as it is."


def made_as(
    plan: Plan, upper: Tapered | None, piece: Inserted | None, about: Gathered | None, *, lined: bool
) -> list[Sentence]:
    """What the slip says beyond the row: facing, stops, the second level, the pattern piece, gathers, the lining."""
    section = plan.section
    stops, facing = stops_say(section, plan.pleats), facing_says(section)
    dressing = dressing_says(plan)
    found = [Sentence("dressing", dressing)] if dressing else []
    if stops:
        found.append(Sentence("stops", stops))
    if upper is not None:
        found.append(Sentence("taper", taper_says(plan, upper)))
    if piece is not None:
        found.append(Sentence("piece", insert_says(plan, piece)))
    if about is not None:
        found += [Sentence("gathers", text) for text in gathers_say(plan, about)]
    if facing:
        found.append(Sentence("facing", facing))
    if lined:
        found.append(Sentence("lining", lining_says(section)))
    return found


def mixed_slip(whole: Mixed, made: Joined | None, on_tape: list[Taped | None]) -> list[Sentence]:
    """The slip of a mixed edge: what to cut, then each part from where it begins."""
    band = whole.band
    write = band.scribe.write
    says = f"Cut {write(whole.flat + band.allowance.start + band.allowance.end).text}: {write(whole.flat).text} flat, allowances included."
    if made is not None and made.joins:
        cuts = ", ".join(write(width.cut).text for width in made.widths)
        says = f"Cut {len(made.widths)} pieces: {cuts}, allowances included."
    found = [Sentence("cut", says)]
    if made is not None and made.joins:
        found.append(Sentence("join", _joins(made)))
    for number, one in enumerate(whole.laid, 1):
        where = f"Part {number}, from {write(one.start).text}"
        if one.plan is None:
            found.append(Sentence("fold", f"{where}: {write(one.finished).text} stays plain."))
            continue
        found.append(Sentence("fold", f"{where}: {_fold(one.plan)}"))
        found += [Sentence("gave", f"Part {number}: {gave_says(one.plan, gave)}") for gave in one.plan.gave]
        found += [Sentence("assumed", f"Part {number}. {text}") for text in _assumed(one.plan)]
    found += [
        Sentence("tape", f"Part {number}: {tape_says(one.plan, taped)}")
        for number, (one, taped) in enumerate(zip(whole.laid, on_tape, strict=False), 1)
        if one.plan is not None and taped is not None and len(taped.groups) > 1
    ]
    return found


def cut_width(plan: Plan) -> Length:
    """The cut width: the flat width and the allowances at both ends (work, section 1), before any joins."""
    return plan.flat + plan.section.allowance.start + plan.section.allowance.end


def _cut(plan: Plan) -> str:
    section = plan.section
    write = section.scribe.write
    start, end = section.allowance.start, section.allowance.end
    if not start and not end:
        return f"Cut {write(plan.flat).text} of cloth, plus your seam allowances."
    allowed = (
        f"{write(start).text} at each end"
        if start == end
        else f"{write(start).text} at the start and {write(end).text} at the end"
    )
    return f"Cut {write(cut_width(plan)).text}: {write(plan.flat).text} flat and {allowed}."


def _cut_joined(plan: Plan, made: Joined) -> str:
    write = plan.section.scribe.write
    cuts = [write(width.cut).text for width in made.widths]
    count = _COUNTED.get(len(cuts), str(len(cuts)))
    listed = f"{', '.join(cuts[:-1])} and {cuts[-1]}" if len(set(cuts)) > 1 else f"{cuts[0]} each"
    return f"Cut {count} pieces, {listed}, allowances included: {write(plan.flat).text} flat in all."


_COUNTED = {2: "two", 3: "three", 4: "four", 5: "five", 6: "six", 7: "seven", 8: "eight", 9: "nine"}


def _joins(made: Joined) -> str:
    says = []
    by_place: dict[str, list[int]] = {}
    for join in made.joins:
        if join.hidden:
            by_place.setdefault(join.where.removesuffix(f" of pleat {join.pleat}"), []).append(join.pleat)
    for place, pleats in by_place.items():
        verb = "A join hides" if len(pleats) == 1 else f"{len(pleats)} joins hide"
        if pleats[0] == 0:
            says.append(f"{verb} {place}.")
        else:
            numbers = str(pleats[0]) if len(pleats) == 1 else f"{', '.join(map(str, pleats[:-1]))} and {pleats[-1]}"
            at = f"at the {place}" if place == "inner fold" else place
            says.append(f"{verb} {at} of pleat{'s' if len(pleats) > 1 else ''} {numbers}.")
    shown = sum(not join.hidden for join in made.joins)
    if shown:
        says.append(f"{shown} of {len(made.joins)} would show: no hidden place is within reach of the cloth's width.")
    return " ".join(says)


def _fold(plan: Plan) -> str:
    section = plan.section
    finished = section.scribe.write(plan.finished).text
    if not section.kind.folded:
        return f"Gather it to {finished}: {write_ratio(plan.values[Q.FULLNESS]).text} times as much cloth as edge."
    spaces = plan.spaces
    many = write_ratio(plan.pleats).text
    pleats = f"{many} {section.kind.title}" if plan.pleats != 1 else f"one {section.kind.title.removesuffix('s')}"
    spaced = ""
    if Q.SPACING in plan.values and spaces:
        said = str(spaces) if spaces.denominator == 1 else write_ratio(spaces).text
        spaced = f", {said} {'space' if spaces == 1 else 'spaces'} of {section.say(Q.SPACING, plan.values[Q.SPACING])}"
    if section.places:
        spaced = ", each at its place"
    deep = f", {section.say(Q.DEPTH, plan.values[Q.DEPTH])} deep" if Q.DEPTH in plan.values else ""
    taken = (
        f", {section.say(Q.PER_PLEAT, plan.values[Q.PER_PLEAT])} of cloth in each"
        if Q.DEPTH not in plan.values and Q.PER_PLEAT in plan.values
        else ""
    )
    ring = " round the ring" if section.closed else ""
    return f"Fold {pleats}{deep}{taken}{spaced}: {finished} finished{ring}."


def tape_says(plan: Plan, on_tape: Taped) -> str:
    """How many pleats there are of each depth on the tape, and what rounding each alone would have cost."""
    section = plan.section
    write = section.scribe.write
    if not section.kind.folded:
        return (
            "Every match point falls on the tape."
            if not on_tape.off
            else (
                f"On the tape the flat width is {write(on_tape.flat).text}, so that every match point falls on a division."
            )
        )
    deep = "deep" if Q.DEPTH in section.kind.quantities else "of cloth"
    groups = on_tape.groups
    if len(groups) == 1:
        says = f"On the tape every pleat is {write(groups[0][1]).text} {deep}."
    else:
        counted = [
            f"{count} {'pleat' if count == 1 else 'pleats'} {write(depth).text} {deep}" for count, depth in groups
        ]
        says = f"On the tape: {', '.join(counted[:-1])} and {counted[-1]}, spread evenly as marked."
    if on_tape.off:
        longer = "more" if on_tape.off > ZERO else "less"
        says += f" That is {section.fine.write(abs(on_tape.off)).text} {longer} flat; the last allowance takes it up."
    wrong = on_tape.naive_error
    if abs(wrong) >= (section.tape or ZERO) and wrong:
        says += f" Folding one rounded pleat {plan.count} times would {'need' if wrong > ZERO else 'leave'} {write(abs(wrong)).text} {'more cloth' if wrong > ZERO else 'over'}."
    return says


def gave_says(plan: Plan, gave: Gave) -> str:
    """What gave way, from what to what, and why."""
    say = plan.section.say
    verb = (
        "opened"
        if gave.quantity in (Q.SPACING, Q.GAP) and gave.became > gave.asked
        else "closed"
        if gave.quantity in (Q.SPACING, Q.GAP)
        else "went"
    )
    return f"The {gave.quantity.word} {verb} from {say(gave.quantity, gave.asked)} to {say(gave.quantity, gave.became)} {gave.why}."


def _rest(plan: Plan) -> str:
    where = {"ends": "half to each end", "lead": "to the lead", "tail": "to the tail"}[plan.section.remainder]
    return f"{plan.section.scribe.write_mm(plan.values['rest']).text} is left over and goes {where}."


def _assumed(plan: Plan) -> list[str]:
    found = []
    for assumed in plan.assumed:
        if assumed.quantity == MEET:
            found.append("Assumed: the pleats meet.")
        else:
            quantity = Q(assumed.quantity)
            value = plan.section.say(quantity, assumed.value or Fraction(0))
            found.append(f"Assumed: {quantity.word} {value}; {assumed.why}.")
    return found
