"""What a sewist should be warned of in a plan, each with a mend where there is one."""

from __future__ import annotations

from functools import partial
from itertools import chain
from typing import NamedTuple

from ribbon.edge import EdgePlan, Plan, Taped, taped
from ribbon.facts import Edge
from ribbon.lengths import ZERO, Length
from ribbon.offers.change import Change
from ribbon.offers.mends import finer_tape, longer_end, meeting, mend_by, shallower
from ribbon.pleats import Facing, Quantity
from ribbon.readings import PastEnd, Showing, Thick, front, layers, past_ends, thickest
from ribbon.strip import Role, Strip, Walk

Q = Quantity


class Caution(NamedTuple):
    """One warning.  `mend` is None where nothing in the plan would help."""

    code: str
    message: str
    mend: Change | None

    def under(self, path: str, index: int) -> Caution:
        """The same of the part of an edge with that index, its facts at `path`."""
        mend = self.mend and self.mend.under(path)
        return Caution(self.code, f"Part {index + 1}. {self.message}", mend)


MACHINE_SEWS = Length(6)  # what a home machine sews through, about


def cautions(whole: EdgePlan) -> list[Caution]:
    """What to be careful of in an edge: stretch by stretch, and where the underlays of two of them lie over each other."""
    found: list[Caution] = []
    pleated = [(index, one) for index, one in enumerate(whole.stretches) if one.plan and one.plan.section.kind.folded]
    for index, one in pleated:
        on_tape = whole.on_tape.stretches[index] if whole.on_tape else None
        said = _of_stretch(whole, index, on_tape)
        found += [caution.under(one.path, index) for caution in said] if one.path else said
    codes = {one.code for one in found}
    found += [one for one in _too_small(whole) if one.code not in codes]
    if whole.only is not None:
        return found
    codes = {one.code for one in found}
    if "covered" not in codes and (hidden := _hidden(whole.strip, whole.walked, whole.showing)):
        found.append(Caution("covered", _covered_says(hidden), None))
    if "thick" not in codes and pleated and all(_piles(one.plan) for _, one in pleated if one.plan):
        found += _thick(whole.edge, whole.thickest, None)
    return found


def _too_small(whole: EdgePlan) -> list[Caution]:
    """Gathers and upright folds that are less than half a division of the tape: there they come to nothing, or all in one place."""
    tape = whole.edge.tape
    found: list[Caution] = []
    for index, one in enumerate(whole.stretches):
        if tape is None or one.plan is None or (one.plan.section.kind.folded and not one.plan.section.kind.rows):
            continue
        apart = one.plan.length(Q.SPACING) or one.finished
        least = min(apart, one.finished)
        if least * 2 > tape:
            continue
        write = whole.edge.fine.write
        what = "folds packed into" if one.plan.section.kind.folded else "gathers on"
        says = f"A tape of {write(tape).text} is too coarse for {what} {write(least).text}: on it they come to nothing."
        caution = Caution("too_coarse", says, None)
        if "too_coarse" not in {other.code for other in found}:
            found.append(caution.under(one.path, index) if one.path else caution)
    return found


def _of_stretch(whole: EdgePlan, index: int, on_tape: Taped | None) -> list[Caution]:
    """What to be careful of in one pleated stretch, as if nothing lay beside it but more of the edge."""
    plan = whole.stretches[index].plan
    if plan is None:
        return []
    past = past_ends(plan.walked)
    # Within the edge an underlay that reaches past its stretch lies behind the next one.
    ends = PastEnd(past.start if index == 0 else ZERO, past.end if index == len(whole.stretches) - 1 else ZERO)
    found = [*_past_ends(plan, ends), *_covered(plan, front(plan.walked)), *_misses(plan)]
    if _piles(plan):
        found += _thick(whole.edge, _most(plan), plan)
    if whole.edge.tape is not None:
        found += _coarse(plan, on_tape)
    if plan.section.facing in (Facing.TO_CENTRE, Facing.FROM_CENTRE) and not plan.section.kind.faces:
        says = f"{plan.section.kind.title} look alike from both hands; the facing changes nothing"
        found.append(Caution("no_hand", says, None))
    return found


def _piles(plan: Plan) -> bool:
    """True where layers of cloth lie on each other: not in gathers, nor where pleats stand up."""
    return plan.section.kind.folded and not plan.section.kind.upright


def _coarse(plan: Plan, on_tape: Taped | None) -> list[Caution]:
    """A tape on which pleats would be left without cloth."""
    tape = plan.section.tape
    if tape is None or not plan.section.kind.folded or not _too_coarse(on_tape):
        return []
    write, take = plan.section.fine.write, Length(plan.values[Q.PER_PLEAT])
    so = "their places are exact" if on_tape is None else "some are left with none"
    says = f"A tape of {write(tape).text} is too coarse for pleats that take {write(take).text}: {so}."
    mend = mend_by(
        plan,
        finer_tape(plan),
        lambda made: made.section.tape is None or not _too_coarse(taped(made, made.section.tape)),
    )
    return [Caution("too_coarse", says, mend)]


def _too_coarse(on_tape: Taped | None) -> bool:
    return on_tape is None or not all(on_tape.depths)


def _thick(edge: Edge, most: Thick, plan: Plan | None) -> list[Caution]:
    """Layers times the cloth's thickness, doubled under a band, against what a home machine sews.

    The mend is that of the pleats of `plan`, where they are what makes it thick.
    """
    cloth, own = edge.cloth.thickness, edge.machine
    sews = own or MACHINE_SEWS
    if cloth is None or _through(cloth, most) <= sews:
        return []
    limit = f"the {float(own.mm):.2g} mm that your machine sews" if own else "the 6 mm or so that a home machine sews"
    says = (
        f"{most.layers} layers of this cloth under a band are {float(_through(cloth, most).mm):.2g} mm, past {limit}: "
        "use shallower or wider spaced pleats, a yoke, or sew by hand. Thick folds break needles: mind your eyes."
    )
    mend = mend_by(plan, meeting(plan), lambda made: _through(cloth, _most(made)) <= sews) if plan else None
    return [Caution("thick", says, mend)]


def _most(plan: Plan) -> Thick:
    return thickest(layers(plan.in_short[1]))


def _through(cloth: Length, most: Thick) -> Length:
    return cloth * (2 * most.layers)


def _misses(plan: Plan) -> list[Caution]:
    """Stitching further from the crease than the pleat is deep: it holds nothing down."""
    stops, depth = plan.section.stops, plan.length(Q.DEPTH)
    if stops is None or stops.crease is None or depth is None or stops.crease < depth:
        return []
    write = plan.section.fine.write
    says = (
        f"Stitching {write(stops.crease).text} from the crease misses pleats that are {write(depth).text} deep: "
        "it holds nothing down."
    )
    return [Caution("misses", says, None)]


_MOST_MENDED = 2000  # pleats; each mend that is tried is laid and walked once more


def _past_ends(plan: Plan, past: PastEnd) -> list[Caution]:
    if plan.section.closed or plan.section.kind.upright:
        return []  # on a ring the underlay goes on behind the next pleat; upright pleats have none
    found = []
    for at, (name, by) in enumerate((("lead", past.start), ("tail", past.end))):
        # What is less than half a division cannot be seen on the tape.
        if by > (plan.section.tape or ZERO) / 2:
            width = plan.lead if name == "lead" else plan.tail
            says = (
                f"The underlay of the {'first' if name == 'lead' else 'last'} pleat sticks out "
                f"{plan.section.scribe.write(by).text} past the {'start' if name == 'lead' else 'end'}."
            )
            mend = None
            if plan.pleats <= _MOST_MENDED:
                mend = mend_by(plan, chain(longer_end(plan, name, width + by), meeting(plan)), partial(_end_holds, at))
            found.append(Caution("past_end", says, mend))
    return found


def _end_holds(at: int, made: Plan) -> bool:
    return past_ends(made.in_short[1])[at] <= (made.section.tape or ZERO) / 2


def _covered(plan: Plan, showing: list[Showing]) -> list[Caution]:
    """Faces that other cloth lies over."""
    hidden = _hidden(plan.strip, plan.walked, showing) if _piles(plan) else 0
    if not hidden:
        return []

    def none_hidden(made: Plan) -> bool:
        strip, walked = made.in_short
        return not _hidden(strip, walked, front(walked))

    return [
        Caution("covered", _covered_says(hidden), mend_by(plan, chain(shallower(plan), meeting(plan)), none_hidden))
    ]


def _hidden(strip: Strip, walked: Walk, showing: list[Showing]) -> int:
    """How many faces do not show whole."""
    shown: dict[int, int] = {}
    for stretch in showing:
        shown[stretch.span] = shown.get(stretch.span, 0) + stretch.end - stretch.start
    return sum(
        span.role in (Role.FACE, Role.PLAIN) and shown.get(index, 0) < walked.flat[index + 1] - walked.flat[index]
        for index, span in enumerate(strip.spans)
    )


def _covered_says(hidden: int) -> str:
    says = "One face is" if hidden == 1 else f"{hidden} faces are"
    return f"{says} partly covered by the next pleat's underlay."
