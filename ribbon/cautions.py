"""What a sewist should be warned of in a plan, each with a mend where there is one."""

from __future__ import annotations

from functools import partial
from itertools import chain
from typing import NamedTuple

from ribbon.lengths import ZERO, Length
from ribbon.mends import Mend, finer_tape, longer_end, meeting, mend_by, shallower
from ribbon.pins import Band, Mixed, Plan, Section, Taped, taped
from ribbon.pins import strip as strip_of
from ribbon.pleats import Facing, Quantity
from ribbon.readings import PastEnd, Showing, Thick, front, layers, past_ends, thickest
from ribbon.strip import Role, Strip, Walk, walk

Q = Quantity


class Caution(NamedTuple):
    """One warning.  `mend` is None where nothing in the plan would help."""

    code: str
    message: str
    mend: Mend | None

    def of_part(self, index: int) -> Caution:
        """The same, of the part with that index of a mixed edge."""
        mend = self.mend and self.mend.under(f"parts.{index}")
        return Caution(self.code, f"Part {index + 1}. {self.message}", mend)


MACHINE_SEWS = Length(6)  # what a home machine sews through, about


def cautions(
    plan: Plan, strip: Strip, walked: Walk, showing: list[Showing], past: PastEnd, most: Thick, on_tape: Taped | None
) -> list[Caution]:
    """What to be careful of in `plan`, given its strip, the readings of it, and what it becomes on the tape."""
    found = [*_past_ends(plan, past), *_covered(plan, strip, walked, showing), *_misses(plan)]
    if _piles(plan):
        found += _thick(plan.section, most, plan)
    found += _coarse(plan, on_tape)
    if plan.section.facing in (Facing.TO_CENTRE, Facing.FROM_CENTRE) and not plan.section.kind.faces:
        found.append(
            Caution(
                "no_hand", f"{plan.section.kind.title} look alike from both hands; the facing changes nothing", None
            )
        )
    return found


def cautions_of_mixed(
    whole: Mixed, walked: Walk, showing: list[Showing], most: Thick, on_tape: list[Taped | None] | None
) -> list[Caution]:
    """What to be careful of in a mixed edge: part by part, and where the underlays of two parts lie over each other.

    `walked`, `showing` and `most` are readings of the whole strip; `on_tape` is what each part became, None without a tape.
    """
    found: list[Caution] = []
    pleated = [(index, one.plan) for index, one in enumerate(whole.laid) if one.plan and one.plan.section.kind.folded]
    for index, plan in pleated:
        own = strip_of(plan)
        lying = walk(own)
        past = past_ends(lying)
        # Within the edge an underlay that reaches past its part lies behind the next one.
        ends = PastEnd(past.start if index == 0 else ZERO, past.end if index == len(whole.laid) - 1 else ZERO)
        said = [*_past_ends(plan, ends), *_covered(plan, own, lying, front(lying))]
        if _piles(plan):
            said += _thick(whole.band, thickest(layers(lying)), plan)
        if on_tape is not None:
            said += _coarse(plan, on_tape[index])
        found += [one.of_part(index) for one in said]
    codes = {one.code for one in found}
    if "covered" not in codes and (hidden := _hidden(whole.strip, walked, showing)):
        found.append(Caution("covered", _covered_says(hidden), None))
    if "thick" not in codes and pleated and all(_piles(plan) for _, plan in pleated):
        found += _thick(whole.band, most, None)
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


def _thick(edge: Section | Band, most: Thick, plan: Plan | None) -> list[Caution]:
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
    return thickest(layers(walk(strip_of(plan))))


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
    return past_ends(walk(strip_of(made)))[at] <= (made.section.tape or ZERO) / 2


def _covered(plan: Plan, strip: Strip, walked: Walk, showing: list[Showing]) -> list[Caution]:
    """Faces that other cloth lies over."""
    hidden = _hidden(strip, walked, showing) if _piles(plan) else 0
    if not hidden:
        return []

    def none_hidden(made: Plan) -> bool:
        laid = strip_of(made)
        lying = walk(laid)
        return not _hidden(laid, lying, front(lying))

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
