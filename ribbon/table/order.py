"""The order of making: what comes before what, each step with the figures that it needs."""

from __future__ import annotations

from typing import NamedTuple

from ribbon.edge import EdgePlan, Plan
from ribbon.facts import Edge
from ribbon.lengths import ZERO, Length, counted
from ribbon.pleats import Quantity
from ribbon.says.notes import stops_say

Q = Quantity


class Task(NamedTuple):
    """One step of the making: its name and what to do, with its figures."""

    name: str
    says: str


class Known(NamedTuple):
    """What is known of a piece beyond its edge: its joins, what its hem and its heading take, how it is lined."""

    joins: int = 0
    hem: Length | None = None
    heading: Length | None = None
    lined: bool = False
    tube: bool = False


def order(whole: EdgePlan, known: Known) -> list[Task]:
    """The order of making; what fixes the order is said first."""
    section, plan = whole.edge, whole.only
    hung = plan is not None and plan.section.kind.upright and plan.section.kind.width is None
    found = [*_opening(section, plan), *_joins(section, known)]
    found += _hung(section, known) if hung else _hem(section, known)
    found.append(_mark(section, plan))
    found += _made(section, plan)
    found += _stitched_down(plan)
    write = section.scribe.write
    finished = write(plan.finished).text if plan else "the finished width"
    found.append(
        Task("check", f"Measure it laid flat, before it is attached: {finished} from stitching line to stitching line.")
    )
    return [*found, *(_hang(plan) if hung and plan else _attach(section)), _LOG]


_LOG = Task("log", "Write down what you would do otherwise next time.")


def _opening(section: Edge, plan: Plan | None) -> list[Task]:
    if not section.closed:
        return []
    under = "under a pleat" if plan is not None and plan.section.kind.folded else "where the joining starts"
    return [Task("opening", f"Choose first where the zip or the opening goes: the joining starts there, {under}.")]


def _joins(section: Edge, known: Known) -> list[Task]:
    if not known.joins:
        return []
    many = f"{known.joins} joins" if known.joins > 1 else "the one join"
    return [
        Task(
            "join",
            f"Sew {many}; press the allowances open, or to one side where thick. Then measure the whole flat width again.",
        )
    ]


def _hem(section: Edge, known: Known) -> list[Task]:
    write = section.scribe.write
    much = f", {write(known.hem).text} of it" if known.hem is not None and known.hem > ZERO else ""
    found = [Task("hem", f"Hem the free edge before any pleat is folded{much}, and trim it.")]
    return found + _lining(known)


def _lining(known: Known) -> list[Task]:
    if not known.lined:
        return []
    if known.tube:
        says = "Sew the lining to the face along both sides, turn the tube, and press so that as much face rolls to the back at either side. Measure its width again."
    else:
        says = "Hem the lining by itself, lay it on the wrong side of the face, shorter by what was planned, and catch it along the sides."
    return [Task("line", says)]


def _hung(section: Edge, known: Known) -> list[Task]:
    """What a curtain wants before its pleats: sides, hem, lining, heading."""
    write = section.scribe.write
    start, end = section.allowance.start, section.allowance.end
    sides = write(start).text if start == end else f"{write(start).text} and {write(end).text}"
    hem = f", {write(known.hem).text} of cloth" if known.hem is not None and known.hem > ZERO else ""
    heading = f"turn {write(known.heading).text} over it" if known.heading else "turn the top over it"
    found = [] if known.tube else [Task("side hems", f"Turn and sew the side hems, {sides} at each side.")]
    found += [Task("hem", f"Turn up the hem{hem}; weight its corners if it is to hang straight."), *_lining(known)]
    return [
        *found,
        Task(
            "heading",
            f"Lay the stiffener along the top and {heading}, or sew the heading tape on. Then measure the flat width again: pleats are planned from that.",
        ),
    ]


def _mark(section: Edge, plan: Plan | None) -> Task:
    write = section.scribe.write
    if plan is None:
        return Task("mark", "Mark part by part, from one end.")
    if not plan.section.kind.folded:
        return Task(
            "mark",
            f"Mark the match points on the {write(plan.flat).text} of cloth and on the {write(plan.finished).text} that it goes to.",
        )
    pleats = counted(plan.count, "pleats")
    return Task(
        "mark",
        f"Chalk {pleats} over {write(plan.flat).text}, inside the allowance first, then carry each mark down square. Marks that heat removes vanish under the iron.",
    )


def _made(section: Edge, plan: Plan | None) -> list[Task]:
    kind = plan.section.kind if plan else None
    if plan is not None and not plan.section.kind.folded:
        return _gathered(plan)
    if kind is not None and kind.upright and kind.width is Q.SPACING:
        return [
            Task(
                "draw up",
                f"Sew {plan.section.rows if plan else 2} rows through the stitch points, draw all of them up together, and fasten.",
            )
        ]
    if kind is not None and kind.upright:
        fingers = kind.fingers
        dress = "leave it single" if fingers == 1 else f"dress it into {fingers} fingers"
        return [Task("sew", f"Sew each pleat down its line, right side out; then {dress} and catch it by hand.")]
    pins = 2 * plan.count if plan else 0
    counted = f" Count out {pins} pins, two to a pleat, and count them in again." if pins else ""
    return [
        Task("fold and pin", f"Fold each pleat and bring it to its line at the top and at the hem; pin both.{counted}"),
        Task("press", "Press each fold before the next covers it, through a cloth."),
        Task("baste", "Baste inside the allowance, and take the pins out as you come to them: never sew over one."),
    ]


def _gathered(plan: Plan) -> list[Task]:
    if plan.section.gathering.ruffler is not None:
        return [
            Task(
                "gather",
                "Sew it through the ruffling attachment as it was tried on the swatch, the first two tucks turned by hand; stop at each match point and compare.",
            )
        ]
    return [
        Task(
            "gather",
            "Stitch the rows, knot one end, and draw the threads up part by part until match point meets match point.",
        ),
        Task("baste", "Even the gathers with a pin, then stitch between the rows and take the lower thread out."),
    ]


def _stitched_down(plan: Plan | None) -> list[Task]:
    if plan is None:
        return []
    width = plan.length(plan.section.kind.width) if plan.section.kind.width else None
    says = stops_say(plan.section, plan.pleats, width)
    return [Task("stitch down", says)] if says else []


def _hang(plan: Plan) -> list[Task]:
    return [
        Task("hooks", f"Set {plan.count + 2} hooks or rings: one to a pleat and one at each end."),
        Task(
            "hang",
            "Hang it, dress the folds by hand from top to hem and tie them loosely for a few days. Rail and fixings must carry it; mind the ladder.",
        ),
    ]


def _attach(section: Edge) -> list[Task]:
    close = (
        "Close the opening last, its join behind a pleat, and count the pins in again."
        if section.closed
        else "Close the ends, and count the pins in again."
    )
    return [
        Task(
            "attach", "Attach it to its band, tape or base. Trim nothing while a pocket or a back layer lies under it."
        ),
        Task("close", close),
    ]


def hem_of(hem: Length | None, turns: int) -> Length | None:
    """What a hem takes of the cloth: its depth for each turning."""
    return hem * turns if hem is not None and hem > ZERO else None
