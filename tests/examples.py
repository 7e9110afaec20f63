"""How many random examples a law is tried with: few in `make quick`, some in `make test`, many fresh ones in `make soak`."""

from __future__ import annotations

import os
from fractions import Fraction as Plain

from hypothesis import HealthCheck, settings

from ribbon.fraction import Fraction

_TIMES = float(os.environ.get("YOUNG_RIBBON_EXAMPLES", "0.15"))
FRESH = _TIMES > 1


def exact(text: str) -> Fraction:
    """What a text says as a fraction of the core, which is never read from texts itself."""
    said = Plain(text)
    return Fraction(said.numerator, said.denominator)


def law(examples: int) -> settings:
    """Settings for a law that is right once it held for so many random examples; the same ones each time but in a soak."""
    return settings(
        max_examples=max(10, int(examples * _TIMES)),
        deadline=None,
        suppress_health_check=[HealthCheck.too_slow, HealthCheck.filter_too_much],
        derandomize=not FRESH,
        database=None,
    )


def seeds(many: int) -> range:
    """The seeds of so many chance inputs, where each is a test of its own: fewer in `make test`, more in `make soak`."""
    return range(max(4, int(many * _TIMES)))
