"""What pins promise, for any pins."""

from __future__ import annotations

from dataclasses import replace

from hypothesis import assume, event, given

from ribbon.edge import Plan, plan
from ribbon.errors import Refusal
from ribbon.facts import Pin, Section
from ribbon.offers import choices
from ribbon.pleats import Quantity
from tests.core.laws.strategies import LAW, sections

Q = Quantity


def planned(section: Section) -> Plan | None:
    try:
        return plan(section)
    except Refusal:
        return None


@LAW
@given(sections())
def test_a_firm_pin_gives_only_to_a_whole_count_and_never_before_an_about_pin(section: Section) -> None:
    made = planned(section)
    assume(made is not None and made.gave)
    assert made is not None
    gave = {one.quantity for one in made.gave}
    event(f"gave: {', '.join(sorted(gave))}")
    for name in gave:
        pin = section.pins[name]
        assert made.values[name] != pin.value
        if pin.firm:
            assert name is not Q.COUNT
    for name, pin in section.pins.items():
        if name not in gave:
            assert made.values[name] == pin.value


@LAW
@given(sections())
def test_pinning_every_answer_changes_nothing(section: Section) -> None:
    made = planned(section)
    assume(made is not None and not made.section.mirrored)
    assert made is not None
    answers = {name: Pin(made.values[name]) for name in section.kind.quantities if name in made.values}
    assume(made.values["rest"] == 0)
    # A single pleat between two stated widths has neither a spacing nor a fullness to pin.
    known = {str(s.quantity) for s in made.steps} | {str(a.quantity) for a in made.assumed} | set(section.pins)
    assume({Q.SPACING, Q.FULLNESS} & section.kind.quantities <= known)
    again = plan(replace(section, pins=answers))
    assert {name: again.values[name] for name in answers} == {name: pin.value for name, pin in answers.items()}
    assert not again.gave


@LAW
@given(sections())
def test_neighbours_differ_by_their_count_alone(section: Section) -> None:
    made = planned(section)
    assume(made is not None)
    assert made is not None
    offered = choices(made)
    counts = [choice.plan.count for choice in offered]
    assert counts == sorted(set(counts))
    if section.kind.folded:
        assert made.count in counts
    for choice in offered:
        firm = section.pins.get(Q.FINISHED)
        if firm is not None and firm.firm and choice.plan.count != made.count:
            widths_free = {Q.SPACING, Q.BOX, Q.GAP, Q.OPENING} - section.pins.keys()
            if widths_free:
                assert choice.plan.finished.mm == firm.value or any(g.quantity is Q.FINISHED for g in choice.plan.gave)


@LAW
@given(sections())
def test_a_plan_is_positive_and_says_how_it_was_found(section: Section) -> None:
    made = planned(section)
    assume(made is not None)
    assert made is not None
    for name in section.kind.quantities & made.values.keys():
        least = made.values[name] >= 0 if name in (Q.GAP, Q.OPENING) else made.values[name] > 0
        assert least, name
    assert made.flat > made.finished
    assume(
        {Q.SPACING, Q.FULLNESS} & section.kind.quantities
        <= {*(s.quantity for s in made.steps), *(a.quantity for a in made.assumed), *section.pins}
    )
    found = {step.quantity for step in made.steps}
    settled = {one.quantity for one in made.assumed} | {str(name) for name in section.pins} | {"rest", "count"}
    assert {str(name) for name in section.kind.quantities & made.values.keys()} <= {str(f) for f in found} | settled
    if section.kind.folded and Q.SPACING in made.values:
        assert made.spaces.denominator in (1, 2)
        ends = made.lead + made.tail
        between = (made.count - 1) * made.values[Q.SPACING]
        assert made.finished.mm == ends.mm + between
