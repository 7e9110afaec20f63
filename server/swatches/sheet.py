"""Swatches as a table of text: one row a swatch, the columns by name (RFC 4180)."""

from __future__ import annotations

import csv
import io
from typing import Any, NamedTuple

from pydantic import ValidationError

from papers import guarded, unguarded
from ribbon.errors import Refusal
from server.shelf.sheet import Wrong
from server.swatches.read import read_swatch
from server.swatches.schema import NewSwatch

COLUMNS = (
    "cloth", "kind", "unit", "flat", "measured", "folds", "depth", "every", "stitch", "rows", "thread", "screw", "guide", "layers", "says",
)  # fmt: skip
MOST_ROWS = 1000


class BookRows(NamedTuple):
    """The right rows of a table, and the wrong ones, each with its line and why."""

    right: list[NewSwatch]
    wrong: list[Wrong]


def read_book(text: str) -> BookRows:
    """What a table says; `measured` holds several with semicolons between them."""
    made = BookRows([], [])
    reader = csv.DictReader(io.StringIO(text.lstrip("\ufeff"), newline=""), strict=True)
    try:
        names = [name.strip().lower() for name in reader.fieldnames or []]
    except csv.Error as error:
        return BookRows([], [Wrong(1, f"this is no table: {error}")])
    unknown = [name for name in names if name and name not in COLUMNS]
    if "cloth" not in names or "kind" not in names or unknown:
        lacking = (
            f"there is no column “{unknown[0][:40]}”"
            if unknown
            else "the first line must name the columns, “cloth” and “kind” among them"
        )
        return BookRows([], [Wrong(1, f"{lacking}; known are {', '.join(COLUMNS)}")])
    reader.fieldnames = names
    try:
        for number, values in enumerate(reader, 1):
            if number > MOST_ROWS:
                return BookRows(
                    [], [Wrong(reader.line_num, f"a table has at most {MOST_ROWS} rows: take it in in parts")]
                )
            if None in values:
                made.wrong.append(Wrong(reader.line_num, "there are more cells than columns"))
            elif any((value or "").strip() for value in values.values()):
                _put(made, values, reader.line_num)
    except csv.Error as error:
        made.wrong.append(Wrong(reader.line_num, f"this row cannot be read: {error}"))
    return made  # fmt: skip


def _put(made: BookRows, values: dict[str, str], line: int) -> None:
    said: dict[str, Any] = {name: unguarded(value or "").strip() for name, value in values.items() if name}
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
    out = io.StringIO(newline="")
    writer = csv.DictWriter(out, COLUMNS)
    writer.writeheader()
    for row in rows:
        cells = {
            name: str(value) for name, value in row.spec.model_dump(exclude_defaults=True).items() if name in COLUMNS
        }
        cells |= {
            "cloth": row.cloth,
            "kind": row.kind,
            "unit": row.unit,
            "measured": "; ".join(map(str, row.spec.measured)),
        }
        writer.writerow({name: guarded(cell) for name, cell in cells.items()})
    return out.getvalue()  # fmt: skip
