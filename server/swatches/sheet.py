"""Swatches as a table of text: one row a swatch."""

from __future__ import annotations

from typing import Any, NamedTuple

from pydantic import ValidationError

from ribbon.errors import Refusal
from server.swatches.read import read_swatch
from server.swatches.schema import NewSwatch
from server.wire.table import Wrong, read_table, write_table

COLUMNS = (
    "cloth", "kind", "unit", "flat", "measured", "folds", "depth", "every", "stitch", "rows", "thread", "screw", "guide", "layers", "says",
)  # fmt: skip


class BookRows(NamedTuple):
    """The right rows of a table, and the wrong ones, each with its line and why."""

    right: list[NewSwatch]
    wrong: list[Wrong]


def read_book(text: str) -> BookRows:
    """What a table says; `measured` holds several with semicolons between them."""
    rows, wrong = read_table(text, COLUMNS, ("cloth", "kind"))
    made = BookRows([], wrong)
    for one in rows:
        _put(made, one.said, one.line)
    return BookRows(made.right, sorted(made.wrong))


def _put(made: BookRows, said: dict[str, str], line: int) -> None:
    head = {name: said.pop(name, "") for name in ("cloth", "kind", "unit")}
    head["unit"] = head["unit"] or "cm"
    spec: dict[str, Any] = {name: value for name, value in said.items() if value and name != "measured"}
    spec["measured"] = [one.strip() for one in said.get("measured", "").split(";") if one.strip()]
    try:
        row = NewSwatch.model_validate({**head, "spec": spec})
        read_swatch(row.kind, row.unit, row.spec)
    except ValidationError as error:
        first = error.errors(include_url=False)[0]
        made.wrong.append(Wrong(line, f"{first['loc'][-1]}: {first['msg']}"))
    except Refusal as refused:
        one = refused.problems[0]
        made.wrong.append(Wrong(line, f"{one.path}: {one.message}; {one.way_out}"))
    else:
        made.right.append(row)


def write_book(rows: list[NewSwatch]) -> str:
    """The table of `rows`, which reads back to them."""
    return write_table(COLUMNS, map(_cells, rows))


def _cells(row: NewSwatch) -> dict[str, object]:
    spec = {name: value for name, value in row.spec.model_dump(exclude_defaults=True).items() if name in COLUMNS}
    measured = "; ".join(map(str, row.spec.measured))
    return spec | {"cloth": row.cloth, "kind": row.kind, "unit": row.unit, "measured": measured}
