"""Upper levels and mixed edges on the tape: their own laws."""

from __future__ import annotations

from collections import Counter
from typing import Any

from hypothesis import event, given
from hypothesis import strategies as st

from ribbon.edge import edge_plan, plan, taped, taped_edge, tapered
from ribbon.errors import Refusal
from ribbon.facts import KINDS, Edge, End, Pin, Section, Stretch, Taper, beside
from ribbon.fraction import Fraction
from ribbon.lengths import UNITS, ZERO, Length
from ribbon.pleats import Facing, Quantity
from ribbon.readings import marks
from ribbon.strip import LineKind, walk
from tests.core.laws.strategies import LAW, TAPES, sections

Q = Quantity
ON_FOLD = End(times=Fraction(0), fold=True)


@st.composite
def levels(draw: Any) -> Section:
    """Rows with a second level, roomy enough for their tape."""
    kind = KINDS[draw(st.sampled_from(["knife", "box", "inverted", "tuck"]))]
    tape = draw(st.sampled_from(TAPES))
    q = tape.mm
    count = draw(st.integers(2, 14)) * 2
    spacing = q * draw(st.integers(40, 90)) + draw(st.sampled_from([Fraction(0), Fraction(1, 3), Fraction(2, 7)]))
    pins = {Q.COUNT: Pin(Fraction(count)), Q.SPACING: Pin(spacing), Q.DEPTH: Pin(q * draw(st.integers(8, 18)))}
    if kind.hole is not None:
        pins[kind.hole] = Pin(q * draw(st.sampled_from([0, 4, 15])))
    end = draw(st.sampled_from([End(), ON_FOLD])) if kind.halves else End()
    if end.fold:
        pins[Q.COUNT] = Pin(Fraction(count) + Fraction(1, 2))
    narrower = q * count * draw(st.integers(-6, 12)) / draw(st.integers(1, 3))
    darts = tuple(
        (1 + draw(st.integers(0, count - 1)), tape * draw(st.integers(1, 5))) for _ in range(draw(st.integers(0, 2)))
    )
    finished = spacing * count - narrower - sum((width.mm for _, width in darts), Fraction(0))
    return Section(
        kind,
        pins,
        unit=UNITS["cm"],
        tape=tape,
        meet=False,
        facing=draw(st.sampled_from(list(Facing))),
        closed=draw(st.booleans()) and not end.fold,
        lead=end,
        taper=Taper(Length(200), Length(finished), tuple(dict(darts).items())),
    )


@LAW
@given(levels())
def test_the_upper_level_keeps_the_tape(facts: Section) -> None:
    try:
        made = plan(facts)
        exact, upper, lower = tapered(made), tapered(made, facts.tape), taped(made, facts.tape)
    except Refusal:
        return
    assert exact is not None
    assert upper is not None
    assert lower is not None
    tape, kind = facts.tape, facts.kind
    assert tape is not None
    event(f"{kind.name} {'ring' if facts.closed else 'open'}")
    upper.strip.check()
    walked = walk(upper.strip, tape)
    assert walked.finished == upper.finished
    assert upper.strip.flat == lower.flat
    # Every mark is on the tape, but of so few inner folds as bring both levels out of one flat width.
    halves = [mark for mark in marks(upper.strip, walked, tape) if (walked.length(mark.at) / tape).denominator != 1]
    assert all(mark.kind is LineKind.INNER and not mark.chalked for mark in halves)
    assert len({mark.pleat for mark in halves}) <= (2 if facts.mirrored else 1)
    # Take-ups of pleats that are alike differ by no more than one step, and come to what they should in all.
    step = tape * kind.divisions
    darts = {pleat for pleat, _ in facts.taper.darts} if facts.taper else set()
    wholes = range(2 if facts.lead.fold else 1, made.count + 1)
    takes = [
        lower.depths[pleat - 1] * kind.take_up_per_depth + upper.extra[pleat - 1]
        for pleat in wholes
        if pleat not in darts
    ]
    if takes:
        assert max(takes) - min(takes) <= step
    part_of = tape * (2 if kind.halves else 1)
    assert sum((take / step).denominator != 1 for take in takes) <= (2 if facts.mirrored else 1)
    sides = 2 if facts.mirrored else 1
    assert abs(upper.finished - exact.finished) <= (part_of * sides + tape) / 2
    # The slant of each line is what lies between its two marks on the tape.
    low = walk(lower.strip, tape)
    for slant, a, b in zip(upper.slants, marks(lower.strip, low, tape), marks(upper.strip, walked, tape), strict=True):
        assert slant.shift == walked.length(b.at) + upper.start - low.length(a.at)
        straight = LineKind.OUTER if kind.faces else LineKind.CENTRE
        if slant.kind is straight:
            assert slant.shift == ZERO


@LAW
@given(
    st.lists(st.tuples(sections() | st.none(), st.integers(40, 4000)), min_size=1, max_size=7),
    st.sampled_from(TAPES),
    st.booleans(),
)
def test_a_mixed_edge_does_not_drift(parts: list[tuple[Section | None, int]], tape: Length, whole: bool) -> None:
    """One running total along the whole edge: finished exact whenever it is on the tape, every part within a division."""
    wide = sum(width for _, width in parts)
    # A whole number of divisions for the edge, whatever each part has of it.
    finished = tape * (wide // 4) if whole else Length(Fraction(wide, 3))
    shares = [Fraction(width, wide) for _, width in parts]
    edge = Edge(
        beside([Stretch(section and Section(**{**_facts(section), "tape": tape, "closed": False}), share=share)
         for (section, _), share in zip(parts, shares, strict=True)]),
        UNITS["cm"],
        tape,
        finished=finished,
    )  # fmt: skip
    try:
        made = edge_plan(edge)
        on_tape = taped_edge(made, tape)
    except Refusal:
        return
    if made.pleats > 300:
        return
    kinds = Counter(one.plan.section.kind.name if one.plan else "plain" for one in made.stretches)
    event(f"{len(parts)} parts")
    laid, found = on_tape.strip, on_tape.stretches
    walked = walk(laid, tape)
    coarse = any(part is None and one.plan is not None for part, one in zip(found, made.stretches, strict=True))
    if coarse:
        return
    assert abs(walked.finished - finished) <= tape / 2
    if (finished / tape).denominator == 1:
        assert walked.finished == finished, kinds
    # Each part begins and ends within half a division of its place.
    at, exact = ZERO, ZERO
    for part, one in zip(found, made.stretches, strict=True):
        exact += one.finished
        end = tape * ((exact / tape + Fraction(1, 2)).__floor__())
        at += part.finished if part else end - at
        assert abs(at - exact) <= tape / 2
    for mark in marks(laid, walked, tape):
        assert (walked.length(mark.at) / tape).denominator == 1, mark


def _facts(section: Section) -> dict[str, Any]:
    return {
        name: getattr(section, name)
        for name in ("kind", "pins", "unit", "meet", "facing", "lead", "tail", "remainder", "school")
    }
