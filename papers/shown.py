"""Text that every kind of paper can hold."""

from __future__ import annotations

import re

_NOT_SHOWN = re.compile("[\x00-\x08\x0b\x0c\x0e-\x1f\x7f\ud800-\udfff\ufffe\uffff]")


def shown(text: str) -> str:
    r"""`text` with a space for every sign that a picture or a table cannot hold.

    >>> shown("Dome\x0bvalance")
    'Dome valance'
    """
    return _NOT_SHOWN.sub(" ", text)
