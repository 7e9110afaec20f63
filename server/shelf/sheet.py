"""Cloths as a table of text: one row a cloth, the columns by name (RFC 4180)."""

from __future__ import annotations

import csv
import io
from dataclasses import replace
from typing import Any, NamedTuple

from pydantic import ValidationError

from papers import guarded, unguarded
from ribbon.errors import Problem
from ribbon.lengths import UNITS
from server.wire.cloth import ClothSpec
from server.wire.problems import from_schema
from server.wire.read_cloth import read_cloth

COLUMNS = (
    "name", "unit", "width", "selvedge", "usable", "weight", "thickness", "along", "across", "directional",
    "shrinkage", "price", "per", "step", "length", "rectangle", "stripes",
)  # fmt: skip
MOST_ROWS = 1000
_YES = {"yes", "true", "1", "x"}
_NO = {"no", "false", "0", ""}


class SheetRow(NamedTuple):
    """A row that is right."""

    name: str
    unit: str
    spec: dict[str, Any]


class Wrong(NamedTuple):
    """A row that is not: its line, and why."""

    line: int
    message: str


def read_sheet(text: str) -> tuple[list[SheetRow], list[Wrong]]:
    """The right rows and the wrong ones, each wrong one with its line number."""
    found: list[SheetRow] = []
    wrong: list[Wrong] = []
    reader = csv.DictReader(io.StringIO(text.lstrip("\ufeff"), newline=""), strict=True)
    try:
        names = [name.strip().lower() for name in reader.fieldnames or []]
    except csv.Error as error:
        return [], [Wrong(1, f"this is no table: {error}")]
    if "name" not in names:
        return [], [
            Wrong(1, f"the first line must name the columns, “name” among them; known are {', '.join(COLUMNS)}")
        ]
    unknown = [name for name in names if name and name not in COLUMNS]
    if unknown:
        return [], [Wrong(1, f"there is no column “{unknown[0][:40]}”; known are {', '.join(COLUMNS)}")]
    reader.fieldnames = names
    try:
        for number, values in enumerate(reader, 1):
            line = reader.line_num
            if number > MOST_ROWS:
                too_many = f"a table has at most {MOST_ROWS} rows: take it in in parts"
                return [], [Wrong(line, too_many)]
            if None in values:
                wrong.append(Wrong(line, "there are more cells than columns"))
                continue
            if not any((value or "").strip() for value in values.values()):
                continue
            row = _row(values, line)
            (wrong if isinstance(row, Wrong) else found).append(row)  # type: ignore[arg-type]
    except csv.Error as error:
        wrong.append(Wrong(reader.line_num, f"this row cannot be read: {error}"))
    return found, wrong


def _row(values: dict[str, str], line: int) -> SheetRow | Wrong:
    said = {name: unguarded(value or "").strip() for name, value in values.items() if name}
    name, unit = said.pop("name", ""), said.pop("unit", "") or "cm"
    if not name:
        return Wrong(line, "the name is missing")
    if len(name) > 120:
        return Wrong(line, "the name is longer than 120 letters")
    spec: dict[str, Any] = {}
    for flag in ("directional", "rectangle"):
        word = said.pop(flag, "").lower()
        if word not in _YES | _NO:
            return Wrong(line, f"{flag} is “{word[:20]}”: write yes or no")
        if word in _YES:
            spec[flag] = True
    stripes = said.pop("stripes", "")
    if stripes:
        spec["stripes"] = [
            {"colour": colour.strip(), "width": width.strip()}
            for colour, _, width in (one.strip().partition(" ") for one in stripes.split(";"))
        ]
    spec |= {column: value for column, value in said.items() if value}
    problem = wrong_with(unit, spec)
    if problem is None:
        return SheetRow(name, unit, spec)
    return Wrong(line, f"{problem.path or 'the row'}: {problem.message}; {problem.way_out}")


def wrong_with(unit: str, spec: dict[str, Any]) -> Problem | None:
    """The first thing that is wrong with a cloth, its path that of the fact; None where nothing is."""
    if unit not in UNITS:
        return Problem("literal_error", "unit", unit, "there is no such unit", f"use one of {', '.join(UNITS)}")
    try:
        said = ClothSpec.model_validate({"usable": None if spec.get("width") else "1 m", **spec})
    except ValidationError as error:
        found = from_schema(
            [{**line, "loc": ("body", "cloth", *line["loc"])} for line in error.errors(include_url=False)]
        )
        return Problem(**found["problems"][0])
    read = read_cloth(said, "cloth", unit, imperial=UNITS[unit].binary)
    first = next(iter((*read.problems, *read.wrong)), None)
    return first and replace(first, path=first.path.removeprefix("cloth."))


def write_sheet(rows: list[SheetRow]) -> str:
    """The table of `rows`, which reads back to them."""
    out = io.StringIO(newline="")
    writer = csv.DictWriter(out, COLUMNS)
    writer.writeheader()
    for row in rows:
        cells = {
            column: row.spec.get(column) for column in COLUMNS if row.spec.get(column) not in (None, "", False, [])
        }
        for flag in ("directional", "rectangle"):
            if flag in cells:
                cells[flag] = "yes"
        if "stripes" in cells:
            cells["stripes"] = "; ".join(f"{one['colour']} {one['width']}" for one in row.spec["stripes"])
        whole = {**cells, "name": row.name, "unit": row.unit}
        writer.writerow({column: guarded(str(cell)) for column, cell in whole.items()})
    return out.getvalue()
