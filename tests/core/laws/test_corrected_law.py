"""Corrections and the turn of a cloth, by the rules of the work, over every kind, end and hand."""

from __future__ import annotations

from dataclasses import replace
from typing import Any

from hypothesis import assume, event, given
from hypothesis import strategies as st

from ribbon.edge import applied, division, edge_plan, plan, taped
from ribbon.errors import Refusal
from ribbon.facts import KINDS, End, Pin, Place, Section
from ribbon.fraction import Fraction
from ribbon.lengths import Length
from ribbon.pleats import Facing, Quantity
from ribbon.pleats.pinch import PINCH
from ribbon.strip import LineKind
from ribbon.table.chalk import From, chalk_list
from ribbon.table.checking import verdict
from tests.core.laws.strategies import LAW, TAPES

Q = Quantity


@st.composite
def rows(draw: Any) -> Section:
    """Rows of every kind that lies on the edge or is pinched, deep and wide enough for a division more or less."""
    name = draw(st.sampled_from(["knife", "tuck", "box", "inverted", "pinch"]))
    kind = PINCH[3] if name == "pinch" else KINDS[name]
    tape = draw(st.sampled_from(TAPES))
    q = tape.mm
    pins = {Q.PER_PLEAT if name == "pinch" else Q.DEPTH: Pin(q * draw(st.integers(8, 40)) + draw(st.integers(0, 1)))}
    places: tuple[Place, ...] = ()
    from_centre = False
    if draw(st.integers(0, 3)):
        pins[Q.COUNT] = Pin(Fraction(2 * draw(st.integers(1, 14))))
        pins[Q.SPACING] = Pin(q * draw(st.integers(24, 90)) + draw(st.sampled_from([0, Fraction(1, 3)])))
    else:
        pins[Q.FINISHED] = Pin(q * draw(st.integers(600, 900)))
        from_centre = draw(st.booleans())
        steps = draw(st.lists(st.integers(1, 4), min_size=1, max_size=4))
        at = Fraction(0)
        found = []
        for step in steps:
            at += step * 60 * q
            found.append(Place(Length(at)))
        places = tuple(found)
    ends = [draw(st.sampled_from([End(), End(times=Fraction(1)), End(width=Length(q * 40))])) for _ in range(2)]
    return Section(
        kind,
        pins,
        tape=tape,
        meet=False if kind.meeting else None,
        facing=draw(st.sampled_from(list(Facing))),
        closed=draw(st.booleans()) and not from_centre,
        lead=ends[0],
        tail=ends[1],
        places=places,
        from_centre=from_centre,
    )


def marks_by_pleat(facts: Section) -> dict[int, list[tuple[LineKind, Length]]]:
    chalked = edge_plan(facts).marked
    found: dict[int, list[tuple[LineKind, Length]]] = {}
    for mark in chalked.marks:
        found.setdefault(mark.pleat, []).append((mark.kind, chalked.walked.length(mark.at)))
    return found


@LAW
@given(rows(), st.lists(st.integers(-40, 40), min_size=1, max_size=3))
def test_corrections_keep_the_rules(facts: Section, by: list[int]) -> None:
    try:
        before = plan(facts)
        straight = marks_by_pleat(facts)
        made = plan(replace(facts, corrections=tuple(facts.tape * n for n in by)))
        on_tape = taped(made, facts.tape)
        after = marks_by_pleat(made.section)
    except Refusal:
        return
    assert on_tape is not None
    q, per = facts.tape, 2 if facts.kind.halves else 1
    each = {one.pleat: one.divisions for one in applied(made)}
    event(f"{facts.kind.name} {'mirrored' if facts.mirrored else 'placed' if facts.places else 'even'}")
    # A knife changes by one division, a box by two, one at each side.
    assert all(divisions % per == 0 for divisions in each.values())
    # None takes two steps while another takes none.
    eligible = [each.get(pleat, 0) // per for pleat in range(1, made.count + 1)]
    paired = facts.mirrored or facts.from_centre
    if not (paired and made.count % 2):
        assert max(eligible) - min(eligible) <= 1
    # A mirrored row changes in mirrored pairs.
    if facts.mirrored and not facts.places:
        assert eligible == eligible[::-1]
    # The cut cloth stays as it is; the row comes in by as many divisions as there are changes.
    plain = taped(before, q)
    assert plain is not None
    assert on_tape.flat == plain.flat
    assert plain.finished - on_tape.finished == q * sum(each.values())
    # All that is chalked is on the tape; what is not is an inner fold, half way.
    chalked = edge_plan(made.section).marked
    for mark in chalked.marks:
        divisions = chalked.walked.length(mark.at) / q
        assert (
            divisions.denominator == 1 if mark.chalked else mark.kind is LineKind.INNER and divisions.denominator == 2
        )
    # Outer folds of placed pleats stay where they were, but of a box, whose face gives, and where there is no room beside one.
    roomy = facts.places and all(abs(divisions) <= 10 for divisions in each.values())
    if facts.kind.faces and not facts.closed and roomy and all(end.width for end in (facts.lead, facts.tail)):
        for pleat, marks in after.items():
            assert dict(marks)[LineKind.OUTER] == dict(straight[pleat])[LineKind.OUTER]


@LAW
@given(rows(), st.integers(-3, 3), st.sampled_from([Fraction(1), Fraction(1, 2), Fraction(1, 3)]))
def test_every_pleat_takes_the_turn_of_its_cloth(facts: Section, many: int, part: Fraction) -> None:
    turn = facts.tape * many * part
    try:
        made = plan(replace(facts, turn=turn))
        plain, on_tape = taped(plan(facts), facts.tape), taped(made, facts.tape)
    except Refusal:
        return
    assert plain is not None
    assert on_tape is not None
    thick = facts.kind.take_up_per_depth if Q.DEPTH in facts.kind.quantities else 1
    step = facts.tape * facts.kind.divisions
    part_of = facts.tape * (2 if facts.kind.halves else 1)
    takes = [depth * thick for depth in on_tape.depths]
    exact = [Length(Fraction(pleat.take, made.row.parts)) for pleat in made.row.pleats]
    # Each takes its own cloth less the turn to within a step, on the tape, and all together what is left of the same flat width.
    assert all(abs(take + turn - own) <= step for take, own in zip(takes, exact, strict=True))
    assert all((take / part_of).denominator == 1 for take in takes)
    sides = 2 if facts.mirrored or facts.from_centre else 1
    assert abs(on_tape.finished - made.finished - turn * len(takes)) <= (part_of * sides + facts.tape) / 2
    if facts.mirrored and not facts.places:
        assert takes == takes[::-1]
    assert on_tape.flat == plain.flat


@LAW
@given(rows(), st.integers(-60, 60))
def test_what_a_check_offers_can_be_planned_and_comes_out_as_it_says(facts: Section, off: int) -> None:
    try:
        made = plan(facts)
    except Refusal:
        return
    measured = made.finished + facts.tape * off
    assume(made.finished / 2 < measured < made.finished * 2)
    found = verdict(edge_plan(facts), [measured])
    if not found.correction:
        assert not found.changes
        return
    event("offered")
    taken = plan(replace(facts, corrections=(found.correction,)))
    on_tape, plain = taped(taken, facts.tape), taped(made, facts.tape)
    assert on_tape is not None
    assert plain is not None
    # Sewn again by the same hand it comes out where it was said, less than a step from the plan.
    assert measured - (plain.finished - on_tape.finished) == found.after
    step = division(facts) * (2 if facts.kind.halves else 1) * (2 if facts.mirrored or facts.from_centre else 1)
    spent = min(on_tape.depths) * (facts.kind.take_up_per_depth if Q.DEPTH in facts.kind.quantities else 1) <= step
    assert abs(found.after - made.finished) <= step or spent
    assert {one.pleat: one.divisions for one in applied(taken)} == {c.pleat: c.divisions for c in found.changes}


@LAW
@given(rows(), st.sampled_from(list(From)), st.integers(-5, 5))
def test_the_wrong_side_marks_the_same_places(facts: Section, nought: From, by: int) -> None:
    """Whatever side is up, each figure is from the end that the list names, so that it marks the same place."""
    try:
        chalked = edge_plan(replace(facts, corrections=(facts.tape * by,) if by else ())).marked
    except Refusal:
        return
    whole = chalked.walked.length(chalked.walked.flat[-1])
    right, wrong = (chalk_list(chalked.marks, chalked.walked, nought, wrong_side=side) for side in (False, True))

    def places(listed: list[Any], *, wrong_side: bool) -> list[tuple[Length, LineKind, int]]:
        found = []
        for one in listed:
            at = one.at if nought is From.START else whole - one.at if nought is From.END else None
            if at is None:
                to_start = one.hand == ("right" if wrong_side else "left")
                at = whole / 2 - one.at if to_start else whole / 2 + one.at
            found.append((at, one.kind, one.pleat))
        return sorted(found, key=lambda one: (one[0].mm, one[2], one[1]))

    assert places(right, wrong_side=False) == places(wrong, wrong_side=True)
    flat = sorted(
        ((chalked.walked.length(m.at), m.kind, m.pleat) for m in chalked.marks if m.chalked),
        key=lambda one: (one[0].mm, one[2], one[1]),
    )
    assert places(wrong, wrong_side=True) == flat
