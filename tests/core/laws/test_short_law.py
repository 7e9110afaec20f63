"""A long row read from a short one like it tells what the long one tells, place by place."""

from __future__ import annotations

from dataclasses import replace
from typing import Any

from hypothesis import assume, given
from hypothesis import strategies as st

from ribbon.edge import plan
from ribbon.edge.short import in_short, spread_again
from ribbon.errors import Refusal
from ribbon.facts import KINDS, End, Pin, Remainder, Section
from ribbon.fraction import Fraction
from ribbon.lengths import Length
from ribbon.pleats import Facing, Quantity
from ribbon.pleats.pinch import PINCH
from ribbon.readings import front, hidden, layers, past_ends, thickest
from ribbon.says.cautions import _hidden
from tests.core.laws.strategies import LAW

Q = Quantity
FOLDED = [kind for kind in [*KINDS.values(), PINCH[3]] if kind.folded]
SIZES = st.one_of(st.integers(1, 60).map(Fraction), st.integers(1, 60).map(lambda n: Fraction(n) * 127 / 160))
ENDS = st.one_of(
    st.sampled_from([End(), End(times=Fraction(0)), End(times=Fraction(1)), End(fold=True)]),
    SIZES.map(lambda w: End(width=Length(w))),
)


@st.composite
def long_rows(draw: Any) -> Section:
    """Sections of ten to ninety even pleats, deep ones close together among them."""
    kind = draw(st.sampled_from(FOLDED))
    names = draw(
        st.lists(
            st.sampled_from(sorted(kind.quantities - {Q.COUNT, Q.FINISHED, Q.FLAT, Q.FULLNESS})),
            min_size=1,
            unique=True,
        )
    )
    made = Section(
        kind,
        {Q.COUNT: Pin(Fraction(draw(st.integers(10, 90)))), **{name: Pin(draw(SIZES), firm=False) for name in names}},
        meet=draw(st.sampled_from([None, None, True])),
        facing=draw(st.sampled_from(list(Facing))),
        closed=draw(st.booleans()),
        lead=draw(ENDS),
        tail=draw(ENDS),
        remainder=draw(st.sampled_from(list(Remainder))),
    )
    return replace(made, mirror_at=Length(draw(st.integers(1, 2000)))) if draw(st.integers(0, 3)) == 0 else made


@LAW
@given(long_rows(), st.lists(st.fractions(0, 1).map(Fraction), min_size=8, max_size=8))
def test_a_row_in_short_tells_all_of_a_long_one(section: Section, shares: list[Fraction]) -> None:
    try:
        made = plan(section)
    except Refusal:
        assume(False)
    short = in_short(section.kind, made.row)
    assume(short is not None)
    assert short is not None
    assert len(short.strip.spans) < len(made.strip.spans)
    strip, walked = made.strip, made.walked
    assert past_ends(short.walked) == past_ends(walked)
    assert thickest(layers(short.walked)).layers == thickest(layers(walked)).layers
    covered = _hidden(short.strip, short.walked, front(short.walked)), _hidden(strip, walked, front(walked))
    assert bool(covered[0]) == bool(covered[1])
    again = spread_again(short)
    if again is None:
        return  # then the long one is read
    assert (again.parts, again.whole) == (walked.parts, walked.flat[-1])
    assert [tuple(one) for one in again.lines] == [
        (walked.flat[line.after + 1], line.kind, line.pleat) for line in strip.lines
    ]
    assert again.hidden == hidden(strip, walked)
    places = [*(share * again.whole for share in shares), *(one.at for one in again.lines), -1, 0, again.whole]
    for place in places:
        span = max([0, *(n for n, at in enumerate(walked.flat[:-1]) if at <= place)])
        assert again.role_at(place) is strip.spans[span].role
