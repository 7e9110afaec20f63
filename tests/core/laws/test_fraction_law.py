"""The compiled fractions say what the standard library's say, whatever is done with them."""

from __future__ import annotations

import fractions
import math
import operator
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ribbon.fraction import Fraction
from tests.core.laws.strategies import LAW

numbers = st.one_of(
    st.fractions(-4000, 4000, max_denominator=10_000),
    st.fractions(),
    st.integers(-(10**30), 10**30).map(fractions.Fraction),
)


def same(found: object, wanted: object) -> bool:
    """Whether both are equal, written alike, and of the same kind."""
    kinds = {type(Fraction(0)): "fraction", fractions.Fraction: "fraction"}
    kind = kinds.get(type(found), type(found)) == kinds.get(type(wanted), type(wanted))
    return kind and found == wanted and str(found) == str(wanted) and hash(found) == hash(wanted)


@LAW
@given(numbers, numbers, st.integers(-12, 12))
def test_every_operation_agrees(one: fractions.Fraction, other: fractions.Fraction, whole: int) -> None:
    mine, others = Fraction(one), Fraction(other)
    for done in (operator.add, operator.sub, operator.mul):
        assert same(done(mine, others), done(one, other))
        assert same(done(mine, whole), done(one, whole))
        assert same(done(whole, mine), done(whole, one))
    for done in (operator.truediv, operator.floordiv, operator.mod):
        if other:
            assert same(done(mine, others), done(one, other))
            assert same(done(whole, others), done(whole, other))
        if whole:
            assert same(done(mine, whole), done(one, whole))
    for asked in (operator.lt, operator.le, operator.eq, operator.ne):
        assert asked(mine, others) is asked(one, other)
        assert asked(mine, whole) is asked(one, whole)
        assert asked(mine, other) is asked(one, other)


@LAW
@given(numbers, st.integers(0, 6), st.integers(1, 5000))
def test_what_is_asked_of_one_agrees(one: fractions.Fraction, places: int, limit: int) -> None:
    mine = Fraction(one)
    for asked in (round, math.floor, math.ceil, math.trunc, float, abs, operator.neg, bool):
        assert same(asked(mine), asked(one))
    assert same(round(mine, places), round(one, places))
    assert same(mine.limit_denominator(limit), one.limit_denominator(limit))
    assert (mine.numerator, mine.denominator) == (one.numerator, one.denominator)
    assert same(Fraction(one.numerator * limit, one.denominator * limit), one)


@pytest.mark.parametrize("text", ["5", "1/2", "", b"7"])
def test_a_text_is_refused(text: Any) -> None:
    """The compiled one would take a single digit and write over the interpreter's own letter for it."""
    before = chr(0)
    with pytest.raises(TypeError, match="not of the text"):
        Fraction(text)
    assert (before, chr(0)) == ("\x00", "\x00")
    assert isinstance(Fraction(1, 2), Fraction)
