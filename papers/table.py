"""A list as CSV."""

from __future__ import annotations

import csv
from io import StringIO

from papers.cells import guarded
from papers.lists import Listing


def to_csv(listing: Listing) -> str:
    """The rows of `listing` under its headings.  What a spreadsheet would take for a formula is quoted with an apostrophe."""
    made = StringIO()
    writer = csv.writer(made, lineterminator="\r\n")
    writer.writerow(listing.headings)
    for row in listing.rows:
        writer.writerow([guarded(cell) for cell in row])
    return made.getvalue()
