"""The slip: what to do, in sentences a sewist would say."""

from __future__ import annotations

from collections import Counter
from typing import NamedTuple

from ribbon.edge import EdgePlan, Plan, Taped, applied, changes_say, gathered, turn_in_all
from ribbon.facts import Edge, usual_seam
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length, typed, write_ratio
from ribbon.pleats import Quantity
from ribbon.pleats.relation import MEET
from ribbon.readings import Joined, thickest
from ribbon.readings import layers as layers_of
from ribbon.says.nearness import nearness_says
from ribbon.says.notes import (
    dressing_says,
    facing_says,
    gathers_say,
    insert_says,
    lining_nests_says,
    stops_say,
    taper_says,
)
from ribbon.solve.solution import Gave
from ribbon.strip import LineKind

Q = Quantity


class Sentence(NamedTuple):
    """One sentence of the slip and what it is about: cut, fold, tape, gave, assumed."""

    about: str
    text: str


def slip(whole: EdgePlan, made: Joined | None, more: Length = ZERO, *, lined: bool = False) -> list[Sentence]:
    """The slip of an edge, most needed first: of all of it, then of each stretch where it begins.

    `made` is how it is joined, None where the cloth is not known; `more` what front pieces in one length with it add.
    """
    found = [Sentence("cut", cut_says(whole.edge, whole.flat, made, more))]
    if made and made.joins:
        found.append(Sentence("join", _joins(made)))
    write = whole.edge.scribe.write
    for name, one in whole.named():
        where = f"{name}, from {write(one.start).text}: " if name else ""
        if one.plan is None:
            found.append(Sentence("fold", f"{where}{write(one.finished).text} stays plain."))
            continue
        found.append(Sentence("fold", f"{where}{_fold(one.plan)}"))
        found += [Sentence(said.about, _of(name, said.text)) for said in _of_stretch(whole, one.plan)]
    found += [
        Sentence("tape", _of(name, tape_says(one.plan, on_tape)))
        for (name, one), on_tape in zip(whole.named(), whole.on_tape.stretches, strict=True)
        if one.plan is not None and on_tape is not None and (not name or len(on_tape.groups) > 1)
    ] if whole.on_tape else []  # fmt: skip
    for name, one in whole.named():
        if one.plan is not None:
            found += [Sentence(said.about, _of(name, said.text)) for said in _corrected_and_assumed(one.plan)]
    found += [Sentence("assumed", text) for text in _assumed_seam(whole.edge)]
    for name, one in whole.named():
        if one.plan is not None:
            found += [Sentence(said.about, _of(name, said.text)) for said in _made_as(whole, one.plan)]
    if lined and whole.only:
        found.append(Sentence("lining", lining_nests_says(whole.only.section)))
    return found


def _of(name: str, text: str) -> str:
    """A sentence of a stretch, with what that is called."""
    return f"{name}. {text}" if name else text


def _of_stretch(whole: EdgePlan, plan: Plan) -> list[Sentence]:
    """How near its pleats come to one another."""
    layers = whole.thickest if whole.only else thickest(layers_of(plan.walked))
    near = nearness_says(plan, layers.layers)
    return [Sentence("near", near)] if near else []


def _corrected_and_assumed(plan: Plan) -> list[Sentence]:
    """What checks changed, what gave, what is left over, what was assumed."""
    corrected = correction_says(plan)
    found = [Sentence("correction", corrected)] if corrected else []
    found += [Sentence("gave", gave_says(plan, gave)) for gave in plan.gave]
    if plan.values["rest"]:
        found.append(Sentence("rest", _rest(plan)))
    return found + [Sentence("assumed", text) for text in _assumed(plan)]


def correction_says(plan: Plan) -> str | None:
    """What the checks, and the known turn of the cloth, changed in the marks; None where nothing did."""
    section = plan.section
    told = [
        f"{pleats} {'take' if pleats.startswith('pleats') else 'takes'} {much}"
        for pleats, much in changes_say(section, applied(plan))
    ]
    says = f"Marked anew for a check: {'; '.join(told)}; the cut cloth stays as it is." if told else ""
    if turn_in_all(plan):
        way = "less" if section.turn > ZERO else "more"
        each = f"For the turn of this cloth every pleat takes {section.fine.write(abs(section.turn)).text} {way}"
        share = (
            "" if section.tape is None or not section.turn.mm % section.tape.mm else ", by running total on the tape"
        )
        says = f"{says} {each}{share}.".strip()
    return says or None


def _made_as(whole: EdgePlan, plan: Plan) -> list[Sentence]:
    """What is said of a stretch beyond its row: dressing, stops, the second level, the pattern piece, gathers, facing."""
    section = plan.section
    covers = plan.length(section.kind.width) if section.kind.width else None
    stops, facing = stops_say(section, plan.pleats, covers), facing_says(section)
    dressing = dressing_says(plan)
    found = [Sentence("dressing", dressing)] if dressing else []
    if stops:
        found.append(Sentence("stops", stops))
    if whole.upper is not None:
        found.append(Sentence("taper", taper_says(plan, whole.upper_on_tape or whole.upper)))
    if whole.piece is not None:
        found.append(Sentence("piece", insert_says(plan, whole.piece)))
    about = whole.gathered if whole.only else gathered(plan)
    if about is not None:
        found += [Sentence("gathers", text) for text in gathers_say(plan, about)]
    if facing:
        found.append(Sentence("facing", facing))
    return found


def cut_says(edge: Edge, flat: Length, made: Joined | None, more: Length = ZERO) -> str:
    """What to cut, and the share of each seam in it: ``288 + 4 × 1/2 = 290 in``; `more` is that of front pieces."""
    write, allowance = edge.scribe.write, edge.allowance
    joins = len(made.joins) if made is not None else 0
    seams = Counter([allowance.start, allowance.end, *[allowance.join] * (2 * joins)])
    del seams[ZERO]
    total: Length = flat + more + sum((length * many for length, many in seams.items()), ZERO)
    sign = edge.unit.sign

    def figure(length: Length) -> str:
        return write(length).text.removesuffix(f" {sign}")

    shares = [f"{many} × {figure(length)}" if many > 1 else figure(length) for length, many in seams.items()]
    fronts = [f"{figure(more)} for the front pieces"] if more else []
    sum_says = " + ".join([figure(flat), *fronts, *shares]) + f" = {write(total).text}"
    if made is None or not made.joins:
        if not seams and not more:
            return f"Cut {write(flat).text} of cloth; no seam allowance is in it."
        return f"Cut {write(total).text}: {sum_says}."
    cuts = [write(width.cut).text for width in made.widths]
    count = _COUNTED.get(len(cuts), str(len(cuts)))
    listed = f"{', '.join(cuts[:-1])} and {cuts[-1]}" if len(set(cuts)) > 1 else f"{cuts[0]} each"
    if not seams:
        return f"Cut {count} pieces, {listed}: {write(total).text} in all; no seam allowance is in them."
    return f"Cut {count} pieces, {listed}: {sum_says} in all."


_COUNTED = {2: "two", 3: "three", 4: "four", 5: "five", 6: "six", 7: "seven", 8: "eight", 9: "nine"}


def _assumed_seam(edge: Edge) -> list[str]:
    if not edge.allowance.assumed:
        return []
    seam = edge.scribe.write(usual_seam(imperial=edge.imperial)).text
    where = "at the ends and the joins"
    if edge.closed:
        where = "at the joins and where the ring closes"
    return [f"Assumed: a seam allowance of {seam} {where}; say your own under Cloth."]


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
            at = (
                f"at the {place}"
                if place == "inner fold"
                else f"in the {place}"
                if place.startswith("middle")
                else place
            )
            says.append(f"{verb} {at} of pleat{'s' if len(pleats) > 1 else ''} {numbers}.")
    if made.shown:
        where = Counter(_shown_at(join.where) for join in made.joins if not join.hidden)
        listed = "; ".join(f"{many} {place}" for place, many in where.items())
        says.append(f"{made.shown} of {len(made.joins)} would show: {listed}.")
    more = len(made.widths) - made.least
    if more > 0 and made.hiding and not made.shown:
        widths = "one width" if more == 1 else f"{more} widths"
        least = _COUNTED.get(made.least, "one" if made.least == 1 else str(made.least))
        says.append(
            f"Hiding every join takes {widths} more; with joins where they fall {least} would do (under Cloth)."
        )
    return " ".join(says)


def _shown_at(where: str) -> str:
    """Where a join shows, and why."""
    if where.startswith("in the open"):
        return "in the open"
    if where.startswith("among the fingers"):
        return "among fingers"
    return "behind, but so near a fold that its allowance comes out beside it"


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
        return _points_say(plan, on_tape)
    deep = "deep" if Q.DEPTH in section.kind.quantities else "of cloth"
    groups = on_tape.groups

    def size(depth: Length) -> str:
        # A correction moves one fold alone, and so leaves halves of divisions.
        said = write(depth)
        return said.text if said.exact or section.tape is None else typed(depth, section.unit)

    if len(groups) == 1:
        says = f"On the tape every pleat is {size(groups[0][1])} {deep}."
    else:
        counted = [f"{count} {'pleat' if count == 1 else 'pleats'} {size(depth)} {deep}" for count, depth in groups]
        says = f"On the tape: {', '.join(counted[:-1])} and {counted[-1]}, spread evenly as marked."
    if on_tape.off:
        longer = "more" if on_tape.off > ZERO else "less"
        says += f" That is {section.fine.write(abs(on_tape.off)).text} {longer} flat; the last allowance takes it up."
    wrong = on_tape.naive_error
    if abs(wrong) >= (section.tape or ZERO) and wrong:
        says += f" Folding one rounded pleat {plan.count} times would {'need' if wrong > ZERO else 'leave'} {write(abs(wrong)).text} {'more cloth' if wrong > ZERO else 'over'}."
    return says


def _points_say(plan: Plan, on_tape: Taped) -> str:
    """How the match points stand to the tape."""
    section, write = plan.section, plan.section.scribe.write
    exact = gathered(plan)
    points = exact.points if exact else ()
    tape = section.tape or ZERO
    on = bool(tape) and all(not at.mm % tape.mm for one in points for at in (one.finished, one.flat))
    if on and not on_tape.off:
        return "Every match point falls on the tape."
    left = len(points) - sum(line.kind is LineKind.MATCH for line in on_tape.strip.lines)
    says = (
        f"Each match point is put on the nearest division of both edges; the flat width is {write(on_tape.flat).text}."
    )
    if left > 0:
        says += f" {left} {'point stands' if left == 1 else 'points stand'} too close for this tape and {'is' if left == 1 else 'are'} left out."
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
    where = {"ends": "half to each end", "lead": "before the first pleat", "tail": "after the last pleat"}[
        plan.section.remainder
    ]
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
