"""A difference leads from one document to the other and back, whatever the two are; a history walks as it was written."""

from __future__ import annotations

from itertools import pairwise
from typing import Any

from hypothesis import given
from hypothesis import strategies as st

from server.works.differences import before_steps, difference, forward
from tests.examples import law

plain = (
    st.none() | st.booleans() | st.integers(-5, 5) | st.floats(allow_nan=False, width=16) | st.text("ab", max_size=60)
)
documents = st.recursive(
    plain,
    lambda inner: st.lists(inner, max_size=4) | st.dictionaries(st.sampled_from("abcd"), inner, max_size=4),
    max_leaves=12,
)


def same(one: Any, other: Any) -> bool:
    """Equal, and of the same types all through: 1, 1.0 and true are three things."""
    if type(one) is not type(other):
        return False
    if isinstance(one, dict):
        return one.keys() == other.keys() and all(same(one[name], other[name]) for name in one)
    if isinstance(one, list):
        return len(one) == len(other) and all(same(a, b) for a, b in zip(one, other, strict=True))
    return bool(one == other)


@given(documents, documents)
@law(400)
def test_a_difference_leads_there_and_back(before: Any, after: Any) -> None:
    steps = difference(before, after)
    assert same(forward(before, steps), after)
    assert same(before_steps(after, steps), before)
    assert bool(steps) != same(before, after)


@given(st.lists(documents, min_size=2, max_size=6))
@law(100)
def test_a_history_is_walked_back_to_its_beginning_and_on_again(states: list[Any]) -> None:
    steps = [difference(a, b) for a, b in pairwise(states)]
    now = states[-1]
    for step, state in zip(reversed(steps), reversed(states[:-1]), strict=True):
        now = before_steps(now, step)
        assert same(now, state)
    for step, state in zip(steps, states[1:], strict=True):
        now = forward(now, step)
        assert same(now, state)


@given(st.text(max_size=400), st.integers(0, 400), st.text(max_size=5))
def test_a_few_letters_in_long_words_are_a_few_letters_of_difference(words: str, at: int, typed: str) -> None:
    after = words[:at] + typed + words[at:]
    (*steps,) = difference({"notes": words}, {"notes": after})
    if len(words) >= 24 and typed:
        assert len(steps[0]["to"]) <= len(typed)
        assert steps[0]["from"] == ""
