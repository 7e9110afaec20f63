"""Cloths as a table of text: one row a cloth."""

from __future__ import annotations

from dataclasses import replace
from typing import Any, NamedTuple

from pydantic import ValidationError

from ribbon.errors import Problem
from ribbon.lengths import UNITS
from server.wire.cloth import ClothSpec
from server.wire.problems import from_schema
from server.wire.read_cloth import read_cloth
from server.wire.table import Wrong, read_table, write_table

COLUMNS = (
    "name", "unit", "width", "selvedge", "usable", "weight", "thickness", "along", "across", "directional",
    "shrinkage", "price", "per", "step", "length", "rectangle", "stripes",
)  # fmt: skip
_YES = {"yes", "true", "1", "x"}
_NO = {"no", "false", "0", ""}


class SheetRow(NamedTuple):
    """A row that is right."""

    name: str
    unit: str
    spec: dict[str, Any]


def read_sheet(text: str) -> tuple[list[SheetRow], list[Wrong]]:
    """The right rows and the wrong ones, each wrong one with its line number."""
    rows, wrong = read_table(text, COLUMNS, ("name",))
    found = [_row(one.said, one.line) for one in rows]
    wrong += [one for one in found if isinstance(one, Wrong)]
    return [one for one in found if isinstance(one, SheetRow)], sorted(wrong)


def _row(said: dict[str, str], line: int) -> SheetRow | Wrong:
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
    return write_table(COLUMNS, map(_cells, rows))


def _cells(row: SheetRow) -> dict[str, object]:
    cells = {column: row.spec.get(column) for column in COLUMNS if row.spec.get(column) not in (None, "", False, [])}
    cells |= {flag: "yes" for flag in ("directional", "rectangle") if flag in cells}
    if "stripes" in cells:
        cells["stripes"] = "; ".join(f"{one['colour']} {one['width']}" for one in row.spec["stripes"])
    return {**cells, "name": row.name, "unit": row.unit}
