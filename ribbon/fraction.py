"""The exact fractions that everything is reckoned in.

`quicktions.Fraction` is the standard library's `fractions.Fraction` compiled: the same values, the same names, a third of
the time of a whole answer saved.  Types are read from the standard library, which says them.

Never of a text: of a single digit the compiled one writes over what the interpreter keeps for the letter NUL.  Texts are read
to whole numbers first (`ribbon/lengths/sums.py`).
"""

from __future__ import annotations

from typing import TYPE_CHECKING

if TYPE_CHECKING:
    from fractions import Fraction
else:
    from quicktions import Fraction

__all__ = ["Fraction"]
