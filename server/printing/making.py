"""The order of making of a thing on paper, its picture before it."""

from __future__ import annotations

from papers import PAPERS, Drawing, Listing, list_pages, made_to_fit, picture_drawing
from ribbon.errors import refuse
from server.making.answer import ThingMade, thing_made, told_thing
from server.making.beside import own_edges
from server.making.out import ThingOut
from server.printing.schema import PaperIn


def making_listing(asked: PaperIn) -> tuple[str, Listing, list[Drawing]]:
    """(title, the list of steps, pages).  Raises `Refusal` for a work that is no thing."""
    if asked.thing is None:
        raise refuse(
            "no_thing",
            "paper",
            asked.paper,
            "this work is a free set of edges, and has no order of its own",
            "say what is being made under Measure, or look at the order of one piece when it is folded",
        )
    found = thing_made(asked.thing, asked.cloths, own_edges(asked.sections))
    told = told_thing(found)
    title = f"{asked.work}, order of making" if asked.work else "Order of making"
    rows: list[list[str]] = []
    for number, step in enumerate(told["steps"], 1):
        text = step["says"] + (f" Then wait: {step['waits']}." if step["waits"] else "")
        rows.append([str(number), text, "done" if step["done"] else ""])
    listing = Listing(
        title,
        told["slip"][:4],
        ["", "Step", ""],
        rows,
        (10, 155, 15),
        after=[one["message"] for one in told["warnings"]],
    )
    pages = _picture_page(found, told, asked, title)
    return title, listing, [*pages, *list_pages(listing, PAPERS[asked.sheet])]


def _picture_page(found: ThingMade, told: ThingOut, asked: PaperIn, title: str) -> list[Drawing]:
    picture, paper = found.made.picture, PAPERS[asked.sheet]
    if picture is None or told["picture"] is None:
        return []
    says = {tape["field"]: tape["says"] for tape in told["picture"]["views"][0]["tapes"]}
    small, times = made_to_fit(picture_drawing(picture.views[0], says), paper.width - 28, paper.height - 60)
    return [small.placed(14, 26, paper.width, paper.height, f"{title}, 1 : {times:.0f}")]
