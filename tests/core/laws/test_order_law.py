"""The order of making, moved, struck and added to, against a plain reckoning of what can be done now."""

from __future__ import annotations

from hypothesis import given
from hypothesis import strategies as st

from ribbon.making.order import in_order
from ribbon.making.thing import Making
from tests.core.laws.strategies import law

NAMES = "abcdefgh"


@st.composite
def orders(draw: st.DrawFn) -> tuple[list[Making], list[str], dict[str, str], set[str], set[str]]:
    """Steps that each come after some before them, even of such as are not there; an order of some; added, struck, done."""
    many = draw(st.integers(1, len(NAMES)))
    steps = []
    for number, name in enumerate(NAMES[:many]):
        before = draw(st.sets(st.sampled_from(["absent", *NAMES[:number]])))
        steps.append(Making(name, f"Do {name}.", after=tuple(sorted(before))))
    added = {name: f"Mine, {name}." for name in draw(st.sets(st.sampled_from(["mine", "other"])))}
    every = [*NAMES, "mine", "other", "gone"]
    order = draw(st.lists(st.sampled_from(every), max_size=14))
    struck, done = draw(st.sets(st.sampled_from(every))), draw(st.sets(st.sampled_from(every)))
    return steps, order, added, struck, done


@law(2000)
@given(orders())
def test_every_step_stands_once_and_can_be_done_when_nothing_keeps_it(
    asked: tuple[list[Making], list[str], dict[str, str], set[str], set[str]],
) -> None:
    steps, order, added, struck, done = asked
    standing, away = in_order(steps, order, added, struck, done)
    there = {one.name for one in steps} | set(added)
    assert sorted(one.name for one in [*standing, *away]) == sorted(there)
    assert {one.name for one in away} == there & struck
    wanted = [name for name in dict.fromkeys(order) if name in there and name not in struck]
    names = [one.name for one in standing]
    assert [name for name in names if name in set(wanted)] == wanted
    after = {one.name: one.after for one in steps}
    for number, one in enumerate(standing):
        keeps = {other for other in after.get(one.name, ()) if other in there - struck - done}
        assert one.own == (one.name in added)
        assert one.done == (one.name in done)
        assert one.now == (one.name not in done and not keeps)
        assert set(one.needs) == (set() if one.done else keeps & set(names[number:]))


@law(500)
@given(orders())
def test_what_was_not_moved_stands_as_it_follows_of_itself(
    asked: tuple[list[Making], list[str], dict[str, str], set[str], set[str]],
) -> None:
    steps, _, _, _, done = asked
    standing, away = in_order(steps, done=done)
    assert [one.name for one in standing] == [one.name for one in steps]
    assert not away
    assert not any(one.needs for one in standing)
    # With one put first, what is new stands behind the one that it follows of itself.
    last = steps[-1].name
    moved, _ = in_order(steps, order=[last])
    assert [one.name for one in moved] == [*(one.name for one in steps[:-1]), last]
