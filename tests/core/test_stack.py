"""The stack of a walked strip, against its definition place by place."""

from __future__ import annotations

from itertools import pairwise

from hypothesis import given
from hypothesis import strategies as st

from ribbon.lengths import Length
from ribbon.pleats import Laying, Row, Standing, strip_of
from ribbon.pleats.knife import KNIFE
from ribbon.pleats.row import Facing
from ribbon.readings import back, behind, front, layers, stack
from ribbon.strip import LineKind, Role, StripBuilder, Turn, Walk, walk
from tests.examples import law


@st.composite
def walks(draw: st.DrawFn) -> Walk:
    """A walk of a few spans that turn here and there, some of no length."""
    laid = StripBuilder()
    for _ in range(draw(st.integers(1, 12))):
        laid.cloth(Length(draw(st.integers(0, 8))), Role.FACE)
        if draw(st.booleans()):
            laid.fold(draw(st.sampled_from(list(Turn))), LineKind.OUTER, 1)
    return walk(laid.cloth(Length(1), Role.FACE).strip())


def lying(walked: Walk, at2: int) -> list[int]:
    """The spans that lie over the place `at2` halves of a part along the edge, not counting those that end there."""
    return [index for index, (a, b) in enumerate(pairwise(walked.x)) if 2 * min(a, b) < at2 < 2 * max(a, b)]


@law(400)
@given(walks())
def test_every_reading_is_what_its_definition_says(walked: Walk) -> None:
    stacked = stack(walked)
    assert len(stacked.places) == len(stacked.deep) + 1
    for (start, end), top, bottom, deep in zip(
        pairwise(stacked.places), stacked.top, stacked.bottom, stacked.deep, strict=True
    ):
        here = lying(walked, start + end)
        assert deep == len(here)
        if here:
            assert walked.layers[top] == max(walked.layers[index] for index in here)
            assert walked.layers[bottom] == min(walked.layers[index] for index in here)
        else:
            assert (top, bottom) == (-1, -1)
    for index, (a, b) in enumerate(pairwise(walked.x)):
        over = [other for other in lying(walked, a + b) if walked.layers[other] > walked.layers[index]]
        assert behind(walked)[index] == len(over)
    for seen, right in ((front(walked), True), (back(walked), False)):
        assert all(one.right_side is ((walked.heading[one.span] > 0) is right) for one in seen)
        assert all(a.end <= b.start for a, b in pairwise(seen))
    thick = layers(walked)
    assert all(a.end == b.start and a.layers != b.layers for a, b in pairwise(thick))


@law(300)
@given(
    st.lists(
        st.tuples(st.integers(0, 6), st.integers(0, 4), st.sampled_from([Facing.RIGHT, Facing.LEFT])),
        min_size=1,
        max_size=12,
    )
)
def test_pleats_laid_again_from_a_pattern_are_as_if_laid_anew(drawn: list[tuple[int, int, Facing]]) -> None:
    """Also where a pleat takes nothing, or stands where the last one ended: what it adds depends on that."""
    at, pleats = 0, []
    for number, (gap, take, facing) in enumerate(drawn, 1):
        at += gap
        pleats.append(Standing(number, at, at, at, 2 * take, facing))
    patterned = strip_of(KNIFE, Row(1, at + 3, pleats))
    anew, done = Laying(1), 0
    for pleat in pleats:
        anew.run(pleat.left - done, Role.FACE)
        KNIFE.lay(anew, pleat)
        done = pleat.right
    assert anew.run(3, Role.FACE).strip() == patterned
    patterned.check()


def test_a_knife_pleat_three_deep() -> None:
    stacked = stack(walk(strip_of(KNIFE, Row(1, 30, [Standing(1, 20, 20, 20, 20)]))))
    assert stacked.places == [0, 10, 20, 30]
    assert stacked.deep == [1, 3, 1]
    assert stacked.top == [0, 0, 3]
    assert stacked.bottom == [0, 2, 3]
