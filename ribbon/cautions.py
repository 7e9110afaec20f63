"""What a sewist should be warned of in a plan, each with a mend where there is one (work, sections 6 and 18)."""

from __future__ import annotations

from typing import NamedTuple

from ribbon.lengths import ZERO, Length, read_length
from ribbon.pins import Plan, Taped
from ribbon.pleats import Facing, Quantity
from ribbon.readings import PastEnd, Showing, Thick
from ribbon.strip import Role, Strip, Walk

Q = Quantity


class Mend(NamedTuple):
    """A change that mends what is warned of: what it does in words, and the fields of the section it sets or empties."""

    says: str
    change: tuple[tuple[str, str | None], ...]


class Caution(NamedTuple):
    """One warning.  `mend` is None where nothing in the plan would help."""

    code: str
    message: str
    mend: Mend | None


_FINER = {True: ("1/8 in", "1/16 in"), False: ("2 mm", "1 mm")}

MACHINE_SEWS = Length(6)  # what a home machine sews through, about


def cautions(
    plan: Plan, strip: Strip, walked: Walk, showing: list[Showing], past: PastEnd, most: Thick, on_tape: Taped | None
) -> list[Caution]:
    """What to be careful of in `plan`, given its strip, the readings of it, and what it becomes on the tape."""
    found = [*_past_ends(plan, past), *_covered(plan, strip, walked, showing), *_thick(plan, most)]
    tape = plan.section.tape
    if tape is not None and (on_tape is None or not all(on_tape.depths)):
        found.append(
            _too_coarse(plan, tape, "their places are exact" if on_tape is None else "some are left with none")
        )
    if plan.section.facing in (Facing.TO_CENTRE, Facing.FROM_CENTRE) and not plan.section.kind.faces:
        found.append(
            Caution(
                "no_hand", f"{plan.section.kind.title} look alike from both hands; the facing changes nothing", None
            )
        )
    return found


def _too_coarse(plan: Plan, tape: Length, so: str) -> Caution:
    """A tape on which a pleat this small would be left with nothing."""
    section = plan.section
    take, folded = Length(plan.values[Q.PER_PLEAT]), section.kind.take_up_per_depth
    finer = ((text, read_length(text, section.unit)) for text in _FINER[section.unit.binary])
    text = next((text for text, one in finer if one < tape and one * folded <= take), None)
    says = f"A tape of {section.fine.write(tape).text} is too coarse for pleats that take {section.fine.write(take).text}: {so}."
    mend = Mend(f"Mark on a tape of {text}", (("tape", text),)) if text else None
    return Caution("too_coarse", says, mend)


def _thick(plan: Plan, most: Thick) -> list[Caution]:
    """Layers times the cloth's thickness, doubled under a band, against what a home machine sews."""
    cloth = plan.section.cloth.thickness
    if cloth is None or plan.section.kind.upright or not plan.section.kind.folded:
        return []
    through = cloth * (2 * most.layers)
    own = plan.section.machine
    if through <= (own or MACHINE_SEWS):
        return []
    limit = f"the {float(own.mm):.2g} mm that your machine sews" if own else "the 6 mm or so that a home machine sews"
    says = (
        f"{most.layers} layers of this cloth under a band are {float(through.mm):.2g} mm, past {limit}: "
        "use shallower or wider spaced pleats, a yoke, or sew by hand. Thick folds break needles: mind your eyes."
    )
    return [Caution("thick", says, None)]


def _past_ends(plan: Plan, past: PastEnd) -> list[Caution]:
    if plan.section.closed or plan.section.kind.upright:
        return []  # on a ring the underlay goes on behind the next pleat; upright pleats have none
    found = []
    for name, by in (("lead", past.start), ("tail", past.end)):
        if by > ZERO:
            width = plan.lead if name == "lead" else plan.tail
            enough = plan.section.scribe.write(width + by).text.removeprefix("≈")
            edge = "start" if name == "lead" else "end"
            found.append(
                Caution(
                    "past_end",
                    f"The underlay of the {'first' if name == 'lead' else 'last'} pleat sticks out {plan.section.scribe.write(by).text} past the {edge}.",
                    Mend(f"Make the {name} {enough}", ((f"{name}.times", None), (f"{name}.width", enough))),
                )
            )
    return found


def _covered(plan: Plan, strip: Strip, walked: Walk, showing: list[Showing]) -> list[Caution]:
    """Faces that other cloth lies over."""
    if plan.section.kind.upright or not plan.section.kind.folded:
        return []
    shown: dict[int, int] = {}
    for stretch in showing:
        shown[stretch.span] = shown.get(stretch.span, 0) + stretch.end - stretch.start
    hidden = 0
    for index, span in enumerate(strip.spans):
        run = walked.flat[index + 1] - walked.flat[index]
        if span.role in (Role.FACE, Role.PLAIN) and shown.get(index, 0) < run:
            hidden += 1
    if not hidden:
        return []
    says = "One face is" if hidden == 1 else f"{hidden} faces are"
    return [Caution("covered", f"{says} partly covered by the next pleat's underlay.", _shallower(plan))]


def _shallower(plan: Plan) -> Mend | None:
    kind, spacing = plan.section.kind, plan.length(Q.SPACING)
    if kind.width is None or spacing is None:
        return None
    room = plan.length(kind.width) or ZERO
    deepest: Length = room / 2 if kind.width is Q.BOX else (spacing - room) / 2
    text = plan.section.fine.write(deepest).text.removeprefix("≈")
    return Mend(f"Make the pleats {text} deep", (("pins.depth", text),)) if deepest > ZERO else None
