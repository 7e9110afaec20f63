"""Cells of a table as text, so that no spreadsheet takes one for a formula."""

from __future__ import annotations

from papers.shown import shown

_FORMULA = ("=", "+", "-", "@", "\t", "\r")
_QUOTE = "'"


def guarded(text: str) -> str:
    """The text as a cell holds it: with an apostrophe before what a spreadsheet would work out.

    >>> guarded("=1+1"), guarded("12 cm"), guarded("'=1")
    ("'=1+1", '12 cm', "''=1")
    """
    text = shown(text)
    bare = text.lstrip(_QUOTE)
    return _QUOTE + text if bare.startswith(_FORMULA) else text


def unguarded(cell: str) -> str:
    """The text of a cell that `guarded` wrote.

    >>> unguarded("'=1+1"), unguarded("''=1"), unguarded("'tis")
    ('=1+1', "'=1", "'tis")
    """
    bare = cell.lstrip(_QUOTE)
    return cell[1:] if cell.startswith(_QUOTE) and bare.startswith(_FORMULA) else cell
