"""Random sections: mostly ones that can be made, some that cannot."""

from __future__ import annotations

from typing import Any

from hypothesis import strategies as st

from ribbon.facts import KINDS, End, Pin, Remainder, School, Section
from ribbon.fraction import Fraction
from ribbon.lengths import UNITS, Length
from ribbon.pleats import Facing, Quantity
from ribbon.pleats.pinch import PINCH
from tests.examples import law

Q = Quantity

# The strategies of the library look at what a type is called with: of a fraction that is a number.
st.register_type_strategy(Fraction, st.fractions().map(lambda one: Fraction(one.numerator, one.denominator)))

LAW = law(600)

lengths = st.one_of(
    st.integers(1, 4000).map(lambda n: Fraction(n) * 127 / 160),  # eighths and thirty-seconds of an inch
    st.integers(1, 3000).map(Fraction),
    st.fractions(1, 3000, max_denominator=30).map(Fraction),
)
small = st.one_of(st.integers(4, 80).map(Fraction), st.integers(2, 100).map(lambda n: Fraction(n) * 127 / 160))
TAPES = [Length(1), Length(5), Length(Fraction(127, 80)), Length(Fraction(127, 40)), Length(Fraction(127, 20))]
ends = st.one_of(
    st.sampled_from([End(), End(times=Fraction(0)), End(times=Fraction(1))]),
    lengths.map(lambda w: End(width=Length(w))),
)
VALUES: dict[Quantity, st.SearchStrategy[Fraction]] = {
    Q.FINISHED: lengths, Q.FLAT: lengths, Q.COUNT: st.integers(1, 60).map(Fraction),
    Q.FULLNESS: st.integers(9, 40).map(lambda n: Fraction(n, 8)),
    Q.GAP: st.one_of(st.just(Fraction(0)), small), Q.OPENING: st.one_of(st.just(Fraction(0)), small),
}  # fmt: skip


@st.composite
def pins(draw: Any, kind: Any) -> dict[Quantity, Pin]:
    """Two to four pins, one of them usually the finished width."""
    names = draw(st.lists(st.sampled_from(sorted(kind.quantities)), min_size=1, max_size=3, unique=True))
    if draw(st.integers(0, 4)):
        names = [Q.FINISHED, *(name for name in names if name is not Q.FINISHED)]
    return {name: Pin(draw(VALUES.get(name, small)), draw(st.booleans())) for name in names}


@st.composite
def sections(draw: Any) -> Section:
    """A section of any kind."""
    kind = draw(st.sampled_from([*KINDS.values(), PINCH[3]]))
    return Section(
        kind,
        draw(pins(kind)),
        unit=UNITS[draw(st.sampled_from(["cm", "in"]))],
        tape=draw(st.sampled_from(TAPES)),
        meet=draw(st.sampled_from([None, None, True, False])),
        facing=draw(st.sampled_from(list(Facing))),
        closed=draw(st.booleans()),
        lead=draw(ends),
        tail=draw(ends),
        remainder=draw(st.sampled_from([Remainder.SPACING, Remainder.SPACING, *Remainder])),
        school=draw(st.sampled_from(list(School))),
    )
