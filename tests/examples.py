"""How many random examples a law is tried with: few in `make quick`, some in `make test`, many fresh ones in `make soak`."""

from __future__ import annotations

import os

from hypothesis import HealthCheck, settings

_TIMES = float(os.environ.get("YOUNG_RIBBON_EXAMPLES", "0.15"))
FRESH = _TIMES > 1


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
