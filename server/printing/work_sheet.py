"""The work sheet of a work: of its thing where it is one, else of its pieces."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from papers import PAPERS, Drawing, SheetStep, WorkSheet, made_to_fit, picture_drawing, picture_room, work_sheet_pages
from ribbon.cloth.sold import layout_scribe
from ribbon.edge import EdgePlan
from ribbon.effort import effort
from ribbon.errors import Refusal
from ribbon.making import pleats_say
from ribbon.table.order import order
from server.cutting.cut import Plans
from server.making.answer import ThingMade, thing_made, told_thing
from server.making.beside import own_edges
from server.making.out import FieldOut, ThingOut
from server.plans.bounds import held, planned
from server.plans.fold import known_of
from server.printing.schema import PaperIn
from server.printing.shopping import shopping
from server.wire.read_edge import Given, read_section

_WHAT = "A work sheet"


def edges_of_sheet(asked: PaperIn) -> list[tuple[Given, EdgePlan]]:
    """Every edge of the work, read and planned.  Raises `Refusal`, also where they are more than stand on one sheet."""
    found: list[tuple[Given, EdgePlan]] = []
    for index, one in enumerate(asked.sections):
        try:
            given = read_section(one.spec, asked.cloths)
            found.append((given, planned(given.edge, _WHAT)))
            held(sum(effort(whole) for _, whole in found), _WHAT)
        except Refusal as refusal:
            raise Refusal(problem.under(f"sections.{index}.spec") for problem in refusal.problems) from None
    return found


def work_sheet(asked: PaperIn, edges: Sequence[tuple[Given, EdgePlan]], cut: Plans) -> tuple[str, list[Drawing]]:
    """(its title, its pages) of the edges planned and of what of them can be cut.

    Raises `Refusal` where something of the work is wrong.
    """
    title = asked.work or "Work sheet"
    buy, pieces = shopping(cut), _cut(cut)
    made = thing_made(asked.thing, asked.cloths, own_edges(asked.sections)) if asked.thing is not None else None
    if made is not None:
        sheet = _of_thing(title, made, told_thing(made), buy, pieces)
    else:
        sheet = _of_pieces(title, asked, edges, buy, pieces)
    return title, work_sheet_pages(sheet, PAPERS[asked.sheet])


def _of_thing(
    title: str,
    made: ThingMade,
    told: ThingOut,
    buy: list[tuple[str, str, str]],
    pieces: list[tuple[str, str, str]],
) -> WorkSheet:
    typed: dict[str, Any] = {**made.said.measures, **made.said.choices}
    measures = [
        (field["title"], _says(field, typed.get(field["name"])))
        for field in told["fields"]
        if field["asked"] and (field["name"] in typed or field["first"] or field["line"])
    ]
    return WorkSheet(
        title,
        told["title"],
        _picture(made, told),
        [(name, says) for name, says in measures if says],
        [(f"{part['name']} × {part['count']}", part["says"]) for part in told["parts"]],
        buy,
        pieces,
        [
            SheetStep(one["says"] + (f" Then wait: {one['waits']}." if one["waits"] else ""), one["done"])
            for one in told["steps"]
        ],
        [one["message"] for one in told["warnings"]],
    )


def _says(field: FieldOut, value: Any) -> str:
    """What a field holds, as one reads it; what is assumed where nothing is said."""
    words = {one["name"]: one["says"] for one in field["options"]}
    if value in (None, "", []):
        assumed = words.get(field["assumed"], field["assumed"])
        return f"{assumed}, assumed" if assumed else ""
    said = value if isinstance(value, list) else [value]
    return ", ".join(words.get(str(one), str(one)) for one in said)


def _picture(made: ThingMade, told: ThingOut) -> Drawing | None:
    if made.made.picture is None or told["picture"] is None:
        return None
    # Its measures stand beside it: words as small as they would be on it would help nobody.
    return made_to_fit(picture_drawing(made.made.picture.views[0], None), *picture_room())[0]


def _of_pieces(
    title: str,
    asked: PaperIn,
    edges: Sequence[tuple[Given, EdgePlan]],
    buy: list[tuple[str, str, str]],
    pieces: list[tuple[str, str, str]],
) -> WorkSheet:
    measures: list[tuple[str, str]] = []
    parts: list[tuple[str, str]] = []
    steps: list[SheetStep] = []
    for one, (given, whole) in zip(asked.sections, edges, strict=True):
        name = one.name or "The edge"
        measures.append((name, _finished(whole)))
        parts.append((name, _flat(whole)))
        if len(asked.sections) > 1:
            steps.append(SheetStep(name, heads=True))
        steps += [SheetStep(task.says) for task in order(whole, known_of(whole, given.cutting))]
    return WorkSheet(title, "", None, measures, parts, buy, pieces, steps)


def _finished(whole: EdgePlan) -> str:
    return f"{whole.edge.scribe.write(whole.finished).text} finished"


def _flat(whole: EdgePlan) -> str:
    return f"{whole.edge.scribe.write(whole.flat).text} flat, {pleats_say(whole)}"


def _cut(cut: Plans) -> list[tuple[str, str, str]]:
    """Every piece to cut, alike ones once: what it is, its cloth, how large."""
    write = layout_scribe(cut.unit).write
    rows: dict[tuple[str, str, str], int] = {}
    for plan in cut.made.plans:
        for one in plan.layout.laid:
            row = (one.piece.name, plan.title, f"{write(one.piece.wide).text} × {write(one.piece.long).text}")
            rows[row] = rows.get(row, 0) + 1
    return [(f"{name} × {many}" if many > 1 else name, cloth, size) for (name, cloth, size), many in rows.items()]
