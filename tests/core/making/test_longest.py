"""The longest circle that a cloth makes: that long it lies within the cloth, a little longer it does not."""

from __future__ import annotations

from random import Random

import pytest

from ribbon.cloth import Bolt
from ribbon.fraction import Fraction
from ribbon.lengths import UNITS, Length
from ribbon.making import THINGS, Given
from ribbon.making.circles import rings
from ribbon.making.circles_cut import cut_pieces
from ribbon.making.circles_made import longest
from tests.examples import seeds

CIRCLE = THINGS["circle"]


def needed(given: Given) -> Length:
    """How wide the cloth must be for a piece, turned where it may be."""
    ring = rings(given)
    assert ring is not None
    (piece,) = cut_pieces(given, ring)
    box = piece.opened.box
    return box.wide if given.cloths["face"].directional else min(box.wide, box.long)


@pytest.mark.parametrize("seed", seeds(120))
def test_that_long_it_fits_and_no_longer(seed: int) -> None:
    chance = Random(seed)
    choices = {
        "share": chance.choice(["full", "three_quarters", "half", "quarter"]),
        "circles": chance.randint(1, 3),
        "cut_in": chance.choice(["whole", "halves", "quarters"]),
    }
    bolt = Bolt(Length(chance.choice([900, 1380, 1500, 2800])), directional=chance.random() < 0.4)
    edge = Length(chance.randint(400, 1200))

    def said(fall: Length) -> Given:
        measures = {"edge": (edge,), "length": (fall,)}
        return Given(CIRCLE.by_name, measures, choices, {"face": bolt}, UNITS["cm"], seam=Length(15))

    ring = rings(said(Length(500)))
    assert ring is not None
    most = longest(said(Length(500)), ring)
    if most is None or ring.radius <= Length(15):
        return
    assert needed(said(most)) <= bolt.usable + Length(Fraction(1, 100))
    assert needed(said(most + Length(1))) > bolt.usable
