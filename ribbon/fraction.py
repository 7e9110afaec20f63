"""The exact fractions that everything is reckoned in.

`quicktions.Fraction` is the standard library's `fractions.Fraction` compiled: the same values, the same names, a third of
the time of a whole answer saved.  Types are read from the standard library, which says them.

Never of a text: of a single digit the compiled one writes over what the interpreter keeps for the letter NUL.  `Fraction`
refuses texts; they are read to whole numbers first (`ribbon/lengths/sums.py`).
"""

from __future__ import annotations

from typing import TYPE_CHECKING, Any

if TYPE_CHECKING:
    from fractions import Fraction
else:
    from quicktions import Fraction as _Compiled

    _TEXTS = frozenset((str, bytes))

    class _Made(type):
        """Calls to `Fraction` make compiled fractions, which are what is an instance of it."""

        def __call__(cls, above: Any = 0, below: Any = 1) -> _Compiled:
            if above.__class__ in _TEXTS:
                raise TypeError(f"a fraction is made of numbers, not of the text {above!r}: read it first")
            return _Compiled(above, below) if below != 1 else _Compiled(above)

        def __instancecheck__(cls, one: object) -> bool:
            return isinstance(one, _Compiled)

        def __subclasscheck__(cls, one: type) -> bool:
            return issubclass(one, _Compiled)

        def __getattr__(cls, name: str) -> Any:
            return getattr(_Compiled, name)

    class Fraction(metaclass=_Made):
        """An exact fraction of whole numbers.  Raises `TypeError` for a text."""


__all__ = ["Fraction"]
