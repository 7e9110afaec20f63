"""The strip: spans of cloth in order, the folds between them and the lines named on them; and its walk.

Everything pleated is one strip, and everything shown about it is a reading of that strip.
"""

from ribbon.strip.strip import (
    Fold,
    Line,
    LineKind,
    Role,
    Span,
    Strip,
    StripBuilder,
    Turn,
    begun_at,
    join,
)
from ribbon.strip.walk import Walk, walk

__all__ = [
    "Fold",
    "Line",
    "LineKind",
    "Role",
    "Span",
    "Strip",
    "StripBuilder",
    "Turn",
    "Walk",
    "begun_at",
    "join",
    "walk",
]
