"""How near pleats come behind the edge, against a plain reckoning from depth, spacing and facing alone."""

from __future__ import annotations

from itertools import pairwise

from hypothesis import assume, given
from hypothesis import strategies as st

from ribbon.edge import Plan, edge_plan
from ribbon.errors import Refusal
from ribbon.fraction import Fraction
from ribbon.pleats import Quantity
from ribbon.says.nearness import clearances
from server.wire.read_edge import read_section
from server.wire.section import SectionSpec
from tests.examples import law


def reach(made: Plan, index: int, facing: str) -> tuple[Fraction, Fraction]:
    """Where the underlay of a pleat lies along the finished edge, in mm."""
    at, deep = made.lead.mm + made.values[Quantity.SPACING] * index, made.values[Quantity.DEPTH]
    if made.section.kind.halves:
        hole = made.values.get(Quantity.OPENING) or Fraction(0)
        return at - hole / 2 - deep, at + hole / 2 + deep
    if facing in ("to_centre", "from_centre"):
        first = index < made.count // 2
        facing = "right" if first == (facing == "to_centre") else "left"
    return (at, at + deep) if facing == "left" else (at - deep, at)


@given(
    kind=st.sampled_from(["knife", "tuck", "inverted"]),
    unit=st.sampled_from(["cm", "in"]),
    count=st.integers(2, 14),
    spacing=st.integers(20, 90),
    depth=st.integers(5, 60),
    parts=st.sampled_from([10, 16, 7]),
    facing=st.sampled_from(["right", "left", "to_centre", "from_centre"]),
    closed=st.booleans(),
)
@law(150)
def test_neighbours_are_as_near_as_depth_and_spacing_say(
    kind: str, unit: str, count: int, spacing: int, depth: int, parts: int, facing: str, closed: bool
) -> None:
    pins = {"count": str(count), "spacing": f"{spacing}/{parts}", "depth": f"{depth}/{parts}"}
    spec = {"kind": kind, "unit": unit, "meet": False, "closed": closed, "pins": pins}
    spec |= {"facing": facing} if kind != "inverted" else {}
    try:
        made = edge_plan(read_section(SectionSpec.model_validate(spec)).edge).only
    except (Refusal, ValueError):
        made = None
    assume(made)
    assert made is not None
    lies = [reach(made, index, facing) for index in range(made.count)]
    if closed and len(lies) > 1:
        lies.append((lies[0][0] + made.finished.mm, lies[0][1] + made.finished.mm))
    assert [gap.mm for gap in clearances(made)] == [b[0] - a[1] for a, b in pairwise(lies)]
