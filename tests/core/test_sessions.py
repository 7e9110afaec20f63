"""Steps fitted into sessions: by hand, and random ones against a minute-by-minute reckoning that shares no code with it."""

from __future__ import annotations

from random import Random

import pytest

from ribbon.fraction import Fraction
from ribbon.lengths import Length
from ribbon.table.sessions import Slot, Timed, fitted, together
from ribbon.table.times import Extent, expected, rate_says, rates, waits_for
from tests.examples import seeds


def test_a_weekend_by_hand() -> None:
    """Saturday two hours, Sunday three: the wash dries overnight, the folding goes on where it was left."""
    day = 24 * 60
    steps = [
        Timed("wash", 20, (), 600),
        Timed("cut", 40, ("wash",)),
        Timed("print", 30),
        Timed("fold", 100, ("cut",)),
        Timed("press", 60, ("fold",)),
    ]
    found = fitted(steps, [Slot(0, 120), Slot(day, 180)])
    assert [(one.name, one.slot, one.start, one.minutes, one.last) for one in found.doings] == [
        ("wash", 0, 0, 20, True),
        ("print", 0, 20, 30, True),
        ("cut", 1, day, 40, True),
        ("fold", 1, day + 40, 100, True),
        ("press", 1, day + 140, 40, False),
    ]
    assert (found.left, found.ends) == ({"press": 20}, day + 180)


def test_guesses_grow_with_pleats_and_metres_and_are_never_nothing() -> None:
    none, metre = Fraction(0), Length(1000)
    for name, pleats, long, minutes in (
        ("fold", Fraction(20), metre, 70),
        ("fold", Fraction(40), metre, 130),
        ("hem", none, metre * 5, 50),
        ("something of one's own", none, Length(0), 25),
    ):
        assert expected(name, Extent(pleats, long), {}) == (minutes, False)
    assert waits_for("let it dry flat") == 600
    assert waits_for("until tomorrow") == 60
    assert together([("a", "Press."), ("b", "Cut."), ("c", "Press well."), ("d", "Hem and press.")]) == [
        ("Pressing", ("a", "c", "d"))
    ]


def test_what_steps_took_is_learnt_by_what_they_go_by() -> None:
    """Folds by the pleat, hems by the metre, a wash as it is; what there is none of counts as one."""
    small, wide = Extent(Fraction(10), Length(1000)), Extent(Fraction(30), Length(4000))
    learnt = rates(
        [
            (small, {"fold": Fraction(20), "hem": Fraction(15), "hang": Fraction(9)}),
            (wide, {"fold": Fraction(120), "hang": Fraction(20)}),
        ]
    )
    assert learnt == {"fold": 3, "hem": 15, "hang": Fraction(29, 2)}
    assert expected("fold", Extent(Fraction(7), Length(0)), learnt) == (21, True)
    assert expected("hem", Extent(Fraction(7), Length(2000)), learnt) == (30, True)
    assert expected("fold", Extent(Fraction(0), Length(0)), learnt) == (3, True)
    assert rate_says("fold", Fraction(20), small) == "2 min a pleat"
    assert rate_says("fold", Fraction(10), small) == "60 s a pleat"
    assert rate_says("hem", Fraction(60), wide) == "15 min a metre"
    assert rate_says("hang", Fraction(60), wide) == ""


@pytest.mark.parametrize("seed", seeds(1500))
def test_minute_by_minute(seed: int) -> None:
    """Nothing before what it needs, nothing while it waits, no two at once, all minutes inside sessions and none lost."""
    pick = Random(seed)
    steps = []
    for number in range(pick.randint(1, 9)):
        needs = tuple(f"s{n}" for n in range(number) if pick.random() < 0.3)
        steps.append(Timed(f"s{number}", pick.randint(1, 150), needs, pick.choice([0, 0, 0, 30, 600])))
    at, slots = 0, []
    for _ in range(pick.randint(0, 8)):
        at += pick.randint(0, 1500)
        slots.append(Slot(at, pick.randint(1, 240)))
        at = slots[-1].end
    pick.shuffle(slots)
    found = fitted(steps, slots)
    taken: dict[int, str] = {}
    done = {step.name: 0 for step in steps}
    ends: dict[str, int] = {}
    for one in found.doings:
        slot = slots[one.slot]
        for minute in range(one.start, one.start + one.minutes):
            assert slot.start <= minute < slot.end
            assert minute not in taken
            taken[minute] = one.name
        done[one.name] += one.minutes
        if one.last:
            ends[one.name] = one.start + one.minutes
    by_name = {step.name: step for step in steps}
    for one in found.doings:
        for need in by_name[one.name].needs:
            assert need in ends
            assert one.start >= ends[need] + by_name[need].waits
    for step in steps:
        left = found.left.get(step.name, 0)
        assert done[step.name] + left == step.minutes
        assert (step.name in ends) == (left == 0)


def test_nothing_is_idle_that_could_be_done() -> None:
    """One step after another without waiting fills every session to its end."""
    steps = [Timed(f"s{n}", 30, (f"s{n - 1}",) if n else ()) for n in range(8)]
    slots = [Slot(n * 500, 45) for n in range(5)]
    found = fitted(steps, slots)
    assert sum(one.minutes for one in found.doings) == 5 * 45
    assert sum(found.left.values()) == 8 * 30 - 5 * 45
