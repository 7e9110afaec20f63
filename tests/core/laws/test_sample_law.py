"""A sample of any edge: its pleats stand as far apart and take as much cloth as the edge's own."""

from __future__ import annotations

import pytest
from hypothesis import given

from ribbon.edge import edge_plan, sample
from ribbon.errors import Refusal
from ribbon.facts import Section
from tests.core.laws.strategies import sections
from tests.examples import law


@law(300)
@given(sections())
def test_a_sample_is_three_of_the_pleats_themselves(section: Section) -> None:
    try:
        whole = edge_plan(section)
    except Refusal:
        return
    made = sample(whole)
    own, tried = whole.only, made.only
    assert own is not None
    assert tried is not None
    if not section.kind.folded:
        flats = own.lead + own.tail
        drawn = (own.flat - flats) / (own.finished - flats)
        assert made.flat / made.finished == drawn
        return
    assert made.count == 3
    most = max(pleat.take for pleat in own.row.pleats)
    take = most / own.row.parts
    assert {pleat.take / tried.row.parts for pleat in tried.row.pleats} == {take}
    # Cartridge pleats stand up, and what they take is all of the cloth; the others lie beside what they take.
    assert float(made.flat.mm) == pytest.approx(
        3 * take + (0 if section.kind.upright and section.kind.rows else float(made.finished.mm))
    )
    # Walked, it finishes as wide as three of its spaces.
    assert tried.walked.finished == made.finished
