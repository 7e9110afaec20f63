"""Tables of text: one row a line, the columns by name (RFC 4180)."""

from __future__ import annotations

import csv
import io
from collections.abc import Iterable, Mapping, Sequence
from typing import NamedTuple

from papers import guarded, unguarded

MOST_ROWS = 1000


class Wrong(NamedTuple):
    """A row that is not right: its line, and why."""

    line: int
    message: str


class Cells(NamedTuple):
    """The cells of a row by their columns, trimmed, and the line that it ends on."""

    line: int
    said: dict[str, str]


def read_table(text: str, columns: Sequence[str], needed: Sequence[str]) -> tuple[list[Cells], list[Wrong]]:
    """The rows of a table, and what of it is none; no rows at all where its first line does not name the columns."""
    found: list[Cells] = []
    wrong: list[Wrong] = []
    reader = csv.DictReader(io.StringIO(text.lstrip("\ufeff"), newline=""), strict=True)
    try:
        names = [name.strip().lower() for name in reader.fieldnames or []]
    except csv.Error as error:
        return [], [Wrong(1, f"this is no table: {error}")]
    known = f"known are {', '.join(columns)}"
    if any(name not in names for name in needed):
        among = " and ".join(f"“{name}”" for name in needed)
        return [], [Wrong(1, f"the first line must name the columns, {among} among them; {known}")]
    unknown = [name for name in names if name and name not in columns]
    if unknown:
        return [], [Wrong(1, f"there is no column “{unknown[0][:40]}”; {known}")]
    reader.fieldnames = names
    try:
        for number, values in enumerate(reader, 1):
            if number > MOST_ROWS:
                return [], [Wrong(reader.line_num, f"a table has at most {MOST_ROWS} rows: take it in in parts")]
            if None in values:
                wrong.append(Wrong(reader.line_num, "there are more cells than columns"))
            elif any((value or "").strip() for value in values.values()):
                said = {name: unguarded(value or "").strip() for name, value in values.items() if name}
                found.append(Cells(reader.line_num, said))
    except csv.Error as error:
        wrong.append(Wrong(reader.line_num, f"this row cannot be read: {error}"))
    return found, wrong


def write_table(columns: Sequence[str], rows: Iterable[Mapping[str, object]]) -> str:
    """The table of those rows, which reads back to them."""
    out = io.StringIO(newline="")
    writer = csv.DictWriter(out, columns)
    writer.writeheader()
    for row in rows:
        writer.writerow({column: guarded(str(cell)) for column, cell in row.items()})
    return out.getvalue()
