"""The folding round and the order of making: what to do with each pleat, and what comes before what (work, section 12)."""

from __future__ import annotations

from collections.abc import Sequence
from itertools import groupby
from typing import NamedTuple

from ribbon.chalk import marked
from ribbon.lengths import ZERO, Length, Scribe
from ribbon.pins import Band, Plan, Section
from ribbon.pleats import Quantity
from ribbon.readings import Mark
from ribbon.strip import LineKind, Walk

Q = Quantity


class Folded(NamedTuple):
    """One pleat to fold: its number, what to do with it, and the stretch of flat cloth that it takes."""

    pleat: int
    says: str
    start: Length
    end: Length


class Step(NamedTuple):
    """One step of the making: its name and what to do, with its figures."""

    name: str
    says: str


class Press(NamedTuple):
    """How one fibre is pressed."""

    fibre: str
    says: str


PRESSING = (
    Press(
        "cotton or linen",
        "Hot iron and steam, through a cloth; it holds its folds. Lift the iron, do not slide it. Iron and steam scald.",
    ),
    Press("wool", "Warm iron and a damp cloth, then leave each fold to dry where it lies, or it opens again."),
    Press(
        "silk or satin",
        "Cool iron on the wrong side through a dry cloth: it scorches and water marks it. Try a scrap first.",
    ),
    Press(
        "synthetic",
        "Cool iron through a cloth: too hot and it melts. Once set its folds hold well, so check them before.",
    ),
)


def folding(section: Section | Band) -> list[Folded]:
    """What to do with each pleat in turn, from the start of the strip; empty for gathers, which are drawn up.

    Raises `Refusal` where the section cannot be planned.
    """
    chalked = marked(section)
    walked, found = chalked.walked, []
    for number, group in groupby(chalked.marks, key=lambda mark: mark.pleat):
        own = list(group)
        if own[0].kind is LineKind.MATCH:
            continue
        says = _says(section.scribe, walked, own)
        found.append(Folded(number, says, walked.length(own[0].at), walked.length(own[-1].at)))
    return found


def _says(scribe: Scribe, walked: Walk, own: Sequence[Mark]) -> str:
    def at(mark: Mark) -> str:
        return scribe.write(walked.length(mark.at)).text

    by_kind: dict[LineKind, list[Mark]] = {}
    for mark in own:
        by_kind.setdefault(mark.kind, []).append(mark)
    sewn = by_kind.get(LineKind.SEW, [])
    outer, placement = by_kind.get(LineKind.OUTER, []), by_kind.get(LineKind.PLACEMENT, [])
    if LineKind.STITCH in by_kind:
        return f"Needle through the stitch points at {' and '.join(at(m) for m in own)}, on every row, straight below one another."
    if len(sewn) > 1:
        return f"Bring the sew lines at {at(sewn[0])} and {at(sewn[-1])} together, right side out, and sew down the line; then dress it."
    if LineKind.CENTRE in by_kind and outer:
        middle = by_kind[LineKind.CENTRE][0]
        both = " and ".join(at(mark) for mark in outer)
        folds = "both outer folds" if len(outer) > 1 else "the outer fold"
        return (
            f"Crease at {both} and bring {folds} to the centre line at {at(middle)}, one from each side."
            if not placement
            else f"Crease at {both} and bring {folds} outwards to the placement lines, half of the pleat on the fold line."
        )
    if len(outer) == 2:
        return (
            f"Crease at {at(outer[0])} and {at(outer[1])}; bring the left fold left to the line at {at(placement[0])} "
            f"and the right fold right to the line at {at(placement[-1])}."
        )
    if outer and placement:
        hand = "right" if placement[0].at > outer[0].at else "left"
        return (
            f"Crease at {at(outer[0])} and bring the fold to the {hand}, on the placement line at {at(placement[0])}."
        )
    return "Fold by its marks, in their order."


def order(section: Section | Band, plan: Plan | None, *, joins: int = 0, hem: Length | None = None) -> list[Step]:
    """The order of making, each step with the figures that it needs; what fixes the order is said first.

    `joins` is how many joins there are, `hem` what the hem takes, None where it is not known.
    """
    write = section.scribe.write
    closed = isinstance(section, Section) and section.closed
    found = []
    if closed:
        found.append(
            Step("opening", "Choose first where the zip or the opening goes: the joining starts there, under a pleat.")
        )
    if joins:
        many = f"{joins} joins" if joins > 1 else "the one join"
        found.append(
            Step(
                "join",
                f"Sew {many}; press the allowances open, or to one side where thick. Then measure the whole flat width again.",
            )
        )
    found.append(
        Step(
            "hem",
            f"Hem the free edge before any pleat is folded{f', {write(hem).text} of it' if hem else ''}, and trim it. Let a circle hang first.",
        )
    )
    if plan is None:
        found.append(Step("mark", "Mark part by part, from one end."))
    elif plan.section.kind.folded:
        found.append(
            Step(
                "mark",
                f"Chalk {plan.count} pleats over {write(plan.flat).text}, inside the allowance first, then carry each mark down square. Marks that heat removes vanish under the iron.",
            )
        )
    else:
        found.append(
            Step(
                "mark",
                f"Mark the match points on the {write(plan.flat).text} of cloth and on the {write(plan.finished).text} that it goes to.",
            )
        )
    found += _made(section, plan)
    finished = write(plan.finished).text if plan else "the finished width"
    found.append(
        Step("check", f"Measure it laid flat, before it is attached: {finished} from stitching line to stitching line.")
    )
    found.append(
        Step(
            "attach", "Attach it to its band, tape or base. Trim nothing while a pocket or a back layer lies under it."
        )
    )
    found.append(
        Step(
            "close",
            "Close the opening last, its join in the underlay of a pleat."
            if closed
            else "Close the ends, and count the pins in again.",
        )
    )
    found.append(Step("log", "Write down what you would do otherwise next time."))
    return found


def _made(section: Section | Band, plan: Plan | None) -> list[Step]:
    kind = plan.section.kind if plan else None
    if plan is not None and not plan.section.kind.folded:
        return [
            Step(
                "gather",
                "Stitch the rows, knot one end, and draw the threads up part by part until match point meets match point.",
            ),
            Step("baste", "Even the gathers with a pin, then stitch between the rows and take the lower thread out."),
        ]
    if kind is not None and kind.upright and kind.width is Q.SPACING:
        return [
            Step(
                "draw up",
                f"Sew {plan.section.rows if plan else 2} rows through the stitch points, draw all of them up together, and fasten.",
            )
        ]
    if kind is not None and kind.upright:
        return [
            Step("sew", "Sew each pleat down its line, right side out; then dress the fingers and catch them by hand.")
        ]
    pins = 2 * plan.count if plan else 0
    counted = f" Count out {pins} pins, two to a pleat, and count them in again." if pins else ""
    return [
        Step("fold and pin", f"Fold each pleat and bring it to its line at the top and at the hem; pin both.{counted}"),
        Step("press", "Press each fold before the next covers it, through a cloth."),
        Step("baste", "Baste inside the allowance, and take the pins out as you come to them: never sew over one."),
    ]


def pins_of(pleats: Sequence[Folded]) -> int:
    """How many pins hold them: two to a pleat, at its top and at its hem."""
    return 2 * len(pleats)


def hem_of(hem: Length | None, turns: int) -> Length | None:
    """What a hem takes of the cloth: its depth for each turning."""
    return hem * turns if hem is not None and hem > ZERO else None
